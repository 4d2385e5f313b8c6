import type { ProbeType } from '../../../probes'
import { emptyQuantity } from '../../../quantity/quantity'
import type { Unit } from '../../../quantity/units'
import { lengthUnitFor } from '../../../quantity/usual'
import { anglesOf, makeProbe, repeatSet, resultPlanes } from '../../../shafts/make'
import type { Method, ProbeSetUp, ReadSet } from '../../../shafts/schema'
import { setPurpose } from '../../../shafts/typed'
import type { UprightLine, UprightRound } from './schema'

/** Angle of a bolt, degrees from bolt 1 the way the bolts are counted. */
export const boltAngle = (bolt: number, bolts: number): number => (360 * (bolt - 1)) / bolts

/** An upright pair, not measured yet: a motor on the flange of what it drives. */
export function makeLine(name: string, unit: Unit, [lower, upper]: readonly string[]): UprightLine {
  const length = lengthUnitFor(unit)
  return {
    name,
    area: '',
    kind: 'upright',
    machines: [
      { id: 'lower', name: lower ?? 'Pump' },
      { id: 'upper', name: upper ?? 'Motor' },
    ],
    coupling: { id: 'c1', name: 'Coupling', diameter: emptyQuantity(length) },
    flange: {
      height: emptyQuantity(length),
      circle: emptyQuantity(length),
      bolts: 4,
      counted: 'clockwise',
      spigot: emptyQuantity(unit),
      shims: emptyQuantity(unit),
    },
    speed: '',
    tolerance: { policy: 'slip-speed', grade: 'standard' },
  }
}

/** How an upright pair is read. */
export const uprightMethods = ['reverse-dial', 'rim-face', 'twin-heads', 'result'] as const satisfies readonly Method[]
export type UprightMethod = (typeof uprightMethods)[number]

/** A set at every bolt, a dial on each hub unless another method is asked for. No bracket sags across an upright shaft. */
export function makeSet(
  { machines: [lower, upper], coupling, flange }: UprightLine,
  id: string,
  unit: Unit,
  method: UprightMethod = 'reverse-dial',
): ReadSet {
  const probe = (type: ProbeType, on: string, part = '') => ({
    ...makeProbe({
      type,
      on,
      id: `${id}-${on}${part}`,
      coupling: coupling.id,
      toward: on === upper.id ? 'right' : 'left',
      unit,
    }),
    sag: { text: '0', unit },
  })
  const probes: Record<UprightMethod, () => ProbeSetUp[]> = {
    'reverse-dial': () => [probe('rim', upper.id), probe('rim', lower.id)],
    'rim-face': () => [probe('rim', upper.id), probe('face', upper.id, '-face')],
    'twin-heads': () => [probe('beam', upper.id), probe('beam', lower.id)],
    result: () => [probe('result', upper.id)],
  }
  return {
    id,
    coupling: coupling.id,
    method,
    state: 'released',
    ...(method === 'result' ? { angleAs: 'planes' as const } : {}),
    angles: method === 'result' ? anglesOf(resultPlanes) : anglesAtBolts(flange.bolts),
    probes: probes[method](),
  }
}

/** The angles of a set that is read at every bolt, or at every so many. */
export const anglesAtBolts = (bolts: number, step = 1): ReadSet['angles'] =>
  anglesOf(Array.from({ length: Math.ceil(bolts / step) }, (_, i) => boltAngle(1 + i * step, bolts)))

/** Steps from bolt to bolt that leave at least three places, evenly spaced. */
export const stepsOf = (bolts: number): number[] =>
  Array.from({ length: bolts }, (_, i) => i + 1).filter((step) => bolts % step === 0 && bolts / step >= 3)

export const makeRound = (line: UprightLine, takenAt: string, unit: Unit): UprightRound => ({
  id: 'r1',
  takenAt,
  by: '',
  sets: [makeSet(line, 'r1-c1', unit)],
})

export const repeatRound = (round: UprightRound, id: string, takenAt: string): UprightRound => ({
  id,
  takenAt,
  by: round.by,
  sets: round.sets.filter((set) => setPurpose(set) === 'plan').map((set, i) => repeatSet(set, `${id}-${i + 1}`)),
})
