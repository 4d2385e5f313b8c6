import { formatNumber } from '../quantity/number'
import { slipSpeedLimits } from './slipSpeed'
import type { TypedLimitRow } from './table'

/** The diameter of a usual coupling, mm: what is allowed by speed alone is meant for one of about that size. */
export const usualDiameter = 160

/** Where its ranges of speed end, rpm: speeds that motors turn at, and some between. */
const ends = [600, 900, 1200, 1500, 1800, 3000, 3600, 6000] as const

/** Its id among tables: none of the kit's. */
export const bySpeedId = 'by-speed'

/** Steps that its figures are rounded down to: mm, and mm over 100 mm. */
const step = 0.005
const down = (value: number): string => formatNumber(Math.floor(value / step + 1e-9) * step, 3)

/**
 * A table of what is allowed by speed alone, our default where neither the maker nor the site says more: the usual sliding speed on a coupling of
 * the usual diameter at the fast end of each range, rounded down.
 */
export const rowsBySpeed = (): TypedLimitRow[] =>
  ends.map((to, i) => {
    const { offset, slope } = slipSpeedLimits(to, usualDiameter / 2, 'standard')
    return {
      id: `to-${to}`,
      coupling: 'any',
      from: String(ends[i - 1] ?? 0),
      to: String(to),
      offset: { text: down(offset), unit: 'mm' },
      slope: { text: down(100 * slope), unit: 'mm/100 mm' },
    }
  })
