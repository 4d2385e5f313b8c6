import { describe, expect, it } from 'vitest'
import type { DeviceMessage } from '../device/protocol'
import { makeIndicator } from './indicator'

const values = (said: readonly DeviceMessage[]): (number | undefined)[] =>
  said.flatMap((one) => (one.type === 'reading' ? [one.probes[0]?.values?.[0]] : []))

/** What it shows once the tip stands still there. */
function shown(indicator: ReturnType<typeof makeIndicator>, aim: Parameters<typeof indicator.command>[0]): number {
  indicator.command(aim)
  indicator.advance(1000)
  const all = values(indicator.advance(1000))
  return all.reduce<number>((sum, value) => sum + (value ?? Number.NaN), 0) / all.length
}

const face = (angle: number, turned = 0) =>
  ({ type: 'aim', touch: 'face', of: 's2', angle, radius: 110, turned }) as const

describe('an indicator with one number', () => {
  it('shows a face as it was said to stand, at every place round it', () => {
    const indicator = makeIndicator(4)
    indicator.command({ type: 'face', of: 's2', toe: 0.006, tilt: -0.004, offset: 2.5 })
    for (const [angle, mm] of [
      [0, 2.94],
      [90, 1.84],
      [180, 2.06],
      [270, 3.16],
    ] as const)
      expect(Math.abs(shown(indicator, face(angle)) - mm)).toBeLessThan(0.005)
  })
  it('has a truth of its own for every face, which wobbles as it is turned, and the same for the same seed', () => {
    const read = (seed: number) => {
      const indicator = makeIndicator(seed)
      return [0, 90, 180, 270].flatMap((angle) => [shown(indicator, face(angle)), shown(indicator, face(angle, 180))])
    }
    expect(read(7)).toEqual(read(7))
    expect(read(7)).not.toEqual(read(8))
    const [top = 0, turned = 0, , , bottom = 0, bottomTurned = 0] = read(7)
    expect(Math.abs(top - turned)).toBeGreaterThan(0.004)
    // the mean of both turns has no wobble in it: its opposite sides lie as far from the middle
    expect(Math.abs(top + turned - bottom - bottomTurned)).toBeGreaterThan(0)
  })
  it('reads rims as a pair of shafts has them: opposite places add up alike, zero where the round begins', () => {
    const indicator = makeIndicator(11)
    const at = (angle: number) => shown(indicator, { type: 'aim', touch: 'rim', on: 'right', angle, distance: 40 })
    const [zero, near, far, across] = [at(0), at(270), at(90), at(180)]
    expect(Math.abs(zero)).toBeLessThan(0.004)
    expect(Math.abs(zero + across - near - far)).toBeLessThan(0.01)
  })
  it('reads a roll at both ends: from a square plane its own slope, to the next roll what differs between them', () => {
    const indicator = makeIndicator(21)
    const at = (of: string, end: 'near' | 'far', to?: { of: string; x: number; z: number }) =>
      shown(indicator, { type: 'aim', touch: 'roll', of, end, over: 1500, ...(to ? { to } : {}) })
    const slope = (of: string) => (at(of, 'far') - at(of, 'near')) / 1500
    const next = { of: 'r2', x: 700, z: 0 }
    const between = (at('r1', 'far', next) - at('r1', 'near', next)) / 1500
    expect(Math.abs(slope('r1') - slope('r2'))).toBeGreaterThan(1e-5)
    expect(Math.abs(between - (slope('r2') - slope('r1')))).toBeLessThan(8e-6)
  })
  it('swings when it is put anew, shows nothing off its travel, drops the line when told', () => {
    const indicator = makeIndicator(4)
    indicator.command({ type: 'face', of: 's2', toe: 0, tilt: 0, offset: 1 })
    indicator.command(face(0))
    const first = values(indicator.advance(200))
    expect(Math.max(...first.map((value) => Math.abs((value ?? 0) - 1)))).toBeGreaterThan(0.05)
    indicator.command({ type: 'face', of: 's2', toe: 0, tilt: 0, offset: 60 })
    expect(values(indicator.advance(200))).toEqual([undefined, undefined, undefined, undefined])
    indicator.command({ type: 'trouble', kind: 'disconnect' })
    expect([indicator.wantsToDrop(), indicator.wantsToDrop()]).toEqual([true, false])
    expect(indicator.hello()).toMatchObject({ type: 'hello', probes: [{ type: 'number' }] })
  })
})
