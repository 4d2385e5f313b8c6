import { useEffect, useRef } from 'react'
import type { Point } from '../../drawing/scene'
import type { StripDrawing } from '../../drawing/strip'
import type { LiveTraces } from './live'

/** Many small dots as one path. */
export const dots = (points: readonly Point[]): string =>
  points.map(([x, y]) => `M${x.toFixed(1)} ${y.toFixed(1)}h0`).join('')

/** The trace that a device is drawing and where its shaft stands, put straight into the drawing, frame by frame. */
export function LiveLayer(props: {
  id: string
  traces: LiveTraces
  strip: StripDrawing
  /** The trace has left the paper: more of it is wanted. */
  onReach: (low: number, high: number) => void
}) {
  const { id, traces } = props
  const path = useRef<SVGPathElement>(null)
  const now = useRef<SVGLineElement>(null)
  const latest = useRef(props)
  latest.current = props
  useEffect(() => {
    const draw = () => {
      const trace = traces.get(id)
      const { strip, onReach } = latest.current
      const points: Point[] = []
      let low = Number.POSITIVE_INFINITY
      let high = Number.NEGATIVE_INFINITY
      trace?.bins.forEach((value, degree) => {
        if (value === undefined) return
        low = Math.min(low, value)
        high = Math.max(high, value)
        points.push([strip.x(degree + 0.5), strip.y(value)])
      })
      path.current?.setAttribute('d', dots(points))
      const at = trace ? strip.x(((trace.angle % 360) + 360) % 360).toFixed(1) : '-9'
      now.current?.setAttribute('x1', at)
      now.current?.setAttribute('x2', at)
      if (low < strip.low || high > strip.high) onReach(low, high)
    }
    draw()
    return traces.subscribe(id, draw)
  }, [id, traces])
  return (
    <g>
      <path ref={path} stroke="var(--kelp)" strokeWidth={3.5} strokeLinecap="round" />
      <line ref={now} x1={-9} x2={-9} y1={0} y2={props.strip.height} stroke="var(--kelp)" strokeWidth={2} />
    </g>
  )
}
