import type { BoreSolved, SectionRound } from '../../core/kinds/bore/solve/round'
import { direction } from '../../core/quantity/angles'
import type { Plane } from '../../core/quantity/axis'
import { type BoreTerms, sideOf, standsIn } from '../../words/bore/findings'
import { borePageWords as words } from '../../words/bore/page/page'
import { length, lengthWithUnit } from '../../words/terms'
import type { Size } from '../kind'
import type { Point, Scene, Shape } from '../scene'

/**
 * The row from the near side and from above: every bore an open gate where it stands, the line they are told from across them all;
 * beside it every center as it is seen along the row, in the circle of the limit. Offsets are drawn larger than they are.
 */
export function rowScene(solved: BoreSolved, terms: BoreTerms, { width, height }: Size): Scene {
  const narrow = width < 700
  const split = narrow ? width : width - Math.min(300, width * 0.28)
  const half = height / 2
  const shapes = [
    ...band('vertical', solved, terms, split, [0, half]),
    ...band('horizontal', solved, terms, split, [half, height]),
    ...(narrow ? [] : alongTheRow(solved, terms, [split, width], height)),
  ]
  return { width, height, shapes, spots: [], handles: [] }
}

const offsetOf = ({ standing }: SectionRound, plane: Plane): number | undefined => standing?.[plane]?.value

/** Above this many gates only every second name fits. */
const crowded = 9

function band(
  plane: Plane,
  solved: BoreSolved,
  terms: BoreTerms,
  width: number,
  [top, bottom]: readonly [number, number],
): Shape[] {
  const { sections } = solved
  const known = sections.map(({ x }) => x ?? 0)
  const placed = sections.filter(({ x }) => x !== undefined).length > 1
  const xs = known.map((x, i) => (placed ? x : i))
  const [low, high] = [Math.min(...xs), Math.max(...xs)]
  const left = 70
  const right = width - 50
  const at = (i: number) => left + (((xs[i] ?? 0) - low) / Math.max(1e-9, high - low)) * (right - left)
  const middle = (top + bottom) / 2 + 8
  const most = Math.max(solved.limit, ...sections.map((one) => Math.abs(offsetOf(one, plane) ?? 0)))
  const px = ((bottom - top) / 2 - 46) / most
  const gate = 15
  const roomy = (right - left) / sections.length > 130
  return [
    {
      kind: 'text',
      role: 'plane',
      at: [16, top + 20],
      anchor: 'start',
      text: plane === 'vertical' ? words.elevation : words.plan,
    },
    {
      kind: 'line',
      role: 'reference',
      points: [
        [left - 34, middle],
        [right + 34, middle],
      ],
    },
    ...sections.flatMap((one, i): Shape[] => {
      const off = offsetOf(one, plane)
      const x = at(i)
      const y = middle - (off ?? 0) * px
      // a pocket as an open gate: two posts, the way through between them
      const post = (side: 1 | -1): Point[] => [
        [x - 9, y + side * gate],
        [x + 9, y + side * gate],
        [x + 9, y + side * (gate + 7)],
        [x - 9, y + side * (gate + 7)],
        [x - 9, y + side * gate],
      ]
      const role = off === undefined ? ('shaft-doubtful' as const) : ('gate' as const)
      const last = i === sections.length - 1 && i > 0
      const name = sections.length <= crowded || i % 2 === 0
      return [
        { kind: 'line', role, points: post(1) },
        { kind: 'line', role, points: post(-1) },
        ...(off === undefined
          ? []
          : [
              {
                kind: 'line' as const,
                role: 'shaft' as const,
                points: [
                  [x - 9, y],
                  [x + 9, y],
                ] as Point[],
              },
            ]),
        ...(name && plane === 'vertical'
          ? [
              {
                kind: 'text' as const,
                role: 'name' as const,
                at: [x, top + 40] as Point,
                anchor: 'middle' as const,
                text: one.section.name,
              },
            ]
          : []),
        ...(off === undefined
          ? []
          : [
              {
                kind: 'text' as const,
                role: 'number' as const,
                // the last one stands at the edge: its number lies before it
                at: [x + (last ? -16 : 16), y + (off >= 0 ? -12 : 22)] as Point,
                anchor: last ? ('end' as const) : ('start' as const),
                text: roomy ? standsIn(off, plane, terms) : length(Math.abs(off), terms),
              },
            ]),
      ]
    }),
  ]
}

function alongTheRow(
  solved: BoreSolved,
  terms: BoreTerms,
  [from, to]: readonly [number, number],
  height: number,
): Shape[] {
  const middle: Point = [(from + to) / 2, height / 2 + 6]
  const most = Math.max(
    solved.limit * 1.25,
    ...solved.sections.map((one) => Math.hypot(offsetOf(one, 'vertical') ?? 0, offsetOf(one, 'horizontal') ?? 0)),
  )
  const px = (Math.min(to - from, height) / 2 - 40) / most
  // seen along the row from its first bore on, the far side lies on the left
  const at = (y: number, z: number): Point => [middle[0] - y * px, middle[1] - z * px]
  const circle = (r: number): Point[] =>
    Array.from({ length: 61 }, (_, i): Point => {
      const [y, z] = direction(6 * i)
      return at(r * y, r * z)
    })
  return [
    { kind: 'text', role: 'plane', at: [from + 8, 20], anchor: 'start', text: words.alongTheRow },
    { kind: 'line', role: 'reference', points: circle(solved.limit) },
    {
      kind: 'text',
      role: 'small',
      at: [middle[0], height - 8],
      anchor: 'middle',
      text: words.limitCircle(lengthWithUnit(solved.limit, terms)),
    },
    { kind: 'text', role: 'small', at: [from + 8, middle[1] + 4], anchor: 'start', text: sideOf('far', terms.line) },
    { kind: 'text', role: 'small', at: [to - 12, middle[1] + 4], anchor: 'end', text: sideOf('near', terms.line) },
    ...solved.sections.flatMap((one, i): Shape[] => {
      const [y, z] = [offsetOf(one, 'horizontal'), offsetOf(one, 'vertical')]
      if (y === undefined || z === undefined) return []
      const [px0, py0] = at(y, z)
      return [
        { kind: 'peg', at: [px0, py0], peg: one.state === 'nothing' ? 'nothing' : one.state, size: 8 },
        { kind: 'text', role: 'small', at: [px0 + 9, py0 + 4], anchor: 'start', text: String(i + 1) },
      ]
    }),
  ]
}
