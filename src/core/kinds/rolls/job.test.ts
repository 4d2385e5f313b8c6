import { describe, expect, it } from 'vitest'
import { rolls as kind } from '.'
import { findingsFor, readPeg, verdictPeg } from './advice/findings'
import { cellOf, makeFurther, makeLine, makeRound, makeTrouble, strokeCell, withRoll } from './document/make'
import { strokePlaces } from './document/schema'
import { slopeTyped } from './solve/measured'
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
    // the third stands right but for its middle, 1.5 toward the near side
    expect(move.map((one) => ('move' in one ? [one.move.roll.id, one.move.slide, one.move.push] : []))).toEqual([
      ['r2', expect.closeTo(0.72, 6), null],
      ['r3', null, expect.closeTo(1.5, 9)],
    ])
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
    expect(refused({ readings: [skip, { ...skip, type: 'loop', over: 1400 }] })).toBe('rolls.readings.1.over')
  })
  it('keeps what has no cell of its own: a closing tape, a loop, diagonals, and what is told at once', () => {
    const { line, round } = job()
    const out = surveyOf({ line }, round)!
    const readings = [
      ...out.rolls.readings,
      { type: 'tape', between: ['r1', 'r3'], near: 1200, far: 1200.1, over: 1500 },
      { type: 'loop', between: ['r1', 'r2'], near: 2028.32, far: 2029.5, over: 1500 },
      { type: 'diagonals', between: ['r1', 'r3'], nearFar: 2126.2, farNear: 2125.8 },
      { type: 'direct', on: 'r3', square: 0.0001, level: -0.00005, sd: 0.00002 },
    ]
    const back = jobOfSurvey({ ...out, rolls: { ...out.rolls, readings } }, 'Back', at)
    if (!back.ok) throw new Error(`${back.fault.path}: ${back.fault.message}`)
    const kept = back.value.rounds[0]!
    expect(kept.further?.map(({ type, on, to }) => [type, on, to])).toEqual([
      ['tape', 'r1', 'r3'],
      ['loop', 'r1', 'r2'],
      ['diagonals', 'r1', 'r3'],
      ['direct', 'r3', ''],
    ])
    const again = surveyOf({ line: back.value.line }, kept)!
    expect(again.rolls.readings.slice(-4)).toMatchObject(readings.slice(-4).map(({ type }) => ({ type })))
    const direct = again.rolls.readings.at(-1)
    expect(direct).toMatchObject({ on: 'r3', square: 0.0001, level: -0.00005 })
    expect(direct && 'sd' in direct ? direct.sd : 0).toBeCloseTo(0.00002, 8)
    expect(kind.readingsIn(kept)).toBe(13 + 2 * 4)
    // the next visit begins with the same readings asked for, none of them filled in
    expect(kind.repeatRound(kept, 'r2', at).further?.map(({ near, square }) => near.text + square)).toEqual([
      '',
      '',
      '',
      '',
    ])
  })
  it('a tape between rolls that stand in one place, or a roll that is gone, tells nothing and breaks nothing', () => {
    const { line, round } = job()
    const one = { ...makeFurther('f1', 'mm'), near: mm('1200'), far: mm('1200.1') }
    const bare = solveRound(line, round)
    for (const [on, to] of [
      ['', ''],
      ['r1', 'r1'],
      ['r1', 'gone'],
      ['gone', 'r1'],
    ] as const)
      expect(solveRound(line, { ...round, further: [{ ...one, on, to }] }).rolls).toEqual(bare.rolls)
    const wrong = solveRound(line, { ...round, further: [{ ...one, on: 'r1', to: 'r3', far: mm('1 m 2') }] })
    expect(wrong.faults.map(({ roll, cell }) => [roll?.id, cell])).toEqual([['r1', 'further']])
  })
  it('a pivoting roll tells its play first, then how it lies over its stroke', () => {
    const { line, round } = job()
    const turns = { ...line, rolls: line.rolls.map((roll) => ({ ...roll, pivots: roll.id === 'r2' })) }
    const read = (numbers: readonly (readonly [up: number, down: number])[]) =>
      Object.fromEntries(
        strokePlaces.flatMap((place, i) => [
          [strokeCell('r2', place, 'up'), mm(String(numbers[i]?.[0]))],
          [strokeCell('r2', place, 'down'), mm(String(numbers[i]?.[1]))],
        ]),
      )
    const said = (strokes: Record<string, { text: string; unit: 'mm' }>) =>
      findingsFor(solveRound(turns, { ...round, strokes }), turns, 'read').filter(
        (one) => one.kind === 'play' || one.kind === 'stroke',
      )
    expect(said({})).toEqual([])
    // limit 0.0001 over 1500: 0.15
    expect(
      said(
        read([
          [0, 0.2],
          [0, 0],
          [0.5, 0.5],
        ]),
      ),
    ).toMatchObject([{ kind: 'play', peg: 'outside' }])
    const [swing] = said(
      read([
        [0, 0.02],
        [0.05, 0.05],
        [0.4, 0.42],
      ]),
    )
    expect(swing).toMatchObject({ kind: 'stroke', peg: 'outside', of: 'swing' })
    expect(swing && 'by' in swing ? swing.by * 1500 : 0).toBeCloseTo(0.4, 9)
    expect(
      said(
        read([
          [0, 0],
          [0.3, 0.3],
          [0.02, 0],
        ]),
      ),
    ).toMatchObject([{ kind: 'stroke', of: 'bow', peg: 'outside' }])
    expect(
      said(
        read([
          [0, 0],
          [0.02, 0.02],
          [0.03, 0.02],
        ]),
      ),
    ).toMatchObject([{ peg: 'within' }])
    // one way only tells no play, and nothing is said of it
    expect(said({ [strokeCell('r2', 'one', 'up')]: mm('0.9') })).toEqual([])
  })
  it('a call about trouble goes from where it shows, over two looks, to what may correct it', () => {
    const { line, round } = job()
    const told = (change: Partial<ReturnType<typeof makeTrouble>>) =>
      solveRound(line, { ...round, trouble: { ...makeTrouble('mm'), ...change } }).trouble
    const look = (near: string, far: string) => ({ near: mm(near), far: mm(far) })
    expect(solveRound(line, round).trouble).toBeUndefined()
    expect(told({})).toEqual({ state: 'observe' })
    expect(told({ span: 'r2' })).toEqual({ state: 'verify', looks: 0 })
    expect(told({ span: 'r2', looks: [look('500', '500.6'), look('', '')] })).toEqual({ state: 'verify', looks: 1 })
    // the mean is no surer than the looks agree
    const far = told({ span: 'r2', slack: 'near', looks: [look('500', '500.6'), look('500', '500.5')] })
    expect(far).toMatchObject({ state: 'found', longer: 'far', fits: true })
    expect(far?.state === 'found' ? far.bend.value * 1500 : 0).toBeCloseTo(0.55, 9)
    expect(far?.state === 'found' ? far.bend.sd * 1500 : 0).toBeCloseTo(0.05, 9)
    expect(told({ span: 'r2', slack: 'far', looks: [look('500', '500.6'), look('500', '500.5')] })).toMatchObject({
      fits: false,
    })
    expect(told({ span: 'r2', looks: [look('500', '500.1'), look('500', '499.95')] })).toMatchObject({
      state: 'within-doubt',
    })
    // more than a hand differs by: one look is wrong, and no mean of the two tells anything
    expect(told({ span: 'r2', looks: [look('500', '500.6'), look('500', '499.9')] })).toEqual({
      state: 'looks-differ',
      by: expect.closeTo(0.7, 9),
    })
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

describe('numbers out of proportion', () => {
  const kinds = (change: (made: ReturnType<typeof job>) => ReturnType<typeof job>['round']) => {
    const made = job()
    return findingsFor(solveRound(made.line, change(made)), made.line, 'read').map((one) => one.kind)
  }
  const tapes = (near: string, far: string) =>
    kinds(({ round }) => ({
      ...round,
      values: { ...round.values, [cellOf('r1', 'tapeNear')]: mm(near), [cellOf('r1', 'tapeFar')]: mm(far) },
    }))
  it('a tape a thousandth of the distance between its rolls is doubted; differences alone are not', () => {
    // 36.125 inches taken for mil
    expect(tapes('0.917', '0.919')).toContain('odd-tape')
    expect(tapes('500.00', '500.60')).not.toContain('odd-tape')
    expect(tapes('0', '0.60')).not.toContain('odd-tape')
    expect(tapes('0.20', '0.80')).not.toContain('odd-tape')
  })
  it('a scale ten times its neighbors is named', () => {
    const five = withRoll(withRoll(job().line, 'mm'), 'mm')
    const line = {
      ...five,
      rolls: five.rolls.map((roll, i) => ({ ...roll, x: mm(String(700 * i)), z: mm('0'), diameter: mm('200') })),
    }
    const said = (odd: string) => {
      const values = Object.fromEntries(
        line.rolls.flatMap(({ id }, i) => [
          [cellOf(id, 'near'), mm('40.00')],
          [cellOf(id, 'far'), mm(i === 2 ? odd : `40.0${i + 1}`)],
        ]),
      )
      const round = { ...makeRound(line, at, 'mm'), over: mm('1500'), values }
      return findingsFor(solveRound(line, round), line, 'read').flatMap((one) =>
        one.kind === 'odd-scale' ? [one.roll.name] : [],
      )
    }
    expect(said('40.90')).toEqual(['Roll 3'])
    expect(said('40.09')).toEqual([])
  })
  it('a mark that two stands put at two places is told', () => {
    const { line, round } = job()
    const mark = (id: string, stand: string, x: string) => ({ id, stand, mark: 'M1', x: mm(x), value: mm('10') })
    const said = (x: string) =>
      solveRound(line, { ...round, marks: [mark('a', 'S1', '0'), mark('b', 'S2', x)] }).section?.mistakes.map(
        ({ kind: what }) => what,
      )
    expect(said('600')).toContain('two-places')
    expect(said('3')).not.toContain('two-places')
  })
  it('slopes are typed in mm/m or in thousandths over a foot', () => {
    expect(slopeTyped('0.02')).toBe(0.02)
    expect(slopeTyped('0,02 mm/m')).toBe(0.02)
    expect(slopeTyped('12 thou/ft')).toBeCloseTo(1, 12)
    expect(slopeTyped('12 mil / ft')).toBeCloseTo(1, 12)
    expect(slopeTyped('0.02 mil/in')).toBe(0.02)
    expect(slopeTyped('0.02 mm')).toBeUndefined()
    expect(slopeTyped('x thou/ft')).toBeUndefined()
  })
  it('a scale whose numbers grow up the line is turned over', () => {
    const { line, round } = job()
    const values = (text: string) => ({
      ...round.values,
      [cellOf('r1', 'near')]: mm('40.00'),
      [cellOf('r1', 'far')]: mm(text),
    })
    const square = (typed: typeof round) => solveRound(line, typed).rolls[0]!.solved!.square!.value
    expect(square({ ...round, values: values('39.70'), counts: 'other' })).toBeCloseTo(
      square({ ...round, values: values('40.30') }),
      12,
    )
    expect(square({ ...round, values: values('39.70') })).toBeCloseTo(
      -square({ ...round, values: values('40.30') }),
      12,
    )
  })
})
