import { memo, useState } from 'react'
import styled from 'styled-components'
import type { Point, Role, Scene, Shape } from '../../drawing/scene'
import { part } from '../app/part'
import { mono } from '../app/style'
import { PegShape } from '../parts/Peg'
import type { DragHandle } from './Grip'

/** Only a drawing with something to drag needs what drags. */
const Grip = part(async () => (await import('./Grip')).Grip)

const look: Record<Role, React.SVGProps<SVGPolylineElement>> = {
  shaft: { stroke: 'var(--ink)', strokeWidth: 4, strokeLinecap: 'round' },
  'shaft-fixed': { stroke: 'var(--ink)', strokeWidth: 4, strokeLinecap: 'round' },
  'shaft-doubtful': { stroke: 'var(--ink)', strokeWidth: 1.5, strokeDasharray: '7 4' },
  ghost: { stroke: 'var(--muted)', strokeWidth: 1.25, strokeDasharray: '10 5', opacity: 0.8 },
  reference: { stroke: 'var(--muted)', strokeWidth: 1, strokeDasharray: '1.5 4', strokeLinecap: 'round' },
  fan: { fill: 'var(--ink)', opacity: 0.11 },
  body: { stroke: 'var(--rule)', strokeWidth: 1, fill: 'var(--body)', fillOpacity: 0.75 },
  hatch: { stroke: 'var(--muted)', strokeWidth: 1 },
  foot: { fill: 'var(--ink)' },
  gap: { stroke: 'var(--outside)', strokeWidth: 2 },
  gate: { stroke: 'var(--kelp)', strokeWidth: 2, strokeLinejoin: 'round' },
  dial: { fill: 'var(--kelp)' },
  divider: { stroke: 'var(--rule)', strokeWidth: 1, strokeDasharray: '2 4' },
  scale: { stroke: 'var(--ink)', strokeWidth: 1.25 },
  target: { stroke: 'var(--kelp)', strokeWidth: 2.25, strokeLinecap: 'round' },
  running: { stroke: 'var(--kelp)', strokeWidth: 1.75, strokeDasharray: '1 5', strokeLinecap: 'round' },
  live: { stroke: 'var(--unsure)', strokeWidth: 3, strokeLinecap: 'round' },
  stop: { stroke: 'var(--muted)', strokeWidth: 1.5 },
  square: { stroke: 'var(--rule)', strokeWidth: 0.5 },
  'square-fifth': { stroke: 'var(--rule)', strokeWidth: 1.2 },
  plotted: { fill: 'var(--unsure)', stroke: 'var(--card)', strokeWidth: 1 },
}

const Paper = styled.svg`
  display: block; width: 100%; height: auto; user-select: none;
  text { fill: var(--muted); font-size: 13px; paint-order: stroke; stroke: var(--card); stroke-width: 4px; stroke-linejoin: round; }
  .plane { font-size: 11.5px; letter-spacing: 0.06em; font-weight: 600; }
  .number { ${mono} fill: var(--ink); font-size: 15px; font-weight: 700; }
  .small { ${mono} font-size: 12px; }
  .spot { cursor: pointer; outline-offset: 4px; }
  .spot.chosen .ring { stroke: var(--kelp); }
  .ring { fill: transparent; stroke: transparent; stroke-width: 2; }
  .spot:focus-visible { outline: none; }
  .spot:focus-visible .ring { stroke: var(--kelp); stroke-width: 3; }
`

/** The line in both planes. Spots can be pointed at, focused and chosen; their numbers are then told below the drawing. */
export const Drawing = memo(function Drawing(props: {
  scene: Scene
  label: string
  chosen?: string | undefined
  onChoose?: (id: string) => void
  onDrag?: DragHandle
  /** Said under the drawing while it is there. */
  note?: string | undefined
}) {
  const { scene } = props
  const [pointed, setPointed] = useState<string>()
  const told = scene.spots.find((spot) => spot.id === (pointed ?? props.chosen))
  return (
    <Frame>
      <Paper viewBox={`0 0 ${scene.width} ${scene.height}`} aria-label={props.label} role="group">
        {named(scene.shapes).map(([name, shape]) => (
          <Drawn key={name} shape={shape} />
        ))}
        {scene.spots.map((spot) => (
          // biome-ignore lint/a11y/useSemanticElements: a button cannot live inside a drawing
          <g
            key={spot.id}
            className={spot.id === props.chosen ? 'spot chosen' : 'spot'}
            role="button"
            tabIndex={0}
            aria-label={spot.label}
            data-spot={spot.id}
            onPointerEnter={() => setPointed(spot.id)}
            onPointerLeave={() => setPointed(undefined)}
            onFocus={() => setPointed(spot.id)}
            onBlur={() => setPointed(undefined)}
            onClick={() => props.onChoose?.(spot.id)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === ' ') {
                event.preventDefault()
                props.onChoose?.(spot.id)
              }
            }}
          >
            {named(spot.shapes).map(([name, shape]) => (
              <Drawn key={name} shape={shape} />
            ))}
            <circle className="ring" cx={spot.at[0]} cy={spot.at[1]} r={22} />
          </g>
        ))}
        {scene.handles.map((handle) => (
          <Grip key={handle.id} handle={handle} onDrag={props.onDrag} />
        ))}
      </Paper>
      {props.note || told ? <Notice role="status">{props.note ?? told?.label}</Notice> : null}
    </Frame>
  )
})

const Frame = styled.div`position: relative; background: var(--card);`
const Notice = styled.div`
  position: absolute; left: 50%; bottom: 4px; transform: translateX(-50%); padding: 2px 10px; border: 1px solid var(--kelp);
  border-radius: 4px; background: var(--card); font-size: 13px; white-space: nowrap; max-width: 96%; overflow: hidden; text-overflow: ellipsis;
`

/** Drawn again only when it lies or says otherwise: most of the drawing stands still while readings are typed. */
export const Drawn = memo(
  ({ shape }: { shape: Shape }) => drawn(shape),
  (a, b) => sameShape(a.shape, b.shape),
)

function sameShape(a: Shape, b: Shape): boolean {
  if (a.kind === 'peg' || b.kind === 'peg')
    return a.kind === 'peg' && b.kind === 'peg' && a.peg === b.peg && samePoint(a.at, b.at) && a.size === b.size
  if (a.kind === 'text' || b.kind === 'text')
    return (
      a.kind === 'text' &&
      b.kind === 'text' &&
      a.text === b.text &&
      a.role === b.role &&
      a.anchor === b.anchor &&
      samePoint(a.at, b.at)
    )
  return (
    a.kind === b.kind &&
    a.role === b.role &&
    a.points.length === b.points.length &&
    a.points.every((point, i) => samePoint(point, b.points[i] ?? [0, 0]))
  )
}

const samePoint = (a: Point, b: Point): boolean => a[0] === b[0] && a[1] === b[1]

/**
 * Each shape by what it is for and the how-manieth of those it is: a line more or less of one sort, as a plan or a label brings,
 * leaves the others where they stand in the document.
 */
export function named(shapes: readonly Shape[]): [name: string, shape: Shape][] {
  const seen = new Map<string, number>()
  return shapes.map((shape) => {
    const sort = shape.kind === 'peg' ? shape.kind : `${shape.kind} ${shape.role}`
    const before = seen.get(sort) ?? 0
    seen.set(sort, before + 1)
    return [`${sort} ${before}`, shape]
  })
}

function drawn(shape: Shape) {
  if (shape.kind === 'peg') return <PegShape x={shape.at[0]} y={shape.at[1]} size={shape.size} peg={shape.peg} />
  if (shape.kind === 'text')
    return (
      <text className={shape.role} x={shape.at[0]} y={shape.at[1]} textAnchor={shape.anchor}>
        {shape.text}
      </text>
    )
  const points = shape.points.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ')
  if (shape.kind === 'area') return <polygon points={points} {...(look[shape.role] as object)} />
  return <polyline points={points} fill="none" {...look[shape.role]} />
}
