import type { BeltListed } from '../../core/kinds/belt/advice/findings'
import type { MiniStroke } from '../kind'
import type { Point } from '../scene'

/** A hand-wide drawing for a list: the drive from above, the face that stays as a reference, every other as it lies, px. */
export function miniBelt({ sheaves }: BeltListed, width: number, height: number): MiniStroke[] {
  const far = Math.max(1, ...sheaves.map(({ across, up }) => Math.hypot(across, up)))
  const top = (distance: number) => height - 10 - (distance / far) * (height - 24)
  const middle = width / 2
  const most = Math.max(
    1,
    ...sheaves.map(({ offset, toe, radius }) => Math.abs(offset ?? 0) + Math.abs(toe ?? 0) * radius),
  )
  const px = width / 5 / most
  return [
    {
      look: 'reference',
      points: [
        [middle, 2],
        [middle, height - 2],
      ],
    },
    {
      look: 'axis',
      points: [
        [middle - 16, height - 8],
        [middle + 16, height - 8],
      ],
    },
    {
      look: 'mark',
      points: [
        [middle, height - 13],
        [middle, height - 3],
      ],
    },
    ...sheaves.flatMap(({ across, up, radius, toe, offset }): MiniStroke[] => {
      const y = top(Math.hypot(across, up))
      const at = (along: number): Point => [middle + ((offset ?? 0) + (toe ?? 0) * -along) * px, y - along * 0.06]
      const known = toe !== null && offset !== null
      return [
        {
          look: known ? 'axis' : 'unknown',
          points: [
            [at(0)[0] - 16, y],
            [at(0)[0] + 16, y],
          ],
        },
        { look: 'mark', points: [at(-radius), at(radius)] },
      ]
    }),
  ]
}
