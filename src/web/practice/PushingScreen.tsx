import { useState } from 'react'
import styled from 'styled-components'
import {
  beginPushing,
  judgePushing,
  missTolerance,
  type Pushing,
  type PushingAct,
  pushed,
} from '../../core/practice/pushing'
import { makeSlide, type SlideEnd, slideEnds, slideShows } from '../../core/practice/slide'
import { formatNumber } from '../../core/quantity/number'
import { sayPushingSlip, slideEndNames, slideSideNames, pushingWords as words } from '../../words/pushing'
import { mono } from '../app/style'
import { Button, Choices, Muted } from '../parts/controls'
import { JackRows, tooFar } from './JackRows'
import { LengthDial } from './LengthDial'
import { Asking, type InOrder, LessonFrame } from './LessonFrame'
import { type Lengths, useLengths } from './lengths'
import { Row } from './page'
import { SlideDrawing } from './SlideDrawing'
import { useKept } from './useKept'
import { WhatIsLeft } from './WhatIsLeft'

const Dials = styled.div`display: grid; grid-template-columns: minmax(0, 1.8fr) minmax(130px, 1fr) minmax(130px, 1fr); gap: 16px; align-items: start; p { text-align: center; } @media (max-width: 899px) { grid-template-columns: 1fr 1fr; > svg { grid-column: 1 / -1; } }`
const Plan = styled.p`display: flex; flex-wrap: wrap; gap: 4px 22px; b { ${mono} }`

const game = { begin: beginPushing, acted: pushed, same: (kept: Partial<Pushing>) => kept.lesson === 'side-moves' }

/** A place across, in words: how far and toward which side. */
const toward = (mm: number, { told }: Lengths): string =>
  words.toward(told(Math.abs(mm)), slideSideNames[mm < 0 ? 'near' : 'far'])

/** The lesson of the side moves: bolts, jack bolts and dials to be handled, the plan beside them, the truth laid over it. */
export function PushingScreen(order: InOrder) {
  const kept = useKept<Pushing, PushingAct>('vane-peg-practice:side-moves', game)
  const { state, act } = kept
  const [chosen, choose] = useState<SlideEnd>('front')
  const { hands, seed } = state
  const lengths = useLengths()
  const { wanted } = makeSlide(seed)
  const loose = hands.loose.includes(chosen)
  const said = (end: SlideEnd): string => {
    const [dial, shown] = [hands.dials[end], slideShows(hands, end)]
    return dial && shown !== undefined
      ? words.dialOn(slideEndNames[end], slideSideNames[dial.side], lengths.signed(shown))
      : words.noDial(slideEndNames[end])
  }
  return (
    <LessonFrame
      order={order}
      words={words}
      rig={words.machine}
      within={words.within(lengths.told(missTolerance))}
      kept={kept}
      answers={<Answers state={state} act={act} />}
    >
      <Plan aria-label={words.plan}>
        {slideEnds.map((end) => (
          <span key={end}>
            {slideEndNames[end]}: <b>{toward(wanted[end], lengths)}</b>
          </span>
        ))}
      </Plan>
      <Dials>
        <SlideDrawing {...{ hands, chosen, choose }} />
        {slideEnds.map((end) => {
          const shown = slideShows(hands, end)
          return (
            <div key={end}>
              <LengthDial mm={shown ?? 0} label={said(end)} lengths={lengths} />
              <p role="status">{said(end)}</p>
            </div>
          )
        })}
      </Dials>
      <Choices
        label={words.end}
        value={chosen}
        options={slideEnds.map((end) => ({ value: end, text: slideEndNames[end] }))}
        onChange={choose}
      />
      <Row role="group" aria-label={slideEndNames[chosen]}>
        <Button onPress={() => act({ do: 'dial', end: chosen, side: 'near' })}>{words.dialNear}</Button>
        <Button onPress={() => act({ do: 'dial', end: chosen, side: 'far' })}>{words.dialFar}</Button>
        <Button onPress={() => act({ do: loose ? 'tighten' : 'loosen', end: chosen })}>
          {loose ? words.tighten : words.loosen}
        </Button>
        <Muted>{loose ? words.areLoose : words.areTight}</Muted>
      </Row>
      <Muted>{words.plungerIn}</Muted>
      <JackRows hands={hands} end={chosen} act={act} />
    </LessonFrame>
  )
}

function Answers({ state, act }: { state: Pushing; act: (one: PushingAct) => void }) {
  const { off, slide, slips, passed } = judgePushing(state)
  const lengths = useLengths()
  return (
    <>
      <p>{words.turns(String(state.turns))}</p>
      <Asking
        check={words.check}
        hints={words.hints}
        taken={state.hints}
        act={act}
        outcome={state.checked ? { passed: passed, slips: slips.map(sayPushingSlip) } : undefined}
      >
        <WhatIsLeft
          label={words.stands}
          rows={slideEnds.map((end) => {
            const out = Math.abs(off[end]) > missTolerance
            return {
              name: slideEndNames[end],
              told: out ? tooFar(off[end], lengths) : words.there,
              out,
            }
          })}
        />
        {passed ? (
          <p>
            {words.truth}{' '}
            {words.truthTold(
              lengths.signed(slide.creep.front),
              lengths.signed(slide.creep.back),
              formatNumber(100 * slide.swing, 0),
            )}
          </p>
        ) : null}
      </Asking>
    </>
  )
}
