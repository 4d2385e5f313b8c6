import type { Section } from './section'
import { spanBetween } from './web'

/** How the web is helped past a roll that can't go where it should. */
export const planWays = ['leave', 'split', 'parallel'] as const
export type PlanWay = (typeof planWays)[number]

/** Square and level of a roll, rad. */
export interface RollOrientation {
  square: number
  level: number
}

/** One way past a roll that stays out, all others brought to the numbers or where this way wants them. */
export interface Workaround {
  way: PlanWay
  /** Where every roll would lie, in the order of the path. */
  lies: RollOrientation[]
  /** What every span would bend in its plane, rad, and its share of its limit. */
  spans: { from: string; to: string; inPlane: number; share: number }[]
  /** Rolls that are moved from where they lie now. */
  moved: string[]
  /** The largest share: above one the web still feels it. */
  worst: number
}

const nothing: RollOrientation = { square: 0, level: 0 }
const scaled = ({ square, level }: RollOrientation, by: number): RollOrientation => ({
  square: square * by,
  level: level * by,
})
const alike = (a: RollOrientation, b: RollOrientation): boolean =>
  Math.abs(a.square - b.square) < 1e-9 && Math.abs(a.level - b.level) < 1e-9

/**
 * Three ways past a roll that can't be moved. *Leave*: all others to the numbers, its two spans bear all of it. *Split*: its
 * neighbors go half way with it, so that four spans bear half each. *Parallel*: its neighbors are made parallel to it, and those
 * beyond take it back step by step, each span bearing no more than its limit, as far as it takes.
 *
 * @param lies where the rolls lie now, in the order of the path
 * @param stuck place of the roll in the path
 */
export function waysPast(section: Section, lies: readonly RollOrientation[], stuck: number): Workaround[] {
  const rolls = section.path.flatMap((id) => section.rolls.find((roll) => roll.id === id) ?? [])
  const own = lies[stuck] ?? nothing
  const spans = rolls.slice(1).map((to, i) => {
    const from = rolls[i]
    return { from: from?.id ?? '', to: to.id, limit: to.limit, way: from && spanBetween(from, to) }
  })
  const bend = (way: { x: number; z: number } | undefined, a: RollOrientation, b: RollOrientation): number =>
    way ? way.x * (b.square - a.square) + way.z * (b.level - a.level) : 0
  const fixedOr = (wanted: readonly RollOrientation[]): RollOrientation[] =>
    wanted.map((lie, i) => (i === stuck || rolls[i]?.movable === false ? (lies[i] ?? nothing) : lie))
  const told = (way: PlanWay, wanted: readonly RollOrientation[]): Workaround => {
    const whole = fixedOr(wanted)
    const all = spans.map(({ from, to, limit, way: along }, i) => {
      const inPlane = bend(along, whole[i] ?? nothing, whole[i + 1] ?? nothing)
      return { from, to, inPlane, share: Math.abs(inPlane) / limit }
    })
    return {
      way,
      lies: whole,
      spans: all,
      moved: rolls.flatMap(({ id }, i) => (alike(whole[i] ?? nothing, lies[i] ?? nothing) ? [] : [id])),
      worst: Math.max(0, ...all.map(({ share }) => share)),
    }
  }
  const at = (share: (steps: number) => number): RollOrientation[] =>
    rolls.map((_, i) => scaled(own, share(Math.abs(i - stuck))))
  /** Shares of it that rolls bear going away from it in one direction, each span taking what it may. */
  const taper = (step: 1 | -1): Map<number, number> => {
    const shares = new Map<number, number>()
    let left = 1
    for (let i = stuck + step; i >= 0 && i < rolls.length; i += step) {
      // its next neighbors are parallel to it; beyond them every span takes back what its limit lets it
      if (i !== stuck + step) {
        const span = spans[step > 0 ? i - 1 : i]
        const whole = Math.abs(bend(span?.way, nothing, own))
        left = Math.max(0, left - (whole > 0 ? (span?.limit ?? 0) / whole : 1))
      }
      shares.set(i, left)
      if (left === 0) break
    }
    return shares
  }
  const tapered = new Map([...taper(1), ...taper(-1)])
  return [
    told(
      'leave',
      at(() => 0),
    ),
    told(
      'split',
      at((steps) => (steps === 1 ? 0.5 : 0)),
    ),
    told(
      'parallel',
      rolls.map((_, i) => scaled(own, tapered.get(i) ?? 0)),
    ),
  ]
}
