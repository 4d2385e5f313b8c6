import { type Plane, planes } from '../../../frame/axis'
import type { Misaligned } from '../../../shafts/coupling'
import type { Coupling, DoubtfulLine, Train } from './model'

/** Where a point of a machine's axis stands relative to the fixed machine's axis extended, mm, with its deviation. */
export interface Position {
  value: number
  sd: number
  /** Slope of its axis against the fixed one's, rad. */
  slope: number
}

/** The misalignment of one plane as a line stated at the coupling, or undefined where that plane was not measured. */
export function planeOf(fit: Misaligned, plane: Plane, x: number): DoubtfulLine | undefined {
  if (!fit.measured.includes(plane)) return undefined
  const { misalignment: m, covariance: c } = fit
  const at = plane === 'horizontal' ? 0 : 2
  return {
    line: plane === 'horizontal' ? { offset: m.offsetY, slope: m.slopeY } : { offset: m.offsetZ, slope: m.slopeZ },
    x,
    covariance: [
      [c[at]?.[at] ?? 0, c[at]?.[at + 1] ?? 0],
      [c[at + 1]?.[at] ?? 0, c[at + 1]?.[at + 1] ?? 0],
    ],
  }
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
