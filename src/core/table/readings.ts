import { foldDegrees } from '../frame/angles'
import { parseNumber } from '../frame/number'
import { quantityFrom } from '../frame/quantity'
import { decimalsFor, fromMm, toMm, type Unit } from '../frame/units'
import type { ReadSet } from '../job/schema'
import type { ProbeState } from '../job/solve'
import { channelsOf, readingKey, sweepPoints } from '../job/train'

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
}

export type Taken =
  | { ok: true; set: ReadSet; rows: number; asSweep: boolean }
  | { ok: false; faults: readonly { row: number; column: number; message: string }[] }

/** More rows than this are a sweep. */
const byHand = 48

/** A column of headings is one in which less than half reads as a number. */
export function guessMapping(cells: Cells, states: readonly { id: string; words: string }[], unit: Unit): Mapping {
  const isNumber = (text: string | undefined) => parseNumber((text ?? '').replace('°', '')).ok
  const [first = []] = cells
  const headings = first.filter(isNumber).length * 2 < first.length ? 1 : 0
  const names = headings ? first.map((text) => text.toLowerCase()) : []
  const angle = Math.max(
    0,
    names.findIndex((name) => /angle|deg|°|position|clock/.test(name)),
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
  const told = names.map((name) => /\b(mm|mil|thou|um|µm|in|inch)\b/.exec(name)?.[1]).find(Boolean)
  return { angle, columns, unit: told ? (unitWords[told] ?? unit) : unit, headings }
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
export function takeReadings(set: ReadSet, cells: Cells, mapping: Mapping): Taken {
  const faults: { row: number; column: number; message: string }[] = []
  const channels = set.probes.flatMap((probe) =>
    channelsOf(probe).map((channel) => ({ probe, channel, column: mapping.columns[readingKey(probe.id, channel)] })),
  )
  const wanted = channels.filter(({ column }) => column !== undefined)
  const numberAt = (row: number, column: number, what: string): number | undefined => {
    const text = (cells[row]?.[column] ?? '').replace('°', '')
    const typed = parseNumber(text)
    if (typed.ok)
      return what === 'angle' || !typed.unit ? typed.value : fromMm(toMm(typed.value, typed.unit), mapping.unit)
    faults.push({
      row: row + 1,
      column: column + 1,
      message: text.trim() === '' ? `The ${what} is missing.` : typed.message,
    })
    return undefined
  }
  if (wanted.length === 0)
    return { ok: false, faults: [{ row: 0, column: 0, message: 'Say which column belongs to at least one probe.' }] }
  const columnsUsed = [mapping.angle, ...wanted.map(({ column }) => column ?? 0)]
  const twice = columnsUsed.find((column, i) => columnsUsed.indexOf(column) !== i)
  if (twice !== undefined)
    return { ok: false, faults: [{ row: 0, column: twice + 1, message: 'This column is chosen twice.' }] }
  const rows: { angle: number; values: (number | undefined)[] }[] = []
  for (let row = mapping.headings; row < cells.length && faults.length < 20; row++) {
    if ((cells[row] ?? []).every((text) => text.trim() === '')) continue
    const angle = numberAt(row, mapping.angle, 'angle')
    const values = wanted.map(({ column }) => numberAt(row, column ?? 0, 'reading'))
    if (angle !== undefined) rows.push({ angle, values })
  }
  if (rows.length === 0 && faults.length === 0)
    faults.push({ row: 0, column: 0, message: 'There are no rows to take.' })
  if (rows.length > 100_000) faults.push({ row: 100_001, column: 0, message: 'At most 100,000 rows can be taken.' })
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
