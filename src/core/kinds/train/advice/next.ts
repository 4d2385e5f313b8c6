import type { ProbeType } from '../../../probes'
import type { Line } from '../document/schema'
import type { JobSolution } from '../solve/round'
import type { Finding } from './finding'
import { findingsFor } from './findings'

/**
 * What the readings of a train ask for next: what its column of sentences says first. A list shows it without solving the job
 * again, so that it holds names rather than ids.
 */
export interface NextAct {
  kind: Finding['kind'] | 'nothing'
  machine?: string | undefined
  probe?: ProbeType | undefined
  degrees?: number | undefined
  coupling?: string | undefined
}

export function nextAct(line: Pick<Line, 'machines' | 'couplings'>, solved: JobSolution): NextAct {
  const [first] = findingsFor(solved, 'read')
  if (!first) return { kind: 'nothing' }
  const named = (id: string) => line.machines.find((machine) => machine.id === id)?.name ?? id
  const machine = 'dial' in first && first.dial ? first.dial.dial.on : 'machine' in first ? first.machine : undefined
  return {
    kind: first.kind,
    ...(machine === undefined ? {} : { machine: named(machine) }),
    ...('dial' in first && first.dial ? { probe: first.dial.dial.type } : {}),
    ...('degrees' in first ? { degrees: first.degrees } : {}),
    ...('coupling' in first
      ? { coupling: line.couplings.find(({ id }) => id === first.coupling)?.name ?? first.coupling }
      : {}),
  }
}
