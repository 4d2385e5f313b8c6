import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { type DeviceReading, rigCommandSchema } from '../../../device/protocol'
import { makeStandIn } from '../../../rig/standIn'
import { makeLine, makeSet } from '../document/make'
import { placeStations } from '../document/stations'
import {
  anglesApart,
  captureOf,
  matchProbes,
  mountingOf,
  StandingStill,
  SweepTrace,
  withCapture,
  withDeviceMounting,
} from './capture'

const line = makeLine('x', 'pump', 'motor', 'mm')
const set = makeSet(line, 'c1', 's', 'mm')
const hello = makeStandIn('dials', 1).hello()
const matches = matchProbes(hello, set, line)
const reading = (at: number, right: number, left: number, value = 0.1): DeviceReading => ({
  type: 'reading',
  seq: Math.round(at / 50),
  at,
  probes: [
    { id: 'right', angle: right, values: [value] },
    { id: 'left', angle: left, values: [-value] },
  ],
})

describe('a device and a set', () => {
  it('are matched by kind and by side', () => {
    expect(matches.map(({ id, probe }) => [id, probe.id])).toEqual([
      ['right', 's-right'],
      ['left', 's-left'],
    ])
    expect(matchProbes(hello, makeSet(line, 'c1', 's', 'mm', 'twin-heads'), line)).toEqual([])
    const two = makeStandIn('two-plane', 1).hello()
    expect(matchProbes(two, makeSet(line, 'c1', 's', 'mm', 'two-plane-head', 'm1'), line)).toHaveLength(1)
  })
  it('hang alike: the rig as the job says, the job as the rig has it where nothing is typed', () => {
    const hung = withDeviceMounting(set, hello, matches, 'mm', 'mm')
    expect(hung.probes.map(({ station, sag }) => [station.distance.text, sag.text])).toEqual([
      ['90', '-0.100'],
      ['70', '-0.080'],
    ])
    const again = matchProbes(hello, hung, line)
    const { x } = placeStations(line, hung.probes)
    expect(mountingOf(again, 0, x)).toEqual(hello.hung)
    // of a sag that nobody gave the rig is told nothing
    const bare = again.map((match) => ({ ...match, probe: { ...match.probe, sag: { text: '', unit: 'mm' as const } } }))
    expect(mountingOf(bare, 0, x).map((hang) => 'sag' in hang)).toEqual([false, false])
  })
})

describe('what a rig is told', () => {
  const feet = [
    { id: 'a', distance: 100 },
    { id: 'b', distance: 400 },
  ]
  const stand = { type: 'set', offsetY: -0.4, slopeY: -0.001, offsetZ: -20, slopeZ: 0, moves: 'left', feet }
  const takes = (command: object) => v.safeParse(rigCommandSchema, command).success
  it('is either way, and not further than the rig goes', () => {
    expect(takes(stand)).toBe(true)
    expect(takes({ ...stand, offsetZ: -20.1 })).toBe(false)
    expect(takes({ ...stand, offsetZ: 20.1 })).toBe(false)
  })
  it('is never of two feet at one place: nothing would turn about them', () => {
    expect(takes({ ...stand, feet: [feet[0], { id: 'b', distance: 100 }] })).toBe(false)
  })
})

describe('a capture', () => {
  it('is the mean of the stand-still, written at the angle it belongs to, with each probe’s own', () => {
    const found = captureOf([reading(0, 89, 88.4, 0.1), reading(50, 89.2, 88.6, 0.102)], matches)!
    const written = withCapture(set, found, 'mm')
    expect(written.angles).toEqual(set.angles)
    expect(written.probes[0]!.readings.a90!.value).toEqual({ text: '0.101', unit: 'mm' })
    expect(written.probes[0]!.own).toEqual({ a90: 89.1 })
    expect(written.probes[1]!.own).toEqual({ a90: 88.5 })
  })
  it('makes an angle of its own far from the others, and none where a probe shows no number', () => {
    const written = withCapture(set, captureOf([reading(0, 40, 40)], matches)!, 'mm')
    expect(written.angles.map(({ degrees }) => degrees)).toEqual([0, 40, 90, 180, 270, 360])
    const dark: DeviceReading = { ...reading(0, 40, 40), probes: [{ id: 'right', angle: 40, values: null }] }
    expect(captureOf([dark], matches)).toBeUndefined()
  })
  it('goes to an angle that is there in a set that has all it can have, and adds none', () => {
    const full = { ...set, angles: Array.from({ length: 48 }, (_, i) => ({ id: `a${i * 6}`, degrees: i * 6 })) }
    const there = withCapture(full, captureOf([reading(0, 90, 90)], matches)!, 'mm')
    expect(there.probes[0]!.readings.a90!.value.text).toBe('0.100')
    expect(withCapture(full, captureOf([reading(0, 330, 330)], matches)!, 'mm')).toBe(full)
  })
  it('comes by itself once the shafts stood still long enough, and not before', () => {
    const watch = new StandingStill(900)
    const said = Array.from({ length: 40 }, (_, i) => {
      const angle = i < 10 ? i * 3 : 30
      return watch.add(reading(i * 50, angle, angle)) !== undefined
    })
    expect(said.indexOf(true)).toBe(28)
    expect(watch.add(reading(100, 80, 80))).toBeUndefined() // a late one
  })
  it('tells how far apart the two stand', () => {
    expect(anglesApart(reading(0, 91.4, 90.1))).toBeCloseTo(1.3, 9)
  })
})

describe('a sweep', () => {
  it('leaves out a probe that shows no number, and ends at a hundred thousand points', () => {
    const trace = new SweepTrace(matches)
    trace.add(reading(0, 0, 0))
    for (let i = 1; i <= 50_002; i++) {
      const { probes, ...rest } = reading(i, 3 + (i % 300), 3 + (i % 300))
      const [right, left] = probes
      trace.add({ ...rest, probes: i % 2 ? [right!, { ...left!, values: null }] : [right!, left!] })
    }
    for (let i = 0; i < 50_000; i++) trace.add(reading(50_003 + i, 3 + (i % 300), 3 + (i % 300)))
    const [right, left] = trace.into(set).probes
    expect(right!.sweep!.degrees).toHaveLength(100_000)
    expect(left!.sweep!.degrees).toHaveLength(75_001)
  })
  it('keeps every point, late ones too, and knows what it covers', () => {
    const trace = new SweepTrace(matches)
    for (let i = 0; i <= 100; i++) trace.add(reading(i * 50, i * 2, i * 2, i / 100))
    trace.add(reading(30, 17.5, 17.5))
    expect(trace.points).toBe(101)
    expect(trace.coverage).toBe(198)
    const bins = trace.trace('s-right', (_, raw) => raw - 1)
    expect(bins[40]).toBeCloseTo(0.2 - 1, 9)
    expect(bins[300]).toBeUndefined()
    const written = trace.into(set)
    expect(written.probes[1]!.sweep!.degrees).toHaveLength(101)
    expect(written.probes[1]!.sweep!.values[0]![49]).toBe(-0.5)
  })
})
