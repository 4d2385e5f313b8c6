import { type Attempted, begun, isPlain, type PlainAct, plainly, touched } from './attempted'
import {
  atCoupling,
  boltsOf,
  emptyFlangeHands,
  type Flange,
  type FlangeHands,
  inFrame,
  makeFlange,
  planeOf,
  standing,
} from './flange'
import { typedMm } from './typed'

/** What the coupling allows: offset in mm, slope in mm over mm; how far a pile of shims may be off the plane of the others. */
export const mountingAllows = { offset: 0.05, slope: 0.0002, bent: 0.02 } as const

/** A push as it is seen from above. */
export const pushes = ['right', 'far'] as const
export type Push = (typeof pushes)[number]

/** How a person stands in the lesson of the flange: what is kept, and nothing of the truth. */
export interface Mounting extends Attempted<FlangeHands> {
  lesson: 'flange'
  /** The shim and the pushes in hand as typed, mm. */
  typed: Readonly<Record<'shim' | Push, string>>
  moves: number
  /** Shims and pushes while it was bolted down: nothing moved. */
  strained: number
}

export const beginMounting = (seed: number): Mounting => ({
  ...begun(seed, emptyFlangeHands),
  lesson: 'flange',
  typed: { shim: '', right: '', far: '' },
  moves: 0,
  strained: 0,
})

/** What a person can do at the flange. */
export type MountingAct =
  | PlainAct
  | { do: 'hoist'; on: boolean }
  | { do: 'loosen' | 'tighten' }
  | { do: 'turn'; bolt: number }
  | { do: 'type'; what: 'shim' | Push; text: string }
  /** What lies at a bolt is what was typed, no more and no less. */
  | { do: 'shim'; bolt: number }
  | { do: 'push'; way: Push }

/** Minutes an act costs. */
const cost = { hoist: 6, bolts: 5, turn: 0.5, shim: 4, push: 3 }

/** The thickest pile, and the farthest push at once, mm. */
const most = { shim: 3, push: 3 }

/** A shim as typed, mm: nought or more; a push, either way. */
export function shimTyped(text: string): number | undefined {
  const mm = typedMm(text)
  return mm !== undefined && mm >= 0 && mm <= most.shim ? mm : undefined
}
export function pushTyped(text: string): number | undefined {
  const mm = typedMm(text)
  return mm && Math.abs(mm) <= most.push ? mm : undefined
}

/** A push as far as the spigot lets it go. */
function pushedBy({ room }: Flange, { pushed }: FlangeHands, way: Push, by: number): FlangeHands['pushed'] {
  const other = way === 'right' ? pushed.far : pushed.right
  const reach = Math.sqrt(Math.max(0, room ** 2 - other ** 2))
  return { ...pushed, [way]: Math.min(reach, Math.max(-reach, pushed[way] + by)) }
}

/** One act done. Pure: the same state and act give the same. */
export function mounted(now: Mounting, act: MountingAct): Mounting {
  if (isPlain(act)) return plainly(now, act)
  const { hands } = now
  const flange = makeFlange(now.seed)
  const touch = (change: Partial<FlangeHands>, minutes: number): Mounting => touched(now, change, minutes)
  switch (act.do) {
    case 'hoist':
      return hands.hoisted === act.on
        ? now
        : touch({ hoisted: act.on, unheld: hands.unheld || (!act.on && hands.loose) }, cost.hoist)
    case 'loosen':
      return hands.loose ? now : touch({ loose: true, unheld: hands.unheld || !hands.hoisted }, cost.bolts)
    case 'tighten':
      return hands.loose ? touch({ loose: false }, cost.bolts) : now
    case 'turn':
      return hands.at === act.bolt ? now : touch({ at: act.bolt }, cost.turn)
    case 'type':
      return { ...now, typed: { ...now.typed, [act.what]: act.text } }
    case 'shim': {
      const mm = shimTyped(now.typed.shim)
      if (mm === undefined) return now
      if (!hands.loose) return { ...touch({}, cost.shim), strained: now.strained + 1 }
      return { ...touch({ shims: { ...hands.shims, [act.bolt]: mm } }, cost.shim), moves: now.moves + 1 }
    }
    case 'push': {
      const by = pushTyped(now.typed[act.way])
      if (by === undefined) return now
      if (!hands.loose) return { ...touch({}, cost.push), strained: now.strained + 1 }
      const pushed = pushedBy(flange, hands, act.way, by)
      const short = Math.abs(pushed[act.way] - hands.pushed[act.way] - by) > 1e-9
      return {
        ...touch({ pushed, against: hands.against + (short ? 1 : 0) }, cost.push),
        typed: { ...now.typed, [act.way]: '' },
        moves: now.moves + 1,
      }
    }
  }
}

/** What went wrong, by its name. */
export type MountingSlip =
  | 'still-loose'
  | 'unheld'
  | 'strained'
  | 'bent'
  | 'all-lifted'
  | 'at-high-side'
  | 'slope'
  | 'other-way-round'
  | 'at-the-coupling'
  | 'against-spigot'
  | 'offset'

export interface MountingJudged {
  flange: Flange
  /** What is left at the coupling: how far off in mm, and the slope in mm over mm, whichever way. */
  left: { offset: number; slope: number }
  slips: readonly MountingSlip[]
  passed: boolean
}

/** How the motor stands now against what its coupling allows: bolted down, straight, over the pump, its flange not bent. */
export function judgeMounting(now: Mounting): MountingJudged {
  const flange = makeFlange(now.seed)
  const { hands } = now
  const { offsetY, offsetZ, slopeY, slopeZ } = atCoupling(flange, hands)
  const left = { offset: Math.hypot(offsetY, offsetZ), slope: Math.hypot(slopeY, slopeZ) }
  const slips: MountingSlip[] = []
  if (hands.loose) slips.push('still-loose')
  if (hands.unheld) slips.push('unheld')
  if (planeOf(flange, hands).off > mountingAllows.bent) slips.push('bent')
  if (Math.min(...boltsOf(flange).map((bolt) => hands.shims[bolt] ?? 0)) > mountingAllows.bent) slips.push('all-lifted')
  const leans = left.slope > mountingAllows.slope
  if (leans) slips.push(twice(flange, hands) ? 'at-high-side' : 'slope')
  if (left.offset > mountingAllows.offset) {
    if (hands.against > 0) slips.push('against-spigot')
    else slips.push(leans ? 'offset' : whyAside(flange, hands))
  }
  if (now.strained > 0) slips.push('strained')
  return { flange, left, slips, passed: !now.unsafe && slips.length === 0 }
}

/** The shims went in at the high side: it leans twice as far. */
function twice(flange: Flange, hands: FlangeHands): boolean {
  const { slope } = standing(flange, hands)
  return slope.every((one, i) => Math.abs(one - 2 * (flange.slope[i] ?? 0)) <= 2 * mountingAllows.slope)
}

/** Why it stands aside though it is straight: pushed by bolts counted the other way round, or by what was read at the coupling before the shims. */
function whyAside(flange: Flange, hands: FlangeHands): MountingSlip {
  const [y, z] = inFrame(flange, hands.pushed)
  const near = (one: number, other: number): boolean => Math.abs(one - other) <= mountingAllows.offset
  if (near(y, flange.place[0]) && near(z, -flange.place[1])) return 'other-way-round'
  const before = atCoupling(flange, emptyFlangeHands)
  if (near(y, -before.offsetY) && near(z, -before.offsetZ)) return 'at-the-coupling'
  return 'offset'
}
