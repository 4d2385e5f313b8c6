import { foldDegrees, quarters } from './angles'
import { parseNumber } from './number'
import type { Trouble } from './trouble'

/** How angles are told: by quarters and degrees, degrees, or a clock seen from one end of the train; of a result by its planes. */
export type AngleAs = 'quarters' | 'degrees' | 'clock-left' | 'clock-right' | 'planes'

const clock = /^(\d{1,2})(?::(\d{2}))?(?:\s*o.?clock)?$/

/** Whether an angle is told by the clock and by nothing else: "1:30", "3 o'clock". */
export const isClock = (text: string): boolean => clock.test(text.trim().toLowerCase()) && !/^\d*$/.test(text.trim())

/**
 * An angle as a person types it: degrees ("45", "45°"), a quarter by its name or its side's ("bottom", "wall"), or by the
 * clock ("3", "1:30", "3 o'clock") where `as` says so. Seen from the right-hand end of the train looking left, the far side
 * is at three; from the left-hand end, at nine. Degrees in [0, 360], or what is wrong.
 *
 * @param sides the line's own names for its near and far side
 */
export function readAngle(
  text: string,
  sides: { near: string; far: string },
  as: AngleAs = 'quarters',
): { ok: true; degrees: number } | { ok: false; trouble: Trouble } {
  const tidy = text.trim().toLowerCase()
  const named = quarters.findIndex(
    (quarter) =>
      tidy === quarter ||
      ((quarter === 'near' || quarter === 'far') && tidy !== '' && tidy === sides[quarter].trim().toLowerCase()),
  )
  if (named >= 0) return { ok: true, degrees: 90 * named }
  if (as === 'clock-left' || as === 'clock-right') {
    const found = clock.exec(tidy)
    const [hour, minute] = [Number(found?.[1]), Number(found?.[2] ?? 0)]
    if (!found || hour > 12 || minute > 59) return { ok: false, trouble: { kind: 'no-clock-time', text: text.trim() } }
    const degrees = 30 * hour + minute / 2
    return { ok: true, degrees: foldDegrees(as === 'clock-right' ? degrees : -degrees) }
  }
  const typed = parseNumber(tidy.replace('°', ''))
  if (!typed.ok) return typed
  return { ok: true, degrees: typed.value === 360 ? 360 : foldDegrees(typed.value) }
}
