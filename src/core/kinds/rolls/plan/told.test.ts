import { describe, expect, it } from 'vitest'
import { makeLine, makeRound } from '../document/make'
import type { RollsLine, RollsRound } from '../document/schema'
import { solveRound } from '../solve/round'
import { nearHousing } from './told'

const mm = (text: string) => ({ text, unit: 'mm' as const })

/** Five rolls on one height, 1000 apart, squared by scales over 1500 and leveled both ways; `out`: far end less near end, mm. */
function job(out: readonly (string | null)[], levels: readonly (string | null)[] = []): [RollsLine, RollsRound] {
  const made = makeLine('x', 'mm', [String(out.length)])
  const line: RollsLine = {
    ...made,
    width: mm('1600'),
    housings: mm('1800'),
    baseline: mm('1500'),
    rolls: made.rolls.map((roll, i) => ({
      ...roll,
      x: mm(String(1000 * i)),
      z: mm('0'),
      diameter: mm('200'),
      incline: '',
      limit: '0.1',
    })),
  }
  const round = makeRound(line, '', 'mm')
  const values = line.rolls.flatMap(({ id }, i) => {
    const far = out[i]
    return far == null
      ? []
      : [
          [`${id}.near`, mm('10')],
          [`${id}.far`, mm(String(10 + Number(far)))],
        ]
  })
  const divisions = line.rolls.flatMap(({ id }, i) => {
    const own = levels[i] === undefined ? '0' : levels[i]
    return own === null
      ? []
      : [
          [`${id}.level`, own],
          [`${id}.turned`, own],
        ]
  })
  return [
    line,
    {
      ...round,
      over: mm('1500'),
      sensitivity: '0.02',
      values: Object.fromEntries(values),
      divisions: Object.fromEntries(divisions),
    },
  ]
}
const moved = ([line, round]: [RollsLine, RollsRound]) =>
  solveRound(line, round).plan.moves.map(({ roll, slide, shim }) => [
    roll.id,
    slide && Math.round(slide * 100) / 100,
    shim,
  ])

describe('the one list of what is to be done at the rolls', () => {
  it('is of the rolls that put a span out, until none is', () => {
    const [line, round] = job(['0', '0', '0.6', '0', '0'])
    const { plan } = solveRound(line, round)
    expect(plan.by).toBe('out')
    expect(plan.moves.map(({ roll }) => roll.id)).toEqual(['r3'])
    expect(plan.moves[0]).toMatchObject({ slide: expect.closeTo(0.72, 6), shim: expect.closeTo(0, 9), push: null })
    // two beside each other that lie apart from each other and from the rest: both
    expect(moved(job(['0', '0', '0.9', '-0.6', '0'])).map(([id]) => id)).toEqual(['r3', 'r4'])
  })
  it('or of every roll that lies off the numbers', () => {
    const [line, round] = job(['0.05', '0', '0.6', '0.05', '0'])
    expect(solveRound(line, { ...round, plan: 'all' }).plan.moves.map(({ roll }) => roll.id)).toEqual([
      'r1',
      'r3',
      'r4',
    ])
  })
  it('or of the fewest as they were worked out, while those still bring every span in', () => {
    const [line, round] = job(['0', '0', '0.6', '0', '0'])
    const webMoves = [{ roll: 'r3', slide: 0.65, shim: 0 }]
    const told = (some: Partial<RollsRound>, from = round) => solveRound(line, { ...from, plan: 'web', ...some }).plan
    expect(told({ webMoves })).toMatchObject({ by: 'web', stale: false, moves: [{ slide: 0.65 }] })
    const [, other] = job(['0', '0', '-0.6', '0', '0'])
    expect(told({ webMoves }, other)).toMatchObject({ stale: true, moves: [] })
    expect(told({})).toMatchObject({ stale: true, moves: [] })
  })
  it('tells the slide by square alone where the base is level, and says what is not known', () => {
    expect(nearHousing({ housings: [-900, 900], incline: 0 }, 0.0004, null)).toEqual({
      slide: expect.closeTo(0.72, 9),
      shim: null,
    })
    expect(nearHousing({ housings: [-900, 900], incline: 0 }, null, -0.0002)).toEqual({
      slide: null,
      shim: expect.closeTo(-0.36, 9),
    })
    expect(nearHousing({ housings: [-900, 900], incline: 20 }, 0.0004, null)).toEqual({ slide: null, shim: null })
    const [line, round] = job(['0', '0', '0.6', '0', '0'], ['0', '0', null, '0', '0'])
    const { plan } = solveRound(line, { ...round, plan: 'all' })
    expect(plan.moves).toMatchObject([{ roll: { id: 'r3' }, slide: expect.closeTo(0.72, 6), shim: null }])
  })
  it('never moves a roll that can’t be moved', () => {
    const [line, round] = job(['0', '0', '0.6', '0', '0'])
    const fixed = { ...line, rolls: line.rolls.map((roll) => ({ ...roll, fixed: roll.id === 'r3' })) }
    expect(solveRound(fixed, round).plan.moves.map(({ roll }) => roll.id)).not.toContain('r3')
  })
})
