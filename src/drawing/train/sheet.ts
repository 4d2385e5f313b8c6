import { shaftEnds } from '../../core/kinds/train/document/ends'
import type { RoughState } from '../../core/kinds/train/document/rough'
import type { JobPlan } from '../../core/kinds/train/plan/plan'
import { positionAt } from '../../core/kinds/train/solve/positions'
import type { JobSolution } from '../../core/kinds/train/solve/round'
import { type Plane, type PlaneLine, planes } from '../../core/quantity/axis'
import type { Terms } from '../../words/terms'
import { linear } from '../scale'
import type { Shape } from '../scene'

export interface LineDrawingOptions {
  width: number
  height: number
  /** Seen from the far side: left and right change places, near is on top of the plan. */
  flipped: boolean
  /** An earlier round, drawn pale behind this one. */
  ghost?: JobSolution | undefined
  /** A coarse position by feeler and gauge, drawn dashed until there are readings. */
  coarse?: RoughState | undefined
  /** What is planned: drawn in Move. */
  plan?: PlanDrawing | undefined
  /** What lies under it all: squared paper, where somebody plots by hand. */
  under?: ((solved: JobSolution, terms: Terms, options: LineDrawingOptions, sheet: Sheet) => Shape[]) | undefined
}

/** Where things lie on the paper of the drawing. */
export interface Sheet {
  bandTop: (plane: Plane) => number
  x: (mm: number) => number
  y: (plane: Plane, mm: number) => number
  /** px for one mm of misalignment, and how many times larger than along the train that is. */
  pxPerMm: number
  magnification: number
}

export function layOut(solved: JobSolution, { width, height, flipped, coarse }: LineDrawingOptions): Sheet {
  const { train, solution } = solved
  const ends = train.machines.flatMap((_, m) => shaftEnds(train, m))
  const span: [number, number] = [Math.min(...ends), Math.max(...ends)]
  const paper: [number, number] = width < 600 ? [28, width - 40] : [110, width - 150]
  const scale = linear(span, flipped ? [paper[1], paper[0]] : paper)
  const band = height / 2
  const room = Math.max(18, band / 2 - 42)
  const deviations = train.machines.flatMap((_, m) =>
    planes.flatMap((plane) => {
      const links = solution.chains[plane][m]
      return links ? shaftEnds(train, m).map((x) => Math.abs(positionAt(links, x).value)) : []
    }),
  )
  const limits = solution.couplings.map(({ verdict }) => 1.6 * (verdict?.limits.offset ?? 0))
  const largest = Math.max(
    0.06,
    ...deviations,
    ...limits,
    ...coarseEnds(solved, coarse).flatMap(({ values }) => values.map(Math.abs)),
  )
  const pxPerMm = room / largest
  const up = (plane: Plane) => (plane === 'horizontal' && flipped ? -1 : 1)
  const bandTop = (plane: Plane) => (plane === 'vertical' ? 0 : band)
  return {
    bandTop,
    x: (mm) => scale(mm),
    y: (plane, mm) => bandTop(plane) + band / 2 + 8 - up(plane) * mm * pxPerMm,
    pxPerMm,
    magnification: pxPerMm / ((paper[1] - paper[0]) / (span[1] - span[0])),
  }
}

/** The moved shaft's two ends by the coarse position, a plane; nothing where it was not measured or readings say better. */
export function coarseEnds(solved: JobSolution, coarse: RoughState | undefined) {
  if (!coarse || solved.solution.couplings.some(({ result }) => result.ok)) return []
  const [from, to] = shaftEnds(solved.train, coarse.moves)
  const sign = coarse.side === 'right' ? 1 : -1
  return planes.flatMap((plane) => {
    const { offset, slope } = coarse.position[plane]
    if (offset === null && slope === null) return []
    const value = (x: number) => sign * ((offset ?? 0) + (slope ?? 0) * (x - coarse.couplingX))
    return [{ plane, xs: [from, to] as const, values: [value(from), value(to)] as const }]
  })
}

/** What the drawing shows of a plan: where the shafts are to be, cold and running, and how far each foot can go. */
export interface PlanDrawing {
  plan: JobPlan
  /** A moved machine as its dials tell it this moment: its axis at the coupling's x against its neighbor's. */
  live?: { machine: string; plane: Plane; axis: PlaneLine; x: number } | undefined
  /** The running line can be dragged. */
  draggable: boolean
}
