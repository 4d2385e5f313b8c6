import { cautionTexts } from './cautions'
import { sayLongDate, sayTime } from './dates'
import type { Typed } from './fields'
import { labels, t } from './language'
import { leaveReasonNames } from './prove'
import { checkTexts } from './ready'

/** Yes or no. */
export const yesNo: Readonly<Record<string, string>> = labels({ true: 'yes', false: 'no' })

/** A day, or a day and a time, in words. */
const at = (text: string): string | undefined => {
  const day = new Date(text)
  if (text === '' || Number.isNaN(day.getTime())) return undefined
  return text.includes('T') ? `${sayLongDate(day)}, ${sayTime(day)}` : sayLongDate(day)
}

/** Ticks and cautions: by whom, and when. */
const signed = (path: string, by = words.by, when = words.when): Typed['fields'] => ({
  [`${path}.by`]: by,
  [`${path}.at`]: { name: when, tell: at },
})

const words = labels({
  by: 'Initials',
  when: 'When',
  near: 'Near side',
  far: 'Far side',
})

/** Of a line: its sides and what they are called. */
export const sideFields = { 'line.sides.near': words.near, 'line.sides.far': words.far }

const stageNames: Readonly<Record<string, string>> = labels({ 1: 'By hand', 2: 'Snug', 3: 'To torque' })

const footTold = (path: string): Typed['fields'] => ({
  [`${path}.rise`]: 'Rise',
  [`${path}.gaps.lowNear`]: 'Gap, left near corner',
  [`${path}.gaps.lowFar`]: 'Gap, left far corner',
  [`${path}.gaps.highNear`]: 'Gap, right near corner',
  [`${path}.gaps.highFar`]: 'Gap, right far corner',
  [`${path}.nothingOver`]: 'No feeler fits over',
  [`${path}.told`]: { name: 'Measured at', choice: { foot: 'the foot', shaft: 'the shaft' } },
  [`${path}.pack`]: 'Pack',
})

/** What every line and every job has beside what its kind adds. */
export const jobFields: Typed = labels({
  fields: {
    'line.shape': null,
    'line.kind': null,
    'line.name': null,
    'line.area': null,
    // printed with what was found of them
    'line.checks.#.id': null,
    'line.checks.#.text': null,
    'line.logbook': null,
    'round.id': null,
    'round.takenAt': null,
    'round.by': null,
    // said under the conditions
    'job.ready.occasion': null,
    'job.ready.permit': null,
    ...signed('job.ready.cautions.*'),
    'job.ready.checks.*.outcome': {
      name: 'Outcome',
      choice: { good: 'OK', bad: 'not OK', skipped: 'skipped' },
    },
    'job.ready.checks.*.value': 'Measured',
    'job.ready.checks.*.maker': 'Maker’s figure',
    'job.ready.checks.*.plusMinus': 'Plus or minus',
    'job.ready.checks.*.note': 'Note',
    ...signed('job.ready.checks.*'),
    'job.ready.rough.*': { name: 'Rough alignment', key: (key: string) => t`Rough alignment, ${key}` },
    'job.ready.roughCarrier.*': {
      name: 'Straightedge on',
      key: (_: string) => t`Straightedge on`,
      choice: { left: 'left hub', right: 'right hub' },
    },
    'job.seat.*.threshold': 'A foot may rise by',
    'job.seat.*.torque': 'Torque',
    'job.seat.*.rounds': 'Tightening passes',
    'job.seat.*.coupling': { name: 'Coupling', choice: { open: 'disconnected', connected: 'connected' } },
    'job.seat.*.pipes': { name: 'Pipes', choice: { off: 'off', on: 'on' } },
    'job.seat.*.padAlong': 'Pad along the shaft',
    'job.seat.*.padAcross': 'Pad across the shaft',
    'job.seat.*.thinnest': 'Thinnest shim',
    ...signed('job.seat.*.ticks.*'),
    ...footTold('job.seat.*.loose.*'),
    ...footTold('job.seat.*.before.*'),
    ...footTold('job.seat.*.after.*'),
    // listed by the record, done or not
    'job.proof.ticks': null,
    'job.proof.leave.reason': { name: 'Left as is', choice: leaveReasonNames },
    'job.proof.leave.note': 'Why',
    ...signed('job.proof.leave', 'Left as is by', 'Left as is, when'),
    'job.proof.notClosed.note': 'Not read connected, because',
    ...signed('job.proof.notClosed', 'Not read connected, initialed by', 'Not read connected, when'),
    ...signed('job.proof.growthZero', 'Growth negligible, initialed by', 'Growth negligible, when'),
    'job.proof.closingShare': 'Allowed shift on connecting, % of tolerance',
    'job.proof.knownTo.tape': 'Tape, ±',
    'job.proof.knownTo.sag': 'Sag, ±',
    'job.proof.knownTo.growth': 'Growth, ± %',
    'job.proof.knownTo.limits': 'Limits, ± %',
  },
  groups: {
    'job.ready.cautions.*': {
      title: 'Cautions, initialed by',
      one: '',
      key: (key: string) => (cautionTexts as Readonly<Record<string, { title: string }>>)[key]?.title ?? key,
    },
    'job.ready.checks.*': {
      title: 'Checks before the readings, as measured',
      one: '',
      key: (key: string, nameOf: (id: string) => string) => checkTexts[key]?.title ?? nameOf(key),
    },
    'job.seat.*': { title: 'Soft foot, by machine', one: '', key: (key: string, nameOf) => nameOf(key) },
    'job.seat.*.ticks.*': {
      title: 'Bolts tightened, stage and pass',
      one: '',
      key: (key: string) => t`${stageNames[key.slice(0, 1)] ?? key}, pass ${key.slice(2)}`,
    },
    'job.seat.*.loose.*': {
      title: 'All bolts loose, by foot',
      one: '',
      key: (key: string, nameOf) => seatKey(key, nameOf),
    },
    'job.seat.*.before.*': {
      title: 'Soft foot as found, by foot',
      one: '',
      key: (key: string, nameOf) => seatKey(key, nameOf),
    },
    'job.seat.*.after.*': {
      title: 'Soft foot after correction, by foot',
      one: '',
      key: (key: string, nameOf) => seatKey(key, nameOf),
    },
  },
})

const seatSides = labels({ near: 'near', far: 'far' })

/** "station.near": the foot at that station, and its side. */
export function seatKey(key: string, nameOf: (id: string) => string): string {
  const end = key.lastIndexOf('.')
  const side = key.slice(end + 1)
  return end > 0 && (side === 'near' || side === 'far')
    ? `${nameOf(key.slice(0, end))}, ${seatSides[side]}`
    : nameOf(key)
}
