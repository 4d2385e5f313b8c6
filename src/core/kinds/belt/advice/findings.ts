import type { WrittenSuspect } from '../../../fit/slips'
import { quantityMm } from '../../../quantity/quantity'
import type { Trouble } from '../../../quantity/trouble'
import type { VerdictState } from '../../../verdict/state'
import { mostRunOut } from '../checks'
import type { BeltSet, BeltSheave } from '../document/schema'
import type { NotClosed } from '../solve/closure'
import type { BeltSolved, Blocked, Missing, SheaveRound } from '../solve/round'
import { toGroove } from '../solve/round'

type Suspects = readonly WrittenSuspect<string>[]

/** One thing worth saying of a belt drive, as data; `src/words/belt` makes the sentence. */
export type Finding =
  | { kind: 'guard'; peg: 'outside' }
  | { kind: 'not-a-number'; peg: 'outside'; set: BeltSet; key: string; trouble: Trouble }
  | { kind: 'limit-not-a-number'; peg: 'outside'; trouble: Trouble }
  | { kind: 'missing'; peg: 'nothing'; sheave: BeltSheave; what: Missing }
  | { kind: 'widths'; peg: 'unsure'; sheave: BeltSheave; stays: BeltSheave; by: number }
  | { kind: 'next-reading'; peg: 'nothing'; set: BeltSet; key: string }
  | { kind: 'open'; peg: 'nothing'; round: SheaveRound; what: readonly ('toe' | 'tilt' | 'offset')[] }
  | { kind: 'wobble'; peg: 'outside' | 'within'; sheave: BeltSheave; value: number; radius: number }
  | { kind: 'does-not-repeat'; peg: 'outside'; sheave: BeltSheave }
  | { kind: 'not-closed'; peg: 'outside'; closure: NotClosed }
  | { kind: 'contradict'; peg: 'outside'; sheave: BeltSheave; sets: readonly BeltSet[]; suspects: Suspects }
  | { kind: 'verdict'; peg: VerdictState; round: SheaveRound }
  | { kind: 'tilt' | 'toe' | 'slide'; peg: 'outside' | 'within'; round: SheaveRound; after: boolean }
  | { kind: 'blocked'; peg: 'outside'; sheave: BeltSheave; blocked: Blocked }
  | { kind: 'tension'; peg: 'unsure' | 'within' }
  | { kind: 'no-move'; peg: 'within' }

/** The verdict of all sheaves: the worst of them. */
export function verdictPeg({ sheaves }: BeltSolved): VerdictState {
  const states = sheaves.map(({ state }) => state)
  if (states.includes('outside')) return 'outside'
  if (states.includes('unsure')) return 'unsure'
  return states.length > 0 && states.every((state) => state === 'within') ? 'within' : 'nothing'
}

/** How far the reading has come. */
export function readPeg({ sheaves, faults, limitFault, read }: BeltSolved): VerdictState {
  if (faults.length > 0 || limitFault || sheaves.some((one) => one.solved?.contradiction || one.notClosed.length > 0))
    return 'outside'
  if (!read) return 'nothing'
  return sheaves.every(({ solved }) => solved?.probability !== null && solved !== undefined) ? 'within' : 'unsure'
}

const openIn = ({ solved }: SheaveRound) =>
  (['toe', 'tilt', 'offset'] as const).filter((what) => solved && solved[what] === null)

/** What to say at a step, most urgent first. */
export function findingsFor(solved: BeltSolved, stays: BeltSheave, step: 'read' | 'move'): Finding[] {
  const { sheaves, faults, limitFault, next, round } = solved
  const wrong = [
    ...(limitFault ? [{ kind: 'limit-not-a-number', peg: 'outside', trouble: limitFault } as const] : []),
    ...faults.map((fault): Finding => ({ kind: 'not-a-number', peg: 'outside', ...fault })),
  ]
  const missing = sheaves.flatMap(({ sheave, missing: lacks }) =>
    lacks
      .filter((what) => what !== 'feet' || step === 'move')
      .map((what): Finding => ({ kind: 'missing', peg: 'nothing', sheave, what })),
  )
  const [own] = [toGroove(stays)]
  const widths = sheaves.flatMap(({ sheave }): Finding[] => {
    const groove = toGroove(sheave)
    const by = groove === undefined || own === undefined ? 0 : groove - own
    return Math.abs(by) > 0.5 ? [{ kind: 'widths', peg: 'unsure', sheave, stays, by }] : []
  })
  const outcome = sheaves.flatMap((one): Finding[] => {
    const open = openIn(one)
    const radius = wobbleRadius(one, round.sets)
    return [
      ...(one.repeats === false ? [{ kind: 'does-not-repeat', peg: 'outside', sheave: one.sheave } as const] : []),
      ...(open.length > 0 ? [{ kind: 'open', peg: 'nothing', round: one, what: open } as const] : []),
      ...(one.solved?.wobble && radius
        ? [
            {
              kind: 'wobble',
              peg: 2 * one.solved.wobble.value * radius > mostRunOut * 2 * radius ? 'outside' : 'within',
              sheave: one.sheave,
              value: one.solved.wobble.value,
              radius,
            } as const,
          ]
        : []),
      ...(one.solved ? [{ kind: 'verdict', peg: one.state, round: one } as const] : []),
    ]
  })
  // a face that does not close is told by what would close it; where more is read than that, by what would mend all of it
  const doubts = sheaves.flatMap(({ sheave, solved: found, notClosed }): Finding[] =>
    found?.contradiction
      ? [{ kind: 'contradict', peg: 'outside', sheave, sets: round.sets, suspects: found.contradiction.suspects }]
      : notClosed.map((closure) => ({ kind: 'not-closed', peg: 'outside', closure }) as const),
  )
  const reading: Finding[] = next ? [{ kind: 'next-reading', peg: 'nothing', set: next.set, key: next.key }] : []
  if (step === 'read') return [...wrong, ...doubts, ...missing, ...reading, ...widths, ...outcome]
  const within = verdictPeg(solved) === 'within'
  const work = sheaves.flatMap((one): Finding[] => {
    if (one.work.length === 0 || within) return []
    const still = (values: readonly (number | null)[]) =>
      values.every((mm) => Math.abs(mm ?? 0) < solved.resolution / 2)
    const told = (kind: 'tilt' | 'toe' | 'slide', values: readonly (number | null)[]): Finding[] =>
      values.some((mm) => mm === null)
        ? []
        : [{ kind, peg: still(values) ? 'within' : 'outside', round: one, after: kind !== (round.order ?? 'tilt') }]
    const angles = [
      told(
        'tilt',
        one.work.map(({ shim }) => shim),
      ),
      told(
        'toe',
        one.work.map(({ swing }) => swing),
      ),
    ]
    return [
      ...one.blocking.map((blocked): Finding => ({ kind: 'blocked', peg: 'outside', sheave: one.sheave, blocked })),
      ...(round.order === 'toe' ? angles.reverse() : angles).flat(),
      ...told(
        'slide',
        one.work.slice(0, 1).map(({ slide }) => slide),
      ),
    ]
  })
  const tension: Finding[] = within
    ? [
        { kind: 'no-move', peg: 'within' },
        { kind: 'tension', peg: round.tension.set.trim() ? 'within' : 'unsure' },
      ]
    : []
  return [{ kind: 'guard', peg: 'outside' }, ...wrong, ...doubts, ...missing, ...work, ...tension, ...outcome]
}

/** Radius of the set that told a sheave's wobble, mm; undefined where none did. */
function wobbleRadius({ sheave }: SheaveRound, sets: readonly BeltSet[]): number | undefined {
  const set = sets.find(({ on, method, twice }) => on === sheave.id && method === 'face' && twice)
  return quantityMm(set?.radius)
}

/** What a list shows of a belt drive: what comes next, and how the faces lie. */
export interface BeltListed {
  next: { kind: Finding['kind'] | 'nothing' | 'unsolved'; sheave?: string | undefined }
  /** Of each moved sheave: across and up from the one that stays, mm; its toe and offset; null where unknown. */
  sheaves: { across: number; up: number; radius: number; toe: number | null; offset: number | null }[]
}
