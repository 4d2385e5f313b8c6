import * as v from 'valibot'
import { anyJobSchema, anyKitSchema, anyLineSchema } from '../../core/job/migrate'
import { jobStates } from '../db/schema'

/** What every stored document comes with. */
const stored = { id: v.string(), version: v.number(), updatedAt: v.string(), archivedAt: v.nullable(v.string()) }

/** Answers as they are described to others. */
export const storedLine = v.object({ ...stored, name: v.string(), area: v.string(), document: anyLineSchema })
export const storedKit = v.object({ ...stored, kind: v.string(), name: v.string(), document: anyKitSchema })
export const storedJob = v.object({
  ...stored,
  number: v.number(),
  lineId: v.string(),
  state: v.picklist(jobStates),
  dueOn: v.nullable(v.string()),
  signedBy: v.nullable(v.string()),
  signedAt: v.nullable(v.string()),
  document: anyJobSchema,
})
