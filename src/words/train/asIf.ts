import type { JobSolution } from '../../core/kinds/train/solve/round'
import { planes } from '../../core/quantity/axis'
import type { ProbeState } from '../../core/shafts/state'
import type { Suspect } from '../../core/shafts/suspects'
import { t } from '../language'
import type { Message } from '../said'
import { act, capital, footName, lengthWithUnit, type Terms } from '../terms'
import { saySuspect } from './readFindings'
import { dialOf, dialTerms } from './said'

/** What a slip would come to if it were one, beside the drawn curve. */
export function asIfItem(dial: ProbeState, suspect: Suspect, tried: JobSolution, terms: Terms): Message {
  const then = tried.dials.find(({ id }) => id === dial.id)
  const closes =
    then?.closure === null || then?.closure === undefined
      ? ''
      : t` It would close to ${lengthWithUnit(Math.abs(then.closure), dialTerms(dial, terms))}.`
  const moves = tried.solution.feet.flatMap((foot) =>
    foot.machine === tried.train.machines[tried.train.fixed]?.id
      ? []
      : planes.flatMap((plane) => {
          const known = foot[plane]
          return known && known.move !== null
            ? [`${footName(foot.foot, terms)}: ${act(known.move, plane, terms)}.`]
            : []
        }),
  )
  return {
    title: t`${capital(dialOf(dial, terms))}, as if ${saySuspect(dial, suspect, terms)}.`,
    detail: t`Shown dashed in ochre. Nothing is changed yet.${closes} Better: ${suspect.reading < 0 ? t`measure the sag again on a straight bar` : t`turn back and read it again`}.`,
    ...(moves.length ? { working: moves } : {}),
  }
}
