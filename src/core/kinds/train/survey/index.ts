import type { KindSurvey } from '../../kind'
import type { TrainTypes } from '../index'
import { surveyOf } from './ofJob'
import { solveSurvey } from './solve'
import { jobOfSurvey } from './toJob'

export const trainSurvey: KindSurvey<TrainTypes> = { solve: solveSurvey, ofJob: surveyOf, toJob: jobOfSurvey }
