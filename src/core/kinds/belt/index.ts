import type { Act } from '../../job/done'
import { quantityMm } from '../../quantity/quantity'
import type { Kind, Migration } from '../kind'
import { type BeltListed, findingsFor, readPeg, verdictPeg } from './advice/findings'
import { beltChecks, checkLimit } from './checks'
import { makeLine, makeRound, repeatRound } from './document/make'
import { type BeltLine, type BeltRound, lineSchema, roundSchema } from './document/schema'
import { seatsOf } from './document/seats'
import { proofOf, withProofSets } from './prove/proof'
import { type BeltSolved, solveRound } from './solve/round'

/** Sheaves on a belt. */
export interface BeltTypes {
  line: BeltLine
  round: BeltRound
  solved: BeltSolved
  listed: BeltListed
}

const same: Migration = (document) => document

const listedOf = ({ sheaves }: BeltLine, solved: BeltSolved | undefined): BeltListed['sheaves'] =>
  sheaves.slice(1).map((sheave) => {
    const found = solved?.sheaves.find((one) => one.sheave.id === sheave.id)?.solved
    return {
      across: quantityMm(sheave.across) ?? 0,
      up: quantityMm(sheave.up) ?? 0,
      radius: (quantityMm(sheave.diameter) ?? 100) / 2,
      toe: found?.toe?.value ?? null,
      offset: found?.offset?.value ?? null,
    }
  })

function listed(line: BeltLine, solved: BeltSolved): BeltListed {
  const [stays] = line.sheaves
  const [first] = stays ? findingsFor(solved, stays, 'read') : []
  const sheave =
    first && 'sheave' in first
      ? first.sheave.name
      : first && 'round' in first
        ? first.round.sheave.name
        : first && ('set' in first || 'closure' in first)
          ? line.sheaves.find(({ id }) => id === ('set' in first ? first.set.on : first.closure.set.on))?.name
          : undefined
  return { next: { kind: first?.kind ?? 'nothing', ...(sheave ? { sheave } : {}) }, sheaves: listedOf(line, solved) }
}

export const belt: Kind<BeltTypes> = {
  lineSchema,
  roundSchema,
  migrations: { job: [same], line: [same] },
  makeLine,
  makeRound,
  repeatRound,
  nextVisit: (round, takenAt) => ({ ...repeatRound(round, 'r1', takenAt), by: '', tensioned: false }),
  named: ({ sheaves, sides }) => ({
    sides,
    machines: sheaves.map(({ id, name, feet }) => ({
      id,
      name,
      feet: feet.map((foot) => ({ id: foot.id, name: foot.name })),
    })),
    couplings: sheaves.slice(1).map(({ id, name }) => ({ id, name })),
  }),
  readingsIn: ({ sets }) =>
    sets.reduce((sum, { values }) => sum + Object.values(values).filter(({ text }) => text.trim() !== '').length, 0),
  checks: beltChecks,
  checkLimit,
  seats: seatsOf,
  solve: solveRound,
  states: () => [],
  faults: ({ faults, limitFault }) => faults.length + (limitFault ? 1 : 0),
  pegs: (solved) => ({ read: readPeg(solved), move: verdictPeg(solved) }),
  proof: proofOf,
  withProofSets,
  acts: (_, { sheaves }) =>
    sheaves.flatMap(({ sheave, work }): Act[] => [
      ...work.flatMap(({ foot, shim, swing, pack }) => [
        ...(shim === null ? [] : [{ key: `${foot}.shim`, mm: pack?.reduce((sum, size) => sum + size, 0) ?? shim }]),
        ...(swing === null ? [] : [{ key: `${foot}.swing`, mm: swing }]),
      ]),
      ...(typeof work[0]?.slide === 'number' ? [{ key: `${sheave.id}.slide`, mm: work[0].slide }] : []),
    ]),
  listed,
  fallbackSummary: (line) => ({ next: { kind: 'unsolved' }, sheaves: listedOf(line, undefined) }),
}
