import type { KindSurvey } from '../../kind'
import type { UprightTypes } from '../index'
import { surveyOf } from './ofJob'
import { solveSurvey } from './solve'
import { jobOfSurvey } from './toJob'

export const uprightSurvey: KindSurvey<UprightTypes> = { solve: solveSurvey, ofJob: surveyOf, toJob: jobOfSurvey }
