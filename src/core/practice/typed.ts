import { parseNumber } from '../quantity/number'
import { toMm } from '../quantity/units'

/** What was typed in a lesson, mm: its rigs are metric, and “20 mil” is what it says. Undefined where it is no number. */
export function typedMm(text: string): number | undefined {
  const typed = parseNumber(text)
  return typed.ok ? toMm(typed.value, typed.unit ?? 'mm') : undefined
}
