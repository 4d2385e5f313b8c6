import { foldDegrees } from '../../../quantity/angles'
import { type AngleAs, isClock, readAngle } from '../../../quantity/angleTyped'
import { parseNumber } from '../../../quantity/number'
import { quantityFrom } from '../../../quantity/quantity'
import type { Trouble } from '../../../quantity/trouble'
import { decimalsFor, fromMm, toMm, type Unit } from '../../../quantity/units'
import type { ReadSet } from '../../../shafts/schema'
import type { ProbeState } from '../../../shafts/state'
import { channelsOf, readingKey, sweepPoints } from '../../../shafts/typed'

/** Rows and columns of text, as they came out of a file or a spreadsheet. */
export type Cells = readonly (readonly string[])[]

/** Which column is what: the angle's, and by probe (and channel) the numbers'. */
export interface Mapping {
  angle: number
  /** Column by state id; absent where nothing is to be taken. */
  columns: Readonly<Record<string, number>>
  unit: Unit
  /** Rows at the top that are headings. */
  headings: number
  /** How its angles are told; undefined where "3" could be degrees or an hour, until a person has said. */
  angleAs: AngleAs | undefined
}

export type Taken =
  | { ok: true; set: ReadSet; rows: number; asSweep: boolean }
  | { ok: false; faults: readonly { row: number; column: number; trouble: Trouble }[] }

/** More rows than this are a sweep. */
const byHand = 48

const named = (text: string, sides: Sides) => !/^\s*[-+\d.,]/.test(text) && readAngle(text, sides).ok

/**
 * How the angles of a column are told. A clock's hours and degrees look alike where none is above twelve: then a person is
 * asked, as for the end of the train the clock is read from.
 */
function guessAngles(texts: readonly string[], heading: string, set: Pick<ReadSet, 'angleAs'>): AngleAs | undefined {
  const told = texts.map((text) => text.trim()).filter(Boolean)
  const own = set.angleAs === 'clock-left' || set.angleAs === 'clock-right' ? set.angleAs : undefined
  const numbers = told.map((text) => parseNumber(text)).flatMap((typed) => (typed.ok ? [typed.value] : []))
  const degrees = /deg|°/.test(heading) || told.some((text) => text.includes('°'))
  const hours = numbers.length > 0 && numbers.every((n) => Number.isInteger(n) && n >= 0 && n <= 12)
  const clock = /clock|hour/.test(heading) || told.some(isClock)
  if (degrees || (!clock && (!hours || Math.max(...numbers) < 3))) return 'quarters'
  return own
}

interface Sides {
  near: string
  far: string
}

/**
 * Which column is what. A row of headings is one in which less than half reads as a number or an angle.
 *
 * @param set what the readings are for: how it tells angles, where the table does not say
 */
export function guessMapping(
  cells: Cells,
  states: readonly { id: string; words: string }[],
  unit: Unit,
  sides: Sides = { near: 'near', far: 'far' },
  set: Pick<ReadSet, 'angleAs'> = {},
): Mapping {
  const isNumber = (text: string | undefined) =>
    parseNumber((text ?? '').replace('°', '')).ok || isClock(text ?? '') || named(text ?? '', sides)
  const [first = []] = cells
  const headings = first.filter(isNumber).length * 2 < first.length ? 1 : 0
  const names = headings ? first.map((text) => text.toLowerCase()) : []
  const body = cells.slice(headings, 40)
  const inWords = first.findIndex((_, i) =>
    body.some((row) => named(row[i] ?? '', sides) || isClock(row[i] ?? '') || (row[i] ?? '').includes('°')),
  )
  const told = names.findIndex((name) => /angle|deg|°|position|clock/.test(name))
  const angle = Math.max(0, told >= 0 ? told : inWords)
  const angleAs = guessAngles(
    body.map((row) => row[angle] ?? ''),
    names[angle] ?? '',
    set,
  )
  const free = first.map((_, i) => i).filter((i) => i !== angle)
  const columns: Record<string, number> = {}
  states.forEach(({ id, words }, k) => {
    const wanted = words.toLowerCase().split(/\W+/).filter(Boolean)
    const scored = free
      .filter((i) => !Object.values(columns).includes(i))
      .map((i) => ({ i, score: wanted.filter((word) => names[i]?.includes(word)).length }))
      .sort((a, b) => b.score - a.score || a.i - b.i)
    const best = scored[0]
    const at = best && best.score > 0 ? best.i : free[k]
    if (at !== undefined) columns[id] = at
  })
  const inUnit = names.map((name) => /\b(mm|mil|thou|um|µm|in|inch)\b/.exec(name)?.[1]).find(Boolean)
  return { angle, columns, unit: inUnit ? (unitWords[inUnit] ?? unit) : unit, headings, angleAs }
}

const unitWords: Readonly<Record<string, Unit>> = {
  mm: 'mm',
  mil: 'mil',
  thou: 'mil',
  um: 'um',
  µm: 'um',
  in: 'in',
  inch: 'in',
}

/**
 * Takes readings from rows and columns into a set: up to 48 rows as readings at their angles, more as a sweep. All or
 * nothing: a cell that is no number is named by its row and column, and nothing is taken.
 */
export function takeReadings(
  set: ReadSet,
  cells: Cells,
  mapping: Mapping,
  sides: Sides = { near: 'near', far: 'far' },
): Taken {
  const faults: { row: number; column: number; trouble: Trouble }[] = []
  const channels = set.probes.flatMap((probe) =>
    channelsOf(probe).map((channel) => ({ probe, channel, column: mapping.columns[readingKey(probe.id, channel)] })),
  )
  const wanted = channels.filter(({ column }) => column !== undefined)
  const fail = (row: number, column: number, trouble: Trouble) => {
    faults.push({ row: row + 1, column: column + 1, trouble })
    return undefined
  }
  const readingAt = (row: number, column: number): number | undefined => {
    const text = cells[row]?.[column] ?? ''
    const typed = parseNumber(text)
    if (typed.ok) return typed.unit ? fromMm(toMm(typed.value, typed.unit), mapping.unit) : typed.value
    return fail(row, column, text.trim() === '' ? { kind: 'reading-missing' } : typed.trouble)
  }
  const angleAt = (row: number, column: number): number | undefined => {
    const text = (cells[row]?.[column] ?? '').replace('°', '')
    // a sweep may go round several times: its degrees are taken as they are
    const plain = mapping.angleAs?.startsWith('clock') ? undefined : parseNumber(text)
    if (plain?.ok) return plain.value
    const typed = readAngle(text, sides, mapping.angleAs)
    if (typed.ok) return typed.degrees
    return fail(row, column, text.trim() === '' ? { kind: 'angle-missing' } : typed.trouble)
  }
  if (wanted.length === 0) return { ok: false, faults: [{ row: 0, column: 0, trouble: { kind: 'no-column' } }] }
  const columnsUsed = [mapping.angle, ...wanted.map(({ column }) => column ?? 0)]
  const twice = columnsUsed.find((column, i) => columnsUsed.indexOf(column) !== i)
  if (twice !== undefined)
    return { ok: false, faults: [{ row: 0, column: twice + 1, trouble: { kind: 'column-twice' } }] }
  if (mapping.angleAs === undefined)
    return {
      ok: false,
      faults: [{ row: 0, column: mapping.angle + 1, trouble: { kind: 'say-how-angles' } }],
    }
  const rows: { angle: number; values: (number | undefined)[] }[] = []
  for (let row = mapping.headings; row < cells.length && faults.length < 20; row++) {
    if ((cells[row] ?? []).every((text) => text.trim() === '')) continue
    const angle = angleAt(row, mapping.angle)
    const values = wanted.map(({ column }) => readingAt(row, column ?? 0))
    if (angle !== undefined) rows.push({ angle, values })
  }
  if (rows.length === 0 && faults.length === 0) faults.push({ row: 0, column: 0, trouble: { kind: 'no-rows' } })
  if (rows.length > 100_000) faults.push({ row: 100_001, column: 0, trouble: { kind: 'too-many-rows' } })
  if (faults.length > 0) return { ok: false, faults }
  return rows.length > byHand ? asSweep(set, rows, wanted, mapping.unit) : asReadings(set, rows, wanted, mapping.unit)
}

type Wanted = readonly { probe: ReadSet['probes'][number]; channel: ReturnType<typeof channelsOf>[number] }[]
type Rows = readonly { angle: number; values: readonly (number | undefined)[] }[]

function asReadings(set: ReadSet, rows: Rows, wanted: Wanted, unit: Unit): Taken {
  const seen = new Map<number, number>()
  const placed = rows.map((row) => {
    // the same angle again is the return to it
    const degrees = row.angle > 360 || row.angle < 0 ? foldDegrees(row.angle) : row.angle
    const times = seen.get(degrees) ?? 0
    seen.set(degrees, times + 1)
    return { ...row, degrees: times > 0 && degrees < 360 ? degrees + 360 * times : degrees }
  })
  const angles = placed.map(
    ({ degrees }) => set.angles.find((one) => one.degrees === degrees) ?? { id: `a${degrees}`, degrees },
  )
  const finest = (probe: ReadSet['probes'][number]) => decimalsFor(toMm(1, probe.graduation.unit) * 1e-3, unit)
  return {
    ok: true,
    rows: rows.length,
    asSweep: false,
    set: {
      ...set,
      angles: [...new Map(angles.map((angle) => [angle.id, angle])).values()].sort((a, b) => a.degrees - b.degrees),
      probes: set.probes.map((probe) => {
        const own = wanted.flatMap((one, k) => (one.probe.id === probe.id ? [{ ...one, k }] : []))
        if (own.length === 0) return probe
        const { sweep: _, own: __, ...bare } = probe
        return {
          ...bare,
          readings: Object.fromEntries(
            placed.flatMap(({ values }, i) =>
              own.map(({ channel, k }) => [
                readingKey(angles[i]?.id ?? '', channel),
                { value: plainly(values[k] ?? 0, unit, finest(probe)), turns: 0 },
              ]),
            ),
          ),
        }
      }),
    },
  }
}

/** A number written with the decimals it needs, and no more than make sense. */
function plainly(value: number, unit: Unit, most: number) {
  const needed = /\.(\d+)/.exec(String(Number(value.toFixed(most))))?.[1]?.length ?? 0
  return quantityFrom(toMm(value, unit), unit, Math.min(6, needed))
}

function asSweep(set: ReadSet, rows: Rows, wanted: Wanted, unit: Unit): Taken {
  return {
    ok: true,
    rows: rows.length,
    asSweep: true,
    set: {
      ...set,
      probes: set.probes.map((probe) => {
        const channels = channelsOf(probe)
        const places = channels.map((channel) =>
          wanted.findIndex((one) => one.probe.id === probe.id && one.channel === channel),
        )
        if (places.some((k) => k < 0)) return probe
        const { own: _, ...bare } = probe
        return {
          ...bare,
          readings: {}, // typed from another zero they would contradict it
          sweep: {
            unit,
            degrees: rows.map(({ angle }) => angle),
            values: places.map((k) => rows.map(({ values }) => values[k] ?? 0)),
          },
        }
      }),
    },
  }
}

/** A set as rows and columns: headings, then a row an angle, then every point of its sweeps; numbers in `unit`. */
export function readingsTable(
  set: ReadSet,
  states: readonly ProbeState[],
  name: (state: ProbeState) => string,
  unit: Unit,
): string[][] {
  const own = states.filter((state) => state.set.id === set.id)
  const told = (mm: number) => String(Number(fromMm(mm, unit).toFixed(6)))
  const typed = set.angles.flatMap((angle) => {
    const values = own.map((state) => state.readings.find(({ angleId }) => angleId === angle.id)?.raw)
    return values.some((value) => value !== undefined)
      ? [[String(angle.degrees), ...values.map((value) => (value === undefined ? '' : told(value)))]]
      : []
  })
  const swept = set.probes.flatMap((probe) =>
    sweepPoints(probe.sweep).map(({ angle, values }) => [
      String(angle),
      ...own.map((state) => {
        const k = channelsOf(probe).indexOf(state.channel)
        return state.dial.id === probe.id ? told(values[k] ?? 0) : ''
      }),
    ]),
  )
  return [['angle, degrees', ...own.map((state) => `${name(state)}, ${unit}`)], ...typed, ...swept]
}
