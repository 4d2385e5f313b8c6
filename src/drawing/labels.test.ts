import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { withMachineAt } from '../core/kinds/train/document/alter'
import { makeJob, makeLine } from '../core/kinds/train/document/make'
import { solveRound } from '../core/kinds/train/solve/round'
import { chance } from '../core/rig/random'
import { at, hang, mm, readByHand } from '../server/demo/byHand'
import { counted } from '../server/demo/counted'
import { tries } from '../testing/anything'
import { boxOf, crosses, overlap } from './labels'
import type { Point, Scene, Shape } from './scene'
import { lineDrawing } from './train/lineDrawing'

/** A train of so many machines, its stations as far apart as told, read as its shafts stand. */
function trainOf(lengths: readonly number[], truths: readonly (readonly [number, number, number, number])[]) {
  let line = makeLine('Any train', 'motor', 'pump', 'mm')
  while (line.machines.length < lengths.length)
    line = withMachineAt(line, line.machines.length, 'gearbox', 'mm', counted(line))
  line = {
    ...line,
    machines: line.machines.map((machine, m) => ({
      ...machine,
      feet: machine.feet.map((foot, f) => ({
        ...foot,
        station: { ...foot.station, distance: mm(f === 0 ? 180 : (lengths[m] ?? 300)) },
      })),
    })),
    couplings: line.couplings.map((coupling) => ({
      ...coupling,
      diameter: mm(160),
      ...(coupling.station ? { station: { ...coupling.station, distance: mm(200) } } : {}),
    })),
  }
  const [round] = makeJob(line, '', '', 'mm').rounds
  const hung = { right: { out: 60, radius: 80, sag: -0.09 }, left: { out: 50, radius: 80, sag: -0.07 } }
  const source = chance(5)
  const sets = (round?.sets ?? []).map((set, c) =>
    readByHand(line, hang(set, hung), at(...(truths[c] ?? [0, 0, 0, 0])), source),
  )
  const solved = solveRound({ line }, { ...round!, sets })
  return { solved, terms: { line, unit: 'mm' as const, resolution: solved.resolution } }
}

const all = (scene: Scene): Shape[] => [...scene.shapes, ...scene.spots.flatMap(({ shapes }) => shapes)]
const texts = (scene: Scene) => all(scene).flatMap((shape) => (shape.kind === 'text' ? [shape] : []))
const marks = new Set(['shaft', 'shaft-fixed', 'shaft-doubtful', 'gate', 'foot', 'dial', 'scale', 'divider'])

const train = fc.integer({ min: 2, max: 8 }).chain((n) =>
  fc.record({
    lengths: fc.array(fc.integer({ min: 120, max: 1600 }), { minLength: n, maxLength: n }),
    truths: fc.array(
      fc.tuple(
        fc.double({ min: -0.6, max: 0.6, noNaN: true }),
        fc.double({ min: -0.001, max: 0.001, noNaN: true }),
        fc.double({ min: -0.6, max: 0.6, noNaN: true }),
        fc.double({ min: -0.001, max: 0.001, noNaN: true }),
      ),
      { minLength: n - 1, maxLength: n - 1 },
    ),
  }),
)

describe('labels of a drawing', () => {
  it('never lie on each other, on a mark or on a shaft, whatever the train and the paper', () => {
    fc.assert(
      fc.property(
        train,
        fc.integer({ min: 390, max: 1920 }),
        fc.boolean(),
        fc.constantFrom(216, 244, 300),
        ({ lengths, truths }, width, flipped, height) => {
          const { solved, terms } = trainOf(lengths, truths)
          const scene = lineDrawing(solved, terms, { width, height, flipped })
          const placed = texts(scene)
          for (const [i, one] of placed.entries()) {
            const box = boxOf(one)
            expect(box.left).toBeGreaterThanOrEqual(0)
            expect(box.right).toBeLessThanOrEqual(width)
            for (const other of placed.slice(i + 1))
              expect(overlap(box, boxOf(other)), `${one.text} and ${other.text}`).toBe(false)
            if (one.role !== 'number') continue
            for (const shape of all(scene))
              if ((shape.kind === 'line' || shape.kind === 'area') && marks.has(shape.role))
                shape.points.slice(1).forEach((to, k) => {
                  expect(crosses(box, shape.points[k] as Point, to), `${one.text} on ${shape.role}`).toBe(false)
                })
          }
        },
      ),
      tries(60),
    )
  })
  it('on a pair at a tablet’s width every number has a place', () => {
    fc.assert(
      fc.property(train, fc.integer({ min: 1000, max: 1920 }), ({ lengths, truths }, width) => {
        const { solved, terms } = trainOf(
          lengths.slice(0, 2).map((one) => Math.max(one, 300)),
          truths.slice(0, 1),
        )
        const scene = lineDrawing(solved, terms, { width, height: 244, flipped: false })
        expect(texts(scene).filter(({ role }) => role === 'number')).toHaveLength(4)
      }),
      tries(60),
    )
  })
  it('a stroke through a box is told, one beside it is not', () => {
    const box = { left: 10, top: 10, right: 20, bottom: 20 }
    expect(crosses(box, [0, 15], [30, 15])).toBe(true)
    expect(crosses(box, [12, 12], [13, 13])).toBe(true)
    expect(crosses(box, [0, 0], [9, 30])).toBe(false)
    expect(crosses(box, [0, 25], [30, 25])).toBe(false)
    expect(crosses(box, [0, 0], [8, 8])).toBe(false)
  })
})
