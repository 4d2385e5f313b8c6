import { useMemo, useState } from 'react'
import styled from 'styled-components'
import {
  type Aligning,
  type AligningAct,
  aligned,
  beginAligning,
  judgeAligning,
  packAt,
  pairMoves,
  pairMoveTyped,
  roomAt,
} from '../../core/practice/aligning'
import {
  emptyPairHands,
  feltAt,
  growthOf,
  makePair,
  misaligned,
  type PairFoot,
  type PairLesson,
  pairAllows,
  pairFeet,
  pairSides,
  roundHubs,
  shaftOver,
} from '../../core/practice/pair'
import { formatNumber } from '../../core/quantity/number'
import {
  pairFootNames,
  pairLessonWords,
  pairMoveNames,
  pairSideNames,
  sayAligningSlip,
  aligningWords as words,
} from '../../words/aligning'
import { practiceWords } from '../../words/practice'
import { capital } from '../../words/terms'
import { mono, rowsAsCards } from '../app/style'
import { Button, Choices, Muted } from '../parts/controls'
import { Asking, type InOrder, LessonFrame } from './LessonFrame'
import { useLengths } from './lengths'
import { PairDrawing, pairMagnified } from './PairDrawing'
import { Row } from './page'
import { TypedMove } from './TypedMove'
import { useKept } from './useKept'
import { WhatIsLeft } from './WhatIsLeft'

const Answer = styled.p`font-size: 17px; font-weight: 600; min-height: 26px;`
const Feet = styled.table`border-collapse: collapse; width: 100%; th, td { padding: 5px 14px 5px 0; text-align: left; border-bottom: 1px solid var(--rule); } td { ${mono} } th { font-weight: 500; } thead th { color: var(--muted); font-size: 13.5px; vertical-align: bottom; } ${rowsAsCards}`

export const RoughScreen = (order: InOrder) => <AligningScreen lesson="rough" order={order} />
export const BoundScreen = (order: InOrder) => <AligningScreen lesson="bound" order={order} />
export const GrowthScreen = (order: InOrder) => <AligningScreen lesson="growth" order={order} />

/** A lesson that ends with a pair in line: the pair to be felt or read, lifted, pushed and bolted; the truth laid over it. */
function AligningScreen({ lesson, order }: { lesson: PairLesson; order: InOrder }) {
  const game = useMemo(
    () => ({
      begin: beginAligning(lesson),
      acted: aligned,
      same: (kept: Partial<Aligning>) => kept.lesson === lesson,
    }),
    [lesson],
  )
  const kept = useKept<Aligning, AligningAct>(`vane-peg-practice:${lesson}`, game)
  const { state, act } = kept
  const [chosen, choose] = useState<PairFoot>('right-front')
  const { hands, seed } = state
  const pair = makePair(lesson, seed)
  const { told, signed, slope, unit } = useLengths()
  return (
    <LessonFrame
      order={order}
      words={pairLessonWords[lesson]}
      rig={words.pair}
      within={words.within(told(pairAllows[lesson].offset), slope(pairAllows[lesson].slope))}
      beside={`${lesson === 'growth' ? words.pairSide : words.pair}; ${words.times(formatNumber(pairMagnified[lesson], 0))}`}
      kept={kept}
      answers={<Answers state={state} act={act} />}
    >
      <PairDrawing {...{ lesson, pair, hands, chosen, choose }} />
      {lesson === 'rough' ? <Felt state={state} /> : null}
      {lesson === 'rough' ? null : <FeetTable state={state} />}
      {lesson === 'growth' ? (
        <>
          <Muted>
            {words.cold} {words.steel}
          </Muted>
          <Row>
            <Button
              isDisabled={!hands.running && hands.loose.length > 0}
              onPress={() => act({ do: hands.running ? 'stop' : 'run' })}
            >
              {hands.running ? words.stop : words.run}
            </Button>
            <span role="status">{hands.running ? words.runs : words.stands}</span>
          </Row>
          {hands.ran ? <Muted>{words.hot}</Muted> : null}
        </>
      ) : null}
      <Row>
        {pairSides.map((side) => {
          const loose = hands.loose.includes(side)
          return (
            <span key={side}>
              <Button onPress={() => act({ do: loose ? 'tighten' : 'loosen', side })}>
                {(loose ? words.tighten : words.loosen)(pairSideNames[side])}
              </Button>{' '}
              <Muted>{loose ? words.areLoose : words.areTight}</Muted>
            </span>
          )
        })}
      </Row>
      <Choices
        label={words.foot}
        value={chosen}
        options={pairFeet.map((foot) => ({ value: foot, text: pairFootNames[foot] }))}
        onChange={choose}
      />
      {(lesson === 'growth' ? (['up'] as const) : pairMoves).map((move) => (
        <TypedMove
          key={move}
          label={pairMoveNames[move](unit)}
          text={state.typed[move]}
          onType={(text) => act({ do: 'type', move, text })}
          can={Boolean(pairMoveTyped(state.typed[move]))}
          onDo={() => act({ do: 'move', move, foot: chosen })}
          note={words.soFar(signed(hands[move][chosen]))}
        />
      ))}
      <Muted>
        {words.signs} {words.pinch}
      </Muted>
    </LessonFrame>
  )
}

/** What straightedge and blade tell at the place that is chosen. */
function Felt({ state }: { state: Aligning }) {
  const [place, lay] = useState('0')
  const pair = makePair(state.lesson, state.seed)
  const { step, gap } = feltAt(pair, state.hands, Number(place))
  const { told, size } = useLengths()
  const mm = told(Math.abs(step))
  return (
    <div style={{ display: 'grid', gap: 6 }}>
      <Muted>
        {words.hubs(size(2 * pair.hub.radius))}{' '}
        {words.fromTold(size(pair.at['right-front']), size(pair.at['right-back']))}
      </Muted>
      <Choices
        label={words.place}
        value={place}
        options={roundHubs.map((at) => ({ value: String(at), text: capital(practiceWords.quarterNames[`${at}`]) }))}
        onChange={lay}
      />
      <Answer role="status">
        {Math.abs(step) < 0.02 ? words.flush : (step > 0 ? words.proud : words.behind)(mm)} {words.gap(told(gap))}
      </Answer>
    </div>
  )
}

/** What is known of every foot in this lesson. */
function FeetTable({ state }: { state: Aligning }) {
  const { lesson, hands, seed } = state
  const pair = makePair(lesson, seed)
  const cold = shaftOver(pair, hands, false)
  const { bare, bareSigned, size, unit } = useLengths()
  const columns: readonly { head: string; of: (foot: PairFoot) => string }[] = [
    { head: words.from, of: (foot: PairFoot) => size(Math.abs(pair.at[foot])) },
    ...{
      // without a table: what is to be known is said beside the hubs
      rough: [],
      bound: [
        { head: words.standsUp(unit), of: (foot: PairFoot) => bareSigned(cold.up[foot]) },
        { head: words.shims(unit), of: (foot: PairFoot) => bare(packAt(pair, hands, foot)) },
        { head: words.standsFar(unit), of: (foot: PairFoot) => bareSigned(cold.far[foot]) },
        {
          head: words.room(unit),
          of: (foot: PairFoot) => {
            const { near, far } = roomAt(pair, hands, foot)
            return `${bare(near)} / ${bare(far)}`
          },
        },
      ],
      growth: [
        {
          head: words.standsUp(unit),
          of: (foot: PairFoot) => (hands.running ? words.hidden : bareSigned(cold.up[foot])),
        },
        { head: words.height, of: (foot: PairFoot) => size(pair.height[foot]) },
        {
          head: words.warmer,
          of: (foot: PairFoot) => (hands.ran ? formatNumber(pair.warmer[foot], 0) : words.notRun),
        },
      ],
    }[lesson],
  ]
  return (
    <Feet>
      <thead>
        <tr>
          <th scope="col">{words.feet}</th>
          {columns.map(({ head }) => (
            <th key={head} scope="col">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {pairFeet.map((foot) => (
          <tr key={foot}>
            <th scope="row">{pairFootNames[foot]}</th>
            {columns.map(({ head, of }) => (
              <td key={head} data-of={head}>
                {of(foot)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </Feet>
  )
}

function Answers({ state, act }: { state: Aligning; act: (one: AligningAct) => void }) {
  const { pair, left, over, slips, passed } = judgeAligning(state)
  const { told, signed, slope } = useLengths()
  const all = [
    { name: words.offsetUp, told: signed(left.up.offset), out: over.up.offset },
    { name: words.slopeUp, told: slope(left.up.slope), out: over.up.slope },
    { name: words.offsetFar, told: signed(left.far.offset), out: over.far.offset },
    { name: words.slopeFar, told: slope(left.far.slope), out: over.far.slope },
  ]
  const rows = state.lesson === 'growth' ? all.slice(0, 2) : all
  const { up, far } = misaligned(pair, emptyPairHands, false)
  return (
    <>
      <p>{words.moves(String(state.moves))}</p>
      <Asking
        check={words.check}
        hints={pairLessonWords[state.lesson].hints}
        taken={state.hints}
        act={act}
        outcome={state.checked ? { passed, slips: slips.map(sayAligningSlip) } : undefined}
      >
        <WhatIsLeft label={words.left} rows={rows} />
        {passed ? (
          <p>
            {words.truth}{' '}
            {state.lesson === 'growth'
              ? pairFeet.map((foot) => words.grown(pairFootNames[foot], told(growthOf(pair, foot)))).join(' ')
              : words.truthTold(signed(up.offset), slope(up.slope), signed(far.offset), slope(far.slope))}
          </p>
        ) : null}
      </Asking>
    </>
  )
}
