import { useState } from 'react'
import styled from 'styled-components'
import { droopAt, makeBores, movedPockets, type Pocket, pockets, wallAt, wallPlaces } from '../../core/practice/bores'
import {
  type Boring,
  type BoringAct,
  beginBoring,
  boreLessonReducer,
  boreMoves,
  boreMoveTyped,
  boreTolerance,
  judgeBoring,
} from '../../core/practice/boring'
import { formatNumber } from '../../core/quantity/number'
import { boreMoveNames, sayBoringSlip, wallNames, boringWords as words } from '../../words/boring'
import { mono } from '../app/style'
import { Button, Choices, Muted } from '../parts/controls'
import { BoresDrawing, boresMagnified, PocketEnd } from './BoresDrawing'
import { Asking, type InOrder, LessonFrame } from './LessonFrame'
import { useLengths } from './lengths'
import { Row } from './page'
import { TypedMove } from './TypedMove'
import { useKept } from './useKept'
import { WhatIsLeft } from './WhatIsLeft'

const Two = styled.div`display: grid; grid-template-columns: minmax(0, 1fr) 200px; gap: 18px; align-items: center; @media (max-width: 899px) { grid-template-columns: minmax(0, 1fr); }`
const Wall = styled.dl`margin: 0; display: grid; grid-template-columns: repeat(auto-fit, minmax(130px, 1fr)); gap: 4px 14px; div { display: flex; gap: 10px; align-items: baseline; } dt { color: var(--muted); min-width: 62px; } dd { margin: 0; ${mono} font-size: 17px; }`

const game = { begin: beginBoring, acted: boreLessonReducer, same: (kept: Partial<Boring>) => kept.lesson === 'bore' }

/** The lesson of the bores: a wire, a micrometer, pockets to be raised and pushed; the truth laid over it. */
export function BoringScreen(order: InOrder) {
  const kept = useKept<Boring, BoringAct>('vane-peg-practice:bore', game)
  const { state, act } = kept
  const [chosen, choose] = useState<Pocket>(2)
  const { hands, seed, typed } = state
  const bores = makeBores(seed)
  const { told, signed, bare, size, unit } = useLengths()
  const number = String(chosen)
  const loose = hands.loose.includes(chosen)
  return (
    <LessonFrame
      order={order}
      words={words}
      rig={words.bores}
      within={words.within(told(boreTolerance))}
      beside={`${words.bores}; ${words.times(formatNumber(boresMagnified(bores), 0))}`}
      kept={kept}
      answers={<Answers state={state} act={act} />}
    >
      <Two>
        <BoresDrawing {...{ bores, hands, chosen, choose }} />
        <PocketEnd bores={bores} hands={hands} pocket={chosen} />
      </Two>
      <Choices
        label={words.pocket}
        value={number}
        options={pockets.map((pocket) => ({ value: String(pocket), text: words.pocketN(String(pocket)) }))}
        onChange={(value) => choose(Number(value) as Pocket)}
      />
      <section
        aria-label={`${words.pocketN(number)}: ${words.wall}`}
        aria-live="polite"
        style={{ display: 'grid', gap: 6 }}
      >
        <Muted>
          {words.wall}, {unit}.{' '}
          {chosen === 1 || chosen === 4 ? words.reference : words.wire(size(bores.at[chosen]), size(bores.length))}{' '}
          {words.wireIs(formatNumber(1000 * bores.weight, 4), formatNumber(bores.tension, 0))}
        </Muted>
        <Wall>
          {wallPlaces.map((place) => (
            <div key={place}>
              <dt>{wallNames[place]}</dt>
              <dd>{bare(wallAt(bores, hands, chosen, place))}</dd>
            </div>
          ))}
        </Wall>
      </section>
      <Row>
        <Button onPress={() => act({ do: loose ? 'tighten' : 'loosen', pocket: chosen })}>
          {(loose ? words.tighten : words.loosen)(number)}
        </Button>
        <Muted>{loose ? words.isLoose : words.isTight}</Muted>
      </Row>
      {boreMoves.map((move) => (
        <TypedMove
          key={move}
          label={boreMoveNames[move](unit)}
          text={typed[move]}
          onType={(text) => act({ do: 'type', move, text })}
          can={boreMoveTyped(typed[move]) !== undefined}
          onDo={() => act({ do: 'move', move, pocket: chosen })}
          note={words.soFar(signed(hands[move][chosen]))}
        />
      ))}
      <Muted>{words.signs}</Muted>
    </LessonFrame>
  )
}

function Answers({ state, act }: { state: Boring; act: (one: BoringAct) => void }) {
  const { bores, left, slips, passed } = judgeBoring(state)
  const { told, signed } = useLengths()
  return (
    <>
      <p>{words.moves(String(state.moves))}</p>
      <Asking
        check={words.check}
        hints={words.hints}
        taken={state.hints}
        act={act}
        outcome={state.checked ? { passed, slips: slips.map(sayBoringSlip) } : undefined}
      >
        <WhatIsLeft
          label={words.left}
          rows={left.flatMap(({ pocket, up, far }) => [
            { name: words.upOf(String(pocket)), told: signed(up), out: Math.abs(up) > boreTolerance },
            { name: words.farOf(String(pocket)), told: signed(far), out: Math.abs(far) > boreTolerance },
          ])}
        />
        {passed ? (
          <p>
            {words.truth}{' '}
            {movedPockets
              .map((pocket) =>
                words.truthTold(
                  String(pocket),
                  signed(bores.up[pocket]),
                  signed(bores.far[pocket]),
                  told(droopAt(bores, pocket)),
                ),
              )
              .join(' ')}
          </p>
        ) : null}
      </Asking>
    </>
  )
}
