import { emptyQuantity } from '../../../quantity/quantity'
import type { Unit } from '../../../quantity/units'
import { lengthUnitFor } from '../../../quantity/usual'
import type {
  Further,
  LengthCell,
  LevelCell,
  Monument,
  RollOfLine,
  RollsLine,
  RollsRound,
  StrokePlace,
  StrokeWay,
  TroubleCall,
} from './schema'

export const makeRoll = (n: number, unit: Unit): RollOfLine => {
  const length = lengthUnitFor(unit)
  const nothing = emptyQuantity(length)
  const zero = { text: '0', unit: length }
  return {
    id: `r${n}`,
    name: `Roll ${n}`,
    x: n === 1 ? zero : nothing,
    z: zero,
    diameter: nothing,
    side: 'over',
    fixed: false,
    incline: '',
    limit: '',
  }
}

/** Most rolls that are drawn at once; more are added one by one. */
const mostDrawn = 20

/** A section of rolls, not measured yet. `parts`: how many. */
export function makeLine(name: string, unit: Unit, [asked]: readonly string[]): RollsLine {
  const nothing = emptyQuantity(lengthUnitFor(unit))
  const many = Math.min(mostDrawn, Math.max(2, Number.parseInt(asked ?? '', 10) || 6))
  return {
    name,
    area: '',
    kind: 'rolls',
    sides: { near: 'near', far: 'far' },
    width: nothing,
    housings: nothing,
    rolls: Array.from({ length: many }, (_, i) => makeRoll(i + 1, unit)),
    reference: '',
    baseline: nothing,
  }
}

/** One roll more, after the last. */
export function withRoll(line: RollsLine, unit: Unit): RollsLine {
  const n = Math.max(0, ...line.rolls.map(({ id }) => Number(id.slice(1)) || 0)) + 1
  return { ...line, rolls: [...line.rolls, makeRoll(n, unit)] }
}

export const makeRound = (_line: RollsLine, takenAt: string, unit: Unit): RollsRound => ({
  id: 'r1',
  takenAt,
  by: '',
  sensitivity: '0.02',
  over: emptyQuantity(lengthUnitFor(unit)),
  values: {},
  divisions: {},
  stands: {},
  marks: [],
})

export const makeFurther = (id: string, unit: Unit): Further => ({
  id,
  type: 'tape',
  on: '',
  to: '',
  near: emptyQuantity(unit),
  far: emptyQuantity(unit),
  square: '',
  level: '',
  gauge: emptyQuantity(lengthUnitFor(unit)),
})

export const makeMonument = (id: string, unit: Unit): Monument => {
  const nothing = emptyQuantity(lengthUnitFor(unit))
  return { id, name: '', place: '', x: nothing, off: nothing, verified: '' }
}

export const makeTrouble = (unit: Unit): TroubleCall => {
  const nothing = emptyQuantity(unit)
  const look = { near: nothing, far: nothing }
  return { what: 'edge', since: '', span: '', slack: '', looks: [look, look] }
}

/** The name of a number of a pivoting roll in a round. */
export const strokeCell = (roll: string, place: StrokePlace, way: StrokeWay): string => `${roll}.${place}-${way}`

export const repeatRound = ({ done: _, ...round }: RollsRound, id: string, takenAt: string): RollsRound => ({
  ...round,
  id,
  takenAt,
  values: {},
  divisions: {},
  marks: round.marks.map((mark) => ({ ...mark, value: emptyQuantity(mark.value.unit) })),
  ...(round.further
    ? {
        further: round.further.map((one) => ({
          ...one,
          near: emptyQuantity(one.near.unit),
          far: emptyQuantity(one.far.unit),
          square: '',
          level: '',
        })),
      }
    : {}),
  ...(round.strokes ? { strokes: {} } : {}),
})

/** The name of a cell of a roll in a round. */
export const cellOf = (roll: string, cell: LengthCell | LevelCell): string => `${roll}.${cell}`
