import { quantityMm } from '../../../quantity/quantity'
import { fromMm, type Unit } from '../../../quantity/units'
import { lengthUnitFor } from '../../../quantity/usual'
import type { ReadSet, Station } from '../../../shafts/schema'
import { readingsIn } from '../../../shafts/typed'
import { isSameName, makeMachine, makeSet, twoFeet } from './make'
import type { Job, Line, LineCoupling, LineMachine, MachineKind } from './schema'
import { originOf, placeStations, type Stations } from './stations'

/**
 * Altering a line: machines, feet and marks put in and taken out. What was measured from something that goes is measured
 * from something that stays, so that nothing left changes its place.
 */

/** A distance as a person would write it: to a thousandth of a millimeter or a ten-thousandth of an inch, no idle noughts. */
const written = (mm: number, { unit }: Station['distance']): Station['distance'] => ({
  text: String(Number(fromMm(mm, unit).toFixed(unit === 'mm' ? 3 : 4))),
  unit,
})

/** The station measured from `from` instead, standing where it stood; its distance emptied where that is not known. */
export function measuredFrom(
  station: Station,
  from: string,
  at: number | undefined,
  x: ReadonlyMap<string, number>,
): Station {
  const begin = x.get(from)
  if (at === undefined || begin === undefined)
    return { ...station, from, distance: { text: '', unit: station.distance.unit } }
  const by = at - begin
  return {
    from,
    toward: by === 0 ? station.toward : by > 0 ? 'right' : 'left',
    distance: written(Math.abs(by), station.distance),
  }
}

type Mend = (id: string, station: Station, beside: string) => Station

/** The line with each of its stations as `mend` gives it; `beside`: the coupling next to it. */
function eachStation(line: Line, mend: Mend): Line {
  const origin = originOf(line)
  const none: Station = { from: '', toward: 'right', distance: { text: '', unit: 'mm' } }
  return {
    ...line,
    machines: line.machines.map((machine, m) => ({
      ...machine,
      feet: machine.feet.map((foot) => ({
        ...foot,
        station: mend(foot.id, foot.station, line.couplings[Math.max(0, m - 1)]?.id ?? origin),
      })),
    })),
    couplings: line.couplings.map(({ station, ...bare }) =>
      bare.id === origin ? bare : { ...bare, station: mend(bare.id, station ?? none, origin) },
    ),
    ...(line.marks
      ? { marks: line.marks.map((mark) => ({ ...mark, station: mend(mark.id, mark.station, origin) })) }
      : {}),
  }
}

/** The line with nothing measured from what is gone: from the coupling beside it, or, where that would go round in a circle, from the origin. */
function mended(line: Line, old: Stations): Line {
  const origin = originOf(line)
  const lost = new Set(placeStations(line).faults.flatMap(({ kind, of }) => (kind === 'unknown-reference' ? [of] : [])))
  const beside = eachStation(line, (id, station, next) =>
    lost.has(id) || station.from === '' ? measuredFrom(station, next, old.x.get(id), old.x) : station,
  )
  const round = new Set(placeStations(beside).faults.flatMap(({ kind, of }) => (kind === 'circle' ? [of] : [])))
  return round.size === 0
    ? beside
    : eachStation(beside, (id, station) =>
        round.has(id) ? measuredFrom(station, origin, old.x.get(id), old.x) : station,
      )
}

function freeCouplingName({ couplings }: Line): string {
  for (let n = couplings.length + 1; ; n++)
    if (!couplings.some(({ name }) => isSameName(name, `Coupling ${n}`))) return `Coupling ${n}`
}

/**
 * One more machine, with its coupling.
 *
 * @param at place among the machines from the left: 0 at the left end, their number at the right end
 * @param makeId makes the ids of the two, from a letter
 */
export function withMachineAt(
  line: Line,
  at: number,
  kind: MachineKind,
  unit: Unit,
  makeId: (prefix: string) => string,
): Line {
  const length = lengthUnitFor(unit)
  const blank = { text: '', unit: length }
  const id = makeId('m')
  const coupling = makeId('c')
  const joint = (station: Station): LineCoupling => ({
    id: coupling,
    name: freeCouplingName(line),
    kind: 'short',
    station,
    diameter: blank,
    span: blank,
  })
  const put = <T>(list: readonly T[], place: number, one: T): T[] => [
    ...list.slice(0, place),
    one,
    ...list.slice(place),
  ]
  if (at <= 0) {
    const neighbor = line.machines[0]?.feet.at(-1)?.id ?? originOf(line)
    return {
      ...line,
      machines: [makeMachine(id, kind, twoFeet(id, coupling, 'left', length), line.machines), ...line.machines],
      couplings: [joint({ from: neighbor, toward: 'left', distance: blank }), ...line.couplings],
    }
  }
  const before = line.couplings[at - 1]?.id
  const from = before ?? coupling
  const machine = makeMachine(id, kind, twoFeet(id, from, 'right', length), line.machines)
  const neighbor = before
    ? (machine.feet.at(-1)?.id ?? before)
    : (line.machines.at(-1)?.feet.at(-1)?.id ?? originOf(line))
  // the feet on the right of the new machine keep their distance from the coupling beside them
  const shifted = (one: LineMachine): LineMachine => ({
    ...one,
    feet: one.feet.map((foot) =>
      foot.station.from === before ? { ...foot, station: { ...foot.station, from: coupling } } : foot,
    ),
  })
  return {
    ...line,
    machines: put(
      line.machines.map((one, m) => (before && m === at ? shifted(one) : one)),
      at,
      machine,
    ),
    couplings: put(line.couplings, at, joint({ from: neighbor, toward: 'right', distance: blank })),
  }
}

/** The line without a machine; where it stood between two others, the coupling on its left joins them. A pair stays a pair. */
export function withoutMachine(line: Line, id: string): Line {
  const at = line.machines.findIndex((machine) => machine.id === id)
  if (at < 0 || line.machines.length <= 2) return line
  const machines = line.machines.filter((machine) => machine.id !== id)
  const gone = line.couplings[at === line.machines.length - 1 ? at - 1 : at]?.id
  const couplings = line.couplings.filter((coupling) => coupling.id !== gone)
  const fixed = id === line.fixed ? (machines[0]?.id ?? '') : line.fixed
  return mended({ ...line, machines, couplings, fixed }, placeStations(line))
}

/** The line without one station of feet of a machine. */
export function withoutFoot(line: Line, machineId: string, footId: string): Line {
  const old = placeStations(line)
  return mended(
    {
      ...line,
      machines: line.machines.map((machine) =>
        machine.id === machineId ? { ...machine, feet: machine.feet.filter((foot) => foot.id !== footId) } : machine,
      ),
    },
    old,
  )
}

/** The line without a mark. */
export const withoutMark = (line: Line, id: string): Line =>
  mended({ ...line, marks: (line.marks ?? []).filter((mark) => mark.id !== id) }, placeStations(line))

/** The set without a probe: others that were measured from it are measured from the coupling. */
export function withoutProbe(line: Line, set: ReadSet, id: string): ReadSet {
  const { x } = placeStations(line, set.probes)
  return {
    ...set,
    probes: set.probes
      .filter((probe) => probe.id !== id)
      .map((probe) =>
        probe.station.from === id
          ? { ...probe, station: measuredFrom(probe.station, set.coupling, x.get(probe.id), x) }
          : probe,
      ),
  }
}

/** Two probes at a coupling, put at half their distance from it each: the tape from dial to dial, halved. */
export function halved(set: ReadSet, left: string, right: string, distance: Station['distance']): ReadSet {
  const mm = quantityMm(distance)
  if (mm === undefined) return set
  const at = (toward: Station['toward']): Station => ({
    from: set.coupling,
    toward,
    distance: written(Math.abs(mm) / 2, distance),
  })
  return {
    ...set,
    probes: set.probes.map((probe) =>
      probe.id === left || probe.id === right ? { ...probe, station: at(probe.id === left ? 'left' : 'right') } : probe,
    ),
  }
}

/** Whether the probes of a set are all on the two machines that its coupling joins. */
function joins(line: Line, set: ReadSet): boolean {
  const c = line.couplings.findIndex(({ id }) => id === set.coupling)
  const beside = [line.machines[c]?.id, line.machines[c + 1]?.id]
  return c >= 0 && set.probes.every(({ on }) => beside.includes(on))
}

/**
 * The job with a set for every coupling its line has, in each round. Sets of couplings that are gone, or that no longer
 * join the machines they were read on, are dropped; probes that hung by something gone stay where they were.
 *
 * @param before the line as it was, where it was altered
 */
export function matchSets(job: Job, unit: Unit, before?: Line): Job {
  const { line } = job
  return {
    ...job,
    rounds: job.rounds.map((round) => {
      const kept = round.sets
        .filter((set) => joins(line, set))
        .map((set) => {
          const old = before && placeStations(before, set.probes)
          const now = placeStations(line, set.probes)
          const lost = new Set(now.faults.flatMap(({ kind, of }) => (kind === 'unknown-reference' ? [of] : [])))
          if (!old || !set.probes.some(({ id }) => lost.has(id))) return set
          return {
            ...set,
            probes: set.probes.map((probe) =>
              lost.has(probe.id)
                ? { ...probe, station: measuredFrom(probe.station, set.coupling, old.x.get(probe.id), old.x) }
                : probe,
            ),
          }
        })
      const added = line.couplings
        .filter((c) => !kept.some((set) => set.coupling === c.id))
        .map((c) => makeSet(line, c.id, `${round.id}-${c.id}`, unit))
      return added.length > 0 || kept.some((set, i) => set !== round.sets[i]) || kept.length !== round.sets.length
        ? { ...round, sets: [...kept, ...added] }
        : round
    }),
  }
}

/** What was read of a round that an alteration of the line would drop: how many sets, how many readings. */
export function droppedBy(job: Pick<Job, 'rounds'>, line: Line): { sets: number; readings: number } {
  const sets = job.rounds.flatMap((round) => round.sets.filter((set) => !joins(line, set)))
  return { sets: sets.filter((set) => readingsIn([set]) > 0).length, readings: readingsIn(sets) }
}
