import { describe, expect, it } from 'vitest'
import { cellInText } from './belt/findings'
import { angleInText, angleName, inText } from './terms'

describe('a name inside a sentence', () => {
  it.each([
    ['Motor', 'motor'],
    ['Coupling 2', 'coupling 2'],
    ['Motor, front feet', 'motor, front feet'],
    ['Motor dial', 'motor dial'],
  ])('that the program gave is a word like any other: %s', (name, text) => {
    expect(inText(name)).toBe(text)
  })
  it.each(['P-101A', 'Motor P-101A', 'Pump 4B', 'Rinse pump 3', 'pH-Loop', 'North Wall', 'ΔP-pump'])(
    'that a person typed keeps its letters: %s',
    (name) => {
      expect(inText(name)).toBe(name)
    },
  )
})

it('a side keeps its letters inside a sentence and at the head of a cell', () => {
  const sides = { near: 'Bay 3 East', far: 'North Wall' }
  const terms = { line: { sides } }
  expect([angleInText(90, terms), angleName(90, terms), angleInText(270, terms)]).toEqual([
    'North Wall',
    'North Wall',
    'Bay 3 East',
  ])
  expect(cellInText('a90t', { sides })).toBe('North Wall, turned 180°')
})
