import * as v from 'valibot'
import { done, quantitySchema, text } from '../quantity/schema'

/** Why a job may end without a move. */
export const leaveReasons = ['within', 'strain', 'no-window', 'other'] as const

/** What is ticked off on the way from the last move to a line that may run, in its order. */
export const proofTicks = ['torqued', 'feet', 'jack-bolts', 'guard'] as const

const share = text(6)

/** What people say when a job is proved; all of it may be missing. */
export const proofSchema = v.strictObject({
  /** By the tick's name: who and when. */
  ticks: v.strictObject({
    torqued: v.optional(done),
    feet: v.optional(done),
    'jack-bolts': v.optional(done),
    guard: v.optional(done),
  }),
  /** The job ends as it is. */
  leave: v.optional(v.strictObject({ reason: v.picklist(leaveReasons), note: text(300), ...done.entries })),
  /** Why the closed coupling was not read. */
  notClosed: v.optional(v.strictObject({ note: text(300), ...done.entries })),
  /** Nobody gave the growth, and it is nothing worth counting. */
  growthZero: v.optional(done),
  /** The share of the tolerance that closing the coupling may move the shafts by, in per cent as typed; empty for a quarter. */
  closingShare: v.optional(share),
  /** How well dimensions, sags, growth and limits are known, plus or minus as typed: two standard deviations. */
  knownTo: v.optional(v.strictObject({ tape: quantitySchema, sag: quantitySchema, growth: share, limits: share })),
})

export type ProofSaid = v.InferOutput<typeof proofSchema>
/** The ticks of a line that stands on feet, or of one that hangs on a flange. */
export const ticksFor = (onFeet: boolean): readonly ProofTick[] =>
  onFeet ? proofTicks : proofTicks.filter((tick) => tick === 'torqued' || tick === 'guard')

export type ProofTick = (typeof proofTicks)[number]
export type LeaveReason = (typeof leaveReasons)[number]

export const nothingSaid: ProofSaid = { ticks: {} }
