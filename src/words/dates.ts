/** How dates and times are written, on the page and in print: day, month, year in words of the language, in local time. */
const language = 'en-US'

/** @throws RangeError for an invalid date */
const written = (options: Intl.DateTimeFormatOptions) => {
  const writer = new Intl.DateTimeFormat(language, options)
  return (at: Date | string | number): string => {
    const parts = writer.formatToParts(typeof at === 'string' ? new Date(at) : at)
    const joined = (types: readonly Intl.DateTimeFormatPartTypes[], between: string) =>
      types.flatMap((type) => parts.find((part) => part.type === type)?.value ?? []).join(between)
    const [day, time] = [joined(['day', 'month', 'year'], ' '), joined(['hour', 'minute', 'second'], ':')]
    return [day, time].filter(Boolean).join(', ')
  }
}

const short = { day: 'numeric', month: 'short' } as const
const minutes = { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' } as const

/** 14:05 */
export const sayTime = written(minutes)
/** 5 Mar */
export const sayDay = written(short)
/** 5 Mar, 14:05 */
export const sayDayTime = written({ ...short, ...minutes })
/** 5 Mar 2026 */
export const sayDate = written({ ...short, year: 'numeric' })
/** 5 Mar 2026, 14:05 */
export const sayDateTime = written({ ...short, year: 'numeric', ...minutes })
/** 5 Mar 2026, 14:05:09 */
export const sayMoment = written({ ...short, year: 'numeric', ...minutes, second: '2-digit' })
/** 5 March 2026 */
export const sayLongDate = written({ day: 'numeric', month: 'long', year: 'numeric' })

/** A day as YYYY-MM-DD where the clock of this place begins it; without a time it would be read as that of Greenwich. */
export const dayOf = (day: string): Date => new Date(`${day.slice(0, 10)}T00:00`)

/** A day as stored, YYYY-MM-DD, in words: 5 Mar 2026. Anything else stays as it was typed. */
export const sayStoredDay = (day: string): string => {
  const at = /^\d{4}-\d\d-\d\d$/.test(day) ? dayOf(day) : undefined
  return at && !Number.isNaN(at.getTime()) ? sayDate(at) : day
}

/** Seconds of a unit, the longest first. */
const spans = [
  ['year', 365 * 86400],
  ['month', 30 * 86400],
  ['day', 86400],
  ['hour', 3600],
  ['minute', 60],
  ['second', 1],
] as const

const relative = new Intl.RelativeTimeFormat(language, { style: 'narrow' })

/** 3d ago: how long before `now` something was, in the longest unit of which it is at least one. */
export function sayAgo(at: Date | string, now: number = Date.now()): string {
  const seconds = (new Date(at).getTime() - now) / 1000
  const [unit, length] = spans.find(([, each]) => Math.abs(seconds) >= each) ?? (['second', 1] as const)
  return relative.format(Math.round(seconds / length), unit)
}
