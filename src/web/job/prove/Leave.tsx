import { useState } from 'react'
import { type LeaveReason, leaveReasons, type ProofSaid } from '../../../core/prove/schema'
import { proveWords } from '../../../words/page/prove'
import { leaveReasonNames } from '../../../words/prove'
import { Button, Field, Input, Muted, Select } from '../../parts/controls'
import { Row, type SayProof, Sheet } from './parts'

/** A job may end without a move: somebody says why, and stands for it. */
export function Leave(props: {
  said: ProofSaid
  say: SayProof
  signed: () => { by: string; at: string }
  frozen: boolean
  /** Whether there are initials to stand for it. */
  ready: boolean
}) {
  const { said, say, signed, frozen, ready } = props
  const [reason, setReason] = useState<LeaveReason>('within')
  const [note, setNote] = useState('')
  const { leave } = said
  if (frozen && !leave) return null
  return (
    <Sheet aria-label={proveWords.leaveTitle} id="leave">
      <h2>{proveWords.leaveTitle}</h2>
      {leave ? (
        <>
          <p>
            {proveWords.leftBy(
              [leave.reason === 'other' ? '' : leaveReasonNames[leave.reason], leave.note].filter(Boolean).join(', '),
              leave.by,
            )}
          </p>
          {frozen ? null : (
            <Row>
              <Button onPress={() => say(({ leave: _, ...one }) => one)}>{proveWords.leaveAfterAll}</Button>
            </Row>
          )}
        </>
      ) : (
        <Row
          as="form"
          onSubmit={(event) => {
            event.preventDefault()
            if (!ready || (reason === 'other' && note.trim() === '')) return
            say((one) => ({ ...one, leave: { reason, note: note.trim(), ...signed() } }))
          }}
        >
          <Field label={proveWords.leaveBecause}>
            <Select
              value={reason}
              options={leaveReasons.map((value) => ({ value, text: leaveReasonNames[value] }))}
              onPick={(value) => setReason(value as LeaveReason)}
            />
          </Field>
          <Field label={proveWords.leaveNote}>
            <Input
              style={{ minWidth: 220 }}
              maxLength={300}
              value={note}
              onChange={(event) => setNote(event.target.value)}
            />
          </Field>
          <Button type="submit" isDisabled={!ready || (reason === 'other' && note.trim() === '')}>
            {proveWords.leave}
          </Button>
        </Row>
      )}
      <Muted>{ready || leave ? proveWords.leaveStands : proveWords.enterInitials}</Muted>
    </Sheet>
  )
}
