import type { JobOf } from '../../../job/document'
import { jobFrom } from '../../../job/make'
import { type Checked, refuse } from '../../../quantity/fault'
import { emptyQuantity, type Quantity, quantityFrom } from '../../../quantity/quantity'
import { toMm } from '../../../quantity/units'
import { lengthUnitFor } from '../../../quantity/usual'
import { cellsOf, degreesOf, makeLine, makeRound, makeSet } from '../document/make'
import type { BoreLine, BoreRound, BoreSet } from '../document/schema'
import { readSurvey } from './solve'

/**
 * A survey document of a row of bores as a job. Sections that were read at four, eight or twelve even places become its sets;
 * a document that holds others is refused by its path, so that nothing is lost unsaid.
 */
export function jobOfSurvey(document: unknown, name: string, takenAt: string): Checked<JobOf<BoreLine, BoreRound>> {
  const read = readSurvey(document)
  if (!read.ok) return read
  const { bores, units } = read.value
  if (bores.sections.length > 40) return refuse('bores.sections', 'expected at most 40 sections (a job holds no more)')
  const unit = units.length === 'in' ? 'mil' : 'mm'
  const length = lengthUnitFor(unit)
  const typed = (value: number): Quantity => quantityFrom(toMm(value, units.length), length, unit === 'mil' ? 5 : 4)
  const told = (value: number): Quantity => quantityFrom(toMm(value, units.reading), unit, unit === 'mil' ? 3 : 4)
  const made = makeLine(bores.name?.slice(0, 80) || name, unit, [])
  const { carrier } = bores
  const line: BoreLine = {
    ...made,
    sections: bores.sections.map((section) => {
      const { limits } = section
      const most = (value: number | undefined) => (value === undefined ? emptyQuantity(unit) : told(value))
      return {
        id: section.id,
        name: (section.name ?? section.id).slice(0, 60),
        pocket: '',
        x: typed(section.x),
        diameter: section.diameter === undefined ? emptyQuantity(length) : typed(section.diameter),
        ...(limits
          ? {
              limits: {
                down: most(limits.down),
                up: most(limits.up),
                near: most(limits.near),
                far: most(limits.far),
              },
            }
          : {}),
      }
    }),
    reference:
      typeof bores.reference === 'object'
        ? { way: 'held', held: bores.reference.held }
        : { way: bores.reference, held: ['', ''] },
    carrier: carrier
      ? {
          kind: carrier.kind,
          from: typed(carrier.from),
          length: typed(carrier.length),
          weight: String(carrier.weight),
          tension: carrier.kind === 'wire' ? String(carrier.tension) : '',
          stiffness: carrier.kind === 'bar' ? String(carrier.stiffness) : '',
        }
      : made.carrier,
    limit: bores.limit === undefined ? made.limit : told(bores.limit),
  }
  const sets: BoreSet[] = []
  for (const [s, { id, readings, sense = 'out', sag, sd }] of bores.sections.entries()) {
    const degrees = readings.map(([at]) => ((at % 360) + 360) % 360)
    const places = ([4, 8, 12] as const).find((n) => {
      const even = cellsOf({ places: n }).map(degreesOf)
      return degrees.every((at) => even.some((one) => Math.abs(one - at) < 1e-6))
    })
    if (places === undefined || new Set(degrees).size < degrees.length)
      return refuse(
        `bores.sections.${s}.readings`,
        'expected 4, 8 or 12 evenly spaced places from the top, each once (a job holds no others)',
      )
    sets.push({
      ...makeSet(id, `r1-${id}`, unit),
      places,
      sense,
      ...(sag === null ? {} : { sag: told(sag ?? 0) }),
      ...(sd === undefined ? {} : { sd: told(sd) }),
      values: Object.fromEntries(readings.map(([, value], i) => [`a${degrees[i]}`, told(value)])),
    })
  }
  const round = { ...makeRound(line, takenAt, unit), sets }
  return { ok: true, value: jobFrom(line, round, '') }
}
