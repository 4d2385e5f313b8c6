import * as v from 'valibot'
import { id, list } from '../../frame/openFormat'
import { probeSurvey } from '../../probes'
import { purposes } from '../together'

/** One set of readings at a coupling, as the open survey document has it. */
export const measurementSchema = v.strictObject({
  coupling: id,
  state: v.optional(v.picklist(['released', 'engaged'], '"released" or "engaged"')),
  purpose: v.optional(v.picklist(purposes, '"plan", "repeat", "closed" or "running"')),
  zeroed: v.optional(v.picklist(['any', 'halved', 'sag'], '"any", "halved" or "sag"')),
  probes: v.pipe(list(probeSurvey, 12, 'a list of probes'), v.nonEmpty('at least one probe')),
})

export type SurveyMeasurement = v.InferOutput<typeof measurementSchema>
