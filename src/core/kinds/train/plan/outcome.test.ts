import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Round } from '../document/schema'
import { moved, pumpAndMotor, readOnRig, stocked } from '../rig'
import { solveRound } from '../solve/round'
import { withDone } from './next'
import { expectedReadings, movesDone, outcomeOf } from './outcome'
import { planRound } from './plan'

const line = pumpAndMotor()
const truth = { offsetZ: -0.14, slopeZ: -0.0004, offsetY: 0.1, slopeY: 0.0003 }

function planned(of = truth) {
  const round: Round = {
    ...readOnRig(line, of),
    plan: stocked(line, '1 + 0.5', ['0.05', '0.1', '0.2', '0.5', '1', '2']),
  }
  const solved = solveRound({ line }, round)
  const plan = planRound({ line }, round, solved)!
  return { round, solved, plan }
}

const done = ({ plan }: ReturnType<typeof planned>, foot: string) => {
  const move = plan.moves.get(foot)
  return { vertical: move?.vertical ?? 0, horizontal: move?.horizontal ?? 0 }
}

describe('the next readings', () => {
  it('are what the rig then reads at every dial and angle', () => {
    const some = fc.double({ min: -0.4, max: 0.4, noNaN: true })
    fc.assert(
      fc.property(some, some, (offsetZ, offsetY) => {
        const of = { ...truth, offsetZ, offsetY }
        const before = planned(of)
        const after = readOnRig(
          line,
          moved(of, (foot) => done(before, foot)),
        )
        for (const { state, readings } of expectedReadings(before.solved, before.plan.moves))
          for (const { angleId, value } of readings) {
            const probes = after.sets.flatMap((set) => set.probes)
            const read = probes.find(({ on }) => on === state.dial.on)?.readings[angleId]?.value.text
            expect(Math.abs(value - Number(read))).toBeLessThan(0.002)
          }
      }),
      { numRuns: 60 },
    )
  })
})

describe('what came of a move', () => {
  const outcome = (change: (foot: string, plane: 'vertical' | 'horizontal', move: number) => number) => {
    const before = planned()
    const after = moved(truth, (foot) => {
      const { vertical, horizontal } = done(before, foot)
      return { vertical: change(foot, 'vertical', vertical), horizontal: change(foot, 'horizontal', horizontal) }
    })
    const moves = movesDone(withDone(before.round, before.plan, 'mm'))!
    return outcomeOf(before.solved, moves, solveRound({ line }, readOnRig(line, after)))
  }
  it('is as planned where the move was done as planned', () => {
    const { stations, causes } = outcome((_, __, move) => move)
    expect(stations).toHaveLength(4)
    expect(causes).toEqual([])
    for (const { off } of stations) expect(Math.abs(off)).toBeLessThan(0.004)
  })
  it('names the station that is off and the usual causes, likeliest first', () => {
    const { causes } = outcome((foot, plane, move) => (foot === 'm2-back' && plane === 'vertical' ? move - 0.2 : move))
    expect(causes.map(({ station }) => `${station.foot} ${station.plane}`)).toEqual(['m2-back vertical'])
    expect(causes[0]!.station.off).toBeCloseTo(-0.2, 2)
    expect(causes[0]!.causes[0]).toBe('wrong-shim')
  })
  it('sees a push to the wrong side, and one that was not made', () => {
    const wrong = outcome((foot, plane, move) => (foot === 'm2-back' && plane === 'horizontal' ? -move : move))
    expect(wrong.causes[0]!.causes[0]).toBe('wrong-way')
    const none = outcome((foot, plane, move) => (foot === 'm2-back' && plane === 'horizontal' ? 0 : move))
    expect(none.causes[0]!.causes[0]).toBe('not-moved')
  })
  it('is nothing where nobody wrote down what was done', () => {
    expect(movesDone(planned().round)).toBeUndefined()
  })
})
