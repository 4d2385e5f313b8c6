import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { findingsFor, verdictPeg } from '../../../core/kinds/belt/advice/findings'
import { degreesText, packText, say, shimText, slideText, swingText } from '../../../words/belt/findings'
import { beltPageWords as words } from '../../../words/belt/page/page'
import { capital } from '../../../words/terms'
import { Bench, BenchAndSay, BenchHead } from '../../job/frame/Bench'
import { Card, Field, Input, Muted } from '../../parts/controls'
import { fileName } from '../../parts/files'
import { PdfLink } from '../../print/PdfLink'
import { printer } from '../../print/printer'
import { Say } from '../../say/Say'
import { useBeltFrame } from './frame'

const Table = styled.table`
  border-collapse: collapse; width: 100%; th, td { text-align: left; padding: 8px 16px 8px 0; vertical-align: top; border-top: 1px solid var(--rule); }
  thead th { border-top: 0; color: var(--muted); font-size: 13px; font-weight: 500; } tbody th, tfoot th { font-weight: 600; } .scroll { overflow-x: auto; }
`
const Scroll = styled.div`overflow-x: auto;`
const Two = styled.div`display: grid; grid-template-columns: repeat(auto-fit, minmax(220px, 1fr)); gap: 12px;`

/** Shims, swing and slide at the feet of every machine that moves; and the tension afterward. */
export function MoveStep() {
  const { solved, told, reminders, id, number, document, round, settings, beginRound, frozen, editRound } =
    useBeltFrame()
  const navigate = useNavigate()
  const [stays] = document.line.sheaves
  const working = solved.sheaves.filter(({ work }) => work.length > 0)
  const findings = stays ? findingsFor(solved, stays, 'move') : []
  const within = verdictPeg(solved) === 'within'
  return (
    <BenchAndSay>
      <Bench id="bench">
        <BenchHead>
          <div>
            <h1>{words.movesTitle}</h1>
            <Muted>{words.order}</Muted>
          </div>
          {working.length > 0 ? (
            <PdfLink
              href={`/api/jobs/${id}/move.pdf?unit=${settings.unit}&round=${round.id}`}
              name={fileName(`${document.line.name} moves`)}
              here={() => printer().moves({ number, document }, settings.unit, round.id)}
            >
              {words.sheet}
            </PdfLink>
          ) : null}
        </BenchHead>
        {working.length === 0 ? <Muted as="p">{words.noMoves}</Muted> : null}
        {working.map(({ sheave, work, tiltLeft }) => (
          <Card key={sheave.id} as="section" aria-label={words.atTheFeet(sheave.name)} style={{ marginBottom: 16 }}>
            <h2>{words.atTheFeet(sheave.name)}</h2>
            <Scroll>
              <Table>
                <thead>
                  <tr>
                    {[words.station, words.shimsHead, words.packs, words.swing].map((text) => (
                      <th key={text} scope="col">
                        {text}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {work.map((one) => (
                    <tr key={one.foot}>
                      <th scope="row">{sheave.feet.find((foot) => foot.id === one.foot)?.name}</th>
                      <td>{capital(shimText(one, sheave, told))}</td>
                      <td>{packText(one.pack, told)}</td>
                      <td>{capital(swingText(one, sheave, told))}</td>
                    </tr>
                  ))}
                </tbody>
                <tfoot>
                  <tr>
                    <th scope="row">{words.slide}</th>
                    <td colSpan={3}>{capital(slideText(work[0]?.slide ?? null, told))}</td>
                  </tr>
                </tfoot>
              </Table>
            </Scroll>
            {Math.abs(tiltLeft) > 1e-4 ? <Muted as="p">{words.leftOver(degreesText(tiltLeft))}</Muted> : null}
          </Card>
        ))}
        <Card as="section" aria-label={words.tensionTitle}>
          <h2>{words.tensionTitle}</h2>
          <Two>
            <Field label={words.tensionSet}>
              <Input
                maxLength={120}
                readOnly={frozen}
                value={round.tension.set}
                onChange={({ target }) =>
                  editRound((one) => ({ ...one, tension: { ...one.tension, set: target.value } }), 'tension')
                }
              />
            </Field>
            <Field label={words.tensionAgain}>
              <Input
                type="date"
                readOnly={frozen}
                value={round.tension.again}
                onChange={({ target }) =>
                  editRound((one) => ({ ...one, tension: { ...one.tension, again: target.value } }), 'again')
                }
              />
            </Field>
          </Two>
        </Card>
      </Bench>
      <Say
        items={[
          ...reminders,
          ...findings.map((finding, i) => ({
            key: `${finding.kind} ${i}`,
            peg: finding.peg,
            said: say(finding, told, solved.limit),
            acts:
              finding.kind === 'missing'
                ? [{ text: words.goToLine, main: true, run: () => navigate(`/jobs/${id}/line`) }]
                : finding.kind === 'slide' && !frozen && !within
                  ? [{ text: words.moved, main: true, run: () => beginRound() }]
                  : [],
          })),
        ]}
      />
    </BenchAndSay>
  )
}
