import type { ComponentType } from 'react'
import { lessonNames } from '../../core/practice/dialLessons'
import { pairLessonWords } from '../../words/aligning'
import { beltingWords } from '../../words/belting'
import { boringWords } from '../../words/boring'
import { easingWords } from '../../words/easing'
import { halvingWords } from '../../words/halving'
import { mountingWords } from '../../words/mounting'
import { plottingWords } from '../../words/plotting'
import { lessonWords } from '../../words/practice'
import { pushingWords } from '../../words/pushing'
import { seatingWords } from '../../words/seating'
import { sightingWords } from '../../words/sighting'
import { BoundScreen, GrowthScreen, RoughScreen } from './AligningScreen'
import { BeltingScreen } from './BeltingScreen'
import { BoringScreen } from './BoringScreen'
import { EasingScreen } from './EasingScreen'
import { HalvingScreen } from './HalvingScreen'
import type { InOrder } from './LessonFrame'
import { MountingScreen } from './MountingScreen'
import { PlottingScreen } from './PlottingScreen'
import { PushingScreen } from './PushingScreen'
import { SeatingScreen } from './SeatingScreen'
import { SightingScreen } from './SightingScreen'

/** What a lesson is done at, by which the list groups them. */
export const groups = ['dial', 'frame', 'pair', 'other'] as const
type Group = (typeof groups)[number]

interface LessonInList {
  name: string
  topic: string
}

/** The lessons that end with a machine as it should be, not with an answer; after those at the dial, in this order. */
export const atMachines: readonly {
  id: string
  group: Group
  words: LessonInList
  Screen: ComponentType<InOrder>
}[] = [
  { id: 'soft-foot', group: 'frame', words: seatingWords, Screen: SeatingScreen },
  { id: 'rough', group: 'pair', words: pairLessonWords.rough, Screen: RoughScreen },
  { id: 'side-moves', group: 'frame', words: pushingWords, Screen: PushingScreen },
  { id: 'halving', group: 'pair', words: halvingWords, Screen: HalvingScreen },
  { id: 'graph', group: 'pair', words: plottingWords, Screen: PlottingScreen },
  { id: 'bound', group: 'pair', words: pairLessonWords.bound, Screen: BoundScreen },
  { id: 'growth', group: 'pair', words: pairLessonWords.growth, Screen: GrowthScreen },
  { id: 'belts', group: 'other', words: beltingWords, Screen: BeltingScreen },
  { id: 'flange', group: 'other', words: mountingWords, Screen: MountingScreen },
  { id: 'bore', group: 'other', words: boringWords, Screen: BoringScreen },
  { id: 'rolls', group: 'other', words: sightingWords, Screen: SightingScreen },
  { id: 'stuck-roll', group: 'other', words: easingWords, Screen: EasingScreen },
]

/** Every lesson that comes with the program, in the order they are learned: those at the dial, then those at a machine. */
export const lessonsInOrder: readonly { id: string; group: Group; words: LessonInList }[] = [
  ...lessonNames.map((id) => ({ id, group: 'dial' as const, words: lessonWords[id] })),
  ...atMachines,
]

/** Its number among them, from 1, and the one after it. */
export function inOrder(lesson: string): InOrder {
  const place = lessonsInOrder.findIndex(({ id }) => id === lesson)
  return place < 0 ? {} : { place: place + 1, next: lessonsInOrder[place + 1]?.id }
}
