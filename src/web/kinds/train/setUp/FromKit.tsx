import styled from 'styled-components'
import { withBracket, withDial, withHead } from '../../../../core/kinds/train/document/fromKit'
import { quantityMm } from '../../../../core/quantity/quantity'
import type { ProbeSetUp } from '../../../../core/shafts/schema'
import { sags } from '../../../../core/shafts/typed'
import { sayStoredDay } from '../../../../words/dates'
import { dimension } from '../../../../words/terms'
import { setUpWords } from '../../../../words/train/page/setUp'
import { useKit } from '../../../notebook/useKit'
import { ButtonLink } from '../../../parts/ButtonLink'
import { Fault, Field, Muted, Select } from '../../../parts/controls'

const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px 12px; align-items: end; margin-top: 10px;`

interface Props {
  probe: ProbeSetUp
  unit: 'mm' | 'mil'
  frozen: boolean
  onProbe: (change: (probe: ProbeSetUp) => ProbeSetUp) => void
}

/** Picks dial and bracket, or head, from the kit: what is known of them is filled in. */
export function FromKit({ probe, unit, frozen, onProbe }: Props) {
  const { items, loaded } = useKit()
  if (frozen || !loaded) return null
  const bracket = probe.kit?.bracket
  const used = items.find(({ id }) => id === probe.kit?.dial?.id)?.document
  const due = used && 'calibrationDue' in used ? used.calibrationDue : ''
  const pick = (label: string, kinds: readonly string[], chosen: string | undefined) => {
    const fitting = items.filter(
      ({ document }) => kinds.includes(document.kind) && (document.kind !== 'head' || document.type === probe.type),
    )
    return (
      <Field label={label}>
        <Select
          value={chosen ?? ''}
          options={[
            { value: '', text: fitting.length ? setUpWords.choose : setUpWords.noneInTheKitYet },
            ...fitting.map(({ id, name }) => ({ value: id, text: name })),
          ]}
          onPick={(id) => {
            const found = items.find((item) => item.id === id)?.document
            if (found?.kind === 'dial') onProbe((p) => withDial(p, id, found))
            else if (found?.kind === 'bracket') onProbe((p) => withBracket(p, id, found))
            else if (found?.kind === 'head') onProbe((p) => withHead(p, id, found))
          }}
        />
      </Field>
    )
  }
  return (
    <Row>
      {sags(probe) ? (
        <>
          {pick(setUpWords.dialFromTheKit, ['dial'], probe.kit?.dial?.id)}
          {pick(setUpWords.bracketFromTheKit, ['bracket'], bracket?.id)}
        </>
      ) : (
        pick(setUpWords.headFromTheKit, ['head'], probe.kit?.dial?.id)
      )}
      <ButtonLink to="/kit">{setUpWords.goToKit}</ButtonLink>
      {due && due < new Date().toISOString().slice(0, 10) ? (
        <Fault>{setUpWords.calibrationOfWasDue(used?.name ?? '', sayStoredDay(due))}</Fault>
      ) : null}
      {bracket ? <Muted>{takenText(bracket, unit)}</Muted> : null}
    </Row>
  )
}

function takenText(
  { span, dial, takenOn }: NonNullable<NonNullable<ProbeSetUp['kit']>['bracket']>,
  unit: 'mm' | 'mil',
) {
  const taken = quantityMm(span)
  const parts = [
    takenOn ? setUpWords.on(sayStoredDay(takenOn)) : '',
    taken === undefined ? '' : setUpWords.atASpanOf(dimension(taken, unit)),
    dial ? setUpWords.withWord(dial) : '',
  ].filter(Boolean)
  return parts.length ? setUpWords.sagMeasured(parts.join(', ')) : setUpWords.dateOfTheSagCheck
}
