import type { KindSurvey } from '../../kind'
import type { TrainTypes } from '../index'
import { surveyOf } from './ofJob'
import { solveSurvey } from './solve'
import { jobOfSurvey } from './toJob'

export const trainSurvey: KindSurvey<TrainTypes> = {
  solve: solveSurvey,
  // a document without a measurement means nothing, and nobody takes it
  ofJob: (job, round) => {
    const survey = surveyOf(job, round)
    return survey.measurements.length > 0 ? survey : undefined
  },
  toJob: jobOfSurvey,
}
