import styled from 'styled-components'
import { type FrameFoot, type FrameHands, frameFeet } from '../../core/practice/softFootRig'
import { frameFootNames, seatingWords as words } from '../../words/seating'

const Drawing = styled.svg`
  width: 100%; max-width: 520px; display: block;
  text { fill: var(--muted); font-size: 16px; text-anchor: middle; dominant-baseline: central; }
  g.foot { cursor: pointer; } g.foot:hover rect { stroke: var(--kelp); }
`

const place = (foot: FrameFoot) => ({
  x: foot.endsWith('left') ? -150 : 150,
  y: foot.startsWith('near') ? 82 : -82,
})

/** The frame from above: its bolts tight or loose, the dial, what lies under each foot. The choice beside it does the same by keys. */
export function FrameDrawing(props: { hands: FrameHands; chosen: FrameFoot; choose: (foot: FrameFoot) => void }) {
  const { hands, chosen, choose } = props
  return (
    <Drawing viewBox="-230 -150 460 300" aria-hidden="true">
      {/* pipe, body, shaft */}
      <path
        d="M-20 -150V-60M20 -150V-60"
        stroke={hands.pipeOff ? 'var(--rule)' : 'var(--ink)'}
        strokeWidth={2}
        strokeDasharray={hands.pipeOff ? '4 5' : undefined}
        fill="none"
      />
      <rect x={-120} y={-60} width={240} height={120} rx={6} fill="var(--body)" stroke="var(--ink)" strokeWidth={2.5} />
      <line x1={-215} x2={215} y1={0} y2={0} stroke="var(--muted)" strokeDasharray="14 4 3 4" />
      <rect x={120} y={-10} width={70} height={20} fill="var(--card)" stroke="var(--ink)" strokeWidth={2} />
      {frameFeet.map((foot) => {
        const { x, y } = place(foot)
        const loose = hands.loose.includes(foot)
        const packed = (hands.shims[foot] ?? 0) > 0 || (hands.steps[foot] ?? 0) > 0
        return (
          // biome-ignore lint/a11y/noStaticElementInteractions: the choice of feet beside it is the one for keys
          <g key={foot} className="foot" transform={`translate(${x} ${y})`} onClick={() => choose(foot)}>
            <rect
              x={-46}
              y={-30}
              width={92}
              height={60}
              rx={4}
              fill="var(--card)"
              stroke={foot === chosen ? 'var(--kelp)' : 'var(--ink)'}
              strokeWidth={foot === chosen ? 4 : 1.5}
            />
            {packed ? <rect x={-46} y={32} width={92} height={5} fill="var(--ink)" /> : null}
            <circle r={11} fill={loose ? 'var(--card)' : 'var(--ink)'} stroke="var(--ink)" strokeWidth={2.5} />
            {hands.dial?.foot === foot ? (
              <g transform="translate(30 -14)">
                <circle r={12} fill="var(--card)" stroke="var(--kelp)" strokeWidth={3} />
                <line y2={-8} stroke="var(--kelp)" strokeWidth={2} />
              </g>
            ) : null}
            <text y={foot.startsWith('near') ? 50 : -46}>
              {frameFootNames[foot]}, {loose ? words.loose : words.tight}
            </text>
          </g>
        )
      })}
    </Drawing>
  )
}
