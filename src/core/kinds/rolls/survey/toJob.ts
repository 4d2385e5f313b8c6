import { type Checked, refuse } from '../../../frame/fault'
import { emptyQuantity, type Quantity, quantityFrom } from '../../../frame/quantity'
import { toMm } from '../../../frame/units'
import { lengthUnitFor } from '../../../frame/usual'
import type { JobOf } from '../../../job/document'
import { jobFrom } from '../../../job/make'
import { cellOf, makeLine, makeRound } from '../document/make'
import type { RollsLine, RollsRound } from '../document/schema'
import { readSurvey } from './solve'

/**
 * A survey document of a section of rolls as a job. The page has one face width, one distance between housings, one length over
 * which both ends are read, tapes to the next roll; a document that holds anything else is refused by its path, so that nothing
 * is lost unsaid.
 */
export function jobOfSurvey(document: unknown, name: string, takenAt: string): Checked<JobOf<RollsLine, RollsRound>> {
  const read = readSurvey(document)
  if (!read.ok) return read
  const { rolls: told, units } = read.value
  const unit = units.length === 'in' ? 'mil' : 'mm'
  const length = lengthUnitFor(unit)
  const typed = (value: number): Quantity => quantityFrom(toMm(value, units.length), length, unit === 'mil' ? 5 : 4)
  const reading = (value: number): Quantity => quantityFrom(toMm(value, units.reading), unit, unit === 'mil' ? 3 : 4)
  const [first] = told.rolls
  if (told.rolls.length < 2 || told.rolls.length > 60 || !first)
    return refuse('rolls.rolls', 'expected two to sixty rolls: the page holds no more')
  const path = told.web?.path ?? told.rolls.map(({ id }) => id)
  if (path.length !== told.rolls.length || new Set(path).size < path.length)
    return refuse('rolls.web.path', 'expected every roll once: the page holds one way through them')
  const span = (one: typeof first) => one.housings[1] - one.housings[0]
  for (const [r, roll] of told.rolls.entries()) {
    if (roll.width !== first.width)
      return refuse(`rolls.rolls.${r}.width`, 'expected that of the first: the page holds one')
    if (Math.abs(span(roll) - span(first)) > 1e-9 || Math.abs(roll.housings[0] + roll.housings[1]) > 1e-9)
      return refuse(
        `rolls.rolls.${r}.housings`,
        'expected those of the first, as far to either side: the page holds one distance',
      )
    if (roll.limits) return refuse(`rolls.rolls.${r}.limits`, 'expected none: the page has no place for them')
  }
  const made = makeLine(told.name?.slice(0, 80) || name, unit, [])
  const ordered = path.flatMap((id) => told.rolls.find((one) => one.id === id) ?? [])
  const line: RollsLine = {
    ...made,
    width: typed(first.width),
    housings: typed(span(first)),
    rolls: ordered.map((roll) => ({
      id: roll.id,
      name: (roll.name ?? roll.id).slice(0, 60),
      x: typed(roll.x),
      z: typed(roll.z),
      diameter: typed(roll.diameter),
      side: told.web?.side?.[roll.id] ?? 'over',
      fixed: roll.movable === false,
      incline: roll.incline ? String(roll.incline) : '',
      limit: roll.limit === undefined ? '' : String(Number((roll.limit * 1000).toPrecision(6))),
    })),
    reference: told.reference ?? '',
    baseline: told.baseline ? typed(told.baseline.offset) : emptyQuantity(length),
  }
  let round = makeRound(line, takenAt, unit)
  let over: number | undefined
  let sensitivity: number | undefined
  for (const [r, one] of told.readings.entries()) {
    const at = `rolls.readings.${r}`
    const taken = (cell: string) => round.values[cell] !== undefined || round.divisions[cell] !== undefined
    const twice = () => refuse(at, 'expected each number once: the page has one place for it')
    if (one.type === 'level') {
      if (sensitivity !== undefined && one.sensitivity !== sensitivity)
        return refuse(`${at}.sensitivity`, 'expected that of the other levels: the page holds one')
      sensitivity = one.sensitivity
      const cell = cellOf(one.on, one.turned ? 'turned' : 'level')
      if (taken(cell)) return twice()
      round = { ...round, divisions: { ...round.divisions, [cell]: String(Number(one.divisions.toFixed(4))) } }
      continue
    }
    if (one.type === 'loop') return refuse(`${at}.type`, 'expected another: the page has no place for a loop')
    if (one.type === 'plane') {
      const mark = { id: `m${r}`, stand: one.stand.slice(0, 20), mark: one.mark.slice(0, 20) }
      round = { ...round, marks: [...round.marks, { ...mark, x: typed(one.x), value: reading(one.value) }] }
      continue
    }
    if (one.type === 'centre') {
      const cell = cellOf(one.on, 'centre')
      if (taken(cell)) return twice()
      round = { ...round, values: { ...round.values, [cell]: reading(one.value) } }
      continue
    }
    if (over !== undefined && one.over !== over)
      return refuse(`${at}.over`, 'expected that of the other readings: the page holds one')
    over = one.over
    const [from, to] = one.type === 'tape' ? one.between : [one.on, undefined]
    const i = path.indexOf(from)
    if (one.type === 'tape' && path[i + 1] !== to)
      return refuse(`${at}.between`, 'expected a roll and the next one: the page has no place for others')
    const [near, far] =
      one.type === 'tape'
        ? [cellOf(from, 'tapeNear'), cellOf(from, 'tapeFar')]
        : [cellOf(from, 'near'), cellOf(from, 'far')]
    if (taken(near)) return twice()
    round = { ...round, values: { ...round.values, [near]: reading(one.near), [far]: reading(one.far) } }
    if (one.type === 'scale' && one.stand)
      round = { ...round, stands: { ...round.stands, [from]: one.stand.slice(0, 20) } }
  }
  const whole = {
    ...round,
    ...(over === undefined ? {} : { over: typed(over) }),
    ...(sensitivity === undefined ? {} : { sensitivity: String(sensitivity) }),
  }
  return { ok: true, value: jobFrom(line, whole, '') }
}
