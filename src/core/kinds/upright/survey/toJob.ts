import type { JobOf } from '../../../job/document'
import { jobFrom } from '../../../job/make'
import type { Checked } from '../../../quantity/fault'
import { quantityFrom } from '../../../quantity/quantity'
import { setTyped, typed } from '../../../shafts/survey/toSet'
import { makeLine, makeRound } from '../document/make'
import type { UprightLine, UprightRound } from '../document/schema'
import { readSurvey } from './solve'

/** A survey document of an upright pair as a job: its pair as a line of its own, its measurements as the first round. */
export function jobOfSurvey(
  document: unknown,
  name: string,
  takenAt: string,
): Checked<JobOf<UprightLine, UprightRound>> {
  const read = readSurvey(document)
  if (!read.ok) return read
  const { train, units, flange, measurements, plan } = read.value
  const unit = units.length === 'in' ? 'mil' : 'mm'
  const [coupling] = train.couplings
  const [lower, upper] = train.machines
  const made = makeLine(train.name?.slice(0, 80) || name, unit, [])
  const line: UprightLine = {
    ...made,
    machines: [
      { id: lower.id, name: (lower.name ?? lower.id).slice(0, 60) },
      { id: upper.id, name: (upper.name ?? upper.id).slice(0, 60) },
    ],
    coupling: {
      id: coupling.id,
      name: (coupling.name ?? made.coupling.name).slice(0, 60),
      diameter: coupling.diameter ? typed(coupling.diameter, units.length) : made.coupling.diameter,
    },
    flange: {
      ...made.flange,
      height: typed(flange.x - coupling.x, units.length),
      circle: typed(flange.circle, units.length),
      bolts: Math.min(24, flange.bolts),
      spigot: flange.spigot ? typed(flange.spigot.clearance, units.reading) : made.flange.spigot,
      shims: plan?.stock
        ? { text: plan.stock.map((size) => typed(size, units.reading).text).join(' '), unit: units.reading }
        : made.flange.shims,
    },
    speed: train.rpm ? String(train.rpm) : '',
    ...(train.tolerance
      ? {
          tolerance: {
            policy: 'figures',
            offset: train.tolerance.offset
              ? typed(train.tolerance.offset, units.reading)
              : { text: '', unit: units.reading },
            slope: { text: quantityFrom(train.tolerance.slope * 100, 'mm', 6).text, unit: 'mm/100 mm' },
            source: 'Imported with the survey',
          },
        }
      : {}),
  }
  const round = {
    ...makeRound(line, takenAt, unit),
    sets: measurements.map((measurement, m) =>
      setTyped(measurement, {
        id: `r1-s${m + 1}`,
        couplingX: coupling.x,
        right: upper.id,
        toward: (on) => (on === lower.id ? 'left' : 'right'),
        units,
      }),
    ),
  }
  return { ok: true, value: jobFrom(line, round, 'Imported') }
}
