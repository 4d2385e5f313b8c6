import type { RigCommand } from '../../../core/device/protocol'
import type { RollsSolved } from '../../../core/kinds/rolls/solve/round'
import { quantityMm } from '../../../core/quantity/quantity'
import { cellName } from '../../../words/rolls/findings'
import { capital } from '../../../words/terms'
import type { NextNumber } from '../../device/OneNumber'
import type { RollsFrame } from './frame'

/** Where the tip goes next along the section; undefined where nothing is left that an indicator can read. */
export function nextOnRolls(
  { nextLength, round }: RollsSolved,
  { line }: RollsFrame['document'],
): NextNumber | undefined {
  if (!nextLength) return undefined
  const { roll, cell } = nextLength
  return {
    key: `${roll.id} ${cell}`,
    place: `${roll.name}, ${capital(cellName(cell, line))}`,
    commands: commandsFor(nextLength, round, line),
  }
}

function commandsFor(
  { roll, cell }: NonNullable<RollsSolved['nextLength']>,
  round: RollsSolved['round'],
  line: RollsFrame['document']['line'],
): RigCommand[] | undefined {
  const over = quantityMm(round.over)
  if (over === undefined || over <= 0 || cell === 'centre') return undefined
  const end = cell === 'near' || cell === 'tapeNear' ? 'near' : 'far'
  const aim = { type: 'aim', touch: 'roll', of: roll.id, end, over } as const
  if (cell === 'near' || cell === 'far') return [aim]
  const next = line.rolls[line.rolls.indexOf(roll) + 1]
  const apart = (key: 'x' | 'z') => {
    const [from, to] = [quantityMm(roll[key]), quantityMm(next?.[key])]
    return from === undefined || to === undefined ? undefined : to - from
  }
  const [x, z] = [apart('x'), apart('z')]
  return next && x !== undefined && z !== undefined ? [{ ...aim, to: { of: next.id, x, z } }] : undefined
}
