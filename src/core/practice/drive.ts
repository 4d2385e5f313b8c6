import { chance } from '../rig/random'

/** Where a straightedge over both faces is looked at: the rim of the motor's sheave toward the fan and away from it, and at top and bottom. */
export const edges = ['toward', 'away', 'top', 'bottom'] as const
export type Edge = (typeof edges)[number]

/**
 * Two sheaves and their belts: the hidden truth of a lesson, the same for the same seed. The fan's face is the plane that
 * everything is measured from. Lengths in mm, slopes in mm over mm; offsets positive where the motor's face stands proud of the fan's.
 */
export interface Drive {
  /** The motor's face at the start: its middle, and its slopes toward the fan and toward the top. */
  start: { offset: number; toe: number; tilt: number }
  /** From each face to its first groove. The grooves have to line up, not the faces. */
  rims: { fan: number; motor: number }
  /** What the back feet are pulled toward the fan by tensioning with one screw. */
  pulled: number
}

/** The motor: half the diameter of its sheave, between its feet, its shaft over the feet. mm */
export const motor = { radius: 125, feet: 240, height: 132 } as const

/** What a person has done so far. */
export interface DriveHands {
  locked: boolean
  loose: boolean
  /** Belts tensioned: by one screw, or by both evenly. */
  tension: 'slack' | 'one' | 'both'
  /** All the shims put under the back feet, below zero under the front feet; the back feet swung toward the fan; the slide out of the fan's face. mm */
  shims: number
  swung: number
  slid: number
}

export const emptyDriveHands: DriveHands = {
  locked: false,
  loose: false,
  tension: 'slack',
  shims: 0,
  swung: 0,
  slid: 0,
}

const tenths = (mm: number): number => Math.round(mm * 10) / 10

export function makeDrive(seed: number): Drive {
  const source = chance(seed ^ 0x6b43a9)
  const signed = (least: number, most: number): number =>
    (source.uniform() < 0.5 ? -1 : 1) * (least + (most - least) * source.uniform())
  const fan = tenths(3 + 2 * source.uniform())
  return {
    start: { offset: signed(1.5, 4), toe: signed(0.008, 0.02), tilt: signed(0.007, 0.016) },
    rims: { fan, motor: tenths(fan + signed(1, 2.5)) },
    pulled: (source.uniform() < 0.5 ? -1 : 1) * (2 + 2 * source.uniform()),
  }
}

/**
 * How the motor's face stands now. Shims under the back feet turn it about the front feet: its top comes out, and its middle with it, a
 * shaft's height over the feet. Swinging the back feet toward the fan brings the edge toward the fan out.
 */
export function faceNow({ start, pulled }: Drive, { shims, swung, slid, tension }: DriveHands): Drive['start'] {
  const tipped = shims / motor.feet
  return {
    tilt: start.tilt + tipped,
    offset: start.offset + motor.height * tipped + slid,
    toe: start.toe + (swung + (tension === 'one' ? pulled : 0)) / motor.feet,
  }
}

const across: Readonly<Record<Edge, readonly [toward: number, up: number]>> = {
  toward: [1, 0],
  away: [-1, 0],
  top: [0, 1],
  bottom: [0, -1],
}

/** How far an edge of the motor's face stands proud of the fan's plane, mm; below zero behind it. What a straightedge and a rule tell, to the tenth. */
export function proudAt(drive: Drive, hands: DriveHands, edge: Edge): number {
  const { offset, toe, tilt } = faceNow(drive, hands)
  const [toward, up] = across[edge]
  return tenths(offset + motor.radius * (toward * toe + up * tilt))
}

/** Where the motor's face has to stand for the grooves to line up, mm proud of the fan's. */
export const faceWanted = ({ rims }: Drive): number => rims.motor - rims.fan
