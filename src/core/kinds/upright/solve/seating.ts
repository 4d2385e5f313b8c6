import type { Misalignment } from '../../../probes/probe'

/** What of a misalignment turns with the upper machine, and what stays with what it stands on. */
export interface Seating {
  /** Its own flange and spigot: turned with it. As it stood in the first of the two readings. */
  machine: Misalignment
  /** The flange below, the adapter, the shafts' own places. */
  base: Misalignment
}

/**
 * A machine lifted, turned by some bolt places and set down again: what turned with it is its own. With `m₁ = b + u` and
 * `m₂ = b + R·u`, each of the offsets and of the slopes by itself, `u = (I − R)⁻¹(m₁ − m₂)`.
 *
 * @param degrees by which it was turned, the way angles grow; not a whole turn
 */
export function seatingOf(first: Misalignment, second: Misalignment, degrees: number): Seating | undefined {
  const turn = (degrees * Math.PI) / 180
  const [sin, cos] = [Math.sin(turn), Math.cos(turn)]
  // (I − R) for y toward 90°, z toward 0°, turned toward growing angles
  const [a, b] = [1 - cos, -sin]
  const determinant = a * a + b * b
  if (determinant < 1e-9) return undefined
  const own = (y: number, z: number): [y: number, z: number] => [
    (a * y - b * z) / determinant,
    (b * y + a * z) / determinant,
  ]
  const [offsetY, offsetZ] = own(first.offsetY - second.offsetY, first.offsetZ - second.offsetZ)
  const [slopeY, slopeZ] = own(first.slopeY - second.slopeY, first.slopeZ - second.slopeZ)
  const machine = { offsetY, slopeY, offsetZ, slopeZ }
  return {
    machine,
    base: {
      offsetY: first.offsetY - offsetY,
      slopeY: first.slopeY - slopeY,
      offsetZ: first.offsetZ - offsetZ,
      slopeZ: first.slopeZ - slopeZ,
    },
  }
}

/** Bolts in a star: each as far as can be from those before it. */
export function starOrder(bolts: number): number[] {
  const order = [0]
  while (order.length < bolts) {
    const apart = (bolt: number, other: number) =>
      Math.min((bolt - other + bolts) % bolts, (other - bolt + bolts) % bolts)
    const left = Array.from({ length: bolts }, (_, i) => i).filter((bolt) => !order.includes(bolt))
    const last = order.at(-1) ?? 0
    // opposite the last one as far as can be; of those the one farthest from its neighbors that are tight
    const score = (bolt: number) => apart(bolt, last) * 100 + Math.min(...order.map((other) => apart(bolt, other)))
    const pairs = order.length % 2 === 1
    const next = left.reduce((a, b) =>
      (
        pairs
          ? score(b) > score(a)
          : Math.min(...order.map((o) => apart(b, o))) > Math.min(...order.map((o) => apart(a, o)))
      )
        ? b
        : a,
    )
    order.push(next)
  }
  return order.map((bolt) => bolt + 1)
}

/**
 * Whether a correction was made the other way round: what was read afterwards is what the same correction, mirrored, would have
 * left. In the direction in which bolts are counted everything doubled, toward bolt 1 it went away.
 *
 * @param before as it was read; @param after with the told shims and push made
 * @param least a difference that can be told, mm at the coupling
 * @param reach over which a slope is told as a length, mm
 */
export function countedOtherWay(before: Misalignment, after: Misalignment, least: number, reach: number): boolean {
  const y = [before.offsetY, before.slopeY * reach]
  const nowY = [after.offsetY, after.slopeY * reach]
  const nowZ = [after.offsetZ, after.slopeZ * reach]
  const size = Math.hypot(...y)
  if (size < 5 * least) return false
  const off = Math.hypot(...y.map((value, i) => (nowY[i] ?? 0) - 2 * value))
  return off < 0.35 * size && Math.hypot(...nowZ) < 0.35 * size
}
