import { parseNumber } from '../quantity/number'
import { type Quantity, quantityMm } from '../quantity/quantity'
import type { Trouble } from '../quantity/trouble'
import { toMm } from '../quantity/units'
import type { ShimStock } from './schema'
import type { StockSize } from './shelf'

/** "1 + 0.5", "1.00, 0.50" or "1 0.5": shims in a pack. */
const between = /[\s+;]+|,(?!\d)/

/** No pack is thicker, mm: beyond it a decimal point or a unit is wrong. */
const thickest = 1000

/** Thicknesses in mm of a pack as it was typed; undefined where nothing or something unreadable is typed. */
export function packMm(typed: Quantity | undefined): number[] | undefined {
  const parts = (typed?.text ?? '').split(between).filter(Boolean)
  if (!typed || parts.length === 0) return undefined
  const sizes = parts.map((part) => {
    const number = parseNumber(part)
    return number.ok && number.value >= 0 ? toMm(number.value, number.unit ?? typed.unit) : undefined
  })
  const known = sizes.filter((size) => size !== undefined)
  const whole = known.length === sizes.length && known.reduce((sum, size) => sum + size, 0) <= thickest
  return whole ? known.filter((size) => size > 0) : undefined
}

export const packFault = (typed: Quantity | undefined): Trouble | undefined =>
  typed && typed.text.trim() !== '' && packMm(typed) === undefined ? { kind: 'not-a-pack' } : undefined

/** Sizes of a stock in mm; what cannot be read is left out. */
export const stockSizes = (stock: ShimStock | undefined): StockSize[] =>
  (stock?.sizes ?? []).flatMap(({ thickness, count }) => {
    const mm = quantityMm(thickness)
    const typed = parseNumber(count)
    return mm !== undefined && mm > 0
      ? [{ thickness: mm, count: typed.ok ? Math.max(0, Math.floor(typed.value)) : Number.POSITIVE_INFINITY }]
      : []
  })
