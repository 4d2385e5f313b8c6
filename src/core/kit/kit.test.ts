import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { withBracket, withDial } from '../kinds/train/document/fromKit'
import { makeJob, makeLine } from '../kinds/train/document/make'
import { makeProbe } from '../shafts/make'
import { probeSchema } from '../shafts/schema'
import { dialFit, dialSd } from './fits'
import { compare, compareEach } from './gauge'
import { lifted } from './lift'
import { makeKitItem } from './make'
import { takeSag } from './sag'
import { type KitBracket, type KitDial, kitItemSchema } from './schema'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const bar = (top: string, far: string, bottom: string, near: string) => ({
  bar: { top: mm(top), far: mm(far), bottom: mm(bottom), near: mm(near) },
})

describe('the sag bench', () => {
  it('takes bottom less top, and checks closure and sides', () => {
    expect(takeSag(bar('0', '-0.05', '-0.10', '-0.05'), 0.01)).toEqual({
      sag: -0.1,
      closure: expect.closeTo(0, 9),
      sideways: 0,
      good: true,
    })
    expect(takeSag(bar('0.02', '-0.03', '-0.08', '-0.03'), 0.01).sag).toBeCloseTo(-0.1, 9)
  })
  it('keeps none that rises, does not close or leans sideways', () => {
    expect(takeSag(bar('0', '0.05', '0.10', '0.05'), 0.01).good).toBe(false)
    expect(takeSag(bar('0', '-0.05', '-0.15', '-0.05'), 0.01).good).toBe(false)
    expect(takeSag(bar('0', '-0.10', '-0.10', '0'), 0.01)).toMatchObject({ closure: expect.closeTo(0, 9), good: false })
    expect(takeSag(bar('0', '', '', ''), 0.01)).toMatchObject({ sag: undefined, good: false })
    expect(takeSag(bar('0', '', '-0.2', ''), 0.01)).toMatchObject({ sag: -0.2, closure: undefined, good: true })
  })
})

describe('the gauge bench', () => {
  const gauge = (readings: readonly string[]) =>
    compare({
      nominal: mm('25'),
      over: mm('0.01'),
      under: mm('0.01'),
      readings: readings.map((text, i) => ({ id: `g${i}`, value: mm(text) })),
    })
  it('tells mean, repeatability and how far off', () => {
    const found = gauge(['25.002', '25.004', '25.003'])
    expect(found.mean).toBeCloseTo(25.003, 9)
    expect(found.repeat).toBeCloseTo(0.001, 9)
    expect(found.off).toBeCloseTo(0.003, 9)
    expect(found.state).toBe('within')
  })
  it('cannot tell from one reading, nor where the scatter reaches the limit', () => {
    expect(gauge(['25.002']).state).toBe('unsure')
    expect(gauge(['25.000', '25.016']).state).toBe('unsure')
    expect(gauge(['25.020', '25.021', '25.022']).state).toBe('outside')
    expect(gauge([]).state).toBeUndefined()
  })
  it('judges one reading by what its dial is known to repeat to', () => {
    const one = (text: string, known?: number) =>
      compare(
        { nominal: mm('25'), over: mm('0.01'), under: mm('0.01'), readings: [{ id: 'g', value: mm(text) }] },
        known,
      ).state
    expect(one('25.002', 0.002)).toBe('within')
    expect(one('25.008', 0.002)).toBe('unsure')
    expect(one('25.015', 0.002)).toBe('outside')
    expect(dialSd({ sd: mm(''), graduation: mm('0.01') })).toBe(0.005)
    expect(dialSd({ sd: mm('0.002'), graduation: mm('0.01') })).toBe(0.002)
    expect(dialSd({ sd: mm(''), graduation: mm('') })).toBeUndefined()
  })
  it('judges a series of parts one by one, and those not read not at all', () => {
    const readings = ['25.001', '25.020', '', '24.992', '24.985'].map((text, i) => ({ id: `p${i}`, value: mm(text) }))
    const parts = compareEach({ nominal: mm('25'), over: mm('0.01'), under: mm('0.01'), readings }, 0.002)
    expect(parts.map(({ state }) => state)).toEqual(['within', 'outside', undefined, 'unsure', 'outside'])
    expect(parts.map(({ off }) => off?.toFixed(3))).toEqual(['0.001', '0.020', undefined, '-0.008', '-0.015'])
    const blind = compareEach({ nominal: mm('25'), over: mm('0.01'), under: mm('0.01'), readings })
    expect(blind.map(({ state }) => state)).toEqual(['unsure', 'unsure', undefined, 'unsure', 'unsure'])
  })
})

it('fits a dial to a swing, in the middle of its travel', () => {
  const dial = { travel: mm('10'), graduation: mm('0.01') }
  expect(dialFit(dial, 2, 0.6)).toEqual({ fits: true, share: 0.2, depthAtTop: 5.6, graduations: 200 })
  expect(dialFit(dial, 8.5)?.fits).toBe(false)
  expect(dialFit({ travel: mm(''), graduation: mm('0.01') }, 1)).toBeUndefined()
})

it.each(['dial', 'bracket', 'head', 'gauge'] as const)('makes a %s that is stored as it is', (kind) => {
  for (const unit of ['mm', 'mil'] as const)
    expect(v.safeParse(kitItemSchema, makeKitItem(kind, unit)).success).toBe(true)
})

it('brings what is known of dial and bracket to a probe, and keeps for the record where it came from', () => {
  const line = makeLine('Rinse pump', 'pump', 'motor', 'mm')
  makeJob(line, 'x', '', 'mm')
  const probe = makeProbe({ type: 'rim', on: 'm2', coupling: 'c1', toward: 'right', id: 'p', unit: 'mm' })
  const dial: KitDial = { ...(makeKitItem('dial', 'mm') as KitDial), name: 'Long one', type: 'lever', sd: mm('0.003') }
  const bracket: KitBracket = {
    ...(makeKitItem('bracket', 'mm') as KitBracket),
    name: 'Chain bracket',
    span: mm('250'),
    sag: mm('-0.12'),
    dial: 'Short one',
    takenOn: '2026-10-01',
  }
  const hung = withBracket(withDial(probe, 'k1', dial), 'k2', bracket)
  expect(hung).toMatchObject({
    sag: mm('-0.12'),
    span: mm('250'),
    sd: mm('0.003'),
    travel: mm('10'),
    correction: { kind: 'lever' },
    kit: { dial: { name: 'Long one' }, bracket: { name: 'Chain bracket', dial: 'Short one', takenOn: '2026-10-01' } },
  })
  expect(v.safeParse(probeSchema, hung).success).toBe(true)
})

describe('a known lift', () => {
  const of = (lift: string, sd: string, ...feet: readonly (readonly [before: string, after: string])[]) =>
    lifted({
      lift: mm(lift),
      sd: mm(sd),
      stations: feet.map(([before, after], i) => ({ id: `f${i}`, name: '', before: mm(before), after: mm(after) })),
    })
  it('is true where every foot tells what was put in, within the doubt of a difference', () => {
    const found = of('0.5', '', ['0.10', '0.61'], ['-0.20', '0.28'])
    expect(found).toMatchObject({ state: 'true' })
    expect(found.feet.map(({ ratio }) => ratio)).toEqual([expect.closeTo(1.02, 9), expect.closeTo(0.96, 9)])
    expect(found.sd).toBeCloseTo((Math.SQRT2 * 0.01) / 0.5, 9)
  })
  it('tells a coupling that holds from a wrong distance, and a sign from both', () => {
    // all 60 %: what an engaged coupling does
    expect(of('1', '', ['0', '0.6'], ['0.2', '0.81']).state).toBe('alike')
    // 100 and 85 %: a slope taken too small
    expect(of('1', '', ['0', '1.0'], ['0', '0.85']).state).toBe('differ')
    expect(of('1', '', ['0', '-0.99'], ['0', '-1.01']).state).toBe('turned')
  })
  it('can’t tell where the lift is small beside the doubt, and says nothing while something is missing', () => {
    expect(of('0.05', '', ['0', '0.05']).state).toBe('unsure')
    expect(of('0.05', '0.001', ['0', '0.05']).state).toBe('true')
    for (const lift of ['', '0', '-1', 'x']) expect(of(lift, '', ['0', '1']).state).toBe('open')
    expect(of('1', '', ['0', ''], ['', '1']).state).toBe('open')
  })
  it('is a piece of kit that can be stored', () => {
    expect(v.safeParse(kitItemSchema, makeKitItem('lift', 'mil')).success).toBe(true)
  })
})
