import { useState } from 'react'
import styled from 'styled-components'
import {
  type Belting,
  type BeltingAct,
  beginBelting,
  beltLessonReducer,
  beltMoves,
  beltMoveTyped,
  beltTolerance,
  judgeBelting,
} from '../../core/practice/belts'
import { type DriveHands, type Edge, edges, makeDrive, motor, proudAt } from '../../core/practice/drive'
import { formatNumber, formatSigned } from '../../core/quantity/number'
import { beltMoveNames, edgeNames, sayBeltingSlip, beltingWords as words } from '../../words/belting'
import { capital } from '../../words/terms'
import { Button, Choices, Muted } from '../parts/controls'
import { DriveDrawing, sheaveAcross } from './DriveDrawing'
import { Asking, type InOrder, LessonFrame } from './LessonFrame'
import { type Lengths, useLengths } from './lengths'
import { Row } from './page'
import { TypedMove } from './TypedMove'
import { useKept } from './useKept'
import { WhatIsLeft } from './WhatIsLeft'

const Answer = styled.p`font-size: 17px; font-weight: 600; min-height: 26px;`

const game = {
  begin: beginBelting,
  acted: beltLessonReducer,
  same: (kept: Partial<Belting>) => kept.lesson === 'belts',
}

const degrees = (slope: number): string => formatSigned((Math.atan(slope) * 180) / Math.PI, 2)

/** What the straightedge tells, in words. */
function said(mm: number, { told }: Lengths): string {
  if (mm === 0) return words.flush
  return (mm > 0 ? words.proud : words.behind)(told(Math.abs(mm), 0.1))
}

/** The lesson of the belts: a straightedge to be laid on, shims, swing and slide, belts and bolts; the truth laid over it. */
export function BeltingScreen(order: InOrder) {
  const kept = useKept<Belting, BeltingAct>('vane-peg-practice:belts', game)
  const { state, act } = kept
  const [edge, lay] = useState<Edge>('toward')
  const { hands, seed } = state
  const drive = makeDrive(seed)
  const lengths = useLengths()
  const { told, signed, size, unit } = lengths
  return (
    <LessonFrame
      order={order}
      words={words}
      rig={words.drive}
      within={words.within(
        told(beltTolerance.offset, 0.1),
        formatNumber((Math.atan(beltTolerance.slope) * 180) / Math.PI, 2),
      )}
      kept={kept}
      answers={<Answers state={state} act={act} />}
    >
      <DriveDrawing drive={drive} hands={hands} />
      <p>
        {words.rims(told(drive.rims.fan, 0.1), told(drive.rims.motor, 0.1))}{' '}
        <Muted>{words.motorIs(size(sheaveAcross), size(motor.feet), size(motor.height))}</Muted>
      </p>
      <div style={{ display: 'grid', gap: 6 }}>
        <Muted>{words.edge}</Muted>
        <Choices
          label={words.edge}
          value={edge}
          options={edges.map((one) => ({ value: one, text: capital(edgeNames[one]) }))}
          onChange={lay}
        />
        <Answer role="status">{said(proudAt(drive, hands, edge), lengths)}</Answer>
      </div>
      <Row>
        <Button onPress={() => act({ do: hands.loose ? 'tighten' : 'loosen' })}>
          {hands.loose ? words.tighten : words.loosen}
        </Button>
        <Muted>{hands.loose ? words.areLoose : words.areTight}</Muted>
      </Row>
      <Choices<DriveHands['tension']>
        label={words.tension}
        value={hands.tension}
        options={[
          { value: 'slack', text: words.slack },
          { value: 'one', text: words.one },
          { value: 'both', text: words.both },
        ]}
        onChange={(how) => act({ do: 'tension', how })}
      />
      {beltMoves.map((move) => (
        <TypedMove
          key={move}
          label={beltMoveNames[move](unit)}
          text={state.typed[move]}
          onType={(text) => act({ do: 'type', move, text })}
          can={Boolean(beltMoveTyped(state.typed[move]))}
          onDo={() => act({ do: 'move', move })}
          note={words.soFar(signed(hands[move]))}
        />
      ))}
      <Muted>
        {words.signs} {words.pinch}
      </Muted>
    </LessonFrame>
  )
}

function Answers({ state, act }: { state: Belting; act: (one: BeltingAct) => void }) {
  const { drive, left, slips, passed } = judgeBelting(state)
  const { signed } = useLengths()
  const rows = [
    { name: words.tilt, told: `${degrees(left.tilt)}°`, out: Math.abs(left.tilt) > beltTolerance.slope },
    { name: words.toe, told: `${degrees(left.toe)}°`, out: Math.abs(left.toe) > beltTolerance.slope },
    { name: words.offset, told: signed(left.offset, 0.1), out: Math.abs(left.offset) > beltTolerance.offset },
  ]
  return (
    <>
      <p>{words.moves(String(state.moves))}</p>
      <Asking
        check={words.check}
        hints={words.hints}
        taken={state.hints}
        act={act}
        outcome={state.checked ? { passed: passed, slips: slips.map(sayBeltingSlip) } : undefined}
      >
        <WhatIsLeft label={words.left} rows={rows} />
        {passed ? (
          <p>
            {words.truth}{' '}
            {words.truthTold(signed(drive.start.offset, 0.1), degrees(drive.start.toe), degrees(drive.start.tilt))}
          </p>
        ) : null}
      </Asking>
    </>
  )
}
