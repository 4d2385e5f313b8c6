import { describe, expect, it } from 'vitest'
import { sayNext } from '../../../../words/next'
import { summarize } from '../../../job/summary'
import { cautions } from '../../../ready/catalog'
import { emptyReady } from '../../../ready/ready'
import { emptySeat, emptySeatFoot } from '../../../seat/state'
import { makeJob } from '../document/make'
import type { Job, Round } from '../document/schema'
import { seatFeet } from '../document/seats'
import { mm, pumpAndMotor, readOnRig } from '../rig'
import { solveRound } from '../solve/round'
import { findingsFor } from './findings'
import { nextAct } from './next'

const line = {
  ...pumpAndMotor(),
  machines: pumpAndMotor().machines.map((machine) => ({
    ...machine,
    feet: machine.feet.map((foot) => ({ ...foot, spread: mm(300) })),
  })),
}
const signed = Object.fromEntries(cautions.map((id) => [id, { by: 'AB', at: '2026-11-25T10:00:00Z' }]))
const ready = { ...emptyReady(), cautions: signed }
const high = { offsetZ: 0.21, slopeZ: 0.0005, offsetY: -0.09, slopeY: 0.0002 }
const straight = { offsetZ: 0, slopeZ: 0, offsetY: 0, slopeY: 0 }

function job(round: Round, more: Partial<Job> = {}): Job {
  return { ...makeJob(line, '', '', 'mm'), ready, rounds: [round], ...more }
}
/** What a list says of it: what stands before the readings, else what they ask for. */
const next = (of: Job): { kind: string } => summarize(of).first ?? nextAct(of.line, solveRound(of, of.rounds[0]!))
const slipped = (round: Round): Round => ({
  ...round,
  sets: round.sets.map((set) => ({
    ...set,
    probes: set.probes.map((probe, i) =>
      i === 0 ? { ...probe, readings: { ...probe.readings, a180: { value: mm(0.9), turns: 0 } } } : probe,
    ),
  })),
})
const seat = (rises: readonly string[]) => ({
  m2: {
    ...emptySeat('mm'),
    before: Object.fromEntries(
      seatFeet(line, 'm2').map(({ id }, i) => [
        id,
        { ...emptySeatFoot('mm'), rise: { text: rises[i] ?? '', unit: 'mm' as const } },
      ]),
    ),
  },
})

describe('what comes next in a job', () => {
  it('is a caution before anything else, then a soft foot, then what the readings say', () => {
    const [open] = cautions
    const { [open!]: _, ...rest } = signed
    const sprung = seat(['0.3', '0', '0.01', '0.29'])
    const bare = job(slipped(readOnRig(line, high)), { ready: { ...ready, cautions: rest }, seat: sprung })
    expect(next(bare)).toEqual({ kind: 'caution', caution: open, open: 1 })
    expect(next({ ...bare, ready })).toEqual({ kind: 'seat', machine: 'Motor' })
    expect(next({ ...bare, ready, seat: seat(['0', '0', '0.01', '0']) })).toMatchObject({
      kind: 'not-closed',
      machine: 'Motor',
      probe: 'rim',
    })
  })
  it('names the machine and the angle of the next reading, and the coupling of what is said of one', () => {
    const read = readOnRig(line, high)
    const gone = {
      ...read,
      sets: read.sets.map((set) => ({
        ...set,
        probes: set.probes.map((probe, i) => {
          const { a90: _, ...readings } = probe.readings
          return i === 1 ? { ...probe, readings } : probe
        }),
      })),
    }
    expect(next(job(gone))).toMatchObject({ kind: 'next-reading', machine: 'Pump', degrees: 90 })
    expect(next(job({ ...read, sets: [] })).kind).toBeDefined()
  })
  it('is the first sentence of the job’s own column, in the list as well', () => {
    for (const round of [readOnRig(line, high), readOnRig(line, straight), slipped(readOnRig(line, straight))]) {
      const of = job(round)
      const [first] = findingsFor(solveRound(of, round), 'read')
      expect(next(of).kind).toBe(first!.kind)
      expect(summarize(of).listed.next).toEqual(next(of))
      expect(sayNext(summarize(of))).not.toMatch(/Nothing to do/)
    }
  })
  it('is no move where all is within tolerance ( and never that while a dial does not close', () => {
    expect(next(job(readOnRig(line, straight)))).toMatchObject({ kind: 'no-move' })
    expect(next(job(slipped(readOnRig(line, straight)))).kind).toBe('not-closed')
    expect(sayNext(summarize(job(readOnRig(line, straight))))).toMatch(/[Ww]ithin|[Nn]o move/)
  })
})
