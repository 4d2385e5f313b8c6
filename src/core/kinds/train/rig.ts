import type { Misalignment } from '../../probes/probe'
import { exactRimReading, shaftPair } from '../../rig/geometry'
import type { Chance } from '../../rig/random'
import { makeJob, makeLine } from './document/make'
import type { Line, Round, RoundPlan } from './document/schema'
import { seatFeet } from './document/seats'
import { emptyPlan } from './plan/choices'

/** A pump that stays and a motor beside it, reverse dials between them, read on the rig: for tests of what comes after reading. */

export const mm = (value: number) => ({ text: String(value), unit: 'mm' as const })

export const feetAt = { 'm1-front': -240, 'm1-back': -560, 'm2-front': 240, 'm2-back': 690 }

export function pumpAndMotor(tolerance?: Line['tolerance']): Line {
  const line = makeLine('Test pump', 'pump', 'motor', 'mm')
  const distances: Record<string, number> = { 'm1-front': 240, 'm1-back': 320, 'm2-front': 240, 'm2-back': 450 }
  return {
    ...line,
    speed: '1480',
    ...(tolerance ? { tolerance } : {}),
    machines: line.machines.map((machine) => ({
      ...machine,
      feet: machine.feet.map((foot) => ({
        ...foot,
        station: { ...foot.station, distance: mm(distances[foot.id] ?? 0) },
      })),
    })),
    couplings: line.couplings.map((coupling) => ({ ...coupling, diameter: mm(160) })),
  }
}

/** What the line's dials read; `shift` is how far each stands from where the tape says, mm. */
export function readOnRig(
  line: Line,
  truth: Misalignment,
  { noise = 0, shift = [0, 0], source }: { noise?: number; shift?: readonly number[]; source?: Chance } = {},
): Round {
  const [round] = makeJob(line, '', '2026-01-01', 'mm').rounds
  if (!round) throw new Error('a job has a round')
  const pair = shaftPair(truth, 0)
  return {
    ...round,
    sets: round.sets.map((set) => ({
      ...set,
      probes: set.probes.map((probe, i) => {
        const on = i === 0 ? ('right' as const) : ('left' as const)
        const distance = i === 0 ? 90 : 70
        const x = (on === 'right' ? distance : -distance) + (shift[i] ?? 0)
        const at = (degrees: number) => exactRimReading(pair, { on, x, radius: 80, sag: -0.1 }, degrees)
        return {
          ...probe,
          station: { ...probe.station, distance: mm(distance) },
          radius: mm(80),
          sag: mm(-0.1),
          readings: Object.fromEntries(
            set.angles
              .filter(({ degrees }) => degrees < 360)
              .map(({ id, degrees }) => [
                id,
                {
                  value: {
                    text: (at(degrees) - at(0) + (source ? noise * source.normal() : 0)).toFixed(6),
                    unit: 'mm' as const,
                  },
                  turns: 0,
                },
              ]),
          ),
        }
      }),
    })),
  }
}

/** The same pack under every foot, and a stock for every machine. */
export function stocked(line: Line, pack: string, sizes: readonly string[], more: Partial<RoundPlan> = {}): RoundPlan {
  const feet = line.machines.flatMap(({ id }) => seatFeet(line, id))
  const shelf = {
    id: 'k1',
    name: 'Shelf',
    slot: mm(21),
    sizes: sizes.map((text) => ({ thickness: { text, unit: 'mm' as const }, count: '' })),
  }
  return {
    ...emptyPlan(),
    packs: Object.fromEntries(feet.map(({ id }) => [id, { text: pack, unit: 'mm' as const }])),
    stock: Object.fromEntries(line.machines.map(({ id }) => [id, shelf])),
    ...more,
  }
}

/** The truth once the motor's feet are moved by so much. */
export function moved(
  truth: Misalignment,
  moves: (foot: 'm2-front' | 'm2-back') => { vertical: number; horizontal: number },
  front = 240,
  back = 690,
): Misalignment {
  const [a, b] = [moves('m2-front'), moves('m2-back')]
  const line = (plane: 'vertical' | 'horizontal') => {
    const slope = (b[plane] - a[plane]) / (back - front)
    return { slope, offset: a[plane] - slope * front }
  }
  const [v, h] = [line('vertical'), line('horizontal')]
  return {
    offsetZ: truth.offsetZ + v.offset,
    slopeZ: truth.slopeZ + v.slope,
    offsetY: truth.offsetY + h.offset,
    slopeY: truth.slopeY + h.slope,
  }
}

/** Makes ids by counting: for tests, where two of them are never made at once. */
export function counted(): (prefix: string) => string {
  let n = 100
  return (prefix) => `${prefix}${n++}`
}
