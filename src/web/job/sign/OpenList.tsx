import { useState, useSyncExternalStore } from 'react'
import styled from 'styled-components'
import type { JobProved } from '../../../core/job/proved'
import { samePerson } from '../../../core/people/roles'
import { openKey, type ProofOpen } from '../../../core/prove/proof'
import { isReason } from '../../../core/prove/reason'
import { signWords } from '../../../words/page/sign'
import { tabletWords } from '../../../words/page/tablet'
import { proofTerms, sayOpen } from '../../../words/prove'
import { PinField } from '../../accounts/PinField'
import { useDoor } from '../../accounts/useDoor'
import { isReached, onReach } from '../../api/reach'
import { useSign } from '../../api/signing'
import { ButtonLink } from '../../parts/ButtonLink'
import { Button, Card, Fault, Field, Input, Muted } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { useJobFrame } from '../frame/context'
import { jobPath, type Step } from '../steps'

const Sheet = styled(Card)`
  display: grid; gap: 12px; h2 { font-size: 17px; }
  ul { list-style: none; margin: 0; padding: 0; display: grid; } li { display: grid; gap: 6px; padding: 10px 0; border-top: 1px solid var(--rule); }
  li > p { display: grid; grid-template-columns: 16px 1fr; gap: 8px; font-weight: 600; } li > p > svg { margin-top: 4px; }
`
const Row = styled.div`display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 8px; align-items: end;`
const Two = styled.div`display: grid; grid-template-columns: 1fr 1fr; gap: 12px;`

/** The step where each outstanding item is resolved. */
const stepOf = ({ kind, ...open }: ProofOpen): Step => {
  if (kind === 'growth') return 'line'
  if (kind === 'ready') return 'ready'
  if (kind === 'seat' || kind === 'seat-unseen') return 'seat'
  if (kind === 'not-read' || kind === 'sag' || kind === 'unfinished' || kind === 'does-not-repeat') return 'read'
  if (kind === 'moved-not-read' || ('state' in open && open.state === 'outside' && kind === 'joint')) return 'move'
  return 'prove'
}

/** Everything that is open, most serious first; a reason for each that stays so; two names and one button. */
export function OpenList({ proved, typing, another }: { proved: JobProved; typing: number; another: boolean }) {
  const { id, document, settings, settle } = useJobFrame()
  const sign = useSign(id)
  const reached = useSyncExternalStore(onReach, isReached)
  const [because, setBecause] = useState<Readonly<Record<string, string>>>({})
  const [doneBy, setDoneBy] = useState(document.doneBy || settings.initials)
  const [checkedBy, setCheckedBy] = useState('')
  const door = useDoor()?.door ?? false
  const [donePin, setDonePin] = useState('')
  const [checkedPin, setCheckedPin] = useState('')
  const [unsettled, setUnsettled] = useState(false)
  const terms = proofTerms(document.line, { unit: settings.unit, resolution: proved.rounds.at(-1)?.resolution ?? 0.01 })
  const { open } = proved.proof
  const unsaid = open.some((one) => !isReason(because[openKey(one)] ?? ''))
  const tooShort = open.some(
    (one) => (because[openKey(one)] ?? '').trim() !== '' && !isReason(because[openKey(one)] ?? ''),
  )
  const same = samePerson(checkedBy, doneBy)
  const press = async () => {
    const version = await settle()
    setUnsettled(version === undefined)
    if (version === undefined) return
    sign.mutate({
      version,
      doneBy,
      checkedBy,
      ...(door ? { donePin, checkedPin } : {}),
      unit: settings.unit,
      accepted: open.map((one) => ({ key: openKey(one), because: (because[openKey(one)] ?? '').trim() })),
    })
  }
  return (
    <Sheet aria-label={signWords.open}>
      <h2>{open.length === 0 ? signWords.nothingOpen : `${signWords.open}: ${open.length}`}</h2>
      {open.length > 0 ? <Muted>{signWords.openDetail}</Muted> : null}
      <ul>
        {open.map((one) => {
          const key = openKey(one)
          const { title } = sayOpen(one, terms)
          return (
            <li key={key}>
              <p>
                <Peg size={14} peg={'state' in one ? one.state : one.kind === 'not-closed' ? 'nothing' : 'unsure'} />
                <span>{title}</span>
              </p>
              <Row>
                <Input
                  aria-label={signWords.because(title)}
                  placeholder={signWords.signAllTheSame}
                  maxLength={300}
                  value={because[key] ?? ''}
                  onChange={({ target }) => setBecause((now) => ({ ...now, [key]: target.value }))}
                />
                <ButtonLink to={jobPath(id, stepOf(one))} aria-label={`${signWords.mend}: ${title}`}>
                  {signWords.mend}
                </ButtonLink>
              </Row>
            </li>
          )
        })}
      </ul>
      {typing > 0 ? <Fault>{signWords.typing(typing)}</Fault> : null}
      <Two>
        <Field label={signWords.doneBy}>
          <Input maxLength={40} value={doneBy} onChange={({ target }) => setDoneBy(target.value)} />
        </Field>
        <Field label={signWords.checkedBy}>
          <Input maxLength={40} value={checkedBy} onChange={({ target }) => setCheckedBy(target.value)} />
        </Field>
        {door ? (
          <>
            <PinField who={doneBy} as="done" value={donePin} onChange={setDonePin} />
            <PinField who={checkedBy} as="checked" value={checkedPin} onChange={setCheckedPin} />
          </>
        ) : null}
      </Two>
      {another ? <Muted>{signWords.another}</Muted> : null}
      {tooShort ? <Muted role="status">{signWords.reasonTooShort}</Muted> : null}
      {same ? (
        another ? (
          <Fault role="alert">{signWords.sameCantCheck}</Fault>
        ) : (
          <Muted role="status">{signWords.sameChecks}</Muted>
        )
      ) : null}
      <Button
        look="act"
        isDisabled={
          typing > 0 ||
          unsaid ||
          (same && another) ||
          doneBy.trim() === '' ||
          (door && donePin === '') ||
          sign.isPending
        }
        onPress={() => void press()}
      >
        {sign.isPending ? signWords.signing : signWords.signIt}
      </Button>
      <Muted>{signWords.onceSigned}</Muted>
      {reached === false ? <Muted role="status">{tabletWords.signNeedsServer}</Muted> : null}
      {unsettled ? <Fault role="alert">{signWords.notStoredYet}</Fault> : null}
      {sign.error ? <Fault role="alert">{sign.error.message}</Fault> : null}
    </Sheet>
  )
}
