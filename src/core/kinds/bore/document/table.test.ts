import { describe, expect, it } from 'vitest'
import { solveRound } from '../solve/round'
import { makeLine, makeRound } from './make'
import { fromSheet, sheetOf } from './table'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const made = makeLine('Bores', 'mm', ['3'])
const line = { ...made, sections: made.sections.map((section, i) => ({ ...section, x: mm(String(500 * i)) })) }
const round = (() => {
  const empty = makeRound(line, '', 'mm')
  const values = [
    ['0.00', '0.10', '0.04', '-0.06'],
    ['0.12', '0.02', '-0.12', '-0.02'],
    ['0.01', '0.01', '0.01', '0.01'],
  ]
  return {
    ...empty,
    sets: empty.sets.map((set, i) => ({
      ...set,
      values: Object.fromEntries([0, 90, 180, 270].map((at, k) => [`a${at}`, mm(values[i]?.[k] ?? '')])),
    })),
  }
})()
let n = 0
const newId = () => `new${++n}`

describe('a row of bores as a sheet', () => {
  it('goes out and comes in as it stood', () => {
    const cells = sheetOf(line, round, 'mm')
    expect(cells[0]).toEqual(
      'bore,pocket,along mm,diameter mm,reads,sag mm,0 deg mm,90 deg mm,180 deg mm,270 deg mm'.split(','),
    )
    const read = fromSheet(line, round, cells, 'mm', newId)
    expect(read.ok).toBe(true)
    if (!read.ok) return
    expect(read.round.sets.map(({ id, places }) => [id, places])).toEqual(round.sets.map(({ id }) => [id, 4]))
    const told = (solved: ReturnType<typeof solveRound>) =>
      JSON.stringify(solved.sections.map(({ solved: own }) => own))
    expect(told(solveRound(read.line, read.round))).toBe(told(solveRound(line, round)))
  })
  it('eight places in a file make a set of eight; places that are not evenly round are refused by their row', () => {
    const heading = ['bore', 'along mm', ...[0, 45, 90, 135, 180, 225, 270, 315].map((at) => `${at} deg mm`)]
    const eight = [heading, ['A', '0', ...'12345678'], ['B', '400', ...'87654321']]
    const read = fromSheet(line, { ...round, sets: [] }, eight, 'mm', newId)
    expect(read.ok && read.round.sets.map(({ places }) => places)).toEqual([8, 8])
    expect(read.ok && read.line.sections.map(({ name }) => name)).toEqual(['A', 'B'])
    const odd = [
      ['bore', 'along mm', '0 deg mm', '30 deg mm', '45 deg mm'],
      ['A', '0', '1', '', '2'],
      ['B', '400', '1', '2', '3'],
    ]
    expect(fromSheet(line, { ...round, sets: [] }, odd, 'mm', newId)).toMatchObject({
      ok: false,
      faults: [{ row: 3, trouble: { kind: 'uneven-places' } }],
    })
  })
})
