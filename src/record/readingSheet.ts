import { type AnyJob, type KindName, kindOf } from '../core/kinds'
import { wordsOf } from '../words'
import { cautionTexts } from '../words/cautions'
import { t } from '../words/language'
import { proofTerms } from '../words/prove'
import { saySag } from '../words/readings'
import { recordWords, sheetWords } from '../words/record'
import { jobName, methodNames, purposeNames, unitName } from '../words/terms'
import type { Block, Sheet } from './blocks'
import { sidesOf } from './sides'
import { blanksOf } from './typed'

/** A round as an empty sheet for pencil and paper: every probe of every set with a box for each angle. */
export function readingSheetOf<K extends KindName>(
  { number, document }: { number: number; document: AnyJob<K> },
  roundId: string | undefined,
  { unit, site }: { unit: 'mm' | 'mil'; site?: { name: string; mark: string } },
): Sheet {
  const { line } = document
  const kind = kindOf<K>({ kind: line.kind as K })
  const { probe, angle, boxes } = wordsOf<K>({ kind: line.kind as K }).record
  const round = document.rounds.find(({ id }) => id === roundId) ?? document.rounds.at(-1)
  const solved = round && kind.solve(line, round)
  const told = { line, unit, resolution: 0.01 }
  const states = solved ? kind.states(solved) : []
  return {
    title: `${line.name || t`Line`}: ${sheetWords.sheet.toLowerCase()}`,
    under: [site?.name ?? '', line.area, jobName(number), document.title],
    beside: [t`numbers in ${unitName[unit]}`, ...sidesOf(proofTerms<K>(line, told).line)],
    foot: t`Job ${number}. ${sheetWords.copyItIn}`,
    blocks: [
      {
        kind: 'text',
        text: `${cautionTexts.isolated.title}. ${cautionTexts.tried.title}. ${sheetWords.clear}`,
      },
      {
        kind: 'table',
        title: '',
        head: [sheetWords.takenBy, recordWords.dateAndTime, sheetWords.permit, sheetWords.temperature],
        rows: [
          ['', '', '', ''],
          ['', '', '', ''],
        ],
      },
      ...states.map((state): Block => {
        const { set } = state
        const purpose = purposeNames[set.purpose ?? (set.state === 'engaged' ? 'closed' : 'plan')]
        const sag = saySag(state, told)
        return {
          kind: 'table',
          title: `${probe(state, told)}: ${methodNames[set.method].toLowerCase()}, ${purpose}${sag && `, ${sag}`}, ${unitName[unit]}`,
          head: ['', ...set.angles.map(({ degrees }) => angle(degrees, state, told))],
          rows: [
            [recordWords.asRead, ...set.angles.map(() => ' ')],
            [sheetWords.again, ...set.angles.map(() => ' ')],
          ],
          blank: true,
        }
      }),
      ...(round ? (boxes?.(round, told) ?? []) : []).map(
        ({ title, head, rows }): Block => ({
          kind: 'table',
          title,
          head: ['', ...head],
          rows: rows.map((name) => [name, ...head.map(() => ' ')]),
          blank: true,
        }),
      ),
      ...(states.length > 0 ? [{ kind: 'text', quiet: true, text: sheetWords.check } as const] : []),
      ...(round ? blanksOf<K>(line, round, { line: recordWords.dimensions, round: recordWords.howItWasRead }) : []),
      { kind: 'text', quiet: true, text: recordWords.safety },
    ],
  }
}
