import { describe, expect, it } from 'vitest'
import { kindNames, kindOf } from '../kinds'
import '../kinds/all'
import { unitOfLine } from './unitOfLine'

describe.each(kindNames)('a %s', (kind) => {
  it('drawn in inches is worked in mils, one drawn in millimeters in those, whatever is typed into a few of its fields', () => {
    const made = (unit: 'mm' | 'mil') => kindOf({ kind }).makeLine('x', unit, [])
    expect([unitOfLine(made('mm')), unitOfLine(made('mil'))]).toEqual(['mm', 'mil'])
  })
})

it('goes by what was typed, then by what was left empty, and says nothing of a line without dimensions', () => {
  const of = (...units: readonly [string, string][]) => units.map(([text, unit]) => ({ text, unit }))
  expect(unitOfLine({ a: of(['1', 'in'], ['', 'mm'], ['', 'mm']) })).toBe('mil')
  expect(unitOfLine({ a: of(['1', 'in'], ['25', 'mm'], ['30', 'mm']) })).toBe('mm')
  expect(unitOfLine({ a: of(['', 'in']) })).toBe('mil')
  expect(unitOfLine({ name: 'x' })).toBeUndefined()
})
