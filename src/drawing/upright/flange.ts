import { verdictPeg } from '../../core/kinds/upright/advice/findings'
import { boltAngle } from '../../core/kinds/upright/document/make'
import type { UprightSolved } from '../../core/kinds/upright/solve/round'
import { direction } from '../../core/quantity/angles'
import { planes } from '../../core/quantity/axis'
import { t } from '../../words/language'
import { lengthWithUnit } from '../../words/terms'
import { shimText, type UprightTerms } from '../../words/upright/findings'
import type { Drawing } from '../kind'
import type { Point, Scene, Shape } from '../scene'

/**
 * The joint from above, bolt 1 toward the person, with the shim at every bolt and the push in the middle; beside it the two
 * shafts in elevation, toward bolt 1 and toward 90°.
 */
export function flangeScene(
  solved: UprightSolved,
  terms: UprightTerms,
  { width, height, left = false }: Drawing,
): Scene {
  const { line } = terms
  const { bolts, counted, stands = 0 } = line.flange
  const narrow = width < 600
  const radius = height / 2 - 58
  const middle: Point = [narrow ? width / 2 : width * 0.3, height / 2]
  // 0° lies toward the person, at the bottom; seen from above clockwise goes to the left from there
  const turn = counted === 'clockwise' ? -1 : 1
  const at = (degrees: number, r: number): Point => {
    // clockwise from toward the person: bolt 1 as it stands, the others as they are counted
    const [side, toward] = direction(stands - turn * degrees)
    return [middle[0] - side * r, middle[1] + toward * r]
  }
  const circle = (r: number, n = 72): Point[] =>
    Array.from({ length: n + 1 }, (_, i): Point => {
      const [y, z] = direction((360 * i) / n)
      return [middle[0] + y * r, middle[1] + z * r]
    })
  const shapes: Shape[] = [
    { kind: 'area', role: 'body', points: circle(radius + 20) },
    { kind: 'line', role: 'reference', points: circle(radius) },
    { kind: 'text', role: 'plane', at: [16, 20], anchor: 'start', text: t`FLANGE FROM ABOVE` },
  ]
  const work = left || verdictPeg(solved) === 'within' ? undefined : solved.work
  for (let bolt = 1; bolt <= bolts; bolt++) {
    const degrees = boltAngle(bolt, bolts)
    const [x, y] = at(degrees, radius)
    shapes.push({ kind: 'area', role: 'foot', points: dot([x, y], 5) })
    const done = work?.bolts?.[bolt - 1]
    const out = at(degrees, radius + 30)
    const anchor = Math.abs(out[0] - middle[0]) < 12 ? 'middle' : out[0] > middle[0] ? 'start' : 'end'
    if (bolts > 12 && !done) continue
    shapes.push({ kind: 'text', role: 'name', at: [out[0], out[1] - 3], anchor, text: t`bolt ${bolt}` })
    if (done)
      shapes.push({ kind: 'text', role: 'number', at: [out[0], out[1] + 14], anchor, text: shimText(done, terms) })
  }
  if (solved.flange?.spigot) shapes.push({ kind: 'line', role: 'stop', points: circle(radius * 0.62) })
  const size = work?.push.size
  if (work && size && work.push.angle !== null) {
    const tip = at(work.push.angle, radius * 0.55)
    shapes.push({ kind: 'line', role: 'target', points: [middle, tip, ...head(middle, tip)] })
    const label = at(work.push.angle + 180, 22)
    shapes.push({
      kind: 'text',
      role: 'number',
      at: label,
      anchor: 'middle',
      text: t`push ${lengthWithUnit(size, terms)}`,
    })
  }
  if (!narrow) shapes.push(...elevation(solved, terms, [width * 0.58, width - 24], height))
  return { width, height, shapes, spots: [], handles: [] }
}

const dot = ([x, y]: Point, r: number): Point[] =>
  Array.from({ length: 12 }, (_, i): Point => {
    const [a, b] = direction(30 * i)
    return [x + a * r, y + b * r]
  })

/** The barbs of an arrow, drawn on from its tip. */
function head(from: Point, to: Point): Point[] {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1
  const [dx, dy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
  return [[to[0] - 9 * dx - 5 * dy, to[1] - 9 * dy + 5 * dx], to, [to[0] - 9 * dx + 5 * dy, to[1] - 9 * dy - 5 * dx]]
}

/** The upper shaft against the lower one, in the two directions, each on its own plumb line. */
function elevation(
  solved: UprightSolved,
  { line }: UprightTerms,
  [from, to]: [number, number],
  height: number,
): Shape[] {
  const { result } = solved.coupling
  const shapes: Shape[] = []
  const joint = height * 0.58
  planes.forEach((plane, i) => {
    const x = from + ((to - from) * (2 * i + 1)) / 4
    const title = plane === 'vertical' ? t`TOWARD BOLT 1` : t`TOWARD 90°`
    shapes.push(
      { kind: 'text', role: 'plane', at: [x, 20], anchor: 'middle', text: title },
      {
        kind: 'line',
        role: 'reference',
        points: [
          [x, 32],
          [x, height - 28],
        ],
      },
      {
        kind: 'line',
        role: 'shaft-fixed',
        points: [
          [x, joint + 6],
          [x, height - 34],
        ],
      },
      { kind: 'text', role: 'name', at: [x, height - 12], anchor: 'middle', text: line.machines[0].name },
    )
    const known = result.ok && result.fit.measured.includes(plane)
    const m = result.ok ? result.fit.misalignment : undefined
    const [offset, slope] = m && known ? (plane === 'vertical' ? [m.offsetZ, m.slopeZ] : [m.offsetY, m.slopeY]) : [0, 0]
    const px = 60 / Math.max(0.1, Math.abs(offset) + Math.abs(slope) * 300)
    const place = (up: number): Point => [x + (offset + slope * up) * px, joint - 6 - up * ((joint - 50) / 300)]
    shapes.push(
      { kind: 'line', role: known ? 'shaft' : 'shaft-doubtful', points: [place(0), place(300)] },
      { kind: 'text', role: 'name', at: [x + 14, 46], anchor: 'start', text: line.machines[1].name },
    )
  })
  return shapes
}
