import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { findingsFor, verdictPeg } from '../../../core/kinds/belt/advice/findings'
import type { BeltSheave } from '../../../core/kinds/belt/document/schema'
import { beltSpeed, deflectionOf, freeSpan, tensionOf } from '../../../core/kinds/belt/solve/tension'
import { formatNumber, parseNumber } from '../../../core/quantity/number'
import { quantityMm } from '../../../core/quantity/quantity'
import {
  degreesText,
  packsText,
  say,
  sheaveName,
  shimAmount,
  slideText,
  swingAmount,
} from '../../../words/belt/findings'
import { beltPageWords as words } from '../../../words/belt/page/page'
import { capital, dimension, lengthWithUnit, rimSpeedText } from '../../../words/terms'
import { phone, rowsAsCards } from '../../app/style'
import { BenchHead, WorkArea, WorkAreaAndFindings } from '../../job/frame/WorkArea'
import { StillToGain } from '../../job/move/StillToGain'
import { WhatWasDone } from '../../job/move/WhatWasDone'
import { jobPath } from '../../job/steps'
import { Card, Choices, Field, Input, Muted } from '../../parts/controls'
import { fileName } from '../../parts/files'
import { Help } from '../../parts/Help'
import { Wide } from '../../parts/Wide'
import { PdfLink } from '../../print/PdfLink'
import { printer } from '../../print/printer'
import { FindingsPanel } from '../../say/FindingsPanel'
import { useBeltFrame } from './frame'
import { LiveMove } from './LiveMove'

const Table = styled.table`
  border-collapse: collapse; width: 100%; th, td { text-align: left; padding: 8px 16px 8px 0; vertical-align: top; border-top: 1px solid var(--rule); }
  thead th { border-top: 0; color: var(--muted); font-size: 13px; font-weight: 500; } tbody th, tfoot th { font-weight: 600; } .scroll { overflow-x: auto; }
  ${rowsAsCards} ${phone} { tfoot { display: block; } }
`
const Two = styled.div`display: grid; grid-template-columns: repeat(auto-fit, minmax(220px, 1fr)); gap: 12px; margin-top: 12px;`

/** Shims, swing and slide at the feet of every machine that moves; and the tension afterward. */
export function MoveStep() {
  const { solved, told, reminders, id, number, document, round, settings, beginRound, frozen, editRound } =
    useBeltFrame()
  const navigate = useNavigate()
  const [stays] = document.line.sheaves
  const working = solved.sheaves.filter(({ work }) => work.length > 0)
  const findings = stays ? findingsFor(solved, stays, 'move') : []
  const within = verdictPeg(solved) === 'within'
  const diameters = (sheave: BeltSheave) => quantityMm(sheave.diameter)
  const spans = solved.sheaves.flatMap(({ sheave, solved: found }) => {
    const [own, other] = [diameters(sheave), stays && diameters(stays)]
    const span = found && own && other ? freeSpan(found.distance, other, own) : undefined
    return span === undefined ? [] : [{ sheave, span }]
  })
  const [mass, frequency] = [parseNumber(round.tension.mass ?? ''), parseNumber(round.tension.frequency ?? '')]
  const [first] = spans
  const rpm = parseNumber(document.line.speed ?? '')
  const wheel = stays && diameters(stays)
  const speed = rpm.ok && rpm.value > 0 && wheel ? beltSpeed(wheel, rpm.value) : undefined
  const force = mass.ok && frequency.ok && first ? tensionOf(mass.value, first.span, frequency.value) : undefined
  return (
    <WorkAreaAndFindings>
      <WorkArea id="bench">
        <BenchHead>
          <div>
            <h1>{words.movesTitle}</h1>
            <Help of={words.movesTitle}>{words.order}</Help>
          </div>
          <Choices
            label={words.orderOf}
            value={round.order ?? 'tilt'}
            options={[
              { value: 'tilt', text: words.tiltFirst },
              { value: 'toe', text: words.toeFirst },
            ]}
            onChange={(order) => editRound((one) => ({ ...one, order }))}
          />
          {working.length > 0 && !within ? (
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
        {working.length === 0 ? <Muted as="p">{words.noMoves}</Muted> : null}
        <StillToGain within={within && working.length > 0}>
          {working.map((each) => {
            const { sheave, work, tiltLeft } = each
            return (
              <Card key={sheave.id} as="section" aria-label={words.atTheFeet(sheave.name)} style={{ marginBottom: 16 }}>
                <h2>{words.atTheFeet(sheave.name)}</h2>
                <Wide>
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
                          <td data-of={words.shimsHead}>{shimAmount(one, told)}</td>
                          <td data-of={words.packs}>{packsText(one, sheave, told)}</td>
                          <td data-of={words.swing}>{swingAmount(one, told)}</td>
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
                </Wide>
                {Math.abs(tiltLeft) > 1e-4 ? <Muted as="p">{words.leftOver(degreesText(tiltLeft))}</Muted> : null}
                {frozen || !each.stops ? null : <LiveMove one={each} />}
              </Card>
            )
          })}
        </StillToGain>
        <Card as="section" aria-label={words.tensionTitle}>
          <h2>{words.tensionTitle}</h2>
          {speed === undefined ? null : <p>{words.runs(rimSpeedText(speed, settings.unit))}</p>}
          {spans.map(({ sheave, span }) => (
            <p key={sheave.id}>
              {words.spanTold(
                capital(sheaveName(sheave.id, document.line)),
                dimension(span, settings.unit),
                lengthWithUnit(deflectionOf(span), { unit: settings.unit, resolution: 0.1 }),
              )}
            </p>
          ))}
          <Two>
            {(['mass', 'frequency'] as const).map((key) => (
              <Field key={key} label={words[key]}>
                <Input
                  inputMode="decimal"
                  maxLength={12}
                  readOnly={frozen}
                  value={round.tension[key] ?? ''}
                  onChange={({ target }) =>
                    editRound((one) => ({ ...one, tension: { ...one.tension, [key]: target.value } }), key)
                  }
                />
              </Field>
            ))}
          </Two>
          {force === undefined ? null : <p>{words.force(formatNumber(force, 0))}</p>}
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
      </WorkArea>
      <FindingsPanel
        items={[
          ...reminders,
          ...findings.map((finding, i) => ({
            key: `${finding.kind} ${i}`,
            peg: finding.peg,
            said: say(finding, told, solved.limit),
            inColumn: finding.kind === 'tilt' || finding.kind === 'toe',
            acts:
              finding.kind === 'missing'
                ? [{ text: words.goToLine, main: true, run: () => navigate(jobPath(id, 'line')) }]
                : finding.kind === 'slide' && !frozen && !within
                  ? [{ text: words.moved, main: true, run: () => beginRound() }]
                  : [],
          })),
        ]}
      />
    </WorkAreaAndFindings>
  )
}
