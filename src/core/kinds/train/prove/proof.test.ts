import { describe, expect, it } from 'vitest'
import { provedOf } from '../../../job/proved'
import type { Misalignment } from '../../../probes/probe'
import { marksOf, problemOf, speedOf, verdictIf } from '../../../prove/proof'
import type { ProofSaid } from '../../../prove/schema'
import { emptyQuantity } from '../../../quantity/quantity'
import { cautions } from '../../../ready/catalog'
import { emptyReady, readyState } from '../../../ready/ready'
import type { Ready } from '../../../ready/schema'
import { chance } from '../../../rig/random'
import { soundSeats } from '../../../rig/seats'
import { withPurpose } from '../../../shafts/make'
import type { ReadSet } from '../../../shafts/schema'
import { readsRunning } from '../../../shafts/typed'
import { train } from '..'
import { makeJob } from '../document/make'
import type { Job, Round } from '../document/schema'
import { withDone } from '../plan/next'
import { planRound } from '../plan/plan'
import { mm, moved, pumpAndMotor, readOnRig, stocked } from '../rig'
import { solveRound } from '../solve/round'

const line = pumpAndMotor()
const skew: Misalignment = { offsetZ: -0.14, slopeZ: -0.0004, offsetY: 0.1, slopeY: 0.0003 }
const still: Misalignment = { offsetZ: 0.002, slopeZ: 0.00001, offsetY: -0.002, slopeY: 0 }
const by = { by: 'R. T.', at: '2026-01-02T10:00:00Z' }

/** Everything before the readings signed, everything ticked, growth declared nothing. */
const ready = (): Ready => {
  const bare = emptyReady()
  const checks = readyState({ line, ready: bare }).checks.map(({ id }) => [
    id,
    { outcome: 'good' as const, value: mm(0), note: '', ...by },
  ])
  return { ...bare, cautions: Object.fromEntries(cautions.map((id) => [id, by])), checks: Object.fromEntries(checks) }
}
const ticked: ProofSaid = { ticks: { torqued: by, feet: by, 'jack-bolts': by, guard: by }, growthZero: by }

/** Sets of another reading as further sets of a round. */
const also = (round: Round, other: Round, purpose: 'repeat' | 'closed' | 'running'): Round => ({
  ...round,
  sets: [
    ...round.sets,
    ...other.sets.map((set): ReadSet => withPurpose({ ...set, id: `${set.id}-${purpose}` }, purpose)),
  ],
})

const job = (rounds: readonly Round[], proof: ProofSaid = ticked): Job => ({
  ...makeJob(line, '', '2026-01-01', 'mm'),
  rounds: rounds.map((round, i) => ({ ...round, id: `r${i + 1}` })),
  ready: ready(),
  seat: soundSeats(train.seats(line)),
  proof,
})

/** As found, moved by its own plan, and as left where that brought it. */
function mended(wrong = 0) {
  const found: Round = {
    ...readOnRig(line, skew),
    plan: stocked(line, '1 + 0.5', ['0.05', '0.1', '0.2', '0.5', '1', '2']),
  }
  const plan = planRound({ line }, found, solveRound({ line }, found))!
  const after = moved(skew, (foot) => {
    const { vertical = 0, horizontal = 0 } = plan.moves.get(foot) ?? {}
    return { vertical: vertical + (foot === 'm2-back' ? wrong : 0), horizontal }
  })
  return { found: withDone(found, plan, 'mm'), plan, after }
}

const opened = (one: Job) => provedOf(one).proof.open.map(({ kind }) => kind)

describe('a job is proved', () => {
  it('within where it repeats, is torqued and ticked, and nothing is open', () => {
    const { found, after } = mended()
    const left = also(readOnRig(line, after), readOnRig(line, after), 'repeat')
    const { proof } = provedOf(job([found, also(left, readOnRig(line, after), 'closed')]))
    expect(proof).toMatchObject({ found: 0, left: 1, state: 'within', open: [] })
    expect(proof.joints[0]?.repeat).toMatchObject({ repeats: true, free: 4 })
    expect(proof.joints[0]?.closed?.closing?.state).toBe('within')
  })
  it('tells of every foot what was found, moved, left, expected, and how far off', () => {
    const { found, plan, after } = mended()
    const { proof } = provedOf(job([found, readOnRig(line, after)]))
    for (const place of proof.places.filter(({ machine }) => machine === 'm2')) {
      const done = plan.moves.get(place.place)?.[place.plane] ?? 0
      expect(place.moved).toBeCloseTo(done, 3)
      expect(place.expected).toBeCloseTo(place.found + done, 3)
      expect(place.left).toBeCloseTo(place.expected ?? Number.NaN, 2)
      expect(Math.abs(place.off ?? 1)).toBeLessThan(2 * place.sd)
      expect(place.state).toBe('within')
    }
  })
  it('finds the one foot and plane where the move came out otherwise', () => {
    const { found, after } = mended(0.2)
    const { proof } = provedOf(job([found, readOnRig(line, after)]))
    const odd = proof.places.filter(({ state }) => state === 'outside')
    expect(odd.map(({ place, plane }) => [place, plane])).toEqual([['m2-back', 'vertical']])
    expect(odd[0]?.off).toBeCloseTo(0.2, 2)
  })
  it('names each thing that is open', () => {
    const { found, after } = mended()
    const left = readOnRig(line, after)
    const all: ProofSaid = { ...ticked, notClosed: { note: 'no bolts', ...by } }
    expect(opened(job([found, left], all))).toEqual([])
    expect(opened(job([found, left]))).toEqual(['not-closed'])
    expect(opened(job([found, left], { ...all, ticks: { ...all.ticks, torqued: undefined } }))).toEqual(['torqued'])
    expect(opened(job([found, left], { ...all, ticks: { ...all.ticks, feet: undefined } }))).toEqual(['feet'])
    expect(opened(job([found, left], { ticks: ticked.ticks, notClosed: all.notClosed }))).toEqual(['growth'])
    expect(opened({ ...job([found, left], all), ready: { ...ready(), cautions: {} } })).toEqual(['ready'])
    expect(opened(job([found], all))).toContain('moved-not-read')
    expect(opened(job([readOnRig(line, skew)], all))).toEqual(['joint'])
    expect(opened({ ...job([makeJob(line, '', '', 'mm').rounds[0]!], all) })).toEqual(['not-read'])
  })
  it('is not proved while a sag was never given or a foot never looked at', () => {
    const { found, after } = mended()
    const said: ProofSaid = { ...ticked, notClosed: { note: 'no bolts', ...by } }
    const left = readOnRig(line, after)
    const unsagged: Round = {
      ...left,
      sets: left.sets.map((set) => ({
        ...set,
        probes: set.probes.map((probe) => ({ ...probe, sag: emptyQuantity('mm') })),
      })),
    }
    const bare = provedOf(job([found, unsagged], said)).proof
    expect(bare.state).toBe('unsure')
    expect(bare.open).toContainEqual({ kind: 'sag', joint: 'c1' })
    const { byPlane } = bare.joints[0]!.solution.verdict!
    // sideways nothing hangs on a sag
    expect(byPlane).toEqual({ vertical: 'unsure', horizontal: 'within' })
    const sound = job([found, left], said)
    const { seat: seats = {} } = sound
    const [first, second] = Object.keys(seats) as [string, string]
    expect(opened({ ...sound, seat: undefined })).toEqual(['seat-unseen', 'seat-unseen'])
    const [foot = ''] = Object.keys(seats[first]!.before)
    const { [foot]: _, ...others } = seats[first]!.before
    const halfLooked = { [first]: { ...seats[first]!, before: others }, [second]: seats[second]! }
    expect(provedOf({ ...sound, seat: halfLooked }).proof.open).toEqual([{ kind: 'seat-unseen', machine: first }])
  })
  it('wants a repeat where less than half as much again is in hand', () => {
    const tight: Misalignment = { offsetZ: 0.056, slopeZ: 0, offsetY: 0, slopeY: 0 }
    const said: ProofSaid = { ...ticked, notClosed: { note: 'x', ...by } }
    const once = provedOf(job([readOnRig(line, tight)], said)).proof
    expect(once.joints[0]?.solution.verdict?.state).toBe('within')
    expect(once.joints[0]?.used?.share).toBeGreaterThan(1 / 1.5)
    expect(once).toMatchObject({ state: 'unsure', open: [{ kind: 'neither-repeat-nor-spare' }] })
    const twice = also(readOnRig(line, tight), readOnRig(line, tight), 'repeat')
    expect(provedOf(job([twice], said)).proof.state).toBe('within')
  })
  it('does not take two readings for one that differ by more than chance', () => {
    const other = also(readOnRig(line, still), readOnRig(line, { ...still, offsetZ: 0.06 }), 'repeat')
    const { proof } = provedOf(job([other]))
    expect(proof.joints[0]?.repeat?.repeats).toBe(false)
    expect(proof.open.map(({ kind }) => kind)).toContain('does-not-repeat')
    expect(proof.state).not.toBe('within')
  })
  it('keeps the closed reading beside the released one, and says when closing moved the shafts', () => {
    const forced = also(readOnRig(line, still), readOnRig(line, { ...still, offsetZ: 0.06 }), 'closed')
    const { proof } = provedOf(job([forced]))
    expect(proof.joints[0]?.solution.verdict?.state).toBe('within')
    expect(proof.joints[0]?.closed?.closing?.change.offsetZ).toBeCloseTo(0.058, 3)
    expect(proof.open).toContainEqual({ kind: 'closing', joint: 'c1', state: 'outside' })
    // zeros all round with the coupling closed are within, as coupled
    const zeros = also(
      readOnRig(line, skew),
      readOnRig(line, { offsetZ: 0, slopeZ: 0, offsetY: 0, slopeY: 0 }),
      'closed',
    )
    const coupled = provedOf(job([zeros])).proof
    expect(coupled.joints[0]?.closed?.check.verdict?.state).toBe('within')
    expect(coupled.state).toBe('outside')
  })
  it('judges running readings against in line, growth left out', () => {
    const { proof } = provedOf(job([also(readOnRig(line, skew), readOnRig(line, still), 'running')]))
    expect(proof.joints[0]?.running?.check.verdict?.state).toBe('within')
    const { came, planned } = proof.joints[0]!.running!.grew!
    expect(came.offsetZ).toBeCloseTo(still.offsetZ - skew.offsetZ, 3)
    expect(came.slopeY).toBeCloseTo(still.slopeY - skew.slopeY, 5)
    expect(planned).toEqual({ offsetY: 0, slopeY: 0, offsetZ: 0, slopeZ: 0 })
  })
  it('a running check asks for heads: no dial is read on a machine that runs', () => {
    const made = train.withProofSets(line, readOnRig(line, still), 'running', () => 'hot').sets.at(-1)!
    expect(made).toMatchObject({ id: 'hot', purpose: 'running', method: 'twin-heads' })
    expect(readsRunning(made)).toBe(true)
    const closed = train.withProofSets(line, readOnRig(line, still), 'closed', () => 'c').sets.at(-1)!
    expect(closed.method).toBe('reverse-dial')
  })
  it('has a settable share of the tolerance for closing', () => {
    const forced = also(readOnRig(line, still), readOnRig(line, { ...still, offsetZ: 0.03 }), 'closed')
    expect(opened(job([forced]))).toContain('closing')
    expect(opened(job([forced], { ...ticked, closingShare: '90' }))).not.toContain('closing')
  })
})

describe('what is in hand', () => {
  const { rounds } = provedOf(job([readOnRig(line, still, { noise: 0.001, source: chance(5) })]))
  const joint = rounds[0]!.joints[0]!
  it('is a speed, up to which the verdict is within, and above which it is not', () => {
    const { sure = 0, rpm } = speedOf(joint)!
    expect(sure).toBeLessThan(rpm)
    expect(verdictIf(joint, sure * 0.99)?.state).toBe('within')
    expect(verdictIf(joint, sure * 1.01)?.state).not.toBe('within')
  })
  it('gives the same marks to a dial on either hub, and draws that agree with the verdict', () => {
    const { plane, vector } = marksOf(joint)!
    expect(vector).toBeCloseTo(plane / Math.SQRT2, 12)
    expect(problemOf(joint, { tape: 1, sag: 0.005, growth: 0, limits: 0 })?.uncertain.length).toBeGreaterThan(4)
  })
})

it('adds a set at each coupling for another purpose, by the same or by another method', () => {
  const round = readOnRig(line, still)
  let made = 0
  const id = () => `new${made++}`
  const [own, repeat] = train.withProofSets(line, round, 'repeat', id).sets
  expect(repeat).toMatchObject({ purpose: 'repeat', state: 'released', method: own?.method })
  expect(repeat?.probes.every(({ readings }) => Object.keys(readings).length === 0)).toBe(true)
  expect(train.withProofSets(line, round, 'closed', id).sets[1]).toMatchObject({ purpose: 'closed', state: 'engaged' })
  expect(train.withOtherMethod?.(line, round, id).sets[1]).toMatchObject({ purpose: 'repeat', method: 'rim-face' })
})
