import { useMemo } from 'react'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { findingsFor, verdictPeg } from '../../../core/kinds/rolls/advice/findings'
import { type RollRound, solveRound } from '../../../core/kinds/rolls/solve/round'
import { spanState } from '../../../core/kinds/rolls/solve/section'
import {
  centerCell,
  levelCell,
  moveText,
  rollName,
  say,
  sideOf,
  spanCell,
  squareCell,
} from '../../../words/rolls/findings'
import { rollsPageWords as words } from '../../../words/rolls/page/page'
import { capital, lengthWithUnit, unitName } from '../../../words/terms'
import { rowsAsCards } from '../../app/style'
import { BenchHead, WorkArea, WorkAreaAndFindings } from '../../job/frame/WorkArea'
import { StillToGain } from '../../job/move/StillToGain'
import { WhatWasDone } from '../../job/move/WhatWasDone'
import { jobPath } from '../../job/steps'
import { Card, Muted } from '../../parts/controls'
import { fileName } from '../../parts/files'
import { Help } from '../../parts/Help'
import { Peg } from '../../parts/Peg'
import { useRowPager } from '../../parts/RowPager'
import { Wide } from '../../parts/Wide'
import { PdfLink } from '../../print/PdfLink'
import { printer } from '../../print/printer'
import { FindingsPanel } from '../../say/FindingsPanel'
import { useRollsFrame } from './frame'
import { SetPoint } from './SetPoint'
import { WaysPast } from './WaysPast'
import { WhichPlan } from './WhichPlan'

const Table = styled.table`
  border-collapse: collapse; width: 100%; th, td { text-align: left; padding: 8px 14px 8px 0; vertical-align: top; border-top: 1px solid var(--rule); }
  thead th { border-top: 0; color: var(--muted); font-size: 13px; font-weight: 500; } td { min-width: 110px; } tbody th { font-weight: 600; white-space: nowrap; }
  ${rowsAsCards}
`
const Before = styled.div`color: var(--muted); font-size: 13.5px;`

const was = (before: readonly RollRound[], { roll }: RollRound) => before.find((one) => one.roll.id === roll.id)?.solved

/** As it was found before anything was moved. */
function Was({ children }: { children: string | undefined }) {
  return children ? <Before>{words.was(children)}</Before> : null
}

/** Every roll in its three directions, its near housing's move, and what the web feels. */
export function MoveStep() {
  const { solved, told, reminders, id, number, document, round, settings, beginRound, frozen } = useRollsFrame()
  const navigate = useNavigate()
  const rolls = useRowPager(solved.rolls, ({ roll }) => roll.name)
  const spans = useRowPager(
    solved.spans,
    ({ from, to }) => `${rollName(from, document.line)} – ${rollName(to, document.line)}`,
  )
  const first = document.rounds[0]
  const before = useMemo(
    () => (first && first.id !== round.id ? solveRound(document.line, first).rolls : undefined),
    [document.line, first, round.id],
  )
  const ends = [sideOf('far', document.line), unitName[told.unit]] as const
  const heads = [words.levelOf(...ends), words.squareOf(...ends), words.centerIn(ends[1])]
  // a limit that all spans have stands once, in the heading
  const [firstSpan, ...others] = solved.spans
  const limit = firstSpan && others.every((span) => span.limit === firstSpan.limit) ? firstSpan.limit : undefined
  const known = solved.rolls.some((one) => one.solved?.square || one.solved?.level)
  const findings = findingsFor(solved, document.line, 'move')
  const last = findings.findLastIndex(({ kind }) => kind === 'move')
  const within = verdictPeg(solved) === 'within'
  return (
    <WorkAreaAndFindings>
      <WorkArea id="bench">
        <BenchHead>
          <div>
            <h1>{words.movesTitle}</h1>
            <Help of={words.movesTitle}>{words.movesUnder}</Help>
          </div>
          {solved.plan.moves.length > 0 && !within ? (
            <PdfLink
              href={`/api/jobs/${id}/move.pdf?unit=${settings.unit}&round=${round.id}`}
              name={fileName(`${document.line.name} moves`)}
              here={async () => (await printer()).moves({ number, document }, settings.unit, round.id)}
            >
              {words.sheet}
            </PdfLink>
          ) : null}
        </BenchHead>
        <WhatWasDone />
        {known ? (
          <StillToGain within={within}>
            <Card as="section" aria-label={words.theRolls} style={{ marginBottom: 16 }}>
              <h2>{words.theRolls}</h2>
              {within ? null : <WhichPlan />}
              {rolls.choice}
              <Wide>
                <Table>
                  <thead>
                    <tr>
                      {[words.roll, ...heads, words.move].map((text) => (
                        <th key={text} scope="col">
                          {text}
                        </th>
                      ))}
                    </tr>
                  </thead>
                  <tbody>
                    {rolls.shown.map((one) => (
                      <tr key={one.roll.id}>
                        <th scope="row">
                          <Peg peg={one.solved?.verdict?.state ?? 'nothing'} size={12} /> {one.roll.name}
                        </th>
                        <td data-of={heads[0]}>
                          {levelCell(one.solved?.level, told)}
                          <Was>{before && levelCell(was(before, one)?.level, told)}</Was>
                        </td>
                        <td data-of={heads[1]}>
                          {squareCell(one.solved?.square, told)}
                          <Was>{before && squareCell(was(before, one)?.square, told)}</Was>
                        </td>
                        <td data-of={heads[2]}>
                          {centerCell(one.solved?.centre, told)}
                          <Was>{before && centerCell(was(before, one)?.centre, told)}</Was>
                        </td>
                        <td data-of={words.move}>{capital(moveText(one, solved.plan, told))}</td>
                      </tr>
                    ))}
                  </tbody>
                </Table>
              </Wide>
            </Card>
          </StillToGain>
        ) : (
          <Muted as="p">{words.noMoves}</Muted>
        )}
        {solved.spans.length > 0 ? (
          <Card as="section" aria-label={words.theWeb} style={{ marginBottom: 16 }}>
            <h2>{words.theWeb}</h2>
            {spans.choice}
            <Wide>
              <Table>
                <thead>
                  <tr>
                    <th scope="col">{words.span}</th>
                    <th scope="col">
                      {limit === undefined ? words.feels : words.feelsOf(lengthWithUnit(limit * told.width, told))}
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {spans.shown.map((span) => (
                    <tr key={span.to}>
                      <th scope="row">
                        <Peg peg={span.inPlane ? spanState(span) : 'nothing'} size={12} />{' '}
                        {rollName(span.from, document.line)} – {rollName(span.to, document.line)}
                      </th>
                      <td data-of={words.feels}>{spanCell(span, told, limit !== undefined)}</td>
                    </tr>
                  ))}
                </tbody>
              </Table>
            </Wide>
          </Card>
        ) : null}
        {findings.map((finding) =>
          finding.kind === 'stays' ? <WaysPast key={finding.round.roll.id} roll={finding.round.roll.id} /> : null,
        )}
        <SetPoint />
      </WorkArea>
      <FindingsPanel
        items={[
          ...reminders,
          ...findings.map((finding, i) => ({
            key: `${finding.kind} ${i}`,
            peg: finding.peg,
            said: say(finding, told),
            inColumn: finding.kind === 'move' || finding.kind === 'stays',
            acts:
              finding.kind === 'missing'
                ? [{ text: words.goToLine, main: true, run: () => navigate(jobPath(id, 'line')) }]
                : i === last && !frozen && !within
                  ? [{ text: words.moved, main: true, run: () => beginRound() }]
                  : [],
          })),
        ]}
      />
    </WorkAreaAndFindings>
  )
}
