import { describe, expect, it } from 'vitest'
import { typedMm } from '../../core/practice/typed'
import { lengthsIn, typedKept, typedShown } from './lengths'

describe('lengths of a lesson', () => {
  it('are told in the unit shown, sizes of the machine in inches with it', () => {
    const [mm, mil] = [lengthsIn('mm'), lengthsIn('mil')]
    expect([mm.told(0.254), mm.signed(0.254), mm.size(254), mm.told(2, 0.1)]).toEqual([
      '0.25 mm',
      '+0.25 mm',
      '254 mm',
      '2.0 mm',
    ])
    expect([mil.told(0.254), mil.signed(-0.254), mil.size(254), mil.told(0.0254, 0.0254)]).toEqual([
      '10.0 mil',
      '−10.0 mil',
      '10.00 in',
      '1 mil',
    ])
  })
  it('what is typed is of the unit shown, and stays what it was where that is changed', () => {
    const kept = typedKept('10', 'mil')
    expect(typedMm(kept)).toBeCloseTo(0.254, 12)
    expect(typedShown(kept, 'mil')).toBe('10')
    expect(typedShown(kept, 'mm')).toBe('10 mil')
    expect(typedShown(typedKept('0.25', 'mm'), 'mil')).toBe('0.25 mm')
    expect(typedKept('0.25 mm', 'mil')).toBe('0.25 mm')
    // half typed, nothing is made up
    for (const text of ['', '−', '+', 'abc']) {
      expect(typedKept(text, 'mil')).toBe(text)
      expect(typedShown(text, 'mil')).toBe(text)
    }
    // digit by digit as it is typed and taken back
    let text = ''
    for (const raw of ['1', '12', '12.', '12.5', '12.', '1', '']) {
      text = typedKept(raw, 'mil')
      expect(typedShown(text, 'mil')).toBe(raw)
    }
  })
})
