import { provedOf } from '../core/job/proved'
import { type AnyJob, type KindName, kindOf } from '../core/kinds'
import { fromMm } from '../core/quantity/units'
import { wordsOf } from '../words'
import { t } from '../words/language'
import { proofTerms } from '../words/prove'
import { recordWords as words } from '../words/record'
import { unitName } from '../words/terms'
import { readingsOf } from './record'

/** Tables of a job as rows of text, with a heading, for a spreadsheet. Numbers are plain: a point, a minus, no unit. */

const number = (mm: number | undefined, unit: 'mm' | 'mil', decimals: number): string =>
  mm === undefined ? '' : String(Number(fromMm(mm, unit).toFixed(decimals)))

/** Every station in both planes: positive is up, or toward the far side. */
export function stationCells<K extends KindName>(document: AnyJob<K>, unit: 'mm' | 'mil'): string[][] {
  const { proof } = provedOf<K>(document)
  const terms = proofTerms<K>(document.line, { unit, resolution: 0.01 })
  const decimals = unit === 'mil' ? 2 : 4
  const told = (mm: number | undefined) => number(mm, unit, decimals)
  return [
    [words.station, words.direction, words.found, words.moved, words.left, t`expected`, t`off`, t`SD`].map(
      (heading, i) => (i < 2 ? heading : `${heading}, ${unitName[unit]}`),
    ),
    ...proof.places.map((one) => [
      terms.at(one.place),
      terms.plane(one.plane),
      ...[one.found, one.moved, one.left, one.expected, one.off, one.sd].map(told),
    ]),
  ]
}

/** Everything that was read, a reading a row. */
export function readingCells<K extends KindName>(document: AnyJob<K>, unit: 'mm' | 'mil'): string[][] {
  const kind = kindOf<K>({ kind: document.line.kind as K })
  const told = { line: document.line, unit, resolution: 0.001 }
  return [
    [
      t`round`,
      t`taken at`,
      t`by`,
      t`probe`,
      t`angle`,
      `${words.asRead}, ${unitName[unit]}`,
      `${words.corrected}, ${unitName[unit]}`,
    ],
    ...document.rounds.flatMap((round, i) => {
      const solved = kind.solve(document.line, round)
      const head = [String(i + 1), round.takenAt, round.by]
      // what is read by no probe has a name of its own, and nothing is taken off it
      const own = wordsOf<K>({ kind: document.line.kind as K }).record.readings?.(solved, told) ?? []
      return [
        ...readingsOf<K>(document, solved, told).flatMap(({ title, at, raw, corrected }) =>
          at.map((angle, a) => [...head, title, angle, plain(raw[a]), plain(corrected[a])]),
        ),
        ...own.flatMap(({ title, rows }) => rows.map(([name, value]) => [...head, title, name, plain(value), ''])),
      ]
    }),
  ]
}

/** A number as a spreadsheet reads it. */
const plain = (told = ''): string => told.replace('−', '-').replace('+', '')
