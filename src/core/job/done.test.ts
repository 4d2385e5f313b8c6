import { expect, it } from 'vitest'
import { newLineParts } from '../../testing/newLineParts'
import { type AnyJob, type AnyLine, kindNames, kindOf } from '../kinds'
import { type ProofRound, proveJob } from '../prove/proof'
import { moveOf } from './done'
import { jobFrom } from './make'
import { typingOpen } from './proved'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const still = { cautions: 0, checks: 0, seats: [], unseen: [], onFeet: false }

/** One place, read where it stands, and what was done after it. */
const round = (position: number, move?: ProofRound['move']): ProofRound => ({
  joints: [],
  own: { complete: true, judged: [] },
  places: [{ id: 'p1', machine: 'm', x: 0, vertical: { position, sd: 0.01 }, horizontal: null }],
  reference: '',
  resolution: 0.01,
  read: true,
  move,
})

it('tells how far a place went where the moves were at that place, and nothing where they were elsewhere', () => {
  const moved = (move: ProofRound['move']) =>
    proveJob([round(0.3, move), round(0.05)], { ticks: {} }, still).places.map((place) => place.moved)
  expect(moved(moveOf({ 'p1.vertical': mm('-0.25') }, { toPlaces: true }))).toEqual([-0.25])
  expect(moved(moveOf({ 'p1.shim': mm('-0.25') }))).toEqual([undefined])
  expect(moved(moveOf(undefined))).toEqual([undefined])
})

it.each(kindNames.filter((kind) => kind !== 'train'))(
  'a move of the kind %s that is no number keeps a job open',
  (kind) => {
    const of = kindOf({ kind })
    const line = of.makeLine('Test', 'mm', newLineParts[kind]) as AnyLine
    const job = jobFrom(line, of.makeRound(line as never, '2026-01-01', 'mm'), 'Test') as AnyJob
    const open = (text: string) =>
      typingOpen({ ...job, rounds: job.rounds.map((one) => ({ ...one, done: { 'p1.shim': mm(text) } })) } as AnyJob)
    expect(open('0.5')).toBe(0)
    expect(open('1x')).toBe(1)
  },
)
