import { describe, expect, it } from 'vitest'
import { provedOf } from '../job/proved'
import { limitsOfLine } from '../kinds/train/document/limits'
import { makeJob } from '../kinds/train/document/make'
import { pumpAndMotor, readOnRig } from '../kinds/train/rig'
import { surveyOf } from '../kinds/train/survey/ofJob'
import { stripSpeeds } from '../prove/strip'
import { figuresTold, limitsOf } from './limits'
import { readRows, rowFaults, rowFor, type TypedLimitRow, tableCells, tableOfCells } from './table'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const row = (
  coupling: TypedLimitRow['coupling'],
  from: string,
  to: string,
  offset: string,
  slope: string,
): TypedLimitRow => ({
  id: `${coupling}${from}`,
  coupling,
  from,
  to,
  offset: mm(offset),
  slope: { text: slope, unit: 'mm/100 mm' },
})

const rows = [
  row('any', '0', '1200', '0.12', '0.10'),
  row('any', '1200', '1800', '0.09', '0.08'),
  row('rigid', '0', '3600', '0.03', '0.02'),
  row('spacer', '0', '3600', '', '0.05'),
]

describe('a table of limits', () => {
  const read = readRows(rows)
  it('is looked up by speed, its own kind of coupling before any', () => {
    expect(rowFor(read, 900, 'short')?.offset).toBe(0.12)
    expect(rowFor(read, 1480, 'short')?.offset).toBe(0.09)
    expect(rowFor(read, 1480, 'rigid')?.offset).toBe(0.03)
    expect(rowFor(read, 2000, 'short')).toBeUndefined()
    // where two ranges meet, the tighter one
    expect(rowFor(read, 1200, 'short')?.offset).toBe(0.09)
  })
  it('judges a short coupling by both figures and a spacer by the angle at its flex planes', () => {
    const joint = { x: 0, diameter: 160 }
    expect(limitsOf({ rpm: 1480, table: read }, joint, 'fine')).toEqual({
      offset: 0.09,
      slope: expect.closeTo(0.0008, 12),
      judgesOffset: true,
      source: 'table',
    })
    const spacer = { x: 0, diameter: 160, flexPlanes: [-100, 100] as const }
    expect(limitsOf({ rpm: 1480, table: read }, spacer, 'fine')).toMatchObject({ slope: 0.0005, judgesOffset: false })
    expect(limitsOf({ rpm: 2000, table: read }, joint, 'fine')).toBeUndefined()
    // the maker's figures win
    expect(
      limitsOf({ rpm: 1480, table: read, tolerance: { offset: 0.01, slope: 0.001 } }, joint, 'fine'),
    ).toMatchObject({
      offset: 0.01,
      source: 'figures',
    })
  })
  it('says by row what is wrong with it', () => {
    const wrong = [
      row('any', 'x', '1200', '0.1', '0.1'),
      row('any', '1500', '1200', '0.1', '0.1'),
      row('any', '0', '1000', '', '0.1'),
      row('any', '0', '1000', '0.1', '0'),
      row('short', '0', '1000', '0.1', '0.1'),
      row('short', '900', '1500', '0.1', '0.1'),
    ]
    expect([...rowFaults(wrong)]).toEqual([
      [0, 'speeds'],
      [1, 'backwards'],
      [2, 'offset'],
      [3, 'slope'],
      [5, 'overlap'],
    ])
    expect(rowFaults(rows).size).toBe(0)
  })
  it('goes out as cells and comes back the same; what is wrong in a file is named by row and column', () => {
    let n = 0
    const back = tableOfCells(tableCells(rows), () => `n${n++}`)
    expect(back.ok && back.rows.map(({ id: _, ...rest }) => rest)).toEqual(rows.map(({ id: _, ...rest }) => rest))
    const cells = tableCells(rows).map((line, i) =>
      i === 2 ? ['shaft', ...line.slice(1)] : i === 3 ? [...line.slice(0, 5), 'none', line[6] ?? ''] : line,
    )
    expect(tableOfCells(cells, () => `n${n++}`)).toEqual({
      ok: false,
      faults: [
        { row: 3, column: 1, what: 'coupling' },
        { row: 4, column: 6, what: 'slope' },
      ],
    })
    // without a heading, and with blank lines
    expect(
      tableOfCells(
        [
          ['any', '0', '900', '0.1', 'mm', '0.1', ''],
          ['', ''],
        ],
        () => 'one',
      ),
    ).toMatchObject({ ok: true, rows: [{ to: '900' }] })
  })
  it('decides a line, which keeps a copy of it, and is told in the open document as figures', () => {
    const line = {
      ...pumpAndMotor(),
      tolerance: { policy: 'table' as const, table: { id: 'k1', name: 'Site', source: '' }, rows },
    }
    expect(limitsOfLine(line)[0]?.limits).toMatchObject({ offset: 0.09, source: 'table' })
    expect(limitsOfLine({ ...line, speed: '2900' })[0]).toMatchObject({ limits: undefined, missing: ['row'] })
    const round = readOnRig(line, { offsetZ: 0.02, slopeZ: 0, offsetY: 0, slopeY: 0 })
    expect(surveyOf({ line }, round).train.tolerance).toEqual({ slope: 0.0008, offset: 0.09 })
    const job = { ...makeJob(line, '', '2026-01-01', 'mm'), rounds: [round] }
    expect(provedOf(job).proof.joints[0]?.solution.verdict).toMatchObject({
      state: 'within',
      limits: { source: 'table' },
    })
    expect(figuresTold({ rpm: 1480 }, [{ x: 0 }])).toBeUndefined()
  })
})

it('tries a line’s own speed, half as much again, twice it, and the next usual ones', () => {
  expect(stripSpeeds(1480).map(({ rpm }) => rpm)).toEqual([1480, 1800, 2220, 2960, 3600])
  expect(stripSpeeds(1000).map(({ rpm }) => rpm)).toEqual([1000, 1200, 1500, 1800, 2000])
  expect(stripSpeeds(4000).map(({ what }) => what)).toEqual(['own', { times: 1.5 }, { times: 2 }])
})
