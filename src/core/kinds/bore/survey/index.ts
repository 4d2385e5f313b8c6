import type { KindSurvey } from '../../kind'
import type { BoreTypes } from '../index'
import { surveyOf } from './ofJob'
import { solveSurvey } from './solve'
import { jobOfSurvey } from './toJob'

export const boreSurvey: KindSurvey<BoreTypes> = { solve: solveSurvey, ofJob: surveyOf, toJob: jobOfSurvey }
