import { summarize } from '../core/job/summary'
import { findingsFor } from '../core/kinds/train/advice/findings'
import { planFindings } from '../core/kinds/train/advice/planFindings'
import { solveRough } from '../core/kinds/train/document/rough'
import type { Job } from '../core/kinds/train/document/schema'
import { seatsOf, solveSeatOf } from '../core/kinds/train/document/seats'
import { boltWork } from '../core/kinds/train/plan/bolts'
import { expectedReadings } from '../core/kinds/train/plan/outcome'
import { planRound } from '../core/kinds/train/plan/plan'
import { solveRound } from '../core/kinds/train/solve/round'
import { surveyOf } from '../core/kinds/train/survey/ofJob'
import { readyState } from '../core/ready/ready'
import { seatFindings } from '../core/seat/findings'
import { openSeats } from '../core/seat/state'
import type { Scene } from '../drawing/scene'
import { stripDrawing } from '../drawing/strip'
import { chainDrawing } from '../drawing/train/chain'
import { lineDrawing } from '../drawing/train/lineDrawing'
import { sayNext } from '../words/next'
import { sayReady } from '../words/ready'
import type { Message } from '../words/said'
import { saySeat } from '../words/seat'
import { act, lengthWithUnit, place } from '../words/terms'
import { creepText, halfSet, parallelText, pushText } from '../words/train/bolts'
import { say } from '../words/train/findings'
import { packAct, sayPlan } from '../words/train/plan'
import { sayRough } from '../words/train/rough'
import type { TrainTerms } from '../words/train/terms'

/** Everything the program says of a job's last round, in words, and the drawings it makes: what a screen would show. */
export function everythingSaid(job: Job, unit: 'mm' | 'mil' = 'mm'): { texts: string[]; scenes: Scene[] } {
  const round = job.rounds.at(-1)
  if (!round) throw new Error('a job has a round')
  const solved = solveRound(job, round)
  const terms: TrainTerms = { line: job.line, unit, resolution: solved.resolution }
  const texts: string[] = [sayNext(summarize(job))]
  const told = (said: Message) => texts.push(said.title, said.detail ?? '', said.caution ?? '', ...(said.working ?? []))
  for (const step of ['read', 'move'] as const)
    for (const finding of findingsFor(solved, step)) told(say(finding, terms))
  for (const said of sayReady(readyState(job), terms)) told(said)
  for (const { id } of job.line.machines)
    for (const pass of ['loose', 'before', 'after'] as const)
      for (const advice of seatFindings(solveSeatOf(job, id, pass), 0.1)) told(saySeat(advice, terms))
  openSeats(seatsOf(job.line), job.seat)
  for (const { id } of job.line.couplings) for (const said of sayRough(solveRough(job, id), terms)) told(said)
  const plan = planRound(job, round, solved)
  for (const finding of planFindings(solved, plan, job.line)) told(sayPlan(finding, terms))
  if (plan) {
    for (const station of plan.stations) {
      for (const plane of ['vertical', 'horizontal'] as const)
        if (station[plane] !== null) texts.push(act(station[plane] ?? 0, plane, terms))
      for (const foot of station.feet) texts.push(packAct(foot, terms) ?? '')
    }
    for (const { id } of job.line.machines)
      for (const plane of ['vertical', 'horizontal'] as const) {
        const work = boltWork(solved, plan, id, plane)
        if (!work) continue
        texts.push(halfSet(work, terms), creepText(work, terms), parallelText(work, terms) ?? '')
        for (const stop of work.steps) texts.push(pushText(stop, plane, terms))
      }
    for (const { readings } of expectedReadings(solved, plan.moves))
      texts.push(...readings.map(({ value }) => lengthWithUnit(value, terms)))
  }
  for (const foot of solved.solution.feet)
    for (const plane of ['vertical', 'horizontal'] as const)
      if (foot[plane]) texts.push(place(foot[plane]?.position ?? 0, plane, terms))
  const options = { width: 1000, height: 244, flipped: false, coarse: solveRough(job) }
  const scenes = [
    lineDrawing(solved, terms, { ...options, plan: plan && { plan, draggable: true } }),
    lineDrawing(solved, terms, { ...options, flipped: true, width: 390 }),
  ]
  for (const state of solved.dials) stripDrawing(state, 600, 92, 40)
  chainDrawing(job.line, 900, 100, false)
  surveyOf(job, round)
  return { texts, scenes }
}

/** Nothing a person may read says such a thing. */
export const nonsense = /NaN|Infinity|undefined|\bnull\b|[−-]0(?:\.0+)?(?![\d.])/
