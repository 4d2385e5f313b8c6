import { probeKinds } from '../../../probes'
import type { ProbeSetUp } from '../../../shafts/schema'
import type { Line } from './schema'
import type { Stations } from './stations'

/** A dimension that can be placed but is unlikely or impossible. Lengths in mm. */
export interface DimensionDoubt {
  kind:
    | 'foot-across-coupling'
    | 'feet-backwards'
    | 'one-station'
    | 'inch-or-mm'
    | 'dial-wrong-side'
    | 'dial-behind-feet'
  /** Id of the foot or dial. */
  of: string
  /** How far from its coupling (or the other foot) it came out, mm. */
  distance: number
}

/** From a coupling to the feet of the machines beside it. Outside this a slip of unit is likelier than the machine. */
const likely = { least: 30, most: 4000 }

/** What is odd about the dimensions of a line and its dials. */
export function doubtDimensions(line: Line, stations: Stations, dials: readonly ProbeSetUp[] = []): DimensionDoubt[] {
  const doubts: DimensionDoubt[] = []
  const { x } = stations
  line.machines.forEach((machine, m) => {
    const [before, after] = [line.couplings[m - 1], line.couplings[m]]
    const placed = machine.feet.flatMap((foot) => {
      const at = x.get(foot.id)
      return at === undefined ? [] : [{ id: foot.id, at }]
    })
    for (const { id, at } of placed) {
      const clear = [
        ...(before ? [at - (x.get(before.id) ?? Number.NaN)] : []),
        ...(after ? [(x.get(after.id) ?? Number.NaN) - at] : []),
      ].filter(Number.isFinite)
      const nearest = Math.min(...clear)
      if (nearest <= 0) doubts.push({ kind: 'foot-across-coupling', of: id, distance: nearest })
      else if (nearest < likely.least || nearest > likely.most)
        doubts.push({ kind: 'inch-or-mm', of: id, distance: nearest })
    }
    const [first, second] = placed
    if (!first || !second) return
    if (Math.abs(first.at - second.at) < 1) doubts.push({ kind: 'one-station', of: second.id, distance: 0 })
    // At either end of the train feet are listed from the coupling outward; in the middle from left to right.
    const outward = m === 0 ? -1 : 1
    const onwards = outward * (second.at - first.at)
    if (onwards <= -1) doubts.push({ kind: 'feet-backwards', of: second.id, distance: onwards })
  })
  for (const dial of dials) {
    const at = x.get(dial.id)
    const m = line.machines.findIndex((machine) => machine.id === dial.on)
    const coupling = nearestCoupling(line, dial.station.from, m)
    const from = coupling && x.get(coupling.id)
    if (at === undefined || from === undefined || m < 0) continue
    const side = coupling && line.couplings.indexOf(coupling) === m ? -1 : 1
    const out = side * (at - from)
    const front = Math.min(
      ...(line.machines[m]?.feet ?? []).map((foot) => side * ((x.get(foot.id) ?? Number.POSITIVE_INFINITY) - from)),
    )
    if (out < 0) doubts.push({ kind: 'dial-wrong-side', of: dial.id, distance: out })
    else if (!probeKinds[dial.type].inside && front > 0 && out > front)
      doubts.push({ kind: 'dial-behind-feet', of: dial.id, distance: out })
  }
  return doubts
}

function nearestCoupling(line: Line, from: string, machine: number) {
  return (
    line.couplings.find((coupling) => coupling.id === from) ?? line.couplings[machine] ?? line.couplings[machine - 1]
  )
}
