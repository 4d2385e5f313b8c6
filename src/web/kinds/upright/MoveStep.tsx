import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { findingsFor, verdictPeg } from '../../../core/kinds/upright/advice/findings'
import { emptyQuantity } from '../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { packText } from '../../../words/terms'
import { boltName, pushText, say, shimText } from '../../../words/upright/findings'
import { pageWords } from '../../../words/upright/page/page'
import { BenchHead, WorkArea, WorkAreaAndFindings } from '../../job/frame/WorkArea'
import { StillToGain } from '../../job/move/StillToGain'
import { WhatWasDone } from '../../job/move/WhatWasDone'
import { jobPath } from '../../job/steps'
import { Card, Field, Input, Muted } from '../../parts/controls'
import { fileName } from '../../parts/files'
import { Help } from '../../parts/Help'
import { QuantityField } from '../../parts/Quantity'
import { PdfLink } from '../../print/PdfLink'
import { printer } from '../../print/printer'
import { FindingsPanel } from '../../say/FindingsPanel'
import { useUprightFrame } from './frame'

const Two = styled.div`display: grid; grid-template-columns: repeat(auto-fit, minmax(220px, 1fr)); gap: 12px;`

/** A shim at every bolt, and one push. */
export function MoveStep() {
  const { solved, before, told, reminders, id, number, document, round, settings, beginRound, frozen, editRound } =
    useUprightFrame()
  const navigate = useNavigate()
  const { work } = solved
  const within = verdictPeg(solved) === 'within'
  return (
    <WorkAreaAndFindings>
      <WorkArea id="bench">
        <BenchHead>
          <div>
            <h1>{pageWords.moves}</h1>
            <Help of={pageWords.moves}>{pageWords.shimsAtTheBoltsFirst}</Help>
          </div>
          {work?.bolts && !within ? (
            <PdfLink
              href={`/api/jobs/${id}/move.pdf?unit=${settings.unit}&round=${round.id}`}
              name={fileName(`${document.line.name} moves`)}
              here={async () => (await printer()).moves({ number, document }, settings.unit, round.id)}
            >
              {pageWords.sheetForTheMachine}
            </PdfLink>
          ) : null}
        </BenchHead>
        <WhatWasDone />
        {work?.bolts ? (
          <StillToGain within={within}>
            <Card as="section" aria-label={pageWords.atTheBolts}>
              <table style={{ borderSpacing: '20px 8px' }}>
                <tbody>
                  {work.bolts.map((bolt) => (
                    <tr key={bolt.bolt}>
                      <th scope="row">{boltName(bolt.bolt)}</th>
                      <td>{shimText(bolt, told)}</td>
                      <td>{packText(bolt.pack, told)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <p>{pushText(work, told)}</p>
            </Card>
          </StillToGain>
        ) : (
          <Muted as="p">{pageWords.noMovesYetReadBoth}</Muted>
        )}
        <Card as="section" aria-label={pageWords.whenItStands}>
          <h2>{pageWords.whenItStands}</h2>
          <Muted as="p">{pageWords.lifted}</Muted>
          <Two>
            <QuantityField
              label={pageWords.hubs}
              quantity={round.left?.hubs ?? emptyQuantity(lengthUnitFor(settings.unit))}
              unit={lengthUnitFor(settings.unit)}
              readOnly={frozen}
              onChange={(hubs) => editRound((one) => ({ ...one, left: { hanging: '', ...one.left, hubs } }), 'hubs')}
            />
            <Field label={pageWords.hanging}>
              <Input
                maxLength={120}
                readOnly={frozen}
                value={round.left?.hanging ?? ''}
                onChange={({ target }) =>
                  editRound(
                    (one) => ({
                      ...one,
                      left: { hubs: emptyQuantity(lengthUnitFor(settings.unit)), ...one.left, hanging: target.value },
                    }),
                    'hanging',
                  )
                }
              />
            </Field>
          </Two>
        </Card>
      </WorkArea>
      <FindingsPanel
        items={[
          ...reminders,
          ...findingsFor(solved, 'move', before).map((finding) => ({
            key: finding.kind,
            peg: finding.peg,
            said: say(finding, told),
            inColumn: finding.kind === 'shims' || finding.kind === 'push',
            acts:
              finding.kind === 'no-flange'
                ? [{ text: pageWords.goToLine, main: true, run: () => navigate(jobPath(id, 'line')) }]
                : finding.kind === 'push' && !frozen
                  ? [{ text: pageWords.movedStartNextRound, main: true, run: () => beginRound() }]
                  : [],
          })),
        ]}
      />
    </WorkAreaAndFindings>
  )
}
