import { rolls } from '../../../core/kinds/rolls'
import { rollsPageWords } from '../../../words/rolls/page/page'
import { JobCard } from '../../job/frame/JobCard'
import { jobPath } from '../../job/steps'
import { ButtonLink } from '../../parts/ButtonLink'
import { useRollsFrame } from './frame'
import { LineForm } from './LineForm'

/** The job's own copy of its line, and what else the printed page says of the job. */
export function LineStep() {
  const { document, edit, settings, frozen, id } = useRollsFrame()
  return (
    <LineForm
      line={document.line}
      unit={settings.unit}
      flipped={settings.flipped}
      frozen={frozen}
      onChange={(change, mark) => edit((job) => ({ ...job, line: change(job.line) }), mark)}
      onward={
        <ButtonLink to={jobPath(id, 'read')} $look="act">
          {rollsPageWords.goToRead}
        </ButtonLink>
      }
    >
      <JobCard readings={document.rounds.reduce((sum, round) => sum + rolls.readingsIn(round), 0)} />
    </LineForm>
  )
}
