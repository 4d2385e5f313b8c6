import type { ComponentType } from 'react'
import { beltingWords } from '../../words/belting'
import { plottingWords } from '../../words/plotting'
import { pushingWords } from '../../words/pushing'
import { seatingWords } from '../../words/seating'
import { BeltingScreen } from './BeltingScreen'
import { PlottingScreen } from './PlottingScreen'
import { PushingScreen } from './PushingScreen'
import { SeatingScreen } from './SeatingScreen'

/** The lessons that end with a machine as it should be, not with an answer; after those at the dial, in this order. */
export const atMachines: readonly {
  id: string
  words: { name: string; goal: string }
  Screen: ComponentType<{ place: number }>
}[] = [
  { id: 'soft-foot', words: seatingWords, Screen: SeatingScreen },
  { id: 'side-moves', words: pushingWords, Screen: PushingScreen },
  { id: 'graph', words: plottingWords, Screen: PlottingScreen },
  { id: 'belts', words: beltingWords, Screen: BeltingScreen },
]
