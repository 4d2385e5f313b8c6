import type { SightingSlip } from '../core/practice/sighting'
import type { FloorReference, RollEnd } from '../core/practice/stand'
import { labels, t } from './language'
import type { Message } from './said'

/** What is said in the lesson of the rolls. */
export const sightingWords = labels({
  name: 'Rolls from two stands',
  topic: 'Carry one heading between two stands',
  goal: 'Set the instrument’s plane parallel to the reference roll and zero both floor references. Move to the second stand, pick up the same heading from them and set roll 2 parallel to the reference roll.',
  within: (mm: string) => t`Tolerance: ${mm} over the face.`,
  section: 'The floor from above, the web runs to the right, near side at the bottom',
  rollReference: 'reference roll',
  roll2: 'roll 2',
  stand: 'Instrument at',
  stands: { '1': 'First stand', '2': 'Second stand' },
  level: 'Level it',
  leveled: 'Level.',
  notLevel: 'Not level: relevel after every setup or turn.',
  zero: 'Near target: zero here',
  zeroReferences: 'Both floor references: zero here',
  face: 'Reverse reference b in its holder',
  shows: (unit: string) => t`Target readings, ${unit}`,
  plane: 'down the line of the plane',
  nothing: 'not zeroed yet',
  turnRoll: (unit: string) => t`Turn until the far end reads, ${unit}`,
  turnReference: (unit: string) => t`Turn until reference a reads, ${unit}`,
  turnIt: 'Turn',
  lengths: (toNear: string, face: string) => t`Pivot to the near target ${toNear}, near target to far target ${face}.`,
  loosen: 'Loosen the near housing of roll 2',
  tighten: 'Tighten the near housing of roll 2',
  isLoose: 'Loose.',
  isTight: 'Tight.',
  move: (unit: string) => t`Move the near end of roll 2 down the line, ${unit}`,
  soFar: (mm: string) => t`so far ${mm}`,
  signs:
    'Minus moves it the other way. Drives locked out, nips open, air released. Never reach between rolls that can turn.',
  check: 'Check my alignment',
  left: 'Remaining error',
  square: 'Far end of roll 2, down the line',
  turns: (count: string) => t`Instrument turns: ${count}`,
  truth: 'Actual values:',
  truthTold: (mm: string, heading: string) =>
    t`as found, the far end of roll 2 was ${mm} down the line. The second stand started ${heading} over the face off the reference heading.`,
  hints: [
    'Level. Zero the near target and read the far end. Turn until the far end reads −(that reading) × pivot-to-near ÷ near-to-far. Turning upsets the level, so relevel, zero near and read again, two or three times.',
    'When the far end reads zero the plane is parallel to the reference roll. Now zero the floor references, both facing the same way.',
    'At the second stand the heading is right when both references read the same number and sign. Turn until reference a, the farther one, reads the same as b. Level and repeat.',
    'Zero the near target on roll 2 and read its far end: that is its error. Move its near end by the same amount.',
  ],
})

export const rollEndNames: Readonly<Record<RollEnd, string>> = labels({ near: 'near end', far: 'far end' })
export const floorReferenceNames: Readonly<Record<FloorReference, string>> = labels({
  a: 'Floor reference a',
  b: 'Floor reference b',
})

const slips: Readonly<Record<SightingSlip, Message>> = labels({
  'still-loose': { title: 'The housing is still loose.', detail: 'A move counts when it is bolted down.' },
  strained: { title: 'You tried to move it while bolted down.', detail: 'Nothing moved. Loosen the housing first.' },
  'no-references': {
    title: 'You did not set the floor references.',
    detail: 'Nothing ties the second stand to the reference roll. Zero them from the first stand.',
  },
  'not-on-the-roll': {
    title: 'The plane was not parallel to the reference roll.',
    detail: 'The references hold the wrong heading. Bring the far end to zero first, then zero the references.',
  },
  'out-of-plumb': {
    title: 'The instrument was out of level.',
    detail: 'A tilted plane reads differently at each height. Level after every turn.',
  },
  reversed: {
    title: 'One reference faced the other way.',
    detail:
      'Equal readings then put the heading off by twice the reading over their distance. Check both before you zero.',
  },
  'references-differ': {
    title: 'The references don’t show the same number.',
    detail: 'The second stand has a different heading. Turn until they agree.',
  },
  'wrong-way': { title: 'You moved it the wrong way.', detail: 'The error doubled.' },
  off: { title: 'Roll 2 is not parallel to the reference roll yet.', detail: 'Read it again from the second stand.' },
})

export const saySightingSlip = (slip: SightingSlip): Message => slips[slip]
