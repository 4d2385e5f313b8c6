import { checkItems } from '../../ready/catalog'
import { readingsIn } from '../../shafts/typed'
import type { Kind, Migration } from '../kind'
import { fallbackSummary, listed, readPeg, type TrainListed, worst } from './advice/summary'
import { makeLine, makeRound, nextVisit, repeatRound } from './document/make'
import { withPurposes } from './document/migrations'
import { type Line, lineSchema, machineKinds, type Round, roundSchema } from './document/schema'
import { seatsOf } from './document/seats'
import { proofOf, withOtherMethod, withProofSets } from './prove/proof'
import { type JobSolution, solveRound } from './solve/round'

/** Coupled machines that stand on their feet, from left to right. */
export interface TrainTypes {
  line: Line
  round: Round
  solved: JobSolution
  listed: TrainListed
}

const same: Migration = (document) => document
const machineOf = (text: string | undefined) => machineKinds.find((kind) => kind === text) ?? 'other'

export const train: Kind<TrainTypes> = {
  lineSchema,
  roundSchema,
  migrations: { job: [withPurposes], line: [same] },
  makeLine: (name, unit, [left, right]) => makeLine(name, machineOf(left), machineOf(right), unit),
  makeRound,
  repeatRound,
  nextVisit,
  named: (line) => line,
  readingsIn: ({ sets }) => readingsIn(sets),
  checks: checkItems,
  seats: seatsOf,
  readsRunning: true,
  solve: (line, round) => solveRound({ line }, round),
  states: ({ dials }) => dials,
  pegs: (solved) => ({ read: readPeg(solved), move: worst(solved) }),
  proof: proofOf,
  withProofSets,
  withOtherMethod,
  listed,
  fallbackSummary,
}
