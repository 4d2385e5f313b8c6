import { type Attempted, begun, bolting, isPlain, type PlainAct, plainly, touched } from './attempted'
import {
  emptyPairHands,
  makePair,
  misaligned,
  type Pair,
  type PairFoot,
  type PairHands,
  type PairLesson,
  type PairSide,
  pairAllows,
  pairSides,
  sideOf,
} from './pair'
import { typedMm } from './typed'

/** A move of a foot: raised by shims, or pushed toward the far side. */
export const pairMoves = ['up', 'far'] as const
export type PairMove = (typeof pairMoves)[number]

/** How a person stands in one of these lessons: what is kept, and nothing of the truth. */
export interface Aligning extends Attempted<PairHands> {
  lesson: PairLesson
  /** The move in hand as typed, mm, signed. */
  typed: Readonly<Record<PairMove, string>>
  /** Moves made, and pushes or lifts of a machine that was bolted down: nothing moved. */
  moves: number
  strained: number
}

export const beginAligning =
  (lesson: PairLesson) =>
  (seed: number): Aligning => ({
    ...begun(seed, emptyPairHands),
    lesson,
    typed: { up: '', far: '' },
    moves: 0,
    strained: 0,
  })

/** What a person can do at the pair. */
export type AligningAct =
  | PlainAct
  | { do: 'loosen' | 'tighten'; side: PairSide }
  | { do: 'type'; move: PairMove; text: string }
  | { do: 'move'; move: PairMove; foot: PairFoot }
  /** The locks come off and the machines run until they are warm; they are stopped and cool down. */
  | { do: 'run' | 'stop' }

/** Minutes an act costs. */
const cost = { bolts: 4, up: 8, far: 4, run: 180, stop: 240 }

/** Farther than this nothing is moved at once, mm. */
const farthest = 10

/** A move as typed, mm; undefined where it is no number, or too far for one. */
export function pairMoveTyped(text: string): number | undefined {
  const mm = typedMm(text)
  return mm !== undefined && Math.abs(mm) <= farthest ? mm : undefined
}

/** What lies under a foot now, mm. */
export const packAt = (pair: Pair, hands: PairHands, foot: PairFoot): number => pair.pack[foot] + hands.up[foot]

/** How far a foot can still go, mm: down as many shims as lie there, to either side as its holes let it. */
export const roomAt = (pair: Pair, hands: PairHands, foot: PairFoot) => ({
  down: packAt(pair, hands, foot),
  near: pair.hole[foot] + hands.far[foot],
  far: pair.hole[foot] - hands.far[foot],
})

/** One act done. Pure: the same state and act give the same. */
export function aligned(now: Aligning, act: AligningAct): Aligning {
  if (isPlain(act)) return plainly(now, act)
  const { hands } = now
  const pair = makePair(now.lesson, now.seed)
  const touch = (change: Partial<PairHands>, minutes: number): Aligning => touched(now, change, minutes)
  switch (act.do) {
    case 'loosen':
    case 'tighten': {
      const loose = bolting(hands.loose, act.side, act.do)
      return loose ? touch({ loose }, cost.bolts) : now
    }
    case 'type':
      return { ...now, typed: { ...now.typed, [act.move]: act.text } }
    case 'move': {
      const by = pairMoveTyped(now.typed[act.move])
      if (by === undefined || by === 0) return now
      if (!hands.loose.includes(sideOf(act.foot))) return { ...touch({}, cost[act.move]), strained: now.strained + 1 }
      const { down, near, far } = roomAt(pair, hands, act.foot)
      const gone = act.move === 'up' ? Math.max(by, -down) : Math.min(far, Math.max(-near, by))
      const against = act.move === 'far' && gone !== by ? { against: hands.against + 1 } : {}
      const before = hands[act.move]
      return {
        ...touch({ [act.move]: { ...before, [act.foot]: before[act.foot] + gone }, ...against }, cost[act.move]),
        typed: { ...now.typed, [act.move]: '' },
        moves: now.moves + 1,
      }
    }
    case 'run':
      // bolted down: loose feet are not started
      return hands.running || hands.loose.length > 0
        ? now
        : { ...now, hands: { ...hands, locked: false, running: true, ran: true }, minutes: now.minutes + cost.run }
    case 'stop':
      return hands.running ? { ...now, hands: { ...hands, running: false }, minutes: now.minutes + cost.stop } : now
  }
}

/** What went wrong, by its name. */
export type AligningSlip =
  | 'still-loose'
  | 'base-bound'
  | 'bolt-bound'
  | 'against-bolt'
  | 'strained'
  | 'wrong-feet'
  | 'wrong-way'
  | 'cold-in-line'
  | 'growth-backwards'
  | 'one-only'
  | 'never-run'
  | 'angle'
  | 'offset'

export interface AligningJudged {
  pair: Pair
  /** How the right shaft stands against the left one: as it has to be right, cold or running. */
  left: ReturnType<typeof misaligned>
  over: Readonly<Record<PairMove, { offset: boolean; slope: boolean }>>
  slips: readonly AligningSlip[]
  passed: boolean
}

/** How the pair stands against what the lesson allows: bolted down, in line, and running warm where it is to be so. */
export function judgeAligning(now: Aligning): AligningJudged {
  const { hands, lesson, seed } = now
  const pair = makePair(lesson, seed)
  const left = misaligned(pair, hands, lesson === 'growth')
  const may = pairAllows[lesson]
  const overIn = (plane: PairMove) => ({
    offset: Math.abs(left[plane].offset) > may.offset,
    slope: Math.abs(left[plane].slope) > may.slope,
  })
  const over = { up: overIn('up'), far: overIn('far') }
  const slips: AligningSlip[] = []
  const add = (slip: AligningSlip) => slips.includes(slip) || slips.push(slip)
  if (hands.loose.length > 0) add('still-loose')
  if (lesson === 'growth' && !hands.ran) add('never-run')
  for (const plane of pairMoves)
    if (over[plane].offset || over[plane].slope) add(whyOver(pair, hands, lesson, plane, over[plane].slope))
  if (now.strained > 0) add('strained')
  if (hands.against > 0) add('against-bolt')
  return { pair, left, over, slips, passed: !now.unsafe && slips.length === 0 }
}

/** Why it is not in line in a plane, as far as it tells of itself. */
function whyOver(pair: Pair, hands: PairHands, lesson: PairLesson, plane: PairMove, slope: boolean): AligningSlip {
  const may = pairAllows[lesson]
  const within = ({ offset, slope: s }: { offset: number; slope: number }): boolean =>
    Math.abs(offset) <= may.offset && Math.abs(s) <= may.slope
  if (lesson === 'growth') {
    const cold = misaligned(pair, hands, false).up
    if (within(cold)) return 'cold-in-line'
    const grown = growthShift(pair, pairSides)
    if (within({ offset: cold.offset - grown.offset, slope: cold.slope - grown.slope })) return 'growth-backwards'
    for (const side of pairSides) {
      const own = growthShift(pair, [side])
      if (within({ offset: cold.offset + own.offset, slope: cold.slope + own.slope })) return 'one-only'
    }
  }
  if (lesson === 'bound') {
    const rooms = (['right-front', 'right-back'] as const).map((foot) => roomAt(pair, hands, foot))
    if (plane === 'up' && rooms.some(({ down }) => down < 0.005)) return 'base-bound'
    if (plane === 'far' && rooms.some(({ near, far }) => Math.min(near, far) < 0.005)) return 'bolt-bound'
  }
  const [before, after] = [misaligned(pair, emptyPairHands, false)[plane], misaligned(pair, hands, false)[plane]]
  const doubled = (of: 'offset' | 'slope'): boolean =>
    Math.abs(after[of] - 2 * before[of]) <= (Math.abs(before[of]) + may[of]) / 2
  if (doubled('slope') && doubled('offset')) return 'wrong-way'
  if (plane === 'up' && slope && Math.abs(after.slope) > 1.5 * Math.abs(before.slope)) return 'wrong-feet'
  return slope ? 'angle' : 'offset'
}

/** What growing of some machines alone does to the pair, up: mm, and mm over mm. */
function growthShift(pair: Pair, sides: readonly PairSide[]): { offset: number; slope: number } {
  const warm: Pair = {
    ...pair,
    warmer: Object.fromEntries(
      Object.entries(pair.warmer).map(([foot, by]) => [foot, sides.includes(sideOf(foot as PairFoot)) ? by : 0]),
    ) as Pair['warmer'],
  }
  const [cold, running] = [misaligned(warm, emptyPairHands, false).up, misaligned(warm, emptyPairHands, true).up]
  return { offset: running.offset - cold.offset, slope: running.slope - cold.slope }
}
