import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Misalignment } from '../../../probes/probe'
import { emptyQuantity } from '../../../quantity/quantity'
import { chance } from '../../../rig/random'
import { findingsFor } from '../advice/findings'
import { planFindings } from '../advice/planFindings'
import type { Round } from '../document/schema'
import { mm, moved, pumpAndMotor, readOnRig, stocked } from '../rig'
import { solveRound } from '../solve/round'
import { marginOf } from './choices'
import { nextPlan, withDone } from './next'
import { planRound } from './plan'

const metric = ['0.05', '0.1', '0.2', '0.25', '0.4', '0.5', '0.7', '1', '2']

const truths = fc.record({
  offsetZ: fc.double({ min: -0.4, max: 0.4, noNaN: true }),
  slopeZ: fc.double({ min: -0.0008, max: 0.0008, noNaN: true }),
  offsetY: fc.double({ min: -0.4, max: 0.4, noNaN: true }),
  slopeY: fc.double({ min: -0.0008, max: 0.0008, noNaN: true }),
})

const asPlanned = (plan: NonNullable<ReturnType<typeof planRound>>, foot: string) => {
  const move = plan.moves.get(foot)
  return { vertical: move?.vertical ?? 0, horizontal: move?.horizontal ?? 0 }
}

describe('a rig moved by the plan with the shims there are', () => {
  it('is within tolerance in one round, without noise', () => {
    const line = pumpAndMotor()
    let within = 0
    const runs = 300
    fc.assert(
      fc.property(truths, (truth) => {
        const round: Round = { ...readOnRig(line, truth), plan: stocked(line, '2 + 0.5 + 0.2', metric) }
        const plan = planRound({ line }, round, solveRound({ line }, round))!
        const after = moved(truth, (foot) => asPlanned(plan, foot))
        const again = solveRound({ line }, readOnRig(line, after))
        if (again.solution.couplings[0]!.verdict!.state === 'within') within++
        // what the plan says will stay is what the rig then has
        expect(plan.left[0]!.lines.vertical!.offset).toBeCloseTo(after.offsetZ, 3)
        expect(plan.left[0]!.lines.horizontal!.slope).toBeCloseTo(after.slopeY, 5)
      }),
      { numRuns: runs },
    )
    expect(within / runs).toBeGreaterThanOrEqual(0.99)
  })
  it('is within as often as the plan says, with noise and a tape that errs', () => {
    // so tight that it is often not
    const line = pumpAndMotor({
      policy: 'figures',
      offset: mm(0.025),
      slope: { text: '0.012', unit: 'mm/100 mm' },
      source: 'test',
    })
    const source = chance(515)
    const runs = 600
    let told = 0
    let within = 0
    for (let i = 0; i < runs; i++) {
      const between = (most: number) => most * (2 * source.uniform() - 1)
      const truth: Misalignment = {
        offsetZ: between(0.3),
        slopeZ: between(0.0006),
        offsetY: between(0.3),
        slopeY: between(0.0006),
      }
      const tape = () => source.normal()
      const round: Round = {
        ...readOnRig(line, truth, { noise: 0.005, shift: [tape(), tape()], source }),
        plan: stocked(line, '2 + 0.5 + 0.2', metric),
      }
      const plan = planRound({ line }, round, solveRound({ line }, round))!
      told += plan.left[0]!.verdict!.probability
      const after = moved(truth, (foot) => asPlanned(plan, foot))
      const inside =
        Math.hypot(after.offsetY, after.offsetZ) <= 0.025 && Math.hypot(after.slopeY, after.slopeZ) <= 0.00012
      if (inside) within++
    }
    expect(told / runs).toBeGreaterThan(0.2)
    expect(told / runs).toBeLessThan(0.95)
    expect(Math.abs(told - within) / runs).toBeLessThan(0.06)
  })
})

describe('a plan of a round', () => {
  const truth = { offsetZ: 0.21, slopeZ: 0.0005, offsetY: -0.09, slopeY: 0.0002 }
  const line = pumpAndMotor()
  const planned = (plan: Round['plan'], at = line) => {
    const round: Round = { ...readOnRig(at, truth), ...(plan ? { plan } : {}) }
    const solved = solveRound({ line: at }, round)
    return { round, solved, plan: planRound({ line: at }, round, solved) }
  }
  it('names what is base-bound, and two held stations get round it', () => {
    const thin = stocked(line, '0.2', metric)
    const packs = {
      ...thin.packs,
      'm1-front.near': mm(2),
      'm1-front.far': mm(2),
      'm1-back.near': mm(2),
      'm1-back.far': mm(2),
    }
    const fixed = planned({ ...thin, packs })
    expect(fixed.plan!.feasible).toBe(false)
    expect(fixed.plan!.blocking.map(({ foot, limit }) => `${foot} ${limit}`)).toEqual(['m2-front down', 'm2-back down'])
    expect(fixed.plan!.blocking[0]!.short).toBeCloseTo(0.33 - 0.2, 2)
    const held = planned({ ...thin, packs, stays: 'hold' })
    expect(held.plan!.feasible).toBe(true)
    expect(held.plan!.held).toHaveLength(2)
    for (const station of held.plan!.stations)
      for (const foot of station.feet) expect((foot.change?.pack.shims ?? foot.present!).length).toBeLessThanOrEqual(4)
    const kinds = planFindings(fixed.solved, fixed.plan, line).map(({ kind }) => kind)
    expect(kinds).toContain('in-the-way')
    expect(kinds).toContain('no-growth')
  })
  it('tells what to take out and put in, and what to bring', () => {
    const { plan } = planned(stocked(line, '1 + 0.5', metric))
    const [front] = plan!.stations.filter(({ foot }) => foot === 'm2-front')
    const { change, present } = front!.feet[0]!
    const total = (pack: readonly number[]) => pack.reduce((sum, size) => sum + size, 0)
    expect(total(present!) - total(change!.out) + total(change!.in)).toBeCloseTo(total(change!.pack.shims), 9)
    expect(total(change!.pack.shims) - 1.5).toBeCloseTo(front!.vertical! + front!.rounding, 9)
    const brought = plan!.picks.reduce((sum, { count, thickness }) => sum + count * thickness, 0)
    const wanted = plan!.stations.flatMap(({ feet }) => feet.map(({ change: c }) => total(c?.in ?? [])))
    expect(brought).toBeCloseTo(total(wanted), 9)
    expect(plan!.pieces).toBe(plan!.picks.reduce((sum, { count }) => sum + count, 0))
  })
  it('takes no more from a shelf than lies there, however many machines take from it', () => {
    const few = stocked(line, '1 + 0.5', metric, {
      stays: 'drawn',
      drawn: { vertical: { first: 0.2, last: 0.2 }, horizontal: { first: 0, last: 0 } },
    })
    const counted = Object.fromEntries(
      Object.entries(few.stock).map(([machine, stock]) => [
        machine,
        { ...stock, sizes: stock.sizes.map((size) => ({ ...size, count: '2' })) },
      ]),
    )
    const { plan } = planned({ ...few, stock: counted })
    const bySize = new Map<number, number>()
    for (const { thickness, count } of plan!.picks) bySize.set(thickness, (bySize.get(thickness) ?? 0) + count)
    expect(plan!.picks.length).toBeGreaterThan(0)
    // as they are fetched: machine by machine, thick ones first
    const order = plan!.picks.map(({ machine, thickness }) => `${machine} ${(10 - thickness).toFixed(3)}`)
    expect(order).toEqual([...order].sort())
    for (const count of bySize.values()) expect(count).toBeLessThanOrEqual(2)
  })
  it('adds a soft-foot shim that Seat found missing, at its own foot alone', () => {
    const seat = {
      m2: {
        threshold: mm(0.05),
        torque: '',
        ticks: {},
        loose: {},
        before: Object.fromEntries(
          ['m2-front.near', 'm2-front.far', 'm2-back.near', 'm2-back.far'].map((id, i) => [
            id,
            { rise: mm(i === 0 || i === 3 ? 0.14 : 0), gaps: {}, told: 'foot' as const, pack: '1 + 0.5' },
          ]),
        ),
        after: {},
      },
    }
    const round: Round = { ...readOnRig(line, truth), plan: { ...stocked(line, '', metric), packs: {} } }
    const plan = planRound({ line, seat }, round, solveRound({ line }, round))!
    const feet = plan.stations.flatMap((station) => station.feet).filter(({ id }) => id.startsWith('m2'))
    expect(feet.filter(({ softFoot }) => softFoot > 0)).toHaveLength(1)
    // the packs come from Seat where none is typed here
    expect(feet.every(({ present }) => present?.join() === '1,0.5')).toBe(true)
  })
  it('hands over to the next round what now lies there, and limits as far as they are used up', () => {
    const limits = { 'm2-back': { down: mm(1), far: mm(0.5) } }
    const { round, plan } = planned(stocked(line, '1 + 0.5', metric, { limits }))
    const done = withDone(round, plan!, 'mm')
    const [, , , back] = plan!.stations
    expect(Number(done.plan!.done!['m2-back']!.vertical.text)).toBeCloseTo(back!.vertical! + back!.rounding, 3)
    const next = nextPlan(round, plan!, 'mm')
    const total = (text: string) => text.split('+').reduce((sum, one) => sum + Number(one), 0)
    expect(total(next.packs['m2-back.near']!.text)).toBeCloseTo(1.5 + back!.vertical! + back!.rounding, 3)
    expect(Number(next.limits['m2-back']!.down!.text)).toBeCloseTo(1 + back!.vertical! + back!.rounding, 2)
    expect(Number(next.limits['m2-back']!.far!.text)).toBeCloseTo(0.5 - back!.horizontal!, 2)
  })
  it('hands over the way of planning, but for a line drawn for this round alone', () => {
    const { round, plan } = planned(stocked(line, '1', metric, {}))
    const handed = (stays: 'hold' | 'least' | 'drawn' | 'fixed') =>
      nextPlan({ ...round, plan: { ...round.plan!, stays } }, plan!, 'mm').stays
    expect([handed('hold'), handed('least'), handed('drawn'), handed('fixed')]).toEqual([
      'hold',
      'least',
      'fixed',
      'fixed',
    ])
  })
  it('waits for the planner where the least is asked for', () => {
    expect(planned({ ...stocked(line, '1', metric), stays: 'least' }).plan).toBeUndefined()
  })
  it('is not possible where the planner found nothing, though no limit is to blame', () => {
    const round: Round = { ...readOnRig(line, truth), plan: { ...stocked(line, '1', []), stays: 'least' } }
    const none = { feasible: false, moves: new Map(), touched: 0, largest: 0, sum: 0, blocking: [], together: false }
    const fine = { ...none, feasible: true }
    const solved = solveRound({ line }, round)
    expect(planRound({ line }, round, solved, { vertical: none, horizontal: fine })!.feasible).toBe(false)
    expect(planRound({ line }, round, solved, { vertical: fine, horizontal: fine })!.feasible).toBe(true)
  })
  it('reads its margin as it is typed', () => {
    expect(marginOf(undefined)).toBe(0.5)
    expect(marginOf({ ...stocked(line, '', []), margin: '0' })).toBe(0)
    expect(marginOf({ ...stocked(line, '', []), margin: '75 %' })).toBe(0.75)
    expect(marginOf({ ...stocked(line, '', []), margin: '300' })).toBe(1)
  })
  it('is brought to a line that was drawn', () => {
    const drawn = { vertical: { first: 0, last: 0.25 }, horizontal: { first: 0, last: 0 } }
    const { plan } = planned({ ...stocked(line, '3', []), stays: 'drawn', drawn })
    const [back, front] = [
      plan!.stations.find(({ foot }) => foot === 'm1-back')!,
      plan!.stations.find(({ foot }) => foot === 'm2-back')!,
    ]
    expect(back.vertical).toBeCloseTo(0, 9)
    expect(front.vertical).toBeCloseTo(0.25 - (0.21 + 0.0005 * 690), 3)
    expect(plan!.left[0]!.lines.vertical!.offset).toBeCloseTo(0, 9)
  })
  it('counts growth: the cold target is the running line less what each foot grows', () => {
    const growth = { told: 'entered' as const, vertical: mm(0.2), horizontal: mm(0), source: '' }
    const hot = {
      ...line,
      machines: line.machines.map((machine) =>
        machine.id === 'm1' ? { ...machine, feet: machine.feet.map((foot) => ({ ...foot, growth })) } : machine,
      ),
    }
    const { plan } = planned(undefined, hot)
    expect(plan!.stations.find(({ foot }) => foot === 'm2-front')!.vertical).toBeCloseTo(0.2 - (0.21 + 0.0005 * 240), 3)
    expect(plan!.left[0]!.lines.vertical!.offset).toBeCloseTo(0, 9)
  })
})

describe('a plan whose feet nobody placed', () => {
  const truth: Misalignment = { offsetZ: -0.3, slopeZ: -0.0004, offsetY: 0.2, slopeY: 0.0003 }
  /** Only the movable machine's feet are taped, as most people do. */
  const line = () => {
    const drawn = pumpAndMotor()
    return {
      ...drawn,
      machines: drawn.machines.map((machine) =>
        machine.id === drawn.fixed
          ? {
              ...machine,
              feet: machine.feet.map((foot) => ({
                ...foot,
                station: foot.station && { ...foot.station, distance: emptyQuantity('mm') },
              })),
            }
          : machine,
      ),
    }
  }
  const round = readOnRig(pumpAndMotor(), truth)
  const planned = (stays: 'fixed' | 'hold' | 'drawn') => {
    const own = line()
    const asked: Round = {
      ...round,
      plan: {
        ...stocked(own, '', []),
        stays,
        drawn: { vertical: { first: 0, last: 0 }, horizontal: { first: 0, last: 0 } },
      },
    }
    const solved = solveRound({ line: own }, asked)
    const plan = planRound({ line: own }, asked, solved)!
    return { plan, kinds: planFindings(solved, plan, own).map(({ kind }) => kind), read: findingsFor(solved, 'read') }
  }
  it('leaves the fixed machine alone and is whole', () => {
    const { plan, kinds, read } = planned('fixed')
    expect(plan).toMatchObject({ unplaced: [], feasible: true, known: true })
    expect(kinds).not.toContain('unplaced')
    expect(read.map(({ kind }) => kind)).not.toContain('dimension-fault')
  })
  it.each(['hold', 'drawn'] as const)('%s is no plan: it says whose distance is missing', (stays) => {
    const { plan, kinds } = planned(stays)
    expect(plan).toMatchObject({ unplaced: ['m1-front', 'm1-back'], feasible: false, known: false })
    expect(kinds[0]).toBe('unplaced')
  })
})
