import { describe, expect, it } from 'vitest'
import type { Probe } from '../probes'
import type { Misalignment, Side } from '../probes/probe'
import { readRimDial } from '../rig/dial'
import { shaftPair } from '../rig/geometry'
import { type Chance, chance } from '../rig/random'
import { fitCoupling } from './coupling'
import { disagreementOf } from './repeats'
import { suspectsOf } from './suspects'
import type { ReadingSet } from './together'

const quarters = [0, 90, 180, 270]
const facts = () => ({ limit: 0.02, turn: 1 })

const someTruth = (source: Chance): Misalignment => {
  const between = (low: number, high: number) => low + (high - low) * source.uniform()
  return {
    offsetY: between(-0.3, 0.3),
    slopeY: between(-0.0005, 0.0005),
    offsetZ: between(-0.3, 0.3),
    slopeZ: between(-0.0005, 0.0005),
  }
}

interface Hung {
  on: Side
  x: number
  sag: number
}

/** A set as a person writes it down: noise, graduations of 0.01, zero on top. */
function writtenSet(truth: Misalignment, hung: readonly Hung[], angles: readonly number[], source: Chance): ReadingSet {
  return {
    state: 'released',
    probes: hung.map(
      ({ on, x, sag }): Probe => ({
        type: 'rim',
        on,
        x,
        sag,
        sd: 0.005,
        radius: 80,
        readings: readRimDial(
          shaftPair(truth, 0),
          { on, x, radius: 80, sag, noise: 0.002, graduation: 0.01 },
          angles,
          source,
        ),
      }),
    ),
  }
}

const pair: readonly Hung[] = [
  { on: 'right', x: 90, sag: -0.1 },
  { on: 'left', x: -70, sag: -0.08 },
]

const search = (sets: readonly ReadingSet[]) => {
  const result = fitCoupling(sets, 0)
  return suspectsOf(sets, facts, result.ok ? result.fit : undefined)
}

function withReadings(set: ReadingSet, probe: number, change: (value: number, i: number) => number): ReadingSet {
  return {
    ...set,
    probes: set.probes.map((p, k) =>
      k === probe && p.type === 'rim'
        ? { ...p, readings: p.readings.map((r, i) => ({ ...r, value: change(r.value, i) })) }
        : p,
    ),
  }
}

const valueAt = (set: ReadingSet, probe: number, reading: number): number => {
  const found = set.probes[probe]
  return found?.type === 'rim' ? (found.readings[reading]?.value ?? 0) : 0
}

describe('suspects', () => {
  it.each([1, 2, 3, 4])('name a sign turned over first, wherever closure can tell (seed %i)', (seed) => {
    const source = chance(seed)
    let told = 0
    let first = 0
    for (let run = 0; run < 400; run++) {
      const set = writtenSet(someTruth(source), pair, quarters, source)
      const probe = run % 2
      const wrong = 1 + (run % 3)
      const value = valueAt(set, probe, wrong)
      // what it does to closure must be seen, and not be what another reading's sign would do as well
      const alike = [1, 2, 3].some((i) => {
        const other = valueAt(set, probe, i)
        const sameWay = (i === 2) === (wrong === 2)
        return i !== wrong && Math.abs((sameWay ? other : -other) + value) <= 0.02 + 1e-9
      })
      if (Math.abs(value) < 0.02 || alike) continue
      told++
      const [best] = search([withReadings(set, probe, (v, i) => (i === wrong ? -v : v))])
      if (best?.fault === 'sign' && best.probe === probe && best.reading === wrong) first++
    }
    expect(told).toBeGreaterThan(200)
    expect(first / told).toBeGreaterThanOrEqual(0.95)
  })

  it('list a whole turn missed', () => {
    const source = chance(11)
    let listed = 0
    for (let run = 0; run < 400; run++) {
      const set = writtenSet(someTruth(source), pair, quarters, source)
      const wrong = run % 4
      const by = run % 8 < 4 ? 1 : -1
      const found = search([withReadings(set, run % 2, (v, i) => (i === wrong ? v + by : v))])
      if (found.some((s) => s.fault === 'turn' && s.reading === wrong && s.probe === run % 2)) listed++
    }
    expect(listed / 400).toBeGreaterThanOrEqual(0.95)
  })

  it('say nothing of clean rounded sets, one or two, of two dials or three', () => {
    const source = chance(5)
    const three = [...pair, { on: 'right', x: 160, sag: -0.2 } as const]
    let quiet = 0
    for (let run = 0; run < 600; run++) {
      const truth = someTruth(source)
      const hung = run % 3 === 0 ? three : pair
      const sets = [writtenSet(truth, hung, quarters, source)]
      if (run % 2) sets.push(writtenSet(truth, hung, quarters, source))
      if (search(sets).length === 0) quiet++
    }
    expect(quiet / 600).toBeGreaterThanOrEqual(0.98)
  })

  it('do not take rounding for a slip where the deviation is told finer than the graduation', () => {
    const source = chance(15)
    let quiet = 0
    for (let run = 0; run < 300; run++) {
      const set = writtenSet(someTruth(source), pair, quarters, source)
      const fine = { ...set, probes: set.probes.map((probe) => ({ ...probe, sd: 0.001 })) }
      if (search([fine, fine]).length === 0) quiet++
    }
    expect(quiet / 300).toBeGreaterThanOrEqual(0.98)
  })

  it('list two that explain it equally well, before what is unlikelier', () => {
    const probe = (values: readonly number[]): Probe => ({
      type: 'rim',
      on: 'right',
      x: 90,
      sag: 0,
      sd: 0.005,
      readings: values.map((value, i) => ({ angle: quarters[i]!, value })),
    })
    // far +0.20 or bottom −0.20 turned over: the same closure
    const found = suspectsOf([{ state: 'released', probes: [probe([0, 0.2, -0.2, 0])] }], facts)
    expect(found.slice(0, 2).map((s) => [s.fault, s.reading])).toEqual([
      ['sign', 1],
      ['sign', 2],
    ])
    expect(found[0]?.score).toBe(found[1]?.score)
  })

  it('find readings exchanged, where a third dial can tell', () => {
    const source = chance(8)
    const three = [...pair, { on: 'right', x: 200, sag: -0.2 } as const]
    let told = 0
    let first = 0
    for (let run = 0; run < 200; run++) {
      const truth = someTruth(source)
      const set = writtenSet(truth, three, quarters, source)
      const [far, near] = [valueAt(set, 0, 1), valueAt(set, 0, 3)]
      if (Math.abs(far - near) < 0.15) continue
      told++
      const [best] = search([withReadings(set, 0, (v, i) => (i === 1 ? near : i === 3 ? far : v))])
      if (best?.fault === 'swap' && best.reading === 1 && best.other === 3) first++
    }
    expect(told).toBeGreaterThan(80)
    expect(first / told).toBeGreaterThanOrEqual(0.6) // a swap on the dial between the other two can look like one there
  })

  it('find a decimal slip and mil typed for hundredths', () => {
    const at = (values: readonly number[]): ReadingSet => ({
      state: 'released',
      probes: [
        {
          type: 'rim',
          on: 'right',
          x: 90,
          sag: 0,
          sd: 0.005,
          readings: values.map((value, i) => ({ angle: quarters[i]!, value })),
        },
      ],
    })
    const faults = (values: readonly number[]) => suspectsOf([at(values)], facts)
    expect(faults([0, 2, 0.3, 0.1])).toContainEqual(expect.objectContaining({ fault: 'decimal', reading: 1 }))
    expect(faults([0, 0.2 * 2.54, 0.3, 0.1])).toContainEqual(expect.objectContaining({ fault: 'unit', reading: 1 }))
  })

  it.each([
    ['sag-sign', 0.3],
    ['sag-missing', 0],
  ] as const)('tell a %s from a second set with another bracket', (fault, typed) => {
    const source = chance(21)
    let listed = 0
    for (let run = 0; run < 60; run++) {
      const truth = someTruth(source)
      const good = writtenSet(truth, pair, quarters, source)
      const long = writtenSet(truth, [{ on: 'right', x: 120, sag: -0.3 }, pair[1]!], quarters, source)
      const wrong: ReadingSet = {
        ...long,
        probes: long.probes.map((p, i) => (i === 0 && 'sag' in p ? { ...p, sag: typed } : p)),
      }
      const found = search([good, wrong])
      if (found.some((s) => s.fault === fault && s.set === 1 && s.probe === 0)) listed++
    }
    expect(listed / 60).toBeGreaterThanOrEqual(0.95)
  })

  it('say nothing where the dial closes, lacks a quarter, or nothing was read', () => {
    const source = chance(3)
    const clean = writtenSet(someTruth(source), pair, quarters, source)
    expect(search([clean])).toEqual([])
    const lacking = writtenSet(someTruth(source), pair, [0, 90, 180], source)
    expect(search([withReadings(lacking, 0, (v, i) => (i === 2 ? -v : v))])).toEqual([])
    expect(suspectsOf([], facts)).toEqual([])
  })
})

describe('two sets that disagree', () => {
  const source = chance(31)
  const truth = someTruth(source)
  const set = () => writtenSet(truth, pair, quarters, source)
  const shifted = (s: ReadingSet, probe: number) => withReadings(s, probe, (v, i) => v + [0, 0, 0.3, 0.3][i]!)
  it('are told, with how far apart they put the feet', () => {
    // both dials of the second set read another machine position: no one probe is to blame
    const moved = writtenSet(
      { ...truth, offsetZ: truth.offsetZ + 0.2, slopeY: truth.slopeY + 0.001 },
      pair,
      quarters,
      source,
    )
    const found = disagreementOf([set(), moved], 0, [240, 690])
    expect(found?.by).toBeGreaterThan(0.15)
    expect(found?.probe).toBeUndefined()
  })
  it('name the probe without which the rest agrees, and with three sets the set', () => {
    const bad = shifted(set(), 1)
    expect(disagreementOf([set(), set(), bad], 0, [240])).toMatchObject({ set: 2, probe: { set: 2, probe: 1 } })
  })
  it('are nothing to speak of when they agree', () => {
    expect(disagreementOf([set(), set()], 0, [240])).toBeUndefined()
    expect(disagreementOf([set()], 0, [240])).toBeUndefined()
  })
})
