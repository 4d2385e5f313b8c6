import type { Point, Role, Shape, TextRole } from './scene'

/** A rectangle on the paper, px, y down. */
export interface Box {
  left: number
  top: number
  right: number
  bottom: number
}

/** Width of a letter on average and height of a line over and under its baseline, px, as each kind of text is set. */
const metrics: Readonly<Record<TextRole, { letter: number; up: number; down: number }>> = {
  plane: { letter: 8.1, up: 10, down: 3 },
  name: { letter: 7, up: 11, down: 4 },
  number: { letter: 9.4, up: 12, down: 3 },
  small: { letter: 7.3, up: 10, down: 3 },
}

type Text = Extract<Shape, { kind: 'text' }>

/** What a text takes on the paper. */
export function boxOf({ text, at: [x, y], anchor, role }: Omit<Text, 'kind'>): Box {
  const { letter, up, down } = metrics[role]
  const width = text.length * letter
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2
  return { left, top: y - up, right: left + width, bottom: y + down }
}

export const overlap = (a: Box, b: Box): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom

/** Whether a stroke from one point to the other runs through a box (clipped against its four sides). */
export function crosses(box: Box, [x1, y1]: Point, [x2, y2]: Point): boolean {
  let [from, to] = [0, 1]
  for (const [step, room] of [
    [x1 - x2, x1 - box.left],
    [x2 - x1, box.right - x1],
    [y1 - y2, y1 - box.top],
    [y2 - y1, box.bottom - y1],
  ] as const) {
    if (step === 0) {
      if (room < 0) return false
    } else if (step < 0) from = Math.max(from, room / step)
    else to = Math.min(to, room / step)
    if (from > to) return false
  }
  return true
}

/** What a label never lies on: marks, shafts, whatever a number could be read against. */
const hard: ReadonlySet<Role> = new Set<Role>([
  'shaft',
  'shaft-fixed',
  'shaft-doubtful',
  'gate',
  'stop',
  'target',
  'running',
  'live',
  'scale',
  'divider',
  'foot',
  'dial',
])
/** What it keeps clear of where it can: thin and pale, and it stays readable over it. */
const soft: ReadonlySet<Role> = new Set<Role>(['gap', 'ghost', 'reference', 'body', 'hatch'])

/** A label that wants a place. */
export interface Wanted {
  role: TextRole
  text: string
  /** What it belongs to: a thin leader runs there where it must stand off. */
  mark: Point
  /** Baselines, in the middle of the text, the best first. */
  places: readonly Point[]
  /** The one that matters more is placed first; the others go round it, and hide where there is no room. */
  weight: number
  /** It may not leave this. */
  within: Box
  /** Where it goes: its text and, where it stands off, its leader. */
  put: (shapes: Shape[]) => void
}

/** Two labels on one height stand this far from each other, px. */
const apart = 6

/** From here on a label stands off its mark and needs a leader, px. */
const near = 26

/** Strokes of a drawing, as pairs of points. */
const strokesOf = (shape: Shape): (readonly [Point, Point])[] => {
  if (shape.kind !== 'line' && shape.kind !== 'area') return []
  const all = shape.kind === 'area' ? [...shape.points, ...shape.points.slice(0, 1)] : shape.points
  return all.slice(1).flatMap((to, i): (readonly [Point, Point])[] => {
    const from = all[i]
    return from ? [[from, to]] : []
  })
}

/**
 * Gives every label a place where it lies on no mark, no line and no other label; those that find none stay away, the least
 * important first. Greedy by weight over a few places each: with some thirty labels that is as good as annealing, and the same
 * every time.
 *
 * @param drawn everything else that is on the paper
 */
export function placeLabels(wanted: readonly Wanted[], drawn: readonly Shape[]): void {
  const boxes = drawn.flatMap((shape): Box[] =>
    shape.kind === 'text'
      ? [boxOf(shape)]
      : shape.kind === 'peg'
        ? [
            {
              left: shape.at[0] - shape.size,
              top: shape.at[1] - shape.size,
              right: shape.at[0] + shape.size,
              bottom: shape.at[1] + shape.size,
            },
          ]
        : [],
  )
  const of = (roles: ReadonlySet<Role>) =>
    drawn.flatMap((shape) => ('role' in shape && roles.has(shape.role as Role) ? strokesOf(shape) : []))
  const [lines, pale] = [of(hard), of(soft)]
  const leaders: (readonly [Point, Point])[] = []
  const byWeight = [...wanted].sort((a, b) => b.weight - a.weight)
  for (const one of byWeight) {
    const { role, text, mark, within } = one
    let best: { at: Point; box: Box; cost: number; leader: readonly [Point, Point] | undefined } | undefined
    for (const [i, [wantedX, y]] of one.places.entries()) {
      // at the edge of the paper it moves in
      const half = (text.length * metrics[role].letter) / 2
      const at: Point = [Math.min(within.right - half, Math.max(within.left + half, wantedX)), y]
      const box = boxOf({ role, text, at, anchor: 'middle' })
      if (box.left < within.left || box.right > within.right || box.top < within.top || box.bottom > within.bottom)
        continue
      const roomy = { ...box, left: box.left - apart, right: box.right + apart }
      if (boxes.some((other) => overlap(roomy, other))) continue
      if ([...lines, ...leaders].some(([a, b]) => crosses(box, a, b))) continue
      const leader = leaderOf(box, mark)
      if (leader && boxes.some((other) => crosses(other, ...leader))) continue
      const cost = i + pale.filter(([a, b]) => crosses(box, a, b)).length * 1.5
      if (!best || cost < best.cost) best = { at, box, cost, leader }
      if (cost <= i) break
    }
    if (!best) continue
    boxes.push(best.box)
    if (best.leader) leaders.push(best.leader)
    one.put([
      ...(best.leader ? [{ kind: 'line', role: 'stop', points: best.leader } as const] : []),
      { kind: 'text', role, at: best.at, anchor: 'middle', text },
    ])
  }
}

/** The leader of a label that stands off its mark: from the nearest point of its box; none where it is near. */
function leaderOf(box: Box, [x, y]: Point): readonly [Point, Point] | undefined {
  const from: Point = [Math.min(box.right, Math.max(box.left, x)), Math.min(box.bottom, Math.max(box.top, y))]
  const [dx, dy] = [x - from[0], y - from[1]]
  const away = Math.hypot(dx, dy)
  // over or under its mark it is plain whose it is; beside it, it would be taken for its neighbor's
  if (away <= near && x >= box.left && x <= box.right) return undefined
  // it ends short of the mark
  const share = Math.max(0, away - 9) / away
  return [from, [from[0] + dx * share, from[1] + dy * share]]
}

/** Places over and under a mark and beside it, the given side first, then farther and farther off. */
export function placesRound([x, y]: Point, text: string, role: TextRole, above: boolean): Point[] {
  const { letter } = metrics[role]
  const half = (text.length * letter) / 2
  const [over, under] = [y - 12, y + 33]
  const first = above ? [over, under] : [under, over]
  const beside = [half + 14, -half - 14]
  return [
    ...first.map((at): Point => [x, at]),
    ...[1, 2, 3].flatMap((k): Point[] => first.map((at): Point => [x, at + Math.sign(at - y) * 17 * k])),
    ...beside.flatMap((dx): Point[] => [
      [x + dx, y - 8],
      [x + dx, y + 16],
      [x + dx, over - 12],
      [x + dx, under + 6],
    ]),
    ...beside.flatMap((dx): Point[] => [
      [x + 2 * dx, over - 20],
      [x + 2 * dx, under + 16],
    ]),
  ]
}
