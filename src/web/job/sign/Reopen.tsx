import { useState } from 'react'
import styled from 'styled-components'
import { sayDateTime } from '../../../words/dates'
import { signWords } from '../../../words/page/sign'
import { PinField } from '../../accounts/PinField'
import { useDoor } from '../../accounts/useDoor'
import { type RevisionRow, useReopen } from '../../api/signing'
import { mono } from '../../app/style'
import { Button, Card, Fault, Field, Input, Muted } from '../../parts/controls'

const Sheet = styled(
  Card,
)`display: grid; gap: 10px; h2 { font-size: 17px; } code { ${mono} font-size: 12px; overflow-wrap: anywhere; }`
const Form = styled.form`display: grid; grid-template-columns: 120px minmax(0, 1fr); gap: 10px; align-items: end; > :last-child { grid-column: 1 / -1; justify-self: start; }`

/** Who signed, the hash, and opening it again with a reason. */
export function Reopen({
  id,
  revision,
  initials,
}: {
  id: string
  revision: RevisionRow | undefined
  initials: string
}) {
  const [by, setBy] = useState(initials)
  const [because, setBecause] = useState('')
  const [pin, setPin] = useState('')
  const door = useDoor()?.door ?? false
  const reopen = useReopen(id)
  return (
    <Sheet aria-label={signWords.reopen}>
      {revision ? (
        <>
          <h2>{signWords.revision(revision.number)}</h2>
          <p>
            {signWords.signedBy(revision.doneBy, sayDateTime(new Date(revision.signedAt)))}{' '}
            {revision.checkedBy ? signWords.checkedByWhom(revision.checkedBy) : ''}
          </p>
          <p>
            {signWords.sha} <code>{revision.sha256}</code>
          </p>
          <Muted>{signWords.shaMeans}</Muted>
        </>
      ) : null}
      <Form
        onSubmit={(event) => {
          event.preventDefault()
          reopen.mutate({ by, because, ...(door ? { pin } : {}) })
        }}
      >
        <Field label={signWords.reopenBy}>
          <Input maxLength={40} value={by} onChange={({ target }) => setBy(target.value)} />
        </Field>
        <Field label={signWords.reopenBecause}>
          <Input maxLength={300} value={because} onChange={({ target }) => setBecause(target.value)} />
        </Field>
        {door ? <PinField who={by} as="opens" value={pin} onChange={setPin} /> : null}
        <Button
          type="submit"
          isDisabled={by.trim() === '' || because.trim() === '' || (door && pin === '') || reopen.isPending}
        >
          {signWords.reopen}
        </Button>
      </Form>
      <Muted>{signWords.reopenKeeps}</Muted>
      {reopen.error ? <Fault role="alert">{reopen.error.message}</Fault> : null}
    </Sheet>
  )
}
