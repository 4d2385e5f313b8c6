import type { FootFacts } from '../../../least/facts'
import type { Least } from '../../../least/least'
import type { SolveProgram } from '../../../least/program'
import { type PlaneLine, planes } from '../../../quantity/axis'
import type { Checked } from '../../../quantity/fault'
import { tidyShim } from '../../../quantity/openFormat'
import { fromMm, toMm } from '../../../quantity/units'
import { seatResult, seatWarnings, softFeet } from '../../../seat/survey'
import type { ResultWarning } from '../../../shafts/survey/result'
import { type SolvedSurvey, shaftsResult, unsolvable } from '../../../shafts/survey/solve'
import { limitsMissing } from '../../../verdict/limits'
import { untouched, usualMargin } from '../plan/choices'
import { planMoves } from '../plan/exact'
import { planLeast } from '../plan/least'
import { withMoves } from '../plan/moved'
import { type FootPlane, type FootSolution, type Solution, solveTrain } from '../solve/solve'
import { type ReadSurvey, readSurvey } from './read'
import type { Result } from './result'
import type { Survey } from './schema'

/**
 * Survey document in, result document out; the one function behind the command line and `POST /api/solve`.
 * Bad input comes back as a fault with the path of the field and what was expected there.
 *
 * @param program solves mixed-integer programs; only a plan of the least moves asks for it
 */
export function solveSurvey(document: unknown, program?: SolveProgram): Checked<Result> {
  const read = readSurvey(document)
  if (!read.ok) return read
  const { survey, train, stay, measurementOf } = read.value
  const solution = solveTrain(train, stay)
  const seats = survey.seat ? seatResult(survey, solution.feet) : undefined
  const seat = seats ? { seat: seats } : {}
  if (survey.measurements.length === 0)
    return {
      ok: true,
      value: {
        ...emptyResult(survey),
        ...seat,
        warnings: seatWarnings({ ...survey, machines: survey.train.machines }, seats),
      },
    }
  const solved: SolvedSurvey = {
    units: survey.units,
    measurements: survey.measurements,
    couplings: solution.couplings.flatMap((one, c) => {
      const coupling = train.couplings[c]
      if (!coupling) return []
      const { id, x, sets } = coupling
      const missing = limitsMissing(train, coupling)
      return [{ id, x, sets, missing, solution: one, measurements: measurementOf.get(id) ?? [] }]
    }),
  }
  const refused = solved.couplings.flatMap(unsolvable)[0]
  if (refused) return refused
  const shown = (mm: number) => fromMm(mm, survey.units.reading)
  const footPlane = (plane: FootPlane | null) =>
    plane && {
      position: shown(plane.position),
      move: plane.move === null ? null : shown(plane.move),
      moveSd: plane.move === null ? null : shown(plane.moveSd),
    }
  const { warnings, ...told } = shaftsResult(solved)
  const fixed = (survey.plan?.mode ?? 'fixed') === 'fixed'
  const listed = solution.feet.filter((foot) => !fixed || foot.machine !== survey.train.fixed)
  return {
    ok: true,
    value: {
      ...emptyResult(survey),
      ...seat,
      ...told,
      feet: listed.map(({ machine, foot, vertical, horizontal }) => ({
        machine,
        foot,
        vertical: footPlane(vertical),
        horizontal: footPlane(horizontal),
      })),
      ...(survey.plan ? { plan: planResult(read.value, solution, listed, shown, program, seats) } : {}),
      warnings: [
        ...warnings,
        ...heldWarnings(solution),
        ...seatWarnings({ ...survey, machines: survey.train.machines }, seats),
      ],
    },
  }
}

function leastOf(
  { plan }: ReadSurvey['survey'],
  train: ReadSurvey['train'],
  solution: Solution,
  facts: ReadonlyMap<string, FootFacts>,
  program: SolveProgram | undefined,
): Least | undefined {
  if (plan?.mode !== 'least') return undefined
  if (!program) throw new Error('a plan of fewest moves needs a solver')
  return planLeast(train, solution, facts, program, { margin: plan.margin ?? usualMargin })
}

/** The plan of a survey: fixed machine, held feet or least moves; reading units in, reading units out. */
function planResult(
  { survey, train }: ReadSurvey,
  solution: Solution,
  listed: readonly FootSolution[],
  shown: (mm: number) => number,
  program: SolveProgram | undefined,
  seats: Result['seat'],
): NonNullable<Result['plan']> {
  const mm = (value: number) => toMm(value, survey.units.reading)
  const facts = new Map(
    survey.train.machines.flatMap((machine) =>
      machine.feet.map(({ id, limits, pack }): [string, FootFacts] => [
        id,
        untouched(
          {
            pack: pack?.map(mm),
            limits:
              limits &&
              Object.fromEntries(
                Object.entries(limits).flatMap(([way, far]) => (far === undefined ? [] : [[way, mm(far)]])),
              ),
          },
          machine.id === survey.train.fixed && (survey.plan?.mode ?? 'fixed') !== 'fixed',
        ),
      ]),
    ),
  )
  const least = leastOf(survey, train, solution, facts, program)
  const planned = least ? withMoves(solution, least) : solution
  const plan = planMoves(train, planned, facts, {
    stock: (survey.plan?.stock ?? []).map(mm),
    mostShims: survey.plan?.maxShims ?? 4,
    softFoot: new Map(
      [...softFeet({ seat: survey.seat, machines: survey.train.machines }, seats).under].map(([foot, shim]) => [
        foot,
        mm(shim),
      ]),
    ),
  })
  const blocking = least ? planes.flatMap((plane) => least[plane].blocking) : plan.blocking
  const line = (left: PlaneLine | null) => left && { offset: shown(left.offset), slope: left.slope }
  const told = (move: number | null) => (move === null ? null : shown(move))
  return {
    feasible: least ? planes.every((plane) => least[plane].feasible) : plan.feasible,
    ...(blocking.length ? { blocking: blocking.map(({ foot, limit }) => ({ foot, limit })) } : {}),
    feet: plan.feet
      .filter(({ foot }) => listed.some((one) => one.foot === foot))
      .map(({ foot, vertical, horizontal, pack }) => ({
        foot,
        vertical: told(vertical),
        horizontal: told(horizontal),
        ...(pack ? { pack: pack.shims.map((size) => tidyShim(shown(size))), residual: shown(pack.residual) } : {}),
      })),
    left: Object.fromEntries(
      plan.left.map(({ coupling, vertical, horizontal }) => [
        coupling,
        { vertical: line(vertical), horizontal: line(horizontal) },
      ]),
    ),
  }
}

const emptyResult = ({ kind, units }: Survey): Result => ({
  format: 'vane-peg.result',
  version: 1,
  ...(kind ? { kind } : {}),
  units,
  couplings: [],
  feet: [],
  probes: [],
  suspects: [],
  warnings: [],
})

/** Held feet that no reading reaches: nothing is moved toward a place nobody measured. */
const heldWarnings = ({ unreached }: Solution): ResultWarning[] =>
  planes.flatMap((plane) =>
    unreached[plane].map(
      (foot): ResultWarning => ({
        code: 'held-not-reached',
        message: `foot ${foot} is held, but no reading reaches it in the ${plane} plane, so there are no moves there`,
      }),
    ),
  )
