import { quantityMm } from '../frame/quantity'
import {
  goodEnoughForDial,
  type QuarterGaps,
  type RoughMove,
  type RoughPosition,
  roughMove,
  roughPosition,
} from '../rough/rough'
import type { Job } from './schema'
import { placeStations } from './stations'

/** Travel of a usual dial, mm. */
const usualTravel = 10

/** Rough alignment of a job's first coupling. Lengths in mm. */
export interface RoughState {
  position: RoughPosition
  feet: { foot: string; vertical: RoughMove | null; horizontal: RoughMove | null }[]
  /** Swing expected of a dial at the coupling, mm; undefined where a plane is missing. */
  swing: number | undefined
  /** Index of the machine that moves. */
  moves: number
  goodEnough: boolean | undefined
}

/** What the gaps round the first coupling come to, and what its moved machine's feet need. */
export function solveRough(job: Pick<Job, 'line' | 'ready'>): RoughState {
  const typed = job.ready?.rough ?? {}
  const at = (kind: 'rim' | 'face'): QuarterGaps =>
    Object.fromEntries(
      ['top', 'far', 'bottom', 'near'].map((quarter) => [quarter, quantityMm(typed[`${kind}.${quarter}`])]),
    )
  const position = roughPosition({
    rim: at('rim'),
    face: at('face'),
    faceDiameter: quantityMm(typed.diameter),
    radiusDifference: quantityMm(typed.radii),
  })
  const { x } = placeStations(job.line)
  const [left, right] = job.line.machines
  const moved = left?.id === job.line.fixed ? right : left
  const side = moved === right ? 'right' : 'left'
  const { vertical, horizontal } = position
  const move = (plane: RoughPosition['vertical'], distance: number) =>
    plane.offset === null && plane.slope === null ? null : roughMove(plane, distance, side)
  return {
    position,
    feet: (moved?.feet ?? []).flatMap((foot) => {
      const distance = x.get(foot.id)
      return distance === undefined
        ? []
        : [{ foot: foot.id, vertical: move(vertical, distance), horizontal: move(horizontal, distance) }]
    }),
    moves: moved === right ? 1 : 0,
    swing:
      vertical.offset === null || horizontal.offset === null
        ? undefined
        : 2 * Math.hypot(vertical.offset, horizontal.offset),
    goodEnough: goodEnoughForDial(position, quantityMm(typed.travel) ?? usualTravel),
  }
}
