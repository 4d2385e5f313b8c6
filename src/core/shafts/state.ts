import { goesRound, probeKinds } from '../probes'
import type { ChannelName } from '../probes/kind'
import { middlesOf } from '../probes/perPlane'
import { type Channel, linearOf, type Misalignment, sagAt } from '../probes/probe'
import { arcCovered, direction, foldDegrees, quarterAt, quarters } from '../quantity/angles'
import { quantityFault, quantityMm, typedStep } from '../quantity/quantity'
import type { Trouble } from '../quantity/trouble'
import { closure, closureLimitOf, quarterMeans, returnToZero } from './closure'
import type { ProbeFit } from './coupling'
import type { ProbeSetUp, ReadSet, Sweep } from './schema'
import type { Suspect } from './suspects'
import { channelsOf, factorOf, graduationMm, readingKey, readingsOf, runoutAt, sags, sdMm, sweepPoints } from './typed'

/** Everything known of one probe of a round (of one channel, for a two-plane detector). Lengths in mm. */
export interface ProbeState {
  /** The probe's id, and its channel where it has several. */
  id: string
  set: ReadSet
  dial: ProbeSetUp
  channel: ChannelName | undefined
  /** Which set it belongs to at its coupling, from 1; undefined where there is only one. */
  setNumber: number | undefined
  readings: {
    angleId: string
    angle: number
    /** As the instrument showed it, whole turns added. */
    shown: number
    raw: number
    /** raw less what is not the shafts': sag, and the run-out of a hub that stood still. */
    corrected: number
    /** corrected − fitted; undefined until the coupling can be solved. */
    residual: number | undefined
  }[]
  /** The one missing quarter, worked out from the other three: shown, never used. */
  computed: { angleId: string; value: number } | undefined
  /** A sweep, thinned for drawing. */
  sweep: SweepState | undefined
  /** Cells with something typed that is no number. */
  faults: { angleId: string; trouble: Trouble }[]
  /** Whether what it hangs on can sag: no head's bracket does, and none across an upright shaft. */
  sags: boolean
  sag: number
  sagMissing: boolean
  graduation: number
  /** The finest step this probe was read in: its graduation, or less where a person read between the lines. */
  step: number
  closure: number | null
  /** See `closureLimitOf`. */
  closureLimit: number
  returnToZero: number | undefined
  /** Slips of this probe that would explain what does not fit. */
  suspects: Suspect[]
  /** The corrected wave at an angle (degrees), as fitted; undefined until the coupling can be solved. */
  fitted: ((degrees: number) => number) | undefined
  /** A raw reading at an angle less what is not the shafts': see `corrected`. */
  level: (degrees: number, raw: number) => number
  /** Whole swing of the fitted wave over a turn, as the dial would show it (sag included), mm. */
  swing: number | undefined
  /** What this probe reads at an angle when the shafts are aligned, set as it was set at the top. */
  whenAligned: (degrees: number) => number
  /**
   * How it feels the misalignment: weights of offset and slope, how far ahead of the position's angle it looks (degrees), and
   * what its exact geometry adds. Undefined until the coupling can be solved.
   */
  feels: (Pick<Channel, 'weight' | 'beyondLinear'> & { lead: number }) | undefined
}

export interface SweepState {
  points: number
  /** How much of the turn it covers, degrees. */
  coverage: number
  /** Mean of every degree that was passed. */
  thinned: { angle: number; corrected: number }[]
  /** Root mean square of what is left over, mm; undefined until the coupling can be solved. */
  rough: number | undefined
}

/** How far ahead of the position's angle a channel looks, degrees. */
const leadOf = (dial: ProbeSetUp, channel: ChannelName | undefined): number => probeKinds[dial.type].lead(dial, channel)

/**
 * Everything known of one channel of a probe, but for which set it belongs to.
 *
 * @param hangs whether its bracket can sag, where the line says otherwise than its kind
 */
export function probeState(
  set: ReadSet,
  dial: ProbeSetUp,
  channel: ChannelName | undefined,
  fitted: { fit: ProbeFit; misalignment: Misalignment } | undefined,
  suspects: Suspect[],
  hangs = sags(dial),
): Omit<ProbeState, 'setNumber'> {
  const read = readingsOf(set, dial, channel)
  const sag = hangs ? (quantityMm(dial.sag) ?? 0) : 0
  const lead = leadOf(dial, channel)
  const k = Math.max(0, channelsOf(dial).indexOf(channel))
  const still = set.turned === 'one'
  const corrected = (angle: number, raw: number) => raw - sagAt(sag, angle + lead) - (still ? runoutAt(dial, angle) : 0)
  const middle = set.zeroed === 'planes' && hangs ? middlesOf(read) : undefined
  const wave = fitted && waveOf(fitted.fit, k, lead, fitted.misalignment)
  const graduation = graduationMm(dial)
  const atTop = read.find(({ angle }) => angle % 360 === 0)?.value
  const absolute = !goesRound(dial)
  const zero = absolute ? 0 : (atTop ?? (fitted ? (fitted.fit.zeros[k] ?? 0) : 0))
  return {
    id: readingKey(dial.id, channel),
    set,
    dial,
    channel,
    readings: read.map(({ angleId, angle, value }) => {
      const level = corrected(angle, value - (middle?.(angle) ?? 0))
      return {
        angleId,
        angle,
        shown: value / (factorOf(dial, angle, channel) ?? 1),
        raw: value,
        corrected: level,
        residual: wave && level - wave(angle),
      }
    }),
    computed: dial.floats || set.zeroed === 'planes' ? undefined : computedQuarter(set, read),
    sweep: sweepState(dial, k, corrected, fitted?.fit),
    faults: set.angles.flatMap(({ id }) => {
      const trouble = quantityFault(dial.readings[readingKey(id, channel)]?.value)
      return trouble ? [{ angleId: id, trouble }] : []
    }),
    sags: hangs,
    sag,
    sagMissing: hangs && quantityMm(dial.sag) === undefined,
    graduation,
    step: Math.min(graduation, ...Object.values(dial.readings).map(({ value }) => typedStep(value) ?? graduation)),
    closure: sags(dial) && !dial.floats && set.zeroed !== 'planes' ? closure(read) : null,
    closureLimit: closureLimitOf({ graduation, sd: sdMm(dial) }),
    returnToZero: returnToZero(read),
    suspects,
    fitted: wave,
    level: corrected,
    swing: wave && swingOf((degrees) => wave(degrees) + sagAt(sag, degrees + lead)),
    feels: feelsOf(fitted?.fit.channels[k], lead),
    whenAligned: (degrees) =>
      zero + sagAt(sag, degrees + lead) - (atTop === undefined || absolute ? 0 : sagAt(sag, lead)),
  }
}

function feelsOf(channel: Channel | undefined, lead: number): ProbeState['feels'] {
  if (!channel) return undefined
  const { weight, beyondLinear } = channel
  return { weight, lead, ...(beyondLinear ? { beyondLinear } : {}) }
}

function waveOf(fit: ProbeFit, k: number, lead: number, m: Misalignment): ((degrees: number) => number) | undefined {
  const channel = fit.channels[k]
  const zero = fit.zeros[k] ?? 0
  if (!channel) return undefined
  return (degrees) => zero + linearOf(channel, m, ...direction(degrees + lead))
}

/** Most less least of a wave that is a constant and one sine: twice its amplitude. */
function swingOf(wave: (degrees: number) => number): number {
  return Math.hypot(wave(0) - wave(180), wave(90) - wave(270))
}

/** The quarter that closure gives where exactly one of the four was not read. */
function computedQuarter(
  set: ReadSet,
  read: readonly { angle: number; value: number }[],
): ProbeState['computed'] | undefined {
  const means = quarterMeans(read)
  const missing = quarters.filter((quarter) => means[quarter] === undefined)
  const [one] = missing
  if (missing.length !== 1 || !one) return undefined
  const { top = 0, far = 0, bottom = 0, near = 0 } = means
  const value = one === 'top' || one === 'bottom' ? far + near - top - bottom : top + bottom - far - near
  const angle = set.angles.find(({ degrees }) => quarterAt(degrees) === one)
  return angle && { angleId: angle.id, value }
}

/** Means over every degree that a sweep passed: of what was read, and of its directions. */
interface Bin {
  degree: number
  raw: number
  sin: number
  cos: number
}

/** By sweep and channel, made once: nothing in a stored sweep ever changes. */
const binned = new WeakMap<Sweep, Map<number, Bin[]>>()

function binsOf(sweep: Sweep, k: number): Bin[] {
  const known = binned.get(sweep) ?? new Map<number, Bin[]>()
  binned.set(sweep, known)
  const found = known.get(k)
  if (found) return found
  const bins = new Map<number, Bin & { count: number }>()
  for (const { angle, values } of sweepPoints(sweep)) {
    const degree = Math.floor(foldDegrees(angle))
    const bin = bins.get(degree) ?? { degree, raw: 0, sin: 0, cos: 0, count: 0 }
    bins.set(degree, bin)
    const [sin, cos] = direction(angle)
    bin.raw += values[k] ?? 0
    bin.sin += sin
    bin.cos += cos
    bin.count++
  }
  const means = [...bins.values()]
    .map(({ degree, raw, sin, cos, count }) => ({ degree, raw: raw / count, sin: sin / count, cos: cos / count }))
    .sort((a, b) => a.degree - b.degree)
  known.set(k, means)
  return means
}

function sweepState(
  dial: ProbeSetUp,
  k: number,
  corrected: (angle: number, raw: number) => number,
  fit: ProbeFit | undefined,
): SweepState | undefined {
  const { sweep } = dial
  const points = sweepPoints(sweep).length
  if (!sweep || points === 0) return undefined
  const bins = binsOf(sweep, k)
  // what is taken off a reading is a constant and one sine of its angle: told whole by four of them
  const off = (degrees: number) => corrected(degrees, 0)
  const middle = (off(0) + off(180)) / 2
  const [bySin, byCos] = [(off(90) - off(270)) / 2, (off(0) - off(180)) / 2]
  return {
    points,
    coverage: arcCovered(bins.map(({ degree }) => degree)),
    thinned: bins.map(({ degree, raw, sin, cos }) => ({
      angle: degree + 0.5,
      corrected: raw + middle + bySin * sin + byCos * cos,
    })),
    rough: fit && roughness(fit, k, points),
  }
}

/** Root mean square of what is left of the last so many positions of a channel: the sweep follows what was typed. */
function roughness({ residuals, channels }: ProbeFit, k: number, points: number): number {
  const each = channels.length
  let squares = 0
  for (let i = residuals.length - points * each + k; i < residuals.length; i += each)
    squares += (residuals[i] ?? 0) ** 2
  return Math.sqrt(squares / points)
}
