import { useMemo } from 'react'
import type { Unit } from '../../core/quantity/units'
import { dimension, length, lengthWithUnit, signedLength, slope } from '../../words/terms'
import { useSettings } from '../app/settings'

/** What a lesson told no finer than: a hundredth, unless it says otherwise. mm */
const fine = 0.01

/** Lengths of a lesson's machine as they are told in the unit shown; everything is worked out in mm. */
export const lengthsIn = (unit: 'mm' | 'mil') => {
  const terms = (resolution = fine): { unit: Unit; resolution: number } => ({ unit, resolution })
  return {
    unit,
    /** "0.25 mm", "9.8 mil". */
    told: (mm: number, resolution?: number) => lengthWithUnit(mm, terms(resolution)),
    /** "+0.25 mm". */
    signed: (mm: number, resolution?: number) => `${signedLength(mm, terms(resolution))} ${unit}`,
    /** Without its unit, where a heading says it. */
    bare: (mm: number, resolution?: number) => length(mm, terms(resolution)),
    bareSigned: (mm: number, resolution?: number) => signedLength(mm, terms(resolution)),
    /** Sizes of the machine: "180 mm", "7.09 in". */
    size: (mm: number) => dimension(mm, unit),
    /** Over a hundred millimeters, or over an inch. */
    slope: (rad: number) => slope(rad, unit),
  }
}
export type Lengths = ReturnType<typeof lengthsIn>

export function useLengths(): Lengths {
  const { unit } = useSettings()
  return useMemo(() => lengthsIn(unit), [unit])
}

/** What was typed as it is shown: in the unit shown without it, in another with it. What is kept says its unit where that isn't mm. */
export function typedShown(text: string, unit: 'mm' | 'mil'): string {
  if (unit === 'mm') return text
  const own = ` ${unit}`
  if (text.endsWith(own)) return text.slice(0, -own.length)
  return endsWithNumber(text) ? `${text} mm` : text
}

/** What is kept of what was typed: a bare number is of the unit shown. */
export const typedKept = (text: string, unit: 'mm' | 'mil'): string =>
  unit !== 'mm' && endsWithNumber(text) ? `${text} ${unit}` : text

const endsWithNumber = (text: string): boolean => /[\d.,]\s*$/.test(text)
