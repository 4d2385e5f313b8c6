import type { Probe } from '../../../probes'
import { tidy } from '../../../quantity/openFormat'
import { quantityMm } from '../../../quantity/quantity'
import { seatsTold } from '../../../seat/told'
import { measurementOf } from '../../../shafts/survey/ofSet'
import { stockSizes } from '../../../shims/stock'
import { figuresTold } from '../../../verdict/limits'
import type { Job, Round } from '../document/schema'
import { seatsOf } from '../document/seats'
import { toTrain } from '../document/typed'
import { factsOf, marginOf, mostShimsOf } from '../plan/choices'
import type { Survey } from './schema'

/** A round of a job as an open survey document, in millimeters. What has no place or was not read is left out. */
export function surveyOf(job: Pick<Job, 'line' | 'seat'>, round: Round): Survey {
  const { train, sources } = toTrain(job.line, round)
  const seat = seatsTold(seatsOf(job.line), job.seat)
  const facts = factsOf(job, round)
  const figures = figuresTold(train, train.couplings)
  const footNames = new Map(job.line.machines.flatMap(({ feet }) => feet.map(({ id, name }) => [id, name])))
  const couplingNames = new Map(job.line.couplings.map(({ id, name }) => [id, name]))
  const machine = (side: Probe['on'], left: number) => train.machines[side === 'left' ? left : left + 1]?.id ?? ''
  return {
    format: 'vane-peg.survey',
    version: 1,
    units: { length: 'mm', reading: 'mm' },
    train: {
      ...(job.line.name ? { name: job.line.name } : {}),
      machines: train.machines.map(({ id, feet }) => ({
        id,
        name: job.line.machines.find((one) => one.id === id)?.name ?? id,
        feet: feet.map((foot) => {
          const { limits, pack } = facts.get(foot.id) ?? {}
          return {
            id: foot.id,
            ...(footNames.get(foot.id) ? { name: footNames.get(foot.id) } : {}),
            x: tidy(foot.x),
            ...(foot.growth && Object.keys(foot.growth).length ? { growth: tidied(foot.growth) } : {}),
            ...(limits && Object.keys(limits).length ? { limits: tidied(limits) } : {}),
            ...(pack ? { pack: pack.map(tidy) } : {}),
          }
        }),
      })),
      couplings: train.couplings.map(({ id, left, x, diameter, flexPlanes }) => ({
        id,
        ...(couplingNames.get(id) ? { name: couplingNames.get(id) } : {}),
        left: train.machines[left]?.id ?? '',
        right: train.machines[left + 1]?.id ?? '',
        x: tidy(x),
        ...(diameter ? { diameter: tidy(diameter) } : {}),
        ...(flexPlanes ? { flexPlanes: [tidy(flexPlanes[0]), tidy(flexPlanes[1])] as [number, number] } : {}),
      })),
      fixed: train.machines[train.fixed]?.id ?? '',
      ...(train.rpm ? { rpm: train.rpm } : {}),
      ...(figures
        ? { tolerance: { slope: figures.slope, ...(figures.offset ? { offset: figures.offset } : {}) } }
        : {}),
    },
    measurements: train.couplings.flatMap(({ id, left, sets }, c) =>
      sets.flatMap(({ state, purpose, probes }, s) => {
        if (probes.length === 0) return []
        const source = sources[c]?.[s]
        return [
          measurementOf(id, { state, purpose, probes }, source?.set, (probe, p) => ({
            on: machine(probe.on, left),
            turn: quantityMm(source?.dials[p]?.turn),
          })),
        ]
      }),
    ),
    ...(seat.length > 0 ? { seat } : {}),
    ...planOf(round),
  }
}

/** What the round's plan asks for, where a survey can say it: a line drawn by hand goes out as one machine fixed. */
function planOf({ plan }: Round): Pick<Survey, 'plan'> {
  if (!plan) return {}
  const sizes = Object.values(plan.stock).flatMap((stock) => stockSizes(stock).map(({ thickness }) => tidy(thickness)))
  const held = plan.stays === 'hold' && plan.hold?.length === 2
  return {
    plan: {
      mode: plan.stays === 'least' ? 'least' : held ? 'hold' : 'fixed',
      ...(held && plan.hold ? { hold: plan.holdIn ? { [plan.holdIn]: plan.hold } : plan.hold } : {}),
      ...(plan.stays === 'least' ? { margin: marginOf(plan) } : {}),
      ...(sizes.length ? { stock: [...new Set(sizes)].sort((a, b) => a - b) } : {}),
      ...(plan.mostShims ? { maxShims: mostShimsOf(plan) } : {}),
    },
  }
}

const tidied = <T extends object>(values: T): T =>
  Object.fromEntries(Object.entries(values).map(([key, value]) => [key, tidy(value as number)])) as T
