import { type AnyJob, type AnyLine, type AnyRound, checksOf, type KindName, kindOf } from '../kinds'
import { type Proof, type ProofRound, proveJob } from '../prove/proof'
import { nothingSaid } from '../prove/schema'
import { quantityFault } from '../quantity/quantity'
import { readyState } from '../ready/ready'
import { openSeats, unseenSeats } from '../seat/state'

/** Every round of a job as it is proved, and what comes of them. */
export interface JobProved {
  rounds: readonly ProofRound[]
  proof: Proof
}

/** Worked out once for a round and a line: of a job that is being typed only one of them changes. */
const known = new WeakMap<AnyRound, { line: AnyLine; proved: ProofRound }>()

function roundProved<K extends KindName>(line: AnyLine<K>, round: AnyRound<K>): ProofRound {
  const found = known.get(round)
  if (found?.line === line) return found.proved
  const kind = kindOf<K>({ kind: line.kind as K })
  const proved = kind.proof(line, kind.solve(line, round))
  known.set(round, { line, proved })
  return proved
}

/** Proves a job with everything that is typed and declared in it. Pure. */
export function provedOf<K extends KindName>(
  job: Pick<AnyJob<K>, 'line' | 'rounds' | 'ready' | 'seat' | 'proof'>,
): JobProved {
  const { line, seat, proof: said = nothingSaid } = job
  const kind = kindOf<K>({ kind: line.kind as K })
  const rounds = job.rounds.map((round) => roundProved<K>(line, round))
  const seats = kind.seats(line)
  const { openCautions, checks } = readyState(job, checksOf<K>(line))
  return {
    rounds,
    proof: proveJob(rounds, said, {
      cautions: openCautions.length,
      checks: checks.filter(({ state }) => state !== 'good' && state !== 'skipped').length,
      seats: openSeats(seats, seat).map(({ machine }) => machine),
      unseen: unseenSeats(seats, seat),
      onFeet: seats.length > 0,
    }),
  }
}

/** How many readings of a job are typed and no numbers: it cannot be signed before they are. */
export function typingOpen<K extends KindName>({ line, rounds }: Pick<AnyJob<K>, 'line' | 'rounds'>): number {
  const kind = kindOf<K>({ kind: line.kind as K })
  const moves = rounds.flatMap((round) => ('done' in round && round.done ? Object.values(round.done) : []))
  const wrong = moves.filter((one) => quantityFault(one) !== undefined).length
  return rounds
    .map((round) => kind.solve(line, round))
    .reduce(
      (sum, solved) =>
        kind.states(solved).reduce((all, { faults }) => all + faults.length, sum) + (kind.faults?.(solved) ?? 0),
      wrong,
    )
}
