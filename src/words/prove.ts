import { type AnyLine, type KindName, kindOf } from '../core/kinds'
import type { Misalignment } from '../core/probes/probe'
import type { Closing } from '../core/prove/closing'
import type { Share } from '../core/prove/draws'
import type { Proof, ProofOpen, ProvedJoint } from '../core/prove/proof'
import type { LeaveReason, ProofSaid, ProofTick } from '../core/prove/schema'
import type { SpeedInHand } from '../core/prove/speeds'
import type { Plane } from '../core/quantity/axis'
import { formatNumber } from '../core/quantity/number'
import { wordsOf } from '.'
import { labels, plural, t } from './language'
import type { Message } from './said'
import { capital, couplingName, inText, isZero, lengthWithUnit, machineName, slope, type Terms } from './terms'

/** What the sentences of a proof need to know: the line's names, and how its kind names a place, a plane and a way. */
export interface ProofTerms extends Terms {
  second: string
  at: (id: string) => string
  plane: (plane: Plane) => string
  stands: (mm: number, plane: Plane) => string
  /** How far it went, and which way: "0.22 mm up". */
  went: (mm: number, plane: Plane) => string
}

/** The terms of a line of any kind. */
export function proofTerms<K extends KindName>(
  line: AnyLine<K>,
  { unit, resolution }: Pick<Terms, 'unit' | 'resolution'>,
): ProofTerms {
  const kind = { kind: line.kind as K }
  const { second, at, plane, stands, way } = wordsOf<K>(kind).proved
  const terms = { line, unit, resolution }
  return {
    line: kindOf<K>(kind).named(line),
    unit,
    resolution,
    second,
    at: (id) => at(id, line),
    plane: (which) => plane(which, line),
    stands: (mm, which) => stands(mm, which, terms),
    went: (mm, which) =>
      isZero(mm, terms) ? t`not at all` : `${lengthWithUnit(Math.abs(mm), terms)} ${way(mm, which, terms)}`,
  }
}

/** Never surer than the readings: "99" is the most, "1" the least. */
export const percentOf = (probability: number): string =>
  probability > 0.99 ? t`over 99` : probability < 0.01 ? t`under 1` : formatNumber(100 * probability, 0)

/** A speed, never told above what it is: "3,580 rpm". */
export function speedText(rpm: number): string {
  const step = rpm >= 1000 ? 10 : 1
  return t`${(Math.floor(rpm / step) * step).toLocaleString('en')} rpm`
}

export const leaveReasonNames: Readonly<Record<LeaveReason, string>> = labels({
  within: 'already within tolerance',
  strain: 'moving it could strain pipe or casing',
  'no-window': 'no shutdown window',
  other: 'other',
})

/** What is ticked off between the last move and a line that may run. */
export const proofTickTexts: Readonly<Record<ProofTick, { title: string; detail: string }>> = labels({
  torqued: {
    title: 'Bolts torqued',
    detail: 'In sequence, before the last readings.',
  },
  feet: {
    title: 'Shimmed feet checked, one bolt loose at a time',
    detail: 'Lockout still on. Keep fingers clear of the feet.',
  },
  'jack-bolts': {
    title: 'Jack bolts backed off, one dial rechecked',
    detail: 'It must not change by more than one graduation.',
  },
  guard: {
    title: 'Coupling guard refitted, locks removed by your site’s rules',
    detail: 'Everyone clear of the shafts. The site permit says who may start it.',
  },
})

/**
 * The verdict of the job in one sentence, and what stands behind it.
 *
 * @param accepted somebody signed for what is open, with a reason for each
 */
export function sayProof(
  { state, open, left, joints }: Proof,
  said: ProofSaid,
  terms: Terms,
  { accepted = false }: { accepted?: boolean } = {},
): Message {
  if (left === undefined)
    return {
      title: accepted ? t`Not verified, accepted with reasons.` : t`Nothing to verify yet.`,
      detail: t`Read both planes at every coupling first.`,
    }
  const bearing = open.filter(({ kind }) => kind !== 'not-closed').length
  const measured = joints.map((joint) => sayJoint(joint, terms)).join(' ')
  const leave = said.leave
  const reason = leave && [leave.reason === 'other' ? '' : leaveReasonNames[leave.reason], leave.note]
  const because = leave ? t`Left as is: ${reason?.filter(Boolean).join(', ') ?? ''} (${leave.by}). ` : ''
  const title =
    state === 'within'
      ? t`Within tolerance and verified.`
      : state === 'outside'
        ? accepted
          ? t`Out of tolerance, accepted with reasons.`
          : t`Out of tolerance.`
        : accepted
          ? t`Can’t tell, accepted with reasons.`
          : bearing === 1
            ? t`Can’t tell yet: 1 item outstanding.`
            : t`Can’t tell yet: ${bearing} items outstanding.`
  return { title, detail: `${because}${measured}` }
}

/** One coupling as left: how sure, and how much of its tolerance is used. */
export function sayJoint({ id, solution: { verdict }, used }: ProvedJoint, terms: Terms): string {
  const name = couplingName(id, terms)
  if (!verdict) return t`${name}: no verdict without a tolerance.`
  const share = used ? t`, ${formatNumber(100 * used.share, 0)} % of its tolerance used` : ''
  if (verdict.state === 'outside') return t`${name}: out of tolerance${share}.`
  return t`${name}: ${percentOf(verdict.probability)} % sure it is within tolerance${share}.`
}

/** What is open, and what to do about it. */
export function sayOpen(open: ProofOpen, terms: ProofTerms): Message {
  switch (open.kind) {
    case 'not-read':
      return { title: t`No complete round yet.`, detail: t`Read both planes at every coupling.` }
    case 'moved-not-read':
      return {
        title: t`Moved but not read again.`,
        detail: t`Tighten the bolts and read a new round. The last round was before the move.`,
      }
    case 'unfinished':
      return {
        title: t`Round ${open.round} is incomplete.`,
        detail: t`Round ${open.counts} counts as left. Finish the later round or remove its sets.`,
      }
    case 'joint':
      return sayOpenJoint(open.state, couplingName(open.joint, terms))
    case 'neither-repeat-nor-spare':
      return {
        title: t`${couplingName(open.joint, terms)} was read only once, with little margin.`,
        detail: t`Take a repeat. One reading is enough only below two thirds of every limit.`,
      }
    case 'does-not-repeat':
      return {
        title: t`${couplingName(open.joint, terms)} does not repeat.`,
        detail: t`The two readings differ by more than chance explains (1 in 1000). Check for a loose bracket, a sticking dial or a loose bolt, then read both again.`,
      }
    case 'closing':
      return {
        title:
          open.state === 'outside'
            ? t`Connecting ${inText(couplingName(open.joint, terms))} shifts the shafts too far.`
            : t`Connecting ${inText(couplingName(open.joint, terms))} may shift the shafts too far.`,
        detail: t`Check the coupling bolts, spacer length, hub bore and strain. Don’t move a machine because of it.`,
      }
    case 'not-closed':
      return {
        title: t`${capital(joined(open.joints, terms))} not read while connected.`,
        detail: t`Connect it, torque it and read again, or give the reason. The verdict does not depend on it.`,
      }
    case 'growth':
      return {
        title: t`No thermal growth entered at ${joined(open.joints, terms)}.`,
        detail: t`Enter it in Dimensions, or initial that it is negligible.`,
      }
    case 'feet':
      return {
        title: t`Check the shimmed feet again.`,
        detail: t`One bolt loose at a time, after the last shim change.`,
        caution: t`Lockout still on. Keep fingers clear of the feet.`,
      }
    case 'seat':
      return {
        title: t`Soft foot on the ${inText(machineName(open.machine, terms))} is not corrected.`,
        detail: t`A soft foot moves the shaft every time you tighten its bolt.`,
      }
    case 'seat-unseen':
      return {
        title: t`Soft foot on the ${inText(machineName(open.machine, terms))} was not checked at every foot.`,
        detail: t`A foot that was not checked may pull the shaft out of line when you tighten its bolt. Check each foot, one bolt at a time.`,
      }
    case 'sag':
      return {
        title: t`Bracket sag is not entered at ${inText(couplingName(open.joint, terms))}.`,
        detail: t`Heights are calculated without it. Measure it on a straight bar, or enter 0 if the bracket is stiff.`,
      }
    case 'ready':
      return {
        title: t`Outstanding in Pre-checks: ${[
          open.cautions > 0 ? plural(open.cautions, { one: t`1 caution`, other: t`${open.cautions} cautions` }) : '',
          open.checks > 0 ? plural(open.checks, { one: t`1 check`, other: t`${open.checks} checks` }) : '',
        ]
          .filter(Boolean)
          .join(t` and `)}.`,
        detail: t`Initial each one, or enter why you skipped it.`,
      }
    case 'torqued':
      return {
        title: t`Confirm the bolts were torqued before the last readings.`,
        detail: t`Tightening moves the machine. Readings taken with loose bolts don’t count.`,
      }
  }
}

function sayOpenJoint(state: 'outside' | 'unsure' | 'nothing', name: string): Message {
  if (state === 'outside')
    return { title: t`${name} is out of tolerance.`, detail: t`Plan the next move, or leave it as is with a reason.` }
  if (state === 'unsure')
    return { title: t`${name}: can’t tell yet.`, detail: t`Read it again: a second reading reduces the uncertainty.` }
  return { title: t`${name}: no verdict without a tolerance.`, detail: t`Enter one in Dimensions.` }
}

/** How well a coupling repeats. */
export function sayRepeat({ id, repeat }: ProvedJoint, terms: ProofTerms): Message | undefined {
  if (!repeat) return undefined
  const name = couplingName(id, terms)
  const { worst, repeats, q, free } = repeat
  const to = worst ? t` to ${lengthWithUnit(worst.by, terms)} at the ${inText(terms.at(worst.station))}` : ''
  return {
    title: repeats ? t`${name} repeats${to}.` : t`${name} does not repeat${to ? t`: off by` + to.slice(3) : ''}.`,
    working: [
      t`Squared difference over its variance: ${formatNumber(q, 1)}, ${free} degrees of freedom. Limit: exceeded by chance once in 1000.`,
    ],
  }
}

/** What closing the coupling did, and the verdict as coupled. */
export function sayClosed({ id, closed }: ProvedJoint, terms: ProofTerms): Message | undefined {
  if (!closed) return undefined
  const name = couplingName(id, terms)
  const { check, closing } = closed
  const told = check.verdict ? asCoupledTexts[check.verdict.state] : asCoupledTexts.nothing
  return {
    title: t`${name}, read connected: ${told}.`,
    ...(closing ? { detail: t`Connecting moved the shafts ${worstOf(closing, terms)}.` } : {}),
    ...(closing
      ? {
          working: [
            mostText(closing, terms),
            ...closing.stations.map(
              ({ station, plane, by }) =>
                t`${capital(terms.at(station))}, ${terms.plane(plane)}: ${terms.went(by, plane)}`,
            ),
          ],
        }
      : {}),
  }
}

const asCoupledTexts = labels({
  within: 'within tolerance with the coupling connected',
  outside: 'out of tolerance with the coupling connected',
  unsure: 'can’t tell with the coupling connected',
  nothing: 'no verdict with the coupling connected',
} as const)

function worstOf({ stations, change }: Closing, terms: ProofTerms): string {
  const [first, ...rest] = stations
  if (!first) return lengthWithUnit(Math.hypot(change.offsetY, change.offsetZ), terms)
  const most = rest.reduce((a, b) => (Math.abs(b.by) > Math.abs(a.by) ? b : a), first)
  return t`${lengthWithUnit(Math.abs(most.by), terms)} at the ${inText(terms.at(most.station))}`
}

/** What closing did at the coupling against what it may do. */
function mostText({ most, change }: Closing, terms: Terms): string {
  const at = t`offset ${lengthWithUnit(Math.hypot(change.offsetY, change.offsetZ), terms)}, angularity ${slope(Math.hypot(change.slopeY, change.slopeZ), terms.unit)} at the coupling`
  return most
    ? t`That is ${at}. Allowed: offset ${lengthWithUnit(most.offset, { ...terms, resolution: 0.001 })}, angularity ${slope(most.slope, terms.unit)}.`
    : t`That is ${at}.`
}

/** The hot check: running readings against in line. */
export function sayRunning({ id, running }: ProvedJoint, terms: ProofTerms): Message | undefined {
  if (!running) return undefined
  const name = couplingName(id, terms)
  const { check, grew } = running
  const state = check.verdict?.state ?? 'nothing'
  const went = (m: Misalignment) => `${terms.went(m.offsetZ, 'vertical')}, ${terms.went(m.offsetY, 'horizontal')}`
  const told = grew
    ? t`From cold to running ${terms.second} went ${went(grew.came)} at the coupling. Planned: ${went(grew.planned)}. `
    : ''
  return {
    title: t`${name}, running: ${runningTexts[state]}.`,
    detail: `${told}${
      state === 'within'
        ? t`Growth came out as planned.`
        : t`Correct the growth in Dimensions before you move anything.`
    }`,
  }
}

const runningTexts = labels({
  within: 'within tolerance',
  outside: 'out of tolerance',
  unsure: 'can’t tell',
  nothing: 'no verdict',
} as const)

/** Up to which speed a coupling stays within. */
export function saySpeed(id: string, speed: SpeedInHand | undefined, terms: Terms): string {
  const name = couplingName(id, terms)
  if (!speed) return t`${name}: its limits do not depend on speed.`
  const decides = speed.decides === 'slope' ? t`angularity governs` : t`offset governs`
  if (speed.sure === undefined)
    return Number.isFinite(speed.rpm)
      ? t`${name}: within tolerance up to ${speedText(speed.rpm)} by the numbers (${decides}), but not 95 % sure at any speed.`
      : t`${name}: not 95 % sure at any speed.`
  const numbers = Number.isFinite(speed.rpm) ? t` By the numbers alone up to ${speedText(speed.rpm)} (${decides}).` : ''
  return t`${name}: within tolerance up to ${speedText(speed.sure)} (95 % sure).${numbers}`
}

/** What most of the doubt comes from. */
export function sayShare({ what, share }: Share, probe: string | undefined): string {
  const of = probe ? t` of the ${inText(probe)}` : ''
  return t`${uncertainTexts[what].name}${of}: ${formatNumber(100 * share, 0)} % of the uncertainty. ${uncertainTexts[what].act}`
}

export const uncertainTexts: Readonly<Record<Share['what'], { name: string; act: string }>> = labels({
  readings: { name: 'The readings', act: 'Take a repeat.' },
  station: { name: 'The distance', act: 'Measure it again.' },
  radius: { name: 'The radius', act: 'Measure it again.' },
  sag: { name: 'The sag', act: 'Measure the sag again.' },
  growth: { name: 'The growth', act: 'Measure it running.' },
})

const joined = (ids: readonly string[], terms: Terms): string =>
  ids.map((id) => inText(couplingName(id, terms))).join(t` and `)
