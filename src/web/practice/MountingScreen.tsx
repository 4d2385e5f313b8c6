import styled from 'styled-components'
import { boltsOf, dialsAt, makeFlange } from '../../core/practice/flange'
import {
  beginMounting,
  judgeMounting,
  type Mounting,
  type MountingAct,
  mounted,
  mountingAllows,
  pushes,
  pushTyped,
  shimTyped,
} from '../../core/practice/mounting'
import { pushNames, sayMountingSlip, mountingWords as words } from '../../words/mounting'
import { mono } from '../app/style'
import { Button, Choices, Muted } from '../parts/controls'
import { FlangeDrawing } from './FlangeDrawing'
import { LengthDial } from './LengthDial'
import { Asking, type InOrder, LessonFrame } from './LessonFrame'
import { useLengths } from './lengths'
import { Row } from './page'
import { TypedMove } from './TypedMove'
import { useKept } from './useKept'
import { WhatIsLeft } from './WhatIsLeft'

const Three = styled.div`display: grid; grid-template-columns: minmax(0, 1.7fr) minmax(0, 1fr) minmax(0, 1fr); gap: 18px; align-items: center; p { text-align: center; ${mono} } @media (max-width: 899px) { grid-template-columns: 1fr 1fr; > :first-child { grid-column: 1 / -1; } }`

const game = { begin: beginMounting, acted: mounted, same: (kept: Partial<Mounting>) => kept.lesson === 'flange' }

/** The lesson of the flange: dials swept from bolt to bolt, shims and pushes, hoist and bolts; the truth laid over it. */
export function MountingScreen(order: InOrder) {
  const kept = useKept<Mounting, MountingAct>('vane-peg-practice:flange', game)
  const { state, act } = kept
  const { hands, seed, typed } = state
  const flange = makeFlange(seed)
  const lengths = useLengths()
  const { told, signed, size, slope, unit } = lengths
  const shown = dialsAt(flange, hands, hands.at)
  const bolt = String(hands.at)
  const turn = (to: number) => act({ do: 'turn', bolt: to })
  return (
    <LessonFrame
      order={order}
      words={words}
      rig={words.flange}
      within={words.within(told(mountingAllows.offset), slope(mountingAllows.slope))}
      kept={kept}
      answers={<Answers state={state} act={act} />}
    >
      <p>
        <b>{words.counted(flange.clockwise ? words.clockwise : words.otherWay)}</b>{' '}
        <Muted>{words.sizes(size(2 * flange.radius), size(flange.over), size(flange.rim.x), size(flange.face))}</Muted>
      </p>
      <Three>
        <FlangeDrawing flange={flange} hands={hands} choose={turn} />
        {(
          [
            ['rim', words.rimShows],
            ['face', words.faceShows],
          ] as const
        ).map(([dial, said]) => {
          const mm = hands.loose ? 0 : shown[dial]
          const text = hands.loose ? words.hangs : said(signed(mm))
          return (
            <div key={dial}>
              <LengthDial mm={mm} label={text} lengths={lengths} />
              {hands.loose ? null : <p role="status">{text}</p>}
            </div>
          )
        })}
      </Three>
      <Muted>{hands.loose ? words.hangs : words.carried}</Muted>
      <div style={{ display: 'grid', gap: 6 }}>
        <Muted>{words.bolt}</Muted>
        <Choices
          label={words.bolt}
          value={bolt}
          options={boltsOf(flange).map((one) => ({ value: String(one), text: String(one) }))}
          onChange={(one) => turn(Number(one))}
        />
      </div>
      <Row>
        <Button onPress={() => act({ do: 'hoist', on: !hands.hoisted })}>
          {hands.hoisted ? words.hoistOff : words.hoistOn}
        </Button>
        <Muted>{hands.hoisted ? words.held : words.unheld}</Muted>
      </Row>
      <Row>
        <Button onPress={() => act({ do: hands.loose ? 'tighten' : 'loosen' })}>
          {hands.loose ? words.tighten : words.loosen}
        </Button>
        <Muted>{hands.loose ? words.areLoose : words.areTight}</Muted>
      </Row>
      <TypedMove
        label={words.shimAt(bolt, unit)}
        text={typed.shim}
        onType={(text) => act({ do: 'type', what: 'shim', text })}
        can={shimTyped(typed.shim) !== undefined}
        onDo={() => act({ do: 'shim', bolt: hands.at })}
        button={words.putIn}
        note={words.lies(told(hands.shims[hands.at] ?? 0))}
      />
      {pushes.map((way) => (
        <TypedMove
          key={way}
          label={pushNames[way](unit)}
          text={typed[way]}
          onType={(text) => act({ do: 'type', what: way, text })}
          can={pushTyped(typed[way]) !== undefined}
          onDo={() => act({ do: 'push', way })}
          note={words.soFar(signed(hands.pushed[way]))}
        />
      ))}
      <Muted>{words.signs}</Muted>
    </LessonFrame>
  )
}

function Answers({ state, act }: { state: Mounting; act: (one: MountingAct) => void }) {
  const { flange, left, slips, passed } = judgeMounting(state)
  const { told, signed, slope } = useLengths()
  const rows = [
    {
      name: words.offset,
      told: told(left.offset),
      out: left.offset > mountingAllows.offset,
    },
    {
      name: words.slope,
      told: slope(left.slope),
      out: left.slope > mountingAllows.slope,
    },
  ]
  return (
    <>
      <p>{words.moves(String(state.moves))}</p>
      <Asking
        check={words.check}
        hints={words.hints}
        taken={state.hints}
        act={act}
        outcome={state.checked ? { passed, slips: slips.map(sayMountingSlip) } : undefined}
      >
        <WhatIsLeft label={words.left} rows={rows} />
        {passed ? (
          <p>
            {words.truth}{' '}
            {words.truthTold(
              signed(flange.place[0]),
              String(1 + flange.bolts / 4),
              signed(flange.place[1]),
              slope(flange.slope[0]),
              slope(flange.slope[1]),
            )}
          </p>
        ) : null}
      </Asking>
    </>
  )
}
