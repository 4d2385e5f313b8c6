import { radians } from '../../../quantity/angles'
import { parseNumber } from '../../../quantity/number'
import { type Quantity, quantityFault, quantityMm, turnOf } from '../../../quantity/quantity'
import type { Trouble } from '../../../quantity/trouble'
import { angleFault, angleLimitFault, typedAngle } from '../../../quantity/typedAngle'
import { choosePack } from '../../../shims/packs'
import { packMm } from '../../../shims/stock'
import { stateOf, type Verdict } from '../../../verdict/verdict'
import { limitRad } from '../belts'
import { cellsOf, faceCell } from '../document/make'
import type { BeltLine, BeltRound, BeltSet, BeltSheave } from '../document/schema'
import { type NotClosed, notClosed } from './closure'
import { type BeltReading, type Drive, type SheaveSolved, solveDrive, spanOf, type WrittenNumber } from './drive'
import { type FootWork, feetWork, type Standing, tiltLeft } from './feet'
import { type Stop, stopsOf } from './stops'

/** What keeps a sheave from being worked with. */
export type Missing = 'place' | 'width' | 'feet'

/** A limit at a station of feet that a move would break. */
export interface Blocked {
  foot: string
  limit: 'up' | 'near' | 'far'
  by: number
}

/** A sheave of a round: what is known of it, and what is to be done at its feet. */
export interface SheaveRound {
  sheave: BeltSheave
  missing: Missing[]
  solved: SheaveSolved | undefined
  state: Verdict['state'] | 'nothing'
  /** Empty where it has no feet, or their places are not given. */
  work: (FootWork & { pack?: number[] })[]
  /** Limits at the feet that the moves would break, and by how much, mm. */
  blocking: Blocked[]
  /** What the packs leave of the tilt, rad. */
  tiltLeft: number
  /** What a target on its face shows while each act is done; undefined where something is open. */
  stops: Stop[] | undefined
  /** Read again, and both agree within their doubt; undefined where it was not. */
  repeats: boolean | undefined
  /** Faces whose quarters do not add up: nothing is told of it for sure until they do. */
  notClosed: NotClosed[]
}

/** Everything known of one round of a belt drive. Lengths in mm, angles in rad. */
export interface BeltSolved {
  round: BeltRound
  faces: 1 | -1
  limit: number
  /** What the grooves may stand off by the maker, mm; undefined where nobody said. */
  offsetLimit: number | undefined
  sheaves: SheaveRound[]
  /** Typed numbers that are none, of those that a set asks for. */
  faults: { set: BeltSet; key: string; trouble: Trouble }[]
  /** What is wrong with the limit typed for the belt; the usual one holds meanwhile. */
  limitFault: Trouble | undefined
  /** The next number to be read, in the order of the sets. */
  next: { set: BeltSet; key: string } | undefined
  /** Whether anything was read. */
  read: boolean
  /** Nothing is told finer than this. */
  resolution: number
}

const sizeMm = (quantity: Quantity): number | undefined => {
  const mm = quantityMm(quantity)
  return mm !== undefined && mm > 0 ? mm : undefined
}

/** From the measured face to the middle of the grooves: as given, or half the width. */
export const toGroove = ({ groove, width }: BeltSheave): number | undefined => {
  const wide = sizeMm(width)
  return quantityMm(groove) ?? (wide === undefined ? undefined : wide / 2)
}

const usual = { reading: 0.01, gap: 0.02, angle: radians(0.01), lean: 0.00005 }

/** The readings of one set, in mm and rad. `ĥ`: direction of the span. */
export function readingsOf(set: BeltSet, faces: 1 | -1, span: { y: number; z: number }): BeltReading[] {
  const value = (key: string) => quantityMm(set.values[key])
  const written = (key: string, told: number, per = 1, list?: string): WrittenNumber => ({
    at: writtenAt(set, key),
    value: told,
    per,
    ...(list === undefined ? {} : { list: `${set.id} ${list}` }),
    ...(set.method === 'face' ? { turn: turnOf(set.values[key]) } : {}),
    ...(key === 'toe' || key === 'tilt' ? { unitless: true } : {}),
  })
  const given = set.sd && sizeMm(set.sd)
  const angleGiven = parseNumber(set.angleSd ?? '')
  const sds = {
    reading: given ?? usual.reading,
    gap: given ?? usual.gap,
    angle: angleGiven.ok && angleGiven.value > 0 ? angleGiven.value / 1000 : usual.angle,
  }
  const radius = sizeMm(set.radius)
  const constant = quantityMm(set.constant) ?? 0
  const { on } = set
  if (set.method === 'angles')
    return (['toe', 'tilt', 'offset'] as const).flatMap((what): BeltReading[] => {
      const sign = what !== 'offset' && set.counts?.[what] === 'other' ? -1 : 1
      const told = what === 'offset' ? value('offset') : typedAngle(set.angles[what])
      return told === undefined
        ? []
        : [
            {
              type: 'direct',
              on,
              what,
              value: sign * told,
              sd: what === 'offset' ? sds.reading : sds.angle,
              written: [written(what, told, sign)],
            },
          ]
    })
  if (radius === undefined) return []
  const both = set.method === 'face' && set.twice && set.both ? { both: true as const } : {}
  const faceAt = (
    angle: number,
    told: number | undefined,
    turned: number,
    sd: number,
    own: readonly WrittenNumber[],
  ): BeltReading[] =>
    told === undefined ? [] : [{ type: 'face', on, angle, radius, value: told, turned, ...both, sd, written: own }]
  if (set.method === 'face')
    return cellsOf(set).flatMap((key) => {
      const { angle, turned } = faceCell(key)
      const told = value(key)
      const list = turned ? 'turned' : 'face'
      return told === undefined
        ? []
        : faceAt(angle, told - constant, turned, sds.reading, [written(key, told, 1, list)])
    })
  // a straightedge along the span: the inner edge lies toward the sheave that stays
  const along = (Math.atan2(span.y, span.z) * 180) / Math.PI
  const gap = (key: string, angle: number): BeltReading[] => {
    const told = value(key)
    return told === undefined ? [] : faceAt(angle, -faces * told, 0, sds.gap, [written(key, told, -faces, 'gaps')])
  }
  const [leanMoved, leanStays, over] = [value('leanMoved'), value('leanStays'), sizeMm(set.over)]
  return [
    ...gap('inner', along + 180),
    ...gap('outer', along),
    ...(leanMoved !== undefined && leanStays !== undefined && over !== undefined
      ? [
          {
            type: 'direct',
            on,
            what: 'tilt',
            value: -(leanMoved - leanStays) / over,
            sd: usual.lean,
            written: [written('leanMoved', leanMoved, -1 / over), written('leanStays', leanStays, 1 / over)],
          } as const,
        ]
      : []),
  ]
}

/** Where a number of a set is written, as its suspects are told. */
export const writtenAt = ({ id }: Pick<BeltSet, 'id'>, key: string): string => `${id} ${key}`

/** Solves one round of a belt drive. Pure; made for every keystroke. */
export function solveRound(line: BeltLine, round: BeltRound): BeltSolved {
  const faces = line.faces === 'right' ? 1 : -1
  const limit = limitRad(line)
  const offsetLimit = line.offsetLimit && sizeMm(line.offsetLimit)
  const [stays, ...others] = line.sheaves
  const reference = { id: stays?.id ?? '', centre: [0, 0, 0] as const, toGroove: (stays && toGroove(stays)) ?? 0 }
  const sheaves = others.map((sheave): SheaveRound => {
    const [across, up, groove] = [quantityMm(sheave.across), quantityMm(sheave.up), toGroove(sheave)]
    const placed = across !== undefined && up !== undefined && Math.hypot(across, up) > 1
    const missing: Missing[] = [
      ...(placed ? [] : ['place' as const]),
      ...(groove === undefined || !stays || toGroove(stays) === undefined ? ['width' as const] : []),
      ...(sheave.feet.some(({ behind }) => quantityMm(behind) === undefined) ? ['feet' as const] : []),
    ]
    const nothing = {
      sheave,
      missing,
      solved: undefined,
      state: 'nothing' as const,
      work: [],
      blocking: [],
      tiltLeft: 0,
      stops: undefined,
      notClosed: [],
    }
    const own = { id: sheave.id, centre: placed ? ([0, across, up] as const) : anywhere, toGroove: groove ?? 0 }
    const drive: Drive = { reference, moved: [own], faces }
    const span = spanOf(drive, own)
    // a straightedge lies along the span: without it nobody knows where its gaps were
    const sets = round.sets.filter(({ on, method }) => on === sheave.id && (placed || method !== 'edge'))
    const of = (purpose: BeltSet['purpose']) =>
      sets.filter((set) => set.purpose === purpose).flatMap((set) => readingsOf(set, faces, span))
    const [first, again] = [of('plan'), of('repeat')]
    if (first.length === 0) return { ...nothing, repeats: undefined }
    const [told] = solveDrive(drive, [...first, ...again], limit, offsetLimit)
    const open = notClosed(sets)
    if (!told) return { ...nothing, repeats: undefined }
    const solved = asFarAs(told, placed, !missing.includes('width'))
    const work = missing.includes('feet')
      ? []
      : workOf(line, sheave, placed ? solved : { ...solved, offset: null }, faces)
    const standing = work.length > 0 ? standingOf(sheave, faces) : undefined
    return {
      sheave,
      missing,
      solved,
      state: stateIn(solved, open),
      work,
      blocking: blockedIn(sheave, work),
      stops: standing && placed ? stopsOf(drive, own, solved, standing, targetRadius(sets), round.order) : undefined,
      tiltLeft: work.every(({ pack }) => pack)
        ? tiltLeft(
            work,
            standsAt(sheave, faces),
            work.map(({ pack = [] }) => pack.reduce((sum, shim) => sum + shim, 0)),
          )
        : 0,
      repeats: again.length > 0 ? agrees(drive, first, again, limit) : undefined,
      notClosed: open,
    }
  })
  const faults = round.sets.flatMap((set) =>
    typedIn(set).flatMap(([key, trouble]) => (trouble ? [{ set, key, trouble }] : [])),
  )
  const empty = round.sets.flatMap((set) =>
    cellsOf(set)
      .filter((key) => !set.values[key]?.text)
      .map((key) => ({ set, key })),
  )
  return {
    round,
    faces,
    limit,
    offsetLimit,
    sheaves,
    faults,
    limitFault: angleLimitFault(line.limit),
    next: empty[0],
    read: sheaves.some(({ solved }) => solved !== undefined),
    resolution: usual.reading,
  }
}

/** A place to solve a sheave at whose own nobody gave: its angles hang on its face alone. */
const anywhere = [0, 1000, 0] as const

/** What of a sheave is known where its place or its width is not given: what the belt feels hangs on both, its grooves on the width. */
function asFarAs(solved: SheaveSolved, placed: boolean, wide: boolean): SheaveSolved {
  if (placed && wide) return solved
  const { belt, offset } = solved
  return {
    ...solved,
    offset: wide ? offset : null,
    belt: placed ? { ...belt, atReference: null, atMoved: null } : { atReference: null, atMoved: null, twist: null },
    probability: null,
  }
}

/** Nothing is sure that hangs on a face that does not close, or on readings that contradict each other. */
const stateIn = ({ probability, contradiction }: SheaveSolved, open: readonly NotClosed[]): SheaveRound['state'] =>
  probability === null ? 'nothing' : open.length > 0 || contradiction ? 'unsure' : stateOf(probability)

/** Every number that a set asks for, and what is wrong with it. */
function typedIn(set: BeltSet): (readonly [key: string, Trouble | undefined])[] {
  const values = cellsOf(set).map((key) => [key, quantityFault(set.values[key])] as const)
  if (set.method === 'angles')
    return [...(['toe', 'tilt'] as const).map((key) => [key, angleFault(set.angles[key])] as const), ...values]
  const own = set.method === 'face' ? 'constant' : 'over'
  return [['radius', quantityFault(set.radius)], [own, quantityFault(set[own])], ...values]
}

/** Stations of feet along x: behind the face that is measured. */
const standsAt = ({ feet }: BeltSheave, faces: 1 | -1) =>
  feet.flatMap(({ id, behind }) => {
    const mm = quantityMm(behind)
    return mm === undefined ? [] : [{ id, x: -faces * mm }]
  })

/** Limits that the moves would break. */
function blockedIn({ feet }: BeltSheave, work: readonly FootWork[]): Blocked[] {
  return work.flatMap(({ foot, shim, swing }) => {
    const limits = feet.find(({ id }) => id === foot)?.limits
    const over = (limit: Blocked['limit'], value: number | null): Blocked[] => {
      const most = quantityMm(limits?.[limit])
      return value !== null && most !== undefined && value > most + 1e-9 ? [{ foot, limit, by: value - most }] : []
    }
    return [...over('up', shim), ...over('near', swing === null ? null : -swing), ...over('far', swing)]
  })
}

/** What a sheave's machine stands on; undefined where it has no feet. */
function standingOf(sheave: BeltSheave, faces: 1 | -1): Standing | undefined {
  const feet = standsAt(sheave, faces)
  const last = feet.at(-1)
  if (!last) return undefined
  const centre = { y: quantityMm(sheave.across) ?? 0, z: quantityMm(sheave.up) ?? 0 }
  const about = feet.find(({ id }) => id === sheave.pivot.foot) ?? last
  return {
    base: quantityMm(sheave.base) ?? centre.z,
    pivot: { x: about.x, y: centre.y + (quantityMm(sheave.pivot.beside) ?? 0) },
    centre,
    feet,
  }
}

/** Where a target is put on the face: as far out as it was read. */
const targetRadius = (sets: readonly BeltSet[]): number =>
  Math.max(0, ...sets.map(({ radius }) => sizeMm(radius) ?? 0)) || 100

function workOf(line: BeltLine, sheave: BeltSheave, solved: SheaveSolved, faces: 1 | -1): SheaveRound['work'] {
  const standing = standingOf(sheave, faces)
  if (!standing) return []
  const stock = packMm(line.shims)
  return feetWork(solved, standing).map((one) =>
    stock && one.shim !== null ? { ...one, pack: choosePack(stock, one.shim, { most: 4 }).shims } : one,
  )
}

/** Whether a second reading agrees with the first: every number that both tell, within twice its deviation and a reading's own. */
function agrees(drive: Drive, first: readonly BeltReading[], again: readonly BeltReading[], limit: number): boolean {
  const [[a], [b]] = [solveDrive(drive, first, limit), solveDrive(drive, again, limit)]
  const radius = Math.max(50, ...first.map((one) => (one.type === 'face' ? one.radius : 0)))
  return (['toe', 'tilt', 'offset'] as const).every((what) => {
    const [was, now] = [a?.[what], b?.[what]]
    if (!was || !now) return true
    const least = what === 'offset' ? 2 * usual.reading : (2 * usual.reading) / radius
    return Math.abs(was.value - now.value) <= Math.max(least, 2 * Math.hypot(was.sd, now.sd))
  })
}
