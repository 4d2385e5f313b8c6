import fc from 'fast-check'
import { expect, it } from 'vitest'
import { differencesOf } from './differences'

it('tells where two documents differ, members of a list by their ids', () => {
  const before = {
    note: 'a',
    rounds: [
      { id: 'r1', by: 'R. T.' },
      { id: 'r2', by: '' },
    ],
    n: [1, 2],
  }
  const after = {
    note: 'b',
    rounds: [
      { id: 'r2', by: 'I. M.' },
      { id: 'r1', by: 'R. T.' },
    ],
    n: [1, 3, 4],
  }
  expect(differencesOf(before, after)).toEqual([
    { path: ['note'], before: 'a', after: 'b' },
    { path: ['rounds', 'r2', 'by'], before: '', after: 'I. M.' },
    { path: ['n', '1'], before: 2, after: 3 },
    { path: ['n', '2'], before: undefined, after: 4 },
  ])
})

it('finds nothing between a document and its copy, and the same places whichever comes first', () => {
  fc.assert(
    fc.property(fc.json(), fc.json(), (one, other) => {
      const [a, b] = [JSON.parse(one), JSON.parse(other)]
      expect(differencesOf(a, JSON.parse(one))).toEqual([])
      const paths = (list: ReturnType<typeof differencesOf>) => new Set(list.map(({ path }) => path.join('\n')))
      expect(paths(differencesOf(a, b))).toEqual(paths(differencesOf(b, a)))
    }),
  )
})
