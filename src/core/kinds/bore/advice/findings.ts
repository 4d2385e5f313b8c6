import type { WrittenSuspect } from '../../../fit/slips'
import { quantityMm } from '../../../quantity/quantity'
import type { Trouble } from '../../../quantity/trouble'
import type { VerdictState } from '../../../verdict/state'
import type { BoreLine, BoreSection, BoreSet } from '../document/schema'
import type { Blocked, BoreSolved, PocketRound, SectionRound } from '../solve/round'
import { outOfRound } from '../solve/verdict'

type Suspects = readonly WrittenSuspect<string>[]

/** One thing worth saying of a row of bores, as data; `src/words/bore` makes the sentence. Lengths in mm. */
export type Finding =
  | { kind: 'pinch'; peg: 'outside' }
  | { kind: 'not-a-number'; peg: 'outside'; set: BoreSet; key: string; trouble: Trouble }
  | { kind: 'no-place'; peg: 'nothing'; section: BoreSection }
  | { kind: 'carrier-lacks'; peg: 'unsure'; carrier: BoreLine['carrier']['kind'] }
  | { kind: 'beyond'; peg: 'outside' }
  | { kind: 'push-asked'; peg: 'unsure'; set: BoreSet }
  | { kind: 'turned-about'; peg: 'within'; set: BoreSet }
  | { kind: 'next-reading'; peg: 'nothing'; set: BoreSet; key: string }
  | { kind: 'does-not-repeat'; peg: 'outside'; section: BoreSection }
  | { kind: 'not-closed'; peg: 'unsure'; section: BoreSection; by: number }
  | { kind: 'contradict'; peg: 'outside'; section: BoreSection; sets: readonly BoreSet[]; suspects: Suspects }
  | { kind: 'no-sag'; peg: 'unsure'; sections: readonly BoreSection[] }
  | { kind: 'oval'; peg: 'outside'; section: BoreSection; by: number; at: number }
  | { kind: 'oval-hidden'; peg: 'nothing' }
  | { kind: 'place-only'; peg: 'nothing'; pockets: readonly PocketRound[] }
  | { kind: 'slope'; peg: 'outside' | 'within'; pocket: PocketRound }
  | { kind: 'open'; peg: 'nothing'; round: SectionRound }
  | { kind: 'verdict'; peg: VerdictState; outside: readonly SectionRound[]; read: number }
  | { kind: 'move'; peg: 'outside'; round: SectionRound }
  | { kind: 'blocked'; peg: 'outside'; section: BoreSection; blocked: Blocked }
  | { kind: 'turn-free'; peg: 'nothing' }
  | { kind: 'no-move'; peg: 'within' }

/** The verdict of the whole row: the worst of its sections, once all are read. */
export function verdictPeg({ sections }: BoreSolved): VerdictState {
  const states = sections.map(({ state }) => state)
  if (states.includes('outside')) return 'outside'
  if (states.includes('unsure')) return 'unsure'
  return states.every((state) => state === 'within') ? 'within' : 'nothing'
}

/** How far the reading has come. */
export function readPeg({ sections, faults, read }: BoreSolved): VerdictState {
  if (faults.length > 0 || sections.some(({ solved }) => solved?.contradiction)) return 'outside'
  if (!read) return 'nothing'
  const known = sections.every(({ standing }) => standing?.vertical && standing.horizontal)
  return known && !sections.some(({ sagMissing }) => sagMissing) ? 'within' : 'unsure'
}

const isOpen = ({ standing, solved }: SectionRound): boolean =>
  solved !== undefined && !(standing?.vertical && standing.horizontal)

/** What to say at a step, most urgent first. */
export function findingsFor(solved: BoreSolved, line: BoreLine, step: 'read' | 'move'): Finding[] {
  const { sections, pockets, faults, next, round, read } = solved
  const wrong = faults.map((fault): Finding => ({ kind: 'not-a-number', peg: 'outside', ...fault }))
  const missing = sections
    .filter(({ x }) => x === undefined)
    .map(({ section }): Finding => ({ kind: 'no-place', peg: 'nothing', section }))
  const carrier: Finding[] = [
    ...(solved.carrierLacks ? [{ kind: 'carrier-lacks', peg: 'unsure', carrier: line.carrier.kind } as const] : []),
    ...(solved.beyond ? [{ kind: 'beyond', peg: 'outside' } as const] : []),
  ]
  const heads = round.sets.filter(({ sense }) => sense === 'in')
  const signs = heads.flatMap((set): Finding[] => {
    const pushed = quantityMm(set.pushed)
    if (pushed === undefined || pushed === 0) return [{ kind: 'push-asked', peg: 'unsure', set }]
    return pushed < 0 ? [{ kind: 'turned-about', peg: 'within', set }] : []
  })
  const reading: Finding[] = next ? [{ kind: 'next-reading', peg: 'nothing', set: next.set, key: next.key }] : []
  const seen = sections.filter((one) => one.solved)
  const unsagged = seen.filter(({ sagMissing }) => sagMissing).map(({ section }) => section)
  const doubts: Finding[] = [
    ...seen.flatMap(({ section, notClosed, solved: own }): Finding[] => {
      // four places: a bore that is not round, or a wrong reading
      const hidden: Finding[] =
        notClosed === undefined ? [] : [{ kind: 'not-closed', peg: 'unsure', section, by: notClosed }]
      const { suspects } = own?.contradiction ?? {}
      return suspects
        ? [{ kind: 'contradict', peg: 'outside', section, sets: round.sets, suspects }, ...hidden]
        : hidden
    }),
    ...(unsagged.length > 0 ? [{ kind: 'no-sag', peg: 'unsure', sections: unsagged } as const] : []),
  ]
  const outcome: Finding[] = [
    ...seen
      .filter(({ repeats }) => repeats === false)
      .map(({ section }): Finding => ({ kind: 'does-not-repeat', peg: 'outside', section })),
    ...seen.flatMap(({ section, ovality, solved: own }): Finding[] =>
      ovality === 'outside' && own?.ovality
        ? [{ kind: 'oval', peg: 'outside', section, by: outOfRound(own.ovality), at: own.ovality.at }]
        : [],
    ),
    ...(seen.length > 0
      ? [
          {
            kind: 'verdict',
            peg: verdictPeg(solved),
            outside: sections.filter(({ state }) => state === 'outside' || state === 'unsure'),
            read: sections.filter(({ state }) => state !== 'nothing').length,
          } as const,
        ]
      : []),
    ...seen.filter(isOpen).map((one): Finding => ({ kind: 'open', peg: 'nothing', round: one })),
    ...pockets.flatMap((pocket): Finding[] =>
      pocket.within === undefined ? [] : [{ kind: 'slope', peg: pocket.within ? 'within' : 'outside', pocket }],
    ),
  ]
  const notes: Finding[] = [
    ...(pockets.some(({ slope }) => !slope) && seen.length > 0
      ? [{ kind: 'place-only', peg: 'nothing', pockets: pockets.filter(({ slope }) => !slope) } as const]
      : []),
    ...(seen.some(({ ovality }) => ovality === 'hidden') ? [{ kind: 'oval-hidden', peg: 'nothing' } as const] : []),
  ]
  if (step === 'read') return [...wrong, ...doubts, ...missing, ...carrier, ...signs, ...reading, ...outcome, ...notes]
  const work = sections.flatMap((one): Finding[] => {
    if (one.state === 'nothing') return []
    const size = Math.hypot(one.move.vertical ?? 0, one.move.horizontal ?? 0)
    return [
      ...one.blocking.map((blocked): Finding => ({ kind: 'blocked', peg: 'outside', section: one.section, blocked })),
      ...(one.state !== 'within' && size >= solved.resolution / 2
        ? [{ kind: 'move', peg: 'outside', round: one } as const]
        : []),
    ]
  })
  const within = verdictPeg(solved) === 'within'
  const fits: Finding[] = within ? [{ kind: 'no-move', peg: 'within' }] : work
  const after: Finding[] = read ? [{ kind: 'turn-free', peg: 'nothing' }] : []
  return [
    { kind: 'pinch', peg: 'outside' },
    ...wrong,
    ...doubts,
    ...missing,
    ...carrier,
    ...signs,
    ...fits,
    ...outcome,
    ...after,
  ]
}

/** What a list shows of a row of bores: what comes next, and where every section stands, mm; null where unknown. */
export interface BoreListed {
  next: { kind: Finding['kind'] | 'nothing' | 'unsolved'; section?: string | undefined }
  sections: { x: number; vertical: number | null; horizontal: number | null }[]
}
