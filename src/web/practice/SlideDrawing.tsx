import styled from 'styled-components'
import { bears, jacks, type SlideEnd, type SlideHands, slideEnds } from '../../core/practice/slide'
import { pushingWords as words } from '../../words/pushing'

const Drawing = styled.svg`
  width: 100%; max-width: 520px; display: block;
  text { fill: var(--muted); font-size: 22px; text-anchor: middle; dominant-baseline: central; }
  g.end { cursor: pointer; } g.end:hover rect { stroke: var(--kelp); }
`

/** What a millimeter is on the paper, px; and how far the machine's side lies from its middle. */
const magnified = 60
const half = 52
const place: Readonly<Record<SlideEnd, number>> = { front: -130, back: 130 }
const across = (mm: number) => -magnified * mm
const within = (y: number) => Math.min(Math.max(y, -142), 142)

/** The machine from above, its moves sixty pixels a millimeter: bolts, jack bolts, dials. The choice beside it does the same by keys. */
export function SlideDrawing(props: { hands: SlideHands; chosen: SlideEnd; choose: (end: SlideEnd) => void }) {
  const { hands, chosen, choose } = props
  const side = (end: SlideEnd, near: boolean) => across(hands.at[end]) + (near ? half : -half)
  const slope = (across(hands.at.back) - across(hands.at.front)) / (place.back - place.front)
  const middle = (x: number) => across(hands.at.front) + slope * (x - place.front)
  return (
    <Drawing viewBox="-260 -170 520 340" aria-hidden="true">
      <line x1={-250} x2={250} y1={0} y2={0} stroke="var(--muted)" strokeDasharray="14 4 3 4" />
      <polygon
        points={[
          [-170, -half],
          [170, -half],
          [170, half],
          [-170, half],
        ]
          .map(([x = 0, dy = 0]) => `${x},${(middle(x) + dy).toFixed(1)}`)
          .join(' ')}
        fill="var(--body)"
        stroke="var(--ink)"
        strokeWidth={2.5}
      />
      <line x1={-225} y1={middle(-225)} x2={-170} y2={middle(-170)} stroke="var(--ink)" strokeWidth={9} />
      <line
        x1={-170}
        y1={middle(-170)}
        x2={170}
        y2={middle(170)}
        stroke="var(--ink)"
        strokeWidth={1}
        strokeDasharray="14 4 3 4"
      />
      {jacks.map((jack) => {
        const end: SlideEnd = jack.startsWith('front') ? 'front' : 'back'
        const near = jack.endsWith('near')
        const tip = within(across(hands.tips[jack]) + (near ? half : -half))
        const base = near ? 156 : -156
        return (
          <g key={jack} stroke={bears(hands, jack) ? 'var(--kelp)' : 'var(--ink)'}>
            <line x1={place[end]} x2={place[end]} y1={base} y2={tip} strokeWidth={7} />
            <line x1={place[end] - 16} x2={place[end] + 16} y1={base} y2={base} strokeWidth={9} />
          </g>
        )
      })}
      {slideEnds.map((end) => {
        const loose = hands.loose.includes(end)
        const dial = hands.dials[end]
        const x = place[end]
        return (
          // biome-ignore lint/a11y/noStaticElementInteractions: the choice of feet beside it is the one for keys
          <g key={end} className="end" data-end={end} onClick={() => choose(end)}>
            <rect
              x={x - 62}
              y={-62}
              width={124}
              height={124}
              rx={4}
              fill="transparent"
              stroke={end === chosen ? 'var(--kelp)' : 'transparent'}
              strokeWidth={4}
            />
            {[-30, 30].map((dy) => (
              <circle
                key={dy}
                cx={x}
                cy={across(hands.at[end]) + dy}
                r={9}
                fill={loose ? 'var(--card)' : 'var(--ink)'}
                stroke="var(--ink)"
                strokeWidth={2.5}
              />
            ))}
            {dial ? (
              <g transform={`translate(${x + 44} ${dial.side === 'near' ? 118 : -118})`}>
                <line
                  y2={side(end, dial.side === 'near') - (dial.side === 'near' ? 118 : -118)}
                  stroke="var(--kelp)"
                  strokeWidth={4}
                />
                <circle r={15} fill="var(--card)" stroke="var(--kelp)" strokeWidth={3.5} />
                <line y2={-10} stroke="var(--kelp)" strokeWidth={2} />
              </g>
            ) : null}
          </g>
        )
      })}
      <text x={0} y={-150}>
        {words.farSide}
      </text>
      <text x={0} y={150}>
        {words.nearSide}
      </text>
    </Drawing>
  )
}
