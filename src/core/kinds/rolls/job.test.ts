import { describe, expect, it } from 'vitest'
import { rolls as kind } from '.'
import { findingsFor, readPeg, verdictPeg } from './advice/findings'
import { cellOf, makeLine, makeRound, withRoll } from './document/make'
import { solveRound } from './solve/round'
import { surveyOf } from './survey/ofJob'
import { solveSurvey } from './survey/solve'
import { jobOfSurvey } from './survey/toJob'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const at = '2026-03-02T08:00:00.000Z'

/** Three rolls 700 apart, the second 0.6 over 1500 out of square by tape, the first squared from the baseline. */
function job() {
  const made = makeLine('Sheet line', 'mm', ['3'])
  const line = {
    ...made,
    width: mm('1600'),
    housings: mm('1800'),
    baseline: mm('1500'),
    rolls: made.rolls.map((roll, i) => ({ ...roll, x: mm(String(700 * i)), diameter: mm('200') })),
  }
  const value = (roll: string, cell: 'near' | 'far' | 'tapeNear' | 'tapeFar' | 'centre', text: string) =>
    [cellOf(roll, cell), mm(text)] as const
  const round = {
    ...makeRound(line, at, 'mm'),
    over: mm('1500'),
    values: Object.fromEntries([
      value('r1', 'near', '40.00'),
      value('r1', 'far', '40.00'),
      value('r1', 'tapeNear', '500.00'),
      value('r1', 'tapeFar', '500.60'),
      value('r2', 'tapeNear', '500.00'),
      value('r2', 'tapeFar', '499.40'),
      value('r3', 'centre', '1498.5'),
    ]),
    divisions: Object.fromEntries(
      line.rolls.flatMap(({ id }) => [
        [cellOf(id, 'level'), '2'],
        [cellOf(id, 'turned'), '-2'],
      ]),
    ),
  }
  return { line, round }
}

describe('a job on a section of rolls', () => {
  it('tells every roll, its move, and the roll that bends its spans', () => {
    const { line, round } = job()
    const solved = solveRound(line, round)
    const [first, second, third] = solved.rolls
    expect(first?.solved?.square?.value).toBeCloseTo(0, 9)
    expect(second?.solved?.square?.value).toBeCloseTo(0.0004, 9)
    expect(second?.solved?.housings?.near.slide).toBeCloseTo(0.72, 6)
    expect(third?.solved?.centre?.value).toBeCloseTo(-1.5, 9)
    expect([readPeg(solved), verdictPeg(solved)]).toEqual(['within', 'outside'])
    const move = findingsFor(solved, line, 'move').filter(({ kind: one }) => one === 'move' || one === 'stays')
    expect(move.map((one) => ('round' in one ? one.round.roll.id : ''))).toEqual(['r2'])
    const fixed = { ...line, rolls: line.rolls.map((roll) => ({ ...roll, fixed: roll.id === 'r2' })) }
    expect(findingsFor(solveRound(fixed, round), fixed, 'move').some(({ kind: one }) => one === 'stays')).toBe(true)
    expect(kind.proof(line, solved).own?.judged.map(({ state }) => state)).toEqual(['outside', 'outside'])
    expect(kind.readingsIn(round)).toBe(13)
  })
  it('goes out as a document with the same result, and comes back as the same job', () => {
    const { line, round } = job()
    const out = surveyOf({ line }, round)
    const result = solveSurvey(out)
    if (!result.ok) throw new Error(result.fault.message)
    expect(result.value.rolls.rolls[1]?.square?.value).toBeCloseTo(0.0004, 9)
    const back = jobOfSurvey(out, 'Back', at)
    if (!back.ok) throw new Error(`${back.fault.path}: ${back.fault.message}`)
    const again = solveRound(back.value.line, back.value.rounds[0]!)
    expect(again.rolls[1]?.solved?.housings?.near.slide).toBeCloseTo(0.72, 6)
    expect(again.spans.map(({ inPlane }) => inPlane?.value.toFixed(7))).toEqual(
      solveRound(line, round).spans.map(({ inPlane }) => inPlane?.value.toFixed(7)),
    )
  })
  it('is refused by its path where the page has no place for what a document holds', () => {
    const { line, round } = job()
    const out = surveyOf({ line }, round)!
    const refused = (rolls: object) => {
      const made = jobOfSurvey({ ...out, rolls: { ...out.rolls, ...rolls } }, 'x', at)
      return made.ok ? '' : made.fault.path
    }
    const [first, second, third] = out.rolls.rolls
    expect(refused({ rolls: [first, { ...second, width: 1000 }, third] })).toBe('rolls.rolls.1.width')
    expect(refused({ rolls: [first, { ...second, housings: [-700, 900] }, third] })).toBe('rolls.rolls.1.housings')
    expect(refused({ web: { path: ['r1', 'r2', 'r1'] } })).toBe('rolls.web.path')
    const readings = [...out.rolls.readings, out.rolls.readings[0]!]
    expect(refused({ readings })).toBe(`rolls.readings.${readings.length - 1}`)
    const skip = { type: 'tape', between: ['r1', 'r3'], near: 1, far: 1, over: 1500 }
    expect(refused({ readings: [skip] })).toBe('rolls.readings.0.between')
    expect(refused({ readings: [{ ...skip, type: 'loop' }] })).toBe('rolls.readings.0.type')
  })
  it('names what is no number and what is missing, and asks for what comes next', () => {
    const { line, round } = job()
    const wrong = { ...round, sensitivity: 'x', divisions: { ...round.divisions, [cellOf('r1', 'level')]: '2 mm' } }
    const solved = solveRound(line, wrong)
    expect(solved.faults.map(({ roll, cell }) => [roll?.id, cell])).toEqual([
      ['r1', 'level'],
      [undefined, 'sensitivity'],
    ])
    expect(kind.faults?.(solved)).toBe(2)
    const empty = makeLine('Row', 'mm', ['2'])
    const first = makeRound(empty, at, 'mm')
    const nothing = solveRound(empty, first)
    expect(nothing.missing.map(({ what }) => what)).toEqual(['width', 'diameter', 'place', 'diameter'])
    expect(nothing.next).toMatchObject({ roll: { id: 'r1' }, cell: 'level' })
    expect(verdictPeg(nothing)).toBe('nothing')
    expect(withRoll(empty, 'mm').rolls.map(({ id }) => id)).toEqual(['r1', 'r2', 'r3'])
    const again = kind.repeatRound(round, 'r2', at)
    expect([again.id, kind.readingsIn(again)]).toEqual(['r2', 0])
    // nothing squares them, and no reference is named
    const bare = { ...line, baseline: mm('') }
    const { near: _near, ...left } = { near: 0, values: { ...round.values } }
    delete (left.values as Record<string, unknown>)['r1.near']
    const kinds = findingsFor(solveRound(bare, { ...round, values: left.values }), bare, 'read').map(
      ({ kind: one }) => one,
    )
    expect(kinds).toContain('no-reference')
  })
})
