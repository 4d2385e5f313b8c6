import { inverseNormalMatrix } from '../fit/leastSquares'
import { direction } from '../quantity/angles'
import type { Plane } from '../quantity/axis'
import type { CouplingFit } from './coupling'
import type { Unknown } from './rows'
import { coefficientsOf } from './tape'

/** One more reading, and what it would do for the least sure foot. Lengths in mm. */
export interface NextReading {
  set: number
  probe: number
  degrees: number
  /** Deviation of the least sure of the stations asked about: as it is, and with this reading. */
  before: number
  after: number
}

/**
 * The single further reading that would make the least sure station surest, out of the angles offered for each probe.
 * With covariance C, a reading of deviation σ whose equation is v turns the variance of any g into
 * `gᵀCg − (gᵀCv)²/(σ² + vᵀCv)` (the update of Sherman and Morrison).
 *
 * @param stations x of the feet whose moves matter, mm
 * @param offered angles (degrees) at which a probe could be read once more
 * @returns undefined where nothing was determined or nothing is offered
 */
export function bestNextReading(
  fit: CouplingFit,
  couplingX: number,
  stations: readonly number[],
  offered: (set: number, probe: number) => readonly number[],
): NextReading | undefined {
  const { keys, triangle } = fit.system
  const covariance = inverseNormalMatrix(triangle)
  const times = (v: readonly number[]) =>
    keys.map((_, i) => v.reduce((sum, value, j) => (value ? sum + value * covariance.get(i, j) : sum), 0))
  const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, value, i) => sum + value * (b[i] ?? 0), 0)
  const asked = stations.flatMap((x) => fit.measured.map((plane) => stationVector(keys, x - couplingX, plane)))
  const variances = asked.map((g) => dot(g, times(g)))
  if (variances.length === 0) return undefined
  const before = Math.sqrt(Math.max(...variances))
  let best: NextReading | undefined
  for (const { set, probe, channels } of fit.probes) {
    // one face dial alone adds its own float; what an instrument tells by itself is not read at an angle
    if (channels.some(({ float, absolute }) => float || absolute)) continue
    for (const degrees of offered(set, probe)) {
      const after = [...variances]
      // channels of one position are taken one by one; their equations share no unknown but the misalignment
      for (const [k, channel] of channels.entries()) {
        const [sin, cos] = direction(degrees + (k % 2) * 90)
        const [a, b] = channel.weight
        const v = coefficientsOf(
          { constants: [{ key: channel.key, coefficient: 1 }], coefficients: [a * sin, b * sin, a * cos, b * cos] },
          keys,
          fit.solved,
        )
        const cv = times(v)
        const whole = channel.sd ** 2 + dot(v, cv)
        asked.forEach((g, i) => {
          after[i] = Math.max(0, (after[i] ?? 0) - dot(g, cv) ** 2 / whole)
        })
      }
      const sd = Math.sqrt(Math.max(...after))
      if (!best || sd < best.after - 1e-12) best = { set, probe, degrees, before, after: sd }
    }
  }
  return best
}

/**
 * Deviation of the least sure station if the same probes had been read as often, but spread evenly over a whole turn, mm:
 * what a part of a turn costs is told against it. Each channel's sines and cosines then have a mean of nothing and a mean
 * square of a half, so that its information is `n/2σ²` along either axis.
 */
export function wholeTurnSd(fit: CouplingFit, couplingX: number, stations: readonly number[]): number {
  let [oo, os, ss] = [0, 0, 0]
  for (const { channels } of fit.probes)
    for (const { weight, sd, observed, absolute } of channels) {
      if (absolute) continue
      const information = observed.length / (2 * sd * sd)
      oo += information * weight[0] * weight[0]
      os += information * weight[0] * weight[1]
      ss += information * weight[1] * weight[1]
    }
  const determinant = oo * ss - os * os
  const variance = (distance: number) => (ss - 2 * distance * os + distance * distance * oo) / determinant
  return determinant > 0 ? Math.sqrt(Math.max(0, ...stations.map((x) => variance(x - couplingX)))) : Number.NaN
}

const namesOf: Record<Plane, readonly [Unknown, Unknown]> = {
  vertical: ['offsetZ', 'slopeZ'],
  horizontal: ['offsetY', 'slopeY'],
}

/** The place of the axis at a station as a combination of the unknowns. */
function stationVector(keys: readonly string[], distance: number, plane: Plane): number[] {
  const [offset, slope] = namesOf[plane]
  return keys.map((key) => (key === offset ? 1 : key === slope ? distance : 0))
}
