import type { Ask } from './asks'
import { near, shownOnMachine } from './dialLessons'
import { type DialRig, follows, leverFactor, plungerAt, swing } from './dialRig'
import { type Attempt, benchOf, lessonFor } from './lesson'
import { typedMm } from './typed'

/** A slip that an answer tells of itself. */
export type Slip =
  | 'sign'
  | 'turn'
  | 'not-zeroed'
  | 'ran-out'
  | 'other-quarter'
  | 'sag-twice'
  | 'bolted'
  | 'upside-down'
  | 'as-shown'
  | 'divided'
  | 'part-as-quarter'
  | 'other-fault'
  | 'as-it-lied'
  | 'not-halved'
  | 'off'
  | 'missing'

/** An answer beside the truth. */
export interface Judged {
  ask: Ask
  right: boolean
  slip: Slip | undefined
  /** mm, or degrees of a quarter. */
  truth: number
}

/** Every answer against the truth, each slip by its name; the lesson is passed where all are right and nothing was unsafe. */
export function judge(attempt: Attempt): { answers: Judged[]; passed: boolean } {
  const bench = benchOf(attempt)
  const lesson = lessonFor(attempt)
  const right = lesson.right(bench, attempt.seed)
  const may = lesson.near?.(bench) ?? {}
  const answers = lesson.asks.map((ask): Judged => {
    const truth = right[ask.id] ?? 0
    const told = typedMm(attempt.answers[ask.id] ?? '')
    if (told === undefined) return { ask, right: false, slip: 'missing', truth }
    if (ask.answer === 'quarter' || ask.answer === 'fault') {
      const slip = ask.answer === 'quarter' ? 'other-quarter' : 'other-fault'
      return { ask, right: told === truth, slip: told === truth ? undefined : slip, truth }
    }
    if (Math.abs(told - truth) <= (may[ask.id] ?? near)) return { ask, right: true, slip: undefined, truth }
    return { ask, right: false, slip: slipOf(told, truth, ask, bench, attempt), truth }
  })
  return { answers, passed: !attempt.unsafe && answers.every(({ right: ok }) => ok) }
}

/** The slip that a wrong number tells of itself. */
function slipOf(told: number, truth: number, ask: Ask, bench: DialRig, { hands, lesson, seed }: Attempt): Slip {
  const { turn } = bench.gauge
  if (ask.answer === 'factor') return Math.abs(told - 1 / truth) <= 0.06 ? 'upside-down' : 'off'
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
  if (lesson === 'lever') {
    const factor = leverFactor(bench)
    if (Math.abs(told - truth / factor) <= 0.02) return 'as-shown'
    if (Math.abs(told - truth / factor ** 2) <= 0.03) return 'divided'
  }
  if (lesson === 'trust' && Math.abs(told - truth) <= 2.5 * (bench.lies?.by ?? 0)) return 'as-it-lied'
  if (bench.stops && partOf(bench, bench.stops).some((part) => Math.abs(told - part) <= near)) return 'part-as-quarter'
  if (Math.abs(Math.abs(told - truth) - turn) <= near) return 'turn'
  if (lesson !== 'closure' && !follows(bench, hands)) return 'ran-out'
  if (lesson !== 'closure' && Math.abs(told - (plungerAt(bench, hands, at) - (hands.zero || 0))) <= near)
    return 'not-zeroed'
  return 'off'
}

/** What the dial shows where its turn ends, and both together: taken for the quarters, they are too little. */
function partOf(bench: DialRig, { near: toNear, far: toFar }: NonNullable<DialRig['stops']>): readonly number[] {
  const [onNear, onFar] = [swing(bench, -toNear), swing(bench, toFar)]
  const alike = Math.min(toNear, toFar)
  return [onNear, onFar, onNear + onFar, swing(bench, -alike) + swing(bench, alike)]
}
