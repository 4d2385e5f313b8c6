import type { JobOf } from '../../../job/document'
import { tidy } from '../../../quantity/openFormat'
import { quantityMm } from '../../../quantity/quantity'
import { measurementOf } from '../../../shafts/survey/ofSet'
import { figuresTold } from '../../../verdict/limits'
import { allowedOf, speedOf } from '../../../verdict/typed'
import type { UprightLine, UprightRound } from '../document/schema'
import { flangeOf, readRound, sizeMm } from '../solve/round'
import type { UprightSurvey } from './schema'

/**
 * A round of an upright pair as an open survey document, in mm. What was not read is left out; undefined while the joint has
 * no height or no bolt circle, without which the document means nothing.
 */
export function surveyOf(
  { line }: Pick<JobOf<UprightLine, UprightRound>, 'line'>,
  round: UprightRound,
): UprightSurvey | undefined {
  const { sets, sources } = readRound(line, round)
  const [lower, upper] = line.machines
  const { id, name, diameter } = line.coupling
  const [rpm, flange] = [speedOf(line), flangeOf(line)]
  const figures = figuresTold(allowedOf(line), [{ x: 0, diameter: sizeMm(line.coupling.diameter) }])
  if (!flange) return undefined
  const wide = sizeMm(diameter)
  return {
    format: 'vane-peg.survey',
    version: 1,
    kind: 'upright',
    units: { length: 'mm', reading: 'mm' },
    train: {
      ...(line.name ? { name: line.name } : {}),
      machines: [
        { id: lower.id, name: lower.name, feet: [] },
        { id: upper.id, name: upper.name, feet: [] },
      ],
      couplings: [{ id, name, left: lower.id, right: upper.id, x: 0, ...(wide ? { diameter: tidy(wide) } : {}) }],
      fixed: lower.id,
      ...(rpm ? { rpm } : {}),
      ...(figures
        ? { tolerance: { slope: figures.slope, ...(figures.offset ? { offset: figures.offset } : {}) } }
        : {}),
    },
    measurements: sets.flatMap((set, s) => {
      const source = sources[s]
      if (set.probes.length === 0) return []
      return [
        measurementOf(id, set, source?.set, (probe, p) => ({
          on: probe.on === 'left' ? lower.id : upper.id,
          turn: quantityMm(source?.probes[p]?.turn),
        })),
      ]
    }),
    flange: {
      on: upper.id,
      x: tidy(flange.height),
      circle: tidy(flange.circle),
      bolts: line.flange.bolts,
      ...(flange.spigot ? { spigot: { clearance: tidy(flange.spigot.clearance) } } : {}),
    },
    ...(flange.stock ? { plan: { stock: flange.stock.map(tidy) } } : {}),
  }
}
