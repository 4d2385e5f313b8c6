import { chance } from '../rig/random'
import type { Lesson } from './asks'
import { type DialRig, dialFaults, leverFactor, swing } from './dialRig'

/** Lessons there are, in the order they are learned. */
export const lessonNames = ['read-a-dial', 'sag-bench', 'closure', 'lever', 'trust', 'engaged', 'part-turn'] as const
export type LessonName = (typeof lessonNames)[number]

/** Quarters that are read, degrees from the top toward the far side. */
export const quarters = [0, 90, 180, 270] as const

/** What somebody wrote down, one of it wrong: its sign, or a whole turn too few. */
export function sheetOf(bench: DialRig, seed: number): { wrong: number; written: Readonly<Record<number, number>> } {
  const source = chance(seed ^ 0x2545f491)
  const wrong = quarters[1 + Math.floor(3 * source.uniform())] ?? 180
  const otherWay = source.uniform() < 0.5
  const written = Object.fromEntries(
    quarters.map((at) => {
      const read = toLine(swing(bench, at))
      if (at !== wrong) return [at, read]
      // a small number with its sign turned about would still be nearly right: then it is the turn
      return [at, toLine(otherWay && Math.abs(read) >= 0.1 ? -read : read + (read < 0 ? 1 : -1))]
    }),
  )
  return { wrong, written }
}

/** What a machine's dial showed at the bottom with the bracket of the sag bench, mm. */
export const shownOnMachine = (seed: number): number => toLine(0.6 * (chance(seed ^ 0x1b873593).uniform() - 0.5) - 0.2)

/** A dial is read to half a graduation, and a hand's thickness. mm */
export const near = 0.015

const toLine = (mm: number): number => Math.round(mm * 100) / 100

export const lessons: Readonly<Record<LessonName, Lesson>> = {
  'read-a-dial': {
    on: 'coupling',
    asks: [
      { id: '90', answer: 'number', at: 90 },
      { id: '180', answer: 'number', at: 180 },
      { id: '270', answer: 'number', at: 270 },
    ],
    right: (bench) => Object.fromEntries([90, 180, 270].map((at) => [String(at), swing(bench, at)])),
  },
  'sag-bench': {
    on: 'pipe',
    asks: [
      { id: 'sag', answer: 'number' },
      { id: 'aligned', answer: 'number' },
      { id: 'left', answer: 'number' },
    ],
    right: (bench, seed) => {
      const sag = swing(bench, 180)
      return { sag, aligned: sag, left: shownOnMachine(seed) - sag }
    },
  },
  engaged: {
    on: 'coupling',
    coupled: true,
    asks: [
      { id: 'bolted', answer: 'number' },
      { id: 'open', answer: 'number' },
      { id: 'hidden', answer: 'number' },
    ],
    right: (bench) => {
      const [bolted, open] = [swing(bench, 180, true), swing(bench, 180)]
      // the dial goes over twice the offset
      return { bolted, open, hidden: Math.abs(open - bolted) / 2 }
    },
  },
  closure: {
    on: 'coupling',
    asks: [
      { id: 'which', answer: 'quarter' },
      { id: 'value', answer: 'number' },
    ],
    right: (bench, seed) => {
      const { wrong } = sheetOf(bench, seed)
      return { which: wrong, value: swing(bench, wrong) }
    },
  },
  lever: {
    on: 'coupling',
    has: { lever: true },
    asks: [
      { id: 'factor', answer: 'factor' },
      { id: 'bottom', answer: 'number' },
    ],
    right: (bench) => ({ factor: leverFactor(bench), bottom: swing(bench, 180) }),
    // its angle changes as it swings, by a hundredth or two over half a millimeter
    near: () => ({ factor: 0.03, bottom: 0.025 }),
  },
  trust: {
    on: 'coupling',
    has: { lies: true },
    asks: [
      { id: 'fault', answer: 'fault' },
      { id: 'bottom', answer: 'number' },
    ],
    right: (bench) => ({ fault: dialFaults.indexOf(bench.lies?.fault ?? 'none'), bottom: swing(bench, 180) }),
    near: () => ({ bottom: 0.025 }),
  },
  'part-turn': {
    on: 'coupling',
    has: { stops: true },
    asks: [
      { id: 'bottom', answer: 'number' },
      { id: 'far', answer: 'number', at: 90 },
    ],
    right: (bench) => ({ bottom: swing(bench, 180), far: swing(bench, 90) }),
    // what is read over part of a turn is drawn out to the whole of it, and what it is misread by with it
    near: ({ stops }) => {
      const angle = (Math.min(stops?.near ?? 90, stops?.far ?? 90) * Math.PI) / 180
      return { bottom: near / (1 - Math.cos(angle)), far: near / Math.sin(angle) }
    },
  },
}
