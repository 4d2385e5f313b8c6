import styled from 'styled-components'
import { packAt } from '../../core/practice/aligning'
import {
  type Pair,
  type PairFoot,
  type PairHands,
  type PairLesson,
  pairFeet,
  pairSides,
  shaftOver,
  sideOf,
} from '../../core/practice/pair'
import { aligningWords as words } from '../../words/aligning'
import { phone } from '../app/style'

const Drawing = styled.svg`
  width: 100%; max-width: 680px; display: block;
  text { fill: var(--muted); font-size: 15px; ${phone} { font-size: 24px; } }
  g.foot { cursor: pointer; } g.foot:hover rect { stroke: var(--kelp); }
`

/** How many times as large as the machine its moves are drawn. */
export const pairMagnified: Readonly<Record<PairLesson, number>> = { rough: 12, bound: 50, growth: 100 }

const wide = 560
const half = { body: 30, hub: 24 }

/** The pair from the side and, where it is pushed as well, from above, its moves magnified. The choice beside it does what a tap on a foot does. */
export function PairDrawing(props: {
  lesson: PairLesson
  pair: Pair
  hands: PairHands
  chosen: PairFoot
  choose: (foot: PairFoot) => void
}) {
  const { lesson, pair, hands, chosen, choose } = props
  const scale = wide / (pair.at['right-back'] - pair.at['left-back'])
  const at = (foot: PairFoot) => pair.at[foot] * scale - ((pair.at['right-back'] + pair.at['left-back']) * scale) / 2
  const coupling = (-(pair.at['right-back'] + pair.at['left-back']) * scale) / 2
  const over = shaftOver(pair, hands)
  const above = { plane: 'far', y: 96, text: words.fromAbove } as const
  const views = [
    { plane: 'up', y: -62, text: words.fromSide } as const,
    // what grows goes up: from above there is nothing to see
    ...(lesson === 'growth' ? [] : [above]),
  ]
  return (
    <Drawing viewBox={lesson === 'growth' ? '-340 -140 680 140' : '-340 -140 680 310'} aria-hidden="true">
      {views.map(({ plane, y, text }) => {
        const down = (foot: PairFoot) => y - over[plane][foot] * scale * pairMagnified[lesson]
        return (
          <g key={plane}>
            <text x={-332} y={y - 56}>
              {text}
            </text>
            <line x1={-332} x2={332} y1={y} y2={y} stroke="var(--muted)" strokeDasharray="14 4 3 4" />
            {pairSides.map((side) => {
              const [front, back]: [PairFoot, PairFoot] = [`${side}-front`, `${side}-back`]
              const slope = (down(back) - down(front)) / (at(back) - at(front))
              const line = (x: number) => down(front) + slope * (x - at(front))
              const [inner, outer] = [at(front) - 14 * Math.sign(at(front) - coupling), at(back)]
              const face = coupling + (side === 'left' ? -3 : 3)
              const hub = face + (side === 'left' ? -18 : 18)
              const quad = (a: number, b: number, h: number) =>
                [
                  [a, -h],
                  [b, -h],
                  [b, h],
                  [a, h],
                ]
                  .map(([x = 0, dy = 0]) => `${x.toFixed(1)},${(line(x) + dy).toFixed(1)}`)
                  .join(' ')
              return (
                <g key={side} stroke="var(--ink)" strokeWidth={2.2}>
                  <line x1={inner} y1={line(inner)} x2={face} y2={line(face)} strokeWidth={8} />
                  <polygon
                    points={quad(inner, outer + 14 * Math.sign(outer - coupling), half.body)}
                    fill="var(--body)"
                    strokeDasharray={hands.loose.includes(side) ? '6 4' : undefined}
                  />
                  <polygon points={quad(hub, face, half.hub)} fill="var(--card)" />
                </g>
              )
            })}
            {plane === 'up'
              ? pairFeet.map((foot) => {
                  const pack = Math.min(14, Math.max(0, packAt(pair, hands, foot)) * 5)
                  return (
                    // biome-ignore lint/a11y/noStaticElementInteractions: the choice beside the drawing does the same
                    <g key={foot} className="foot" onClick={() => choose(foot)}>
                      <rect
                        x={at(foot) - 15}
                        y={down(foot) + half.body}
                        width={30}
                        height={Math.max(2, y + 52 - pack - down(foot) - half.body)}
                        fill={foot === chosen ? 'var(--kelp)' : 'var(--body)'}
                        stroke="var(--ink)"
                        strokeWidth={2}
                        strokeDasharray={hands.loose.includes(sideOf(foot)) ? '4 3' : undefined}
                      />
                      <rect x={at(foot) - 18} y={y + 52 - pack} width={36} height={pack} fill="var(--ink)" />
                    </g>
                  )
                })
              : null}
            {plane === 'up' ? (
              <line x1={-332} x2={332} y1={y + 53} y2={y + 53} stroke="var(--ink)" strokeWidth={3} />
            ) : null}
          </g>
        )
      })}
    </Drawing>
  )
}
