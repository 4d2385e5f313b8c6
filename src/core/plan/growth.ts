import { planes } from '../frame/axis'
import { parseNumber } from '../frame/number'
import { quantityMm } from '../frame/quantity'
import type { Growth } from '../job/schema'
import type { JobSolution } from '../job/solve'
import { growthOfSupport } from '../moves/growth'
import type { Train } from '../moves/train'

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

/** Whether anything is known of how this train grows: nobody having said is not the same as nothing. */
export const growthKnown = (train: Pick<Train, 'machines'>): boolean =>
  train.machines.some(({ feet }) => feet.some(({ growth }) => growth !== undefined))

/**
 * Growth from the same line read cold and hot: how much every station rose and went sideways against the fixed machine, mm.
 * What the fixed machine itself grew is in neither reading; all numbers are relative to it.
 */
export function growthBetween(
  cold: JobSolution,
  hot: JobSolution,
): { foot: string; vertical: number | null; horizontal: number | null }[] {
  return cold.solution.feet.flatMap((foot) => {
    const then = hot.solution.feet.find((other) => other.foot === foot.foot)
    if (!then) return []
    const [vertical, horizontal] = planes.map((plane) => {
      const [a, b] = [foot[plane], then[plane]]
      return a && b ? b.position - a.position : null
    })
    return [{ foot: foot.foot, vertical: vertical ?? null, horizontal: horizontal ?? null }]
  })
}
