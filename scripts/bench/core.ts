import { solveTrain } from '../../src/core/kinds/train/solve/solve'
import { caseA } from '../../src/core/kinds/train/survey/caseA'
import { readSurvey } from '../../src/core/kinds/train/survey/read'
import { solveSurvey } from '../../src/core/kinds/train/survey/solve'
import { fitCoupling } from '../../src/core/shafts/coupling'
import { bestOf, row } from './clock'

const survey = caseA()

/** The pencil's arithmetic for reverse dials at the quarters, nothing else: what the answer alone costs. */
function closedForm(a: readonly number[], b: readonly number[], xa: number, xb: number, sagA: number, sagB: number) {
  const offset = (r: readonly number[], gain: number, sag: number) =>
    [gain * (((r[0] ?? 0) - (r[2] ?? 0) + sag) / 2), gain * (((r[1] ?? 0) - (r[3] ?? 0)) / 2)] as const
  const [za, ya] = offset(a, 1, sagA)
  const [zb, yb] = offset(b, -1, sagB)
  const slopeZ = (za - zb) / (xa - xb)
  const slopeY = (ya - yb) / (xa - xb)
  return [240, 690].map((x) => [za + slopeZ * (x - xa), ya + slopeY * (x - xa)])
}

/** Solves a second, and how that compares with the bare arithmetic. */
export function benchCore(): string[] {
  const read = readSurvey(survey)
  if (!read.ok) throw new Error(read.fault.message)
  const { train } = read.value
  const coupling = train.couplings[0]
  if (!coupling) throw new Error('No coupling.')
  const [motor, pump] = survey.measurements[0]?.probes ?? []
  const values = (probe: typeof motor) => (probe && 'readings' in probe ? probe.readings : []).map(([, value]) => value)
  const [a, b] = [values(motor), values(pump)]
  let kept = 0
  const bare = bestOf(() => {
    kept += closedForm(a, b, 90, -70, -0.1, -0.08)[0]?.[0] ?? 0
  }, 20_000)
  const fit = bestOf(() => fitCoupling(coupling.sets, coupling.x))
  const whole = bestOf(() => solveTrain(train))
  const document = bestOf(() => solveSurvey(survey))
  if (!Number.isFinite(kept)) throw new Error('The bare arithmetic failed.')
  return [
    row('fit with residuals, covariance and closure, ms', fit.toFixed(4), '≤ 0.2'),
    row('the same, solves a second', Math.round(1000 / fit).toString()),
    row('the same, times the bare closed-form arithmetic', `${Math.round(fit / bare)}×`),
    row('with positions, moves and the verdict by confidence, ms', whole.toFixed(4)),
    row('survey document in, result document out, ms', document.toFixed(4)),
  ]
}
