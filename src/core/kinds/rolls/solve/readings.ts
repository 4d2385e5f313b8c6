import { quantityMm } from '../../../quantity/quantity'
import { cellOf } from '../document/make'
import { type Further, type LengthCell, levelCells, type RollsLine, type RollsRound } from '../document/schema'
import { bareNumber, sizeMm, slopeTyped } from './measured'
import type { RollReading, WrittenNumber } from './section'

/** Deviations where nobody says more: of a scale and a tape, of a place from the baseline, mm; of a level, divisions. */
const usual = { scale: 0.02, tape: 0.05, centre: 0.2, mark: 0.02, level: 0.5 }

/** Where a number of a round is written, as its suspects are told: one of its lists, and there by key. */
export const writtenIn = {
  values: (key: string) => `values:${key}`,
  divisions: (key: string) => `divisions:${key}`,
  marks: (id: string) => `marks:${id}`,
  further: (id: string, field: string) => `further:${id}.${field}`,
} as const

const one = (at: string, value: number, list?: string, per: 1 | -1 = 1): WrittenNumber => ({ at, value, list, per })

/** Everything that was read, in mm and divisions. */
export function readingsOf(line: RollsLine, round: RollsRound): RollReading[] {
  const mm = (roll: string, cell: LengthCell) => quantityMm(round.values[cellOf(roll, cell)])
  const over = sizeMm(round.over)
  // a scale whose numbers grow up the line
  const way = round.counts === 'other' ? -1 : 1
  const sensitivity = slopeTyped(round.sensitivity)
  const levels = line.rolls.flatMap(({ id }) =>
    levelCells.flatMap((cell): RollReading[] => {
      const divisions = bareNumber(round.divisions[cellOf(id, cell)] ?? '')
      if (divisions === undefined || sensitivity === undefined || sensitivity <= 0) return []
      const turned = cell === 'turned'
      const written = { divisions: one(writtenIn.divisions(cellOf(id, cell)), divisions, `level ${id}`) }
      return [{ type: 'level', on: id, divisions, sensitivity, turned, instrument: 'level', sd: usual.level, written }]
    }),
  )
  const flats = line.rolls.flatMap(({ id }, i): RollReading[] => {
    const next = line.rolls[i + 1]
    const [near, far, tapeNear, tapeFar] = [mm(id, 'near'), mm(id, 'far'), mm(id, 'tapeNear'), mm(id, 'tapeFar')]
    const stand = round.stands[id]?.trim()
    const both = (cells: readonly [LengthCell, LengthCell], per: 1 | -1 = 1) => {
      const [a, b] = cells.map((cell) =>
        one(writtenIn.values(cellOf(id, cell)), mm(id, cell) ?? 0, `${cells[0]} ${id}`, per),
      )
      return { written: { near: a, far: b } }
    }
    return [
      ...(near !== undefined && far !== undefined && over !== undefined
        ? [
            {
              type: 'scale',
              on: id,
              near: way * near,
              far: way * far,
              over,
              sd: usual.scale,
              ...(stand ? { stand } : {}),
              ...both(['near', 'far'], way),
            } as const,
          ]
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
              ...both(['tapeNear', 'tapeFar']),
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
  const marks = round.marks.flatMap((typed): RollReading[] => {
    const [x, value] = [quantityMm(typed.x), quantityMm(typed.value)]
    const [stand, mark] = [typed.stand.trim(), typed.mark.trim()]
    return x === undefined || value === undefined || !stand || !mark
      ? []
      : [
          {
            type: 'plane',
            stand,
            mark,
            x,
            value: way * value,
            sd: usual.mark,
            written: { value: one(writtenIn.marks(typed.id), value, `marks ${stand}`, way) },
          },
        ]
  })
  const further = (round.further ?? []).flatMap((typed) => furtherReading(line, typed, over))
  return [...levels, ...flats, ...centres, ...marks, ...further]
}

/** What else was read, as a reading; nothing while something of it is missing. */
function furtherReading(line: RollsLine, typed: Further, over: number | undefined): RollReading[] {
  const { type, on, to, id } = typed
  const at = (field: string) => writtenIn.further(id, field)
  const known = (id: string) => line.rolls.some((roll) => roll.id === id)
  if (!known(on)) return []
  if (type === 'direct') {
    const [square, level] = [slopeTyped(typed.square), slopeTyped(typed.level)]
    const gauge = sizeMm(typed.gauge) ?? sizeMm(line.width)
    if ((square === undefined && level === undefined) || gauge === undefined) return []
    const slope = (mmPerMeter: number | undefined) => (mmPerMeter === undefined ? undefined : mmPerMeter / 1000)
    // a short gauge length does not even out the face: sd of a slope is s√2/G
    const written = {
      ...(square === undefined ? {} : { square: one(at('square'), square / 1000) }),
      ...(level === undefined ? {} : { level: one(at('level'), level / 1000) }),
    }
    return [{ type, on, square: slope(square), level: slope(level), sd: (usual.scale * Math.SQRT2) / gauge, written }]
  }
  const [near, far] = [quantityMm(typed.near), quantityMm(typed.far)]
  if (near === undefined || far === undefined || !known(to) || to === on || standTogether(line, on, to)) return []
  const [a, b] = [one(at('near'), near, `further ${id}`), one(at('far'), far, `further ${id}`)]
  if (type === 'diagonals') {
    const written = { nearFar: a, farNear: b }
    return [{ type, between: [on, to], nearFar: near, farNear: far, sd: usual.tape, written }]
  }
  return over === undefined
    ? []
    : [{ type, between: [on, to], near, far, over, sd: usual.tape, written: { near: a, far: b } }]
}

/** Over how long a gauge length a slope is told with that deviation, mm; rad. */
export const gaugeFor = (sd: number): number => (usual.scale * Math.SQRT2) / sd

/** Whether two rolls have one place: nothing between them has a direction then. */
function standTogether({ rolls }: RollsLine, a: string, b: string): boolean {
  const [i, j] = [a, b].map((id) => rolls.find((roll) => roll.id === id))
  const apart = (key: 'x' | 'z') => (quantityMm(i?.[key]) ?? 0) - (quantityMm(j?.[key]) ?? 0)
  return Math.hypot(apart('x'), apart('z')) < 1e-6
}
