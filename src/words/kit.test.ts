import { describe, expect, it } from 'vitest'
import { dialFit } from '../core/kit/fits'
import { compare, compareEach } from '../core/kit/gauge'
import { takeSag } from '../core/kit/sag'
import { demoKit } from '../server/demo/kit'
import { kitPeg, kitSummary, sayCompared, sayFit, sayParts, saySag } from './kit'

const today = '2026-11-23'
const items = demoKit(new Date(`${today}T08:00:00Z`))
const mm = (text: string) => ({ text, unit: 'mm' as const })
const named = (name: string) => items.find((item) => item.name === name)!

describe('the list of the kit', () => {
  it('says of every piece what it is, in either unit, with nothing missing', () => {
    for (const item of items)
      for (const unit of ['mm', 'mil'] as const)
        expect(kitSummary(item, unit, today)).not.toMatch(/undefined|NaN|, ,|^,|,$/)
    expect(kitSummary(named('Long bracket'), 'mm', today)).toMatch(/^sag −0\.28 mm at 320 mm, \d+ [A-Z][a-z]{2} 2026/)
    expect(kitSummary(named('Chain bracket'), 'mm', today)).toBe('sag not measured yet')
  })
  it('marks what is overdue and what was never taken', () => {
    expect(kitPeg(named('Small dial K3'), today)).toBe('outside')
    expect(kitPeg(named('Dial K1'), today)).toBe('within')
    expect(kitPeg(named('Chain bracket'), today)).toBe('unsure')
  })
})

describe('the sag bench says', () => {
  const said = (top: string, far: string, bottom: string, near: string) =>
    saySag(takeSag({ bar: { top: mm(top), far: mm(far), bottom: mm(bottom), near: mm(near) } }, 0.01), 'mm', 0.01)
  const pegs = (...bar: [string, string, string, string]) => said(...bar).map(({ peg }) => peg)
  it('what to read first, then the sag and whether it closes', () => {
    expect(said('0', '', '', '')[0]!.text).toMatch(/^Read top and bottom/)
    expect(said('0', '-0.05', '-0.10', '-0.05').map(({ text }) => text)).toEqual([
      'Sag: −0.10 mm, bottom minus top.',
      'Closes to 0.00 mm.',
      expect.stringMatching(/^Record the span and the dial/),
    ])
  })
  it('what is wrong with it', () => {
    expect(pegs('0', '', '-0.1', '')).toContain('unsure')
    expect(said('0', '0.05', '0.10', '0.05').some(({ text }) => /sags downward/.test(text))).toBe(true)
    expect(said('0', '-0.05', '-0.20', '-0.05').some(({ text }) => /Does not close: off by 0\.10 mm/.test(text))).toBe(
      true,
    )
    expect(said('0', '-0.10', '-0.10', '0').some(({ text }) => /Far and near differ by 0\.10 mm/.test(text))).toBe(true)
  })
})

it('a comparison is told with its repeatability, and never as within from one reading', () => {
  const gauge = (texts: readonly string[]) =>
    sayCompared(
      compare({
        nominal: mm('10'),
        over: mm('0.01'),
        under: mm('0.01'),
        readings: texts.map((text, i) => ({ id: `g${i}`, value: mm(text) })),
      }),
      'mm',
    ).map(({ text }) => text)
  expect(gauge([])).toEqual(['No reading yet.'])
  expect(gauge(['10.001']).join(' ')).toMatch(/does not show repeatability.*Can’t tell yet/)
  expect(gauge(['10.001', '10.002', '10.001']).join(' ')).toMatch(/over the block.*Repeatability ±.*Within tolerance/)
  expect(gauge(['9.970', '9.971']).join(' ')).toMatch(/under the block.*Out of tolerance/)
})

it('a dial is told to fit, to be too short, too coarse, or unknown', () => {
  const suits = (travel: string, graduation: string, swing: number) =>
    sayFit(dialFit({ travel: mm(travel), graduation: mm(graduation) }, swing), 'mm')
  expect(suits('10', '0.01', 2)).toEqual({
    text: 'Fits: uses 20 % of its travel. At the top, preload the plunger 5.0 mm and zero it.',
    peg: 'within',
  })
  expect(suits('1', '0.01', 2).peg).toBe('outside')
  expect(suits('10', '0.1', 0.3).text).toMatch(/Too coarse/)
  expect(suits('', '0.1', 0.3).peg).toBe('nothing')
})

it('tells of a series which parts are out, which can’t be told, and why', () => {
  const mm = (text: string) => ({ text, unit: 'mm' as const })
  const readings = ['25.001', '25.020', '24.992'].map((text, i) => ({ id: `p${i}`, value: mm(text) }))
  const gauge = { nominal: mm('25'), over: mm('0.01'), under: mm('0.01'), readings }
  const told = (known?: number) => sayParts(compareEach(gauge, known), 'mm', known).map(({ text }) => text)
  expect(told(0.002)).toEqual([
    '1 of 3 within tolerance.',
    'Out of tolerance: 2 by 0.0200 mm over.',
    'Can’t tell: the dial’s ± 0.0040 mm reaches the limit: 3 by 0.0080 mm under.',
  ])
  expect(told()[0]).toMatch(/^Can’t tell without the dial’s repeatability: 1 by .* Choose a dial from the kit\.$/)
  expect(sayParts([], 'mm', 0.002)).toEqual([{ text: 'No reading yet.', peg: 'nothing' }])
})
