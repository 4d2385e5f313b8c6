import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { pumpAndMotor } from '../rig'
import { withMachineAt } from './alter'
import { lineHeading, linesOfCells, rowOfLine } from './lineTable'
import { type Line, lineSchema } from './schema'

const pair: Line = { ...pumpAndMotor(), area: 'Hall', sides: { near: 'aisle', far: 'wall' } }
const three: Line = (() => {
  let n = 2
  const line = withMachineAt(
    { ...pair, name: 'Train' },
    2,
    'blower',
    'mm',
    (letter) => `${letter}${letter === 'm' ? ++n : n - 1}`,
  )
  return {
    ...line,
    couplings: line.couplings.map((one) =>
      one.station
        ? {
            ...one,
            kind: 'spacer' as const,
            span: { text: '140', unit: 'mm' as const },
            station: { ...one.station, distance: { text: '220', unit: 'mm' as const } },
          }
        : one,
    ),
  }
})()

/** A line as a person sees it: its ids do not matter. */
const bare = (line: Line) => JSON.parse(JSON.stringify(line, (key, value) => (key === 'id' ? undefined : value)))

describe('a table of trains', () => {
  it('goes out as rows and comes back the same', () => {
    const rows = [pair, three].map((line) => rowOfLine(line))
    expect(rows.every((row) => row !== undefined)).toBe(true)
    const back = linesOfCells([lineHeading(3), ...(rows as string[][])])
    expect(back.ok && back.lines.map(bare)).toEqual([pair, three].map(bare))
    if (back.ok) for (const line of back.lines) expect(v.safeParse(lineSchema, line).success).toBe(true)
  })
  it('takes 500 rows with as little as a name and two machines', () => {
    const rows = Array.from({ length: 500 }, (_, i) => [
      `Pump ${i}`,
      'Hall',
      '',
      '',
      '1480',
      '',
      '',
      '',
      'Pump',
      'pump',
      '',
      '',
      '',
      '',
      '',
      '',
      '',
      'Motor',
      'motor',
    ])
    const read = linesOfCells(rows)
    expect(read.ok && read.lines).toHaveLength(500)
    expect(read.ok && read.lines[7]).toMatchObject({ name: 'Pump 7', speed: '1480', fixed: 'm1' })
  })
  it('names every fault by its row and column, and then takes none', () => {
    const good = rowOfLine(pair)!
    const change = (at: number, to: string) => good.map((cell, i) => (i === at ? to : cell))
    const faults = (rows: string[][], known?: { name: string; area: string }[]) => {
      const read = linesOfCells([lineHeading(2), ...rows], known)
      return read.ok ? [] : read.faults
    }
    expect(faults([change(0, '')])).toEqual([{ row: 2, column: 1, what: 'no-name' }])
    expect(faults([good, good])).toEqual([{ row: 3, column: 1, what: 'twice' }])
    expect(faults([good], [{ name: 'test PUMP', area: 'hall' }])).toEqual([{ row: 2, column: 1, what: 'known' }])
    expect(faults([change(4, 'fast')])).toEqual([{ row: 2, column: 5, what: 'number' }])
    expect(faults([change(5, 'cm')])).toEqual([{ row: 2, column: 6, what: 'unit' }])
    expect(faults([change(6, 'Fan')])).toEqual([{ row: 2, column: 7, what: 'fixed' }])
    expect(faults([change(9, 'turbine')])).toEqual([{ row: 2, column: 10, what: 'type' }])
    expect(faults([change(10, '-240')])).toEqual([{ row: 2, column: 11, what: 'number' }])
    expect(faults([change(13, 'belt')])).toEqual([{ row: 2, column: 14, what: 'coupling-kind' }])
    expect(faults([change(2, 'x'.repeat(30))])).toEqual([{ row: 2, column: 3, what: 'too-long' }])
    expect(faults([good.slice(0, 12)])).toEqual([{ row: 2, column: 18, what: 'too-few-machines' }])
    // several at once, in the order of the file
    expect(faults([change(4, 'x'), change(0, '')]).map(({ row }) => row)).toEqual([2, 3])
  })
  it('holds no train that is measured in another way, rather than half of it', () => {
    const [pump, motor] = pair.machines
    const hub = {
      ...motor!,
      feet: motor!.feet.map((foot) => ({ ...foot, station: { ...foot.station, from: 'mark1' } })),
    }
    expect(rowOfLine({ ...pair, machines: [pump!, hub] })).toBeUndefined()
    const inches = {
      ...motor!,
      feet: motor!.feet.map((foot) => ({
        ...foot,
        station: { ...foot.station, distance: { text: '9', unit: 'in' as const } },
      })),
    }
    expect(rowOfLine({ ...pair, machines: [pump!, inches] })).toBeUndefined()
  })
})
