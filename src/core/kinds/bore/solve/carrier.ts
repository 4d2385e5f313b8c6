import type { SectionSolved } from './section'

/** What runs through the bores, and how it hangs. Lengths in mm, from the first support. */
export type Carrier =
  | { kind: 'wire'; from: number; length: number; weight: number; tension: number }
  | { kind: 'bar'; from: number; length: number; weight: number; stiffness: number }

/**
 * Where a carrier hangs below the line through its supports, mm, below zero: a wire `−w·x(L − x)/(2T)` (a parabola, shallow), a bar
 * on two supports `−q·x(L³ − 2Lx² + x³)/(24EI)` (Euler and Bernoulli, its own weight alone). Weight in N/mm, tension in N, stiffness
 * E·I in N·mm².
 */
export function droopAt(carrier: Carrier, x: number): number {
  const [u, length] = [x - carrier.from, carrier.length]
  if (carrier.kind === 'wire') return (-carrier.weight * u * (length - u)) / (2 * carrier.tension)
  return (-carrier.weight * u * (length ** 3 - 2 * length * u ** 2 + u ** 3)) / (24 * carrier.stiffness)
}

/** Steel: N/mm³, and N/mm². */
const steel = { weight: 7.85e-6 * 9.81, modulus: 210_000 }

/** Weight, N/mm, and stiffness E·I, N·mm², of a round steel bar. @param diameter mm */
export const roundSteel = (diameter: number): { weight: number; stiffness: number } => ({
  weight: (Math.PI / 4) * diameter ** 2 * steel.weight,
  stiffness: (Math.PI / 64) * diameter ** 4 * steel.modulus,
})

/** Adds the carrier’s sag at x (mm) to the measured vertical offset. */
export function addSag(solved: SectionSolved, carrier: Carrier | undefined, x: number): SectionSolved {
  const { vertical } = solved
  if (!carrier || !vertical) return solved
  return { ...solved, vertical: { ...vertical, value: vertical.value + droopAt(carrier, x) } }
}
