import * as v from 'valibot'
import type { Ask, Lesson } from './asks'
import { type DialRig, makeDialRig, swing } from './dialRig'

const text = (most: number) => v.pipe(v.string(), v.trim(), v.nonEmpty('expected text'), v.maxLength(most))
const within = (low: number, high: number) =>
  v.pipe(v.number(), v.minValue(low, `at least ${low}`), v.maxValue(high, `at most ${high}`))
const ask = {
  id: v.pipe(v.string(), v.regex(/^[a-z][a-z0-9-]{0,29}$/, 'lower-case letters, digits and dashes')),
  label: text(80),
}
const degrees = v.pipe(within(0, 359), v.integer('whole degrees'))

/** What a lesson of a site's own may ask. Lengths in mm, angles in degrees from the top toward the far side. */
const askSchema = v.variant('what', [
  /** What the dial, zeroed at the top, shows there. */
  v.strictObject({ ...ask, what: v.literal('shows'), at: degrees }),
  /** The same with the bracket's sag taken off. */
  v.strictObject({ ...ask, what: v.literal('left'), at: degrees }),
  /** What the bracket hangs through: bottom against top. */
  v.strictObject({ ...ask, what: v.literal('sag') }),
])

/**
 * A lesson that a site wrote: one file. What is not given of the truth comes by the machine's number, as in the lessons that are
 * there. mm and rad.
 */
export const ownLessonSchema = v.strictObject({
  format: v.literal('vane-peg.lesson'),
  version: v.literal(1),
  id: v.pipe(v.string(), v.regex(/^[a-z][a-z0-9-]{2,39}$/, 'lower-case letters, digits and dashes')),
  name: text(60),
  goal: text(500),
  hints: v.optional(v.pipe(v.array(text(300)), v.maxLength(10)), []),
  /** A pipe is straight: what the dial shows there is the bracket alone. */
  on: v.picklist(['coupling', 'pipe']),
  truth: v.optional(
    v.strictObject({
      offsetY: v.optional(within(-1, 1)),
      offsetZ: v.optional(within(-1, 1)),
      slopeY: v.optional(within(-0.002, 0.002)),
      slopeZ: v.optional(within(-0.002, 0.002)),
      sag: v.optional(within(-0.5, 0)),
    }),
  ),
  gauge: v.optional(v.strictObject({ travel: within(3, 25) })),
  asks: v.pipe(
    v.array(askSchema),
    v.minLength(1, 'at least one question'),
    v.maxLength(12),
    v.check((asks) => new Set(asks.map(({ id }) => id)).size === asks.length, 'unique ids'),
  ),
})

export type OwnLesson = v.InferOutput<typeof ownLessonSchema>

/**
 * A lesson as it was brought in, or the place in the file that is at fault.
 *
 * @param text a JSON document
 */
export function readLesson(
  text: string,
): { ok: true; lesson: OwnLesson } | { ok: false; path: string; message: string } {
  let document: unknown
  try {
    document = JSON.parse(text)
  } catch (error) {
    return { ok: false, path: '', message: error instanceof Error ? error.message : String(error) }
  }
  const read = v.safeParse(ownLessonSchema, document)
  if (read.success) return { ok: true, lesson: read.output }
  const [issue] = read.issues
  return { ok: false, path: v.getDotPath(issue) ?? '', message: issue.message }
}

/** The rig of a lesson: what its file says of the truth, and by the seed what it leaves open. */
export function benchOfOwn({ on, truth = {}, gauge }: OwnLesson, seed: number): DialRig {
  const { sag, ...given } = truth
  const bench = makeDialRig(seed, on)
  return {
    ...bench,
    gauge: { ...bench.gauge, ...(gauge ?? {}) },
    truth:
      on === 'pipe'
        ? bench.truth
        : {
            offsetY: given.offsetY ?? bench.truth.offsetY,
            offsetZ: given.offsetZ ?? bench.truth.offsetZ,
            slopeY: given.slopeY ?? bench.truth.slopeY,
            slopeZ: given.slopeZ ?? bench.truth.slopeZ,
          },
    sag: sag ?? bench.sag,
  }
}

/** How much of the sag a dial at an angle shows: none at the top, all of it at the bottom. */
const shareOfSag = (at: number): number => (1 - Math.cos((at * Math.PI) / 180)) / 2

/** What is asked, and what is right. */
export const lessonOfOwn = (own: OwnLesson): Lesson => ({
  on: own.on,
  asks: own.asks.map(
    ({ id, what, ...one }): Ask => ({
      id,
      answer: 'number',
      ...('at' in one ? { at: one.at } : {}),
      ...(what === 'left' ? { sagOff: true } : {}),
    }),
  ),
  right: (bench) =>
    Object.fromEntries(
      own.asks.map((one) => [
        one.id,
        one.what === 'sag'
          ? bench.sag
          : swing(bench, one.at) - (one.what === 'left' ? bench.sag * shareOfSag(one.at) : 0),
      ]),
    ),
})
