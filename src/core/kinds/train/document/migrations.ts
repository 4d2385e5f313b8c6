import type { Migration } from '../../kind'

type Loose = Readonly<Record<string, unknown>>

const isLoose = (value: unknown): value is Loose => typeof value === 'object' && value !== null && !Array.isArray(value)
const each = (list: unknown, change: Migration): unknown =>
  Array.isArray(list) ? list.map((one) => (isLoose(one) ? change(one) : one)) : list

/** To shape 2: what a set was read for stood in its state alone. */
export const withPurposes: Migration = (job) => ({
  ...job,
  rounds: each(job.rounds, (round) => ({
    ...round,
    sets: each(round.sets, (set) => ({
      ...set,
      purpose: set.purpose ?? (set.state === 'engaged' ? 'closed' : 'plan'),
    })),
  })),
})
