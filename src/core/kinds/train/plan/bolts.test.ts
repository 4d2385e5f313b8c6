import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Misalignment } from '../../../probes/probe'
import { exactRimReading, shaftPair } from '../../../rig/geometry'
import type { Round } from '../document/schema'
import { feetAt, pumpAndMotor, readOnRig, stocked } from '../rig'
import { solveRound } from '../solve/round'
import { boltWork, orderAdvice } from './bolts'
import { planRound } from './plan'
import { creep, lineFrom, type Pushed, pivoted, shows, stillToGo, stops, type Watch } from './stop'

const line = pumpAndMotor()
const motor: Pushed = {
  side: 1,
  couplingX: 0,
  bolts: [
    { foot: 'm2-front', x: feetAt['m2-front'] },
    { foot: 'm2-back', x: feetAt['m2-back'] },
  ],
}

const truths = fc.record({
  offsetZ: fc.double({ min: -0.1, max: 0.1, noNaN: true }),
  slopeZ: fc.double({ min: -0.0003, max: 0.0003, noNaN: true }),
  offsetY: fc.double({ min: -0.8, max: 0.8, noNaN: true }),
  slopeY: fc.double({ min: -0.001, max: 0.001, noNaN: true }),
})

/** What a dial shows at the far side of the exact rig, set so that it showed half of its swing at the beginning. */
function dialOn(on: 'left' | 'right', x: number, begun: Misalignment) {
  const at = (truth: Misalignment, degrees: number) =>
    exactRimReading(shaftPair(truth, 0), { on, x, radius: 80, sag: -0.1 }, degrees)
  const half = (at(begun, 90) - at(begun, 270)) / 2
  const zero = at(begun, 90) - half
  return (now: Misalignment) => at(now, 90) - zero
}

const push = (truth: Misalignment, bolt: 0 | 1, by: number): Misalignment => {
  const { offset, slope } = pivoted(motor, { offset: truth.offsetY, slope: truth.slopeY }, bolt, by)
  return { ...truth, offsetY: offset, slopeY: slope }
}

/** Pushes a foot until the dial shows what it should. */
function pushUntil(truth: Misalignment, bolt: 0 | 1, dial: (now: Misalignment) => number, shown: number): Misalignment {
  let [low, high] = [-6, 6]
  const rises = dial(push(truth, bolt, 1)) > dial(push(truth, bolt, -1))
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (dial(push(truth, bolt, middle)) > shown === rises) high = middle
    else low = middle
  }
  return push(truth, bolt, low)
}

describe('stop readings', () => {
  it('end two jack-bolt moves within 0.01 mm at both feet, on the exact rig, whichever foot is first', () => {
    fc.assert(
      fc.property(truths, fc.constantFrom(0, 1), (truth, first) => {
        const round: Round = { ...readOnRig(line, truth), plan: stocked(line, '2', []) }
        const solved = solveRound({ line }, round)
        const work = boltWork(solved, planRound({ line }, round, solved)!, 'm2', 'horizontal', {
          first: first as 0 | 1,
        })!
        expect(work.watches).toHaveLength(2)
        const dials = [dialOn('right', 90, truth), dialOn('left', -70, truth)]
        work.watches.forEach((watch, i) => {
          expect(dials[i]!(truth)).toBeCloseTo(watch.now, 3)
        })
        let now = truth
        for (const step of work.steps) {
          const bolt = step.foot === 'm2-front' ? 0 : 1
          // either dial will do: take the one that feels this foot more
          const felt = work.watches.map((_, i) => Math.abs(dials[i]!(push(now, bolt, 0.5)) - dials[i]!(now)))
          const watched = felt[0]! > felt[1]! ? 0 : 1
          now = pushUntil(now, bolt, dials[watched]!, step.readings[watched]!)
        }
        for (const x of [feetAt['m2-front'], feetAt['m2-back']])
          expect(Math.abs(now.offsetY + now.slopeY * x)).toBeLessThan(0.01)
      }),
      { numRuns: 150 },
    )
  })
  it('are exact for lines: two moves bring every probe to what it shows in the end', () => {
    const watches: Watch[] = [
      { id: 'a', weight: [1, 90] },
      { id: 'b', weight: [-1, 70] },
    ]
    const now = { offset: -0.4, slope: 0.0006 }
    const by = stillToGo(motor, now, { offset: 0, slope: 0 })
    const [one, two] = stops(motor, now, by, watches)
    expect(two!.line.offset).toBeCloseTo(0, 12)
    expect(two!.line.slope).toBeCloseTo(0, 12)
    expect(one!.readings[0]).toBeCloseTo(shows(watches[0]!, one!.line), 12)
    expect(lineFrom(watches, one!.readings)!.offset).toBeCloseTo(one!.line.offset, 9)
    expect(lineFrom(watches, [0.1, undefined])).toBeUndefined()
  })
  it('stand beside the classic creep, whose moves are counted as pushing by each dial shows', () => {
    const watches: Watch[] = [
      { id: 'motor dial', weight: [1, 90] },
      { id: 'pump dial', weight: [-1, 70] },
    ]
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -0.002, max: 0.002, noNaN: true }),
        (offset, slope) => {
          let now = { offset, slope }
          const goal = { offset: 0, slope: 0 }
          const found = creep(motor, stillToGo(motor, now, goal), watches, 0.005)!
          let moves = 0
          const left = () => stillToGo(motor, now, goal)
          while (Math.max(...left().map(Math.abs)) > 0.005 && moves < 100) {
            const bolt = (moves % 2) as 0 | 1
            const watch = watches[found.watchOf[bolt]]!
            const gain = shows(watch, pivoted(motor, { offset: 0, slope: 0 }, bolt, 1))
            now = pivoted(motor, now, bolt, -shows(watch, now) / gain)
            moves++
          }
          expect(found.moves).toBe(moves < 60 ? moves : undefined)
          expect(Math.abs(found.ratio)).toBeLessThan(1)
        },
      ),
      { numRuns: 200 },
    )
  })
  it('need two dials for creeping', () => {
    expect(creep(motor, [0.1, 0.2], [{ id: 'a', weight: [1, 90] }], 0.005)).toBeUndefined()
  })
})

describe('the order', () => {
  it('is vertical first, and sideways first where a dial stands off the crown by more than its graduation', () => {
    const round = (offsetY: number) => readOnRig(line, { offsetY, slopeY: 0, offsetZ: 0.1, slopeZ: 0 })
    expect(orderAdvice(solveRound({ line }, round(0.3)))).toMatchObject({ school: 'vertical-first', crown: undefined })
    const far = orderAdvice(solveRound({ line }, round(1.6)))
    expect(far.school).toBe('sideways-first')
    expect(far.crown!.low).toBeCloseTo(80 - Math.sqrt(80 ** 2 - 1.6 ** 2), 4)
  })
})

describe('watched from the near side', () => {
  it('every dial shows the same with its sign turned about, and the feet need the same', () => {
    fc.assert(
      fc.property(truths, (truth) => {
        const round: Round = { ...readOnRig(line, truth), plan: stocked(line, '2', []) }
        const solved = solveRound({ line }, round)
        const plan = planRound({ line }, round, solved)!
        const [far, near] = [
          boltWork(solved, plan, 'm2', 'horizontal')!,
          boltWork(solved, plan, 'm2', 'horizontal', { side: 'near' })!,
        ]
        expect(near.at).toBe(270)
        far.watches.forEach(({ now, goal }, i) => {
          expect(near.watches[i]!.now).toBeCloseTo(-now, 9)
          expect(near.watches[i]!.goal).toBeCloseTo(-goal, 9)
        })
        expect(near.by).toEqual(far.by)
        // and the exact rig agrees: a dial carried round to the near side, set to half of its swing there
        const dial = nearDialOn('right', 90, truth)
        expect(dial(truth)).toBeCloseTo(near.watches[0]!.now, 3)
      }),
      { numRuns: 60 },
    )
  })
})

/** What a dial shows at the near side of the exact rig, set so that it showed half of its swing at the beginning. */
function nearDialOn(on: 'left' | 'right', x: number, begun: Misalignment) {
  const at = (truth: Misalignment, degrees: number) =>
    exactRimReading(shaftPair(truth, 0), { on, x, radius: 80, sag: -0.1 }, degrees)
  const half = (at(begun, 270) - at(begun, 90)) / 2
  const zero = at(begun, 270) - half
  return (now: Misalignment) => at(now, 270) - zero
}

describe('the parallel stop', () => {
  it('on the exact rig, one foot alone until its dial shows what was told: both feet then have the same left', () => {
    fc.assert(
      fc.property(truths, (truth) => {
        const round: Round = { ...readOnRig(line, truth), plan: stocked(line, '2', []) }
        const solved = solveRound({ line }, round)
        const work = boltWork(solved, planRound({ line }, round, solved)!, 'm2', 'horizontal')!
        fc.pre(work.parallel !== undefined)
        const { foot, readings, left } = work.parallel!
        expect(foot).toBe('m2-back')
        const dials = [dialOn('right', 90, truth), dialOn('left', -70, truth)]
        const felt = dials.map((dial) => Math.abs(dial(push(truth, 1, 0.5)) - dial(truth)))
        const watched = felt[0]! > felt[1]! ? 0 : 1
        const now = pushUntil(truth, 1, dials[watched]!, readings[watched]!)
        const toGo = [feetAt['m2-front'], feetAt['m2-back']].map((x) => -(now.offsetY + now.slopeY * x))
        expect(Math.abs(toGo[0]! - toGo[1]!)).toBeLessThan(0.01)
        expect(Math.abs(toGo[0]! - left)).toBeLessThan(0.01)
        // reverse dials stand equally far from their ends, one over and one under
        const off = work.watches.map(({ goal }, i) => readings[i]! - goal)
        expect(Math.abs(Math.abs(off[0]!) - Math.abs(off[1]!))).toBeLessThan(0.01)
      }),
      { numRuns: 80 },
    )
  })
})
