import { growthOfSupport } from '../../../quantity/expansion'
import { parseNumber } from '../../../quantity/number'
import { quantityMm } from '../../../quantity/quantity'
import type { Growth } from './schema'

/** The growth of a foot in mm; undefined where nothing readable is typed in a plane. */
export function growthMm(growth: Growth | undefined): { vertical?: number; horizontal?: number } {
  if (!growth) return {}
  const vertical = growth.told === 'heat' ? heatGrowth(growth) : quantityMm(growth.vertical)
  const horizontal = quantityMm(growth.horizontal)
  return { ...(vertical === undefined ? {} : { vertical }), ...(horizontal === undefined ? {} : { horizontal }) }
}

/** From material, height and the two temperatures; undefined until all are there. */
export function heatGrowth({ heat }: Growth): number | undefined {
  const height = quantityMm(heat?.height)
  const [cold, running] = [parseNumber(heat?.cold ?? ''), parseNumber(heat?.running ?? '')]
  if (!heat || height === undefined || !cold.ok || !running.ok) return undefined
  const kelvin = (running.value - cold.value) * (heat.degrees === 'F' ? 5 / 9 : 1)
  return growthOfSupport(heat.material, height, kelvin)
}
