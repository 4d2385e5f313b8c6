import type { ProbeState } from '../core/shafts/state'
import { linear } from './scale'
import type { Point } from './scene'

/** What a device has sent of a probe since the sweep began: mean of every degree passed, corrected; mm. */
export interface LiveTrace {
  /** Where the shaft stands now, degrees. */
  angle: number
  /** By degree; not passed yet: undefined. */
  bins: readonly (number | undefined)[]
}

/** A dial's readings unrolled round the turn, in px. */
export interface StripDrawing {
  width: number
  height: number
  zero: number
  /** x of each angle of the set. */
  columns: { angleId: string; degrees: number; x: number }[]
  /** Raw reading (hollow) and sag-corrected reading (filled) with the whisker of what is left over. */
  points: { angleId: string; raw: Point; corrected: Point; whiskerTo: number | undefined }[]
  /** Points of a sweep, thinned. */
  sweep: Point[]
  /** px of an angle (degrees) and of a value (mm), and what the paper reaches to, mm: for what is drawn on top, live. */
  x: (degrees: number) => number
  y: (mm: number) => number
  low: number
  high: number
  /** What the readings and their wave would be without a slip that is being tried on. */
  trial: { points: Point[]; wave: Point[] } | undefined
  /** The fitted wave and the wave that would mean "aligned". */
  fitted: Point[]
  aligned: Point[]
}

/**
 * Middles of cells of one width, as near to where they belong as they can stand without overlapping, between two edges:
 * neighbors that would overlap are pushed apart together. Order is kept.
 */
export function spreadCells(wanted: readonly number[], width: number, from: number, to: number): number[] {
  const order = wanted.map((x, i) => ({ x, i })).sort((a, b) => a.x - b.x || a.i - b.i)
  // blocks of touching cells, each standing where the mean of its wishes is
  const blocks: { sum: number; count: number; middle: number }[] = []
  const held = (middle: number, count: number) =>
    Math.max(from + ((count - 1) * width) / 2, Math.min(to - ((count - 1) * width) / 2, middle))
  for (const { x } of order) {
    let block = { sum: x, count: 1, middle: held(x, 1) }
    for (let last = blocks.at(-1); last; last = blocks.at(-1)) {
      if (last.middle + (last.count * width) / 2 <= block.middle - (block.count * width) / 2 + 1e-9) break
      blocks.pop()
      const count = last.count + block.count
      const sum = last.sum + block.sum
      block = { sum, count, middle: held(sum / count, count) }
    }
    blocks.push(block)
  }
  const placed = blocks.flatMap(({ middle, count }) =>
    Array.from({ length: count }, (_, k) => middle + (k - (count - 1) / 2) * width),
  )
  const result: number[] = []
  order.forEach(({ i }, k) => {
    result[i] = placed[k] ?? 0
  })
  return result
}

/**
 * Lays a dial's strip out; all values come from the dial's state.
 *
 * @param margin px left free at both ends
 * @param trial the same probe without a slip that is being tried on
 * @param reach values (mm) that must find room as well
 */
export function stripDrawing(
  dial: ProbeState,
  width: number,
  height: number,
  margin: number,
  trial?: ProbeState,
  reach?: readonly [low: number, high: number],
): StripDrawing {
  const degrees = dial.set.angles.map((angle) => angle.degrees)
  const span: [number, number] = [Math.min(0, ...degrees), Math.max(360, ...degrees)]
  const x = linear(span, [margin, width - margin])
  const turn = Array.from({ length: 73 }, (_, i) => span[0] + ((span[1] - span[0]) * i) / 72)
  const { fitted } = dial
  const points = dial.sweep?.thinned ?? []
  const values = [
    0,
    ...dial.readings.flatMap((r) => [r.raw, r.corrected]),
    ...turn.map(dial.whenAligned),
    ...points.map((p) => p.corrected),
    ...(reach ?? []),
    ...(trial ? trial.readings.map((r) => r.corrected) : []),
    ...(trial?.fitted ? turn.map(trial.fitted) : []),
    ...(fitted ? turn.map(fitted) : []),
  ]
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const least = 4 * dial.graduation
  const pad = Math.max(0, least - (high - low)) / 2
  const y = linear([low - pad, high + pad], [height - 10, 10])
  return {
    width,
    height,
    zero: y(0),
    columns: dial.set.angles.map(({ id, degrees: at }) => ({ angleId: id, degrees: at, x: x(at) })),
    points: dial.readings.map(({ angleId, angle, raw, corrected }) => ({
      angleId,
      raw: [x(angle), y(raw)],
      corrected: [x(angle), y(corrected)],
      whiskerTo: fitted ? y(fitted(angle)) : undefined,
    })),
    sweep: points.map((p): Point => [x(p.angle), y(p.corrected)]),
    x: (degrees) => x(degrees),
    y: (mm) => y(mm),
    low: low - pad,
    high: high + pad,
    trial: trial && {
      points: trial.readings.map((r): Point => [x(r.angle), y(r.corrected)]),
      wave: trial.fitted ? turn.map((at): Point => [x(at), y(trial.fitted?.(at) ?? 0)]) : [],
    },
    fitted: fitted ? turn.map((at): Point => [x(at), y(fitted(at))]) : [],
    aligned: turn.map((at): Point => [x(at), y(dial.whenAligned(at))]),
  }
}
