import type { Probe } from '../../src/core/probes'
import { fitCoupling } from '../../src/core/shafts/coupling'
import { bestOf, row } from './clock'

const points = 100_000

/** A sweep of one turn as a device hands it over. */
function sweep(of: (degrees: number) => number, points: number) {
  return Array.from({ length: points }, (_, i) => {
    const angle = (i * 360) / points + 0.013
    return { angle, value: of((angle * Math.PI) / 180) }
  })
}

/** A hundred thousand points of a sweep fitted whole, as a multiple of one plain pass that sums sine and cosine. */
export function benchSweep(): string[] {
  const right = sweep((t) => 0.12 * Math.cos(t) - 0.05 * Math.sin(t) + 0.3, points / 2)
  const left = sweep((t) => -0.1 * Math.cos(t) + 0.04 * Math.sin(t) - 0.1, points / 2)
  const angles = new Float64Array(points)
  for (let i = 0; i < points; i++) angles[i] = ((i * 360) / points + 0.013) * (Math.PI / 180)
  let kept = 0
  const plainPass = () => {
    let sines = 0
    let cosines = 0
    for (let i = 0; i < points; i++) {
      sines += Math.sin(angles[i] ?? 0)
      cosines += Math.cos(angles[i] ?? 0)
    }
    kept += sines + cosines
  }
  // a list of its own each time: what was measured of one is kept
  const probes = (type: 'beam' | 'rim'): Probe[] =>
    type === 'beam'
      ? [
          { type: 'beam', on: 'right', x: 180, sd: 0.002, readings: right.slice() },
          { type: 'beam', on: 'left', x: -150, sd: 0.002, readings: left.slice() },
        ]
      : [
          { type: 'rim', on: 'right', x: 90, sag: -0.1, radius: 80, sd: 0.002, readings: right.slice() },
          { type: 'rim', on: 'left', x: -70, sag: -0.08, radius: 80, sd: 0.002, readings: left.slice() },
        ]
  const solve = (type: 'beam' | 'rim') => {
    const result = fitCoupling([{ state: 'released', probes: probes(type) }], 0)
    if (!result.ok) throw new Error(result.lack)
    kept += result.fit.misalignment.offsetZ + (result.fit.probes[0]?.residuals[7] ?? 0)
  }
  const floated = (lead: number) =>
    sweep((t) => 75 * (0.0004 * Math.cos(t + (lead * Math.PI) / 180)) + 0.05 * Math.sin(3.7 * t), 33_000)
  const faces = [0, 180].map(
    (lead): Probe => ({
      type: 'face',
      on: 'right',
      radius: 75,
      side: 'front',
      sag: 0,
      sd: 0.005,
      lead,
      sharedFloat: true,
      readings: floated(lead),
    }),
  )
  const rimBeside: Probe = {
    type: 'rim',
    on: 'right',
    x: 60,
    sag: 0,
    radius: 80,
    sd: 0.002,
    readings: sweep((t) => 0.1 * Math.cos(t), 33_000),
  }
  const solveFloating = () => {
    const anew = [rimBeside, ...faces].map((probe) => ({ ...probe, readings: probe.readings.slice() }) as Probe)
    const result = fitCoupling([{ state: 'released', probes: anew }], 0)
    if (!result.ok) throw new Error(result.lack)
    kept += result.fit.misalignment.slopeZ + (result.fit.floats[0]?.values[7] ?? 0)
  }
  // one after the other, again and again, so that a busy moment falls on all alike
  let [plain, beams, dials] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY]
  let floating = Number.POSITIVE_INFINITY
  for (let turn = 0; turn < 12; turn++) {
    plain = Math.min(plain, bestOf(plainPass, 3))
    beams = Math.min(
      beams,
      bestOf(() => solve('beam'), 3),
    )
    dials = Math.min(
      dials,
      bestOf(() => solve('rim'), 3),
    )
    floating = Math.min(floating, bestOf(solveFloating, 3))
  }
  if (!Number.isFinite(kept)) throw new Error('The sweep failed.')
  return [
    row('one plain pass of sine and cosine over 100,000 angles, ms', plain.toFixed(2)),
    row('100,000 beam points fitted, residuals and covariance, times that', `${(beams / plain).toFixed(2)}×`, '≤ 3×'),
    row('100,000 dial points, rim curvature in the model, times that', `${(dials / plain).toFixed(2)}×`, '≤ 3×'),
    row('99,000 points of a rim and two floating faces, times that', `${(floating / plain).toFixed(2)}×`, '≤ 5×'),
  ]
}
