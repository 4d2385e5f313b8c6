import { formatNumber, formatSigned, isSum, parseNumber } from './number'
import type { Trouble } from './trouble'
import { decimalsFor, fromMm, millimetersPer, toMm, type Unit } from './units'

/**
 * A measured number exactly as a person typed it. What was typed is what is stored; millimeters are worked out when
 * asked for, so switching units never rewrites a reading. `text` may be empty (not read yet) or not a number (kept, and said).
 */
export interface Quantity {
  text: string
  /** The unit in force when it was typed; a unit written in the text itself wins. */
  unit: Unit
  /** Of a number that must be above zero: the last one that was, used while the text is half typed or makes no sense. */
  was?: { text: string; unit: Unit } | undefined
}

export const emptyQuantity = (unit: Unit): Quantity => ({ text: '', unit })

/** Nothing that is measured on a line is longer, mm. */
const kilometer = 1e6

/** What each was found to be: a document is never changed, only made anew, and most of it stays as it is from key to key. */
const known = new WeakMap<object, number | undefined>()

/** Millimeters, or undefined where nothing (or nothing readable, or more than a kilometer) is typed. */
export function quantityMm(quantity: Readonly<Pick<Quantity, 'text' | 'unit'>> | undefined): number | undefined {
  if (!quantity || quantity.text === '') return undefined
  if (!known.has(quantity)) known.set(quantity, readMm(quantity))
  return known.get(quantity)
}

function readMm(quantity: Pick<Quantity, 'text' | 'unit'>): number | undefined {
  if (quantity.text.trim() === '') return undefined
  const typed = parseNumber(quantity.text)
  const mm = typed.ok ? toMm(typed.value, typed.unit ?? quantity.unit) : undefined
  return mm !== undefined && Math.abs(mm) <= kilometer ? mm : undefined
}

/** What is wrong with a typed quantity, or undefined where it is empty or fine. */
export function quantityFault(quantity: Quantity | undefined): Trouble | undefined {
  if (!quantity || quantity.text.trim() === '' || quantityMm(quantity) !== undefined) return undefined
  const typed = parseNumber(quantity.text)
  return typed.ok ? { kind: 'too-far' } : typed.trouble
}

/** A step or a standard deviation outside these makes no sense, mm: a ten-nanometer graduation, or one of a centimeter. */
const sensible = { least: 1e-5, most: 10 }

const positiveOf = (quantity: Pick<Quantity, 'text' | 'unit'> | undefined): number | undefined => {
  const mm = quantityMm(quantity)
  return mm !== undefined && mm >= sensible.least && mm <= sensible.most ? mm : undefined
}

/**
 * Millimeters of a graduation, a finest step or a standard deviation: what is typed where that makes sense, else the last
 * that did, else undefined (and the usual one is used).
 */
export const positiveMm = (quantity: Quantity | undefined): number | undefined =>
  quantity && quantity.text.trim() !== '' ? (positiveOf(quantity) ?? positiveOf(quantity.was)) : undefined

/** What is wrong with a number that must be above zero, or undefined where it is empty or fine. */
export function positiveFault(quantity: Quantity | undefined): Trouble | undefined {
  if (!quantity || quantity.text.trim() === '' || positiveOf(quantity) !== undefined) return undefined
  const fault = quantityFault(quantity)
  if (fault) return fault
  const mm = quantityMm(quantity) ?? 0
  return { kind: mm <= 0 ? 'not-above-zero' : mm < sensible.least ? 'too-small' : 'too-large' }
}

/** A number that must be above zero, typed anew: it remembers the last one that was. */
export function retyped(old: Quantity | undefined, next: Quantity): Quantity {
  if (next.text.trim() === '' || positiveOf(next) !== undefined) return { text: next.text, unit: next.unit }
  const last = old && positiveOf(old) !== undefined ? { text: old.text, unit: old.unit } : old?.was
  return { text: next.text, unit: next.unit, ...(last ? { was: last } : {}) }
}

/** Flips the sign of what is typed, from anywhere in it. */
export function flipSign(text: string): string {
  const bare = text.trimStart()
  if (/^[-−]/.test(bare)) return bare.slice(1)
  return `-${bare.replace(/^\+/, '')}`
}

/** The unit a quantity is in: the one written in its text, else the one in force when it was typed. */
export function unitOf(quantity: Quantity): Unit {
  const typed = parseNumber(quantity.text)
  return (typed.ok ? typed.unit : undefined) ?? quantity.unit
}

/** One turn of the usual dial that a number was read on, mm: 1 mm, or 100 mil. */
export const turnOf = (typed: Quantity | undefined): number =>
  typed && unitOf(typed) !== 'mm' && unitOf(typed) !== 'um' ? toMm(100, 'mil') : 1

/** Decimals a person typed: "−0.283" has three, "3 1/8" as many as its value needs. */
export function typedDecimals(text: string): number {
  const points = [...text.matchAll(/[.,](\d*)/g)].map(([, after = '']) => after.length)
  if (points.length > 0) return Math.min(6, Math.max(...points))
  return text.includes('/') ? 4 : 0
}

/** A fraction is known to so small a part of its own step: "3 1/8" to a hundred and twenty-eighth. */
const partOfFraction = 16

/** The step a quantity was typed in, mm: "−0.283" in mm is known to 0.001. Undefined where nothing readable is typed. */
export function typedStep(quantity: Quantity): number | undefined {
  const typed = parseNumber(quantity.text)
  if (!typed.ok) return undefined
  const below = Number(/\/\s*(\d+)/.exec(quantity.text)?.[1] ?? 0)
  const step = below > 0 ? 1 / (partOfFraction * below) : 10 ** -typedDecimals(quantity.text)
  return millimetersPer[typed.unit ?? quantity.unit] * step
}

/**
 * A quantity as text in `unit`: as typed where that is its own unit, else converted and shown to the resolution it was
 * typed with. Readings (`signed`) show "+" too.
 */
export function showQuantity(quantity: Quantity, unit: Unit, options: { signed?: boolean } = {}): string {
  const typed = parseNumber(quantity.text)
  if (!typed.ok) return quantity.text
  const own = typed.unit ?? quantity.unit
  const format = options.signed ? formatSigned : formatNumber
  const decimals = typedDecimals(quantity.text)
  if (own === unit)
    return quantity.text.includes('/') || isSum(quantity.text) ? quantity.text : format(typed.value, decimals)
  return format(fromMm(toMm(typed.value, own), unit), decimalsFor(typedStep(quantity) ?? 0, unit))
}

/** A quantity from millimeters, written in `unit` with `decimals`: for demo data and simulated readings. */
export const quantityFrom = (mm: number, unit: Unit, decimals: number): Quantity => ({
  text: formatNumber(fromMm(mm, unit), decimals).replace('−', '-'),
  unit,
})
