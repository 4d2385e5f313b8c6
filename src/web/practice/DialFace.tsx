import { memo, useEffect, useRef } from 'react'
import styled from 'styled-components'

const Face = styled.svg`
  width: 100%; max-width: 300px; display: block;
  text { fill: var(--ink); font-size: 15px; text-anchor: middle; dominant-baseline: central; } .small { font-size: 9px; fill: var(--muted); }
  .needle, .small-hand { transition: transform 220ms ease-out; transform-origin: 0 0; }
  @media (prefers-reduced-motion: reduce) { .needle, .small-hand { transition: none; } }
`
const at = (share: number, radius: number): readonly [x: number, y: number] => [
  radius * Math.sin(2 * Math.PI * share),
  -radius * Math.cos(2 * Math.PI * share),
]

/** What does not move: the lines and numbers of the bezel, and those of the small hand. */
const Scale = memo(() => (
  <>
    <circle r={106} fill="var(--card)" stroke="var(--ink)" strokeWidth={3} />
    <circle r={99} fill="none" stroke="var(--rule)" strokeWidth={1} />
    {Array.from({ length: 100 }, (_, i) => {
      const [ax, ay] = at(i / 100, 96)
      const [bx, by] = at(i / 100, i % 10 === 0 ? 82 : i % 5 === 0 ? 86 : 90)
      return (
        // biome-ignore lint/suspicious/noArrayIndexKey: a line of the scale is its number
        <line key={i} x1={ax} y1={ay} x2={bx} y2={by} stroke="var(--ink)" strokeWidth={i % 10 === 0 ? 2 : 1} />
      )
    })}
    {Array.from({ length: 10 }, (_, i) => {
      const [x, y] = at(i / 10, 69)
      return (
        // biome-ignore lint/suspicious/noArrayIndexKey: a number of the scale is its place
        <text key={i} x={x} y={y}>
          {10 * i}
        </text>
      )
    })}
  </>
))
const SmallScale = memo(({ whole }: { whole: number }) => (
  <>
    <circle r={19} fill="none" stroke="var(--rule)" strokeWidth={1} />
    {Array.from({ length: whole }, (_, i) => {
      const [x, y] = at(i / whole, 14)
      return (
        // biome-ignore lint/suspicious/noArrayIndexKey: a number of the scale is its place
        <text key={i} className="small" x={x} y={y}>
          {i}
        </text>
      )
    })}
  </>
))

/** A dial's face: a hundred lines a turn, numbers clockwise from the zero of the bezel, and a small hand that counts whole turns. */
export function DialFace({
  needle,
  turns,
  whole,
  label,
  mirrored = false,
}: {
  /** Share of a turn past the bezel's zero. */
  needle: number
  /** Whole turns and a share of one, from the plunger all the way out. */
  turns: number
  /** Turns that the travel has. */
  whole: number
  label: string
  /** Seen in a mirror. */
  mirrored?: boolean
}) {
  // a hand that is turned along follows at once; only a jump is eased
  const last = useRef(needle)
  const along = Math.abs(needle - last.current) < 0.04
  useEffect(() => {
    last.current = needle
  })
  const follow = along ? { transition: 'none' } : undefined
  return (
    <Face viewBox="-110 -110 220 220" role="img" aria-label={label}>
      <g transform={mirrored ? 'scale(-1 1)' : undefined}>
        <Scale />
        <g transform="translate(0 34)">
          <SmallScale whole={whole} />
          <g className="small-hand" style={{ transform: `rotate(${(360 * turns) / whole}deg)`, ...follow }}>
            <line y1={4} y2={-10} stroke="var(--ink)" strokeWidth={1.5} strokeLinecap="round" />
          </g>
          <circle r={2} fill="var(--ink)" />
        </g>
        {/* the whole way the needle went, so that it turns as far as the plunger moved */}
        <g className="needle" style={{ transform: `rotate(${360 * needle}deg)`, ...follow }}>
          <line y1={16} y2={-92} stroke="var(--kelp)" strokeWidth={3} strokeLinecap="round" />
          <circle r={6} fill="var(--kelp)" />
        </g>
      </g>
    </Face>
  )
}
