import type { WrittenFault, WrittenSuspect } from '../core/fit/slips'
import { labels, t } from './language'
import type { Message } from './said'

/** What a slip is tried, applied and left with, on the page of every kind of line. */
export const trialWords = labels({
  goToTheReading: 'Go to the reading',
  tryCorrection: (i: string | number) => t`Try correction ${i}`,
  tryThisCorrection: 'Try this correction',
  keepAsTyped: 'Keep as typed',
  apply: 'Apply',
})

/** How a kind of line names a number that was written down, and tells its value. */
export interface WrittenNames {
  /** Inside a sentence: "motor sheave, bottom". */
  name: (at: string) => string
  /** With its sign and its unit. */
  value: (at: string, value: number) => string
}

const whys: Readonly<Record<WrittenFault, string>> = labels({
  sign: 'sign reversed',
  swap: 'two readings swapped',
  turn: 'one turn of the dial missed',
  decimal: 'decimal point misplaced',
  unit: 'mil and mm mixed up',
  'other-way': 'read in the opposite direction',
})

/** "the bottom of the motor sheave were −0.11 mm (sign reversed)". */
function sayIf({ at, fault, would, other }: WrittenSuspect<string>, { name, value }: WrittenNames): string {
  if (fault === 'other-way' && other !== undefined)
    return t`the readings from ${name(at)} to ${name(other)} were taken in the opposite direction`
  return fault === 'swap' && other !== undefined
    ? t`${name(at)} and ${name(other)} were swapped`
    : t`${name(at)} were ${value(at, would)} (${whys[fault]})`
}

/** Readings that contradict each other, and which of them would explain it. */
export function sayContradiction(suspects: readonly WrittenSuspect<string>[], names: WrittenNames): Message {
  const [first, ...others] = suspects
  const title = first
    ? t`Not sure: the readings contradict each other. Check ${names.name(first.at)} first.`
    : t`Not sure: the readings contradict each other.`
  return {
    title,
    detail: first
      ? t`They would agree if ${sayIf(first, names)}. Read it again before you move anything.`
      : t`No single slip explains it. Check for something loose, then read again before you move anything.`,
    ...(others.length > 0 ? { working: others.slice(0, 3).map((one) => t`Or if ${sayIf(one, names)}.`) } : {}),
  }
}

/** What is shown while a slip is tried. */
export const sayTrial = (suspect: WrittenSuspect<string>, names: WrittenNames, then: string): Message => ({
  title: t`As if ${sayIf(suspect, names)}.`,
  detail: [t`Nothing is changed yet.`, then, t`Better still, read it again.`].filter(Boolean).join(' '),
})
