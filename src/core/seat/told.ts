import type { Units } from '../quantity/openFormat'
import { tidy } from '../quantity/openFormat'
import { emptyQuantity, type Quantity, quantityMm } from '../quantity/quantity'
import type { Unit } from '../quantity/units'
import { corners } from './foot'
import type { Seat, SeatFoot } from './schema'
import { emptySeat, emptySeatFoot, footCheck, type SeatMachine } from './state'
import type { SurveySeat } from './survey'

/** Soft foot from a job to the open survey document and back. */

/** What was found last under the feet of each machine, mm: after the cure where anything was read then. Machines nobody looked at are left out. */
export function seatsTold(machines: readonly SeatMachine[], seat: Readonly<Record<string, Seat>> = {}): SurveySeat[] {
  return machines.flatMap(({ id, feet }): SurveySeat[] => {
    const own = seat[id]
    if (!own) return []
    const threshold = quantityMm(own.threshold)
    const read = (pass: 'before' | 'after') =>
      feet.map((foot) => {
        const { rise, gaps } = footCheck(foot, own[pass][foot.id], Number.POSITIVE_INFINITY)
        const told = Object.fromEntries(
          corners.flatMap((corner) => (gaps?.[corner] === undefined ? [] : [[corner, tidy(gaps[corner])]])),
        )
        const over = quantityMm(own[pass][foot.id]?.nothingOver)
        return {
          ...(rise === undefined ? {} : { rise: tidy(rise) }),
          ...(gaps ? { corners: told } : {}),
          ...(over ? { nothingOver: tidy(over) } : {}),
        }
      })
    const passes = [read('after'), read('before')]
    const last = passes.find((all) => all.some((one) => Object.keys(one).length > 0))
    if (!last) return []
    return [
      {
        machine: id,
        ...(threshold ? { threshold: tidy(threshold) } : {}),
        ...(own.pipes ? { pipes: own.pipes } : {}),
        feet: feet.map((foot, i) => ({ id: foot.id, x: tidy(foot.x), y: tidy(foot.y), ...last[i] })),
      },
    ]
  })
}

/** A foot of a document, at the station and on the side of a job where it stands. */
export interface SeatedFoot {
  machine: string
  station: string
  side: 'near' | 'far'
  y: number
}

/**
 * Soft foot of a document as a job keeps it, and where each foot was found. A foot belongs to the nearest station of its machine and
 * to the side on which it lies; one that would be the second there is left out.
 *
 * @param stations those of a machine's feet, x in the document's own unit
 */
export function seatsTyped(
  seats: readonly SurveySeat[],
  units: Units,
  stations: (machine: string) => readonly { id: string; x: number }[],
  typed: (value: number, unit: Unit) => Quantity,
): { seat: Record<string, Seat>; feet: SeatedFoot[] } {
  const found: SeatedFoot[] = []
  const of = (value: number | undefined) =>
    value === undefined ? emptyQuantity(units.reading) : typed(value, units.reading)
  const seat = seats.map(({ machine, threshold, pipes, feet }): [string, Seat] => {
    const before: Record<string, SeatFoot> = {}
    for (const { x, y, rise, corners: gaps, nothingOver } of feet) {
      const [near] = [...stations(machine)].sort((a, b) => Math.abs(a.x - x) - Math.abs(b.x - x))
      const side = y > 0 ? 'far' : 'near'
      const key = `${near?.id}.${side}`
      if (!near || before[key]) continue
      found.push({ machine, station: near.id, side, y })
      before[key] = {
        ...emptySeatFoot(units.reading),
        rise: of(rise),
        gaps: Object.fromEntries(corners.flatMap((at) => (gaps?.[at] === undefined ? [] : [[at, of(gaps[at])]]))),
        ...(nothingOver === undefined ? {} : { nothingOver: of(nothingOver) }),
      }
    }
    return [machine, { ...emptySeat(units.reading), threshold: of(threshold), ...(pipes ? { pipes } : {}), before }]
  })
  return { seat: Object.fromEntries(seat), feet: found }
}

/** How far the two feet of a station stand apart, in the document's own unit; undefined where not both were given. */
export function spreadOf(feet: readonly SeatedFoot[], station: string): number | undefined {
  const at = (side: 'near' | 'far') => feet.find((foot) => foot.station === station && foot.side === side)?.y
  const [near, far] = [at('near'), at('far')]
  return near === undefined || far === undefined ? undefined : far - near
}
