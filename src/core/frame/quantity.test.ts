import { describe, expect, it } from 'vitest'
import { quantityFault, quantityFrom, quantityMm, showQuantity } from './quantity'

describe('a quantity', () => {
  it('keeps what was typed and is shown in either unit to the resolution it was typed with', () => {
    const reading = { text: '-0.28', unit: 'mm' } as const
    expect(showQuantity(reading, 'mm')).toBe('−0.28')
    expect(showQuantity(reading, 'mil')).toBe('−11.0')
    expect(showQuantity({ text: '5', unit: 'mil' }, 'mm', { signed: true })).toBe('+0.13')
    expect(showQuantity({ text: '9 1/2', unit: 'in' }, 'mm')).toBe('241.300')
  })
  it('takes a unit written in the text over its own', () => {
    expect(quantityMm({ text: '10 in', unit: 'mm' })).toBe(254)
  })
  it('is nothing where nothing is typed, and says what is wrong where that is no number', () => {
    expect(quantityMm({ text: ' ', unit: 'mm' })).toBeUndefined()
    expect(quantityFault({ text: ' ', unit: 'mm' })).toBeUndefined()
    expect(quantityMm({ text: '0.1x', unit: 'mm' })).toBeUndefined()
    expect(quantityFault({ text: '0.1x', unit: 'mm' })).toMatch(/unit/)
    expect(quantityFault({ text: '0..1', unit: 'mm' })).toMatch(/not a number/)
  })
  it('is written back from millimetres', () => {
    expect(quantityFrom(-0.254, 'mil', 1)).toEqual({ text: '-10.0', unit: 'mil' })
  })
})
