import type { Finding } from '../../core/kinds/belt/advice/findings'
import type { BeltType } from '../../core/kinds/belt/belts'
import { faceCell } from '../../core/kinds/belt/document/make'
import type { BeltLine, BeltSet } from '../../core/kinds/belt/document/schema'
import type { FootWork } from '../../core/kinds/belt/solve/feet'
import type { SheaveRound } from '../../core/kinds/belt/solve/round'
import { formatNumber, formatSigned } from '../../core/quantity/number'
import { quantityMm } from '../../core/quantity/quantity'
import { packMm } from '../../core/shims/stock'
import { sayContradiction, type WrittenNames } from '../contradiction'
import { labels, listed, t } from '../language'
import type { Message } from '../said'
import {
  capital,
  inText,
  isZero,
  lengthWithUnit,
  lowerFirst,
  packText,
  signedLength,
  type Terms,
  unitName,
} from '../terms'
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
  angles: 'Instrument that reads angles',
})

/** A side as the site calls it. */
export const sideOf = (side: 'near' | 'far', { sides }: Pick<BeltLine, 'sides'>): string => sides[side].trim() || side

export const sheaveName = (id: string, { sheaves }: BeltLine): string =>
  t`${sheaves.find((one) => one.id === id)?.name || t`Sheave`} sheave`

/** An angle in degrees, with the sign told by what it does. */
export const degreesText = (rad: number): string => t`${formatNumber(Math.abs(rad) * (180 / Math.PI), 2)}°`

/** Where a point of a face lies, in words. */
const faceplaces: Readonly<Record<string, (line: Pick<BeltLine, 'sides'>) => string>> = {
  '0': () => t`top`,
  '90': (line) => sideOf('far', line),
  '180': () => t`bottom`,
  '270': (line) => sideOf('near', line),
}

/** What a cell of a set asks for. */
export const cellName = (key: string, line: Pick<BeltLine, 'sides'>): string => capital(cellInText(key, line))

/** The same inside a sentence, where a side keeps the letters it was typed with. */
export function cellInText(key: string, line: Pick<BeltLine, 'sides'>): string {
  if (key === 'inner') return t`gap at the inner edge`
  if (key === 'outer') return t`gap at the outer edge`
  if (key === 'leanMoved') return t`tilt of this face`
  if (key === 'leanStays') return t`tilt of the fixed face`
  if (key === 'offset') return t`face offset, + to the right`
  const { angle, turned } = faceCell(key)
  const place = faceplaces[String(angle)]?.(line) ?? t`${angle}°`
  return turned ? t`${place}, turned 180°` : place
}

const footName = (foot: string, { feet }: SheaveRound['sheave']): string =>
  feet.find(({ id }) => id === foot)?.name ?? ''

/** The shims at a station whose name stands beside them: "add 1.00 mm". */
export const shimAmount = ({ shim }: FootWork, terms: BeltTerms): string =>
  shim === null ? t`not measured yet` : isZero(shim, terms) ? t`none` : t`add ${lengthWithUnit(shim, terms)}`

/** The swing at a station whose name stands beside it: "1.50 mm toward near". */
export const swingAmount = ({ swing }: FootWork, terms: BeltTerms): string =>
  swing === null
    ? t`not measured yet`
    : isZero(swing, terms)
      ? t`none`
      : t`${lengthWithUnit(Math.abs(swing), terms)} toward ${sideOf(swing > 0 ? 'far' : 'near', terms.line)}`

/** The shims at a station: "add 1.00 mm under the front feet". */
export function shimText(work: FootWork, sheave: SheaveRound['sheave'], terms: BeltTerms): string {
  const name = footName(work.foot, sheave)
  if (work.shim === null) return t`${name}: not measured yet`
  if (isZero(work.shim, terms)) return t`no shims under the ${name}`
  return t`${shimAmount(work, terms)} under the ${name}`
}

/** The swing at a station: "swing the front feet 1.50 mm toward near". */
export function swingText(work: FootWork, sheave: SheaveRound['sheave'], terms: BeltTerms): string {
  const name = footName(work.foot, sheave)
  if (work.swing === null) return t`${name}: not measured yet`
  if (isZero(work.swing, terms)) return t`no swing at the ${name}`
  return t`swing the ${name} ${swingAmount(work, terms)}`
}

/** The slide: "slide 2.46 mm to the right". */
export function slideText(slide: number | null, terms: BeltTerms): string {
  if (slide === null) return t`not measured yet`
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
  return capital([t`${packText(there, terms)} there now`, added, all].filter(Boolean).join(', '))
}

const stateWords = labels({
  within: 'is within tolerance',
  outside: 'is out of tolerance',
  unsure: 'can’t tell yet',
  nothing: 'can’t tell yet',
} as const)

const openNames = labels({ toe: 'toe', tilt: 'tilt', offset: 'groove offset' } as const)

/** What a belt feels at a sheave, in words, with the limit. */
export function feelText({ solved, state }: SheaveRound, limit: number, terms: BeltTerms): Message {
  const { line } = terms
  const name = sheaveName(solved?.id ?? '', line)
  const { atReference, atMoved, twist } = solved?.belt ?? {}
  const told = [
    ...(atReference ? [t`${degreesText(atReference.value)} at the fixed sheave`] : []),
    ...(atMoved ? [t`${degreesText(atMoved.value)} at this sheave`] : []),
    ...(twist ? [t`twist ${degreesText(twist.value)}`] : []),
  ]
  const felt = told.length > 0 ? [t`Belt misalignment: ${listed(told)}. Limit ${degreesText(limit)} each.`] : []
  const off = line.offsetLimit && quantityMm(line.offsetLimit)
  const grooves =
    solved?.offset && off
      ? [t`Groove offset ${lengthWithUnit(Math.abs(solved.offset.value), terms)}, limit ${lengthWithUnit(off, terms)}.`]
      : []
  return {
    title: `${name} ${stateWords[state]}.`,
    detail: [...felt, ...grooves, t`The maker’s figures override this.`].join(' '),
  }
}

/** The sentence for a finding. */
export function say(finding: Finding, terms: BeltTerms, limit: number): Message {
  const { line } = terms
  switch (finding.kind) {
    case 'guard':
      return {
        title: t`Lock out and try before you take the guard off.`,
        caution: t`Keep fingers clear of belts and sheaves. Slacken belts, never pry them over. Site permits apply.`,
      }
    case 'not-a-number':
      return {
        title: t`${sheaveName(finding.set.on, line)}, ${fieldInText(finding.key, line)}: not a number.`,
        detail: sayTrouble(finding.trouble),
      }
    case 'limit-not-a-number':
      return {
        title: t`The belt limit is invalid.`,
        detail: t`${sayTrouble(finding.trouble)} Enter it in Dimensions in degrees or mm/m. Until then the standard limit applies.`,
      }
    case 'missing':
      return {
        place: {
          title: t`Enter the position of the ${inText(sheaveName(finding.sheave.id, line))}.`,
          detail: t`Measure shaft to shaft, across and up, and enter it in Dimensions. It is needed for the slide and the belt’s misalignment, not for shims and swing.`,
        },
        width: {
          title: t`Enter the sheave widths.`,
          detail: t`Grooves are aligned, not faces. The slide needs both widths or the face-to-groove distances. Shims and swing do not.`,
        },
        feet: {
          title: t`Enter the distance from the face to the feet of the ${inText(finding.sheave.name)}.`,
          detail: t`Needed for shims and swing.`,
        },
      }[finding.what]
    case 'widths':
      return {
        title: t`The grooves of the ${inText(sheaveName(finding.sheave.id, line))} are ${lengthWithUnit(Math.abs(finding.by), terms)} ${finding.by > 0 ? t`deeper` : t`shallower`} behind its face.`,
        detail: t`Aligning the faces would misalign the belts by that much. Already allowed for.`,
      }
    case 'next-reading':
      return {
        title: t`Next: ${fieldInText(finding.key, line)}, ${inText(sheaveName(finding.set.on, line))}.`,
        detail: nextDetail(finding.set, finding.key),
      }
    case 'open':
      return {
        title: t`${sheaveName(finding.round.sheave.id, line)}: ${finding.what.map((what) => openNames[what]).join(t` and `)} not measured yet.`,
        detail: t`A straightedge along the span shows only the angle along the span. Also read the tilt of both faces, or all four quarters.`,
      }
    case 'wobble':
      return {
        title: t`The face of the ${inText(sheaveName(finding.sheave.id, line))} wobbles by ${lengthWithUnit(2 * finding.value * finding.radius, terms)} where it was read.`,
        detail:
          finding.peg === 'outside'
            ? t`More than 0.1 % of the diameter. Check its bushing before you move anything. The mean of both readings is used.`
            : t`Acceptable. The mean of both readings is used.`,
      }
    case 'does-not-repeat':
      return {
        title: t`The repeat reading of the ${inText(sheaveName(finding.sheave.id, line))} disagrees.`,
        detail: t`Check for a loose bushing, a burr on the face or tight belts, then read it again.`,
      }
    case 'verdict':
      return feelText(finding.round, limit, terms)
    case 'tilt':
      return {
        title: capital(t`${finding.round.work.map((one) => shimText(one, finding.round.sheave, terms)).join(', ')}.`),
        detail: finding.after
          ? t`Then tilt, and check toe again. Shim both feet of a pair equally.`
          : t`Tilt first: lifting disturbs the rest. Shim both feet of a pair equally.`,
      }
    case 'toe':
      return {
        title: capital(
          capital(`${finding.round.work.map((one) => swingText(one, finding.round.sheave, terms)).join(', ')}.`),
        ),
        detail: finding.after
          ? t`Then toe: swing about the bolt left snug.`
          : t`Toe first: swing about the bolt left snug. Use this when shims are small and readings are live.`,
      }
    case 'slide':
      return {
        title: capital(`${slideText(finding.round.work[0]?.slide ?? null, terms)}.`),
        detail: t`Offset last: it allows for the angle corrections. Or slide the sheave on its shaft. Then tension the belts and read again.`,
      }
    case 'blocked': {
      const { blocked, sheave } = finding
      const name = inText(sheave.feet.find(({ id }) => id === blocked.foot)?.name ?? '')
      return {
        title: {
          up: t`The ${name} of the ${inText(sheave.name)} would be ${lengthWithUnit(blocked.by, terms)} too high.`,
          near: t`The ${name} of the ${inText(sheave.name)} are bolt-bound by ${lengthWithUnit(blocked.by, terms)} toward ${sideOf('near', line)}.`,
          far: t`The ${name} of the ${inText(sheave.name)} are bolt-bound by ${lengthWithUnit(blocked.by, terms)} toward ${sideOf('far', line)}.`,
        }[blocked.limit],
        detail: t`Swing about another bolt, open up the holes if allowed, or move the other machine.`,
      }
    }
    case 'not-closed': {
      const { set, by, sign, turned } = finding.closure
      const name = sheaveName(set.on, line)
      return {
        title: t`${turned ? t`${name}, turned 180°` : name}: the face does not close: off by ${lengthWithUnit(Math.abs(by), terms)}.`,
        detail:
          sign === undefined
            ? t`Top + bottom must equal near + far. Read it again. If it still does not close, the face is not flat.`
            : t`Reversing the sign of ${fieldInText(sign, line)} would close it. Check that one first.`,
      }
    }
    case 'contradict':
      return sayContradiction(finding.suspects, writtenNames(finding.sets, terms))
    case 'no-move':
      return sayNoMove()
    case 'tension':
      return {
        title: finding.peg === 'within' ? t`Tension recorded.` : t`Set and record the belt tension.`,
        detail: t`Turn both screws equally, then read again: tensioning can swing the machine. Recheck tension after a day or two of running.`,
      }
  }
}

/** Numbers of a drive as its suspects name them: by set and key. */
export const writtenNames = (sets: readonly BeltSet[], terms: BeltTerms): WrittenNames => {
  const set = (at: string) => sets.find(({ id }) => at.startsWith(`${id} `))
  const keyOf = (at: string) => at.slice((set(at)?.id.length ?? 0) + 1)
  const isAngle = (at: string) => set(at)?.method === 'angles' && keyOf(at) !== 'offset'
  return {
    name: (at) => t`${inText(sheaveName(set(at)?.on ?? '', terms.line))}, ${fieldInText(keyOf(at), terms.line)}`,
    value: (at, value) =>
      isAngle(at) ? signedDegrees(value) : t`${signedLength(value, terms)} ${unitName[terms.unit]}`,
  }
}

/** A typed angle with its sign. */
const signedDegrees = (rad: number): string => t`${formatSigned(rad * (180 / Math.PI), 2)}°`

/** A typed field by its name. */
const fieldInText = (key: string, line: BeltLine): string =>
  key === 'radius'
    ? t`measuring radius`
    : key === 'constant'
      ? t`target on the fixed face`
      : key === 'over'
        ? t`length of the level`
        : key === 'toe'
          ? lowerFirst(beltPageWords.toe)
          : key === 'tilt'
            ? lowerFirst(beltPageWords.tilt)
            : cellInText(key, line)

function nextDetail({ method, both }: BeltSet, key: string): string {
  if (method === 'edge')
    return key.startsWith('lean')
      ? t`Tilt of the top over the level’s length: + right, − left.`
      : t`Straightedge on the fixed face; feeler gap at this face.`
  if (method === 'angles') return t`Instrument value: + to the right.`
  return key.endsWith('t')
    ? both
      ? t`Turn both sheaves 180°, keep the target at the same clock position, read again.`
      : t`Turn this sheave 180°, keep the target at the same clock position, read again.`
    : t`Offset of this face from the fixed face: + right, − left.`
}
