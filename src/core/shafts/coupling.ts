import { determined, type Fit, leastSquares } from '../fit/leastSquares'
import { type Probe, probeChannels, stationsOf } from '../probes'
import type { Channel, Misalignment } from '../probes/probe'
import { arcCovered, foldDegrees } from '../quantity/angles'
import type { Plane } from '../quantity/axis'
import type { Lack } from '../quantity/trouble'
import { closureOf } from './closure'
import { type Floated, floatGroups } from './floats'
import { residualsOf, rowsOf, type ShaftRow, type Unknown, unknowns } from './rows'
import type { ReadingSet } from './together'

/** What the fit leaves over for one probe. Lengths in mm. */
export interface ProbeFit {
  set: number
  probe: number
  /** observed − fitted, a reading (two-plane detectors: four a position). */
  residuals: ArrayLike<number>
  /** See `closure`; null where the probe has no closure or a quarter is missing. */
  closure: number | null
  /** Root mean square of the residuals over one standard deviation of a reading: about 1 where the doubt is honest. */
  roughness: number
  /** The constant of each of its channels, mm: what it would show on aligned shafts without sag. */
  zeros: number[]
  channels: readonly Channel[]
}

/** What is known of the misalignment at a coupling: as much as a verdict or a position needs. */
export type Misaligned = Pick<CouplingFit, 'misalignment' | 'covariance' | 'measured'>

/** The misalignment at one coupling, with its doubt. */
export interface CouplingFit extends Omit<Fit<Unknown>, 'values'> {
  misalignment: Misalignment
  /** The planes that the readings determine. */
  measured: readonly Plane[]
  probes: ProbeFit[]
  /** Sum of the squared residuals, each over its reading's deviation, and how many are free: χ² where all is as told. */
  left: { squares: number; free: number }
  /** Axial float of two face dials at each position, mm, by "set:machine:angle#time"; relative to the first. */
  floats: readonly Floated[]
}

export type CouplingResult = { ok: true; fit: CouplingFit } | { ok: false; lack: Lack }

const ofPlane: Record<Plane, readonly Unknown[]> = {
  vertical: ['offsetZ', 'slopeZ'],
  horizontal: ['offsetY', 'slopeY'],
}

/**
 * Solves everything that was read at a coupling together. A plane that the readings leave open is left out (only top and
 * bottom read: vertical alone); where neither plane is determined the message names what is missing.
 *
 * @param couplingX station of the coupling, mm: offsets are stated there
 */
export function fitCoupling(sets: readonly ReadingSet[], couplingX: number): CouplingResult {
  const parts = sets.flatMap((set, s) =>
    set.probes.map((probe, p) => ({
      set: s,
      probe: p,
      what: probe,
      channels: probeChannels(probe, { couplingX, key: `${s}.${p}`, setKey: `${s}` }),
    })),
  )
  const channels = parts.flatMap((part) => part.channels)
  const groups = floatGroups(channels)
  const rows = rowsOf(channels, groups)
  if (!rows.every(reasonable)) return { ok: false, lack: 'out-of-proportion' }
  const { solvable, spanning } = determined(unknowns, rows, scalesOf(rows))
  const measured = (['vertical', 'horizontal'] as const).filter((plane) =>
    ofPlane[plane].every((name) => solvable.includes(name)),
  )
  if (measured.length === 0) return { ok: false, lack: whatIsMissing(parts.map((part) => part.what)) }

  const found = leastSquares(unknowns, rows, spanning)
  if (!found) return { ok: false, lack: 'out-of-proportion' }
  const { values: misalignment, ...fit } = found
  const { residuals, floats } = residualsOf(channels, misalignment, fit.constants, groups)
  let squares = 0
  let next = 0
  const probes = parts.map(({ set, probe, what, channels: own }): ProbeFit => {
    const left = residuals.slice(next, next + own.length)
    next += own.length
    let sum = 0
    let count = 0
    left.forEach((list, k) => {
      const sd = own[k]?.sd ?? what.sd
      for (let i = 0; i < list.length; i++) sum += ((list[i] as number) / sd) ** 2
      count += list.length
    })
    squares += sum
    return {
      set,
      probe,
      residuals: inReadingOrder(left),
      closure: closureOf(what),
      roughness: count ? Math.sqrt(sum / count) : 0,
      zeros: own.map((channel) => fit.constants.get(channel.key) ?? 0),
      channels: own,
    }
  })
  const equations = channels.reduce((sum, { observed, zero }) => sum + observed.length + (zero ? 1 : 0), 0)
  for (const { key, zero } of channels)
    if (zero) squares += (((fit.constants.get(key) ?? 0) - zero.value) / zero.sd) ** 2
  const free =
    equations - fit.system.keys.length - floats.reduce((sum, { values }) => sum + Math.max(0, values.length - 1), 0)
  return { ok: true, fit: { ...fit, misalignment, measured, probes, left: { squares, free }, floats } }
}

/** A slope is as large as what it comes to over the stations it is seen at. */
function scalesOf(rows: readonly ShaftRow[]): number[] {
  const span = Math.max(1, ...rows.flatMap(({ coefficients: [, y = 0, , z = 0] }) => [Math.abs(y), Math.abs(z)]))
  return [1, span, 1, span]
}

/** Larger numbers than any shaft's: their squares would lose the others. mm. */
const largest = 1e9

const reasonable = ({ observed, sd, coefficients }: ShaftRow): boolean =>
  Math.abs(observed) < largest && sd > 0 && coefficients.every((weight) => Math.abs(weight) < largest)

/** "set.probe" of a channel's key, which for a two-plane detector also names the channel. */
export const sourceOf = (key: string): string => key.split(':', 1)[0] ?? key

/** Channel by channel → reading by reading. */
const inReadingOrder = (left: readonly Float64Array[]): ArrayLike<number> =>
  left.length === 1
    ? (left[0] ?? [])
    : Array.from(left[0] ?? []).flatMap((_, reading) => left.map((channel) => channel[reading] ?? 0))

/** What the readings lack. */
function whatIsMissing(probes: readonly Probe[]): Lack {
  const read = probes.filter((probe) => probe.readings.length > 0)
  if (read.length === 0) return 'nothing-read'
  const angles = new Set(read.flatMap((probe) => probe.readings.map((r) => foldDegrees(r.angle))))
  const stations = new Set(read.flatMap(stationsOf))
  const faces = read.filter((probe) => stationsOf(probe).length === 0).length
  if (stations.size === 0) return 'faces-alone'
  const enoughAngles = angles.size >= 3 || (angles.size === 2 && arcCovered([...angles]) === 180)
  if (!enoughAngles) return angles.size === 1 ? 'one-angle' : 'two-angles'
  return stations.size === 1 && faces === 0 ? 'one-station' : 'too-few-angles'
}
