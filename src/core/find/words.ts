import { type AnyJob, type AnyLine, kindOf } from '../kinds'
import type { KitItem } from '../kit/schema'

/** Words one after the other, each text once. */
const joined = (texts: readonly (string | undefined)[]): string =>
  [...new Set(texts.map((text) => text?.trim() ?? '').filter(Boolean))].join(' · ')

/** What a line is found by beside its name and area: its machines. */
export const wordsOfLine = (line: AnyLine): string =>
  joined(
    kindOf(line)
      .named(line)
      .machines.map(({ name }) => name),
  )

/** What a job is found by beside its line and title: the machines, its note, what its pictures show. */
export const wordsOfJob = ({ line, note, photographs = [] }: AnyJob): string =>
  joined([wordsOfLine(line), note, ...photographs.map(({ label }) => label)])

/** What a piece of kit is found by beside its name: every short text in it, a serial number or where it is kept. */
export const wordsOfKit = (item: KitItem): string =>
  joined(Object.values(item).filter((value): value is string => typeof value === 'string' && value !== item.name))
