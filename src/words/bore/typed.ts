import { splitAct } from '../../core/job/done'
import type { BoreLine } from '../../core/kinds/bore/document/schema'
import type { Typed } from '../fields'
import { labels } from '../language'
import { jobFields, sideFields } from '../typed'
import { carrierNames, cellName, correctionNames, wayNames } from './findings'
import { borePageWords as words } from './page/page'

const ways: Readonly<Record<string, string>> = labels({ vertical: 'Moved up', horizontal: 'Moved toward far' })

/** What can be typed of a row of bores. */
export const boreTyped: Typed = labels({
  fields: {
    ...jobFields.fields,
    ...sideFields,
    'line.sections.#.id': null,
    'line.sections.#.name': null,
    'line.sections.#.pocket': words.pocket,
    'line.sections.#.x': words.x,
    'line.sections.#.diameter': words.diameter,
    'line.sections.#.limits.down': 'Maximum down',
    'line.sections.#.limits.up': 'Maximum up',
    'line.sections.#.limits.near': 'Maximum toward near',
    'line.sections.#.limits.far': 'Maximum toward far',
    'line.sections.#.running.up': words.running,
    'line.sections.#.running.far': words.runningFar,
    'line.reference.way': { name: words.reference, choice: wayNames },
    'line.reference.held': {
      name: 'Fixed bores',
      tell: (ends: readonly string[], nameOf: (id: string) => string) =>
        ends.some(Boolean) ? ends.map((id) => (id ? nameOf(id) : '–')).join('; ') : undefined,
    },
    'line.carrier.kind': { name: words.carrier, choice: carrierNames },
    'line.carrier.from': words.from,
    'line.carrier.length': words.span,
    'line.carrier.weight': words.weight,
    'line.carrier.tension': words.tension,
    'line.carrier.stiffness': words.stiffness,
    'line.limit': words.limit,
    'line.correct': { name: words.correct, choice: correctionNames },
    'round.sets.#.id': null,
    'round.sets.#.section': { name: words.section, ref: true },
    'round.sets.#.purpose': { name: 'Purpose', choice: { plan: 'planning', repeat: 'repeat' } },
    'round.sets.#.places': 'Places round the bore',
    'round.sets.#.sense': { name: words.sense, choice: { out: words.out, in: words.in } },
    'round.sets.#.sag': words.sag,
    'round.sets.#.sd': words.sd,
    'round.sets.#.pushed': words.pushed,
    'round.sets.#.values.*': { name: 'Reading', key: (key: string, _: unknown, line: BoreLine) => cellName(key, line) },
    'round.done.*': { name: 'Done', split: splitAct, key: (way: string) => ways[way] ?? way },
  },
  groups: {
    ...jobFields.groups,
    'line.sections.#': { title: 'Bores', one: 'Bore' },
    'round.sets.#': { title: 'How each bore was read', one: 'Set' },
    'round.done.*': { title: 'Moves made, as recorded', one: '' },
  },
})
