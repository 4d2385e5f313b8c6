import { splitAct } from '../../core/job/done'
import type { Typed } from '../fields'
import { labels, t } from '../language'
import { jobFields } from '../typed'
import { setFields, toleranceFields } from '../typedSets'
import { pageWords as words } from './page/page'

const ways: Readonly<Record<string, string>> = labels({
  shim: 'Shims added',
  vertical: 'Toward bolt 1',
  horizontal: 'Toward the quarter after bolt 1',
})

/** What can be typed of an upright pair. */
export const uprightTyped: Typed = labels({
  fields: {
    ...jobFields.fields,
    ...toleranceFields.fields,
    ...setFields.fields,
    'line.machines.#.id': null,
    'line.machines.#.name': null,
    'line.coupling.id': null,
    'line.coupling.name': 'Coupling',
    'line.coupling.diameter': words.couplingDiameter,
    'line.flange.height': words.jointAboveTheCouplingCenter,
    'line.flange.circle': words.boltCircleDiameter,
    'line.flange.bolts': words.bolts,
    'line.flange.counted': {
      name: words.boltsCountedSeenFromAbove,
      choice: { clockwise: words.clockwise, other: words.counterclockwise },
    },
    'line.flange.spigot': words.spigotClearanceOfItsDiameter,
    'line.flange.shims': 'Shims in stock',
    'line.flange.boltClearance': words.boltClearance,
    'line.flange.room': words.room,
    'line.flange.stands': {
      name: words.stands,
      choice: { 0: words.towardYou, 90: words.leftOfYou, 180: words.awayFromYou, 270: words.rightOfYou },
    },
    'round.left.hubs': words.hubs,
    'round.left.hanging': words.hanging,
    'round.seated': 'Upper machine rotated on its flange, bolt positions',
    'round.done.*': { name: 'Done', split: splitAct, key: (way: string) => ways[way] ?? way },
  },
  groups: {
    ...jobFields.groups,
    ...toleranceFields.groups,
    ...setFields.groups,
    'line.machines.#': { title: 'Machines, the lower one first', one: 'Machine' },
    'round.done.*': {
      title: 'Moves made, as recorded',
      one: '',
      key: (place: string) => (place === 'push' ? t`Pushed at the joint` : t`Bolt ${place.slice(5)}`),
    },
  },
})
