/** Units of length a person may type or read. Inside the core every length is a millimeter. */
export type Unit = 'mm' | 'um' | 'in' | 'mil'

export const units: readonly Unit[] = ['mm', 'um', 'in', 'mil']

/** One of each unit, in millimeters. The inch is 25.4 mm exactly; a mil (thou) is a thousandth of it. */
export const millimetersPer: Readonly<Record<Unit, number>> = { mm: 1, um: 0.001, in: 25.4, mil: 0.0254 }

/** `value` in `unit` → mm. */
export const toMm = (value: number, unit: Unit): number => value * millimetersPer[unit]

/** mm → `unit`. */
export const fromMm = (mm: number, unit: Unit): number => mm / millimetersPer[unit]

/**
 * Decimals needed to show a length known in steps of `resolution` (mm) in `unit` without losing a step:
 * 0.01 mm is two decimals in mm, one in mil, none in µm. At least 0, at most 6.
 */
export function decimalsFor(resolution: number, unit: Unit): number {
  const inUnit = fromMm(resolution, unit)
  if (!(inUnit > 0)) return 6
  return Math.min(6, Math.max(0, Math.ceil(-Math.log10(inUnit) - 1e-9)))
}
