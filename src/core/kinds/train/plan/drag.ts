import { type PlaneProblem, unit } from '../../../least/problem'
import { lineAt, type PlaneLine } from '../../../quantity/axis'

/** A line that was dragged, and the foot whose limit stopped it. */
export interface Dragged {
  line: PlaneLine
  stoppedBy: { foot: string; limit: 'down' | 'up' | 'near' | 'far' } | undefined
}

/**
 * The target line with one of its points dragged to `value`, the line turning about another point; held back where a foot
 * reaches its limit. A foot that is beyond its limit already holds nothing back: it can only be brought nearer.
 *
 * @param line running, at x = 0, mm from the fixed machine's cold axis
 * @param at station of the point that is dragged, mm
 * @param pivot station of the point that stays, mm
 */
export function dragLine(
  problem: PlaneProblem,
  line: PlaneLine,
  { at, pivot, value }: { at: number; pivot: number; value: number },
): Dragged {
  const now = lineAt(line, at)
  let [low, high] = [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY]
  let stops: { low?: Dragged['stoppedBy']; high?: Dragged['stoppedBy'] } = {}
  for (const station of problem.stations) {
    const x = problem.middle + station.u * problem.halfSpan
    const share = (x - pivot) / (at - pivot)
    if (Math.abs(share) < 1e-9) continue
    const move = lineAt(line, x) - station.present * unit
    // the dragged point's own travel until this foot is at its stop, either way
    const to = [station.low, station.high].map((stop) => ({ travel: (stop.at * unit - move) / share, stop }))
    const [down, up] = share > 0 ? to : [to[1], to[0]]
    if (!down || !up || down.travel > 0 || up.travel < 0) continue
    if (down.travel > low) {
      low = down.travel
      stops = { ...stops, low: { foot: down.stop.foot, limit: down.stop.way } }
    }
    if (up.travel < high) {
      high = up.travel
      stops = { ...stops, high: { foot: up.stop.foot, limit: up.stop.way } }
    }
  }
  const wanted = value - now
  const travel = Math.min(high, Math.max(low, wanted))
  const slope = line.slope + travel / (at - pivot)
  return {
    line: { offset: lineAt(line, pivot) - slope * pivot, slope },
    stoppedBy: travel < wanted ? stops.high : travel > wanted ? stops.low : undefined,
  }
}
