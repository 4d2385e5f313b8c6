import { provedOf } from '../core/job/proved'
import type { AnyJob } from '../core/kinds'
import { surveyOfJob } from '../core/kinds/surveys'
import { solveDocument } from './solveDocument'

/** The open survey of a job's round as left, solved; null where too little was read for one. */
export async function solveAsLeft(document: AnyJob): Promise<object | null> {
  const { left } = provedOf(document).proof
  const round = document.rounds[left ?? -1]
  const survey = round && surveyOfJob(document, round)
  if (!survey) return null
  const solved = await solveDocument(survey)
  return solved.ok ? solved.value : null
}
