import { useState } from 'react'
import styled from 'styled-components'
import {
  beginEasing,
  type Easing,
  type EasingAct,
  easingLessonReducer,
  judgeEasing,
  makeSection,
  type RollNumber,
  rollMoveTyped,
  rollNow,
  rollNumbers,
  spansOf,
  spanTolerance,
} from '../../core/practice/stuck'
import { formatNumber } from '../../core/quantity/number'
import { sayEasingSlip, easingWords as words } from '../../words/easing'
import { mono } from '../app/style'
import { Button, Choices, Muted } from '../parts/controls'
import { Asking, type InOrder, LessonFrame } from './LessonFrame'
import { useLengths } from './lengths'
import { Row } from './page'
import { SectionDrawing } from './SectionDrawing'
import { TypedMove } from './TypedMove'
import { useKept } from './useKept'
import { WhatIsLeft } from './WhatIsLeft'

const Strip = styled.dl`margin: 0; display: grid; grid-template-columns: repeat(auto-fit, minmax(88px, 1fr)); gap: 8px; div { display: grid; gap: 2px; padding: 6px 8px; border: 1px solid var(--rule); border-radius: 4px; } dt { color: var(--muted); font-size: 14px; } dd { margin: 0; ${mono} font-size: 16px; }`

const game = {
  begin: beginEasing,
  acted: easingLessonReducer,
  same: (kept: Partial<Easing>) => kept.lesson === 'stuck-roll',
}

/** The lesson of the stuck roll: rolls to be set so that the web forgives what one of them can't give up. */
export function EasingScreen(order: InOrder) {
  const kept = useKept<Easing, EasingAct>('vane-peg-practice:stuck-roll', game)
  const { state, act } = kept
  const [chosen, choose] = useState<RollNumber>(3)
  const { hands, seed } = state
  const section = makeSection(seed)
  const { told, signed, bareSigned, unit } = useLengths()
  const number = String(chosen)
  const loose = hands.loose.includes(chosen)
  const what = (roll: RollNumber) =>
    roll === section.stuck ? words.seized : roll === 1 || roll === 7 ? words.driven : ''
  return (
    <LessonFrame
      order={order}
      words={words}
      rig={words.section}
      within={words.within(told(spanTolerance))}
      kept={kept}
      answers={<Answers state={state} act={act} />}
    >
      <SectionDrawing {...{ section, hands, chosen, choose }} />
      <Muted>{words.rolls(unit)}</Muted>
      <Strip>
        {rollNumbers.map((roll) => (
          <div key={roll}>
            <dt>
              {words.rollN(String(roll))} {what(roll)}
            </dt>
            <dd>{bareSigned(rollNow(section, hands, roll))}</dd>
          </div>
        ))}
      </Strip>
      <Muted>{words.spans(unit)}</Muted>
      <Strip>
        {spansOf(section, hands).map(({ from, to, mm }) => (
          <div key={to}>
            <dt>{words.spanName(String(from), String(to))}</dt>
            <dd>{bareSigned(mm)}</dd>
          </div>
        ))}
      </Strip>
      <Choices
        label={words.roll}
        value={number}
        options={rollNumbers.map((roll) => ({ value: String(roll), text: words.rollN(String(roll)) }))}
        onChange={(value) => choose(Number(value) as RollNumber)}
      />
      <Row>
        <Button onPress={() => act({ do: loose ? 'tighten' : 'loosen', roll: chosen })}>
          {(loose ? words.tighten : words.loosen)(number)}
        </Button>
        <Muted>{loose ? words.isLoose : words.isTight}</Muted>
      </Row>
      <TypedMove
        label={words.move(unit)}
        text={state.typed}
        onType={(text) => act({ do: 'type', text })}
        can={rollMoveTyped(state.typed) !== undefined}
        onDo={() => act({ do: 'move', roll: chosen })}
        note={words.soFar(signed(hands.moved[chosen]))}
      />
      <Muted>{words.signs}</Muted>
    </LessonFrame>
  )
}

function Answers({ state, act }: { state: Easing; act: (one: EasingAct) => void }) {
  const { spans, moved, slips, passed } = judgeEasing(state)
  const { signed, unit } = useLengths()
  return (
    <>
      <p>{words.moved(formatNumber(moved, 0))}</p>
      <Asking
        check={words.check}
        hints={words.hints}
        taken={state.hints}
        act={act}
        outcome={state.checked ? { passed, slips: slips.map(sayEasingSlip) } : undefined}
      >
        <WhatIsLeft
          label={words.spans(unit)}
          rows={spans.map(({ from, to, mm }) => ({
            name: words.spanName(String(from), String(to)),
            told: signed(mm),
            out: Math.abs(mm) > spanTolerance + 1e-9,
          }))}
        />
        {passed ? (
          <p>
            {words.truth} {words.others}
          </p>
        ) : null}
      </Asking>
    </>
  )
}
