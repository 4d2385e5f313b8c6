import { emptyQuantity } from '../../../quantity/quantity'
import type { Unit } from '../../../quantity/units'
import { lengthUnitFor } from '../../../quantity/usual'
import type { BoreLine, BoreRound, BoreSection, BoreSet } from './schema'

export const makeSection = (n: number, unit: Unit): BoreSection => {
  const length = lengthUnitFor(unit)
  return {
    id: `p${n}`,
    name: `Pocket ${n}`,
    pocket: '',
    x: n === 1 ? { text: '0', unit: length } : emptyQuantity(length),
    diameter: emptyQuantity(length),
  }
}

/** Most bores that are drawn at once; more are added one by one. */
const mostDrawn = 12

/** A row of bores, not measured yet. `parts`: how many. */
export function makeLine(name: string, unit: Unit, [asked]: readonly string[]): BoreLine {
  const length = lengthUnitFor(unit)
  const many = Math.min(mostDrawn, Math.max(2, Number.parseInt(asked ?? '', 10) || 4))
  return {
    name,
    area: '',
    kind: 'bore',
    sides: { near: 'near', far: 'far' },
    sections: Array.from({ length: many }, (_, i) => makeSection(i + 1, unit)),
    reference: { way: 'held', held: ['', ''] },
    carrier: {
      kind: 'stiff',
      from: { text: '0', unit: length },
      length: emptyQuantity(length),
      weight: '',
      tension: '',
      stiffness: '',
    },
    limit: emptyQuantity(unit),
    correct: 'shims',
  }
}

/** One section more, after the last. */
export function withSection(line: BoreLine, unit: Unit): BoreLine {
  const n = Math.max(0, ...line.sections.map(({ id }) => Number(id.slice(1)) || 0)) + 1
  return { ...line, sections: [...line.sections, makeSection(n, unit)] }
}

export const makeSet = (section: string, id: string, unit: Unit): BoreSet => ({
  id,
  section,
  purpose: 'plan',
  places: 4,
  sense: 'out',
  sag: emptyQuantity(unit),
  pushed: emptyQuantity(unit),
  values: {},
})

export const makeRound = ({ sections }: BoreLine, takenAt: string, unit: Unit): BoreRound => ({
  id: 'r1',
  takenAt,
  by: '',
  sets: sections.map(({ id }) => makeSet(id, `r1-${id}`, unit)),
})

/** The same set-up, nothing read. */
export const emptied = (set: BoreSet, id: string): BoreSet => ({ ...set, id, values: {} })

export const repeatRound = ({ done: _, ...round }: BoreRound, id: string, takenAt: string): BoreRound => ({
  ...round,
  id,
  takenAt,
  sets: round.sets.filter(({ purpose }) => purpose === 'plan').map((set, i) => emptied(set, `${id}-${i + 1}`)),
})

/** Names of the numbers that a set asks for, from the top toward the far side. */
export const cellsOf = ({ places }: Pick<BoreSet, 'places'>): string[] =>
  Array.from({ length: places }, (_, i) => `a${(360 * i) / places}`)

export const degreesOf = (cell: string): number => Number(cell.slice(1))

/** The two sections that are held: as chosen, else the first and the last along the row as it is drawn. */
export function heldOf({ sections, reference }: Pick<BoreLine, 'sections' | 'reference'>): [string, string] {
  const known = (id: string) => sections.some((section) => section.id === id)
  const [a, b] = reference.held
  const [first, last] = [sections[0]?.id ?? '', sections.at(-1)?.id ?? '']
  return [known(a) ? a : first, known(b) ? b : last]
}
