import type { PlacedFoot } from '../core/seat/state'
import { linear } from './scale'

/** A machine's feet from above, px. Far is up, as in the plan; turned round with it. */
export interface FeetDrawing {
  width: number
  height: number
  pads: { id: string; x: number; y: number }[]
  shaft: { from: number; to: number; y: number }
}

/**
 * The feet at their true spacing, one scale for both directions where the pads' cells leave room for it; else each direction
 * is drawn as wide as its cells need.
 *
 * @param cell px that one foot's cells need
 * @param most px across the machine, where its feet stand wide
 */
export function feetDrawing(
  feet: readonly PlacedFoot[],
  width: number,
  cell: { width: number; height: number },
  flipped: boolean,
  most = 170,
): FeetDrawing {
  const xs = feet.map((foot) => foot.x)
  const ys = feet.map((foot) => foot.y)
  const [low, high] = [Math.min(...xs), Math.max(...xs)]
  const [near, far] = [Math.min(...ys), Math.max(...ys)]
  const across = Math.max(1, far - near)
  const along = Math.max(1, high - low)
  const stations = new Set(xs).size
  const room = width - cell.width
  const scale = Math.min(room / along, most / across)
  const spanX = Math.min(room, Math.max(along * scale, (stations - 1) * (cell.width + 8)))
  const spanY = Math.max(across * scale, cell.height + Math.min(20, most / 8))
  const margin = (width - spanX) / 2
  const height = spanY + cell.height + 8
  const x = linear([low, high], flipped ? [margin + spanX, margin] : [margin, margin + spanX])
  const top = cell.height / 2 + 4
  const y = linear([near, far], flipped ? [top, top + spanY] : [top + spanY, top])
  return {
    width,
    height,
    pads: feet.map((foot) => ({ id: foot.id, x: x(foot.x), y: y(foot.y) })),
    shaft: { from: 0, to: width, y: y((near + far) / 2) },
  }
}
