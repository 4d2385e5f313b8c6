import type { BoreListed } from '../../core/kinds/bore/advice/findings'
import type { MiniStroke } from '../kind'
import type { Point } from '../scene'

/** A hand-wide drawing for a list: the row from the side over the row from above, every bore a gate where it stands, px. */
export function miniBore({ sections }: BoreListed, width: number, height: number): MiniStroke[] {
  const xs = sections.map(({ x }, i) => (sections.some((one) => one.x !== 0) ? x : i))
  const [low, high] = [Math.min(...xs), Math.max(...xs)]
  const at = (i: number) => 10 + (((xs[i] ?? 0) - low) / Math.max(1e-9, high - low)) * (width - 20)
  const most = Math.max(
    0.05,
    ...sections.flatMap(({ vertical, horizontal }) => [Math.abs(vertical ?? 0), Math.abs(horizontal ?? 0)]),
  )
  const px = height / 4 / most / 2.6
  return (['vertical', 'horizontal'] as const).flatMap((plane, p): MiniStroke[] => {
    const middle = height / 4 + (p * height) / 2
    const reference: [Point, Point] = [
      [4, middle],
      [width - 4, middle],
    ]
    return [
      { look: 'reference', points: reference },
      ...sections.map((section, i): MiniStroke => {
        const off = section[plane]
        const y = middle - (off ?? 0) * px
        return {
          look: off === null ? 'unknown' : 'axis',
          points: [
            [at(i), y - 6],
            [at(i), y + 6],
          ],
        }
      }),
    ]
  })
}
