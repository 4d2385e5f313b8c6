import { expect, it } from 'vitest'
import { makeLine, makeSet } from '../../core/kinds/belt/document/make'
import { say } from './findings'
import { sayNext } from './next'

it('a typed number that is none is named by its field, with what to do', () => {
  const line = makeLine('Fan drive', 'mm', ['Fan', 'Motor'])
  const terms = { line, unit: 'mm', resolution: 0.01 } as const
  const set = makeSet('s2', 'set', 'mm', 'angles')
  const trouble = { kind: 'not-a-number', text: 'abc' } as const
  for (const [key, name] of [
    ['toe', 'toe, degrees'],
    ['tilt', 'tilt, degrees'],
    ['radius', 'measuring radius'],
    ['offset', 'face offset, + to the right'],
  ])
    expect(say({ kind: 'not-a-number', peg: 'outside', set, key: key!, trouble }, terms, 0.01).title).toBe(
      `Motor sheave, ${name}: not a number.`,
    )
  const limit = say({ kind: 'limit-not-a-number', peg: 'outside', trouble }, terms, 0.01)
  expect(limit.title).toBe('The belt limit is invalid.')
  expect(limit.detail).toContain('“abc” is not a number.')
  expect(sayNext({ next: { kind: 'limit-not-a-number' }, sheaves: [] })).toBe('Correct the belt limit')
})
