import type { HalvingSlip, HubDial, Watched } from '../core/practice/halving'
import { labels, t } from './language'
import { sayPushingSlip } from './pushing'
import type { Message } from './said'

/** What is said in the lesson of halving. */
export const halvingWords = labels({
  name: 'Halving at the coupling',
  topic: 'Align sideways without arithmetic',
  goal: 'No plan and no arithmetic. Zero both dials at one side, turn half a turn and set each to half its reading. Push until both read zero, then bolt down.',
  machine: 'The machine from above, near side at the bottom, the coupling on the left',
  dials: 'Dials over the coupling',
  shafts: 'Dials at',
  sideNames: { near: 'the near side', far: 'the far side' } satisfies Record<Watched, string>,
  zero: 'Set the dial to zero',
  half: 'Set the dial to half its reading',
  shows: (dial: string, mm: string) => t`${dial}: ${mm}`,
  hints: [
    'The side-to-side reading is twice the offset at that dial. Set the dial to half, then move until it reads zero.',
    'Zero at the near side, turn both shafts to the far side and set each dial to half its reading. Don’t touch the bezels again.',
    'Push the front feet until the front dial reads zero. Push the back feet until both dials show equal amounts. Repeat. The error shrinks each time.',
    'Snug the jack bolts on both sides before you tighten, then back them off.',
  ],
})

export const hubDialNames: Readonly<Record<HubDial, string>> = labels({
  moved: 'On the movable hub',
  fixed: 'On the fixed hub',
})

const notHalved: Message = labels({
  title: 'It is as far over as it was short before.',
  detail: 'You pushed until the dials repeat the other side’s reading: that is twice too far. Aim for half.',
})

export const sayHalvingSlip = (slip: HalvingSlip): Message => (slip === 'not-halved' ? notHalved : sayPushingSlip(slip))
