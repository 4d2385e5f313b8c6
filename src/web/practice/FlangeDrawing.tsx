import styled from 'styled-components'
import { boltsOf, type Flange, type FlangeHands, seenAt } from '../../core/practice/flange'
import { practiceWords as words } from '../../words/practice'
import { mono } from '../app/style'
import { useLengths } from './lengths'

const Drawing = styled.svg`
  width: 100%; max-width: 420px; display: block;
  text { fill: var(--muted); font-size: 15px; text-anchor: middle; dominant-baseline: central; }
  text.number { fill: var(--ink); font-weight: 600; } text.shim { fill: var(--ink); ${mono} }
  g.bolt { cursor: pointer; } g.bolt:hover circle { stroke: var(--kelp); }
`
const round = { flange: 128, bolts: 98, spigot: 52 }
/** What a millimeter of push is on the paper, px. */
const magnified = 40

const at = (degrees: number, radius: number): readonly [x: number, y: number] => [
  radius * Math.sin((degrees * Math.PI) / 180),
  -radius * Math.cos((degrees * Math.PI) / 180),
]

/** The flange from above: bolts by their numbers, what lies at each, where it was pushed. The choice beside it does the same by keys. */
export function FlangeDrawing(props: { flange: Flange; hands: FlangeHands; choose: (bolt: number) => void }) {
  const { flange, hands, choose } = props
  const { bare } = useLengths()
  const moved = { x: magnified * hands.pushed.right, y: -magnified * hands.pushed.far }
  return (
    <Drawing viewBox="-190 -196 380 392" aria-hidden="true">
      <text y={-184}>{words.quarterNames[90]}</text>
      <text y={184}>{words.quarterNames[270]}</text>
      {/* the spigot stays; the flange moves in it */}
      <g transform={`translate(${moved.x.toFixed(1)} ${moved.y.toFixed(1)})`}>
        <circle
          r={round.flange}
          fill="var(--body)"
          stroke="var(--ink)"
          strokeWidth={2.5}
          strokeDasharray={hands.loose ? '6 4' : undefined}
        />
        <circle r={5} fill="var(--kelp)" />
        <line x1={-16} x2={16} y1={0} y2={0} stroke="var(--kelp)" strokeWidth={2} />
        <line y1={-16} y2={16} x1={0} x2={0} stroke="var(--kelp)" strokeWidth={2} />
        {boltsOf(flange).map((bolt) => {
          const seen = seenAt(flange, bolt)
          const [x, y] = at(seen, round.bolts)
          const [tx, ty] = at(seen, 149)
          const shim = hands.shims[bolt] ?? 0
          return (
            // biome-ignore lint/a11y/noStaticElementInteractions: the choice beside the drawing does the same
            <g key={bolt} className="bolt" onClick={() => choose(bolt)}>
              <circle
                cx={x}
                cy={y}
                r={17}
                fill={bolt === hands.at ? 'var(--kelp)' : 'var(--card)'}
                stroke="var(--ink)"
                strokeWidth={2}
              />
              <text className="number" x={x} y={y} style={bolt === hands.at ? { fill: 'var(--paper)' } : undefined}>
                {bolt}
              </text>
              {shim > 0 ? (
                <text className="shim" x={tx} y={ty}>
                  {bare(shim)}
                </text>
              ) : null}
            </g>
          )
        })}
      </g>
      <circle r={round.spigot} fill="none" stroke="var(--muted)" strokeDasharray="3 4" />
    </Drawing>
  )
}
