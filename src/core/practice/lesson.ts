import type { Ask, Lesson } from './asks'
import { type Attempted, begun, isPlain, type PlainAct, plainly, touched } from './attempted'
import { type LessonName, lessons } from './dialLessons'
import { type DialHands, type DialRig, emptyDialHands, makeDialRig, plungerAt, turnAllowed } from './dialRig'
import { benchOfOwn, lessonOfOwn, type OwnLesson } from './own'

/** How a person stands in a lesson: everything that is kept, and nothing of the truth. */
export interface Attempt extends Attempted<DialHands> {
  lesson: string
  /** One that a site wrote, whole: it stays as it was when it was begun. */
  own?: OwnLesson | undefined
  answers: Readonly<Record<string, string>>
}

export const begin = (lesson: LessonName | OwnLesson, seed: number): Attempt => ({
  ...begun(
    seed,
    typeof lesson === 'string' && named(lesson).coupled ? { ...emptyDialHands, engaged: true } : emptyDialHands,
  ),
  ...(typeof lesson === 'string' ? { lesson } : { lesson: lesson.id, own: lesson }),
  answers: {},
})

/** One that comes with the program, by its name. */
const named = (lesson: string): Lesson => lessons[lesson as LessonName]

export const lessonFor = ({ lesson, own }: Pick<Attempt, 'lesson' | 'own'>): Lesson =>
  own ? lessonOfOwn(own) : named(lesson)

/** What a lesson asks. */
export const asksOf = (which: LessonName | OwnLesson): readonly Ask[] =>
  (typeof which === 'string' ? named(which) : lessonOfOwn(which)).asks

export const benchOf = ({ lesson, own, seed }: Pick<Attempt, 'lesson' | 'own' | 'seed'>): DialRig =>
  own ? benchOfOwn(own, seed) : makeDialRig(seed, named(lesson).on, named(lesson).has)

/** What a person can do. Lengths in mm, angles in degrees. */
export type Act =
  | PlainAct
  | { do: 'turn'; to: number }
  | { do: 'push'; by: number }
  | { do: 'zero' }
  /** The block of a known step slid under the tip, or taken out. */
  | { do: 'step'; in: boolean }
  /** Where a dial may lie: it is tapped, its tip tightened, the hub it runs on turned alone by half a turn. */
  | { do: 'tap' | 'tighten-tip' | 'turn-hub' }
  /** Coupling bolts put in, or taken out. */
  | { do: 'couple'; bolted: boolean }
  | { do: 'answer'; ask: string; text: string }

/** Minutes that an act costs; a quarter turn half a minute. */
const cost = { push: 1, zero: 0.5, step: 1, tap: 0.1, tip: 2, hub: 3, quarter: 0.5, couple: 12 }

/** A needle that sticks stays where it was until it is pulled along. */
const moved = (bench: DialRig, after: DialHands, before: DialHands): DialHands =>
  bench.lies?.fault === 'sticking'
    ? { ...after, stuckAt: plungerAt(bench, { ...after, stuckAt: plungerAt(bench, before) }) }
    : after

/** One act done. Pure: the same attempt and act give the same. */
export function acted(attempt: Attempt, act: Act): Attempt {
  if (isPlain(act)) return plainly(attempt, act)
  const { hands } = attempt
  const bench = benchOf(attempt)
  const touch = (change: Partial<DialHands>, minutes: number): Attempt => touched(attempt, change, minutes)
  switch (act.do) {
    case 'turn': {
      const to = turnAllowed(bench, hands.turned, ((act.to % 360) + 360) % 360)
      const far = Math.abs(((to - hands.turned + 540) % 360) - 180)
      if (far === 0) return attempt
      // a block under the tip comes out before the shaft is turned
      const turned: DialHands = { ...hands, turned: to, step: false }
      const way = ((to - hands.turned + 540) % 360) - 180 < 0 ? -1 : 1
      const more = bench.lies ? moved(bench, { ...turned, way, turns: (hands.turns ?? 0) + 1 }, hands) : turned
      return touch(more, (far / 90) * cost.quarter)
    }
    case 'push':
      return touch({ preset: Math.min(bench.gauge.travel, Math.max(0, hands.preset + act.by)) }, cost.push)
    case 'couple':
      return Boolean(hands.engaged) === act.bolted ? attempt : touch({ engaged: act.bolted }, cost.couple)
    case 'tap':
      return touch({ stuckAt: undefined }, cost.tap)
    case 'tighten-tip':
      // it was taken hold of: it has to be zeroed again
      return touch({ tipTight: true }, cost.tip)
    case 'turn-hub':
      return touch({ hub: ((hands.hub ?? 0) + 180) % 360 }, cost.hub)
    case 'step':
      return Boolean(hands.step) === act.in ? attempt : touch({ step: act.in }, cost.step)
    case 'zero':
      return touch({ zero: plungerAt(bench, hands) }, cost.zero)
    case 'answer':
      return { ...attempt, answers: { ...attempt.answers, [act.ask]: act.text }, checked: false }
  }
}
