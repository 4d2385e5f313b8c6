import type { Probe } from '../../../probes'
import { quantityMm } from '../../../quantity/quantity'
import type { ProbeSetUp, ReadSet } from '../../../shafts/schema'
import { isCoupled, setPurpose, toProbe } from '../../../shafts/typed'
import { allowedOf } from '../../../verdict/typed'
import type { Coupling, Train } from '../solve/model'
import { growthMm } from './growth'
import type { Line, Round } from './schema'
import { placeStations, type Stations, secondPlane } from './stations'

/** Flex planes nearer to each other than this are one, mm: an angle between them would be any number. */
const shortestSpan = 0.01

/** A probe of a set as the core solves it, or undefined where it has no place or no readings yet. */
function probeOn(line: Line, set: ReadSet, setUp: ProbeSetUp, { x }: Stations): Probe | undefined {
  const coupling = line.couplings.findIndex((c) => c.id === set.coupling)
  const machine = line.machines.findIndex((m) => m.id === setUp.on)
  if (machine !== coupling && machine !== coupling + 1) return undefined
  const stations = [setUp.id, secondPlane(setUp.id)].flatMap((id) => x.get(id) ?? [])
  return toProbe(set, setUp, { on: machine === coupling ? 'left' : 'right', stations })
}

/** Where a train's pieces came from: dial `sources[coupling][set][probe]` of the job. */
export interface JobTrain {
  train: Train
  stations: Stations
  /** Per coupling, per set handed to the core: the set and its dials that had something to say. */
  sources: { set: ReadSet; dials: ProbeSetUp[] }[][]
}

/** The train of one round: its line with everything read in that round. Feet without a place are left out. */
export function toTrain(line: Line, round: Round): JobTrain {
  const stations = placeStations(
    line,
    round.sets.flatMap((set) => set.probes),
  )
  const sources: JobTrain['sources'] = []
  const couplings = line.couplings.map((coupling, left): Coupling => {
    const x = stations.x.get(coupling.id) ?? 0
    const span = coupling.kind === 'spacer' ? quantityMm(coupling.span) : undefined
    const sets = round.sets
      .filter((set) => set.coupling === coupling.id)
      .map((set) => ({
        set,
        found: set.probes.flatMap((dial) => {
          const probe = probeOn(line, set, dial, stations)
          return probe ? [{ dial, probe }] : []
        }),
      }))
    sources.push(sets.map(({ set, found }) => ({ set, dials: found.map(({ dial }) => dial) })))
    return {
      id: coupling.id,
      left,
      x,
      diameter: quantityMm(coupling.diameter),
      kind: coupling.kind,
      flexPlanes: span && span >= shortestSpan ? [x - span / 2, x + span / 2] : undefined,
      sets: sets.map(({ set, found }) => ({
        state: isCoupled(set) ? 'engaged' : 'released',
        purpose: set.engagedAccepted && isCoupled(set) ? 'plan' : setPurpose(set),
        probes: found.map(({ probe }) => probe),
      })),
    }
  })
  return {
    stations,
    sources,
    train: {
      machines: line.machines.map(({ id, feet }) => ({
        id,
        feet: feet.flatMap((foot) => {
          const x = stations.x.get(foot.id)
          return x === undefined ? [] : [{ id: foot.id, x, ...(foot.growth ? { growth: growthMm(foot.growth) } : {}) }]
        }),
      })),
      couplings,
      fixed: Math.max(
        0,
        line.machines.findIndex((machine) => machine.id === line.fixed),
      ),
      ...allowedOf(line),
    },
  }
}
