import { formatNumber, formatSigned } from '../../core/frame/number'
import { quantityMm } from '../../core/frame/quantity'
import type { Finding } from '../../core/kinds/belt/advice/findings'
import type { BeltType } from '../../core/kinds/belt/belts'
import { faceCell } from '../../core/kinds/belt/document/make'
import type { BeltLine, BeltSet } from '../../core/kinds/belt/document/schema'
import type { FootWork } from '../../core/kinds/belt/solve/feet'
import type { SheaveRound } from '../../core/kinds/belt/solve/round'
import { packMm } from '../../core/shims/stock'
import { sayContradiction, type WrittenNames } from '../contradiction'
import { labels, listed, t } from '../language'
import type { Said } from '../said'
import { capital, isZero, lengthWithUnit, packText, signedLength, type Terms, unitName } from '../terms'
import { sayTrouble } from '../troubles'
import { sayNoMove } from '../within'
import { beltPageWords } from './page/page'

/** What a sentence about a belt drive needs to know. */
export interface BeltTerms extends Pick<Terms, 'unit' | 'resolution'> {
  line: BeltLine
}

export const beltNames: Readonly<Record<BeltType, string>> = labels({
  v: 'V or wedge',
  ribbed: 'ribbed',
  toothed: 'toothed',
  flat: 'flat',
  other: 'variable speed or other',
})

export const methodNames: Readonly<Record<BeltSet['method'], string>> = labels({
  face: 'Points of the face',
  edge: 'Straightedge or string',
  angles: 'An instrument’s own angles',
})

/** A side as the site calls it. */
export const sideOf = (side: 'near' | 'far', { sides }: BeltLine): string => sides[side].trim().toLowerCase() || side

export const sheaveName = (id: string, { sheaves }: BeltLine): string =>
  t`${sheaves.find((one) => one.id === id)?.name || t`Sheave`} sheave`

/** An angle in degrees, with the sign told by what it does. */
export const degreesText = (rad: number): string => t`${formatNumber(Math.abs(rad) * (180 / Math.PI), 2)}°`

/** Where a point of a face lies, in words. */
const faceplaces: Readonly<Record<string, (line: BeltLine) => string>> = {
  '0': () => t`top`,
  '90': (line) => sideOf('far', line),
  '180': () => t`bottom`,
  '270': (line) => sideOf('near', line),
}

/** What a cell of a set asks for. */
export function cellName(key: string, line: BeltLine): string {
  if (key === 'inner') return t`Gap at the inner edge`
  if (key === 'outer') return t`Gap at the outer edge`
  if (key === 'leanMoved') return t`Lean of this face`
  if (key === 'leanStays') return t`Lean of the face that stays`
  if (key === 'offset') return t`Face stands to the right by`
  const { angle, turned } = faceCell(key)
  const place = capital(faceplaces[String(angle)]?.(line) ?? t`${angle}°`)
  return turned ? t`${place}, sheave turned half round` : place
}

/** The shims at a station: "add 1.00 mm under both front feet". */
export function shimText({ foot, shim }: FootWork, sheave: SheaveRound['sheave'], terms: BeltTerms): string {
  const name = (sheave.feet.find(({ id }) => id === foot)?.name ?? '').toLowerCase()
  if (shim === null) return t`${name}: not known yet`
  return isZero(shim, terms) ? t`nothing under the ${name}` : t`add ${lengthWithUnit(shim, terms)} under the ${name}`
}

/** The swing at a station: "the front feet 1.50 mm toward near". */
export function swingText({ foot, swing }: FootWork, sheave: SheaveRound['sheave'], terms: BeltTerms): string {
  const name = (sheave.feet.find(({ id }) => id === foot)?.name ?? '').toLowerCase()
  if (swing === null) return t`${name}: not known yet`
  if (isZero(swing, terms)) return t`the ${name} stay`
  return t`the ${name} ${lengthWithUnit(Math.abs(swing), terms)} toward ${sideOf(swing > 0 ? 'far' : 'near', terms.line)}`
}

/** The slide: "slide 2.46 mm to the right". */
export function slideText(slide: number | null, terms: BeltTerms): string {
  if (slide === null) return t`not known yet`
  if (isZero(slide, terms)) return t`no slide needed`
  return t`slide ${lengthWithUnit(Math.abs(slide), terms)} to the ${slide > 0 ? t`right` : t`left`}`
}

/** What lies under a station and what goes in: "0.5 + 0.2 there now; put in 1; 1.70 mm in all". */
export function packsText(
  { foot, pack, shim }: FootWork & { pack?: number[] },
  sheave: SheaveRound['sheave'],
  terms: BeltTerms,
): string {
  const there = packMm(sheave.feet.find(({ id }) => id === foot)?.pack)
  const sum = (sizes: readonly number[]) => sizes.reduce((total, size) => total + size, 0)
  const added = pack?.length ? t`put in ${packText(pack, terms)}` : ''
  if (!there || there.length === 0) return capital(added)
  const all = shim === null ? '' : t`${lengthWithUnit(sum(there) + (pack ? sum(pack) : shim), terms)} in all`
  return capital([t`${packText(there, terms)} there now`, added, all].filter(Boolean).join('; '))
}

const stateWords = labels({
  within: 'is within',
  outside: 'is outside',
  unsure: 'can’t be told yet',
  nothing: 'can’t be told yet',
} as const)

const openNames = labels({ toe: 'toe', tilt: 'tilt', offset: 'offset of the grooves' } as const)

/** What a belt feels at a sheave, in words, with the limit. */
export function feelText({ solved, state }: SheaveRound, limit: number, terms: BeltTerms): Said {
  const { line } = terms
  const name = sheaveName(solved?.id ?? '', line)
  const { atReference, atMoved, twist } = solved?.belt ?? {}
  const told = [
    ...(atReference ? [t`${degreesText(atReference.value)} where it leaves the sheave that stays`] : []),
    ...(atMoved ? [t`${degreesText(atMoved.value)} at this one`] : []),
    ...(twist ? [t`twist ${degreesText(twist.value)}`] : []),
  ]
  const felt = told.length > 0 ? [t`What the belt feels: ${listed(told)}. Limit ${degreesText(limit)} each.`] : []
  const off = line.offsetLimit && quantityMm(line.offsetLimit)
  const grooves =
    solved?.offset && off
      ? [
          t`Grooves off by ${lengthWithUnit(Math.abs(solved.offset.value), terms)}, limit ${lengthWithUnit(off, terms)}.`,
        ]
      : []
  return {
    title: `${name} ${stateWords[state]}.`,
    detail: [...felt, ...grooves, t`The maker’s figures win.`].join(' '),
  }
}

/** The sentence for a finding. */
export function say(finding: Finding, terms: BeltTerms, limit: number): Said {
  const { line } = terms
  switch (finding.kind) {
    case 'guard':
      return {
        title: t`Locked out and tried, guard off only then?`,
        detail: t`Fingers clear of belts and sheaves: turn them by hand from outside. Slack the belts, never pry them over. Your site’s rules decide.`,
      }
    case 'not-a-number':
      return {
        title: t`${sheaveName(finding.set.on, line)}, ${fieldName(finding.key, line).toLowerCase()}: that is not a number.`,
        detail: sayTrouble(finding.trouble),
      }
    case 'limit-not-a-number':
      return {
        title: t`The limit of the belt can’t be used.`,
        detail: t`${sayTrouble(finding.trouble)} It is on the line’s own page, in degrees or mm/m. Until it is right the usual limit stands.`,
      }
    case 'missing':
      return {
        place: {
          title: t`Where does the ${sheaveName(finding.sheave.id, line).toLowerCase()} stand?`,
          detail: t`Measure from shaft to shaft, across and up, on the line’s own page. The slide and what the belt feels need it; shims and swing do not.`,
        },
        width: {
          title: t`How wide are the faces?`,
          detail: t`Grooves are lined up, not faces: the slide needs the width of both sheaves, or where their grooves lie. Shims and swing do not.`,
        },
        feet: {
          title: t`How far behind its face do the feet of the ${finding.sheave.name.toLowerCase()} stand?`,
          detail: t`Without that there are no shims and no swing.`,
        },
      }[finding.what]
    case 'widths':
      return {
        title: t`The grooves of the ${sheaveName(finding.sheave.id, line).toLowerCase()} lie ${lengthWithUnit(Math.abs(finding.by), terms)} ${finding.by > 0 ? t`deeper` : t`less deep`} behind its face.`,
        detail: t`Faces in line would put the belts out by that much. It is taken into account.`,
      }
    case 'next-reading':
      return {
        title: t`Next: ${fieldName(finding.key, line).toLowerCase()}, ${sheaveName(finding.set.on, line).toLowerCase()}.`,
        detail: nextDetail(finding.set, finding.key),
      }
    case 'open':
      return {
        title: t`${sheaveName(finding.round.sheave.id, line)}: ${finding.what.map((what) => openNames[what]).join(t` and `)} not known yet.`,
        detail: t`A straightedge along the span says nothing across it. Read the lean of both faces, or all four quarters.`,
      }
    case 'wobble':
      return {
        title: t`The face of the ${sheaveName(finding.sheave.id, line).toLowerCase()} wobbles by ${lengthWithUnit(2 * finding.value * finding.radius, terms)} where it was read.`,
        detail:
          finding.peg === 'outside'
            ? t`More than a thousandth of the diameter. Look at its bush before anything is moved; the mean of both turns is taken.`
            : t`Little enough. The mean of both turns is taken.`,
      }
    case 'does-not-repeat':
      return {
        title: t`The second reading of the ${sheaveName(finding.sheave.id, line).toLowerCase()} says otherwise.`,
        detail: t`Look for a loose bush, a burr on the face, belts that pull. Read it once more.`,
      }
    case 'verdict':
      return feelText(finding.round, limit, terms)
    case 'tilt':
      return {
        title: capital(t`${finding.round.work.map((one) => shimText(one, finding.round.sheave, terms)).join('; ')}.`),
        detail: finding.after
          ? t`Then the tilt; look at the toe again after it. Both feet of a station alike.`
          : t`Tilt first: lifting disturbs the rest. Both feet of a station alike.`,
      }
    case 'toe':
      return {
        title: capital(
          t`Swing: ${finding.round.work.map((one) => swingText(one, finding.round.sheave, terms)).join('; ')}.`,
        ),
        detail: finding.after
          ? t`Then the toe, about the bolt that stays snug.`
          : t`Toe first, about the bolt that stays snug: right where shims are small and the instrument is read live.`,
      }
    case 'slide':
      return {
        title: capital(`${slideText(finding.round.work[0]?.slide ?? null, terms)}.`),
        detail: t`Angles before offset: the turning is in it already. Or the sheave on its shaft by as much, if bush and key allow. Then read again with the belts tensioned.`,
      }
    case 'blocked': {
      const { blocked, sheave } = finding
      const name = (sheave.feet.find(({ id }) => id === blocked.foot)?.name ?? '').toLowerCase()
      return {
        title: {
          up: t`The ${name} of the ${sheave.name.toLowerCase()} would stand ${lengthWithUnit(blocked.by, terms)} too high.`,
          near: t`The ${name} of the ${sheave.name.toLowerCase()} lack ${lengthWithUnit(blocked.by, terms)} toward ${sideOf('near', line)}.`,
          far: t`The ${name} of the ${sheave.name.toLowerCase()} lack ${lengthWithUnit(blocked.by, terms)} toward ${sideOf('far', line)}.`,
        }[blocked.limit],
        detail: t`Swing it about another bolt, open the holes where that may be done, or move the machine that stays.`,
      }
    }
    case 'not-closed': {
      const { set, by, sign, turned } = finding.closure
      const name = sheaveName(set.on, line)
      return {
        title: t`${turned ? t`${name}, turned half round` : name}: the face does not close, by ${lengthWithUnit(Math.abs(by), terms)}.`,
        detail:
          sign === undefined
            ? t`Top and bottom must add up to near and far. Read it again; a face that still does not close is not flat.`
            : t`With its sign turned about, ${fieldName(sign, line).toLowerCase()} would close it. Look at that one first.`,
      }
    }
    case 'contradict':
      return sayContradiction(finding.suspects, writtenNames(finding.sets, terms))
    case 'no-move':
      return sayNoMove()
    case 'tension':
      return {
        title: finding.peg === 'within' ? t`Tension is recorded.` : t`Set the tension and write it down.`,
        detail: t`Both screws alike, then read again: the pull turns the machine. Check the tension again after a day or two of running.`,
      }
  }
}

/** Numbers of a drive as its suspects name them: by set and key. */
export const writtenNames = (sets: readonly BeltSet[], terms: BeltTerms): WrittenNames => {
  const set = (at: string) => sets.find(({ id }) => at.startsWith(`${id} `))
  const keyOf = (at: string) => at.slice((set(at)?.id.length ?? 0) + 1)
  const isAngle = (at: string) => set(at)?.method === 'angles' && keyOf(at) !== 'offset'
  return {
    name: (at) =>
      t`${sheaveName(set(at)?.on ?? '', terms.line).toLowerCase()}, ${fieldName(keyOf(at), terms.line).toLowerCase()}`,
    value: (at, value) =>
      isAngle(at) ? signedDegrees(value) : t`${signedLength(value, terms)} ${unitName[terms.unit]}`,
  }
}

/** A typed angle with its sign. */
const signedDegrees = (rad: number): string => t`${formatSigned(rad * (180 / Math.PI), 2)}°`

/** A typed field by its name. */
const fieldName = (key: string, line: BeltLine): string =>
  key === 'radius'
    ? t`Radius of the points`
    : key === 'constant'
      ? t`Target on the face that stays`
      : key === 'over'
        ? t`Length of the level`
        : key === 'toe'
          ? beltPageWords.toe
          : key === 'tilt'
            ? beltPageWords.tilt
            : cellName(key, line)

function nextDetail({ method, both }: BeltSet, key: string): string {
  if (method === 'edge')
    return key.startsWith('lean')
      ? t`How far its top leans to the right over the level’s length; to the left is below zero.`
      : t`Straightedge against the face that stays; feeler gap at this face.`
  if (method === 'angles') return t`As the instrument tells it; right is above zero.`
  return key.endsWith('t')
    ? both
      ? t`Turn both sheaves half round, target at the same place in the room, and read again.`
      : t`Turn this sheave half round, target at the same place in the room, and read again.`
    : t`How far the face stands to the right of the face that stays; to the left is below zero.`
}
