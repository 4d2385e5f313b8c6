import { type Plane, planes } from '../../core/frame/axis'
import { formatNumber } from '../../core/frame/number'
import { fromMm } from '../../core/frame/units'
import type { PlanFinding } from '../../core/kinds/train/advice/planFindings'
import type { OrderSchool } from '../../core/kinds/train/plan/order'
import type { OutcomeCause, StationOutcome } from '../../core/kinds/train/plan/outcome'
import type { InTheWay, JobPlan, PlannedFoot, PlannedStation } from '../../core/kinds/train/plan/plan'
import type { Doubt } from '../../core/shafts/doubt'
import type { Said } from '../said'
import {
  act,
  capital,
  couplingName,
  feetAlone,
  footName,
  isZero,
  length,
  lengthWithUnit,
  machineName,
  place,
  sideName,
  slope,
  stateName,
  type Terms,
  unitName,
} from '../terms'

/** A limit by the name the trade has for it. */
export function limitName(limit: InTheWay['limit'], terms: Terms): string {
  if (limit === 'down') return 'base-bound'
  if (limit === 'up') return 'out of room above'
  return `bolt-bound toward ${sideName(limit, terms)}`
}

const remedies: Readonly<Record<InTheWay['limit'], string>> = {
  down: 'Take shims out under the other machine instead (hold two feet, or let the planner choose), or have the feet or the base turned down.',
  up: 'Take shims out under the other machine instead, or put a plate under all feet.',
  near: 'Push the other machine instead, turn the bolts down, or open the holes.',
  far: 'Push the other machine instead, turn the bolts down, or open the holes.',
}

export function sayPlan(finding: PlanFinding, terms: Terms): Said {
  switch (finding.kind) {
    case 'in-the-way':
      return sayInTheWay(finding, terms)
    case 'held-unreached':
      return {
        title: `${capital(footName(finding.foot, terms))} are held, but no reading reaches them: no ${finding.plane} line, so no ${finding.plane === 'vertical' ? 'shims' : 'side moves'}.`,
        detail: 'Read the couplings on the way to them in both planes, or hold other feet.',
      }
    case 'not-sure':
      return {
        title: `Not sure: ${finding.doubts.map((doubt) => doubtTexts[doubt]).join(', and ')} at ${couplingName(finding.coupling, terms).toLowerCase()}.`,
        detail: 'Every number that hangs on it may be wrong. Read again before a bolt is loosened.',
      }
    case 'overlarge':
      return {
        title: `${capital(footName(finding.foot, terms))}: ${lengthWithUnit(Math.abs(finding.move), terms)} is more than shims and jack bolts are for.`,
        detail:
          'Align it roughly first, with straightedge and feeler, and read again: far off, dials run out of travel and small errors grow.',
      }
    case 'tied-moved':
      return sayTied(finding, terms)
    case 'coarse-pack':
      return {
        title: `${capital(footName(finding.foot, terms))}: the nearest pack is ${lengthWithUnit(Math.abs(finding.residual), terms)} ${finding.residual > 0 ? 'too thick' : 'too thin'}.`,
        detail: 'Thinner shims in the stock, or more in a pack, would come nearer.',
      }
    case 'no-growth':
      return {
        title: 'Nobody has said how this line grows when it runs.',
        detail:
          'The moves bring it in line cold. A hot pump, or a motor that warms, stands otherwise when it runs: give the growth on the Line screen, or zero where there is none.',
      }
    case 'packs-unknown':
      return {
        title: `What lies under the ${list(finding.machines, terms)} is not written down.`,
        detail: 'Type the pack under each foot, thick to thin, and the new packs are worked out.',
      }
    case 'no-stock':
      return {
        title: `No shims are chosen for the ${list(finding.machines, terms)}.`,
        detail: 'Choose a stock below: the nearest packs and the pick list follow from it.',
      }
    case 'left':
      return sayLeft(finding, terms)
    case 'order':
      return sayOrder(finding.advice, terms)
  }
}

const list = (machines: readonly string[], terms: Terms): string =>
  machines.map((id) => machineName(id, terms).toLowerCase()).join(' and the ')

function sayInTheWay({ blocked, together, stays }: Extract<PlanFinding, { kind: 'in-the-way' }>, terms: Terms): Said {
  const { foot, limit, short, best } = blocked
  const size = lengthWithUnit(short, terms)
  return {
    title: `${capital(footName(foot, terms))}: ${limitName(limit, terms)} by ${size}.`,
    detail: [
      stays === 'least' && !together
        ? `This limit alone is in the way${best ? `: without it ${feetWord(best.touched)} ${best.touched === 1 ? 'is' : 'are'} moved, the largest by ${lengthWithUnit(best.largest, terms)}` : ''}.`
        : stays === 'least'
          ? 'Several limits are in the way together.'
          : '',
      remedies[limit],
    ]
      .filter(Boolean)
      .join(' '),
  }
}

/** "no foot", "1 station of feet", "3 stations of feet". */
export const feetWord = (count: number): string =>
  count === 0 ? 'no station' : count === 1 ? '1 station' : `${count} stations`

function sayLeft(
  { coupling, lines, verdict, partly, doubted }: Extract<PlanFinding, { kind: 'left' }>,
  terms: Terms,
): Said {
  const fine = { ...terms, resolution: terms.resolution / 10 }
  const percent = Math.round(100 * verdict.probability)
  const chance = percent > 99 ? 'more than 99 %' : percent < 1 ? 'less than 1 %' : `${formatNumber(percent, 0)} %`
  const name = couplingName(coupling, terms)
  const title = doubted
    ? `${name}: can’t tell what is left after the moves; its readings are in doubt.`
    : verdict.state === 'within'
      ? `${name} should then be within: ${chance}.`
      : verdict.state === 'outside'
        ? `${name} would still be outside${partly ? ' after what can be done' : ''}.`
        : `${name} may then be within: ${chance}. The next readings will tell.`
  const told = (plane: Plane) => {
    const line = lines[plane]
    return line
      ? `${plane}: ${place(line.offset, plane, fine)}${Math.abs(line.offset) < fine.resolution / 2 ? '' : ` ${unitName[terms.unit]}`}, ${slope(line.slope, terms.unit)}`
      : `${plane}: not measured`
  }
  return {
    title,
    ...(doubted
      ? {}
      : {
          detail: `What is left when it runs, ${partly ? 'as far as the limits let it be moved' : 'whole shims and all'}. ${capital(told('vertical'))}. ${capital(told('horizontal'))}.`,
        }),
  }
}

const doubtTexts: Readonly<Record<Doubt, string>> = {
  'not-closed': 'a dial does not close',
  contradiction: 'readings contradict each other',
  engaged: 'it was only read closed up',
}

function sayOrder({ crown }: Extract<PlanFinding, { kind: 'order' }>['advice'], terms: Terms): Said {
  if (!crown)
    return {
      title: 'Shims first, then sideways.',
      detail: 'Lifting and tightening disturb the sideways place, so that comes last, live on the dials.',
    }
  const fine = { ...terms, resolution: 0.001 }
  return {
    title: 'Sideways first here.',
    detail: `${capital(stateName(crown.state, terms))} stands ${lengthWithUnit(Math.abs(crown.sideways), terms)} off the middle of a hub of ${lengthWithUnit(crown.radius, { ...terms, resolution: 1 })} radius: off the crown it reads ${lengthWithUnit(crown.low, fine)} low on top and at the bottom, more than its graduation.`,
    working: [
      'low = R − √(R² − y²)',
      `= ${length(crown.radius, { ...terms, resolution: 1 })} − √(${length(crown.radius, { ...terms, resolution: 1 })}² − ${length(Math.abs(crown.sideways), terms)}²) = ${lengthWithUnit(crown.low, fine)}`,
    ],
  }
}

export const schools: Readonly<Record<OrderSchool, { name: string; because: string; steps: string[] }>> = {
  'vertical-first': {
    name: 'Shims first',
    because: 'Lifting disturbs the sideways place: shim, tighten, read again, then push sideways live.',
    steps: [
      'Loosen, lift, change the shims.',
      'Tighten in the pattern, twice round.',
      'Read again.',
      'Dials to half their swing; push sideways live.',
      'Tighten and read again.',
    ],
  },
  'sideways-first': {
    name: 'Sideways first',
    because: 'Far off sideways the dials stand off the crown of the hub and falsify top and bottom.',
    steps: [
      'Loosen; dials to half their swing; push sideways live.',
      'Tighten in the pattern and read again.',
      'Loosen, lift, change the shims.',
      'Tighten, check sideways, read again.',
    ],
  },
  together: {
    name: 'Both in one loosening',
    because: 'Quick where both moves are small: shims in, then sideways live while the bolts are still loose.',
    steps: [
      'Loosen, lift, change the shims.',
      'Bolts snug only; dials to half their swing; push sideways live.',
      'Tighten in the pattern, watching the dials.',
      'Read again.',
    ],
  },
}

/** What is to be done with the shims of one foot: "take out 0.50; put in 0.20 + 0.10". */
export function packAct({ change }: PlannedFoot, terms: Terms): string | undefined {
  if (!change) return undefined
  const pieces = (sizes: readonly number[]) => sizes.map((size) => shimSize(size, terms)).join(' + ')
  const { out, in: more } = change
  if (out.length === 0 && more.length === 0) return 'leave its shims'
  const said = [out.length ? `take out ${pieces(out)}` : '', more.length ? `put in ${pieces(more)}` : '']
  return `${said.filter(Boolean).join('; ')} ${unitName[terms.unit]}`
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
  if (move === null || wanted === null) return { text: 'Not measured' }
  const told = act(move, plane, terms)
  const text = doubted ? `Not sure: ${told}` : capital(told)
  const missing = Math.abs(wanted - move)
  if (isZero(missing, terms)) return { text }
  const limit = plane === 'vertical' ? (wanted < 0 ? 'down' : 'up') : wanted < 0 ? 'near' : 'far'
  return { text, short: `${lengthWithUnit(missing, terms)} more is wanted: ${limitName(limit, terms)}` }
}

/** A shim by its thickness, with no more decimals than it needs. */
export const shimSize = (mm: number, { unit }: Pick<Terms, 'unit'>): string => {
  const value = fromMm(mm, unit)
  const decimals = [0, 1, 2, 3].find((d) => Math.abs(value - Number(value.toFixed(d))) < 1e-6) ?? 3
  return formatNumber(value, unit === 'mm' ? Math.max(2, decimals) : decimals)
}

export const staysNames: Readonly<Record<JobPlan['stays'], string>> = {
  fixed: 'One machine stays',
  hold: 'Two stations stay',
  least: 'Least moves',
  drawn: 'Own line',
}

const causeTexts: Readonly<Record<OutcomeCause, string>> = {
  'wrong-way': 'it went the other way: shims put in where they should come out, or pushed to the wrong side',
  'not-moved': 'it was not moved',
  'wrong-shim': 'another shim than planned, or one forgotten under the foot',
  'soft-foot': 'a soft foot is back: check it with one bolt loosened at a time',
  'bolts-tightened': 'it shifted as the bolts were tightened: follow the pattern, watch the dials',
  engaged: 'the coupling was engaged when it was read',
  'dial-slipped': 'a dial or a bracket slipped: does every dial close?',
}

/** How a station came out of the move: expected beside found. */
export function sayOutcome(one: StationOutcome, causes: readonly OutcomeCause[], terms: Terms): Said {
  const { foot, plane, expected, found, off } = one
  const by = lengthWithUnit(Math.abs(off), terms)
  const way =
    plane === 'vertical' ? (off > 0 ? 'higher' : 'lower') : `more toward ${sideName(off > 0 ? 'far' : 'near', terms)}`
  return {
    title: `${capital(footName(foot, terms))} came out ${by} ${way} than planned.`,
    detail: `Expected: ${place(expected, plane, terms)}. Found: ${place(found, plane, terms)}. Usual causes: ${causes.map((cause) => causeTexts[cause]).join('; or ')}.`,
  }
}

/** A machine with pipes, or a rotor in its casing, is to be moved: how much, where, and what that takes. */
function sayTied({ machine, tie, most, agreed }: Extract<PlanFinding, { kind: 'tied-moved' }>, terms: Terms): Said {
  const moves = planes.flatMap((plane) => {
    const { foot, move } = most[plane]
    if (isZero(move, terms)) return []
    const way =
      plane === 'vertical' ? (move > 0 ? 'up' : 'down') : `toward ${sideName(move > 0 ? 'far' : 'near', terms)}`
    const feet = feetAlone(foot, terms)
    return [`${lengthWithUnit(Math.abs(move), terms)} ${way} at the ${feet}`]
  })
  const name = machineName(machine, terms).toLowerCase()
  const tied = tie === 'pipes' ? 'with its pipes' : 'in its casing'
  return {
    title: `This plan moves the ${name}, ${tied}: ${moves.join(' and ')}.`,
    detail: agreed
      ? `Agreed by ${agreed.by}, ${agreed.at.slice(0, 10)}.`
      : tie === 'pipes'
        ? 'Pipes and hangers must follow without strain. Whoever answers for them agrees first; look for strain again afterward.'
        : 'The rotor’s clearance in its casing changes by as much. Whoever answers for it agrees first; turn it by hand afterward.',
  }
}
