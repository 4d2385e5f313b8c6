import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../../testing/anything'
import type { Misalignment } from '../../probes/probe'
import { upright } from '.'
import { findingsFor } from './advice/findings'
import { anglesAtBolts, boltAngle, makeLine, stepsOf } from './document/make'
import { readAtBolts } from './rig'
import { flangeWork } from './solve/flange'
import { best, candidates, mostUneven, packsInPlane, planeThrough } from './solve/packs'
import { solveRound } from './solve/round'
import { countedOtherWay, seatingOf, starOrder } from './solve/seating'

const small = (most: number) => fc.double({ min: -most, max: most, noNaN: true })
const anyMisalignment = fc.record({
  offsetY: small(0.3),
  slopeY: small(0.001),
  offsetZ: small(0.3),
  slopeZ: small(0.001),
})
const both = ['vertical', 'horizontal'] as const

describe('packs at the bolts', () => {
  const stacks = (packs: readonly (readonly number[])[]) => packs.map((pack) => pack.reduce((sum, one) => sum + one, 0))
  it('are the nearest where those lie in one plane', () => {
    expect(packsInPlane([0.05, 0.1, 0.2], [0.24, 0.03, 0, 0.21], 4).map((pack) => pack.length)).toEqual([2, 1, 0, 1])
  })
  it('are as a search over everything finds them: least off one plane, then fewest pieces', () => {
    const stock = fc.constantFrom([0.1], [0.1, 0.25], [0.05, 0.2], [0.08, 0.15])
    fc.assert(
      fc.property(anyMisalignment, stock, fc.constantFrom(3, 4, 5, 6), (m, sizes, bolts) => {
        const { bolts: work } = flangeWork({ misalignment: m, measured: both, covariance: [] } as never, 0, {
          height: 200,
          circle: 300,
          bolts,
          stock: sizes,
        })
        const shims = work!.map(({ shim }) => shim)
        const chosen = packsInPlane(sizes, shims, 4)
        const nearest = shims.map((_, i) => work![i]!.pack!)
        const all = best(
          nearest.map((pack) => candidates(sizes, pack, 4)),
          shims,
        )
        const { unevenness } = planeThrough(stacks(chosen))
        if (unevenness > mostUneven + 1e-9) expect(unevenness).toBeLessThanOrEqual(all.unevenness + 1e-9)
        else expect(unevenness).toBeLessThanOrEqual(mostUneven + 1e-9)
      }),
      tries(60),
    )
  })
  it('never lie worse than the nearest ones, for many bolts as well', () => {
    fc.assert(
      fc.property(anyMisalignment, fc.constantFrom(8, 12, 24), (m, bolts) => {
        const lifts = Array.from({ length: bolts }, (_, i) => {
          const angle = (boltAngle(i + 1, bolts) * Math.PI) / 180
          return 150 * (m.slopeY * Math.sin(angle) + m.slopeZ * Math.cos(angle))
        })
        const shims = lifts.map((lift) => lift - Math.min(...lifts))
        const near = shims.map((shim) => Math.round(shim / 0.1) * 0.1)
        const chosen = planeThrough(stacks(packsInPlane([0.1], shims, 8))).unevenness
        expect(chosen).toBeLessThanOrEqual(Math.max(mostUneven, planeThrough(near).unevenness) + 1e-9)
      }),
      tries(30),
    )
  })
})

describe('the bolts counted from another bolt, or the other way round', () => {
  it('get the same shims each', () => {
    fc.assert(
      fc.property(
        anyMisalignment,
        fc.integer({ min: 3, max: 12 }),
        fc.integer({ min: 0, max: 11 }),
        fc.boolean(),
        (m, bolts, from, mirrored) => {
          const flange = { height: 260, circle: 300, bolts, stock: [0.05, 0.1, 0.2, 0.25, 0.5] }
          const told = (one: Misalignment) => ({ misalignment: one, measured: both, covariance: [] }) as never
          const turn = (2 * Math.PI * from) / bolts
          // seen from bolt `from`: angles from there, and counted the other way the sideways part is mirrored
          const seen = (y: number, z: number) => {
            const [a, b] = [y * Math.cos(turn) - z * Math.sin(turn), z * Math.cos(turn) + y * Math.sin(turn)]
            return [mirrored ? -a : a, b]
          }
          const [offsetY = 0, offsetZ = 0] = seen(m.offsetY, m.offsetZ)
          const [slopeY = 0, slopeZ = 0] = seen(m.slopeY, m.slopeZ)
          const one = flangeWork(told(m), 0, flange).bolts!
          const other = flangeWork(told({ offsetY, offsetZ, slopeY, slopeZ }), 0, flange).bolts!
          const total = (pack: readonly number[] = []) => Number(pack.reduce((sum, shim) => sum + shim, 0).toFixed(6))
          const there = other.map((_, i) => one[(((from + (mirrored ? -i : i)) % bolts) + bolts) % bolts]!)
          other.forEach(({ shim }, i) => {
            expect(shim).toBeCloseTo(there[i]!.shim, 9)
          })
          const alike = other.every(({ pack }, i) => total(pack) === total(there[i]!.pack))
          // bolts that are each other's mirror image can share out what is equally good either way
          const judged = (work: typeof one) => [
            planeThrough(work.map(({ pack }) => total(pack))).unevenness.toFixed(5),
            work.reduce((sum, { pack = [] }) => sum + pack.length, 0),
            work.reduce((sum, { pack, shim }) => sum + (total(pack) - shim) ** 2, 0).toFixed(5),
          ]
          if (!alike) expect(judged(other)).toEqual(judged(there))
        },
      ),
      tries(150),
    )
  })
})

describe('a machine turned on its flange', () => {
  it('tells what is its own from what is below, whatever they are and however far it was turned', () => {
    fc.assert(
      fc.property(anyMisalignment, anyMisalignment, fc.integer({ min: 1, max: 11 }), (own, base, places) => {
        const degrees = 30 * places
        const turn = (degrees * Math.PI) / 180
        const turned = (y: number, z: number) => [
          y * Math.cos(turn) + z * Math.sin(turn),
          z * Math.cos(turn) - y * Math.sin(turn),
        ]
        const [offsetY = 0, offsetZ = 0] = turned(own.offsetY, own.offsetZ)
        const [slopeY = 0, slopeZ = 0] = turned(own.slopeY, own.slopeZ)
        const sum = (a: Misalignment, b: Misalignment): Misalignment => ({
          offsetY: a.offsetY + b.offsetY,
          slopeY: a.slopeY + b.slopeY,
          offsetZ: a.offsetZ + b.offsetZ,
          slopeZ: a.slopeZ + b.slopeZ,
        })
        const found = seatingOf(sum(own, base), sum({ offsetY, slopeY, offsetZ, slopeZ }, base), degrees)!
        for (const key of ['offsetY', 'offsetZ', 'slopeY', 'slopeZ'] as const) {
          expect(found.machine[key]).toBeCloseTo(own[key], 9)
          expect(found.base[key]).toBeCloseTo(base[key], 9)
        }
      }),
      tries(200),
    )
    expect(
      seatingOf(
        { offsetY: 1, offsetZ: 0, slopeY: 0, slopeZ: 0 },
        { offsetY: 0, offsetZ: 0, slopeY: 0, slopeZ: 0 },
        360,
      ),
    ).toBeUndefined()
  })
})

describe('tightening in a star', () => {
  it('goes across and then between', () => {
    expect(starOrder(4)).toEqual([1, 3, 2, 4])
    expect(starOrder(6)).toEqual([1, 4, 2, 5, 3, 6])
    expect(starOrder(8)).toEqual([1, 5, 3, 7, 2, 6, 4, 8])
    expect(starOrder(3)).toEqual([1, 2, 3])
  })
  it('has every bolt once, of even flanges each second one opposite the one before', () => {
    for (let bolts = 3; bolts <= 24; bolts++) {
      const order = starOrder(bolts)
      expect(new Set(order).size).toBe(bolts)
      if (bolts % 2 === 0)
        for (let i = 1; i < bolts; i += 2) expect(Math.abs(order[i]! - order[i - 1]!) % bolts).toBe(bolts / 2)
    }
  })
})

describe('bolts counted the other way', () => {
  it('are noticed when a correction came out mirrored, and only then', () => {
    fc.assert(
      fc.property(anyMisalignment, (before) => {
        const mirrored = { offsetY: 2 * before.offsetY, slopeY: 2 * before.slopeY, offsetZ: 0, slopeZ: 0 }
        const large = Math.hypot(before.offsetY, before.slopeY * 200) > 0.06
        expect(countedOtherWay(before, mirrored, 0.01, 200)).toBe(large)
        expect(countedOtherWay(before, { offsetY: 0, slopeY: 0, offsetZ: 0, slopeZ: 0 }, 0.01, 200)).toBe(false)
        expect(countedOtherWay(before, before, 0.01, 200)).toBe(false)
      }),
      tries(200),
    )
  })
})

describe('at which bolts it is read', () => {
  it('may be every second of eight or every third of twelve: at least three places, evenly', () => {
    expect(stepsOf(8)).toEqual([1, 2])
    expect(stepsOf(12)).toEqual([1, 2, 3, 4])
    expect(stepsOf(4)).toEqual([1])
    expect(anglesAtBolts(8, 2).map(({ degrees }) => degrees)).toEqual([0, 90, 180, 270])
    expect(anglesAtBolts(12, 3).map(({ degrees }) => degrees)).toEqual([0, 90, 180, 270])
  })
})

describe('a job', () => {
  const truth: Misalignment = { offsetY: 0.05, slopeY: -0.0006, offsetZ: -0.12, slopeZ: 0.0008 }
  const mm = (value: number) => ({ text: String(value), unit: 'mm' as const })
  const line = (() => {
    const made = makeLine('Well pump', 'mm', ['Pump', 'Motor'])
    const flange = {
      ...made.flange,
      height: mm(260),
      circle: mm(300),
      spigot: mm(0.4),
      boltClearance: mm(0.2),
      room: mm(0.1),
    }
    return { ...made, flange, coupling: { ...made.coupling, diameter: mm(160) }, speed: '1480' }
  })()
  const read = (at: Misalignment, seated = 0) => {
    const round = upright.makeRound(line, '2026-03-02T08:00:00.000Z', 'mm')
    return {
      ...round,
      seated,
      sets: round.sets.map((set) => ({
        ...set,
        probes: set.probes.map((probe) => {
          const [on, out] = probe.on === 'upper' ? (['right', 40] as const) : (['left', 30] as const)
          const values = readAtBolts(at, { on, x: on === 'right' ? out : -out, radius: 80 }, 4)
          return {
            ...probe,
            station: { ...probe.station, distance: mm(out) },
            readings: Object.fromEntries(set.angles.map(({ id }, i) => [id, { value: mm(values[i]![1]), turns: 0 }])),
          }
        }),
      })),
    }
  }
  const kinds = (...given: Parameters<typeof findingsFor>) => findingsFor(...given).map(({ kind }) => kind)
  it('is stopped by whatever gives way less, spigot or bolts, and told where there is no room to rise', () => {
    const solved = solveRound(line, read(truth))
    expect(solved.flange?.spigot?.clearance).toBeCloseTo(0.2, 12)
    expect(solved.work?.fits).toBe(false)
    expect(kinds(solved, 'move')).toEqual(expect.arrayContaining(['spigot', 'no-room', 'star']))
  })
  it('tells motor flange from base flange once the motor was turned', () => {
    const turned: Misalignment = { offsetY: -0.12, slopeY: 0.0008, offsetZ: -0.05, slopeZ: 0.0006 }
    const [before, now] = [solveRound(line, read(truth)), solveRound(line, read(turned, 1))]
    const seating = findingsFor(now, 'read', before).find(({ kind }) => kind === 'seating')
    // everything turned by one bolt place with the motor
    expect(seating).toMatchObject({ places: 1 })
    if (seating?.kind !== 'seating') throw new Error('It was turned.')
    expect(Math.hypot(seating.seating.base.slopeY, seating.seating.base.slopeZ)).toBeLessThan(0.00003)
    expect(seating.seating.machine.slopeZ).toBeCloseTo(0.0008, 4)
  })
  it('says when the bolts were counted the other way', () => {
    const mirrored: Misalignment = { offsetY: 0.1, slopeY: -0.0012, offsetZ: 0.002, slopeZ: 0.00001 }
    const [before, now] = [solveRound(line, read(truth)), solveRound(line, read(mirrored))]
    expect(kinds(now, 'move', before)).toContain('counted-other-way')
    expect(kinds(now, 'move', undefined)).not.toContain('counted-other-way')
  })
})
