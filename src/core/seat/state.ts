import { emptyQuantity, positiveMm, quantityFault, quantityMm } from '../quantity/quantity'
import type { Trouble } from '../quantity/trouble'
import type { Unit } from '../quantity/units'
import type { VerdictState } from '../verdict/state'
import { footPerShaft } from './apparent'
import { cureFor, type SeatCure } from './cure'
import { diagnose, type SeatFinding } from './diagnose'
import { shaftShift } from './effect'
import { blade, corners, type FootCheck, gapOf, shimStepIn, usualThinnestIn, usualThresholdIn } from './foot'
import { tighteningOrder } from './layout'
import { roundsOf, type Seat, type SeatFoot } from './schema'

/** Across a machine where nobody measured it, mm: for drawing, and until it is measured for the frame's twist; the page says so. */
export const usualSpread = 300

/** A single foot of a machine, seen from above. Lengths in mm. */
export interface PlacedFoot {
  id: string
  /** The station it belongs to, and on which side it stands. */
  station: string
  side: 'near' | 'far'
  x: number
  y: number
}

/** A machine on its feet, as its kind of line places it. */
export interface SeatMachine {
  id: string
  feet: readonly PlacedFoot[]
  /** Station of the coupling at which its shaft is watched, mm; undefined where it is not known. */
  couplingX: number | undefined
}

export const emptySeatFoot = (unit: Unit): SeatFoot => ({ rise: emptyQuantity(unit), gaps: {}, told: 'foot', pack: '' })

export const emptySeat = (unit: Unit): Seat => ({
  threshold: emptyQuantity(unit),
  torque: '',
  ticks: {},
  loose: {},
  before: {},
  after: {},
})

/** A foot's typed check in mm. */
export function footCheck({ id, x, y }: PlacedFoot, typed: SeatFoot | undefined, threshold: number): FootCheck {
  const gaps = Object.fromEntries(corners.map((corner) => [corner, quantityMm(typed?.gaps[corner])]))
  const any = Object.values(gaps).some((gap) => gap !== undefined)
  return {
    id,
    x,
    y,
    rise: quantityMm(typed?.rise),
    gaps: any ? gaps : undefined,
    nothingOver: blade(quantityMm(typed?.nothingOver), threshold),
  }
}

/** Everything known of how one machine sits. Lengths in mm. */
export interface SeatState {
  machine: string
  /** All bolts loose; as found, one at a time; again after the cure. */
  pass: 'loose' | 'before' | 'after'
  /** Rises were told by the shaft's apparent movement at the coupling and scaled to the feet: a guide. */
  guided: boolean
  feet: PlacedFoot[]
  checks: FootCheck[]
  threshold: number
  /** Feet with nothing read yet, in the order of the bolts. */
  missing: string[]
  /** Typed numbers that are none, or below zero where a gap cannot be. */
  faults: { foot: string; trouble: Trouble }[]
  /** Empty until every foot has a rise or a feeler reading. */
  findings: SeatFinding[]
  cure: SeatCure[]
  /** The pad under a foot, mm, where it was measured: cut lengths of step shims. */
  pad: { along: number | undefined; across: number | undefined }
  /** Bolts in the order they are tightened. */
  order: string[]
  /** How often they are gone round. */
  rounds: number
  /** With all bolts loose: what fills each plain gap until its shims are snug, mm. */
  snug: { foot: string; shim: number }[]
  /** How far the shaft is drawn down at the coupling when the bolts are tightened, mm; undefined where unknown. */
  shift: number | undefined
}

/**
 * Solves one pass of a machine's soft foot.
 *
 * @param wanted how much the alignment wants each station raised, mm, by foot station
 */
export function solveSeat(
  { id: machine, feet: placed, couplingX }: SeatMachine,
  seat: Seat | undefined,
  pass: SeatState['pass'],
  wanted: ReadonlyMap<string, number> = new Map(),
): SeatState {
  const feet = [...placed]
  const unit = seat?.threshold.unit ?? 'mm'
  const threshold = positiveMm(seat?.threshold) ?? usualThresholdIn(unit)
  const typed = feet.map((foot) => footCheck(foot, seat?.[pass][foot.id], threshold))
  const checks = typed.map((check): FootCheck => {
    const atShaft = seat?.[pass][check.id]?.told === 'shaft' && check.rise !== undefined && couplingX !== undefined
    return atShaft ? { ...check, rise: (check.rise ?? 0) * footPerShaft(typed, check.id, couplingX) } : check
  })
  const guided = feet.some((foot) => seat?.[pass][foot.id]?.told === 'shaft')
  const order = tighteningOrder(feet)
  const thinnest = positiveMm(seat?.thinnest) ?? usualThinnestIn(unit)
  const pad = { along: quantityMm(seat?.padAlong), across: quantityMm(seat?.padAcross) }
  const read = (check: FootCheck) =>
    check.rise !== undefined || check.gaps !== undefined || check.nothingOver !== undefined
  const missing = order.filter((id) => !checks.some((check) => check.id === id && read(check)))
  const complete = missing.length === 0 && checks.length > 0
  const findings =
    complete && pass !== 'loose' ? diagnose(checks, { threshold, pad, pipesOff: seat?.pipes === 'off' }) : []
  const byFoot = new Map(feet.map((foot) => [foot.id, wanted.get(foot.station) ?? 0]))
  return {
    machine,
    pass,
    guided,
    feet,
    checks,
    threshold,
    missing,
    order,
    rounds: roundsOf(seat),
    pad,
    findings,
    cure: cureFor(findings, checks, { wanted: byFoot, thinnest, step: shimStepIn(unit) }),
    faults: feet.flatMap((foot) => faultsOf(foot.id, seat?.[pass][foot.id])),
    snug: pass === 'loose' ? snugShims(checks, threshold) : [],
    shift: complete && pass !== 'loose' && couplingX !== undefined ? shaftShift(checks, couplingX) : undefined,
  }
}

/** Plain gaps are filled by their least corner, in hundredths: a shim that has to be forced lifts the foot. */
function snugShims(checks: readonly FootCheck[], threshold: number): SeatState['snug'] {
  return checks.flatMap((check) => {
    const least = gapOf(check).feeler?.least ?? 0
    return least > threshold ? [{ foot: check.id, shim: Math.floor(least * 100 + 1e-6) / 100 }] : []
  })
}

function faultsOf(foot: string, typed: SeatFoot | undefined): SeatState['faults'] {
  if (!typed) return []
  const gaps = corners.map((corner) => typed.gaps[corner])
  const troubles: Trouble[] = [typed.rise, typed.nothingOver, ...gaps].flatMap(
    (quantity) => quantityFault(quantity) ?? [],
  )
  if ([typed.nothingOver, ...gaps].some((gap) => (quantityMm(gap) ?? 0) < 0)) troubles.push({ kind: 'gap-below-zero' })
  return troubles.map((trouble) => ({ foot, trouble }))
}

/** Whether any machine that was looked at is still over the limit; a line without feet has nothing to do here. */
export function seatPeg(machines: readonly SeatMachine[], seats: Seats | undefined): VerdictState {
  if (machines.length === 0) return 'within'
  const states = machines.flatMap((machine) => {
    const seat = seats?.[machine.id]
    return seat ? [solveSeat(machine, seat, lastPass(seat))] : []
  })
  const begun = states.filter((state) => state.missing.length < state.feet.length)
  if (begun.length === 0) return 'nothing'
  if (begun.some((state) => state.findings.some(({ kind }) => kind !== 'clean'))) return 'outside'
  return begun.some((state) => state.missing.length > 0) ? 'unsure' : 'within'
}

/** Soft foot of a job, by machine. */
export type Seats = Readonly<Record<string, Seat>>

/** The check that counts: the one after the cure, once it was begun. */
const lastPass = ({ after }: Seat): 'before' | 'after' => (Object.keys(after).length > 0 ? 'after' : 'before')

/** The open soft foot of a job that later steps should be reminded of: machines not clean after their last check. */
export function openSeats(machines: readonly SeatMachine[], seats: Seats | undefined): SeatState[] {
  return machines.flatMap((machine) => {
    const seat = seats?.[machine.id]
    if (!seat) return []
    const state = solveSeat(machine, seat, lastPass(seat))
    return state.findings.some(({ kind }) => kind !== 'clean') ? [state] : []
  })
}

/** Machines with a foot that nobody has looked at: after the cure where that was begun, as found else. */
export const unseenSeats = (machines: readonly SeatMachine[], seats: Seats | undefined): string[] =>
  machines.flatMap((machine) => {
    const seat = seats?.[machine.id]
    const { missing } = solveSeat(machine, seat, seat ? lastPass(seat) : 'before')
    return missing.length > 0 ? [machine.id] : []
  })
