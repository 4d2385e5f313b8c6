import { quantityFrom, quantityMm } from '../../../quantity/quantity'
import type { Round, RoundPlan } from '../document/schema'
import { emptyPlan } from './choices'
import type { JobPlan } from './plan'

/** What goes from one round to the next: what was done, and what now lies under the feet. */

/** The round with what was planned written down as done: to the dial's own step and finer, as typed numbers. */
export function withDone(round: Round, { moves }: JobPlan, unit: 'mm' | 'mil'): Round {
  const typed = (mm: number | undefined) => quantityFrom(mm ?? 0, unit, unit === 'mil' ? 1 : 3)
  const done = Object.fromEntries(
    [...moves].map(([foot, { vertical, horizontal }]) => [
      foot,
      { vertical: typed(vertical), horizontal: typed(horizontal) },
    ]),
  )
  return { ...round, plan: { ...(round.plan ?? emptyPlan()), done } }
}

/** The choices of a plan for the round after it: the packs that now lie under the feet, and limits as far as they were used up. */
export function nextPlan({ plan: old }: Round, { stations, moves }: JobPlan, unit: 'mm' | 'mil'): RoundPlan {
  const { done: _, drawn: __, ...kept } = old ?? emptyPlan()
  const decimals = unit === 'mil' ? 1 : 2
  const packs = stations.flatMap(({ feet }) =>
    feet.flatMap(({ id, present, change }) => {
      const shims = change?.pack.shims ?? present
      return shims ? [[id, { text: shims.map((size) => typedSize(size, unit)).join(' + ') || '0', unit }] as const] : []
    }),
  )
  const used = { down: 'vertical', up: 'vertical', near: 'horizontal', far: 'horizontal' } as const
  const limits = Object.entries(kept.limits).map(([foot, typed]) => [
    foot,
    Object.fromEntries(
      (['down', 'up', 'near', 'far'] as const).flatMap((way) => {
        const mm = quantityMm(typed[way])
        const move = moves.get(foot)?.[used[way]] ?? 0
        const left = (mm ?? 0) + (way === 'down' || way === 'near' ? move : -move)
        return mm === undefined ? [] : [[way, quantityFrom(Math.max(0, left), unit, decimals)]]
      }),
    ),
  ])
  return {
    ...kept,
    stays: kept.stays === 'drawn' ? 'fixed' : kept.stays,
    packs: Object.fromEntries(packs),
    limits: Object.fromEntries(limits),
  }
}

const typedSize = (mm: number, unit: 'mm' | 'mil'): string => quantityFrom(mm, unit, unit === 'mil' ? 1 : 3).text
