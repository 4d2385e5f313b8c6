import { Plus } from 'lucide-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { checksOf, kindOf } from '../../../core/kinds'
import { emptyQuantity } from '../../../core/quantity/quantity'
import { cautions, mayStayEngaged, type Occasion } from '../../../core/ready/catalog'
import { type CheckState, emptyCheck, emptyReady, readyState } from '../../../core/ready/ready'
import type { Ready } from '../../../core/ready/schema'
import { cautionTexts } from '../../../words/cautions'
import { sayTime } from '../../../words/dates'
import { readyWords } from '../../../words/page/ready'
import { checkTexts, occasionNames, sayReady } from '../../../words/ready'
import { lengthWithUnit } from '../../../words/terms'
import { newId } from '../../app/newId'
import { changeSettings } from '../../app/settings'
import { narrow } from '../../app/style'
import { pages } from '../../kinds'
import { Button, Choices, Field, Input, Muted, Select } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { QuantityField } from '../../parts/Quantity'
import { FindingsPanel } from '../../say/FindingsPanel'
import { useJobFrame } from '../frame/context'
import { BenchHead, WorkArea, WorkAreaAndFindings } from '../frame/WorkArea'
import { Photographs } from '../photographs/Photographs'
import { jobPath } from '../steps'

const Cautions = styled.ul`
  list-style: none; margin: 0 0 24px; padding: 0; display: grid; grid-template-columns: 1fr 1fr; gap: 0 20px; ${narrow} { grid-template-columns: 1fr; }
  li { display: flex; gap: 12px; align-items: center; padding: 8px 0; border-top: 1px solid var(--rule); min-height: 62px; }
  li > span { flex: 1; } b { display: block; line-height: 1.25; } small { color: var(--muted); font-size: 13px; }
`
const Checks = styled.ul`
  list-style: none; margin: 0 0 12px; padding: 0;
  li { display: grid; grid-template-columns: 20px minmax(0, 1.3fr) 130px auto minmax(110px, 1fr); gap: 12px; align-items: center; padding: 8px 0; border-top: 1px solid var(--rule); min-height: 64px; ${narrow} { grid-template-columns: 20px 1fr; > :nth-child(n + 3) { grid-column: 2; } } }
  b { display: block; line-height: 1.25; } small { color: var(--muted); font-size: 13px; }
`
const Measures = styled.div`display: grid; gap: 6px;`
const Noted = styled.div`display: grid; gap: 2px;`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 12px; align-items: end; margin-bottom: 16px;`
const H2 = styled.h2`font-size: 17px; margin: 8px 0;`

const pegOf: Record<CheckState['state'], 'nothing' | 'within' | 'outside' | 'unsure'> = {
  open: 'nothing',
  good: 'within',
  bad: 'outside',
  over: 'outside',
  skipped: 'unsure',
  unreasoned: 'outside',
}

/** Everything before the first reading: cautions first, then the checks the occasion calls for, then rough alignment. */
export function ReadyStep() {
  const frame = useJobFrame()
  const { document, terms, settings, frozen } = frame
  const navigate = useNavigate()
  const More = pages[document.line.kind].ReadyMore
  const [own, setOwn] = useState('')
  const ready = document.ready ?? emptyReady()
  const state = readyState(document, checksOf(document.line))
  const edit = (change: (ready: Ready) => Ready, mark?: string) =>
    frame.edit((job) => ({ ...job, ready: change(job.ready ?? emptyReady()) }), mark)
  const now = () => ({ by: settings.initials, at: new Date().toISOString() })
  const editCheck = (id: string, change: Partial<Ready['checks'][string]>, mark?: string) =>
    edit(
      (r) => ({
        ...r,
        checks: { ...r.checks, [id]: { ...(r.checks[id] ?? emptyCheck(settings.unit)), ...change, ...now() } },
      }),
      mark,
    )
  const hasFeet = kindOf(document.line).seats(document.line).length > 0
  const items = sayReady(state, terms).map(({ key, peg, ...said }) => ({
    key,
    peg,
    said,
    acts:
      key === 'done'
        ? [
            hasFeet
              ? { text: readyWords.goToSeat, main: true, run: () => navigate(jobPath(frame.id, 'seat')) }
              : { text: readyWords.goToRead, main: true, run: () => navigate(jobPath(frame.id, 'read')) },
          ]
        : [],
  }))

  return (
    <WorkAreaAndFindings>
      <WorkArea id="bench">
        <BenchHead>
          <div>
            <h1>{readyWords.beforeTheFirstReading}</h1>
            <Muted>
              {mayStayEngaged(ready.occasion)
                ? readyWords.theCouplingMayStayConnected
                : readyWords.couplingDisconnected}
            </Muted>
          </div>
        </BenchHead>
        <Row>
          <Field label={readyWords.reasonForTheJob}>
            <Select
              disabled={frozen}
              value={ready.occasion}
              options={Object.entries(occasionNames).map(([value, text]) => ({ value, text }))}
              onPick={(occasion) => edit((r) => ({ ...r, occasion: occasion as Occasion }))}
            />
          </Field>
          <Field label={readyWords.yourInitials}>
            <Input
              style={{ width: 110 }}
              maxLength={12}
              value={settings.initials}
              onChange={(event) => changeSettings({ initials: event.target.value })}
            />
          </Field>
          <Field label={readyWords.permitNumber}>
            <Input
              maxLength={60}
              value={ready.permit}
              readOnly={frozen}
              onChange={(event) => edit((r) => ({ ...r, permit: event.target.value }), 'permit')}
            />
          </Field>
        </Row>
        <H2>{readyWords.cautions}</H2>
        {settings.initials.trim() === '' && state.openCautions.length > 0 ? (
          <Muted>{readyWords.enterYourInitialsToSign}</Muted>
        ) : null}
        <Cautions aria-label={readyWords.cautions}>
          {cautions.map((id) => {
            const signed = ready.cautions[id]
            const { title, detail } = cautionTexts[id]
            return (
              <li key={id}>
                <Peg peg={signed ? 'within' : 'outside'} label={signed ? readyWords.signed : readyWords.open} />
                <span>
                  <b>{title}</b>
                  {signed ? null : <small>{detail}</small>}
                </span>
                {signed ? (
                  <Button
                    look="quiet"
                    isDisabled={frozen}
                    aria-label={readyWords.signedRemoveSignature(title, signed.by, timeOf(signed.at))}
                    onPress={() =>
                      edit((r) => {
                        const { [id]: _, ...rest } = r.cautions
                        return { ...r, cautions: rest }
                      })
                    }
                  >
                    {signed.by || 'signed'} {timeOf(signed.at)}
                  </Button>
                ) : (
                  <Button
                    isDisabled={frozen || settings.initials.trim() === ''}
                    aria-label={readyWords.sign2(title)}
                    onPress={() => edit((r) => ({ ...r, cautions: { ...r.cautions, [id]: now() } }))}
                  >
                    {readyWords.sign}
                  </Button>
                )}
              </li>
            )
          })}
        </Cautions>
        <H2>{readyWords.checks}</H2>
        <Checks aria-label={readyWords.checks}>
          {state.checks.map((check) => {
            const text = check.own
              ? { title: check.own, detail: readyWords.addedForThisLine }
              : (checkTexts[check.id] ?? { title: check.id, detail: '' })
            const kept = ready.checks[check.id] ?? emptyCheck(settings.unit)
            return (
              <li key={check.id}>
                <Peg peg={pegOf[check.state]} />
                <span>
                  <b>{text.title}</b>
                  <small>
                    {text.detail}
                    {check.limit === undefined
                      ? ''
                      : readyWords.maximum(lengthWithUnit(check.limit, { ...terms, resolution: 0.01 }))}
                  </small>
                </span>
                {check.measured ? (
                  <Measures>
                    {measuresOf(check).map(([key, label]) => (
                      <QuantityField
                        key={key}
                        label={label}
                        quantity={kept[key] ?? emptyQuantity(settings.unit)}
                        unit={settings.unit}
                        readOnly={frozen}
                        onChange={(value) => editCheck(check.id, { [key]: value }, `${check.id}:${key}`)}
                      />
                    ))}
                  </Measures>
                ) : (
                  <span />
                )}
                <Choices
                  label={readyWords.outcome(text.title)}
                  value={kept.outcome}
                  isDisabled={frozen}
                  options={[
                    { value: 'good', text: readyWords.ok },
                    { value: 'bad', text: readyWords.notOk },
                    { value: 'skipped', text: readyWords.skip },
                  ]}
                  onChange={(outcome) => editCheck(check.id, { outcome })}
                />
                <Noted>
                  <Input
                    aria-label={`${text.title}: ${kept.outcome === 'skipped' ? readyWords.reasonForSkipping : readyWords.note}`}
                    placeholder={kept.outcome === 'skipped' ? readyWords.why : readyWords.note2}
                    aria-invalid={check.state === 'unreasoned' ? true : undefined}
                    maxLength={200}
                    readOnly={frozen}
                    value={kept.note}
                    onChange={(event) => editCheck(check.id, { note: event.target.value }, `${check.id}:note`)}
                  />
                  {kept.at ? <small>{[kept.by, timeOf(kept.at)].filter(Boolean).join(' ')}</small> : null}
                </Noted>
              </li>
            )
          })}
        </Checks>
        {frozen ? null : (
          <Row
            as="form"
            onSubmit={(event) => {
              event.preventDefault()
              if (!own.trim()) return
              const id = newId('own')
              frame.edit((job) => ({
                ...job,
                line: { ...job.line, checks: [...(job.line.checks ?? []), { id, text: own.trim() }] },
              }))
              setOwn('')
            }}
          >
            <Field label={readyWords.checkForThisLine}>
              <Input
                style={{ minWidth: 260 }}
                maxLength={120}
                value={own}
                onChange={(event) => setOwn(event.target.value)}
              />
            </Field>
            <Button type="submit">
              <Plus size={16} aria-hidden="true" /> {readyWords.addCheck}
            </Button>
          </Row>
        )}
        {More ? <More /> : null}
        <Photographs
          at="ready"
          places={state.checks.map(({ id, own }) => ({ id, name: own ?? checkTexts[id]?.title ?? id }))}
        />
      </WorkArea>
      <FindingsPanel items={items} />
    </WorkAreaAndFindings>
  )
}

/** What is typed of a measured check: the value, and the maker's figure where the maker says how much. */
function measuresOf({ maker }: CheckState): (readonly ['value' | 'maker' | 'plusMinus', string])[] {
  const value = ['value', readyWords.measured] as const
  if (maker === 'most') return [value, ['maker', readyWords.makersMaximum]]
  return maker === 'about'
    ? [value, ['maker', readyWords.makersFigure], ['plusMinus', readyWords.plusOrMinus]]
    : [value]
}

const timeOf = (at: string): string => (at ? sayTime(new Date(at)) : '')
