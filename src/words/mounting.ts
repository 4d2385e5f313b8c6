import type { MountingSlip, Push } from '../core/practice/mounting'
import { labels, t } from './language'
import type { Said } from './said'

/** What is said in the lesson of the flange. */
export const mountingWords = labels({
  name: 'A motor on its flange',
  goal: 'Sweep the upper hub’s rim and face, shim the flange at its bolts, push it in its spigot, and bolt it down straight over the pump. Look first which way round the bolts are counted.',
  within: (offset: string, slope: string) => t`Within ${offset} and ${slope} at the coupling.`,
  flange: 'The flange from above, you stand at the bottom',
  counted: (clockwise: string) => t`Bolts are counted ${clockwise} as seen from above.`,
  clockwise: 'clockwise',
  otherWay: 'against the clock',
  sizes: (circle: string, over: string, rim: string, face: string) =>
    t`Bolt circle ${circle} across, ${over} over the coupling. Rim dial ${rim} over the coupling, face dial at a radius of ${face}.`,
  bolt: 'Dials and shims at bolt',
  boltAt: (n: string) => t`Bolt ${n}`,
  rimShows: (mm: string) => t`Rim: ${mm}`,
  faceShows: (mm: string) => t`Face: ${mm}`,
  hangs: 'Loose: the dials tell nothing until it is bolted down.',
  carried:
    'Both turn with the lower shaft and were zeroed at bolt 1. Pressed in, they go above zero. Nothing hangs through: the shafts stand upright.',
  hoistOn: 'Hook the hoist on and take the weight',
  hoistOff: 'Let the hoist down',
  held: 'The hoist holds the motor.',
  unheld: 'Nothing holds the motor but its bolts.',
  loosen: 'Loosen the flange’s bolts',
  tighten: 'Tighten the flange’s bolts',
  areLoose: 'The bolts are loose.',
  areTight: 'The bolts are tight.',
  shimAt: (n: string, unit: string) => t`Shims at bolt ${n}, ${unit}`,
  lies: (mm: string) => t`${mm} there`,
  putIn: 'Put in',
  soFar: (mm: string) => t`so far ${mm}`,
  signs: 'A minus goes the other way. No fingers between the flanges; two opposite bolts stay finger-tight.',
  check: 'Check the motor',
  left: 'What is left at the coupling',
  offset: 'Offset',
  slope: 'Slope',
  moves: (count: string) => t`Moves so far: ${count}`,
  truth: 'The truth:',
  truthTold: (place: string, quarter: string, one: string, slope: string, slopeOne: string) =>
    t`at the start the shaft went through the flange ${one} toward bolt 1 and ${place} toward bolt ${quarter}, leaning ${slopeOne} and ${slope} that way.`,
  hints: [
    'Four places a quarter apart: of eight bolts every second one. Half of what the rim goes over from side to side is how far the hub stands off there, toward the side it shows more.',
    'The face dial shows more where the shaft leans to. What it goes over from side to side, over twice its radius, is the slope.',
    'Shims lift the side it leans to: slope × the bolt circle’s radius at that bolt, less on the way round, and nothing at the high spot. Taken off so that the least is nought.',
    'Shims turn the shaft about the flange. Draw its line from the rim dial up to the flange: that is how far it has to be pushed back, in the spigot, not what the coupling shows.',
    'Bolt 3 of four is across from bolt 1; bolt 2 is a quarter on the way they are counted. Look where that is before you push.',
  ],
})

export const pushNames: Readonly<Record<Push, (unit: string) => string>> = labels({
  right: (unit: string) => t`Push toward the right, ${unit}`,
  far: (unit: string) => t`Push away from you, toward the far side, ${unit}`,
})

const slips: Readonly<Record<MountingSlip, Said>> = labels({
  'still-loose': { title: 'The flange is still loose.', detail: 'A move counts when it is bolted down.' },
  unheld: {
    title: 'Loosened with nothing holding the motor.',
    detail:
      'A motor that stands on end falls over. The hoist takes the weight before the first bolt, until the last is tight.',
  },
  strained: { title: 'Moved while it was bolted down.', detail: 'Nothing moved. Hoist first, then the bolts.' },
  bent: {
    title: 'The flange is bent by its bolts.',
    detail: 'The shims don’t lie in one plane. Between the high spot and the low one every bolt has its share.',
  },
  'all-lifted': {
    title: 'Every bolt has shims.',
    detail: 'The least of them lifts the motor and opens the coupling’s gap for nothing. Take it off all.',
  },
  'at-high-side': {
    title: 'It leans twice as far as it did.',
    detail: 'Shims go in on the side it leans to, not across.',
  },
  slope: { title: 'It leans still.', detail: 'Sweep the face again.' },
  'other-way-round': {
    title: 'Pushed by bolts counted the other way round.',
    detail: 'It is straight, and off to the wrong side. Look on the drawing where bolt 2 is.',
  },
  'at-the-coupling': {
    title: 'Pushed by what the coupling showed before the shims.',
    detail: 'Shims straighten it about the flange. Only how it goes through the flange wants a push.',
  },
  'against-spigot': {
    title: 'Pushed against the spigot.',
    detail:
      'It goes no farther that way. If the push was right, the spigot would have to be relieved; here it was not.',
  },
  offset: { title: 'It stands aside.', detail: 'Sweep the rim again, bolted down, and push once more.' },
})

export const sayMountingSlip = (slip: MountingSlip): Said => slips[slip]
