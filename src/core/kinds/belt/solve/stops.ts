import { direction } from '../../../quantity/angles'
import type { Drive, Sheave, SheaveSolved } from './drive'
import { grooveShift } from './drive'
import type { Standing } from './feet'

/** How a moved face stands against the plane of the face that stays. mm, rad. */
export interface FacePlane {
  offset: number
  toe: number
  tilt: number
}

/** What a target on the moved face shows while one act is done: where it begins and where to stop, mm along x. */
export interface Stop {
  act: 'tilt' | 'toe' | 'slide'
  /** The place of the target on the face, degrees. */
  angle: number
  radius: number
  from: number
  to: number
  /** How the face stands before the act and after it. */
  before: FacePlane
  after: FacePlane
}

/** Where a point of the face stands along x: `a = o − ρ(αy·sin θ + αz·cos θ)`. */
const shownAt = ({ offset, toe, tilt }: FacePlane, radius: number, angle: number): number => {
  const [sin, cos] = direction(angle)
  return offset - radius * (toe * sin + tilt * cos)
}

/**
 * One number for each act. The target stands at the top while it is tilted and on the far side while it is swung, where the
 * act moves it most; what turning does to the offset (`u_x`) is in the stop. Undefined where the readings leave something open.
 */
export function stopsOf(
  drive: Drive,
  sheave: Sheave,
  { toe, tilt, offset }: SheaveSolved,
  { base, pivot, centre }: Pick<Standing, 'base' | 'pivot' | 'centre'>,
  radius: number,
  order: 'tilt' | 'toe' = 'tilt',
): Stop[] | undefined {
  if (!toe || !tilt || !offset) return undefined
  const inLine = -grooveShift(drive, sheave)
  let now: FacePlane = { offset: offset.value + inLine, toe: toe.value, tilt: tilt.value }
  const acts = order === 'tilt' ? (['tilt', 'toe', 'slide'] as const) : (['toe', 'tilt', 'slide'] as const)
  return acts.map((act): Stop => {
    const before = now
    if (act === 'tilt') now = { ...now, tilt: 0, offset: now.offset + now.tilt * (centre.z - base) }
    else if (act === 'toe') now = { ...now, toe: 0, offset: now.offset + now.toe * (centre.y - pivot.y) }
    else now = { ...now, offset: inLine }
    const angle = act === 'toe' ? 90 : 0
    return {
      act,
      angle,
      radius,
      from: shownAt(before, radius, angle),
      to: shownAt(now, radius, angle),
      before,
      after: now,
    }
  })
}
