import type { Side } from '../probes/probe'
import { carrierAndTouched, plus, pointAtX, type ShaftPair, squareTo, times, type Vector } from './geometry'

/**
 * A head on one machine whose beam falls on a detector on the other, each turning with its own shaft. Lengths in mm,
 * cants in rad, angles in degrees from the top toward the far side.
 */
export interface RiggedBeam {
  /** The machine that carries the detector. */
  on: Side
  /** Station of the detector, and of the beam's head on the other machine. */
  x: number
  from: number
  /** How far out both stand from their shafts. */
  radius: number
  /** Cant of the beam against its own shaft: outward, and sideways in the direction of turning. */
  cantOut: number
  cantSide: number
  /** How far the detector's own zero stands off, outward and sideways. */
  seatOut: number
  seatSide: number
  /** By how many degrees the detector's shaft stands ahead of the head's (backlash). */
  ahead?: number
}

/**
 * Where the beam meets the detector's plane, measured outward and sideways in the detector's own frame, less where it
 * would be read as zero. Straight line against a plane square to the detector's shaft.
 */
export function exactSpot(pair: ShaftPair, beam: RiggedBeam, degrees: number): { radial: number; tangential: number } {
  const [head, detector] = carrierAndTouched(pair, beam.on)
  const headOut = squareTo(head, degrees)
  const headSide = squareTo(head, degrees + 90)
  const toward = beam.on === 'right' ? 1 : -1
  const start = plus(pointAtX(head, beam.from), headOut, beam.radius)
  const aim: Vector = plus(plus(plus([0, 0, 0], head.along, toward), headOut, beam.cantOut), headSide, beam.cantSide)
  const centre = pointAtX(detector, beam.x)
  const reach = times(plus(centre, start, -1), detector.along) / times(aim, detector.along)
  const spot = plus(plus(start, aim, reach), centre, -1)
  const own = degrees + (beam.ahead ?? 0)
  return {
    radial: times(spot, squareTo(detector, own)) - beam.radius - beam.seatOut,
    tangential: times(spot, squareTo(detector, own + 90)) - beam.seatSide,
  }
}
