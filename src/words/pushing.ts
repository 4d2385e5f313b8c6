import type { PushingSlip } from '../core/practice/pushing'
import type { Jack, SlideEnd, SlideSide } from '../core/practice/slide'
import { labels, t } from './language'
import type { Message } from './said'

/** What is said in the lesson of the side moves. */
export const pushingWords = labels({
  name: 'Side moves that stay',
  topic: 'Jack bolts and dials, no drift',
  goal: 'Move the machine sideways to the plan with its jack bolts and bolt it down without losing position.',
  within: (mm: string) => t`Tolerance: both ends within ${mm}.`,
  plan: 'The plan',
  toward: (mm: string, side: string) => t`${mm} toward the ${side} side`,
  nearSide: 'near side',
  farSide: 'far side',
  machine: 'The machine from above, near side at the bottom',
  end: 'At which feet',
  dialNear: 'Set and zero dial, near side',
  dialFar: 'Set and zero dial, far side',
  dialOn: (end: string, side: string, mm: string) => t`${end}: dial on the ${side} side, ${mm}`,
  noDial: (end: string) => t`${end}: no dial yet`,
  plungerIn: 'Moving toward a dial pushes its plunger in: plus.',
  loosen: 'Loosen these bolts',
  tighten: 'Tighten these bolts',
  areLoose: 'The bolts are loose.',
  areTight: 'The bolts are tight.',
  jack: (side: string) => t`Jack bolt on the ${side} side`,
  bearing: 'touching the machine',
  off: (mm: string) => t`${mm} clear`,
  in: (mm: string) => t`In ${mm}`,
  out: (mm: string) => t`Back ${mm}`,
  touch: 'Snug up',
  pinch: 'Pinch points: keep fingers out from between jack bolt, foot and base.',
  check: 'Check my alignment',
  stands: 'Position of each end against the plan',
  there: 'there',
  tooFar: (mm: string, side: string) => t`${mm} too far toward the ${side} side`,
  turns: (count: string) => t`Jack bolt turns: ${count}`,
  truth: 'Actual values:',
  truthTold: (front: string, back: string, swing: string) =>
    t`tightening alone shifts the front feet ${front} and the back feet ${back}. Pushing one end swings the other back by ${swing} %.`,
  hints: [
    'Set a dial at each end and zero it before you loosen a bolt. Note which way each end must go before you touch a jack bolt.',
    'Back off the opposite jack bolt before you push. Push one end and watch both dials: the other end swings the opposite way.',
    'Move the front most of the way, then the back, then finish the front. The error shrinks each time. Or push the back until both dials show equal amounts to go, then the front.',
    'Before you tighten, snug every jack bolt to hold the feet in place. When all bolts are tight, back the jack bolts off.',
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

const slips: Readonly<Record<PushingSlip, Message>> = labels({
  'still-loose': { title: 'Bolts are still loose.', detail: 'A move counts when it is bolted down.' },
  'no-dial': {
    title: 'You moved an end with no dial on it.',
    detail: 'Pushing one end moves the other. Watch both dials.',
  },
  'wrong-way': {
    title: 'You moved one end the wrong way.',
    detail: 'The sign depends on the dial’s side: toward the dial is plus.',
  },
  crept: {
    title: 'It was in position but shifted as you tightened.',
    detail: 'Snug the jack bolts on both sides, then tighten.',
  },
  swung: {
    title: 'The other end swung back when you pushed this one.',
    detail: 'Work from end to end: the error shrinks each time.',
  },
  'not-there': { title: 'One end is out of tolerance.', detail: 'See below how far, and which way.' },
  'jacks-left': {
    title: 'A jack bolt is still touching the machine.',
    detail: 'It blocks thermal growth. Back jack bolts off once the bolts are tight.',
  },
  forced: {
    title: 'You turned a jack bolt against something tight.',
    detail:
      'Against tight feet or the opposite jack bolt it bends the foot and springs back. Loosen the feet and back off the opposite jack bolt first.',
  },
})

export const sayPushingSlip = (slip: PushingSlip): Message => slips[slip]
