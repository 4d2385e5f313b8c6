import { chiSquareQuantile999, contradicts } from '../fit/chiSquare'
import { isSingle, type Probe, probeKinds } from '../probes'
import { quarterAt } from '../quantity/angles'
import { closureOf } from './closure'
import type { CouplingFit } from './coupling'
import { type Projector, projectorOf } from './projector'
import type { ReadingSet } from './together'

export type Fault = 'sign' | 'swap' | 'turn' | 'decimal' | 'unit' | 'sag-sign' | 'sag-missing'

/** A single slip that would explain readings which do not fit. Lengths in mm. */
export interface Suspect {
  set: number
  probe: number
  fault: Fault
  /** Index of the reading; −1 for the sag, which is the whole probe's. */
  reading: number
  /** Which of its numbers, for a two-plane detector. */
  channel: number
  /** Index of the reading it was swapped with. */
  other?: number
  /** What the reading (or the sag) would have been. */
  would: number
  /** The closure the dial would then have; null where a quarter is missing. */
  closure: number | null
  /** Half of χ² then left, and how unlikely the slip is by itself: less is better. */
  score: number
}

/** What the search needs to know of a probe. Lengths in mm. */
export interface ProbeFacts {
  /** How far it may fail to close. */
  limit: number
  /** One turn of the dial, where it has one and it is known. */
  turn?: number | undefined
}

/** How unlikely each slip is by itself, as half a χ²: a sign is what goes wrong most. Our judgment, not a measurement. */
const unlikely: Readonly<Record<Fault, number>> = {
  sign: 0,
  swap: 0.7,
  'sag-sign': 1,
  'sag-missing': 1.5,
  turn: 2.5,
  decimal: 3,
  unit: 4,
}

/** Beyond this many readings a set is a sweep: no hand wrote it. */
const handWritten = 240

/**
 * Single slips that explain readings which do not fit: one sign turned over, opposite readings exchanged, one turn of the
 * dial missed, the decimal point a place off, mil for µm (or for hundredths of a millimeter), the sag with the wrong sign or
 * left out. A dial that does not close is explained by what closes it; where all dials close but the readings contradict
 * each other (more dials, more angles, a second set), by what leaves no more than chance would. Best first; what explains
 * equally well is all listed.
 *
 * @param fit the coupling's fit; without one (a single dial read so far) closure alone is asked
 */
export function suspectsOf(
  sets: readonly ReadingSet[],
  facts: (set: number, probe: number) => ProbeFacts,
  fit?: CouplingFit,
): Suspect[] {
  const places = sets.flatMap(({ probes }, set) => probes.map((probe, p) => ({ set, probe: p, what: probe })))
  const open = places.filter(({ set, probe, what }) => {
    const as = closureOf(what)
    return as !== null && Math.abs(as) > facts(set, probe).limit + 1e-9
  })
  const readings = places.reduce((sum, { what }) => sum + what.readings.length, 0)
  // a deviation told smaller than half a graduation is finer than anybody writes: rounding is no slip
  const coarse = Math.max(1, ...places.map(({ what }) => ((what.graduation ?? 0) / 2 / what.sd) ** 2))
  const disagree = fit !== undefined && contradicts({ ...fit.left, squares: fit.left.squares / coarse })
  if ((open.length === 0 && !disagree) || readings > handWritten) return []
  const project = fit ? projectorOf(fit) : undefined
  const enough = fit ? coarse * chiSquareQuantile999(fit.left.free) : Number.POSITIVE_INFINITY

  const found: Suspect[] = []
  for (const { set, probe, what } of open.length > 0 ? open : places) {
    const { limit, turn } = facts(set, probe)
    for (const slip of slipsOf(what, limit, turn, project?.forProbe(set, probe))) {
      const then = closureAfter(what, slip)
      if (then !== null && Math.abs(then) > limit + 1e-9) continue
      const left = project ? project.squaresAfter(set, probe, slip.change) : ((then ?? 0) / limit) ** 2
      if (open.length === 0 && left > enough) continue
      found.push({
        set,
        probe,
        fault: slip.fault,
        reading: slip.reading,
        channel: slip.change[0]?.channel ?? 0,
        ...(slip.other === undefined ? {} : { other: slip.other }),
        would: slip.would,
        closure: then,
        score: left / 2 + unlikely[slip.fault],
      })
    }
  }
  return found.sort((a, b) => a.score - b.score)
}

/** A slip and what it would change: by how much each reading (by channel) would have been other, mm. */
interface Slip {
  fault: Fault
  reading: number
  other?: number
  would: number
  change: readonly { reading: number; channel: number; by: number }[]
}

function closureAfter(probe: Probe, { change }: Slip): number | null {
  if (!isSingle(probe)) return null
  const readings = probe.readings.map(({ angle, value }, i) => ({
    angle,
    value: value + (change.find((one) => one.reading === i)?.by ?? 0),
  }))
  return closureOf({ ...probe, readings })
}

/** Every single slip worth trying on a probe. Changes smaller than the limit explain nothing that anybody could see. */
function slipsOf(probe: Probe, limit: number, turn: number | undefined, sagFit: SagFit | undefined): Slip[] {
  const slips: Slip[] = []
  const one = (fault: Fault, reading: number, channel: number, value: number, would: number) => {
    if (Math.abs(would - value) >= limit)
      slips.push({ fault, reading, would, change: [{ reading, channel, by: would - value }] })
  }
  const tried = (reading: number, channel: number, value: number) => {
    one('sign', reading, channel, value, -value)
    if (turn) for (const turns of [-1, 1]) one('turn', reading, channel, value, value + turns * turn)
    for (const factor of [10, 0.1]) one('decimal', reading, channel, value, value * factor)
    for (const factor of [25.4, 1 / 25.4, 2.54, 1 / 2.54]) one('unit', reading, channel, value, value * factor)
  }
  if (!isSingle(probe)) {
    probe.readings.forEach(({ values }, i) => {
      values.forEach((value, channel) => {
        one('sign', i, channel, value, -value)
      })
    })
    return slips
  }
  probe.readings.forEach(({ value }, i) => {
    tried(i, 0, value)
  })
  probe.readings.forEach(({ angle, value }, i) => {
    const j = probe.readings.findIndex((r, k) => k > i && Math.abs(r.angle - angle) === 180)
    const there = probe.readings[j]?.value
    if (there === undefined || quarterAt(angle) === undefined || Math.abs(there - value) < limit) return
    slips.push({
      fault: 'swap',
      reading: i,
      other: j,
      would: there,
      change: [
        { reading: i, channel: 0, by: there - value },
        { reading: j, channel: 0, by: value - there },
      ],
    })
  })
  if ('sag' in probe && sagFit) slips.push(...sagSlips(probe, limit, sagFit))
  return slips
}

/** The sag that would suit all other readings best, mm; undefined where they cannot tell it from a real offset. */
type SagFit = (pattern: readonly number[]) => number | undefined

function sagSlips(probe: Extract<Probe, { sag: number }>, limit: number, sagFit: SagFit): Slip[] {
  const lead = 'lead' in probe ? probe.lead : 0
  const pattern = probe.readings.map(({ angle }) => -(1 - Math.cos(((angle + lead) * Math.PI) / 180)) / 2)
  const more = sagFit(pattern)
  if (more === undefined) return []
  const slip = (fault: Fault, would: number): Slip => ({
    fault,
    reading: -1,
    would,
    change: pattern.map((by, reading) => ({ reading, channel: 0, by: by * (would - probe.sag) })),
  })
  if (probe.sag !== 0) return Math.abs(2 * probe.sag) >= limit ? [slip('sag-sign', -probe.sag)] : []
  // a bar in a bore droops toward the wall below it: its sag is above zero, a bracket's below
  const sag = probeKinds[probe.type].sag === 'positive' ? -more : more
  return sag < -limit / 2 && sag > -2 ? [slip('sag-missing', more)] : []
}

export type { Projector, SagFit }
