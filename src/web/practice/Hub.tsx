import { type PointerEvent, useRef } from 'react'
import styled from 'styled-components'
import { practiceWords as words } from '../../words/practice'

const Drawing = styled.svg`
  width: 100%; max-width: 300px; display: block; touch-action: none; cursor: grab; &:active { cursor: grabbing; }
  text { fill: var(--muted); font-size: 12px; text-anchor: middle; dominant-baseline: central; }
`

/**
 * The shaft's end as the person stands: the dial turns with it round the hub. Dragged or wheeled it turns; the slider beside it
 * does the same by keys.
 */
export function Hub({
  turned,
  onTurn,
  stops,
}: {
  turned: number
  onTurn: (degrees: number) => void
  /** A pipe in the way: how far it turns toward each side, degrees from the top. */
  stops?: { near: number; far: number } | undefined
}) {
  const drawing = useRef<SVGSVGElement>(null)
  const follow = (event: PointerEvent) => {
    const box = drawing.current?.getBoundingClientRect()
    if (!box || event.buttons === 0) return
    const [x, y] = [event.clientX - box.left - box.width / 2, event.clientY - box.top - box.height / 2]
    onTurn(Math.round((Math.atan2(x, -y) * 180) / Math.PI + 360) % 360)
  }
  return (
    <Drawing
      ref={drawing}
      viewBox="-110 -110 220 220"
      aria-hidden="true"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        follow(event)
      }}
      onPointerMove={follow}
      onWheel={(event) => onTurn((turned + Math.sign(event.deltaY) * 5 + 360) % 360)}
    >
      {(['0', '90', '180', '270'] as const).map((at) => {
        const angle = (Number(at) * Math.PI) / 180
        return (
          <text key={at} x={98 * Math.sin(angle)} y={-100 * Math.cos(angle)}>
            {words.quarterNames[at]}
          </text>
        )
      })}
      {stops ? <InTheWay near={stops.near} far={stops.far} /> : null}
      <circle r={46} fill="var(--body)" stroke="var(--ink)" strokeWidth={3} />
      <circle r={14} fill="var(--card)" stroke="var(--ink)" strokeWidth={2} />
      <g transform={`rotate(${turned})`}>
        {/* the keyway turns with it, and the bracket that holds the dial over the hub */}
        <rect x={-4} y={-18} width={8} height={8} fill="var(--ink)" />
        <line y1={-46} y2={-62} stroke="var(--kelp)" strokeWidth={3} />
        <circle cy={-74} r={13} fill="var(--card)" stroke="var(--kelp)" strokeWidth={3} />
        <line y1={-74} y2={-84} stroke="var(--kelp)" strokeWidth={2} />
      </g>
    </Drawing>
  )
}

const onCircle = (degrees: number, radius: number): string => {
  const angle = (degrees * Math.PI) / 180
  return `${(radius * Math.sin(angle)).toFixed(2)} ${(-radius * Math.cos(angle)).toFixed(2)}`
}

/** Where the bracket can't go. */
const InTheWay = ({ near, far }: { near: number; far: number }) => (
  <>
    <path
      d={`M${onCircle(far + 12, 74)} A74 74 0 ${near + far < 156 ? 1 : 0} 1 ${onCircle(-near - 12, 74)}`}
      fill="none"
      stroke="var(--rule)"
      strokeWidth={22}
    />
    <text y={74}>{words.inTheWay}</text>
  </>
)
