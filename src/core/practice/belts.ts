import { type Attempted, begun, isPlain, type PlainAct, plainly, touched } from './attempted'
import { type Drive, type DriveHands, emptyDriveHands, faceNow, faceWanted, makeDrive } from './drive'
import { typedMm } from './typed'

/** What the belts allow: slope of either kind, mm over mm (a quarter of a degree), and from groove to groove, mm. */
export const beltTolerance = { slope: Math.tan(Math.PI / 720), offset: 0.5 } as const

export const beltMoves = ['shims', 'swung', 'slid'] as const
export type BeltMove = (typeof beltMoves)[number]

/** How a person stands in the lesson of the belts: what is kept, and nothing of the truth. */
export interface Belting extends Attempted<DriveHands> {
  lesson: 'belts'
  /** Each move as typed, mm, signed. */
  typed: Readonly<Record<BeltMove, string>>
  /** Times the motor was moved. */
  moves: number
  /** Moved while the bolts were tight, or the belts still pulled: it springs back, and nothing moved. */
  strained: number
}

export const beginBelting = (seed: number): Belting => ({
  ...begun(seed, emptyDriveHands),
  lesson: 'belts',
  typed: { shims: '', swung: '', slid: '' },
  moves: 0,
  strained: 0,
})

/** What a person can do at the drive. */
export type BeltingAct =
  | PlainAct
  | { do: 'loosen' | 'tighten' }
  | { do: 'type'; move: BeltMove; text: string }
  | { do: 'move'; move: BeltMove }
  | { do: 'tension'; how: DriveHands['tension'] }

/** Minutes an act costs. */
const cost = { bolts: 3, shims: 12, swung: 4, slid: 4, tension: 6 }

/** Farther than this nothing is moved at once, mm. */
const farthest = 20

/** A move as typed, mm; undefined where it is no number, or too far for one. */
export function beltMoveTyped(text: string): number | undefined {
  const mm = typedMm(text)
  return mm !== undefined && Math.abs(mm) <= farthest ? mm : undefined
}

/** One act done. Pure: the same state and act give the same. */
export function beltLessonReducer(now: Belting, act: BeltingAct): Belting {
  if (isPlain(act)) return plainly(now, act)
  const { hands } = now
  const touch = (change: Partial<DriveHands>, minutes: number): Belting => touched(now, change, minutes)
  switch (act.do) {
    case 'loosen':
    case 'tighten':
      return hands.loose === (act.do === 'loosen') ? now : touch({ loose: act.do === 'loosen' }, cost.bolts)
    case 'type':
      return { ...now, typed: { ...now.typed, [act.move]: act.text } }
    case 'move': {
      const by = beltMoveTyped(now.typed[act.move])
      if (by === undefined || by === 0) return now
      if (!hands.loose || hands.tension !== 'slack') return { ...touch({}, cost[act.move]), strained: now.strained + 1 }
      return {
        ...touch({ [act.move]: hands[act.move] + by }, cost[act.move]),
        typed: { ...now.typed, [act.move]: '' },
        moves: now.moves + 1,
      }
    }
    case 'tension':
      return hands.tension === act.how ? now : touch({ tension: act.how }, cost.tension)
  }
}

/** What went wrong, by its name. */
export type BeltingSlip =
  | 'slack'
  | 'still-loose'
  | 'one-screw'
  | 'faces-flush'
  | 'tilt-last'
  | 'tilt'
  | 'toe'
  | 'offset'
  | 'strained'

export interface BeltingJudged {
  drive: Drive
  /** What is left: slopes, and from groove to groove, mm. */
  left: { toe: number; tilt: number; offset: number }
  slips: readonly BeltingSlip[]
  passed: boolean
}

/** How the drive stands now against what its belts allow: bolted, tensioned, groove to groove. */
export function judgeBelting(now: Belting): BeltingJudged {
  const drive = makeDrive(now.seed)
  const { hands } = now
  const { toe, tilt, offset } = faceNow(drive, hands)
  const left = { toe, tilt, offset: offset - faceWanted(drive) }
  const over = (slope: number): boolean => Math.abs(slope) > beltTolerance.slope
  const slips: BeltingSlip[] = []
  if (hands.tension === 'slack') slips.push('slack')
  if (hands.loose) slips.push('still-loose')
  if (over(tilt)) slips.push('tilt')
  // straight before the belts were drawn tight, and pulled askew by one screw
  if (over(toe))
    slips.push(
      hands.tension === 'one' && !over(faceNow(drive, { ...hands, tension: 'both' }).toe) ? 'one-screw' : 'toe',
    )
  if (Math.abs(left.offset) > beltTolerance.offset) slips.push(whyOff(drive, hands, offset, left.offset))
  if (now.strained > 0) slips.push('strained')
  return { drive, left, slips, passed: !now.unsafe && slips.length === 0 }
}

/** Why the grooves are not in line: faces set flush though their rims differ, the offset taken before the shims, or simply not yet. */
function whyOff(drive: Drive, hands: DriveHands, offset: number, left: number): BeltingSlip {
  if (Math.abs(offset) <= beltTolerance.offset) return 'faces-flush'
  const shifted = offset - faceNow(drive, { ...hands, shims: 0 }).offset
  if (hands.slid !== 0 && Math.abs(shifted) > beltTolerance.offset && Math.abs(left - shifted) <= beltTolerance.offset)
    return 'tilt-last'
  return 'offset'
}
