import { type Probe, probeKinds, probeTyped } from '../probes'
import type { ChannelName } from '../probes/kind'
import { perPlane } from '../probes/perPlane'
import type { Side } from '../probes/probe'
import { resultAngles } from '../probes/result'
import { planes } from '../quantity/axis'
import { parseNumber } from '../quantity/number'
import { positiveMm, type Quantity, quantityMm } from '../quantity/quantity'
import { toMm } from '../quantity/units'
import type { Method, ProbeSetUp, ReadSet, Sweep } from './schema'
import { type Purpose, purposeOf } from './together'

/** Where a probe's readings are kept: by the angle, and for a two-plane detector by its channel as well. */
export const readingKey = (angleId: string, channel?: ChannelName): string =>
  channel ? `${angleId}:${channel}` : angleId

export const channelsOf = ({ type }: Pick<ProbeSetUp, 'type'>): readonly (ChannelName | undefined)[] =>
  probeKinds[type].channels

/** Cosine of an angle typed in degrees; 1 where nothing readable below a right angle is typed. */
function cosineOf(text: string): number {
  const typed = parseNumber(text)
  return typed.ok && Math.abs(typed.value) < 85 ? Math.cos((typed.value * Math.PI) / 180) : 1
}

/** Farther from one than this it is no factor of a dial but a slip. */
const stepWithin = 5

/** The true step over the shown one; undefined where either is missing or they are worlds apart. */
function stepFactor(correction: ProbeSetUp['correction']): number | undefined {
  if (correction?.kind !== 'step') return undefined
  const [step, shown] = [positiveMm(correction.step), positiveMm(correction.shown)]
  if (!step || !shown || step / shown > stepWithin || shown / step > stepWithin) return undefined
  return step / shown
}

/**
 * What a known step tells of a dial: the factor its readings are multiplied by, whatever its angle and its tip are, and the deviation of that
 * factor from reading the dial twice. Undefined where there is none.
 */
export function knownStep(
  probe: Pick<ProbeSetUp, 'correction' | 'sd' | 'graduation'>,
): { factor: number; sd: number } | undefined {
  const { correction } = probe
  const factor = stepFactor(correction)
  const shown = correction?.kind === 'step' ? positiveMm(correction.shown) : undefined
  return factor && shown ? { factor, sd: (factor * Math.SQRT2 * ownSd(probe)) / shown } : undefined
}

/** A lever turns by less the longer its tip: the tip put in over the tip it was made for. 1 where either was not told. */
export function tipFactor(tip: { made: Quantity; used: Quantity } | undefined): number {
  const [made = 0, used = 0] = [quantityMm(tip?.made), quantityMm(tip?.used)]
  return made > 0 && used > 0 ? used / made : 1
}

/**
 * What a reading of a dial that does not stand square is multiplied by: a lever at γ to the surface reads too much,
 * × cos γ / cos γ₀ for a tip made for γ₀, and × L / L₀ for a tip of length L in place of one of L₀; a plunger leaning by γ
 * reads too little, ÷ cos γ. Read by nulling against a scale it has no such error. A known step tells the factor itself.
 */
export function correctionOf({ correction, counts }: Pick<ProbeSetUp, 'correction' | 'counts'>): number {
  // the other way about: a head that counts down where ours counts up
  if (counts === 'other') return -correctionOf(correction ? { correction } : {})
  if (correction?.kind === 'step') return stepFactor(correction) ?? 1
  if (correction?.kind === 'lever')
    return (cosineOf(correction.angle) / cosineOf(correction.madeFor)) * tipFactor(correction.tip)
  if (correction?.kind === 'plunger') return 1 / cosineOf(correction.angle)
  return 1
}

/** The ways that are plus in the law: up, toward the far side, open at the bottom, open on the near side. */
const isLawful = (way: string, channel: 'offset' | 'gap'): boolean =>
  way === 'up' || way === 'bottom' || way === (channel === 'offset' ? 'far' : 'near')

/**
 * What a number of a probe is multiplied by: the dial's own correction, or of an instrument's own result its sign, as asked in words;
 * undefined while nobody said what its plus means.
 */
export function factorOf(
  probe: Pick<ProbeSetUp, 'type' | 'correction' | 'counts' | 'plus'>,
  degrees: number,
  channel: ChannelName | undefined,
): number | undefined {
  if (channel !== 'offset' && channel !== 'gap') return correctionOf(probe)
  const way = probe.plus?.[degrees === resultAngles.vertical ? 'vertical' : 'horizontal'][channel]
  return way && (isLawful(way, channel) ? 1 : -1)
}

/** Whether nobody said yet what an instrument's plus means: nothing is worked out from a sign that was guessed. */
export const plusMissing = ({ type, plus }: Pick<ProbeSetUp, 'type' | 'plus'>): boolean =>
  type === 'result' && !planes.every((plane) => plus?.[plane].offset && plus[plane].gap)

/**
 * A typed reading in mm, whole turns added, corrected for a dial that does not stand square; undefined where nothing
 * readable is typed. A dial that was set to its sag on top need not be read there.
 */
export function readingMm(
  probe: ProbeSetUp,
  angle: ReadSet['angles'][number],
  set: Pick<ReadSet, 'zeroed'>,
  channel?: ChannelName,
): number | undefined {
  const reading = probe.readings[readingKey(angle.id, channel)]
  const value = quantityMm(reading?.value)
  if (value === undefined) {
    const sag = quantityMm(probe.sag)
    return set.zeroed === 'sag' && angle.degrees % 360 === 0 && sag !== undefined && sags(probe) ? -sag : undefined
  }
  const factor = factorOf(probe, angle.degrees, channel)
  return factor === undefined ? undefined : (value + (reading?.turns ?? 0) * (quantityMm(probe.turn) ?? 0)) * factor
}

/** Whether what carries the probe sags: heads are clamped to their own shaft, and a detector sees no bracket. */
export const sags = ({ type }: Pick<ProbeSetUp, 'type'>): boolean => probeKinds[type].sag !== 'none'

/** What was typed of one channel of a probe, in the order of the set's angles. */
export function readingsOf(
  set: ReadSet,
  probe: ProbeSetUp,
  channel?: ChannelName,
): { angle: number; value: number; angleId: string }[] {
  return set.angles.flatMap((angle) => {
    const value = readingMm(probe, angle, set, channel)
    return value === undefined ? [] : [{ angle: probe.own?.[angle.id] ?? angle.degrees, value, angleId: angle.id }]
  })
}

/** One graduation of a dial or the finest step of a head, mm; 0.01 where nobody said. */
export const graduationMm = (probe: Pick<ProbeSetUp, 'graduation'>): number => positiveMm(probe.graduation) ?? 0.01

/** Standard deviation of the dial itself, mm: as told, else half a graduation. */
const ownSd = (probe: Pick<ProbeSetUp, 'sd' | 'graduation'>): number => positiveMm(probe.sd) ?? graduationMm(probe) / 2

/**
 * Standard deviation of one reading, mm: the dial's own, and where its factor comes from a known step what that is unsure by over the largest
 * reading there is.
 */
export function sdMm(probe: ProbeSetUp): number {
  const known = knownStep(probe)
  if (!known) return ownSd(probe)
  const largest = Math.max(0, ...Object.values(probe.readings).map(({ value }) => Math.abs(quantityMm(value) ?? 0)))
  return Math.hypot(known.factor * ownSd(probe), known.sd * largest)
}

/** Points of a sweep in mm, made once for each sweep: nothing in a stored sweep ever changes. */
const unrolled = new WeakMap<Sweep, { angle: number; values: number[] }[]>()

export function sweepPoints(sweep: Sweep | undefined): readonly { angle: number; values: readonly number[] }[] {
  if (!sweep) return []
  const known = unrolled.get(sweep)
  if (known) return known
  const points = sweep.degrees.map((angle, i) => ({
    angle,
    values: sweep.values.map((list) => toMm(list[i] ?? 0, sweep.unit)),
  }))
  unrolled.set(sweep, points)
  return points
}

/** A sweep as a probe reads it, made once for each correction it is read with. */
const corrected = new WeakMap<Sweep, { by: number; channels: number; readings: readonly Position[] }>()

interface Position {
  angle: number
  values: readonly number[]
}

function sweptOf(sweep: Sweep | undefined, by: number, channels: number): readonly Position[] {
  if (!sweep) return []
  const known = corrected.get(sweep)
  if (known?.by === by && known.channels === channels) return known.readings
  const readings = sweepPoints(sweep).map(({ angle, values }) => ({
    angle,
    values: Array.from({ length: channels }, (_, k) => (values[k] ?? 0) * by),
  }))
  corrected.set(sweep, { by, channels, readings })
  return readings
}

/** What a run-out of a hub that stood still adds to a reading, mm: its high spot stands out toward the dial. */
export function runoutAt({ runout }: ProbeSetUp, degrees: number): number {
  const swing = quantityMm(runout?.swing)
  const at = parseNumber(runout?.at ?? '')
  return swing && at.ok ? (swing / 2) * Math.cos(((degrees - at.value) * Math.PI) / 180) : 0
}

/** What a set of a job is for. A set of an older job says only whether the coupling was engaged. */
export const setPurpose = ({ purpose, state }: Pick<ReadSet, 'purpose' | 'state'>): Purpose =>
  purposeOf({ state, ...(purpose ? { purpose } : {}) })

/** Methods whose instrument reads by itself: nobody turns or touches a shaft that runs. */
export const runningMethods: readonly Method[] = ['twin-heads', 'two-plane-head', 'prism-head', 'result']

/** Whether a set could be read on a machine that runs: no dial can. */
export const readsRunning = ({ probes }: Pick<ReadSet, 'probes'>): boolean => !probes.some(sags)

/** Whether a set was read with the coupling closed, standing or running. */
export const isCoupled = (set: Pick<ReadSet, 'purpose' | 'state'>): boolean =>
  ['closed', 'running'].includes(setPurpose(set))

/** The coarsest graduation among the dials of a round, mm: no move is shown finer than it was read. */
export function resolutionOf({ sets }: { sets: readonly ReadSet[] }): number {
  const read = sets.flatMap((set) => set.probes)
  return read.length ? Math.max(...read.map(graduationMm)) : toMm(0.01, 'mm')
}

/** Probes by what they were made of: most of a job stays as it is from key to key. */
const made = new WeakMap<ProbeSetUp, { angles: ReadSet['angles']; how: string; probe: Probe | undefined }>()

/** Where a probe stands. */
interface ProbePlace {
  /** The machine it touches, seen from its coupling. */
  on: Side
  /** Its stations in mm, as many of them as are known. */
  stations: readonly number[]
  /** Across a shaft that stands upright no bracket sags. */
  sagless?: true
}

/**
 * A probe of a set as the core solves it, or undefined where it has no place or no readings yet.
 */
export function toProbe(set: ReadSet, setUp: ProbeSetUp, place: ProbePlace): Probe | undefined {
  const how = `${place.on} ${place.stations.join(' ')} ${place.sagless ?? ''} ${set.zeroed} ${set.turned}`
  const known = made.get(setUp)
  if (known?.how === how && known.angles === set.angles) return known.probe
  const probe = makeProbe(set, setUp, place)
  made.set(setUp, { angles: set.angles, how, probe })
  return probe
}

function makeProbe(set: ReadSet, setUp: ProbeSetUp, { on, stations, sagless }: ProbePlace): Probe | undefined {
  const kind = probeKinds[setUp.type]
  if (stations.length < kind.stations) return undefined
  const typed = set.angles.flatMap((angle): Position[] => {
    const values = kind.channels.map((channel) => readingMm(setUp, angle, set, channel))
    return values.every((value) => value !== undefined)
      ? [{ angle: setUp.own?.[angle.id] ?? angle.degrees, values }]
      : []
  })
  const correction = correctionOf(setUp)
  const all = typed.concat(sweptOf(setUp.sweep, correction, kind.channels.length))
  // a run-out of a surface that stood still is in every reading of it
  const readings =
    set.turned === 'one' && kind.channels.length === 1 && setUp.runout
      ? all.map(({ angle, values }) => ({ angle, values: values.map((value) => value - runoutAt(setUp, angle)) }))
      : all
  if (readings.length === 0) return undefined
  const twice = set.zeroed === 'planes' && sags(setUp) && kind.channels.length === 1
  const typedSag = sags(setUp) && !sagless ? quantityMm(setUp.sag) : 0
  const sag = typedSag ?? 0
  const sd = sdMm(setUp)
  return probeTyped(setUp.type, {
    on,
    sd,
    graduation: graduationMm(setUp),
    stations,
    radius: setUp.type === 'result' ? (quantityMm(setUp.diameter) ?? 0) / 2 : quantityMm(setUp.radius),
    sag,
    sagUnknown: typedSag === undefined ? true : undefined,
    twiceZeroed: twice ? true : undefined,
    // set back by half at the sides, a dial there shows the offset itself: half the sag is already in its zero
    zero: set.zeroed === 'halved' && sags(setUp) ? { value: -sag / 2, sd } : undefined,
    side: setUp.side ?? 'front',
    lead: setUp.lead ?? 0,
    floats: setUp.floats ?? false,
    gapSd: positiveMm(setUp.gapSd),
    readings: twice ? planeByPlane(readings) : readings,
  })
}

/** See `perPlane`. */
const planeByPlane = (readings: readonly Position[]): Position[] =>
  perPlane(readings.map(({ angle, values }) => ({ angle, value: values[0] ?? 0 }))).map(({ angle, value }) => ({
    angle,
    values: [value],
  }))

/** How many numbers were read in these sets; a sweep counts by its points. */
export const readingsIn = (sets: readonly ReadSet[]): number =>
  sets
    .flatMap(({ probes }) => probes)
    .reduce(
      (sum, { readings }) => sum + Object.values(readings).filter(({ value }) => value.text.trim() !== '').length,
      0,
    )
