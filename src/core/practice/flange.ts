import { exactFaceReading, exactRimReading, shaftPair } from '../rig/geometry'
import { chance } from '../rig/random'

/**
 * A motor standing on a flange over its pump: the hidden truth of a lesson, the same for the same seed. As the frame of upright machines has
 * it: x up, z toward bolt 1, y toward the place a quarter on the way the bolts are counted. Lengths in mm, slopes in rad.
 */
export interface Flange {
  /** Bolts on the flange, and whether they are counted clockwise as seen from above. */
  bolts: 4 | 8
  clockwise: boolean
  /** Where bolt 1 is, degrees clockwise from the far side as seen from above. */
  first: number
  /** Half the bolt circle; the flange over the coupling. */
  radius: number
  over: number
  /** The dials: on the rim of the upper hub so far over the coupling, and on its face at a radius. */
  rim: { x: number; radius: number }
  face: number
  /** The upper shaft where it goes through the flange, and its slope, at the start: [y, z]. */
  place: readonly [y: number, z: number]
  slope: readonly [y: number, z: number]
  /** How far the flange can be pushed in its spigot from the middle, any way. */
  room: number
}

/** What a person has done so far. */
export interface FlangeHands {
  locked: boolean
  /** The hoist holds the motor's weight. */
  hoisted: boolean
  /** It was not held when the bolts came loose. */
  unheld: boolean
  loose: boolean
  /** The bolt that the dials stand at. */
  at: number
  /** What lies at each bolt, by its number. mm */
  shims: Readonly<Record<number, number>>
  /** What it was pushed by, toward the right and the far side as seen from above. mm */
  pushed: { right: number; far: number }
  /** Pushes that came up against the spigot. */
  against: number
}

export const emptyFlangeHands: FlangeHands = {
  locked: false,
  hoisted: false,
  unheld: false,
  loose: false,
  at: 1,
  shims: {},
  pushed: { right: 0, far: 0 },
  against: 0,
}

const to = (mm: number, step: number): number => Math.round(mm / step) * step
const radians = (degrees: number): number => (degrees * Math.PI) / 180

export function makeFlange(seed: number): Flange {
  const source = chance(seed ^ 0x510e527f)
  const between = (least: number, most: number): number => least + (most - least) * source.uniform()
  const signed = (least: number, most: number): number => (source.uniform() < 0.5 ? -1 : 1) * between(least, most)
  return {
    bolts: source.uniform() < 0.5 ? 4 : 8,
    clockwise: source.uniform() < 0.5,
    first: 90 * Math.floor(4 * source.uniform()),
    radius: to(between(120, 180), 5),
    over: to(between(220, 340), 10),
    rim: { x: to(between(30, 50), 5), radius: to(between(70, 100), 5) },
    face: to(between(70, 95), 5),
    // each way enough that a bolt counted the wrong way round is seen
    place: [signed(0.1, 0.3), signed(0.1, 0.3)],
    slope: [signed(0.0005, 0.001), signed(0.0005, 0.001)],
    room: to(between(0.6, 0.9), 0.1),
  }
}

/** The bolts' numbers, and the angle of each from bolt 1 the way they are counted, degrees. */
export const boltsOf = ({ bolts }: Flange): readonly number[] => Array.from({ length: bolts }, (_, i) => i + 1)
export const angleOf = ({ bolts }: Flange, bolt: number): number => ((bolt - 1) * 360) / bolts

/** Where a bolt is, degrees clockwise from the far side as seen from above. */
export const seenAt = (flange: Flange, bolt: number): number =>
  (flange.first + (flange.clockwise ? 1 : -1) * angleOf(flange, bolt) + 720) % 360

/** A push toward the right and the far side, in the frame of the bolts: [y, z]. */
export function inFrame(flange: Flange, { right, far }: FlangeHands['pushed']): readonly [y: number, z: number] {
  const toward = (degrees: number): number => right * Math.sin(radians(degrees)) + far * Math.cos(radians(degrees))
  return [toward(flange.first + (flange.clockwise ? 90 : -90)), toward(flange.first)]
}

/** The plane through all that lies at the bolts: how it tilts toward y and z, mm over mm, and the largest that a pile is off it, mm. */
export function planeOf(flange: Flange, { shims }: FlangeHands): { y: number; z: number; off: number } {
  const piles = boltsOf(flange).map((bolt) => ({ angle: radians(angleOf(flange, bolt)), mm: shims[bolt] ?? 0 }))
  const mean = piles.reduce((sum, { mm }) => sum + mm, 0) / piles.length
  // bolts stand evenly round the circle: the least squares plane is the first harmonic
  const y = (2 * piles.reduce((sum, { angle, mm }) => sum + mm * Math.sin(angle), 0)) / piles.length / flange.radius
  const z = (2 * piles.reduce((sum, { angle, mm }) => sum + mm * Math.cos(angle), 0)) / piles.length / flange.radius
  const off = piles.map(({ angle, mm }) =>
    Math.abs(mm - mean - flange.radius * (y * Math.sin(angle) + z * Math.cos(angle))),
  )
  return { y, z, off: Math.max(...off) }
}

/** The upper shaft as it stands now: where it goes through the flange, and its slope. Raised toward z, it leans away from there. */
export function standing(flange: Flange, hands: FlangeHands): Pick<Flange, 'place' | 'slope'> {
  const { y, z } = planeOf(flange, hands)
  const [py, pz] = inFrame(flange, hands.pushed)
  return {
    place: [flange.place[0] + py, flange.place[1] + pz],
    slope: [flange.slope[0] - y, flange.slope[1] - z],
  }
}

/** How the upper shaft stands against the lower one at the coupling: offset in mm, slope in rad. */
export function atCoupling(flange: Flange, hands: FlangeHands) {
  const { place, slope } = standing(flange, hands)
  return {
    offsetY: place[0] - slope[0] * flange.over,
    slopeY: slope[0],
    offsetZ: place[1] - slope[1] * flange.over,
    slopeZ: slope[1],
  }
}

/** What both dials show at a bolt, carried by the lower shaft and zeroed at bolt 1, mm. Nothing hangs through: it stands upright. */
export function dialsAt(flange: Flange, hands: FlangeHands, bolt: number): { rim: number; face: number } {
  const pair = shaftPair(atCoupling(flange, hands), 0)
  const { rim, face } = flange
  const read = (degrees: number) => ({
    rim: exactRimReading(pair, { on: 'right', x: rim.x, radius: rim.radius, sag: 0 }, degrees),
    face: exactFaceReading(pair, { on: 'right', x: rim.x, radius: face, side: 'front', sag: 0 }, degrees),
  })
  const [here, first] = [read(angleOf(flange, bolt)), read(0)]
  return { rim: here.rim - first.rim, face: here.face - first.face }
}
