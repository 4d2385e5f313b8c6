import type { Trouble } from './trouble'
import type { Unit } from './units'

/** What came of reading a typed number: the value and, when it was typed too, its unit; or what is wrong with it. */
export type TypedNumber = { ok: true; value: number; unit?: Unit } | { ok: false; trouble: Trouble }

const unitWords: Readonly<Record<string, Unit>> = {
  mm: 'mm',
  um: 'um',
  µm: 'um',
  μm: 'um',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
  mil: 'mil',
  mils: 'mil',
  thou: 'mil',
}

const shape = /^([+-]?)\s*(?:(\d+)(?:\s+|\s*-\s*)(\d+)\/(\d+)|(\d+)\/(\d+)|(\d*(?:[.,]\d*)?))\s*([a-zµμ"″]*)$/i

/** Blades or shims laid on each other: "6+5", "0.5 + 0.05 mm". */
const sum = /^\s*(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:\s*\+\s*(?:\d+(?:[.,]\d*)?|[.,]\d+))+\s*[a-zµμ"″]*\s*$/i

/** Whether a text is a sum of blades or shims. */
export const isSum = (text: string): boolean => sum.test(text)

/** Each part read by itself; the unit is that of the last. */
function parseSum(text: string): TypedNumber {
  const parts = text.split('+').map(parseNumber)
  const last = parts.at(-1)
  const unit = last?.ok ? last.unit : undefined
  let value = 0
  for (const part of parts) {
    if (!part.ok) return part
    value += part.value
  }
  return unit ? { ok: true, value, unit } : { ok: true, value }
}

/**
 * Reads a number as people write it: "12", "-.5", "+0.3", "1,5", "−0.2" with a real minus, "3 1/8", "1-1/2", "12 mm", "5 thou", "6+5".
 * A comma is a decimal comma, except where it could as well part the thousands ("1,500"): that is asked back.
 */
export function parseNumber(text: string): TypedNumber {
  if (isSum(text)) return parseSum(text)
  const tidy = text.replace(/[−–—]/g, '-').replace(/\s+/g, ' ').trim()
  if (tidy === '') return { ok: false, trouble: { kind: 'nothing-typed' } }
  const found = shape.exec(tidy)
  if (!found) return { ok: false, trouble: { kind: 'not-a-number', text: text.trim() } }
  const [, sign, whole, over, under, lonelyOver, lonelyUnder, plain, word] = found
  const unit = word ? unitWords[word.toLowerCase()] : undefined
  if (word && !unit) return { ok: false, trouble: { kind: 'no-unit', text: word } }
  let value: number
  if (plain !== undefined) {
    if (!/\d/.test(plain)) return { ok: false, trouble: { kind: 'no-digits', text: text.trim() } }
    if (/^[1-9]\d{0,2},\d{3}$/.test(plain)) return { ok: false, trouble: { kind: 'two-ways', text: plain } }
    value = Number(plain.replace(',', '.'))
  } else {
    const bottom = Number(under ?? lonelyUnder)
    if (bottom === 0) return { ok: false, trouble: { kind: 'over-nothing' } }
    value = Number(whole ?? 0) + Number(over ?? lonelyOver) / bottom
  }
  const signed = sign === '-' && value !== 0 ? -value : value
  return unit ? { ok: true, value: signed, unit } : { ok: true, value: signed }
}

/** A number with `decimals` decimals, a real minus sign, and never "−0.00". */
export function formatNumber(value: number, decimals: number): string {
  const text = Math.abs(value).toFixed(decimals)
  return value < 0 && Number(text) !== 0 ? `−${text}` : text
}

/** Like `formatNumber`, with "+" before what is above zero: for dial readings, where the sign is part of the number. */
export function formatSigned(value: number, decimals: number): string {
  const text = formatNumber(value, decimals)
  return value > 0 && Number(text) !== 0 ? `+${text}` : text
}
