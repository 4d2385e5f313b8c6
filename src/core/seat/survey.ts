import * as v from 'valibot'
import { lineThrough } from '../quantity/axis'
import { formatNumber } from '../quantity/number'
import { finite, id, list, notNegative, positive, type Units } from '../quantity/openFormat'
import { decimalsFor, fromMm, toMm, type Unit } from '../quantity/units'
import type { ResultWarning } from '../shafts/survey/result'
import { cureFor, type StepShim } from './cure'
import { diagnose, type SeatFinding, type SeatKind, type SeatReason } from './diagnose'
import { blade, type FootCheck, gapOf, shimStepIn, usualThinnestIn, usualThresholdIn } from './foot'

const cornerGaps = v.strictObject({
  lowNear: v.optional(notNegative),
  lowFar: v.optional(notNegative),
  highNear: v.optional(notNegative),
  highFar: v.optional(notNegative),
})

/** How a machine sits, in the open survey document. */
export const seatSurvey = v.strictObject({
  machine: id,
  threshold: v.optional(positive),
  /** Pipes and conduits were off while the feet were read. */
  pipes: v.optional(v.picklist(['off', 'on'])),
  feet: list(
    v.strictObject({
      id,
      x: finite,
      y: finite,
      rise: v.optional(finite),
      corners: v.optional(cornerGaps),
      nothingOver: v.optional(positive),
    }),
    24,
    'a list of feet',
  ),
})

export type SurveySeat = v.InferOutput<typeof seatSurvey>

/** Soft foot of a machine in a result document. */
export interface ResultSeat {
  machine: string
  /** Null where nothing, or not every foot, was measured. */
  ok: boolean | null
  findings: { kind: SeatKind; feet: string[]; because: string }[]
  cure: ({ foot: string; shim: number } | { foot: string; steps: StepShim[] })[]
}

/** What of a document the seats are worked out from: themselves, its units, and the shims there are. */
export interface SeatsAsked {
  seat?: readonly SurveySeat[] | undefined
  units: Units
  plan?: { stock?: readonly number[] | undefined } | undefined
}

/** The feet of a document's machines and how the alignment wants them raised, mm. */
export interface WantedFoot {
  machine: string
  x: number
  vertical: { move: number | null } | null
}

/**
 * Soft foot of every machine in a document's `seat`: findings, most likely first, and what to put under which foot. Where not
 * every foot was measured nothing is called clean: `ok` is null.
 *
 * @param wanted what the readings ask of the feet: of a rocking pair the foot that the alignment wants raised is shimmed
 */
export function seatResult({ seat, units, plan }: SeatsAsked, wanted: readonly WantedFoot[]): ResultSeat[] {
  const mm = (value: number | undefined) => (value === undefined ? undefined : toMm(value, units.reading))
  const shown = (value: number) => fromMm(value, units.reading)
  const stock = plan?.stock?.map((thickness) => toMm(thickness, units.reading))
  return (seat ?? []).map(({ machine, threshold: given, pipes, feet }) => {
    const threshold = mm(given) ?? usualThresholdIn(units.reading)
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
        nothingOver: blade(mm(foot.nothingOver), threshold),
      }),
    )
    const missing = checks.filter((check) => gapOf(check).size === undefined)
    const found = missing.length < checks.length ? diagnose(checks, { threshold, pipesOff: pipes === 'off' }) : []
    const clean = found[0]?.kind === 'clean'
    const findings = clean && missing.length > 0 ? [] : found
    const cure = cureFor(findings, checks, {
      thinnest: stock?.length ? Math.min(...stock) : usualThinnestIn(units.reading),
      step: shimStepIn(units.reading),
      wanted: wantedOf(machine, checks, wanted),
    })
    return {
      machine,
      ok: findings.length === 0 ? null : clean,
      findings: findings.map((finding) => ({
        kind: finding.kind,
        feet: [...finding.feet],
        because: because(finding, units.reading),
      })),
      cure: cure.map((one) =>
        'shim' in one
          ? { foot: one.foot, shim: tidy(shown(one.shim)) }
          : { foot: one.foot, steps: one.steps.map((step) => ({ ...step, thickness: tidy(shown(step.thickness)) })) },
      ),
    }
  })
}

const tidy = (value: number): number => Number(value.toPrecision(12))

/** How much the alignment wants each seated foot raised, mm: along the line through the moves of its machine's feet. */
function wantedOf(machine: string, checks: readonly FootCheck[], wanted: readonly WantedFoot[]): Map<string, number> {
  const moves = wanted.flatMap(({ machine: of, x, vertical }) =>
    of === machine && typeof vertical?.move === 'number' ? [{ x, value: vertical.move }] : [],
  )
  if (moves.length === 0) return new Map()
  return new Map(checks.map(({ id, x }) => [id, lineThrough(moves, x).offset]))
}

/** A machine of a document with its feet, x in the document's units. */
export interface SurveyMachine {
  id: string
  feet: readonly { id: string; x: number }[]
}

/** Plain shims of the soft foot by the foot of the line they lie under, reading units; and the seated feet that are no such foot. */
export function softFeet(
  { seat, machines }: { seat?: readonly SurveySeat[] | undefined; machines: readonly SurveyMachine[] },
  results: readonly ResultSeat[] | undefined,
): { under: ReadonlyMap<string, number>; left: readonly string[] } {
  const under = new Map<string, number>()
  const left: string[] = []
  for (const { machine, cure } of results ?? []) {
    const feet = machines.find(({ id }) => id === machine)?.feet ?? []
    const seated = seat?.find((one) => one.machine === machine)?.feet ?? []
    for (const one of cure) {
      const at = seated.find(({ id }) => id === one.foot)?.x
      const [here, ...more] = feet.filter(({ x }) => x === at)
      const alone = more.length === 0 && seated.filter(({ x }) => x === at).length === 1
      const foot = feet.find(({ id }) => id === one.foot) ?? (alone ? here : undefined)
      if ('shim' in one && foot) under.set(foot.id, (under.get(foot.id) ?? 0) + one.shim)
      else left.push(one.foot)
    }
  }
  return { under, left }
}

/** What is to be said of the seats: nothing measured is not clean; what of their shims the packs do not hold. */
export function seatWarnings(
  survey: SeatsAsked & { machines: readonly SurveyMachine[] },
  results: readonly ResultSeat[] | undefined,
): ResultWarning[] {
  const unknown = (results ?? []).flatMap(({ machine, ok }, i): ResultWarning[] =>
    ok === null
      ? [
          {
            code: 'seat-not-measured',
            message: `seat.${i}: not every foot of ${machine} was measured: no soft foot result`,
          },
        ]
      : [],
  )
  const { left } = softFeet(survey, results)
  return survey.plan?.stock && left.length > 0
    ? [
        ...unknown,
        {
          code: 'soft-foot',
          message: `the shims for ${left.join(', ')} are not in the packs: step shims, or under one of two feet of a station`,
        },
      ]
    : unknown
}

const why: Readonly<Record<SeatReason, string>> = {
  alike: 'two diagonally opposite feet rise equally and the others do not',
  unlike: 'two diagonally opposite feet rise, one more than the other',
  'even-gap': 'one foot alone has an even gap',
  alone: 'only one foot rises',
  together: 'shims under these feet bring them all into one plane',
  'stands-off-most': 'no single cause explains every foot: this one has the largest gap',
  'corners-differ': 'the gaps at the corners of the foot differ by more than the limit',
  'no-gap-felt': 'the foot rises, but a feeler finds no gap',
  'all-alike': 'all feet rise equally',
  'side-or-end': 'both feet of one side or end rise',
  'none-rises': 'no foot rises by more than the limit',
  'none-open': 'no gap under a foot is over the limit',
}

/** The rule that fits, and the readings that say so, in the document's unit. */
function because({ because: reason, evidence, unsettled }: SeatFinding, unit: Unit): string {
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
  return `${why[reason]}: ${readings} ${unit}${open}`
}
