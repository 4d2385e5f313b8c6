import type { BeltingSlip, BeltMove } from '../core/practice/belts'
import type { Edge } from '../core/practice/drive'
import { labels, t } from './language'
import type { Said } from './said'

/** What is said in the lesson of the belts. */
export const beltingWords = labels({
  name: 'Belts, groove to groove',
  goal: 'Lay the straightedge over both faces, take out tilt, toe and offset in that order, tension the belts, and leave the grooves in line.',
  within: (mm: string, degrees: string) => t`Within ${mm} from groove to groove, and ${degrees}° of toe and tilt.`,
  drive: 'The drive from above, the fan on the right, the faces toward you',
  fan: 'fan',
  motor: 'motor',
  rims: (fan: string, motor: string) => t`From the face to the first groove: fan ${fan}, motor ${motor}.`,
  motorIs: (diameter: string, feet: string, height: string) =>
    t`Motor sheave ${diameter} across. Front to back feet ${feet}. Shaft ${height} over the feet.`,
  edge: 'Straightedge over the motor’s face at',
  proud: (mm: string) => t`The motor’s face stands ${mm} proud of the fan’s there.`,
  behind: (mm: string) => t`The motor’s face lies ${mm} behind the fan’s there.`,
  flush: 'The motor’s face is flush with the fan’s there.',
  loosen: 'Loosen the motor’s bolts',
  tighten: 'Tighten the motor’s bolts',
  areLoose: 'The bolts are loose.',
  areTight: 'The bolts are tight.',
  slack: 'Belts slack',
  one: 'Tension by one screw',
  both: 'Tension by both screws evenly',
  tension: 'Belts',
  pinch: 'Fingers stay out of belts and grooves: turn by hand only with the lock on, one person.',
  signs: 'A minus goes the other way.',
  soFar: (mm: string) => t`so far ${mm}`,
  check: 'Check the drive',
  left: 'What is left',
  toe: 'Toe',
  tilt: 'Tilt',
  offset: 'Groove to groove',
  moves: (count: string) => t`Moves so far: ${count}`,
  truth: 'The truth:',
  truthTold: (offset: string, toe: string, tilt: string) =>
    t`at the start the motor’s face stood ${offset} against the fan’s, with ${toe}° of toe and ${tilt}° of tilt.`,
  hints: [
    'The edge toward the fan against the edge away from it is the toe, top against bottom the tilt: their difference over the diameter. Their mean is the offset of the faces.',
    'Tilt first: shims of tilt × the distance between the feet. They bring the face out or in as well, a shaft’s height times the tilt. Then the toe, then the slide.',
    'Grooves have to line up, not faces: where the rims differ, the face stands proud by as much.',
    'Move with slack belts and loose bolts. Tension by both screws evenly, tighten, and lay the straightedge on once more.',
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
  slid: (unit: string) => t`Slide the motor out, proud of the fan, ${unit}`,
})

const slips: Readonly<Record<BeltingSlip, Said>> = labels({
  slack: { title: 'The belts are slack.', detail: 'What counts is how it stands with the belts tensioned.' },
  'still-loose': { title: 'The motor’s bolts are loose.', detail: 'Tighten them; then lay the straightedge on again.' },
  'one-screw': {
    title: 'Pulled askew by one screw.',
    detail: 'It was straight while the belts were slack. Turn both screws alike, and look again.',
  },
  'faces-flush': {
    title: 'The faces are flush, the grooves are not.',
    detail: 'The rims are not as thick as each other. Allow for the difference.',
  },
  'tilt-last': {
    title: 'The offset went with the shims.',
    detail: 'Shims bring the face out or in. Tilt first, then the toe, the offset last.',
  },
  tilt: { title: 'It leans still.', detail: 'Compare top and bottom again.' },
  toe: { title: 'It toes in or out still.', detail: 'Compare the edges toward the fan and away from it again.' },
  offset: { title: 'The grooves are not in line yet.', detail: 'See below how far they are from it.' },
  strained: {
    title: 'Pushed against tight bolts or tensioned belts.',
    detail: 'It springs back as far as it came. Slack the belts and loosen the bolts first.',
  },
})

export const sayBeltingSlip = (slip: BeltingSlip): Said => slips[slip]
