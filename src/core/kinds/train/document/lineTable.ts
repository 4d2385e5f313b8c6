import { parseNumber } from '../../../quantity/number'
import type { Quantity } from '../../../quantity/quantity'
import type { LineTable } from '../../kind'
import { withMachineAt } from './alter'
import { makeLine } from './make'
import { type Line, type LineFoot, type MachineKind, machineKinds } from './schema'

/**
 * Trains as rows of a table: name, sides, speed, unit, which machine stays, then machine, coupling, machine … from left to right
 * with their plainest dimensions: from the coupling to the front feet, from those to the back feet, and to the next coupling.
 */

const couplingKinds = ['short', 'spacer', 'rigid'] as const

/** Columns before the first machine; of a machine; and of a coupling. */
const first = ['name', 'area', 'near side', 'far side', 'rpm', 'unit', 'fixed machine', 'because'] as const
const ofMachine = ['machine', 'type', 'to front feet', 'to back feet'] as const
const ofCoupling = ['coupling', 'kind', 'diameter', 'span', 'from the feet before'] as const

/** Machines at most. */
const most = 8

/** What is wrong with a cell. */
export type LineFault =
  | 'no-name'
  | 'twice'
  | 'known'
  | 'unit'
  | 'number'
  | 'type'
  | 'coupling-kind'
  | 'too-few-machines'
  | 'fixed'
  | 'too-long'

export interface LineCellFault {
  /** From 1, the heading counted. */
  row: number
  column: number
  what: LineFault
}

const machineAt = (m: number) => first.length + m * (ofMachine.length + ofCoupling.length)
const couplingAt = (c: number) => machineAt(c) + ofMachine.length

/** The heading for trains of so many machines. */
export function lineHeading(machines: number): string[] {
  const numbered = (names: readonly string[], n: number) => names.map((name) => `${name} ${n}`)
  return [
    ...first,
    ...Array.from({ length: machines }, (_, m) => [
      ...numbered(ofMachine, m + 1),
      ...(m < machines - 1 ? numbered(ofCoupling, m + 1) : []),
    ]).flat(),
  ]
}

/** A train as a row; undefined where its dimensions are measured in another way than a row can hold. */
export function rowOfLine(line: Line): string[] | undefined {
  const { machines, couplings } = line
  const units = new Set<Quantity['unit']>()
  const told = (quantity: Quantity): string => {
    if (quantity.text.trim() !== '') units.add(quantity.unit)
    return quantity.text
  }
  const chain = ({ feet }: { feet: readonly LineFoot[] }, from: string, toward: 'left' | 'right') => {
    const [front, back, ...more] = feet
    const plain =
      front?.station.from === from &&
      front.station.toward === toward &&
      back?.station.from === front.id &&
      back.station.toward === toward
    return plain && more.length === 0 ? [told(front.station.distance), told(back.station.distance)] : undefined
  }
  const cells = machines.flatMap((machine, m): (string | undefined)[] => {
    const coupling = couplings[m]
    const feet = chain(machine, couplings[Math.max(0, m - 1)]?.id ?? '', m === 0 ? 'left' : 'right')
    const before = coupling?.station
    const placed =
      m === 0 ? before === undefined : before?.from === machine.feet.at(-1)?.id && before?.toward === 'right'
    return [
      machine.name,
      machine.kind,
      ...(feet ?? [undefined]),
      ...(coupling
        ? [
            coupling.name,
            coupling.kind,
            told(coupling.diameter),
            told(coupling.span),
            placed ? (before ? told(before.distance) : '') : undefined,
          ]
        : []),
    ]
  })
  const own = cells.filter((cell) => cell !== undefined)
  const [unit = 'mm', ...others] = units
  if (own.length < cells.length || others.length > 0 || (unit !== 'mm' && unit !== 'in')) return undefined
  const stays = machines.find(({ id }) => id === line.fixed)?.name ?? ''
  return [line.name, line.area, line.sides.near, line.sides.far, line.speed, unit, stays, line.fixedBecause, ...own]
}

/**
 * Trains from the rows of a file: all of them or, with what is wrong in which cell, none.
 *
 * @param known name and area of lines that there are already
 */
export function linesOfCells(
  cells: readonly (readonly string[])[],
  known: readonly { name: string; area: string }[] = [],
): { ok: true; lines: Line[] } | { ok: false; faults: LineCellFault[] } {
  const heading = (cells[0]?.[0] ?? '').trim().toLowerCase() === first[0]
  const taken = new Map(known.map(({ name, area }) => [keyOf(name, area), 'known' as const]))
  const here = new Set<string>()
  const faults: LineCellFault[] = []
  const lines = cells.slice(heading ? 1 : 0).flatMap((row, i): Line[] => {
    if (row.every((cell) => cell.trim() === '')) return []
    const number = i + (heading ? 2 : 1)
    const read = readRow(row.map((cell) => cell.trim()))
    const key = keyOf(row[0] ?? '', row[1] ?? '')
    for (const { column, what } of read.faults) faults.push({ row: number, column, what })
    if (here.has(key) && key !== keyOf('', '')) faults.push({ row: number, column: 1, what: 'twice' })
    else if (taken.has(key)) faults.push({ row: number, column: 1, what: 'known' })
    here.add(key)
    return read.line ? [read.line] : []
  })
  return faults.length > 0 ? { ok: false, faults } : { ok: true, lines }
}

const keyOf = (name: string, area: string): string => `${name.trim().toLowerCase()}\n${area.trim().toLowerCase()}`

function readRow(row: readonly string[]): { line?: Line; faults: Omit<LineCellFault, 'row'>[] } {
  const faults: Omit<LineCellFault, 'row'>[] = []
  const wrong = (column: number, what: LineFault) => void faults.push({ column: column + 1, what })
  const cell = (column: number, longest = 60): string => {
    const text = row[column] ?? ''
    if (text.length > longest) wrong(column, 'too-long')
    return text
  }
  const size = (column: number): Quantity => {
    const text = cell(column, 40)
    const found = parseNumber(text)
    if (text !== '' && !(found.ok && found.value > 0)) wrong(column, 'number')
    return { text, unit: unit === 'in' ? 'in' : 'mm' }
  }
  const [name, area] = [cell(0, 80), cell(1, 80)]
  if (name === '') wrong(0, 'no-name')
  const unit = cell(5).toLowerCase() || 'mm'
  if (unit !== 'mm' && unit !== 'in') wrong(5, 'unit')
  const speed = cell(4, 12)
  if (speed !== '' && !(Number(speed) > 0)) wrong(4, 'number')
  const types: MachineKind[] = []
  for (let m = 0; m < most && (cell(machineAt(m)) !== '' || cell(machineAt(m) + 1) !== ''); m++) {
    const type = machineKinds.find((kind) => kind === (cell(machineAt(m) + 1).toLowerCase() || 'other'))
    if (!type) wrong(machineAt(m) + 1, 'type')
    types.push(type ?? 'other')
  }
  const [left, right, ...rest] = types
  if (!left || !right) {
    wrong(machineAt(types.length), 'too-few-machines')
    return { faults }
  }
  let line = makeLine(name, left, right, unit === 'in' ? 'in' : 'mm')
  for (const type of rest)
    line = withMachineAt(line, line.machines.length, type, unit === 'in' ? 'in' : 'mm', (letter) => {
      const list = letter === 'm' ? line.machines : line.couplings
      return `${letter}${list.length + 1}`
    })
  const machines = line.machines.map((machine, m) => ({
    ...machine,
    name: cell(machineAt(m)) || machine.name,
    feet: machine.feet.map((foot, f) => ({
      ...foot,
      station: { ...foot.station, distance: size(machineAt(m) + 2 + f) },
    })),
  }))
  const couplings = line.couplings.map((coupling, c) => {
    const at = couplingAt(c)
    const kind = couplingKinds.find((one) => one === (cell(at + 1).toLowerCase() || 'short'))
    if (!kind) wrong(at + 1, 'coupling-kind')
    return {
      ...coupling,
      name: cell(at) || coupling.name,
      kind: kind ?? ('short' as const),
      diameter: size(at + 2),
      span: size(at + 3),
      ...(coupling.station ? { station: { ...coupling.station, distance: size(at + 4) } } : {}),
    }
  })
  const stays = cell(6)
  const fixed =
    stays === '' ? line.fixed : machines.find((machine) => machine.name.toLowerCase() === stays.toLowerCase())?.id
  if (!fixed) wrong(6, 'fixed')
  return {
    faults,
    line: {
      ...line,
      area,
      sides: { near: cell(2, 24) || line.sides.near, far: cell(3, 24) || line.sides.far },
      speed,
      fixed: fixed ?? line.fixed,
      fixedBecause: stays === '' ? line.fixedBecause : cell(7, 120),
      machines,
      couplings,
    },
  }
}

/** Trains as a table for a spreadsheet, out and in. */
export const trainTable: LineTable<Line> = {
  heading: (lines) => lineHeading(Math.max(2, ...lines.map(({ machines }) => machines.length))),
  row: rowOfLine,
  read: linesOfCells,
}
