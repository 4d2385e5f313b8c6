import { describe, expect, it } from 'vitest'
import type { Round, RoundPlan } from '../document/schema'
import { planRound } from '../plan/plan'
import { mm, pumpAndMotor, readOnRig, stocked } from '../rig'
import { solveRound } from '../solve/round'
import { planFindings } from './planFindings'

const base = pumpAndMotor()
const metric = ['0.05', '0.1', '0.2', '0.5', '1', '2']
const high = { offsetZ: 0.2, slopeZ: 0.0005, offsetY: -0.1, slopeY: 0.0002 }
const grown = {
  ...base,
  machines: base.machines.map((machine) => ({
    ...machine,
    feet: machine.feet.map((foot) => ({
      ...foot,
      growth: { told: 'entered' as const, vertical: mm(0), horizontal: mm(0), source: 'test' },
    })),
  })),
}

/** What is said of a plan, by kind. */
function kinds(plan: RoundPlan, { truth = high, line = base }: { truth?: typeof high; line?: typeof base } = {}) {
  const round: Round = { ...readOnRig(line, truth), plan }
  const solved = solveRound({ line }, round)
  return planFindings(solved, planRound({ line }, round, solved), line).map(({ kind }) => kind)
}
const fine = stocked(base, '2 + 0.5', ['0.01', '0.02', '0.03', '0.04', ...metric], { mostShims: '8' })
const good = stocked(base, '2 + 0.5', metric)

describe('what is said of a plan', () => {
  it.each([
    ['in-the-way', () => kinds(stocked(base, '0.1', metric)), () => kinds(good)],
    ['overlarge', () => kinds(stocked(base, '9', metric), { truth: { ...high, offsetZ: 2.5 } }), () => kinds(good)],
    ['no-growth', () => kinds(good), () => kinds(good, { line: grown })],
    ['packs-unknown', () => kinds({ ...good, packs: {} }), () => kinds(good)],
    ['no-stock', () => kinds({ ...good, stock: {} }), () => kinds(good)],
    ['coarse-pack', () => kinds(stocked(base, '2 + 0.5', ['0.5', '2'])), () => kinds(fine)],
    [
      'tied-moved',
      () => kinds({ ...good, stays: 'hold', hold: ['m2-front', 'm2-back'] }),
      () => kinds({ ...good, stays: 'hold', hold: ['m1-front', 'm1-back'] }),
    ],
  ] as const)('%s where it is so, and not beside it', (kind, does, doesNot) => {
    expect(does()).toContain(kind)
    expect(doesNot()).not.toContain(kind)
  })
  it('is never sure where a dial does not close, and told of what is left only as what was done would leave it', () => {
    const round: Round = { ...readOnRig(base, high), plan: good }
    const slipped: Round = {
      ...round,
      sets: round.sets.map((set) => ({
        ...set,
        probes: set.probes.map((probe, i) =>
          i === 0 ? { ...probe, readings: { ...probe.readings, a180: { value: mm(0.6), turns: 0 } } } : probe,
        ),
      })),
    }
    const solved = solveRound({ line: base }, slipped)
    const found = planFindings(solved, planRound({ line: base }, slipped, solved), base)
    expect(found[0]).toMatchObject({ kind: 'not-sure', coupling: 'c1', doubts: expect.arrayContaining(['not-closed']) })
    expect(found.filter(({ kind }) => kind === 'left')).toMatchObject([{ doubted: true }])
  })
  it('tells what is left as partly done where the packs do not give the whole move', () => {
    const round: Round = { ...readOnRig(base, high), plan: stocked(base, '0.1', metric) }
    const solved = solveRound({ line: base }, round)
    const plan = planRound({ line: base }, round, solved)!
    expect(planFindings(solved, plan, base).filter(({ kind }) => kind === 'left')).toMatchObject([{ partly: true }])
    for (const station of plan.stations.filter(({ machine }) => machine === 'm2')) {
      expect(station.vertical!).toBeCloseTo(-0.1, 9)
      expect(station.wanted.vertical!).toBeLessThan(-0.3)
    }
  })
  it('is nothing where there is no plan', () => {
    expect(planFindings(solveRound({ line: base }, readOnRig(base, high)), undefined, base)).toEqual([])
  })
})
