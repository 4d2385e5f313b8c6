import { type ResultWritten, writtenTold } from '../../../fit/told'
import { type Checked, refuse } from '../../../quantity/fault'
import type { Units } from '../../../quantity/openFormat'
import { checkSurvey } from '../../../quantity/openFormat'
import { fromMm, toMm } from '../../../quantity/units'
import {
  type Estimate,
  type HousingMove,
  type Mistake,
  type Roll,
  type RollReading,
  type Section,
  type SectionSolved,
  solveSection,
  spanState,
} from '../solve/section'
import { type RollsSurvey, surveySchema } from './schema'

type State = 'within' | 'outside' | 'unsure'

/** The open result document of a section of rolls, version 1; docs/format.md explains every field. */
export interface RollsResult {
  format: 'vane-peg.result'
  version: 1
  kind: 'rolls'
  units: Units
  rolls: {
    rolls: {
      id: string
      square: Estimate | null
      level: Estimate | null
      centre: Estimate | null
      housings: { near: HousingMove; far: HousingMove } | null
      verdict: { state: State; probability: number; limit: number } | null
    }[]
    spans: { from: string; to: string; inPlane: Estimate | null; twist: Estimate | null; limit: number; state: State }[]
    stands: { id: string; heading: Estimate | null }[]
    blocking?: { of: string; limit: string }[]
  }
  suspects?: ResultWritten[]
  warnings: { code: string; message: string }[]
}

/** Where nobody says more: a reading, mm; a level, divisions; a span, and what is told at once, rad. */
export const usual = { sd: 0.005, divisions: 0.5, limit: 0.0001, direct: 0.00002 }

/** Reads a document: schema first, then what a schema cannot say, each fault by its path. */
export function readSurvey(document: unknown): Checked<RollsSurvey> {
  const checked = checkSurvey(surveySchema, document)
  if (!checked.ok) return checked
  const { rolls, web, reference, baseline, readings } = checked.value.rolls
  const known = new Map<string, RollsSurvey['rolls']['rolls'][number]>()
  for (const [r, roll] of rolls.entries()) {
    if (known.has(roll.id)) return refuse(`rolls.rolls.${r}.id`, 'expected a unique id')
    known.set(roll.id, roll)
  }
  if (reference !== undefined && !known.has(reference))
    return refuse('rolls.reference', 'expected a roll of this section')
  for (const [p, id] of (web?.path ?? []).entries()) {
    if (!known.has(id)) return refuse(`rolls.web.path.${p}`, 'expected a roll of this section')
    if (web?.path?.[p - 1] === id) return refuse(`rolls.web.path.${p}`, 'expected another roll than the one before')
  }
  for (const id of Object.keys(web?.side ?? {}))
    if (!known.has(id)) return refuse(`rolls.web.side.${id}`, 'expected a roll of this section')
  for (const [r, reading] of readings.entries()) {
    const at = `rolls.readings.${r}`
    if ('on' in reading && !known.has(reading.on)) return refuse(`${at}.on`, 'expected a roll of this section')
    if ('between' in reading) {
      const [i, j] = reading.between.map((id) => known.get(id))
      if (!i) return refuse(`${at}.between.0`, 'expected a roll of this section')
      if (!j) return refuse(`${at}.between.1`, 'expected a roll of this section')
      if (Math.hypot(j.x - i.x, j.z - i.z) < 1e-6)
        return refuse(`${at}.between.1`, `expected a roll at another position than ${i.id}`)
    }
    if (reading.type === 'centre' && !baseline)
      return refuse('rolls.baseline', 'missing, expected an offset: centers are measured from it')
  }
  return checked
}

/** Survey document of a section of rolls in, result document out. Bad input comes back as a fault with the path of the field. */
export function solveSurvey(document: unknown): Checked<RollsResult> {
  const read = readSurvey(document)
  if (!read.ok) return read
  const { units, rolls: told } = read.value
  const reading = (value: number) => toMm(value, units.reading)
  const shown = (mm: number) => fromMm(mm, units.reading)
  const section = sectionOf(read.value)
  const solved = solveSection(
    section,
    told.readings.map((one, r) => inMm(one, units, `rolls.readings.${r}`)),
  )
  const size = (one: Estimate | null): Estimate | null => one && { value: shown(one.value), sd: shown(one.sd) }
  const move = ({ x, z, slide, shim }: HousingMove): HousingMove => ({
    x: shown(x),
    z: shown(z),
    slide: shown(slide),
    shim: shown(shim),
  })
  const blocking = solved.rolls.flatMap(({ id, housings }) => {
    const limits = told.rolls.find((one) => one.id === id)?.limits
    if (!limits || !housings) return []
    return (['near', 'far'] as const).flatMap((end) =>
      (['slide', 'shim'] as const).flatMap((way) => {
        const range = limits[end]?.[way]
        const value = housings[end][way]
        const breaks = range && (value < reading(range[0]) - 1e-9 || value > reading(range[1]) + 1e-9)
        return breaks ? [{ of: id, limit: `${end} ${way}` }] : []
      }),
    )
  })
  return {
    ok: true,
    value: {
      format: 'vane-peg.result',
      version: 1,
      kind: 'rolls',
      units,
      rolls: {
        rolls: solved.rolls.map(({ id, square, level, centre, housings, verdict }) => ({
          id,
          square,
          level,
          centre: size(centre),
          housings: housings && { near: move(housings.near), far: move(housings.far) },
          verdict,
        })),
        spans: solved.spans.map(({ from, to, inPlane, twist, limit, ...told }) => ({
          from,
          to,
          inPlane,
          twist,
          limit,
          state: spanState(told),
        })),
        stands: solved.stands,
        ...(blocking.length > 0 ? { blocking } : {}),
      },
      ...writtenTold(
        solved.contradictions.map((one) => ({ ...one, of: named(one.rolls) })),
        (path, value) => (/\.(divisions|square|level)$/.test(path) ? value : shown(value)),
        warningsOf(solved, section.reference),
      ),
    },
  }
}

/** The section of a document, in mm. */
export function sectionOf({ units, rolls: told }: RollsSurvey): Section {
  const length = (value: number) => toMm(value, units.length)
  return {
    rolls: told.rolls.map(
      (roll): Roll => ({
        id: roll.id,
        x: length(roll.x),
        z: length(roll.z),
        radius: length(roll.diameter) / 2,
        side: told.web?.side?.[roll.id] ?? 'over',
        width: length(roll.width),
        housings: [length(roll.housings[0]), length(roll.housings[1])],
        movable: roll.movable ?? true,
        incline: roll.incline ?? 0,
        limit: roll.limit ?? usual.limit,
      }),
    ),
    path: told.web?.path ?? told.rolls.map(({ id }) => id),
    reference: told.reference,
    baseline: told.baseline && length(told.baseline.offset),
  }
}

/** A reading in mm, each of its numbers known by its path. */
function inMm(one: RollsSurvey['rolls']['readings'][number], units: Units, path: string): RollReading {
  const read = bareInMm(one, units)
  const fields = ['divisions', 'near', 'far', 'value', 'nearFar', 'farNear', 'square', 'level'] as const
  const numbers = read as unknown as Readonly<Record<string, unknown>>
  const written = Object.fromEntries(
    fields.flatMap((field) => {
      const value = numbers[field]
      return typeof value === 'number' ? [[field, { at: `${path}.${field}`, value, list: path }]] : []
    }),
  )
  return { ...read, written }
}

function bareInMm(one: RollsSurvey['rolls']['readings'][number], units: Units): RollReading {
  const length = (value: number) => toMm(value, units.length)
  const reading = (value: number) => toMm(value, units.reading)
  if (one.type === 'level') return { ...one, turned: one.turned ?? false, sd: one.sd ?? usual.divisions }
  if (one.type === 'direct') return { ...one, sd: one.sd ?? usual.direct }
  const sd = one.sd === undefined ? usual.sd : reading(one.sd)
  if (one.type === 'diagonals') return { ...one, nearFar: reading(one.nearFar), farNear: reading(one.farNear), sd }
  if (one.type === 'plane') return { ...one, x: length(one.x), value: reading(one.value), sd }
  if (one.type === 'centre') return { ...one, value: reading(one.value), sd }
  return { ...one, near: reading(one.near), far: reading(one.far), over: length(one.over), sd }
}

const named = (parts: readonly string[]): string =>
  parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}` : (parts[0] ?? '')

const sentences: Readonly<Record<Mistake['kind'], (mistake: Mistake) => string>> = {
  'one-mark': (one) => `${'stand' in one ? one.stand : ''}: set on one mark only: heading unknown`,
  reversed: (one) =>
    `${one.kind === 'reversed' ? `${one.stand} at ${one.mark}` : ''}: reads as if the mark faced the other way`,
  'two-places': (one) =>
    `${'mark' in one ? one.mark : ''}: two stands place this mark apart along the line; one of the places is wrong, or there are two marks`,
  'one-way': (one) =>
    `${'instrument' in one ? one.instrument : ''}: read one way only; reverse it to cancel its zero error`,
}

function warningsOf(solved: SectionSolved, reference: string | undefined): RollsResult['warnings'] {
  const open = solved.rolls.flatMap(({ id, square, level }) => {
    const lacks = [...(square ? [] : ['its square']), ...(level ? [] : ['its level'])]
    return lacks.length > 0 ? [{ code: 'open', message: `${id}: the readings leave ${named(lacks)} open` }] : []
  })
  const free = solved.free
    ? [
        {
          code: 'free',
          message: `no reading ties the rolls to the machine: square is relative to ${reference}`,
        },
      ]
    : []
  return [
    ...free,
    ...open,
    ...solved.mistakes.map((mistake) => ({ code: mistake.kind, message: sentences[mistake.kind](mistake) })),
  ]
}
