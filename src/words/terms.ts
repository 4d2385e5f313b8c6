import { foldDegrees, quarterAt } from '../core/frame/angles'
import type { Plane } from '../core/frame/axis'
import { formatNumber, formatSigned } from '../core/frame/number'
import { decimalsFor, fromMm, type Unit } from '../core/frame/units'
import type { Line } from '../core/job/schema'

/** Everything a sentence needs to know of who reads it. */
export interface Terms {
  line: Line
  /** Unit shown: mm or mil. */
  unit: Unit
  /** No number is told finer than this, mm. */
  resolution: number
}

export const unitName: Readonly<Record<Unit, string>> = { mm: 'mm', um: 'µm', in: 'in', mil: 'mil' }

/** A length in the shown unit to the resolution it was read with, without its unit: "0.22". */
export const length = (mm: number, { unit, resolution }: Pick<Terms, 'unit' | 'resolution'>): string =>
  formatNumber(fromMm(mm, unit), decimalsFor(resolution, unit))

/** The same with a sign, for readings. */
export const signedLength = (mm: number, { unit, resolution }: Pick<Terms, 'unit' | 'resolution'>): string =>
  formatSigned(fromMm(mm, unit), decimalsFor(resolution, unit))

/** With its unit: "0.22 mm". */
export const lengthWithUnit = (mm: number, terms: Pick<Terms, 'unit' | 'resolution'>): string =>
  `${length(mm, terms)} ${unitName[terms.unit]}`

/** A dimension along the train, in mm or inch, whole millimetres or hundredths of an inch. */
export function dimension(mm: number, unit: Unit): string {
  return unit === 'mil' || unit === 'in' ? `${formatNumber(mm / 25.4, 2)} in` : `${formatNumber(mm, 0)} mm`
}

/** A slope: mm over 100 mm, or mil over an inch. */
export function slope(rad: number, unit: Unit): string {
  return unit === 'mil' || unit === 'in'
    ? `${formatNumber(rad * 1000, 2)} mil/in`
    : `${formatNumber(rad * 100, 3)} mm/100 mm`
}

export const isZero = (mm: number, { unit, resolution }: Pick<Terms, 'unit' | 'resolution'>): boolean =>
  Number(fromMm(Math.abs(mm), unit).toFixed(decimalsFor(resolution, unit))) === 0

/** Where something is, in words, never by a bare sign: "0.22 high", "0.12 toward near", "in line". */
export function place(mm: number, plane: Plane, terms: Terms): string {
  if (isZero(mm, terms)) return 'in line'
  const size = length(Math.abs(mm), terms)
  if (plane === 'vertical') return `${size} ${mm > 0 ? 'high' : 'low'}`
  return `${size} toward ${sideName(mm > 0 ? 'far' : 'near', terms)}`
}

/** What to do about it: "add 0.22", "take out 0.22", "push 0.12 toward far", "leave". */
export function act(mm: number, plane: Plane, terms: Terms): string {
  if (isZero(mm, terms)) return plane === 'vertical' ? 'leave its shims' : 'leave it sideways'
  const size = lengthWithUnit(Math.abs(mm), terms)
  if (plane === 'vertical') return mm > 0 ? `add ${size} of shim` : `take out ${size} of shim`
  return `push ${size} toward ${sideName(mm > 0 ? 'far' : 'near', terms)}`
}

/** What a name of a side needs of a line. */
export interface Sided {
  line: Pick<Line, 'sides'>
}

export const sideName = (side: 'near' | 'far', { line }: Sided): string => line.sides[side].trim() || side

export const machineName = (id: string, { line }: Pick<Terms, 'line'>): string =>
  line.machines.find((machine) => machine.id === id)?.name ?? id

export const couplingName = (id: string, { line }: Pick<Terms, 'line'>): string =>
  line.couplings.find((coupling) => coupling.id === id)?.name ?? id

export function footName(id: string, { line }: Pick<Terms, 'line'>): string {
  for (const machine of line.machines) {
    const foot = machine.feet.find((f) => f.id === id)
    if (foot) return `${machine.name}, ${foot.name}`
  }
  return id
}

/** A dial by the machine it touches; by its coupling as well where that machine has two. */
export function dialName(on: string, terms: Pick<Terms, 'line'>, coupling?: string): string {
  const name = `${machineName(on, terms)} dial`
  const { machines, couplings } = terms.line
  const m = machines.findIndex((machine) => machine.id === on)
  const inside = m > 0 && m < machines.length - 1
  return inside && coupling && couplings.length > 1 ? `${name} at ${couplingName(coupling, terms).toLowerCase()}` : name
}

/** An angle by its quarter, else in degrees from the top toward the far side. */
export function angleName(degrees: number, terms: Sided): string {
  const quarter = quarterAt(degrees)
  const again = degrees >= 360 ? ' again' : ''
  if (quarter === 'near' || quarter === 'far') return capital(sideName(quarter, terms)) + again
  if (quarter) return capital(quarter) + again
  return `${formatNumber(foldDegrees(degrees), Number.isInteger(degrees) ? 0 : 1)}°${again}`
}

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

export const planeName: Readonly<Record<Plane, string>> = { vertical: 'vertical', horizontal: 'horizontal' }
