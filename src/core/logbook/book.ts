import type { Plane } from '../quantity/axis'
import type { VerdictState } from '../verdict/state'
import { counted, type Known } from './counted'
import { intervalsOf } from './drift'
import { type NextCheck, nextCheck } from './next'
import type { Visit } from './visit'

/** What a site sees of a line at a glance. Lengths in mm. */
export interface Book {
  visits: number
  last?: { job: string; number: number; at: string; state: VerdictState; signed: boolean } | undefined
  next?: NextCheck | undefined
  /** The largest drift that was seen between the last two visits that compare. */
  drift?: { place: string; plane: Plane; by: number; sd: number; days: number } | undefined
  work: VisitWork[]
}

/** What one visit cost. */
export interface VisitWork {
  /** ISO date and time. */
  at: string
  methods: readonly string[]
  rounds: number
  minutes: number
  /** It was moved and read again. */
  moved: boolean
  /** The first move was enough: read once more, and within. */
  right: boolean
}

const workOf = ({ left, methods, rounds, minutes, moves, within }: Visit): VisitWork => ({
  at: left.at,
  methods,
  rounds,
  minutes,
  moved: moves > 0,
  right: moves === 1 && within,
})

/** A line at a glance, from its visits and what people decided in its logbook. */
export function bookOf(known: Known): Book {
  const { visits, below } = counted(known)
  const last = visits.at(-1)
  const next = nextCheck(visits, below)
  const latest = intervalsOf(visits).at(-1)
  const seen = latest?.places.filter((one) => one.seen) ?? []
  const most = seen.length > 0 ? seen.reduce((a, b) => (Math.abs(b.by) > Math.abs(a.by) ? b : a)) : undefined
  return {
    visits: known.visits.length,
    ...(last
      ? { last: { job: last.job, number: last.number, at: last.left.at, state: last.state, signed: last.signed } }
      : {}),
    ...(next ? { next } : {}),
    ...(most && latest
      ? { drift: { place: most.place, plane: most.plane, by: most.by, sd: most.sd, days: latest.days } }
      : {}),
    work: known.visits.map(workOf),
  }
}

/** Rounds and minutes of the visits of one method, and how often the first move was enough. */
export interface MethodWork {
  method: string
  visits: number
  /** Medians. */
  rounds: number
  minutes: number
  moved: number
  right: number
}

export const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  return sorted.length % 2 === 1 ? (sorted[middle] ?? 0) : ((sorted[middle - 1] ?? 0) + (sorted[middle] ?? 0)) / 2
}

/** The work of a site by method, the most used first; a visit of two methods counts with each. Nobody's name is in it. */
export function workByMethod(books: readonly Pick<Book, 'work'>[]): MethodWork[] {
  const by = new Map<string, VisitWork[]>()
  for (const { work } of books)
    for (const one of work) for (const method of one.methods) by.set(method, [...(by.get(method) ?? []), one])
  return [...by]
    .map(([method, all]) => ({
      method,
      visits: all.length,
      rounds: median(all.map(({ rounds }) => rounds)),
      // no minutes typed is not no time spent
      minutes: median(all.map(({ minutes }) => minutes).filter((minutes) => minutes > 0)),
      moved: all.filter(({ moved }) => moved).length,
      right: all.filter(({ right }) => right).length,
    }))
    .sort((a, b) => b.visits - a.visits || a.method.localeCompare(b.method))
}

/** How often the first move was enough, of the visits in which something was moved. */
export function rightFirst(books: readonly Pick<Book, 'work'>[]): { moved: number; right: number } {
  const moved = books.flatMap(({ work }) => work.filter((one) => one.moved))
  return { moved: moved.length, right: moved.filter(({ right }) => right).length }
}
