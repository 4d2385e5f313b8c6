import { type Plane, planes } from '../../../quantity/axis'
import type { Misaligned } from '../../../shafts/coupling'
import { type DoubtfulLine, planeOf } from '../../../shafts/plane'
import type { Coupling, Train } from './model'

/** Where a point of a machine's axis stands relative to the fixed machine's axis extended, mm, with its deviation. */
export interface Position {
  value: number
  sd: number
  /** Slope of its axis against the fixed one's, rad. */
  slope: number
}

/** One link of the chain from the fixed machine to another: +1 where the other machine is to the right of the coupling. */
interface Link {
  /** Id of the coupling. */
  of: string
  sign: 1 | -1
  step: DoubtfulLine
}

/** The chain of couplings that says where each machine's axis is; null where a coupling on the way is not measured. */
export type Chains = Record<Plane, (readonly Link[] | null)[]>

/**
 * For every machine the couplings between it and the fixed one. `offset = right − left`, so going right adds and going
 * left takes away: `position(x) = Σ ±(offset + slope·(x − coupling))`.
 */
export function chainsFrom(train: Train, fits: ReadonlyMap<string, Misaligned>): Chains {
  const between = new Map<number, Coupling>(train.couplings.map((coupling) => [coupling.left, coupling]))
  const chain = (plane: Plane, machine: number): readonly Link[] | null => {
    const sign = machine > train.fixed ? 1 : -1
    const links: Link[] = []
    for (let left = Math.min(machine, train.fixed); left < Math.max(machine, train.fixed); left++) {
      const coupling = between.get(left)
      const fit = coupling && fits.get(coupling.id)
      const step = coupling && fit && planeOf(fit, plane, coupling.x)
      if (!step) return null
      links.push({ of: coupling.id, sign, step })
    }
    return links
  }
  const all = (plane: Plane) => train.machines.map((_, machine) => chain(plane, machine))
  return { vertical: all('vertical'), horizontal: all('horizontal') }
}

/** Position of a machine's axis at `x`; variances of independent couplings add. */
export function positionAt(links: readonly Link[], x: number): Position {
  let value = 0
  let variance = 0
  let slope = 0
  for (const { sign, step } of links) {
    const distance = x - step.x
    value += sign * (step.line.offset + step.line.slope * distance)
    const [[oo, os], [, ss]] = step.covariance
    slope += sign * step.line.slope
    variance += oo + 2 * distance * os + distance * distance * ss
  }
  return { value, sd: Math.sqrt(Math.max(0, variance)), slope }
}

export { planes }
