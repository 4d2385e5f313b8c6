import { useNavigate } from 'react-router'
import { findingsFor } from '../../../core/kinds/upright/advice/findings'
import { boltName, packText, pushText, say, shimText } from '../../../words/upright/findings'
import { pageWords } from '../../../words/upright/page/page'
import { Bench, BenchAndSay, BenchHead } from '../../job/frame/Bench'
import { Card, Muted } from '../../parts/controls'
import { fileName } from '../../parts/files'
import { PdfLink } from '../../print/PdfLink'
import { printer } from '../../print/printer'
import { Say } from '../../say/Say'
import { useUprightFrame } from './frame'

/** A shim at every bolt, and one push. */
export function MoveStep() {
  const { solved, before, told, reminders, id, number, document, round, settings, beginRound, frozen } =
    useUprightFrame()
  const navigate = useNavigate()
  const { work } = solved
  return (
    <BenchAndSay>
      <Bench id="bench">
        <BenchHead>
          <div>
            <h1>{pageWords.moves}</h1>
            <Muted>{pageWords.shimsAtTheBoltsFirst}</Muted>
          </div>
          {work?.bolts ? (
            <PdfLink
              href={`/api/jobs/${id}/move.pdf?unit=${settings.unit}&round=${round.id}`}
              name={fileName(`${document.line.name} moves`)}
              here={() => printer().moves({ number, document }, settings.unit, round.id)}
            >
              {pageWords.sheetForTheMachine}
            </PdfLink>
          ) : null}
        </BenchHead>
        {work?.bolts ? (
          <Card as="section" aria-label={pageWords.atTheBolts}>
            <table style={{ borderSpacing: '20px 8px' }}>
              <tbody>
                {work.bolts.map((bolt) => (
                  <tr key={bolt.bolt}>
                    <th scope="row">{boltName(bolt.bolt)}</th>
                    <td>{shimText(bolt, told)}</td>
                    <td>{packText(bolt, told)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            <p>{pushText(work, told)}</p>
          </Card>
        ) : (
          <Muted as="p">{pageWords.noMovesYetReadBoth}</Muted>
        )}
      </Bench>
      <Say
        items={[
          ...reminders,
          ...findingsFor(solved, 'move', before).map((finding) => ({
            key: finding.kind,
            peg: finding.peg,
            said: say(finding, told),
            acts:
              finding.kind === 'no-flange'
                ? [{ text: pageWords.goToLine, main: true, run: () => navigate(`/jobs/${id}/line`) }]
                : finding.kind === 'push' && !frozen
                  ? [{ text: pageWords.movedStartNextRound, main: true, run: () => beginRound() }]
                  : [],
          })),
        ]}
      />
    </BenchAndSay>
  )
}
