import { describe, expect, it } from 'vitest'
import { makeLine } from '../../../core/kinds/train/document/make'
import { linesFitting } from './linesFitting'

const line = (name: string, area: string, left: 'pump' | 'fan') => ({
  name,
  area,
  document: makeLine(name, left, 'motor', 'mm'),
})
const lines = [
  line('Rinse pump 3', 'Wash hall', 'pump'),
  line('Booster fan', 'Drying loft', 'fan'),
  line('100 %_ duty pump', 'Wash hall', 'pump'),
]
const names = (search: string) => linesFitting(lines, search).map(({ name }) => name)

describe('a search among the lines', () => {
  it.each([
    ['', ['Rinse pump 3', 'Booster fan', '100 %_ duty pump']],
    ['  wash  PUMP ', ['Rinse pump 3', '100 %_ duty pump']],
    ['loft', ['Booster fan']],
    ['fan motor', ['Booster fan']],
    ['%_', ['100 %_ duty pump']],
    ['walrus', []],
  ])('“%s” wants every word, in name, area or machines', (search, found) => {
    expect(names(search)).toEqual(found)
  })
})
