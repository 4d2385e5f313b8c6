import type { RollOfLine, RollPlan, RollsRound } from '../document/schema'
import { type Roll, type RollSolved, type SpanSolved, spanState } from '../solve/section'
import { alongBase, spanBetween } from '../solve/web'
import { webShare } from './forWeb'

/** What is to be done at one roll, mm: its near housing along its own base, and the roll along its axis toward the far side; null where unknown. */
export interface RollMove {
  roll: RollOfLine
  slide: number | null
  shim: number | null
  push: number | null
}

/** The one list of what is to be done, whoever shows it: table, advice, sheet and record. */
export interface ToldPlan {
  by: RollPlan
  moves: RollMove[]
  /** The fewest rolls were worked out from other readings: they no longer bring every span in. */
  stale: boolean
}

/** No roll is pushed along its axis for less, mm: its face is wider than the web by more. */
const centerMay = 0.5

interface Known {
  line: { rolls: readonly RollOfLine[] }
  round: Pick<RollsRound, 'plan' | 'webMoves'>
  section: { rolls: readonly Roll[] } | undefined
  solved: ReadonlyMap<string, RollSolved>
  spans: readonly SpanSolved[]
  resolution: number
}

/**
 * What is to be done: of the rolls that put a span out (each brought to the numbers until no span is), of every roll, or of the
 * fewest that the web needs, as they were worked out. While no span is known it is every roll.
 */
export function planTold(known: Known): ToldPlan {
  const { line, round, section, solved, spans, resolution } = known
  const asked = round.plan ?? 'out'
  const by = asked === 'out' && spans.every(({ inPlane }) => inPlane === null) ? 'all' : asked
  const web = by === 'web' ? webMovesOf(known) : undefined
  const wanted = by === 'out' ? putsOut(known) : undefined
  const still = (mm: number | null) => mm === null || Math.abs(mm) < resolution / 2
  const stale = by === 'web' && web === undefined
  const moves = (stale ? [] : line.rolls).flatMap((roll): RollMove[] => {
    const own = section?.rolls.find(({ id }) => id === roll.id)
    if (roll.fixed || !own) return []
    const found = solved.get(roll.id)
    const push = found?.centre && Math.abs(found.centre.value) > centerMay ? 0 - found.centre.value : null
    const at = web
      ? web.get(roll.id)
      : wanted && !wanted.has(roll.id)
        ? undefined
        : nearHousing(own, found?.square?.value ?? null, found?.level?.value ?? null)
    const move = { roll, slide: at?.slide ?? null, shim: at?.shim ?? null, push }
    return [move.slide, move.shim, move.push].every(still) ? [] : [move]
  })
  return { by, moves, stale }
}

/** What brings a roll to the numbers at its near housing, about its far one, mm. On a level base the slide hangs on square alone, the shim on level alone. */
export function nearHousing(
  { housings: [near, far], incline }: Pick<Roll, 'housings' | 'incline'>,
  square: number | null,
  level: number | null,
): { slide: number | null; shim: number | null } {
  const [x, z] = [square, level].map((turn) => (turn === null ? null : turn * (far - near)))
  if (incline !== 0 && (x === null || z === null)) return { slide: null, shim: null }
  const { slide, shim } = alongBase(x ?? 0, z ?? 0, incline)
  return { slide: x === null ? null : slide, shim: z === null ? null : shim }
}

/** Rolls that put a span out: of its two the one that bends it more, brought true, until no span is out that a roll could help. */
function putsOut({ section, solved, spans }: Known): ReadonlySet<string> {
  const lies = new Map(
    [...solved].map(([id, { square, level }]) => [id, { square: square?.value ?? 0, level: level?.value ?? 0 }]),
  )
  const moved = new Set<string>()
  const movable = (id: string) => !moved.has(id) && section?.rolls.find((roll) => roll.id === id)?.movable !== false
  const bendOf = ({ from, to, way }: SpanSolved) => {
    const [a, b] = [lies.get(from), lies.get(to)]
    return way && a && b ? way.x * (b.square - a.square) + way.z * (b.level - a.level) : 0
  }
  const isOut = (span: SpanSolved): boolean => {
    const asRead = !moved.has(span.from) && !moved.has(span.to)
    return asRead ? spanState(span) === 'outside' : Math.abs(bendOf(span)) > span.limit
  }
  for (;;) {
    const culprits = spans.filter(isOut).flatMap(({ from, to, way, limit }) => {
      const share = (id: string) => {
        const lie = lies.get(id)
        return way && lie ? Math.abs(way.x * lie.square + way.z * lie.level) : 0
      }
      const [more = from, less = to] = [from, to].sort((a, b) => share(b) - share(a))
      if (share(more) === 0) return []
      if (movable(more)) return [more]
      // the other one helps where what is left of it lies within the limit
      return movable(less) && share(less) > 0 && share(more) <= limit ? [less] : []
    })
    if (culprits.length === 0) return moved
    for (const id of culprits) {
      moved.add(id)
      lies.set(id, { square: 0, level: 0 })
    }
  }
}

/** The fewest rolls as they were worked out; undefined where they are not, or no longer bring every span in that a roll can help. */
function webMovesOf({
  round,
  section,
  solved,
}: Known): ReadonlyMap<string, { slide: number; shim: number }> | undefined {
  if (!round.webMoves || !section) return undefined
  const moves = new Map(round.webMoves.map(({ roll, slide, shim }) => [roll, { slide, shim }]))
  const { rolls } = section
  const lies = rolls.map((roll) => {
    const { square, level } = solved.get(roll.id) ?? {}
    const { slide = 0, shim = 0 } = moves.get(roll.id) ?? {}
    const { slide: x, shim: z } = alongBase(slide, shim, -roll.incline)
    const apart = roll.housings[1] - roll.housings[0]
    return square && level ? { square: square.value - x / apart, level: level.value - z / apart } : undefined
  })
  const fits = rolls.slice(1).every((to, i) => {
    const from = rolls[i]
    const [a, b] = [lies[i], lies[i + 1]]
    const way = from && spanBetween(from, to)
    if (!way || !a || !b || (from?.movable === false && !to.movable)) return a !== undefined && b !== undefined
    return Math.abs(way.x * (b.square - a.square) + way.z * (b.level - a.level)) <= webShare * to.limit * 1.02 + 1e-9
  })
  return fits ? moves : undefined
}
