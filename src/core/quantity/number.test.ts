import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatNumber, formatSigned, parseNumber } from './number'

describe('a typed number', () => {
  it.each([
    ['12', 12],
    ['-.5', -0.5],
    ['+0.3', 0.3],
    ['1,5', 1.5],
    ['0,125', 0.125],
    ['−0.283', -0.283],
    ['3 1/8', 3.125],
    ['-1/4', -0.25],
    [' 7. ', 7],
  ])('%j is %d', (text, value) => {
    expect(parseNumber(text)).toEqual({ ok: true, value })
  })
  it.each([
    ['12 mm', 12, 'mm'],
    ['5 thou', 5, 'mil'],
    ['9 1/2"', 9.5, 'in'],
    ['20µm', 20, 'um'],
  ] as const)('%j carries its unit', (text, value, unit) => {
    expect(parseNumber(text)).toEqual({ ok: true, value, unit })
  })
  it.each(['', 'abc', '1.2.3', '-', '1/0', '12 furlongs', '--3', '1e5'])('%j is asked back', (text) => {
    expect(parseNumber(text).ok).toBe(false)
  })
  it('asks back a comma that could part the thousands', () => {
    expect(parseNumber('1,500')).toEqual({ ok: false, trouble: { kind: 'two-ways', text: '1,500' } })
  })
  it('reads back what is shown', () => {
    fc.assert(
      fc.property(fc.integer({ min: -999999, max: 999999 }), (thousandths) => {
        const shown = formatSigned(thousandths / 1000, 3)
        expect(parseNumber(shown)).toEqual({ ok: true, value: thousandths / 1000 })
      }),
    )
  })
  it('never shows minus zero', () => {
    expect(formatNumber(-0.0004, 2)).toBe('0.00')
    expect(formatSigned(0.0004, 2)).toBe('0.00')
  })
})

it('reads blades and shims laid on each other as their sum, and no other sums', () => {
  const read = (text: string) => {
    const typed = parseNumber(text)
    return typed.ok ? [typed.value, typed.unit] : typed.trouble.kind
  }
  expect([read('6+5'), read('0.5 + 0.05 mm'), read('.05+.1'), read('2+3+4mil')]).toEqual([
    [11, undefined],
    [0.55, 'mm'],
    [expect.closeTo(0.15, 12), undefined],
    [9, 'mil'],
  ])
  expect([read('6+'), read('+5'), read('-6+5'), read('6++5'), read('6 mm+5')]).toEqual([
    'not-a-number',
    [5, undefined],
    'not-a-number',
    'not-a-number',
    'not-a-number',
  ])
})
