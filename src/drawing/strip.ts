import { scaleLinear } from 'd3-scale'
import type { DialState } from '../core/job/solve'
import { sagAt } from '../core/probes/probe'
import type { Point } from './scene'

/** A dial's readings unrolled round the turn, in px. */
export interface StripDrawing {
  width: number
  height: number
  zero: number
  /** x of each angle of the set. */
  columns: { angleId: string; degrees: number; x: number }[]
  /** Raw reading (hollow) and sag-corrected reading (filled) with the whisker of what is left over. */
  points: { angleId: string; raw: Point; corrected: Point; whiskerTo: number | undefined }[]
  /** The fitted wave and the wave that would mean "aligned". */
  fitted: Point[]
  aligned: Point[]
}

/** Lays a dial's strip out; all values come from the dial's state. `margin`: px left free at both ends. */
export function stripDrawing(dial: DialState, width: number, height: number, margin: number): StripDrawing {
  const degrees = dial.set.angles.map((angle) => angle.degrees)
  const span: [number, number] = [Math.min(0, ...degrees), Math.max(360, ...degrees)]
  const x = scaleLinear(span, [margin, width - margin])
  const turn = Array.from({ length: 73 }, (_, i) => span[0] + ((span[1] - span[0]) * i) / 72)
  const { fitted } = dial
  const values = [
    0,
    ...dial.readings.flatMap((r) => [r.raw, r.corrected]),
    ...turn.map(dial.whenAligned),
    ...(fitted ? turn.map(fitted) : []),
  ]
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const least = 4 * dial.graduation
  const pad = Math.max(0, least - (high - low)) / 2
  const y = scaleLinear([low - pad, high + pad], [height - 10, 10])
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
    fitted: fitted ? turn.map((at): Point => [x(at), y(fitted(at))]) : [],
    aligned: turn.map((at): Point => [x(at), y(dial.whenAligned(0) + sagAt(dial.sag, at))]),
  }
}
