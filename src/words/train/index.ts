import type { TrainTypes } from '../../core/kinds/train'
import { type MachineKind, machineKinds } from '../../core/kinds/train/document/schema'
import type { KindWords } from '../kind'
import { labels, t } from '../language'
import { footName, isZero, lengthWithUnit, place, sideName, wayName } from '../terms'
import { sayNext } from './findings'
import { machineKindNames } from './machines'
import { placeInRound } from './places'

const options = machineKinds.map((kind) => ({ value: kind, text: machineKindNames[kind] }))
const nameOf = (kind: string | undefined) =>
  machineKindNames[(kind ?? 'other') as MachineKind] ?? machineKindNames.other

export const trainWords: KindWords<TrainTypes> = labels({
  name: 'Coupled machines on feet',
  newParts: [
    { label: 'On the left', options, usual: 'pump' },
    { label: 'On the right', options, usual: 'motor' },
  ],
  usualName: ([left, right]) => t`${nameOf(left)} and ${nameOf(right).toLowerCase()}`,
  sayNext,
  proved: {
    at: (id, line) => footName(id, { line }),
    plane: (plane, { sides }) => (plane === 'vertical' ? t`up` : t`toward ${sides.far}`),
    stands: place,
    went: (mm, plane, terms) =>
      isZero(mm, terms)
        ? t`not at all`
        : plane === 'vertical'
          ? t`${lengthWithUnit(Math.abs(mm), terms)} ${wayName[mm > 0 ? 'up' : 'down']}`
          : t`${lengthWithUnit(Math.abs(mm), terms)} toward ${sideName(mm > 0 ? 'far' : 'near', terms)}`,
  },
  placeInRound,
})
