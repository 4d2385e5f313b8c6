import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { solveRound } from '../core/kinds/train/solve/round'
import { methodJobs } from '../server/demo/methods'
import { spreadCells, stripDrawing } from './strip'

describe('cells under a strip', () => {
  const wishes = fc.array(fc.double({ min: 60, max: 640, noNaN: true }), { minLength: 1, maxLength: 8 })
  it('never overlap, stay on the paper and keep their order', () => {
    fc.assert(
      fc.property(wishes, (wanted) => {
        const width = 80
        const placed = spreadCells(wanted, width, 40, 660)
        const sorted = [...placed].sort((a, b) => a - b)
        for (const [i, x] of sorted.entries()) {
          expect(x).toBeGreaterThanOrEqual(40 - 1e-6)
          expect(x).toBeLessThanOrEqual(660 + 1e-6)
          if (i > 0) expect(x - sorted[i - 1]!).toBeGreaterThanOrEqual(width - 1e-6)
        }
        wanted.forEach((a, i) => {
          wanted.forEach((b, j) => {
            if (a < b) expect(placed[i]!).toBeLessThan(placed[j]!)
          })
        })
      }),
    )
  })
  it('stand where they belong when there is room', () => {
    expect(spreadCells([100, 300, 500], 80, 40, 660)).toEqual([100, 300, 500])
    expect(spreadCells([100, 120], 80, 40, 660)).toEqual([70, 150])
    expect(spreadCells([45, 50], 80, 40, 660)).toEqual([40, 120])
  })
})

describe('a strip', () => {
  const { jobs } = methodJobs(new Date('2026-11-23T08:00:00Z'))
  it.each(jobs.map(({ document }) => document.title))('of %s keeps everything on its paper', (title) => {
    const job = jobs.find(({ document }) => document.title === title)!.document
    const { dials } = solveRound(job, job.rounds[0]!)
    for (const dial of dials) {
      const strip = stripDrawing(dial, 700, 92, 62)
      const points = [
        ...strip.fitted,
        ...strip.aligned,
        ...strip.sweep,
        ...strip.points.flatMap(({ raw, corrected }) => [raw, corrected]),
      ]
      for (const [x, y] of points) {
        expect(x).toBeGreaterThanOrEqual(61)
        expect(x).toBeLessThanOrEqual(639)
        expect(y).toBeGreaterThanOrEqual(9.9)
        expect(y).toBeLessThanOrEqual(82.1)
      }
      expect(strip.y(strip.high)).toBeLessThan(strip.y(strip.low))
      expect(stripDrawing(dial, 700, 92, 62, dial, [-9, 9]).high).toBeGreaterThanOrEqual(9)
    }
  })
})
