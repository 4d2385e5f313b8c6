import { describe, expect, it } from 'vitest'
import { runs } from '../../testing/anything'
import type { WrittenSuspect } from '../fit/slips'
import { flipSign, type Quantity, quantityFrom, quantityMm } from '../quantity/quantity'
import { type Chance, chance } from '../rig/random'
import { roundAsIf as beltAsIf } from './belt/document/asIf'
import { faceCell, cellsOf as faceCells, makeLine as makeBelt, makeSet } from './belt/document/make'
import type { BeltLine, BeltRound } from './belt/document/schema'
import { proofOf as proveBelt } from './belt/prove/proof'
import { axisOf, readFace } from './belt/rig'
import { writtenAt as beltAt, solveRound as solveBelt } from './belt/solve/round'
import { roundAsIf as boreAsIf } from './bore/document/asIf'
import { cellsOf, degreesOf, heldOf, makeRound as makeBoreRound, makeLine as makeBores } from './bore/document/make'
import type { BoreLine, BoreRound } from './bore/document/schema'
import { proofOf as proveBores } from './bore/prove/proof'
import { readWall } from './bore/rig'
import { writtenAt as boreAt, solveRound as solveBores } from './bore/solve/round'
import { roundAsIf as rollsAsIf } from './rolls/document/asIf'
import { cellOf, makeLine as makeRolls, makeRound as makeRollsRound } from './rolls/document/make'
import type { RollsLine, RollsRound } from './rolls/document/schema'
import { proofOf as proveRolls } from './rolls/prove/proof'
import { apartAt, levelOn, noisy, rollOf, scaleAt } from './rolls/rig'
import { writtenIn } from './rolls/solve/readings'
import { solveRound as solveRolls } from './rolls/solve/round'

const mm = (value: number, decimals = 2): Quantity => quantityFrom(value, 'mm', decimals)

/** Something read on the exact rig, one number of it spoiled, and what comes of it. */
interface Simulated {
  /** What was written: where, and how it is spoiled. */
  numbers: { at: string; spoil: (by: (quantity: Quantity) => Quantity) => Simulated }[]
  value: (at: string) => number
  suspects: readonly WrittenSuspect<string>[]
  contradicts: boolean
  /** Verdicts of the parts that hang on a number. */
  states: (at: string) => readonly string[]
  /** As a suspect would have it. */
  asIf: (suspect: WrittenSuspect<string>) => Simulated
}

const between = (source: Chance, most: number) => most * (2 * source.uniform() - 1)

function belt(source: Chance): Simulated {
  const line: BeltLine = (() => {
    const made = makeBelt('Fan', 'mm', ['Fan', 'Motor'])
    const [stays, moved] = made.sheaves
    return {
      ...made,
      sheaves: [
        { ...stays!, width: mm(80) },
        { ...moved!, width: mm(80), across: mm(640), up: mm(-120), feet: [] },
      ],
    }
  })()
  const id = line.sheaves[1]!.id
  const body = {
    centre: [between(source, 3), 640, -120] as const,
    axis: axisOf(between(source, 0.008), between(source, 0.008)),
    wobble: { by: 0.0005 * source.uniform(), at: 360 * source.uniform() },
  }
  const sets = ['s1', 's2'].map((set, s) => {
    const made = { ...makeSet(id, set, 'mm'), purpose: s ? ('repeat' as const) : ('plan' as const), twice: true }
    return {
      ...made,
      radius: mm(110),
      values: Object.fromEntries(
        faceCells(made).map((key) => {
          const { angle, turned } = faceCell(key)
          return [key, mm(readFace(body, { degrees: angle, radius: 110, turned, sd: 0.006, source }))]
        }),
      ),
    }
  })
  const of = (round: BeltRound): Simulated => {
    const solved = solveBelt(line, round)
    const { contradiction } = solved.sheaves[0]!.solved!
    const numbers = round.sets.flatMap((set) =>
      faceCells(set).map((key) => ({
        at: beltAt(set, key),
        spoil: (by: (quantity: Quantity) => Quantity) =>
          of({
            ...round,
            sets: round.sets.map((one) =>
              one.id === set.id ? { ...one, values: { ...one.values, [key]: by(one.values[key]!) } } : one,
            ),
          }),
      })),
    )
    return {
      numbers,
      value: (at) =>
        round.sets.flatMap((set) =>
          faceCells(set).flatMap((key) => (beltAt(set, key) === at ? (quantityMm(set.values[key]) ?? 0) : [])),
        )[0] ?? 0,
      suspects: contradiction?.suspects ?? [],
      contradicts: contradiction !== undefined,
      states: () => proveBelt(line, solved).own!.judged.map(({ state }) => state),
      asIf: (suspect) => of(beltAsIf(round, suspect)),
    }
  }
  return of({
    id: 'r1',
    takenAt: '',
    by: '',
    sets,
    tensioned: false,
    tension: { set: '', by: '' },
  } as unknown as BeltRound)
}

function bore(source: Chance): Simulated {
  const made = makeBores('Row', 'mm', ['4'])
  const xs = [80, 560, 1040, 1520]
  const line: BoreLine = {
    ...made,
    sections: made.sections.map((section, i) => ({ ...section, x: mm(xs[i]!), diameter: mm(140) })),
  }
  const begun = makeBoreRound(line, '', 'mm')
  const round: BoreRound = {
    ...begun,
    sets: begun.sets.map((set, i) => {
      const wall = { x: xs[i]!, y: between(source, 0.3), z: between(source, 0.3), radius: 70 }
      const own = { ...set, sag: mm(0) }
      return {
        ...own,
        values: Object.fromEntries(
          cellsOf(own).map((key) => [
            key,
            mm(readWall(wall, () => [0.1, -0.2], degreesOf(key), { sd: 0.003, source })),
          ]),
        ),
      }
    }),
  }
  const of = (one: BoreRound): Simulated => {
    const solved = solveBores(line, one)
    const found = solved.sections.flatMap(({ solved: own }) => own?.contradiction ?? [])
    return {
      numbers: one.sets.flatMap((set) =>
        cellsOf(set).map((key) => ({
          at: boreAt(set, key),
          spoil: (by: (quantity: Quantity) => Quantity) =>
            of({
              ...one,
              sets: one.sets.map((each) =>
                each.id === set.id ? { ...each, values: { ...each.values, [key]: by(each.values[key]!) } } : each,
              ),
            }),
        })),
      ),
      value: (at) =>
        one.sets.flatMap((set) =>
          cellsOf(set).flatMap((key) => (boreAt(set, key) === at ? (quantityMm(set.values[key]) ?? 0) : [])),
        )[0] ?? 0,
      suspects: found.flatMap(({ suspects }) => suspects),
      contradicts: found.length > 0,
      // a bore that the line is not laid through says nothing against the others
      states: (at) => {
        const section = one.sets.find(({ id }) => at.startsWith(`${id} `))?.section ?? ''
        const all = heldOf(line).includes(section)
        return proveBores(line, solved).own!.judged.flatMap(({ id, state }) => (all || id === section ? [state] : []))
      },
      asIf: (suspect) => of(boreAsIf(one, suspect)),
    }
  }
  return of(round)
}

function rolls(source: Chance): Simulated {
  const made = makeRolls('Sheet line', 'mm', ['5'])
  const line: RollsLine = {
    ...made,
    width: mm(1600),
    housings: mm(1900),
    reference: '',
    baseline: mm(1500),
    rolls: made.rolls.map((roll, i) => ({ ...roll, x: mm(800 * i), z: mm(i % 2 ? 300 : 0), diameter: mm(200) })),
  }
  const bodies = line.rolls.map((_, i) =>
    rollOf(
      { x: 800 * i, z: i % 2 ? 300 : 0, radius: 100 },
      { square: between(source, 0.0004), level: between(source, 0.0004) },
    ),
  )
  const values: Record<string, Quantity> = {}
  const divisions: Record<string, string> = {}
  line.rolls.forEach(({ id }, i) => {
    const [body, next] = [bodies[i]!, bodies[i + 1]]
    for (const turned of [false, true])
      divisions[cellOf(id, turned ? 'turned' : 'level')] = noisy(
        levelOn(body, 0.00002, 0.00005, turned),
        0.2,
        source,
      ).toFixed(1)
    for (const end of ['near', 'far'] as const)
      values[cellOf(id, end)] = mm(
        noisy(scaleAt(body, end === 'near' ? -700 : 700, { x: body.middle[0] - 40, y: 0, heading: 0 }), 0.01, source),
      )
    if (next)
      for (const end of ['tapeNear', 'tapeFar'] as const)
        values[cellOf(id, end)] = mm(noisy(apartAt(body, next, end === 'tapeNear' ? -700 : 700), 0.02, source))
  })
  const of = (round: RollsRound): Simulated => {
    const solved = solveRolls(line, round)
    const found = solved.section?.contradictions ?? []
    return {
      numbers: [
        ...Object.keys(values).map((key) => ({
          at: writtenIn.values(key),
          spoil: (by: (quantity: Quantity) => Quantity) =>
            of({ ...round, values: { ...round.values, [key]: by(round.values[key]!) } }),
        })),
        ...Object.keys(divisions).map((key) => ({
          at: writtenIn.divisions(key),
          spoil: (by: (quantity: Quantity) => Quantity) =>
            of({
              ...round,
              divisions: { ...round.divisions, [key]: by({ text: round.divisions[key]!, unit: 'mm' }).text },
            }),
        })),
      ],
      value: (at) => {
        const key = at.slice(at.indexOf(':') + 1)
        return at.startsWith('values') ? (quantityMm(round.values[key]) ?? 0) : Number(round.divisions[key])
      },
      suspects: found.flatMap(({ suspects }) => suspects),
      contradicts: found.length > 0,
      states: () => proveRolls(line, solved).own!.judged.map(({ state }) => state),
      asIf: (suspect) => of(rollsAsIf(round, suspect)),
    }
  }
  return of({ ...makeRollsRound(line, '', 'mm'), sensitivity: '0.02', over: mm(1400), values, divisions })
}

/** Trains and upright pairs have theirs in `shafts/suspects.test.ts`: a dial closes by itself, so what is written is asked there first. */
describe.each([
  ['belts', belt, 0.4, 11, 40],
  ['bores', bore, 0.08, 12, 150],
  ['rolls', rolls, 5, 13, 100],
] as const)('%s read with one slip', (_, simulate, least, seed, few) => {
  const rounds = runs(few, 1000)
  const slips = {
    sign: (typed: Quantity): Quantity => ({ ...typed, text: flipSign(typed.text) }),
    decimal: (typed: Quantity): Quantity => ({ ...typed, text: String(Number(typed.text.replace('−', '-')) * 10) }),
  }
  it('are never told within, and the slip is named in nine of ten', () => {
    const source = chance(seed)
    let tried = 0
    let named = 0
    for (let i = 0; i < rounds; i++) {
      const right = simulate(source)
      // a slip that changes less than a reading's own doubt is none that anybody could find
      const large = right.numbers.filter(({ at }) => Math.abs(right.value(at)) > least)
      const spoiled = large[Math.floor(source.uniform() * large.length)]
      const fault = source.uniform() < 0.5 ? 'sign' : 'decimal'
      if (!spoiled) continue
      const wrong = spoiled.spoil(slips[fault])
      tried++
      expect(wrong.contradicts, `${spoiled.at}, ${fault}`).toBe(true)
      expect(wrong.states(spoiled.at)).not.toContain('within')
      const [first] = wrong.suspects
      if (first?.at !== spoiled.at && first?.other !== spoiled.at) continue
      named++
      if (first.fault === fault) expect(wrong.asIf(first).contradicts).toBe(false)
    }
    expect(tried).toBeGreaterThan(0.6 * rounds)
    expect(named / tried).toBeGreaterThanOrEqual(0.9)
  })
  it('are not accused where they are right', () => {
    const source = chance(seed + 100)
    let accused = 0
    for (let i = 0; i < rounds; i++) if (simulate(source).contradicts) accused++
    expect(accused / rounds).toBeLessThanOrEqual(0.01)
  })
})
