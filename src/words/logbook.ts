import { formatNumber } from '../core/frame/number'
import type { DriftCause, Interval } from '../core/logbook/drift'
import type { NextCheck } from '../core/logbook/next'
import type { VisitFlag } from '../core/logbook/visit'
import { labels, t } from './language'
import type { ProofTerms } from './prove'
import type { Said } from './said'
import { couplingName } from './terms'

/** Why a visit does not compare with the others. */
export const visitFlagTexts: Readonly<Record<VisitFlag, string>> = labels({
  'other-reference': 'Another machine was the fixed one then; its positions are told against today’s.',
  connected: 'Only read with the coupling connected.',
  doubtful: 'Its readings contradict each other, or a dial does not close.',
})

/** What a drift looks like. */
export const driftCauseTexts: Readonly<Record<DriftCause, string>> = labels({
  'one-foot': 'One station alone went up or down: look at its shims, and for a soft foot.',
  pipes: 'Turned about one end, up or down and sideways: pipe strain at the other. Look at hangers and flanges.',
  foundation: 'Several machines alike against the one that stays: the foundation, or another temperature.',
  base: 'All stations went up or down alike: the base, or another temperature. Compare the temperatures.',
  bolts: 'Only sideways, all one way: bolts that slipped, no dowels.',
})

/** When to look again, and why. */
export function sayNext({ days, because }: NextCheck, terms: ProofTerms): Said {
  const after = t`Look again ${days} days after the last visit.`
  switch (because.kind) {
    case 'rate':
      return {
        title: after,
        detail: t`${couplingName(because.joint, terms)}: going on as it went between ${visits(because.intervals + 1)}, the chance of being within falls to ${formatNumber(100 * because.chance, 0)} % by then.`,
      }
    case 'holds':
      return {
        title: after,
        detail: t`Going on as it went between ${visits(because.intervals + 1)}, it stays within for two years; no check is put off longer.`,
      }
    case 'not-within':
      return {
        title: after,
        detail: t`It was left outside, or it can’t be told: 90 days, as nothing is known of how it moves.`,
      }
    case 'new-set':
      return { title: after, detail: t`A new set, read once: a year, as nothing is known yet of how it moves.` }
    case 'after-work':
      return {
        title: after,
        detail: t`After an overhaul, read once: half a year, as nothing is known yet of how it moves.`,
      }
    case 'once':
      return { title: after, detail: t`Read once: a year, as nothing is known yet of how it moves.` }
  }
}

const visits = (count: number): string => (count === 2 ? t`two visits` : t`${count} visits`)

/** The largest drift that was seen between two visits; nothing where none was. */
export function sayDrift({ places, days }: Interval, terms: ProofTerms): string {
  const seen = places.filter((one) => one.seen)
  const [first, ...rest] = seen
  if (!first) return t`No station moved by more than the readings can tell, in ${formatNumber(days, 0)} days.`
  const most = rest.reduce((a, b) => (Math.abs(b.by) > Math.abs(a.by) ? b : a), first)
  return t`In ${formatNumber(days, 0)} days the ${lower(terms.at(most.place))} went ${terms.went(most.by, most.plane)}, more than any other.`
}

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1)
