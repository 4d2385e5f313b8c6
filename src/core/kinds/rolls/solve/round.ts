import { quantityMm } from '../../../quantity/quantity'
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
import { planTold, type ToldPlan } from '../plan/told'
import { faultsIn, type RollsFault } from './faults'
import { sectionOf, sizeMm, usualLimit } from './measured'
import { type Pivoting, pivotingOf } from './pivoting'
import { readingsOf } from './readings'
import { type Roll, type RollSolved, type SectionSolved, type SpanSolved, solveSection } from './section'
import { type TroubleTold, troubleOf } from './trouble'

/** What a section of rolls lacks before it can be worked with. */
export type Missing = 'width' | 'over' | 'place' | 'diameter'

/** A roll of a round. */
export interface RollRound {
  roll: RollOfLine
  solved: RollSolved | undefined
  /** Whether anything was read of it. */
  read: boolean
}

/** Everything known of one round of a section of rolls. Lengths in mm, angles in rad. */
export interface RollsSolved {
  round: RollsRound
  rolls: RollRound[]
  spans: SpanSolved[]
  section: SectionSolved | undefined
  /** The one list of what is to be done. */
  plan: ToldPlan
  /** How far the near housings can go, by roll, where somebody said. */
  reaches: ReadonlyMap<string, NonNullable<Roll['reach']>>
  /** Of every face, mm; undefined where it is not given. */
  width: number | undefined
  /** Rolls that pivot as they run, and what each may differ by, rad. */
  pivots: { roll: RollOfLine; told: Pivoting; limit: number }[]
  /** A call about trouble; undefined where there was none. */
  trouble: TroubleTold | undefined
  missing: { what: Missing; roll?: RollOfLine }[]
  faults: RollsFault[]
  next: { roll: RollOfLine; cell: LengthCell | LevelCell } | undefined
  /** The next number that an indicator can read: a level is read by its own bubble. */
  nextLength: { roll: RollOfLine; cell: LengthCell } | undefined
  read: boolean
  resolution: number
}

/** Nothing is told finer than this, mm. */
const finest = 0.01

/** Solves one round of a section of rolls. Pure; made for every keystroke. */
export function solveRound(line: RollsLine, round: RollsRound): RollsSolved {
  const section = sectionOf(line)
  const readings = readingsOf(line, round)
  const over = sizeMm(round.over)
  const limitOf = (id: string | undefined) => section?.rolls.find((roll) => roll.id === id)?.limit ?? usualLimit
  const solved = section && readings.length > 0 ? solveSection(section, readings) : undefined
  const found = new Map(solved?.rolls.map((one) => [one.id, one]))
  const typed = (roll: string, cell: LengthCell) => (round.values[cellOf(roll, cell)]?.text ?? '').trim() !== ''
  const level = (roll: string, cell: LevelCell) => (round.divisions[cellOf(roll, cell)] ?? '').trim() !== ''
  const flat =
    line.rolls.some(({ id }) => lengthCells.some((cell) => cell !== 'centre' && typed(id, cell))) ||
    (round.further ?? []).some(({ type, near }) => (type === 'tape' || type === 'loop') && near.text !== '') ||
    Object.values(round.strokes ?? {}).some(({ text }) => text !== '') ||
    (round.trouble?.looks ?? []).some(({ near }) => near.text !== '')
  const missing: RollsSolved['missing'] = [
    ...(sizeMm(line.width) === undefined ? [{ what: 'width' as const }] : []),
    ...line.rolls.flatMap((roll) => [
      ...(quantityMm(roll.x) === undefined || quantityMm(roll.z) === undefined
        ? [{ what: 'place' as const, roll }]
        : []),
      ...(sizeMm(roll.diameter) === undefined ? [{ what: 'diameter' as const, roll }] : []),
    ]),
    ...(flat && sizeMm(round.over) === undefined ? [{ what: 'over' as const }] : []),
  ]
  const squared = quantityMm(line.baseline) !== undefined
  const lacking = line.rolls.flatMap((roll, i): NonNullable<RollsSolved['next']>[] => {
    const last = i === line.rolls.length - 1
    return [
      ...levelCells.filter((cell) => !level(roll.id, cell)).map((cell) => ({ roll, cell })),
      // a roll that is square by what was read already is asked no more
      ...(found.get(roll.id)?.square
        ? []
        : squared
          ? (['near', 'far'] as const)
          : last
            ? []
            : (['tapeNear', 'tapeFar'] as const)
      )
        .filter((cell) => !typed(roll.id, cell))
        .map((cell) => ({ roll, cell })),
    ]
  })
  const isLength = (one: NonNullable<RollsSolved['next']>): one is NonNullable<RollsSolved['nextLength']> =>
    lengthCells.some((cell) => cell === one.cell)
  return {
    round,
    rolls: line.rolls.map((roll) => ({
      roll,
      solved: found.get(roll.id),
      read: lengthCells.some((cell) => typed(roll.id, cell)) || levelCells.some((cell) => level(roll.id, cell)),
    })),
    spans: solved?.spans ?? [],
    plan: planTold({ line, round, section, solved: found, spans: solved?.spans ?? [], resolution: finest }),
    section: solved,
    reaches: new Map((section?.rolls ?? []).flatMap(({ id, reach }) => (reach ? [[id, reach] as const] : []))),
    width: sizeMm(line.width),
    pivots: line.rolls.flatMap((roll, i) =>
      roll.pivots && over !== undefined
        ? [{ roll, told: pivotingOf(round, roll.id, over), limit: section?.rolls[i]?.limit ?? usualLimit }]
        : [],
    ),
    trouble: troubleOf(round, over, limitOf(round.trouble?.span)),
    missing,
    faults: faultsIn(line, round),
    next: lacking[0],
    nextLength: lacking.find(isLength),
    read: readings.length > 0,
    resolution: finest,
  }
}
