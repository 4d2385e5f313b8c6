import { contradicts } from '../fit/chiSquare'
import { type CouplingFit, fitCoupling } from './coupling'
import type { ReadingSet } from './together'

/** Sets of the same coupling that do not tell the same. Indices into the sets given. */
export interface Disagreement {
  /** The set that stands alone against the others; undefined where that cannot be told. */
  set: number | undefined
  /** The probe without which all others agree; undefined where none, or more than one, would do. */
  probe: { set: number; probe: number } | undefined
  /** Largest difference of the axis at the stations asked about, mm. */
  by: number
}

/**
 * Whether sets read at the same coupling contradict each other: solved together they leave more than chance would. Then
 * each probe, and each set where there are three or more, is left out in turn; what alone brings agreement is named.
 *
 * @param stations x of the feet, mm: the difference is told there
 */
export function disagreementOf(
  sets: readonly ReadingSet[],
  couplingX: number,
  stations: readonly number[],
): Disagreement | undefined {
  const read = sets.map((set, index) => ({ index, set })).filter(({ set }) => set.probes.length > 0)
  if (read.length < 2) return undefined
  const alone = read.flatMap(({ index, set }) => {
    const result = fitCoupling([set], couplingX)
    return result.ok ? [{ index, fit: result.fit }] : []
  })
  const together = fitCoupling(sets, couplingX)
  if (alone.length < 2 || !together.ok || agrees(together.fit)) return undefined
  if (alone.some(({ fit }) => !agrees(fit))) return undefined // one of them contradicts itself: that is said first
  const without = (keep: (set: number, probe: number) => boolean): boolean => {
    const left = sets.map((set, s) => ({ ...set, probes: set.probes.filter((_, p) => keep(s, p)) }))
    const result = fitCoupling(left, couplingX)
    return result.ok && agrees(result.fit)
  }
  const probes = read.flatMap(({ index, set }) =>
    set.probes.flatMap((_, probe) => (without((s, p) => s !== index || p !== probe) ? [{ set: index, probe }] : [])),
  )
  const whole = read.length > 2 ? read.filter(({ index }) => without((s) => s !== index)) : []
  return {
    set: whole.length === 1 ? whole[0]?.index : undefined,
    probe: probes.length === 1 ? probes[0] : undefined,
    by: Math.max(
      0,
      ...alone.flatMap(({ fit: a }, i) => alone.slice(i + 1).flatMap(({ fit: b }) => apart(a, b, couplingX, stations))),
    ),
  }
}

const agrees = ({ left }: CouplingFit): boolean => !contradicts(left)

/** How far apart two fits put the axis, in each plane both measured, mm. */
function apart(a: CouplingFit, b: CouplingFit, couplingX: number, stations: readonly number[]): number[] {
  const planes = a.measured.filter((plane) => b.measured.includes(plane))
  return stations.flatMap((x) =>
    planes.map((plane) => {
      const [offset, slope] = plane === 'vertical' ? (['offsetZ', 'slopeZ'] as const) : (['offsetY', 'slopeY'] as const)
      const of = ({ misalignment: m }: CouplingFit) => m[offset] + m[slope] * (x - couplingX)
      return Math.abs(of(a) - of(b))
    }),
  )
}
