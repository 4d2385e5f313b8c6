import { describe, expect, it } from 'vitest'
import { makeJob, makeLine, makeSet } from '../job/make'
import { solveRound } from '../job/solve'
import { type Cells, guessMapping, readingsTable, takeReadings } from './readings'

const line = makeLine('x', 'pump', 'motor', 'mm')
const set = makeSet(line, 'c1', 's', 'mm')
const states = [
  { id: 's-right', words: 'Motor dial' },
  { id: 's-left', words: 'Pump dial' },
]
const table = (text: string): Cells => text.split('\n').map((row) => row.split(';'))

describe('columns', () => {
  it('are guessed from their headings', () => {
    const cells = table('pump, mil;motor;angle\n0;0;0\n1;2;90')
    expect(guessMapping(cells, states, 'mm')).toEqual({
      angle: 2,
      columns: { 's-right': 1, 's-left': 0 },
      unit: 'mil',
      headings: 1,
    })
  })
  it('are taken in order where nothing names them', () => {
    expect(guessMapping(table('0;0;0\n90;1;2'), states, 'mm')).toEqual({
      angle: 0,
      columns: { 's-right': 1, 's-left': 2 },
      unit: 'mm',
      headings: 0,
    })
  })
})

const mapping = { angle: 0, columns: { 's-right': 1, 's-left': 2 }, unit: 'mm' as const, headings: 0 }

describe('rows', () => {
  it('become readings at their angles, in their unit, the same angle again the return', () => {
    const taken = takeReadings(set, table('0;0;0\n90;-0,283;0.081\n180°;-0.412;0.104\n0;0.01;0'), mapping)
    if (!taken.ok) throw new Error(taken.faults[0]?.message)
    expect(taken.asSweep).toBe(false)
    expect(taken.set.angles.map(({ degrees }) => degrees)).toEqual([0, 90, 180, 360])
    expect(taken.set.probes[0]!.readings).toEqual({
      a0: { value: { text: '0', unit: 'mm' }, turns: 0 },
      a90: { value: { text: '-0.283', unit: 'mm' }, turns: 0 },
      a180: { value: { text: '-0.412', unit: 'mm' }, turns: 0 },
      a360: { value: { text: '0.01', unit: 'mm' }, turns: 0 },
    })
  })
  it('become a sweep where there are many', () => {
    const rows = Array.from({ length: 300 }, (_, i) => `${i};${Math.sin(i)};0`).join('\n')
    const taken = takeReadings(set, table(rows), mapping)
    expect(taken).toMatchObject({ ok: true, asSweep: true, rows: 300 })
    expect(taken.ok && taken.set.probes[0]!.sweep!.degrees).toHaveLength(300)
    expect(taken.ok && taken.set.probes[0]!.readings).toEqual({})
  })
  it.each([
    ['0;0;0\n90;abc;1', { row: 2, column: 2 }],
    ['0;0;0\n;1;1', { row: 2, column: 1 }],
    ['0;0\n90;1', { row: 1, column: 3 }],
    ['', { row: 0, column: 0 }],
  ])('that cannot be read are named, and nothing is taken: %j', (text, place) => {
    const taken = takeReadings(set, table(text), mapping)
    expect(taken.ok).toBe(false)
    expect(!taken.ok && taken.faults[0]).toMatchObject(place)
  })
  it('are refused where a column is chosen twice or none is', () => {
    const cells = table('0;0;0')
    const twice = takeReadings(set, cells, { ...mapping, columns: { 's-right': 1, 's-left': 1 } })
    const none = takeReadings(set, cells, { ...mapping, columns: {} })
    expect(!twice.ok && twice.faults[0]?.message).toMatch(/chosen twice/)
    expect(!none.ok && none.faults[0]?.message).toMatch(/which column/)
  })
  it('come out again as they went in', () => {
    const taken = takeReadings(set, table('0;0;0\n90;-0.283;0.081\n180;-0.412;0.104'), mapping)
    if (!taken.ok) throw new Error('refused')
    const job = makeJob(line, 'x', '', 'mm')
    const solved = solveRound(job, { ...job.rounds[0]!, sets: [taken.set] })
    expect(readingsTable(taken.set, solved.dials, ({ id }) => id, 'mm')).toEqual([
      ['angle, degrees', 's-right, mm', 's-left, mm'],
      ['0', '0', '0'],
      ['90', '-0.283', '0.081'],
      ['180', '-0.412', '0.104'],
    ])
  })
})
