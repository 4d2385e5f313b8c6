import styled from 'styled-components'
import { type RollNumber, rollNow, rollNumbers, type Section, type SectionHands } from '../../core/practice/stuck'
import { phone } from '../app/style'

const Drawing = styled.svg`
  width: 100%; max-width: 680px; display: block;
  text { fill: var(--ink); font-size: 15px; font-weight: 600; text-anchor: middle; ${phone} { font-size: 24px; } }
  g.roll { cursor: pointer; } g.roll:hover polygon { stroke: var(--kelp); }
`
/** What a millimeter over the face is on the paper, px. */
const magnified = 70
const half = { long: 75, thick: 11 }

/** The rolls from above, the far end of each so far down the line as it is, seventy pixels a millimeter. The choice beside it does what a tap does. */
export function SectionDrawing(props: {
  section: Section
  hands: SectionHands
  chosen: RollNumber
  choose: (roll: RollNumber) => void
}) {
  const { section, hands, chosen, choose } = props
  const at = (roll: RollNumber) => (roll - 4) * 92
  return (
    <Drawing viewBox="-340 -110 680 232" aria-hidden="true">
      <rect x={-320} y={-58} width={640} height={116} fill="var(--rule)" opacity={0.35} />
      {rollNumbers.map((roll) => {
        const lean = (magnified * rollNow(section, hands, roll)) / 2
        const quad = [
          [at(roll) + lean - half.thick, -half.long],
          [at(roll) + lean + half.thick, -half.long],
          [at(roll) - lean + half.thick, half.long],
          [at(roll) - lean - half.thick, half.long],
        ]
        const fixed = roll === 1 || roll === 7
        return (
          // biome-ignore lint/a11y/noStaticElementInteractions: the choice beside the drawing does the same
          <g key={roll} className="roll" onClick={() => choose(roll)}>
            <line
              x1={at(roll)}
              x2={at(roll)}
              y1={-half.long - 14}
              y2={half.long + 14}
              stroke="var(--muted)"
              strokeDasharray="10 3 2 3"
            />
            <polygon
              points={quad.map(([x = 0, y = 0]) => `${x.toFixed(1)},${y}`).join(' ')}
              fill={roll === chosen ? 'var(--kelp)' : fixed ? 'var(--rule)' : 'var(--body)'}
              stroke="var(--ink)"
              strokeWidth={roll === section.stuck ? 4 : 2}
              strokeDasharray={hands.loose.includes(roll) ? '6 4' : undefined}
            />
            <text x={at(roll)} y={half.long + 34}>
              {roll}
            </text>
          </g>
        )
      })}
    </Drawing>
  )
}
