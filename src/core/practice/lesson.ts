import { parseNumber } from '../frame/number'
import { chance } from '../rig/random'
import type { Ask, Lesson } from './asks'
import { type Attempted, begun, isPlain, type PlainAct, plainly, touched } from './attempted'
import { type Bench, emptyHands, follows, type Hands, makeBench, plungerAt, swing } from './bench'
import { benchOfOwn, lessonOfOwn, type OwnLesson } from './own'

/** Lessons there are, in the order they are learned. */
export const lessonNames = ['read-a-dial', 'sag-bench', 'closure', 'engaged'] as const
export type LessonName = (typeof lessonNames)[number]

/** Quarters that are read, degrees from the top toward the far side. */
export const quarters = [0, 90, 180, 270] as const

/** A slip that an answer tells of itself. */
export type Slip =
  | 'sign'
  | 'turn'
  | 'not-zeroed'
  | 'ran-out'
  | 'other-quarter'
  | 'sag-twice'
  | 'bolted'
  | 'not-halved'
  | 'off'
  | 'missing'

/** What somebody wrote down, one of it wrong: its sign, or a whole turn too few. */
export function sheetOf(bench: Bench, seed: number): { wrong: number; written: Readonly<Record<number, number>> } {
  const source = chance(seed ^ 0x2545f491)
  const wrong = quarters[1 + Math.floor(3 * source.uniform())] ?? 180
  const otherWay = source.uniform() < 0.5
  const written = Object.fromEntries(
    quarters.map((at) => {
      const read = toLine(swing(bench, at))
      if (at !== wrong) return [at, read]
      // a small number with its sign turned about would still be nearly right: then it is the turn
      return [at, toLine(otherWay && Math.abs(read) >= 0.1 ? -read : read + (read < 0 ? 1 : -1))]
    }),
  )
  return { wrong, written }
}

/** What a machine's dial showed at the bottom with the bracket of the sag bench, mm. */
export const shownOnMachine = (seed: number): number => toLine(0.6 * (chance(seed ^ 0x1b873593).uniform() - 0.5) - 0.2)

const toLine = (mm: number): number => Math.round(mm * 100) / 100

export const lessons: Readonly<Record<LessonName, Lesson>> = {
  'read-a-dial': {
    on: 'coupling',
    asks: [
      { id: '90', answer: 'number', at: 90 },
      { id: '180', answer: 'number', at: 180 },
      { id: '270', answer: 'number', at: 270 },
    ],
    right: (bench) => Object.fromEntries([90, 180, 270].map((at) => [String(at), swing(bench, at)])),
  },
  'sag-bench': {
    on: 'pipe',
    asks: [
      { id: 'sag', answer: 'number' },
      { id: 'aligned', answer: 'number' },
      { id: 'left', answer: 'number' },
    ],
    right: (bench, seed) => {
      const sag = swing(bench, 180)
      return { sag, aligned: sag, left: shownOnMachine(seed) - sag }
    },
  },
  engaged: {
    on: 'coupling',
    coupled: true,
    asks: [
      { id: 'bolted', answer: 'number' },
      { id: 'open', answer: 'number' },
      { id: 'hidden', answer: 'number' },
    ],
    right: (bench) => {
      const [bolted, open] = [swing(bench, 180, true), swing(bench, 180)]
      // the dial goes over twice the offset
      return { bolted, open, hidden: Math.abs(open - bolted) / 2 }
    },
  },
  closure: {
    on: 'coupling',
    asks: [
      { id: 'which', answer: 'quarter' },
      { id: 'value', answer: 'number' },
    ],
    right: (bench, seed) => {
      const { wrong } = sheetOf(bench, seed)
      return { which: wrong, value: swing(bench, wrong) }
    },
  },
}

/** How a person stands in a lesson: everything that is kept, and nothing of the truth. */
export interface Attempt extends Attempted<Hands> {
  lesson: string
  /** One that a site wrote, whole: it stays as it was when it was begun. */
  own?: OwnLesson | undefined
  answers: Readonly<Record<string, string>>
}

export const begin = (lesson: LessonName | OwnLesson, seed: number): Attempt => ({
  ...begun(seed, typeof lesson === 'string' && named(lesson).coupled ? { ...emptyHands, engaged: true } : emptyHands),
  ...(typeof lesson === 'string' ? { lesson } : { lesson: lesson.id, own: lesson }),
  answers: {},
})

/** One that comes with the program, by its name. */
const named = (lesson: string): Lesson => lessons[lesson as LessonName]

const lessonFor = ({ lesson, own }: Pick<Attempt, 'lesson' | 'own'>): Lesson => (own ? lessonOfOwn(own) : named(lesson))

/** What a lesson asks. */
export const asksOf = (which: LessonName | OwnLesson): readonly Ask[] =>
  (typeof which === 'string' ? named(which) : lessonOfOwn(which)).asks

export const benchOf = ({ lesson, own, seed }: Pick<Attempt, 'lesson' | 'own' | 'seed'>): Bench =>
  own ? benchOfOwn(own, seed) : makeBench(seed, named(lesson).on)

/** What a person can do. Lengths in mm, angles in degrees. */
export type Act =
  | PlainAct
  | { do: 'turn'; to: number }
  | { do: 'push'; by: number }
  | { do: 'zero' }
  /** Coupling bolts put in, or taken out. */
  | { do: 'couple'; bolted: boolean }
  | { do: 'answer'; ask: string; text: string }

/** Minutes that an act costs; a quarter turn half a minute. */
const cost = { push: 1, zero: 0.5, quarter: 0.5, couple: 12 }

/** One act done. Pure: the same attempt and act give the same. */
export function acted(attempt: Attempt, act: Act): Attempt {
  if (isPlain(act)) return plainly(attempt, act)
  const { hands } = attempt
  const bench = benchOf(attempt)
  const touch = (change: Partial<Hands>, minutes: number): Attempt => touched(attempt, change, minutes)
  switch (act.do) {
    case 'turn': {
      const to = ((act.to % 360) + 360) % 360
      const far = Math.abs(((to - hands.turned + 540) % 360) - 180)
      return far === 0 ? attempt : touch({ turned: to }, (far / 90) * cost.quarter)
    }
    case 'push':
      return touch({ preset: Math.min(bench.gauge.travel, Math.max(0, hands.preset + act.by)) }, cost.push)
    case 'couple':
      return Boolean(hands.engaged) === act.bolted ? attempt : touch({ engaged: act.bolted }, cost.couple)
    case 'zero':
      return touch({ zero: plungerAt(bench, hands) }, cost.zero)
    case 'answer':
      return { ...attempt, answers: { ...attempt.answers, [act.ask]: act.text }, checked: false }
  }
}

/** An answer beside the truth. */
export interface Judged {
  ask: Ask
  right: boolean
  slip: Slip | undefined
  /** mm, or degrees of a quarter. */
  truth: number
}

/** A dial is read to half a graduation, and a hand's thickness. mm */
const near = 0.015

/** Every answer against the truth, each slip by its name; the lesson is passed where all are right and nothing was unsafe. */
export function judge(attempt: Attempt): { answers: Judged[]; passed: boolean } {
  const bench = benchOf(attempt)
  const lesson = lessonFor(attempt)
  const right = lesson.right(bench, attempt.seed)
  const answers = lesson.asks.map((ask): Judged => {
    const truth = right[ask.id] ?? 0
    const typed = parseNumber(attempt.answers[ask.id] ?? '')
    if (!typed.ok) return { ask, right: false, slip: 'missing', truth }
    const told = typed.value
    if (ask.answer === 'quarter')
      return told === truth
        ? { ask, right: true, slip: undefined, truth }
        : { ask, right: false, slip: 'other-quarter', truth }
    if (Math.abs(told - truth) <= near) return { ask, right: true, slip: undefined, truth }
    return { ask, right: false, slip: slipOf(told, truth, ask, bench, attempt), truth }
  })
  return { answers, passed: !attempt.unsafe && answers.every(({ right: ok }) => ok) }
}

/** The slip that a wrong number tells of itself. */
function slipOf(told: number, truth: number, ask: Ask, bench: Bench, { hands, lesson, seed }: Attempt): Slip {
  const { turn } = bench.gauge
  if (Math.abs(told + truth) <= near) return 'sign'
  const { id, at = 180 } = ask
  const twice = ask.sagOff
    ? 2 * swing(bench, at) - truth
    : id === 'left'
      ? shownOnMachine(seed) + swing(bench, 180)
      : undefined
  if (twice !== undefined && Math.abs(told - twice) <= near) return 'sag-twice'
  if (lesson === 'engaged') {
    const bolted = swing(bench, 180, true)
    if (id === 'open' && Math.abs(told - bolted) <= near) return 'bolted'
    if (id === 'hidden' && Math.abs(Math.abs(told) - 2 * truth) <= near) return 'not-halved'
  }
  if (Math.abs(Math.abs(told - truth) - turn) <= near) return 'turn'
  if (lesson !== 'closure' && !follows(bench, hands)) return 'ran-out'
  if (lesson !== 'closure' && Math.abs(told - (plungerAt(bench, hands, at) - (hands.zero || 0))) <= near)
    return 'not-zeroed'
  return 'off'
}
