import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import { openPlant } from '../../testing/plant'
import type { JobOf } from '../job/document'
import { quantityMm } from '../quantity/quantity'
import { emptySeat, emptySeatFoot } from '../seat/state'
import { type AnyJob, type KindName, kindNames } from '.'
import type { BeltLine, BeltRound } from './belt/document/schema'
import type { BoreLine, BoreRound } from './bore/document/schema'
import { surveys } from './surveys'
import type { Line, Round } from './train/document/schema'
import { seatsOf } from './train/document/seats'

let jobs: readonly AnyJob[]
const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
beforeAll(async () => {
  const store = await openPlant(join(folder, 'site.db'))
  jobs = (await store.db.query.jobs.findMany()).map(({ document }) => document)
  await store.close()
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** A survey with its readings by angle: the order in which they stand says nothing. */
const byAngle = (value: unknown): unknown =>
  JSON.parse(
    JSON.stringify(value, (key, one) =>
      key === 'readings' ? [...one].sort((a: number[], b: number[]) => (a[0] ?? 0) - (b[0] ?? 0)) : one,
    ),
  )

/** A round as a survey; as a job, and as a survey again. */
function there(job: AnyJob, round = job.rounds[0]) {
  const survey = surveys[job.line.kind as 'train']
  const first = round && survey.ofJob(job as never, round as never)
  if (!first) return undefined
  const back = survey.toJob(JSON.parse(JSON.stringify(first)), 'Brought in', '2026-12-01T08:00:00.000Z')
  if (!back.ok) throw new Error(`${back.fault.path}: ${back.fault.message}`)
  const again = survey.ofJob(back.value, back.value.rounds[0] as never)
  return { first, back: back.value as AnyJob, again }
}

describe.each(kindNames)('the open survey of a job: %s', (kind: KindName) => {
  it('goes out, comes in and goes out again equal in every field, for every round of the plant', () => {
    let seen = 0
    for (const job of jobs.filter(({ line }) => line.kind === kind))
      for (const round of job.rounds) {
        const found = there(job, round as never)
        if (!found) continue
        seen++
        expect(byAngle(found.again)).toEqual(byAngle(found.first))
        // and a job that came in is the same job when it comes in again
        const { back } = there(found.back) ?? {}
        expect(back).toEqual(found.back)
      }
    expect(seen).toBeGreaterThan(0)
  })
})

/** A number of mm as typed, to the hundredth. */
const typed = (least: number, most: number) =>
  fc.integer({ min: 100 * least, max: 100 * most }).map((n) => ({ text: String(n / 100), unit: 'mm' as const }))

it('belts keep packs, how far a foot can be let down, and how well each reading repeats', () => {
  const [drive] = jobs.filter(({ line }) => line.kind === 'belt') as unknown as JobOf<BeltLine, BeltRound>[]
  const foot = fc.record({
    pack: fc
      .array(fc.constantFrom('2', '1', '0.5', '0.2', '0.1', '0.05'), { minLength: 1, maxLength: 4 })
      .map((sizes) => ({ text: sizes.join(' '), unit: 'mm' as const })),
    limits: fc.record({ up: typed(0, 5), near: typed(0, 9), far: typed(0, 9), down: typed(0, 3) }),
  })
  fc.assert(
    fc.property(foot, typed(0.01, 0.2), (feet, sd) => {
      const line = {
        ...drive!.line,
        sheaves: drive!.line.sheaves.map((sheave) => ({
          ...sheave,
          feet: sheave.feet.map((one) => ({ ...one, ...feet })),
        })),
      }
      const [round] = drive!.rounds
      const job = { ...drive!, line, rounds: [{ ...round!, sets: round!.sets.map((set) => ({ ...set, sd })) }] }
      const { first, back, again } = there(job as unknown as AnyJob)!
      expect(again).toEqual(first)
      const told = back as unknown as JobOf<BeltLine, BeltRound>
      const [, moved] = told.line.sheaves
      expect(moved?.feet.map(({ pack }) => pack)).toEqual(moved?.feet.map(() => feet.pack))
      for (const way of ['up', 'down', 'near', 'far'] as const)
        expect(moved?.feet.map(({ limits }) => quantityMm(limits?.[way]))).toEqual(
          moved?.feet.map(() => quantityMm(feet.limits[way])),
        )
      expect(told.rounds[0]?.sets.map((set) => quantityMm(set.sd))).toEqual(
        told.rounds[0]?.sets.map(() => quantityMm(sd)),
      )
    }),
    tries(30, 500),
  )
})

it('bores keep how well each section repeats', () => {
  const [row] = jobs.filter(({ line }) => line.kind === 'bore') as unknown as JobOf<BoreLine, BoreRound>[]
  fc.assert(
    fc.property(typed(0.01, 0.2), (sd) => {
      const [round] = row!.rounds
      const job = { ...row!, rounds: [{ ...round!, sets: round!.sets.map((set) => ({ ...set, sd })) }] }
      const { first, back, again } = there(job as unknown as AnyJob)!
      expect(again).toEqual(first)
      const told = back as unknown as JobOf<BoreLine, BoreRound>
      expect(told.rounds[0]?.sets.map((set) => quantityMm(set.sd))).toEqual(
        told.rounds[0]?.sets.map(() => quantityMm(sd)),
      )
    }),
    tries(30, 500),
  )
})

it('a train keeps its soft foot: every gap and rise, at the feet where they were read', () => {
  const [pair] = jobs.filter(({ line }) => line.kind === 'train') as unknown as JobOf<Line, Round>[]
  const read = fc.record({ rise: typed(0, 1), lowNear: typed(0, 1), highFar: typed(0, 1) })
  fc.assert(
    fc.property(fc.array(read, { minLength: 4, maxLength: 4 }), typed(0.02, 0.1), (gaps, threshold) => {
      const machines = seatsOf(pair!.line)
      const [machine] = machines
      const foot = ({ rise, ...corners }: (typeof gaps)[number]) => ({ ...emptySeatFoot('mm'), rise, gaps: corners })
      const before = Object.fromEntries(machine!.feet.map(({ id }, i) => [id, foot(gaps[i]!)]))
      const seat = { [machine!.id]: { ...emptySeat('mm'), threshold, pipes: 'off' as const, before } }
      const { first, back, again } = there({ ...pair!, seat } as unknown as AnyJob)!
      expect(again).toEqual(first)
      expect((first as { seat: object[] }).seat).toHaveLength(1)
      const own = back.seat?.[machine!.id]
      expect(quantityMm(own?.threshold)).toBe(quantityMm(threshold))
      expect(own?.pipes).toBe('off')
      const told = Object.values(own?.before ?? {}).map((one) =>
        [one.rise, one.gaps.lowNear, one.gaps.highFar].map((q) => quantityMm(q)),
      )
      expect(told).toEqual(gaps.map((one) => [one.rise, one.lowNear, one.highFar].map((q) => quantityMm(q))))
    }),
    tries(30, 500),
  )
})
