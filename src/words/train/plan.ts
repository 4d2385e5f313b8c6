import type { PlanFinding } from '../../core/kinds/train/advice/planFindings'
import type { OrderSchool } from '../../core/kinds/train/plan/order'
import type { OutcomeCause, StationOutcome } from '../../core/kinds/train/plan/outcome'
import type { InTheWay, JobPlan, PlannedFoot, PlannedStation } from '../../core/kinds/train/plan/plan'
import { type Plane, planes } from '../../core/quantity/axis'
import { formatNumber } from '../../core/quantity/number'
import { fromMm } from '../../core/quantity/units'
import type { Doubt } from '../../core/shafts/doubt'
import { sayDate } from '../dates'
import { labels, plural, t } from '../language'
import type { Message } from '../said'
import {
  act,
  capital,
  couplingName,
  feetAlone,
  footName,
  inText,
  isZero,
  length,
  lengthWithUnit,
  machineName,
  place,
  planeName,
  sideName,
  slope,
  stateName,
  type Terms,
  unitName,
} from '../terms'
import { limitName } from './limitName'

const remedies: Readonly<Record<InTheWay['limit'], string>> = labels({
  down: 'Lower the other machine instead (hold two feet or find fewest moves), or have the feet or base machined.',
  up: 'Lower the other machine instead, or put a plate under all feet.',
  near: 'Move the other machine instead, or have the bolts undercut or the holes opened up.',
  far: 'Move the other machine instead, or have the bolts undercut or the holes opened up.',
})

export function sayPlan(finding: PlanFinding, terms: Terms): Message {
  switch (finding.kind) {
    case 'in-the-way':
      return sayInTheWay(finding, terms)
    case 'unplaced':
      return {
        title: t`No plan without the distance of ${feetListed(finding.feet, terms)}.`,
        detail: t`Enter it in Dimensions to plan moves there.`,
      }
    case 'held-unreached':
      return {
        title: t`${capital(footName(finding.foot, terms))} are held, but no reading reaches them: no ${finding.plane === 'vertical' ? t`shims` : t`side moves`}.`,
        detail: t`Read the couplings on the way to them in both planes, or hold other feet.`,
      }
    case 'not-sure': {
      const doubts = finding.doubts.map((doubt) => doubtTexts[doubt]).join(t`, and `)
      return {
        title:
          terms.line.couplings.length > 1
            ? t`Not sure: ${doubts} at ${inText(couplingName(finding.coupling, terms))}.`
            : t`Not sure: ${doubts}.`,
        detail: finding.doubts.every((doubt) => doubt === 'no-sag')
          ? t`Heights are calculated without it and may be wrong. Side moves don’t depend on it. Measure it on a straight bar, or enter 0 if the bracket is stiff.`
          : t`Every result that depends on it may be wrong. Read again before you loosen a bolt.`,
      }
    }
    case 'overlarge':
      return {
        title: t`${capital(footName(finding.foot, terms))}: ${lengthWithUnit(Math.abs(finding.move), terms)} is too large a move for precision alignment.`,
        detail: t`Do the rough alignment with straightedge and feeler, then read again.`,
      }
    case 'tied-moved':
      return sayTied(finding, terms)
    case 'coarse-pack':
      return {
        title: t`${capital(footName(finding.foot, terms))}: the nearest pack is ${lengthWithUnit(Math.abs(finding.residual), terms)} ${finding.residual > 0 ? t`too thick` : t`too thin`}.`,
        detail: t`Thinner shims in stock, or more shims in a pack, would get closer.`,
      }
    case 'no-growth':
      return {
        title: t`No thermal growth entered for this line.`,
        detail: t`The moves align it cold. Enter the growth in Dimensions, or zero if there is none.`,
      }
    case 'packs-unknown':
      return {
        title: t`Shims under the ${list(finding.machines, terms)} are not recorded.`,
        detail: t`Enter the shims under each foot to get the new packs.`,
      }
    case 'no-stock':
      return {
        title: t`No shims are chosen for the ${list(finding.machines, terms)}.`,
        detail: t`Choose a shim stock below to get packs and a pick list.`,
      }
    case 'left':
      return sayLeft(finding, terms)
    case 'order':
      return sayOrder(finding.advice, terms)
  }
}

const list = (machines: readonly string[], terms: Terms): string =>
  machines.map((id) => inText(machineName(id, terms))).join(t` and the `)

function sayInTheWay(
  { blocked, together, stays }: Extract<PlanFinding, { kind: 'in-the-way' }>,
  terms: Terms,
): Message {
  const { foot, limit, short, best, uncounted } = blocked
  const size = lengthWithUnit(short, terms)
  if (uncounted)
    return {
      title: t`${capital(footName(foot, terms))}: ${size} needs to come out, but its shims are not recorded.`,
      detail: t`Check and enter the shims there. Until then nothing is taken out from under the fixed machine.`,
    }
  return {
    title: t`${capital(footName(foot, terms))}: ${limitName(limit, terms)} by ${size}.`,
    detail: [
      stays === 'least' && !together
        ? t`Only this limit blocks it${best ? t`: without it ${feetWord(best.touched)} would move, the most by ${lengthWithUnit(best.largest, terms)}` : ''}.`
        : stays === 'least'
          ? t`Several limits together block it.`
          : '',
      remedies[limit],
    ]
      .filter(Boolean)
      .join(' '),
  }
}

/** "no foot", "1 station of feet", "3 stations of feet". */
export const feetWord = (count: number): string =>
  count === 0 ? t`no feet` : plural(count, { one: t`1 pair of feet`, other: t`${count} pairs of feet` })

function sayLeft(
  { coupling, lines, verdict, partly, doubted }: Extract<PlanFinding, { kind: 'left' }>,
  terms: Terms,
): Message {
  const fine = { ...terms, resolution: terms.resolution / 10 }
  const percent = Math.round(100 * verdict.probability)
  const chance = percent > 99 ? t`more than 99 %` : percent < 1 ? t`less than 1 %` : `${formatNumber(percent, 0)} %`
  const name = couplingName(coupling, terms)
  const title = doubted
    ? t`${name}: residual after the moves unknown, because its readings are in doubt.`
    : verdict.state === 'within'
      ? t`${name} should then be within tolerance: ${chance}.`
      : verdict.state === 'outside'
        ? t`${name} would still be out of tolerance${partly ? t` even after the possible moves` : ''}.`
        : t`${name} may then be within tolerance: ${chance}. The next readings will show.`
  const told = (plane: Plane) => {
    const line = lines[plane]
    return line
      ? `${planeName[plane]}: ${place(line.offset, plane, fine)}, ${slope(line.slope, terms.unit)}`
      : t`${planeName[plane]}: not measured`
  }
  return {
    title,
    ...(doubted
      ? {}
      : {
          detail: t`Residual when running, ${partly ? t`as far as the limits allow` : t`with whole shims`}. ${capital(told('vertical'))}. ${capital(told('horizontal'))}.`,
        }),
  }
}

/** Stations of feet in a sentence: "pump, front feet and pump, back feet". */
export const feetListed = (feet: readonly string[], terms: Terms): string =>
  feet.map((id) => inText(footName(id, terms))).join(t` and `)

const doubtTexts: Readonly<Record<Doubt, string>> = labels({
  'not-closed': 'a dial does not close',
  contradiction: 'readings contradict each other',
  engaged: 'it was only read with the coupling connected',
  'no-sag': 'a bracket’s sag is not entered',
})

function sayOrder({ crown }: Extract<PlanFinding, { kind: 'order' }>['advice'], terms: Terms): Message {
  if (!crown)
    return {
      title: t`Shims first, then sideways.`,
      detail: t`Lifting and tightening disturb the side position, so do side moves last, watching the dials.`,
    }
  const fine = { ...terms, resolution: 0.001 }
  return {
    title: t`Sideways first here.`,
    detail: t`${capital(stateName(crown.state, terms))} is ${lengthWithUnit(Math.abs(crown.sideways), terms)} off the center of a hub with a radius of ${lengthWithUnit(crown.radius, { ...terms, resolution: 1 })}. Off the crown it reads ${lengthWithUnit(crown.low, fine)} low at top and bottom, more than its graduation. Within ${lengthWithUnit(crown.enough, { ...terms, resolution: 0.1 })} it is near enough to lift. Finish sideways after the shims, then read the heights again.`,
    working: [
      t`low = R − √(R² − y²)`,
      `= ${length(crown.radius, { ...terms, resolution: 1 })} − √(${length(crown.radius, { ...terms, resolution: 1 })}² − ${length(Math.abs(crown.sideways), terms)}²) = ${lengthWithUnit(crown.low, fine)}`,
    ],
  }
}

export const schools: Readonly<Record<OrderSchool, { name: string; because: string; steps: string[] }>> = labels({
  'vertical-first': {
    name: 'Shims first',
    because: 'Lifting disturbs the side position: shim, tighten, read again, then move sideways live.',
    steps: [
      'Loosen, lift, change the shims.',
      'Tighten in sequence, 2 passes.',
      'Read again.',
      'Set dials to half their TIR and move sideways live.',
      'Tighten and read again.',
    ],
  },
  'sideways-first': {
    name: 'Sideways first',
    because: 'Far off sideways, the dials are off the crown of the hub and misread top and bottom.',
    steps: [
      'Loosen, set dials to half their TIR and move sideways live.',
      'Tighten in sequence and read again.',
      'Loosen, lift, change the shims.',
      'Tighten, check sideways, read again.',
    ],
  },
  together: {
    name: 'Both while loose',
    because: 'Quick when both moves are small: shims in, then sideways live while the bolts are still loose.',
    steps: [
      'Loosen, lift, change the shims.',
      'Bolts snug only. Set dials to half their TIR and move sideways live.',
      'Tighten in sequence, watching the dials.',
      'Read again.',
    ],
  },
})

/** What is to be done with the shims of one foot: "take out 0.50; put in 0.20 + 0.10". */
export function packAct({ change }: PlannedFoot, terms: Terms): string | undefined {
  if (!change) return undefined
  const pieces = (sizes: readonly number[]) => sizes.map((size) => shimSize(size, terms)).join(' + ')
  const { out, in: more } = change
  if (out.length === 0 && more.length === 0) return t`no shim change`
  const said = [out.length ? t`take out ${pieces(out)}` : '', more.length ? t`put in ${pieces(more)}` : '']
  return `${said.filter(Boolean).join(', ')} ${unitName[terms.unit]}`
}

/** What to do at a station in a plane: one number, what can be done; and by how much that falls short of what is wanted. */
export interface MoveSaid {
  /** "Take out 0.20 mm of shim", "Not sure: push 0.12 mm toward wall", "Not measured". */
  text: string
  /** "0.14 mm more is wanted: base-bound"; absent where all of it can be done. */
  short?: string
}

/** @param doubted whether the readings it hangs on are in doubt */
export function sayMove(station: PlannedStation, plane: Plane, doubted: boolean, terms: Terms): MoveSaid {
  const [move, wanted] = [station[plane], station.wanted[plane]]
  if (move === null || wanted === null) return { text: t`Not measured` }
  const told = act(move, plane, terms)
  const text = doubted ? t`Not sure: ${told}` : capital(told)
  const missing = Math.abs(wanted - move)
  if (isZero(missing, terms)) return { text }
  const limit = plane === 'vertical' ? (wanted < 0 ? 'down' : 'up') : wanted < 0 ? 'near' : 'far'
  return { text, short: t`${lengthWithUnit(missing, terms)} short: ${limitName(limit, terms)}` }
}

/** A shim by its thickness, with no more decimals than it needs. */
export const shimSize = (mm: number, { unit }: Pick<Terms, 'unit'>): string => {
  const value = fromMm(mm, unit)
  const decimals = [0, 1, 2, 3].find((d) => Math.abs(value - Number(value.toFixed(d))) < 1e-6) ?? 3
  return formatNumber(value, unit === 'mm' ? Math.max(2, decimals) : decimals)
}

export const staysNames: Readonly<Record<JobPlan['stays'], string>> = labels({
  fixed: 'Fixed machine',
  hold: 'Two feet held',
  least: 'Fewest moves',
  drawn: 'Custom target',
})

const causeTexts: Readonly<Record<OutcomeCause, string>> = labels({
  'wrong-way': 'wrong direction: shims added instead of removed, or pushed the wrong way',
  'not-moved': 'not moved',
  'wrong-shim': 'wrong shim thickness, or a shim left under the foot',
  'soft-foot': 'soft foot: check with one bolt loosened at a time',
  'bolts-tightened': 'shifted during tightening: follow the sequence and watch the dials',
  engaged: 'read with the coupling connected',
  'dial-slipped': 'a dial or a bracket slipped: does every dial close?',
})

/** How a station came out of the move: expected beside found. */
export function sayOutcome(one: StationOutcome, causes: readonly OutcomeCause[], terms: Terms): Message {
  const { foot, plane, expected, found, off } = one
  const by = lengthWithUnit(Math.abs(off), terms)
  const way =
    plane === 'vertical'
      ? off > 0
        ? t`higher`
        : t`lower`
      : t`more toward ${sideName(off > 0 ? 'far' : 'near', terms)}`
  return {
    title: t`${capital(footName(foot, terms))} came out ${by} ${way} than planned.`,
    detail: t`Expected ${place(expected, plane, terms)}, found ${place(found, plane, terms)}. Usual causes: ${causes.map((cause) => causeTexts[cause]).join(t`, or `)}.`,
  }
}

/** A machine with pipes, or a rotor in its casing, is to be moved: how much, where, and what that takes. */
function sayTied({ machine, tie, most, agreed }: Extract<PlanFinding, { kind: 'tied-moved' }>, terms: Terms): Message {
  const moves = planes.flatMap((plane) => {
    const { foot, move } = most[plane]
    if (isZero(move, terms)) return []
    const way =
      plane === 'vertical' ? (move > 0 ? t`up` : t`down`) : t`toward ${sideName(move > 0 ? 'far' : 'near', terms)}`
    const feet = feetAlone(foot, terms)
    return [t`${lengthWithUnit(Math.abs(move), terms)} ${way} at the ${feet}`]
  })
  const name = inText(machineName(machine, terms))
  const tied = tie === 'pipes' ? t`with its pipes` : t`in its casing`
  return {
    title: t`This plan moves the ${name} ${tied}.`,
    working: [t`Most: ${moves.join(t` and `)}.`],
    detail: agreed
      ? t`Agreed by ${agreed.by}, ${sayDate(agreed.at)}.`
      : tie === 'pipes'
        ? t`Pipes and hangers must move without strain. Get agreement from the responsible person first and check for strain afterward.`
        : t`Rotor-to-casing clearance changes by the same amount. Get agreement from the responsible person first and turn it by hand afterward.`,
  }
}
