import type { MountingSlip, Push } from '../core/practice/mounting'
import { labels, t } from './language'
import type { Message } from './said'

/** What is said in the lesson of the flange. */
export const mountingWords = labels({
  name: 'A motor on its flange',
  topic: 'Shims at the bolts, push, hoist',
  goal: 'Read the upper hub’s rim and face. Shim the flange at its bolts, push it in its spigot and bolt it down in line with the pump. First check which way the bolts are numbered.',
  within: (offset: string, slope: string) => t`Tolerance at the coupling: ${offset} offset, ${slope} angularity.`,
  flange: 'The flange from above, you stand at the bottom',
  counted: (clockwise: string) => t`Bolts numbered ${clockwise}, seen from above.`,
  clockwise: 'clockwise',
  otherWay: 'counter-clockwise',
  sizes: (circle: string, over: string, rim: string, face: string) =>
    t`Bolt circle ${circle}, ${over} above the coupling. Rim dial ${rim} above the coupling, face dial at radius ${face}.`,
  bolt: 'Dials and shims at bolt',
  boltAt: (n: string) => t`Bolt ${n}`,
  rimShows: (mm: string) => t`Rim: ${mm}`,
  faceShows: (mm: string) => t`Face: ${mm}`,
  hangs: 'Loose: dial readings mean nothing until it is bolted down.',
  carried:
    'Both dials turn with the lower shaft and are zeroed at bolt 1. Plunger in reads plus. No bracket sag on upright shafts.',
  hoistOn: 'Hook on the hoist and take the weight',
  hoistOff: 'Let the hoist down',
  held: 'The hoist holds the motor.',
  unheld: 'Only its bolts hold the motor.',
  loosen: 'Loosen the flange’s bolts',
  tighten: 'Tighten the flange’s bolts',
  areLoose: 'The bolts are loose.',
  areTight: 'The bolts are tight.',
  shimAt: (n: string, unit: string) => t`Shims at bolt ${n}, ${unit}`,
  lies: (mm: string) => t`${mm} there`,
  putIn: 'Put in',
  soFar: (mm: string) => t`so far ${mm}`,
  signs:
    'Minus moves it the other way. Keep fingers out from between the flanges. Leave two opposite bolts finger-tight.',
  check: 'Check my alignment',
  left: 'Remaining at the coupling',
  offset: 'Offset',
  slope: 'Angularity',
  moves: (count: string) => t`Moves made: ${count}`,
  truth: 'Actual values:',
  truthTold: (place: string, quarter: string, one: string, slope: string, slopeOne: string) =>
    t`as found, the shaft was offset at the flange ${one} toward bolt 1 and ${place} toward bolt ${quarter}. Angularity was ${slopeOne} and ${slope}.`,
  hints: [
    'Read at four places a quarter apart (every second bolt of eight). Offset = half the rim TIR, toward the higher reading.',
    'The face dial reads higher on the side the shaft leans to. Angularity = face TIR ÷ (2 × its radius).',
    'Shim the side it leans to: angularity × bolt-circle radius, tapering round to zero at the high spot. The smallest shim is zero.',
    'Shims tilt the shaft about the flange. Extend its line from the rim dial up to the flange: push by the offset there, not by the offset at the coupling.',
    'Of four bolts, bolt 3 is opposite bolt 1 and bolt 2 is a quarter turn in the numbering direction. Find bolt 2 before you push.',
  ],
})

export const pushNames: Readonly<Record<Push, (unit: string) => string>> = labels({
  right: (unit: string) => t`Push to the right, ${unit}`,
  far: (unit: string) => t`Push away from you, ${unit}`,
})

const slips: Readonly<Record<MountingSlip, Message>> = labels({
  'still-loose': { title: 'The flange is still loose.', detail: 'A move counts when it is bolted down.' },
  unheld: {
    title: 'You loosened it with no hoist on.',
    detail:
      'An upright motor can topple. Keep the hoist loaded from before the first bolt until the last one is tight.',
  },
  strained: { title: 'You tried to move it while bolted down.', detail: 'Nothing moved. Hoist first, then the bolts.' },
  bent: {
    title: 'The bolts bent the flange.',
    detail: 'The shims don’t lie in one plane. Taper them evenly from the high spot to the low one.',
  },
  'all-lifted': {
    title: 'Every bolt has shims.',
    detail: 'The smallest pack only lifts the motor and opens the coupling gap. Subtract it from every bolt.',
  },
  'at-high-side': {
    title: 'The angularity doubled.',
    detail: 'Shim the side it leans to, not the opposite side.',
  },
  slope: { title: 'Angularity is still out of tolerance.', detail: 'Read the face again.' },
  'other-way-round': {
    title: 'You counted the bolts in the wrong direction.',
    detail: 'It is straight but pushed to the wrong side. Find bolt 2 on the drawing.',
  },
  'at-the-coupling': {
    title: 'You pushed by the coupling offset from before shimming.',
    detail: 'Shims straighten it about the flange. Push only by the offset at the flange.',
  },
  'against-spigot': {
    title: 'You pushed it against the spigot.',
    detail: 'It can’t go farther that way. Here the push was wrong. If it were right, the spigot would need relieving.',
  },
  offset: { title: 'Offset is still out of tolerance.', detail: 'Read the rim again, bolted down, and push again.' },
})

export const sayMountingSlip = (slip: MountingSlip): Message => slips[slip]
