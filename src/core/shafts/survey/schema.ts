import * as v from 'valibot'
import { probeSurvey } from '../../probes'
import { finite, id, list, positive, text } from '../../quantity/openFormat'
import { purposes } from '../together'

/** One set of readings at a coupling, as the open survey document has it. */
export const measurementSchema = v.strictObject({
  coupling: id,
  state: v.optional(v.picklist(['released', 'engaged'], '"released" or "engaged"')),
  purpose: v.optional(v.picklist(purposes, '"plan", "repeat", "closed" or "running"')),
  zeroed: v.optional(v.picklist(['any', 'halved', 'sag', 'planes'], '"any", "halved", "sag" or "planes"')),
  probes: v.pipe(list(probeSurvey, 12, 'a list of probes'), v.nonEmpty('at least one probe')),
})

export type SurveyMeasurement = v.InferOutput<typeof measurementSchema>

/** Where two shafts are joined, in the open survey document. */
export const couplingSurvey = v.strictObject({
  id,
  name: v.optional(text),
  left: id,
  right: id,
  x: finite,
  diameter: v.optional(positive),
  flexPlanes: v.optional(
    v.pipe(
      v.strictTuple([finite, finite], 'two stations'),
      v.check(([a, b]) => a < b, 'two stations, the left one first'),
    ),
  ),
})

/** The maker's or the site's figures: offset in reading units, slope in rad. */
export const toleranceSurvey = v.strictObject({ offset: v.optional(positive), slope: positive })
