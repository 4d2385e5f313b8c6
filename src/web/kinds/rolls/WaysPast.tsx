import styled from 'styled-components'
import { sectionOf } from '../../../core/kinds/rolls/solve/measured'
import { waysPast } from '../../../core/kinds/rolls/solve/plans'
import { formatNumber } from '../../../core/quantity/number'
import { rollName } from '../../../words/rolls/findings'
import { rollsPageWords as words } from '../../../words/rolls/page/page'
import { Card, Muted } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { Wide } from '../../parts/Wide'
import { useRollsFrame } from './frame'

const Table = styled.table`
  border-collapse: collapse; th, td { text-align: left; padding: 8px 18px 8px 0; border-top: 1px solid var(--rule); }
  thead th { border-top: 0; color: var(--muted); font-size: 13px; font-weight: 500; } tbody th { font-weight: 600; white-space: nowrap; }
`

/** Beside each other: three ways past a roll that is out and stays, with every span's share of its limit. */
export function WaysPast({ roll }: { roll: string }) {
  const { solved, document } = useRollsFrame()
  const { line } = document
  const section = sectionOf(line)
  const lies = solved.rolls.map(({ solved: own }) =>
    own?.square && own.level ? { square: own.square.value, level: own.level.value } : undefined,
  )
  const stuck = line.rolls.findIndex(({ id }) => id === roll)
  const known = lies.flatMap((lie) => lie ?? [])
  if (!section || stuck < 0 || known.length < lies.length) return null
  const ways = waysPast(section, known, stuck)
  // spans that any of the ways leaves bent
  const told = solved.spans.flatMap((span, i) =>
    ways.some(({ spans }) => (spans[i]?.share ?? 0) >= 0.05) ? [{ span, i }] : [],
  )
  return (
    <Card as="section" aria-label={words.waysPast(rollName(roll, line))} style={{ marginBottom: 16 }}>
      <h2>{words.waysPast(rollName(roll, line))}</h2>
      <Muted as="p">{words.waysHint}</Muted>
      <Wide>
        <Table>
          <thead>
            <tr>
              <th scope="col">{words.span}</th>
              {ways.map(({ way }) => (
                <th key={way} scope="col">
                  {words.ways[way]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {told.map(({ span, i }) => (
              <tr key={span.to}>
                <th scope="row">
                  {rollName(span.from, line)} – {rollName(span.to, line)}
                </th>
                {ways.map(({ way, spans }) => (
                  <td key={way}>
                    <Peg peg={(spans[i]?.share ?? 0) <= 1 + 1e-9 ? 'within' : 'outside'} size={12} />{' '}
                    {words.share(formatNumber(100 * (spans[i]?.share ?? 0), 0))}
                  </td>
                ))}
              </tr>
            ))}
            <tr>
              <th scope="row">{words.rollsMoved}</th>
              {ways.map(({ way, moved }) => (
                <td key={way}>{moved.length}</td>
              ))}
            </tr>
          </tbody>
        </Table>
      </Wide>
    </Card>
  )
}
