import type { SheaveSolved } from './drive'

/** What the machine of a moved sheave stands on. Lengths in mm. */
export interface Standing {
  /** Height of the plane its feet stand on. */
  base: number
  /** The bolt it is swung about: its station, and how far to the far side it stands. */
  pivot: { x: number; y: number }
  /** Center of the sheave in (y, z). */
  centre: { y: number; z: number }
  feet: readonly { id: string; x: number }[]
}

/** What is to be done at one station of feet, mm; null where the readings leave it open. */
export interface FootWork {
  foot: string
  /** Added under both feet of the station. */
  shim: number | null
  /** Toward the far side. */
  swing: number | null
  /** Of the whole machine, or of the sheave on its shaft, toward larger x. */
  slide: number | null
}

/**
 * The corrections at the feet: shims are only added, `αz·(x_ref − x_i)` about the station for which none is below zero; the swing
 * is `−αy·(x_i − x_p)` about a bolt; what both do to the offset is `u_x = αz·(Z_s − z_b) + αy·(Y_s − y_p)`, and the slide takes that
 * and the offset out.
 */
export function feetWork({ toe, tilt, offset }: SheaveSolved, { base, pivot, centre, feet }: Standing): FootWork[] {
  const stations = feet.map(({ x }) => x)
  const still = tilt && (tilt.value > 0 ? Math.max(...stations) : Math.min(...stations))
  const turned = toe && tilt && tilt.value * (centre.z - base) + toe.value * (centre.y - pivot.y)
  const slide = offset && turned !== null ? 0 - (offset.value + turned) : null
  return feet.map(({ id, x }) => ({
    foot: id,
    shim: tilt && still !== null ? Math.max(0, tilt.value * (still - x)) : null,
    swing: toe ? 0 - toe.value * (x - pivot.x) : null,
    slide,
  }))
}

/**
 * What shims taken from a stock leave of the tilt, rad: that of the straight line through what was put in, less what was wanted.
 *
 * @param put shims as put in, in the order of the feet
 */
export function tiltLeft(work: readonly FootWork[], feet: Standing['feet'], put: readonly number[]): number {
  const n = feet.length
  if (n < 2) return 0
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / n
  const over = feet.map((_, i) => (put[i] ?? 0) - (work[i]?.shim ?? 0))
  const [x, y] = [mean(feet.map((foot) => foot.x)), mean(over)]
  const spread = feet.reduce((sum, foot) => sum + (foot.x - x) ** 2, 0)
  return spread > 0 ? feet.reduce((sum, foot, i) => sum + (foot.x - x) * ((over[i] ?? 0) - y), 0) / spread : 0
}
