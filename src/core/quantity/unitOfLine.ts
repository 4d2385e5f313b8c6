import type { Unit } from './units'

/** What a person works in: millimeters, or inches and mils. */
export type WorkUnit = 'mm' | 'mil'

const worksIn = (unit: unknown): WorkUnit | undefined =>
  unit === 'mm' || unit === 'um' ? 'mm' : unit === 'in' || unit === 'mil' ? 'mil' : undefined

/**
 * What a line was measured in: the unit of most of its dimensions as they were typed; where none is, that of its empty fields, which is
 * what it was drawn in. Undefined of a line without dimensions.
 */
export function unitOfLine(line: unknown): WorkUnit | undefined {
  const typed = { mm: 0, mil: 0 }
  const empty = { mm: 0, mil: 0 }
  const look = (value: unknown): void => {
    if (typeof value !== 'object' || value === null) return
    const { text, unit } = value as { text?: unknown; unit?: Unit }
    const works = typeof text === 'string' ? worksIn(unit) : undefined
    if (works) (text === '' ? empty : typed)[works]++
    else for (const own of Object.values(value)) look(own)
  }
  look(line)
  const most = ({ mm, mil }: typeof typed) => (mm + mil === 0 ? undefined : mil > mm ? 'mil' : 'mm')
  return most(typed) ?? most(empty)
}
