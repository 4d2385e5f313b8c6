import { aligned, type Misalignment } from '../probes/probe'
import { type Plane, type PlaneLine, planes } from '../quantity/axis'
import { parseNumber } from '../quantity/number'
import { fitCoupling } from '../shafts/coupling'
import type { CoupledCheck, CouplingSolution } from '../shafts/judged'
import type { ProbeSetUp, ReadSet } from '../shafts/schema'
import { only, purposeOf, type ReadingSet, togetherOf } from '../shafts/together'
import type { SlipGrade } from '../verdict/slipSpeed'
import type { VerdictState } from '../verdict/state'
import { type Allowed, type Joint, stateOf, type Verdict } from '../verdict/verdict'
import { difference } from './between'
import { type Closing, closingOf, closingShare } from './closing'
import { type DrawProblem, drawProblem, type KnownTo } from './draws'
import { markOf } from './marks'
import { type Repeat, repeatOf } from './repeat'
import type { ProofSaid } from './schema'
import { type AtSpeed, type SpeedInHand, speedInHand, verdictAt } from './speeds'
import { running, type Used, usedOf } from './used'

/** One coupling of a round, as a kind of line hands it to be proved. Lengths in mm. */
export interface ProofJoint {
  id: string
  joint: Joint
  allowed: Allowed
  grade: SlipGrade
  growth: Record<Plane, PlaneLine>
  /** Whether somebody gave the growth of every machine beside it. */
  growthGiven: boolean
  sets: readonly ReadingSet[]
  /** Where they come from: the set as typed, and those of its probes that had something to say. */
  sources: readonly { set: ReadSet; probes: readonly ProbeSetUp[] }[]
  solution: CouplingSolution
  /** Where a difference is told: the feet beside it, or what stands for them. */
  stations: readonly { id: string; x: number }[]
}

/** Where one station stands, against what does not move: x along the line and position in mm, with its deviation; null in a plane that was not read. */
export type ProofPlace = { id: string; machine: string; x: number } & Record<
  Plane,
  { position: number; sd: number } | null
>

/** Something of a kind's own that is judged. */
export interface OwnJudged {
  id: string
  state: VerdictState
  /** Read a second time, and both agree; undefined where it was not. */
  repeats: boolean | undefined
  /** Share of its limit that is used; undefined where it is not known. */
  share: number | undefined
}

/** A round, as a kind of line hands it to be proved. */
export interface ProofRound {
  joints: readonly ProofJoint[]
  places: readonly ProofPlace[]
  /** The machine that positions are told from. */
  reference: string
  /** What is judged where a kind has no couplings: each by its id; `complete` once nothing of it is open. */
  own?: { complete: boolean; judged: readonly OwnJudged[] }
  /** How it was read, where that does not follow from the sets of its couplings. */
  methods?: readonly string[]
  /** No number is told finer than this, mm. */
  resolution: number
  /** Whether anything was read in it. */
  read: boolean
  /** What was written down as done after it, and where that should have brought every station; undefined before a move. */
  move:
    | {
        done: ReadonlyMap<string, Partial<Record<Plane, number>>>
        expected: ReadonlyMap<string, Partial<Record<Plane, number>>>
      }
    | undefined
}

/** Growth that came, and growth that was planned for: offsets at the coupling in mm, slopes in rad; 0 in a plane not read. */
export interface Grown {
  came: Misalignment
  planned: Misalignment
}

/** One coupling, proved. */
export interface ProvedJoint {
  id: string
  solution: CouplingSolution
  /** Share of its limits that is used, by the numbers as they are; undefined where nothing is allowed or known. */
  used: Used | undefined
  /** The released reading against its repeat. */
  repeat: Repeat | undefined
  /** The last set read closed: how far closing moved the shafts, and its own verdict. */
  closed: { check: CoupledCheck; closing: Closing | undefined } | undefined
  /**
   * The last set read running: against the target, which is in line; and how the right shaft went against the left one from
   * cold to running, beside what was planned for. Undefined in what was not read both ways.
   */
  running: { check: CoupledCheck; grew: Grown | undefined } | undefined
}

/** One station in one plane, from as found to as left. Lengths in mm. */
export interface PlaceProved {
  place: string
  machine: string
  plane: Plane
  found: number
  left: number
  /** All that was written down as done in between; undefined where nobody wrote anything. */
  moved: number | undefined
  /** Of the last move: where it should have brought it, how far off it came, and the deviation of that. */
  expected: number | undefined
  off: number | undefined
  sd: number
  /** As expected; otherwise; or it cannot be told from the doubt of the readings. Nothing where nothing was expected. */
  state: VerdictState
}

/** What keeps a job from being proved. */
export type ProofOpen =
  | { kind: 'not-read' }
  | { kind: 'moved-not-read' }
  /** A later round was begun and is not complete: what counts is the one before. Rounds from 1. */
  | { kind: 'unfinished'; round: number; counts: number }
  | { kind: 'joint'; joint: string; state: 'outside' | 'unsure' | 'nothing' }
  | { kind: 'neither-repeat-nor-spare'; joint: string }
  | { kind: 'does-not-repeat'; joint: string }
  | { kind: 'closing'; joint: string; state: 'outside' | 'unsure' }
  | { kind: 'not-closed'; joints: readonly string[] }
  | { kind: 'growth'; joints: readonly string[] }
  | { kind: 'feet' }
  | { kind: 'seat'; machine: string }
  /** Its feet stand on bolts, and nobody has looked at all of them. */
  | { kind: 'seat-unseen'; machine: string }
  /** The sag of a bracket that its heights hang on was never given. */
  | { kind: 'sag'; joint: string }
  | { kind: 'ready'; cautions: number; checks: number }
  | { kind: 'torqued' }

export interface Proof {
  /** Indices of the rounds as found and as left; undefined where no round is complete. */
  found: number | undefined
  left: number | undefined
  joints: ProvedJoint[]
  places: PlaceProved[]
  /** The verdict of the job: within only where nothing that bears on it is open. */
  state: VerdictState
  open: ProofOpen[]
}

/** What other steps left open. */
export interface LeftOpen {
  cautions: number
  checks: number
  /** Machines whose feet were found not to sit. */
  seats: readonly string[]
  /** Machines on feet whose soft foot nobody looked at, or not at every foot. */
  unseen: readonly string[]
  /** Whether the line stands on feet at all. */
  onFeet: boolean
}

/** The spare that stands for a repeat: every limit may be this many times smaller. */
export const spareFactor = 1.5

/** Both planes of every coupling read released. */
const complete = ({ joints, own }: ProofRound): boolean =>
  own?.complete ??
  (joints.length > 0 && joints.every(({ solution: { result } }) => result.ok && result.fit.measured.length === 2))

/** Everything that is known of one coupling's proof. */
export function proveJoint(joint: ProofJoint, share = closingShare): ProvedJoint {
  const { id, solution, sets, stations, growth } = joint
  const where = joint.joint
  const { x } = where
  const fit = solution.result.ok ? solution.result.fit : undefined
  const limits = solution.verdict?.limits
  const { together } = togetherOf(sets)
  const alone = (purpose: 'plan' | 'repeat') => {
    const kept = together.filter((i) => sets[i] && purposeOf(sets[i]) === purpose)
    const result = kept.length > 0 ? fitCoupling(only(sets, kept), x) : undefined
    return result?.ok ? result.fit : undefined
  }
  const [first, again] = [alone('plan'), alone('repeat')]
  const last = (purpose: CoupledCheck['purpose']) => solution.asCoupled.findLast((check) => check.purpose === purpose)
  const closed = last('closed')
  const hot = last('running')
  const grew = hot?.result.ok && fit ? difference(hot.result.fit, fit) : undefined
  return {
    id,
    solution,
    used: fit && limits && usedOf(running(fit.misalignment, growth), where, limits),
    repeat: first && again && repeatOf(first, again, x, stations),
    closed: closed && {
      check: closed,
      closing: closed.result.ok && fit ? closingOf(closed.result.fit, fit, x, stations, limits, share) : undefined,
    },
    running: hot && { check: hot, grew: grew && { came: grew.change, planned: running(aligned, growth) } },
  }
}

const fitOf = ({ solution: { result } }: ProofJoint) => (result.ok ? result.fit : undefined)

const atSpeed = ({ joint, allowed, grade, growth }: ProofJoint): AtSpeed => ({
  coupling: joint,
  allowed,
  grade,
  growth,
})

/** How fast the line might turn with this coupling as it was read; undefined where its limits do not depend on the speed. */
export function speedOf(joint: ProofJoint): SpeedInHand | undefined {
  const fit = fitOf(joint)
  return fit && speedInHand(fit, atSpeed(joint))
}

/** The verdict as it would be at another speed; nothing that is stored changes. */
export function verdictIf(joint: ProofJoint, rpm: number): Verdict | undefined {
  const fit = fitOf(joint)
  return fit && verdictAt(fit, atSpeed(joint), rpm)
}

/** How far the needles of a coupling's dials may stand from in line: half-width, mm, one for each plane and for both together. */
export function marksOf(joint: ProofJoint): { plane: number; vector: number } | undefined {
  const fit = fitOf(joint)
  const limits = joint.solution.verdict?.limits
  // of a two-plane head one channel of each plane: outward and sideways show the same
  const weights = fit?.probes.flatMap(({ channels }) =>
    channels.filter((_, i) => i === 0 || (channels.length === 4 && i === 2)).map(({ weight }) => weight),
  )
  return weights && limits && markOf(weights, joint.joint, limits)
}

/** What may be wrong by chance at a coupling, to be drawn many times. */
export function problemOf(joint: ProofJoint, known: KnownTo): DrawProblem | undefined {
  const limits = joint.solution.verdict?.limits
  const kept = togetherOf(joint.sets).together
  return limits && drawProblem(only(joint.sets, kept), joint.joint, limits, joint.growth, known)
}

/** Share typed in per cent. */
const shareOf = (text: string | undefined): number => {
  const typed = parseNumber(text ?? '')
  return typed.ok && typed.value > 0 && typed.value <= 100 ? typed.value / 100 : closingShare
}

/**
 * Proves a job: as found is its first complete round, as left its last. Within only if every coupling is within by 95 % in
 * both planes without doubt and has a repeat or a spare, its feet are clean, growth is known or declared nothing, and nothing is
 * open before the readings.
 */
export function proveJob(rounds: readonly ProofRound[], said: ProofSaid, before: LeftOpen): Proof {
  const found = indexOf(rounds.findIndex(complete))
  const left = indexOf(rounds.findLastIndex(complete))
  const last = left === undefined ? undefined : rounds[left]
  const joints = last?.joints.map((joint) => proveJoint(joint, shareOf(said.closingShare))) ?? []
  const places = found !== undefined && last ? placesBetween(rounds.slice(found, (left ?? 0) + 1)) : []
  const open = openIn(rounds, left, joints, said, before)
  const bad = open.some((one) => one.kind === 'joint' && one.state === 'outside')
  // what was not read closed says nothing against what was read released
  const bearing = open.filter(({ kind }) => kind !== 'not-closed')
  return {
    found,
    left,
    joints,
    places,
    open,
    state: left === undefined ? 'nothing' : bad ? 'outside' : bearing.length > 0 ? 'unsure' : 'within',
  }
}

const indexOf = (i: number): number | undefined => (i < 0 ? undefined : i)

/** What is open, by a name that stays the same while its numbers change. */
export const openKey = (open: ProofOpen): string =>
  [open.kind, ...('joint' in open ? [open.joint] : []), ...('machine' in open ? [open.machine] : [])].join(' ')

/** 0: it is wrong; 1: it may be; 2: it only was not looked at. */
const rankOf = (open: ProofOpen): 0 | 1 | 2 =>
  'state' in open && open.state === 'outside' ? 0 : open.kind === 'not-closed' ? 2 : 1

function openIn(
  rounds: readonly ProofRound[],
  left: number | undefined,
  joints: readonly ProvedJoint[],
  said: ProofSaid,
  before: LeftOpen,
): ProofOpen[] {
  const last = left === undefined ? undefined : rounds[left]
  // the work was no safer because nothing came to be read
  const ofTheJob: ProofOpen[] = [
    ...before.seats.map((machine) => ({ kind: 'seat', machine }) as const),
    ...before.unseen.map((machine) => ({ kind: 'seat-unseen', machine }) as const),
    ...(before.cautions + before.checks > 0
      ? [{ kind: 'ready', cautions: before.cautions, checks: before.checks } as const]
      : []),
  ]
  if (!last || left === undefined) return [{ kind: 'not-read' }, ...ofTheJob]
  const moves = rounds.slice(0, left).flatMap(({ move }) => (move ? [move] : []))
  const shimmed = moves.some(({ done }) => [...done.values()].some(({ vertical = 0 }) => vertical !== 0))
  const open: ProofOpen[] = last.move ? [{ kind: 'moved-not-read' }] : []
  const begun = rounds.findIndex((round, i) => i > left && round.read)
  if (begun > 0) open.push({ kind: 'unfinished', round: begun + 1, counts: left + 1 })
  for (const { id, solution, used, repeat, closed } of joints) {
    const state = solution.verdict?.state ?? 'nothing'
    const unsagged = solution.doubts.includes('no-sag')
    // said once, where the sag alone is missing
    const alone = unsagged && solution.doubts.length === 1 && stateOf(solution.verdict?.probability ?? 0) === 'within'
    if (state !== 'within' && !alone) open.push({ kind: 'joint', joint: id, state })
    if (unsagged) open.push({ kind: 'sag', joint: id })
    if (repeat && !repeat.repeats) open.push({ kind: 'does-not-repeat', joint: id })
    if (state === 'within' && !repeat && !(used && used.share <= 1 / spareFactor))
      open.push({ kind: 'neither-repeat-nor-spare', joint: id })
    if (closed?.closing && closed.closing.state !== 'within')
      open.push({ kind: 'closing', joint: id, state: closed.closing.state })
  }
  for (const { id, state, repeats, share } of last.own?.judged ?? []) {
    if (state !== 'within') open.push({ kind: 'joint', joint: id, state })
    if (repeats === false) open.push({ kind: 'does-not-repeat', joint: id })
    if (state === 'within' && repeats === undefined && !(share !== undefined && share <= 1 / spareFactor))
      open.push({ kind: 'neither-repeat-nor-spare', joint: id })
  }
  const those = (which: (joint: ProvedJoint, at: ProofJoint | undefined) => boolean) =>
    joints.flatMap((joint, j) => (which(joint, last.joints[j]) ? [joint.id] : []))
  const [unclosed, ungrown] = [those(({ closed }) => !closed), those((_, at) => !at?.growthGiven)]
  if (ungrown.length > 0 && !said.growthZero) open.push({ kind: 'growth', joints: ungrown })
  open.push(...ofTheJob)
  if (before.onFeet && shimmed && !said.ticks.feet) open.push({ kind: 'feet' })
  if (moves.length > 0 && !said.ticks.torqued) open.push({ kind: 'torqued' })
  if (unclosed.length > 0 && !said.notClosed) open.push({ kind: 'not-closed', joints: unclosed })
  // most serious first; what is alike stays in its order
  return open.sort((a, b) => rankOf(a) - rankOf(b))
}

/** How a move came out at a station, in one plane: clearly otherwise beyond two deviations and what the dials can show. */
export const cameOut = (off: number, sd: number, resolution: number): 'within' | 'unsure' | 'outside' =>
  Math.abs(off) > 2 * sd && Math.abs(off) > 1.5 * resolution
    ? 'outside'
    : Math.abs(off) > 2 * resolution
      ? 'unsure'
      : 'within'

/** Every station from as found to as left; expected and off are of the last move. */
function placesBetween(rounds: readonly ProofRound[]): PlaceProved[] {
  const [first] = rounds
  const last = rounds.at(-1)
  if (!first || !last) return []
  const between = rounds.slice(0, -1)
  const move = between.at(-1)?.move
  const previous = between.at(-1)
  const resolution = Math.max(last.resolution, previous?.resolution ?? 0)
  return last.places.flatMap((place) =>
    planes.flatMap((plane): PlaceProved[] => {
      const now = place[plane]
      const then = first.places.find(({ id }) => id === place.id)?.[plane]
      // what stays is where everything else is told from
      if (!now || !then || (now.sd === 0 && then.sd === 0)) return []
      const wanted = move?.expected.get(place.id)?.[plane]
      const was = previous?.places.find(({ id }) => id === place.id)?.[plane]
      const off = wanted === undefined ? undefined : now.position - wanted
      const sd = Math.hypot(now.sd, was?.sd ?? 0)
      const written = between.filter((round) => round.move)
      return [
        {
          place: place.id,
          machine: place.machine,
          plane,
          found: then.position,
          left: now.position,
          moved:
            // a move that is told by what was done elsewhere says nothing of how far this place went
            written.some((round) => round.move?.done.has(place.id))
              ? written.reduce((sum, round) => sum + (round.move?.done.get(place.id)?.[plane] ?? 0), 0)
              : undefined,
          expected: wanted,
          off,
          sd,
          state: off === undefined ? 'nothing' : cameOut(off, sd, resolution),
        },
      ]
    }),
  )
}
