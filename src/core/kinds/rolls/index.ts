import { quantityMm } from '../../quantity/quantity'
import type { Kind, Migration } from '../kind'
import { findingsFor, type RollsListed, readPeg, verdictPeg } from './advice/findings'
import { rollsChecks } from './checks'
import { makeLine, makeRound, repeatRound } from './document/make'
import { lineSchema, type RollsLine, type RollsRound, roundSchema } from './document/schema'
import { proofOf, withProofSets } from './prove/proof'
import { type RollsSolved, solveRound } from './solve/round'

/** Rolls that carry a web. */
export interface RollsTypes {
  line: RollsLine
  round: RollsRound
  solved: RollsSolved
  listed: RollsListed
}

const same: Migration = (document) => document

const listedOf = (line: RollsLine, solved: RollsSolved | undefined): RollsListed['rolls'] =>
  line.rolls.map(({ id, x }) => {
    const own = solved?.rolls.find(({ roll }) => roll.id === id)?.solved
    return { x: quantityMm(x) ?? 0, square: own?.square?.value ?? null, level: own?.level?.value ?? null }
  })

function listed(line: RollsLine, solved: RollsSolved): RollsListed {
  const [first] = findingsFor(solved, line, 'read')
  const roll =
    first?.kind === 'next-reading'
      ? first.next.roll.name
      : first?.kind === 'not-a-number'
        ? first.roll?.name
        : undefined
  return { next: { kind: first?.kind ?? 'nothing', ...(roll ? { roll } : {}) }, rolls: listedOf(line, solved) }
}

const filled = (texts: readonly string[]): number => texts.filter((text) => text.trim() !== '').length

export const rolls: Kind<RollsTypes> = {
  lineSchema,
  roundSchema,
  migrations: { job: [same], line: [same] },
  makeLine,
  makeRound,
  repeatRound,
  // what somebody called about is of that visit
  nextVisit: ({ trouble: _, ...round }, takenAt) => ({ ...repeatRound(round, 'r1', takenAt), by: '' }),
  named: (line) => ({
    sides: line.sides,
    machines: line.rolls.map(({ id, name }) => ({ id, name, feet: [] })),
    couplings: [],
  }),
  readingsIn: ({ values, divisions, marks, further, strokes }) =>
    filled(Object.values(values).map(({ text }) => text)) +
    filled(Object.values(divisions)) +
    filled(marks.map(({ value }) => value.text)) +
    filled((further ?? []).flatMap(({ near, far, square, level }) => [near.text, far.text, square, level])) +
    filled(Object.values(strokes ?? {}).map(({ text }) => text)),
  checks: rollsChecks,
  seats: () => [],
  solve: solveRound,
  states: () => [],
  faults: ({ faults }) => faults.length,
  pegs: (solved) => ({ read: readPeg(solved), move: verdictPeg(solved) }),
  proof: proofOf,
  withProofSets,
  acts: (_, { plan }) =>
    plan.moves.flatMap((move) =>
      (['shim', 'slide', 'push'] as const).flatMap((way) => {
        const mm = move[way]
        return mm === null ? [] : [{ key: `${move.roll.id}.${way}`, mm }]
      }),
    ),
  listed,
  fallbackSummary: (line) => ({ next: { kind: 'unsolved' }, rolls: listedOf(line, undefined) }),
}
