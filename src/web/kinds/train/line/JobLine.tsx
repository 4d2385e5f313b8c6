import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { droppedBy, matchSets, readingsIn } from '../../../../core/kinds/train/document/alter'
import { useArchive } from '../../../api/archive'
import type { PutAway } from '../../../parts/BroughtBack'
import { ButtonLink } from '../../../parts/ButtonLink'
import { Button, Card, Fault, Field, Input, TextArea } from '../../../parts/controls'
import { Remove } from '../../../parts/Remove'
import { useTrainFrame } from '../frame'
import { HotAndCold } from './HotAndCold'
import { LineEditor } from './LineEditor'

const Grid = styled.div`display: grid; grid-template-columns: 1.4fr 110px 150px; gap: 12px; align-items: end; label:last-child { grid-column: 1 / -1; } @media (max-width: 700px) { grid-template-columns: 1fr 1fr; }`

/** The job's own copy of its line, and what else the printed page says of the job. */
export function JobLine() {
  const { document, edit, settings, frozen, id, number, archived } = useTrainFrame()
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
    <LineEditor
      line={document.line}
      unit={settings.unit}
      flipped={settings.flipped}
      frozen={frozen}
      onChange={(change, mark) =>
        edit((job) => matchSets({ ...job, line: change(job.line) }, settings.unit, job.line), mark)
      }
      dropped={(line) => {
        const { sets, readings } = droppedBy(document, line)
        return readings === 0 ? '' : `${sets === 1 ? 'A set' : `${sets} sets`} with ${readings} readings would go. `
      }}
      onward={
        <ButtonLink to={`/jobs/${id}/read`} $look="act">
          To the readings
        </ButtonLink>
      }
    >
      {frozen ? null : <HotAndCold id={id} job={document} unit={settings.unit} edit={edit} />}
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
              goes={`It leaves the Floor with its ${document.rounds.length === 1 ? 'round' : `${document.rounds.length} rounds`} and ${readingsIn(document.rounds.flatMap(({ sets }) => sets))} readings. “Put away” on the Floor brings it back.`}
              onRemove={() => away.mutate({ id, archived: true })}
            />
          )}
        </p>
        {away.error ? <Fault role="alert">{away.error.message}</Fault> : null}
      </Card>
    </LineEditor>
  )
}
