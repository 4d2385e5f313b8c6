import { parseNumber } from '../../../quantity/number'
import { quantityFault } from '../../../quantity/quantity'
import type { Trouble } from '../../../quantity/trouble'
import { cellOf } from '../document/make'
import {
  type LengthCell,
  type LevelCell,
  lengthCells,
  levelCells,
  type RollOfLine,
  type RollsLine,
  type RollsRound,
} from '../document/schema'
import { slopeTyped } from './measured'

/** A number typed that is none, and where. */
export interface RollsFault {
  roll: RollOfLine | undefined
  cell: LengthCell | LevelCell | 'over' | 'sensitivity' | 'mark' | 'further' | 'stroke' | 'look'
  trouble: Trouble
}

/** Typed numbers that are none. */
export function faultsIn({ rolls }: RollsLine, round: RollsRound): RollsFault[] {
  const bare = (text: string): Trouble | undefined => {
    if (text.trim() === '') return undefined
    const typed = parseNumber(text)
    if (!typed.ok) return typed.trouble
    return typed.unit ? { kind: 'not-a-number', text: text.trim() } : undefined
  }
  const slope = (text: string): Trouble | undefined => (slopeTyped(text) === undefined ? bare(text) : undefined)
  const own = rolls.flatMap((roll): RollsFault[] => [
    ...lengthCells.flatMap((cell) => {
      const trouble = quantityFault(round.values[cellOf(roll.id, cell)])
      return trouble ? [{ roll, cell, trouble }] : []
    }),
    ...levelCells.flatMap((cell) => {
      const trouble = bare(round.divisions[cellOf(roll.id, cell)] ?? '')
      return trouble ? [{ roll, cell, trouble }] : []
    }),
  ])
  const strokes = Object.entries(round.strokes ?? {}).flatMap(([key, quantity]): RollsFault[] => {
    const trouble = quantityFault(quantity)
    const roll = rolls.find(({ id }) => key.startsWith(`${id}.`))
    return trouble && roll ? [{ roll, cell: 'stroke', trouble }] : []
  })
  const further = (round.further ?? []).flatMap((one): RollsFault[] => {
    const roll = rolls.find(({ id }) => id === one.on)
    const troubles = [one.near, one.far, one.gauge].map((quantity) => quantityFault(quantity))
    return [...troubles, slope(one.square), slope(one.level)].flatMap((trouble) =>
      trouble ? [{ roll, cell: 'further', trouble }] : [],
    )
  })
  const shared = [
    ...(round.trouble?.looks ?? []).flatMap(({ near, far }) => [
      ['look', quantityFault(near)] as const,
      ['look', quantityFault(far)] as const,
    ]),
    ['over', quantityFault(round.over)] as const,
    ['sensitivity', slope(round.sensitivity)] as const,
    ...round.marks.flatMap(({ x, value }) => [
      ['mark', quantityFault(x)] as const,
      ['mark', quantityFault(value)] as const,
    ]),
  ]
  return [
    ...own,
    ...strokes,
    ...further,
    ...shared.flatMap(([cell, trouble]) => (trouble ? [{ roll: undefined, cell, trouble }] : [])),
  ]
}
