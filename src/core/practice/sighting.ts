import { type Attempted, begun, isPlain, type PlainAct, plainly, touched } from './attempted'
import {
  emptySightHands,
  fromPlane,
  fromSquare,
  headingNow,
  looksAway,
  makeSight,
  referenceShows,
  type Sight,
  type SightHands,
  secondNow,
} from './stand'
import { typedMm } from './typed'

/** How square roll 2 has to be to the reference roll, mm over its face. */
export const sightAllows = 0.08

/** How a person stands in the lesson of the rolls: what is kept, and nothing of the truth. */
export interface Sighting extends Attempted<SightHands> {
  lesson: 'rolls'
  /** Where the farther target is to be turned to, and the move of the housing, as typed. mm */
  typed: Readonly<Record<'turn' | 'move', string>>
  /** Turns of the instrument, and moves while the housing was bolted. */
  turns: number
  strained: number
}

export const beginSighting = (seed: number): Sighting => ({
  ...begun(seed, emptySightHands),
  lesson: 'rolls',
  typed: { turn: '', move: '' },
  turns: 0,
  strained: 0,
})

/** What a person can do with instrument and housing. */
export type SightingAct =
  | PlainAct
  | { do: 'level' }
  /** The near target's scale set to zero. */
  | { do: 'zero' }
  /** Turned until the farther target shows what was typed: the roll's far end, or at the second stand floor reference a. */
  | { do: 'turn' }
  /** Both floor references set to zero: at the first stand only. */
  | { do: 'references' }
  | { do: 'face' }
  | { do: 'stand'; at: 1 | 2 }
  | { do: 'loosen' | 'tighten' }
  | { do: 'move' }
  | { do: 'type'; what: 'turn' | 'move'; text: string }

/** Minutes an act costs. */
const cost = { level: 2, zero: 1, turn: 2, references: 3, face: 1, stand: 15, bolts: 4, move: 6 }

const farthest = { turn: 30, move: 5 }

/** A number as typed, mm; undefined where it is none, or too large for what it is. */
export function sightTyped(what: 'turn' | 'move', text: string): number | undefined {
  const mm = typedMm(text)
  return mm !== undefined && Math.abs(mm) <= farthest[what] && (what === 'turn' || mm !== 0) ? mm : undefined
}

const put = <T>([first, second]: readonly [T, T], stand: 1 | 2, value: T): readonly [T, T] =>
  stand === 1 ? [value, second] : [first, value]

/** Turned about its pivot until the farther target shows a number, as level as it is; turning takes it out of level. */
function turnedTo(sight: Sight, hands: SightHands, shows: number): SightHands {
  const { stand } = hands
  const old = put(hands.turned, stand, 0)
  const at = (by: number): number => {
    const turned = { ...hands, turned: put(old, stand, by) }
    if (stand === 1) return fromPlane(sight, turned, 'far') - hands.zero[0]
    return fromSquare(sight, turned, 'a') - (hands.references?.a ?? 0)
  }
  // what it shows goes in step with the heading
  const [none, one] = [at(0), at(1)]
  return {
    ...hands,
    turned: put(old, stand, (shows - none) / (one - none)),
    level: put(hands.level, stand, false),
  }
}

/** One act done. Pure: the same state and act give the same. Sighting is done by eye from outside; what touches the machine wants the lock. */
export function sightLessonReducer(now: Sighting, act: SightingAct): Sighting {
  if (isPlain(act)) return plainly(now, act)
  const { hands } = now
  const sight = makeSight(now.seed)
  const touch = (change: Partial<SightHands>, minutes: number): Sighting => touched(now, change, minutes)
  switch (act.do) {
    case 'level':
      return touch({ level: put(hands.level, hands.stand, true) }, cost.level)
    case 'zero':
      return touch({ zero: put(hands.zero, hands.stand, fromPlane(sight, hands, 'near')) }, cost.zero)
    case 'turn': {
      const shows = sightTyped('turn', now.typed.turn)
      if (shows === undefined || (hands.stand === 2 && !hands.references)) return now
      return {
        ...touch(turnedTo(sight, hands, shows), cost.turn),
        typed: { ...now.typed, turn: '' },
        turns: now.turns + 1,
      }
    }
    case 'references':
      return hands.stand === 1
        ? touch({ references: { a: fromSquare(sight, hands, 'a'), b: fromSquare(sight, hands, 'b') } }, cost.references)
        : now
    case 'face':
      return touch({ faced: !hands.faced }, cost.face)
    case 'stand':
      return hands.stand === act.at ? now : touch({ stand: act.at }, cost.stand)
    case 'loosen':
    case 'tighten':
      return hands.loose === (act.do === 'loosen') ? now : touch({ loose: act.do === 'loosen' }, cost.bolts)
    case 'move': {
      const by = sightTyped('move', now.typed.move)
      if (by === undefined) return now
      if (!hands.loose) return { ...touch({}, cost.move), strained: now.strained + 1 }
      return { ...touch({ moved: hands.moved + by }, cost.move), typed: { ...now.typed, move: '' } }
    }
    case 'type':
      return { ...now, typed: { ...now.typed, [act.what]: act.text } }
  }
}

/** What went wrong, by its name. */
export type SightingSlip =
  | 'still-loose'
  | 'strained'
  | 'no-references'
  | 'not-on-the-roll'
  | 'out-of-plumb'
  | 'reversed'
  | 'references-differ'
  | 'wrong-way'
  | 'off'

export interface SightingJudged {
  sight: Sight
  /** What roll 2 is off square to the reference roll, mm over its face, positive where its far end is down the line. */
  left: number
  slips: readonly SightingSlip[]
  passed: boolean
}

/** How roll 2 stands now to the reference roll, and where the heading was lost on the way. */
export function judgeSighting(now: Sighting): SightingJudged {
  const sight = makeSight(now.seed)
  const { hands } = now
  const left = (secondNow(sight, hands) - sight.square.reference) * sight.face
  const slips: SightingSlip[] = []
  if (hands.loose) slips.push('still-loose')
  if (Math.abs(left) > sightAllows) slips.push(...whyOff(sight, hands, left))
  if (now.strained > 0) slips.push('strained')
  return { sight, left, slips, passed: !now.unsafe && slips.length === 0 }
}

function whyOff(sight: Sight, hands: SightHands, left: number): SightingSlip[] {
  if (!hands.references) return ['no-references']
  const lost: SightingSlip[] = []
  if (!hands.level[0] || !hands.level[1]) lost.push('out-of-plumb')
  const off = (headingNow(sight, hands, 1) - sight.square.reference) * sight.face
  if (Math.abs(off) > sightAllows / 2) lost.push('not-on-the-roll')
  const second: SightHands = { ...hands, stand: 2 }
  const [a, b] = [referenceShows(sight, second, 'a') ?? 0, referenceShows(sight, second, 'b') ?? 0]
  if (Math.abs(a - b) > 0.05) lost.push('references-differ')
  else if (looksAway(sight, hands) && Math.abs(a) > 0.05) lost.push('reversed')
  if (lost.length > 0) return lost
  const before = (sight.square.second - sight.square.reference) * sight.face
  return [hands.moved !== 0 && Math.abs(left - 2 * before) <= sightAllows ? 'wrong-way' : 'off']
}
