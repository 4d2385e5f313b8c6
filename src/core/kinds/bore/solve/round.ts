import { sagAt } from '../../../probes/probe'
import type { Plane, PlaneLine } from '../../../quantity/axis'
import { parseNumber } from '../../../quantity/number'
import { quantityFault, quantityMm, turnOf } from '../../../quantity/quantity'
import type { Trouble } from '../../../quantity/trouble'
import { stateOf, type Verdict } from '../../../verdict/verdict'
import { cellsOf, degreesOf, heldOf } from '../document/make'
import type { BoreLine, BoreRound, BoreSection, BoreSet } from '../document/schema'
import { addSag, type Carrier } from './carrier'
import { type Placed, type Standing, solveRow } from './row'
import { type Estimate, type SectionReadings, type SectionSolved, solveSection, type WrittenReading } from './section'
import { chanceWithin, outOfRound, usualLimit, usualOutOfRound, usualSlope } from './verdict'

/** A limit of a section that a move would break, and by how much, mm. */
export interface Blocked {
  limit: 'down' | 'up' | 'near' | 'far'
  by: number
}

/** A section of a round: what was read of it, and where it stands. Lengths in mm. */
export interface SectionRound {
  section: BoreSection
  /** x along the row; undefined where it is not given. */
  x: number | undefined
  /** Found from the carrier; undefined where nothing was read. */
  solved: SectionSolved | undefined
  /** Against the line, running where that was given. */
  standing: Standing | undefined
  state: Verdict['state'] | 'nothing'
  /** What is to be done: up, and to the far side; null where it is open. */
  move: Record<Plane, number | null>
  blocking: Blocked[]
  ovality: 'within' | 'outside' | 'hidden' | 'nothing'
  /** A bracket reads it whose sag nobody gave: how high it stands is not sure. */
  sagMissing: boolean
  /** Top and bottom do not add up to far and near by this much; undefined where they do. */
  notClosed: number | undefined
  /** Read again, and both agree within their doubt; undefined where it was not. */
  repeats: boolean | undefined
}

/** A pocket with two sections or more: which way it points away from the line, rad; null in a plane that is open. */
export interface PocketRound {
  pocket: string
  sections: string[]
  /** Undefined where it has one section only: place, not slope. */
  slope: Record<Plane, Estimate | null> | undefined
  within: boolean | undefined
}

/** Everything known of one round of a row of bores. */
export interface BoreSolved {
  round: BoreRound
  sections: SectionRound[]
  pockets: PocketRound[]
  line: Record<Plane, PlaneLine | null>
  limit: number
  carrier: Carrier | undefined
  /** What is missing of the carrier's droop; the readings are told from the carrier as it is meanwhile. */
  carrierLacks: boolean
  /** A section lies beyond the carrier's supports. */
  beyond: boolean
  faults: { set: BoreSet; key: string; trouble: Trouble }[]
  next: { set: BoreSet; key: string } | undefined
  read: boolean
  resolution: number
}

/** Deviation of a reading, mm: of a dial read to the hundredth. */
const sd = 0.005

/** Deviation of the readings of some sets, mm: the largest that was given, else the usual one. */
const sdOf = (sets: readonly BoreSet[]): number => {
  const given = sets.flatMap((set) => (set.sd && quantityMm(set.sd)) || [])
  return given.length > 0 ? Math.max(...given) : sd
}

/** How far four places may fail to add up, mm: three deviations of their sum. */
const mostClosure = 3 * 2 * sd

const above = (text: string): number | undefined => {
  const typed = parseNumber(text)
  return typed.ok && typed.value > 0 ? typed.value : undefined
}

/** The carrier as its line has it; undefined where it is stiff, or something of it is not known. */
export function carrierOf({
  carrier: { kind, from, length, ...more },
}: Pick<BoreLine, 'carrier'>): Carrier | undefined {
  const [start, span] = [quantityMm(from), quantityMm(length)]
  const [weight, tension, stiffness] = [above(more.weight), above(more.tension), above(more.stiffness)]
  if (start === undefined || span === undefined || span <= 0 || weight === undefined) return undefined
  if (kind === 'wire' && tension !== undefined) return { kind, from: start, length: span, weight, tension }
  if (kind === 'bar' && stiffness !== undefined) return { kind, from: start, length: span, weight, stiffness }
  return undefined
}

/** Readings of a set by place, mm; turned about where a push showed that its numbers fall as the carrier comes nearer. */
export function readingsOf(set: BoreSet): [degrees: number, mm: number, set: string, written: WrittenReading][] {
  const sign = (quantityMm(set.pushed) ?? 1) < 0 ? -1 : 1
  return cellsOf(set).flatMap((key): [number, number, string, WrittenReading][] => {
    const typed = set.values[key]
    const mm = quantityMm(typed)
    const written = { at: writtenAt(set, key), value: mm ?? 0, sign, turn: turnOf(typed) } as const
    return mm === undefined ? [] : [[degreesOf(key), sign * mm, set.id, written]]
  })
}

/** Where a number of a set is written, as its suspects are told. */
export const writtenAt = ({ id }: Pick<BoreSet, 'id'>, key: string): string => `${id} ${key}`

/** Whether a set hangs on a bracket whose sag nobody gave: a wire has none, what is read along it is told by a micrometer. */
export const sagMissing = ({ carrier }: Pick<BoreLine, 'carrier'>, set: BoreSet): boolean =>
  carrier.kind !== 'wire' && quantityMm(set.sag) === undefined && readingsOf(set).length > 0

/** Solves one round of a row of bores. Pure; made for every keystroke. */
export function solveRound(line: BoreLine, round: BoreRound): BoreSolved {
  const carrier = carrierOf(line)
  const limit = quantityMm(line.limit)
  const most = limit !== undefined && limit > 0 ? limit : usualLimit
  const of = (section: BoreSection, purpose?: BoreSet['purpose']) => {
    const sets = round.sets.filter((set) => set.section === section.id && (!purpose || set.purpose === purpose))
    const readings = sets.flatMap((set) => {
      const sag = quantityMm(set.sag) ?? 0
      return readingsOf(set).map(
        ([degrees, mm, own, written]) => [degrees, mm - sagAt(sag, degrees), own, written] as const,
      )
    })
    return readings.length > 0
      ? solveSection({ readings, sag: 0, sd: sdOf(sets) } satisfies SectionReadings)
      : undefined
  }
  const found = line.sections.map((section) => ({ section, x: quantityMm(section.x), solved: of(section) }))
  const placed = found.flatMap(({ section, x, solved }): Placed[] => {
    if (x === undefined || !solved) return []
    const whole = addSag(solved, carrier, x)
    const [up, far] = [quantityMm(section.running?.up) ?? 0, quantityMm(section.running?.far) ?? 0]
    const plus = (told: Estimate | null, by: number) => told && { ...told, value: told.value + by }
    return [
      {
        id: section.id,
        x,
        limits: limitsOf(section),
        solved: { ...whole, vertical: plus(whole.vertical, up), horizontal: plus(whole.horizontal, far) },
      },
    ]
  })
  const held = heldOf(line)
  const row = solveRow(placed, { way: line.reference.way, held })
  const unsagged = new Set(round.sets.filter((set) => sagMissing(line, set)).map(({ section }) => section))
  const doubtful = found
    .filter(({ section, solved }) => solved?.contradiction || unsagged.has(section.id))
    .map(({ section }) => section.id)
  // what the line is laid through puts all others in doubt
  const all = doubtful.some((id) => line.reference.way !== 'held' || held.includes(id))
  const sections = found.map(({ section, x, solved }): SectionRound => {
    const standing = row.sections.find(({ id }) => id === section.id)
    const chance = standing ? chanceWithin(standing, most) : null
    const move = {
      vertical: standing?.vertical ? 0 - standing.vertical.value : null,
      horizontal: standing?.horizontal ? 0 - standing.horizontal.value : null,
    }
    const again = of(section, 'repeat')
    const first = of(section, 'plan')
    const closure = solved?.closure ?? null
    return {
      section,
      x,
      solved,
      standing,
      state: chance === null ? 'nothing' : all || doubtful.includes(section.id) ? 'unsure' : stateOf(chance),
      move,
      blocking: blockedBy(section, move),
      ovality: !solved
        ? 'nothing'
        : solved.ovality
          ? outOfRound(solved.ovality) <= usualOutOfRound
            ? 'within'
            : 'outside'
          : solved.closure === null
            ? 'nothing'
            : 'hidden',
      sagMissing: unsagged.has(section.id),
      notClosed: closure !== null && !solved?.ovality && Math.abs(closure) > mostClosure ? closure : undefined,
      repeats: again && first ? agrees(first, again) : undefined,
    }
  })
  const empty = round.sets.flatMap((set) =>
    cellsOf(set)
      .filter((key) => !set.values[key]?.text)
      .map((key) => ({ set, key })),
  )
  return {
    round,
    sections,
    pockets: pocketsOf(line, sections),
    line: row.line,
    limit: most,
    carrier,
    carrierLacks: line.carrier.kind !== 'stiff' && !carrier,
    beyond: carrier
      ? placed.some(({ x }) => x < carrier.from - 1e-6 || x > carrier.from + carrier.length + 1e-6)
      : false,
    faults: round.sets.flatMap((set) =>
      [
        ...cellsOf(set).map((key) => [key, set.values[key]] as const),
        ['sag', set.sag] as const,
        ['pushed', set.pushed] as const,
      ].flatMap(([key, typed]) => {
        const trouble = quantityFault(typed)
        return trouble ? [{ set, key, trouble }] : []
      }),
    ),
    next: empty[0],
    read: sections.some(({ solved }) => solved !== undefined),
    resolution: 0.01,
  }
}

/** How far its bore can go, mm, each way that somebody said. */
const limitsOf = ({ limits }: BoreSection): Placed['limits'] =>
  Object.fromEntries(
    (['down', 'up', 'near', 'far'] as const).flatMap((way) => {
      const most = quantityMm(limits?.[way])
      return most === undefined || most < 0 ? [] : [[way, most] as const]
    }),
  )

function blockedBy({ limits }: BoreSection, { vertical, horizontal }: Record<Plane, number | null>): Blocked[] {
  const over = (limit: Blocked['limit'], value: number | null): Blocked[] => {
    const most = quantityMm(limits?.[limit])
    return value !== null && most !== undefined && value > most + 1e-9 ? [{ limit, by: value - most }] : []
  }
  const [down, near] = [vertical === null ? null : -vertical, horizontal === null ? null : -horizontal]
  return [...over('down', down), ...over('up', vertical), ...over('near', near), ...over('far', horizontal)]
}

/** Pockets by name, those with one section as well: what has no name is a pocket of its own. */
function pocketsOf({ sections }: BoreLine, rounds: readonly SectionRound[]): PocketRound[] {
  const names = new Map<string, BoreSection[]>()
  for (const section of sections) {
    const name = section.pocket.trim() || section.id
    names.set(name, [...(names.get(name) ?? []), section])
  }
  return [...names].map(([, own]): PocketRound => {
    const [first, last] = [own[0], own.at(-1)]
    const pocket = first?.pocket.trim() || (first?.name ?? '')
    const ids = own.map(({ id }) => id)
    const [a, b] = [first, last].map((one) => rounds.find(({ section }) => section.id === one?.id))
    if (own.length < 2 || a?.x === undefined || b?.x === undefined || Math.abs(a.x - b.x) < 1e-6)
      return { pocket, sections: ids, slope: undefined, within: undefined }
    const apart = b.x - a.x
    const of = (plane: Plane): Estimate | null => {
      const [one, other] = [a.standing?.[plane], b.standing?.[plane]]
      if (!one || !other) return null
      return { value: (other.value - one.value) / apart, sd: Math.hypot(one.sd, other.sd) / Math.abs(apart) }
    }
    const slope = { vertical: of('vertical'), horizontal: of('horizontal') }
    const known = slope.vertical && slope.horizontal
    return {
      pocket,
      sections: ids,
      slope,
      within: known ? Math.hypot(slope.vertical?.value ?? 0, slope.horizontal?.value ?? 0) <= usualSlope : undefined,
    }
  })
}

/** Whether two readings of one section agree: every number that both tell, within twice its deviation. */
const agrees = (first: SectionSolved, again: SectionSolved): boolean =>
  (['vertical', 'horizontal'] as const).every((plane) => {
    const [was, now] = [first[plane], again[plane]]
    return !was || !now || Math.abs(was.value - now.value) <= Math.max(0.01, 2 * Math.hypot(was.sd, now.sd))
  })

/** How a move is made by an eccentric sleeve: how far it is out of center, and where its thick side's opposite goes, degrees. */
export const sleeveOf = ({ vertical, horizontal }: Record<Plane, number | null>) =>
  vertical === null || horizontal === null
    ? undefined
    : {
        size: Math.hypot(vertical, horizontal),
        at: ((Math.atan2(horizontal, vertical) * 180) / Math.PI + 360) % 360,
      }
