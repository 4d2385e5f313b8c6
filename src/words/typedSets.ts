import type { Unit } from '../core/quantity/units'
import { quantityTyped, type Typed } from './fields'
import { rowCouplingNames } from './kit'
import { labels, t } from './language'
import { methodNames, purposeNames } from './terms'
import { yesNo } from './typed'

/** What can be typed of kinds whose machines are coupled: apart, so that a page of another kind does not carry it. */

const words = labels({
  speed: 'Speed, rpm',
  policy: 'Tolerance source',
  grade: 'Grade',
  offset: 'Offset tolerance',
  slope: 'Angularity tolerance',
  source: 'Source',
  table: 'Table',
})

/** What a coupling may do, as it was typed on its line. */
export const toleranceFields: Typed = labels({
  fields: {
    'line.speed': words.speed,
    'line.tolerance.policy': {
      name: words.policy,
      choice: { 'slip-speed': 'by sliding speed', figures: 'the maker’s or site’s figures', table: 'a table' },
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
        planes: 'at the top, then again at a side',
      },
    },
    'round.sets.#.angleAs': {
      name: 'Angles in',
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
    'round.sets.#.probes.#.radius': 'Radius',
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
      name: 'Mounting',
      choice: {
        lever: 'lever dial',
        plunger: 'plunger at an angle',
        nulling: 'nulled against a scale',
        step: 'by gauge block',
      },
    },
    'round.sets.#.probes.#.correction.angle': 'Angle, degrees',
    'round.sets.#.probes.#.correction.madeFor': 'Tip design angle, degrees',
    'round.sets.#.probes.#.correction.tip.made': 'Specified tip length',
    'round.sets.#.probes.#.correction.tip.used': 'Fitted tip length',
    'round.sets.#.probes.#.correction.step': 'Known step',
    'round.sets.#.probes.#.correction.shown': 'Dial reading',
    'round.sets.#.probes.#.counts': { name: 'Sign', choice: { other: 'reversed' } },
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
    'round.sets.#.probes.#.diameter': 'Gap measured over a diameter of',
    'round.sets.#.probes.#.gapSd': 'Repeatability of the gap (1 SD)',
    'round.sets.#.probes.#.runout.swing': 'Run-out of that hub, TIR',
    'round.sets.#.probes.#.runout.at': 'High spot at, degrees',
    'round.sets.#.probes.#.own.*': {
      name: 'Actual angle',
      key: (key: string, nameOf: (id: string) => string) => t`Actual angle at ${nameOf(key)}`,
      tell: (degrees: number) => `${degrees}°`,
    },
    'round.sets.#.probes.#.kit': {
      name: 'From the kit',
      tell: ({ dial, bracket }: { dial?: { name: string }; bracket?: { name: string } }) =>
        [dial?.name, bracket?.name].filter(Boolean).join(', ') || undefined,
    },
    'round.sets.#.probes.#.readings.*': {
      name: 'Reading',
      key: (key: string, nameOf: (id: string) => string) => t`Reading at ${angleKey(key, nameOf)}`,
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
