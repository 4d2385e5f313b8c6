import type { RollsListed } from '../../core/kinds/rolls/advice/findings'
import type { MiniStroke } from '../kind'

/** A hand-wide drawing for a list: every roll from above, slanted as it is out of square, px. */
export function miniRolls({ rolls }: RollsListed, width: number, height: number): MiniStroke[] {
  const xs = rolls.map(({ x }, i) => (rolls.some((one) => one.x !== 0) ? x : i))
  const [low, high] = [Math.min(...xs), Math.max(...xs)]
  const most = Math.max(1e-4, ...rolls.map(({ square }) => Math.abs(square ?? 0)))
  const half = height / 2 - 8
  return [
    {
      look: 'reference',
      points: [
        [4, height / 2],
        [width - 4, height / 2],
      ],
    },
    ...rolls.map(({ square }, i): MiniStroke => {
      const x = 10 + (((xs[i] ?? 0) - low) / Math.max(1e-9, high - low)) * (width - 20)
      const slant = ((square ?? 0) / most) * 5
      return {
        look: square === null ? 'unknown' : 'axis',
        points: [
          [x + slant, height / 2 - half],
          [x - slant, height / 2 + half],
        ],
      }
    }),
  ]
}
