import type { JobOf } from '../../../job/document'
import { tidy } from '../../../quantity/openFormat'
import { quantityMm } from '../../../quantity/quantity'
import { heldOf } from '../document/make'
import type { BoreLine, BoreRound } from '../document/schema'
import { carrierOf, readingsOf, sagMissing } from '../solve/round'
import type { BoreSurvey } from './schema'

/**
 * A round of a row of bores as an open survey document, in mm: the first set of every section. Undefined while two sections are
 * not read, or one that is held is not.
 */
export function surveyOf({ line }: Pick<JobOf<BoreLine, BoreRound>, 'line'>, round: BoreRound): BoreSurvey | undefined {
  const sections = line.sections.flatMap((section): BoreSurvey['bores']['sections'] => {
    const x = quantityMm(section.x)
    const set = round.sets.find((one) => one.section === section.id && one.purpose === 'plan')
    const readings = set ? readingsOf(set) : []
    if (x === undefined || !set || readings.length === 0) return []
    const diameter = quantityMm(section.diameter)
    const sag = sagMissing(line, set) ? null : (quantityMm(set.sag) ?? 0)
    const sd = set.sd && quantityMm(set.sd)
    const limits = (['down', 'up', 'near', 'far'] as const).flatMap((way): [string, number][] => {
      const most = quantityMm(section.limits?.[way])
      return most === undefined || most < 0 ? [] : [[way, tidy(most)]]
    })
    return [
      {
        id: section.id,
        ...(section.name ? { name: section.name } : {}),
        x: tidy(x),
        ...(diameter !== undefined && diameter > 0 ? { diameter: tidy(diameter) } : {}),
        ...(set.sense === 'in' ? { sense: 'in' as const } : {}),
        ...(sag === 0 ? {} : { sag: sag === null ? null : tidy(sag) }),
        ...(sd !== undefined && sd > 0 ? { sd: tidy(sd) } : {}),
        readings: readings.map(([degrees, mm]) => [degrees, tidy(mm)] as [number, number]),
        ...(limits.length > 0 ? { limits: Object.fromEntries(limits) } : {}),
      },
    ]
  })
  const held = heldOf(line)
  if (sections.length < 2) return undefined
  if (line.reference.way === 'held' && !held.every((id) => sections.some((section) => section.id === id)))
    return undefined
  const carrier = carrierOf(line)
  const limit = quantityMm(line.limit)
  return {
    format: 'vane-peg.survey',
    version: 1,
    kind: 'bore',
    units: { length: 'mm', reading: 'mm' },
    bores: {
      ...(line.name ? { name: line.name } : {}),
      sections,
      reference: line.reference.way === 'held' ? { held } : line.reference.way,
      ...(carrier ? { carrier } : {}),
      ...(limit !== undefined && limit > 0 ? { limit: tidy(limit) } : {}),
    },
  }
}
