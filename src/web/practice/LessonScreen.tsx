import { memo, useMemo } from 'react'
import { useParams } from 'react-router'
import styled from 'styled-components'
import { type LessonName, lessonNames, quarters } from '../../core/practice/dialLessons'
import { handsOf, knownStep } from '../../core/practice/dialRig'
import { type Act, benchOf } from '../../core/practice/lesson'
import type { OwnLesson } from '../../core/practice/own'
import { formatNumber } from '../../core/quantity/number'
import { handsText, practiceWords as words } from '../../words/practice'
import { capital } from '../../words/terms'
import { NotHere } from '../app/Plain'
import { Care } from '../parts/Care'
import { Button, Muted } from '../parts/controls'
import { atMachines, inOrder } from './atMachines'
import { DialFace } from './DialFace'
import { Hub } from './Hub'
import { LessonAnswers, wordsFor } from './LessonAnswers'
import { LessonFrame } from './LessonFrame'
import { useOwnLessons } from './ownLessons'
import { Row } from './page'
import { useAttempt } from './useAttempt'

const Two = styled.div`display: grid; grid-template-columns: repeat(auto-fit, minmax(220px, 1fr)); gap: 20px; justify-items: center;`
type Acting = (act: Act) => void

/** Buttons that stand still while the shaft is turned. */
const Quarters = memo(({ at: now, act }: { at: number | undefined; act: Acting }) => (
  <Row>
    {quarters.map((at) => (
      <Button key={at} onPress={() => act({ do: 'turn', to: at })} aria-pressed={now === at}>
        {capital(words.quarterNames[`${at}`])}
      </Button>
    ))}
  </Row>
))
const AsFarAsItGoes = memo(({ near, far, act }: { near: number; far: number; act: Acting }) => (
  <>
    <Row>
      <Button onPress={() => act({ do: 'turn', to: -near })}>{words.nearStop}</Button>
      <Button onPress={() => act({ do: 'turn', to: 0 })}>{capital(words.quarterNames['0'])}</Button>
      <Button onPress={() => act({ do: 'turn', to: far })}>{words.farStop}</Button>
    </Row>
    <Muted>{words.goesTo(String(near), String(far))}</Muted>
  </>
))
const Doubted = memo(({ tight, hub, act }: { tight: boolean; hub: number; act: Acting }) => (
  <Row>
    <Button onPress={() => act({ do: 'tap' })}>{words.tap}</Button>
    <Button onPress={() => act({ do: 'tighten-tip' })}>{words.tightenTip}</Button>
    <Button onPress={() => act({ do: 'turn-hub' })}>{words.turnHub}</Button>
    <Muted role="status">
      {tight ? `${words.tipIsTight} ` : ''}
      {words.hubAt(String(hub))}
    </Muted>
  </Row>
))
const Block = memo(({ lies, act }: { lies: boolean; act: Acting }) => {
  const mm = formatNumber(knownStep, 2)
  return (
    <Row>
      <Button onPress={() => act({ do: 'step', in: !lies })}>{lies ? words.blockOut : words.blockIn(mm)}</Button>
      <span role="status">{lies ? words.blockLies(mm) : words.noBlock}</span>
    </Row>
  )
})
const Pushes = memo(({ act }: { act: Acting }) => (
  <Row role="group" aria-label={words.push}>
    <Button onPress={() => act({ do: 'push', by: -1 })}>{words.pullOut('1')}</Button>
    <Button onPress={() => act({ do: 'push', by: 0.2 })}>{words.pushIn('0.2')}</Button>
    <Button onPress={() => act({ do: 'push', by: 1 })}>{words.pushIn('1')}</Button>
    <Button onPress={() => act({ do: 'zero' })}>{words.zero}</Button>
  </Row>
))
const Turn = styled.label`display: grid; gap: 4px; input { width: 100%; min-height: 44px; accent-color: var(--kelp); }`

/** One lesson: the dial and the shaft to be handled, what is asked, and the truth laid over the answer. */
export function LessonScreen() {
  const { lesson = '' } = useParams()
  const own = useOwnLessons()
  const Screen = atMachines.find(({ id }) => id === lesson)?.Screen
  if (Screen) return <Screen {...inOrder(lesson)} />
  const which = lessonNames.find((one) => one === lesson) ?? own.find(({ id }) => `own-${id}` === lesson)
  return which ? <Lesson key={lesson} which={which} /> : <NotHere />
}

function Lesson({ which }: { which: LessonName | OwnLesson }) {
  const kept = useAttempt(which)
  const { state: attempt, act } = kept
  const said = useMemo(() => wordsFor(which), [which])
  const name = typeof which === 'string' ? which : undefined
  const { hands, seed } = attempt
  const bench = benchOf(attempt)
  const shown = handsOf(bench, hands)
  const { gauge } = bench
  // from where one stands its face on the far side is seen in the mirror alone
  const mirrored = hands.turned > 60 && hands.turned < 120
  const turn = (to: number) => act({ do: 'turn', to })
  return (
    <LessonFrame
      order={inOrder(name ?? '')}
      words={said}
      rig={words.rig}
      beside={words.turnsOf(formatNumber(gauge.turn, 0), formatNumber(gauge.travel, 0), '0.01')}
      kept={kept}
      answers={
        <LessonAnswers
          which={which}
          seed={seed}
          answers={attempt.answers}
          hints={attempt.hints}
          checked={attempt.checked ? attempt : undefined}
          act={act}
        />
      }
    >
      <Two>
        <DialFace
          needle={shown.plunger / gauge.turn - hands.zero / gauge.turn}
          turns={shown.turns}
          whole={Math.round(gauge.travel / gauge.turn)}
          label={handsText(shown.needle, shown.turns, hands.turned)}
          mirrored={mirrored}
        />
        <Hub turned={hands.turned} onTurn={turn} stops={bench.stops} />
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
      {bench.stops ? (
        <AsFarAsItGoes near={bench.stops.near} far={bench.stops.far} act={act} />
      ) : (
        <Quarters at={quarters.find((at) => at === hands.turned)} act={act} />
      )}
      <Pushes act={act} />
      <Muted>
        {mirrored ? words.mirror : words.plungerIn}
        {bench.lever ? ` ${words.leverIs(formatNumber(bench.lever.made, 0), formatNumber(bench.lever.used, 0))}` : ''}
      </Muted>
      {bench.lies ? <Doubted tight={Boolean(hands.tipTight)} hub={hands.hub ?? 0} act={act} /> : null}
      {bench.lever ? <Block lies={Boolean(hands.step)} act={act} /> : null}
      {name === 'engaged' ? (
        <Row>
          <Button onPress={() => act({ do: 'couple', bolted: !hands.engaged })}>
            {hands.engaged ? words.unbolt : words.bolt}
          </Button>
          <span role="status">{hands.engaged ? words.bolted : words.unbolted}</span>
        </Row>
      ) : null}
      <Care of={bench.lever ? 'lever' : 'plunger'} />
      <p role="status" style={{ position: 'absolute', width: 1, height: 1, overflow: 'hidden' }}>
        {handsText(shown.needle, shown.turns, hands.turned)}
      </p>
    </LessonFrame>
  )
}
