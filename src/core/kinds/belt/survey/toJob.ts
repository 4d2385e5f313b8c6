import type { JobOf } from '../../../job/document'
import { jobFrom } from '../../../job/make'
import { type Checked, refuse } from '../../../quantity/fault'
import { type Quantity, quantityFrom } from '../../../quantity/quantity'
import { fromMm, toMm } from '../../../quantity/units'
import { lengthUnitFor } from '../../../quantity/usual'
import { makeLine, makeSet } from '../document/make'
import type { BeltLine, BeltRound, BeltSet } from '../document/schema'
import type { BeltSurvey } from './schema'
import { readSurvey, usualSd } from './solve'

/**
 * A survey document of a belt drive as a job. What is read on the quarters of a face becomes a face set, what an instrument told
 * an angle set; a document that holds anything else is refused by its path, so that nothing is lost unsaid.
 */
export function jobOfSurvey(document: unknown, name: string, takenAt: string): Checked<JobOf<BeltLine, BeltRound>> {
  const read = readSurvey(document)
  if (!read.ok) return read
  const { belt, units, plan } = read.value
  const unit = units.length === 'in' ? 'mil' : 'mm'
  const length = lengthUnitFor(unit)
  const typed = (mm: number): Quantity => quantityFrom(mm, length, unit === 'mil' ? 5 : 4)
  const told = (mm: number): Quantity => quantityFrom(mm, unit, unit === 'mil' ? 3 : 4)
  const inMm = (value: number) => toMm(value, units.length)
  const reading = (value: number) => toMm(value, units.reading)
  const stays = belt.sheaves.find((sheave) => sheave.stays) ?? belt.sheaves[0]
  if (!stays) return refuse('belt.sheaves', 'expected one fixed sheave (stays)')
  const sheaves = [stays, ...belt.sheaves.filter((sheave) => sheave !== stays)]
  const made = makeLine(belt.name?.slice(0, 80) || name, unit, [])
  const behind = (x: number) => (belt.faces === 'right' ? -inMm(x) : inMm(x))
  const shims = (sizes: readonly number[]): Quantity => ({
    text: sizes.map((size) => Number(fromMm(reading(size), unit).toFixed(4))).join(' '),
    unit,
  })
  const line: BeltLine = {
    ...made,
    faces: belt.faces,
    belt: belt.type,
    limit: belt.limit === undefined ? '' : String(belt.limit),
    ...(belt.offsetLimit === undefined ? {} : { offsetLimit: told(reading(belt.offsetLimit)) }),
    ...(belt.rpm === undefined ? {} : { speed: String(belt.rpm) }),
    sheaves: sheaves.map((sheave) => {
      const [, usual] = made.sheaves
      const { id, pivot, feet = [], base } = sheave
      const beside = pivot?.y === undefined ? undefined : inMm(pivot.y) - inMm(sheave.centre[1])
      return {
        id,
        name: (sheave.name ?? id).slice(0, 60),
        across: typed(inMm(sheave.centre[1]) - inMm(stays.centre[1])),
        up: typed(inMm(sheave.centre[2]) - inMm(stays.centre[2])),
        diameter: typed(inMm(sheave.diameter)),
        width: { text: '', unit: length },
        groove: typed(inMm(sheave.toGroove)),
        base: base === undefined ? { text: '', unit: length } : typed(inMm(base) - inMm(stays.centre[2])),
        feet: feet.map((foot) => {
          const most = (value: number | undefined): Quantity =>
            value === undefined ? { text: '', unit } : told(reading(value))
          const { limits } = foot
          return {
            id: foot.id,
            name: foot.id.slice(0, 60),
            behind: typed(behind(foot.x)),
            ...(limits
              ? {
                  limits: {
                    up: most(limits.up),
                    near: most(limits.near),
                    far: most(limits.far),
                    ...(limits.down === undefined ? {} : { down: most(limits.down) }),
                  },
                }
              : {}),
            ...(foot.pack ? { pack: shims(foot.pack) } : {}),
          }
        }),
        pivot: {
          foot: pivot?.foot ?? '',
          beside: beside === undefined ? (usual?.pivot.beside ?? typed(0)) : typed(beside),
        },
      }
    }),
    shims: plan?.stock ? shims(plan.stock) : made.shims,
  }
  const sets: BeltSet[] = []
  for (const [r, one] of belt.readings.entries()) {
    const at = `belt.readings.${r}`
    if (one.on === stays.id) continue
    if (one.type === 'direct') {
      const degrees = (rad: number | undefined) =>
        rad === undefined ? '' : String(Number(((rad * 180) / Math.PI).toFixed(6)))
      const set = makeSet(one.on, `r1-${sets.length + 1}`, unit, 'angles')
      sets.push({
        ...set,
        angles: { toe: degrees(one.toe), tilt: degrees(one.tilt) },
        // in mm/m
        angleSd: String(Number((1000 * (one.sd?.angle ?? usualSd.angle)).toPrecision(8))),
        sd: told(one.sd?.offset === undefined ? usualSd.reading : reading(one.sd.offset)),
        values: one.offset === undefined ? {} : { offset: told(reading(one.offset)) },
      })
      continue
    }
    const turned = (((one.turned ?? 0) % 360) + 360) % 360
    const angle = ((one.angle % 360) + 360) % 360
    if (angle % 90 !== 0 || (turned !== 0 && turned !== 180))
      return refuse(
        `${at}.angle`,
        'expected a quarter of the face, at 0 or 180 degrees of turn (a job holds no others)',
      )
    const constant = belt.readings.find(
      (other) => other.type === 'face' && other.on === stays.id && other.target === one.target,
    )
    if (one.target && constant?.type !== 'face')
      return refuse(`${at}.target`, 'expected the target to be read on the fixed sheave (a job holds no others)')
    const zero = constant?.type === 'face' ? reading(constant.value) : 0
    const sd = told(one.sd === undefined ? usualSd.reading : reading(one.sd))
    const key = `a${angle}${turned === 180 ? 't' : ''}`
    const radius = typed(inMm(one.radius))
    const fits = (set: BeltSet) =>
      set.on === one.on &&
      set.method === 'face' &&
      set.radius.text === radius.text &&
      set.constant.text === told(zero).text &&
      set.sd?.text === sd.text &&
      !set.values[key]
    const found = sets.find(fits)
    const set = found ?? {
      ...makeSet(one.on, `r1-${sets.length + 1}`, unit),
      radius,
      constant: told(zero),
      sd,
      twice: false,
    }
    const next = {
      ...set,
      twice: set.twice || turned === 180,
      values: { ...set.values, [key]: told(reading(one.value)) },
    }
    if (found) sets[sets.indexOf(found)] = next
    else sets.push(next)
  }
  const round: BeltRound = { id: 'r1', takenAt, by: '', sets, tensioned: false, tension: { set: '', again: '' } }
  return { ok: true, value: jobFrom(line, round, 'Imported') }
}

export type { BeltSurvey }
