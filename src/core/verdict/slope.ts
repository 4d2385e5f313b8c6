import { parseNumber } from '../quantity/number'

/** Slope in rad from what was typed. */
export function slopeRad(slope: { text: string; unit: 'mm/100 mm' | 'mil/in' }): number | undefined {
  const typed = parseNumber(slope.text)
  const rad = typed.ok ? typed.value / (slope.unit === 'mil/in' ? 1000 : 100) : undefined
  return rad !== undefined && Math.abs(rad) < 1 ? rad : undefined
}

/**
 * A slope as it is felt between the faces of a coupling: how much wider the gap is at one side of a diameter than across from it, mm, and
 * where. A right shaft that rises away from the coupling leaves it open at the bottom; one that goes away toward the far side, at the near one.
 *
 * @param slope rad, right shaft relative to left
 * @param diameter mm
 */
export const openingOf = (slope: number, diameter: number): { mm: number; at: 'low' | 'high' } => ({
  mm: Math.abs(slope) * diameter,
  at: slope > 0 ? 'low' : 'high',
})
