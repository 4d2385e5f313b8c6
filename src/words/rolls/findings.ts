import type { Finding } from '../../core/kinds/rolls/advice/findings'
import type {
  Complaint,
  Further,
  LengthCell,
  LevelCell,
  RollsLine,
  RollsRound,
} from '../../core/kinds/rolls/document/schema'
import type { RollMove, ToldPlan } from '../../core/kinds/rolls/plan/told'
import type { RollRound } from '../../core/kinds/rolls/solve/round'
import type { Estimate, Mistake, SpanSolved } from '../../core/kinds/rolls/solve/section'
import { formatNumber, formatSigned } from '../../core/quantity/number'
import { quantityMm } from '../../core/quantity/quantity'
import { sayContradiction, type WrittenNames } from '../contradiction'
import { labels, listed, t } from '../language'
import type { Message } from '../said'
import { dimension, isZero, length, lengthWithUnit, signedLength, type Terms, unitName } from '../terms'
import { sayTrouble } from '../troubles'
import { sayNoMove } from '../within'
import { rollsPageWords } from './page/page'

/** What a sentence about a section of rolls needs to know. */
export interface RollsTerms extends Pick<Terms, 'unit' | 'resolution'> {
  line: RollsLine
  /** Of every face, mm. */
  width: number
}

/** A side as the site calls it. */
export const sideOf = (side: 'near' | 'far', { sides }: RollsLine): string => sides[side].trim() || side

export const rollName = (id: string, { rolls }: RollsLine): string =>
  rolls.find((one) => one.id === id)?.name.trim() || t`Roll`

/** What a cell of a roll asks for. */
export function cellName(cell: LengthCell | LevelCell, line: RollsLine): string {
  const [near, far] = [sideOf('near', line), sideOf('far', line)]
  return {
    level: t`level, divisions toward the high ${far} end`,
    turned: t`level reversed, divisions`,
    near: t`scale, ${near} end`,
    far: t`scale, ${far} end`,
    tapeNear: t`tape to the next roll, ${near} end`,
    tapeFar: t`tape to the next roll, ${far} end`,
    centre: t`baseline to face center`,
  }[cell]
}

/** What the suspects of a section are named by. */
export interface WrittenOn {
  marks: RollsRound['marks']
  further: readonly Further[]
}

/** Numbers of a section as its suspects name them: by list and key. */
export function writtenNames({ marks, further }: WrittenOn, terms: RollsTerms): WrittenNames {
  const { line } = terms
  const split = (at: string) => at.slice(at.indexOf(':') + 1)
  const cell = (at: string) => {
    const [roll = '', name = ''] = split(at).split('.')
    return { roll, name }
  }
  const fieldOf = (at: string): string => {
    const { name } = cell(at)
    if (name === 'square') return t`square`
    if (name === 'level') return t`level`
    return sideOf(name === 'near' ? 'near' : 'far', line)
  }
  return {
    name(at) {
      if (at.startsWith('marks:')) {
        const mark = marks.find(({ id }) => id === split(at))
        return t`mark ${mark?.mark ?? ''} from stand ${mark?.stand ?? ''}`
      }
      const { roll, name } = cell(at)
      if (!at.startsWith('further:'))
        return t`${rollName(roll, line)}, ${cellName(name as LengthCell | LevelCell, line)}`
      const one = further.find(({ id }) => id === roll)
      return t`${rollsPageWords.furtherTypes[one?.type ?? 'tape'].toLowerCase()} of ${rollName(one?.on ?? '', line)}, ${fieldOf(at)}`
    },
    value(at, value) {
      if (at.startsWith('divisions:')) return t`${formatSigned(value, 1)} divisions`
      if (/^further:.*\.(square|level)$/.test(at)) return t`${formatSigned(value * 1000, 2)} mm/m`
      return t`${signedLength(value, terms)} ${unitName[terms.unit]}`
    },
  }
}

/** A size over the face, with what it is known to where that is asked for: "0.12 ± 0.04 mm". */
function sizeText({ value, sd }: Estimate, terms: RollsTerms, doubt: boolean): string {
  const mm = Math.abs(value * terms.width)
  return doubt ? t`${length(mm, terms)} ± ${lengthWithUnit(2 * sd * terms.width, terms)}` : lengthWithUnit(mm, terms)
}

/** How square a roll is over its face: "far end 0.12 mm down the line". */
export function squareText(told: Estimate | null | undefined, terms: RollsTerms, doubt = false): string {
  if (!told) return t`not measured`
  const mm = told.value * terms.width
  if (isZero(mm, terms)) return doubt ? t`square ${doubtText(told, terms)}` : t`square`
  const far = sideOf('far', terms.line)
  const size = sizeText(told, terms, doubt)
  return mm > 0 ? t`${far} end ${size} down the line` : t`${far} end ${size} up the line`
}

export function levelText(told: Estimate | null | undefined, terms: RollsTerms, doubt = false): string {
  if (!told) return t`not measured`
  const mm = told.value * terms.width
  if (isZero(mm, terms)) return doubt ? t`level ${doubtText(told, terms)}` : t`level`
  const far = sideOf('far', terms.line)
  const size = sizeText(told, terms, doubt)
  return mm > 0 ? t`${far} end ${size} high` : t`${far} end ${size} low`
}

export function centerText(told: Estimate | null | undefined, terms: RollsTerms): string {
  if (!told) return t`not measured`
  if (isZero(told.value, terms)) return t`on the center line`
  return t`center ${lengthWithUnit(Math.abs(told.value), terms)} toward ${sideOf(told.value > 0 ? 'far' : 'near', terms.line)}`
}

/** A size over the face in the unit of the heading, with what it is known to: "0.12 ± 0.04". */
const bareSize = ({ value, sd }: Estimate, terms: RollsTerms): string =>
  t`${length(Math.abs(value * terms.width), terms)} ± ${length(2 * sd * terms.width, terms)}`

/** The far end's level under a heading that names end and unit: "0.02 ± 0.02 high". */
export const levelCell = (told: Estimate | null | undefined, terms: RollsTerms): string =>
  !told
    ? t`not measured`
    : isZero(told.value * terms.width, terms)
      ? bareSize(told, terms)
      : `${bareSize(told, terms)} ${told.value > 0 ? t`high` : t`low`}`

/** The far end's square under a heading that names end and unit: "0.06 ± 0.17 down the line". */
export const squareCell = (told: Estimate | null | undefined, terms: RollsTerms): string =>
  !told
    ? t`not measured`
    : isZero(told.value * terms.width, terms)
      ? bareSize(told, terms)
      : `${bareSize(told, terms)} ${told.value > 0 ? t`down the line` : t`up the line`}`

/** The face's center under a heading that names the unit: "0.30 toward near". */
export const centerCell = (told: Estimate | null | undefined, terms: RollsTerms): string =>
  !told
    ? t`not measured`
    : isZero(told.value, terms)
      ? length(0, terms)
      : t`${length(Math.abs(told.value), terms)} toward ${sideOf(told.value > 0 ? 'far' : 'near', terms.line)}`

/** A roll in every direction: square, level, and where its middle is. */
export const orientationText = (one: RollRound | undefined, terms: RollsTerms): string =>
  [
    squareText(one?.solved?.square, terms),
    levelText(one?.solved?.level, terms),
    centerText(one?.solved?.centre, terms),
  ].join(', ')

/** Where the baseline is found again, a sentence a monument. */
export const monumentTexts = ({ monuments = [], sides }: RollsLine, unit: Terms['unit']): string[] =>
  monuments.map(({ name, place, x, off, verified }) => {
    const [along, aside] = [x, off].map((quantity) => {
      const mm = quantityMm(quantity)
      return mm === undefined ? t`not measured` : dimension(mm, unit)
    })
    const checked = verified ? t`last checked ${verified}` : t`never checked`
    return t`${name || t`A monument`}, ${place || t`location not entered`}: ${along ?? ''} down the line, ${aside ?? ''} off the center line toward ${sides.near}, ${checked}.`
  })

/** Give or take over the face: twice the deviation. */
export const doubtText = (told: Estimate | null | undefined, terms: RollsTerms): string =>
  told ? `± ${lengthWithUnit(2 * told.sd * terms.width, terms)}` : ''

/** What is to be done at a roll by the one list there is: "raise 0.36 mm, slide 0.72 mm down the line". */
export function moveText({ solved, roll }: RollRound, plan: ToldPlan, terms: RollsTerms): string {
  const move = plan.moves.find((one) => one.roll.id === roll.id)
  if (move) return rollMoveText(move, terms)
  if (roll.fixed) return t`fixed: can’t be moved`
  if (plan.stale || (!solved?.square && !solved?.level)) return t`not measured`
  return t`no change`
}

/** A roll's move in words: its near housing, and the roll along its own axis; what is not known of it is said. */
export function rollMoveText({ slide, shim, push }: Omit<RollMove, 'roll'>, terms: RollsTerms): string {
  const told = (mm: number | null): mm is number => mm !== null && !isZero(mm, terms)
  const size = (mm: number) => lengthWithUnit(Math.abs(mm), terms)
  const parts = [
    ...(told(shim) ? [shim > 0 ? t`raise ${size(shim)}` : t`lower ${size(shim)}`] : []),
    ...(told(slide) ? [slide > 0 ? t`slide ${size(slide)} down the line` : t`slide ${size(slide)} up the line`] : []),
    ...(told(push) ? [t`push the roll ${size(push)} toward ${sideOf(push > 0 ? 'far' : 'near', terms.line)}`] : []),
    ...(shim === null && slide !== null ? [t`its shim is not measured yet`] : []),
    ...(slide === null && shim !== null ? [t`its slide is not measured yet`] : []),
  ]
  return parts.length > 0 ? listed(parts) : t`no change`
}

/** What the web feels between two rolls: "far edge 0.12 mm longer, limit 0.10 mm". */
export function spanText({ inPlane, limit }: SpanSolved, terms: RollsTerms, doubt = false): string {
  const most = t`limit ${lengthWithUnit(limit * terms.width, terms)}`
  if (!inPlane) return t`not measured`
  const mm = inPlane.value * terms.width
  if (isZero(mm, terms)) return doubt ? t`edges equal ${doubtText(inPlane, terms)}, ${most}` : t`edges equal, ${most}`
  const edge = sideOf(mm > 0 ? 'far' : 'near', terms.line)
  return t`${edge} edge ${sizeText(inPlane, terms, doubt)} longer, ${most}`
}

/** What the web feels between two rolls in a table; its limit where the heading does not give one for all. */
export const spanCell = (span: SpanSolved, terms: RollsTerms, limitAbove: boolean): string => {
  if (!limitAbove || !span.inPlane) return spanText(span, terms, true)
  if (isZero(span.inPlane.value * terms.width, terms)) return t`edges equal ${doubtText(span.inPlane, terms)}`
  const edge = sideOf(span.inPlane.value > 0 ? 'far' : 'near', terms.line)
  return t`${edge} edge ${sizeText(span.inPlane, terms, true)} longer`
}

const spanName = ({ from, to }: SpanSolved, line: RollsLine): string =>
  t`${rollName(from, line)} to ${rollName(to, line)}`

function sayMistake(mistake: Mistake, terms: RollsTerms): Message {
  if (mistake.kind === 'two-places')
    return {
      title: t`Mark ${mistake.mark} has two positions, ${lengthWithUnit(mistake.by, { ...terms, resolution: 1 })} apart.`,
      detail: t`One position is wrong, or two marks have the same name. Every roll read from these stands depends on it.`,
    }
  if (mistake.kind === 'one-mark')
    return {
      title: t`Stand ${mistake.stand} was set from one mark only.`,
      detail: t`One mark gives position but not heading. Read a second mark, far from the first.`,
    }
  if (mistake.kind === 'reversed')
    return {
      title: t`Mark ${mistake.mark} at stand ${mistake.stand} reads as if it faced the other way.`,
      detail: t`Both marks must face the same way at every stand. Reversed, this reading fits the others.`,
    }
  return {
    title: t`The level was read one way only.`,
    detail: t`Reverse the level on at least one roll to cancel its zero error. Until then levels are only relative.`,
  }
}

/** The sentence for a finding. */
export function say(finding: Finding, terms: RollsTerms): Message {
  const { line } = terms
  switch (finding.kind) {
    case 'nip':
      return {
        title: t`Lock out and try drives. Release air.`,
        caution: t`Nip hazard: hands clear of every roll that can turn. Support rolls before you loosen a housing. Site permits apply.`,
      }
    case 'not-a-number':
      return {
        title: t`${finding.roll?.name ?? t`The section`}, ${faultName(finding.cell, line)}: not a number.`,
        detail: sayTrouble(finding.trouble),
      }
    case 'missing':
      return {
        width: {
          title: t`Enter the face width.`,
          detail: t`All results are given over the face width. Enter it in Dimensions.`,
        },
        over: {
          title: t`Enter the distance between the reading points.`,
          detail: t`Across the roll, end to end, at the same distance from center on a crowned face.`,
        },
        place: {
          title: t`Enter the position of ${listed(finding.rolls)}.`,
          detail: t`From the first roll, down the line and up. A tape is accurate enough.`,
        },
        diameter: {
          title: t`Enter the diameter of ${listed(finding.rolls)}.`,
          detail: t`The web path depends on it.`,
        },
      }[finding.what]
    case 'next-reading':
      return {
        title: t`Next: ${finding.next.roll.name}, ${cellName(finding.next.cell, line)}.`,
        detail:
          finding.next.cell === 'level' || finding.next.cell === 'turned'
            ? t`Level on top of the clean face or journal. Far end high is plus, in both directions.`
            : t`At mid-height of the roll, same hand and same pull at both ends.`,
      }
    case 'mistake':
      return sayMistake(finding.mistake, terms)
    case 'contradict':
      return sayContradiction(finding.suspects, writtenNames(finding, terms))
    case 'odd-tape':
      return {
        title: t`Tape from ${finding.roll.name} to ${finding.next.name}: check the unit.`,
        detail: t`Entered: ${lengthWithUnit(finding.read, { ...terms, resolution: 0.01 })}. The rolls are ${lengthWithUnit(finding.apart, { ...terms, resolution: 1 })} apart. Type the unit with the number, or correct the positions of the rolls.`,
      }
    case 'odd-scale':
      return {
        title: t`${finding.roll.name} is ${formatNumber(finding.times, 0)} times as far out of square as the others.`,
        detail: t`Check the decimal point and the signs of its scale readings. Read it again before you move it.`,
      }
    case 'free':
      return {
        title: t`Square is relative to ${rollName(finding.reference, line)} only.`,
        detail: t`No reading ties the rolls to the machine. Read one roll from a baseline.`,
      }
    case 'no-move':
      return sayNoMove()
    case 'no-reference':
      return {
        title: t`No reference: the rolls can only be compared for parallel.`,
        detail: t`Choose a firm, clean reference roll in Dimensions, or read one from a baseline.`,
      }
    case 'open': {
      const names = (rounds: readonly RollRound[]) => rounds.map(({ roll }) => roll.name).join(', ')
      return {
        title:
          finding.square.length === 0
            ? t`Level not measured: ${names(finding.level)}.`
            : finding.level.length === 0
              ? t`Square not measured: ${names(finding.square)}.`
              : t`Not measured: square of ${names(finding.square)}, level of ${names(finding.level)}.`,
        detail: t`A tape between rolls at the same height gives square to the neighbor. Between rolls one above the other it only repeats level.`,
      }
    }
    case 'verdict':
      return {
        title:
          finding.peg === 'within'
            ? t`All ${finding.all} spans are within limits.`
            : finding.peg === 'outside'
              ? t`Out of limits: ${finding.outside.map((span) => spanName(span, line)).join(', ')}.`
              : t`Can’t tell yet for ${finding.unsure.length} of ${finding.all} spans.`,
        detail:
          finding.peg === 'within'
            ? t`Only the difference between neighbors matters to the web.`
            : [
                ...finding.outside.map((span) => t`${spanName(span, line)}: ${spanText(span, terms, true)}.`),
                ...(finding.unsure.length > 0
                  ? [t`Can’t tell for ${listed(finding.unsure.map((span) => spanName(span, line)))}.`]
                  : []),
              ].join(' '),
      }
    case 'move':
      return {
        title: t`${finding.move.roll.name}, ${sideOf('near', line)} housing: ${rollMoveText(finding.move, terms)}.`,
        detail: t`Pivot about its ${sideOf('far', line)} end. Tighten and read this roll again before the next.`,
      }
    case 'plan-stale':
      return {
        title: t`The fewest moves were calculated from earlier readings.`,
        detail: t`Calculate them again, or move every roll that puts a span out.`,
      }
    case 'stays':
      return {
        title: t`${finding.round.roll.name} is out of limits and can’t be moved.`,
        detail: t`Leave it, split the error over its two spans, or make its neighbors parallel to it. Record which, and why.`,
      }
    case 'blocked': {
      const name = t`${finding.move.roll.name}, ${sideOf('near', line)} housing`
      const by = lengthWithUnit(finding.by, terms)
      return {
        title: {
          slide: t`${name}: slide is ${by} short.`,
          up: t`${name}: would be ${by} too high.`,
          down: t`${name}: base-bound by ${by}.`,
        }[finding.way],
        detail: t`Move it as far as it goes and check its spans, or move its neighbors instead.`,
      }
    }
    case 'play':
      return {
        title: t`${finding.roll.name} has play: ${lengthWithUnit(finding.by * terms.width, terms)} over the face.`,
        detail: t`More than its span may bend (${lengthWithUnit(finding.limit * terms.width, terms)}). Repair pivots, bearings and links first, then read again.`,
      }
    case 'stroke': {
      const by = lengthWithUnit(finding.by * terms.width, terms)
      const most = lengthWithUnit(finding.limit * terms.width, terms)
      return finding.peg === 'within'
        ? {
            title: t`${finding.roll.name} stays square over its whole stroke.`,
            detail: t`At most ${by} over the face. Its span may bend ${most}.`,
          }
        : {
            title:
              finding.of === 'swing'
                ? t`${finding.roll.name}: square changes by ${by} over the face, end to end of the stroke.`
                : t`${finding.roll.name}: square changes by ${by} over the face at mid-stroke.`,
            detail: t`Its span may bend ${most}. Its pivots are not square to the roll: align the pivots, not the roll.`,
          }
    }
    case 'trouble':
      return sayTroubleCall(finding, terms)
    case 'order':
      return {
        title: t`Level first, then square.`,
        detail: t`One roll at a time: recheck its level after squaring.`,
        caution: t`Refit drives, pipes and guards before the final check.`,
      }
  }
}

/** What somebody called about. */
export const complaintNames: Readonly<Record<Complaint, string>> = labels({
  registration: 'Registration drifts',
  edge: 'Edge wanders',
  breaks: 'Web breaks',
  wrinkle: 'Diagonal wrinkle',
  other: 'Something else',
})

/** What a call about trouble comes to: look, look again, correct. */
function sayTroubleCall({ told, call }: Extract<Finding, { kind: 'trouble' }>, terms: RollsTerms): Message {
  const { line, width } = terms
  const size = (rad: number) => lengthWithUnit(Math.abs(rad) * width, terms)
  const what = complaintNames[call.what]
  switch (told.state) {
    case 'observe':
      return {
        title: t`${what}: find where it starts.`,
        detail: t`Trace the trouble back to the span where it starts and enter that span.`,
        caution: t`Watch the web from the side, guards closed.`,
      }
    case 'verify':
      return {
        title:
          told.looks === 0
            ? t`Read both ends of that span by hand, twice.`
            : t`Read again: remove the tool and set it up again.`,
        detail: t`Trammel or tape, same side of both rolls, same hand. Don’t move anything on one reading.`,
        caution: t`Lock out and try the drives first.`,
      }
    case 'looks-differ':
      return {
        title: t`The two readings differ by ${lengthWithUnit(told.by, terms)}: can’t tell.`,
        detail: t`One is wrong. Check units and ends, set the tool up again and read again. Don’t move anything yet.`,
      }
    case 'within-doubt':
      return {
        title: t`No significant error: ${size(told.bend.value)} over the face is within the uncertainty of ± ${size(2 * told.bend.sd)}.`,
        detail: t`Check tension, dirty or worn faces, loose housings and the web itself first. Or use a more accurate method.`,
      }
    case 'found': {
      const edge = sideOf(told.longer, line)
      const other = sideOf(told.longer === 'far' ? 'near' : 'far', line)
      return {
        title: t`The web path is ${size(told.bend.value)} longer at the ${edge} edge.`,
        detail:
          told.fits === false
            ? t`Then the ${other} edge should be slack, not the ${edge} one. Observation and readings disagree. Read again before you move anything.`
            : 2 * told.bend.sd > told.needed
              ? t`That makes the ${other} edge slack. The hand reading is good to ± ${size(2 * told.bend.sd)}. Use level and scales, good to ± ${size(told.needed)}, to correct it.`
              : t`That makes the ${other} edge slack. Accurate enough to correct from.`,
      }
    }
  }
}

const sharedCells = labels({
  further: 'further reading',
  stroke: 'over its stroke',
  look: 'hand reading',
  over: 'distance between both ends',
  sensitivity: 'sensitivity of the level',
  mark: 'a floor mark',
})

const faultName = (cell: LengthCell | LevelCell | keyof typeof sharedCells, line: RollsLine): string =>
  cell in sharedCells ? sharedCells[cell as keyof typeof sharedCells] : cellName(cell as LengthCell | LevelCell, line)

/** A limit in mm over a meter, as it is typed. */
export const perMeter = (rad: number): string => formatNumber(rad * 1000, 2)
