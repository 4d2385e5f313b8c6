import { matchSets } from '../../../core/job/make'
import { ButtonLink } from '../../parts/ButtonLink'
import { LineEditor } from '../line/LineEditor'
import { useJobFrame } from './context'

/** The job's own copy of its line. */
export function JobLine() {
  const { document, edit, settings, frozen, id } = useJobFrame()
  return (
    <LineEditor
      line={document.line}
      unit={settings.unit}
      flipped={settings.flipped}
      frozen={frozen}
      onChange={(change, mark) => edit((job) => matchSets({ ...job, line: change(job.line) }, settings.unit), mark)}
      onward={
        <ButtonLink to={`/jobs/${id}/read`} $look="act">
          To the readings
        </ButtonLink>
      }
    />
  )
}
