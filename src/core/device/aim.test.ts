import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { makeStandIn } from '../rig/standIn'
import { aimOf } from './aim'
import { helloSchema } from './protocol'

describe('how a head is aimed', () => {
  it('one number is a spot on a line, four are a spot on each plane', () => {
    expect(aimOf([2.5], 5)).toEqual({ spots: [{ across: 0, up: 0.5 }], left: 2.5, closeEnough: true })
    expect(aimOf([1, -2, 3, 0.5], 5)).toEqual({
      spots: [
        { across: -0.4, up: 0.2 },
        { across: 0.1, up: 0.6 },
      ],
      left: 2,
      closeEnough: false,
    })
  })
  it('the edge of the detector is nothing left; the middle is all of it', () => {
    expect(aimOf([-5], 5)).toMatchObject({ left: 0, closeEnough: false })
    expect(aimOf([0, 0, 0, 0], 5)).toMatchObject({ left: 5, closeEnough: true })
  })
  it('a simulated head says how far it sees, a dial does not, and the greeting stays lawful', () => {
    for (const kind of ['heads', 'two-plane'] as const) {
      const hello = v.parse(helloSchema, makeStandIn(kind, 3).hello())
      for (const { range } of hello.probes) expect(range).toBeGreaterThan(1)
    }
    for (const { range } of v.parse(helloSchema, makeStandIn('dials', 3).hello()).probes) expect(range).toBeUndefined()
  })
})
