import { describe, expect, it } from 'vitest'
import type { Probe } from '../../../probes'
import { faceChannel } from '../../../probes/face'
import type { Misalignment } from '../../../probes/probe'
import { rimChannel } from '../../../probes/rim'
import { exactFaceReading, exactRimReading, shaftPair } from '../../../rig/geometry'
import { chance } from '../../../rig/random'
import { type Limits, verdictOf } from '../../../verdict/verdict'
import type { Round } from '../document/schema'
import { nextPlan, withDone } from '../plan/next'
import { movesDone, outcomeOf } from '../plan/outcome'
import { planRound } from '../plan/plan'
import { mm, pumpAndMotor, readOnRig, stocked } from '../rig'
import { caseA } from '../survey/caseA'
import { readSurvey } from '../survey/read'
import type { Train } from './model'
import { solveRound } from './round'
import { solveTrain } from './solve'

/** What is told to be known so well, against how far it really strays; and what hangs on the sign of one term. */

const truth: Misalignment = { offsetY: -0.05, slopeY: -0.0003, offsetZ: 0.12, slopeZ: 0.0004 }
const sd = 0.004

/** Reverse dials standing where the tape says, or so far from it. */
function dials(
  source: ReturnType<typeof chance> | undefined,
  of: Misalignment,
  shift: readonly [number, number],
): Probe[] {
  const pair = shaftPair(of, 0)
  const dial = (on: 'left' | 'right', x: number, off: number): Probe => ({
    type: 'rim',
    on,
    x,
    sag: 0,
    sd,
    radius: 80,
    readings: [0, 90, 180, 270].map((angle) => ({
      angle,
      value: exactRimReading(pair, { on, x: x + off, radius: 80, sag: 0 }, angle) + (source ? sd * source.normal() : 0),
    })),
  })
  return [dial('right', 90, shift[0]), dial('left', -70, shift[1])]
}

const train = (probes: Probe[], growth: readonly [number, number] = [0, 0]): Train => ({
  machines: [
    { id: 'pump', feet: [-240, -560].map((x, i) => ({ id: `p${i}`, x })) },
    {
      id: 'motor',
      feet: [
        { id: 'm0', x: 240, growth: { vertical: growth[0] } },
        { id: 'm1', x: 690, growth: { vertical: growth[1] } },
      ],
    },
  ],
  couplings: [{ id: 'C', left: 0, x: 0, diameter: 160, sets: [{ state: 'released', probes }] }],
  fixed: 0,
  rpm: 1480,
})

const movedFeet = (of: Train, tape = 0) =>
  solveTrain(of, { mode: 'fixed' }, 'standard', tape).feet.filter(({ machine }) => machine === 'motor')

/** Root mean square of what strays, in the deviations that were told: one where the told one is true. */
function scaled(runs: number, one: (run: number) => { off: number; told: number }[]): number[] {
  const sums: number[] = []
  for (let run = 0; run < runs; run++)
    one(run).forEach(({ off, told }, i) => {
      sums[i] = (sums[i] ?? 0) + (off / told) ** 2
    })
  return sums.map((sum) => Math.sqrt(sum / runs))
}

describe('the deviation told of a foot', () => {
  it('is how far the readings’ noise really throws it, near and far from the coupling, in both planes', () => {
    const source = chance(77)
    const errors = scaled(500, () =>
      movedFeet(train(dials(source, truth, [0, 0]))).flatMap(({ foot, vertical, horizontal }) => {
        const x = foot === 'm0' ? 240 : 690
        return [
          { off: vertical!.position - (truth.offsetZ + truth.slopeZ * x), told: vertical!.moveSd! },
          { off: horizontal!.position - (truth.offsetY + truth.slopeY * x), told: horizontal!.moveSd! },
        ]
      }),
    )
    expect(errors).toHaveLength(4)
    for (const error of errors) {
      expect(error).toBeGreaterThan(0.9)
      expect(error).toBeLessThan(1.1)
    }
  })
  it('has the tape’s share in it: a dial that stands elsewhere than taped throws steep shafts', () => {
    const source = chance(78)
    const steep = { ...truth, slopeZ: 0.006, slopeY: -0.004 }
    const tape = 1
    const told: number[] = []
    const errors = scaled(500, () => {
      const shifted = dials(source, steep, [tape * source.normal(), tape * source.normal()])
      return movedFeet(train(shifted), tape).map(({ foot, vertical }) => {
        told.push(vertical!.moveSd!)
        return {
          off: vertical!.position - (steep.offsetZ + steep.slopeZ * (foot === 'm0' ? 240 : 690)),
          told: vertical!.moveSd!,
        }
      })
    })
    for (const error of errors) {
      expect(error).toBeGreaterThan(0.88)
      expect(error).toBeLessThan(1.12)
    }
    const bare = movedFeet(train(dials(undefined, steep, [0, 0])))[0]!.vertical!.moveSd!
    expect(told[0]!).toBeGreaterThan(1.3 * bare)
  })
})

describe('the running verdict', () => {
  it('takes in how growth tilts a machine, not only how it lifts it', () => {
    const straight = { offsetY: 0, slopeY: 0, offsetZ: 0, slopeZ: 0 }
    // both feet of the motor rise so that its axis turns about the coupling: no offset there, a slope of a milliradian
    const tilted = solveTrain(train(dials(undefined, straight, [0, 0]), [0.24, 0.69]))
    expect(tilted.couplings[0]!.verdict!.state).toBe('outside')
    // read cold with the opposite slope, it runs in line
    const preset = { ...straight, slopeZ: -0.001 }
    expect(solveTrain(train(dials(undefined, preset, [0, 0]), [0.24, 0.69])).couplings[0]!.verdict!.state).toBe(
      'within',
    )
  })
  it('is within from 95 %, not from nine in ten', () => {
    const limits: Limits = { offset: 0.077, slope: 0.001, judgesOffset: true, source: 'slip-speed' }
    const none = { vertical: { offset: 0, slope: 0 }, horizontal: { offset: 0, slope: 0 } }
    const at = (offsetZ: number) => {
      const covariance = [0, 1, 2, 3].map((i) => [0, 1, 2, 3].map((j) => (i === j ? (i % 2 ? 1e-14 : 1e-4) : 0)))
      const misalignment = { offsetY: 0, slopeY: 0, offsetZ, slopeZ: 0 }
      return verdictOf({ misalignment, covariance, measured: ['vertical', 'horizontal'] }, { x: 0 }, limits, none)
    }
    const near = [0.058, 0.06, 0.061, 0.062, 0.063]
      .map(at)
      .filter(({ probability }) => probability > 0.9 && probability < 0.95)
    expect(near.length).toBeGreaterThan(0)
    expect(near.map(({ state }) => state)).toEqual(near.map(() => 'unsure'))
    expect(at(0.055)).toMatchObject({ state: 'within' })
  })
})

describe('signs that one reading hangs on', () => {
  it('a steep rim is read to a hundredth of a micrometer of where the ray meets the leaning hub', () => {
    const steep = { offsetY: 3, slopeY: 0.02, offsetZ: -2, slopeZ: -0.03 }
    const pair = shaftPair(steep, 0)
    const rim = { type: 'rim' as const, on: 'right' as const, x: 60, radius: 40, sag: 0, sd: 0.01, readings: [] }
    const channel = rimChannel(rim, { couplingX: 0, key: 'k', setKey: 's' })
    const beyond = channel.beyondLinear!(steep)
    for (let angle = 0; angle < 360; angle += 15) {
      const e = [Math.sin((angle * Math.PI) / 180), Math.cos((angle * Math.PI) / 180)] as const
      const linear = e[0] * (steep.offsetY + 60 * steep.slopeY) + e[1] * (steep.offsetZ + 60 * steep.slopeZ)
      const exact = exactRimReading(pair, { on: 'right', x: 60, radius: 40, sag: 0 }, angle)
      expect(linear + beyond(e[0], e[1])).toBeCloseTo(exact, 5)
    }
  })
  it('a float reads the other way round on the back of a flange', () => {
    const readings = [0, 90, 180, 270].map((angle) => ({ angle, value: 0 }))
    const face = (side: 'front' | 'back') =>
      faceChannel(
        { type: 'face', on: 'right', radius: 100, side, lead: 0, sag: 0, sd: 0.01, sharedFloat: true, readings },
        { couplingX: 0, key: 'k', setKey: 's' },
      ).float!.sign
    expect([face('front'), face('back')]).toEqual([1, -1])
    const pair = shaftPair({ offsetY: 0, slopeY: 0, offsetZ: 0, slopeZ: 0.001 }, 0)
    const at = (side: 'front' | 'back') => exactFaceReading(pair, { on: 'right', x: 0, radius: 100, side, sag: 0 }, 0)
    expect(at('back')).toBeCloseTo(-at('front'), 9)
  })
  it('a survey’s allowed offset is in the unit of its readings, not of its lengths', () => {
    const inch = { ...caseA(), units: { length: 'in', reading: 'mil' } }
    const read = readSurvey({ ...inch, train: { ...inch.train, tolerance: { offset: 3, slope: 0.0005 } } })
    expect(read.ok && read.value.train.tolerance!.offset).toBeCloseTo(0.0762, 9)
  })
})

describe('from round to round', () => {
  const line = pumpAndMotor()
  const off = { offsetZ: 0.1, slopeZ: 0.0002, offsetY: 0.12, slopeY: 0.0003 }
  it('room at the bolts is used up by the move, toward near as toward far', () => {
    const limits = { 'm2-front': { near: mm(2), far: mm(2) }, 'm2-back': { near: mm(2), far: mm(2) } }
    const round: Round = { ...readOnRig(line, off), plan: stocked(line, '2', [], { limits }) }
    const plan = planRound({ line }, round, solveRound({ line }, round))!
    const move = plan.moves.get('m2-back')!.horizontal!
    expect(move).toBeLessThan(-0.2)
    const next = nextPlan(round, plan, 'mm').limits['m2-back']!
    expect(Number(next.near!.text)).toBeCloseTo(2 + move, 2)
    expect(Number(next.far!.text)).toBeCloseTo(2 - move, 2)
  })
  it('a station three deviations off is named, one within two is not', () => {
    const plan = stocked(line, '1 + 0.5', ['0.05', '0.1', '0.2', '0.5', '1', '2'])
    const round: Round = { ...readOnRig(line, off), plan }
    const before = solveRound({ line }, round)
    const planned = planRound({ line }, round, before)!
    const moves = movesDone(withDone(round, planned, 'mm'))!
    const states = (by: number) => {
      const after = { offsetZ: 0, slopeZ: 0, offsetY: by, slopeY: 0 }
      const { stations } = outcomeOf(before, moves, solveRound({ line }, readOnRig(line, after)))
      return stations
        .filter(({ plane }) => plane === 'horizontal')
        .map(({ state, off: found, sd: told }) => ({ state, ratio: Math.abs(found) / told }))
    }
    const all = Array.from({ length: 60 }, (_, i) => states(0.002 * i)).flat()
    const between = all.filter(({ ratio }) => ratio > 2.1 && ratio < 3.9)
    expect(between.length).toBeGreaterThan(3)
    expect(between.some(({ state }) => state === 'outside')).toBe(true)
    expect(all.filter(({ ratio, state }) => ratio < 2 && state === 'outside')).toEqual([])
  })
})
