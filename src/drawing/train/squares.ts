import { positionAt } from '../../core/kinds/train/solve/positions'
import type { JobSolution } from '../../core/kinds/train/solve/round'
import { probeKinds } from '../../core/probes'
import { type Plane, planes } from '../../core/quantity/axis'
import { formatNumber } from '../../core/quantity/number'
import { toMm } from '../../core/quantity/units'
import { halfReading } from '../../core/shafts/half'
import { t } from '../../words/language'
import { type Terms, unitName } from '../../words/terms'
import type { Point, Shape } from '../scene'
import type { LineDrawingOptions, Sheet } from './sheet'

/** Sizes of a square as people have their paper: along the line and up, in the unit that is shown. mm, or inches along and mil up. */
const sizes = {
  mm: { along: [5, 10, 20, 25, 50, 100, 200, 250, 500], up: [0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1] },
  mil: { along: [0.25, 0.5, 1, 2, 5, 10, 20], up: [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50] },
} as const
/** Smaller than this a square is no longer counted, px. */
const least = 8

/** A square of the paper, mm; and how it is told. */
export function squareOf(terms: Terms, pxAlong: number, pxUp: number): { along: number; up: number; told: string } {
  const inches = terms.unit !== 'mm'
  const unit = inches ? 'mil' : 'mm'
  const { along, up } = sizes[unit]
  const alongMm = (size: number) => (inches ? size * 25.4 : size)
  const wide = along.find((size) => alongMm(size) * pxAlong >= least) ?? along.at(-1) ?? 1
  const high = up.find((size) => toMm(size, unit) * pxUp >= least) ?? up.at(-1) ?? 1
  const plain = (size: number) => formatNumber(size, Math.max(0, -Math.floor(Math.log10(size) + 1e-9)))
  const tall = `${plain(high)} ${unitName[unit]}`
  return {
    along: alongMm(wide),
    up: toMm(high, unit),
    told: inches
      ? t`one square: ${formatNumber(wide, wide < 1 ? 2 : 0)} in along, ${tall} up`
      : t`one square: ${formatNumber(wide, 0)} mm along, ${tall} up`,
  }
}

/**
 * The line on squared paper for those who plot by hand: squares of a round size, every fifth line heavier, and half of what each rim dial
 * went over as a dot where it stood. Laid under everything else.
 */
export function squaredPaper(
  solved: JobSolution,
  terms: Terms,
  { width, height }: LineDrawingOptions,
  sheet: Sheet,
): Shape[] {
  const pxAlong = Math.abs(sheet.x(1) - sheet.x(0))
  const square = squareOf(terms, pxAlong, sheet.pxPerMm)
  const band = height / 2
  const lines = planes.flatMap((plane): Shape[] => {
    const [top, bottom] = [sheet.bandTop(plane), sheet.bandTop(plane) + band]
    const zero = sheet.y(plane, 0)
    const rows = counted(top, bottom, zero, square.up * sheet.pxPerMm).map(([n, y]) => ruled(n, [0, y], [width, y]))
    const columns = counted(0, width, sheet.x(0), square.along * pxAlong).map(([n, x]) =>
      ruled(n, [x, top], [x, bottom]),
    )
    return [...rows, ...columns]
  })
  return [
    ...lines,
    ...planes.flatMap((plane) => dots(solved, plane, sheet)),
    {
      kind: 'text',
      role: 'small',
      at: [width - 8, sheet.bandTop('horizontal') + 13],
      anchor: 'end',
      text: square.told,
    },
  ]
}

/** Lines between two edges, a step apart, numbered from where nought lies. */
function counted(from: number, to: number, zero: number, step: number): [n: number, at: number][] {
  const first = Math.ceil((from - zero) / step)
  const last = Math.floor((to - zero) / step)
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => [first + i, zero + (first + i) * step])
}

const ruled = (n: number, a: Point, b: Point): Shape => ({
  kind: 'line',
  role: n % 5 === 0 ? 'square-fifth' : 'square',
  points: [a, b],
})

/** What each rim dial puts on the paper: the neighbor's shaft where it touched, by half of what it went over. */
function dots(solved: JobSolution, plane: Plane, sheet: Sheet): Shape[] {
  const { train, solution } = solved
  return solved.dials.flatMap((state): Shape[] => {
    const coupling = train.couplings.find(({ id }) => id === state.set.coupling)
    const half = halfReading(state, plane)
    const x = solved.stations.x.get(probeKinds[state.dial.type].stations === 0 ? state.set.coupling : state.dial.id)
    if (!coupling || half === undefined || x === undefined) return []
    // the shaft that is measured stands off the one that is nearer to the machine that stays
    const right = coupling.left >= train.fixed
    const from = solution.chains[plane][right ? coupling.left : coupling.left + 1]
    if (!from) return []
    const at: Point = [sheet.x(x), sheet.y(plane, positionAt(from, x).value + (right ? half : -half))]
    return [{ kind: 'area', role: 'plotted', points: round(at, 4.5) }]
  })
}

/** A dot as the drawing has it: twelve corners are round enough at this size. */
const round = ([x, y]: Point, radius: number): Point[] =>
  Array.from({ length: 12 }, (_, i) => {
    const angle = (i * Math.PI) / 6
    return [x + radius * Math.sin(angle), y - radius * Math.cos(angle)]
  })
