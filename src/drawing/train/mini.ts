import type { TrainListed } from '../../core/kinds/train/advice/summary'
import type { MiniStroke } from '../kind'
import type { Point } from '../scene'

/** A hand-wide drawing for a list: elevation over plan, the machines' axes as polylines, px. */
export function miniDrawing(listed: TrainListed, width: number, height: number): MiniStroke[] {
  const xs = listed.shafts.flatMap((shaft) => shaft.x)
  const [from, to] = [Math.min(...xs), Math.max(...xs)]
  const x = (mm: number) => 4 + ((mm - from) / Math.max(1, to - from)) * (width - 8)
  const all = listed.shafts.flatMap((shaft) => [...(shaft.vertical ?? []), ...(shaft.horizontal ?? [])]).map(Math.abs)
  const px = (height / 4 - 5) / Math.max(0.3, ...all)
  const band = (plane: 'vertical' | 'horizontal', middle: number): MiniStroke[] => [
    {
      look: 'reference',
      points: [
        [4, middle],
        [width - 4, middle],
      ],
    },
    ...listed.shafts.map((shaft): MiniStroke => {
      const values = shaft[plane]
      return {
        look: values === null ? 'unknown' : 'axis',
        points: shaft.x.map((mm, i): Point => [x(mm), middle - (values?.[i] ?? 0) * px]),
      }
    }),
    ...listed.couplings.map(
      (mm): MiniStroke => ({
        look: 'mark',
        points: [
          [x(mm), middle - 6],
          [x(mm), middle + 6],
        ],
      }),
    ),
  ]
  return [...band('vertical', height / 4 + 1), ...band('horizontal', (height * 3) / 4 - 1)]
}
