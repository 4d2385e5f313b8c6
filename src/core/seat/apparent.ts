import type { FootCheck } from './foot'
import { diagonal, layoutOf } from './layout'

/**
 * How much a foot rises for one mm of movement seen at the shaft, when only its bolt is loosened. The machine tips about the
 * line through the two feet beside it, so both move in proportion to their distances from that line. A guide, not the gap:
 * the frame bends, and the shaft's own bearings take part.
 *
 * @param shaftX station on the shaft (y = 0) where the movement is seen, mm
 * @returns mm per mm; 1 where the machine has not four feet or the shaft's point lies on the line
 */
export function footPerShaft(feet: readonly FootCheck[], id: string, shaftX: number): number {
  const foot = feet.find((one) => one.id === id)
  const layout = layoutOf(feet)
  const beside = feet.filter((one) => foot && one !== foot && !diagonal(one, foot, layout))
  const [a, b] = beside
  if (!foot || feet.length !== 4 || !a || !b || beside.length !== 2) return 1
  const offLine = (x: number, y: number) => Math.abs((b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x))
  const shaft = offLine(shaftX, 0)
  const length = Math.hypot(b.x - a.x, b.y - a.y)
  return shaft / length < 1 ? 1 : offLine(foot.x, foot.y) / shaft
}
