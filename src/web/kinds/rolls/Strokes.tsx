import styled from 'styled-components'
import { strokeCell } from '../../../core/kinds/rolls/document/make'
import { strokePlaces, strokeWays } from '../../../core/kinds/rolls/document/schema'
import { emptyQuantity } from '../../../core/quantity/quantity'
import { rollsPageWords as words } from '../../../words/rolls/page/page'
import { unitName } from '../../../words/terms'
import { Card, Muted } from '../../parts/controls'
import { QuantityInput } from '../../parts/Quantity'
import { useRollsFrame } from './frame'

const Table = styled.table`
  border-collapse: collapse; th, td { text-align: left; padding: 4px 10px 4px 0; } thead th { color: var(--muted); font-size: 13px; font-weight: 500; }
  tbody th { font-weight: 600; white-space: nowrap; } td input { width: 110px; min-height: 44px; }
`

/** Rolls that pivot, read at both ends of their stroke and the middle, each come to from either way. */
export function Strokes() {
  const { round, frozen, editRound, settings, document } = useRollsFrame()
  const pivoting = document.line.rolls.filter(({ pivots }) => pivots)
  if (pivoting.length === 0) return null
  return (
    <Card as="section" aria-label={words.strokes} style={{ marginBottom: 16, overflowX: 'auto' }}>
      <h2>{words.strokes}</h2>
      <Muted as="p">{words.strokesHint}</Muted>
      {pivoting.map((roll) => (
        <Table key={roll.id}>
          <thead>
            <tr>
              <th scope="col">{roll.name}</th>
              {strokePlaces.map((place) => (
                <th key={place} scope="col">
                  {words.strokePlaces[place]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {strokeWays.map((way) => (
              <tr key={way}>
                <th scope="row">{words.strokeWays[way]}</th>
                {strokePlaces.map((place) => {
                  const key = strokeCell(roll.id, place, way)
                  return (
                    <td key={place}>
                      <QuantityInput
                        label={`${words.strokeOf(words.strokePlaces[place], words.strokeWays[way], roll.name)}, ${unitName[settings.unit]}`}
                        quantity={round.strokes?.[key] ?? emptyQuantity(settings.unit)}
                        unit={settings.unit}
                        signed
                        readOnly={frozen}
                        onChange={(value) =>
                          editRound((one) => ({ ...one, strokes: { ...one.strokes, [key]: value } }), key)
                        }
                      />
                    </td>
                  )
                })}
              </tr>
            ))}
          </tbody>
        </Table>
      ))}
    </Card>
  )
}
