import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../../../testing/anything'
import { repeatSet } from '../../../shafts/make'
import { readingsIn } from '../../../shafts/typed'
import { counted } from '../rig'
import {
  droppedBy,
  halved,
  matchSets,
  withMachineAt,
  withoutFoot,
  withoutMachine,
  withoutMark,
  withoutProbe,
} from './alter'
import { makeJob, makeLine, withFeet } from './make'
import type { Line } from './schema'
import { flexPlane, originOf, placeStations } from './stations'

const mm = (text: string) => ({ text, unit: 'mm' as const })

/** A line with every distance filled in. */
function filled(line: Line, distances: readonly number[]): Line {
  let i = 0
  const next = () => mm(String(distances[i++ % distances.length]))
  return {
    ...line,
    machines: line.machines.map((machine) => ({
      ...machine,
      feet: machine.feet.map((foot) => ({ ...foot, station: { ...foot.station, distance: next() } })),
    })),
    couplings: line.couplings.map((coupling) =>
      coupling.station ? { ...coupling, station: { ...coupling.station, distance: next() } } : coupling,
    ),
  }
}

const trains = fc
  .tuple(fc.array(fc.nat(99), { maxLength: 4 }), fc.array(fc.integer({ min: 50, max: 900 }), { minLength: 3 }))
  .map(([places, distances]) => {
    const ids = counted()
    let line = makeLine('x', 'pump', 'motor', 'mm')
    for (const place of places) line = withMachineAt(line, place % (line.machines.length + 1), 'gearbox', 'mm', ids)
    return filled(line, distances)
  })

/** How far everything that is left stands from the first thing that is left. */
function spacing(line: Line, ids: readonly string[]): number[] {
  const { x } = placeStations(line)
  const at = ids.map((id) => x.get(id) ?? Number.NaN)
  return at.map((one) => one - at[0]!)
}

const idsOf = (line: Line) => [
  ...line.couplings.map(({ id }) => id),
  ...line.machines.flatMap(({ feet }) => feet.map(({ id }) => id)),
]

describe('a train', () => {
  it('grown at any place hangs together: one coupling between two machines, one beginning, no circle', () => {
    fc.assert(
      fc.property(trains, (line) => {
        expect(line.couplings).toHaveLength(line.machines.length - 1)
        expect(line.couplings.filter(({ station }) => !station)).toHaveLength(1)
        expect(placeStations(line).faults).toEqual([])
        expect(new Set(idsOf(line)).size).toBe(idsOf(line).length)
      }),
      tries(200),
    )
  })
  it('keeps every distance between what is left when a machine is taken out anywhere', () => {
    fc.assert(
      fc.property(trains, fc.nat(99), (line, n) => {
        fc.pre(line.machines.length > 2)
        const { id } = line.machines[n % line.machines.length]!
        const less = withoutMachine(line, id)
        expect(less.machines).toHaveLength(line.machines.length - 1)
        expect(less.couplings).toHaveLength(less.machines.length - 1)
        expect(placeStations(less).faults).toEqual([])
        spacing(less, idsOf(less)).forEach((by, i) => {
          expect(by).toBeCloseTo(spacing(line, idsOf(less))[i]!, 2)
        })
        expect(less.machines.some((machine) => machine.id === less.fixed)).toBe(true)
      }),
      tries(200),
    )
  })
  it('keeps every place when feet go that others were measured from', () => {
    const line = filled(withFeet(makeLine('x', 'pump', 'motor', 'in'), 'm2', 'in', 'f1'), [240, 310.5])
    const less = withoutFoot(line, 'm2', 'm2-front')
    expect(less.machines[1]!.feet.map(({ id }) => id)).not.toContain('m2-front')
    expect(spacing(less, idsOf(less))).toEqual(spacing(line, idsOf(less)))
  })
  it('puts a machine in at the left end, and stays where it was', () => {
    const line = filled(makeLine('x', 'pump', 'motor', 'mm'), [240, 450])
    const more = withMachineAt(line, 0, 'blower', 'mm', counted())
    expect(more.machines.map(({ kind }) => kind)).toEqual(['blower', 'pump', 'motor'])
    expect([more.couplings[0]!.id, originOf(more), more.couplings[1]!.id]).toEqual(['c101', 'c1', 'c1'])
    expect(spacing(more, idsOf(line))).toEqual(spacing(line, idsOf(line)))
  })
  it('of two stays a pair', () => {
    const line = makeLine('x', 'pump', 'motor', 'mm')
    expect(withoutMachine(line, 'm1')).toBe(line)
    expect(withoutMachine(line, 'no such')).toBe(line)
  })
})

describe('dimensions as the tape is pulled', () => {
  const line: Line = {
    ...filled(makeLine('x', 'pump', 'motor', 'mm'), [240, 450]),
    marks: [{ id: 'k1', name: 'hub face', station: { from: 'c1', toward: 'right', distance: mm('12') } }],
  }
  it('go from a mark, a flex plane or another dial, and backwards by a minus', () => {
    const spacer: Line = {
      ...line,
      couplings: line.couplings.map((c) => ({ ...c, kind: 'spacer' as const, span: mm('180') })),
    }
    const [right, left] = makeJob(line, '', '', 'mm').rounds[0]!.sets[0]!.probes
    const at = (from: string, distance: string) => ({ from, toward: 'right' as const, distance: mm(distance) })
    const hung = [
      { ...right!, station: at(flexPlane('c1', 'right'), '20') },
      { ...left!, station: at(right!.id, '-240') },
    ]
    const { x, faults } = placeStations(spacer, hung)
    expect(faults).toEqual([])
    expect([x.get('k1'), x.get(right!.id), x.get(left!.id)]).toEqual([12, 110, -130])
    // without its span the flex planes have no place, and only who asks for them is told
    expect(placeStations(line, [{ ...right!, station: at('k1', '8') }]).x.get(right!.id)).toBe(20)
    expect(
      placeStations({ ...spacer, couplings: spacer.couplings.map((c) => ({ ...c, span: mm('') })) }).faults,
    ).toEqual([])
  })
  it('are halved from dial to dial', () => {
    const set = makeJob(line, '', '', 'mm').rounds[0]!.sets[0]!
    const [right, left] = set.probes
    const { x } = placeStations(line, halved(set, left!.id, right!.id, mm('171')).probes)
    expect([x.get(left!.id), x.get(right!.id)]).toEqual([-85.5, 85.5])
    expect(halved(set, left!.id, right!.id, mm('a'))).toBe(set)
  })
  it('stay when the mark or the dial goes that they were measured from', () => {
    const foot = line.machines[1]!.feet[0]!
    const marked: Line = {
      ...line,
      machines: line.machines.map((machine) => ({
        ...machine,
        feet: machine.feet.map((one) => (one === foot ? { ...one, station: { ...one.station, from: 'k1' } } : one)),
      })),
    }
    const bare = withoutMark(marked, 'k1')
    expect(bare.marks).toEqual([])
    expect(placeStations(bare).x.get(foot.id)).toBe(252)
    const set = makeJob(line, '', '', 'mm').rounds[0]!.sets[0]!
    const [right, left] = set.probes
    const hung = {
      ...set,
      probes: [
        { ...right!, station: { ...right!.station, distance: mm('90') } },
        { ...left!, station: { from: right!.id, toward: 'left' as const, distance: mm('171') } },
      ],
    }
    const less = withoutProbe(line, hung, right!.id)
    expect(less.probes.map(({ id, station }) => [id, station])).toEqual([
      [left!.id, { from: 'c1', toward: 'left', distance: mm('81') }],
    ])
  })
  it('from another dial are from that dial’s successor in the next set', () => {
    const set = makeJob(line, '', '', 'mm').rounds[0]!.sets[0]!
    const [right, left] = set.probes
    const hung = { ...set, probes: [right!, { ...left!, station: { ...left!.station, from: right!.id } }] }
    const again = repeatSet(hung, 'next')
    expect(again.probes[1]!.station.from).toBe(again.probes[0]!.id)
  })
})

describe('the sets of a job', () => {
  const job = makeJob(filled(makeLine('x', 'pump', 'motor', 'mm'), [240, 450]), '', '', 'mm')
  const read = {
    ...job,
    rounds: job.rounds.map((round) => ({
      ...round,
      sets: round.sets.map((set) => ({
        ...set,
        probes: set.probes.map((probe) => ({ ...probe, readings: { a0: { value: mm('0'), turns: 0 } } })),
      })),
    })),
  }
  it('go where their coupling no longer joins the machines they were read on, and it is said how many readings', () => {
    const line = withMachineAt(job.line, 1, 'gearbox', 'mm', counted())
    expect(droppedBy(read, line)).toEqual({ sets: 1, readings: 2 })
    const after = matchSets({ ...read, line }, 'mm', job.line)
    expect(after.rounds[0]!.sets.map(({ coupling }) => coupling)).toEqual(['c1', line.couplings[1]!.id])
    expect(readingsIn(after.rounds[0]!.sets)).toBe(0)
  })
  it('stay when the train grows at an end, and hang where they hung when a foot goes', () => {
    const grown = matchSets({ ...read, line: withMachineAt(job.line, 0, 'gearbox', 'mm', counted()) }, 'mm', job.line)
    expect(readingsIn(grown.rounds[0]!.sets)).toBe(2)
    const [set] = read.rounds[0]!.sets
    const hung = {
      ...read,
      rounds: [
        {
          ...read.rounds[0]!,
          sets: [
            {
              ...set!,
              probes: set!.probes.map((probe, i) =>
                i === 0
                  ? { ...probe, station: { from: 'm2-front', toward: 'left' as const, distance: mm('100') } }
                  : probe,
              ),
            },
          ],
        },
      ],
    }
    const less = withoutFoot(job.line, 'm2', 'm2-front')
    const after = matchSets({ ...hung, line: less }, 'mm', job.line)
    expect(after.rounds[0]!.sets[0]!.probes[0]!.station).toEqual({ from: 'c1', toward: 'right', distance: mm('140') })
  })
})
