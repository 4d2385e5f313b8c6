import { shaftEnds } from '../../core/kinds/train/document/ends'
import type { Line } from '../../core/kinds/train/document/schema'
import { placeStations } from '../../core/kinds/train/document/stations'
import { toTrain } from '../../core/kinds/train/document/typed'
import { linear } from '../scale'
import type { Shape } from '../scene'

/** One dimension line: from a reference to a station, in px, with its level below the train. */
export interface ChainLink {
  /** The station it places. */
  of: string
  from: string
  x1: number
  x2: number
  y: number
}

export interface ChainDrawing {
  width: number
  height: number
  shapes: Shape[]
  links: ChainLink[]
  names: { machine: string; x: number; y: number }[]
  /** Where each machine's body and each coupling lies, to be pointed at: its middle, and half its width. */
  parts: { id: string; x: number; y: number; half: number }[]
}

/** Distances, mm, drawn where none is typed yet, so that there is something to dimension. */
const usual = { front: 250, back: 420, coupling: 250 }

/**
 * The train to scale with its chain of dimensions, as a draftsman would: one dimension line a station, packed on as few
 * levels as fit. Stations without a distance are drawn where they usually are.
 *
 * @param cell px that the number of each dimension needs
 */
export function chainDrawing(line: Line, width: number, cell: number, flipped: boolean): ChainDrawing {
  const filled = withUsualDistances(line)
  const { x } = placeStations(filled)
  const { train } = toTrain(filled, { id: '', takenAt: '', by: '', sets: [] })
  const ends = train.machines.flatMap((_, m) => shaftEnds(train, m))
  const paper: [number, number] = [cell / 2 + 16, width - cell / 2 - 16]
  const scale = linear([Math.min(...ends), Math.max(...ends)], flipped ? [paper[1], paper[0]] : paper)
  const at = (id: string) => scale(x.get(id) ?? 0)
  const axis = 64
  const shapes: Shape[] = []
  const names: ChainDrawing['names'] = []
  const parts: ChainDrawing['parts'] = []

  line.machines.forEach((machine, m) => {
    const [a, b] = shaftEnds(train, m)
    const feet = machine.feet.map((foot) => at(foot.id))
    const [left, right] = [Math.min(...feet, scale(b)) - 16, Math.max(...feet, scale(a)) + 16]
    const body: [number, number] = feet.length ? [Math.min(...feet) - 16, Math.max(...feet) + 16] : [left, right]
    shapes.push({
      kind: 'area',
      role: 'body',
      points: [
        [body[0], axis - 40],
        [body[1], axis - 40],
        [body[1], axis + 34],
        [body[0], axis + 34],
      ],
    })
    if (machine.id === line.fixed)
      for (let px = body[0] + 8; px < body[1]; px += 22)
        shapes.push({
          kind: 'line',
          role: 'hatch',
          points: [
            [px + 4, axis + 34],
            [px - 4, axis + 42],
          ],
        })
    shapes.push({
      kind: 'line',
      role: 'shaft',
      points: [
        [scale(a), axis],
        [scale(b), axis],
      ],
    })
    for (const px of feet)
      shapes.push({
        kind: 'area',
        role: 'foot',
        points: [
          [px, axis + 20],
          [px - 7, axis + 34],
          [px + 7, axis + 34],
        ],
      })
    names.push({ machine: machine.id, x: (body[0] + body[1]) / 2, y: axis - 18 })
    parts.push({ id: machine.id, x: (body[0] + body[1]) / 2, y: axis - 3, half: Math.max(22, (body[1] - body[0]) / 2) })
  })
  for (const coupling of line.couplings) {
    const px = at(coupling.id)
    parts.push({ id: coupling.id, x: px, y: axis - 3, half: 22 })
    for (const sign of [-1, 1])
      shapes.push({
        kind: 'line',
        role: 'gate',
        points: [
          [px + sign * 5, axis - 16],
          [px + sign * 5, axis + 16],
        ],
      })
  }

  const stations = [...line.couplings, ...line.machines.flatMap((machine) => machine.feet)]
  const spans = stations.flatMap((one) => {
    if (!one.station) return []
    const [x1, x2] = [at(one.station.from), at(one.id)]
    const middle = (x1 + x2) / 2
    const half = Math.max(Math.abs(x2 - x1), cell) / 2 + 6
    return [{ of: one.id, from: one.station.from, x1, x2, reach: [middle - half, middle + half] as const }]
  })
  const levels: (readonly [number, number])[][] = []
  const first = axis + 74
  const links = [...spans]
    .sort((a, b) => Math.abs(a.x2 - a.x1) - Math.abs(b.x2 - b.x1))
    .map(({ of, from, x1, x2, reach }): ChainLink => {
      let level = levels.findIndex((taken) => taken.every(([lo, hi]) => reach[1] <= lo || reach[0] >= hi))
      if (level < 0) level = levels.push([]) - 1
      levels[level]?.push(reach)
      return { of, from, x1, x2, y: first + level * 52 }
    })
  // in the order a tape is pulled: as the stations are listed
  links.sort((a, b) => stations.findIndex((s) => s.id === a.of) - stations.findIndex((s) => s.id === b.of))
  for (const { x1, x2, y } of links) {
    const [low, high] = [Math.min(x1, x2), Math.max(x1, x2)]
    for (const px of [low, high]) {
      shapes.push({
        kind: 'line',
        role: 'divider',
        points: [
          [px, axis + 44],
          [px, y + 6],
        ],
      })
      shapes.push({
        kind: 'line',
        role: 'scale',
        points: [
          [px - 5, y + 5],
          [px + 5, y - 5],
        ],
      })
    }
    shapes.push({
      kind: 'line',
      role: 'scale',
      points: [
        [low - 6, y],
        [high + 6, y],
      ],
    })
  }
  return { width, height: first + Math.max(1, levels.length) * 52 - 10, shapes, links, names, parts }
}

function withUsualDistances(line: Line): Line {
  const known = placeStations(line).x
  const filled = <T extends { id: string; station?: Line['couplings'][number]['station'] }>(one: T, mm: number): T =>
    one.station && !known.has(one.id)
      ? { ...one, station: { ...one.station, distance: { text: String(mm), unit: 'mm' } } }
      : one
  return {
    ...line,
    couplings: line.couplings.map((coupling) => filled(coupling, usual.coupling)),
    machines: line.machines.map((machine) => ({
      ...machine,
      feet: machine.feet.map((foot, i) => filled(foot, i === 0 ? usual.front : usual.back)) as typeof machine.feet,
    })),
  }
}
