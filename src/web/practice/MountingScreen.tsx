import styled from 'styled-components'
import { formatNumber, formatSigned } from '../../core/frame/number'
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
import { DialFace } from './DialFace'
import { FlangeDrawing } from './FlangeDrawing'
import { Asking, type InOrder, LessonFrame } from './LessonFrame'
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
  const shown = dialsAt(flange, hands, hands.at)
  const bolt = String(hands.at)
  const turn = (to: number) => act({ do: 'turn', bolt: to })
  return (
    <LessonFrame
      order={order}
      words={words}
      rig={words.flange}
      kept={kept}
      answers={<Answers state={state} act={act} />}
    >
      <p>
        <b>{words.counted(flange.clockwise ? words.clockwise : words.otherWay)}</b>{' '}
        <Muted>
          {words.sizes(
            formatNumber(2 * flange.radius, 0),
            formatNumber(flange.over, 0),
            formatNumber(flange.rim.x, 0),
            formatNumber(flange.face, 0),
          )}
        </Muted>
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
          const text = hands.loose ? words.hangs : said(formatSigned(mm, 2))
          return (
            <div key={dial}>
              <DialFace needle={mm} turns={5 + mm} whole={10} label={text} />
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
        label={words.shimAt(bolt)}
        text={typed.shim}
        onType={(text) => act({ do: 'type', what: 'shim', text })}
        can={shimTyped(typed.shim) !== undefined}
        onDo={() => act({ do: 'shim', bolt: hands.at })}
        button={words.putIn}
        note={words.lies(formatNumber(hands.shims[hands.at] ?? 0, 2))}
      />
      {pushes.map((way) => (
        <TypedMove
          key={way}
          label={pushNames[way]}
          text={typed[way]}
          onType={(text) => act({ do: 'type', what: way, text })}
          can={pushTyped(typed[way]) !== undefined}
          onDo={() => act({ do: 'push', way })}
          note={words.soFar(formatSigned(hands.pushed[way], 2))}
        />
      ))}
      <Muted>{words.signs}</Muted>
    </LessonFrame>
  )
}

const perHundred = (slope: number): string => formatSigned(100 * slope, 2)

function Answers({ state, act }: { state: Mounting; act: (one: MountingAct) => void }) {
  const { flange, left, slips, passed } = judgeMounting(state)
  const rows = [
    {
      name: words.offset,
      told: `${formatNumber(left.offset, 2)} mm`,
      out: left.offset > mountingAllows.offset,
    },
    {
      name: words.slope,
      told: words.per100(formatNumber(100 * left.slope, 2)),
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
              formatSigned(flange.place[0], 2),
              String(1 + flange.bolts / 4),
              formatSigned(flange.place[1], 2),
              perHundred(flange.slope[0]),
              perHundred(flange.slope[1]),
            )}
          </p>
        ) : null}
      </Asking>
    </>
  )
}
