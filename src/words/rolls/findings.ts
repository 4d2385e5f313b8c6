import { formatNumber, formatSigned } from '../../core/frame/number'
import { quantityMm } from '../../core/frame/quantity'
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
import type { Mistake, SpanSolved, Told } from '../../core/kinds/rolls/solve/section'
import { sayContradiction, type WrittenNames } from '../contradiction'
import { labels, listed, t } from '../language'
import type { Said } from '../said'
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
function sizeText({ value, sd }: Told, terms: RollsTerms, doubt: boolean): string {
  const mm = Math.abs(value * terms.width)
  return doubt ? t`${length(mm, terms)} ± ${lengthWithUnit(2 * sd * terms.width, terms)}` : lengthWithUnit(mm, terms)
}

/** How square a roll is over its face: "far end 0.12 mm down the line". */
export function squareText(told: Told | null | undefined, terms: RollsTerms, doubt = false): string {
  if (!told) return t`not known`
  const mm = told.value * terms.width
  if (isZero(mm, terms)) return doubt ? t`square ${doubtText(told, terms)}` : t`square`
  const far = sideOf('far', terms.line)
  const size = sizeText(told, terms, doubt)
  return mm > 0 ? t`${far} end ${size} down the line` : t`${far} end ${size} up the line`
}

export function levelText(told: Told | null | undefined, terms: RollsTerms, doubt = false): string {
  if (!told) return t`not known`
  const mm = told.value * terms.width
  if (isZero(mm, terms)) return doubt ? t`level ${doubtText(told, terms)}` : t`level`
  const far = sideOf('far', terms.line)
  const size = sizeText(told, terms, doubt)
  return mm > 0 ? t`${far} end ${size} high` : t`${far} end ${size} low`
}

export function centreText(told: Told | null | undefined, terms: RollsTerms): string {
  if (!told) return t`not known`
  if (isZero(told.value, terms)) return t`in the middle`
  return t`middle ${lengthWithUnit(Math.abs(told.value), terms)} toward ${sideOf(told.value > 0 ? 'far' : 'near', terms.line)}`
}

/** A roll in every direction: square, level, and where its middle is. */
export const liesText = (one: RollRound | undefined, terms: RollsTerms): string =>
  [
    squareText(one?.solved?.square, terms),
    levelText(one?.solved?.level, terms),
    centreText(one?.solved?.centre, terms),
  ].join('; ')

/** Where the baseline is found again, a sentence a monument. */
export const monumentTexts = ({ monuments = [], sides }: RollsLine, unit: Terms['unit']): string[] =>
  monuments.map(({ name, place, x, off, verified }) => {
    const [along, aside] = [x, off].map((quantity) => {
      const mm = quantityMm(quantity)
      return mm === undefined ? t`not known` : dimension(mm, unit)
    })
    const checked = verified ? t`last checked ${verified}` : t`never checked`
    return t`${name || t`A monument`}, ${place || t`place not said`}: ${along ?? ''} down the line, ${aside ?? ''} off the middle toward ${sides.near}; ${checked}.`
  })

/** Give or take over the face: twice the deviation. */
export const doubtText = (told: Told | null | undefined, terms: RollsTerms): string =>
  told ? `± ${lengthWithUnit(2 * told.sd * terms.width, terms)}` : ''

/** What is to be done at a roll by the one list there is: "raise 0.36 mm, slide 0.72 mm down the line". */
export function moveText({ solved, roll }: RollRound, plan: ToldPlan, terms: RollsTerms): string {
  const move = plan.moves.find((one) => one.roll.id === roll.id)
  if (move) return rollMoveText(move, terms)
  if (roll.fixed) return t`stays: it can’t be moved`
  if (plan.stale || (!solved?.square && !solved?.level)) return t`not known yet`
  return t`stays as it is`
}

/** A roll's move in words: its near housing, and the roll along its own axis; what is not known of it is said. */
export function rollMoveText({ slide, shim, push }: Omit<RollMove, 'roll'>, terms: RollsTerms): string {
  const told = (mm: number | null): mm is number => mm !== null && !isZero(mm, terms)
  const size = (mm: number) => lengthWithUnit(Math.abs(mm), terms)
  const parts = [
    ...(told(shim) ? [shim > 0 ? t`raise ${size(shim)}` : t`lower ${size(shim)}`] : []),
    ...(told(slide) ? [slide > 0 ? t`slide ${size(slide)} down the line` : t`slide ${size(slide)} up the line`] : []),
    ...(told(push) ? [t`push the roll ${size(push)} toward ${sideOf(push > 0 ? 'far' : 'near', terms.line)}`] : []),
    ...(shim === null && slide !== null ? [t`its shim is not known yet`] : []),
    ...(slide === null && shim !== null ? [t`its slide is not known yet`] : []),
  ]
  return parts.length > 0 ? listed(parts) : t`stays as it is`
}

/** What the web feels between two rolls: "far edge 0.12 mm longer, limit 0.10 mm". */
export function spanText({ inPlane, limit }: SpanSolved, terms: RollsTerms, doubt = false): string {
  const most = t`limit ${lengthWithUnit(limit * terms.width, terms)}`
  if (!inPlane) return t`not known`
  const mm = inPlane.value * terms.width
  if (isZero(mm, terms))
    return doubt ? t`both edges alike ${doubtText(inPlane, terms)}, ${most}` : t`both edges alike, ${most}`
  const edge = sideOf(mm > 0 ? 'far' : 'near', terms.line)
  return t`${edge} edge ${sizeText(inPlane, terms, doubt)} longer, ${most}`
}

const spanName = ({ from, to }: SpanSolved, line: RollsLine): string =>
  t`${rollName(from, line)} to ${rollName(to, line)}`

function sayMistake(mistake: Mistake, terms: RollsTerms): Said {
  if (mistake.kind === 'two-places')
    return {
      title: t`Mark ${mistake.mark} stands at two places, ${lengthWithUnit(mistake.by, { ...terms, resolution: 1 })} apart.`,
      detail: t`One place is wrong, or there are two marks of that name. Every roll read from these stands depends on it.`,
    }
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
          title: t`Where does ${listed(finding.rolls)} stand?`,
          detail: t`From the first roll: down the line, and up. A tape will do.`,
        },
        diameter: {
          title: t`How thick is ${listed(finding.rolls)}?`,
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
      return sayMistake(finding.mistake, terms)
    case 'contradict':
      return sayContradiction(finding.suspects, writtenNames(finding, terms))
    case 'odd-tape':
      return {
        title: t`Tape from ${finding.roll.name} to ${finding.next.name}: in which unit?`,
        detail: t`Entered: ${lengthWithUnit(finding.read, { ...terms, resolution: 0.01 })}. The rolls are ${lengthWithUnit(finding.apart, { ...terms, resolution: 1 })} apart. Type the unit with the number, or correct the rolls’ places.`,
      }
    case 'odd-scale':
      return {
        title: t`${finding.roll.name}: its scale leans ${formatNumber(finding.times, 0)} times as much as the others.`,
        detail: t`Look at its decimal point and its signs, and read it again before you move it.`,
      }
    case 'free':
      return {
        title: t`Parallel is not square: all is told from ${rollName(finding.reference, line)}.`,
        detail: t`Nothing here squares the rolls to the machine. One roll read from a baseline would.`,
      }
    case 'no-move':
      return sayNoMove()
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
              : t`Can’t tell yet for ${finding.unsure.length} of ${finding.all} spans.`,
        detail:
          finding.peg === 'within'
            ? t`What counts is how neighbors stand to each other; the machine as a whole may lean.`
            : [
                ...finding.outside.map((span) => t`${spanName(span, line)}: ${spanText(span, terms, true)}.`),
                ...finding.unsure.map(
                  (span) => t`Can’t tell: ${spanName(span, line)}: ${spanText(span, terms, true)}.`,
                ),
              ].join(' '),
      }
    case 'move':
      return {
        title: t`${finding.move.roll.name}, ${sideOf('near', line)} housing: ${rollMoveText(finding.move, terms)}.`,
        detail: t`About its ${sideOf('far', line)} end, which stays. Tighten, and read the same roll again before going on.`,
      }
    case 'plan-stale':
      return {
        title: t`The fewest rolls were worked out from other readings.`,
        detail: t`Work them out again, or move every roll that puts a span out.`,
      }
    case 'stays':
      return {
        title: t`${finding.round.roll.name} is out and can’t be moved.`,
        detail: t`Leave it, split it over its two spans, or make its neighbours parallel to it; write down which, and why.`,
      }
    case 'blocked': {
      const name = t`${finding.move.roll.name}, ${sideOf('near', line)} housing`
      const by = lengthWithUnit(finding.by, terms)
      return {
        title: {
          slide: t`${name}: it can’t slide that far; ${by} is missing.`,
          up: t`${name}: it would stand ${by} too high.`,
          down: t`${name}: ${by} more would have to come out from under it.`,
        }[finding.way],
        detail: t`As near as it goes is a plan too: see what its spans then bear, or move its neighbours for the web.`,
      }
    }
    case 'play':
      return {
        title: t`${finding.roll.name} is loose: ${lengthWithUnit(finding.by * terms.width, terms)} over the face between both ways.`,
        detail: t`More than its span may bend (${lengthWithUnit(finding.limit * terms.width, terms)}). Play is mended, not aligned: pivots, bearings and links first, then read again.`,
      }
    case 'stroke': {
      const by = lengthWithUnit(finding.by * terms.width, terms)
      const most = lengthWithUnit(finding.limit * terms.width, terms)
      return finding.peg === 'within'
        ? {
            title: t`${finding.roll.name} keeps its way over the whole stroke.`,
            detail: t`At most ${by} over the face; its span may bend ${most}.`,
          }
        : {
            title:
              finding.of === 'swing'
                ? t`${finding.roll.name}: one end of its stroke lies ${by} from the other, over the face.`
                : t`${finding.roll.name}: in the middle of its stroke it lies ${by} from both ends, over the face.`,
            detail: t`Its span may bend ${most}. Its pivots are not square to it: bring the pivot line right, not the roll.`,
          }
    }
    case 'trouble':
      return sayTroubleCall(finding, terms)
    case 'order':
      return {
        title: t`Level first, then square.`,
        detail: t`All rolls level before one is squared, where a ledge keeps them level while bolts are loose; else roll by roll, level read again after squaring. Drives, pipes and guards on before the last look.`,
      }
  }
}

/** What somebody called about. */
export const complaintNames: Readonly<Record<Complaint, string>> = labels({
  registration: 'Registration drifts',
  edge: 'The edge wanders',
  breaks: 'The web breaks',
  wrinkle: 'A wrinkle runs across',
  other: 'Something else',
})

/** What a call about trouble comes to: look, look again, correct. */
function sayTroubleCall({ told, call }: Extract<Finding, { kind: 'trouble' }>, terms: RollsTerms): Said {
  const { line, width } = terms
  const size = (rad: number) => lengthWithUnit(Math.abs(rad) * width, terms)
  const what = complaintNames[call.what]
  switch (told.state) {
    case 'observe':
      return {
        title: t`${what}: where does it show first?`,
        detail: t`Watch the web from beside it, guards closed, and follow the trouble back to the span where it begins. Name that span.`,
      }
    case 'verify':
      return {
        title:
          told.looks === 0
            ? t`Read both ends of that span by hand, twice.`
            : t`Once more, the tool taken off and set up anew.`,
        detail: t`Trammel or tape, same side of both rolls, same hand. Nothing is moved on one look: drives locked out and tried first.`,
      }
    case 'looks-differ':
      return {
        title: t`The two looks differ by ${lengthWithUnit(told.by, terms)} over both ends: can’t tell.`,
        detail: t`One of them is wrong: check units and ends, take the tool off, set it up anew and look again. Nothing is moved by these.`,
      }
    case 'within-doubt':
      return {
        title: t`Both looks tell nothing: ${size(told.bend.value)} over the face is inside their doubt of ± ${size(2 * told.bend.sd)}.`,
        detail: t`Look elsewhere first: tension, a dirty or worn face, a loose housing, the web itself. Or measure with something finer.`,
      }
    case 'found': {
      const edge = sideOf(told.longer, line)
      const other = sideOf(told.longer === 'far' ? 'near' : 'far', line)
      return {
        title: t`The ${edge} edge’s way is ${size(told.bend.value)} longer over the face.`,
        detail:
          told.fits === false
            ? t`Then the ${other} edge should hang slack, not the ${edge} one: what is seen and what is read do not fit. Look once more before anything is moved.`
            : 2 * told.bend.sd > told.needed
              ? t`The ${other} edge hangs slack with that. By hand it is known to ± ${size(2 * told.bend.sd)} only: correct with level and scales, which have to know it to ± ${size(told.needed)}.`
              : t`The ${other} edge hangs slack with that. Known well enough to correct by.`,
      }
    }
  }
}

const sharedCells = labels({
  further: 'further reading',
  stroke: 'over its stroke',
  look: 'a look by hand',
  over: 'distance between both ends',
  sensitivity: 'sensitivity of the level',
  mark: 'a floor mark',
})

const faultName = (cell: LengthCell | LevelCell | keyof typeof sharedCells, line: RollsLine): string =>
  cell in sharedCells ? sharedCells[cell as keyof typeof sharedCells] : cellName(cell as LengthCell | LevelCell, line)

/** A limit in mm over a metre, as it is typed. */
export const perMetre = (rad: number): string => formatNumber(rad * 1000, 2)
