import { type Checked, refuse } from '../../../quantity/fault'
import type { Unit } from '../../../quantity/units'
import { seatsTyped, spreadOf } from '../../../seat/told'
import type { ReadSet } from '../../../shafts/schema'
import { setTyped, typed } from '../../../shafts/survey/toSet'
import { makeJob, makeLine, towardOf } from '../document/make'
import type { Growth, Job, Line, LineFoot, RoundPlan } from '../document/schema'
import { emptyPlan } from '../plan/choices'
import { readSurvey } from './read'
import type { Survey } from './schema'

/**
 * A survey document as a job: its train as a line of its own, its measurements as the sets of the first round. Up to 48
 * angles of a set become cells; a probe with more becomes a sweep.
 */
export function jobOfSurvey(document: unknown, name: string, takenAt: string): Checked<Job> {
  const read = readSurvey(document)
  if (!read.ok) return read
  const { survey } = read.value
  const { machines, couplings } = survey.train
  if (machines.length < 2 || couplings.length !== machines.length - 1)
    return refuse('train.couplings', 'expected a coupling between every two machines')
  if (machines.length > 8) return refuse('train.machines', 'expected at most 8 machines')
  const seated = seatsTyped(
    survey.seat ?? [],
    survey.units,
    (id) => machines.find((one) => one.id === id)?.feet ?? [],
    typed,
  )
  const line = lineOf(survey, survey.train.name?.slice(0, 80) || name, (foot) => spreadOf(seated.feet, foot))
  const unit: 'mm' | 'mil' = survey.units.length === 'in' ? 'mil' : 'mm'
  const job = makeJob(line, 'Imported', takenAt, unit)
  const [round] = job.rounds
  const sets: ReadSet[] = []
  for (const [m, measurement] of survey.measurements.entries()) {
    if (measurement.probes.length > 6) return refuse(`measurements.${m}.probes`, 'expected at most 6 probes per set')
    const at = couplings.find(({ id }) => id === measurement.coupling)
    sets.push(
      setTyped(measurement, {
        id: `r1-s${m + 1}`,
        couplingX: at?.x ?? 0,
        right: at?.right ?? '',
        toward: (on) => towardOf(line, measurement.coupling, on),
        units: survey.units,
      }),
    )
  }
  const bare = (round?.sets ?? []).filter(({ coupling }) => !sets.some((set) => set.coupling === coupling))
  return {
    ok: true,
    value: {
      ...job,
      ...(survey.seat ? { seat: seated.seat } : {}),
      rounds: round ? [{ ...round, sets: [...sets, ...bare], ...planOf(survey) }] : job.rounds,
    },
  }
}

function lineOf(survey: Survey, name: string, spread: (foot: string) => number | undefined): Line {
  const { train, units } = survey
  const length = units.length
  const made = makeLine(name, 'other', 'other', length === 'in' ? 'mil' : 'mm')
  const origin = train.couplings[0]?.x ?? 0
  const from = train.couplings[0]?.id ?? ''
  return {
    ...made,
    speed: train.rpm ? String(train.rpm) : '',
    machines: train.machines.map(({ id, name: called, feet }) => ({
      id,
      name: (called ?? id).slice(0, 60),
      kind: 'other',
      feet: distinct(feet).map(
        (foot): LineFoot => ({
          id: foot.id,
          name: (foot.name ?? foot.id).slice(0, 40),
          station: { from, toward: 'right', distance: typed(foot.x - origin, length) },
          ...(spread(foot.id) ? { spread: typed(spread(foot.id) ?? 0, length) } : {}),
          ...(foot.growth ? { growth: growthOf(foot.growth, units.reading) } : {}),
        }),
      ),
    })),
    couplings: train.couplings.map(({ id, name: called, x, diameter, flexPlanes }, i) => ({
      id,
      name: called?.slice(0, 60) || (train.couplings.length > 1 ? `Coupling ${i + 1}` : 'Coupling'),
      kind: flexPlanes ? 'spacer' : 'short',
      ...(i > 0 ? { station: { from, toward: 'right' as const, distance: typed(x - origin, length) } } : {}),
      diameter: diameter ? typed(diameter, length) : { text: '', unit: length },
      span: flexPlanes ? typed(flexPlanes[1] - flexPlanes[0], length) : { text: '', unit: length },
    })),
    fixed: train.fixed,
    fixedBecause: '',
    tolerance: train.tolerance
      ? {
          policy: 'figures',
          offset: train.tolerance.offset
            ? typed(train.tolerance.offset, units.reading)
            : { text: '', unit: units.reading },
          slope: { text: String(Number((train.tolerance.slope * 100).toFixed(6))), unit: 'mm/100 mm' },
          source: 'Imported with the survey',
        }
      : made.tolerance,
  }
}

const growthOf = (
  { vertical = 0, horizontal = 0 }: { vertical?: number | undefined; horizontal?: number | undefined },
  unit: Unit,
): Growth => ({
  told: 'entered',
  vertical: typed(vertical, unit),
  horizontal: typed(horizontal, unit),
  source: 'Imported with the survey',
})

/** Limits, packs, shims and what stays, as the survey has them; nothing where it says nothing of a move. */
function planOf({ train, plan, units }: Survey): { plan?: RoundPlan } {
  const feet = train.machines.flatMap((machine) => distinct(machine.feet))
  if (!plan && feet.every(({ limits, pack }) => !limits && !pack)) return {}
  const of = (value: number) => typed(value, units.reading)
  const shelf = plan?.stock && {
    id: 'survey',
    name: 'Shims of the survey',
    slot: { text: '', unit: units.length },
    sizes: plan.stock.slice(0, 60).map((size) => ({ thickness: of(size), count: '' })),
  }
  return {
    plan: {
      ...emptyPlan(),
      stays: plan?.mode ?? 'fixed',
      ...heldTyped(plan?.hold),
      ...(plan?.margin === undefined ? {} : { margin: String(Number((100 * plan.margin).toFixed(3))) }),
      ...(plan?.maxShims ? { mostShims: String(Math.min(8, plan.maxShims)) } : {}),
      limits: Object.fromEntries(
        feet.flatMap(({ id, limits }) =>
          limits
            ? [
                [
                  id,
                  Object.fromEntries(
                    Object.entries(limits).flatMap(([way, far]) => (far === undefined ? [] : [[way, of(far)]])),
                  ),
                ],
              ]
            : [],
        ),
      ),
      packs: Object.fromEntries(
        feet.flatMap(({ id, pack }) => {
          const text = pack?.map((size) => of(size).text).join(' + ') || '0'
          return pack ? (['near', 'far'] as const).map((side) => [`${id}.${side}`, { text, unit: units.reading }]) : []
        }),
      ),
      stock: shelf ? Object.fromEntries(train.machines.map(({ id }) => [id, shelf])) : {},
    },
  }
}

/** Feet at the same station are one place on the line. */
function distinct<F extends { x: number }>(feet: readonly F[]): F[] {
  return feet.filter((foot, i) => feet.findIndex(({ x }) => x === foot.x) === i).slice(0, 12)
}

/** What is held, as the page has it: the same two feet in both planes, or two in one. Two pairs at once become that of the height. */
function heldTyped(hold: NonNullable<Survey['plan']>['hold']): Pick<RoundPlan, 'hold' | 'holdIn'> {
  if (!hold) return {}
  if (Array.isArray(hold)) return { hold: hold.slice(0, 2) }
  const plane = hold.vertical ? 'vertical' : 'horizontal'
  return { hold: hold[plane]?.slice(0, 2), holdIn: plane }
}
