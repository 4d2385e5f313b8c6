import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import styled from 'styled-components'
import { dayOf, sayLongDate } from '../../../words/dates'
import { dueWords as words } from '../../../words/page/due'
import { api, type StoredJob, sentenceOf } from '../../api/client'
import { useSettings } from '../../app/settings'
import { Button, Fault, Field, Input, Muted } from '../../parts/controls'

const Notice = styled.div`
  display: flex; flex-wrap: wrap; gap: 8px 16px; align-items: end; padding: 8px 20px; background: var(--card); border-bottom: 1px solid var(--rule);
  > p { font-weight: 600; align-self: center; } form { display: flex; flex-wrap: wrap; gap: 8px 12px; align-items: end; }
`

/** A job that is due: when, whose it is, and how to change that with a reason. */
export function DueNotice({ job }: { job: StoredJob }) {
  const { initials } = useSettings()
  const [open, setOpen] = useState(false)
  const [asked, ask] = useState({ dueOn: job.dueOn ?? '', assignedTo: job.assignedTo, by: initials, because: '' })
  const client = useQueryClient()
  const put = useMutation({
    mutationFn: async () => {
      const response = await api.jobs[':id'].due.$put({ param: { id: job.id }, json: asked })
      if (!response.ok) throw new Error(await sentenceOf(response))
    },
    onSuccess: async () => {
      setOpen(false)
      await client.invalidateQueries()
    },
  })
  const field = (key: keyof typeof asked, label: string, type: 'text' | 'date' = 'text', most = 40) => (
    <Field label={label}>
      <Input
        type={type}
        maxLength={most}
        value={asked[key]}
        onChange={({ target }) => ask((now) => ({ ...now, [key]: target.value }))}
      />
    </Field>
  )
  return (
    <Notice>
      <p>{words.due(job.dueOn ? sayLongDate(dayOf(job.dueOn)) : '', job.assignedTo)}</p>
      {job.dueBy ? (
        <Muted style={{ alignSelf: 'center' }}>{words.changed(job.dueBy, job.dueBecause ?? '')}</Muted>
      ) : null}
      {open ? (
        <form
          onSubmit={(event) => {
            event.preventDefault()
            put.mutate()
          }}
        >
          {field('dueOn', words.day, 'date')}
          {field('assignedTo', words.whose)}
          {field('by', words.by)}
          {field('because', words.because, 'text', 300)}
          <Button type="submit" isDisabled={put.isPending}>
            {words.put}
          </Button>
          <Button look="quiet" onPress={() => setOpen(false)}>
            {words.cancel}
          </Button>
        </form>
      ) : (
        <Button look="quiet" onPress={() => setOpen(true)}>
          {words.change}
        </Button>
      )}
      {put.error ? <Fault role="alert">{put.error.message}</Fault> : null}
    </Notice>
  )
}
