import { describe, expect, it } from 'vitest'
import { mm, pumpAndMotor, readOnRig, stocked } from '../rig'
import { emptyPlan, factsOf, marginOf, mostShimsOf, presentPack } from './choices'

const line = pumpAndMotor()
const round = readOnRig(line, { offsetZ: 0.1, slopeZ: 0, offsetY: 0, slopeY: 0 })

describe('what a person typed of a plan', () => {
  it.each([
    [undefined, 4],
    ['', 4],
    ['x', 4],
    ['0', 4],
    ['1', 1],
    ['3.9', 3],
    ['8', 8],
    ['9', 8],
    ['40', 8],
  ] as const)('at most “%s” shims in a pack is %d', (text, most) => {
    expect(mostShimsOf(text === undefined ? undefined : { ...emptyPlan(), mostShims: text })).toBe(most)
  })
  it.each([
    [undefined, 0.5],
    ['', 0.5],
    ['half', 0.5],
    ['0', 0],
    ['30 %', 0.3],
    ['30', 0.3],
    ['-5', 0],
    ['250', 1],
  ] as const)('a margin of “%s” is %d of what is allowed', (text, share) => {
    expect(marginOf(text === undefined ? undefined : { ...emptyPlan(), margin: text })).toBeCloseTo(share, 9)
  })
  it('the pack under a foot is as typed in the plan, else as it was found last when the feet were checked', () => {
    const foot = { rise: mm(0), gaps: {}, told: 'foot' as const, pack: '1 + 0.2' }
    const seat = {
      m2: { threshold: mm(0.05), torque: '', loose: {}, before: { 'm2-front.near': foot }, after: {} },
    } as never
    expect(presentPack({ seat }, undefined, 'm2', 'm2-front.near')).toEqual([1, 0.2])
    expect(presentPack({ seat }, stocked(line, '2', []), 'm2', 'm2-front.near')).toEqual([2])
    expect(presentPack({}, undefined, 'm2', 'm2-front.near')).toBeUndefined()
  })
  it('a station goes down no further than the thinner of its two packs, and limits below nothing count as none of room', () => {
    const plan = stocked(line, '2', [], { limits: { 'm2-front': { down: mm(-3), far: mm(0.4) } } })
    const packs = { ...plan.packs, 'm2-back.near': { text: '0.5', unit: 'mm' as const } }
    const facts = factsOf({ line }, { ...round, plan: { ...plan, packs } })
    expect(facts.get('m2-front')).toMatchObject({ limits: { down: 0, far: 0.4 }, pack: [2] })
    expect(facts.get('m2-back')).toMatchObject({ pack: [0.5] })
  })
})
