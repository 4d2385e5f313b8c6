import { emptyQuantity } from '../../../frame/quantity'
import type { Unit } from '../../../frame/units'
import { lengthUnitFor } from '../../../frame/usual'
import type { LengthCell, LevelCell, RollOfLine, RollsLine, RollsRound } from './schema'

const makeRoll = (n: number, unit: Unit): RollOfLine => {
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

export const repeatRound = (round: RollsRound, id: string, takenAt: string): RollsRound => ({
  ...round,
  id,
  takenAt,
  values: {},
  divisions: {},
  marks: round.marks.map((mark) => ({ ...mark, value: emptyQuantity(mark.value.unit) })),
})

/** The name of a cell of a roll in a round. */
export const cellOf = (roll: string, cell: LengthCell | LevelCell): string => `${roll}.${cell}`
