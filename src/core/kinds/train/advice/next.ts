import type { CautionId } from '../../../ready/catalogue'
import { readyState } from '../../../ready/ready'
import { openSeats } from '../../../seat/findings'
import type { ProbeType } from '../../../shafts/schema'
import type { Job } from '../document/schema'
import type { JobSolution } from '../solve/round'
import type { Finding } from './finding'
import { findingsFor } from './findings'

/**
 * What to do next in a job: what its own column of sentences says first. A list shows it without solving the job again, so that
 * it holds names rather than ids.
 */
export type NextAct =
  | { kind: 'caution'; caution: CautionId; open: number }
  | { kind: 'seat'; machine: string }
  | {
      kind: Finding['kind']
      machine?: string | undefined
      probe?: ProbeType | undefined
      degrees?: number | undefined
      coupling?: string | undefined
    }
  /** There is nothing to say of it at all. */
  | { kind: 'nothing' }

/** First the open cautions, then a soft foot, which spoils every reading, then what the readings say. */
export function nextAct(job: Pick<Job, 'line' | 'ready' | 'seat'>, solved: JobSolution): NextAct {
  const { openCautions } = readyState(job)
  const [caution] = openCautions
  if (caution) return { kind: 'caution', caution, open: openCautions.length }
  const named = (id: string) => job.line.machines.find((machine) => machine.id === id)?.name ?? id
  const [sprung] = openSeats(job)
  if (sprung) return { kind: 'seat', machine: named(sprung.machine) }
  const [first] = findingsFor(solved, 'read')
  if (!first) return { kind: 'nothing' }
  const machine = 'dial' in first && first.dial ? first.dial.dial.on : 'machine' in first ? first.machine : undefined
  return {
    kind: first.kind,
    ...(machine === undefined ? {} : { machine: named(machine) }),
    ...('dial' in first && first.dial ? { probe: first.dial.dial.type } : {}),
    ...('degrees' in first ? { degrees: first.degrees } : {}),
    ...('coupling' in first
      ? { coupling: job.line.couplings.find(({ id }) => id === first.coupling)?.name ?? first.coupling }
      : {}),
  }
}
