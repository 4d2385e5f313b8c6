import type { Finding } from '../../core/kinds/bore/advice/findings'
import { degreesOf } from '../../core/kinds/bore/document/make'
import type {
  BoreLine,
  BoreSection,
  BoreSet,
  CarrierKind,
  Correction,
  ReferenceWay,
} from '../../core/kinds/bore/document/schema'
import { type PocketRound, type SectionRound, sleeveOf } from '../../core/kinds/bore/solve/round'
import { usualOutOfRound } from '../../core/kinds/bore/solve/verdict'
import type { Plane } from '../../core/quantity/axis'
import { formatNumber } from '../../core/quantity/number'
import { sayContradiction, type WrittenNames } from '../contradiction'
import { labels, listed, t } from '../language'
import type { Message } from '../said'
import { capital, isZero, lengthWithUnit, place, signedLength, type Terms, unitName } from '../terms'
import { sayTrouble } from '../troubles'
import { sayNoMove } from '../within'

/** What a sentence about a row of bores needs to know. */
export interface BoreTerms extends Pick<Terms, 'unit' | 'resolution'> {
  line: BoreLine
}

export const wayNames: Readonly<Record<ReferenceWay, string>> = labels({
  held: 'Line through two fixed bores',
  'least-squares': 'Best-fit line (least squares)',
  'least-largest': 'Smallest maximum deviation',
  'within-limits': 'Least movement within limits',
})

export const carrierNames: Readonly<Record<CarrierKind, string>> = labels({
  stiff: 'Stiff carrier or shaft, no sag',
  wire: 'A taut wire',
  bar: 'A bar on two supports',
})

export const correctionNames: Readonly<Record<Correction, string>> = labels({
  shims: 'Housings moved: shims and bolts',
  sleeve: 'Eccentric sleeves',
  boring: 'Reboring',
})

/** A side as the site calls it. */
export const sideOf = (side: 'near' | 'far', { sides }: Pick<BoreLine, 'sides'>): string => sides[side].trim() || side

export const sectionName = (id: string, { sections }: BoreLine): string =>
  sections.find((one) => one.id === id)?.name.trim() || t`Pocket`

/** A place round a bore, by the way from one quarter to the next: "top", "far", "45° from far toward bottom". */
export function placeName(degrees: number, line: Pick<BoreLine, 'sides'>): string {
  const quarters = [t`top`, sideOf('far', line), t`bottom`, sideOf('near', line)]
  const at = ((degrees % 360) + 360) % 360
  const quarter = Math.floor(at / 90 + 1e-9)
  const past = at - 90 * quarter
  const [here = '', next = ''] = [quarters[quarter], quarters[(quarter + 1) % 4]]
  return past < 0.01 ? here : t`${formatNumber(past, 0)}° from ${here} toward ${next}`
}

/** A place of a bore inside a sentence. */
export const cellInText = (cell: string, line: Pick<BoreLine, 'sides'>): string => placeName(degreesOf(cell), line)

export const cellName = (cell: string, line: BoreLine): string => capital(cellInText(cell, line))

/** A direction seen along the row: "toward 30° past top". */
const clockPlace = (degrees: number, line: BoreLine): string => placeName(Math.round(degrees), line)

const placed = ({ line, unit, resolution }: BoreTerms): Terms => ({
  line: { sides: line.sides, machines: [], couplings: [] },
  unit,
  resolution,
})

/** Where it stands in one plane: "0.21 low", "0.05 toward near", "in line". */
export const standsIn = (mm: number, plane: Plane, terms: BoreTerms): string => place(mm, plane, placed(terms))

/** Where a section stands from the line: "0.23 high and 0.10 toward near"; "in line". */
export function standsText({ standing }: SectionRound, terms: BoreTerms): string {
  const told = (['vertical', 'horizontal'] as const).flatMap((plane): string[] => {
    const one = standing?.[plane]
    return one && !isZero(one.value, terms) ? [standsIn(one.value, plane, terms)] : []
  })
  const open = !standing?.vertical || !standing.horizontal
  if (told.length === 0) return open ? t`not measured yet` : t`in line`
  return told.join(t` and `)
}

const way = (plane: Plane, mm: number, line: BoreLine): string =>
  plane === 'vertical' ? (mm > 0 ? t`up` : t`down`) : t`toward ${mm > 0 ? sideOf('far', line) : sideOf('near', line)}`

/** What is done about it, as the line corrects: "up 0.23 mm, 0.10 mm toward near". */
export function moveText({ move }: Pick<SectionRound, 'move'>, terms: BoreTerms): string {
  const { line } = terms
  const sleeve = sleeveOf(move)
  if (line.correct !== 'shims' && sleeve) {
    if (isZero(sleeve.size, terms)) return t`no change`
    const size = lengthWithUnit(sleeve.size, terms)
    return line.correct === 'sleeve'
      ? t`eccentric sleeve ${size}, bore toward ${clockPlace(sleeve.at, line)}`
      : t`new center ${size} toward ${clockPlace(sleeve.at, line)}: bore out at least ${size} on the radius there`
  }
  const parts = (['vertical', 'horizontal'] as const).flatMap((plane): string[] => {
    const mm = move[plane]
    if (mm === null) return []
    return isZero(mm, terms) ? [] : [`${lengthWithUnit(Math.abs(mm), terms)} ${way(plane, mm, line)}`]
  })
  if (parts.length > 0) return listed(parts)
  return move.vertical === null && move.horizontal === null ? t`not measured yet` : t`no change`
}

const namesOf = (sections: readonly BoreSection[]): string => listed(sections.map(({ name }) => name))

/** Which way a pocket points, told over its own length: "0.02 mm up along it". */
function slopeText({ slope }: PocketRound, length: number, terms: BoreTerms): string {
  const told = (['vertical', 'horizontal'] as const).flatMap((plane): string[] => {
    const one = slope?.[plane]
    const mm = (one?.value ?? 0) * length
    return one && !isZero(mm, terms) ? [`${lengthWithUnit(Math.abs(mm), terms)} ${way(plane, mm, terms.line)}`] : []
  })
  return told.length > 0 ? told.join(t` and `) : t`nothing`
}

/** Numbers of a row as its suspects name them: by set and key. */
export const writtenNames = (sets: readonly BoreSet[], terms: BoreTerms): WrittenNames => {
  const set = (at: string) => sets.find(({ id }) => at.startsWith(`${id} `))
  return {
    name: (at) =>
      t`${sectionName(set(at)?.section ?? '', terms.line)}, ${placeName(degreesOf(at.split(' ').at(-1) ?? ''), terms.line)}`,
    value: (_, mm) => t`${signedLength(mm, terms)} ${unitName[terms.unit]}`,
  }
}

/** The sentence for a finding. */
export function say(finding: Finding, terms: BoreTerms, limit: number): Message {
  const { line } = terms
  switch (finding.kind) {
    case 'pinch':
      return {
        title: t`Lock out and try. Support the rotor.`,
        caution: t`Pinch point between carrier and wall. Never reach in while it turns. Site permits apply.`,
      }
    case 'not-a-number':
      return {
        title: t`${sectionName(finding.set.section, line)}, ${fieldInText(finding.key, line)}: not a number.`,
        detail: sayTrouble(finding.trouble),
      }
    case 'contradict':
      return sayContradiction(finding.suspects, writtenNames(finding.sets, terms))
    case 'no-move':
      return sayNoMove()
    case 'no-sag':
      return {
        title: t`Bracket sag is not entered for ${namesOf(finding.sections)}.`,
        detail: t`Heights are calculated without it and are not sure. Measure it on a straight bar, or enter 0 if the arm is stiff.`,
      }
    case 'no-place':
      return {
        title: t`Enter the position of ${finding.section.name} along the row.`,
        detail: t`Measure from one end and enter it in Dimensions, in any order.`,
      }
    case 'carrier-lacks':
      return {
        title:
          finding.carrier === 'wire' ? t`Enter the wire weight and tension.` : t`Enter the bar weight and stiffness.`,
        detail: t`Until length, weight and ${finding.carrier === 'wire' ? t`tension` : t`stiffness`} are entered, its sag shows up as bore misalignment.`,
      }
    case 'beyond':
      return {
        title: t`A section is outside the carrier supports.`,
        detail: t`Sag can be calculated only between the supports.`,
      }
    case 'push-asked':
      return {
        title: t`${sectionName(finding.set.section, line)}: push the head 0.10 mm toward the carrier and enter what it shows.`,
        detail: t`Some inward-facing heads read with the opposite sign, and closure can’t show it. If the change is minus, all its readings are reversed.`,
      }
    case 'turned-about':
      return {
        title: t`${sectionName(finding.set.section, line)}: the head reads with the opposite sign.`,
        detail: t`Shown by the push test. Its readings are reversed.`,
      }
    case 'next-reading':
      return {
        title: t`Next: ${placeName(degreesOf(finding.key), line)}, ${sectionName(finding.set.section, line)}.`,
        detail:
          finding.set.sense === 'in'
            ? t`Head on the wall, facing the carrier, turned round the bore.`
            : t`Tip on the wall, clear of oil holes and keyways. Plunger in reads plus.`,
      }
    case 'does-not-repeat':
      return {
        title: t`${finding.section.name}: the repeat reading disagrees.`,
        detail: t`Remove and refit the head, check for a burr under it, then read a third time.`,
      }
    case 'not-closed':
      return {
        title: t`${finding.section.name}: top and bottom differ from the sides by ${lengthWithUnit(Math.abs(finding.by), terms)}.`,
        detail: t`The bore is out of round by at least that (largest minus smallest diameter), or a reading is wrong. Eight places show which.`,
      }
    case 'oval':
      return {
        title: t`${finding.section.name} is out of round by ${lengthWithUnit(finding.by, { ...terms, resolution: 0.001 })}, narrowest at ${clockPlace(finding.at, line)}.`,
        detail: t`Usual limit ${lengthWithUnit(usualOutOfRound, { ...terms, resolution: 0.001 })}. The maker decides.`,
      }
    case 'oval-hidden':
      return {
        title: t`4 places can’t show out-of-roundness.`,
        detail: t`Read 8 places to see it.`,
      }
    case 'place-only':
      return {
        title:
          finding.pockets.length === 1
            ? t`${finding.pockets[0]?.pocket ?? ''}: position only, no angularity.`
            : t`${finding.pockets.length} pockets: position only, no angularity.`,
        detail: t`One section gives no angularity. For a wide bearing, read a second section in the same pocket.`,
      }
    case 'slope':
      return {
        title: t`${finding.pocket.pocket} ${finding.peg === 'within' ? t`is parallel to the line` : t`is not parallel to the line`}: ${slopeText(finding.pocket, 100, terms)} over 100 mm.`,
        detail: t`Maximum 0.5 mm/m, or the bearing maker’s figure.`,
      }
    case 'open':
      return {
        title: t`${finding.round.section.name}: position not measured yet.`,
        detail: t`Top and bottom give the height, near and far the side position. Also read the reference bores.`,
      }
    case 'verdict':
      return {
        title:
          finding.peg === 'within'
            ? t`All ${finding.read} sections are within ${lengthWithUnit(limit, terms)} of the line.`
            : finding.peg === 'nothing'
              ? t`${finding.read} of ${line.sections.length} sections measured.`
              : finding.peg === 'unsure'
                ? t`Can’t tell yet for ${namesOf(finding.outside.map(({ section }) => section))}.`
                : t`Out of line: ${namesOf(finding.outside.filter(({ state }) => state === 'outside').map(({ section }) => section))}.`,
        detail: t`Limit ${lengthWithUnit(limit, terms)}, both planes together. The bearing maker’s figures override it.`,
      }
    case 'move':
      return {
        title: t`${finding.round.section.name}: ${moveText(finding.round, terms)}.`,
        detail: t`Position: ${standsText(finding.round, terms)}.`,
      }
    case 'blocked':
      return {
        title: t`${finding.section.name} is short of ${lengthWithUnit(finding.blocked.by, terms)} ${
          {
            down: t`downward`,
            up: t`upward`,
            near: t`toward ${sideOf('near', line)}`,
            far: t`toward ${sideOf('far', line)}`,
          }[finding.blocked.limit]
        }.`,
        detail: t`Try other reference bores or the best-fit line.`,
      }
    case 'turn-free':
      return {
        title: t`Tighten, read again, then turn it by hand.`,
        detail: t`It must turn freely through a full turn.`,
        caution: t`Keep fingers out of the bores.`,
      }
  }
}

/** A typed field by its name. */
const fieldInText = (key: string, line: BoreLine): string =>
  key === 'sag' ? t`bracket sag` : key === 'pushed' ? t`reading at the push test` : cellInText(key, line)
