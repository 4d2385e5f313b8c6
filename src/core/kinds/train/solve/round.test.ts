import { describe, expect, it } from 'vitest'
import { emptySummary, summarize } from '../../../job/summary'
import { check } from '../../../quantity/fault'
import { cautions } from '../../../ready/catalog'
import { emptyReady } from '../../../ready/ready'
import { findingsFor } from '../advice/findings'
import { readPeg } from '../advice/summary'
import { matchSets, withMachineAt, withoutMachine } from '../document/alter'
import { doubtDimensions } from '../document/doubts'
import { makeJob, makeLine, repeatRound } from '../document/make'
import { type Job, jobSchema, type Line } from '../document/schema'
import { placeStations } from '../document/stations'
import { counted } from '../rig'
import { solveRound } from './round'

const mm = (text: string) => ({ text, unit: 'mm' as const })

function dimensioned(line: Line, front = '240', back = '450'): Line {
  return {
    ...line,
    speed: '1480',
    couplings: line.couplings.map((c) => ({
      ...c,
      diameter: mm('160'),
      ...(c.station ? { station: { ...c.station, distance: mm('200') } } : {}),
    })),
    machines: line.machines.map((machine) => ({
      ...machine,
      feet: machine.feet.map((foot, i) => ({ ...foot, station: { ...foot.station, distance: mm(i ? back : front) } })),
    })),
  }
}

/** Worked case A as a job: motor dial first. */
function caseA(): Job {
  const job = makeJob(dimensioned(makeLine('Rinse pump', 'pump', 'motor', 'mm')), 'Check', '2026-01-01T00:00:00Z', 'mm')
  const typed = [
    { out: '90', sag: '-0.10', values: ['0', '-0.283', '-0.412', '-0.129'] },
    { out: '70', sag: '-0.08', values: ['0', '0.081', '0.104', '0.023'] },
  ]
  const [round] = job.rounds
  const [set] = round!.sets
  return {
    ...job,
    rounds: [
      {
        ...round!,
        sets: [
          {
            ...set!,
            probes: set!.probes.map((dial, d) => ({
              ...dial,
              station: { ...dial.station, distance: mm(typed[d]!.out) },
              sag: mm(typed[d]!.sag),
              readings: Object.fromEntries(
                typed[d]!.values.map((text, i) => [set!.angles[i]!.id, { value: mm(text), turns: 0 }]),
              ),
            })),
          },
        ],
      },
    ],
  }
}

function withReading(job: Job, dial: number, angleId: string, text: string, turns = 0): Job {
  const copy = structuredClone(job)
  copy.rounds[0]!.sets[0]!.probes[dial]!.readings[angleId] = { value: mm(text), turns }
  return copy
}

const solve = (job: Job) => solveRound(job, job.rounds.at(-1)!)
const kinds = (job: Job, step: 'read' | 'move' = 'read') => findingsFor(solve(job), step).map((f) => f.kind)

describe('a job', () => {
  it('solves worked case A from what was typed', () => {
    const { solution, resolution } = solve(caseA())
    const [front, back] = solution.feet.filter((foot) => foot.machine === 'm2')
    expect(front!.vertical!.move).toBeCloseTo(-0.216, 9)
    expect(back!.horizontal!.move).toBeCloseTo(0.257, 9)
    expect(resolution).toBe(0.01)
  })
  it('counts whole turns of the dial', () => {
    const { solution } = solve(withReading(caseA(), 0, 'a180', '0.588', -1))
    expect(solution.feet.find((foot) => foot.foot === 'm2-front')!.vertical!.move).toBeCloseTo(-0.216, 9)
  })
  it('is a document its own schema takes', () => {
    expect(check(jobSchema, caseA())).toMatchObject({ ok: true })
    expect(check(jobSchema, { ...caseA(), rounds: [] })).toMatchObject({ ok: false, fault: { path: 'rounds' } })
  })
  it('puts the most urgent thing first', () => {
    expect(kinds(caseA())[0]).toBe('ready-to-move')
    expect(kinds(withReading(caseA(), 1, 'a180', '-0.104'))[0]).toBe('not-closed')
    expect(kinds(withReading(caseA(), 1, 'a180', '0.1.4'))[0]).toBe('not-a-number')
    expect(kinds(withReading(caseA(), 1, 'a180', ''))[0]).toBe('next-reading')
    expect(kinds(caseA(), 'move')[0]).toBe('lock-before-loosening')
  })
  it('never passes a verdict on a dial that does not close', () => {
    const findings = findingsFor(solve(withReading(caseA(), 1, 'a180', '-0.104')), 'read')
    expect(findings.find((f) => f.kind === 'verdict')?.peg).toBe('unsure')
    expect(findings.find((f) => f.kind === 'feet')?.peg).toBe('unsure')
  })
  it('has taken no minutes where none are written', () => {
    expect([summarize(caseA()).minutes, emptySummary(caseA()).minutes]).toEqual([0, 0])
    expect(emptySummary({ ...caseA(), minutes: '40' }).minutes).toBe(40)
  })
  it('sums itself up for a list', () => {
    const safe = (job: Job): Job => ({
      ...job,
      ready: { ...emptyReady(), cautions: Object.fromEntries(cautions.map((id) => [id, { by: 'R. T.', at: '' }])) },
    })
    expect(summarize(caseA()).first).toEqual({ kind: 'caution', caution: 'isolated', open: 8 })
    const done = summarize<'train'>(safe(caseA()))
    expect(done).toMatchObject({
      pegs: { read: 'within', move: 'outside' },
      verdict: 'outside',
      listed: { next: { kind: 'ready-to-move' } },
    })
    expect(done.listed.shafts[1]!.vertical![0]).toBeCloseTo(0.12, 6)
    const begun = summarize(safe(withReading(caseA(), 1, 'a180', '')))
    expect(begun.listed.next).toEqual({ kind: 'next-reading', machine: 'Pump', probe: 'rim', degrees: 180 })
    const blank = makeJob(makeLine('x', 'pump', 'motor', 'mm'), '', '', 'mm')
    expect(readPeg(solve(blank))).toBe('nothing')
  })
  it('reads again with the same dials and nothing read', () => {
    const again = repeatRound(caseA().rounds[0]!, 'r2', '')
    expect(again.sets[0]!.probes.map((dial) => [dial.sag.text, Object.keys(dial.readings).length])).toEqual([
      ['-0.10', 0],
      ['-0.08', 0],
    ])
    expect(new Set(again.sets[0]!.probes.map((dial) => dial.id)).size).toBe(2)
  })
  it('follows its line to a third machine and back', () => {
    const job = caseA()
    const longer = matchSets({ ...job, line: withMachineAt(job.line, 2, 'blower', 'mm', counted()) }, 'mm')
    expect(longer.rounds[0]!.sets.map((set) => set.coupling)).toEqual(['c1', longer.line.couplings[1]!.id])
    const shorter = matchSets({ ...longer, line: withoutMachine(longer.line, longer.line.machines[2]!.id) }, 'mm')
    expect(shorter.rounds[0]!.sets).toHaveLength(1)
    expect(withoutMachine(job.line, 'm2')).toBe(job.line)
  })
})

describe('stations', () => {
  const line = dimensioned(makeLine('x', 'pump', 'motor', 'mm'))
  const edit = (foot: string, change: object): Line => ({
    ...line,
    machines: line.machines.map((machine) => ({
      ...machine,
      feet: machine.feet.map((f) => (f.id === foot ? { ...f, station: { ...f.station, ...change } } : f)),
    })),
  })
  it('follow from the chain, either way, from any reference', () => {
    const { x } = placeStations(line)
    expect([...x.values()]).toEqual([0, -240, -690, 240, 690])
    expect(placeStations(edit('m2-back', { from: 'm1-back', distance: mm('1380') })).x.get('m2-back')).toBe(690)
    expect(placeStations(edit('m2-back', { distance: mm('-40') })).x.get('m2-back')).toBe(200)
  })
  it.each([
    ['a circle', { from: 'm2-back' }, 'circle'],
    ['something not there', { from: 'nowhere' }, 'unknown-reference'],
    ['not a number', { distance: mm('abc') }, 'not-a-number'],
    ['nothing', { distance: mm('') }, 'missing'],
  ])('say so of %s', (_, change, kind) => {
    const { faults, x } = placeStations(edit('m2-front', change))
    expect(faults.find((fault) => fault.of === 'm2-front')?.kind ?? faults[0]?.kind).toBe(kind)
    expect(x.has('m2-front')).toBe(false)
    expect(x.get('m1-front')).toBe(-240)
  })
  it.each([
    ['m2-front', { distance: mm('-10') }, 'foot-across-coupling'],
    ['m2-back', { distance: mm('-40') }, 'feet-backwards'],
    ['m2-back', { distance: mm('0') }, 'one-station'],
    ['m2-front', { distance: mm('9.45') }, 'inch-or-mm'],
    ['m1-front', { distance: mm('6096') }, 'inch-or-mm'],
  ])('are doubted: %s %j', (foot, change, kind) => {
    const doubtful = edit(foot, change)
    expect(doubtDimensions(doubtful, placeStations(doubtful)).map((doubt) => doubt.kind)).toContain(kind)
  })
  it('are across the coupling only when they are, not when they are too short to be', () => {
    const short = edit('m2-front', { distance: mm('0.5') })
    expect(doubtDimensions(short, placeStations(short)).map(({ kind }) => kind)).toEqual(['inch-or-mm'])
  })
  it('are doubted where a dial stands beyond the nearest feet of its machine, not only beyond all', () => {
    const job = caseA()
    const dials = (out: string) =>
      job.rounds[0]!.sets[0]!.probes.map((dial) => ({ ...dial, station: { ...dial.station, distance: mm(out) } }))
    const kinds = (out: string) => {
      const all = dials(out)
      return doubtDimensions(job.line, placeStations(job.line, all), all).map(({ kind }) => kind)
    }
    expect(kinds('90')).toEqual([])
    expect(kinds('270')).toContain('dial-behind-feet')
    // at a coupling that is not where x begins it is the same
    const far = withMachineAt(job.line, 2, 'blower', 'mm', counted())
    const [, c2] = far.couplings
    const at = (id: string, distance: string) => ({ from: id, distance: mm(distance), toward: 'right' as const })
    const line: Line = {
      ...far,
      couplings: [far.couplings[0]!, { ...c2!, station: at('m2-back', '200') }],
      machines: far.machines.map((machine, m) =>
        m === 2
          ? { ...machine, feet: machine.feet.map((foot, f) => ({ ...foot, station: at(c2!.id, f ? '600' : '200') })) }
          : machine,
      ),
    }
    const beyond = (out: string) => {
      const dial = { ...dials('90')[0]!, on: line.machines[2]!.id, station: at(c2!.id, out) }
      return doubtDimensions(line, placeStations(line, [dial]), [dial]).map(({ kind }) => kind)
    }
    expect([beyond('150'), beyond('250')]).toEqual([[], ['dial-behind-feet']])
  })
  it('are not doubted when they are likely', () => {
    expect(doubtDimensions(line, placeStations(line))).toEqual([])
  })
})
