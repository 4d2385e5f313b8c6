import type { KindSurvey } from '../../kind'
import type { RollsTypes } from '../index'
import { surveyOf } from './ofJob'
import { solveSurvey } from './solve'
import { jobOfSurvey } from './toJob'

export const rollsSurvey: KindSurvey<RollsTypes> = { solve: solveSurvey, ofJob: surveyOf, toJob: jobOfSurvey }
