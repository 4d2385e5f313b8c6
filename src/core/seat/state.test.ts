import { describe, expect, it } from 'vitest'
import { saySeat } from '../../words/seat'
import { makeJob, makeLine, withFeet } from '../kinds/train/document/make'
import { solveRough } from '../kinds/train/document/rough'
import type { Job } from '../kinds/train/document/schema'
import { seatFeet, seatsOf, solveSeatOf } from '../kinds/train/document/seats'
import { footPerShaft } from './apparent'
import { cutLength } from './cure'
import { seatFindings } from './findings'
import type { SeatFoot } from './schema'
import { emptySeat, emptySeatFoot, openSeats, seatPeg } from './state'

const mm = (text: string) => ({ text, unit: 'mm' as const })

function job(): Job {
  const line = makeLine('x', 'pump', 'motor', 'mm')
  const distances = ['240', '450']
  return makeJob(
    {
      ...line,
      machines: line.machines.map((machine) => ({
        ...machine,
        feet: machine.feet.map((foot, i) => ({
          ...foot,
          spread: mm('300'),
          station: { ...foot.station, distance: mm(distances[i]!) },
        })),
      })),
    },
    '',
    '',
    'mm',
  )
}

const typed = (rise: string, change: Partial<SeatFoot> = {}): SeatFoot => ({
  ...emptySeatFoot('mm'),
  rise: mm(rise),
  ...change,
})

function withRises(
  rises: readonly string[],
  pass: 'before' | 'after' | 'loose' = 'before',
  change: Partial<SeatFoot> = {},
): Job {
  const blank = job()
  const feet = seatFeet(blank.line, 'm2')
  const entries = Object.fromEntries(feet.map((foot, i) => [foot.id, typed(rises[i]!, change)]))
  return { ...blank, seat: { m2: { ...emptySeat('mm'), [pass]: entries } } }
}

describe('how a machine of a job sits', () => {
  it('has a near and a far foot at every station, at true spacing', () => {
    expect(seatFeet(job().line, 'm2').map(({ x, y, side }) => [x, y, side])).toEqual([
      [240, -150, 'near'],
      [240, 150, 'far'],
      [690, -150, 'near'],
      [690, 150, 'far'],
    ])
    expect(seatFeet(withFeet(job().line, 'm2', 'mm', 'f1'), 'm2')).toHaveLength(6)
  })
  it('is diagnosed once every foot was looked at', () => {
    const begun = solveSeatOf(withRises(['0.2', '', '', '']), 'm2', 'before')
    expect([begun.findings, begun.missing.length]).toEqual([[], 3])
    const rocking = solveSeatOf(withRises(['0.2', '0', '0.01', '0.19']), 'm2', 'before')
    expect(rocking.findings[0]).toMatchObject({ kind: 'rocking', feet: ['m2-front.near', 'm2-back.far'] })
    expect(rocking.shift).toBeLessThan(0)
  })
  it('shims the foot that the alignment wants raised', () => {
    const wanted = new Map([
      ['m2-back', 0.4],
      ['m2-front', -0.1],
    ])
    const { cure } = solveSeatOf(withRises(['0.2', '0', '0.01', '0.19']), 'm2', 'before', wanted)
    expect(cure).toEqual([{ foot: 'm2-back.far', shim: expect.closeTo(0.2, 2) }])
  })
  it('scales what the shaft told, and says it is a guide', () => {
    const state = solveSeatOf(withRises(['0.2', '0', '0', '0.2'], 'before', { told: 'shaft' }), 'm2', 'before')
    expect(state.guided).toBe(true)
    const atFeet = solveSeatOf(withRises(['0.2', '0', '0', '0.2']), 'm2', 'before').checks
    const scale = footPerShaft(atFeet, atFeet[0]!.id, 0)
    expect(Math.abs(scale - 1)).toBeGreaterThan(0.02)
    expect(state.checks[0]!.rise).toBeCloseTo(0.2 * scale, 9)
    expect(seatFindings(state, undefined).map((advice) => advice.kind)).toContain('seat-guide')
  })
  it('fills plain gaps by their least corner with all bolts loose', () => {
    const gaps = { lowNear: mm('0.305'), lowFar: mm('0.32'), highNear: mm('0.31'), highFar: mm('0.4') }
    const state = solveSeatOf(withRises(['', '', '', ''], 'loose', { gaps }), 'm2', 'loose')
    expect(state.snug[0]).toEqual({ foot: 'm2-front.near', shim: 0.3 })
    expect(solveSeatOf(withRises(['0.2', '', '', ''], 'loose'), 'm2', 'loose').snug).toEqual([])
    expect(state.findings).toEqual([])
  })
  it('cuts step shims from the thinnest stock to the pad', () => {
    const gaps = { lowNear: mm('0'), lowFar: mm('0'), highNear: mm('0.2'), highFar: mm('0.2') }
    const bent = withRises(['0.1', '0', '0', '0'])
    const seat = bent.seat!.m2!
    seat.before['m2-front.near']!.gaps = gaps
    Object.assign(seat, { padAlong: mm('80'), thinnest: mm('0.1') })
    const { cure, pad } = solveSeatOf(bent, 'm2', 'before')
    expect(cure).toEqual([{ foot: 'm2-front.near', steps: [{ thickness: 0.1, edge: 'high', cover: 0.5 }] }])
    expect(cutLength({ thickness: 0.1, edge: 'high', cover: 0.5 }, pad)).toBe(40)
    expect(cutLength({ thickness: 0.1, edge: 'near', cover: 0.5 }, pad)).toBeUndefined()
  })
  it('stays open until the last check is clean', () => {
    const found = withRises(['0.2', '0', '0.01', '0.19'])
    expect([seatPeg(seatsOf(job().line), job().seat), seatPeg(seatsOf(found.line), found.seat)]).toEqual([
      'nothing',
      'outside',
    ])
    expect(openSeats(seatsOf(found.line), found.seat)).toHaveLength(1)
    const cured = {
      ...found,
      seat: { m2: { ...found.seat!.m2!, after: withRises(['0.01', '0', '0', '0.02']).seat!.m2!.before } },
    }
    expect(seatPeg(seatsOf(cured.line), cured.seat)).toBe('within')
    expect(openSeats(seatsOf(cured.line), cured.seat)).toEqual([])
  })
  it('says which number cannot be', () => {
    const state = solveSeatOf(
      withRises(['0.2x', '0', '0', '0'], 'before', { gaps: { lowNear: mm('-0.1') } }),
      'm2',
      'before',
    )
    expect(state.faults.map(({ trouble }) => trouble.kind)).toEqual(
      expect.arrayContaining(['no-unit', 'gap-below-zero']),
    )
  })
})

it('puts the rough position at the feet of the machine that moves', () => {
  const rough = {
    'rim.top': mm('-0.4'),
    'rim.bottom': mm('0.4'),
    'face.top': mm('3.9'),
    'face.bottom': mm('4.1'),
    diameter: mm('160'),
  }
  const ready = { occasion: 'new-set', permit: '', cautions: {}, checks: {}, rough } as const
  const right = solveRough({ ...job(), ready })
  // open at the bottom: 0.2/160 over a spacing of 450 mm under the front feet, which lifts it at the coupling as well
  expect(right.angle).toEqual({
    under: 'front',
    gap: 'bottom',
    add: [{ foot: 'm2-front', by: expect.closeTo(0.5625, 9) }],
  })
  expect(right.height).toEqual({ kind: 'raise-other', by: expect.closeTo(1.2625, 9), machine: 'm1' })
  expect(right.sideways).toBeUndefined()
  const left = solveRough({ ...job(), ready, line: { ...job().line, fixed: 'm2' } })
  expect(left.moves).toBe(0)
  expect(left).toMatchObject({ angle: { under: 'front' }, height: { kind: 'raise-other' } })
})

describe('how often the bolts are gone round', () => {
  it('twice, unless more was said, and what is advised tells it', () => {
    const once = withRises(['0', '0', '0', '0'], 'loose')
    const more: Job = { ...once, seat: { m2: { ...once.seat!.m2!, rounds: '4' } } }
    const terms = { line: once.line, unit: 'mm' as const, resolution: 0.01 }
    const told = (from: Job) => {
      const state = solveSeatOf(from, 'm2', 'loose')
      return { rounds: state.rounds, said: seatFindings(state, 0.05).map((one) => saySeat(one, terms).detail ?? '') }
    }
    expect(told(once).rounds).toBe(2)
    expect(told(once).said.join(' ')).toContain('to torque, 2 passes.')
    expect(told(more).rounds).toBe(4)
    expect(told(more).said.join(' ')).toContain('to torque, 4 passes, then repeat until the shaft stops moving.')
  })
})
