import type { WrittenFault } from '../fit/slips'
import { flipSign, type Quantity, quantityFrom, typedDecimals, unitOf } from './quantity'

/** One number as it would have been written without a slip. */
export interface AsIf {
  fault: WrittenFault
  /** What it would have been, mm. */
  would: number
}

/** A number that was typed as it would have been without a slip: in its own unit, to the decimals it was typed with. */
export function quantityAsIf(typed: Quantity, { fault, would }: AsIf): Quantity {
  if (fault === 'sign') return { text: flipSign(typed.text), unit: typed.unit }
  const decimals = Math.min(4, typedDecimals(typed.text) + (fault === 'decimal' ? 1 : 0))
  const unit = unitOf(typed)
  return quantityFrom(would, unit, Math.max(decimals, unit === 'mm' ? 2 : 1))
}

/** Numbers by key as they would have been; two that were exchanged change places. */
export function valuesAsIf<V extends Readonly<Record<string, Quantity | undefined>>>(
  values: V,
  key: keyof V & string,
  slip: AsIf,
  other?: keyof V & string,
  exchanged: readonly (readonly [string, string])[] = [],
): V {
  if (slip.fault === 'other-way')
    return {
      ...values,
      ...Object.fromEntries(
        exchanged.flatMap(([a, b]) => [
          [a, values[b]],
          [b, values[a]],
        ]),
      ),
    }
  const typed = values[key]
  if (!typed) return values
  if (slip.fault === 'swap' && other !== undefined) return { ...values, [key]: values[other], [other]: typed }
  return { ...values, [key]: quantityAsIf(typed, slip) }
}
