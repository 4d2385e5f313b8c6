import { ProgramBuilder, type SolveProgram } from '../../../least/program'
import type { RollOrientation } from '../solve/plans'
import type { Roll, Section } from '../solve/section'
import { alongBase, spanBetween } from '../solve/web'

/** The near housing of one roll, moved along its own base and by shims; mm. */
export interface RollMoved {
  id: string
  slide: number
  shim: number
}

/** The fewest rolls moved so that the web is content, and what every span would then bear. */
export interface ForWeb {
  moved: RollMoved[]
  lies: RollOrientation[]
  /** Share of its limit that every span would bend. */
  shares: number[]
  /** Spans between two rolls that can't be moved, out as they stand: no move of others helps them. */
  beyond: number[]
}

/** What may stay of a limit: the rest is room for the doubt of the readings and for rounding. */
export const webShare = 0.5

/** Without a limit of its own no housing goes farther, mm: beyond it a reading is wrong. */
const farthest = 50

const nothing: RollOrientation = { square: 0, level: 0 }

/**
 * Fewest rolls moved so that every span bends by no more than half its limit; then, of all plans with so few, the one that moves
 * them least. A near housing moved by (x, z) turns its roll by −x/B and −z/B about the far one. Two mixed-integer programs.
 *
 * @param lies where the rolls lie now, rad, in the order of the path
 * @returns null where the housings' limits allow no such plan
 */
export function forWeb(section: Section, lies: readonly RollOrientation[], solve: SolveProgram): ForWeb | null {
  const rolls = section.path.flatMap((id) => section.rolls.find((roll) => roll.id === id) ?? [])
  const bends = rolls.slice(1).map((to, i) => {
    const from = rolls[i]
    const way = from && spanBetween(from, to)
    const at = way ? bend(way, lies[i] ?? nothing, lies[i + 1] ?? nothing) : 0
    const stuck = from?.movable === false && !to.movable
    return { way, at, limit: to.limit, beyond: stuck && Math.abs(at) > webShare * to.limit }
  })
  const most = Math.min(farthest, 4 * Math.max(1e-6, ...lies.map((lie, i) => reachOf(lie, rolls[i]))) + 0.1)
  const build = new ProgramBuilder()
  const columns = rolls.map((roll) => {
    if (!roll.movable) return undefined
    const { slide = [-most, most], shim = [-most, most] } = roll.reach ?? {}
    const own = {
      slide: build.column(Math.max(-most, slide[0]), Math.min(most, slide[1])),
      shim: build.column(Math.max(-most, shim[0]), Math.min(most, shim[1])),
      touched: build.column(0, 1, true),
      much: [build.column(0, most), build.column(0, most)] as const,
    }
    for (const [at, size] of [
      [own.slide, own.much[0]],
      [own.shim, own.much[1]],
    ] as const) {
      build.row(0, Number.POSITIVE_INFINITY, [size, 1], [at, -1])
      build.row(0, Number.POSITIVE_INFINITY, [size, 1], [at, 1])
      build.row(Number.NEGATIVE_INFINITY, 0, [size, 1], [own.touched, -most])
    }
    return own
  })
  bends.forEach(({ way, at, limit, beyond }, i) => {
    if (!way || beyond) return
    const terms = [
      [i, -1],
      [i + 1, 1],
    ].flatMap(([k = 0, sign = 1]) => {
      const [roll, own] = [rolls[k], columns[k]]
      if (!roll || !own) return []
      // slide and shim in x and z, and what they do to the bend
      const [sx, sz] = [turnOf(roll, 1, 0), turnOf(roll, 0, 1)]
      return [
        [own.slide, sign * (way.x * sx.square + way.z * sx.level)] as const,
        [own.shim, sign * (way.x * sz.square + way.z * sz.level)] as const,
      ]
    })
    // in mm over a meter: a program is best solved in numbers near one
    const scaled = terms.map(([column, factor]) => [column, 1000 * factor] as const)
    build.row(1000 * (-webShare * limit - at), 1000 * (webShare * limit - at), ...scaled)
  })
  const touched = columns.flatMap((own) => (own ? [[own.touched, 1] as const] : []))
  // nothing to move: it is as it is
  if (touched.length === 0) {
    const out = bends.some(({ at, limit, beyond }) => !beyond && Math.abs(at) > webShare * limit)
    return out ? null : planOf([])
  }
  const fewest = solve(build.least(...touched))
  if (!fewest) return null
  const count = touched.filter(([column]) => (fewest[column] ?? 0) > 0.5).length
  build.row(0, count, ...touched)
  const least =
    solve(build.least(...columns.flatMap((own) => own?.much.map((size) => [size, 1] as const) ?? []))) ?? fewest
  const moved = rolls.flatMap((roll, i): RollMoved[] => {
    const own = columns[i]
    if (!own || (least[own.touched] ?? 0) < 0.5) return []
    const [slide, shim] = [least[own.slide] ?? 0, least[own.shim] ?? 0]
    return Math.hypot(slide, shim) < 1e-9 ? [] : [{ id: roll.id, slide, shim }]
  })
  return planOf(moved)

  function planOf(moves: readonly RollMoved[]): ForWeb {
    const after = rolls.map((roll, i): RollOrientation => {
      const move = moves.find(({ id }) => id === roll.id)
      const turn = move ? turnOf(roll, move.slide, move.shim) : nothing
      const lie = lies[i] ?? nothing
      return { square: lie.square + turn.square, level: lie.level + turn.level }
    })
    return {
      moved: [...moves],
      lies: after,
      shares: bends.map(({ way, limit }, i) =>
        way ? Math.abs(bend(way, after[i] ?? nothing, after[i + 1] ?? nothing)) / limit : 0,
      ),
      beyond: bends.flatMap(({ beyond }, i) => (beyond ? [i] : [])),
    }
  }
}

const bend = (way: { x: number; z: number }, a: RollOrientation, b: RollOrientation): number =>
  way.x * (b.square - a.square) + way.z * (b.level - a.level)

/** What bringing a roll true takes at its near housing, mm. */
const reachOf = ({ square, level }: RollOrientation, roll: Roll | undefined): number =>
  (roll ? roll.housings[1] - roll.housings[0] : 0) * Math.hypot(square, level)

/** What a near housing's slide and shim turn a roll by, rad. */
function turnOf({ housings: [near, far], incline }: Roll, slide: number, shim: number): RollOrientation {
  // back from the base's own axes
  const { slide: x, shim: z } = alongBase(slide, shim, -incline)
  return { square: x / (near - far), level: z / (near - far) }
}
