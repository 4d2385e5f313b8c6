import { memo, useMemo } from 'react'
import styled from 'styled-components'
import type { Ask } from '../../core/practice/asks'
import { type LessonName, quarters, sheetOf, shownOnMachine } from '../../core/practice/dialLessons'
import { dialFaults } from '../../core/practice/dialRig'
import { judge } from '../../core/practice/judged'
import { type Act, type Attempt, asksOf, benchOf } from '../../core/practice/lesson'
import type { OwnLesson } from '../../core/practice/own'
import { formatNumber, formatSigned } from '../../core/quantity/number'
import { lessonWords, saySlip, practiceWords as words } from '../../words/practice'
import { capital } from '../../words/terms'
import { mono } from '../app/style'
import { Field, NumberInput, Select } from '../parts/controls'
import { Peg } from '../parts/Peg'
import { Asking } from './LessonFrame'

const Answer = styled.div`display: grid; grid-template-columns: 20px minmax(0, 1fr); gap: 4px 10px; align-items: start; p { grid-column: 2; color: var(--muted); font-size: 14px; } b { ${mono} } > svg { margin-top: 30px; }`
const Sheet = styled.table`border-collapse: collapse; ${mono} th, td { padding: 6px 16px 6px 0; text-align: right; } th { text-align: left; font-weight: 500; color: var(--muted); }`

/** What is said in a lesson, ours or one that a site wrote. */
export const wordsFor = (which: LessonName | OwnLesson) =>
  typeof which === 'string'
    ? lessonWords[which]
    : { ...which, asks: Object.fromEntries(which.asks.map(({ id, label }) => [id, label])) as Record<string, string> }

/** What is asked at the dial, and the truth beside it once it was checked. It stands still while the shaft is turned. */
export const LessonAnswers = memo(function LessonAnswers(props: {
  which: LessonName | OwnLesson
  seed: number
  answers: Attempt['answers']
  hints: number
  /** The whole of it, once it was checked. */
  checked: Attempt | undefined
  act: (act: Act) => void
}) {
  const { which, seed, answers, hints, checked, act } = props
  const said = useMemo(() => wordsFor(which), [which])
  const judged = useMemo(() => checked && judge(checked), [checked])
  return (
    <>
      {which === 'closure' ? (
        <section aria-label={words.sheet}>
          <h2>{words.sheet}</h2>
          <Sheet>
            <tbody>
              {Object.entries(sheetOf(benchOf({ lesson: which, seed }), seed).written).map(([at, mm]) => (
                <tr key={at}>
                  <th scope="row">{capital(words.quarterNames[at as '0'])}</th>
                  <td>{formatSigned(mm, 2)} mm</td>
                </tr>
              ))}
            </tbody>
          </Sheet>
        </section>
      ) : null}
      {which === 'sag-bench' ? <p>{words.onMachine(formatSigned(shownOnMachine(seed), 2))}</p> : null}
      <h2>{words.yours}</h2>
      {asksOf(which).map((ask, i) => {
        const one = judged?.answers[i]
        return (
          <Answer key={ask.id}>
            <Peg peg={!one ? 'nothing' : one.right ? 'within' : 'outside'} label="" />
            <AskField
              label={said.asks[ask.id] ?? ''}
              ask={ask}
              text={answers[ask.id] ?? ''}
              onAnswer={(text) => act({ do: 'answer', ask: ask.id, text })}
            />
            {one && !one.right ? (
              <p role="status">
                {saySlip(one)?.title} {saySlip(one)?.detail}
              </p>
            ) : null}
            {one?.right && (ask.answer === 'number' || ask.answer === 'factor') ? (
              <p>
                {words.truth}{' '}
                <b>{ask.answer === 'factor' ? formatNumber(one.truth, 3) : `${formatSigned(one.truth, 3)} mm`}</b>
              </p>
            ) : null}
          </Answer>
        )
      })}
      <Asking check={words.check} hints={said.hints} taken={hints} act={act} outcome={judged} />
    </>
  )
})

function AskField(props: { label: string; ask: Ask; text: string; onAnswer: (text: string) => void }) {
  return (
    <Field label={props.label}>
      {props.ask.answer === 'quarter' ? (
        <Select
          value={props.text}
          options={[
            { value: '', text: words.none },
            ...quarters.slice(1).map((at) => ({ value: String(at), text: words.quarterNames[`${at}`] })),
          ]}
          onPick={props.onAnswer}
        />
      ) : props.ask.answer === 'fault' ? (
        <Select
          value={props.text}
          options={[
            { value: '', text: words.none },
            ...dialFaults.map((fault, i) => ({ value: String(i), text: words.faultNames[fault] })),
          ]}
          onPick={props.onAnswer}
        />
      ) : (
        <NumberInput
          inputMode="text"
          maxLength={12}
          autoComplete="off"
          value={props.text}
          onChange={({ target }) => props.onAnswer(target.value)}
        />
      )}
    </Field>
  )
}
