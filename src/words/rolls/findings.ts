import { formatNumber } from '../../core/frame/number'
import type { Finding } from '../../core/kinds/rolls/advice/findings'
import type { LengthCell, LevelCell, RollsLine } from '../../core/kinds/rolls/document/schema'
import type { RollRound } from '../../core/kinds/rolls/solve/round'
import type { Mistake, SpanSolved, Told } from '../../core/kinds/rolls/solve/section'
import { t } from '../language'
import type { Said } from '../said'
import { isZero, lengthWithUnit, type Terms } from '../terms'
import { sayTrouble } from '../troubles'

/** What a sentence about a section of rolls needs to know. */
export interface RollsTerms extends Pick<Terms, 'unit' | 'resolution'> {
  line: RollsLine
  /** Of every face, mm. */
  width: number
}

/** A side as the site calls it. */
export const sideOf = (side: 'near' | 'far', { sides }: RollsLine): string => sides[side].trim().toLowerCase() || side

export const rollName = (id: string, { rolls }: RollsLine): string =>
  rolls.find((one) => one.id === id)?.name.trim() || t`Roll`

/** What a cell of a roll asks for. */
export function cellName(cell: LengthCell | LevelCell, line: RollsLine): string {
  const [near, far] = [sideOf('near', line), sideOf('far', line)]
  return {
    level: t`level, divisions toward the high ${far} end`,
    turned: t`level turned end for end, divisions`,
    near: t`scale, ${near} end`,
    far: t`scale, ${far} end`,
    tapeNear: t`tape to the next roll, ${near} end`,
    tapeFar: t`tape to the next roll, ${far} end`,
    centre: t`from the baseline to the middle of the face`,
  }[cell]
}

/** How square a roll is over its face: "far end 0.12 mm down the line". */
export function squareText(told: Told | null | undefined, terms: RollsTerms): string {
  if (!told) return t`not known`
  const mm = told.value * terms.width
  if (isZero(mm, terms)) return t`square`
  const far = sideOf('far', terms.line)
  const size = lengthWithUnit(Math.abs(mm), terms)
  return mm > 0 ? t`${far} end ${size} down the line` : t`${far} end ${size} up the line`
}

export function levelText(told: Told | null | undefined, terms: RollsTerms): string {
  if (!told) return t`not known`
  const mm = told.value * terms.width
  if (isZero(mm, terms)) return t`level`
  const far = sideOf('far', terms.line)
  const size = lengthWithUnit(Math.abs(mm), terms)
  return mm > 0 ? t`${far} end ${size} high` : t`${far} end ${size} low`
}

export function centreText(told: Told | null | undefined, terms: RollsTerms): string {
  if (!told) return t`not known`
  if (isZero(told.value, terms)) return t`in the middle`
  return t`middle ${lengthWithUnit(Math.abs(told.value), terms)} toward ${sideOf(told.value > 0 ? 'far' : 'near', terms.line)}`
}

/** Give or take over the face: twice the deviation. */
export const doubtText = (told: Told | null | undefined, terms: RollsTerms): string =>
  told ? `± ${lengthWithUnit(2 * told.sd * terms.width, terms)}` : ''

/** The near housing's move, along its own base: "slide 0.72 mm down the line, shim 0.36 mm up". */
export function moveText({ solved, roll }: RollRound, terms: RollsTerms): string {
  const near = solved?.housings?.near
  if (!near) return roll.fixed ? t`stays: it can’t be moved` : t`not known yet`
  const parts = [
    ...(isZero(near.shim, terms)
      ? []
      : [near.shim > 0 ? t`raise ${lengthWithUnit(near.shim, terms)}` : t`lower ${lengthWithUnit(-near.shim, terms)}`]),
    ...(isZero(near.slide, terms)
      ? []
      : [
          near.slide > 0
            ? t`slide ${lengthWithUnit(near.slide, terms)} down the line`
            : t`slide ${lengthWithUnit(-near.slide, terms)} up the line`,
        ]),
  ]
  return parts.length > 0 ? parts.join(', ') : t`stays as it is`
}

/** What the web feels between two rolls: "far edge 0.12 mm longer, limit 0.10 mm". */
export function spanText({ inPlane, limit }: SpanSolved, terms: RollsTerms): string {
  const most = t`limit ${lengthWithUnit(limit * terms.width, terms)}`
  if (!inPlane) return t`not known`
  const mm = inPlane.value * terms.width
  if (isZero(mm, terms)) return t`both edges alike, ${most}`
  const edge = sideOf(mm > 0 ? 'far' : 'near', terms.line)
  return t`${edge} edge ${lengthWithUnit(Math.abs(mm), terms)} longer, ${most}`
}

const spanName = ({ from, to }: SpanSolved, line: RollsLine): string =>
  t`${rollName(from, line)} to ${rollName(to, line)}`

function sayMistake(mistake: Mistake): Said {
  if (mistake.kind === 'one-mark')
    return {
      title: t`Stand ${mistake.stand} was set on one mark only.`,
      detail: t`One mark tells where it stands, not which way it looks. Read a second one, far from the first.`,
    }
  if (mistake.kind === 'reversed')
    return {
      title: t`Mark ${mistake.mark} at stand ${mistake.stand} reads as if it faced the other way.`,
      detail: t`Both marks must face the same way at every stand. Turned about, its reading fits all others.`,
    }
  return {
    title: t`The level was read one way only.`,
    detail: t`Turn it end for end on one roll at least: its zero comes out. Until then levels are told against each other alone.`,
  }
}

/** The sentence for a finding. */
export function say(finding: Finding, terms: RollsTerms): Said {
  const { line } = terms
  switch (finding.kind) {
    case 'nip':
      return {
        title: t`Drives locked out and tried, air let off?`,
        detail: t`Nips draw in: hands clear of every roll that can turn, rolls supported before a housing is loosened. Your site’s rules and permits decide.`,
      }
    case 'not-a-number':
      return {
        title: t`${finding.roll?.name ?? t`The section`}, ${faultName(finding.cell, line)}: that is not a number.`,
        detail: sayTrouble(finding.trouble),
      }
    case 'missing':
      return {
        width: {
          title: t`How wide are the faces?`,
          detail: t`Everything is told over the face. It is on the line’s own page.`,
        },
        over: {
          title: t`How far apart are both ends read?`,
          detail: t`Across the roll, from one end to the other, at mirrored places of a crowned face.`,
        },
        place: {
          title: t`Where does ${finding.rolls.join(', ')} stand?`,
          detail: t`From the first roll: down the line, and up. A tape will do.`,
        },
        diameter: {
          title: t`How thick is ${finding.rolls.join(', ')}?`,
          detail: t`The web’s way round it needs the diameter.`,
        },
      }[finding.what]
    case 'next-reading':
      return {
        title: t`Next: ${finding.next.roll.name}, ${cellName(finding.next.cell, line)}.`,
        detail:
          finding.next.cell === 'level' || finding.next.cell === 'turned'
            ? t`On top of the face or the journal, clean; toward the far end high is above zero, both ways round.`
            : t`At the middle of the roll’s side, both ends with the same hand and pull.`,
      }
    case 'mistake':
      return sayMistake(finding.mistake)
    case 'contradict':
      return {
        title: t`Readings contradict each other.`,
        detail: t`They differ by more than they should. Read a tape again with the other hand, or turn the level once more.`,
      }
    case 'free':
      return {
        title: t`Parallel is not square: all is told from ${rollName(finding.reference, line)}.`,
        detail: t`Nothing here squares the rolls to the machine. One roll read from a baseline would.`,
      }
    case 'no-reference':
      return {
        title: t`Parallel is not square: nothing squares these rolls.`,
        detail: t`Name a reference roll on the line’s page, firm and clean, or read one from a baseline.`,
      }
    case 'open': {
      const names = (rounds: readonly RollRound[]) => rounds.map(({ roll }) => roll.name).join(', ')
      return {
        title:
          finding.square.length === 0
            ? t`Not known how level: ${names(finding.level)}.`
            : finding.level.length === 0
              ? t`Not known how square: ${names(finding.square)}.`
              : t`Not known yet: how square ${names(finding.square)}; how level ${names(finding.level)}.`,
        detail: t`A tape at one height tells square against its neighbour; one above the other it only repeats level.`,
      }
    }
    case 'verdict':
      return {
        title:
          finding.peg === 'within'
            ? t`All ${finding.all} spans are within.`
            : finding.peg === 'outside'
              ? t`Out of limits: ${finding.outside.map((span) => spanName(span, line)).join(', ')}.`
              : t`Can’t tell yet for ${finding.unsure} of ${finding.all} spans.`,
        detail:
          finding.peg === 'outside'
            ? finding.outside
                .slice(0, 4)
                .map((span) => t`${spanName(span, line)}: ${spanText(span, terms)}.`)
                .join(' ')
            : t`What counts is how neighbours stand to each other; the machine as a whole may lean.`,
      }
    case 'move':
      return {
        title: t`${finding.round.roll.name}, ${sideOf('near', line)} housing: ${moveText(finding.round, terms)}.`,
        detail: t`About its ${sideOf('far', line)} end, which stays. Tighten, and read the same roll again before going on.`,
      }
    case 'stays':
      return {
        title: t`${finding.round.roll.name} is out and can’t be moved.`,
        detail: t`Leave it, split it over its two spans, or make its neighbours parallel to it; write down which, and why.`,
      }
    case 'order':
      return {
        title: t`Level first, then square.`,
        detail: t`All rolls level before one is squared, where a ledge keeps them level while bolts are loose; else roll by roll, level read again after squaring. Drives, pipes and guards on before the last look.`,
      }
  }
}

const faultName = (cell: LengthCell | LevelCell | 'over' | 'sensitivity' | 'mark', line: RollsLine): string =>
  cell === 'over'
    ? t`distance between both ends`
    : cell === 'sensitivity'
      ? t`sensitivity of the level`
      : cell === 'mark'
        ? t`a floor mark`
        : cellName(cell, line)

/** A limit in mm over a metre, as it is typed. */
export const perMetre = (rad: number): string => formatNumber(rad * 1000, 2)
