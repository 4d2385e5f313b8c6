import { describe, expect, it } from 'vitest'
import { rowsBySpeed, usualDiameter } from './bySpeed'
import { limitsMissing, limitsOf } from './limits'
import { slipSpeedLimits } from './slipSpeed'
import { readRows, rowFaults } from './table'

const table = readRows(rowsBySpeed())

describe('what is allowed by speed alone', () => {
  it('is a table without a fault, stricter the faster it turns', () => {
    expect(rowFaults(rowsBySpeed()).size).toBe(0)
    expect(table).toHaveLength(rowsBySpeed().length)
    table.slice(1).forEach((row, i) => {
      expect(row.offset!).toBeLessThanOrEqual(table[i]!.offset!)
      expect(row.slope).toBeLessThanOrEqual(table[i]!.slope)
      expect(row.slope).toBeGreaterThan(0)
    })
  })
  it.each([300, 595, 1480, 1500, 1780, 2960, 3550, 5900])('allows at %s rpm no more than sliding speed does', (rpm) => {
    const limits = limitsOf({ rpm, table }, { x: 0 }, 'standard')!
    const sliding = slipSpeedLimits(rpm, usualDiameter / 2, 'standard')
    expect(limits.offset).toBeLessThanOrEqual(sliding.offset)
    expect(limits.slope).toBeLessThanOrEqual(sliding.slope)
    expect(limitsMissing({ rpm, table }, { x: 0 })).not.toContain('diameter')
  })
  it('says nothing beyond its last speed', () => {
    expect(limitsOf({ rpm: 9000, table }, { x: 0 }, 'standard')).toBeUndefined()
  })
})
