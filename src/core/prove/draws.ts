import { dimensionsOf } from '../probes'
import type { Dimension } from '../probes/kind'
import { aligned, type Misalignment } from '../probes/probe'
import type { Plane, PlaneLine } from '../quantity/axis'
import { chance } from '../rig/random'
import { fitCoupling } from '../shafts/coupling'
import type { ReadingSet } from '../shafts/together'
import { cholesky } from '../verdict/probability'
import type { Joint, Limits } from '../verdict/verdict'
import { judgedBy, running } from './used'

/** How well what is no reading is known: one standard deviation each. */
export interface KnownTo {
  /** A station or a radius by tape, mm. */
  tape: number
  /** The sag of a bracket, mm. */
  sag: number
  /** Growth and limits, as a share of themselves. */
  growth: number
  limits: number
}

/** One thing that is not known exactly, and what one standard deviation of it makes of the running misalignment. */
export interface Uncertain {
  what: 'readings' | Dimension | 'growth'
  /** The probe it belongs to: indices into the sets and their probes. */
  probe?: { set: number; probe: number }
  effect: Misalignment
}

/** A coupling, all that is uncertain about it, and what it is judged by; small enough to hand to a worker. */
export interface DrawProblem {
  /** Running, as it is best known. */
  mean: Misalignment
  uncertain: readonly Uncertain[]
  limits: Limits
  limitsKnownTo: number
  joint: Pick<Joint, 'x' | 'flexPlanes'>
}

const names = ['offsetY', 'slopeY', 'offsetZ', 'slopeZ'] as const

/**
 * Everything that may be wrong at a coupling by chance: the readings' own scatter as four independent directions, every taped
 * dimension, every sag, and the growth of each plane. What a dimension does is told by solving the readings again with it a
 * little more and a little less: the answer to small changes is a straight line.
 *
 * @param sets as they are solved together
 * @returns undefined where the readings say nothing, or only one plane
 */
export function drawProblem(
  sets: readonly ReadingSet[],
  joint: Joint,
  limits: Limits,
  growth: Record<Plane, PlaneLine>,
  known: KnownTo,
): DrawProblem | undefined {
  const solved = fitCoupling(sets, joint.x)
  if (!solved.ok || solved.fit.measured.length < 2) return undefined
  const { misalignment, covariance } = solved.fit
  const readings = directionsOf(covariance).map((effect): Uncertain => ({ what: 'readings', effect }))
  const taped = sets.flatMap((set, s) =>
    set.probes.flatMap((probe, p) =>
      dimensionsOf(probe).flatMap(({ what, more }): Uncertain[] => {
        const sd = what === 'sag' ? known.sag : known.tape
        if (!(sd > 0)) return []
        const at = (by: number) => {
          const probes = set.probes.map((one, i) => (i === p ? more(by) : one))
          const result = fitCoupling(
            sets.map((one, i) => (i === s ? { ...one, probes } : one)),
            joint.x,
          )
          return result.ok ? result.fit.misalignment : misalignment
        }
        return [{ what, probe: { set: s, probe: p }, effect: combined(at(sd / 2), 1, at(-sd / 2), -1) }]
      }),
    ),
  )
  const grown = known.growth > 0 ? growthEffects(growth, known.growth) : []
  return {
    mean: running(misalignment, growth),
    uncertain: [...readings, ...taped, ...grown],
    limits,
    limitsKnownTo: known.limits,
    joint: { x: joint.x, flexPlanes: joint.flexPlanes },
  }
}

/** Columns of the lower triangle L with LLᵀ = C: independent directions that scatter together as the readings do. */
function directionsOf(covariance: readonly (readonly number[])[]): Misalignment[] {
  const lower = cholesky(covariance)
  return names
    .map((_, column) => ofNumbers(lower.map((row) => row[column] ?? 0)))
    .filter((effect) => names.some((name) => effect[name] !== 0))
}

function growthEffects({ vertical, horizontal }: Record<Plane, PlaneLine>, share: number): Uncertain[] {
  const up = { ...aligned, offsetZ: vertical.offset * share, slopeZ: vertical.slope * share }
  const across = { ...aligned, offsetY: horizontal.offset * share, slopeY: horizontal.slope * share }
  return [up, across]
    .filter((effect) => names.some((name) => effect[name] !== 0))
    .map((effect) => ({ what: 'growth', effect }))
}

const ofNumbers = ([offsetY = 0, slopeY = 0, offsetZ = 0, slopeZ = 0]: readonly number[]): Misalignment => ({
  offsetY,
  slopeY,
  offsetZ,
  slopeZ,
})

const combined = (a: Misalignment, times: number, b: Misalignment, timesB: number): Misalignment =>
  ofNumbers(names.map((name) => a[name] * times + b[name] * timesB))

/** What came of the draws so far. */
export interface Drawn {
  draws: number
  within: number
  /** The first of them, four numbers each as in `names`: offsetY, slopeY, offsetZ, slopeZ. */
  cloud: Float32Array
}

/** How many draws are kept to be drawn. */
const kept = 1500

/** Draws that are made in one go, between which a worker can be stopped. */
export const drawsAtOnce = 10_000

/**
 * Draws a coupling as it might be, everything uncertain together, and counts how often it is within. Made bit by bit: each
 * step of the iterator is `drawsAtOnce` draws. The same seed draws the same.
 */
export function* drawMany(problem: DrawProblem, draws: number, seed: number): Generator<Drawn, Drawn> {
  const source = chance(seed)
  const { mean, uncertain, limits, limitsKnownTo, joint } = problem
  const start = names.map((name) => mean[name])
  // what scatters by many independent amounts scatters as one with their covariances added: four numbers a draw do for all
  const together = names.map((a) =>
    names.map((b) => uncertain.reduce((sum, { effect }) => sum + effect[a] * effect[b], 0)),
  )
  const effects = Float64Array.from(directionsOf(together).flatMap((effect) => names.map((name) => effect[name])))
  const judged = judgedBy(joint, limits)
  const cloud = new Float32Array(Math.min(kept, draws) * 4)
  let within = 0
  const at = new Float64Array(4)
  for (let done = 0; done < draws; ) {
    const end = Math.min(draws, done + drawsAtOnce)
    for (; done < end; done++) {
      for (let i = 0; i < 4; i++) at[i] = start[i] ?? 0
      for (let u = 0; u < effects.length; u += 4) {
        const by = source.normal()
        for (let i = 0; i < 4; i++) at[i] = (at[i] as number) + by * (effects[u + i] as number)
      }
      const [oy = 0, sy = 0, oz = 0, sz = 0] = at
      const allowed = limitsKnownTo > 0 ? Math.max(0, 1 + limitsKnownTo * source.normal()) : 1
      let inside = true
      for (const { weight, most } of judged) {
        const y = oy * weight[0] + sy * weight[1]
        const z = oz * weight[0] + sz * weight[1]
        if (y * y + z * z > (most * allowed) ** 2) inside = false
      }
      if (inside) within++
      if (done < kept) cloud.set(at, done * 4)
    }
    yield { draws: done, within, cloud }
  }
  return { draws, within, cloud }
}

/** How much of the doubt comes from one thing. */
export interface Share {
  what: Uncertain['what']
  probe?: { set: number; probe: number } | undefined
  share: number
}

/**
 * What matters most: every uncertain thing by its share of the variance of what is judged, each judged quantity over its own
 * limit. The readings are one; so is each dimension of a probe, and the growth.
 *
 * @returns largest first; the shares add up to 1
 */
export function sharesOf({ uncertain, limits, joint }: DrawProblem): Share[] {
  const judged = judgedBy(joint, limits)
  const parts = new Map<string, Share>()
  for (const { what, probe, effect } of uncertain) {
    const variance = judged.reduce((sum, { weight: [o, s], most }) => {
      const y = (effect.offsetY * o + effect.slopeY * s) / most
      const z = (effect.offsetZ * o + effect.slopeZ * s) / most
      return sum + y * y + z * z
    }, 0)
    const key = `${what}:${probe?.set}:${probe?.probe}`
    parts.set(key, { what, probe, share: (parts.get(key)?.share ?? 0) + variance })
  }
  const total = [...parts.values()].reduce((sum, { share }) => sum + share, 0)
  return [...parts.values()]
    .map((part) => ({ ...part, share: total > 0 ? part.share / total : 0 }))
    .sort((a, b) => b.share - a.share)
}
