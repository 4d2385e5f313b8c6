import { splitAct } from '../../core/job/done'
import type { BeltLine } from '../../core/kinds/belt/document/schema'
import type { Typed } from '../fields'
import { labels } from '../language'
import { jobFields, sideFields, yesNo } from '../typed'
import { beltNames, cellName, methodNames } from './findings'
import { beltPageWords as words } from './page/page'

const other = labels({ other: 'reversed' })

const ways: Readonly<Record<string, string>> = labels({
  shim: 'Shims added',
  swing: 'Swung toward far',
  slide: 'Slid to the right',
})

/** What can be typed of a belt drive. */
export const beltTyped: Typed = labels({
  fields: {
    ...jobFields.fields,
    ...sideFields,
    'line.faces': { name: words.faces, choice: { right: words.right, left: words.left } },
    'line.belt': { name: words.belt, choice: beltNames },
    'line.limit': words.limit,
    'line.offsetLimit': words.offsetLimit,
    'line.speed': words.speed,
    'line.shims': 'Shims in stock',
    'line.sheaves.#.id': null,
    'line.sheaves.#.name': null,
    'line.sheaves.#.across': words.across,
    'line.sheaves.#.up': words.up,
    'line.sheaves.#.diameter': words.diameter,
    'line.sheaves.#.width': words.width,
    'line.sheaves.#.groove': words.groove,
    'line.sheaves.#.base': words.base,
    'line.sheaves.#.feet.#.id': null,
    'line.sheaves.#.feet.#.name': null,
    'line.sheaves.#.feet.#.behind': 'Behind the face',
    'line.sheaves.#.feet.#.limits.up': 'Maximum up',
    'line.sheaves.#.feet.#.limits.near': 'Maximum toward near',
    'line.sheaves.#.feet.#.limits.far': 'Maximum toward far',
    'line.sheaves.#.feet.#.limits.down': 'Maximum down',
    'line.sheaves.#.feet.#.pack': 'Shims there now',
    'line.sheaves.#.pivot.foot': { name: words.pivot, ref: true },
    'line.sheaves.#.pivot.beside': words.beside,
    'round.sets.#.id': null,
    'round.sets.#.on': { name: 'On', ref: true },
    'round.sets.#.method': { name: words.method, choice: methodNames },
    'round.sets.#.purpose': { name: 'Purpose', choice: { plan: 'planning', repeat: 'repeat' } },
    'round.sets.#.radius': words.radius,
    'round.sets.#.twice': { name: 'Read again with the sheave turned 180°', choice: yesNo },
    'round.sets.#.both': { name: 'Fixed sheave turned 180° too', choice: yesNo },
    'round.sets.#.constant': words.constant,
    'round.sets.#.sd': words.sd,
    'round.sets.#.angleSd': words.angleSd,
    'round.sets.#.over': words.over,
    'round.sets.#.values.*': { name: 'Reading', key: (key: string, _: unknown, line: BeltLine) => cellName(key, line) },
    'round.sets.#.angles.toe': words.toe,
    'round.sets.#.angles.tilt': words.tilt,
    'round.sets.#.counts.toe': { name: 'Sign of toe', choice: other },
    'round.sets.#.counts.tilt': { name: 'Sign of tilt', choice: other },
    'round.tensioned': { name: words.tensioned, choice: yesNo },
    'round.tension.set': words.tensionSet,
    'round.tension.again': words.tensionAgain,
    'round.tension.mass': words.mass,
    'round.tension.frequency': words.frequency,
    'round.order': { name: words.orderOf, choice: { tilt: words.tiltFirst, toe: words.toeFirst } },
    'round.done.*': { name: 'Done', split: splitAct, key: (way: string) => ways[way] ?? way },
  },
  groups: {
    ...jobFields.groups,
    'line.sheaves.#': { title: 'Sheaves, the fixed one first', one: 'Sheave' },
    'line.sheaves.#.feet.#': { title: 'Feet', one: 'Feet' },
    'round.sets.#': { title: 'How each sheave was read', one: 'Set' },
    'round.done.*': { title: 'Moves made, as recorded', one: '' },
  },
})
