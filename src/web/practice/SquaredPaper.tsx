import { type PointerEvent, type ReactNode, useRef } from 'react'
import styled from 'styled-components'

const Paper = styled.svg`
  width: 100%; max-width: 900px; display: block; touch-action: none;
  text { fill: var(--muted); font-size: 13px; } .end { text-anchor: end; } .middle { text-anchor: middle; }
`

/** How many squares there are, along the paper and on either side of the middle line, and where its left edge lies, in squares. */
export interface Squares {
  along: number
  up: number
  from: number
}

const size = 12

/** A place on the paper in px: squares along from its own nought, squares up from the middle line. */
export const onPaper = ({ from, up }: Squares, x: number, y: number): readonly [x: number, y: number] => [
  (x - from) * size,
  (up - y) * size,
]

/** Squared paper, every fifth line heavier. `onPoint`: told in squares where it is pressed and drawn. */
export function SquaredPaper(props: {
  squares: Squares
  label?: string | undefined
  onPoint?: ((x: number, y: number) => void) | undefined
  children?: ReactNode
}) {
  const { squares, onPoint } = props
  const { along, up, from } = squares
  const paper = useRef<SVGSVGElement>(null)
  const [width, height] = [along * size, 2 * up * size]
  const point = (event: PointerEvent) => {
    const box = paper.current?.getBoundingClientRect()
    if (!box || !onPoint || event.buttons === 0) return
    const scale = width / box.width
    onPoint(((event.clientX - box.left) * scale) / size + from, up - ((event.clientY - box.top) * scale) / size)
  }
  const line = (n: number, heavy: boolean, d: string) => (
    <path key={n} d={d} stroke="var(--rule)" strokeWidth={heavy ? 1.1 : 0.45} fill="none" />
  )
  return (
    <Paper
      ref={paper}
      viewBox={`0 0 ${width} ${height}`}
      role={props.label ? 'img' : undefined}
      aria-label={props.label}
      aria-hidden={props.label ? undefined : true}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        point(event)
      }}
      onPointerMove={point}
    >
      {Array.from({ length: along + 1 }, (_, i) => line(i, (i + from) % 5 === 0, `M${i * size} 0V${height}`))}
      {Array.from({ length: 2 * up + 1 }, (_, i) => line(1000 + i, (i - up) % 5 === 0, `M0 ${i * size}H${width}`))}
      <path d={`M0 ${up * size}H${width}`} stroke="var(--ink)" strokeWidth={1.6} />
      {props.children}
    </Paper>
  )
}
