import type { Finding, VerdictLine } from '../../core/kinds/train/advice/finding'
import { planes } from '../../core/quantity/axis'
import { formatNumber } from '../../core/quantity/number'
import { quantityMm } from '../../core/quantity/quantity'
import type { Doubt } from '../../core/shafts/doubt'
import { readsInLine, sagShowsAt } from '../../core/shafts/reads'
import type { ProbeState } from '../../core/shafts/state'
import type { Suspect } from '../../core/shafts/suspects'
import { bySpeedId } from '../../core/verdict/bySpeed'
import type { LimitMissing } from '../../core/verdict/limits'
import { openingOf } from '../../core/verdict/slope'
import { limitsText, seenText } from '../judged'
import { labels, listed, t } from '../language'
import type { Message } from '../said'
import {
  act,
  capital,
  couplingName,
  dimension,
  footName,
  inText,
  isZero,
  length,
  lengthWithUnit,
  machineName,
  place,
  planeName,
  sideName,
  signedLength,
  slope,
  unitName,
} from '../terms'
import { sayLack, sayTrouble } from '../troubles'
import { sayNoMove } from '../within'
import { sayReadFinding, saySuspect } from './readFindings'
import { angleOf, dialOf, dialTerms } from './said'
import type { TrainTerms } from './terms'

/** The sentence for a finding. */
export function say(finding: Finding, terms: TrainTerms): Message {
  switch (finding.kind) {
    case 'dimension-fault':
      return {
        title: t`${capital(stationName(finding.fault.of, terms))}: distance missing.`,
        detail: sayTrouble(finding.fault.trouble),
      }
    case 'dimension-doubt':
      return sayDoubt(finding.doubt, terms)
    case 'not-a-number':
      return {
        title: t`${dialOf(finding.dial, terms)}: the ${angleAt(finding.dial, finding.angleId, terms)} reading is not a number.`,
        detail: sayTrouble(finding.trouble),
      }
    case 'not-closed':
      return sayNotClosed(finding.dial, finding.closure, finding.suspects, terms)
    case 'not-returned':
      return {
        title: t`${dialOf(finding.dial, terms)} did not return to zero: off by ${lengthWithUnit(Math.abs(finding.by), dialTerms(finding.dial, terms))}.`,
        detail: t`Something slipped: bracket, dial or coupling. Tighten it and repeat the set.`,
      }
    case 'closed':
      return {
        title: t`${dialOf(finding.dial, terms)} closes to ${length(finding.closure, dialTerms(finding.dial, terms))}.`,
        detail: aligned(finding.dial, terms),
        working: closureWorking(finding.dial, terms),
      }
    case 'sag-upward':
      return {
        title: t`${dialOf(finding.dial, terms)}: a bracket sags downward, so its sag must be negative.`,
        detail: t`Entered: ${signedLength(finding.dial.sag, dialTerms(finding.dial, terms))}. On a straight bar, zeroed at the top, it reads less at the bottom.`,
      }
    case 'zeroed-twice':
      return {
        title: t`${dialOf(finding.dial, terms)} reads zero at the top and at the side.`,
        detail: t`If it was zeroed at both, choose that: each plane is then calculated from its own zero.`,
      }
    case 'sag-missing':
      return {
        title: t`No bracket sag entered for the ${inText(dialOf(finding.dial, terms))}.`,
        detail: t`Without it the heights are not sure. Clamp the bracket on a straight bar, zero at the top, roll it over and enter the reading. Enter 0 if the bracket is stiff.`,
      }
    case 'engaged':
      return {
        title: t`${couplingName(finding.coupling, terms)} was only read with the coupling connected.`,
        detail: finding.accepted
          ? t`Moves are planned from it anyway: ${finding.accepted}. With the coupling connected the shafts do not show the true misalignment, so the verdict stays “can’t tell”.`
          : t`With the coupling connected the shafts pull toward each other: good for a check, not for planning a move. Disconnect it and read again.`,
      }
    case 'as-coupled':
      return sayAsCoupled(finding, terms)
    case 'unsolved':
      return { title: t`Not enough readings yet.`, detail: sayLack(finding.lack) }
    case 'one-plane':
      return {
        title: t`The ${planeName[finding.plane]} plane was not measured.`,
        detail:
          finding.plane === 'horizontal'
            ? t`Top and bottom alone give shims. Read both sides as well for the side moves.`
            : t`Both sides alone give the side moves. Read top and bottom as well for the shims.`,
      }
    case 'no-limits':
      return {
        title: t`${couplingName(finding.coupling, terms)}: no tolerance, so no verdict.`,
        detail: t`Missing: ${finding.missing.map((one) => missingWords[one]).join(', ')}. Enter it, or the maker’s figures, in Dimensions.`,
      }
    case 'verdict':
      return sayVerdict(finding, terms)
    case 'feet':
      return sayFeet(finding, terms)
    case 'next-reading':
      return {
        title: t`Next: ${angleOf(finding.dial, finding.degrees, terms)} on the ${inText(dialOf(finding.dial, terms))}.`,
        caution: t`Lock out and try. Keep hands, sleeves and brackets clear while the shafts turn.`,
      }
    case 'ready-to-move':
      return { title: t`All readings taken.`, detail: t`Next: shims and side moves.` }
    case 'no-move':
      return sayNoMove()
    case 'read-again':
      return {
        title: t`Then read again.`,
        working: [
          t`Zeroed as before, aligned shafts read:`,
          ...finding.dials.flatMap((dial) => {
            const at = sagShowsAt(dial)
            if (at === undefined) return []
            const reads = signedLength(readsInLine(dial)(at), dialTerms(dial, terms))
            return [t`${dialOf(dial, terms)} ${reads} ${unitName[terms.unit]} (${angleOf(dial, at, terms)})`]
          }),
        ],
      }
    case 'not-fitting':
    case 'sets-disagree':
    case 'range':
    case 'swing':
    case 'no-plus':
    case 'no-radius':
    case 'one-shaft':
    case 'span-differs':
    case 'dial-differs':
    case 'preset-as-zero':
    case 'short-arc':
    case 'improve':
    case 'floated':
    case 'rough-sweep':
    case 'out-of-proportion':
      return sayReadFinding(finding, terms)
    case 'lock-before-loosening':
      return {
        title: t`Lock out and try before you loosen a bolt.`,
        caution: t`Support the machine before shims go in or out. Never put fingers under it. Site permits apply.`,
      }
  }
}

const angleAt = (dial: ProbeState, angleId: string, terms: TrainTerms): string =>
  angleOf(dial, dial.set.angles.find((angle) => angle.id === angleId)?.degrees ?? 0, terms)

/** "Aligned shafts read 0.00 (top), −0.05 (wall), −0.10 (bottom), −0.05 (aisle) here." */
function aligned(dial: ProbeState, terms: TrainTerms): string {
  const own = dialTerms(dial, terms)
  if (dial.sagMissing) return t`Enter the sag to see what aligned shafts read.`
  if (dial.sag === 0) return t`Without sag, aligned shafts read the same all round.`
  const read = dial.set.angles.filter(({ degrees }) => degrees < 360)
  return t`Aligned shafts read ${read.map(({ degrees }) => `${signedLength(dial.whenAligned(degrees), own)} (${angleOf(dial, degrees, terms)})`).join(', ')} with this bracket sag.`
}

function closureWorking(dial: ProbeState, terms: TrainTerms): string[] {
  const own = dialTerms(dial, terms)
  const at = (degrees: number) => signedLength(dial.readings.find((r) => r.angle === degrees)?.raw ?? 0, own)
  return [
    t`Check: top + bottom = far + near.`,
    `${at(0)} + (${at(180)}) − (${at(90)}) − (${at(270)}) = ${dial.closure === null ? '?' : signedLength(dial.closure, own)} ${unitName[own.unit]}`,
    t`Allowed: ${lengthWithUnit(dial.closureLimit, own)}, three standard deviations of the four readings and two graduations at least. Sag cancels in this sum.`,
  ]
}

function sayNotClosed(dial: ProbeState, closure: number, suspects: readonly Suspect[], terms: TrainTerms): Message {
  const own = dialTerms(dial, terms)
  const best = suspects.slice(0, 3).map((suspect) => saySuspect(dial, suspect, own))
  return {
    title: t`${dialOf(dial, terms)} does not close: off by ${lengthWithUnit(Math.abs(closure), own)}.`,
    detail: best.length
      ? t`It would if ${best.join(t`, or if `)}. Turn back and read again.`
      : t`No single slip explains it. Check bracket and dial, then read the set again.`,
    working: closureWorking(dial, terms),
  }
}

function sayVerdict(finding: Extract<Finding, { kind: 'verdict' }>, terms: TrainTerms): Message {
  const { verdict, lines, coupling } = finding
  const name = couplingName(coupling, terms)
  const percent = percentOf(verdict.probability)
  const { limits } = verdict
  const allowed = t`Tolerance: ${limitsText(limits, verdict.flexAngles !== undefined, terms)}.`
  const cold = seenText(finding.cold, limits, terms)
  const measured = finding.running
    ? t`Running, with growth: ${seenText(finding.running, limits, terms)}. ${allowed} As read cold: ${cold}.`
    : t`${capital(cold)}. ${allowed}`
  const title =
    finding.peg === 'within'
      ? t`${name} is within tolerance (${percent} % sure).`
      : finding.peg === 'outside'
        ? t`${name} is out of tolerance.`
        : t`${name}: can’t tell yet.`
  const doubts = finding.doubts.map((doubt) => doubtWords[doubt])
  const whose =
    terms.line.tolerance.policy === 'table' && terms.line.tolerance.table.id === bySpeedId
      ? t`By speed alone, a default of this program. The maker’s or site’s figure would override it.`
      : verdict.limits.source === 'table'
        ? t`By the site’s table${terms.line.tolerance.policy === 'table' ? ` “${terms.line.tolerance.table.name}”` : ''}, for this speed and coupling. The maker’s figure would override it.`
        : verdict.limits.source === 'figures'
          ? t`These are the maker’s or site’s figures${terms.line.tolerance.policy === 'figures' && terms.line.tolerance.source ? ` (${terms.line.tolerance.source})` : ''}.`
          : t`By sliding speed at the coupling. The maker’s or site’s figure would override it.`
  return {
    title,
    detail: measured,
    working: [
      // each doubt is a finding of its own and comes first
      ...(doubts.length ? [t`Don’t trust it: ${doubts.join(t`, and `)}.`] : []),
      ...lines.map(
        (line) =>
          t`${capital(planeName[line.plane])}: offset ${place(line.offset, line.plane, terms)} ± ${length(2 * line.offsetSd, terms)} ${unitName[terms.unit]}, angularity ${slope(line.slope, terms.unit)} ± ${slope(2 * line.slopeSd, terms.unit)} (right shaft relative to left, 2 SD)`,
      ),
      ...asGap(coupling, lines, terms),
      t`Probability that both are within: ${percent} %. Within from 95 %, out of tolerance below 5 %.`,
      whose,
    ],
  }
}

/** The slopes as gaps at the coupling's diameter, where that is given: what a feeler blade would tell. */
function asGap(id: string, lines: readonly VerdictLine[], terms: TrainTerms): string[] {
  const coupling = terms.line.couplings.find((one) => one.id === id)
  const diameter = coupling && quantityMm(coupling.diameter)
  if (!diameter) return []
  const gaps = lines.flatMap(({ plane, slope: rad }) => {
    const { mm, at } = openingOf(rad, diameter)
    if (isZero(mm, terms)) return []
    const where =
      plane === 'vertical'
        ? at === 'low'
          ? t`at the bottom`
          : t`at the top`
        : t`at the ${sideName(at === 'low' ? 'near' : 'far', terms)} side`
    return [t`${lengthWithUnit(mm, terms)} wider ${where}`]
  })
  const over = lengthWithUnit(diameter, { ...terms, resolution: 1 })
  return gaps.length > 0 ? [t`As a gap over the coupling’s ${over}: ${gaps.join(t`, `)}.`] : []
}

/** Why a verdict is not to be trusted. */
const doubtWords: Readonly<Record<Doubt, string>> = labels({
  'not-closed': 'a dial does not close',
  contradiction: 'readings contradict each other',
  engaged: 'read only with the coupling connected',
  'no-sag': 'a bracket’s sag is not entered',
})

/** What would have to be given for a verdict. */
export const missingWords: Readonly<Record<LimitMissing, string>> = labels({
  speed: 'the speed',
  diameter: 'the coupling’s diameter',
  offset: 'an offset figure',
  row: 'a table row for this speed and coupling',
})

/** What a set read with the coupling closed or running says: beside the released verdict, never instead of it. */
function sayAsCoupled(finding: Extract<Finding, { kind: 'as-coupled' }>, terms: TrainTerms): Message {
  const { verdict, lines, coupling, purpose, doubts, seen } = finding
  const how = purpose === 'running' ? t`running` : t`coupled`
  const name = `${couplingName(coupling, terms)}, ${how}`
  if (!verdict || !seen)
    return {
      title: t`${name}: no verdict.`,
      detail: lines.length ? t`No tolerance entered.` : t`Not enough readings yet.`,
    }
  const told = sayVerdict({ kind: 'verdict', peg: verdict.state, coupling, verdict, lines, doubts, ...seen }, terms)
  const title =
    verdict.state === 'within'
      ? t`${name}: within tolerance (${percentOf(verdict.probability)} % sure).`
      : verdict.state === 'outside'
        ? t`${name}: out of tolerance.`
        : t`${name}: can’t tell.`
  return { ...told, title, detail: t`${told.detail ?? ''} Not used to plan a move.`.trim() }
}

/** Never surer than the readings: "99" is the most, "1" the least. */
const percentOf = (probability: number): string =>
  probability > 0.99 ? t`over 99` : probability < 0.01 ? t`under 1` : formatNumber(100 * probability, 0)

function sayFeet(finding: Extract<Finding, { kind: 'feet' }>, terms: TrainTerms): Message {
  const name = machineName(finding.machine, terms)
  const of = (id: string) => footName(id, terms).replace(`${name}, `, '')
  const parts = planes.flatMap((plane) => {
    const known = finding.feet.filter((foot) => foot[plane])
    if (known.length === 0) return []
    const places = known.map((foot) => `${of(foot.foot)} ${place(foot[plane]?.position ?? 0, plane, terms)}`)
    return [listed(places)]
  })
  const still = finding.feet.every((foot) => planes.every((plane) => isZero(foot[plane]?.position ?? 0, terms)))
  return {
    title: still ? t`${name} is on target.` : `${name}: ${parts[0]}.`,
    ...(parts[1] && !still ? { detail: `${capital(parts[1])}.` } : {}),
    working: finding.feet.flatMap((foot) =>
      planes.flatMap((plane) => {
        const known = foot[plane]
        if (!known) return []
        return [
          t`${capital(of(foot.foot))}, x = ${dimension(foot.x, terms.unit)}, ${planeName[plane]}: axis ${place(known.position, plane, terms)}, ${known.move === null ? t`no target line` : `${act(known.move, plane, terms)}, ± ${length(2 * known.moveSd, terms)}`}.`,
        ]
      }),
    ),
  }
}

function stationName(id: string, terms: TrainTerms): string {
  const known = footName(id, terms)
  if (known !== id) return known
  const coupling = couplingName(id, terms)
  if (coupling !== id) return coupling
  return t`a dial`
}

function sayDoubt(doubt: Extract<Finding, { kind: 'dimension-doubt' }>['doubt'], terms: TrainTerms): Message {
  const what = capital(stationName(doubt.of, terms))
  const shown = dimension(doubt.distance, terms.unit)
  switch (doubt.kind) {
    case 'foot-across-coupling':
      return {
        title: t`${what} is on the wrong side of the coupling.`,
        detail: t`Calculated distance from the coupling: ${shown}.`,
      }
    case 'feet-backwards':
      return {
        title: t`${what} is nearer the coupling than the front feet.`,
        detail: t`Check which dimension is which.`,
      }
    case 'one-station':
      return {
        title: t`${what} are at the same position as the front feet.`,
        detail: t`Two places along the shaft are needed to set the angle.`,
      }
    case 'inch-or-mm':
      return {
        title: t`${what}: ${shown} from the coupling is unlikely.`,
        detail: t`Inches and millimeters mixed up? It would be ${dimension(doubt.distance / 25.4, terms.unit)} or ${dimension(doubt.distance * 25.4, terms.unit)}.`,
      }
    case 'dial-wrong-side':
      return {
        title: t`${what} is on the other machine’s side of the coupling.`,
        detail: t`Check which rim it reads, or its distance.`,
      }
    case 'dial-behind-feet':
      return {
        title: t`${what} is behind its machine’s front feet.`,
        detail: t`${shown} from the coupling. Check the distance.`,
      }
  }
}
