import { droppedBy, matchSets } from '../../../../core/kinds/train/document/alter'
import { readingsIn } from '../../../../core/shafts/typed'
import { plural } from '../../../../words/language'
import { lineWords } from '../../../../words/train/page/line'
import { JobCard } from '../../../job/frame/JobCard'
import { jobPath } from '../../../job/steps'
import { ButtonLink } from '../../../parts/ButtonLink'
import { useTrainFrame } from '../frame'
import { HotAndCold } from './HotAndCold'
import { LineEditor } from './LineEditor'

/** The job's own copy of its line, and what else the printed page says of the job. */
export function JobLine() {
  const { document, edit, settings, frozen, id } = useTrainFrame()
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
        return readings === 0
          ? ''
          : lineWords.withReadingsWouldBeRemoved(plural(sets, { one: 'A set', other: `${sets} sets` }), readings)
      }}
      onward={
        <ButtonLink to={jobPath(id, 'read')} $look="act">
          {lineWords.goToRead}
        </ButtonLink>
      }
    >
      {frozen ? null : <HotAndCold id={id} job={document} unit={settings.unit} edit={edit} />}
      <JobCard readings={readingsIn(document.rounds.flatMap(({ sets }) => sets))} />
    </LineEditor>
  )
}
