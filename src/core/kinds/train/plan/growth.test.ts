import { describe, expect, it } from 'vitest'
import { growthMm, heatGrowth } from '../document/growth'
import type { Growth } from '../document/schema'
import { pumpAndMotor, readOnRig } from '../rig'
import { solveRound } from '../solve/round'
import { growthBetween, growthKnown } from './growth'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const growth = (more: Partial<Growth>): Growth => ({
  told: 'entered',
  vertical: mm('0.3'),
  horizontal: mm(''),
  source: '',
  ...more,
})
const heat: NonNullable<Growth['heat']> = {
  material: 'grey-iron',
  height: mm('320'),
  cold: '18',
  running: '92',
  degrees: 'C',
}

describe('growth', () => {
  it('is what was entered; a plane nobody spoke of is left out', () => {
    expect(growthMm(growth({}))).toEqual({ vertical: 0.3 })
    expect(growthMm(undefined)).toEqual({})
  })
  it('is α·L·ΔT of what carries the shaft', () => {
    expect(heatGrowth(growth({ told: 'heat', heat }))).toBeCloseTo(10.4e-6 * 320 * 74, 9)
    const inFahrenheit = { ...heat, degrees: 'F' as const, cold: '64.4', running: '197.6' }
    expect(heatGrowth(growth({ heat: inFahrenheit }))).toBeCloseTo(10.4e-6 * 320 * 74, 9)
    expect(growthMm(growth({ told: 'heat', heat })).vertical).toBeCloseTo(0.2463, 4)
    expect(growthMm(growth({ told: 'heat', heat: { ...heat, running: '' } })).vertical).toBeUndefined()
  })
  it('comes from two readings as the difference of where every station stood', () => {
    const line = pumpAndMotor()
    const at = (offsetZ: number, slopeZ: number) =>
      solveRound({ line }, readOnRig(line, { offsetZ, slopeZ, offsetY: 0, slopeY: 0 }))
    const grown = growthBetween(at(-0.2, 0.0001), at(0.1, 0.0001))
    const of = (foot: string) => grown.find((one) => one.foot === foot)!
    expect(of('m2-front').vertical).toBeCloseTo(0.3, 4)
    expect(of('m2-back').vertical).toBeCloseTo(0.3, 4)
    expect(of('m1-front').vertical).toBeCloseTo(0, 9)
    expect(of('m2-back').horizontal).toBeCloseTo(0, 4)
  })
  it('is known only where somebody has said something', () => {
    expect(growthKnown({ machines: [{ id: 'a', feet: [{ id: 'f', x: 0 }] }] })).toBe(false)
    expect(growthKnown({ machines: [{ id: 'a', feet: [{ id: 'f', x: 0, growth: { vertical: 0 } }] }] })).toBe(true)
  })
})
