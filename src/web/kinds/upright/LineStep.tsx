import { anglesAtBolts } from '../../../core/kinds/upright/document/make'
import { readingsIn } from '../../../core/shafts/typed'
import { pageWords } from '../../../words/upright/page/page'
import { JobCard } from '../../job/frame/JobCard'
import { jobPath } from '../../job/steps'
import { ButtonLink } from '../../parts/ButtonLink'
import { useUprightFrame } from './frame'
import { LineForm } from './LineForm'

/** The job's own copy of its line, and what else the printed page says of the job. */
export function LineStep() {
  const { document, edit, settings, frozen, id } = useUprightFrame()
  return (
    <LineForm
      line={document.line}
      unit={settings.unit}
      flipped={settings.flipped}
      frozen={frozen}
      onChange={(change, mark) =>
        edit((job) => {
          const line = change(job.line)
          if (line.flange.bolts === job.line.flange.bolts) return { ...job, line }
          // the cells are the bolts: readings stay where there is still a bolt at their angle
          const angles = anglesAtBolts(line.flange.bolts)
          const rounds = job.rounds.map((round) => ({ ...round, sets: round.sets.map((set) => ({ ...set, angles })) }))
          return { ...job, line, rounds }
        }, mark)
      }
      onward={
        <ButtonLink to={jobPath(id, 'read')} $look="act">
          {pageWords.goToRead}
        </ButtonLink>
      }
    >
      <JobCard readings={readingsIn(document.rounds.flatMap(({ sets }) => sets))} />
    </LineForm>
  )
}
