import { machineDoubted } from '../../core/kinds/train/advice/doubt'
import { shaftEnds } from '../../core/kinds/train/document/ends'
import { positionAt } from '../../core/kinds/train/solve/positions'
import type { JobSolution } from '../../core/kinds/train/solve/round'
import { probeKinds } from '../../core/probes'
import { type Plane, planes } from '../../core/quantity/axis'
import { t } from '../../words/language'
import { machineName, place, sideName, stateName, type Terms } from '../../words/terms'
import { type Box, placeLabels, placesRound, type Wanted } from '../labels'
import { fitted, type Point, type Scene, type Shape, type Spot } from '../scene'
import { addToSpot, footLabel, hatching, markOf, scaleBar, withinBand } from './lineParts'
import { grows, planHandles, planShapes } from './linePlan'
import { coarseEnds, type LineDrawingOptions, layOut, type Sheet } from './sheet'

/**
 * The line in both planes: one x scale for both, misalignment magnified by a factor that is written beside a scale bar.
 * Everything shown comes from the solution; nothing is worked out here but where it lies on the paper.
 */
export function lineDrawing(solved: JobSolution, terms: Terms, options: LineDrawingOptions): Scene {
  const sheet = layOut(solved, options)
  const under = options.under?.(solved, terms, options, sheet) ?? []
  const shapes: Shape[] = []
  const spots = new Map<string, Spot>()
  const wanted: Wanted[] = []
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
      text: plane === 'vertical' ? t`ELEVATION` : t`PLAN, ${sideName(options.flipped ? 'near' : 'far', terms)} side up`,
    })
    drawPlane(plane, solved, terms, options, sheet, wanted, shapes, spots)
  })
  shapes.push(...scaleBar(solved, terms, options, sheet))
  if (options.plan?.plan.known && options.width >= 600)
    shapes.push({
      kind: 'text',
      role: 'small',
      at: [options.width / 2, 17],
      anchor: 'middle',
      text: grows(solved) ? t`thick now · thin target · dotted running` : t`thick now · thin target`,
    })
  placeLabels(wanted, [...shapes, ...[...spots.values()].flatMap((spot) => spot.shapes)])
  const { plan } = options
  return {
    width: options.width,
    height: options.height,
    shapes: [...under, ...shapes],
    spots: [...spots.values()],
    handles: plan?.draggable ? planHandles(plan, solved, terms, sheet) : [],
  }
}

function drawPlane(
  plane: Plane,
  solved: JobSolution,
  terms: Terms,
  options: LineDrawingOptions,
  sheet: Sheet,
  wanted: Wanted[],
  shapes: Shape[],
  spots: Map<string, Spot>,
): void {
  const { train, solution } = solved
  const ends = train.machines.map((_, m) => shaftEnds(train, m))
  const from = Math.min(...ends.flat())
  const to = Math.max(...ends.flat())
  const at = (x: number, mm: number): Point => [sheet.x(x), sheet.y(plane, mm)]
  const band = [sheet.bandTop(plane), sheet.bandTop(plane) + options.height / 2] as const
  const within: Box = { left: 2, top: band[0] + 2, right: options.width - 2, bottom: band[1] - 2 }
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
    const half = 24
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
    const planned = options.plan?.plan.stations.filter((station) => station.machine === machine.id)
    const stays = planned?.length ? planned.every((one) => !one.vertical && !one.horizontal) : fixed
    const under: Point = [sheet.x((body[0] + body[1]) / 2), band[1] - 6]
    // up to the coupling on either side, or to the edge of the sheet
    const walls = [m === 0 ? undefined : a, m === train.machines.length - 1 ? undefined : b].map((x) =>
      x === undefined ? Math.min(under[0], options.width - under[0]) : Math.abs(sheet.x(x) - under[0]),
    )
    const state = (links: unknown) => (stays ? t`fixed` : links ? t`moved` : t`not measured`)
    const after = `, ${state(links)}`
    // the plan stands right below the elevation: it names a machine again only where it says something else of it
    if (plane === 'vertical' || state(links) !== state(solution.chains.vertical[m]))
      wanted.push({
        role: 'name',
        text: fitted(machineName(machine.id, terms), after, 2 * Math.min(...walls)),
        mark: under,
        places: [under[1], band[0] + 15].flatMap((y) =>
          [0, 14, -14, 28, -28, 42, -42].map((dx): Point => [under[0] + dx, y]),
        ),
        weight: 2,
        within,
        put: (made) => shapes.push(...made.filter(({ kind }) => kind === 'text')),
      })

    for (const foot of machine.feet) {
      const found = solution.feet.find((f) => f.foot === foot.id)
      const [px, py] = at(foot.x, value(foot.x))
      const own: Shape[] = []
      const spot = { label: footLabel(foot.id, solved, terms), at: [px, py] as Point }
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
      // with many machines only the foot that stands off most is written out; pointing tells the others
      const most = Math.max(...machine.feet.map((one) => Math.abs(value(one.x))))
      const spoken = train.machines.length <= 3 || Math.abs(value(foot.x)) >= most - 1e-9
      if (!fixed && known && spoken) {
        const above = py <= zero
        const text = place(known.position, plane, terms)
        wanted.push({
          role: 'number',
          text,
          mark: [px, py],
          places: placesRound([px, py], text, 'number', above),
          // the foot that stands off most is told first
          weight: 1 + Math.abs(known.position) / (1 + Math.abs(known.position)),
          within,
          put: (made) => addToSpot(spots, foot.id, spot, made),
        })
      }
      addToSpot(spots, foot.id, spot, own)
    }
  })

  if (options.plan) shapes.push(...planShapes(options.plan, solved, plane, sheet, band))

  for (const { plane: of, xs, values } of coarseEnds(solved, options.coarse)) {
    if (of !== plane) continue
    shapes.push({ kind: 'line', role: 'ghost', points: [at(xs[0], values[0]), at(xs[1], values[1])] })
    const [mx, my] = at((xs[0] + xs[1]) / 2, (values[0] + values[1]) / 2)
    wanted.push({
      role: 'small',
      text: t`roughly`,
      mark: [mx, my],
      places: placesRound([mx, my], t`roughly`, 'small', true),
      weight: 1,
      within,
      put: (made) => shapes.push(...made),
    })
  }

  for (const dial of solved.dials) {
    if (dial.channel && dial.channel !== 'r1') continue // one mark a detector
    const { mark, stations } = probeKinds[dial.dial.type]
    const x = solved.stations.x.get(stations === 0 ? dial.set.coupling : dial.dial.id)
    const m = train.machines.findIndex((machine) => machine.id === dial.dial.on)
    if (x === undefined || m < 0) continue
    const links = solution.chains[plane][m]
    const [px, py] = at(x, links ? positionAt(links, x).value : 0)
    addToSpot(spots, dial.dial.id, { label: stateName(dial, terms), at: [px, py] }, [
      {
        kind: 'area',
        role: 'dial',
        points: markOf(mark, px, py),
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
