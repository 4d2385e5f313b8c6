import type { Book } from '../../../core/logbook/book'

export type SiteOrder = 'area' | 'due' | 'drift'

/** What the order of lines is told from. */
export interface Glance {
  area: string
  name: string
  dueOn: string | null
  book: Omit<Book, 'work'> | null
}

/** The day by which a line is to be looked at: that of its due job, else that of its logbook. */
export const dueDay = ({ dueOn, book }: Pick<Glance, 'dueOn' | 'book'>): string | undefined =>
  dueOn ?? book?.next?.on ?? undefined

const text = (a: string, b: string) => a.localeCompare(b)
const byName = (a: Glance, b: Glance) => text(a.area, b.area) || text(a.name, b.name)

/** Lines in an order: by area and name, what is due longest first, or what drifted most first. */
export function ordered<T extends Glance>(lines: readonly T[], order: SiteOrder): T[] {
  const drift = ({ book }: Glance) => Math.abs(book?.drift?.by ?? 0)
  return [...lines].sort((a, b) =>
    order === 'due'
      ? text(dueDay(a) ?? '9999', dueDay(b) ?? '9999') || byName(a, b)
      : order === 'drift'
        ? drift(b) - drift(a) || byName(a, b)
        : byName(a, b),
  )
}

/** How many lines are overdue on a day, and how many are due within the thirty after it. ISO dates. */
export function dueCounts(lines: readonly Glance[], today: string): { overdue: number; soon: number } {
  const until = new Date(Date.parse(today) + 30 * 86_400_000).toISOString().slice(0, 10)
  const days = lines.flatMap((line) => dueDay(line) ?? [])
  return {
    overdue: days.filter((day) => day < today).length,
    soon: days.filter((day) => day >= today && day <= until).length,
  }
}
