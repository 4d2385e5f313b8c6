import { sectionOf } from '../../core/kinds/rolls/solve/measured'
import type { RollsSolved } from '../../core/kinds/rolls/solve/round'
import { spanState } from '../../core/kinds/rolls/solve/section'
import { spanBetween } from '../../core/kinds/rolls/solve/web'
import { direction } from '../../core/quantity/angles'
import { quantityMm } from '../../core/quantity/quantity'
import { levelText, type RollsTerms, squareText } from '../../words/rolls/findings'
import { rollsPageWords as words } from '../../words/rolls/page/page'
import type { Size } from '../kind'
import type { Point, Scene, Shape } from '../scene'

/** How much larger than life a slope is drawn, at most. */
const loudest = 3000
/** A roll drawn smaller than this can't be seen, px. */
const leastRadius = 5

/**
 * The section from the near side, rolls as circles with the web's way and a peg for every span; below it every roll from above,
 * slanted as it is out of square, and what is out in words where there is room.
 */
export function sectionScene(solved: RollsSolved, terms: RollsTerms, { width, height }: Size): Scene {
  const half = height * 0.5
  const { line } = terms
  const all = line.rolls.map((roll, i) => ({
    roll,
    x: quantityMm(roll.x) ?? 400 * i,
    z: quantityMm(roll.z) ?? 0,
    radius: (quantityMm(roll.diameter) ?? 120) / 2,
  }))
  const xs = all.map(({ x }) => x)
  const [low, high] = [Math.min(...xs), Math.max(...xs)]
  const [left, right] = [40, width - 40]
  const px = (right - left) / Math.max(1, high - low)
  const at = (x: number) => left + (x - low) * px
  return {
    width,
    height,
    shapes: [
      { kind: 'text', role: 'plane', at: [16, 20], anchor: 'start', text: words.elevation },
      ...elevation(solved, terms, all, { at, px, height: half }),
      { kind: 'text', role: 'plane', at: [16, half + 14], anchor: 'start', text: words.plan },
      ...plan(solved, terms, all, { at, top: half + 24, bottom: height - 14, width }),
    ],
    spots: [],
    handles: [],
  }
}

interface Drawn {
  roll: RollsTerms['line']['rolls'][number]
  x: number
  z: number
  radius: number
}

function elevation(
  solved: RollsSolved,
  { line }: RollsTerms,
  all: readonly Drawn[],
  { at, px, height }: { at: (x: number) => number; px: number; height: number },
): Shape[] {
  const zs = all.map(({ z }) => z)
  const [low, high] = [Math.min(...zs), Math.max(...zs)]
  // not to scale upward where the section is high: there is a hand's width for it
  const up = Math.min(2.5 * px, (height - 96) / Math.max(1, high - low))
  const radius = (one: Drawn) => Math.max(leastRadius, Math.min(24, one.radius * Math.min(px, up)))
  const ground = Math.max(...all.map(radius))
  const level = (z: number) => height - 24 - ground - (z - low) * up
  const circle = (one: Drawn): Point[] =>
    Array.from({ length: 33 }, (_, i): Point => {
      const [a, b] = direction(11.25 * i)
      return [at(one.x) + radius(one) * a, level(one.z) - radius(one) * b]
    })
  const section = sectionOf(line)
  const touch = (one: Drawn, span: { x: number; z: number }): Point => {
    const sign = one.roll.side === 'over' ? -1 : 1
    return [at(one.x) + sign * radius(one) * span.z, level(one.z) + sign * radius(one) * span.x]
  }
  const web = all.slice(1).flatMap((to, i): Shape[] => {
    const from = all[i]
    // as it is drawn: radii and heights in px
    const span =
      from &&
      spanBetween(
        { x: at(from.x), z: -level(from.z), radius: radius(from), side: from.roll.side },
        { x: at(to.x), z: -level(to.z), radius: radius(to), side: to.roll.side },
      )
    if (!from || !span) return []
    const [a, b] = [touch(from, span), touch(to, span)]
    const told = section ? solved.spans[i] : undefined
    return [
      { kind: 'line', role: 'body', points: [a, b] },
      ...(told
        ? [
            {
              kind: 'peg' as const,
              at: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2] as Point,
              peg: told.inPlane ? spanState(told) : ('nothing' as const),
              size: 7,
            },
          ]
        : []),
    ]
  })
  return [
    ...web,
    ...all.map((one): Shape => ({ kind: 'line', role: one.roll.fixed ? 'shaft-fixed' : 'gate', points: circle(one) })),
    ...numbersApart(all.map(({ x }) => at(x))).map(
      (i): Shape => ({
        kind: 'text',
        role: 'small',
        at: [at(all[i]?.x ?? 0), height - 8],
        anchor: 'middle',
        text: String(i + 1),
      }),
    ),
  ]
}

/** Room that a number takes along the line, px. */
const numberRoom = 24

/** Places whose numbers stand clear of each other: the first, and every next one that has the room. */
function numbersApart(xs: readonly number[]): number[] {
  const taken: number[] = []
  return xs.flatMap((x, i) => {
    if (taken.some((other) => Math.abs(other - x) < numberRoom)) return []
    taken.push(x)
    return [i]
  })
}

/** Floor marks, each once, under the plan where they lie along the line. */
function marksOf({ round }: RollsSolved, at: (x: number) => number, y: number): Shape[] {
  const places = new Map(
    round.marks.flatMap(({ mark, x }) => {
      const mm = quantityMm(x)
      return mm === undefined || !mark.trim() ? [] : [[mark.trim(), at(mm)] as const]
    }),
  )
  return [...places].flatMap(([name, x]): Shape[] => [
    {
      kind: 'line',
      role: 'scale',
      points: [
        [x - 5, y + 8],
        [x, y],
        [x + 5, y + 8],
        [x - 5, y + 8],
      ],
    },
    { kind: 'text', role: 'small', at: [x + 9, y + 9], anchor: 'start', text: name },
  ])
}

function plan(
  solved: RollsSolved,
  terms: RollsTerms,
  all: readonly Drawn[],
  { at, top, bottom, width }: { at: (x: number) => number; top: number; bottom: number; width: number },
): Shape[] {
  const { round } = solved
  const squares = solved.rolls.map((one) => one.solved?.square?.value ?? 0)
  const most = Math.max(1e-6, ...squares.map(Math.abs))
  const half = (bottom - top) / 2
  const gap = (width - 80) / Math.max(1, all.length - 1)
  const loud = Math.min(loudest, (0.4 * gap) / half / most)
  const middle = (top + bottom) / 2
  const roomy = gap > 260
  return [
    {
      kind: 'line',
      role: 'reference',
      points: [
        [20, middle],
        [width - 20, middle],
      ],
    },
    ...marksOf(solved, at, bottom + 2),
    ...all.flatMap(({ x, roll }, i): Shape[] => {
      const own = solved.rolls[i]?.solved
      const slant = (own?.square?.value ?? 0) * loud * half
      // as far as its square may lie to either side, twice the deviation: along a free chain it widens
      const doubt = Math.min(0.45 * gap, 2 * (own?.square?.sd ?? 0) * loud * half)
      return [
        ...(doubt > 1
          ? [
              {
                kind: 'area' as const,
                role: 'fan' as const,
                points: [
                  [at(x) + slant + doubt, top],
                  [at(x) - slant - doubt, bottom],
                  [at(x) - slant + doubt, bottom],
                  [at(x) + slant - doubt, top],
                ] as Point[],
              },
            ]
          : []),
        {
          kind: 'line',
          role: own?.square ? (roll.fixed ? 'shaft-fixed' : 'shaft') : 'shaft-doubtful',
          points: [
            [at(x) + slant, top],
            [at(x) - slant, bottom],
          ],
        },
        ...(roomy && own?.square
          ? [
              {
                kind: 'text' as const,
                role: 'small' as const,
                at: [at(x) + 12, middle - 8] as Point,
                anchor: 'start' as const,
                text: squareText(own.square, terms),
              },
              {
                kind: 'text' as const,
                role: 'small' as const,
                at: [at(x) + 12, middle + 18] as Point,
                anchor: 'start' as const,
                text: levelText(own.level, terms),
              },
            ]
          : []),
        // which stand it was squared from
        ...(round.stands[roll.id]?.trim() && gap > 60
          ? [
              {
                kind: 'text' as const,
                role: 'small' as const,
                at: [at(x) + 6, top + 8] as Point,
                anchor: 'start' as const,
                text: words.standFor(round.stands[roll.id]?.trim() ?? ''),
              },
            ]
          : []),
      ]
    }),
    {
      kind: 'text',
      role: 'small',
      at: [width - 12, top - 10],
      anchor: 'end',
      text: words.scale(String(Math.round(loud))),
    },
  ]
}
