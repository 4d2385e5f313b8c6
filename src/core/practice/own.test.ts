import { readFileSync } from 'node:fs'
import { toJsonSchema } from '@valibot/to-json-schema'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import { exactRimReading, shaftPair } from '../rig/geometry'
import { judge } from './judged'
import { type Act, acted, begin, benchOf } from './lesson'
import { type OwnLesson, ownLessonSchema, readLesson } from './own'

const example = readFileSync('docs/lesson.example.json', 'utf8')
const lesson = (change: object = {}): OwnLesson => {
  const read = readLesson(JSON.stringify({ ...JSON.parse(example), ...change }))
  if (!read.ok) throw new Error(`${read.path}: ${read.message}`)
  return read.lesson
}
const set: readonly Act[] = [{ do: 'lock' }, { do: 'push', by: 4.6 }, { do: 'turn', to: 0 }, { do: 'zero' }]

describe('a lesson that a site wrote', () => {
  it('has a published schema, and the example in the docs keeps to it', () => {
    const made = {
      title: 'Vane Peg lesson, version 1',
      ...toJsonSchema(ownLessonSchema, { errorMode: 'ignore', typeMode: 'input' }),
    }
    expect(JSON.parse(readFileSync('docs/lesson.schema.json', 'utf8'))).toEqual(JSON.parse(JSON.stringify(made)))
    expect(lesson().id).toBe('long-bracket')
  })
  it('is refused by the place that is at fault', () => {
    const [first, second] = JSON.parse(example).asks
    const refused = (change: object) => {
      const read = readLesson(JSON.stringify({ ...JSON.parse(example), ...change }))
      return read.ok ? undefined : read.path
    }
    expect(refused({ format: 'another' })).toBe('format')
    expect(refused({ asks: [] })).toBe('asks')
    expect(refused({ asks: [first, { ...second, at: 400 }] })).toBe('asks.1.at')
    expect(refused({ asks: [first, { ...second, id: first.id }] })).toBe('asks')
    expect(refused({ truth: { sag: 0.2 } })).toBe('truth.sag')
    expect(refused({ truth: { offsetX: 1 } })).toBe('truth.offsetX')
    expect(refused({ id: 'No Spaces' })).toBe('id')
    expect(readLesson('{ not JSON').ok).toBe(false)
  })
  it('hides the truth that it says, and by the number what it leaves open', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), fc.integer({ min: 1, max: 9999 }), (a, b) => {
        const fixed = lesson()
        const hidden = (seed: number) => benchOf(begin(fixed, seed))
        expect(hidden(a).truth).toEqual({ offsetY: 0.2, offsetZ: -0.35, slopeY: 0, slopeZ: 0 })
        expect([hidden(a).sag, hidden(b).sag]).toEqual([-0.3, -0.3])
        const open = lesson({ truth: { sag: -0.2 } })
        expect(benchOf(begin(open, a))).toEqual(benchOf(begin(open, a)))
        fc.pre(a !== b)
        expect(benchOf(begin(open, a)).truth).not.toEqual(benchOf(begin(open, b)).truth)
      }),
      tries(40),
    )
  })
  it('knows what is right by exact geometry, and names a sag that was put on', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), fc.integer({ min: 1, max: 359 }), (seed, at) => {
        const own = lesson({
          truth: {},
          asks: [
            { id: 'shows', what: 'shows', at, label: 'Shows' },
            { id: 'left', what: 'left', at, label: 'Left' },
            { id: 'sag', what: 'sag', label: 'Sag' },
          ],
        })
        const begun = set.reduce(acted, begin(own, seed))
        const { truth, x, radius, sag } = benchOf(begun)
        const pair = shaftPair(truth, 0)
        const bare = (angle: number) => exactRimReading(pair, { on: 'right', x, radius, sag: 0 }, angle)
        const hung = (angle: number) => exactRimReading(pair, { on: 'right', x, radius, sag }, angle)
        const left = bare(at) - bare(0)
        const shows = hung(at) - hung(0)
        const told = (values: Record<string, number>) =>
          judge(
            Object.entries(values)
              .map(([ask, mm]): Act => ({ do: 'answer', ask, text: mm.toFixed(3) }))
              .reduce(acted, begun),
          )
        expect(told({ shows, left, sag }).passed).toBe(true)
        const off = shows - left
        fc.pre(Math.abs(off) > 0.05 && Math.abs(shows + off + left) > 0.04)
        expect(told({ shows, left: shows + off, sag }).answers[1]).toMatchObject({ right: false, slip: 'sag-twice' })
      }),
      tries(60),
    )
  })
})
