import type { KindSurvey } from '../../kind'
import type { BeltTypes } from '../index'
import { surveyOf } from './ofJob'
import { solveSurvey } from './solve'
import { jobOfSurvey } from './toJob'

export const beltSurvey: KindSurvey<BeltTypes> = { solve: solveSurvey, ofJob: surveyOf, toJob: jobOfSurvey }
