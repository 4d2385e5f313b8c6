import { describe, expect, it } from 'vitest'
import { summarize } from '../core/job/summary'
import { solveRound } from '../core/kinds/train/solve/round'
import { demoPlant } from '../server/demo/plant'
import type { Terms } from '../words/terms'
import { miniOf } from './mini'
import { fitted, type Scene } from './scene'
import { stripDrawing } from './strip'
import { chainDrawing } from './train/chain'
import { lineDrawing } from './train/lineDrawing'
import { squaredPaper } from './train/squares'

const plant = demoPlant(new Date('2026-11-23T12:00:00Z'))
const train = plant.jobs[3]!.document
const solved = solveRound(train, train.rounds[0]!)
const terms: Terms = { line: train.line, unit: 'mm', resolution: solved.resolution }
const draw = (flipped: boolean, width = 1196) => lineDrawing(solved, terms, { width, height: 244, flipped })

const spot = (scene: Scene, id: string) => scene.spots.find((s) => s.id === id)!
const numbers = (scene: Scene) =>
  scene.spots.flatMap((s) => s.shapes).flatMap((s) => (s.kind === 'text' && s.role === 'number' ? [s] : []))

describe('the line on squared paper', () => {
  const pair = plant.jobs.find(
    ({ document }) => document.line.machines.length === 2 && document.rounds[0]!.sets[0]?.probes.length === 2,
  )!.document
  const found = solveRound(pair, pair.rounds[0]!)
  const options = { width: 1196, height: 244, flipped: false }
  const said: Terms = { line: pair.line, unit: 'mm', resolution: found.resolution }
  const onSquares = (of: Terms) => lineDrawing(found, of, { ...options, under: squaredPaper })
  const lines = (scene: Scene, role: string) =>
    scene.shapes.flatMap((s) => (s.kind === 'line' && s.role === role ? [s.points] : []))

  it('has every dot on the shaft it was read on, where its dial stood', () => {
    const scene = onSquares(said)
    const dots = scene.shapes.flatMap((s) => (s.kind === 'area' && s.role === 'plotted' ? [s.points] : []))
    expect(dots.length).toBeGreaterThanOrEqual(2)
    const shafts = [...lines(scene, 'shaft'), ...lines(scene, 'shaft-doubtful')]
    for (const dot of dots) {
      const x = dot.reduce((sum, [px]) => sum + px, 0) / dot.length
      const y = dot.reduce((sum, [, py]) => sum + py, 0) / dot.length
      const off = shafts.map(([a, b]) => {
        const [[ax, ay], [bx, by]] = [a!, b!]
        return Math.abs(ay + ((by - ay) * (x - ax)) / (bx - ax) - y)
      })
      expect(Math.min(...off)).toBeLessThan(6)
    }
  })

  it('is ruled in round squares that can be counted, one line of them on the reference, in either unit', () => {
    for (const unit of ['mm', 'mil'] as const) {
      const scene = onSquares({ ...said, unit })
      const rows = [...lines(scene, 'square'), ...lines(scene, 'square-fifth')].filter(([a, b]) => a![1] === b![1])
      const above = rows.map(([a]) => a![1]).filter((y) => y < options.height / 2)
      const sorted = [...new Set(above.map((y) => Math.round(y * 100) / 100))].sort((a, b) => a - b)
      const steps = sorted.slice(1).map((y, i) => y - sorted[i]!)
      expect(Math.min(...steps)).toBeGreaterThanOrEqual(8 - 0.02)
      expect(Math.max(...steps) - Math.min(...steps)).toBeLessThan(0.03)
      const [reference] = lines(scene, 'reference')
      expect(above.some((y) => Math.abs(y - reference![0]![1]) < 0.01)).toBe(true)
      const texts = scene.shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []))
      expect(texts.join('\n')).toMatch(
        unit === 'mm' ? /one square: \d+ mm along, 0\.\d+ mm up/ : /one square: [\d.]+ in along, [\d.]+ mil up/,
      )
    }
  })
})

describe('the drawing of a line', () => {
  it('draws every foot and dial of the train as a spot with its numbers in words', () => {
    const scene = draw(false)
    expect(scene.spots).toHaveLength(6 + 4)
    expect(spot(scene, 'm1-back').label).toMatch(/^Motor, back feet: \d\.\d\d mm low, \d\.\d\d mm toward \w+$/)
    expect(spot(scene, 'm2-front').label).toMatch(/Gearbox, front feet/)
  })
  it('turned round, changes left and right and keeps what it says', () => {
    const [front, back] = [draw(false), draw(true)]
    expect(spot(front, 'm1-back').at[0]).toBeLessThan(spot(front, 'm3-back').at[0])
    expect(spot(back, 'm1-back').at[0]).toBeGreaterThan(spot(back, 'm3-back').at[0])
    expect(
      numbers(back)
        .map((n) => n.text)
        .sort(),
    ).toEqual(
      numbers(front)
        .map((n) => n.text)
        .sort(),
    )
  })
  it('keeps its numbers on the sheet and off each other, on narrow paper too', () => {
    for (const width of [1196, 390]) {
      const placed = numbers(draw(false, width))
      for (const [i, a] of placed.entries()) {
        const half = a.text.length * 4.6
        expect(a.at[0] - half).toBeGreaterThanOrEqual(0)
        expect(a.at[0] + half).toBeLessThanOrEqual(width)
        for (const b of placed.slice(i + 1)) {
          const apart = Math.abs(a.at[0] - b.at[0]) >= half + b.text.length * 4.6 || Math.abs(a.at[1] - b.at[1]) >= 15
          expect(apart, `${a.text} and ${b.text} at ${width}`).toBe(true)
        }
      }
    }
  })
  it('writes by how much it magnifies, and its bar is as long as it says', () => {
    const { shapes } = draw(false)
    const texts = shapes.flatMap((s) => (s.kind === 'text' && s.role === 'small' ? [s.text] : []))
    const bar = shapes.filter((s) => s.kind === 'line' && s.role === 'scale')[1]!
    const length = Number.parseFloat(texts[0]!)
    const px = bar.kind === 'line' ? Math.abs(bar.points[1]![1] - bar.points[0]![1]) : 0
    const foot = spot(draw(false), 'm1-back').at[1]
    const motor = solved.solution.feet.find((f) => f.foot === 'm1-back')!.vertical!.position
    const zero = spot(draw(false), 'm2-front').at[1]
    expect((zero - foot) / motor).toBeCloseTo(px / length, 6)
    expect(texts[1]).toMatch(/^drawn ×\d+$/)
  })
})

it('lays a strip out with a column for every angle and a peg for every reading', () => {
  const dial = solved.dials[0]!
  const strip = stripDrawing(dial, 700, 92, 60)
  expect(strip.columns.map((c) => c.x)).toEqual([60, 205, 350, 495, 640])
  expect(strip.points).toHaveLength(5)
  const [top, , bottom] = strip.points
  expect(top!.raw).toEqual(top!.corrected)
  expect(bottom!.raw[1]).toBeGreaterThan(bottom!.corrected[1])
})

describe('the chain of dimensions', () => {
  it('has one dimension a station, none on top of another', () => {
    const { links, height } = chainDrawing(train.line, 1100, 100, false)
    expect(links.map((link) => link.of)).toEqual([
      'c2',
      'm1-front',
      'm1-back',
      'm2-front',
      'm2-back',
      'm3-front',
      'm3-back',
    ])
    for (const [i, a] of links.entries())
      for (const b of links.slice(i + 1))
        if (a.y === b.y) expect(Math.abs((a.x1 + a.x2) / 2 - (b.x1 + b.x2) / 2)).toBeGreaterThanOrEqual(100)
    expect(Math.max(...links.map((link) => link.y))).toBeLessThan(height)
  })
  it('is drawn before anything is dimensioned', () => {
    const blank = structuredClone(train.line)
    for (const machine of blank.machines) for (const foot of machine.feet) foot.station.distance.text = ''
    const { links } = chainDrawing(blank, 800, 100, false)
    expect(links.every((link) => Number.isFinite(link.x1 + link.x2) && link.x1 !== link.x2)).toBe(true)
  })
})

it('draws a miniature within its frame', () => {
  const mini = miniOf(summarize(train), 112, 60)
  const points = mini.flatMap((stroke) => stroke.points)
  expect(points.every(([x, y]) => x >= 0 && x <= 112 && y >= 0 && y <= 60)).toBe(true)
})

it('a name is as long as there is room for', () => {
  expect(fitted('Pump', ', fixed', 200)).toBe('Pump, fixed')
  expect(fitted('Pump', ', fixed', 50)).toBe('Pump')
  expect(fitted('Northern evaporator circulation pump', ', fixed', 120)).toBe('Northern evapor…')
  expect(fitted('Northern evaporator', ', fixed', 0)).toBe('Nor…')
})
