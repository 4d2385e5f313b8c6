import type { UprightListed } from '../../core/kinds/upright/advice/findings'
import type { MiniStroke } from '../kind'

/** A hand-wide drawing for a list: the upper shaft over the lower one, toward bolt 1 and toward 90°, px. */
export function miniUpright({ lines }: UprightListed, width: number, height: number): MiniStroke[] {
  const up = height / 2 - 6
  return (['vertical', 'horizontal'] as const).flatMap((plane, i): MiniStroke[] => {
    const x = (width * (2 * i + 1)) / 4
    const line = lines[plane]
    const px = line ? width / 8 / Math.max(0.1, Math.abs(line.offset) + Math.abs(line.slope) * 300) : 0
    const at = (mm: number): [number, number] => [
      x + ((line?.offset ?? 0) + (line?.slope ?? 0) * mm) * px,
      height / 2 - 2 - (mm / 300) * up,
    ]
    return [
      {
        look: 'reference',
        points: [
          [x, 3],
          [x, height - 3],
        ],
      },
      {
        look: 'axis',
        points: [
          [x, height / 2 + 2],
          [x, height - 4],
        ],
      },
      { look: line ? 'axis' : 'unknown', points: [at(0), at(300)] },
      {
        look: 'mark',
        points: [
          [x - 6, height / 2],
          [x + 6, height / 2],
        ],
      },
    ]
  })
}
