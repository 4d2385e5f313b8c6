import { useDrag } from '@use-gesture/react'
import { useRef } from 'react'
import styled from 'styled-components'
import type { Handle } from '../../drawing/scene'

/** A handle was dragged to a value (mm), or let go there. */
export type DragHandle = (handle: Handle, value: number, done: boolean) => void

const Hold = styled.g`
  cursor: ns-resize; touch-action: none; outline: none;
  .grip { fill: var(--card); stroke: var(--kelp); stroke-width: 2; } .reach { fill: transparent; }
  &:hover .grip, &:focus-visible .grip { fill: var(--kelp); } &:focus-visible .reach { stroke: var(--kelp); stroke-width: 2; }
`

/** A point of the target line: dragged up and down, or moved with the arrow keys, a hundredth at a time. */
export function Grip({ handle, onDrag }: { handle: Handle; onDrag?: DragHandle | undefined }) {
  const from = useRef(handle.value)
  const bind = useDrag(
    ({ first, last, movement: [, dy], currentTarget }) => {
      if (first) from.current = handle.value
      // px of the page to px of the drawing, which may be scaled to its frame
      const svg = (currentTarget as SVGGElement).ownerSVGElement
      const scale = svg ? svg.viewBox.baseVal.height / svg.getBoundingClientRect().height : 1
      onDrag?.(handle, from.current + dy * scale * handle.mmPerPx, last)
    },
    { axis: 'y', pointer: { keys: false }, filterTaps: true },
  )
  const [x, y] = handle.at
  const step = (by: number) => onDrag?.(handle, handle.value + by, true)
  return (
    <Hold
      {...bind()}
      role="slider"
      tabIndex={0}
      aria-label={handle.label}
      aria-valuenow={Math.round(handle.value * 1000) / 1000}
      aria-valuetext={handle.told}
      aria-orientation="vertical"
      data-handle={handle.id}
      onKeyDown={(event) => {
        const up = handle.mmPerPx < 0 ? 1 : -1
        if (event.key === 'ArrowUp') step(up * 0.01)
        else if (event.key === 'ArrowDown') step(-up * 0.01)
        else return
        event.preventDefault()
      }}
    >
      <circle className="reach" cx={x} cy={y} r={20} />
      {handle.end ? (
        <rect className="grip" x={x - 6} y={y - 6} width={12} height={12} transform={`rotate(45 ${x} ${y})`} />
      ) : (
        <circle className="grip" cx={x} cy={y} r={4.5} />
      )}
    </Hold>
  )
}
