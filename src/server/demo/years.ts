import type { Line } from '../../core/kinds/train/document/schema'
import type { Misalignment } from '../../core/probes/probe'
import type { Chance } from '../../core/rig/random'
import { chance } from '../../core/rig/random'
import { at, type DemoJob, type Drawing, draw, dryerPump, rinsePump, type Visit, visited } from './plant'

/**
 * Five years in the logbooks of four lines: one walks, one steps after a pipe was changed, one holds, one slips sideways.
 */

const scrubberFan: Drawing = {
  name: 'Scrubber fan',
  area: 'Boiler house',
  sides: { near: 'stack', far: 'yard' },
  unit: 'mm',
  machines: [
    { kind: 'fan', name: 'Fan', front: 210, back: 560, rim: 85, dial: 75, sag: -0.09 },
    { kind: 'motor', name: 'Motor', front: 230, back: 410, rim: 85, dial: 85, sag: -0.11 },
  ],
  coupling: { name: 'Coupling', diameter: 150 },
  speed: '985',
  fixed: 0,
  because: 'Its duct cannot be moved.',
}

const bleachPump: Drawing = {
  name: 'Bleach pump 2',
  area: 'Wash hall',
  sides: { near: 'aisle', far: 'drain' },
  unit: 'mm',
  machines: [
    { kind: 'pump', name: 'Pump', front: 220, back: 300, rim: 75, dial: 70, sag: -0.07 },
    { kind: 'motor', name: 'Motor', front: 220, back: 380, rim: 75, dial: 80, sag: -0.09 },
  ],
  coupling: { name: 'Coupling', diameter: 140 },
  speed: '1475',
  fixed: 0,
  because: 'It has the pipes.',
}

/** As found or as left, about as good as people get it. */
const close = (source: Chance): Misalignment =>
  at(0.008 * source.normal(), 0.00002 * source.normal(), 0.008 * source.normal(), 0.00002 * source.normal())

const moved = (from: Misalignment, by: Misalignment): Misalignment =>
  at(from.offsetZ + by.offsetZ, from.slopeZ + by.slopeZ, from.offsetY + by.offsetY, from.slopeY + by.slopeY)

interface Story {
  drawing: Drawing
  by: string
  /** Days before today of each visit, the first one first. */
  days: readonly number[]
  /** How far it went before each visit but the first; and what was found at the first. */
  went: readonly Misalignment[]
  notes?: Readonly<Record<number, string>>
}

const still = at(0, 0, 0, 0)

const stories: readonly Story[] = [
  // its motor rises a tenth of a millimeter a year
  {
    drawing: rinsePump,
    by: 'K. O.',
    days: [1640, 1272],
    went: [at(0.18, 0.0005, -0.09, 0.0002), at(0.09, 0.00025, -0.02, 0)],
  },
  {
    drawing: dryerPump,
    by: 'I. M.',
    days: [1815, 1440, 1068, 702, 336],
    went: [at(0.35, -0.0009, 0.2, 0.0004), still, at(-0.01, 0, 0.01, 0), at(0.31, -0.0011, -0.24, 0.0009), still],
    notes: { 3: 'Suction pipe renewed in spring. Found pulled toward stair.' },
  },
  {
    drawing: scrubberFan,
    by: 'R. T.',
    days: [1790, 1424, 1060, 694, 331],
    went: [at(-0.26, 0.0008, 0.15, -0.0004), still, still, still, still],
  },
  {
    drawing: bleachPump,
    by: 'R. T.',
    days: [1770, 1400, 1041, 668, 302],
    went: [
      at(0.2, 0.0006, 0.12, 0.0003),
      at(0, 0, 0.1, 0.00005),
      at(0.005, 0, 0.12, 0.0001),
      at(0, 0, 0.09, 0),
      at(-0.004, 0, 0.13, 0.0001),
    ],
    notes: { 4: 'Needs dowels: moves toward drain every year.' },
  },
]

function visitsOf({ drawing, by, days, went, notes = {} }: Story, source: Chance): Visit[] {
  let left = still
  return days.map((before, i) => {
    const found = i === 0 ? (went[0] ?? still) : moved(moved(left, went[i] ?? still), scaled(close(source), 0.4))
    const off = Math.hypot(found.offsetZ, found.offsetY) > 0.05
    left = off ? close(source) : found
    return {
      drawing,
      title: i === 0 ? 'New installation' : 'Periodic check',
      state: 'signed',
      days: before,
      by,
      minutes: String(i === 0 ? 290 : off ? 150 : 70),
      ...(notes[i] ? { note: notes[i] } : {}),
      rounds: off || i === 0 ? [[found], [left]] : [[found]],
    }
  })
}

const scaled = (by: Misalignment, factor: number): Misalignment =>
  at(by.offsetZ * factor, by.slopeZ * factor, by.offsetY * factor, by.slopeY * factor)

/** Lines that the plant has for their logbooks, and the visits of five years. */
export function yearsOfVisits(today: Date): { lines: Line[]; jobs: DemoJob[] } {
  const source = chance(20261127)
  return {
    lines: [scrubberFan, bleachPump].map(draw),
    jobs: visited(
      stories.flatMap((story) => visitsOf(story, source)),
      today,
      source,
    ),
  }
}
