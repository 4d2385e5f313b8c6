import { parseNumber } from '../core/frame/number'
import type { AnyLine, KindName } from '../core/kinds'
import { nextCheck } from '../core/logbook/next'
import { emptyLogbook, type Logbook } from '../core/logbook/schema'
import { comparable, type Visit } from '../core/logbook/visit'
import { sayNext } from '../words/logbook'
import { proofTerms } from '../words/prove'

/** When a line is looked at again: the day, and why, in words. */
export interface NextTold {
  /** ISO date. */
  on: string
  because: string
}

/** What is known of a line over the years, and what people decided in its logbook. */
export interface Known {
  visits: readonly Visit[]
  logbook?: Logbook | undefined
}

/** Visits that count: what does not compare is left out until somebody puts it back. */
export const counted = (visits: readonly Visit[], { putBack }: Logbook): Visit[] =>
  comparable(visits).filter(({ flags, job }) => flags.length === 0 || putBack.includes(job))

/** The chance below which a line is looked at again, as the site typed it; undefined for what is usual. */
export function boundOf({ below }: Logbook): number | undefined {
  const typed = parseNumber(below)
  return typed.ok && typed.value > 0 && typed.value < 100 ? typed.value / 100 : undefined
}

/** The next check of a line after its visits, in words; undefined where none counts. */
export function nextTold<K extends KindName>(
  line: AnyLine<K>,
  { visits, logbook = emptyLogbook }: Known,
  unit: 'mm' | 'mil',
): NextTold | undefined {
  const next = nextCheck(counted(visits, logbook), boundOf(logbook))
  if (!next) return undefined
  const { detail = '' } = sayNext(next, proofTerms<K>(line, { unit, resolution: 0.01 }))
  return { on: next.on, because: detail }
}
