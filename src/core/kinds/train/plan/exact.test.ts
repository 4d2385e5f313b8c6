import { describe, expect, it } from 'vitest'
import { loadSolver } from '../../../../planner/highs'
import type { Round } from '../document/schema'
import { pumpAndMotor, readOnRig } from '../rig'
import { solveRound } from '../solve/round'
import { caseA } from '../survey/caseA'
import type { Result } from '../survey/result'
import type { Survey } from '../survey/schema'
import { solveSurvey } from '../survey/solve'
import { emptyPlan, factsOf } from './choices'
import { planRound } from './plan'

function planned(survey: Survey): NonNullable<Result['plan']> {
  const solved = solveSurvey(survey)
  if (!solved.ok) throw new Error(`${solved.fault.path}: ${solved.fault.message}`)
  if (!solved.value.plan) throw new Error('no plan')
  return solved.value.plan
}

/** Worked case A (0.216 and 0.396 high) with packs under the motor, and what is to be planned. */
function withPlan(
  plan: NonNullable<Survey['plan']>,
  feet: Partial<Survey['train']['machines'][number]['feet'][number]> = {},
): Survey {
  const survey = caseA()
  return {
    ...survey,
    plan,
    train: {
      ...survey.train,
      machines: survey.train.machines.map((machine) =>
        machine.id === survey.train.fixed
          ? machine
          : { ...machine, feet: machine.feet.map((foot) => ({ ...foot, pack: [1, 0.5], ...feet })) },
      ),
    },
  }
}

describe('what stays, plane by plane', () => {
  const both = ['pump-in', 'motor-out']
  it('holds two feet in one plane and leaves the other to the fixed machine', () => {
    const [fixed, held] = [planned(withPlan({ mode: 'fixed' })), planned(withPlan({ mode: 'hold', hold: both }))]
    const one = planned(withPlan({ mode: 'hold', hold: { vertical: both } }))
    const of = (plan: typeof one, foot: string) => plan.feet.find((each) => each.foot === foot)!
    for (const foot of ['motor-in', 'motor-out']) {
      expect(of(one, foot).vertical).toBeCloseTo(of(held, foot).vertical!, 9)
      expect(of(one, foot).horizontal).toBeCloseTo(of(fixed, foot).horizontal!, 9)
    }
    expect(of(one, 'pump-in')).toMatchObject({ vertical: 0, horizontal: 0 })
  })
  it('is refused by path where a plane names no two feet', () => {
    const fault = (hold: NonNullable<Survey['plan']>['hold']) => solveSurvey(withPlan({ mode: 'hold', hold }))
    expect(fault({})).toMatchObject({ ok: false, fault: { path: 'plan.hold' } })
    expect(fault({ horizontal: ['pump-in'] })).toMatchObject({ ok: false, fault: { path: 'plan.hold.horizontal' } })
    expect(fault({ vertical: ['pump-in', 'x'] })).toMatchObject({ ok: false, fault: { path: 'plan.hold.vertical.1' } })
  })
  it('takes nothing out from under the machine that stays where nobody counted its shims', () => {
    const round = readOnRig(pumpAndMotor(), { offsetZ: 0.3, slopeZ: 0.0006, offsetY: 0, slopeY: 0 })
    const line = pumpAndMotor()
    const facts = (stays: 'fixed' | 'hold', packs: Record<string, { text: string; unit: 'mm' }> = {}) =>
      factsOf({ line }, { ...round, plan: { ...emptyPlan(), stays, packs } }).get('m1-front')!
    expect(facts('hold').limits?.down).toBe(0)
    expect(facts('fixed').limits?.down).toBeUndefined()
    const asked: Round = { ...round, plan: { ...emptyPlan(), stays: 'hold', hold: ['m1-front', 'm2-back'] } }
    const plan = planRound({ line }, asked, solveRound({ line }, asked))!
    for (const { limit, uncounted } of plan.blocking) expect(uncounted).toBe(limit === 'down' ? true : undefined)
    const typed = { text: '1 + 0.5', unit: 'mm' as const }
    expect(facts('hold', { 'm1-front.near': typed, 'm1-front.far': typed }).limits?.down).toBeUndefined()
  })
})

describe('a plan of the least moves', () => {
  it('needs a solver of programs', () => {
    expect(() => planned(withPlan({ mode: 'least' }))).toThrow(/solver/)
  })
  it('in a document: fewest feet, packs, what stays; the margin is half the tolerance unless told', async () => {
    const program = await loadSolver()
    const least = (plan: NonNullable<Survey['plan']>, feet: Parameters<typeof withPlan>[1] = {}) => {
      const survey = withPlan({ mode: 'least', ...plan }, feet)
      const [pump, ...rest] = survey.train.machines
      const packed = [...pump!.feet, { id: 'pump-far', x: -560 }].map((foot) => ({ ...foot, pack: [2, 1] }))
      const machines = [{ ...pump!, feet: packed }, ...rest]
      const solved = solveSurvey({ ...survey, train: { ...survey.train, machines } }, program)
      if (!solved.ok) throw new Error(solved.fault.message)
      return { ...solved.value.plan!, verdict: solved.value.couplings[0]!.verdict! }
    }
    const exact = least({ margin: 0, stock })
    expect(exact.feasible).toBe(true)
    expect(exact.feet).toHaveLength(4)
    expect(exact.feet.filter(({ vertical }) => vertical !== 0)).toHaveLength(2)
    const half = least({})
    const { offset, slope } = half.left.C1!.vertical!
    expect(Math.abs(offset)).toBeLessThanOrEqual(half.verdict.offsetLimit / 2 + 1e-6)
    expect(Math.abs(slope)).toBeLessThanOrEqual(half.verdict.slopeLimit / 2 + 1e-9)
    expect(half.feet.filter(({ vertical }) => vertical !== 0).length).toBeLessThanOrEqual(2)
    const stuck = least({ margin: 0 }, { limits: { down: 0, up: 0, near: 0, far: 0 } })
    expect(stuck.feasible).toBe(true) // the pump goes to the motor
    for (const { foot, vertical } of stuck.feet) if (foot.startsWith('motor')) expect(vertical).toBe(0)
  })
})

const stock = [0.05, 0.1, 0.2, 0.25, 0.5, 1, 2]

describe('a plan with the other machine fixed', () => {
  it('is the exact moves and leaves nothing, where no stock is given', () => {
    const plan = planned(withPlan({ mode: 'fixed' }))
    expect(plan.feasible).toBe(true)
    expect(plan.feet.map((foot) => foot.vertical)).toEqual([expect.closeTo(-0.216, 6), expect.closeTo(-0.396, 6)])
    expect(plan.feet[0]!.pack).toBeUndefined()
    expect(plan.left.C1!.vertical!.offset).toBeCloseTo(0, 9)
    expect(plan.left.C1!.horizontal!.slope).toBeCloseTo(0, 12)
  })
  it('gives the nearest packs and what their rounding leaves at the coupling', () => {
    const plan = planned(withPlan({ stock }))
    // 1.5 − 0.216 = 1.284 → 1.30 or 1.25 + …; 1.5 − 0.396 = 1.104 → 1.10
    const total = (i: number) => plan.feet[i]!.pack!.reduce((sum, size) => sum + size, 0)
    expect(total(0)).toBeCloseTo(1.3, 9)
    expect(total(1)).toBeCloseTo(1.1, 9)
    expect(plan.feet[0]!.residual).toBeCloseTo(0.016, 6)
    expect(plan.feet[1]!.residual).toBeCloseTo(-0.004, 6)
    // the line through both residuals, 240 and 690 mm from the coupling
    const slope = (-0.004 - 0.016) / 450
    expect(plan.left.C1!.vertical!.slope).toBeCloseTo(slope, 9)
    expect(plan.left.C1!.vertical!.offset).toBeCloseTo(0.016 - 240 * slope, 6)
  })
  it('keeps to the number of shims allowed', () => {
    const plan = planned(withPlan({ stock, maxShims: 1 }))
    for (const foot of plan.feet) expect(foot.pack!.length).toBeLessThanOrEqual(1)
  })
  it('names the limits that are limits in the way, and more taken out than lies there', () => {
    const limited = planned(withPlan({}, { limits: { down: 0.3, up: 5, near: 1, far: 0.2 } }))
    expect(limited.feasible).toBe(false)
    const back = caseA().train.machines[1]!.feet[1]!.id
    expect(limited.blocking).toEqual(
      [
        { foot: back, limit: 'far' },
        { foot: back, limit: 'down' },
      ].sort((a, b) => (a.limit < b.limit ? -1 : 1)),
    )
    const bare = planned(withPlan({}, { pack: [0.1] }))
    expect(bare.blocking!.map(({ limit }) => limit)).toEqual(['down', 'down'])
  })
})

it('two held feet stay, and all that is left runs in line', () => {
  const survey = withPlan({})
  const [pump, motor] = survey.train.machines
  const both = [pump!, { ...motor!, feet: motor!.feet.map(({ pack: _, ...foot }) => foot) }]
  const machines = both.map((machine) =>
    machine === pump ? { ...pump, feet: [...pump.feet, { id: 'pump-out', x: -560 }] } : machine,
  )
  const hold = ['pump-out', motor!.feet.at(-1)!.id]
  const plan = planned({ ...survey, train: { ...survey.train, machines }, plan: { mode: 'hold', hold } })
  expect(plan.feet).toHaveLength(4)
  for (const foot of plan.feet.filter(({ foot }) => hold.includes(foot))) expect(foot.vertical).toBeCloseTo(0, 9)
  expect(plan.left.C1!.vertical!.offset).toBeCloseTo(0, 9)
  expect(plan.left.C1!.horizontal!.slope).toBeCloseTo(0, 12)
})
