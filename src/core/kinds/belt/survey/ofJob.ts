import type { JobOf } from '../../../job/document'
import { degrees } from '../../../quantity/angles'
import { parseNumber } from '../../../quantity/number'
import { tidy } from '../../../quantity/openFormat'
import { quantityMm } from '../../../quantity/quantity'
import { typedAngleLimit } from '../../../quantity/typedAngle'
import { packMm } from '../../../shims/stock'
import type { BeltLine, BeltRound } from '../document/schema'
import type { BeltReading } from '../solve/drive'
import { readingsOf, toGroove } from '../solve/round'
import type { BeltSurvey } from './schema'

/**
 * The open document knows no turning of the sheave that stays: what was read at two turns of both goes in as its mean, which has
 * neither wobble; a reading whose other half is missing can't.
 */
function meansOfBoth(readings: readonly BeltReading[]): BeltReading[] {
  return readings.flatMap((one): BeltReading[] => {
    if (one.type !== 'face' || !one.both) return [one]
    const other = readings.find(
      (each) => each.type === 'face' && each.both && each.angle === one.angle && each.turned !== one.turned,
    )
    if (other?.type !== 'face' || one.turned !== 0) return []
    const { both: _, ...rest } = one
    return [{ ...rest, value: (one.value + other.value) / 2, sd: Math.hypot(one.sd, other.sd) / 2 }]
  })
}

/** A round of a belt drive as an open survey document, in mm; undefined while a sheave has no place or no width, or nothing is read. */
export function surveyOf({ line }: Pick<JobOf<BeltLine, BeltRound>, 'line'>, round: BeltRound): BeltSurvey | undefined {
  const faces = line.faces === 'right' ? 1 : -1
  const sheaves = line.sheaves.map((sheave, s): BeltSurvey['belt']['sheaves'][number] | undefined => {
    const [groove, diameter] = [toGroove(sheave), quantityMm(sheave.diameter)]
    const [across, up] = s === 0 ? [0, 0] : [quantityMm(sheave.across), quantityMm(sheave.up)]
    if (groove === undefined || !diameter || diameter <= 0 || across === undefined || up === undefined) return undefined
    const feet = sheave.feet.flatMap(({ id, behind, limits, pack }) => {
      const mm = quantityMm(behind)
      if (mm === undefined) return []
      const told = (['down', 'up', 'near', 'far'] as const).flatMap((way): [string, number][] => {
        const most = quantityMm(limits?.[way])
        return most === undefined || most < 0 ? [] : [[way, tidy(most)]]
      })
      const shims = pack && packMm(pack)
      return [
        {
          id,
          x: tidy(-faces * mm),
          ...(told.length > 0 ? { limits: Object.fromEntries(told) } : {}),
          ...(shims && shims.length > 0 ? { pack: shims.map(tidy) } : {}),
        },
      ]
    })
    const base = quantityMm(sheave.base)
    const about = feet.find(({ id }) => id === sheave.pivot.foot) ?? feet.at(-1)
    return {
      id: sheave.id,
      name: sheave.name,
      ...(s === 0 ? { stays: true } : {}),
      centre: [0, tidy(across), tidy(up)],
      toGroove: tidy(groove),
      diameter: tidy(diameter),
      ...(s > 0 && feet.length > 0
        ? {
            ...(base === undefined ? {} : { base: tidy(base) }),
            ...(about ? { pivot: { foot: about.id, y: tidy(across + (quantityMm(sheave.pivot.beside) ?? 0)) } } : {}),
            feet,
          }
        : {}),
    }
  })
  const readings = round.sets.flatMap((set) => {
    const own = line.sheaves.find(({ id }) => id === set.on)
    const [across, up] = [quantityMm(own?.across), quantityMm(own?.up)]
    if (across === undefined || up === undefined) return []
    const length = Math.hypot(across, up)
    return meansOfBoth(readingsOf(set, faces, { y: across / length, z: up / length }))
  })
  const whole = sheaves.flatMap((sheave) => sheave ?? [])
  if (whole.length < line.sheaves.length || readings.length === 0) return undefined
  const stock = packMm(line.shims)
  const limit = typedAngleLimit(line.limit)
  const offsetLimit = quantityMm(line.offsetLimit)
  const rpm = parseNumber(line.speed ?? '')
  return {
    format: 'vane-peg.survey',
    version: 1,
    kind: 'belt',
    units: { length: 'mm', reading: 'mm' },
    belt: {
      ...(line.name ? { name: line.name } : {}),
      type: line.belt,
      ...(limit === undefined ? {} : { limit: tidy(degrees(limit)) }),
      ...(offsetLimit && offsetLimit > 0 ? { offsetLimit: tidy(offsetLimit) } : {}),
      ...(rpm.ok && rpm.value > 0 ? { rpm: rpm.value } : {}),
      faces: line.faces,
      sheaves: whole,
      readings: readings.map((one) =>
        one.type === 'face'
          ? {
              type: 'face' as const,
              on: one.on,
              angle: tidy(one.angle),
              radius: tidy(one.radius),
              value: tidy(one.value),
              ...(one.turned ? { turned: one.turned } : {}),
              sd: one.sd,
            }
          : {
              type: 'direct' as const,
              on: one.on,
              [one.what]: tidy(one.value),
              sd: one.what === 'offset' ? { offset: one.sd } : { angle: one.sd },
            },
      ),
    },
    ...(stock ? { plan: { stock: stock.map(tidy) } } : {}),
  }
}
