import { planes } from '../../quantity/axis'
import type { Kind, Migration } from '../kind'
import { type BoreListed, findingsFor, readPeg, verdictPeg } from './advice/findings'
import { boreChecks } from './checks'
import { makeLine, makeRound, repeatRound } from './document/make'
import { type BoreLine, type BoreRound, lineSchema, roundSchema } from './document/schema'
import { proofOf, withProofSets } from './prove/proof'
import { type BoreSolved, solveRound } from './solve/round'

/** Bores in a line. */
export interface BoreTypes {
  line: BoreLine
  round: BoreRound
  solved: BoreSolved
  listed: BoreListed
}

const same: Migration = (document) => document

const listedOf = (solved: BoreSolved): BoreListed['sections'] =>
  solved.sections.map(({ x, standing }) => ({
    x: x ?? 0,
    vertical: standing?.vertical?.value ?? null,
    horizontal: standing?.horizontal?.value ?? null,
  }))

function listed(line: BoreLine, solved: BoreSolved): BoreListed {
  const [first] = findingsFor(solved, line, 'read')
  const set = first && 'set' in first ? line.sections.find(({ id }) => id === first.set.section) : undefined
  const section = set ?? (first && 'section' in first ? first.section : undefined)
  return {
    next: { kind: first?.kind ?? 'nothing', ...(section ? { section: section.name } : {}) },
    sections: listedOf(solved),
  }
}

export const bore: Kind<BoreTypes> = {
  lineSchema,
  roundSchema,
  migrations: { job: [same], line: [same] },
  makeLine,
  makeRound,
  repeatRound,
  nextVisit: (round, takenAt) => ({ ...repeatRound(round, 'r1', takenAt), by: '' }),
  named: ({ sections, sides }) => ({
    sides,
    machines: sections.map(({ id, name }) => ({ id, name, feet: [] })),
    couplings: [],
  }),
  readingsIn: ({ sets }) =>
    sets.reduce((sum, { values }) => sum + Object.values(values).filter(({ text }) => text.trim() !== '').length, 0),
  checks: boreChecks,
  seats: () => [],
  solve: solveRound,
  states: () => [],
  faults: ({ faults }) => faults.length,
  pegs: (solved) => ({ read: readPeg(solved), move: verdictPeg(solved) }),
  proof: proofOf,
  withProofSets,
  acts: (_, { sections }) =>
    sections.flatMap(({ section, move }) =>
      planes.flatMap((plane) => {
        const mm = move[plane]
        return mm === null ? [] : [{ key: `${section.id}.${plane}`, mm }]
      }),
    ),
  listed,
  fallbackSummary: (line) => ({
    next: { kind: 'unsolved' },
    sections: line.sections.map(() => ({ x: 0, vertical: null, horizontal: null })),
  }),
}
