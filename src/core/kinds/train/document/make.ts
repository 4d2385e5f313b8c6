import { jobFrom } from '../../../job/make'
import type { ProbeType } from '../../../probes'
import { emptyQuantity } from '../../../quantity/quantity'
import type { Unit } from '../../../quantity/units'
import { lengthUnitFor } from '../../../quantity/usual'
import type { Occasion } from '../../../ready/catalog'
import { anglesOf, makeProbe, quarterAngles, repeatSet, resultPlanes, station } from '../../../shafts/make'
import type { Method, ProbeSetUp, ReadSet, Station } from '../../../shafts/schema'
import { setPurpose } from '../../../shafts/typed'
import { reasonToStay, usuallyFixed } from './held'
import type { Job, Line, LineFoot, LineMachine, MachineKind, Round } from './schema'

/** New lines, jobs, rounds and sets, with sensible beginnings. Ids are unique within their document. */

export const kindNames: Readonly<Record<MachineKind, string>> = {
  motor: 'Motor',
  pump: 'Pump',
  gearbox: 'Gearbox',
  blower: 'Blower',
  fan: 'Fan',
  other: 'Machine',
}

/** Two stations of feet on one side of a coupling, not dimensioned yet. */
export function twoFeet(machine: string, coupling: string, toward: Station['toward'], unit: Unit): LineFoot[] {
  const front = `${machine}-front`
  return [
    { id: front, name: 'front feet', station: station(coupling, toward, emptyQuantity(unit)) },
    { id: `${machine}-back`, name: 'back feet', station: station(front, toward, emptyQuantity(unit)) },
  ]
}

/** What a machine is called until somebody says otherwise: "Gearbox", and beside another one "Gearbox 2". */
export function usualName(kind: MachineKind, others: readonly { name: string }[]): string {
  const usual = kindNames[kind]
  const taken = (name: string) => others.some((other) => isSameName(other.name, name))
  for (let n = 1; ; n++) {
    const name = n === 1 ? usual : `${usual} ${n}`
    if (!taken(name)) return name
  }
}

/** Whether two names are one to a reader. */
export const isSameName = (a: string, b: string): boolean =>
  a.trim().toLowerCase() === b.trim().toLowerCase() && a.trim() !== ''

export function makeMachine(
  id: string,
  kind: MachineKind,
  feet: LineFoot[],
  others: readonly { name: string }[] = [],
): LineMachine {
  return { id, kind, name: usualName(kind, others), feet }
}

/** A pair joined by one coupling: the driven machine stays, a motor moves. No dimensions yet. */
export function makeLine(name: string, left: MachineKind, right: MachineKind, unit: Unit): Line {
  const length = lengthUnitFor(unit)
  const first = makeMachine('m1', left, twoFeet('m1', 'c1', 'left', length))
  const machines = [first, makeMachine('m2', right, twoFeet('m2', 'c1', 'right', length), [first])]
  const stays = usuallyFixed(machines)
  return {
    name,
    area: '',
    kind: 'train',
    sides: { near: 'near', far: 'far' },
    machines,
    couplings: [
      { id: 'c1', name: 'Coupling', kind: 'short', diameter: emptyQuantity(length), span: emptyQuantity(length) },
    ],
    fixed: stays?.id ?? 'm1',
    fixedBecause: stays ? reasonToStay(stays.kind) : '',
    speed: '',
    tolerance: { policy: 'slip-speed', grade: 'standard' },
  }
}

/** One more station of feet at the outboard end of a machine: six feet instead of four. */
export function withFeet(line: Line, machineId: string, unit: Unit, id: string): Line {
  return {
    ...line,
    machines: line.machines.map((machine) => {
      const last = machine.feet.at(-1)
      if (machine.id !== machineId || !last) return machine
      const names = machine.feet.length === 2 ? ['front feet', 'middle feet'] : machine.feet.map((foot) => foot.name)
      const added = {
        id,
        name: machine.feet.length === 2 ? 'back feet' : `feet ${machine.feet.length + 1}`,
        station: station(last.id, last.station.toward, emptyQuantity(lengthUnitFor(unit))),
      }
      return { ...machine, feet: [...machine.feet.map((foot, i) => ({ ...foot, name: names[i] ?? foot.name })), added] }
    }),
  }
}

/** Toward which end of the train a probe on a machine stands from its coupling. */
export const towardOf = (line: Line, coupling: string, on: string): Station['toward'] =>
  line.machines[line.couplings.findIndex(({ id }) => id === coupling)]?.id === on ? 'left' : 'right'

/**
 * A set at a coupling by a method of the trade, nothing read yet.
 *
 * @param touched id of the machine whose hub is read, for the methods with all probes on one machine; the one that moves
 */
export function makeSet(
  line: Line,
  coupling: string,
  id: string,
  unit: Unit,
  method: Method = 'reverse-dial',
  touched?: string,
): ReadSet {
  const left = line.couplings.findIndex((c) => c.id === coupling)
  const [onLeft, onRight] = [line.machines[left]?.id ?? 'm1', line.machines[left + 1]?.id ?? 'm2']
  const one = touched ?? (onRight === line.fixed ? onLeft : onRight)
  const probe = (type: ProbeType, on: string, part: string) =>
    makeProbe({ type, on, coupling, toward: towardOf(line, coupling, on), id: `${id}-${part}`, unit })
  const probes: Record<Method, () => ProbeSetUp[]> = {
    'reverse-dial': () => [probe('rim', onRight, 'right'), probe('rim', onLeft, 'left')],
    'rim-face': () => [probe('rim', one, 'rim'), probe('face', one, 'face')],
    'rim-two-faces': () => [
      probe('rim', one, 'rim'),
      { ...probe('face', one, 'face'), floats: true },
      { ...probe('face', one, 'face2'), floats: true, lead: 180 },
    ],
    'twin-heads': () => [probe('beam', onRight, 'right'), probe('beam', onLeft, 'left')],
    'two-plane-head': () => [probe('beam2', one, 'head')],
    'prism-head': () => [probe('prism', one, 'head')],
    result: () => [probe('result', one, 'result')],
    'bore-dials': () => [probe('bore', one, 'bore'), probe('bore', one, 'bore2')],
    own: () => [probe('rim', one, 'rim')],
  }
  return {
    id,
    coupling,
    method,
    state: 'released',
    ...(method === 'result' ? { angleAs: 'planes' as const } : {}),
    angles: anglesOf(method === 'result' ? resultPlanes : quarterAngles),
    probes: probes[method](),
  }
}

/** The first round of a job. */
export function makeRound(line: Line, takenAt: string, unit: Unit): Round {
  return {
    id: 'r1',
    takenAt,
    by: '',
    sets: line.couplings.map((coupling) => makeSet(line, coupling.id, `r1-${coupling.id}`, unit)),
  }
}

/** The next round: the same dials on the same brackets, nothing read yet. */
export function repeatRound(round: Round, id: string, takenAt: string): Round {
  return {
    id,
    takenAt,
    by: round.by,
    // repeats and looks at the closed coupling belong to the round they were read in
    sets: round.sets
      .filter((set) => setPurpose(set) === 'plan')
      .map((set, i) => repeatSet(set, `${id}-${set.coupling}${i ? `-${i}` : ''}`)),
  }
}

/** The first round of the next visit: the same set-up, packs, stock and limits; what was done and drawn then is over. */
export function nextVisit(round: Round, takenAt: string): Round {
  const { plan } = round
  const fresh = { ...repeatRound(round, 'r1', takenAt), by: '' }
  if (!plan) return fresh
  const { done: _, agreed: __, drawn: ___, ...kept } = plan
  return { ...fresh, plan: { ...kept, stays: kept.stays === 'drawn' ? 'fixed' : kept.stays } }
}

export function makeJob(line: Line, title: string, takenAt: string, unit: Unit, occasion?: Occasion): Job {
  return jobFrom(line, makeRound(line, takenAt, unit), title, occasion)
}
