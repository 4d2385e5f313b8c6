import { chance } from '../rig/random'
import { type Attempted, begun, bolting, isPlain, type PlainAct, plainly, touched } from './attempted'
import { typedMm } from './typed'

/** Rolls of a section in the order the web runs: the first is driven and the last a nip; neither is moved. */
export const rollNumbers = [1, 2, 3, 4, 5, 6, 7] as const
export type RollNumber = (typeof rollNumbers)[number]

/** What the web forgives between two neighbors, mm over the face: one edge longer than the other. */
export const spanTolerance = 0.12
/** How far the housing of a roll can be moved either way, mm. */
export const housingRoom = 0.8

type PerRoll = Readonly<Record<RollNumber, number>>

/**
 * A section with a roll whose housing is seized: the hidden truth of a lesson, the same for the same seed. How far the far end of each roll
 * stands down the line, mm over its face, against the driven roll.
 */
export interface Section {
  stuck: RollNumber
  off: PerRoll
}

/** What a person has done so far. */
export interface SectionHands {
  locked: boolean
  loose: readonly RollNumber[]
  /** What the far end of each roll was moved by, down the line. mm */
  moved: PerRoll
  /** Pulls at the seized housing. */
  forced: number
}

const none: PerRoll = { 1: 0, 2: 0, 3: 0, 4: 0, 5: 0, 6: 0, 7: 0 }

const hundredths = (mm: number): number => Math.round(mm * 100) / 100

const tooLong = ({ mm }: { mm: number }): boolean => Math.abs(mm) > spanTolerance + 1e-9

export function makeSection(seed: number): Section {
  const source = chance(seed ^ 0x47b5481d)
  const signed = (least: number, most: number): number =>
    hundredths((source.uniform() < 0.5 ? -1 : 1) * (least + (most - least) * source.uniform()))
  // three spans either way: shared out they forgive 0.36
  const stuck: RollNumber = 4
  for (;;) {
    const drawn = Object.fromEntries(rollNumbers.map((roll) => [roll, signed(0.1, 0.4)])) as Record<RollNumber, number>
    const section: Section = { stuck, off: { ...drawn, 1: 0, 7: 0, [stuck]: signed(0.26, 0.33) } }
    // one that stands shared out as it was found teaches nothing
    if (spansOf(section, { moved: none }).some(tooLong)) return section
  }
}

/** Where the far end of a roll stands down the line now, mm over its face. */
export const rollNow = ({ off }: Section, { moved }: Pick<SectionHands, 'moved'>, roll: RollNumber): number =>
  hundredths(off[roll] + moved[roll])

/** Every span: from a roll to the next, and by how much one edge is longer, mm. */
export const spansOf = (section: Section, hands: Pick<SectionHands, 'moved'>) =>
  rollNumbers.slice(1).map((to, i) => {
    const from = rollNumbers[i] ?? 1
    return { from, to, mm: hundredths(rollNow(section, hands, to) - rollNow(section, hands, from)) }
  })

/** How a person stands in the lesson of the stuck roll: what is kept, and nothing of the truth. */
export interface Easing extends Attempted<SectionHands> {
  lesson: 'stuck-roll'
  typed: string
  strained: number
}

export const beginEasing = (seed: number): Easing => ({
  ...begun(seed, { locked: false, loose: [], moved: none, forced: 0 }),
  lesson: 'stuck-roll',
  typed: '',
  strained: 0,
})

/** What a person can do at the section. */
export type EasingAct =
  | PlainAct
  | { do: 'loosen' | 'tighten' | 'move'; roll: RollNumber }
  | { do: 'type'; text: string }

/** Minutes an act costs: a roll takes its drive, its guards and its bolts. */
const cost = { bolts: 6, move: 10 }

/** A move as typed, mm; undefined where it is no number, none, or farther than a housing goes. */
export function rollMoveTyped(text: string): number | undefined {
  const mm = typedMm(text)
  return mm && Math.abs(mm) <= 2 * housingRoom ? mm : undefined
}

/** One act done. Pure: the same state and act give the same. */
export function easingLessonReducer(now: Easing, act: EasingAct): Easing {
  if (isPlain(act)) return plainly(now, act)
  const { hands } = now
  const touch = (change: Partial<SectionHands>, minutes: number): Easing => touched(now, change, minutes)
  switch (act.do) {
    case 'loosen':
    case 'tighten': {
      const loose = bolting(hands.loose, act.roll, act.do)
      return loose ? touch({ loose }, cost.bolts) : now
    }
    case 'type':
      return { ...now, typed: act.text }
    case 'move': {
      const by = rollMoveTyped(now.typed)
      if (by === undefined) return now
      if (!hands.loose.includes(act.roll)) return { ...touch({}, cost.move), strained: now.strained + 1 }
      if (act.roll === makeSection(now.seed).stuck) return touch({ forced: hands.forced + 1 }, cost.move)
      const to = Math.min(housingRoom, Math.max(-housingRoom, hands.moved[act.roll] + by))
      return { ...touch({ moved: { ...hands.moved, [act.roll]: to } }, cost.move), typed: '' }
    }
  }
}

/** What went wrong, by its name. */
export type EasingSlip =
  | 'still-loose'
  | 'strained'
  | 'forced'
  | 'reference-moved'
  | 'to-the-numbers'
  | 'other-way'
  | 'one-side'
  | 'spans'

export interface EasingJudged {
  section: Section
  spans: ReturnType<typeof spansOf>
  /** Rolls that were moved. */
  moved: number
  slips: readonly EasingSlip[]
  passed: boolean
}

/** How the section stands now for the web: every span within what it forgives, the ends where they were, all bolted. */
export function judgeEasing(now: Easing): EasingJudged {
  const section = makeSection(now.seed)
  const { hands } = now
  const spans = spansOf(section, hands)
  const slips: EasingSlip[] = []
  if (hands.loose.length > 0) slips.push('still-loose')
  if (hands.forced > 0) slips.push('forced')
  if (hands.moved[1] !== 0 || hands.moved[7] !== 0) slips.push('reference-moved')
  const over = spans.filter(tooLong)
  if (over.length > 0) slips.push(whyOver(section, hands, over))
  if (now.strained > 0) slips.push('strained')
  return {
    section,
    spans,
    moved: rollNumbers.filter((roll) => hands.moved[roll] !== 0).length,
    slips,
    passed: !now.unsafe && slips.length === 0,
  }
}

/** Why spans are over: every roll put to nought beside the stuck one, fanned to the wrong side, or on one side of it alone. */
function whyOver(section: Section, hands: SectionHands, over: ReturnType<typeof spansOf>): EasingSlip {
  const others = rollNumbers.filter((roll) => roll !== section.stuck && roll !== 1 && roll !== 7)
  const stands = (roll: RollNumber): number => rollNow(section, hands, roll)
  if (others.every((roll) => Math.abs(stands(roll)) <= 0.03)) return 'to-the-numbers'
  const away = -Math.sign(section.off[section.stuck])
  const beside = [3, 5] as const
  if (others.some((roll) => hands.moved[roll] !== 0) && beside.every((roll) => stands(roll) * away > 0.05))
    return 'other-way'
  const before = over.every(({ to }) => to <= section.stuck)
  const after = over.every(({ from }) => from >= section.stuck)
  return before || after ? 'one-side' : 'spans'
}
