import { quantityMm } from '../../../quantity/quantity'
import {
  goodEnoughForDial,
  type QuarterGaps,
  type RoughLift,
  type RoughPosition,
  roughLift,
  roughPosition,
  roughPush,
} from '../../../ready/rough'
import { presentPack } from '../plan/choices'
import { limitsOfLine } from './limits'
import type { Job } from './schema'
import { seatFeet } from './seats'
import { placeStations } from './stations'

/** Travel of a usual dial, mm. */
const usualTravel = 10

/** What to do about the height of a whole machine once its angle is out. Lengths in mm. */
export type RoughHeight =
  | { kind: 'none' }
  | { kind: 'add'; by: number }
  | { kind: 'take-out'; by: number }
  /** It is too high and there is no pack to take from: the other machine comes up instead. */
  | { kind: 'raise-other'; by: number; machine: string }

/** Rough alignment at one coupling of a job. Lengths in mm, slopes in rad. */
export interface RoughState {
  coupling: string
  couplingX: number
  carrier: 'left' | 'right'
  position: RoughPosition
  /** What the angle takes: under which stations how much, adding only; `undefined` where it is not known or is none. */
  angle: { under: 'front' | 'back'; gap: 'top' | 'bottom'; add: { foot: string; by: number }[] } | undefined
  height: RoughHeight | undefined
  /** How far every station is to be pushed toward the far side; undefined where the sides were not measured. */
  sideways: { foot: string; by: number }[] | undefined
  /** Slope allowed at the coupling, rad, and whether the measured one is within it, a plane. */
  slopeLimit: number | undefined
  /** Swing expected of a dial at the coupling, mm; undefined where a plane is missing. */
  swing: number | undefined
  /** What the hubs stand apart, from the gaps between their faces, and by how much the moved machine has to come nearer (above zero) or go away. */
  apart: { mm: number; nearer: number | undefined; within: number | undefined } | undefined
  /** Index of the machine that moves. */
  moves: number
  side: 'left' | 'right'
  goodEnough: boolean | undefined
}

/** The name under which a gap of a coupling is kept: the first coupling's stand by themselves. */
export const roughKey = (line: Job['line'], coupling: string, name: string): string =>
  coupling === line.couplings[0]?.id ? name : `${coupling}/${name}`

/** Moves smaller than this are none in rough work, mm. */
const none = 0.005

/**
 * What the gaps round a coupling come to, and what the feet of its moved machine need.
 *
 * @param at id of the coupling; without it the first at which anything was measured
 */
export function solveRough(job: Pick<Job, 'line' | 'ready' | 'seat'>, at?: string): RoughState {
  const { line } = job
  const typed = job.ready?.rough ?? {}
  const begun = line.couplings.find(({ id }) =>
    Object.entries(typed).some(
      ([key, { text }]) =>
        text.trim() !== '' &&
        key.startsWith(roughKey(line, id, '')) &&
        (id !== line.couplings[0]?.id || !key.includes('/')),
    ),
  )
  const coupling = line.couplings.find(({ id }) => id === at) ?? begun ?? line.couplings[0]
  const id = coupling?.id ?? ''
  const c = Math.max(
    0,
    line.couplings.findIndex((one) => one.id === id),
  )
  const number = (name: string) => quantityMm(typed[roughKey(line, id, name)])
  const gaps = (kind: 'rim' | 'face'): QuarterGaps =>
    Object.fromEntries(['top', 'far', 'bottom', 'near'].map((quarter) => [quarter, number(`${kind}.${quarter}`)]))
  const carrier = job.ready?.roughCarrier?.[id] ?? 'left'
  const position = roughPosition({
    rim: gaps('rim'),
    face: gaps('face'),
    faceDiameter: number('diameter'),
    radiusDifference: number('radii'),
    carrier,
  })
  const fixed = Math.max(
    0,
    line.machines.findIndex((machine) => machine.id === line.fixed),
  )
  // of the two machines at the coupling the one farther from the fixed machine moves
  const moves = c < fixed ? c : c + 1
  const side = moves === c ? ('left' as const) : ('right' as const)
  const { x } = placeStations(line)
  const couplingX = x.get(id) ?? 0
  const moved = line.machines[moves]
  const stations = (moved?.feet ?? [])
    .flatMap(({ id: foot }) => {
      const place = x.get(foot)
      return place === undefined ? [] : [{ foot, x: place }]
    })
    .sort((a, b) => Math.abs(a.x - couplingX) - Math.abs(b.x - couplingX))
  const [front, back] = [stations[0], stations.at(-1)]
  const { vertical, horizontal } = position
  const lift =
    front && back && front !== back
      ? roughLift(vertical, { front: front.x, back: back.x, coupling: couplingX, side })
      : undefined
  const share = (place: number) => (front && back ? (place - front.x) / (back.x - front.x) : 0)
  return {
    coupling: id,
    couplingX,
    carrier,
    position,
    angle: lift?.angle && {
      under: lift.angle.under,
      gap: lift.angle.under === 'front' ? 'bottom' : 'top',
      add: stations
        .map(({ foot, x: place }) => ({
          foot,
          by: (lift.angle?.add ?? 0) * (lift.angle?.under === 'back' ? share(place) : 1 - share(place)),
        }))
        .filter(({ by }) => by > none),
    },
    height: heightOf(lift, job, moved?.id, line.machines[side === 'right' ? c : c + 1]?.id),
    sideways:
      horizontal.offset === null && horizontal.slope === null
        ? undefined
        : stations.map(({ foot, x: place }) => ({
            foot,
            by: roughPush(horizontal, { x: place, coupling: couplingX, side }),
          })),
    slopeLimit: limitsOfLine(line).find((one) => one.coupling === id)?.limits?.slope,
    apart: apartOf(gaps('face'), job.ready?.checks['hub-separation']),
    moves,
    side,
    swing:
      vertical.offset === null || horizontal.offset === null
        ? undefined
        : 2 * Math.hypot(vertical.offset, horizontal.offset),
    goodEnough: goodEnoughForDial(position, number('travel') ?? usualTravel),
  }
}

/**
 * What the hubs stand apart at their middle: the mean of two gaps across from each other, or of both such pairs; against the maker's figure,
 * where that was typed in Ready.
 */
function apartOf(
  gaps: QuarterGaps,
  check: NonNullable<Job['ready']>['checks'][string] | undefined,
): RoughState['apart'] {
  const pairs = [
    [gaps.top, gaps.bottom],
    [gaps.far, gaps.near],
  ].flatMap(([a, b]) => (a === undefined || b === undefined ? [] : [(a + b) / 2]))
  if (pairs.length === 0) return undefined
  const mm = pairs.reduce((sum, mean) => sum + mean, 0) / pairs.length
  const maker = quantityMm(check?.maker)
  return { mm, nearer: maker === undefined ? undefined : mm - maker, within: quantityMm(check?.plusMinus) }
}

/** Add where it is low; take out only what is known to lie there; else the other machine has to come up. */
function heightOf(
  lift: RoughLift | undefined,
  job: Pick<Job, 'line' | 'seat'>,
  moved: string | undefined,
  other: string | undefined,
): RoughHeight | undefined {
  if (lift?.all === undefined || !moved) return undefined
  const by = Math.abs(lift.all)
  if (by <= none) return { kind: 'none' }
  if (lift.all > 0) return { kind: 'add', by }
  const packs = seatFeet(job.line, moved).map(({ id }) => presentPack(job, undefined, moved, id))
  const least = Math.min(...packs.map((pack) => (pack ?? []).reduce((sum, size) => sum + size, 0)))
  return packs.length > 0 && least >= by ? { kind: 'take-out', by } : { kind: 'raise-other', by, machine: other ?? '' }
}
