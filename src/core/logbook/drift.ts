import type { Misalignment } from '../probes/probe'
import type { Plane } from '../quantity/axis'
import type { Visit } from './visit'

/** Between two visits: how far every station went, and every coupling. */
export interface Interval {
  from: Visit
  to: Visit
  days: number
  places: Drift[]
  joints: JointDrift[]
}

/** How far one station went in one plane, mm: seen where it is more than two deviations. */
export interface Drift {
  place: string
  machine: string
  plane: Plane
  by: number
  sd: number
  seen: boolean
}

/** How far the two shafts went at a coupling: offsets in mm, slopes in rad, each with its variance. */
export interface JointDrift {
  joint: string
  by: Misalignment
  variance: Misalignment
}

const names = ['offsetY', 'slopeY', 'offsetZ', 'slopeZ'] as const

const day = 86_400_000

/** Days from one ISO date to another. */
export const daysBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / day

/** Drifts from as left to as found at the next visit, in the order of the visits given. */
export function intervalsOf(visits: readonly Visit[]): Interval[] {
  return visits.slice(1).flatMap((to, i) => {
    const from = visits[i]
    const days = from ? daysBetween(from.left.at, to.found.at) : 0
    if (!from || !(days > 0)) return []
    return [
      {
        from,
        to,
        days,
        places: to.found.places.flatMap((now) => {
          const was = from.left.places.find(({ place, plane }) => place === now.place && plane === now.plane)
          if (!was || (was.sd === 0 && now.sd === 0)) return []
          const by = now.position - was.position
          const sd = Math.hypot(now.sd, was.sd)
          return [{ place: now.place, machine: now.machine, plane: now.plane, by, sd, seen: Math.abs(by) > 2 * sd }]
        }),
        joints: to.found.joints.flatMap((now): JointDrift[] => {
          const was = from.left.joints.find(({ id }) => id === now.id)
          if (!was) return []
          const each = (of: (name: (typeof names)[number], i: number) => number) =>
            Object.fromEntries(names.map((name, n) => [name, of(name, n)])) as unknown as Misalignment
          return [
            {
              joint: now.id,
              by: each((name) => now.misalignment[name] - was.misalignment[name]),
              variance: each((_, n) => (now.covariance[n]?.[n] ?? 0) + (was.covariance[n]?.[n] ?? 0)),
            },
          ]
        }),
      },
    ]
  })
}

/** How fast something walks: a day, with its deviation, and the scatter about it that grows with the square root of time. */
export interface Rate {
  perDay: number
  /** By the readings alone, and what the walk adds to it. */
  sd: number
  walked: number
  /** Variance a day of the walk about the rate. */
  walk: number
  intervals: number
}

/**
 * The rate through the origin of every interval: `r = Σ(d·Δt/s²)/Σ(Δt²/s²)`; the walk `w²` is the mean of `(d − rΔt)²/Δt`, which one
 * interval alone cannot tell; `sd = 1/√Σ(Δt²/s²)` by the readings alone. What walks tells its rate the less for it: each drift
 * stands off it by `w²Δt` more, which adds `Σ(Δt³·w²/s⁴)/(Σ(Δt²/s²))²` to the rate's variance.
 *
 * @returns undefined without an interval
 */
export function rateOf(intervals: readonly { by: number; sd: number; days: number }[]): Rate | undefined {
  const told = intervals.filter(({ sd, days }) => sd > 0 && days > 0)
  if (told.length === 0) return undefined
  const weight = told.reduce((sum, { sd, days }) => sum + days ** 2 / sd ** 2, 0)
  const perDay = told.reduce((sum, { by, sd, days }) => sum + (by * days) / sd ** 2, 0) / weight
  const walk =
    told.length > 1 ? told.reduce((sum, { by, days }) => sum + (by - perDay * days) ** 2 / days, 0) / told.length : 0
  const walked = Math.sqrt(told.reduce((sum, { sd, days }) => sum + (days ** 3 * walk) / sd ** 4, 0)) / weight
  return { perDay, sd: 1 / Math.sqrt(weight), walked, walk, intervals: told.length }
}

/** The rate of each of the four numbers of a coupling over the intervals. */
export function jointRates(intervals: readonly Interval[], joint: string): Partial<Record<keyof Misalignment, Rate>> {
  return Object.fromEntries(
    names.flatMap((name) => {
      const rate = rateOf(
        intervals.flatMap(({ days, joints }) => {
          const found = joints.find((one) => one.joint === joint)
          return found ? [{ by: found.by[name], sd: Math.sqrt(found.variance[name]), days }] : []
        }),
      )
      return rate ? [[name, rate]] : []
    }),
  )
}

/** What a drift looks like; named, never claimed. */
export type DriftCause = 'one-foot' | 'pipes' | 'base' | 'foundation' | 'bolts'

/**
 * The likely cause of what was seen between two visits: one station alone up or down; one station alone in both planes, the
 * machine turned about its other end; all stations up or down alike, of one machine or of several against the one that stays;
 * only sideways and all toward one side.
 */
export function likelyCause({ places }: Pick<Interval, 'places'>): DriftCause | undefined {
  const seen = places.filter((one) => one.seen)
  if (seen.length === 0) return undefined
  const upright = places.filter(({ plane }) => plane === 'vertical')
  const up = seen.filter(({ plane }) => plane === 'vertical')
  const side = seen.filter(({ plane }) => plane === 'horizontal')
  const oneWay = (list: readonly Drift[]) => list.every(({ by }) => Math.sign(by) === Math.sign(list[0]?.by ?? 0))
  if (up.length === 1 && side.length === 0 && upright.length > 1) return 'one-foot'
  // turned about the end that stayed where it was: pipes pull at one end
  if (up.length === 1 && side.length === 1 && up[0]?.place === side[0]?.place && upright.length > 1) return 'pipes'
  const mean = upright.reduce((sum, { by }) => sum + by, 0) / Math.max(1, upright.length)
  const alike = upright.length > 1 && upright.every(({ by, sd }) => Math.abs(by - mean) <= 2 * sd)
  const machines = new Set(upright.map(({ machine }) => machine))
  if (up.length > 1 && alike && oneWay(up)) return machines.size > 1 ? 'foundation' : 'base'
  if (up.length === 0 && side.length > 0 && oneWay(side)) return 'bolts'
  return undefined
}
