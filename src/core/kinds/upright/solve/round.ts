import type { Probe } from '../../../probes'
import { type Quantity, quantityMm } from '../../../quantity/quantity'
import { type CouplingSolution, solveCoupling } from '../../../shafts/judged'
import type { ProbeSetUp, ReadSet } from '../../../shafts/schema'
import { type ProbeState, probeState } from '../../../shafts/state'
import { type ReadingSet, togetherOf } from '../../../shafts/together'
import { channelsOf, isCoupled, resolutionOf, setPurpose, toProbe } from '../../../shafts/typed'
import { packMm } from '../../../shims/stock'
import { limitsOf } from '../../../verdict/limits'
import { allowedOf, gradeOf } from '../../../verdict/typed'
import type { UprightLine, UprightRound } from '../document/schema'
import { type Flange, type FlangeWork, flangeWork } from './flange'

/** A round of an upright pair in mm, x from the coupling upward. */
export interface UprightRead {
  sets: readonly ReadingSet[]
  /** Per set: the probes that had something to say, as they were typed. */
  sources: readonly { set: ReadSet; probes: readonly ProbeSetUp[] }[]
}

/** Everything known of one round of an upright pair. Lengths in mm. */
export interface UprightSolved extends UprightRead {
  round: UprightRound
  coupling: CouplingSolution
  probes: ProbeState[]
  /** The joint; undefined where its bolt circle or its height is not given. */
  flange: Flange | undefined
  /** Undefined until the readings and the joint say it. */
  work: FlangeWork | undefined
  /** How many bolts there are, and how far the shaft may rise; undefined where nobody said. */
  bolts: number
  room: number | undefined
  /** Nothing is told finer than this. */
  resolution: number
}

/** What was typed of a round, in mm. */
export function readRound(line: UprightLine, { sets }: UprightRound): UprightRead {
  const [lower] = line.machines
  const read = sets.map((set) => {
    const found = set.probes.flatMap((typed) => {
      const on = typed.on === lower.id ? ('left' as const) : ('right' as const)
      const distance = quantityMm(typed.station.distance)
      const x = distance === undefined ? [] : [typed.station.toward === 'left' ? -distance : distance]
      const probe = toProbe(set, typed, { on, stations: x, sagless: true })
      return probe ? [{ typed, probe }] : []
    })
    return {
      source: { set, probes: found.map(({ typed }) => typed) },
      set: {
        state: isCoupled(set) ? ('engaged' as const) : ('released' as const),
        purpose: setPurpose(set),
        probes: found.map(({ probe }): Probe => probe),
      },
    }
  })
  return { sets: read.map(({ set }) => set), sources: read.map(({ source }) => source) }
}

/** A size as typed, in mm; undefined where it is not given or not above zero. */
export function sizeMm(quantity: Quantity): number | undefined {
  const mm = quantityMm(quantity)
  return mm !== undefined && mm > 0 ? mm : undefined
}

/** The joint as typed, in mm; undefined where its bolt circle or its height is not given. */
export function flangeOf({ flange }: UprightLine): Flange | undefined {
  const height = quantityMm(flange.height)
  const circle = sizeMm(flange.circle)
  if (height === undefined || circle === undefined) return undefined
  // whichever gives way less: the spigot in its bore, or the bolts in their holes
  const room = [sizeMm(flange.spigot), flange.boltClearance && sizeMm(flange.boltClearance)].flatMap((one) => one ?? [])
  const clearance = room.length > 0 ? Math.min(...room) : undefined
  return {
    height,
    circle,
    bolts: flange.bolts,
    spigot: clearance === undefined ? undefined : { clearance, offset: [0, 0] },
    stock: packMm(flange.shims),
  }
}

/** Solves one round of an upright pair. Pure; made for every keystroke. */
export function solveRound(line: UprightLine, round: UprightRound): UprightSolved {
  const { sets, sources } = readRound(line, round)
  const joint = { id: line.coupling.id, x: 0, diameter: sizeMm(line.coupling.diameter), sets }
  const allowed = allowedOf(line)
  const coupling = solveCoupling(joint, { limits: limitsOf(allowed, joint, gradeOf(line)) })
  const flange = flangeOf(line)
  const { result } = coupling
  const fits = result.ok ? result.fit : undefined
  const { together } = togetherOf(sets)
  const probes = round.sets.flatMap((set, s) =>
    set.probes.flatMap((typed) => {
      const p = sources[s]?.probes.findIndex(({ id }) => id === typed.id) ?? -1
      const fit = together.includes(s) ? fits?.probes.find((one) => one.set === s && one.probe === p) : undefined
      return channelsOf(typed).map((channel) => ({
        ...probeState(set, typed, channel, fits && fit && { fit, misalignment: fits.misalignment }, [], false),
        setNumber: round.sets.length > 1 ? s + 1 : undefined,
      }))
    }),
  )
  return {
    round,
    sets,
    sources,
    coupling,
    probes,
    flange,
    work: fits && flange ? flangeWork(fits, 0, flange) : undefined,
    bolts: line.flange.bolts,
    room: line.flange.room && sizeMm(line.flange.room),
    resolution: resolutionOf(round),
  }
}
