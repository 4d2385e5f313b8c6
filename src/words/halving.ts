import type { HalvingSlip, HubDial, Watched } from '../core/practice/halving'
import { labels, t } from './language'
import { sayPushingSlip } from './pushing'
import type { Said } from './said'

/** What is said in the lesson of halving. */
export const halvingWords = labels({
  name: 'Halving at the coupling',
  goal: 'No plan, no arithmetic: zero both dials at one side, turn by half, set each to half, and push until both show nothing. Then bolt it down.',
  machine: 'The machine from above, near side at the bottom, the coupling on the left',
  dials: 'Dials over the coupling',
  shafts: 'Shafts turned until the dials stand at',
  sideNames: { near: 'the near side', far: 'the far side' } satisfies Record<Watched, string>,
  zero: 'Turn the bezel: zero',
  half: 'Turn the bezel: half of it',
  shows: (dial: string, mm: string) => t`${dial}: ${mm}`,
  hints: [
    'What a dial goes over from side to side is twice what the shafts are apart there. Half of it is where it has to come to nothing.',
    'Zero at the near side, both shafts round to the far side, set each dial to half of what it shows. Now leave the bezels alone.',
    'Push the front until its dial shows nothing, the back until both dials show the same, signs taken off, then the front again: each time less is left.',
    'Stops on both sides before the bolts, and off again afterward.',
  ],
})

export const hubDialNames: Readonly<Record<HubDial, string>> = labels({
  moved: 'On the hub that moves',
  fixed: 'On the hub that stays',
})

const notHalved: Said = labels({
  title: 'As far over as it was short.',
  detail:
    'Pushed until the dials show at this side what they showed at the other: that is twice too far. Half of it is the line.',
})

export const sayHalvingSlip = (slip: HalvingSlip): Said => (slip === 'not-halved' ? notHalved : sayPushingSlip(slip))
