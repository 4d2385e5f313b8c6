import { describe, expect, it } from 'vitest'
import { provedOf } from '../../../job/proved'
import type { Misalignment } from '../../../probes/probe'
import { marksOf, speedOf } from '../../../prove/proof'
import { withPurpose } from '../../../shafts/make'
import { upright } from '..'
import { makeLine, makeRound } from '../document/make'
import type { UprightLine, UprightRound } from '../document/schema'
import { readAtBolts } from '../rig'

const mm = (value: number) => ({ text: String(value), unit: 'mm' as const })
const bare = makeLine('Well pump', 'mm', ['Pump', 'Motor'])
const line: UprightLine = {
  ...bare,
  speed: '1480',
  coupling: { ...bare.coupling, diameter: mm(160) },
  flange: { ...bare.flange, height: mm(260), circle: mm(300) },
}

/** A round read at the bolts: exact, to four places. */
function readRound(truth: Misalignment, id = 'r1'): UprightRound {
  const round = makeRound(line, '2026-01-01', 'mm')
  return {
    ...round,
    id,
    sets: round.sets.map((set) => ({
      ...set,
      probes: set.probes.map((probe) => {
        const on = probe.on === line.machines[0].id ? ('left' as const) : ('right' as const)
        const distance = on === 'right' ? 40 : 30
        const found = readAtBolts(truth, { on, x: on === 'right' ? 40 : -30, radius: 80 }, line.flange.bolts)
        return {
          ...probe,
          station: { ...probe.station, distance: mm(distance) },
          readings: Object.fromEntries(
            found.map(([degrees, value]) => [
              set.angles.find((angle) => angle.degrees === degrees)?.id ?? '',
              { value: mm(Number(value.toFixed(4))), turns: 0 },
            ]),
          ),
        }
      }),
    })),
  }
}

const skew: Misalignment = { offsetY: 0.05, slopeY: -0.0006, offsetZ: -0.12, slopeZ: 0.0008 }
const still: Misalignment = { offsetY: 0.004, slopeY: 0.00001, offsetZ: -0.005, slopeZ: 0 }
const by = { by: 'I. M.', at: '2026-01-02T10:00:00Z' }
const job = (rounds: UprightRound[]) => ({
  title: '',
  note: '',
  minutes: '',
  doneBy: '',
  line,
  rounds,
  proof: { ticks: { torqued: by }, notClosed: { note: 'no bolts yet', ...by } },
})

describe('an upright pair is proved', () => {
  it('at its coupling and at the joint, as found and as left', () => {
    const { proof } = provedOf<'upright'>(job([readRound(skew), readRound(still, 'r2')]))
    expect([proof.found, proof.left]).toEqual([0, 1])
    const at = (place: string, plane: 'vertical' | 'horizontal') =>
      proof.places.find((one) => one.place === place && one.plane === plane)
    expect(at(line.coupling.id, 'vertical')?.found).toBeCloseTo(skew.offsetZ, 3)
    expect(at('flange', 'vertical')?.found).toBeCloseTo(skew.offsetZ + 260 * skew.slopeZ, 3)
    expect(at('flange', 'horizontal')?.left).toBeCloseTo(still.offsetY + 260 * still.slopeY, 3)
    expect(proof.joints[0]?.solution.verdict?.state).toBe('within')
    // nobody looked at the cautions: that alone is open; growth runs along the shafts and feet there are none
    expect(proof.open.map(({ kind }) => kind)).toEqual(['ready'])
  })
  it('has speed in hand and marks, as any coupling', () => {
    const { rounds } = provedOf<'upright'>(job([readRound(still)]))
    const [joint] = rounds[0]!.joints
    expect(speedOf(joint!)?.rpm).toBeGreaterThan(1480)
    expect(marksOf(joint!)?.vector).toBeGreaterThan(0)
  })
  it('is read again and connected from Prove, and the connected reading stands apart', () => {
    let made = 0
    const round = upright.withProofSets(line, readRound(still), 'closed', () => `set${made++}`)
    expect(round.sets.at(-1)).toMatchObject({ id: 'set0', purpose: 'closed', state: 'engaged' })
    const read = readRound({ ...still, offsetZ: 0.05 }).sets[0]!
    const closed = { ...round, sets: [round.sets[0]!, withPurpose({ ...read, id: 'set0' }, 'closed')] }
    const [joint] = provedOf<'upright'>(job([closed])).proof.joints
    expect(joint?.closed?.closing?.change.offsetZ).toBeCloseTo(0.055, 3)
    expect(joint?.solution.verdict?.state).toBe('within')
  })
  it('is read once more by another method, and running by heads alone', () => {
    const round = readRound(still)
    const methods = (made: typeof round) => made.sets.map(({ method, purpose }) => [method, purpose])
    expect(methods(upright.withOtherMethod!(line, round, () => 's2'))[1]).toEqual(['rim-face', 'repeat'])
    expect(methods(upright.withProofSets(line, round, 'running', () => 's2'))[1]).toEqual(['twin-heads', 'running'])
  })
})
