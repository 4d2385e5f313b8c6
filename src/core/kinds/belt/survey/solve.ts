import { type ResultWritten, writtenTold } from '../../../fit/told'
import { radians } from '../../../quantity/angles'
import { type Checked, refuse } from '../../../quantity/fault'
import { checkSurvey, tidyShim, type Units } from '../../../quantity/openFormat'
import { fromMm, toMm } from '../../../quantity/units'
import { choosePack } from '../../../shims/packs'
import { stateOf } from '../../../verdict/verdict'
import { usualLimit } from '../belts'
import { type BeltReading, type Drive, type Estimate, type SheaveSolved, solveDrive } from '../solve/drive'
import { feetWork, type Standing } from '../solve/feet'
import { type BeltSurvey, surveySchema } from './schema'

/** The open result document of a belt drive, version 1; docs/format.md explains every field. */
export interface BeltResult {
  format: 'vane-peg.result'
  version: 1
  kind: 'belt'
  units: Units
  belt: {
    sheaves: {
      id: string
      toe: Estimate | null
      tilt: Estimate | null
      offset: Estimate | null
      wobble?: { value: number; at: number } | null
      belt: { atReference: number | null; atMoved: number | null; twist: number | null }
      verdict: {
        state: 'within' | 'outside' | 'unsure'
        probability: number
        limit: number
        offsetLimit?: number
      } | null
    }[]
    feet: {
      sheave: string
      foot: string
      shim: number | null
      swing: number | null
      slide: number | null
      pack?: number[]
    }[]
    blocking?: { of: string; limit: 'down' | 'up' | 'near' | 'far' }[]
  }
  suspects?: ResultWritten[]
  warnings: { code: string; message: string }[]
}

/** Without a deviation of its own: of a reading, mm; of an angle that an instrument tells, rad. */
export const usualSd = { reading: 0.005, angle: 0.0001 }

/** Reads a document: schema first, then what a schema cannot say, each fault by its path. */
export function readSurvey(document: unknown): Checked<BeltSurvey> {
  const checked = checkSurvey(surveySchema, document)
  if (!checked.ok) return checked
  const { sheaves, readings } = checked.value.belt
  const taken = new Set<string>()
  for (const [s, sheave] of sheaves.entries()) {
    const at = `belt.sheaves.${s}`
    if (taken.has(sheave.id)) return refuse(`${at}.id`, 'expected a unique id')
    taken.add(sheave.id)
    if (sheave.stays)
      for (const key of ['base', 'pivot', 'feet'] as const)
        if (sheave[key] !== undefined) return refuse(`${at}.${key}`, 'expected none on the fixed sheave')
    for (const [f, { id }] of (sheave.feet ?? []).entries()) {
      if (taken.has(id)) return refuse(`${at}.feet.${f}.id`, 'expected a unique id')
      taken.add(id)
    }
    const { pivot, feet = [] } = sheave
    if (pivot && !feet.some(({ id }) => id === pivot.foot))
      return refuse(`${at}.pivot.foot`, `expected a foot of ${sheave.id}`)
  }
  const staying = sheaves.filter(({ stays }) => stays)
  const [reference] = staying
  if (!reference) return refuse('belt.sheaves', 'expected one fixed sheave (stays)')
  if (staying.length > 1) {
    const second = sheaves.findLastIndex(({ stays }) => stays)
    return refuse(`belt.sheaves.${second}.stays`, 'expected exactly one fixed sheave (stays)')
  }
  for (const [s, { id, centre }] of sheaves.entries())
    if (id !== reference.id && Math.hypot(centre[1] - reference.centre[1], centre[2] - reference.centre[2]) < 1e-6)
      return refuse(`belt.sheaves.${s}.centre`, 'expected a position off the shaft of the fixed sheave')
  for (const [r, reading] of readings.entries()) {
    const at = `belt.readings.${r}`
    if (!sheaves.some(({ id }) => id === reading.on)) return refuse(`${at}.on`, 'expected a sheave of this belt')
    if (reading.type === 'direct') {
      if (reading.on === reference.id) return refuse(`${at}.on`, 'expected a movable sheave')
      if (reading.toe === undefined && reading.tilt === undefined && reading.offset === undefined)
        return refuse(at, 'expected toe, tilt or offset')
    } else if (reading.on === reference.id && reading.target === undefined)
      return refuse(
        `${at}.target`,
        'missing, expected a target: on the fixed sheave a reading gives its constant alone',
      )
  }
  return checked
}

/** Survey document of a belt drive in, result document out. Bad input comes back as a fault with the path of the field. */
export function solveSurvey(document: unknown): Checked<BeltResult> {
  const read = readSurvey(document)
  if (!read.ok) return read
  const { units, belt, plan } = read.value
  const length = (value: number) => toMm(value, units.length)
  const reading = (value: number) => toMm(value, units.reading)
  const shown = (mm: number) => fromMm(mm, units.reading)
  const shownOrNull = (mm: number | null) => (mm === null ? null : shown(mm))
  const sheaves = belt.sheaves.map((sheave) => ({
    ...sheave,
    centre: [length(sheave.centre[0]), length(sheave.centre[1]), length(sheave.centre[2])] as const,
    toGroove: length(sheave.toGroove),
  }))
  const reference = sheaves.find(({ stays }) => stays)
  if (!reference) return refuse('belt.sheaves', 'expected one fixed sheave (stays)')
  const moved = sheaves.filter(({ stays }) => !stays)
  const drive: Drive = { reference, moved, faces: belt.faces === 'right' ? 1 : -1 }
  const limit = radians(belt.limit ?? usualLimit[belt.type])
  const readings = belt.readings.flatMap((one, r): BeltReading[] => {
    const path = `belt.readings.${r}`
    if (one.type === 'face') {
      const { on, angle, radius, value, target, turned = 0, sd } = one
      const told = sd === undefined ? usualSd.reading : reading(sd)
      return [
        {
          type: 'face',
          on,
          angle,
          radius: length(radius),
          value: reading(value),
          target,
          turned,
          sd: told,
          written: [{ at: path, value: reading(value), per: 1, list: `${on} ${turned}` }],
        },
      ]
    }
    const angle = one.sd?.angle ?? usualSd.angle
    const offset = one.sd?.offset === undefined ? usualSd.reading : reading(one.sd.offset)
    return (['toe', 'tilt', 'offset'] as const).flatMap((what): BeltReading[] => {
      const value = one[what]
      if (value === undefined) return []
      const offsetTold = what === 'offset'
      return [
        {
          type: 'direct',
          on: one.on,
          what,
          value: offsetTold ? reading(value) : value,
          written: [{ at: `${path}.${what}`, value: offsetTold ? reading(value) : value, per: 1 }],
          sd: offsetTold ? offset : angle,
        },
      ]
    })
  })
  const offsetLimit = belt.offsetLimit === undefined ? undefined : reading(belt.offsetLimit)
  const solved = solveDrive(drive, readings, limit, offsetLimit)
  const feet = moved.flatMap((sheave, m) => {
    const own = solved[m]
    const standing = own && standingOf(sheave, length)
    if (!own || !standing) return []
    return feetWork(own, standing).map((work) => {
      const foot = sheave.feet?.find(({ id }) => id === work.foot)
      const { stock, maxShims: most = 4 } = plan ?? {}
      const pack =
        stock && work.shim !== null ? choosePack(stock, shown(work.shim), { most }).shims.map(tidyShim) : undefined
      return { sheave: sheave.id, work, limits: foot?.limits, pack }
    })
  })
  const blocking = feet.flatMap(({ work, limits = {} }) => {
    const over = (value: number | null, most: number | undefined) =>
      value !== null && most !== undefined && shown(value) > most + 1e-9
    return (
      [
        ['up', over(work.shim, limits.up)],
        ['near', over(work.swing === null ? null : -work.swing, limits.near)],
        ['far', over(work.swing, limits.far)],
      ] as const
    ).flatMap(([name, breaks]) => (breaks ? [{ of: work.foot, limit: name }] : []))
  })
  const toldShown = (told: Estimate | null) => told && { value: shown(told.value), sd: shown(told.sd) }
  return {
    ok: true,
    value: {
      format: 'vane-peg.result',
      version: 1,
      kind: 'belt',
      units,
      belt: {
        sheaves: solved.map(({ id, toe, tilt, offset, wobble, belt: felt, probability, contradiction }) => ({
          id,
          toe,
          tilt,
          offset: toldShown(offset),
          ...(wobble === undefined ? {} : { wobble }),
          belt: {
            atReference: felt.atReference?.value ?? null,
            atMoved: felt.atMoved?.value ?? null,
            twist: felt.twist?.value ?? null,
          },
          verdict:
            probability === null
              ? null
              : {
                  state: contradiction ? 'unsure' : stateOf(probability),
                  probability,
                  limit,
                  ...(belt.offsetLimit === undefined ? {} : { offsetLimit: belt.offsetLimit }),
                },
        })),
        feet: feet.map(({ sheave, work, pack }) => ({
          sheave,
          foot: work.foot,
          shim: shownOrNull(work.shim),
          swing: shownOrNull(work.swing),
          slide: shownOrNull(work.slide),
          ...(pack ? { pack } : {}),
        })),
        ...(blocking.length > 0 ? { blocking } : {}),
      },
      ...writtenTold(
        solved.flatMap(({ id, contradiction }) => (contradiction ? [{ of: id, ...contradiction }] : [])),
        (at, value) => (/\.(toe|tilt)$/.test(at) ? value : shown(value)),
        solved.flatMap(openIn),
      ),
    },
  }
}

/** What the readings leave open of a sheave, by name. */
function openIn({ id, toe, tilt, offset }: SheaveSolved): { code: 'open'; message: string }[] {
  const open = [
    ...(toe ? [] : ['its toe']),
    ...(tilt ? [] : ['its tilt']),
    ...(offset ? [] : ['the offset of its grooves']),
  ]
  if (open.length === 0) return []
  const last = open.at(-1)
  const named = open.length > 1 ? `${open.slice(0, -1).join(', ')} and ${last}` : last
  return [{ code: 'open', message: `${id}: the readings leave ${named} open` }]
}

type SurveyedSheave = Omit<BeltSurvey['belt']['sheaves'][number], 'centre'> & {
  centre: readonly [number, number, number]
}

/** What a machine stands on; undefined without feet. Where nobody says, it turns about its last foot and its own center. */
function standingOf(sheave: SurveyedSheave, length: (value: number) => number): Standing | undefined {
  const { feet = [], pivot, base, centre } = sheave
  const last = feet.at(-1)
  if (!last) return undefined
  const about = feet.find(({ id }) => id === pivot?.foot) ?? last
  return {
    base: base === undefined ? centre[2] : length(base),
    pivot: { x: length(about.x), y: pivot?.y === undefined ? centre[1] : length(pivot.y) },
    centre: { y: centre[1], z: centre[2] },
    feet: feet.map(({ id, x }) => ({ id, x: length(x) })),
  }
}
