import { describe, expect, it } from 'vitest'
import {
  positiveFault,
  positiveMm,
  type Quantity,
  quantityFault,
  quantityFrom,
  quantityMm,
  retyped,
  showQuantity,
  typedStep,
} from './quantity'

describe('a quantity', () => {
  it('keeps what was typed and is shown in either unit to the resolution it was typed with', () => {
    const reading = { text: '-0.28', unit: 'mm' } as const
    expect(showQuantity(reading, 'mm')).toBe('−0.28')
    expect(showQuantity(reading, 'mil')).toBe('−11.0')
    expect(showQuantity({ text: '5', unit: 'mil' }, 'mm', { signed: true })).toBe('+0.13')
    expect(showQuantity({ text: '9 1/2', unit: 'in' }, 'mm')).toBe('241.3')
  })
  it('takes a unit written in the text over its own', () => {
    expect(quantityMm({ text: '10 in', unit: 'mm' })).toBe(254)
  })
  it('is nothing where nothing is typed, and says what is wrong where that is no number', () => {
    expect(quantityMm({ text: ' ', unit: 'mm' })).toBeUndefined()
    expect(quantityFault({ text: ' ', unit: 'mm' })).toBeUndefined()
    expect(quantityMm({ text: '0.1x', unit: 'mm' })).toBeUndefined()
    expect(quantityFault({ text: '0.1x', unit: 'mm' })?.kind).toBe('no-unit')
    expect(quantityFault({ text: '0..1', unit: 'mm' })?.kind).toBe('not-a-number')
  })
  it('is written back from millimeters', () => {
    expect(quantityFrom(-0.254, 'mil', 1)).toEqual({ text: '-10.0', unit: 'mil' })
  })
})

describe('a number that must be above zero', () => {
  const mm = (text: string, was?: string) => ({
    text,
    unit: 'mm' as const,
    ...(was ? { was: { text: was, unit: 'mm' as const } } : {}),
  })
  it('keeps the last good one while another is typed', () => {
    let graduation: Quantity = mm('0.01')
    const used: (number | undefined)[] = []
    for (const text of ['0', '0.', '0.0', '0.02']) {
      graduation = retyped(graduation, mm(text))
      used.push(positiveMm(graduation))
    }
    expect(used).toEqual([0.01, 0.01, 0.01, 0.02])
    expect(graduation.was).toBeUndefined()
  })
  it.each([
    ['0', 'not-above-zero'],
    ['-0.01', 'not-above-zero'],
    ['abc', 'no-unit'],
    ['50', 'too-large'],
    ['0.000001', 'too-small'],
    ['', undefined],
    ['0.01', undefined],
  ])('“%s”', (text, fault) => {
    expect(positiveFault(mm(text))?.kind).toBe(fault)
    expect(positiveMm(mm(text))).toBe(text === '0.01' ? 0.01 : undefined)
  })
  it('more than a kilometer is said and left out', () => {
    expect(quantityMm(mm('1000001'))).toBeUndefined()
    expect(quantityFault(mm('1000001'))?.kind).toBe('too-far')
    expect(quantityMm(mm('999999'))).toBe(999999)
  })
})

describe('a fraction', () => {
  it('is known to a sixteenth of its own step, and so lengthens no number printed beside it', () => {
    expect(typedStep({ text: '3 1/8', unit: 'in' })).toBeCloseTo(25.4 / 128, 9)
    expect(typedStep({ text: '1/2', unit: 'mil' })!).toBeGreaterThan(0.0005)
    expect(showQuantity({ text: '3 1/8', unit: 'in' }, 'mm')).toBe('79.4')
    expect(showQuantity({ text: '3 1/8', unit: 'in' }, 'in')).toBe('3 1/8')
  })
})
