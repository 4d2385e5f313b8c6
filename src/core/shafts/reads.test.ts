import { describe, expect, it } from 'vitest'
import { aligned } from '../probes/probe'
import { quantityFrom } from '../quantity/quantity'
import { exactBoreReading, exactFaceReading, exactRimReading, shaftPair } from '../rig/geometry'
import { anglesOf, makeProbe } from './make'
import { readsInLine, sagShowsAt } from './reads'
import type { ProbeSetUp, ReadSet } from './schema'
import { probeState } from './state'

const inLine = shaftPair(aligned, 0)
const sag = -0.02
const at = { on: 'right', x: 60, radius: 90, sag } as const

/** A probe that was set up on a coupling and not read. */
function stateOf(type: 'rim' | 'face' | 'bore', more: Partial<ProbeSetUp>, degrees = [0, 90, 180, 270], set = {}) {
  const probe = makeProbe({ type, on: 'm2', coupling: 'c1', toward: 'right', id: 'p1', unit: 'mm' })
  const dial: ProbeSetUp = { ...probe, sag: quantityFrom(sag, 'mm', 2), ...more }
  const read: ReadSet = {
    id: 's1',
    coupling: 'c1',
    method: 'own',
    state: 'released',
    angles: anglesOf(degrees),
    probes: [dial],
    ...set,
  }
  return probeState(read, dial, undefined, undefined, [])
}

describe('what a dial reads once the shafts are in line', () => {
  it.each([
    ['a rim', stateOf('rim', {}), (degrees: number) => exactRimReading(inLine, at, degrees)],
    ['a bore', stateOf('bore', {}), (degrees: number) => exactBoreReading(inLine, at, degrees)],
    [
      'a face',
      stateOf('face', { side: 'front' }),
      (degrees: number) => exactFaceReading(inLine, { ...at, side: 'front' }, degrees),
    ],
    [
      'the back of a face',
      stateOf('face', { side: 'back' }),
      (degrees: number) => exactFaceReading(inLine, { ...at, side: 'back' }, degrees),
    ],
    [
      'a second face dial, half a turn ahead, on a shaft that floats',
      stateOf('face', { side: 'front', lead: 180, floats: true }),
      (degrees: number) => exactFaceReading(inLine, { ...at, side: 'front' }, degrees + 180),
    ],
  ])('on %s is what the rig reads', (_, state, rig) => {
    for (const degrees of [0, 45, 90, 180, 270])
      expect(readsInLine(state)(degrees)).toBeCloseTo(rig(degrees) - rig(0), 9)
  })
  it('half a turn ahead it is the sag the other way about', () => {
    expect(readsInLine(stateOf('face', { lead: 180 }))(180)).toBeCloseTo(0.02, 12)
    expect(readsInLine(stateOf('face', {}))(180)).toBeCloseTo(-0.02, 12)
  })
  it('stands from where the dial was zeroed', () => {
    expect(readsInLine(stateOf('rim', {}, undefined, { zeroed: 'sag' }))(180)).toBeCloseTo(0, 12)
    expect(readsInLine(stateOf('rim', {}, undefined, { zeroed: 'sag' }))(0)).toBeCloseTo(0.02, 12)
    expect(readsInLine(stateOf('rim', {}, undefined, { zeroed: 'halved' }))(90)).toBeCloseTo(0, 12)
  })
  it('is told at an angle that the set has', () => {
    expect(sagShowsAt(stateOf('rim', {}))).toBe(180)
    expect(sagShowsAt(stateOf('rim', {}, [270, 0, 90]))).not.toBe(180)
    expect(sagShowsAt(stateOf('rim', {}, [0]))).toBeUndefined()
  })
})
