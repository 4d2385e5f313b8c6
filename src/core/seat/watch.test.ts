import { describe, expect, it } from 'vitest'
import { makeIndicator } from '../rig/indicator'
import { comesBackWithin, nextOf, riseOf, type Watched } from './watch'

describe('a foot watched while its bolt is loosened', () => {
  it('is taken at rest, loosened and tightened, in that order', () => {
    expect(nextOf({})).toBe('rest')
    expect(nextOf({ rest: 0.1 })).toBe('loosened')
    expect(nextOf({ rest: 0.1, loosened: 0.2 })).toBe('tightened')
    expect(nextOf({ rest: 0.1, loosened: 0.2, tightened: 0.1 })).toBeUndefined()
  })
  it('rises by what loosened is over rest, whatever the dial was zeroed at', () => {
    expect(riseOf({ rest: 1.02, loosened: 1.1 }).rise).toBeCloseTo(0.08, 9)
    expect(riseOf({ rest: 1.02, loosened: 1.1, tightened: 1.03 }).back).toBeCloseTo(0.01, 9)
    expect(riseOf({ loosened: 1.1 })).toEqual({ rise: undefined, back: undefined })
  })
  it('a simulated foot rises and comes back; some sit, some are soft', () => {
    const rises = Array.from({ length: 24 }, (_, i) => {
      const rig = makeIndicator(5, 20)
      const watched: Watched = {}
      for (const bolt of ['rest', 'loosened', 'tightened'] as const) {
        rig.command({ type: 'aim', touch: 'foot', of: `foot-${i}`, bolt })
        const told = rig
          .advance(2000)
          .flatMap((message) => (message.type === 'reading' ? [message.probes[0]?.values?.[0]] : []))
        watched[bolt] = told.at(-1) ?? Number.NaN
      }
      const { rise = Number.NaN, back = Number.NaN } = riseOf(watched)
      expect(Math.abs(back)).toBeLessThan(comesBackWithin + 0.011)
      return rise
    })
    expect(rises.filter((mm) => mm < 0.03).length).toBeGreaterThan(4)
    expect(rises.filter((mm) => mm > 0.05).length).toBeGreaterThan(3)
  })
})
