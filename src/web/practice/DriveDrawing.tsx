import styled from 'styled-components'
import { type Drive, type DriveHands, faceNow, motor } from '../../core/practice/drive'
import { beltingWords as words } from '../../words/belting'

const Drawing = styled.svg`
  width: 100%; max-width: 620px; display: block;
  text { fill: var(--muted); font-size: 20px; text-anchor: middle; dominant-baseline: central; }
`

/** What a millimeter of offset is on the paper, px, and how many times as large a slope is drawn. */
const magnified = { offset: 7, slope: 12 }
const fan = { x: 150, radius: 95 }
const sheave = { x: -150, radius: 60 }

/** The drive from above, faces downward: the fan stays, the motor's sheave stands as it is, its slopes twelve times as large. */
export function DriveDrawing({ drive, hands }: { drive: Drive; hands: DriveHands }) {
  const { offset, toe } = faceNow(drive, hands)
  // toward the fan is to the right, proud of the fan downward
  const y = magnified.offset * offset
  const dy = sheave.radius * magnified.slope * toe
  const slack = hands.tension === 'slack'
  const back = { x: sheave.x + 12 * magnified.slope * toe, y: y - 105 }
  return (
    <Drawing viewBox="-270 -185 540 275" aria-hidden="true">
      <line x1={-260} x2={260} y1={0} y2={0} stroke="var(--muted)" strokeDasharray="2 5" />
      {/* belts */}
      <path
        d={`M${sheave.x - sheave.radius} ${y - dy - 14} Q${slack ? -20 : 0} ${slack ? -46 : (y - 28) / 2} ${fan.x + fan.radius} -14`}
        fill="none"
        stroke="var(--rule)"
        strokeWidth={slack ? 5 : 9}
      />
      {/* fan: shaft and sheave */}
      <line x1={fan.x} x2={fan.x} y1={0} y2={-130} stroke="var(--ink)" strokeWidth={8} />
      <rect
        x={fan.x - fan.radius}
        y={-26}
        width={2 * fan.radius}
        height={26}
        fill="var(--body)"
        stroke="var(--ink)"
        strokeWidth={2.5}
      />
      {/* motor: its body and sheave turned as they stand */}
      <line x1={sheave.x} y1={y} x2={back.x} y2={back.y} stroke="var(--ink)" strokeWidth={7} />
      <rect
        x={back.x - 38}
        y={back.y - 26}
        width={76}
        height={52}
        rx={4}
        transform={`rotate(${((Math.atan(magnified.slope * toe) * 180) / Math.PI).toFixed(2)} ${back.x} ${back.y})`}
        fill="var(--body)"
        stroke="var(--ink)"
        strokeWidth={hands.loose ? 1.5 : 3}
        strokeDasharray={hands.loose ? '5 4' : undefined}
      />
      <polygon
        points={[
          [-sheave.radius, -dy],
          [sheave.radius, dy],
          [sheave.radius, dy - 24],
          [-sheave.radius, -dy - 24],
        ]
          .map(([dx = 0, at = 0]) => `${sheave.x + dx},${(y + at).toFixed(1)}`)
          .join(' ')}
        fill="var(--body)"
        stroke="var(--ink)"
        strokeWidth={2.5}
      />
      <text x={fan.x} y={52}>
        {words.fan}
      </text>
      <text x={sheave.x} y={Math.max(y + Math.abs(dy), 0) + 40}>
        {words.motor}
      </text>
    </Drawing>
  )
}

/** The diameter of the motor's sheave, mm. */
export const sheaveAcross = 2 * motor.radius
