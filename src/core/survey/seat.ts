import { formatNumber } from '../frame/number'
import { decimalsFor, fromMm, toMm, type Unit } from '../frame/units'
import { cureFor } from '../seat/cure'
import { diagnose, type SeatFinding } from '../seat/diagnose'
import { type FootCheck, usualThreshold } from '../seat/foot'
import type { Result } from './result'
import type { Survey } from './schema'

/** Soft foot of every machine in a document's `seat`: findings, most likely first, and what to put under which foot. */
export function seatResult({ seat, units, plan }: Survey): Required<Result>['seat'] {
  const mm = (value: number | undefined) => (value === undefined ? undefined : toMm(value, units.reading))
  const shown = (value: number) => fromMm(value, units.reading)
  const stock = plan?.stock?.map((thickness) => toMm(thickness, units.reading))
  return (seat ?? []).map(({ machine, threshold, feet }) => {
    const checks = feet.map(
      (foot): FootCheck => ({
        id: foot.id,
        x: toMm(foot.x, units.length),
        y: toMm(foot.y, units.length),
        rise: mm(foot.rise),
        gaps: foot.corners && {
          lowNear: mm(foot.corners.lowNear),
          lowFar: mm(foot.corners.lowFar),
          highNear: mm(foot.corners.highNear),
          highFar: mm(foot.corners.highFar),
        },
      }),
    )
    const findings = diagnose(checks, mm(threshold) ?? usualThreshold)
    const cure = cureFor(findings, checks, stock ? { thinnest: Math.min(...stock) } : {})
    return {
      machine,
      ok: findings[0]?.kind === 'clean',
      findings: findings.map((finding) => ({
        kind: finding.kind,
        feet: [...finding.feet],
        because: because(finding, units.reading),
      })),
      cure: cure.map((one) =>
        'shim' in one
          ? { foot: one.foot, shim: shown(one.shim) }
          : { foot: one.foot, steps: one.steps.map((step) => ({ ...step, thickness: shown(step.thickness) })) },
      ),
    }
  })
}

const why: Record<SeatFinding['kind'], string> = {
  rocking: 'two feet across from each other rise alike and the others stay',
  short: 'one foot stands off by itself, evenly',
  angled: 'the gaps at the corners of the foot differ by more than the limit',
  springy: 'the foot rises where a feeler finds no gap, or all feet rise alike',
  strain: 'both feet of one side or one end rise and the others stay',
  clean: 'no foot rises by more than the limit',
}

/** The rule that fits, and the readings that say so, in the document's unit. */
function because({ kind, evidence, unsettled }: SeatFinding, unit: Unit): string {
  const length = (mm: number) => formatNumber(fromMm(mm, unit), decimalsFor(0.01, unit))
  const readings = evidence
    .map(({ foot, rise, least, most }) => {
      const parts = [
        ...(rise === undefined ? [] : [`rises ${length(rise)}`]),
        ...(least === undefined || most === undefined ? [] : [`gaps ${length(least)} to ${length(most)}`]),
      ]
      return parts.length ? `${foot} ${parts.join(', ')}` : `${foot} not measured`
    })
    .join('; ')
  const open = unsettled.length ? `; feeler gaps at ${unsettled.join(' and ')} would settle it` : ''
  return `${why[kind]}: ${readings} ${unit}${open}`
}
