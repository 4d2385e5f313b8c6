import type { DriftCause, Interval } from '../core/logbook/drift'
import type { NextCheck } from '../core/logbook/next'
import type { VisitFlag } from '../core/logbook/visit'
import { formatNumber } from '../core/quantity/number'
import { labels, t } from './language'
import type { ProofTerms } from './prove'
import type { Message } from './said'
import { couplingName, inText } from './terms'

/** Why a visit does not compare with the others. */
export const visitFlagTexts: Readonly<Record<VisitFlag, string>> = labels({
  'other-reference': 'A different machine was fixed then. Positions are recalculated from today’s fixed machine.',
  connected: 'Read only with the coupling connected.',
  doubtful: 'Readings contradict each other, or a dial does not close.',
})

/** What a drift looks like. */
export const driftCauseTexts: Readonly<Record<DriftCause, string>> = labels({
  'one-foot': 'Only one station moved up or down. Check its shims and soft foot.',
  pipes: 'It pivoted about one end, vertically and sideways: pipe strain at the other end. Check hangers and flanges.',
  foundation:
    'Several machines moved together relative to the fixed machine: the foundation moved, or the temperature differs.',
  base: 'All stations moved up or down together: the base moved, or the temperature differs. Compare the temperatures.',
  bolts: 'All moved sideways the same way: slipped bolts, no dowels.',
})

/** When to look again, and why. */
export function sayNext({ days, because }: NextCheck, terms: ProofTerms): Message {
  const after = t`Next check: ${days} days after the last visit.`
  switch (because.kind) {
    case 'rate':
      return {
        title: after,
        detail: t`${couplingName(because.joint, terms)}: at the drift seen over ${visits(because.intervals + 1)}, the chance of staying within tolerance falls to ${formatNumber(100 * because.chance, 0)} % by then.`,
      }
    case 'holds':
      return {
        title: after,
        detail: t`At the drift seen over ${visits(because.intervals + 1)}, it stays within tolerance for two years, the longest interval allowed.`,
      }
    case 'not-within':
      return {
        title: after,
        detail: t`Left out of tolerance or uncertain, with no drift known: 90 days.`,
      }
    case 'new-set':
      return { title: after, detail: t`New installation, read once, no drift known: one year.` }
    case 'after-work':
      return {
        title: after,
        detail: t`After overhaul, read once, no drift known: six months.`,
      }
    case 'once':
      return { title: after, detail: t`Read once, no drift known: one year.` }
  }
}

const visits = (count: number): string => (count === 2 ? t`two visits` : t`${count} visits`)

/** The largest drift that was seen between two visits; nothing where none was. */
export function sayDrift({ places, days }: Interval, terms: ProofTerms): string {
  const seen = places.filter((one) => one.seen)
  const [first, ...rest] = seen
  if (!first) return t`No measurable movement in ${formatNumber(days, 0)} days.`
  const most = rest.reduce((a, b) => (Math.abs(b.by) > Math.abs(a.by) ? b : a), first)
  return t`Largest drift in ${formatNumber(days, 0)} days: ${inText(terms.at(most.place))}, ${terms.went(most.by, most.plane)}.`
}
