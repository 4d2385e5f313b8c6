import { type AnyJob, checksOf, type KindName, type Kinds, kindOf } from '../kinds'
import type { CautionId } from '../ready/catalog'
import { readyPeg, readyState } from '../ready/ready'
import { openSeats, seatPeg } from '../seat/state'
import type { VerdictState } from '../verdict/state'
import { provedOf } from './proved'

/** Version of the arithmetic a stored summary was made with. */
export const coreVersion = 9

interface SummaryFrame {
  core: number
  pegs: { ready: VerdictState; seat: VerdictState; read: VerdictState; move: VerdictState; prove: VerdictState }
  verdict: VerdictState
  /** What stands before the readings: an open caution, then a soft foot, which spoils every reading. */
  first?: { kind: 'caution'; caution: CautionId; open: number } | { kind: 'seat'; machine: string } | undefined
  rounds: number
  minutes: number
}

/** What a list shows of a job without solving it again: of every job, and of one of its kind. */
export type JobSummary<K extends KindName = KindName> = {
  [One in K]: SummaryFrame & { kind: One; listed: Kinds[One]['listed'] }
}[K]

type SummaryOf<K extends KindName> = SummaryFrame & { kind: K; listed: Kinds[K]['listed'] }

/** The summary of a job's last round; pure, so it can be made again at any time. */
export function summarize<K extends KindName>(job: AnyJob<K>): JobSummary<K> {
  const round = job.rounds.at(-1)
  if (!round) throw new Error('A job has at least one round.')
  const name: K = job.line.kind as K
  const kind = kindOf({ kind: name })
  const solved = kind.solve(job.line, round)
  const { read, move } = kind.pegs(solved)
  const seats = kind.seats(job.line)
  const [caution] = readyState(job).openCautions
  const [sprung] = openSeats(seats, job.seat)
  const nameOf = (id: string) => kind.named(job.line).machines.find((machine) => machine.id === id)?.name ?? id
  return summed<K>({
    ...frameOf(job),
    kind: name,
    pegs: {
      ready: readyPeg(job, checksOf<K>(job.line)),
      seat: seatPeg(seats, job.seat),
      read,
      move,
      prove: provedOf(job).proof.state,
    },
    verdict: move,
    ...(caution
      ? { first: { kind: 'caution', caution, open: readyState(job).openCautions.length } }
      : sprung
        ? { first: { kind: 'seat', machine: nameOf(sprung.machine) } }
        : {}),
    listed: kind.listed(job.line, solved),
  })
}

/**
 * The summary to store with a job. A document that its schema takes is never refused for want of one: should the arithmetic
 * fail, the list says that the job wants looking at.
 *
 * @param onFault hears what failed
 */
export function summaryOf(job: AnyJob, onFault: (error: unknown) => void = () => undefined): JobSummary {
  try {
    return summarize(job)
  } catch (error) {
    onFault(error)
    return emptySummary(job)
  }
}

/** What a list shows of a job that could not be worked out: that it wants looking at. */
export function emptySummary<K extends KindName>(job: AnyJob<K>): JobSummary<K> {
  const name: K = job.line.kind as K
  return summed<K>({
    ...frameOf(job),
    kind: name,
    pegs: { ready: 'nothing', seat: 'nothing', read: 'nothing', move: 'nothing', prove: 'nothing' },
    verdict: 'nothing',
    listed: kindOf({ kind: name }).fallbackSummary(job.line),
  })
}

/** A stored summary as today's: one of an older core tells no next act until it is made again. */
export function summaryToday(stored: JobSummary | (SummaryFrame & EarlierListed)): JobSummary {
  if ('listed' in stored) return stored
  const { core, pegs, verdict, rounds, minutes, sides, shafts, couplings } = stored
  return summed<'train'>({
    ...{ core, pegs, verdict, rounds, minutes },
    kind: 'train',
    listed: { next: { kind: 'unsolved' }, sides, shafts, couplings },
  })
}

/** Before there were kinds, every summary was a train's. */
type EarlierListed = Omit<Kinds['train']['listed'], 'next'>

const frameOf = (job: Pick<AnyJob, 'rounds' | 'minutes'>) => ({
  core: coreVersion,
  rounds: job.rounds.length,
  minutes: Number.parseInt(job.minutes, 10) || 0,
})

/** A summary of one kind is one of the summaries of all kinds; the compiler does not see that for a kind it does not know. */
const summed = <K extends KindName>(summary: SummaryOf<K>): JobSummary<K> => summary as unknown as JobSummary<K>
