import { describe, expect, it } from 'vitest'
import { quantityMm } from '../../../quantity/quantity'
import type { Suspect } from '../../../shafts/suspects'
import { turningOrder } from '../../../shafts/turning'
import { pumpAndMotor, readOnRig } from '../rig'
import { solveRound } from '../solve/round'
import { probeAsIf, roundAsIf } from './asIf'

const line = pumpAndMotor()
const round = readOnRig(line, { offsetZ: 0.2, slopeZ: 0.0004, offsetY: -0.1, slopeY: 0.0002 })
const [set] = round.sets
const [probe] = set!.probes
const suspect = (change: Partial<Suspect>): Suspect =>
  ({ set: 0, probe: 0, channel: 0, reading: 2, fault: 'sign', would: 0, ...change }) as Suspect

describe('a reading as if it had been written without a slip', () => {
  it('a sag that was left out is what it would have to be, a sign turned over is turned back', () => {
    const sag = (change: Partial<Suspect>) => quantityMm(probeAsIf(set!, probe!, suspect(change)).sag)
    expect(sag({ fault: 'sag-missing', would: -0.137 } as Partial<Suspect>)).toBeCloseTo(-0.137, 6)
    expect(sag({ fault: 'sag-sign' } as Partial<Suspect>)).toBeCloseTo(0.1, 9)
  })
  it('of a dial that does not close is closed again, and nothing else is changed', () => {
    const typed = probe!.readings.a180!.value.text
    const slipped = {
      ...round,
      sets: round.sets.map((one) => ({
        ...one,
        probes: one.probes.map((p, i) =>
          i === 0
            ? {
                ...p,
                readings: {
                  ...p.readings,
                  a180: { value: { text: String(-Number(typed)), unit: 'mm' as const }, turns: 0 },
                },
              }
            : p,
        ),
      })),
    }
    const state = solveRound({ line }, slipped).dials[0]!
    const slip = state.suspects.find(({ fault }) => fault === 'sign')!
    const mended = roundAsIf(slipped, probe!.id, slip)
    const again = solveRound({ line }, mended).dials[0]!
    expect(Math.abs(again.closure!)).toBeLessThanOrEqual(again.closureLimit)
    expect(quantityMm(mended.sets[0]!.probes[0]!.readings.a180!.value)).toBeCloseTo(Number(typed), 6)
    expect(mended.sets[0]!.probes[1]).toEqual(slipped.sets[0]!.probes[1])
  })
  it('asks nothing of a reading that is not there', () => {
    expect(probeAsIf(set!, { ...probe!, readings: {} }, suspect({ reading: 7 }))).toEqual({ ...probe, readings: {} })
  })
})

describe('the order in which the shafts come by the angles', () => {
  const angles = [0, 90, 180, 270, 360].map((degrees) => ({ id: `a${degrees}`, degrees }))
  it('is as they stand toward the far side, and the other way round between top and top toward the near', () => {
    const order = (direction: 'near' | 'far' | undefined) =>
      turningOrder({ angles, ...(direction ? { direction } : {}) }).map(({ degrees }) => degrees)
    expect(order('far')).toEqual([0, 90, 180, 270, 360])
    expect(order(undefined)).toEqual([0, 90, 180, 270, 360])
    expect(order('near')).toEqual([0, 270, 180, 90, 360])
  })
})
