import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { plainFaults } from '../testing/plainEnglish'
import { glossary, glossaryPage, termsIn } from './glossary'

it('says each term once, in one plain sentence, in the order of the alphabet', () => {
  const names = glossary.map(({ term }) => term)
  expect(new Set(names).size).toBe(names.length)
  expect(names).toEqual([...names].sort((a, b) => a.localeCompare(b, 'en')))
  for (const { term, means } of glossary) {
    expect(plainFaults(means)).toEqual([])
    expect(means, term).toMatch(/^[^a-z](?:(?!\. ).)*\.$/)
  }
})

it('finds the terms of a text, in any of their forms, and no part of another word', () => {
  const found = (text: string) => termsIn(text).map(({ term }) => term)
  expect(found('Soft foot: the motor rocks. Enter the bracket sag.')).toEqual(['Bracket sag', 'Soft foot'])
  expect(found('± 0.02 mm (2 SD), TIR 0.11 mm')).toEqual(['SD', 'TIR'])
  expect(found('Hub separation 3.2 mm')).toEqual(['Hub separation (DBSE)'])
  expect(found('The interface of a website')).toEqual([])
})

it('is what docs/glossary.md says', () => {
  expect(readFileSync('docs/glossary.md', 'utf8')).toBe(glossaryPage())
})
