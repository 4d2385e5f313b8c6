import { quantityMm } from '../../../quantity/quantity'
import { type PlacedFoot, type SeatMachine, type SeatState, solveSeat, usualSpread } from '../../../seat/state'
import type { Job, Line } from './schema'
import { placeStations } from './stations'

/** The machines of a train on their feet, two a station: near and far. */
export function seatsOf(line: Line): SeatMachine[] {
  const { x } = placeStations(line)
  return line.machines.map(({ id, feet }, m) => ({
    id,
    couplingX: x.get((line.couplings[m - 1] ?? line.couplings[m])?.id ?? ''),
    feet: feet.flatMap((foot, i) => {
      const at = x.get(foot.id) ?? i * 400
      const half = (quantityMm(foot.spread) ?? usualSpread) / 2
      return (['near', 'far'] as const).map((side) => ({
        id: `${foot.id}.${side}`,
        station: foot.id,
        side,
        x: at,
        y: side === 'far' ? half : -half,
      }))
    }),
  }))
}

/** A machine of a train on its feet; one without feet where there is none of that id. */
export const seatOf = (line: Line, machine: string): SeatMachine =>
  seatsOf(line).find(({ id }) => id === machine) ?? { id: machine, feet: [], couplingX: undefined }

/** One pass of a machine's soft foot; see `solveSeat`. */
export const solveSeatOf = (
  job: Pick<Job, 'line' | 'seat'>,
  machine: string,
  pass: SeatState['pass'],
  wanted?: ReadonlyMap<string, number>,
): SeatState => solveSeat(seatOf(job.line, machine), job.seat?.[machine], pass, wanted)

/** The feet of a machine. */
export const seatFeet = (line: Line, machine: string): readonly PlacedFoot[] => seatOf(line, machine).feet
