import type { SightingSlip } from '../core/practice/sighting'
import type { FloorReference, RollEnd } from '../core/practice/stand'
import { labels, t } from './language'
import type { Said } from './said'

/** What is said in the lesson of the rolls. */
export const sightingWords = labels({
  name: 'Rolls from two stands',
  goal: 'Bring the instrument’s plane onto the reference roll, set both floor references to zero, go to the second stand, find the same heading by them, and set roll 2 square to the reference roll.',
  within: (mm: string) => t`Within ${mm} over its face.`,
  section: 'The floor from above, the web runs to the right, near side at the bottom',
  rollReference: 'reference roll',
  roll2: 'roll 2',
  stand: 'Instrument at',
  stands: { '1': 'First stand', '2': 'Second stand' },
  level: 'Level it',
  levelled: 'It is level.',
  notLevel: 'Out of level since it was set up or turned.',
  zero: 'Near target: zero here',
  zeroReferences: 'Both floor references: zero here',
  face: 'Turn reference b round in its holder',
  shows: (unit: string) => t`What the targets show, ${unit}`,
  plane: 'down the line from the plane',
  nothing: 'not zeroed yet',
  turnRoll: (unit: string) => t`Turn until the far end shows, ${unit}`,
  turnReference: (unit: string) => t`Turn until reference a shows, ${unit}`,
  turnIt: 'Turn',
  lengths: (toNear: string, face: string) => t`Pivot to the near target ${toNear}, near target to far target ${face}.`,
  loosen: 'Loosen the near housing of roll 2',
  tighten: 'Tighten the near housing of roll 2',
  isLoose: 'It is loose.',
  isTight: 'It is tight.',
  move: (unit: string) => t`Move the near end of roll 2 down the line, ${unit}`,
  soFar: (mm: string) => t`so far ${mm}`,
  signs:
    'A minus goes the other way. Drives locked out, nips open, stored air let off; nobody reaches between rolls that can turn.',
  check: 'Check roll 2',
  left: 'What is left',
  square: 'Far end of roll 2, down the line',
  turns: (count: string) => t`Turns of the instrument so far: ${count}`,
  truth: 'The truth:',
  truthTold: (mm: string, heading: string) =>
    t`at the start the far end of roll 2 stood ${mm} down the line; the second stand was set up ${heading} over the face off the reference roll’s heading.`,
  hints: [
    'Level first. Near target to zero, then read the far end. Turn until the far end shows that number with its sign turned about, times pivot-to-near over near-to-far. Turning takes it out of level: level, zero near, read again; two or three times.',
    'When the far end shows nothing the plane is along the reference roll. Only now zero the floor references, both facing the same way.',
    'At the second stand it is along the same way when both references show the same number with the same sign, whichever number. Turn until the farther one, a, shows what b shows; level; again.',
    'Now near target to zero on roll 2 and read its far end: that is what roll 2 is off. Its near end goes by as much.',
  ],
})

export const rollEndNames: Readonly<Record<RollEnd, string>> = labels({ near: 'near end', far: 'far end' })
export const floorReferenceNames: Readonly<Record<FloorReference, string>> = labels({
  a: 'Floor reference a',
  b: 'Floor reference b',
})

const slips: Readonly<Record<SightingSlip, Said>> = labels({
  'still-loose': { title: 'The housing is still loose.', detail: 'A move counts when it is bolted down.' },
  strained: { title: 'Moved while it was bolted down.', detail: 'Nothing moved. Loosen the housing first.' },
  'no-references': {
    title: 'The floor references were never set.',
    detail: 'Nothing ties the second stand to the reference roll. Zero them from the first stand.',
  },
  'not-on-the-roll': {
    title: 'The plane was not along the reference roll.',
    detail: 'What the references hold is another heading. Bring the far end to nothing first, then zero them.',
  },
  'out-of-plumb': {
    title: 'The instrument was out of level.',
    detail: 'A plane out of plumb reads otherwise at another height. Level after every turn.',
  },
  reversed: {
    title: 'One reference faced the other way.',
    detail:
      'Equal numbers then set the heading wrong by twice the number over their distance. Look at both before zeroing.',
  },
  'references-differ': {
    title: 'The references don’t show the same number.',
    detail: 'The second stand looks another way than the first. Turn until they agree.',
  },
  'wrong-way': { title: 'It went the other way.', detail: 'It is twice as far off as it was.' },
  off: { title: 'Roll 2 is not square to the reference roll yet.', detail: 'Read it again from the second stand.' },
})

export const saySightingSlip = (slip: SightingSlip): Said => slips[slip]
