import { chance } from '../rig/random'

/** Where a target is held: both ends of the roll beside the stand, or the two floor references. */
export const rollEnds = ['near', 'far'] as const
export type RollEnd = (typeof rollEnds)[number]
export const floorReferences = ['a', 'b'] as const
export type FloorReference = (typeof floorReferences)[number]

/**
 * Two rolls and an instrument that sweeps a plane along a roll and a second one square to it, from two stands: the hidden truth of a
 * lesson, the same for the same seed. x down the line, y from near to far, mm; headings and how far a roll is off square as dx over dy.
 */
export interface Sight {
  /** Face of both rolls, between the targets at their ends, and how far roll 2 is down the line. */
  face: number
  apart: number
  /** How the reference roll and roll 2 stand in the room. Nobody knows; that they should be alike is what counts. */
  square: { reference: number; second: number }
  /** From the pivot of the first stand to the near target, along the roll. */
  toNear: number
  /** Floor references down the line from the first stand, and where the second stand is between them. */
  at: Readonly<Record<FloorReference, number>>
  secondAt: number
  /** How each stand is set up at first: heading, and how far across it is off from where the first one stood. */
  heading: readonly [first: number, second: number]
  across: number
  /** What a plane that is out of plumb adds at the farther target, mm. */
  plumb: number
  /** Reference b faces the other way. */
  reversed: boolean
}

/** What a person has done so far. */
export interface SightHands {
  locked: boolean
  stand: 1 | 2
  /** What each stand was turned by, and whether it was leveled since. */
  turned: readonly [first: number, second: number]
  level: readonly [first: boolean, second: boolean]
  /** What the near target's scale was zeroed at, at each stand. */
  zero: readonly [first: number, second: number]
  /** What the floor references were zeroed at, at the first stand. */
  references?: Readonly<Record<FloorReference, number>> | undefined
  /** Reference b was turned round in its holder. */
  faced: boolean
  loose: boolean
  /** What the near housing of roll 2 was moved by, down the line. mm */
  moved: number
}

export const emptySightHands: SightHands = {
  locked: false,
  stand: 1,
  turned: [0, 0],
  level: [false, false],
  zero: [0, 0],
  faced: false,
  loose: false,
  moved: 0,
}

const to = (mm: number, step: number): number => Math.round(mm / step) * step

export function makeSight(seed: number): Sight {
  const source = chance(seed ^ 0x1f3d5b79)
  const between = (least: number, most: number): number => least + (most - least) * source.uniform()
  const signed = (least: number, most: number): number => (source.uniform() < 0.5 ? -1 : 1) * between(least, most)
  const reference = signed(0.0003, 0.0015)
  const apart = to(between(3200, 4800), 100)
  return {
    face: to(between(1200, 1800), 50),
    apart,
    square: { reference, second: reference + signed(0.0003, 0.0008) },
    toNear: to(between(400, 900), 50),
    at: { a: to(between(300, 600), 50), b: apart + to(between(200, 500), 50) },
    secondAt: apart - to(between(150, 300), 50),
    // neither stand happens to be square to the reference roll
    heading: [reference + signed(0.001, 0.003), reference + signed(0.001, 0.003)],
    across: signed(2, 6),
    plumb: signed(0.15, 0.3),
    reversed: source.uniform() < 0.5,
  }
}

/** The stand's own one of a pair. */
const own = <T>([first, second]: readonly [T, T], stand: 1 | 2): T => (stand === 1 ? first : second)

export const headingNow = ({ heading }: Sight, { turned }: SightHands, stand: 1 | 2): number =>
  own(heading, stand) + own(turned, stand)

/** How roll 2 is off square now: its near housing moves, the far one stays. */
export const secondNow = ({ square, face }: Sight, { moved }: SightHands): number => square.second - moved / face

/** How far a target at an end of the roll beside the stand is down the line from the plane, before its scale is zeroed. mm */
export function fromPlane(sight: Sight, hands: SightHands, end: RollEnd): number {
  const { stand } = hands
  const roll = stand === 1 ? sight.square.reference : secondNow(sight, hands)
  const along = sight.toNear + (end === 'far' ? sight.face : 0)
  const tilted = own(hands.level, stand) || end === 'near' ? 0 : sight.plumb
  // the roll is met where it is; the plane goes from the pivot by its heading
  return roll * (along - sight.toNear) - headingNow(sight, hands, stand) * along + tilted
}

/** How far a floor reference is across from the second plane, before it is zeroed. mm */
export function fromSquare(sight: Sight, hands: SightHands, reference: FloorReference): number {
  const { stand } = hands
  const x = sight.at[reference] - (stand === 1 ? 0 : sight.secondAt)
  const tilted = own(hands.level, stand) || reference === 'a' ? 0 : sight.plumb
  return headingNow(sight, hands, stand) * x + (stand === 1 ? 0 : sight.across) + tilted
}

const hundredths = (mm: number): number => Math.round(mm * 100) / 100

/** What a target on the roll shows, mm, to 0.01: from what its near end was zeroed at. */
export const rollShows = (sight: Sight, hands: SightHands, end: RollEnd): number =>
  hundredths(fromPlane(sight, hands, end) - own(hands.zero, hands.stand))

/** Reference b looks the other way, and shows everything with its sign turned about. */
export const looksAway = ({ reversed }: Sight, { faced }: SightHands): boolean => reversed !== faced

/** What a floor reference shows, mm, to 0.01; nothing before it was zeroed. */
export function referenceShows(sight: Sight, hands: SightHands, reference: FloorReference): number | undefined {
  if (!hands.references) return undefined
  const sign = reference === 'b' && looksAway(sight, hands) ? -1 : 1
  return sign * hundredths(fromSquare(sight, hands, reference) - hands.references[reference])
}
