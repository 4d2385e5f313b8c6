import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { type DeviceReading, deviceMessageSchema } from '../device/protocol'
import type { Probe } from '../probes'
import { fitCoupling } from '../shafts/coupling'
import { makeStandIn, type StandInKind, standInKinds } from './standIn'

/** Turns a stand-in from the top once round and gives all it said. */
function swept(kind: StandInKind, seed: number) {
  const device = makeStandIn(kind, seed, 20)
  device.command({ type: 'turn', to: 370 })
  const said = Array.from({ length: 200 }, () => device.advance(50)).flat()
  return { device, said, readings: said.filter((m): m is DeviceReading => m.type === 'reading') }
}

/** What the program would make of it. */
function probesOf(kind: StandInKind, readings: readonly DeviceReading[]): Probe[] {
  const of = (id: string) =>
    readings.flatMap((r) => {
      const found = r.probes.find((p) => p.id === id)
      return found?.values ? [{ angle: found.angle, values: found.values }] : []
    })
  const single = (id: string) => of(id).map(({ angle, values }) => ({ angle, value: values[0]! }))
  if (kind === 'two-plane')
    return [
      {
        type: 'beam2',
        on: 'right',
        planes: [180, 330],
        sd: 0.003,
        readings: of('right').map(({ angle, values }) => ({
          angle,
          values: values as [number, number, number, number],
        })),
      },
    ]
  if (kind === 'heads')
    return [
      { type: 'beam', on: 'right', x: 180, sd: 0.003, readings: single('right') },
      { type: 'beam', on: 'left', x: -160, sd: 0.003, readings: single('left') },
    ]
  return [
    { type: 'rim', on: 'right', x: 90, sag: -0.1, radius: 80, sd: 0.005, readings: single('right') },
    { type: 'rim', on: 'left', x: -70, sag: -0.08, radius: 80, sd: 0.005, readings: single('left') },
  ]
}

describe.each(standInKinds)('the stand-in %s', (kind) => {
  it('says only what the protocol knows', () => {
    const { device, said } = swept(kind, 3)
    for (const message of [device.hello(), ...said])
      expect(v.safeParse(deviceMessageSchema, message).success).toBe(true)
  })
  it('is the same again for the same seed, and another rig for another', () => {
    expect(swept(kind, 3).said).toEqual(swept(kind, 3).said)
    expect(swept(kind, 4).device.truth).not.toEqual(swept(kind, 3).device.truth)
  })
  it.each([1, 2, 3, 4, 5])('swept once round tells its hidden truth (seed %i)', (seed) => {
    const { device, readings } = swept(kind, seed)
    const result = fitCoupling([{ state: 'released', probes: probesOf(kind, readings) }], 0)
    if (!result.ok) throw new Error(result.lack)
    const { misalignment: m } = result.fit
    expect(Math.abs(m.offsetZ - device.truth.offsetZ)).toBeLessThan(0.006)
    expect(Math.abs(m.offsetY - device.truth.offsetY)).toBeLessThan(0.006)
    expect(Math.abs(m.slopeZ - device.truth.slopeZ)).toBeLessThan(4e-5)
    expect(Math.abs(m.slopeY - device.truth.slopeY)).toBeLessThan(4e-5)
  })
  it('loses some messages and brings some late', () => {
    const order = makeStandIn(kind, 9)
      .advance(60_000)
      .flatMap((m) => (m.type === 'reading' ? [m.seq] : []))
    expect(Math.max(...order) + 1).toBeGreaterThan(order.length)
    expect(order.some((seq, i) => i > 0 && seq < order[i - 1]!)).toBe(true)
  })
})

describe('trouble', () => {
  it('drops the line once when told to', () => {
    const device = makeStandIn('dials', 1)
    device.command({ type: 'trouble', kind: 'disconnect' })
    expect([device.wantsToDrop(), device.wantsToDrop()]).toEqual([true, false])
  })
  it('shows no numbers out of range, and slack between the shafts', () => {
    const device = makeStandIn('heads', 1)
    const last = () =>
      device
        .advance(2000)
        .filter((m): m is DeviceReading => m.type === 'reading')
        .at(-1)!
    device.command({ type: 'trouble', kind: 'out-of-range' })
    expect(last().probes[0]).toMatchObject({ values: null, fault: 'no-beam' })
    device.command({ type: 'trouble', kind: 'slack' })
    device.command({ type: 'turn', to: 60 })
    const [right, left] = last().probes
    expect(Math.abs(right!.angle - left!.angle)).toBeLessThan(1.6)
    expect(Math.abs(right!.angle - left!.angle)).toBeGreaterThan(1)
    device.command({ type: 'trouble', kind: 'flat-battery' })
    const status = device.advance(6000).find((m) => m.type === 'status')
    expect(status).toMatchObject({ battery: 0.06 })
  })
  it('hangs its probes where it is told', () => {
    const device = makeStandIn('dials', 2)
    device.command({ type: 'hang', probes: [{ id: 'right', distance: 140, sag: -0.2 }] })
    expect(device.hello().hung).toEqual([
      { id: 'right', distance: 140, radius: 80, sag: -0.2 },
      { id: 'left', distance: 70, radius: 80, sag: -0.08 },
    ])
  })
})

describe('a rig whose machine is moved', () => {
  const feet = [
    { id: 'front', distance: 240 },
    { id: 'back', distance: 690 },
  ] as const
  const set = (kind: 'dials' | 'heads') => {
    const device = makeStandIn(kind, 5)
    const at = { offsetY: 0.3, slopeY: 0.0004, offsetZ: -0.1, slopeZ: 0 }
    device.command({ type: 'set', ...at, moves: 'right', feet: [feet[0], feet[1]] })
    return device
  }
  it('stands as it is told, and turns about its other feet when one is pushed', () => {
    const device = set('dials')
    device.command({ type: 'push', foot: 'back', plane: 'horizontal', by: -0.2 })
    const { offsetY, slopeY, offsetZ } = device.truth
    expect(offsetY + slopeY * 240).toBeCloseTo(0.3 + 0.0004 * 240, 9)
    expect(offsetY + slopeY * 690).toBeCloseTo(0.3 + 0.0004 * 690 - 0.2, 9)
    expect(offsetZ).toBeCloseTo(-0.1, 9)
    device.command({ type: 'push', foot: 'nobody', plane: 'vertical', by: 1 })
    expect(device.truth.offsetZ).toBeCloseTo(-0.1, 9)
  })
  it.each(['dials', 'heads'] as const)('shows the push on its %s, standing at the far side', (kind) => {
    const device = set(kind)
    device.command({ type: 'turn', to: 90 })
    const mean = () => {
      const read = device.advance(4000).flatMap((m) => (m.type === 'reading' ? [m.probes[0]!.values?.[0] ?? 0] : []))
      const last = read.slice(-40)
      return last.reduce((sum, one) => sum + one, 0) / last.length
    }
    const before = mean()
    for (const foot of ['front', 'back']) device.command({ type: 'push', foot, plane: 'horizontal', by: 0.25 })
    const change = mean() - before
    expect(Math.abs(Math.abs(change) - 0.25)).toBeLessThan(0.006)
  })
  it('shifts a little when its bolts are tightened', () => {
    const device = set('dials')
    const before = device.truth
    device.command({ type: 'tighten' })
    const shift = Math.abs(device.truth.offsetY + device.truth.slopeY * 240 - before.offsetY - before.slopeY * 240)
    expect(shift).toBeGreaterThan(0)
    expect(shift).toBeLessThan(0.03)
  })
})
