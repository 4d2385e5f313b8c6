import type { Unit } from '../core/frame/units'
import { cautionTexts } from './cautions'
import { sayLongDate, sayTime } from './dates'
import { quantityTyped, type Typed } from './fields'
import { rowCouplingNames } from './kit'
import { labels, t } from './language'
import { leaveReasonNames } from './prove'
import { checkTexts } from './ready'
import { methodNames, purposeNames } from './terms'

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
  speed: 'Speed, rpm',
  policy: 'Limits',
  grade: 'Grade',
  offset: 'Limit of the offset',
  slope: 'Limit of the angle',
  source: 'Source',
  table: 'Table',
})

/** Of a line: its sides and what they are called. */
export const sideFields = { 'line.sides.near': words.near, 'line.sides.far': words.far }

/** What a coupling may do, as it was typed on its line. */
export const toleranceFields: Typed = labels({
  fields: {
    'line.speed': words.speed,
    'line.tolerance.policy': {
      name: words.policy,
      choice: { 'slip-speed': 'by sliding speed', figures: 'the maker’s or the site’s figures', table: 'a table' },
    },
    'line.tolerance.grade': { name: words.grade, choice: { fine: 'fine', standard: 'standard', coarse: 'coarse' } },
    'line.tolerance.offset': words.offset,
    'line.tolerance.slope': {
      name: words.slope,
      tell: ({ text, unit }: { text: string; unit: string }) => (text ? `${text} ${unit}` : undefined),
    },
    'line.tolerance.source': words.source,
    'line.tolerance.table.id': null,
    'line.tolerance.table.name': words.table,
    'line.tolerance.table.source': words.source,
    'line.tolerance.rows.#.id': null,
    'line.tolerance.rows.#.coupling': { name: 'Coupling', choice: rowCouplingNames },
    'line.tolerance.rows.#.from': 'From, rpm',
    'line.tolerance.rows.#.to': 'To, rpm',
    'line.tolerance.rows.#.offset': words.offset,
    'line.tolerance.rows.#.slope': {
      name: words.slope,
      tell: ({ text, unit }: { text: string; unit: string }) => (text ? `${text} ${unit}` : undefined),
    },
  },
  groups: { 'line.tolerance.rows.#': { title: 'Table of limits', one: 'Row' } },
})

const channelNames: Readonly<Record<string, string>> = labels({
  offset: 'offset',
  gap: 'gap',
  r1: 'outward',
  t1: 'sideways',
  r2: 'outward, plane 2',
  t2: 'sideways, plane 2',
})

/** "a90", or "a90:r1" of an instrument with several numbers at one angle. */
const angleKey = (key: string, nameOf: (id: string) => string): string => {
  const [angle = '', channel] = key.split(':')
  return channel ? `${nameOf(angle)}, ${channelNames[channel] ?? channel}` : nameOf(angle)
}

/** Sets of readings at a coupling, of the kinds that have them. */
export const setFields: Typed = labels({
  fields: {
    'round.sets.#.id': null,
    'round.sets.#.coupling': { name: 'Coupling', ref: true },
    'round.sets.#.method': { name: 'Method', choice: methodNames },
    'round.sets.#.state': { name: 'Coupling was', choice: { released: 'disconnected', engaged: 'connected' } },
    'round.sets.#.purpose': { name: 'Purpose', choice: purposeNames },
    'round.sets.#.engagedAccepted': 'Connected, accepted by',
    'round.sets.#.turned': {
      name: 'Which shafts turn',
      choice: { both: 'both shafts together', one: 'bracket’s shaft only' },
    },
    'round.sets.#.direction': { name: 'Turned from the top toward', choice: { far: 'far', near: 'near' } },
    'round.sets.#.zeroed': {
      name: 'Zeroed',
      choice: {
        any: 'anywhere',
        halved: 'at a side, then halved',
        sag: 'set to sag at the top',
        planes: 'at the top, and once more at a side',
      },
    },
    'round.sets.#.angleAs': {
      name: 'Angles given by',
      choice: {
        quarters: 'quarters',
        degrees: 'degrees',
        'clock-left': 'clock from the left end',
        'clock-right': 'clock from the right end',
        planes: 'planes',
      },
    },
    'round.sets.#.angles': {
      name: 'Read at, from the top toward the far side',
      tell: (angles: readonly { degrees: number }[]) => angles.map(({ degrees }) => `${degrees}°`).join('; '),
    },
    'round.sets.#.probes.#.id': null,
    'round.sets.#.probes.#.type': {
      name: 'Reads',
      choice: {
        rim: 'rim',
        face: 'face',
        beam: 'head on the shaft',
        beam2: 'beam on two planes',
        bore: 'bore',
        prism: 'prism',
        result: 'an instrument’s own result',
      },
    },
    'round.sets.#.probes.#.on': { name: 'On', ref: true },
    'round.sets.#.probes.#.station.from': { name: 'Measured from', ref: true },
    'round.sets.#.probes.#.station.distance': 'Distance from there',
    'round.sets.#.probes.#.station.toward': { name: 'Toward', choice: { left: 'left', right: 'right' } },
    'round.sets.#.probes.#.plane2.from': { name: 'Plane 2, measured from', ref: true },
    'round.sets.#.probes.#.plane2.distance': 'Plane 2, distance from there',
    'round.sets.#.probes.#.plane2.toward': { name: 'Plane 2, toward', choice: { left: 'left', right: 'right' } },
    'round.sets.#.probes.#.radius': 'Radius of rim, or of travel',
    'round.sets.#.probes.#.graduation': 'Graduation',
    'round.sets.#.probes.#.turn': 'One turn of the dial',
    'round.sets.#.probes.#.travel': 'Plunger travel',
    'round.sets.#.probes.#.sag': 'Sag of its bracket',
    'round.sets.#.probes.#.span': 'Span, clamp to plunger',
    'round.sets.#.probes.#.sd': 'Repeatability (1 SD)',
    'round.sets.#.probes.#.side': { name: 'On the face', choice: { front: 'front', back: 'back' } },
    'round.sets.#.probes.#.lead': 'Angle ahead, degrees',
    'round.sets.#.probes.#.floats': { name: 'Shaft floats', choice: yesNo },
    'round.sets.#.probes.#.correction.kind': {
      name: 'Corrected as',
      choice: {
        lever: 'lever dial',
        plunger: 'plunger at an angle',
        nulling: 'nulled against a scale',
        step: 'by a known step',
      },
    },
    'round.sets.#.probes.#.correction.angle': 'Its angle, degrees',
    'round.sets.#.probes.#.correction.madeFor': 'Tip made for, degrees',
    'round.sets.#.probes.#.correction.tip.made': 'Tip it was made for',
    'round.sets.#.probes.#.correction.tip.used': 'Tip it has',
    'round.sets.#.probes.#.correction.step': 'Known step',
    'round.sets.#.probes.#.correction.shown': 'The dial showed',
    'round.sets.#.probes.#.counts': { name: 'Counts', choice: { other: 'the other way' } },
    'round.sets.#.probes.#.plus.vertical.offset': {
      name: 'Plus, offset up and down',
      choice: { up: 'up', down: 'down' },
    },
    'round.sets.#.probes.#.plus.vertical.gap': {
      name: 'Plus, open up and down',
      choice: { top: 'at the top', bottom: 'at the bottom' },
    },
    'round.sets.#.probes.#.plus.horizontal.offset': {
      name: 'Plus, offset sideways',
      choice: { far: 'far', near: 'near' },
    },
    'round.sets.#.probes.#.plus.horizontal.gap': { name: 'Plus, open sideways', choice: { far: 'far', near: 'near' } },
    'round.sets.#.probes.#.diameter': 'Gap told over a diameter of',
    'round.sets.#.probes.#.gapSd': 'Repeatability of the gap (1 SD)',
    'round.sets.#.probes.#.runout.swing': 'Run-out of that hub, TIR',
    'round.sets.#.probes.#.runout.at': 'High spot at, degrees',
    'round.sets.#.probes.#.own.*': {
      name: 'Own angle',
      key: (key: string, nameOf: (id: string) => string) => t`Its own angle at ${nameOf(key)}`,
      tell: (degrees: number) => `${degrees}°`,
    },
    'round.sets.#.probes.#.kit': {
      name: 'From the kit',
      tell: ({ dial, bracket }: { dial?: { name: string }; bracket?: { name: string } }) =>
        [dial?.name, bracket?.name].filter(Boolean).join(', ') || undefined,
    },
    'round.sets.#.probes.#.readings.*': {
      name: 'Reading',
      key: (key: string, nameOf: (id: string) => string) => t`Reads at ${angleKey(key, nameOf)}`,
      tell: ({ value, turns }: { value: { text: string; unit: Unit }; turns: number }) =>
        turns === 0 ? quantityTyped(value) : t`${quantityTyped(value) ?? ''} and ${turns} whole turns`,
    },
    // its points are in the revision's own file
    'round.sets.#.probes.#.sweep': {
      name: 'Sweep',
      tell: ({ degrees }: { degrees: readonly number[] }) => t`${degrees.length} points, in the file of the revision`,
    },
  },
  groups: {
    'round.sets.#': { title: 'Sets of readings', one: 'Set' },
    'round.sets.#.probes.#': { title: 'Dials and heads, as set up and as read', one: 'Probe' },
  },
})

const stageNames: Readonly<Record<string, string>> = labels({ 1: 'By hand', 2: 'Snug', 3: 'To torque' })

const footTold = (path: string): Typed['fields'] => ({
  [`${path}.rise`]: 'Rise',
  [`${path}.gaps.lowNear`]: 'Gap, left near corner',
  [`${path}.gaps.lowFar`]: 'Gap, left far corner',
  [`${path}.gaps.highNear`]: 'Gap, right near corner',
  [`${path}.gaps.highFar`]: 'Gap, right far corner',
  [`${path}.nothingOver`]: 'Nothing goes under over',
  [`${path}.told`]: { name: 'Told at', choice: { foot: 'the foot', shaft: 'the shaft' } },
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
      choice: { good: 'good', bad: 'not good', skipped: 'skipped' },
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
    'job.seat.*.rounds': 'Rounds of bolts',
    'job.seat.*.coupling': { name: 'Coupling', choice: { open: 'disconnected', connected: 'connected' } },
    'job.seat.*.pipes': { name: 'Pipes', choice: { off: 'off', on: 'on' } },
    'job.seat.*.padAlong': 'Pad along the shaft',
    'job.seat.*.padAcross': 'Pad across it',
    'job.seat.*.thinnest': 'Thinnest shim',
    ...signed('job.seat.*.ticks.*'),
    ...footTold('job.seat.*.loose.*'),
    ...footTold('job.seat.*.before.*'),
    ...footTold('job.seat.*.after.*'),
    // listed by the record, done or not
    'job.proof.ticks': null,
    'job.proof.leave.reason': { name: 'Left as it is', choice: leaveReasonNames },
    'job.proof.leave.note': 'Why',
    ...signed('job.proof.leave', 'Left as it is by', 'Left as it is, when'),
    'job.proof.notClosed.note': 'Not read connected, because',
    ...signed('job.proof.notClosed', 'Not read connected, says', 'Not read connected, said'),
    ...signed('job.proof.growthZero', 'Growth counts as nothing, says', 'Growth counts as nothing, said'),
    'job.proof.closingShare': 'Share of the limits that connecting may use, %',
    'job.proof.knownTo.tape': 'Tape good to',
    'job.proof.knownTo.sag': 'Sag good to',
    'job.proof.knownTo.growth': 'Growth good to, %',
    'job.proof.knownTo.limits': 'Limits good to, %',
  },
  groups: {
    'job.ready.cautions.*': {
      title: 'Cautions, signed by',
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
