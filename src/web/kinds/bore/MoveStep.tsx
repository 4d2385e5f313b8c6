import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { findingsFor, verdictPeg } from '../../../core/kinds/bore/advice/findings'
import type { SectionRound } from '../../../core/kinds/bore/solve/round'
import { moveText, say, standsText } from '../../../words/bore/findings'
import { borePageWords as words } from '../../../words/bore/page/page'
import { capital, lengthWithUnit } from '../../../words/terms'
import { rowsAsCards } from '../../app/style'
import { BenchHead, WorkArea, WorkAreaAndFindings } from '../../job/frame/WorkArea'
import { StillToGain } from '../../job/move/StillToGain'
import { WhatWasDone } from '../../job/move/WhatWasDone'
import { jobPath } from '../../job/steps'
import { Card, Muted } from '../../parts/controls'
import { fileName } from '../../parts/files'
import { Help } from '../../parts/Help'
import { Peg } from '../../parts/Peg'
import { Wide } from '../../parts/Wide'
import { PdfLink } from '../../print/PdfLink'
import { printer } from '../../print/printer'
import { FindingsPanel } from '../../say/FindingsPanel'
import { useBoreFrame } from './frame'

const Table = styled.table`
  border-collapse: collapse; width: 100%; th, td { text-align: left; padding: 8px 16px 8px 0; vertical-align: top; border-top: 1px solid var(--rule); }
  thead th { border-top: 0; color: var(--muted); font-size: 13px; font-weight: 500; } tbody th { font-weight: 600; white-space: nowrap; }
  ${rowsAsCards}
`

/** Twice the larger deviation of a section's place; nought of one that is held. */
const doubtOf = ({ standing }: SectionRound): number | undefined =>
  standing?.vertical && standing.horizontal ? 2 * Math.max(standing.vertical.sd, standing.horizontal.sd) : undefined

/** Every bore to the line: where it stands, and what is done about it. */
export function MoveStep() {
  const { solved, told, reminders, id, number, document, round, settings, beginRound, frozen } = useBoreFrame()
  const navigate = useNavigate()
  const known = solved.sections.filter(({ state }) => state !== 'nothing')
  const within = verdictPeg(solved) === 'within'
  return (
    <WorkAreaAndFindings>
      <WorkArea id="bench">
        <BenchHead>
          <div>
            <h1>{words.movesTitle}</h1>
            <Help of={words.movesTitle}>{words.movesUnder}</Help>
          </div>
          {known.length > 0 && !within ? (
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
        {known.length === 0 ? (
          <Muted as="p">{words.noMoves}</Muted>
        ) : (
          <StillToGain within={within}>
            <Card as="section" aria-label={words.atTheBores}>
              <h2>{words.atTheBores}</h2>
              <Wide>
                <Table>
                  <thead>
                    <tr>
                      {[words.section, words.stands, words.move, words.doubt].map((text) => (
                        <th key={text} scope="col">
                          {text}
                        </th>
                      ))}
                    </tr>
                  </thead>
                  <tbody>
                    {solved.sections.map((one) => (
                      <tr key={one.section.id}>
                        <th scope="row">
                          <Peg peg={one.state} size={12} /> {one.section.name}
                        </th>
                        <td data-of={words.stands}>{capital(standsText(one, told))}</td>
                        <td data-of={words.move}>{capital(moveText(one, told))}</td>
                        <td data-of={words.doubt}>
                          {doubtOf(one) === undefined
                            ? ''
                            : doubtOf(one) === 0
                              ? words.held
                              : lengthWithUnit(doubtOf(one) ?? 0, { ...told, resolution: 0.001 })}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </Table>
              </Wide>
            </Card>
          </StillToGain>
        )}
      </WorkArea>
      <FindingsPanel
        items={[
          ...reminders,
          ...findingsFor(solved, document.line, 'move').map((finding, i) => ({
            key: `${finding.kind} ${i}`,
            peg: finding.peg,
            said: say(finding, told, solved.limit),
            inColumn: finding.kind === 'move',
            acts:
              finding.kind === 'no-place'
                ? [{ text: words.goToLine, main: true, run: () => navigate(jobPath(id, 'line')) }]
                : finding.kind === 'turn-free' && !frozen && !within
                  ? [{ text: words.moved, main: true, run: () => beginRound() }]
                  : [],
          })),
        ]}
      />
    </WorkAreaAndFindings>
  )
}
