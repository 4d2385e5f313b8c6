import type { Job, Line } from '../../core/kinds/train/document/schema'
import { seatFeet } from '../../core/kinds/train/document/seats'
import { type Quantity, quantityFrom } from '../../core/quantity/quantity'
import type { Unit } from '../../core/quantity/units'
import { cautions, checkItems } from '../../core/ready/catalog'
import { emptyReady } from '../../core/ready/ready'
import type { Ready } from '../../core/ready/schema'
import { checkFrame, type RiggedFoot } from '../../core/rig/frame'
import { corners } from '../../core/seat/foot'
import type { SeatFoot } from '../../core/seat/schema'
import { emptySeat } from '../../core/seat/state'

/** What was done and found before the first reading of a demo job. */

export const typed = (value: number, unit: Unit): Quantity => ({ text: String(value), unit })

export interface SeatStory {
  /** Index in the train. */
  machine: number
  kind: 'rocking' | 'strain' | 'bent'
}

/** Cautions signed, every check of the occasion good but one that was skipped for a reason. */
export function readyOf(by: string, takenAt: string): Ready {
  const done = { by, at: takenAt }
  const check = (outcome: 'good' | 'skipped', note = '') => ({ outcome, value: typed(0, 'mm'), note, ...done })
  const checks = Object.fromEntries(
    checkItems
      .filter((item) => item.on.includes('vibration'))
      .map((item) => [
        item.id,
        item.id === 'bearings'
          ? check('skipped', 'Renewed at the overhaul.')
          : { ...check('good'), value: item.measured ? typed(0.02, 'mm') : typed(0, 'mm') },
      ]),
  )
  return {
    ...emptyReady(),
    occasion: 'vibration',
    permit: 'SP-2207',
    cautions: Object.fromEntries(cautions.map((id) => [id, done])),
    checks,
  }
}

/** The feet as a person would find them, from the simulated frame. */
export function seatOf({ machine, kind }: SeatStory, line: Line, unit: Unit): Job['seat'] {
  const id = line.machines[machine]?.id ?? ''
  const pad = { x: 40, y: 35 }
  const feet = seatFeet(line, id).map((foot, i) => {
    const strange: Partial<RiggedFoot> =
      kind === 'rocking' && i === 0
        ? { off: 0.24 }
        : kind === 'strain' && i < 2
          ? { pulled: 0.18 - 0.02 * i }
          : kind === 'bent' && i === 3
            ? { off: 0.11, tilt: { x: 0.11 / pad.x, y: 0 } }
            : {}
    return { id: foot.id, x: foot.x, y: foot.y, off: 0, ...strange }
  })
  const found = checkFrame({ frame: kind === 'rocking' ? 'rigid' : 'limber', pad, feet })
  const decimals = unit === 'mil' ? 1 : 2
  const told = (mm: number | undefined) => quantityFrom(mm ?? 0, unit, decimals)
  const before = Object.fromEntries(
    found.map((foot): [string, SeatFoot] => [
      foot.id,
      {
        rise: told(foot.rise),
        gaps: Object.fromEntries(corners.map((corner) => [corner, told(foot.gaps?.[corner])])),
        told: 'foot',
        pack: '',
      },
    ]),
  )
  return {
    [id]: { ...emptySeat(unit), torque: '120 N·m', padAlong: typed(80, 'mm'), padAcross: typed(70, 'mm'), before },
  }
}
