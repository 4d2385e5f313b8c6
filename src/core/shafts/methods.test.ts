import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Probe } from '../probes'
import type { Misalignment, Side } from '../probes/probe'
import { exactSpot, type RiggedBeam } from '../rig/beams'
import { exactBoreReading, exactFaceReading, exactRimReading, type ShaftPair, shaftPair } from '../rig/geometry'
import { type Chance, chance } from '../rig/random'
import { fitCoupling } from './coupling'
import { bestNextReading } from './next'
import { rowsOf } from './rows'
import { tapeCovariance } from './tape'

/** Every way of the trade to read a coupling, on exact geometry: what is hung, and what it reads. */
const quarters = [0, 90, 180, 270]
const sixty = [20, 50, 80]
const feet = [240, 690]

type Shake = () => number
const still: Shake = () => 0

const rim = (pair: ShaftPair, on: Side, x: number, angles: readonly number[], shake: Shake, sd = 0.005): Probe => ({
  type: 'rim',
  on,
  x,
  radius: 80,
  sag: -0.1,
  sd,
  readings: angles.map((angle) => ({
    angle,
    value: exactRimReading(pair, { on, x, radius: 80, sag: -0.1 }, angle) + shake(),
  })),
})

const bore = (pair: ShaftPair, on: Side, x: number, angles: readonly number[], shake: Shake, sd = 0.005): Probe => ({
  type: 'bore',
  on,
  x,
  sag: -0.03,
  sd,
  readings: angles.map((angle) => ({
    angle,
    value: exactBoreReading(pair, { on, x, radius: 120, sag: -0.03 }, angle) + shake(),
  })),
})

function face(
  pair: ShaftPair,
  on: Side,
  side: 'front' | 'back',
  angles: readonly number[],
  shake: Shake,
  two?: { lead: number; float: readonly number[] },
  sd = 0.005,
): Probe {
  const lead = two?.lead ?? 0
  const dial = { on, x: on === 'right' ? 60 : -60, radius: 75, side, sag: -0.02 }
  const b = side === 'front' ? 1 : -1
  return {
    type: 'face',
    on,
    side,
    radius: 75,
    sag: -0.02,
    sd,
    lead,
    sharedFloat: two !== undefined,
    readings: angles.map((angle, i) => ({
      angle,
      value: exactFaceReading(pair, dial, angle + lead) - b * (two?.float[i] ?? 0) + shake(),
    })),
  }
}

const canted = (on: Side, x: number, from: number, cant: number): RiggedBeam => ({
  on,
  x,
  from,
  radius: 90,
  cantOut: cant,
  cantSide: -0.7 * cant,
  seatOut: 0.8,
  seatSide: -0.5,
})

const beam = (
  pair: ShaftPair,
  on: Side,
  cant: number,
  angles: readonly number[],
  shake: Shake,
  sd = 0.005,
  ahead = 0,
): Probe => {
  const x = on === 'right' ? 180 : -160
  const rigged = { ...canted(on, x, on === 'right' ? -160 : 180, cant), ahead }
  return {
    type: 'beam',
    on,
    x,
    sd,
    readings: angles.map((angle) => ({ angle: angle + ahead, value: exactSpot(pair, rigged, angle).radial + shake() })),
  }
}

const beamTwoPlane = (pair: ShaftPair, cant: number, angles: readonly number[], shake: Shake, sd = 0.005): Probe => ({
  type: 'beam2',
  on: 'right',
  planes: [180, 330],
  sd,
  readings: angles.map((angle) => {
    const near = exactSpot(pair, canted('right', 180, -160, cant), angle)
    const far = exactSpot(pair, canted('right', 330, -160, cant), angle)
    const values = [near.radial, near.tangential, far.radial, far.tangential].map((v) => v + shake())
    return { angle, values: values as [number, number, number, number] }
  }),
})

type Method = (
  pair: ShaftPair,
  angles: readonly number[],
  shake: Shake,
  cant: number,
  float: readonly number[],
) => Probe[]

const dialMethods: Record<string, Method> = {
  'reverse dials': (p, at, s) => [rim(p, 'right', 90, at, s), rim(p, 'left', -70, at, s)],
  'rim and face, bracket on the left, face front': (p, at, s) => [
    rim(p, 'right', 60, at, s),
    face(p, 'right', 'front', at, s),
  ],
  'rim and face, bracket on the right, face back': (p, at, s) => [
    rim(p, 'left', -60, at, s),
    face(p, 'left', 'back', at, s),
  ],
  'rim with two floating faces': (p, at, s, _, float) => [
    rim(p, 'right', 60, at, s),
    face(p, 'right', 'front', at, s, { lead: 0, float }),
    face(p, 'right', 'front', at, s, { lead: 180, float }),
  ],
  'dials in a bore': (p, at, s) => [bore(p, 'right', 40, at, s), bore(p, 'right', 260, at, s)],
  'three dials, one read again': (p, at, s) => [
    rim(p, 'right', 90, at, s),
    rim(p, 'left', -70, at, s),
    rim(p, 'right', 150, [...at, at[0] ?? 0], s),
  ],
}
const beamMethods: Record<string, Method> = {
  'twin heads': (p, at, s, cant) => [beam(p, 'right', cant, at, s), beam(p, 'left', -cant, at, s)],
  'one beam on two planes': (p, at, s, cant) => [beamTwoPlane(p, cant, at, s)],
}

const truths = fc.record({
  offsetY: fc.double({ min: -0.4, max: 0.4, noNaN: true }),
  slopeY: fc.double({ min: -0.0008, max: 0.0008, noNaN: true }),
  offsetZ: fc.double({ min: -0.4, max: 0.4, noNaN: true }),
  slopeZ: fc.double({ min: -0.0008, max: 0.0008, noNaN: true }),
})

function fitted(probes: Probe[]) {
  const result = fitCoupling([{ state: 'released', probes }], 0)
  if (!result.ok) throw new Error(result.lack)
  return result.fit
}

/** The largest error of an offset at the coupling or of a position at a foot, mm. */
function worst(found: Misalignment, truth: Misalignment): number {
  return Math.max(
    ...[0, ...feet].flatMap((x) => [
      Math.abs(found.offsetY + found.slopeY * x - truth.offsetY - truth.slopeY * x),
      Math.abs(found.offsetZ + found.slopeZ * x - truth.offsetZ - truth.slopeZ * x),
    ]),
  )
}

const floats = fc.array(fc.double({ min: -0.5, max: 0.5, noNaN: true }), { minLength: 4, maxLength: 4 })
const cants = fc.double({ min: -0.005, max: 0.005, noNaN: true })

describe.each(Object.entries(dialMethods))('%s', (name, method) => {
  // a bore's wall is curved too, the other way: its radius is not asked for, so part of a turn is not promised
  const curved = name === 'dials in a bore'
  it('gives offsets and foot positions back within 0.00001 mm', () => {
    fc.assert(
      fc.property(truths, floats, (truth, float) => {
        const found = fitted(method(shaftPair(truth, 0), quarters, still, 0, float))
        expect(worst(found.misalignment, truth)).toBeLessThan(1e-5)
      }),
    )
  })
  if (!curved)
    it('over 60° within 0.002 mm', () => {
      fc.assert(
        fc.property(truths, floats, (truth, float) => {
          const found = fitted(method(shaftPair(truth, 0), sixty, still, 0, float))
          expect(worst(found.misalignment, truth)).toBeLessThan(0.002)
        }),
      )
    })
})

describe.each(Object.entries(beamMethods))('%s, canted', (_, method) => {
  it('give offsets and foot positions back within 0.004 mm', () => {
    fc.assert(
      fc.property(truths, cants, (truth, cant) => {
        const found = fitted(method(shaftPair(truth, 0), quarters, still, cant, []))
        expect(worst(found.misalignment, truth)).toBeLessThan(0.004)
      }),
    )
  })
  it('over 60° within 0.008 mm', () => {
    fc.assert(
      fc.property(truths, cants, (truth, cant) => {
        const found = fitted(method(shaftPair(truth, 0), sixty, still, cant, []))
        expect(worst(found.misalignment, truth)).toBeLessThan(0.008)
      }),
    )
  })
})

it('takes twin heads whose shafts stand a steady half degree apart', () => {
  const truth = { offsetY: 0.2, slopeY: -0.0005, offsetZ: -0.3, slopeZ: 0.0007 }
  const pair = shaftPair(truth, 0)
  const found = fitted([
    beam(pair, 'right', 0.002, quarters, still, 0.005, 0.5),
    beam(pair, 'left', 0.001, quarters, still),
  ])
  expect(worst(found.misalignment, truth)).toBeLessThan(0.01)
})

describe.each([...Object.entries(dialMethods), ...Object.entries(beamMethods)])('the told doubt: %s', (_, method) => {
  it.each([
    ['quarters', quarters],
    ['part of a turn', [300, 330, 0, 30]],
  ])('is the true one over %s', (_, angles) => {
    const truth = { offsetY: -0.05, slopeY: -0.0003, offsetZ: 0.12, slopeZ: 0.0004 }
    const pair = shaftPair(truth, 0)
    const source: Chance = chance(17)
    const runs = 1200
    // what the method itself is off by without noise is not noise
    const float = [0, 0.2, -0.1, 0.3]
    const calm = fitted(method(pair, angles, still, 0.001, float)).misalignment
    const squares = { foot: 0, side: 0 }
    for (let run = 0; run < runs; run++) {
      const { misalignment: m, covariance: c } = fitted(
        method(pair, angles, () => 0.005 * source.normal(), 0.001, float),
      )
      const x = 690
      const at = (i: number, j: number) => c[i]?.[j] ?? 0
      const up = m.offsetZ - calm.offsetZ + (m.slopeZ - calm.slopeZ) * x
      const across = m.offsetY - calm.offsetY + (m.slopeY - calm.slopeY) * x
      squares.foot += up ** 2 / (at(2, 2) + 2 * x * at(2, 3) + x * x * at(3, 3))
      squares.side += across ** 2 / (at(0, 0) + 2 * x * at(0, 1) + x * x * at(1, 1))
    }
    for (const sum of Object.values(squares)) {
      expect(sum / runs).toBeGreaterThan(0.9)
      expect(sum / runs).toBeLessThan(1.1)
    }
  })
})

describe('a sweep', () => {
  const truth = { offsetY: 0.21, slopeY: -0.0006, offsetZ: -0.33, slopeZ: 0.0004 }
  const pair = shaftPair(truth, 0)
  const angles = Array.from({ length: 1500 }, (_, i) => 11.3 + i * 0.21)
  it('is condensed to three equations a channel without changing answer, doubt or residuals', () => {
    const source = chance(5)
    const probes = [
      rim(pair, 'right', 90, angles.slice(0, 200), () => 0.004 * source.normal()),
      beam(pair, 'left', 0.001, angles.slice(0, 180), () => 0.004 * source.normal()),
    ]
    const whole = fitted(probes)
    // the same readings, dealt to sets too short to condense, share their constants only within a deal: read by rows
    const channels = whole.probes.flatMap((probe) => probe.channels)
    expect(rowsOf(channels)).toHaveLength(6)
    const [first, ...rest] = [
      fitted(probes),
      fitted(probes.map((p) => ({ ...p, readings: [...p.readings].reverse() }) as Probe)),
    ]
    for (const other of rest) expect(worst(other.misalignment, first!.misalignment)).toBeLessThan(1e-9)
    // normal equations of the least-squares problem hold: residuals are square to every column
    for (const { channels: own, residuals } of whole.probes) {
      const [channel] = own
      const sums = [0, 0, 0]
      for (let i = 0; i < residuals.length; i++) sums[0]! += residuals[i]!
      expect(Math.abs(sums[0]!)).toBeLessThan(1e-6)
      expect(channel!.observed).toHaveLength(residuals.length)
    }
  })
  it('of dials gives the truth back, rim curvature included, over a part of a turn', () => {
    const part = Array.from({ length: 600 }, (_, i) => 200 + i * 0.12)
    const found = fitted([rim(pair, 'right', 90, part, still), rim(pair, 'left', -70, part, still)])
    expect(worst(found.misalignment, truth)).toBeLessThan(1e-4)
    expect(Math.max(...found.probes.flatMap((p) => Array.from(p.residuals, Math.abs)))).toBeLessThan(1e-6)
  })
  it('of a rim and two floating faces is exact', () => {
    const float = angles.map((a) => 0.3 * Math.sin(a * 1.7))
    const found = fitted([
      rim(pair, 'right', 60, angles, still),
      face(pair, 'right', 'front', angles, still, { lead: 0, float }),
      face(pair, 'right', 'front', angles, still, { lead: 180, float }),
    ])
    expect(worst(found.misalignment, truth)).toBeLessThan(1e-5)
    expect(Math.max(...Array.from(found.probes[1]!.residuals, Math.abs))).toBeLessThan(1e-6)
    // the float is told too, relative to the first position
    const [told] = found.floats
    expect(told?.group).toBe('0:right')
    expect(told?.values[told.positions.indexOf(angles[700]!)]).toBeCloseTo(float[700]! - float[0]!, 6)
  })
  it('of two floating faces says the same condensed as equation by equation', () => {
    const source = chance(77)
    const some = Array.from({ length: 180 }, (_, i) => 15 + i * 1.7)
    const float = some.map(() => 0.4 * (source.uniform() - 0.5))
    const noisy = (probe: Probe): Probe =>
      ({
        ...probe,
        readings:
          'readings' in probe
            ? probe.readings.map((one) => ({
                ...one,
                value: (one as { value: number }).value + 0.003 * source.normal(),
              }))
            : [],
      }) as Probe
    const first = noisy(face(pair, 'right', 'front', some, still, { lead: 0, float }))
    const other = noisy({ ...face(pair, 'right', 'front', some, still, { lead: 168, float }), sd: 0.008 } as Probe)
    // the same readings in another order: their positions are looked up one by one
    const turned = { ...other, readings: [...other.readings].reverse() } as Probe
    const of = (second: Probe) => fitted([noisyRim, first, second])
    const noisyRim = noisy(rim(pair, 'right', 60, some, still))
    const [condensed, whole] = [of(other), of(turned)]
    for (const name of ['offsetY', 'slopeY', 'offsetZ', 'slopeZ'] as const)
      expect(condensed.misalignment[name]).toBeCloseTo(whole.misalignment[name], 10)
    condensed.covariance.flat().forEach((value, i) => {
      expect(value / (whole.covariance.flat()[i] ?? 1)).toBeCloseTo(1, 6)
    })
    expect(condensed.left.free).toBe(whole.left.free)
    expect(condensed.left.squares / whole.left.squares).toBeCloseTo(1, 8)
  })
  it('a position that comes by twice floats anew, and one dial alone says nothing at it', () => {
    const twice = [...quarters, 0, 90]
    const float = [0, 0.1, 0.2, 0.1, -0.3, 0.25]
    const faces = (count: number) => [
      rim(pair, 'right', 60, quarters, still),
      face(pair, 'right', 'front', twice, still, { lead: 0, float }),
      face(pair, 'right', 'front', twice.slice(0, count), still, { lead: 180, float: float.slice(0, count) }),
    ]
    for (const count of [6, 5]) {
      const found = fitted(faces(count))
      expect(worst(found.misalignment, truth)).toBeLessThan(1e-5)
      const [told] = found.floats
      expect(told?.values).toHaveLength(6)
      expect(told?.values[4]).toBeCloseTo(float[4]! - float[0]!, 6)
    }
  })
  it('has as many free readings as it should', () => {
    const { left } = fitted([rim(pair, 'right', 90, quarters, still), rim(pair, 'left', -70, quarters, still)])
    expect(left.free).toBe(2)
    const float = [0, 0.1, 0.2, 0.1]
    const two = [0, 180].map((lead) => face(pair, 'right', 'front', quarters, still, { lead, float }))
    expect(fitted([rim(pair, 'right', 60, quarters, still), ...two]).left.free).toBe(12 - 7 - 3)
  })
})

describe('a known zero', () => {
  it('halved back at the side lets one reading a side do', () => {
    const truth = { offsetY: 0.21, slopeY: 0.0003, offsetZ: -0.1, slopeZ: 0 }
    const pair = shaftPair(truth, 0)
    const dial = (on: Side, x: number): Probe => {
      const at = (angle: number) => exactRimReading(pair, { on, x, radius: 80, sag: 0 }, angle)
      const half = (at(90) + at(270)) / 2
      return {
        type: 'rim',
        on,
        x,
        sag: 0,
        sd: 0.005,
        zero: { value: 0, sd: 0.005 },
        readings: [{ angle: 90, value: at(90) - half }],
      }
    }
    const result = fitCoupling([{ state: 'released', probes: [dial('right', 90), dial('left', -70)] }], 0)
    expect(result.ok && result.fit.measured).toEqual(['horizontal'])
    expect(result.ok && result.fit.misalignment.offsetY).toBeCloseTo(0.21, 3)
  })
})

describe('doubt', () => {
  const truth = { offsetY: 0.1, slopeY: 0.0005, offsetZ: 0.2, slopeZ: -0.001 }
  const pair = shaftPair(truth, 0)
  it('of the tape is what moving a probe by a little does', () => {
    const at = (moved: number) =>
      fitted([
        { ...rim(pair, 'right', 90, quarters, still), x: 90 + moved } as Probe,
        rim(pair, 'left', -70, quarters, still),
      ])
    const h = 0.5
    const slope = (at(h).misalignment.slopeZ - at(-h).misalignment.slopeZ) / (2 * h)
    const other = (m: number) =>
      fitted([
        rim(pair, 'right', 90, quarters, still),
        { ...rim(pair, 'left', -70, quarters, still), x: -70 + m } as Probe,
      ])
    const slope2 = (other(h).misalignment.slopeZ - other(-h).misalignment.slopeZ) / (2 * h)
    const told = tapeCovariance(at(0), 2)[3]![3]!
    expect(told).toBeCloseTo(4 * (slope ** 2 + slope2 ** 2), 12)
    expect(told).toBeGreaterThan(0)
  })
  it('would shrink as told by the reading proposed, and by no other more', () => {
    const arc = [0, 30, 60]
    const probes = [rim(pair, 'right', 90, arc, still), rim(pair, 'left', -70, arc, still)]
    const offered = [0, 60, 90, 330]
    const next = bestNextReading(fitted(probes), 0, feet, () => offered)!
    const sdWith = (probe: number, angle: number) => {
      const more = probes.map((p, i) =>
        i === probe && p.type === 'rim' ? { ...p, readings: [...p.readings, { angle, value: 0 }] } : p,
      )
      const { covariance: c } = fitted(more as Probe[])
      const at = (i: number, j: number) => c[i]![j]!
      return Math.sqrt(
        Math.max(...feet.flatMap((x) => [0, 2].map((k) => at(k, k) + 2 * x * at(k, k + 1) + x * x * at(k + 1, k + 1)))),
      )
    }
    const all = [0, 1].flatMap((probe) => offered.map((angle) => sdWith(probe, angle)))
    // the exact rim bends the covariance a little; the proposal is made with the linear equations
    expect(next.after / sdWith(next.probe, next.degrees)).toBeCloseTo(1, 6)
    expect(next.after).toBeLessThanOrEqual(Math.min(...all) * (1 + 1e-6))
    expect(next.after).toBeLessThan(next.before)
  })
})
