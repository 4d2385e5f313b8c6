import { belt } from '../../../core/kinds/belt'
import { makeSet } from '../../../core/kinds/belt/document/make'
import { beltPageWords } from '../../../words/belt/page/page'
import { newId } from '../../app/newId'
import { JobCard } from '../../job/frame/JobCard'
import { jobPath } from '../../job/steps'
import { ButtonLink } from '../../parts/ButtonLink'
import { useBeltFrame } from './frame'
import { LineForm } from './LineForm'

/** The job's own copy of its line, and what else the printed page says of the job. */
export function LineStep() {
  const { document, edit, settings, frozen, id } = useBeltFrame()
  return (
    <LineForm
      line={document.line}
      unit={settings.unit}
      flipped={settings.flipped}
      frozen={frozen}
      onChange={(change, mark) =>
        edit((job) => {
          const line = change(job.line)
          const moved = line.sheaves.slice(1)
          // a sheave that came is read as well; what was read of one that went stays nowhere
          const rounds = job.rounds.map((round) => ({
            ...round,
            sets: [
              ...round.sets.filter(({ on }) => moved.some((sheave) => sheave.id === on)),
              ...moved
                .filter((sheave) => !round.sets.some(({ on }) => on === sheave.id))
                .map((sheave) => makeSet(sheave.id, newId('set'), settings.unit)),
            ],
          }))
          return { ...job, line, rounds }
        }, mark)
      }
      onward={
        <ButtonLink to={jobPath(id, 'read')} $look="act">
          {beltPageWords.goToRead}
        </ButtonLink>
      }
    >
      <JobCard readings={document.rounds.reduce((sum, round) => sum + belt.readingsIn(round), 0)} />
    </LineForm>
  )
}
