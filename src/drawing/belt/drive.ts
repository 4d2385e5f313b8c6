import { verdictPeg } from '../../core/kinds/belt/advice/findings'
import type { BeltSolved, SheaveRound } from '../../core/kinds/belt/solve/round'
import { direction } from '../../core/quantity/angles'
import { quantityMm } from '../../core/quantity/quantity'
import { type BeltTerms, degreesText, sheaveName } from '../../words/belt/findings'
import { beltPageWords } from '../../words/belt/page/page'
import { t } from '../../words/language'
import { lengthWithUnit } from '../../words/terms'
import type { Drawing } from '../kind'
import type { Point, Scene, Shape } from '../scene'

/** How much larger than life an angle is drawn: a quarter of a degree can be seen. */
const louder = 25

/**
 * The drive from above, both faces as lines and the belt as a band between the grooves whose edges show its angles; beside it the
 * sheaves from the end, as they stand. Angles and offsets are drawn larger than they are.
 */
export function driveScene(solved: BeltSolved, terms: BeltTerms, { width, height, left = false }: Drawing): Scene {
  const narrow = width < 640
  const split = narrow ? width : width * 0.6
  const shapes: Shape[] = [
    { kind: 'text', role: 'plane', at: [16, 20], anchor: 'start', text: beltPageWords.fromAbove },
    ...fromAbove(solved, terms, split, height, left || verdictPeg(solved) === 'within'),
    ...(narrow ? [] : fromTheEnd(solved, terms, [split, width], height)),
  ]
  return { width, height, shapes, spots: [], handles: [] }
}

const radiusOf = ({ diameter }: SheaveRound['sheave']): number => (quantityMm(diameter) ?? 160) / 2

function fromAbove(solved: BeltSolved, terms: BeltTerms, width: number, height: number, still: boolean): Shape[] {
  const { line } = terms
  const [stays] = line.sheaves
  const far = Math.max(200, ...solved.sheaves.map(({ sheave }) => Math.abs(quantityMm(sheave.across) ?? 0)))
  const largest = Math.max(...line.sheaves.map((sheave) => radiusOf(sheave)))
  const px = (height - 110) / (far + 1.2 * largest)
  const zero: Point = [width / 2, height - 40 - largest * px * 0.6]
  const shapes: Shape[] = [
    {
      kind: 'line',
      role: 'reference',
      points: [
        [zero[0], 34],
        [zero[0], height - 16],
      ],
    },
    { kind: 'text', role: 'small', at: [zero[0] + 8, 44], anchor: 'start', text: beltPageWords.stillFace },
  ]
  const sheaveAt = (
    at: Point,
    radius: number,
    toe: number,
    role: 'shaft-fixed' | 'shaft' | 'shaft-doubtful',
    name: string,
  ) => {
    const half = Math.max(18, radius * px)
    // the face lies across the shaft: a toe turns both
    const slant = Math.max(-0.5, Math.min(0.5, toe * louder))
    const face: Point[] = [
      [at[0] + half * slant, at[1] + half],
      [at[0] - half * slant, at[1] - half],
    ]
    const back = -solved.faces * 70
    shapes.push(
      { kind: 'line', role, points: face },
      { kind: 'line', role: 'body', points: [at, [at[0] + back, at[1] + back * slant]] },
      {
        kind: 'text',
        role: 'name',
        at: [at[0] - solved.faces * 84, at[1] + 4],
        anchor: solved.faces > 0 ? 'end' : 'start',
        text: name,
      },
    )
  }
  if (stays) sheaveAt(zero, radiusOf(stays), 0, 'shaft-fixed', stays.name)
  for (const one of solved.sheaves) {
    const { sheave, solved: found } = one
    const offset = found?.offset?.value
    const out = Math.max(-width / 5, Math.min(width / 5, (offset ?? 0) * louder * 0.5))
    const at: Point = [zero[0] + out, zero[1] - (quantityMm(sheave.across) ?? far) * px]
    const toe = found?.toe?.value
    const known = toe !== undefined && offset !== undefined
    sheaveAt(at, radiusOf(sheave), toe ?? 0, known ? 'shaft' : 'shaft-doubtful', sheave.name)
    // the belt: from groove to groove
    const band = 7
    shapes.push({
      kind: 'area',
      role: 'fan',
      points: [
        [zero[0] - band, zero[1]],
        [zero[0] + band, zero[1]],
        [at[0] + band, at[1]],
        [at[0] - band, at[1]],
      ],
    })
    const { atReference, atMoved } = found?.belt ?? {}
    const side = at[0] >= zero[0] ? 1 : -1
    if (atReference)
      shapes.push({
        kind: 'text',
        role: 'number',
        at: [zero[0] + 22, zero[1] - 10],
        anchor: 'start',
        text: degreesText(atReference.value),
      })
    if (atMoved)
      shapes.push({
        kind: 'text',
        role: 'number',
        at: [at[0] + 22, at[1] + 22],
        anchor: 'start',
        text: degreesText(atMoved.value),
      })
    const slide = still ? undefined : one.work[0]?.slide
    if (slide !== undefined && slide !== null && Math.abs(slide) > 0.005) {
      const tip: Point = [at[0] - side * 46, at[1] - 24]
      shapes.push(
        {
          kind: 'line',
          role: 'target',
          points: [[at[0], at[1] - 24], tip, [tip[0] + side * 8, tip[1] - 5], tip, [tip[0] + side * 8, tip[1] + 5]],
        },
        {
          kind: 'text',
          role: 'number',
          at: [tip[0] - side * 8, tip[1] + 4],
          anchor: side > 0 ? 'end' : 'start',
          text: t`slide ${lengthWithUnit(Math.abs(slide), terms)}`,
        },
      )
    }
  }
  return shapes
}

/** The sheaves as they stand, seen along the shafts from where the faces look. */
function fromTheEnd(
  solved: BeltSolved,
  { line }: BeltTerms,
  [from, to]: readonly [number, number],
  height: number,
): Shape[] {
  const all = line.sheaves.map((sheave, s) => ({
    sheave,
    y: s === 0 ? 0 : (quantityMm(sheave.across) ?? 0),
    z: s === 0 ? 0 : (quantityMm(sheave.up) ?? 0),
    r: radiusOf(sheave),
  }))
  const low = { y: Math.min(...all.map(({ y, r }) => y - r)), z: Math.min(...all.map(({ z, r }) => z - r)) }
  const high = { y: Math.max(...all.map(({ y, r }) => y + r)), z: Math.max(...all.map(({ z, r }) => z + r)) }
  const px = Math.min((to - from - 60) / Math.max(1, high.y - low.y), (height - 90) / Math.max(1, high.z - low.z))
  // seen from the right the far side lies on the left
  const turn = solved.faces > 0 ? -1 : 1
  const middle = (from + to) / 2
  const at = (y: number, z: number): Point => [
    middle + turn * (y - (low.y + high.y) / 2) * px,
    height / 2 + 10 - (z - (low.z + high.z) / 2) * px,
  ]
  const circle = (y: number, z: number, r: number): Point[] =>
    Array.from({ length: 49 }, (_, i): Point => {
      const [a, b] = direction((360 * i) / 48)
      return at(y + r * a, z + r * b)
    })
  const [stays, ...others] = all
  return [
    { kind: 'text', role: 'plane', at: [from + 8, 20], anchor: 'start', text: beltPageWords.fromTheEnd },
    ...others.flatMap(({ y, z, r }): Shape[] => {
      if (!stays) return []
      const length = Math.hypot(y, z) || 1
      const [ny, nz] = [-z / length, y / length]
      return [1, -1].map(
        (side): Shape => ({
          kind: 'line',
          role: 'body',
          points: [at(side * ny * stays.r, side * nz * stays.r), at(y + side * ny * r, z + side * nz * r)],
        }),
      )
    }),
    ...all.flatMap(({ sheave, y, z, r }, s): Shape[] => [
      { kind: 'line', role: s === 0 ? 'shaft-fixed' : 'shaft', points: circle(y, z, r) },
      {
        kind: 'text',
        role: 'name',
        at: [at(y, z)[0], at(y, z)[1] + 4],
        anchor: 'middle',
        text: sheave.name || sheaveName(sheave.id, line),
      },
    ]),
    {
      kind: 'text',
      role: 'small',
      at: [to - 12, height - 10],
      anchor: 'end',
      text: t`angles drawn ×${louder}`,
    },
  ]
}
