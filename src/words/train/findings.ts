import { planes } from '../../core/frame/axis'
import { formatNumber } from '../../core/frame/number'
import type { Finding } from '../../core/kinds/train/advice/finding'
import type { TrainListed } from '../../core/kinds/train/advice/summary'
import type { Doubt } from '../../core/shafts/doubt'
import type { ProbeState } from '../../core/shafts/state'
import type { Suspect } from '../../core/shafts/suspects'
import type { LimitMissing } from '../../core/verdict/limits'
import { probeWords } from '../probes'
import type { Said } from '../said'
import {
  act,
  angleName,
  capital,
  couplingName,
  dimension,
  footName,
  isZero,
  length,
  lengthWithUnit,
  machineName,
  place,
  signedLength,
  slope,
  unitName,
} from '../terms'
import { sayReadFinding, saySuspect } from './readFindings'
import { angleOf, dialOf, dialTerms } from './said'
import type { TrainTerms } from './terms'

/** The sentence for a finding. */
export function say(finding: Finding, terms: TrainTerms): Said {
  switch (finding.kind) {
    case 'dimension-fault':
      return {
        title: `${capital(stationName(finding.fault.of, terms))} has no place yet.`,
        detail: finding.fault.message,
      }
    case 'dimension-doubt':
      return sayDoubt(finding.doubt, terms)
    case 'not-a-number':
      return {
        title: `${dialOf(finding.dial, terms)}: the ${angleAt(finding.dial, finding.angleId, terms)} reading cannot be read.`,
        detail: finding.message,
      }
    case 'not-closed':
      return sayNotClosed(finding.dial, finding.closure, finding.suspects, terms)
    case 'not-returned':
      return {
        title: `${dialOf(finding.dial, terms)} did not come back to where it began, by ${lengthWithUnit(Math.abs(finding.by), dialTerms(finding.dial, terms))}.`,
        detail: 'Something slipped: bracket, dial or coupling. Tighten it and read the set again.',
      }
    case 'closed':
      return {
        title: `${dialOf(finding.dial, terms)} closes to ${length(finding.closure, dialTerms(finding.dial, terms))}.`,
        detail: aligned(finding.dial, terms),
        working: closureWorking(finding.dial, terms),
      }
    case 'sag-upward':
      return {
        title: `${dialOf(finding.dial, terms)}: a bracket sags downward, so its sag is below zero.`,
        detail: `Typed: ${signedLength(finding.dial.sag, dialTerms(finding.dial, terms))}. On a straight bar, zeroed on top, it reads less at the bottom.`,
      }
    case 'sag-missing':
      return {
        title: `No sag given for the ${dialOf(finding.dial, terms).toLowerCase()}.`,
        detail:
          'It is taken as none. Put the bracket on a straight bar, zero on top, turn it over and type what it reads.',
      }
    case 'engaged':
      return {
        title: `${couplingName(finding.coupling, terms)} was read with the coupling closed only.`,
        detail: finding.accepted
          ? `Moves are planned from it all the same: ${finding.accepted}. Closed up, the shafts show less, or other, misalignment than their bearings have, so the verdict stays “can’t tell”.`
          : 'Closed up, the shafts bend toward each other: good for a check, not for planning a move. Release the coupling and read again.',
      }
    case 'as-coupled':
      return sayAsCoupled(finding, terms)
    case 'unsolved':
      return { title: 'Not enough to tell yet.', detail: finding.message }
    case 'one-plane':
      return {
        title: `The ${finding.plane} plane was not measured.`,
        detail:
          finding.plane === 'horizontal'
            ? 'Top and bottom alone give shims. Read both sides as well for the side moves.'
            : 'Both sides alone give the side moves. Read top and bottom as well for the shims.',
      }
    case 'no-limits':
      return {
        title: `${couplingName(finding.coupling, terms)}: no verdict, the tolerance is not known.`,
        detail: `Not given: ${finding.missing.map((one) => missingWords[one]).join(', ')}. Give it on the Line screen, or the maker’s figures.`,
      }
    case 'verdict':
      return sayVerdict(finding, terms)
    case 'feet':
      return sayFeet(finding, terms)
    case 'next-reading':
      return {
        title: `Next: ${angleOf(finding.dial, finding.degrees, terms)} on the ${dialOf(finding.dial, terms).toLowerCase()}.`,
        detail: 'Locked out and tried? Keep hands, sleeves and brackets clear while the shafts turn.',
      }
    case 'ready-to-move':
      return { title: 'All read.', detail: 'Next come the shims and the side moves.' }
    case 'no-move':
      return {
        title: 'Within tolerance: no moves needed.',
        detail: 'Leave it as it is. A move of less than the readings can tell does more harm than good.',
      }
    case 'read-again':
      return {
        title: 'Then read again.',
        detail: finding.dials
          .map((dial) => `${dialOf(dial, terms)}: ${signedLength(dial.sag, dialTerms(dial, terms))} at the bottom`)
          .join(', ')
          .concat(' is what in line looks like here, zeroed on top.'),
      }
    case 'not-fitting':
    case 'sets-disagree':
    case 'range':
    case 'swing':
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
        title: 'Lock out and try it before you loosen a bolt.',
        detail:
          'Support the machine before shims go in or out; never put fingers under it. Your site’s permits and local rules decide.',
      }
  }
}

const angleAt = (dial: ProbeState, angleId: string, terms: TrainTerms): string =>
  angleOf(dial, dial.set.angles.find((angle) => angle.id === angleId)?.degrees ?? 0, terms)

/** "Aligned shafts would read −0.05 at the sides and −0.10 at the bottom." */
function aligned(dial: ProbeState, terms: TrainTerms): string {
  const t = dialTerms(dial, terms)
  if (dial.sag === 0) return 'Without sag, aligned shafts read the same all round.'
  const at = (degrees: number) => signedLength(dial.whenAligned(degrees), t)
  return `Aligned shafts read ${at(0)} at the top, ${at(90)} at the sides and ${at(180)} at the bottom here: the bracket sags.`
}

function closureWorking(dial: ProbeState, terms: TrainTerms): string[] {
  const t = dialTerms(dial, terms)
  const at = (degrees: number) => signedLength(dial.readings.find((r) => r.angle === degrees)?.raw ?? 0, t)
  return [
    'A rim dial read all round must give: top + bottom = far + near.',
    `${at(0)} + (${at(180)}) − (${at(90)}) − (${at(270)}) = ${dial.closure === null ? '?' : signedLength(dial.closure, t)} ${unitName[t.unit]}`,
    `Two graduations are allowed: ${lengthWithUnit(dial.closureLimit, t)}. Sag cancels in this sum.`,
  ]
}

function sayNotClosed(dial: ProbeState, closure: number, suspects: readonly Suspect[], terms: TrainTerms): Said {
  const t = dialTerms(dial, terms)
  const best = suspects.slice(0, 3).map((suspect) => saySuspect(dial, suspect, t))
  return {
    title: `${dialOf(dial, terms)} does not close, by ${lengthWithUnit(Math.abs(closure), t)}.`,
    detail: best.length
      ? `It would if ${best.join(', or if ')}. Turn back and read again.`
      : 'No single slip explains it. Check bracket and dial, then read the set again.',
    working: closureWorking(dial, terms),
  }
}

function sayVerdict(finding: Extract<Finding, { kind: 'verdict' }>, terms: TrainTerms): Said {
  const { verdict, lines, coupling } = finding
  const name = couplingName(coupling, terms)
  const percent = percentOf(verdict.probability)
  const offset = Math.hypot(...lines.map((line) => line.offset))
  const angle = Math.hypot(...lines.map((line) => line.slope))
  const measured = verdict.flexAngles
    ? `${verdict.flexAngles.map((rad) => slope(rad, terms.unit)).join(' and ')} at its flex planes, left and right; allowed ${slope(verdict.limits.slope, terms.unit)} at each.${verdict.limits.judgesOffset ? ` ${lengthWithUnit(offset, terms)} at its centre; allowed ${lengthWithUnit(verdict.limits.offset, terms)}.` : ''}`
    : `${lengthWithUnit(offset, terms)} and ${slope(angle, terms.unit)} at the coupling; allowed ${lengthWithUnit(verdict.limits.offset, terms)} and ${slope(verdict.limits.slope, terms.unit)}.`
  const title =
    finding.peg === 'within'
      ? `${name} is within, ${percent} % sure.`
      : finding.peg === 'outside'
        ? `${name} is outside.`
        : `${name}: can’t tell yet whether it is within.`
  const doubts = finding.doubts.map((doubt) => doubtWords[doubt])
  const whose =
    verdict.limits.source === 'figures'
      ? `These are the maker’s or the site’s figures${terms.line.tolerance.policy === 'figures' && terms.line.tolerance.source ? ` (${terms.line.tolerance.source})` : ''}.`
      : 'By sliding speed at the coupling; a maker’s or site’s figure would win over it.'
  return {
    title,
    detail: doubts.length ? `Not to be trusted: ${doubts.join('; ')}. ${measured}` : measured,
    working: [
      ...lines.map(
        (line) =>
          `${capital(line.plane)}: offset ${place(line.offset, line.plane, terms)} ± ${length(2 * line.offsetSd, terms)} ${unitName[terms.unit]}, slope ${slope(line.slope, terms.unit)} ± ${slope(2 * line.slopeSd, terms.unit)} (right-hand shaft against left, two deviations)`,
      ),
      `Chance that both are within: ${percent} %. Within is said from 95 %, outside below 5 %.`,
      whose,
    ],
  }
}

/** Why a verdict is not to be trusted. */
const doubtWords: Readonly<Record<Doubt, string>> = {
  'not-closed': 'a dial does not close',
  contradiction: 'readings contradict each other',
  engaged: 'read with the coupling closed only',
}

/** What would have to be given for a verdict. */
export const missingWords: Readonly<Record<LimitMissing, string>> = {
  speed: 'the speed',
  diameter: 'the coupling’s diameter',
  offset: 'a figure for the offset',
}

/** What a set read with the coupling closed or running says: beside the released verdict, never instead of it. */
function sayAsCoupled(finding: Extract<Finding, { kind: 'as-coupled' }>, terms: TrainTerms): Said {
  const { verdict, lines, coupling, purpose, doubts } = finding
  const how = purpose === 'running' ? 'running' : 'as coupled'
  const name = `${couplingName(coupling, terms)}, ${how}`
  if (!verdict)
    return {
      title: `${name}: no verdict.`,
      detail: lines.length ? 'The tolerance is not known.' : 'Not enough readings yet.',
    }
  const told = sayVerdict({ kind: 'verdict', peg: verdict.state, coupling, verdict, lines, doubts }, terms)
  const title =
    verdict.state === 'within'
      ? `${name}: within, ${percentOf(verdict.probability)} % sure.`
      : verdict.state === 'outside'
        ? `${name}: outside.`
        : `${name}: can’t tell.`
  return { ...told, title, detail: `${told.detail ?? ''} It plans no move.`.trim() }
}

/** Never surer than the readings: "99" is the most, "1" the least. */
const percentOf = (probability: number): string =>
  probability > 0.99 ? 'over 99' : probability < 0.01 ? 'under 1' : formatNumber(100 * probability, 0)

function sayFeet(finding: Extract<Finding, { kind: 'feet' }>, terms: TrainTerms): Said {
  const name = machineName(finding.machine, terms)
  const of = (id: string) => footName(id, terms).replace(`${name}, `, '')
  const parts = planes.flatMap((plane) => {
    const known = finding.feet.filter((foot) => foot[plane])
    if (known.length === 0) return []
    const places = known.map((foot) => `${of(foot.foot)} ${place(foot[plane]?.position ?? 0, plane, terms)}`)
    return [places.join(', ')]
  })
  const still = finding.feet.every((foot) => planes.every((plane) => isZero(foot[plane]?.position ?? 0, terms)))
  return {
    title: still ? `${name} stands where it should.` : `${name}: ${parts[0]} (${unitName[terms.unit]}).`,
    ...(parts[1] && !still ? { detail: `${capital(parts[1])} (${unitName[terms.unit]}).` } : {}),
    working: finding.feet.flatMap((foot) =>
      planes.flatMap((plane) => {
        const known = foot[plane]
        if (!known) return []
        return [
          `${capital(of(foot.foot))}, x = ${dimension(foot.x, terms.unit)}, ${plane}: axis ${place(known.position, plane, terms)}; ${known.move === null ? 'no line to move to' : `${act(known.move, plane, terms)}, ± ${length(2 * known.moveSd, terms)}`}.`,
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
  return 'a dial'
}

function sayDoubt(doubt: Extract<Finding, { kind: 'dimension-doubt' }>['doubt'], terms: TrainTerms): Said {
  const what = capital(stationName(doubt.of, terms))
  const shown = dimension(doubt.distance, terms.unit)
  switch (doubt.kind) {
    case 'foot-across-coupling':
      return {
        title: `${what} would stand on the other side of the coupling.`,
        detail: `Its distance from the coupling came out as ${shown}.`,
      }
    case 'feet-backwards':
      return {
        title: `${what} would stand nearer the coupling than the front feet.`,
        detail: 'Check which dimension is which.',
      }
    case 'one-station':
      return {
        title: `${what} stand in the same place as the front feet.`,
        detail: 'Two places along the shaft are needed to set a slope.',
      }
    case 'inch-or-mm':
      return {
        title: `${what}: ${shown} from the coupling is unlikely.`,
        detail: `Inches and millimetres mixed up? ${dimension(doubt.distance / 25.4, terms.unit)} or ${dimension(doubt.distance * 25.4, terms.unit)} would be the other way.`,
      }
    case 'dial-wrong-side':
      return {
        title: `${what} would stand on the other machine’s side of the coupling.`,
        detail: 'Check which rim it touches, or its distance.',
      }
    case 'dial-behind-feet':
      return {
        title: `${what} would stand behind its machine’s front feet.`,
        detail: `${shown} from the coupling. Check the distance.`,
      }
  }
}

/** The next act of a train in a list: short, and the same thing its own first sentence says. */
export function sayNext({ next, sides }: Pick<TrainListed, 'next' | 'sides'>): string {
  if (next.kind === 'nothing') return 'Nothing to do'
  const dial = `${(next.machine ?? '').toLowerCase()} ${probeWords[next.probe ?? 'rim'].name}`.trim()
  const coupling = next.coupling ?? 'the coupling'
  // a summary of an older program may hold a kind that is gone
  return nextTexts[next.kind]?.({ dial, coupling, degrees: next.degrees ?? 0, sides }) ?? 'Open it'
}

interface NextTerms {
  dial: string
  coupling: string
  degrees: number
  sides: TrainListed['sides']
}

/** What each kind of finding asks for, in a few words. */
const nextTexts: Readonly<Record<Finding['kind'], (terms: NextTerms) => string>> = {
  'dimension-fault': () => 'Check the dimensions',
  'dimension-doubt': () => 'Check the dimensions',
  'not-a-number': ({ dial }) => `Correct a reading of the ${dial}`,
  'not-closed': ({ dial }) => `Read the ${dial} again: it does not close`,
  'not-returned': ({ dial }) => `Read the ${dial} again: it did not return`,
  closed: () => 'Read on',
  'not-fitting': () => 'Readings contradict each other: read again',
  'sets-disagree': () => 'Two sets disagree: read a third',
  range: ({ dial }) => `Set the ${dial} in mid-travel and read again`,
  swing: ({ dial }) => `Take a dial with more travel than the ${dial}`,
  'no-radius': ({ dial }) => `Measure the radius of the ${dial}`,
  'one-shaft': ({ dial }) => `Give the run-out under the ${dial}`,
  'span-differs': ({ dial }) => `Take the sag of the ${dial} again`,
  'dial-differs': ({ dial }) => `Take the sag of the ${dial} again`,
  'preset-as-zero': ({ dial }) => `Check the top of the ${dial}`,
  'out-of-proportion': ({ dial }) => `Check the set-up of the ${dial}`,
  'short-arc': () => 'Turn farther, or go on as it is',
  improve: ({ dial }) => `One more reading on the ${dial} helps most`,
  floated: () => 'Read on',
  'rough-sweep': ({ dial }) => `Sweep the ${dial} again, slowly`,
  'sag-upward': ({ dial }) => `Check the sag of the ${dial}`,
  'sag-missing': ({ dial }) => `Give the sag of the ${dial}`,
  engaged: () => 'Release the coupling and read again',
  'as-coupled': ({ coupling }) => `${coupling}: judged as coupled`,
  unsolved: () => 'Read on: not enough to tell yet',
  'one-plane': ({ coupling }) => `${coupling}: read the other plane`,
  'no-limits': () => 'Give the speed and the diameter',
  verdict: ({ coupling }) => `${coupling}: see the verdict`,
  feet: () => 'Shims and side moves',
  'next-reading': ({ dial, degrees, sides }) =>
    `Read ${angleName(degrees, { line: { sides } }).toLowerCase()} on the ${dial}`,
  'ready-to-move': () => 'Shims and side moves',
  'no-move': () => 'Within: no moves needed',
  'read-again': () => 'Read again',
  'lock-before-loosening': () => 'Lock out and try',
}
