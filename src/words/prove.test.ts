import { describe, expect, it } from 'vitest'
import { provedOf } from '../core/job/proved'
import { makeJob } from '../core/kinds/train/document/make'
import { seatsOf } from '../core/kinds/train/document/seats'
import { pumpAndMotor, readOnRig } from '../core/kinds/train/rig'
import { makeLine as makeUpright } from '../core/kinds/upright/document/make'
import type { ProofOpen, ProvedJoint } from '../core/prove/proof'
import type { ProofSaid } from '../core/prove/schema'
import { soundSeats } from '../core/rig/seats'
import { withPurpose } from '../core/shafts/make'
import { proofTerms, sayClosed, sayOpen, sayProof, sayRepeat, sayRunning, sayShare, saySpeed, speedText } from './prove'
import { storyOf } from './record'

const line = {
  ...pumpAndMotor(),
  sides: { near: 'aisle', far: 'wall' },
}
const terms = proofTerms(line, { unit: 'mm', resolution: 0.01 })
const mil = proofTerms(line, { unit: 'mil', resolution: 0.01 })
const by = { by: 'R. T.', at: '2026-01-02T10:00:00Z' }
const nothing: ProofSaid = { ticks: {} }
const skew = { offsetZ: -0.14, slopeZ: -0.0004, offsetY: 0.1, slopeY: 0.0003 }
const still = { offsetZ: 0.01, slopeZ: 0, offsetY: -0.01, slopeY: 0 }
const job = (truth: typeof skew, more: Partial<ReturnType<typeof makeJob>> = {}) => ({
  ...makeJob(line, '', '2026-01-01', 'mm'),
  rounds: [readOnRig(line, truth)],
  seat: soundSeats(seatsOf(line)),
  ...more,
})

describe('places and ways', () => {
  it('are told by the line’s own names, with the unit asked for', () => {
    expect(terms.at('m2-back')).toBe('Motor, back feet')
    expect([terms.plane('vertical'), terms.plane('horizontal')]).toEqual(['up', 'toward wall'])
    expect([terms.stands(0.22, 'vertical'), terms.stands(-0.1, 'horizontal')]).toEqual([
      '0.22 mm high',
      '0.10 mm toward aisle',
    ])
    expect([terms.went(-0.22, 'vertical'), mil.went(0.254, 'horizontal')]).toEqual([
      '0.22 mm down',
      '10.0 mil toward wall',
    ])
    expect([terms.went(0.3, 'vertical'), terms.went(0.001, 'vertical')]).toEqual(['0.30 mm up', 'not at all'])
  })
  it('are told of an upright pair by its bolts', () => {
    const upright = makeUpright('Well', 'mm', ['Pump', 'Motor'])
    const up = proofTerms(upright, { unit: 'mm', resolution: 0.01 })
    expect(up.at('flange')).toBe('Motor, at the joint')
    expect(up.stands(0.12, 'vertical')).toBe('0.12 mm toward bolt 1')
    expect(up.went(-0.12, 'vertical')).toBe('0.12 mm toward bolt 3')
    expect(up.stands(0.12, 'horizontal')).toBe('0.12 mm toward bolt 2')
    expect(up.stands(0, 'horizontal')).toBe('in line')
    expect(up.second).toBe('the upper shaft')
  })
})

describe('the verdict of a job', () => {
  it('is one sentence, with every coupling behind it', () => {
    const outside = sayProof(provedOf(job(skew)).proof, nothing, terms)
    expect(outside.title).toBe('Out of tolerance.')
    expect(outside.detail).toMatch(/^Coupling: out of tolerance, \d+ % of its tolerance used\.$/)
    const open = sayProof(provedOf(job(still)).proof, nothing, terms)
    expect(open.title).toBe('Can’t tell yet: 2 items outstanding.')
    expect(open.detail).toMatch(/over 99 % sure it is within/)
    const unread = provedOf({ ...job(still), rounds: makeJob(line, '', '', 'mm').rounds })
    expect(sayProof(unread.proof, nothing, terms).title).toBe('Nothing to verify yet.')
  })
  it('says why a job was left as it is, beside the verdict', () => {
    const left = (reason: 'no-window' | 'other', note: string): ProofSaid => ({
      ticks: {},
      leave: { reason, note, ...by },
    })
    const { proof } = provedOf(job(skew))
    expect(sayProof(proof, left('no-window', ''), terms).detail).toMatch(
      /^Left as is: no shutdown window \(R\. T\.\)\. Coupling/,
    )
    expect(sayProof(proof, left('other', 'The base is cracked'), terms).detail).toMatch(
      /^Left as is: The base is cracked \(R/,
    )
  })
})

describe('what is open', () => {
  const all: ProofOpen[] = [
    { kind: 'not-read' },
    { kind: 'moved-not-read' },
    { kind: 'unfinished', round: 3, counts: 2 },
    { kind: 'joint', joint: 'c1', state: 'outside' },
    { kind: 'joint', joint: 'c1', state: 'unsure' },
    { kind: 'joint', joint: 'c1', state: 'nothing' },
    { kind: 'neither-repeat-nor-spare', joint: 'c1' },
    { kind: 'does-not-repeat', joint: 'c1' },
    { kind: 'closing', joint: 'c1', state: 'outside' },
    { kind: 'closing', joint: 'c1', state: 'unsure' },
    { kind: 'not-closed', joints: ['c1'] },
    { kind: 'growth', joints: ['c1'] },
    { kind: 'feet' },
    { kind: 'seat', machine: 'm2' },
    { kind: 'ready', cautions: 1, checks: 2 },
    { kind: 'torqued' },
  ]
  it('is one sentence each, no two alike, each with what to do', () => {
    const said = all.map((open) => sayOpen(open, terms))
    expect(new Set(said.map(({ title }) => title)).size).toBe(all.length)
    for (const { title, detail } of said) {
      expect(title).toMatch(/^[A-Z].*[.?]$/)
      expect(detail).toMatch(/^[A-Z].*\.$/)
    }
    expect(sayOpen({ kind: 'ready', cautions: 1, checks: 2 }, terms).title).toBe(
      'Outstanding in Pre-checks: 1 caution and 2 checks.',
    )
    expect(sayOpen({ kind: 'ready', cautions: 0, checks: 1 }, terms).title).toBe('Outstanding in Pre-checks: 1 check.')
    expect(sayOpen({ kind: 'seat', machine: 'm2' }, terms).title).toBe('Soft foot on the motor is not corrected.')
  })
})

describe('readings beside the released one', () => {
  const with_ = (truth: typeof skew, purpose: 'repeat' | 'closed' | 'running', base = still): ProvedJoint => {
    const [own, other] = [readOnRig(line, base), readOnRig(line, truth)]
    const more = other.sets.map((set) => withPurpose({ ...set, id: 'more' }, purpose))
    return provedOf({ ...job(base), rounds: [{ ...own, sets: [...own.sets, ...more] }] }).proof.joints[0]!
  }
  it('say how well it repeats, and where it does not', () => {
    const good = sayRepeat(with_({ ...still, offsetZ: 0.012 }, 'repeat'), terms)
    expect(good?.title).toMatch(/^Coupling repeats to 0\.0\d mm at the (pump|motor), \w+ feet\.$/)
    expect(good?.working?.[0]).toMatch(/4 degrees of freedom/)
    expect(sayRepeat(with_({ ...still, offsetZ: 0.11 }, 'repeat'), terms)?.title).toMatch(
      /^Coupling does not repeat: off by 0\.10 mm at the /,
    )
  })
  it('say what connecting did, foot by foot, and what is allowed', () => {
    const said = sayClosed(with_({ ...still, offsetZ: 0.05 }, 'closed'), terms)
    expect(said?.title).toBe('Coupling, read connected: within tolerance with the coupling connected.')
    expect(said?.detail).toMatch(/^Connecting moved the shafts 0\.04 mm at the .*\.$/)
    expect(said?.working).toHaveLength(9)
    expect(said?.working?.join()).toContain('Motor, back feet, up: 0.04 mm up')
  })
  it('say how the shafts grew, beside what was planned for', () => {
    const said = sayRunning(with_(still, 'running', skew), terms)
    expect(said?.title).toBe('Coupling, running: within tolerance.')
    expect(said?.detail).toBe(
      'From cold to running the right shaft went 0.15 mm up, 0.11 mm toward aisle at the coupling. Planned: not at all, not at all. Growth came out as planned.',
    )
    expect(sayRunning(with_(skew, 'running'), terms)?.detail).toContain('Correct the growth')
  })
  it('say nothing where nothing was read', () => {
    const [bare] = provedOf(job(still)).proof.joints
    expect([sayRepeat(bare!, terms), sayClosed(bare!, terms), sayRunning(bare!, terms)]).toEqual([
      undefined,
      undefined,
      undefined,
    ])
  })
})

describe('what is in hand', () => {
  it('is told as a speed, never above what it is', () => {
    expect([speedText(3584), speedText(999.9), speedText(1480)]).toEqual(['3,580 rpm', '999 rpm', '1,480 rpm'])
    expect(saySpeed('c1', { rpm: 4000, sure: 3589, decides: 'slope' }, terms)).toBe(
      'Coupling: within tolerance up to 3,580 rpm (95 % sure). By the numbers alone up to 4,000 rpm (angularity governs).',
    )
    expect(saySpeed('c1', { rpm: 4000, sure: undefined, decides: 'offset' }, terms)).toContain(
      'not 95 % sure at any speed',
    )
    expect(saySpeed('c1', { rpm: Number.POSITIVE_INFINITY, sure: undefined, decides: 'offset' }, terms)).toBe(
      'Coupling: not 95 % sure at any speed.',
    )
    expect(saySpeed('c1', undefined, terms)).toContain('do not depend on speed')
  })
  it('names what most of the doubt comes from, and what to do about it', () => {
    expect(sayShare({ what: 'sag', share: 0.667 }, 'Motor dial')).toBe(
      'The sag of the motor dial: 67 % of the uncertainty. Measure the sag again.',
    )
    expect(sayShare({ what: 'readings', share: 0.2 }, undefined)).toBe(
      'The readings: 20 % of the uncertainty. Take a repeat.',
    )
  })
})

describe('the story for whoever runs the machine', () => {
  const tell = (one: ReturnType<typeof job>, said: ProofSaid = nothing) => {
    const { rounds, proof } = provedOf(one)
    return storyOf(rounds, proof, said, terms)
  }
  it('is three to five sentences: found, done, left, and what to watch', () => {
    const { peg, verdict, sentences } = tell(job(skew))
    expect([peg, verdict]).toEqual(['outside', 'Out of tolerance.'])
    expect(sentences.length).toBeGreaterThanOrEqual(3)
    expect(sentences.length).toBeLessThanOrEqual(5)
    expect(sentences[0]).toMatch(/^Coupling as found: 0\.17 mm offset and .* angularity, out of tolerance\.$/)
    expect(sentences[1]).toBe('Nothing was moved.')
    expect(sentences[2]).toMatch(/^As left, coupling: out of tolerance/)
    expect(sentences[3]).toMatch(/^Watch: /)
  })
  it('tells the largest moves that were written down', () => {
    const found = readOnRig(line, skew)
    const done = {
      'm2-front': { vertical: { text: '0.2', unit: 'mm' as const }, horizontal: { text: '-0.1', unit: 'mm' as const } },
      'm2-back': { vertical: { text: '0.4', unit: 'mm' as const }, horizontal: { text: '0.05', unit: 'mm' as const } },
    }
    const plan = { stays: 'fixed' as const, limits: {}, packs: {}, stock: {}, done }
    const after = { ...readOnRig(line, still), id: 'r2' }
    expect(tell(job(skew, { rounds: [{ ...found, plan }, after] })).sentences[1]).toBe(
      '1 move, the largest at Motor, back feet 0.40 mm up, and Motor, front feet 0.10 mm toward aisle.',
    )
  })
})
