import styled from 'styled-components'
import {
  beginSighting,
  judgeSighting,
  type Sighting,
  type SightingAct,
  sightAllows,
  sightLessonReducer,
  sightTyped,
} from '../../core/practice/sighting'
import { floorReferences, makeSight, referenceShows, rollEnds, rollShows } from '../../core/practice/stand'
import { floorReferenceNames, rollEndNames, saySightingSlip, sightingWords as words } from '../../words/sighting'
import { capital } from '../../words/terms'
import { mono } from '../app/style'
import { Button, Choices, Muted } from '../parts/controls'
import { Asking, type InOrder, LessonFrame } from './LessonFrame'
import { useLengths } from './lengths'
import { Row } from './page'
import { StandsDrawing } from './StandsDrawing'
import { TypedMove } from './TypedMove'
import { useKept } from './useKept'
import { WhatIsLeft } from './WhatIsLeft'

const Shown = styled.dl`margin: 0; display: grid; grid-template-columns: repeat(auto-fit, minmax(160px, 1fr)); gap: 8px; div { display: grid; gap: 2px; padding: 8px 10px; border: 1px solid var(--rule); border-radius: 4px; } dt { color: var(--muted); font-size: 14px; } dd { margin: 0; ${mono} font-size: 18px; }`

const game = {
  begin: beginSighting,
  acted: sightLessonReducer,
  same: (kept: Partial<Sighting>) => kept.lesson === 'rolls',
}

/** The lesson of the rolls: a plane brought onto a roll, carried to a second stand by floor references; the truth laid over it. */
export function SightingScreen(order: InOrder) {
  const kept = useKept<Sighting, SightingAct>('vane-peg-practice:rolls', game)
  const { state, act } = kept
  const { hands, seed, typed } = state
  const sight = makeSight(seed)
  const { stand } = hands
  const { told, signed, bareSigned, size, unit } = useLengths()
  const roll = stand === 1 ? words.rollReference : words.roll2
  const level = hands.level[stand - 1]
  return (
    <LessonFrame
      order={order}
      words={words}
      rig={words.section}
      within={words.within(told(sightAllows))}
      kept={kept}
      answers={<Answers state={state} act={act} />}
    >
      <StandsDrawing sight={sight} hands={hands} />
      <Choices
        label={words.stand}
        value={String(stand) as '1' | '2'}
        options={(['1', '2'] as const).map((value) => ({ value, text: words.stands[value] }))}
        onChange={(value) => act({ do: 'stand', at: value === '1' ? 1 : 2 })}
      />
      <section aria-label={words.shows(unit)} aria-live="polite" style={{ display: 'grid', gap: 6 }}>
        <Muted>
          {words.shows(unit)}. {words.lengths(size(sight.toNear), size(sight.face))}
        </Muted>
        <Shown>
          {rollEnds.map((end) => (
            <div key={end}>
              <dt>
                {capital(roll)}, {rollEndNames[end]}
              </dt>
              <dd>{bareSigned(rollShows(sight, hands, end))}</dd>
            </div>
          ))}
          {floorReferences.map((reference) => {
            const mm = referenceShows(sight, hands, reference)
            return (
              <div key={reference}>
                <dt>{floorReferenceNames[reference]}</dt>
                <dd>{mm === undefined ? '–' : bareSigned(mm)}</dd>
              </div>
            )
          })}
        </Shown>
      </section>
      <Row>
        <Button onPress={() => act({ do: 'level' })}>{words.level}</Button>
        <Button onPress={() => act({ do: 'zero' })}>{words.zero}</Button>
        <Muted>{level ? words.leveled : words.notLevel}</Muted>
      </Row>
      <TypedMove
        label={(stand === 1 ? words.turnRoll : words.turnReference)(unit)}
        text={typed.turn}
        onType={(text) => act({ do: 'type', what: 'turn', text })}
        can={sightTyped('turn', typed.turn) !== undefined && (stand === 1 || hands.references !== undefined)}
        onDo={() => act({ do: 'turn' })}
        button={words.turnIt}
      />
      <Row>
        <Button isDisabled={stand === 2} onPress={() => act({ do: 'references' })}>
          {words.zeroReferences}
        </Button>
        <Button onPress={() => act({ do: 'face' })}>{words.face}</Button>
      </Row>
      <Row>
        <Button onPress={() => act({ do: hands.loose ? 'tighten' : 'loosen' })}>
          {hands.loose ? words.tighten : words.loosen}
        </Button>
        <Muted>{hands.loose ? words.isLoose : words.isTight}</Muted>
      </Row>
      <TypedMove
        label={words.move(unit)}
        text={typed.move}
        onType={(text) => act({ do: 'type', what: 'move', text })}
        can={sightTyped('move', typed.move) !== undefined}
        onDo={() => act({ do: 'move' })}
        note={words.soFar(signed(hands.moved))}
      />
      <Muted>{words.signs}</Muted>
    </LessonFrame>
  )
}

function Answers({ state, act }: { state: Sighting; act: (one: SightingAct) => void }) {
  const { sight, left, slips, passed } = judgeSighting(state)
  const { signed } = useLengths()
  const over = (slope: number) => signed((slope - sight.square.reference) * sight.face)
  return (
    <>
      <p>{words.turns(String(state.turns))}</p>
      <Asking
        check={words.check}
        hints={words.hints}
        taken={state.hints}
        act={act}
        outcome={state.checked ? { passed, slips: slips.map(saySightingSlip) } : undefined}
      >
        <WhatIsLeft
          label={words.left}
          rows={[{ name: words.square, told: signed(left), out: Math.abs(left) > sightAllows }]}
        />
        {passed ? (
          <p>
            {words.truth} {words.truthTold(over(sight.square.second), over(sight.heading[1]))}
          </p>
        ) : null}
      </Asking>
    </>
  )
}
