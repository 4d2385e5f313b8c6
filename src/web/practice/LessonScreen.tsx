import { useParams } from 'react-router'
import styled from 'styled-components'
import { formatNumber, formatSigned } from '../../core/frame/number'
import type { Ask } from '../../core/practice/asks'
import { handsOf } from '../../core/practice/bench'
import {
  benchOf,
  judge,
  type LessonName,
  lessonNames,
  quarters,
  sheetOf,
  shownOnMachine,
} from '../../core/practice/lesson'
import type { OwnLesson } from '../../core/practice/own'
import { handsText, lessonWords, saySlip, practiceWords as words } from '../../words/practice'
import { capital } from '../../words/terms'
import { NotHere } from '../app/Plain'
import { mono } from '../app/style'
import { ButtonLink } from '../parts/ButtonLink'
import { Button, Field, Muted, NumberInput, Select } from '../parts/controls'
import { Peg } from '../parts/Peg'
import { atMachines } from './atMachines'
import { DialFace } from './DialFace'
import { Hub } from './Hub'
import { Asking, LessonFrame, Outcome } from './LessonFrame'
import { useOwnLessons } from './ownLessons'
import { Row } from './page'
import { useAttempt } from './useAttempt'

const Two = styled.div`display: grid; grid-template-columns: repeat(auto-fit, minmax(220px, 1fr)); gap: 20px; justify-items: center;`
const Turn = styled.label`display: grid; gap: 4px; input { width: 100%; min-height: 44px; accent-color: var(--kelp); }`
const Answer = styled.div`display: grid; grid-template-columns: 20px minmax(0, 1fr); gap: 4px 10px; align-items: start; p { grid-column: 2; color: var(--muted); font-size: 14px; } b { ${mono} } > svg { margin-top: 30px; }`
const Sheet = styled.table`border-collapse: collapse; ${mono} th, td { padding: 6px 16px 6px 0; text-align: right; } th { text-align: left; font-weight: 500; color: var(--muted); }`

/** One lesson: the dial and the shaft to be handled, what is asked, and the truth laid over the answer. */
export function LessonScreen() {
  const { lesson = '' } = useParams()
  const own = useOwnLessons()
  const machine = atMachines.findIndex(({ id }) => id === lesson)
  const Screen = atMachines[machine]?.Screen
  if (Screen) return <Screen place={lessonNames.length + machine + 1} />
  const which = lessonNames.find((one) => one === lesson) ?? own.find(({ id }) => `own-${id}` === lesson)
  return which ? <Lesson key={lesson} which={which} /> : <NotHere />
}

/** What is said in a lesson, ours or one that a site wrote. */
const wordsFor = (which: LessonName | OwnLesson) =>
  typeof which === 'string'
    ? lessonWords[which]
    : { ...which, asks: Object.fromEntries(which.asks.map(({ id, label }) => [id, label])) as Record<string, string> }

function Lesson({ which }: { which: LessonName | OwnLesson }) {
  const { attempt, act, again, another } = useAttempt(which)
  const said = wordsFor(which)
  const name = typeof which === 'string' ? which : undefined
  const place = name === undefined ? undefined : lessonNames.indexOf(name)
  const { hands, seed } = attempt
  const bench = benchOf(attempt)
  const shown = handsOf(bench, hands)
  const { gauge } = bench
  const judged = judge(attempt)
  const turn = (to: number) => act({ do: 'turn', to })
  const next = place === undefined ? undefined : (lessonNames[place + 1] ?? atMachines[0]?.id)
  return (
    <LessonFrame
      place={place === undefined ? undefined : place + 1}
      name={said.name}
      goal={said.goal}
      rig={words.rig}
      beside={words.turnsOf(formatNumber(gauge.turn, 0), formatNumber(gauge.travel, 0), '0.01')}
      state={attempt}
      hints={said.hints}
      lock={() => act({ do: 'lock' })}
      again={again}
      another={another}
      answers={
        <>
          {name === 'closure' ? (
            <section aria-label={words.sheet}>
              <h2>{words.sheet}</h2>
              <Sheet>
                <tbody>
                  {Object.entries(sheetOf(bench, seed).written).map(([at, mm]) => (
                    <tr key={at}>
                      <th scope="row">{capital(words.quarterNames[at as '0'])}</th>
                      <td>{formatSigned(mm, 2)} mm</td>
                    </tr>
                  ))}
                </tbody>
              </Sheet>
            </section>
          ) : null}
          {name === 'sag-bench' ? <p>{words.onMachine(formatSigned(shownOnMachine(seed), 2))}</p> : null}
          <h2>{words.yours}</h2>
          {judged.answers.map((one) => (
            <Answer key={one.ask.id}>
              <Peg peg={!attempt.checked ? 'nothing' : one.right ? 'within' : 'outside'} label="" />
              <AskField
                label={said.asks[one.ask.id] ?? ''}
                ask={one.ask}
                text={attempt.answers[one.ask.id] ?? ''}
                onAnswer={(text) => act({ do: 'answer', ask: one.ask.id, text })}
              />
              {attempt.checked && !one.right ? (
                <p role="status">
                  {saySlip(one)?.title} {saySlip(one)?.detail}
                </p>
              ) : null}
              {attempt.checked && one.right && one.ask.answer === 'number' ? (
                <p>
                  {words.truth} <b>{formatSigned(one.truth, 3)} mm</b>
                </p>
              ) : null}
            </Answer>
          ))}
          <Asking
            check={words.check}
            hints={said.hints}
            taken={attempt.hints}
            onCheck={() => act({ do: 'check' })}
            onHint={() => act({ do: 'hint' })}
          />
          {attempt.checked ? <Outcome passed={judged.passed} /> : null}
        </>
      }
      onward={
        <>
          <ButtonLink to="/practice">{words.toAll}</ButtonLink>
          {next ? <ButtonLink to={`/practice/${next}`}>{words.next}</ButtonLink> : null}
        </>
      }
    >
      <Two>
        <DialFace
          needle={shown.plunger / gauge.turn - hands.zero / gauge.turn}
          turns={shown.turns}
          whole={Math.round(gauge.travel / gauge.turn)}
          label={handsText(shown.needle, shown.turns, hands.turned)}
        />
        <Hub turned={hands.turned} onTurn={turn} />
      </Two>
      <Turn>
        <span>
          {words.turnTo} <b>{words.degrees(Math.round(hands.turned))}</b>
        </span>
        <input
          type="range"
          min={0}
          max={359}
          value={Math.round(hands.turned)}
          aria-valuetext={handsText(shown.needle, shown.turns, hands.turned)}
          onChange={({ target }) => turn(Number(target.value))}
        />
      </Turn>
      <Row>
        {quarters.map((at) => (
          <Button key={at} onPress={() => turn(at)} aria-pressed={hands.turned === at}>
            {capital(words.quarterNames[`${at}`])}
          </Button>
        ))}
      </Row>
      <Row role="group" aria-label={words.push}>
        <Button onPress={() => act({ do: 'push', by: -1 })}>{words.pullOut('1')}</Button>
        <Button onPress={() => act({ do: 'push', by: 0.2 })}>{words.pushIn('0.2')}</Button>
        <Button onPress={() => act({ do: 'push', by: 1 })}>{words.pushIn('1')}</Button>
        <Button onPress={() => act({ do: 'zero' })}>{words.zero}</Button>
      </Row>
      <Muted>{words.plungerIn}</Muted>
      {name === 'engaged' ? (
        <Row>
          <Button onPress={() => act({ do: 'couple', bolted: !hands.engaged })}>
            {hands.engaged ? words.unbolt : words.bolt}
          </Button>
          <span role="status">{hands.engaged ? words.bolted : words.unbolted}</span>
        </Row>
      ) : null}
      <p role="status" style={{ position: 'absolute', width: 1, height: 1, overflow: 'hidden' }}>
        {handsText(shown.needle, shown.turns, hands.turned)}
      </p>
    </LessonFrame>
  )
}

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
