import styled from 'styled-components'
import { type BoreHands, type Bores, droopAt, middleOf, type Pocket, pockets } from '../../core/practice/bores'
import { boringWords as words } from '../../words/boring'
import { phone } from '../app/style'

const Drawing = styled.svg`
  width: 100%; max-width: 680px; display: block;
  text { fill: var(--muted); font-size: 15px; ${phone} { font-size: 24px; } } text.number { text-anchor: middle; fill: var(--ink); font-weight: 600; }
  g.pocket { cursor: pointer; } g.pocket:hover rect { stroke: var(--kelp); }
`
/** How many pixels a millimeter off the line is. */
const magnified = 34
const gate = { wide: 30, open: 20, post: 16 }
/** The length of the wire on the paper, px. */
const wide = 560

/** How many times as large as the housing its moves are drawn. */
export const boresMagnified = (bores: Bores): number => Math.round((magnified * bores.length) / wide / 10) * 10

/** The pockets from the side and from above, as open gates, the wire hanging through. The choice beside it does what a tap does. */
export function BoresDrawing(props: {
  bores: Bores
  hands: BoreHands
  chosen: Pocket
  choose: (pocket: Pocket) => void
}) {
  const { bores, hands, chosen, choose } = props
  const at = (pocket: Pocket) => (bores.at[pocket] / bores.length - 0.5) * wide
  const droop = Array.from({ length: 21 }, (_, i) => {
    const share = i / 20
    const mm = (bores.weight * share * (1 - share) * bores.length ** 2) / (2 * bores.tension)
    return { x: (share - 0.5) * wide, mm }
  })
  const views = [
    { plane: 'up', y: -62, text: words.fromSide },
    { plane: 'far', y: 96, text: words.fromAbove },
  ] as const
  return (
    <Drawing viewBox="-340 -140 680 300" aria-hidden="true">
      {views.map(({ plane, y, text }) => (
        <g key={plane}>
          <text x={-332} y={y - 58}>
            {text}
          </text>
          <line x1={-332} x2={332} y1={y} y2={y} stroke="var(--muted)" strokeDasharray="14 4 3 4" />
          {pockets.map((pocket) => {
            const off = middleOf(bores, hands, pocket)[plane]
            const middle = y - magnified * off
            const x = at(pocket) - gate.wide / 2
            const look = {
              width: gate.wide,
              height: gate.post,
              fill: pocket === chosen ? 'var(--kelp)' : 'var(--body)',
              stroke: 'var(--ink)',
              strokeWidth: 2.2,
              strokeDasharray: hands.loose.includes(pocket) ? '5 3' : undefined,
            }
            return (
              // biome-ignore lint/a11y/noStaticElementInteractions: the choice beside the drawing does the same
              <g key={pocket} className="pocket" onClick={() => choose(pocket)}>
                <rect x={x} y={middle - gate.open - gate.post} {...look} />
                <rect x={x} y={middle + gate.open} {...look} />
                {plane === 'up' ? (
                  <text className="number" x={at(pocket)} y={y + 68}>
                    {pocket}
                  </text>
                ) : null}
              </g>
            )
          })}
          <path
            d={droop
              .map(
                ({ x, mm }, i) =>
                  `${i ? 'L' : 'M'}${x.toFixed(1)} ${(y + (plane === 'up' ? magnified * mm : 0)).toFixed(1)}`,
              )
              .join('')}
            fill="none"
            stroke="var(--kelp)"
            strokeWidth={2.5}
          />
        </g>
      ))}
    </Drawing>
  )
}

/** One pocket seen from the right end of the line, with the wire in it. */
const End = styled.svg`width: 100%; max-width: 190px; display: block;`

export function PocketEnd({ bores, hands, pocket }: { bores: Bores; hands: BoreHands; pocket: Pocket }) {
  const { up, far } = middleOf(bores, hands, pocket)
  // the near side is on the left as one looks from there
  const wire = { x: -magnified * far, y: magnified * (up + droopAt(bores, pocket)) }
  return (
    <End viewBox="-80 -80 160 160" aria-hidden="true">
      <circle r={62} fill="var(--card)" stroke="var(--ink)" strokeWidth={8} />
      <line x1={-70} x2={70} y1={0} y2={0} stroke="var(--muted)" strokeDasharray="10 3 2 3" />
      <line y1={-70} y2={70} x1={0} x2={0} stroke="var(--muted)" strokeDasharray="10 3 2 3" />
      <circle cx={wire.x} cy={wire.y} r={4} fill="var(--kelp)" />
    </End>
  )
}
