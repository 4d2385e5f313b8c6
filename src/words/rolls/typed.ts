import { splitAct } from '../../core/job/done'
import type { RollsLine } from '../../core/kinds/rolls/document/schema'
import type { Typed } from '../fields'
import { labels, t } from '../language'
import { capital } from '../terms'
import { jobFields, sideFields, yesNo } from '../typed'
import { cellName, complaintNames } from './findings'
import { rollsPageWords as words } from './page/page'

/** "r3.near": the roll, and what was read of it. */
const split = (key: string): readonly [string, string] => {
  const end = key.lastIndexOf('.')
  return [key.slice(0, end), key.slice(end + 1)]
}

const cell = (key: string, _: unknown, line: RollsLine): string => capital(cellName(key as 'near', line))

const stroke = (key: string): string => {
  const [place = '', way = ''] = key.split('-')
  return t`Over its stroke: ${words.strokePlaces[place as 'one'].toLowerCase()}, ${words.strokeWays[way as 'up']}`
}

const ways: Readonly<Record<string, string>> = labels({
  shim: 'Near housing raised',
  slide: 'Near housing slid down the line',
  push: 'Roll pushed toward far',
})

/** What can be typed of a section of rolls. */
export const rollsTyped: Typed = labels({
  fields: {
    ...jobFields.fields,
    ...sideFields,
    'line.width': words.width,
    'line.housings': words.housings,
    'line.reference': { name: words.reference, ref: true },
    'line.baseline': words.baseline,
    'line.web.tension': words.tension,
    'line.web.modulus': words.modulus,
    'line.web.thickness': words.thickness,
    'line.rolls.#.id': null,
    'line.rolls.#.name': null,
    'line.rolls.#.x': words.x,
    'line.rolls.#.z': words.z,
    'line.rolls.#.diameter': words.diameter,
    'line.rolls.#.side': { name: words.side, choice: { over: words.over, under: words.under } },
    'line.rolls.#.fixed': { name: words.fixed, choice: yesNo },
    'line.rolls.#.incline': words.incline,
    'line.rolls.#.limit': words.limit,
    'line.rolls.#.pivots': { name: words.pivots, choice: yesNo },
    'line.rolls.#.limits.slide': words.slideMost,
    'line.rolls.#.limits.up': words.upMost,
    'line.rolls.#.limits.down': words.downMost,
    'line.monuments.#.id': null,
    'line.monuments.#.name': null,
    'line.monuments.#.place': words.monumentPlace,
    'line.monuments.#.x': words.x,
    'line.monuments.#.off': words.monumentOff,
    'line.monuments.#.verified': words.verified,
    'round.sensitivity': words.sensitivity,
    'round.over': words.apart,
    'round.values.*': { name: 'Reading', split, key: cell },
    'round.divisions.*': { name: 'Divisions', split, key: cell },
    'round.counts': { name: 'Scale', choice: { other: 'numbers grow up the line' } },
    'round.stands.*': { name: words.stand, split: (key: string) => [key, 'stand'] as const, key: () => words.stand },
    'round.marks.#.id': null,
    'round.marks.#.stand': words.stand,
    'round.marks.#.mark': words.mark,
    'round.marks.#.x': words.x,
    'round.marks.#.value': words.value,
    'round.further.#.id': null,
    'round.further.#.type': { name: words.whatIsRead, choice: words.furtherTypes },
    'round.further.#.on': { name: words.fromRoll, ref: true },
    'round.further.#.to': { name: words.toRoll, ref: true },
    'round.further.#.near': 'Near end',
    'round.further.#.far': 'Far end',
    'round.further.#.square': words.toldSquare,
    'round.further.#.level': words.toldLevel,
    'round.further.#.gauge': words.gauge,
    'round.strokes.*': { name: 'Over its stroke', split, key: stroke },
    'round.trouble.what': { name: words.complaint, choice: complaintNames },
    'round.trouble.since': words.since,
    'round.trouble.span': { name: 'It starts at the span to', ref: true },
    'round.trouble.slack': { name: words.slack, choice: { near: 'near', far: 'far' } },
    'round.trouble.looks.#.near': 'Near end',
    'round.trouble.looks.#.far': 'Far end',
    'round.plan': { name: words.whatToMove, choice: words.plans },
    'round.webMoves.#.roll': { name: words.roll, ref: true },
    'round.webMoves.#.slide': 'Slide, mm',
    'round.webMoves.#.shim': 'Shim, mm',
    'round.done.*': { name: 'Done', split: splitAct, key: (way: string) => ways[way] ?? way },
  },
  groups: {
    ...jobFields.groups,
    'line.rolls.#': { title: words.rolls, one: 'Roll' },
    'round.*': { title: 'Readings, roll by roll', one: 'Roll' },
    'line.monuments.#': { title: 'Monuments', one: 'Monument' },
    'round.marks.#': { title: words.marks, one: 'Reading' },
    'round.further.#': { title: words.further, one: 'Reading' },
    'round.trouble.looks.#': { title: 'Hand readings', one: 'Reading' },
    'round.webMoves.#': { title: 'Fewest moves, as calculated', one: 'Move' },
    'round.done.*': { title: 'Moves made, as recorded', one: '' },
  },
})
