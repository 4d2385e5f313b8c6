import styled from 'styled-components'
import { headingNow, looksAway, type Sight, type SightHands, secondNow } from '../../core/practice/stand'
import { sightingWords as words } from '../../words/sighting'
import { phone } from '../app/style'

const Drawing = styled.svg`
  width: 100%; max-width: 680px; display: block;
  text { fill: var(--muted); font-size: 15px; text-anchor: middle; ${phone} { font-size: 24px; } }
`
/** How many times as large a heading is drawn. */
const magnified = 20
const face = 120

/** Both rolls and the stand from above: the plane along the roll, the one square to it past the floor references. */
export function StandsDrawing({ sight, hands }: { sight: Sight; hands: SightHands }) {
  const scale = face / sight.face
  const x = (down: number) => -250 + (down / sight.at.b) * 500
  const rolls = [
    { at: x(0), square: sight.square.reference, name: words.rollReference },
    { at: x(sight.secondAt), square: secondNow(sight, hands), name: words.roll2 },
  ]
  const stand = x(hands.stand === 1 ? 0 : sight.secondAt)
  const heading = magnified * headingNow(sight, hands, hands.stand)
  const pivot = 60 + sight.toNear * scale
  return (
    <Drawing viewBox="-340 -95 680 260" aria-hidden="true">
      {rolls.map(({ at, square, name }) => {
        const lean = (magnified * square * face) / 2
        return (
          <g key={name}>
            <polygon
              points={[
                [at + lean - 9, -60],
                [at + lean + 9, -60],
                [at - lean + 9, 60],
                [at - lean - 9, 60],
              ]
                .map(([px = 0, py = 0]) => `${px.toFixed(1)},${py}`)
                .join(' ')}
              fill="var(--body)"
              stroke="var(--ink)"
              strokeWidth={2.2}
            />
            <text x={at} y={-74}>
              {name}
            </text>
          </g>
        )
      })}
      {/* the plane along the roll and the one square to it */}
      <line
        x1={stand}
        y1={pivot}
        x2={stand + heading * (pivot + 60)}
        y2={-60}
        stroke="var(--kelp)"
        strokeWidth={2}
        strokeDasharray="6 4"
      />
      <line
        x1={-320}
        x2={320}
        y1={pivot + heading * (-320 - stand)}
        y2={pivot + heading * (320 - stand)}
        stroke="var(--kelp)"
        strokeWidth={1.5}
        strokeDasharray="2 5"
      />
      {(['a', 'b'] as const).map((one) => {
        const at = x(sight.at[one])
        const away = one === 'b' && looksAway(sight, hands)
        return (
          <g key={one}>
            <rect
              x={at - 8}
              y={pivot + 10}
              width={16}
              height={16}
              fill="var(--card)"
              stroke="var(--ink)"
              strokeWidth={2}
            />
            {/* the face of the target */}
            <line
              x1={away ? at + 8 : at - 8}
              x2={away ? at + 20 : at - 20}
              y1={pivot + 18}
              y2={pivot + 18}
              stroke="var(--ink)"
              strokeWidth={3}
            />
            <text x={at} y={pivot + 46}>
              {one}
            </text>
          </g>
        )
      })}
      <circle cx={stand} cy={pivot} r={9} fill="var(--kelp)" />
    </Drawing>
  )
}
