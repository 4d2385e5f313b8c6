/** A roll seen from the near side. Lengths in mm. */
export interface RollPlace {
  x: number
  z: number
  radius: number
  /** Over: the roll lies right of the running web; a web toward larger x passes over it. */
  side: 'over' | 'under'
}

/** The free web between two rolls: its direction seen from the near side, and its length, mm. */
export interface Span {
  x: number
  z: number
  length: number
}

/**
 * The tangent that a web takes from one roll to the next. With `u` the web's direction, `n` square to it on its right and `s = ±1`
 * for over and under, it touches at `C − s·r·n`; so `sin(β − α) = (s_j r_j − s_i r_i)/D` turns it from the line of centers.
 *
 * @returns undefined where the rolls are too close for it
 */
export function spanBetween(from: RollPlace, to: RollPlace): Span | undefined {
  const [dx, dz] = [to.x - from.x, to.z - from.z]
  const distance = Math.hypot(dx, dz)
  const signed = ({ side, radius }: RollPlace) => (side === 'over' ? radius : -radius)
  const sine = (signed(to) - signed(from)) / distance
  if (!(Math.abs(sine) < 1)) return undefined
  const along = Math.atan2(dz, dx) + Math.asin(sine)
  return { x: Math.cos(along), z: Math.sin(along), length: distance * Math.sqrt(1 - sine * sine) }
}

/** Inclined base: what moves a housing by (x, z) along its own slope, and square to it. */
export function alongBase(x: number, z: number, incline: number): { slide: number; shim: number } {
  const at = (incline * Math.PI) / 180
  return { slide: x * Math.cos(at) + z * Math.sin(at), shim: -x * Math.sin(at) + z * Math.cos(at) }
}

/**
 * What a span may bend in its plane before the web's slack edge lies loose: `share · 2S·T/(E·h·W)`, rad.
 *
 * @param length of the span, mm
 * @param width of the web, mm
 * @param web tension N/mm of width, modulus N/mm², thickness mm
 */
export const slackLimit = (
  length: number,
  width: number,
  { tension, modulus, thickness }: { tension: number; modulus: number; thickness: number },
): number => (slackShare * 2 * length * tension) / (modulus * thickness * width)

/** Share of the slack edge's bend that a span may use. */
const slackShare = 0.25

/**
 * The set point at the far target: turned until it reads this, a plane that showed `far` there with zero at the near one is parallel
 * to the roll: `−F·L1/L2`.
 *
 * @param near from the instrument's pivot to the near target along the roll, mm; below zero where it stands between them
 * @param beyond from the near target to the far one, mm
 */
export const setPoint = (far: number, near: number, beyond: number): number => (-far * near) / beyond
