import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Probe } from '../../../probes'
import type { Misalignment, Side } from '../../../probes/probe'
import { exactRimReading, shaftPair } from '../../../rig/geometry'
import type { Train } from './model'
import { solveTrain } from './solve'

const quarters = [0, 90, 180, 270]

function dials(truth: Misalignment, couplingX: number): Probe[] {
  const dial = (on: Side, x: number): Probe => ({
    type: 'rim',
    on,
    x,
    sag: -0.1,
    sd: 0.005,
    readings: quarters.map((angle) => ({
      angle,
      value: exactRimReading(shaftPair(truth, couplingX), { on, x, radius: 80, sag: -0.1 }, angle),
    })),
  })
  return [dial('right', couplingX + 90), dial('left', couplingX - 70)]
}

function pair(truth: Misalignment, fixed: number): Train {
  return {
    machines: [
      {
        id: 'pump',
        feet: [
          { id: 'p1', x: -240 },
          { id: 'p2', x: -500 },
        ],
      },
      {
        id: 'motor',
        feet: [
          { id: 'm1', x: 240 },
          { id: 'm2', x: 690 },
        ],
      },
    ],
    couplings: [{ id: 'C1', left: 0, x: 0, diameter: 160, sets: [{ state: 'released', probes: dials(truth, 0) }] }],
    fixed,
    rpm: 1480,
  }
}

const caseA = { offsetY: -0.05, slopeY: -0.0003, offsetZ: 0.12, slopeZ: 0.0004 }
const foot = (train: Train, id: string, ...stay: Parameters<typeof solveTrain> extends [Train, ...infer R] ? R : []) =>
  solveTrain(train, ...stay).feet.find((f) => f.foot === id)!

describe('moves', () => {
  it('bring the shafts in line whichever machine is moved', () => {
    fc.assert(
      fc.property(
        fc.record({
          offsetY: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
          slopeY: fc.double({ min: -0.001, max: 0.001, noNaN: true }),
          offsetZ: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
          slopeZ: fc.double({ min: -0.001, max: 0.001, noNaN: true }),
        }),
        fc.constantFrom(0, 1),
        (truth, fixed) => {
          const sign = fixed === 0 ? 1 : -1
          for (const { machine, x, vertical, horizontal } of solveTrain(pair(truth, fixed)).feet) {
            const stays = machine === (fixed === 0 ? 'pump' : 'motor')
            const z = stays ? 0 : sign * (truth.offsetZ + truth.slopeZ * x)
            const y = stays ? 0 : sign * (truth.offsetY + truth.slopeY * x)
            expect(Math.abs(vertical!.position - z)).toBeLessThan(1e-5)
            expect(Math.abs(horizontal!.position - y)).toBeLessThan(1e-5)
            expect(vertical!.move).toBeCloseTo(-vertical!.position, 12)
            expect(horizontal!.move).toBeCloseTo(-horizontal!.position, 12)
          }
        },
      ),
    )
  })
  it('aim cold for what is in line running', () => {
    const train = pair(caseA, 0)
    const grown: Train = {
      ...train,
      machines: [
        {
          id: 'pump',
          feet: [
            { id: 'p1', x: -240, growth: { vertical: 0.1 } },
            { id: 'p2', x: -500, growth: { vertical: 0.1 } },
          ],
        },
        {
          id: 'motor',
          feet: [
            { id: 'm1', x: 240, growth: { vertical: 0.3 } },
            { id: 'm2', x: 690 },
          ],
        },
      ],
    }
    expect(foot(grown, 'm1').vertical!.move).toBeCloseTo(0.1 - 0.3 - 0.216, 4)
    expect(foot(grown, 'm2').vertical!.move).toBeCloseTo(0.1 - 0.396, 4)
    expect(foot(grown, 'm2').horizontal!.move).toBeCloseTo(0.257, 4)
  })
  it('leave two held feet alone and bring the rest to their line', () => {
    const held = { mode: 'hold', feet: ['p2', 'm2'] } as const
    const train = pair(caseA, 0)
    expect(foot(train, 'p2', held).vertical!.move).toBeCloseTo(0, 9)
    expect(foot(train, 'm2', held).vertical!.move).toBeCloseTo(0, 9)
    const line = (x: number) => (0.396 * (x + 500)) / 1190
    expect(foot(train, 'm1', held).vertical!.move).toBeCloseTo(line(240) - 0.216, 4)
    expect(foot(train, 'p1', held).vertical!.move).toBeCloseTo(line(-240), 4)
  })
  it('chain over three machines, doubt adding up along the way', () => {
    const second = { offsetY: 0.02, slopeY: 0.0001, offsetZ: -0.03, slopeZ: -0.0002 }
    const two = pair(caseA, 0)
    const train: Train = {
      ...two,
      machines: [...two.machines, { id: 'fan', feet: [{ id: 'f1', x: 1300 }] }],
      couplings: [
        ...two.couplings,
        { id: 'C2', left: 1, x: 1000, sets: [{ state: 'released', probes: dials(second, 1000) }] },
      ],
    }
    const fan = foot(train, 'f1')
    expect(fan.vertical!.position).toBeCloseTo(0.12 + 0.0004 * 1300 - 0.03 - 0.0002 * 300, 4)
    expect(fan.vertical!.moveSd).toBeGreaterThan(foot(train, 'm2').vertical!.moveSd)
    const unread = { ...train, couplings: [train.couplings[0]!, { ...train.couplings[1]!, sets: [] }] }
    expect(foot(unread, 'f1').vertical).toBeNull()
    expect(foot(unread, 'm2').vertical).not.toBeNull()
  })
})
