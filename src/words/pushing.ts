import type { PushingSlip } from '../core/practice/pushing'
import type { Jack, SlideEnd, SlideSide } from '../core/practice/slide'
import { labels, t } from './language'
import type { Said } from './said'

/** What is said in the lesson of the side moves. */
export const pushingWords = labels({
  name: 'Side moves that stay',
  goal: 'Push the machine sideways to the plan with its jack bolts, bolt it down, and find it there still.',
  within: (mm: string) => t`Both ends within ${mm}.`,
  plan: 'The plan',
  toward: (mm: string, side: string) => t`${mm} toward the ${side} side`,
  nearSide: 'near side',
  farSide: 'far side',
  machine: 'The machine from above, near side at the bottom',
  end: 'At which feet',
  dialNear: 'Dial on the near side, zeroed',
  dialFar: 'Dial on the far side, zeroed',
  dialOn: (end: string, side: string, mm: string) => t`${end}: dial on the ${side} side, ${mm}`,
  noDial: (end: string) => t`${end}: no dial yet`,
  plungerIn: 'Toward the side a dial stands on, its plunger goes in: above zero.',
  loosen: 'Loosen these bolts',
  tighten: 'Tighten these bolts',
  areLoose: 'The bolts are loose.',
  areTight: 'The bolts are tight.',
  jack: (side: string) => t`Jack bolt on the ${side} side`,
  bearing: 'bears on the machine',
  off: (mm: string) => t`stands off ${mm}`,
  in: (mm: string) => t`In ${mm}`,
  out: (mm: string) => t`Back ${mm}`,
  touch: 'Until it just bears',
  pinch: 'Pinch points: no fingers between jack bolt, foot and base.',
  check: 'Check the machine',
  stands: 'Each end now, against the plan',
  there: 'there',
  tooFar: (mm: string, side: string) => t`${mm} too far toward the ${side} side`,
  turns: (count: string) => t`Turns of jack bolts so far: ${count}`,
  truth: 'The truth:',
  truthTold: (front: string, back: string, swing: string) =>
    t`tightening alone would have shifted the front feet by ${front} and the back feet by ${back}; a push at one end took ${swing} % of itself back at the other.`,
  hints: [
    'A dial at each end, zeroed before a bolt is loosened. Write down which way each has to go before you touch a jack bolt.',
    'Back off the jack bolt across before you push. Push one end, look at both dials: the other end went the other way.',
    'Come most of the way at the front, then at the back, then the rest at the front: each time less is left. Or push the back until both dials show what they have left alike, then the front.',
    'Before you tighten, turn in every jack bolt until it just bears: as stops on both sides they hold the feet against creeping. When all is tight, back them off.',
  ],
})

export const slideEndNames: Readonly<Record<SlideEnd, string>> = labels({ front: 'Front feet', back: 'Back feet' })

export const slideSideNames: Readonly<Record<SlideSide, string>> = labels({ near: 'near', far: 'far' })

export const jackNames: Readonly<Record<Jack, string>> = labels({
  'front-near': 'Jack bolt, front, near side',
  'front-far': 'Jack bolt, front, far side',
  'back-near': 'Jack bolt, back, near side',
  'back-far': 'Jack bolt, back, far side',
})

const slips: Readonly<Record<PushingSlip, Said>> = labels({
  'still-loose': { title: 'Bolts are still loose.', detail: 'A move counts when it is bolted down.' },
  'no-dial': {
    title: 'An end was moved with no dial on it.',
    detail: 'Pushing one end moves the other: watch both.',
  },
  'wrong-way': {
    title: 'An end went the wrong way.',
    detail: 'Which side the dial stands on decides its sign: toward it is above zero.',
  },
  crept: {
    title: 'It was there, and crept as the bolts were tightened.',
    detail: 'Stops on both sides, just bearing, hold it. Then tighten.',
  },
  swung: {
    title: 'The other end swung back as you pushed this one.',
    detail: 'Go from end to end: each time less is left.',
  },
  'not-there': { title: 'An end is not where the plan wants it.', detail: 'Look below how far, and which way.' },
  'jacks-left': {
    title: 'A jack bolt still bears on the machine.',
    detail: 'As it warms it cannot grow that way. Back them off once the bolts are tight.',
  },
  forced: {
    title: 'A jack bolt was turned against something tight.',
    detail:
      'Against bolted feet or the jack bolt across it bends the foot, and springs back. Loosen first, back off across.',
  },
})

export const sayPushingSlip = (slip: PushingSlip): Said => slips[slip]
