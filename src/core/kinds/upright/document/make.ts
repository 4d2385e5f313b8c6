import { emptyQuantity } from '../../../frame/quantity'
import type { Unit } from '../../../frame/units'
import { lengthUnitFor } from '../../../frame/usual'
import { anglesOf, makeProbe, repeatSet } from '../../../shafts/make'
import type { ReadSet } from '../../../shafts/schema'
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

/** A dial on each hub, read at every bolt. No bracket sags across an upright shaft. */
function makeSet({ machines: [lower, upper], coupling, flange }: UprightLine, id: string, unit: Unit): ReadSet {
  const dial = (on: string, toward: 'left' | 'right') => ({
    ...makeProbe({ type: 'rim', on, id: `${id}-${on}`, coupling: coupling.id, toward, unit }),
    sag: { text: '0', unit },
  })
  return {
    id,
    coupling: coupling.id,
    method: 'reverse-dial',
    state: 'released',
    angles: anglesAtBolts(flange.bolts),
    probes: [dial(upper.id, 'right'), dial(lower.id, 'left')],
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
