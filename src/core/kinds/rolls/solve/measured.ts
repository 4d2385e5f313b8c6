import { parseNumber } from '../../../quantity/number'
import { quantityMm } from '../../../quantity/quantity'
import type { RollOfLine, RollsLine } from '../document/schema'
import type { Roll, Section } from './section'
import { slackLimit, spanBetween } from './web'

/** What a span may bend in its plane where nobody says more, rad: a tenth of a millimeter over a meter. */
export const usualLimit = 0.0001

/** A bare number as typed; undefined where it is none, or has a unit. */
export const bareNumber = (text: string): number | undefined => {
  const typed = parseNumber(text)
  return typed.ok && !typed.unit ? typed.value : undefined
}

/** A thousandth of an inch over a foot, mm/m. */
const thouPerFoot = 1000 / 12_000

/**
 * A slope as people type it, mm/m: bare or "0.02 mm/m", in thousandths of an inch over a foot ("0.25 thou/ft", "0.25 mil/ft") or over an inch
 * ("0.02 mil/in"). Undefined where it is none.
 */
export function slopeTyped(text: string): number | undefined {
  const found = /^(.*?)\s*(mm\s*\/\s*m|(?:thou|mil)\s*\/\s*(?:ft|foot)|(?:thou|mil)\s*\/\s*in)?\s*$/i.exec(text)
  const value = bareNumber(found?.[1] ?? text)
  const unit = found?.[2]?.toLowerCase() ?? ''
  return value === undefined ? undefined : /f/.test(unit) ? value * thouPerFoot : value
}

/** A length above zero, mm; undefined where it is not given or is none. */
export const sizeMm = (quantity: Parameters<typeof quantityMm>[0]): number | undefined => {
  const mm = quantityMm(quantity)
  return mm !== undefined && mm > 0 ? mm : undefined
}

/** Sections by their lines, which are never changed, only made anew. */
const sections = new WeakMap<RollsLine, { section: Section | undefined }>()

/** The section as its line has it, in mm; undefined while a dimension of it is missing. */
export function sectionOf(line: RollsLine): Section | undefined {
  const known = sections.get(line)
  if (known) return known.section
  const section = measured(line)
  sections.set(line, { section })
  return section
}

function measured(line: RollsLine): Section | undefined {
  const [width, apart] = [sizeMm(line.width), sizeMm(line.housings)]
  const rolls = line.rolls.flatMap((roll): Roll[] => {
    const [x, z, diameter] = [quantityMm(roll.x), quantityMm(roll.z), sizeMm(roll.diameter)]
    if (x === undefined || z === undefined || diameter === undefined || width === undefined) return []
    const half = (apart ?? width) / 2
    const limit = slopeTyped(roll.limit)
    const reach = reachOf(roll)
    return [
      {
        id: roll.id,
        x,
        z,
        radius: diameter / 2,
        side: roll.side,
        width,
        housings: [-half, half],
        movable: !roll.fixed,
        incline: bareNumber(roll.incline) ?? 0,
        limit: limit !== undefined && limit > 0 ? limit / 1000 : usualLimit,
        ...(reach ? { reach } : {}),
      },
    ]
  })
  if (rolls.length < line.rolls.length) return undefined
  const web = webOf(line)
  // the web's own limit where nobody typed one
  const limited = rolls.map((roll, i) => {
    const [from, typed] = [rolls[i - 1], slopeTyped(line.rolls[i]?.limit ?? '')]
    const span = from && spanBetween(from, roll)
    return web && span && width && !(typed !== undefined && typed > 0)
      ? { ...roll, limit: Math.min(1, slackLimit(span.length, width, web)) }
      : roll
  })
  return {
    rolls: limited,
    path: line.rolls.map(({ id }) => id),
    reference: line.reference || undefined,
    baseline: quantityMm(line.baseline),
  }
}

/** Farther than this no housing goes, mm: it stands for no limit on one side where the other has one. */
const farthest = 1000

/** How far a near housing can go; undefined where nobody said. */
function reachOf({ limits }: RollOfLine): Roll['reach'] {
  const [slide, up, down] = [quantityMm(limits?.slide), quantityMm(limits?.up), quantityMm(limits?.down)]
  if (slide === undefined && up === undefined && down === undefined) return undefined
  return {
    ...(slide === undefined ? {} : { slide: [-Math.abs(slide), Math.abs(slide)] as [number, number] }),
    ...(up === undefined && down === undefined
      ? {}
      : { shim: [-Math.abs(down ?? farthest), Math.abs(up ?? farthest)] as [number, number] }),
  }
}

/** What the web can bear; undefined until all three are given and above zero. */
function webOf({ web }: RollsLine): { tension: number; modulus: number; thickness: number } | undefined {
  const [tension, modulus, thickness] = [
    bareNumber(web?.tension ?? ''),
    bareNumber(web?.modulus ?? ''),
    bareNumber(web?.thickness ?? ''),
  ]
  return tension && modulus && thickness && Math.min(tension, modulus, thickness) > 0
    ? { tension, modulus, thickness }
    : undefined
}
