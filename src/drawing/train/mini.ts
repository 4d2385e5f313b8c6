import type { JobSummary } from '../../core/kinds/train/advice/summary'
import type { Point } from '../scene'

/** A hand-wide Sight for a list: per plane the axes of the machines as polylines, in px. */
export interface MiniSight {
  elevation: { points: Point[]; known: boolean }[]
  plan: { points: Point[]; known: boolean }[]
  couplings: number[]
}

export function miniSight(summary: JobSummary, width: number, height: number): MiniSight {
  const xs = summary.shafts.flatMap((shaft) => shaft.x)
  const [from, to] = [Math.min(...xs), Math.max(...xs)]
  const x = (mm: number) => 4 + ((mm - from) / Math.max(1, to - from)) * (width - 8)
  const all = summary.shafts.flatMap((shaft) => [...(shaft.vertical ?? []), ...(shaft.horizontal ?? [])]).map(Math.abs)
  const px = (height / 4 - 5) / Math.max(0.3, ...all)
  const band = (plane: 'vertical' | 'horizontal', middle: number) =>
    summary.shafts.map((shaft) => {
      const values = shaft[plane]
      return {
        known: values !== null,
        points: shaft.x.map((mm, i): Point => [x(mm), middle - (values?.[i] ?? 0) * px]),
      }
    })
  return {
    elevation: band('vertical', height / 4 + 1),
    plan: band('horizontal', (height * 3) / 4 - 1),
    couplings: summary.couplings.map(x),
  }
}
