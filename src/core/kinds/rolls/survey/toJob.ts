import type { JobOf } from '../../../job/document'
import { jobFrom } from '../../../job/make'
import { type Checked, refuse } from '../../../quantity/fault'
import { emptyQuantity, type Quantity, quantityFrom } from '../../../quantity/quantity'
import { toMm } from '../../../quantity/units'
import { lengthUnitFor } from '../../../quantity/usual'
import { cellOf, makeFurther, makeLine, makeRound } from '../document/make'
import { type Further, mostRolls, type RollOfLine, type RollsLine, type RollsRound } from '../document/schema'
import { gaugeFor } from '../solve/readings'
import type { RollsSurvey } from './schema'
import { readSurvey, usual } from './solve'

type Reading = RollsSurvey['rolls']['readings'][number]

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
  if (told.rolls.length < 2 || told.rolls.length > mostRolls || !first)
    return refuse('rolls.rolls', `expected 2 to ${mostRolls} rolls (a job holds no more)`)
  const path = told.web?.path ?? told.rolls.map(({ id }) => id)
  if (path.length !== told.rolls.length || new Set(path).size < path.length)
    return refuse('rolls.web.path', 'expected every roll once (a job holds one web path)')
  const span = (one: typeof first) => one.housings[1] - one.housings[0]
  for (const [r, roll] of told.rolls.entries()) {
    if (roll.width !== first.width)
      return refuse(`rolls.rolls.${r}.width`, 'expected that of the first roll (a job holds one)')
    if (Math.abs(span(roll) - span(first)) > 1e-9 || Math.abs(roll.housings[0] + roll.housings[1]) > 1e-9)
      return refuse(
        `rolls.rolls.${r}.housings`,
        'expected those of the first roll, equally far to either side (a job holds one distance)',
      )
    const { near, far } = roll.limits ?? {}
    if (far) return refuse(`rolls.rolls.${r}.limits.far`, 'expected none: the far housing is fixed')
    if (near?.slide && near.slide[0] !== -near.slide[1])
      return refuse(`rolls.rolls.${r}.limits.near.slide`, 'expected the same either way (a job holds one number)')
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
      ...limitsFrom(roll.limits?.near),
    })),
    reference: told.reference ?? '',
    baseline: told.baseline ? typed(told.baseline.offset) : emptyQuantity(length),
  }
  /** What its near housing can do, as it is typed on the page. */
  function limitsFrom(
    near: { slide?: [number, number] | undefined; shim?: [number, number] | undefined } | undefined,
  ): Pick<RollOfLine, 'limits'> {
    if (!near) return {}
    const nothing = emptyQuantity(unit)
    return {
      limits: {
        slide: near.slide ? reading(near.slide[1]) : nothing,
        up: near.shim ? reading(near.shim[1]) : nothing,
        down: near.shim ? reading(-near.shim[0]) : nothing,
      },
    }
  }
  /** A reading that has no cell of its own in the tables. */
  function furtherFrom(one: Reading, id: string): Further {
    const bare = { ...makeFurther(id, unit) }
    const slope = (rad: number | undefined) => (rad === undefined ? '' : String(Number((rad * 1000).toPrecision(6))))
    if (one.type === 'direct') {
      // the length that makes it as sure as the document says
      const gauge = quantityFrom(gaugeFor(one.sd ?? usual.direct), length, 2)
      return { ...bare, type: 'direct', on: one.on, square: slope(one.square), level: slope(one.level), gauge }
    }
    if (one.type === 'diagonals') {
      const [on, to] = one.between
      return { ...bare, type: 'diagonals', on, to, near: reading(one.nearFar), far: reading(one.farNear) }
    }
    if (one.type !== 'tape' && one.type !== 'loop') return bare
    const [on, to] = one.between
    return { ...bare, type: one.type, on, to, near: reading(one.near), far: reading(one.far) }
  }
  let round = makeRound(line, takenAt, unit)
  let over: number | undefined
  let sensitivity: number | undefined
  for (const [r, one] of told.readings.entries()) {
    const at = `rolls.readings.${r}`
    const taken = (cell: string) => round.values[cell] !== undefined || round.divisions[cell] !== undefined
    const twice = () => refuse(at, 'expected each reading once (a job holds one)')
    if (one.type === 'level') {
      if (sensitivity !== undefined && one.sensitivity !== sensitivity)
        return refuse(`${at}.sensitivity`, 'expected that of the other levels (a job holds one)')
      sensitivity = one.sensitivity
      const cell = cellOf(one.on, one.turned ? 'turned' : 'level')
      if (taken(cell)) return twice()
      round = { ...round, divisions: { ...round.divisions, [cell]: String(Number(one.divisions.toFixed(4))) } }
      continue
    }
    const elsewhere = one.type === 'tape' && path[path.indexOf(one.between[0]) + 1] !== one.between[1]
    if (one.type === 'diagonals' || one.type === 'direct' || one.type === 'loop' || elsewhere) {
      const own = furtherFrom(one, `f${r}`)
      if ('over' in one) {
        if (over !== undefined && one.over !== over)
          return refuse(`${at}.over`, 'expected that of the other readings (a job holds one)')
        over = one.over
      }
      round = { ...round, further: [...(round.further ?? []), own] }
      continue
    }
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
      return refuse(`${at}.over`, 'expected that of the other readings (a job holds one)')
    over = one.over
    const from = one.type === 'tape' ? one.between[0] : one.on
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
