import { type Contradiction, contradictionsIn } from '../../../fit/contradiction'
import type { Written } from '../../../fit/slips'
import { chanceWithinLimit } from '../../../verdict/normal'
import { type SparseFit, type SparseRow, solveSparse, sparseLeftover } from './sparse'
import { alongBase, type RollPlace, type Span, spanBetween } from './web'

/** A roll of a section. Lengths in mm, angles in rad. */
export interface Roll extends RollPlace {
  id: string
  width: number
  /** y of the near and of the far housing. */
  housings: readonly [near: number, far: number]
  movable: boolean
  /** By which the housings' base rises toward larger x, degrees. */
  incline: number
  /** What the span that ends here may bend in its plane. */
  limit: number
  /** How far its near housing can go along its base and by shims, mm; absent where nothing holds it. */
  reach?: { slide?: [number, number]; shim?: [number, number] } | undefined
}

/** A number that a reading was made of: where it is written. */
export interface WrittenNumber {
  at: string
  value: number
  /** The reading's field for one of it: −1 where a scale's numbers grow the other way. */
  per?: 1 | -1 | undefined
  /** Numbers that may have been exchanged with each other. */
  list?: string | undefined
}

/** What was read, each with the deviation of one of its numbers. mm, but divisions and mm/m for a level. */
export type RollReading = (
  | {
      type: 'level'
      on: string
      divisions: number
      sensitivity: number
      turned: boolean
      instrument?: string | undefined
      /** Divisions. */
      sd: number
    }
  | { type: 'scale'; on: string; near: number; far: number; over: number; stand?: string | undefined; sd: number }
  | { type: 'plane'; stand: string; mark: string; x: number; value: number; sd: number }
  | { type: 'tape' | 'loop'; between: readonly [string, string]; near: number; far: number; over: number; sd: number }
  | { type: 'centre'; on: string; value: number; sd: number }
  /** Between the corners of two faces: from the first's near end to the other's far end, and the other way. */
  | { type: 'diagonals'; between: readonly [string, string]; nearFar: number; farNear: number; sd: number }
  /** Told at once by a tracker, a gyroscope or a station, rad; the deviation that of each, rad. */
  | { type: 'direct'; on: string; square?: number | undefined; level?: number | undefined; sd: number }
) & {
  /** By the reading's own field. */
  written?: Readonly<Partial<Record<string, WrittenNumber>>> | undefined
}

export interface Section {
  rolls: readonly Roll[]
  /** Ids in the order the web runs. */
  path: readonly string[]
  /** Square by agreement, where nothing squares it. */
  reference?: string | undefined
  /** A line along x at y = −offset. */
  baseline?: number | undefined
}

export interface Estimate {
  value: number
  sd: number
}

export interface RollSolved {
  id: string
  square: Estimate | null
  level: Estimate | null
  /** mm. */
  centre: Estimate | null
  /** Moves that bring it to square and level, about the far housing; null where they are open, or it can't be moved. */
  housings: { near: HousingMove; far: HousingMove } | null
  /** The worse of its two spans. */
  verdict: { state: 'within' | 'outside' | 'unsure'; probability: number; limit: number } | null
}

export interface HousingMove {
  x: number
  z: number
  slide: number
  shim: number
}

export interface SpanSolved {
  from: string
  to: string
  inPlane: Estimate | null
  twist: Estimate | null
  limit: number
  /** By the numbers alone. */
  probability: number | null
  /** One of its rolls hangs on readings that contradict each other. */
  doubted: boolean
  /** The free web's way from the first to the second, seen from the near side, and its length, mm; undefined where the rolls are too close for one. */
  way: Span | undefined
}

/** A mistake that the numbers themselves tell. */
export type Mistake =
  | { kind: 'one-mark'; stand: string }
  | { kind: 'reversed'; stand: string; mark: string }
  | { kind: 'one-way'; instrument: string }
  /** One mark that two stands placed so far apart along the line, mm: two marks, or a wrong place. */
  | { kind: 'two-places'; mark: string; by: number }

export interface SectionSolved {
  rolls: RollSolved[]
  spans: SpanSolved[]
  stands: { id: string; heading: Estimate | null }[]
  /** Whether the reference was needed: nothing squares the rolls to the machine. */
  free: boolean
  mistakes: Mistake[]
  /** Root mean square of what the fit leaves, in deviations; null where nothing is left over to tell. */
  misfit: number | null
  /** Parts of the section whose readings contradict each other: the rolls that hang on each, and what would explain it. */
  contradictions: readonly (Pick<Contradiction<string>, 'squares' | 'free' | 'suspects'> & {
    rolls: readonly string[]
  })[]
}

/** Mean square of what is left, in deviations, above which the readings contradict each other. */
const contradicts = 9

/** Every roll, span and stand of a section from all readings in one least squares. */
export function solveSection(section: Section, readings: readonly RollReading[]): SectionSolved {
  const { rolls } = section
  const place = new Map(rolls.map(({ id }, i) => [id, i]))
  const shared: string[] = []
  const sharedAt = (name: string): number => {
    const known = shared.indexOf(name)
    return 2 * rolls.length + (known < 0 ? shared.push(name) - 1 : known)
  }
  const marks = readings.flatMap((one) => (one.type === 'plane' ? [one.x] : []))
  const middle = marks.reduce((sum, x) => sum + x, 0) / Math.max(1, marks.length)
  const square = (id: string) => 2 * (place.get(id) ?? 0)
  const level = (id: string) => 2 * (place.get(id) ?? 0) + 1
  const centres = centresOf(section, readings)
  const rowOf = (one: Exclude<RollReading, { type: 'direct' }>): SparseRow | undefined => {
    if (one.type === 'level') {
      const { on, divisions, turned, instrument, sd } = one
      const step = one.sensitivity / 1000
      const zero = instrument === undefined ? [] : [sharedAt(`zero ${instrument}`)]
      return {
        observed: step * divisions,
        sd: step * sd,
        at: [level(on), ...zero],
        by: [1, ...zero.map(() => (turned ? -1 : 1))],
      }
    }
    if (one.type === 'scale') {
      const { on, near, far, over, stand, sd } = one
      const heading = stand === undefined ? [] : [sharedAt(`heading ${stand}`)]
      return {
        observed: (far - near) / over,
        sd: (sd * Math.SQRT2) / over,
        at: [square(on), ...heading],
        by: [1, ...heading.map(() => -1)],
      }
    }
    if (one.type === 'plane') {
      const { stand, mark, x, value, sd } = one
      return {
        observed: value,
        sd,
        at: [sharedAt(`mark ${mark}`), sharedAt(`place ${stand}`), sharedAt(`heading ${stand}`)],
        by: [1, 1, x - middle],
      }
    }
    if (one.type === 'centre') return undefined
    const [i, j] = one.between.map((id) => rolls[place.get(id) ?? 0])
    if (!i || !j) return undefined
    const [dx, dz] = [j.x - i.x, j.z - i.z]
    const distance = Math.hypot(dx, dz)
    const [qx, qz] = [dx / distance, dz / distance]
    if (one.type === 'diagonals') return diagonalsRow(one, { i, j, qx, qz, distance })
    // a loop goes there and back: L = 2D + π(r_i + r_j) + (r_i − r_j)²/D
    const per = one.type === 'loop' ? 2 - ((i.radius - j.radius) / distance) ** 2 : 1
    return {
      observed: (one.far - one.near) / (per * one.over),
      sd: (one.sd * Math.SQRT2) / (per * one.over),
      at: [square(i.id), level(i.id), square(j.id), level(j.id)],
      by: [-qx, -qz, qx, qz],
    }
  }
  /** Square to the center line: `e = (d1² − d2²)/(4W) = c_j − c_i + D·(a_i + a_j)/2·q`, where both middles are known. */
  const diagonalsRow = (
    { nearFar, farNear, sd }: Extract<RollReading, { type: 'diagonals' }>,
    { i, j, qx, qz, distance }: { i: Roll; j: Roll; qx: number; qz: number; distance: number },
  ): SparseRow | undefined => {
    const [from, to] = [centres.get(i.id), centres.get(j.id)]
    if (!from || !to) return undefined
    const wide = (i.width + j.width) / 2
    const half = distance / 2
    const diagonal = (Math.abs(nearFar) + Math.abs(farNear)) / 2
    return {
      observed: (nearFar ** 2 - farNear ** 2) / (4 * wide) - (to.value - from.value),
      sd: Math.hypot((diagonal * sd) / (Math.SQRT2 * wide), from.sd, to.sd),
      at: [square(i.id), level(i.id), square(j.id), level(j.id)],
      by: [half * qx, half * qz, half * qx, half * qz],
    }
  }
  const rowsOf = (one: RollReading): SparseRow[] =>
    one.type === 'direct'
      ? (['square', 'level'] as const).flatMap((what) => {
          const value = one[what]
          const at = what === 'square' ? square(one.on) : level(one.on)
          return value === undefined ? [] : [{ observed: value, sd: one.sd, at: [at], by: [1] }]
        })
      : [rowOf(one) ?? []].flat()
  const firstRow = new Map<RollReading, number>()
  let rowsBefore = 0
  const rows = readings.flatMap((one) => {
    const own = rowsOf(one)
    firstRow.set(one, rowsBefore)
    rowsBefore += own.length
    return own
  })
  const n = 2 * rolls.length + shared.length
  const bare = solveSparse(n, rows)
  const reference = section.reference
  const free = reference !== undefined && place.has(reference) && !bare.told([square(reference)], [1])
  const fit = free && reference !== undefined ? solveSparse(n, rows, new Set([square(reference)])) : bare
  const one = (k: number): Estimate | null => fit.told([k], [1]) ?? null
  const solved = rolls.map((roll): Omit<RollSolved, 'verdict'> => {
    const own = { square: one(square(roll.id)), level: one(level(roll.id)) }
    return { id: roll.id, ...own, centre: centres.get(roll.id) ?? null, housings: housingsOf(roll, own) }
  })
  const left = sparseLeftover(rows, fit)
  /** Mean square of what would be left if a mark had been read with the other sign, in deviations. */
  const leftIfTurned = (plane: Extract<RollReading, { type: 'plane' }>): number => {
    const row = firstRow.get(plane) ?? 0
    const d = (-2 * plane.value) / plane.sd
    return Math.max(0, left.squares + 2 * d * left.of(row) + d * d * left.shared(row, row)) / left.free
  }
  const contradictions = contradictionsIn(
    rows.map(({ at, by }) => at.filter((_, i) => Math.abs(by[i] ?? 0) > 1e-9)),
    left,
    (unknowns) => fit.determined(unknowns),
    writtenIn(readings, rowsOf),
  ).map(({ unknowns, ...one }) => ({
    ...one,
    rolls: rolls.filter(({ id }) => unknowns.has(square(id)) || unknowns.has(level(id))).map(({ id }) => id),
  }))
  const inDoubt = (unknowns: readonly string[]) =>
    contradictions.some((one) => unknowns.some((id) => one.rolls.includes(id)))
  const spans = section.path.slice(1).map((to, i): SpanSolved => {
    const from = section.path[i] ?? ''
    const [a, b] = [rolls[place.get(from) ?? 0], rolls[place.get(to) ?? 0]]
    const span = a && b && spanBetween(a, b)
    const limit = b?.limit ?? 0
    const at = [square(from), level(from), square(to), level(to)]
    const inPlane = (span && fit.told(at, [-span.x, -span.z, span.x, span.z])) ?? null
    const twist = (span && fit.told(at, [span.z, -span.x, -span.z, span.x])) ?? null
    return {
      from,
      to,
      inPlane,
      twist,
      limit,
      probability: inPlane && chanceWithinLimit(inPlane, limit),
      doubted: inDoubt([from, to]),
      way: span,
    }
  })
  const spansOf = new Map<string, SpanSolved[]>()
  for (const span of spans)
    for (const id of new Set([span.from, span.to])) spansOf.set(id, [...(spansOf.get(id) ?? []), span])
  const stands = shared.flatMap((name) => (name.startsWith('heading ') ? [name.slice('heading '.length)] : []))
  const { misfit } = fit
  return {
    rolls: solved.map((roll) => ({ ...roll, verdict: worseOf(spansOf.get(roll.id) ?? []) })),
    spans,
    stands: stands.map((id) => ({ id, heading: one(sharedAt(`heading ${id}`)) })),
    free,
    mistakes: mistakesIn(readings, misfit, leftIfTurned),
    misfit: misfit.over > 0 ? Math.sqrt(misfit.square / misfit.over) : null,
    contradictions,
  }
}

/** Fields of a reading that are lengths. */
const lengths: ReadonlySet<string> = new Set(['near', 'far', 'value', 'nearFar', 'farNear'])

/**
 * The numbers behind the equations: how much an equation changes with each is asked of the equation itself, which is linear in all
 * but the diagonals.
 */
function writtenIn(
  readings: readonly RollReading[],
  rowsOf: (one: RollReading) => readonly SparseRow[],
): Written<string>[] {
  let next = 0
  return readings.flatMap((one) => {
    const first = next
    const own = rowsOf(one)
    next += own.length
    return Object.entries(one.written ?? {}).flatMap(([field, told]): Written<string>[] => {
      if (!told || !(field in one)) return []
      const value = (one as unknown as Record<string, number>)[field] ?? 0
      const changed = rowsOf({ ...one, [field]: value + 1 } as RollReading)
      return own.flatMap(({ observed, sd }, i) => {
        const by = ((changed[i]?.observed ?? observed) - observed) / sd
        return by === 0
          ? []
          : [
              {
                at: told.at,
                value: told.value,
                row: first + i,
                by: by * (told.per ?? 1),
                list: told.list,
                unitless: lengths.has(field) ? undefined : true,
              },
            ]
      })
    })
  })
}

/** By confidence: within from 95 %, outside to 5 %; open counts as not known. */
function worseOf(spans: readonly SpanSolved[]): RollSolved['verdict'] {
  const doubted = spans.some((span) => span.doubted)
  const known = spans.flatMap(({ probability, limit }) => (probability === null ? [] : [{ probability, limit }]))
  const worst = known.reduce<(typeof known)[number] | undefined>(
    (low, each) => (low && low.probability <= each.probability ? low : each),
    undefined,
  )
  if (!worst || (known.length < spans.length && worst.probability > 0.05)) return null
  return { ...worst, state: doubted ? 'unsure' : spanState(worst) }
}

export const spanState = ({
  probability,
  doubted = false,
}: {
  probability: number | null
  doubted?: boolean
}): 'within' | 'outside' | 'unsure' =>
  probability === null || doubted
    ? 'unsure'
    : probability <= 0.05
      ? 'outside'
      : probability >= 0.95
        ? 'within'
        : 'unsure'

/** Of each roll that was read from the baseline: the weighted mean, less the offset. */
function centresOf({ baseline = 0 }: Section, readings: readonly RollReading[]): Map<string, Estimate> {
  const sums = new Map<string, { weight: number; value: number }>()
  for (const one of readings) {
    if (one.type !== 'centre') continue
    const weight = 1 / one.sd ** 2
    const so = sums.get(one.on) ?? { weight: 0, value: 0 }
    sums.set(one.on, { weight: so.weight + weight, value: so.value + weight * (one.value - baseline) })
  }
  return new Map([...sums].map(([id, { weight, value }]) => [id, { value: value / weight, sd: 1 / Math.sqrt(weight) }]))
}

/** `Δx = −σ(y_e − y_p)`, `Δz = −λ(y_e − y_p)` about the far housing, along each housing's own base. */
function housingsOf(
  { housings: [near, far], movable, incline }: Roll,
  { square, level }: Pick<RollSolved, 'square' | 'level'>,
): RollSolved['housings'] {
  if (!movable || !square || !level) return null
  const [x, z] = [0 - square.value * (near - far), 0 - level.value * (near - far)]
  return { near: { x, z, ...alongBase(x, z, incline) }, far: { x: 0, z: 0, slide: 0, shim: 0 } }
}

/** Places along the line that differ by no more are one, mm: they are taped. */
const samePlace = 20

/** What the numbers tell of how the instruments stood. */
function mistakesIn(
  readings: readonly RollReading[],
  misfit: SparseFit['misfit'],
  leftIfTurned: (plane: Extract<RollReading, { type: 'plane' }>) => number,
): Mistake[] {
  const planes = readings.filter((one) => one.type === 'plane')
  const standsRead = new Set(readings.flatMap((one) => (one.type === 'scale' && one.stand ? [one.stand] : [])))
  const oneMark = [...standsRead].filter((stand) => planes.filter((one) => one.stand === stand).length === 1)
  const places = new Map<string, number[]>()
  for (const { mark, x } of planes) places.set(mark, [...(places.get(mark) ?? []), x])
  const twoPlaces = [...places].flatMap(([mark, xs]): Mistake[] => {
    const by = Math.max(...xs) - Math.min(...xs)
    return by > samePlace ? [{ kind: 'two-places', mark, by }] : []
  })
  const levels = readings.filter((one) => one.type === 'level')
  const instruments = [...new Set(levels.flatMap(({ instrument }) => instrument ?? []))]
  const oneWay = instruments.filter(
    (name) => new Set(levels.filter(({ instrument }) => instrument === name).map(({ turned }) => turned)).size === 1,
  )
  const wrong = misfit.over > 0 && misfit.square / misfit.over > contradicts
  const turned = wrong
    ? planes.map((plane) => ({ plane, left: leftIfTurned(plane) })).sort((a, b) => a.left - b.left)
    : []
  const [likely, next] = turned
  // it must mend what is wrong, and no other must do as well
  const reversed =
    likely && likely.left < contradicts && likely.left * contradicts < (next?.left ?? Number.POSITIVE_INFINITY)
      ? [likely.plane]
      : []
  return [
    ...twoPlaces,
    ...oneMark.map((stand): Mistake => ({ kind: 'one-mark', stand })),
    ...reversed.map(({ stand, mark }): Mistake => ({ kind: 'reversed', stand, mark })),
    ...oneWay.map((instrument): Mistake => ({ kind: 'one-way', instrument })),
  ]
}
