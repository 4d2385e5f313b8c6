import { describe, expect, it } from 'vitest'
import { planFindings } from '../../core/kinds/train/advice/planFindings'
import type { Round } from '../../core/kinds/train/document/schema'
import { boltWork } from '../../core/kinds/train/plan/bolts'
import { planRound } from '../../core/kinds/train/plan/plan'
import { toGoDoubt } from '../../core/kinds/train/plan/stop'
import { bestHeld } from '../../core/kinds/train/plan/within'
import { pumpAndMotor, readOnRig, stocked } from '../../core/kinds/train/rig'
import { solveRound } from '../../core/kinds/train/solve/round'
import { solveTrain } from '../../core/kinds/train/solve/solve'
import { minutesFor } from '../../core/least/effort'
import type { Terms } from '../terms'
import { creepText, halfSet, parallelText, pushText, toGoText } from './bolts'
import { growthText } from './growth'
import { packAct, sayPlan, shimSize } from './plan'

const line = { ...pumpAndMotor(), sides: { near: 'aisle', far: 'wall' } }
const mm: Terms = { line, unit: 'mm', resolution: 0.01 }
const mil: Terms = { line, unit: 'mil', resolution: 0.0127 }

function told(
  truth: Parameters<typeof readOnRig>[1],
  terms: Terms,
  plan = stocked(line, '0.2', ['0.1', '0.2', '0.5']),
) {
  const round: Round = { ...readOnRig(line, truth), plan }
  const solved = solveRound({ line }, round)
  const made = planRound({ line }, round, solved)!
  return { solved, plan: made, said: planFindings(solved, made, line).map((finding) => sayPlan(finding, terms)) }
}
const high = { offsetZ: 0.21, slopeZ: 0.0005, offsetY: -0.3, slopeY: -0.0002 }

describe('what is said before the spanner is picked up', () => {
  it('names what is limits in the way by its trade name, its size and what people do', () => {
    const titles = told(high, mm).said.map(({ title }) => title)
    expect(titles[0]).toMatch(/^Motor, front feet: base-bound by 0\.13 mm\.$/)
    expect(told(high, mil).said[0]!.title).toMatch(/^Motor, front feet: base-bound by 5\.1 mil\.$/)
    expect(told(high, mm).said[0]!.detail).toMatch(/hold two feet/)
  })
  it('names the side a foot is bolt-bound toward', () => {
    const limits = { 'm2-back': { far: { text: '0.1', unit: 'mm' as const } } }
    const { said } = told(high, mm, stocked(line, '2', [], { limits }))
    expect(said.map(({ title }) => title)).toContainEqual(expect.stringMatching(/bolt-bound toward wall by 0\.3\d mm/))
  })
  it('says when a move is too large for shims, and why sideways comes first', () => {
    const { said } = told({ ...high, offsetZ: 2.4, offsetY: -1.8 }, mm, stocked(line, '5', []))
    const titles = said.map(({ title }) => title)
    expect(titles).toContainEqual(expect.stringMatching(/is too large a move for precision alignment/))
    expect(titles).toContain('Sideways first here.')
    expect(said.find(({ title }) => title === 'Sideways first here.')!.detail).toMatch(
      /Within 1\.\d mm it is near enough to lift\. Finish sideways after the shims/,
    )
    expect(said.find(({ title }) => title === 'Sideways first here.')!.working![1]).toMatch(
      /= 80 − √\(80² − 1\.\d\d²\) = 0\.0\d+ mm/,
    )
  })
  it('says what stays and how sure that is', () => {
    const { said } = told(high, mm, stocked(line, '2 + 0.5', ['0.05', '0.1', '0.2', '0.5', '1', '2']))
    expect(said.map(({ title }) => title)).toContain('Coupling should then be within tolerance: more than 99 %.')
  })
})

describe('a plan that moves the machine with the pipes', () => {
  const held = (agreed: Round['plan'] = undefined) => {
    const plan = { ...stocked(line, '2', []), stays: 'hold' as const, hold: ['m2-front', 'm2-back'], ...agreed }
    return told(high, mm, plan)
  }
  it('says so, with the size at its feet and what has to follow', () => {
    const { said, plan } = held()
    const tied = said.find(({ title }) => title.startsWith('This plan moves the pump with its pipes'))!
    const most = Math.max(
      ...plan.stations.filter(({ machine }) => machine === 'm1').map(({ vertical }) => Math.abs(vertical!)),
    )
    expect(tied.working).toEqual([expect.stringContaining(`${most.toFixed(2)} mm`)])
    expect(tied.detail).toMatch(/^Pipes and hangers must move without strain/)
    expect(told(high, mm).said.some(({ title }) => title.startsWith('This plan moves'))).toBe(false)
  })
  it('says who agreed, as long as it is no more than was agreed to', () => {
    const enough = { m1: { by: 'AB', at: '2026-11-25T10:00:00Z', vertical: 5, horizontal: 5 } }
    expect(held({ agreed: enough } as never).said.map(({ detail }) => detail)).toContain('Agreed by AB, 25 Nov 2026.')
    const less = { m1: { ...enough.m1, vertical: 0.01 } }
    expect(held({ agreed: less } as never).said.map(({ detail }) => detail)).not.toContain('Agreed by AB, 25 Nov 2026.')
  })
  it('or a fan, whose rotor runs in a casing', () => {
    const fan = { ...line, machines: line.machines.map((m) => (m.id === 'm1' ? { ...m, kind: 'fan' as const } : m)) }
    const { solved, plan } = held()
    const [finding] = planFindings(solved, plan, fan).filter(({ kind }) => kind === 'tied-moved')
    expect(sayPlan(finding!, mm).detail).toMatch(/Rotor-to-casing clearance/)
    const gearbox = { machines: line.machines.map((m) => ({ ...m, kind: 'gearbox' as const })) }
    expect(planFindings(solved, plan, gearbox).filter(({ kind }) => kind === 'tied-moved')).toEqual([])
  })
})

describe('shims in words', () => {
  it('say what comes out and goes in, in the unit shown', () => {
    const { plan } = told(high, mm, stocked(line, '1 + 0.5', ['0.05', '0.1', '0.2', '0.5', '1']))
    const foot = plan.stations.find(({ foot: id }) => id === 'm2-front')!.feet[0]!
    expect(packAct(foot, mm)).toMatch(/^take out .* mm$/)
    expect(packAct({ ...foot, change: undefined }, mm)).toBeUndefined()
    expect([shimSize(0.05, mm), shimSize(0.125, mm), shimSize(0.127, mil)]).toEqual(['0.05', '0.125', '5'])
  })
})

describe('at the bolts', () => {
  const { solved, plan } = told(high, mm, stocked(line, '2', []))
  const work = boltWork(solved, plan, 'm2', 'horizontal')!
  it('tells the pushes with their side, and how the dials are set', () => {
    expect(pushText(work.steps[0]!, 'horizontal', mm)).toMatch(/^Push the front feet 0\.3\d mm toward wall$/)
    expect(halfSet(work, mm)).toMatch(/are at the wall side. Set each to half its side-to-side reading/)
    expect(parallelText(work, mm)).toMatch(
      /^Or make it parallel first\. Push the back feet 0\.\d\d mm toward (aisle|wall) only: then the .+ shows .+, the .+ shows .+, and both pairs of feet have the same amount left: 0\.\d\d mm to go toward (aisle|wall)\.$/,
    )
    expect(creepText(work, mm)).toMatch(/It would take \d+ moves; each pass of two leaves \d+ % of the error/)
  })
  it('tells no foot nearer than the dials can', () => {
    expect(work.doubt[1]).toBeGreaterThan(work.doubt[0])
    expect(toGoText(0.02, false, work, 0.03, mm)).toBe('in position, ± 0.03 mm')
    expect(toGoText(0.2, false, work, 0.03, mm)).toBe('0.20 mm to go toward wall, ± 0.03 mm')
    expect(toGoText(-0.2, true, work, 0, mm)).toBe('0.20 mm too far: go back toward aisle')
    expect(toGoDoubt(work.pushed, work.watches.slice(0, 1), [0.005])).toEqual([Infinity, Infinity])
  })
})

it('growth is told with its direction', () => {
  expect(growthText({ vertical: 0.28, horizontal: -0.05 }, mm)).toBe('rises 0.28 mm, moves 0.05 mm toward aisle')
  expect(growthText({ vertical: 0 }, mm)).toBe('no growth')
  expect(growthText({}, mm)).toBe('not entered')
})

it('more machines and more stations take longer; nothing takes none', () => {
  const one = { machine: 'm1', vertical: true, horizontal: false }
  expect(minutesFor([])).toBe(0)
  expect(minutesFor([one, { ...one, horizontal: true }])).toBeGreaterThan(minutesFor([one]))
  expect(minutesFor([one, { ...one, machine: 'm2' }])).toBeGreaterThan(minutesFor([one, one]))
})

it('the two stations that are best held keep to the limits where any two do, and move the least', () => {
  const { solved } = told(high, mm)
  const facts = new Map([
    ['m2-front', { pack: [0.2] }],
    ['m2-back', { pack: [0.2] }],
  ])
  const stations = solved.solution.feet.map(({ foot }) => foot)
  const pairs = stations.flatMap((a, i) => stations.slice(i + 1).map((b) => [a, b] as const))
  const movesOf = (pair: readonly [string, string]) => {
    const { feet } = solveTrain(solved.train, { mode: 'hold', feet: pair }, 'standard')
    return feet.map((foot) => ({ foot: foot.foot, up: foot.vertical?.move ?? 0, across: foot.horizontal?.move ?? 0 }))
  }
  const kept = (pair: readonly [string, string]) =>
    movesOf(pair).every(({ foot, up }) => up >= -(foot.startsWith('m2') ? 0.2 : Infinity) - 1e-9)
  const held = bestHeld(solved.train, solved.solution, facts)!
  expect(kept(held)).toBe(true)
  // without limits no other pair shims and pushes fewer stations
  const free = bestHeld(solved.train, solved.solution, new Map())!
  const acts = (pair: readonly [string, string]) =>
    movesOf(pair).filter(({ up, across }) => Math.abs(up) > 0.005 || Math.abs(across) > 0.005).length
  expect(acts(free)).toBe(Math.min(...pairs.map(acts)))
})
