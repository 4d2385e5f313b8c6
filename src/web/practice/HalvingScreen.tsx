import { useState } from 'react'
import styled from 'styled-components'
import {
  beginHalving,
  type Halving,
  type HalvingAct,
  halved,
  hubDialShows,
  hubDials,
  judgeHalving,
  makeHalved,
  type Watched,
} from '../../core/practice/halving'
import { missTolerance } from '../../core/practice/pushing'
import { type SlideEnd, slideEnds } from '../../core/practice/slide'
import { hubDialNames, sayHalvingSlip, halvingWords as words } from '../../words/halving'
import { pushingWords, slideEndNames } from '../../words/pushing'
import { capital } from '../../words/terms'
import { mono } from '../app/style'
import { Button, Choices, Muted } from '../parts/controls'
import { JackRows, tooFar } from './JackRows'
import { LengthDial } from './LengthDial'
import { Asking, type InOrder, LessonFrame } from './LessonFrame'
import { useLengths } from './lengths'
import { Row } from './page'
import { SlideDrawing } from './SlideDrawing'
import { useKept } from './useKept'
import { WhatIsLeft } from './WhatIsLeft'

const Dials = styled.div`display: grid; grid-template-columns: minmax(0, 1.6fr) minmax(150px, 1fr) minmax(150px, 1fr); gap: 16px; align-items: start; p { text-align: center; ${mono} font-size: 15px; } fieldset { border: 0; margin: 0; padding: 0; min-width: 0; } button { width: 100%; margin-top: 6px; } @media (max-width: 899px) { grid-template-columns: 1fr 1fr; > svg { grid-column: 1 / -1; } }`

const game = { begin: beginHalving, acted: halved, same: (kept: Partial<Halving>) => kept.lesson === 'halving' }

/** The lesson of halving: two dials over the coupling, their bezels, bolts and jack bolts; the truth laid over it. */
export function HalvingScreen(order: InOrder) {
  const kept = useKept<Halving, HalvingAct>('vane-peg-practice:halving', game)
  const { state, act } = kept
  const [chosen, choose] = useState<SlideEnd>('front')
  const { hands, seed } = state
  const rig = makeHalved(seed)
  const lengths = useLengths()
  const loose = hands.loose.includes(chosen)
  return (
    <LessonFrame
      order={order}
      words={words}
      rig={words.machine}
      within={pushingWords.within(lengths.told(missTolerance))}
      kept={kept}
      answers={<Answers state={state} act={act} />}
    >
      <Dials>
        <SlideDrawing {...{ hands, chosen, choose }} />
        {hubDials.map((dial) => {
          const mm = hubDialShows(rig, hands, dial)
          const said = words.shows(hubDialNames[dial], lengths.signed(mm))
          return (
            <fieldset key={dial} aria-label={hubDialNames[dial]}>
              <LengthDial mm={mm} label={said} lengths={lengths} />
              <p role="status">{said}</p>
              <Button onPress={() => act({ do: 'zero', dial })}>{words.zero}</Button>
              <Button onPress={() => act({ do: 'half', dial })}>{words.half}</Button>
            </fieldset>
          )
        })}
      </Dials>
      <div style={{ display: 'grid', gap: 6 }}>
        <Muted>{words.shafts}</Muted>
        <Choices<Watched>
          label={words.shafts}
          value={hands.side}
          options={(['near', 'far'] as const).map((value) => ({ value, text: capital(words.sideNames[value]) }))}
          onChange={(to) => act({ do: 'shafts', to })}
        />
      </div>
      <Choices
        label={pushingWords.end}
        value={chosen}
        options={slideEnds.map((end) => ({ value: end, text: slideEndNames[end] }))}
        onChange={choose}
      />
      <Row role="group" aria-label={slideEndNames[chosen]}>
        <Button onPress={() => act({ do: loose ? 'tighten' : 'loosen', end: chosen })}>
          {loose ? pushingWords.tighten : pushingWords.loosen}
        </Button>
        <Muted>{loose ? pushingWords.areLoose : pushingWords.areTight}</Muted>
      </Row>
      <JackRows hands={hands} end={chosen} act={act} />
    </LessonFrame>
  )
}

function Answers({ state, act }: { state: Halving; act: (one: HalvingAct) => void }) {
  const { halved: rig, off, slips, passed } = judgeHalving(state)
  const lengths = useLengths()
  return (
    <>
      <p>{pushingWords.turns(String(state.turns))}</p>
      <Asking
        check={pushingWords.check}
        hints={words.hints}
        taken={state.hints}
        act={act}
        outcome={state.checked ? { passed, slips: slips.map(sayHalvingSlip) } : undefined}
      >
        <WhatIsLeft
          label={pushingWords.stands}
          rows={slideEnds.map((end) => {
            const out = Math.abs(off[end]) > missTolerance
            return { name: slideEndNames[end], told: out ? tooFar(off[end], lengths) : pushingWords.there, out }
          })}
        />
        {passed ? (
          <p>
            {pushingWords.truth}{' '}
            {slideEnds.map((end) => `${slideEndNames[end]}: ${tooFar(-rig.slide.wanted[end], lengths)}`).join('; ')}.
          </p>
        ) : null}
      </Asking>
    </>
  )
}
