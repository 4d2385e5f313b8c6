import { useState } from 'react'
import type { WrittenSuspect } from '../../../core/fit/slips'
import { sayTrial, trialWords, type WrittenNames } from '../../../words/contradiction'
import type { Act, FindingItem } from '../../say/FindingsPanel'

/** What a kind of line brings to the trial of a slip. */
interface Tried<R> {
  names: WrittenNames
  /** The round as it would have been written. */
  asIf: (round: R, suspect: WrittenSuspect<string>) => R
  /** What would then be said of it: its verdict in a sentence. */
  outcome: (round: R) => string
  round: R
  edit: (change: (round: R) => R) => void
  focus: (at: string) => void
  frozen: boolean
}

/** Slips that would explain a contradiction, each to be tried, applied by the person or left. */
export function useTrial<R>({ names, asIf, outcome, round, edit, focus, frozen }: Tried<R>): {
  actsFor: (suspects: readonly WrittenSuspect<string>[]) => Act[]
  items: FindingItem[]
} {
  const [suspect, setSuspect] = useState<WrittenSuspect<string>>()
  const actsFor = (suspects: readonly WrittenSuspect<string>[]): Act[] => {
    const [first] = suspects
    if (!first || frozen) return []
    return [
      { text: trialWords.goToTheReading, main: true, run: () => focus(first.at) },
      ...suspects.slice(0, 3).map((one, i) => ({
        text: suspects.length > 1 ? trialWords.tryCorrection(i + 1) : trialWords.tryThisCorrection,
        run: () => setSuspect(one),
      })),
    ]
  }
  if (!suspect) return { actsFor, items: [] }
  return {
    actsFor,
    items: [
      {
        key: 'as-if',
        peg: 'unsure',
        said: sayTrial(suspect, names, outcome(asIf(round, suspect))),
        acts: [
          {
            text: trialWords.apply,
            main: true,
            run: () => {
              edit((one) => asIf(one, suspect))
              setSuspect(undefined)
            },
          },
          { text: trialWords.keepAsTyped, run: () => setSuspect(undefined) },
        ],
      },
    ],
  }
}
