import type { TrainTypes } from '../../core/kinds/train'
import { kindNames } from '../../core/kinds/train/document/make'
import { type MachineKind, machineKinds } from '../../core/kinds/train/document/schema'
import type { KindWords } from '../kind'
import { labels, t } from '../language'
import { sayNext } from './findings'
import { placeInRound } from './places'

const options = machineKinds.map((kind) => ({ value: kind, text: kindNames[kind] }))
const nameOf = (kind: string | undefined) => kindNames[(kind ?? 'other') as MachineKind] ?? kindNames.other

export const trainWords: KindWords<TrainTypes> = labels({
  name: 'Coupled machines on feet',
  newParts: [
    { label: 'On the left', options, usual: 'pump' },
    { label: 'On the right', options, usual: 'motor' },
  ],
  usualName: ([left, right]) => t`${nameOf(left)} and ${nameOf(right).toLowerCase()}`,
  sayNext,
  placeInRound,
})
