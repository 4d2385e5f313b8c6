import type { JobSolution } from '../../core/kinds/train/solve/round'
import type { ProbeMark } from '../../core/probes/kind'
import { planes } from '../../core/quantity/axis'
import { formatNumber } from '../../core/quantity/number'
import { fromMm } from '../../core/quantity/units'
import { t } from '../../words/language'
import { capital, footName, place, type Terms, unitName } from '../../words/terms'
import type { Point, Shape, Spot } from '../scene'
import type { LineDrawingOptions, Sheet } from './sheet'

/** A dial points at the shaft, a face dial along it, a head is a small box. */
export function markOf(mark: ProbeMark, x: number, y: number): Point[] {
  if (mark === 'box')
    return [
      [x - 5, y - 16],
      [x + 5, y - 16],
      [x + 5, y - 6],
      [x - 5, y - 6],
    ]
  if (mark === 'along')
    return [
      [x, y - 18],
      [x - 9, y - 23],
      [x - 9, y - 13],
    ]
  return [
    [x, y - 5],
    [x - 5, y - 14],
    [x + 5, y - 14],
  ]
}

export function addToSpot(
  spots: Map<string, Spot>,
  id: string,
  first: { label: string; at: Point },
  shapes: Shape[],
): void {
  const spot = spots.get(id) ?? { id, ...first, shapes: [] }
  spot.shapes.push(...shapes)
  spots.set(id, spot)
}

/** The part of a stroke that lies between two heights, so that it does not run into the other plane. */
export function withinBand(from: Point, to: Point, top: number, bottom: number): Point[] {
  const cut = (p: Point, q: Point): Point => {
    const y = Math.min(bottom, Math.max(top, p[1]))
    return y === p[1] || p[1] === q[1] ? [p[0], y] : [p[0] + ((y - p[1]) / (q[1] - p[1])) * (q[0] - p[0]), y]
  }
  return [cut(from, to), cut(to, from)]
}

/** A foot's numbers in both planes, in words. */
export function footLabel(id: string, solved: JobSolution, terms: Terms): string {
  const found = solved.solution.feet.find((foot) => foot.foot === id)
  const told = planes.flatMap((plane) => {
    const known = found?.[plane]
    return known ? [place(known.position, plane, terms)] : []
  })
  return `${capital(footName(id, terms))}: ${told.length ? told.join(', ') : t`not measured`}`
}

export function hatching(from: Point, to: Point): Shape[] {
  const base: Shape = { kind: 'line', role: 'hatch', points: [from, to] }
  const [start, end] = from[0] < to[0] ? [from, to] : [to, from]
  const count = Math.max(2, Math.round((end[0] - start[0]) / 24))
  const strokes = Array.from({ length: count }, (_, i): Shape => {
    const x = start[0] + ((i + 0.5) * (end[0] - start[0])) / count
    return {
      kind: 'line',
      role: 'hatch',
      points: [
        [x + 3, start[1]],
        [x - 3, start[1] + 4],
      ],
    }
  })
  return [base, ...strokes]
}

/** The bar: a round length in the shown unit, as long as it is drawn. */
export function scaleBar(solved: JobSolution, terms: Terms, { width }: LineDrawingOptions, sheet: Sheet): Shape[] {
  if (!solved.solution.couplings.some(({ result }) => result.ok)) return []
  const inUnit = fromMm(28 / sheet.pxPerMm, terms.unit)
  const power = 10 ** Math.floor(Math.log10(inUnit))
  const round = [1, 2, 5, 10].map((k) => k * power).findLast((k) => k <= inUnit * 1.25) ?? power
  const px = (round / fromMm(1, terms.unit)) * sheet.pxPerMm
  const small = width < 600
  const x = small ? 22 : width - 92
  const top = small ? 30 : 22
  const decimals = Math.max(0, -Math.floor(Math.log10(round) + 1e-9))
  return [
    {
      kind: 'line',
      role: 'scale',
      points: [
        [x - 5, top],
        [x + 5, top],
      ],
    },
    {
      kind: 'line',
      role: 'scale',
      points: [
        [x, top],
        [x, top + px],
      ],
    },
    {
      kind: 'line',
      role: 'scale',
      points: [
        [x - 5, top + px],
        [x + 5, top + px],
      ],
    },
    {
      kind: 'text',
      role: 'small',
      at: [x + 10, top + px / 2 + 4],
      anchor: 'start',
      text: `${formatNumber(round, decimals)} ${unitName[terms.unit]}${small ? t`, drawn ×${formatNumber(sheet.magnification, 0)}` : ''}`,
    },
    ...(small
      ? []
      : [
          {
            kind: 'text',
            role: 'small',
            at: [width - 14, top + px + 18],
            anchor: 'end',
            text: t`drawn ×${formatNumber(sheet.magnification, 0)}`,
          } as const,
        ]),
  ]
}
