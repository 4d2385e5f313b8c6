import { describe, expect, it } from 'vitest'
import { solveRound } from '../solve/round'
import { makeLine, makeRound } from './make'
import { fromSheet, sheetOf } from './table'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const line = (() => {
  const made = makeLine('Sheet line', 'mm', ['3'])
  return {
    ...made,
    width: mm('1600'),
    reference: 'r1',
    rolls: made.rolls.map((roll, i) => ({ ...roll, x: mm(String(700 * i)), diameter: mm('200'), fixed: i === 0 })),
  }
})()
const round = {
  ...makeRound(line, '', 'mm'),
  over: mm('1500'),
  values: { 'r1.tapeNear': mm('700.00'), 'r1.tapeFar': mm('700.60'), 'r2.near': mm('-0.1'), 'r2.far': mm('0.2') },
  divisions: { 'r1.level': '1.5', 'r1.turned': '-1.5' },
  stands: { r2: 'S1' },
}
let n = 0
const newId = () => `new${++n}`

describe('a section as a sheet', () => {
  it('goes out and comes in as it stood, in mm and in mil', () => {
    for (const unit of ['mm', 'mil'] as const) {
      const read = fromSheet(line, round, sheetOf(line, round, unit), unit, newId)
      expect(read.ok).toBe(true)
      if (!read.ok) continue
      expect(read.line.rolls.map(({ id, name, fixed }) => [id, name, fixed])).toEqual(
        line.rolls.map(({ id, name, fixed }) => [id, name, fixed]),
      )
      expect(read.line.reference).toBe('r1')
      expect(read.round.divisions).toEqual(expect.objectContaining(round.divisions))
      expect(read.round.stands).toEqual(round.stands)
      const [was, now] = [solveRound(line, round), solveRound(read.line, read.round)]
      const told = (solved: typeof was) => solved.spans.map(({ inPlane }) => inPlane?.value)
      // in mil it is written to a hundredth: what rounding costs
      told(was).forEach((value, i) => {
        if (value === undefined) expect(told(now)[i]).toBeUndefined()
        else expect(told(now)[i]).toBeCloseTo(value, unit === 'mm' ? 12 : 6)
      })
    }
  })
  it('two hundred rolls come in, none that was read is lost, and columns may stand in any order', () => {
    const cells = [
      ['Roll', 'diameter mm', 'down the line mm', 'level divisions'],
      ...Array.from({ length: 200 }, (_, i) => [`Roll ${i + 1}`, '160', String(500 * i), '0.5']),
    ]
    const read = fromSheet(line, round, cells, 'mm', newId)
    expect(read.ok && read.line.rolls).toHaveLength(200)
    if (!read.ok) return
    expect(read.round.values['r1.tapeFar']).toEqual(mm('700.60'))
    expect(new Set(read.line.rolls.map(({ id }) => id)).size).toBe(200)
    expect(fromSheet(line, round, [...cells, ['Roll 201', '160', '1', '']], 'mm', newId)).toMatchObject({
      ok: false,
      faults: [{ trouble: { kind: 'too-large' } }],
    })
  })
  it('what is wrong is told by its cell, and nothing is taken', () => {
    const read = fromSheet(
      line,
      round,
      [
        ['roll', 'diameter mm', 'web passes', 'color'],
        ['Roll 1', 'thick', 'over', ''],
        ['Roll 2', '160', 'round', ''],
      ],
      'mm',
      newId,
    )
    expect(read).toEqual({
      ok: false,
      faults: [
        { row: 1, column: 4, trouble: { kind: 'no-heading', text: 'color' } },
        { row: 2, column: 2, trouble: { kind: 'no-unit', text: 'thick' } },
        { row: 3, column: 3, trouble: { kind: 'none-of', text: 'over, under' } },
      ],
    })
  })
  it('the web’s own limit holds where nobody typed one: a quarter of what lets an edge hang slack', () => {
    const web = { tension: '0.2', modulus: '4000', thickness: '0.05' }
    const [first, ...others] = line.rolls
    const typed = { ...line, web, rolls: [first!, { ...others[0]!, limit: '0.3' }, others[1]!] }
    const limits = solveRound(typed, round).spans.map(({ limit }) => limit)
    expect(limits[0]).toBeCloseTo(0.0003, 12)
    // b = 0.25 · 2·700·0.2/(4000·0.05·1600)
    expect(limits[1]).toBeCloseTo((0.25 * 2 * 700 * 0.2) / (4000 * 0.05 * 1600), 8)
  })
})
