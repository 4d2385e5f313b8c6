import { parseNumber } from '../quantity/number'
import { emptyLogbook, type Logbook } from './schema'
import { comparable, type Visit } from './visit'

/** What is known of a line over the years, and what people decided in its logbook. */
export interface Known {
  visits: readonly Visit[]
  logbook?: Logbook | undefined
}

/** The chance below which a line is looked at again, as the site typed it; undefined for what is usual. */
export function boundOf({ below }: Logbook): number | undefined {
  const typed = parseNumber(below)
  return typed.ok && typed.value > 0 && typed.value < 100 ? typed.value / 100 : undefined
}

/** Visits that count, oldest first: what does not compare is left out until somebody puts it back; and the bound. */
export function counted({ visits, logbook = emptyLogbook }: Known): { visits: Visit[]; below: number | undefined } {
  const { putBack } = logbook
  return {
    visits: comparable(visits).filter(({ flags, job }) => flags.length === 0 || putBack.includes(job)),
    below: boundOf(logbook),
  }
}
