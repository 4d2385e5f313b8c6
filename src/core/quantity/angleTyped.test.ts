import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isClock, readAngle } from './angleTyped'

const sides = { near: 'Door', far: 'wall' }
const degrees = (text: string, as?: Parameters<typeof readAngle>[2]) => {
  const read = readAngle(text, sides, as)
  return read.ok ? read.degrees : read.trouble
}

describe('an angle as people write it', () => {
  it.each([
    ['top', 0],
    ['Far', 90],
    ['WALL', 90],
    ['bottom', 180],
    [' door ', 270],
    ['45', 45],
    ['45°', 45],
    ['-90', 270],
    ['360', 360],
    ['450', 90],
  ])('“%s” is %d degrees', (text, at) => {
    expect(degrees(text)).toBe(at)
  })
  it.each(['left', '', '1:30', '3 o’clock'])('“%s” is none', (text) => {
    expect(degrees(text)).toMatchObject({ kind: expect.any(String) })
  })
  it('by the clock, from either end: the two mirror each other about the top', () => {
    expect([degrees('3', 'clock-right'), degrees('3', 'clock-left')]).toEqual([90, 270])
    expect([degrees('1:30', 'clock-right'), degrees('12', 'clock-left')]).toEqual([45, 0])
    expect(degrees('wall', 'clock-left')).toBe(90)
    for (const text of ['13', '3:60', 'x'])
      expect(degrees(text, 'clock-right')).toEqual({ kind: 'no-clock-time', text })
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 12 }), fc.integer({ min: 0, max: 59 }), (hour, minute) => {
        const text = `${hour}:${String(minute).padStart(2, '0')}`
        const [right, left] = [degrees(text, 'clock-right'), degrees(text, 'clock-left')]
        expect((Number(right) + Number(left)) % 360).toBeCloseTo(0, 9)
      }),
    )
  })
  it('is told by a clock and nothing else where it has minutes or says so', () => {
    expect(['1:30', '3 o’clock', '3', '90', 'top'].map(isClock)).toEqual([true, true, false, false, false])
  })
})
