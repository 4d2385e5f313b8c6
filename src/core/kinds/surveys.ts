import { beltSurvey } from './belt/survey'
import { boreSurvey } from './bore/survey'
import type { AnyJob, KindName, Kinds } from './index'
import type { KindSurvey } from './kind'
import { rollsSurvey } from './rolls/survey'
import { trainSurvey } from './train/survey'
import { uprightSurvey } from './upright/survey'

/** The open survey document of each kind of line. */
export const surveys: { readonly [K in KindName]: KindSurvey<Kinds[K]> } = {
  train: trainSurvey,
  upright: uprightSurvey,
  belt: beltSurvey,
  bore: boreSurvey,
  rolls: rollsSurvey,
}

/** A round of a job as an open survey document; undefined where too little is given for one that means anything. */
export const surveyOfJob = <K extends KindName>(
  document: AnyJob<K>,
  round: AnyJob<K>['rounds'][number],
): object | undefined => surveys[document.line.kind as K].ofJob(document, round)
