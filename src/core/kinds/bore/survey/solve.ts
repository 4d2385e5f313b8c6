import { type ResultWritten, writtenTold } from '../../../fit/told'
import { type Plane, planes } from '../../../quantity/axis'
import { type Checked, refuse } from '../../../quantity/fault'
import type { Units } from '../../../quantity/openFormat'
import { checkSurvey } from '../../../quantity/openFormat'
import { fromMm, toMm } from '../../../quantity/units'
import { stateOf } from '../../../verdict/verdict'
import { addSag, type Carrier } from '../solve/carrier'
import { type Placed, type Reference, type Standing, solveRow } from '../solve/row'
import { placesForOval, placesIn, solveSection } from '../solve/section'
import { chanceWithin, usualLimit } from '../solve/verdict'
import { type BoreSurvey, surveySchema } from './schema'

interface ResultPlane {
  position: number
  sd: number
  move: number
}

/** The open result document of a row of bores, version 1; docs/format.md explains every field. */
export interface BoreResult {
  format: 'vane-peg.result'
  version: 1
  kind: 'bore'
  units: Units
  bores: {
    sections: ({ id: string } & Record<Plane, ResultPlane | null> & {
        ovality: { value: number; at: number } | null
        closure: number | null
        verdict: { state: 'within' | 'outside' | 'unsure'; probability: number; limit: number } | null
      })[]
    line: Record<Plane, { at0: number; slope: number } | null>
    blocking?: { of: string; limit: 'down' | 'up' | 'near' | 'far' }[]
  }
  suspects?: ResultWritten[]
  warnings: { code: string; message: string }[]
}

/** Deviation of a reading of which nobody says more, mm. */
const usualSd = 0.005
/** A closure of more than so many of its own deviations is told. */
const mostClosure = 3

/** Reads a document: schema first, then what a schema cannot say, each fault by its path. */
export function readSurvey(document: unknown): Checked<BoreSurvey> {
  const checked = checkSurvey(surveySchema, document)
  if (!checked.ok) return checked
  const { sections, reference, carrier } = checked.value.bores
  const taken = new Set<string>()
  for (const [s, { id, readings, x }] of sections.entries()) {
    const at = `bores.sections.${s}`
    if (taken.has(id)) return refuse(`${at}.id`, 'expected a unique id')
    taken.add(id)
    if (readings.length === 0) return refuse(`${at}.readings`, 'expected at least one reading')
    if (carrier && (x < carrier.from || x > carrier.from + carrier.length))
      return refuse(`${at}.x`, 'expected a position between the supports of the carrier')
  }
  if (typeof reference === 'object') {
    const [a, b] = reference.held.map((id) => sections.find((section) => section.id === id))
    if (!a) return refuse('bores.reference.held.0', 'expected a section of this row')
    if (!b) return refuse('bores.reference.held.1', 'expected a section of this row')
    if (Math.abs(a.x - b.x) < 1e-6)
      return refuse('bores.reference.held.1', `expected a section at another x than ${a.id}`)
  }
  return checked
}

/** Survey document of a row of bores in, result document out. Bad input comes back as a fault with the path of the field. */
export function solveSurvey(document: unknown): Checked<BoreResult> {
  const read = readSurvey(document)
  if (!read.ok) return read
  const { units, bores } = read.value
  const length = (value: number) => toMm(value, units.length)
  const reading = (value: number) => toMm(value, units.reading)
  const shown = (mm: number) => fromMm(mm, units.reading)
  const carrier: Carrier | undefined = bores.carrier && {
    ...bores.carrier,
    from: length(bores.carrier.from),
    length: length(bores.carrier.length),
  }
  const limit = bores.limit === undefined ? usualLimit : reading(bores.limit)
  const placed = bores.sections.map(({ id, x, readings, sag, sd, limits = {} }, s): Placed => {
    const solved = solveSection({
      readings: readings.map(([degrees, value], r) => {
        const mm = reading(value)
        return [degrees, mm, '', { at: `bores.sections.${s}.readings.${r}`, value: mm, sign: 1 }] as const
      }),
      sag: reading(sag ?? 0),
      sd: sd === undefined ? usualSd : reading(sd),
    })
    const most = Object.fromEntries(
      Object.entries(limits).flatMap(([way, value]) => (value === undefined ? [] : [[way, reading(value)]])),
    )
    return { id, x: length(x), limits: most, solved: addSag(solved, carrier, length(x)) }
  })
  const reference: Reference =
    typeof bores.reference === 'object'
      ? { way: 'held', held: bores.reference.held }
      : { way: bores.reference, held: ['', ''] }
  const row = solveRow(placed, reference)
  const bare = bores.sections.flatMap(({ id, sag }) => (sag === null ? [id] : []))
  const against = placed.flatMap(({ id, solved }) =>
    solved.contradiction ? [{ of: id, ...solved.contradiction }] : [],
  )
  const doubtful = [...bare, ...against.map(({ of }) => of)]
  // what the line is laid through puts all others in doubt
  const all = doubtful.some((id) => reference.way !== 'held' || reference.held.includes(id))
  const blocking = row.sections.flatMap((one, s) => {
    const limits = bores.sections[s]?.limits ?? {}
    const over = (told: number | undefined, most: number | undefined) =>
      told !== undefined && most !== undefined && shown(told) > most + 1e-9
    const [up, far] = [one.vertical && -one.vertical.value, one.horizontal && -one.horizontal.value]
    return (
      [
        ['down', over(up === null ? undefined : -up, limits.down)],
        ['up', over(up ?? undefined, limits.up)],
        ['near', over(far === null ? undefined : -far, limits.near)],
        ['far', over(far ?? undefined, limits.far)],
      ] as const
    ).flatMap(([name, breaks]) => (breaks ? [{ of: one.id, limit: name }] : []))
  })
  return {
    ok: true,
    value: {
      format: 'vane-peg.result',
      version: 1,
      kind: 'bore',
      units,
      bores: {
        sections: row.sections.map((one, s) => {
          const { ovality = null, closure = null } = placed[s]?.solved ?? {}
          const probability = chanceWithin(one, limit)
          const plane = (name: Plane): ResultPlane | null => {
            const told = one[name]
            return told && { position: shown(told.value), sd: shown(told.sd), move: shown(0 - told.value) }
          }
          return {
            id: one.id,
            vertical: plane('vertical'),
            horizontal: plane('horizontal'),
            ovality: ovality && { value: shown(ovality.value), at: ovality.at },
            closure: closure === null ? null : shown(closure),
            verdict:
              probability === null
                ? null
                : {
                    state: all || doubtful.includes(one.id) ? 'unsure' : stateOf(probability),
                    probability,
                    limit: shown(limit),
                  },
          }
        }),
        line: {
          vertical: row.line.vertical && { at0: shown(row.line.vertical.offset), slope: row.line.vertical.slope },
          horizontal: row.line.horizontal && {
            at0: shown(row.line.horizontal.offset),
            slope: row.line.horizontal.slope,
          },
        },
        ...(blocking.length > 0 ? { blocking } : {}),
      },
      ...writtenTold(against, (_, value) => shown(value), [
        ...bare.map((id) => ({
          code: 'no-sag',
          message: `${id}: sag not entered and solved as zero, so heights and vertical moves that depend on it are uncertain`,
        })),
        ...row.sections.flatMap(openIn),
        ...planes.flatMap((plane) =>
          row.line[plane]
            ? []
            : [{ code: 'open', message: `line: the readings do not determine the ${plane} plane of the line` }],
        ),
        ...bores.sections.flatMap(({ id, readings, sd }, s) => {
          const told = placed[s]?.solved
          const own = sd === undefined ? usualSd : reading(sd)
          return told && placesIn(readings) < placesForOval && Math.abs(told.closure ?? 0) > 2 * own * mostClosure
            ? [
                {
                  code: 'not-closed',
                  message: `${id}: top + bottom does not equal far + near: bore out of round or a wrong reading; eight places show which`,
                },
              ]
            : []
        }),
      ]),
    },
  }
}

/** What the readings leave open of a section, by name. */
function openIn({ id, vertical, horizontal }: Standing): { code: 'open'; message: string }[] {
  const open = [...(vertical ? [] : ['its height']), ...(horizontal ? [] : ['its side position'])]
  return open.length > 0 ? [{ code: 'open', message: `${id}: the readings leave ${open.join(' and ')} open` }] : []
}
