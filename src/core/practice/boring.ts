import { type Attempted, begun, bolting, isPlain, type PlainAct, plainly, touched } from './attempted'
import {
  type BoreHands,
  type Bores,
  droopAt,
  emptyBoreHands,
  makeBores,
  middleOf,
  movedPockets,
  type Pocket,
} from './bores'
import { typedMm } from './typed'

/** How near the middle of each pocket has to come to the line of the outer two, mm. */
export const boreTolerance = 0.05

/** A move of a pocket: raised, or pushed toward the far side. */
export const boreMoves = ['up', 'far'] as const
export type BoreMove = (typeof boreMoves)[number]

/** How a person stands in the lesson of the bores: what is kept, and nothing of the truth. */
export interface Boring extends Attempted<BoreHands> {
  lesson: 'bore'
  typed: Readonly<Record<BoreMove, string>>
  moves: number
  /** Moves of a pocket that was bolted down: nothing moved. */
  strained: number
}

export const beginBoring = (seed: number): Boring => ({
  ...begun(seed, emptyBoreHands),
  lesson: 'bore',
  typed: { up: '', far: '' },
  moves: 0,
  strained: 0,
})

/** What a person can do at the housing. */
export type BoringAct =
  | PlainAct
  | { do: 'loosen' | 'tighten'; pocket: Pocket }
  | { do: 'type'; move: BoreMove; text: string }
  | { do: 'move'; move: BoreMove; pocket: Pocket }

/** Minutes an act costs. */
const cost = { bolts: 3, up: 8, far: 5 }

const farthest = 3

/** A move as typed, mm; undefined where it is no number, none, or too far for one. */
export function boreMoveTyped(text: string): number | undefined {
  const mm = typedMm(text)
  return mm && Math.abs(mm) <= farthest ? mm : undefined
}

/** One act done. Pure: the same state and act give the same. */
export function boreLessonReducer(now: Boring, act: BoringAct): Boring {
  if (isPlain(act)) return plainly(now, act)
  const { hands } = now
  const touch = (change: Partial<BoreHands>, minutes: number): Boring => touched(now, change, minutes)
  switch (act.do) {
    case 'loosen':
    case 'tighten': {
      const loose = bolting(hands.loose, act.pocket, act.do)
      return loose ? touch({ loose }, cost.bolts) : now
    }
    case 'type':
      return { ...now, typed: { ...now.typed, [act.move]: act.text } }
    case 'move': {
      const by = boreMoveTyped(now.typed[act.move])
      if (by === undefined) return now
      if (!hands.loose.includes(act.pocket)) return { ...touch({}, cost[act.move]), strained: now.strained + 1 }
      const before = hands[act.move]
      return {
        ...touch({ [act.move]: { ...before, [act.pocket]: before[act.pocket] + by } }, cost[act.move]),
        typed: { ...now.typed, [act.move]: '' },
        moves: now.moves + 1,
      }
    }
  }
}

/** What went wrong, by its name. */
export type BoringSlip =
  | 'still-loose'
  | 'strained'
  | 'reference-moved'
  | 'wrong-way'
  | 'not-halved'
  | 'droop-left-in'
  | 'droop-twice'
  | 'off'

export interface BoringJudged {
  bores: Bores
  /** Where the middle of each moved pocket stands against the line now, mm. */
  left: readonly { pocket: Pocket; up: number; far: number }[]
  slips: readonly BoringSlip[]
  passed: boolean
}

/** How the pockets stand now: the outer two where they were, the inner two on their line, everything bolted. */
export function judgeBoring(now: Boring): BoringJudged {
  const bores = makeBores(now.seed)
  const { hands } = now
  const slips: BoringSlip[] = []
  const add = (slip: BoringSlip) => slips.includes(slip) || slips.push(slip)
  if (hands.loose.length > 0) add('still-loose')
  if ([hands.up, hands.far].some((by) => by[1] !== 0 || by[4] !== 0)) add('reference-moved')
  const left = movedPockets.map((pocket) => ({ pocket, ...middleOf(bores, hands, pocket) }))
  for (const { pocket, ...stands } of left)
    for (const move of boreMoves)
      if (Math.abs(stands[move]) > boreTolerance) add(whyOff(bores, pocket, move, stands[move]))
  if (now.strained > 0) add('strained')
  return { bores, left, slips, passed: !now.unsafe && slips.length === 0 }
}

/** The slip that a place tells of itself. */
function whyOff(bores: Bores, pocket: Pocket, move: BoreMove, stands: number): BoringSlip {
  const near = (mm: number): boolean => Math.abs(stands - mm) <= 0.02
  const began = bores[move][pocket]
  const droop = move === 'up' ? droopAt(bores, pocket) : 0
  // what the micrometer shows is from the wire, which hangs below the line
  if (droop > 0 && near(-droop)) return 'droop-left-in'
  if (droop > 0 && near(droop)) return 'droop-twice'
  if (near(2 * began) || near(2 * began + droop)) return 'wrong-way'
  if (near(-began) || near(-began - 2 * droop)) return 'not-halved'
  return 'off'
}
