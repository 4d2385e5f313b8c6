/** The two planes an alignment is worked in: vertical (z, up) and horizontal (y, toward the far side). */
export type Plane = 'vertical' | 'horizontal'

export const planes: readonly Plane[] = ['vertical', 'horizontal']

/** A straight line in one plane: `offset` (mm) at the station it is stated for, `slope` in mm per mm (rad). */
export interface PlaneLine {
  offset: number
  slope: number
}

/** A line in both planes, stated at a station the context names (a coupling's x, or x = 0). */
export type Axis = Record<Plane, PlaneLine>

export const lineAt = (line: PlaneLine, distance: number): number => line.offset + line.slope * distance

export const straight: PlaneLine = { offset: 0, slope: 0 }

/**
 * The line through points (x, value), by least squares: exact through two stations, level through one.
 * Used where several feet of one machine say how its axis moves (growth, held feet).
 */
export function lineThrough(points: readonly { x: number; value: number }[], at: number): PlaneLine {
  const n = points.length
  if (n === 0) return straight
  const meanX = points.reduce((sum, p) => sum + p.x, 0) / n
  const meanValue = points.reduce((sum, p) => sum + p.value, 0) / n
  const spread = points.reduce((sum, p) => sum + (p.x - meanX) ** 2, 0)
  const slope = spread < 1e-9 ? 0 : points.reduce((sum, p) => sum + (p.x - meanX) * (p.value - meanValue), 0) / spread
  return { offset: meanValue + slope * (at - meanX), slope }
}
