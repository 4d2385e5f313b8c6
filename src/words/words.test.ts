import { describe, expect, it } from 'vitest'
import { withMachineAt } from '../core/kinds/train/document/alter'
import { makeLine, makeSet } from '../core/kinds/train/document/make'
import { seatFootName } from './seat'
import {
  act,
  angleName,
  angleTyped,
  dimension,
  feetAlone,
  footName,
  length,
  place,
  probeName,
  slope,
  type Terms,
} from './terms'
import { sayNext } from './train/next'
import { sayTrouble } from './troubles'

const line = { ...makeLine('x', 'pump', 'motor', 'mm'), sides: { near: 'aisle', far: 'wall' } }
const inMm: Terms = { line, unit: 'mm', resolution: 0.01 }
const inMil: Terms = { line, unit: 'mil', resolution: 0.0127 }

describe('a number in words', () => {
  it('never stands with a bare sign', () => {
    expect(place(0.216, 'vertical', inMm)).toBe('0.22 mm high')
    expect(place(-0.216, 'vertical', inMil)).toBe('8.5 mil low')
    expect(place(-0.122, 'horizontal', inMm)).toBe('0.12 mm toward aisle')
    expect(act(-0.216, 'vertical', inMm)).toBe('take out 0.22 mm of shim')
    expect(act(0.122, 'horizontal', inMil)).toBe('push 4.8 mil toward wall')
  })
  it('is nothing to do below the step of the dial', () => {
    expect(place(0.004, 'vertical', inMm)).toBe('in line')
    expect(act(-0.004, 'horizontal', inMm)).toBe('no side move')
    expect(place(0.006, 'vertical', inMm)).toBe('0.01 mm high')
  })
  it('has the unit of its kind', () => {
    expect(length(0.254, inMil)).toBe('10.0')
    expect(dimension(241.3, 'mil')).toBe('9.50 in')
    expect(dimension(-240, 'mm')).toBe('−240 mm')
    expect(slope(0.0004, 'mm')).toBe('0.040 mm/100 mm')
    expect(slope(0.0004, 'mil')).toBe('0.40 mil/in')
  })
  it('names angles by the sides of the line', () => {
    expect([0, 90, 180, 270, 360, 45].map((degrees) => angleName(degrees, inMm))).toEqual([
      'Top',
      'Wall',
      'Bottom',
      'Aisle',
      'Top again',
      '45°',
    ])
  })
})

it('tells two dials of one machine apart by their couplings, and by number at one coupling', () => {
  const terms = { line: withMachineAt(line, 2, 'blower', 'mm', (letter) => `${letter}${letter === 'm' ? 3 : 2}`) }
  const set = (coupling: string) => makeSet(terms.line, coupling, 's', 'mm')
  const on = (coupling: string, machine: string) => set(coupling).probes.find((probe) => probe.on === machine)!
  const named = (coupling: string, machine: string) =>
    probeName(set(coupling), on(coupling, machine), terms, { apart: true })
  expect(named('c1', 'm1')).toBe('Pump dial')
  expect(named('c1', 'm2')).toBe('Motor dial at coupling')
  expect(named('c2', 'm2')).toBe('Motor dial at coupling 2')
  const faces = makeSet({ ...terms.line, fixed: 'm1' }, 'c1', 's', 'mm', 'rim-two-faces')
  expect(faces.probes.map((probe) => probeName(faces, probe, terms))).toEqual([
    'Motor dial',
    'Motor face dial 1',
    'Motor face dial 2',
  ])
  const head = makeSet(terms.line, 'c1', 's', 'mm', 'two-plane-head')
  expect(probeName(head, head.probes[0]!, terms, { channel: 't2' })).toBe('Motor two-plane head, plane 2 sideways')
})

it('tells angles by the clock from either end', () => {
  const terms = { line }
  expect([0, 90, 180, 270, 45].map((at) => angleName(at, terms, 'clock-right'))).toEqual([
    '12 o’clock',
    '3 o’clock',
    '6 o’clock',
    '9 o’clock',
    '1:30 o’clock',
  ])
  expect([90, 270, 360].map((at) => angleName(at, terms, 'clock-left'))).toEqual([
    '9 o’clock',
    '3 o’clock',
    '12 o’clock again',
  ])
  expect(angleName(90, terms, 'degrees')).toBe('90°')
})

it('tells the next act in a list', () => {
  const sides = line.sides
  expect(sayNext({ next: { kind: 'next-reading', machine: 'Pump', degrees: 90 }, sides })).toBe(
    'Read wall on the pump dial',
  )
  expect(sayNext({ next: { kind: 'not-closed', machine: 'Pump' }, sides })).toBe(
    'Read the pump dial again: it does not close',
  )
})

it('reads angles as they are typed: degrees, quarters, sides by name, the clock from either end', () => {
  const terms = { line }
  const at = (text: string, as?: Parameters<typeof angleTyped>[2]) => {
    const typed = angleTyped(text, terms, as)
    return typed.ok ? typed.degrees : sayTrouble(typed.trouble)
  }
  expect(['45', '45°', '-90', '360', 'Bottom', 'wall', 'near'].map((text) => at(text))).toEqual([
    45, 45, 270, 360, 180, 90, 270,
  ])
  expect(['3', '1:30', '12', '9 o’clock', 'bottom'].map((text) => at(text, 'clock-right'))).toEqual([
    90, 45, 0, 270, 180,
  ])
  expect(['3', '9', '12'].map((text) => at(text, 'clock-left'))).toEqual([270, 90, 0])
  expect(at('25', 'clock-left')).toMatch(/not a time on a clock/)
  expect(at('steep')).toMatch(/not a known unit/)
})

it('names the feet of a machine whose name has a comma in it, everywhere', () => {
  const named = {
    ...line,
    machines: line.machines.map((machine) => ({ ...machine, name: `${machine.name}, 75 kW, 4 poles` })),
  }
  const terms = { ...inMm, line: named }
  expect(footName('m2-front', terms)).toBe('Motor, 75 kW, 4 poles, front feet')
  expect(feetAlone('m2-front', terms)).toBe('front feet')
  expect(seatFootName('m2-front.near', terms)).toContain('front foot')
  expect(seatFootName('m2-front.near', terms)).not.toContain('kW')
})
