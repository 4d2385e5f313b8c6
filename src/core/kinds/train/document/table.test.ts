import { describe, expect, it } from 'vitest'
import { solveRound } from '../solve/round'
import { makeJob, makeLine, makeSet } from './make'
import { type Cells, guessMapping, readingsTable, takeReadings } from './table'

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
      angleAs: 'quarters',
    })
  })
  it('are taken in order where nothing names them', () => {
    expect(guessMapping(table('0;0;0\n90;1;2'), states, 'mm')).toEqual({
      angle: 0,
      columns: { 's-right': 1, 's-left': 2 },
      unit: 'mm',
      headings: 0,
      angleAs: 'quarters',
    })
  })
})

describe('angles', () => {
  const sides = { near: 'door', far: 'Wall' }
  const guess = (text: string, own: Parameters<typeof guessMapping>[4] = {}) =>
    guessMapping(table(text), states, 'mm', sides, own)
  const degreesOf = (text: string, own: Parameters<typeof guessMapping>[4] = {}) => {
    const taken = takeReadings(set, table(text), guess(text, own), sides)
    return taken.ok ? taken.set.angles.map(({ degrees }) => degrees) : taken.faults
  }
  it('are told in words, the line’s own names for its sides among them', () => {
    const text = 'top;0;0\nwall;-0.2;0.1\nBottom;-0.4;0.2\nDoor;0.1;0.1\ntop;0;0'
    expect(guess(text)).toMatchObject({ angle: 0, headings: 0, angleAs: 'quarters' })
    expect(degreesOf(text)).toEqual([0, 90, 180, 270, 360])
    expect(degreesOf('motor;pump;position\n0;0;top\n1;2;far')).toEqual([0, 90])
    expect(degreesOf('0;0;top\n1;2;near')).toEqual([0, 270])
  })
  it('are told by the clock, from the end the set is read from', () => {
    const text = '12;0;0\n3;-0.2;0.1\n6;-0.4;0.2\n9;0.1;0.1\n12;0;0'
    expect(degreesOf(text, { angleAs: 'clock-right' })).toEqual([0, 90, 180, 270, 360])
    expect(degreesOf('12;0;0\n3;-0.2;0.1', { angleAs: 'clock-left' })).toEqual([0, 270])
    expect(degreesOf('1:30;0;0\n3 o’clock;-0.2;0.1', { angleAs: 'clock-right' })).toEqual([45, 90])
  })
  it.each([
    '12;0;0\n3;-0.2;0.1\n6;-0.4;0.2\n9;0.1;0.1',
    '0;0;0\n3;1;1\n6;1;1',
    'clock;a;b\n12;0;0\n3;1;1',
    '1:30;0;0\n3;1;1',
  ])('are asked about where they could be hours, and nothing is taken meanwhile: %j', (text) => {
    expect(guess(text).angleAs).toBeUndefined()
    expect(degreesOf(text)).toEqual([{ row: 0, column: 1, trouble: { kind: 'say-how-angles' } }])
  })
  it.each(['0;0;0\n90;1;1', '0;0;0\n1;1;1\n2;1;1', 'deg;a;b\n0;0;0\n3;1;1\n6;1;1', '0°;0;0\n3°;1;1\n6°;1;1'])(
    'are degrees where nothing else can be meant: %j',
    (text) => expect(guess(text).angleAs).toBe('quarters'),
  )
  it('that are neither are named by their row', () => {
    expect(degreesOf('top;0;0\nleft;1;1')).toMatchObject([{ row: 2, column: 1 }])
    expect(degreesOf('12;0;0\n13;1;1', { angleAs: 'clock-left' })).not.toEqual([0, 330])
  })
})

const mapping = {
  angle: 0,
  columns: { 's-right': 1, 's-left': 2 },
  unit: 'mm' as const,
  headings: 0,
  angleAs: 'quarters' as const,
}

describe('rows', () => {
  it('become readings at their angles, in their unit, the same angle again the return', () => {
    const taken = takeReadings(set, table('0;0;0\n90;-0,283;0.081\n180°;-0.412;0.104\n0;0.01;0'), mapping)
    if (!taken.ok) throw new Error(taken.faults[0]?.trouble.kind)
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
    expect(!twice.ok && twice.faults[0]?.trouble.kind).toBe('column-twice')
    expect(!none.ok && none.faults[0]?.trouble.kind).toBe('no-column')
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
