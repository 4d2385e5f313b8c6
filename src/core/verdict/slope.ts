import { parseNumber } from '../frame/number'

/** Slope in rad from what was typed. */
export function slopeRad(slope: { text: string; unit: 'mm/100 mm' | 'mil/in' }): number | undefined {
  const typed = parseNumber(slope.text)
  const rad = typed.ok ? typed.value / (slope.unit === 'mil/in' ? 1000 : 100) : undefined
  return rad !== undefined && Math.abs(rad) < 1 ? rad : undefined
}
