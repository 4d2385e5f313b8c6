import { describe, expect, it } from 'vitest'
import type { Misalignment } from '../../probes/probe'
import { exactSpot } from '../../rig/beams'
import { exactFaceReading, exactRimReading, shaftPair } from '../../rig/geometry'
import type { ProbeSetUp, ReadSet } from '../../shafts/schema'
import { readingKey } from '../../shafts/typed'
import { findingsFor } from './advice/findings'
import { makeLine, makeRound, makeSet, type UprightMethod, uprightMethods } from './document/make'
import { solveRound } from './solve/round'

const truth: Misalignment = { offsetY: 0.05, slopeY: -0.0006, offsetZ: -0.12, slopeZ: 0.0008 }
const pair = shaftPair(truth, 0)
const mm = (text: string) => ({ text, unit: 'mm' as const })
const at = { right: 40, left: -30 }

/** What a probe shows on the rig at an angle, a number a channel, mm. */
function shown(probe: ProbeSetUp, degrees: number): Record<string, number> {
  const on = probe.on === 'upper' ? 'right' : 'left'
  const dial = { on, x: at[on], radius: 80, sag: 0 } as const
  switch (probe.type) {
    case 'rim':
      return { '': exactRimReading(pair, dial, degrees) }
    case 'face':
      return { '': exactFaceReading(pair, { ...dial, side: 'front' }, degrees) }
    case 'beam': {
      const beam = {
        on,
        from: on === 'right' ? -150 : 150,
        radius: 90,
        cantOut: 0.0005,
        cantSide: 0,
        seatOut: 0,
        seatSide: 0,
      } as const
      return { '': exactSpot(pair, { ...beam, x: at[on] }, degrees).radial }
    }
    default:
      // told as an instrument would: the upper machine, its plus away from bolt 1, open at bolt 1
      return degrees === 0
        ? { offset: -truth.offsetZ, gap: -truth.slopeZ * 100 }
        : { offset: truth.offsetY, gap: truth.slopeY * 100 }
  }
}

function readOn(method: UprightMethod): ReturnType<typeof solveRound> {
  const made = makeLine('x', 'mm', [])
  const line = {
    ...made,
    speed: '1480',
    coupling: { ...made.coupling, diameter: mm('160') },
    flange: { ...made.flange, height: mm('260'), circle: mm('300') },
  }
  const set = makeSet(line, 's', 'mm', method)
  const probes = set.probes.map((probe): ProbeSetUp => {
    const on = probe.on === 'upper' ? 'right' : 'left'
    const readings = set.angles.flatMap(({ id, degrees }) =>
      Object.entries(shown(probe, degrees)).map(([channel, value]) => [
        readingKey(id, (channel || undefined) as Parameters<typeof readingKey>[1]),
        { value: mm(value.toFixed(7)), turns: 0 },
      ]),
    )
    return {
      ...probe,
      ...(probe.type === 'result'
        ? { plus: { vertical: { offset: 'down', gap: 'top' }, horizontal: { offset: 'far', gap: 'near' } } }
        : { radius: mm('80'), station: { ...probe.station, distance: mm(String(Math.abs(at[on]))) } }),
      readings: Object.fromEntries(readings),
    }
  })
  const read: ReadSet = { ...set, probes }
  return solveRound(line, { ...makeRound(line, '', 'mm'), sets: [read] })
}

describe.each(uprightMethods)('an upright pair read by %s', (method) => {
  const solved = readOn(method)
  it('stands where it stands on the rig', () => {
    const { result } = solved.coupling
    if (!result.ok) throw new Error(result.lack)
    for (const [name, value] of Object.entries(truth))
      expect(result.fit.misalignment[name as keyof Misalignment]).toBeCloseTo(value, name.startsWith('slope') ? 5 : 3)
  })
  it('tells offset and angle in numbers, and the shims of the worked case', () => {
    const verdict = findingsFor(solved, 'read').find((one) => one.kind === 'verdict')
    expect(verdict).toMatchObject({ offset: expect.closeTo(0.13, 3), slope: expect.closeTo(0.001, 5) })
    expect(solved.work!.bolts!.map(({ shim }) => Number(shim.toFixed(2)))).toEqual([0.24, 0.03, 0, 0.21])
  })
})

it('a walk: the spigot lets part of the push, and what stays is told', () => {
  const mm = (text: string) => ({ text, unit: 'mm' as const })
  const made = makeLine('x', 'mm', [])
  const line = {
    ...made,
    speed: '1480',
    coupling: { ...made.coupling, diameter: mm('160') },
    flange: { ...made.flange, bolts: 8, height: mm('290'), circle: mm('340'), spigot: mm('0.12') },
  }
  const set = makeSet(line, 's', 'mm')
  const read = [
    ['0', '0.131', '0.166', '0.036'],
    ['0', '-0.218', '-0.262', '-0.044'],
  ]
  const probes = set.probes.map((probe, p) => ({
    ...probe,
    station: { ...probe.station, distance: mm(p === 0 ? '45' : '35') },
    readings: Object.fromEntries([0, 90, 180, 270].map((at, i) => [`a${at}`, { value: mm(read[p]![i]!), turns: 0 }])),
  }))
  const { work } = solveRound(line, { ...makeRound(line, '', 'mm'), sets: [{ ...set, probes }] })
  expect(work!.bolts!.map(({ shim }) => Number(shim.toFixed(2)))).toEqual([0.23, 0.14, 0.05, 0, 0.03, 0.12, 0.22, 0.26])
  expect(work!.push.size).toBeCloseTo(0.099, 2)
  expect([work!.push.y, work!.push.z]).toEqual([expect.closeTo(0.075, 2), expect.closeTo(-0.064, 2)])
  const { push, stays } = work!.stopped!
  expect(Math.hypot(push.y, push.z)).toBeCloseTo(0.06, 3)
  expect(Math.hypot(stays.y, stays.z)).toBeCloseTo(0.039, 2)
  const left = [work!.left!.vertical.offset, work!.left!.horizontal.offset].map(Math.abs).sort()
  expect(left).toEqual([expect.closeTo(0.025, 2), expect.closeTo(0.029, 2)])
})
