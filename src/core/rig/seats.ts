import { quantityFrom } from '../quantity/quantity'
import type { Unit } from '../quantity/units'
import type { SeatFoot } from '../seat/schema'
import { emptySeat, emptySeatFoot, type SeatMachine, type Seats } from '../seat/state'

/** Machines whose feet all sit, as somebody finds them who loosens one bolt at a time: each rises by a hundredth of a millimeter. */
export function soundSeats(machines: readonly SeatMachine[], unit: Unit = 'mm'): Seats {
  const foot = (): SeatFoot => ({ ...emptySeatFoot(unit), rise: quantityFrom(0.01, unit, unit === 'mm' ? 2 : 1) })
  return Object.fromEntries(
    machines.map(({ id, feet }) => [
      id,
      { ...emptySeat(unit), before: Object.fromEntries(feet.map((one) => [one.id, foot()])) },
    ]),
  )
}
