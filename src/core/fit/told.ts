import type { Contradiction } from './contradiction'
import type { WrittenFault } from './slips'

/** A single change that would explain readings which contradict each other, as a result document tells it. */
export interface ResultWritten {
  /** Of the reading in the survey document. */
  path: string
  fault: WrittenFault
  /** What it would have been, in the document's own units; of two that were exchanged, what stands at the other. */
  would: number
  chi2: number
}

interface Warning {
  code: string
  message: string
}

/** What a result document says of contradictions: a warning for each, and every suspect once, best first. */
export function writtenTold(
  found: readonly (Pick<Contradiction<string>, 'squares' | 'free' | 'suspects'> & { of: string })[],
  shown: (path: string, value: number) => number,
  warnings: readonly Warning[],
): { suspects?: ResultWritten[]; warnings: Warning[] } {
  // parts of a line that share a contradiction name it together
  const parts = new Map<readonly unknown[], { of: string[]; one: (typeof found)[number] }>()
  for (const one of found) {
    const part = parts.get(one.suspects) ?? { of: [], one }
    parts.set(one.suspects, part)
    part.of.push(one.of)
  }
  const all = [...parts.values()]
  const suspects = all.flatMap(({ one }) =>
    one.suspects.map(({ at, fault, would, chi2 }) => ({ path: at, fault, would: shown(at, would), chi2 })),
  )
  return {
    ...(suspects.length > 0 ? { suspects } : {}),
    warnings: [
      ...all.map(({ of, one: { squares, free } }) => ({
        code: 'contradict',
        message: `${of.join(', ')}: the readings contradict each other by more than their standard deviations allow (χ² ${squares.toFixed(0)} with ${free} free)`,
      })),
      ...warnings,
    ],
  }
}
