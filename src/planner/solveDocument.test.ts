import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { caseA } from '../core/kinds/train/survey/caseA'
import { surveySchema } from '../core/kinds/train/survey/schema'
import { anythingLike, tries } from '../testing/anything'
import { solveDocument } from './solveDocument'

/** Where a document has a number that is none. */
function holes(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [path]
  return typeof value === 'object' && value !== null
    ? Object.entries(value).flatMap(([key, child]) => holes(child, `${path}.${key}`))
    : []
}

const whole = () => ({
  ...caseA(),
  plan: { mode: 'hold' as const, hold: ['pump-in', 'motor-out'], stock: [0.05, 0.1, 0.2, 0.5, 1], maxShims: 4 },
  seat: [
    {
      machine: 'motor',
      feet: [
        { id: 'a', x: 130, y: -100, rise: 0.12, corners: { lowNear: 0.1, lowFar: 0.1, highNear: 0.1, highFar: 0.1 } },
        { id: 'b', x: 130, y: 100, rise: 0.01 },
        { id: 'c', x: 410, y: 100, rise: 0.11 },
        { id: 'd', x: 410, y: -100, rise: 0 },
      ],
    },
  ],
})

/** Numbers from nothing at all to what a double just holds, put anywhere in a document. */
const odd = fc.constantFrom(0, 1e-300, 1e-9, 1e-6, -1e-6, 0.5, 1e6, -1e6, 999_999, 1e7, 1e300, -1e308)
const spoiled = fc.array(fc.tuple(fc.nat(400), odd), { maxLength: 6 }).map((changes) => {
  const document = whole()
  const places: [Record<string, unknown>, string][] = []
  const visit = (at: Record<string, unknown>) => {
    for (const [key, child] of Object.entries(at))
      if (typeof child === 'number') places.push([at, key])
      else if (typeof child === 'object' && child !== null) visit(child as Record<string, unknown>)
  }
  visit(document as unknown as Record<string, unknown>)
  for (const [n, value] of changes) {
    const [at, key] = places[n % places.length] ?? []
    if (at && key !== undefined) at[key] = value
  }
  return document as unknown
})

describe('whatever a survey holds', () => {
  it('the answer is a result of numbers, or a fault that names a place or says why', async () => {
    const any = fc.oneof(
      ...[3, 12, 50].map((rate) => anythingLike<unknown>(surveySchema, whole() as never, rate)),
      spoiled,
      spoiled,
      fc.json().map((text): unknown => JSON.parse(text)),
    )
    let solved = 0
    await fc.assert(
      fc.asyncProperty(any, async (document) => {
        const answer = await solveDocument(JSON.parse(JSON.stringify(document ?? null)))
        if (answer.ok) {
          solved++
          expect(holes(answer.value)).toEqual([])
        } else {
          expect(answer.fault.message).not.toBe('')
          expect(answer.fault.message).not.toMatch(/undefined|is not a function|Cannot read/)
        }
      }),
      tries(400, 10_000),
    )
    // not all of them are refused
    expect(solved).toBeGreaterThan(20)
  })
})
