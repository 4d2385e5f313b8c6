import { bore } from '../../../core/kinds/bore'
import { makeSet } from '../../../core/kinds/bore/document/make'
import { borePageWords } from '../../../words/bore/page/page'
import { newId } from '../../app/newId'
import { JobCard } from '../../job/frame/JobCard'
import { jobPath } from '../../job/steps'
import { ButtonLink } from '../../parts/ButtonLink'
import { useBoreFrame } from './frame'
import { LineForm } from './LineForm'

/** The job's own copy of its line, and what else the printed page says of the job. */
export function LineStep() {
  const { document, edit, settings, frozen, id } = useBoreFrame()
  return (
    <LineForm
      line={document.line}
      unit={settings.unit}
      flipped={settings.flipped}
      frozen={frozen}
      onChange={(change, mark) =>
        edit((job) => {
          const line = change(job.line)
          const here = (section: string) => line.sections.some((one) => one.id === section)
          // a section that came is read as well; what was read of one that went goes with it
          const rounds = job.rounds.map((round) => ({
            ...round,
            sets: [
              ...round.sets.filter(({ section }) => here(section)),
              ...line.sections
                .filter((one) => !round.sets.some(({ section }) => section === one.id))
                .map((one) => makeSet(one.id, newId('set'), settings.unit)),
            ],
          }))
          return { ...job, line, rounds }
        }, mark)
      }
      onward={
        <ButtonLink to={jobPath(id, 'read')} $look="act">
          {borePageWords.goToRead}
        </ButtonLink>
      }
    >
      <JobCard readings={document.rounds.reduce((sum, round) => sum + bore.readingsIn(round), 0)} />
    </LineForm>
  )
}
