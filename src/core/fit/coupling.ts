import { arcCovered, foldDegrees } from '../frame/angles'
import type { Plane } from '../frame/axis'
import { type Probe, probeRows } from '../probes'
import type { Row } from '../probes/probe'
import { closure } from './closure'
import { determined, type Fit, leastSquares, type Unknown } from './leastSquares'

/** One set of readings at a coupling: the probes that were turned together. */
export interface ReadingSet {
  state: 'released' | 'engaged'
  probes: readonly Probe[]
}

/** What the fit leaves over for one probe. Lengths in mm. */
export interface ProbeFit {
  set: number
  probe: number
  /** observed − fitted, a reading (two-plane detectors: four a position). */
  residuals: number[]
  /** See `closure`; null where the probe has no closure or a quarter is missing. */
  closure: number | null
  /** The probe's own zero, mm: what it would read at the top of aligned shafts. */
  zero: number
}

/** The misalignment at one coupling, with its doubt. */
export interface CouplingFit extends Fit {
  /** The planes that the readings determine. */
  measured: readonly Plane[]
  probes: ProbeFit[]
}

export type CouplingResult = { ok: true; fit: CouplingFit } | { ok: false; message: string }

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
      rows: probeRows(probe, { couplingX, key: `${s}.${p}`, setKey: `${s}` }),
    })),
  )
  const rows: Row[] = parts.flatMap((part) => part.rows)
  const { solvable, spanning } = determined(rows)
  const measured = (['vertical', 'horizontal'] as const).filter((plane) =>
    ofPlane[plane].every((name) => solvable.includes(name)),
  )
  if (measured.length === 0) return { ok: false, message: whatIsMissing(parts.map((part) => part.what)) }

  const fit = leastSquares(rows, spanning)
  let next = 0
  const probes = parts.map(({ set, probe, what, rows: own }) => {
    const residuals = fit.residuals.slice(next, next + own.length)
    next += own.length
    return {
      set,
      probe,
      residuals,
      closure: what.type === 'rim' || what.type === 'face' || what.type === 'bore' ? closure(what.readings) : null,
      zero: fit.constants.get(`${set}.${probe}`) ?? 0,
    }
  })
  return { ok: true, fit: { ...fit, measured, probes } }
}

/** One sentence that names what the readings lack. */
function whatIsMissing(probes: readonly Probe[]): string {
  const read = probes.filter((probe) => probe.readings.length > 0)
  if (read.length === 0) return 'Nothing has been read yet.'
  const angles = new Set(read.flatMap((probe) => probe.readings.map((r) => foldDegrees(r.angle))))
  const stations = new Set(
    read.flatMap((probe) => ('x' in probe ? [probe.x] : 'planes' in probe ? [...probe.planes] : [])),
  )
  const faces = read.filter((probe) => probe.type === 'face').length
  const arc = arcCovered([...angles])
  if (stations.size === 0)
    return `The face dial${faces > 1 ? 's' : ''} alone ${faces > 1 ? 'say' : 'says'} nothing about offset: add a rim dial or a beam at a known station.`
  const enoughAngles = angles.size >= 3 || (angles.size === 2 && arc === 180)
  if (!enoughAngles)
    return `Read at ${angles.size === 1 ? 'one angle' : 'two angles'} only: three or more angles give both planes, top and bottom together give the vertical one.`
  if (stations.size === 1 && faces === 0)
    return 'Everything was read at one station, which gives the offset there but not the slope: add a second station or a face dial.'
  return 'Not every probe was read at enough angles: read each at three or more, or at the top and the bottom.'
}
