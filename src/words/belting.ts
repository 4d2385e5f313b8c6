import type { BeltingSlip, BeltMove } from '../core/practice/belts'
import type { Edge } from '../core/practice/drive'
import { labels, t } from './language'
import type { Message } from './said'

/** What is said in the lesson of the belts. */
export const beltingWords = labels({
  name: 'Belts, groove to groove',
  topic: 'Tilt, toe, offset, tension',
  goal: 'Lay a straightedge across both faces. Correct tilt, then toe, then offset. Tension the belts with the grooves in line.',
  within: (mm: string, degrees: string) => t`Tolerance: ${mm} groove to groove, ${degrees}° toe and tilt.`,
  drive: 'The drive from above, the fan on the right, the faces toward you',
  fan: 'fan',
  motor: 'motor',
  rims: (fan: string, motor: string) => t`Face to first groove: fan ${fan}, motor ${motor}.`,
  motorIs: (diameter: string, feet: string, height: string) =>
    t`Motor sheave diameter ${diameter}. Foot spacing ${feet}. Shaft height ${height}.`,
  edge: 'Straightedge on the motor face at',
  proud: (mm: string) => t`Here the motor face is ${mm} proud of the fan face.`,
  behind: (mm: string) => t`Here the motor face is ${mm} behind the fan face.`,
  flush: 'Here both faces are flush.',
  loosen: 'Loosen the motor’s bolts',
  tighten: 'Tighten the motor’s bolts',
  areLoose: 'The bolts are loose.',
  areTight: 'The bolts are tight.',
  slack: 'Belts slack',
  one: 'Tension with one screw',
  both: 'Tension with both screws evenly',
  tension: 'Belts',
  pinch: 'Keep fingers out of belts and grooves. Turn by hand only with the lock on, one person only.',
  signs: 'Minus moves it the other way.',
  soFar: (mm: string) => t`so far ${mm}`,
  check: 'Check my alignment',
  left: 'Remaining misalignment',
  toe: 'Toe',
  tilt: 'Tilt',
  offset: 'Groove offset',
  moves: (count: string) => t`Moves made: ${count}`,
  truth: 'Actual values:',
  truthTold: (offset: string, toe: string, tilt: string) =>
    t`as found, the motor face was offset ${offset} from the fan face, with ${toe}° toe and ${tilt}° tilt.`,
  hints: [
    'Toe = (edge toward fan − edge away) ÷ diameter. Tilt = (top − bottom) ÷ diameter. The mean is the face offset.',
    'Tilt first: shims = tilt × foot spacing. Shimming also moves the face by tilt × shaft height. Then toe, then offset.',
    'Align grooves, not faces. Where the rims differ in thickness, the faces must differ by the same amount.',
    'Move with belts slack and bolts loose. Tension with both screws evenly, tighten, then check with the straightedge again.',
  ],
})

export const edgeNames: Readonly<Record<Edge, string>> = labels({
  toward: 'edge toward the fan',
  away: 'edge away from it',
  top: 'top',
  bottom: 'bottom',
})

export const beltMoveNames: Readonly<Record<BeltMove, (unit: string) => string>> = labels({
  shims: (unit: string) => t`Shims under the back feet, ${unit}`,
  swung: (unit: string) => t`Swing the back feet toward the fan, ${unit}`,
  slid: (unit: string) => t`Slide the motor out (proud of the fan), ${unit}`,
})

const slips: Readonly<Record<BeltingSlip, Message>> = labels({
  slack: { title: 'The belts are slack.', detail: 'The alignment counts only with the belts tensioned.' },
  'still-loose': {
    title: 'The motor’s bolts are loose.',
    detail: 'Tighten them, then check with the straightedge again.',
  },
  'one-screw': {
    title: 'One screw pulled it out of line.',
    detail: 'It was aligned with the belts slack. Turn both screws equally and check again.',
  },
  'faces-flush': {
    title: 'The faces are flush, but the grooves are not in line.',
    detail: 'The rims differ in thickness. Allow for it.',
  },
  'tilt-last': {
    title: 'Shimming changed the offset.',
    detail: 'Shims also move the face in or out. Do tilt first, then toe, then offset.',
  },
  tilt: { title: 'Tilt is still out of tolerance.', detail: 'Compare top and bottom again.' },
  toe: { title: 'Toe is still out of tolerance.', detail: 'Compare the edges toward the fan and away from it again.' },
  offset: { title: 'The grooves are not in line yet.', detail: 'See below how far off they are.' },
  strained: {
    title: 'You pushed it with bolts tight or belts tensioned.',
    detail: 'It sprang back. Slacken the belts and loosen the bolts first.',
  },
})

export const sayBeltingSlip = (slip: BeltingSlip): Message => slips[slip]
