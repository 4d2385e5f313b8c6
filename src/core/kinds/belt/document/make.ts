import { emptyQuantity, type Quantity } from '../../../quantity/quantity'
import type { Unit } from '../../../quantity/units'
import { lengthUnitFor } from '../../../quantity/usual'
import type { BeltLine, BeltMethod, BeltRound, BeltSet, BeltSheave } from './schema'

function makeSheave(id: string, name: string, unit: Unit, feet: boolean): BeltSheave {
  const length = lengthUnitFor(unit)
  const nothing = emptyQuantity(length)
  return {
    id,
    name,
    across: nothing,
    up: { text: '0', unit: length },
    diameter: nothing,
    width: nothing,
    groove: nothing,
    base: nothing,
    feet: feet
      ? [
          { id: `${id}-front`, name: 'Front feet', behind: nothing },
          { id: `${id}-back`, name: 'Back feet', behind: nothing },
        ]
      : [],
    pivot: { foot: '', beside: nothing },
  }
}

/** A belt drive, not measured yet: the sheave that stays, and a motor's. */
export function makeLine(name: string, unit: Unit, [stays, moved]: readonly string[]): BeltLine {
  return {
    name,
    area: '',
    kind: 'belt',
    sides: { near: 'near', far: 'far' },
    faces: 'right',
    belt: 'v',
    limit: '',
    sheaves: [makeSheave('s1', stays ?? 'Fan', unit, false), makeSheave('s2', moved ?? 'Motor', unit, true)],
    shims: emptyQuantity(unit),
  }
}

/** One sheave more: an idler has no feet, a machine has. */
export function withSheave(line: BeltLine, name: string, unit: Unit, feet: boolean): BeltLine {
  const n = Math.max(...line.sheaves.map(({ id }) => Number(id.slice(1)) || 0)) + 1
  return { ...line, sheaves: [...line.sheaves, makeSheave(`s${n}`, name, unit, feet)] }
}

export function makeSet(on: string, id: string, unit: Unit, method: BeltMethod = 'face'): BeltSet {
  const length = lengthUnitFor(unit)
  return {
    id,
    on,
    method,
    purpose: 'plan',
    radius: emptyQuantity(length),
    twice: true,
    constant: { text: '0', unit },
    over: emptyQuantity(length),
    values: {},
    angles: { toe: '', tilt: '' },
  }
}

export const makeRound = ({ sheaves }: BeltLine, takenAt: string, unit: Unit): BeltRound => ({
  id: 'r1',
  takenAt,
  by: '',
  sets: sheaves.slice(1).map(({ id }) => makeSet(id, `r1-${id}`, unit)),
  tensioned: false,
  tension: { set: '', again: '' },
})

/** The same set-up, nothing read. */
export const emptied = (set: BeltSet, id: string): BeltSet => ({
  ...set,
  id,
  values: {},
  angles: { toe: '', tilt: '' },
})

export const repeatRound = ({ done: _, ...round }: BeltRound, id: string, takenAt: string): BeltRound => ({
  ...round,
  id,
  takenAt,
  sets: round.sets.filter(({ purpose }) => purpose === 'plan').map((set, i) => emptied(set, `${id}-${i + 1}`)),
  tensioned: true,
  tension: { set: '', again: '' },
})

/** Names of the numbers that a set asks for, in the order in which they are read. */
export function cellsOf({ method, twice }: Pick<BeltSet, 'method' | 'twice'>): string[] {
  if (method === 'angles') return ['offset']
  if (method === 'edge') return ['inner', 'outer', 'leanMoved', 'leanStays']
  const once = ['a0', 'a90', 'a180', 'a270']
  return twice ? [...once, ...once.map((key) => `${key}t`)] : once
}

/** Angle and turn of a cell of a face, degrees. */
export const faceCell = (key: string): { angle: number; turned: number } => ({
  angle: Number.parseInt(key.slice(1), 10),
  turned: key.endsWith('t') ? 180 : 0,
})

export const typedAt = ({ values }: Pick<BeltSet, 'values'>, key: string, unit: Unit): Quantity =>
  values[key] ?? emptyQuantity(unit)
