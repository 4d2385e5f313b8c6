import { chance } from '../rig/random'

/** Pockets along the wire; the outer two are the reference, the inner two are moved. */
export const pockets = [1, 2, 3, 4] as const
export type Pocket = (typeof pockets)[number]
export const movedPockets = [2, 3] as const

/** Where the gauge stands round the wire, degrees from the top toward the far side. */
export const wallPlaces = [0, 90, 180, 270] as const
export type WallPlace = (typeof wallPlaces)[number]

type PerPocket = Readonly<Record<Pocket, number>>

/**
 * Pockets of a housing and a taut wire through them: the hidden truth of a lesson, the same for the same seed. The wire is set true at the
 * outer two. Lengths in mm, forces in N; far and up positive, from the line through the outer two.
 */
export interface Bores {
  /** Along the wire, from its first support. */
  at: PerPocket
  length: number
  /** Weight per length, N/mm, and tension, N. */
  weight: number
  tension: number
  radius: number
  up: PerPocket
  far: PerPocket
}

/** What a person has done so far. */
export interface BoreHands {
  locked: boolean
  loose: readonly Pocket[]
  up: PerPocket
  far: PerPocket
}

const none: PerPocket = { 1: 0, 2: 0, 3: 0, 4: 0 }
export const emptyBoreHands: BoreHands = { locked: false, loose: [], up: none, far: none }

const to = (mm: number, step: number): number => Math.round(mm / step) * step

export function makeBores(seed: number): Bores {
  const source = chance(seed ^ 0x9b05688c)
  const between = (least: number, most: number): number => least + (most - least) * source.uniform()
  const signed = (least: number, most: number): number => (source.uniform() < 0.5 ? -1 : 1) * between(least, most)
  const length = to(between(3200, 4600), 100)
  return {
    at: { 1: 0, 2: to(length * between(0.25, 0.4), 10), 3: to(length * between(0.6, 0.75), 10), 4: length },
    length,
    weight: 2.21e-5,
    tension: to(between(120, 180), 10),
    radius: to(between(90, 160), 10),
    up: { ...none, 2: signed(0.15, 0.6), 3: signed(0.15, 0.6) },
    far: { ...none, 2: signed(0.15, 0.6), 3: signed(0.15, 0.6) },
  }
}

/** What the wire hangs through at a pocket, mm: a parabola, weight × x × what is left ÷ twice the tension. */
export const droopAt = ({ at, length, weight, tension }: Bores, pocket: Pocket): number =>
  (weight * at[pocket] * (length - at[pocket])) / (2 * tension)

/** Where a pocket's middle stands now against the line, mm. */
export const middleOf = (bores: Bores, hands: BoreHands, pocket: Pocket): { up: number; far: number } => ({
  up: bores.up[pocket] + hands.up[pocket],
  far: bores.far[pocket] + hands.far[pocket],
})

/**
 * From the wire to the wall at a place, mm: a ray from where the wire hangs to a circle about the pocket's middle. To the line of a
 * micrometer.
 */
export function wallAt(bores: Bores, hands: BoreHands, pocket: Pocket, place: WallPlace): number {
  const { up, far } = middleOf(bores, hands, pocket)
  const wire = { y: -far, z: -droopAt(bores, pocket) - up }
  const angle = (place * Math.PI) / 180
  const [y, z] = [Math.sin(angle), Math.cos(angle)]
  const along = wire.y * y + wire.z * z
  const square = wire.y ** 2 + wire.z ** 2
  return to(-along + Math.sqrt(along ** 2 - square + bores.radius ** 2), 0.01)
}
