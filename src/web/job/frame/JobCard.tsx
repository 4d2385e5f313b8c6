import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { useArchive } from '../../api/archive'
import type { PutAway } from '../../parts/BroughtBack'
import { Button, Card, Fault, Field, Input, TextArea } from '../../parts/controls'
import { Remove } from '../../parts/Remove'
import { useJobFrame } from './context'

const Grid = styled.div`display: grid; grid-template-columns: 1.4fr 110px 150px; gap: 12px; align-items: end; label:last-child { grid-column: 1 / -1; } @media (max-width: 700px) { grid-template-columns: 1fr 1fr; }`

/** What the printed page says of a job beside its line, and putting it away. */
export function JobCard({ readings }: { readings: number }) {
  const { document, edit, frozen, id, number, archived } = useJobFrame()
  const navigate = useNavigate()
  const away = useArchive('job', (put) => {
    if (put) navigate('/', { state: { away: { kind: 'job', id, name: `Job ${number}` } satisfies PutAway } })
  })
  const field = (key: 'title' | 'doneBy' | 'minutes' | 'note') => ({
    value: document[key],
    readOnly: frozen,
    onChange: (event: { target: { value: string } }) => {
      const { value } = event.target
      edit((job) => ({ ...job, [key]: value }), `job:${key}`)
    },
  })
  return (
    <Card aria-label="This job">
      <h2>This job</h2>
      <Grid>
        <Field label="What it is">
          <Input maxLength={80} {...field('title')} />
        </Field>
        <Field label="Done by">
          <Input maxLength={40} {...field('doneBy')} />
        </Field>
        <Field label="Minutes at the machine">
          <Input maxLength={12} inputMode="numeric" {...field('minutes')} />
        </Field>
        <Field label="Note for the printed page">
          <TextArea rows={2} maxLength={2000} {...field('note')} />
        </Field>
      </Grid>
      <p style={{ marginTop: 12 }}>
        {archived ? (
          <Button onPress={() => away.mutate({ id, archived: false })}>Bring this job back</Button>
        ) : (
          <Remove
            label="Put this job away"
            goes={`It leaves the Floor with its ${document.rounds.length === 1 ? 'round' : `${document.rounds.length} rounds`} and ${readings} readings. “Put away” on the Floor brings it back.`}
            onRemove={() => away.mutate({ id, archived: true })}
          />
        )}
      </p>
      {away.error ? <Fault role="alert">{away.error.message}</Fault> : null}
    </Card>
  )
}
