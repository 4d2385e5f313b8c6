import { scaleLinear } from 'd3-scale'
import { machineDoubted } from '../core/advice/findings'
import { type Plane, planes } from '../core/frame/axis'
import { formatNumber } from '../core/frame/number'
import { fromMm } from '../core/frame/units'
import { shaftEnds } from '../core/job/ends'
import type { RoughState } from '../core/job/rough'
import type { JobSolution } from '../core/job/solve'
import { positionAt } from '../core/moves/positions'
import { capital, footName, machineName, place, sideName, stateName, type Terms, unitName } from '../words/terms'
import type { Point, Scene, Shape, Spot } from './scene'

export interface SightOptions {
  width: number
  height: number
  /** Seen from the far side: left and right change places, near is on top of the plan. */
  flipped: boolean
  /** An earlier round, drawn pale behind this one. */
  ghost?: JobSolution | undefined
  /** A coarse position by feeler and gauge, drawn dashed until there are readings. */
  coarse?: RoughState | undefined
}

/**
 * The line in both planes: one x scale for both, misalignment magnified by a factor that is written beside a scale bar.
 * Everything shown comes from the solution; nothing is worked out here but where it lies on the paper.
 */
export function sightScene(solved: JobSolution, terms: Terms, options: SightOptions): Scene {
  const sheet = layOut(solved, options)
  const shapes: Shape[] = []
  const spots = new Map<string, Spot>()
  const labels = labelPlaces(options.width)
  planes.forEach((plane, i) => {
    if (i > 0) {
      const y = sheet.bandTop(plane)
      shapes.push({
        kind: 'line',
        role: 'divider',
        points: [
          [12, y],
          [options.width - 12, y],
        ],
      })
    }
    shapes.push({
      kind: 'text',
      role: 'plane',
      at: [14, sheet.bandTop(plane) + 17],
      anchor: 'start',
      text: plane === 'vertical' ? 'ELEVATION' : `PLAN, ${sideName(options.flipped ? 'near' : 'far', terms)} side up`,
    })
    drawPlane(plane, solved, terms, options, sheet, labels, shapes, spots)
  })
  shapes.push(...scaleBar(solved, terms, options, sheet))
  return { width: options.width, height: options.height, shapes, spots: [...spots.values()] }
}

interface Sheet {
  bandTop: (plane: Plane) => number
  x: (mm: number) => number
  y: (plane: Plane, mm: number) => number
  /** px for one mm of misalignment, and how many times larger than along the train that is. */
  pxPerMm: number
  magnification: number
}

function layOut(solved: JobSolution, { width, height, flipped, coarse }: SightOptions): Sheet {
  const { train, solution } = solved
  const ends = train.machines.flatMap((_, m) => shaftEnds(train, m))
  const span: [number, number] = [Math.min(...ends), Math.max(...ends)]
  const paper: [number, number] = width < 600 ? [28, width - 40] : [110, width - 150]
  const scale = scaleLinear(span, flipped ? [paper[1], paper[0]] : paper)
  const band = height / 2
  const room = Math.max(18, band / 2 - 42)
  const deviations = train.machines.flatMap((_, m) =>
    planes.flatMap((plane) => {
      const links = solution.chains[plane][m]
      return links ? shaftEnds(train, m).map((x) => Math.abs(positionAt(links, x).value)) : []
    }),
  )
  const limits = solution.couplings.map(({ verdict }) => 1.6 * (verdict?.limits.offset ?? 0))
  const largest = Math.max(
    0.06,
    ...deviations,
    ...limits,
    ...coarseEnds(solved, coarse).flatMap(({ values }) => values.map(Math.abs)),
  )
  const pxPerMm = room / largest
  const up = (plane: Plane) => (plane === 'horizontal' && flipped ? -1 : 1)
  const bandTop = (plane: Plane) => (plane === 'vertical' ? 0 : band)
  return {
    bandTop,
    x: (mm) => scale(mm),
    y: (plane, mm) => bandTop(plane) + band / 2 + 8 - up(plane) * mm * pxPerMm,
    pxPerMm,
    magnification: pxPerMm / ((paper[1] - paper[0]) / (span[1] - span[0])),
  }
}

function drawPlane(
  plane: Plane,
  solved: JobSolution,
  terms: Terms,
  options: SightOptions,
  sheet: Sheet,
  labels: ReturnType<typeof labelPlaces>,
  shapes: Shape[],
  spots: Map<string, Spot>,
): void {
  const { train, solution } = solved
  const ends = train.machines.map((_, m) => shaftEnds(train, m))
  const from = Math.min(...ends.flat())
  const to = Math.max(...ends.flat())
  const at = (x: number, mm: number): Point => [sheet.x(x), sheet.y(plane, mm)]
  const band = [sheet.bandTop(plane), sheet.bandTop(plane) + options.height / 2] as const
  shapes.push({ kind: 'line', role: 'reference', points: [at(from, 0), at(to, 0)] })

  if (options.ghost) {
    const { chains } = options.ghost.solution
    train.machines.forEach((_, m) => {
      const links = chains[plane][m]
      const [a, b] = ends[m] ?? [0, 0]
      if (links && m !== train.fixed)
        shapes.push({
          kind: 'line',
          role: 'ghost',
          points: withinBand(
            at(a, positionAt(links, a).value),
            at(b, positionAt(links, b).value),
            sheet.bandTop(plane) + 4,
            sheet.bandTop(plane) + options.height / 2 - 4,
          ),
        })
    })
  }

  train.machines.forEach((machine, m) => {
    const links = solution.chains[plane][m]
    const fixed = m === train.fixed
    const value = (x: number) => (links ? positionAt(links, x).value : 0)
    const [a, b] = ends[m] ?? [0, 0]
    const feet = machine.feet.map((foot) => foot.x)
    const body = feet.length ? ([Math.min(...feet), Math.max(...feet)] as const) : ([a + (b - a) * 0.3, b] as const)
    const reach = Math.min(40, Math.abs(b - a) / 10)
    const half = 25
    const corner = (x: number, dy: number): Point => {
      const [px, py] = at(x, value(x))
      return [px, py + dy]
    }
    const [left, right] = [body[0] - reach, body[1] + reach]
    shapes.push({
      kind: 'area',
      role: 'body',
      points: [corner(left, -half), corner(right, -half), corner(right, half), corner(left, half)],
    })
    if (fixed) shapes.push(...hatching(corner(left, half), corner(right, half)))

    if (links && !fixed) {
      const samples = Array.from({ length: 9 }, (_, i) => a + ((b - a) * i) / 8)
      const edge = (sign: 1 | -1) =>
        samples.map((x) => {
          const { value: v, sd } = positionAt(links, x)
          return at(x, v + sign * 2 * sd)
        })
      shapes.push({ kind: 'area', role: 'fan', points: [...edge(1), ...edge(-1).reverse()] })
    }
    const role = fixed ? 'shaft-fixed' : !links || machineDoubted(solved, machine.id) ? 'shaft-doubtful' : 'shaft'
    shapes.push({ kind: 'line', role, points: [at(a, value(a)), at(b, value(b))] })
    const name = `${machineName(machine.id, terms)}, ${fixed ? 'stays' : links ? 'moves' : 'not measured'}`
    const under: Point = [sheet.x((body[0] + body[1]) / 2), band[1] - 8]
    labels.keep(...under, name)
    shapes.push({ kind: 'text', role: 'name', at: under, anchor: 'middle', text: name })

    for (const foot of machine.feet) {
      const found = solution.feet.find((f) => f.foot === foot.id)
      const [px, py] = at(foot.x, value(foot.x))
      const own: Shape[] = []
      const zero = sheet.y(plane, 0)
      if (!fixed && links && Math.abs(py - zero) > 1.5)
        own.push({
          kind: 'line',
          role: 'gap',
          points: [
            [px, zero],
            [px, py],
          ],
        })
      own.push({
        kind: 'area',
        role: 'foot',
        points: [
          [px, py + 7],
          [px - 6, py + 18],
          [px + 6, py + 18],
        ],
      })
      const known = found?.[plane]
      if (!fixed && known) {
        const above = py <= zero
        const text = place(known.position, plane, terms)
        own.push({ kind: 'text', role: 'number', at: labels.place(px, py, above, text, band), anchor: 'middle', text })
      }
      addToSpot(spots, foot.id, { label: footLabel(foot.id, solved, terms), at: [px, py] }, own)
    }
  })

  for (const { plane: of, xs, values } of coarseEnds(solved, options.coarse)) {
    if (of !== plane) continue
    shapes.push({ kind: 'line', role: 'ghost', points: [at(xs[0], values[0]), at(xs[1], values[1])] })
    shapes.push({
      kind: 'text',
      role: 'small',
      at: [sheet.x((xs[0] + xs[1]) / 2), at(0, values[1])[1] - 8],
      anchor: 'middle',
      text: 'roughly',
    })
  }

  for (const dial of solved.dials) {
    if (dial.channel && dial.channel !== 'r1') continue // one mark a detector
    const face = dial.dial.type === 'face'
    const x = solved.stations.x.get(face ? dial.set.coupling : dial.dial.id)
    const m = train.machines.findIndex((machine) => machine.id === dial.dial.on)
    if (x === undefined || m < 0) continue
    const head = dial.dial.type === 'beam' || dial.dial.type === 'beam2'
    const links = solution.chains[plane][m]
    const [px, py] = at(x, links ? positionAt(links, x).value : 0)
    addToSpot(spots, dial.dial.id, { label: stateName(dial, terms), at: [px, py] }, [
      {
        kind: 'area',
        role: 'dial',
        points: markOf(head, face, px, py),
      },
    ])
  }

  solution.couplings.forEach(({ verdict }, c) => {
    const coupling = train.couplings[c]
    if (!coupling) return
    const links = solution.chains[plane][coupling.left]
    const axis = links ? positionAt(links, coupling.x).value : 0
    const right = solution.chains[plane][coupling.left + 1]
    const limit = verdict?.limits.offset
    if (limit !== undefined)
      for (const sign of [1, -1]) {
        const [px, py] = at(coupling.x, axis + sign * limit)
        const flare = py < sheet.y(plane, axis) ? -8 : 8
        shapes.push({
          kind: 'line',
          role: 'gate',
          points: [
            [px - 12, py + flare],
            [px, py],
            [px + 12, py + flare],
          ],
        })
      }
    const meets = right && verdict?.byPlane[plane]
    if (meets && right) {
      const doubtful = machineDoubted(
        solved,
        train.machines[coupling.left + (coupling.left < train.fixed ? 0 : 1)]?.id ?? '',
      )
      const far = coupling.left < train.fixed ? links : right
      shapes.push({
        kind: 'peg',
        at: at(coupling.x, far ? positionAt(far, coupling.x).value : 0),
        peg: doubtful ? 'unsure' : meets,
        size: 6.5,
      })
    }
  })
}

/** A dial points at the shaft, a face dial along it, a head is a small box. */
function markOf(head: boolean, face: boolean, x: number, y: number): Point[] {
  if (head)
    return [
      [x - 5, y - 16],
      [x + 5, y - 16],
      [x + 5, y - 6],
      [x - 5, y - 6],
    ]
  if (face)
    return [
      [x, y - 18],
      [x - 9, y - 23],
      [x - 9, y - 13],
    ]
  return [
    [x, y - 5],
    [x - 5, y - 14],
    [x + 5, y - 14],
  ]
}

/**
 * Where a number goes: over or under its foot, inside the sheet, and clear of the numbers placed before it.
 * Numbers are set in 15 px of the mono face, about 9 px a character.
 */
function labelPlaces(width: number) {
  const taken: { x: number; y: number; half: number }[] = []
  const free = (x: number, y: number, half: number) =>
    !taken.some((t) => Math.abs(t.y - y) < 16 && Math.abs(t.x - x) < t.half + half)
  return {
    /** A text that stands where it stands: numbers keep clear of it. */
    keep(x: number, y: number, text: string): void {
      taken.push({ x, y, half: text.length * 3.4 + 6 })
    },
    place(px: number, py: number, above: boolean, text: string, [top, bottom]: readonly [number, number]): Point {
      const half = text.length * 4.6 + 4
      const x = Math.min(width - half, Math.max(half, px))
      const first = above ? [py - 12, py + 33] : [py + 33, py - 12]
      const candidates = [0, 1, 2, 3].flatMap((k) => first.map((y) => y + Math.sign(y - py) * 17 * k))
      const y =
        candidates.find((at) => at > top + 14 && at < bottom - 3 && free(x, at, half)) ??
        candidates.find((at) => free(x, at, half)) ??
        first[0] ??
        py
      taken.push({ x, y, half })
      return [x, y]
    },
  }
}

function addToSpot(spots: Map<string, Spot>, id: string, first: { label: string; at: Point }, shapes: Shape[]): void {
  const spot = spots.get(id) ?? { id, ...first, shapes: [] }
  spot.shapes.push(...shapes)
  spots.set(id, spot)
}

/** The part of a stroke that lies between two heights, so that it does not run into the other plane. */
function withinBand(from: Point, to: Point, top: number, bottom: number): Point[] {
  const cut = (p: Point, q: Point): Point => {
    const y = Math.min(bottom, Math.max(top, p[1]))
    return y === p[1] || p[1] === q[1] ? [p[0], y] : [p[0] + ((y - p[1]) / (q[1] - p[1])) * (q[0] - p[0]), y]
  }
  return [cut(from, to), cut(to, from)]
}

/** The moved shaft's two ends by the coarse position, a plane; nothing where it was not measured or readings say better. */
function coarseEnds(solved: JobSolution, coarse: RoughState | undefined) {
  if (!coarse || solved.solution.couplings.some(({ result }) => result.ok)) return []
  const [from, to] = shaftEnds(solved.train, coarse.moves)
  const sign = coarse.moves === 1 ? 1 : -1
  return planes.flatMap((plane) => {
    const { offset, slope } = coarse.position[plane]
    if (offset === null && slope === null) return []
    const value = (x: number) => sign * ((offset ?? 0) + (slope ?? 0) * x)
    return [{ plane, xs: [from, to] as const, values: [value(from), value(to)] as const }]
  })
}

/** A foot's numbers in both planes, in words. */
function footLabel(id: string, solved: JobSolution, terms: Terms): string {
  const found = solved.solution.feet.find((foot) => foot.foot === id)
  const told = planes.flatMap((plane) => {
    const known = found?.[plane]
    return known ? [`${place(known.position, plane, terms)} ${unitName[terms.unit]}`] : []
  })
  return `${capital(footName(id, terms))}: ${told.length ? told.join(', ') : 'not measured'}`
}

function hatching(from: Point, to: Point): Shape[] {
  const base: Shape = { kind: 'line', role: 'hatch', points: [from, to] }
  const [start, end] = from[0] < to[0] ? [from, to] : [to, from]
  const count = Math.max(2, Math.round((end[0] - start[0]) / 24))
  const strokes = Array.from({ length: count }, (_, i): Shape => {
    const x = start[0] + ((i + 0.5) * (end[0] - start[0])) / count
    return {
      kind: 'line',
      role: 'hatch',
      points: [
        [x + 4, start[1]],
        [x - 4, start[1] + 7],
      ],
    }
  })
  return [base, ...strokes]
}

/** The bar: a round length in the shown unit, as long as it is drawn. */
function scaleBar(solved: JobSolution, terms: Terms, { width }: SightOptions, sheet: Sheet): Shape[] {
  if (!solved.solution.couplings.some(({ result }) => result.ok)) return []
  const inUnit = fromMm(28 / sheet.pxPerMm, terms.unit)
  const power = 10 ** Math.floor(Math.log10(inUnit))
  const round = [1, 2, 5, 10].map((k) => k * power).findLast((k) => k <= inUnit * 1.25) ?? power
  const px = (round / fromMm(1, terms.unit)) * sheet.pxPerMm
  const small = width < 600
  const x = small ? 22 : width - 92
  const top = small ? 30 : 22
  const decimals = Math.max(0, -Math.floor(Math.log10(round) + 1e-9))
  return [
    {
      kind: 'line',
      role: 'scale',
      points: [
        [x - 5, top],
        [x + 5, top],
      ],
    },
    {
      kind: 'line',
      role: 'scale',
      points: [
        [x, top],
        [x, top + px],
      ],
    },
    {
      kind: 'line',
      role: 'scale',
      points: [
        [x - 5, top + px],
        [x + 5, top + px],
      ],
    },
    {
      kind: 'text',
      role: 'small',
      at: [x + 10, top + px / 2 + 4],
      anchor: 'start',
      text: `${formatNumber(round, decimals)} ${unitName[terms.unit]}${small ? `, drawn ×${formatNumber(sheet.magnification, 0)}` : ''}`,
    },
    ...(small
      ? []
      : [
          {
            kind: 'text',
            role: 'small',
            at: [width - 14, top + px + 18],
            anchor: 'end',
            text: `drawn ×${formatNumber(sheet.magnification, 0)}`,
          } as const,
        ]),
  ]
}
