import { describe, expect, it } from 'vitest'
import { lineAt, lineThrough } from './axis'

describe('a line through feet', () => {
  it('passes exactly through two stations', () => {
    const line = lineThrough(
      [
        { x: 100, value: 0.2 },
        { x: 300, value: 0.6 },
      ],
      0,
    )
    expect(line.offset).toBeCloseTo(0, 12)
    expect(line.slope).toBeCloseTo(0.002, 12)
    expect(lineAt(line, 200)).toBeCloseTo(0.4, 12)
  })
  it('is level through one station, at the mean of what stands there', () => {
    expect(
      lineThrough(
        [
          { x: 50, value: 0.1 },
          { x: 50, value: 0.3 },
        ],
        0,
      ),
    ).toEqual({ offset: 0.2, slope: 0 })
  })
  it('is the axis itself where there are no feet', () => {
    expect(lineThrough([], 10)).toEqual({ offset: 0, slope: 0 })
  })
})
