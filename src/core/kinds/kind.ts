import type * as v from 'valibot'
import type { JobOf, LineFrame, NamedLine, RoundFrame } from '../job/document'
import type { Act } from '../job/done'
import type { SolveProgram } from '../least/program'
import type { ProofRound } from '../prove/proof'
import type { Checked } from '../quantity/fault'
import type { Unit } from '../quantity/units'
import type { CheckItem } from '../ready/catalog'
import type { SeatMachine } from '../seat/state'
import type { ProbeState } from '../shafts/state'
import type { Purpose } from '../shafts/together'
import type { VerdictState } from '../verdict/state'

/** The types of one kind of line, by which its tables in core, words, drawing, report and page fit together. */
export interface KindTypes {
  line: LineFrame
  round: RoundFrame
  /** Everything that is worked out of one round. */
  solved: unknown
  /** What a list shows of a job of this kind without solving it again; stored as JSON. */
  listed: object
}

/** Brings a stored document of one shape up to the next. */
export type Migration = (document: Readonly<Record<string, unknown>>) => Readonly<Record<string, unknown>>

/** Lines as rows of text. */
export interface LineTable<L> {
  /** A heading that these lines fit under. */
  heading(lines: readonly L[]): string[]
  /** A line as a row; undefined where a row cannot hold it. */
  row(line: L): string[] | undefined
  /** Lines from the rows of a file: all, or what is wrong by row and column. `known`: those that there are already. */
  read(
    cells: readonly (readonly string[])[],
    known: readonly { name: string; area: string }[],
  ): { ok: true; lines: L[] } | { ok: false; faults: readonly { row: number; column: number; what: string }[] }
}

/**
 * One kind of line: all that the frame of a job (lists, screens, storage, report, survey) has to know of it. Everything here is
 * pure. A kind fulfils this in `kinds/<kind>/index.ts` and has one line in each table: `kinds/index.ts`, `kinds/all.ts`, `kinds/surveys.ts`, `kinds/tables.ts`,
 * `words/all.ts`, `drawing/index.ts`, `print/index.ts`, `web/kinds/index.ts`, `web/kinds/load.ts`. Leaving one out does not compile, or fails
 * in the test of the house.
 */
export interface Kind<T extends KindTypes> {
  /** What is stored of a line, and of a round of readings. */
  lineSchema: v.GenericSchema<unknown, T['line']>
  roundSchema: v.GenericSchema<unknown, T['round']>
  /** The steps from the first shape to today's, one for each shape that there was. */
  migrations: { job: readonly Migration[]; line: readonly Migration[] }

  /** A line that was drawn just now, not measured yet. `parts`: what its kind's own form asked. */
  makeLine(name: string, unit: Unit, parts: readonly string[]): T['line']
  /** The first round of a job, and the next one: the same set-up, nothing read yet. */
  makeRound(line: T['line'], takenAt: string, unit: Unit): T['round']
  repeatRound(round: T['round'], id: string, takenAt: string): T['round']
  /** The first round of the next visit: as the last one ended, with its set-up and what lies under the feet, nothing read yet. */
  nextVisit(round: T['round'], takenAt: string): T['round']

  /** What on the line has a name. */
  named(line: T['line']): NamedLine
  /** How many readings a round has. */
  readingsIn(round: T['round']): number

  /** The checks that Ready proposes. */
  checks: readonly CheckItem[]
  /** What a check allows on this line, mm, where that hangs on its size. */
  checkLimit?(item: CheckItem, line: T['line']): number | undefined
  /** The machines that stand on feet; none where a soft foot is no matter. */
  seats(line: T['line']): readonly SeatMachine[]

  /** Readings in, everything known of the round out; made for every keystroke. */
  solve(line: T['line'], round: T['round']): T['solved']
  /** Every probe of the round, as it was typed and solved. */
  states(solved: T['solved']): readonly ProbeState[]
  /** How many numbers are typed and none, where a kind's readings are no probes'. */
  faults?(solved: T['solved']): number
  /** How far Read and Move have come. */
  pegs(solved: T['solved']): { read: VerdictState; move: VerdictState }
  /** A round as it is proved, and the round with a set more at each coupling: read again, closed, or running. */
  proof(line: T['line'], solved: T['solved']): ProofRound
  withProofSets(line: T['line'], round: T['round'], purpose: Purpose, newId: () => string): T['round']
  /** Whether its page takes the numbers of an instrument that reads by itself, and so of a machine that runs. */
  readsRunning?: true
  /** The same with a repeat read by another method, where the kind has more than one. */
  withOtherMethod?(line: T['line'], round: T['round'], newId: () => string): T['round']
  /** What is to be done, to be written down as done; absent where a kind keeps that in its own plan. */
  acts?(line: T['line'], solved: T['solved']): readonly Act[]
  /** What a list shows: the next act as the readings say it, and a miniature. */
  listed(line: T['line'], solved: T['solved']): T['listed']
  /** The same where the job could not be worked out: that it wants looking at. */
  fallbackSummary(line: T['line']): T['listed']
}

/** The open survey document of one kind of line, apart from the rest: a job's screens need none of it until it is asked for. */
export interface KindSurvey<T extends KindTypes> {
  /** Solved as it stands. */
  solve(document: unknown, program?: SolveProgram): Checked<object>
  /** Made of a job; undefined where too little is given for a document that means anything. */
  ofJob(job: Pick<JobOf<T['line'], T['round']>, 'line' | 'seat'>, round: T['round']): object | undefined
  /** Made into a job. */
  toJob(document: unknown, name: string, takenAt: string): Checked<JobOf<T['line'], T['round']>>
}
