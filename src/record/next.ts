import type { AnyLine, KindName } from '../core/kinds'
import { counted, type Known } from '../core/logbook/counted'
import { nextCheck } from '../core/logbook/next'
import { sayNext } from '../words/logbook'
import { proofTerms } from '../words/prove'

/** When a line is looked at again: the day, and why, in words. */
export interface NextTold {
  /** ISO date. */
  on: string
  because: string
}

/** The next check of a line after its visits, in words; undefined where none counts. */
export function nextTold<K extends KindName>(line: AnyLine<K>, known: Known, unit: 'mm' | 'mil'): NextTold | undefined {
  const { visits, below } = counted(known)
  const next = nextCheck(visits, below)
  if (!next) return undefined
  const { detail = '' } = sayNext(next, proofTerms<K>(line, { unit, resolution: 0.01 }))
  return { on: next.on, because: detail }
}
