import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../../testing/anything'
import { chance } from '../../rig/random'
import { bore as kind } from '.'
import { findingsFor, verdictPeg } from './advice/findings'
import { cellsOf, degreesOf, makeLine, makeRound, withSection } from './document/make'
import { type Bore, type CarrierAt, readWall } from './rig'
import { droopAt, roundSteel } from './solve/carrier'
import { sleeveOf, solveRound } from './solve/round'
import { solveRow } from './solve/row'
import { solveSection } from './solve/section'
import { surveyOf } from './survey/ofJob'
import { type BoreResult, solveSurvey } from './survey/solve'
import { jobOfSurvey } from './survey/toJob'

const source = chance(20261126)
const straight: CarrierAt = (x) => [0.1 + 0.00004 * x, -0.2 + 0.00007 * x]
const places = (n: number) => Array.from({ length: n }, (_, i) => (360 * i) / n)
const readOf = (one: Bore, carrier: CarrierAt = straight, n = 4, sd = 0) =>
  places(n).map((degrees): [number, number] => [degrees, readWall(one, carrier, degrees, { sd, source })])

const round = (x: number, y: number, z: number, more: Partial<Bore> = {}): Bore => ({ x, y, z, radius: 60, ...more })
const row = [round(0, 0, 0), round(900, 0.12, -0.2), round(1800, -0.3, 0.15), round(2700, 0.05, 0.1)]

const survey = (bores: object, units: object = { length: 'mm', reading: 'mm' }) => ({
  format: 'vane-peg.survey',
  version: 1,
  kind: 'bore',
  units,
  bores,
})
const sectionsOf = (bores: readonly Bore[], n = 4) =>
  bores.map((one, i) => ({ id: `P${i + 1}`, x: one.x, readings: readOf(one, straight, n) }))
const worked = survey({ sections: sectionsOf(row), reference: { held: ['P1', 'P4'] } })

function solve(document: unknown): BoreResult['bores'] & { warnings: BoreResult['warnings'] } {
  const result = solveSurvey(document)
  if (!result.ok) throw new Error(`${result.fault.path}: ${result.fault.message}`)
  return { ...result.value.bores, warnings: result.value.warnings }
}
const faultOf = (document: unknown): string => {
  const result = solveSurvey(document)
  return result.ok ? '' : `${result.fault.path}: ${result.fault.message}`
}

describe('how a carrier hangs', () => {
  it('a wire and a bar, as they were worked out by hand', () => {
    const wire = { kind: 'wire', from: 0, length: 4000, weight: 2.21e-5, tension: 180 } as const
    expect(droopAt(wire, 2000)).toBeCloseTo(-0.246, 3)
    expect(droopAt({ ...wire, from: 100 }, 100)).toBeCloseTo(0, 12)
    const bar = { kind: 'bar', from: 0, length: 1500, ...roundSteel(40) } as const
    expect(droopAt(bar, 750)).toBeCloseTo(-0.242, 3)
    expect(droopAt(bar, 300)).toBeCloseTo(-0.144, 3)
    expect(Math.abs(droopAt(bar, 1500))).toBeLessThan(1e-12)
  })
})

describe('one section', () => {
  it('is found as it stands from the carrier, by four places or twelve', () => {
    for (const n of [4, 8, 12]) {
      const solved = solveSection({ readings: readOf(round(500, 0.3, -0.25), straight, n), sag: 0, sd: 0.005 })
      // to the second order: an offset squared over the diameter
      expect(solved.vertical?.value).toBeCloseTo(-0.25 - (-0.2 + 0.035), 3)
      expect(solved.horizontal?.value).toBeCloseTo(0.3 - (0.1 + 0.02), 3)
      expect(solved.closure).toBeCloseTo(0, 2)
    }
  })
  it('is told oval, and where it is narrow, from eight places; with four it hides in the closure', () => {
    const one = round(0, 0.1, -0.2, { oval: { by: 0.03, at: 30 } })
    const eight = solveSection({ readings: readOf(one, straight, 8), sag: 0, sd: 0.005 })
    expect(eight.ovality?.value).toBeCloseTo(0.03, 3)
    expect(eight.ovality?.at).toBeCloseTo(30, 0)
    expect(Math.abs(eight.vertical?.value ?? 1)).toBeLessThan(0.001)
    const four = solveSection({ readings: readOf(one), sag: 0, sd: 0.005 })
    expect(four.ovality).toBeNull()
    expect(four.closure).toBeCloseTo(4 * 0.03 * Math.cos(Math.PI / 3), 3)
  })
  it('leaves open what nobody read: top and bottom tell the height alone, one place nothing', () => {
    const readings = readOf(round(0, 0.3, -0.25)).filter((_, i) => i % 2 === 0)
    const solved = solveSection({ readings, sag: 0, sd: 0.005 })
    expect(solved.vertical?.value).toBeCloseTo(-0.05, 3)
    expect(solved.horizontal).toBeNull()
    expect(solveSection({ readings: readings.slice(0, 1), sag: 0, sd: 0.005 }).vertical).toBeNull()
  })
  it('takes the sag of the bracket off, and its own zero for each set', () => {
    const one = round(0, 0.3, -0.25)
    const sagged = readOf(one).map(([at, mm]): [number, number] => [
      at,
      mm + (-0.06 * (1 - Math.cos((at * Math.PI) / 180))) / 2,
    ])
    expect(solveSection({ readings: sagged, sag: -0.06, sd: 0.005 }).vertical?.value).toBeCloseTo(-0.05, 3)
    const two = readOf(one).flatMap(([at, mm]) => [[at, mm, 'a'] as const, [at, mm + 0.4, 'b'] as const])
    const solved = solveSection({ readings: two, sag: 0, sd: 0.005 })
    expect(solved.vertical?.value).toBeCloseTo(-0.05, 3)
    expect(solved.vertical?.sd).toBeCloseTo(0.005 / 2, 9)
    expect(solved.misfit).toBeLessThan(0.1)
  })
})

describe('the row', () => {
  it('is told from two that are held, whose own doubt is nought', () => {
    const { sections, line } = solve(worked)
    expect(sections.map(({ vertical }) => vertical?.position.toFixed(2))).toEqual(['0.00', '-0.23', '0.08', '0.00'])
    expect(sections[0]?.vertical).toEqual({ position: 0, sd: 0, move: 0 })
    expect(sections[1]?.vertical?.move).toBeCloseTo(0.2333, 3)
    expect(sections[1]?.horizontal?.move).toBeCloseTo(-0.1033, 3)
    // the deviation of its own, and of what the two that are held hand on
    expect(sections[1]?.vertical?.sd).toBeCloseTo((0.005 / Math.SQRT2) * Math.sqrt(1 + 4 / 9 + 1 / 9), 9)
    expect(sections.map(({ verdict }) => verdict?.state)).toEqual(['within', 'outside', 'outside', 'within'])
    expect(line.vertical?.at0).toBeCloseTo(0.2, 3)
    expect(line.vertical?.slope).toBeCloseTo((0.1 - 0) / 2700 - 0.00007, 7)
  })
  it('is the same in inches and mils', () => {
    const inch = survey(
      {
        sections: sectionsOf(row).map((one) => ({
          ...one,
          x: one.x / 25.4,
          readings: one.readings.map(([at, mm]) => [at, mm / 0.0254]),
        })),
        reference: { held: ['P1', 'P4'] },
        limit: 2,
      },
      { length: 'in', reading: 'mil' },
    )
    expect(solve(inch).sections[1]?.vertical?.move).toBeCloseTo(0.23333 / 0.0254, 1)
    expect(solve(inch).sections[1]?.verdict?.limit).toBe(2)
  })
  it('by least squares counts every bore once', () => {
    const { sections } = solve(survey({ sections: sectionsOf(row, 12), reference: 'least-squares' }))
    const off = sections.map(({ vertical }) => vertical?.position ?? 0)
    const sum = (of: (v: number, i: number) => number) => off.reduce((total, v, i) => total + of(v, i), 0)
    expect(sum((v) => v)).toBeCloseTo(0, 9)
    expect(sum((v, i) => v * (row[i]?.x ?? 0))).toBeCloseTo(0, 6)
  })
  it('by the least largest deviation no other line does better', () => {
    const heights = fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 3, maxLength: 9 })
    fc.assert(
      fc.property(heights, fc.double({ min: -1, max: 1, noNaN: true }), (values, tilt) => {
        const told = (value: number) => ({ value, sd: 0.003 })
        const placed = values.map((value, i) => ({
          id: `${i}`,
          x: 300 * i + 37 * Math.abs(value),
          solved: {
            vertical: told(value),
            horizontal: told(tilt * i),
            covariance: 0,
            ovality: null,
            closure: null,
            misfit: null,
          },
        }))
        const { sections, line } = solveRow(placed, { way: 'least-largest', held: ['', ''] })
        const largest = Math.max(...sections.map(({ vertical }) => Math.abs(vertical?.value ?? 9)))
        const of = (offset: number, slope: number) =>
          Math.max(...placed.map(({ x }, i) => Math.abs((values[i] ?? 0) - offset - slope * x)))
        const { offset, slope } = line.vertical!
        expect(of(offset, slope)).toBeCloseTo(largest, 9)
        // the largest deviation is convex in the line: what is best nearby is best
        for (const [a, b] of [
          [1, 0],
          [-1, 0],
          [0, 1],
          [0, -1],
          [1, 1],
          [-1, -1],
          [1, -1],
          [-1, 1],
        ] as const)
          for (const step of [1e-5, 1e-3, 0.1])
            for (const turn of [1e-8, 1e-6, 1e-4])
              expect(of(offset + a * step, slope + b * turn)).toBeGreaterThan(largest - 1e-9)
        // what lies on one line is left on it
        expect(Math.max(...sections.map(({ horizontal }) => Math.abs(horizontal?.value ?? 9)))).toBeLessThan(2)
      }),
      tries(120),
    )
  })
  it('within what the sleeves allow, the line goes where all can be brought, and no other does with less', () => {
    const told = (value: number) => ({ value, sd: 0.003 })
    const one = fc.record({
      at: fc.double({ min: -0.4, max: 0.4, noNaN: true }),
      back: fc.double({ min: 0, max: 0.5, noNaN: true }),
      forth: fc.double({ min: 0, max: 0.5, noNaN: true }),
    })
    let reached = 0
    fc.assert(
      fc.property(fc.array(one, { minLength: 3, maxLength: 7 }), (bores) => {
        const placed = bores.map(({ at, back, forth }, i) => ({
          id: `${i}`,
          x: 300 * i,
          limits: { down: back, up: forth },
          solved: {
            vertical: told(at),
            horizontal: told(0),
            covariance: 0,
            ovality: null,
            closure: null,
            misfit: null,
          },
        }))
        const { sections, line } = solveRow(placed, { way: 'within-limits', held: ['', ''] })
        const fits = (ways: readonly number[], slack: number) =>
          ways.every((way, i) => way >= -(bores[i]?.back ?? 0) - slack && way <= (bores[i]?.forth ?? 0) + slack)
        const waysOf = (offset: number, slope: number) => bores.map(({ at }, i) => offset + slope * 300 * i - at)
        const sum = (ways: readonly number[]) => ways.reduce((all, way) => all + Math.abs(way), 0)
        const moves = sections.map(({ vertical }) => 0 - (vertical?.value ?? 9))
        const { offset, slope } = line.vertical!
        waysOf(offset, slope).forEach((way, i) => {
          expect(way).toBeCloseTo(moves[i] ?? 9, 9)
        })
        const ok = fits(moves, 1e-8)
        if (ok) reached++
        const wide = 300 * (bores.length - 1)
        for (let a = -20; a <= 20; a++)
          for (let b = -20; b <= 20; b++) {
            const [first, last] = [a * 0.04, b * 0.04]
            const ways = waysOf(first, (last - first) / wide)
            if (!fits(ways, 0)) continue
            expect(ok).toBe(true)
            expect(sum(moves)).toBeLessThan(sum(ways) + 1e-9)
          }
      }),
      tries(120),
    )
    expect(reached).toBeGreaterThan(5)
  })
  it('where no sleeve has a limit the line of least way runs through two of the bores; a document says it by name', () => {
    const sections = row.map((one, i) => ({ id: `P${i + 1}`, x: one.x, readings: readOf(one, straight) }))
    const free = solve(survey({ sections, reference: 'within-limits' }))
    const still = free.sections.filter(({ vertical }) => Math.abs(vertical?.move ?? 9) < 1e-9)
    expect(still.length).toBeGreaterThanOrEqual(2)
    // held where it stands, and all others free: the line goes through it
    const held = sections.map((one, i) => ({
      ...one,
      ...(i === 1 ? { limits: { down: 0, up: 0, near: 0, far: 0 } } : {}),
    }))
    const { sections: told } = solve(survey({ sections: held, reference: 'within-limits' }))
    expect(told[1]?.vertical?.move).toBeCloseTo(0, 9)
    expect(told[1]?.horizontal?.move).toBeCloseTo(0, 9)
  })
  it('with a carrier that hangs, what it hangs by is taken out', () => {
    const wire = { kind: 'wire', from: 0, length: 2700, weight: 2.21e-5, tension: 180 } as const
    const hanging: CarrierAt = (x) => [straight(x)[0], straight(x)[1] + droopAt(wire, x)]
    const sections = row.map((one, i) => ({ id: `P${i + 1}`, x: one.x, readings: readOf(one, hanging) }))
    const document = survey({ sections, reference: { held: ['P1', 'P4'] }, carrier: wire })
    expect(solve(document).sections[1]?.vertical?.move).toBeCloseTo(0.2333, 3)
    expect(solve(survey({ sections, reference: { held: ['P1', 'P4'] } })).sections[1]?.vertical?.move).toBeCloseTo(
      0.2333 + droopAt(wire, 900),
      3,
    )
  })
  it('after the told moves every center is in line', () => {
    const at = fc.record({
      y: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
      z: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
    })
    fc.assert(
      fc.property(
        fc.array(at, { minLength: 3, maxLength: 6 }),
        fc.constantFrom('held', 'least-squares', 'least-largest', 'within-limits'),
        (spots, way) => {
          const bores = spots.map(({ y, z }, i) => round(700 * i, y, z))
          const reference = way === 'held' ? { held: ['P1', `P${bores.length}`] } : way
          const told = solve(survey({ sections: sectionsOf(bores), reference })).sections
          const moved = bores.map((one, i) => ({
            ...one,
            y: one.y + (told[i]?.horizontal?.move ?? 9),
            z: one.z + (told[i]?.vertical?.move ?? 9),
          }))
          const [first, second, ...others] = moved as [Bore, Bore, ...Bore[]]
          for (const { x, y, z } of others) {
            const share = x / second.x
            // an offset squared over the diameter, once for each of three places
            expect(Math.abs(y - first.y - share * (second.y - first.y))).toBeLessThan(0.02 * share)
            expect(Math.abs(z - first.z - share * (second.z - first.z))).toBeLessThan(0.02 * share)
          }
        },
      ),
      tries(60),
    )
  })
  it('tells its doubt truly: errors scaled by it have unit variance', () => {
    for (const reference of [{ held: ['P1', 'P4'] }, 'least-squares', 'least-largest'] as const) {
      const exact = solve(survey({ sections: sectionsOf(row), reference })).sections
      const errors = Array.from({ length: 300 }).flatMap(() => {
        const sections = row.map((one, i) => ({ id: `P${i + 1}`, x: one.x, readings: readOf(one, straight, 4, 0.005) }))
        return solve(survey({ sections, reference })).sections.flatMap(({ vertical, horizontal }, i) =>
          (vertical?.sd ?? 0) > 0
            ? [
                ((vertical?.position ?? 9) - (exact[i]?.vertical?.position ?? 0)) / (vertical?.sd ?? 1),
                ((horizontal?.position ?? 9) - (exact[i]?.horizontal?.position ?? 0)) / (horizontal?.sd ?? 1),
              ]
            : [],
        )
      })
      const rms = Math.sqrt(errors.reduce((sum, one) => sum + one * one, 0) / errors.length)
      expect(rms).toBeGreaterThan(0.85)
      expect(rms).toBeLessThan(1.15)
    }
  })
  it('leaves open what was not read, by name, and tells the limits that the moves would break', () => {
    const [first, second, third, fourth] = sectionsOf(row)
    const half = { ...second, readings: second!.readings.filter((_, i) => i % 2 === 0) }
    const { sections, warnings } = solve(survey({ sections: [first, half, third, fourth], reference: 'least-squares' }))
    expect(sections[1]?.horizontal).toBeNull()
    expect(sections[1]?.verdict).toBeNull()
    expect(sections[0]?.horizontal).not.toBeNull()
    expect(warnings).toEqual([{ code: 'open', message: 'P2: the readings leave its side position open' }])
    const held = solve(survey({ sections: [half, first, third, fourth], reference: { held: ['P2', 'P4'] } }))
    expect(held.line.horizontal).toBeNull()
    expect(held.sections.every(({ horizontal }) => horizontal === null)).toBe(true)
    const limited = sectionsOf(row).map((one) => ({ ...one, limits: { up: 0.1, far: 0.5, near: 0.05 } }))
    expect(solve(survey({ sections: limited, reference: { held: ['P1', 'P4'] } })).blocking).toEqual([
      { of: 'P2', limit: 'up' },
      { of: 'P2', limit: 'near' },
    ])
  })
})

describe('a document that is at fault', () => {
  const [first, second] = sectionsOf(row)
  const with2 = (more: object, own: object = {}) =>
    survey({ sections: [first, { ...second, ...own }], reference: 'least-squares', ...more })
  it('is refused by its path', () => {
    expect(faultOf(with2({}, { id: 'P1' }))).toMatch(/^bores\.sections\.1\.id: expected a unique id/)
    expect(faultOf(with2({}, { readings: [] }))).toMatch(/^bores\.sections\.1\.readings/)
    expect(faultOf(with2({ reference: { held: ['P1', 'P9'] } }))).toMatch(/^bores\.reference\.held\.1/)
    expect(faultOf(with2({ reference: { held: ['P1', 'P2'] } }, { x: 0 }))).toMatch(
      /^bores\.reference\.held\.1: .*another x/,
    )
    expect(faultOf(with2({ reference: 'best' }))).toMatch(/^bores\.reference: /)
    const wire = { kind: 'wire', from: 0, length: 500, weight: 2e-5, tension: 180 }
    expect(faultOf(with2({ carrier: wire }))).toBe(
      'bores.sections.1.x: expected a position between the supports of the carrier',
    )
    expect(faultOf(with2({ carrier: { ...wire, tension: 0 } }))).toMatch(/^bores\.carrier\.tension/)
    expect(faultOf(with2({ depth: 3 }))).toBe('bores.depth: unknown key')
    expect(faultOf(survey({ sections: [first], reference: 'least-squares' }))).toMatch(/^bores\.sections/)
    expect(faultOf(with2({}, { sense: 'up' }))).toMatch(/^bores\.sections\.1\.sense/)
  })
})

describe('a job on a row of bores', () => {
  const brought = () => {
    const made = jobOfSurvey(worked, 'Bore row', '2026-03-02T08:00:00.000Z')
    if (!made.ok) throw new Error(made.fault.message)
    return made.value
  }
  it('is made of a document and comes out as the document does', () => {
    const job = brought()
    const out = surveyOf(job, job.rounds[0]!)
    const told = solve(out)
    solve(worked).sections.forEach((one, i) => {
      expect(told.sections[i]?.vertical?.move).toBeCloseTo(one.vertical?.move ?? 9, 3)
      expect(told.sections[i]?.horizontal?.move).toBeCloseTo(one.horizontal?.move ?? 9, 3)
    })
    const solved = solveRound(job.line, job.rounds[0]!)
    expect(solved.sections[1]?.move.vertical).toBeCloseTo(0.2333, 3)
    expect(verdictPeg(solved)).toBe('outside')
    expect(sleeveOf({ vertical: 0.03, horizontal: 0.04 })).toEqual({ size: 0.05, at: expect.closeTo(53.13, 2) })
    const odd = survey({
      sections: [
        { id: 'P1', x: 0, readings: [[10, 1]] },
        { id: 'P2', x: 5, readings: [[0, 1]] },
      ],
      reference: 'least-squares',
    })
    const refused = jobOfSurvey(odd, 'x', '')
    expect(refused.ok ? '' : refused.fault.path).toBe('bores.sections.0.readings')
  })
  it('a head whose numbers fall when it is pushed nearer is turned about, and the push is asked for until then', () => {
    const job = brought()
    const [own] = job.rounds
    const pushed = (text: string) => ({
      ...own!,
      sets: own!.sets.map((set) => ({
        ...set,
        sense: 'in' as const,
        pushed: { text, unit: 'mm' as const },
        values: Object.fromEntries(
          Object.entries(set.values).map(([key, value]) => [key, { ...value, text: String(-Number(value.text)) }]),
        ),
      })),
    })
    const kinds = (text: string) =>
      findingsFor(solveRound(job.line, pushed(text)), job.line, 'read').map(({ kind: one }) => one)
    expect(solveRound(job.line, pushed('-0.1')).sections[1]?.move.vertical).toBeCloseTo(0.2333, 3)
    expect(solveRound(job.line, pushed('0.1')).sections[1]?.move.vertical).toBeCloseTo(-0.2333, 3)
    expect(kinds('')).toContain('push-asked')
    expect(kinds('-0.1')).toContain('turned-about')
    expect(kinds('0.1')).not.toContain('push-asked')
  })
  it('two sections of a pocket tell which way it points; one tells its place alone', () => {
    const job = brought()
    const line = {
      ...job.line,
      sections: job.line.sections.map((one, i) => ({ ...one, pocket: i < 2 ? 'Bearing A' : '' })),
    }
    const { pockets } = solveRound(line, job.rounds[0]!)
    expect(pockets.map(({ sections, slope }) => [sections.length, slope !== undefined])).toEqual([
      [2, true],
      [1, false],
      [1, false],
    ])
    expect(pockets[0]?.slope?.vertical?.value).toBeCloseTo(-0.2333 / 900, 6)
    expect(pockets[0]?.within).toBe(true)
  })
  it('where a casing goes as it warms is in the moves', () => {
    const job = brought()
    const mm = (text: string) => ({ text, unit: 'mm' as const })
    const running = (i: number) => (i === 1 ? { running: { up: mm('0.2'), far: mm('0') } } : {})
    const line = { ...job.line, sections: job.line.sections.map((one, i) => ({ ...one, ...running(i) })) }
    expect(solveRound(line, job.rounds[0]!).sections[1]?.move.vertical).toBeCloseTo(0.0333, 3)
  })
  it('is drawn, read, read again, and proved', () => {
    let line = makeLine('Row', 'mm', ['3'])
    expect(line.sections).toHaveLength(3)
    line = withSection(line, 'mm')
    expect(line.sections.map(({ id }) => id)).toEqual(['p1', 'p2', 'p3', 'p4'])
    const first = makeRound(line, '2026-03-02T08:00:00.000Z', 'mm')
    const empty = solveRound(line, first)
    expect([empty.read, empty.next?.key, verdictPeg(empty)]).toEqual([false, 'a0', 'nothing'])
    const job = brought()
    const twice = kind.withProofSets(
      job.line,
      job.rounds[0]!,
      'repeat',
      () => `again-${Math.round(1e9 * source.uniform())}`,
    )
    expect(twice.sets).toHaveLength(8)
    const values = (shift: number) => ({
      ...twice,
      sets: twice.sets.map((set) =>
        set.purpose === 'repeat'
          ? {
              ...set,
              values: Object.fromEntries(
                cellsOf(set).map((key) => {
                  const plan = job.rounds[0]!.sets.find((one) => one.section === set.section)
                  const up = shift * Math.cos((degreesOf(key) * Math.PI) / 180)
                  return [key, { text: (Number(plan?.values[key]?.text) + 0.3 + up).toFixed(4), unit: 'mm' as const }]
                }),
              ),
            }
          : set,
      ),
    })
    expect(solveRound(job.line, values(0)).sections.map(({ repeats }) => repeats)).toEqual([true, true, true, true])
    expect(solveRound(job.line, values(0.1)).sections[1]?.repeats).toBe(false)
    expect(kind.proof(job.line, solveRound(job.line, values(0))).own?.complete).toBe(true)
    expect(kind.readingsIn(values(0))).toBe(32)
    const wrong = {
      ...twice,
      sets: twice.sets.map((set, i) => (i === 0 ? { ...set, sag: { text: 'x', unit: 'mm' as const } } : set)),
    }
    expect(kind.faults?.(solveRound(job.line, wrong))).toBe(1)
  })
})
