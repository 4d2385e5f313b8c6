import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { plural } from '../../../words/language'
import { jobWords } from '../../../words/page/job'
import { capital, jobName } from '../../../words/terms'
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
    if (put) navigate('/', { state: { away: { kind: 'job', id, name: capital(jobName(number)) } satisfies PutAway } })
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
    <Card aria-label={jobWords.thisJob}>
      <h2>{jobWords.thisJob}</h2>
      <Grid>
        <Field label={jobWords.title}>
          <Input maxLength={80} {...field('title')} />
        </Field>
        <Field label={jobWords.doneBy}>
          <Input maxLength={40} {...field('doneBy')} />
        </Field>
        <Field label={jobWords.minutesAtTheMachine}>
          <Input maxLength={12} inputMode="numeric" {...field('minutes')} />
        </Field>
        <Field label={jobWords.noteForTheReport}>
          <TextArea rows={2} maxLength={2000} {...field('note')} />
        </Field>
      </Grid>
      <p style={{ marginTop: 12 }}>
        {archived ? (
          <Button onPress={() => away.mutate({ id, archived: false })}>{jobWords.restoreThisJob}</Button>
        ) : (
          <Remove
            label={jobWords.archiveThisJob}
            goes={jobWords.thisTakesTheJobOff(
              plural(document.rounds.length, { one: 'round', other: `${document.rounds.length} rounds` }),
              readings,
            )}
            onRemove={() => away.mutate({ id, archived: true })}
          />
        )}
      </p>
      {away.error ? <Fault role="alert">{away.error.message}</Fault> : null}
    </Card>
  )
}
