import { parseNumber } from '../../../frame/number'
import { quantityFault, quantityMm } from '../../../frame/quantity'
import type { Trouble } from '../../../frame/trouble'
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
import {
  type Roll,
  type RollReading,
  type RollSolved,
  type Section,
  type SectionSolved,
  type SpanSolved,
  solveSection,
} from './section'

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
  /** Of every face, mm; undefined where it is not given. */
  width: number | undefined
  missing: { what: Missing; roll?: RollOfLine }[]
  faults: {
    roll: RollOfLine | undefined
    cell: LengthCell | LevelCell | 'over' | 'sensitivity' | 'mark'
    trouble: Trouble
  }[]
  next: { roll: RollOfLine; cell: LengthCell | LevelCell } | undefined
  read: boolean
  resolution: number
}

/** Deviations where nobody says more: of a scale and a tape, of a place from the baseline, mm; of a level, divisions. */
const usual = { scale: 0.02, tape: 0.05, centre: 0.2, mark: 0.02, level: 0.5 }
/** What a span may bend in its plane where nobody says more, rad: a tenth of a millimetre over a metre. */
const usualLimit = 0.0001

const number = (text: string): number | undefined => {
  const typed = parseNumber(text)
  return typed.ok && !typed.unit ? typed.value : undefined
}
const sizeMm = (quantity: Parameters<typeof quantityMm>[0]): number | undefined => {
  const mm = quantityMm(quantity)
  return mm !== undefined && mm > 0 ? mm : undefined
}

/** The section as its line has it, in mm; undefined while a dimension of it is missing. */
export function sectionOf(line: RollsLine): Section | undefined {
  const [width, apart] = [sizeMm(line.width), sizeMm(line.housings)]
  const rolls = line.rolls.flatMap((roll): Roll[] => {
    const [x, z, diameter] = [quantityMm(roll.x), quantityMm(roll.z), sizeMm(roll.diameter)]
    if (x === undefined || z === undefined || diameter === undefined || width === undefined) return []
    const half = (apart ?? width) / 2
    const limit = number(roll.limit)
    return [
      {
        id: roll.id,
        x,
        z,
        radius: diameter / 2,
        side: roll.side,
        width,
        housings: [-half, half],
        movable: !roll.fixed,
        incline: number(roll.incline) ?? 0,
        limit: limit !== undefined && limit > 0 ? limit / 1000 : usualLimit,
      },
    ]
  })
  if (rolls.length < line.rolls.length) return undefined
  return {
    rolls,
    path: line.rolls.map(({ id }) => id),
    reference: line.reference || undefined,
    baseline: quantityMm(line.baseline),
  }
}

/** Everything that was read, in mm and divisions. */
export function readingsOf(line: RollsLine, round: RollsRound): RollReading[] {
  const mm = (roll: string, cell: LengthCell) => quantityMm(round.values[cellOf(roll, cell)])
  const over = sizeMm(round.over)
  const sensitivity = number(round.sensitivity)
  const levels = line.rolls.flatMap(({ id }) =>
    levelCells.flatMap((cell): RollReading[] => {
      const divisions = number(round.divisions[cellOf(id, cell)] ?? '')
      if (divisions === undefined || sensitivity === undefined || sensitivity <= 0) return []
      const turned = cell === 'turned'
      return [{ type: 'level', on: id, divisions, sensitivity, turned, instrument: 'level', sd: usual.level }]
    }),
  )
  const flats = line.rolls.flatMap(({ id }, i): RollReading[] => {
    const next = line.rolls[i + 1]
    const [near, far, tapeNear, tapeFar] = [mm(id, 'near'), mm(id, 'far'), mm(id, 'tapeNear'), mm(id, 'tapeFar')]
    const stand = round.stands[id]?.trim()
    return [
      ...(near !== undefined && far !== undefined && over !== undefined
        ? [{ type: 'scale', on: id, near, far, over, sd: usual.scale, ...(stand ? { stand } : {}) } as const]
        : []),
      ...(next && tapeNear !== undefined && tapeFar !== undefined && over !== undefined
        ? [
            {
              type: 'tape',
              between: [id, next.id],
              near: tapeNear,
              far: tapeFar,
              over,
              sd: usual.tape,
            } as const,
          ]
        : []),
    ]
  })
  const centres = line.rolls.flatMap(({ id }): RollReading[] => {
    const value = mm(id, 'centre')
    return value === undefined || quantityMm(line.baseline) === undefined
      ? []
      : [{ type: 'centre', on: id, value, sd: usual.centre }]
  })
  const marks = round.marks.flatMap((one): RollReading[] => {
    const [x, value] = [quantityMm(one.x), quantityMm(one.value)]
    const [stand, mark] = [one.stand.trim(), one.mark.trim()]
    return x === undefined || value === undefined || !stand || !mark
      ? []
      : [{ type: 'plane', stand, mark, x, value, sd: usual.mark }]
  })
  return [...levels, ...flats, ...centres, ...marks]
}

/** Solves one round of a section of rolls. Pure; made for every keystroke. */
export function solveRound(line: RollsLine, round: RollsRound): RollsSolved {
  const section = sectionOf(line)
  const readings = readingsOf(line, round)
  const solved = section && readings.length > 0 ? solveSection(section, readings) : undefined
  const typed = (roll: string, cell: LengthCell) => (round.values[cellOf(roll, cell)]?.text ?? '').trim() !== ''
  const level = (roll: string, cell: LevelCell) => (round.divisions[cellOf(roll, cell)] ?? '').trim() !== ''
  const flat = line.rolls.some(({ id }) => lengthCells.some((cell) => cell !== 'centre' && typed(id, cell)))
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
  const next = line.rolls.flatMap((roll, i): NonNullable<RollsSolved['next']>[] => {
    const last = i === line.rolls.length - 1
    return [
      ...levelCells.filter((cell) => !level(roll.id, cell)).map((cell) => ({ roll, cell })),
      // a roll that is square by what was read already is asked no more
      ...(solved?.rolls.find(({ id }) => id === roll.id)?.square
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
  })[0]
  return {
    round,
    rolls: line.rolls.map((roll) => ({
      roll,
      solved: solved?.rolls.find(({ id }) => id === roll.id),
      read: lengthCells.some((cell) => typed(roll.id, cell)) || levelCells.some((cell) => level(roll.id, cell)),
    })),
    spans: solved?.spans ?? [],
    section: solved,
    width: sizeMm(line.width),
    missing,
    faults: faultsIn(line, round),
    next,
    read: readings.length > 0,
    resolution: 0.01,
  }
}

/** Typed numbers that are none. */
function faultsIn({ rolls }: RollsLine, round: RollsRound): RollsSolved['faults'] {
  const bare = (text: string): Trouble | undefined => {
    if (text.trim() === '') return undefined
    const typed = parseNumber(text)
    if (!typed.ok) return typed.trouble
    return typed.unit ? { kind: 'not-a-number', text: text.trim() } : undefined
  }
  const own = rolls.flatMap((roll): RollsSolved['faults'] => [
    ...lengthCells.flatMap((cell) => {
      const trouble = quantityFault(round.values[cellOf(roll.id, cell)])
      return trouble ? [{ roll, cell, trouble }] : []
    }),
    ...levelCells.flatMap((cell) => {
      const trouble = bare(round.divisions[cellOf(roll.id, cell)] ?? '')
      return trouble ? [{ roll, cell, trouble }] : []
    }),
  ])
  const shared = [
    ['over', quantityFault(round.over)] as const,
    ['sensitivity', bare(round.sensitivity)] as const,
    ...round.marks.flatMap(({ x, value }) => [
      ['mark', quantityFault(x)] as const,
      ['mark', quantityFault(value)] as const,
    ]),
  ]
  return [...own, ...shared.flatMap(([cell, trouble]) => (trouble ? [{ roll: undefined, cell, trouble }] : []))]
}
