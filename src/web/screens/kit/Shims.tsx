import { Plus, X } from 'lucide-react'
import styled from 'styled-components'
import type { KitShims } from '../../../core/kit/schema'
import { emptyQuantity, quantityMm } from '../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { kitWords } from '../../../words/page/kit'
import { unitName } from '../../../words/terms'
import { newId } from '../../app/newId'
import { Button, Card, Input, Muted } from '../../parts/controls'
import { QuantityInput } from '../../parts/Quantity'
import { Grid, NumberField, type Put, TextField } from './parts'

const Table = styled.table`border-collapse: collapse; margin: 8px 0 12px; th { text-align: left; font-size: 13px; color: var(--muted); font-weight: 500; padding: 0 8px 4px 0; } td { padding: 2px 8px 2px 0; } input { width: 120px; }`

/** A shelf of shims: thicknesses, how many there are, and the slot they are cut for. */
export function Shims({ item, unit, put }: { item: KitShims; unit: 'mm' | 'mil'; put: Put }) {
  const change = (id: string, to: Partial<KitShims['sizes'][number]>) =>
    put({ sizes: item.sizes.map((size) => (size.id === id ? { ...size, ...to } : size)) }, `size:${id}`)
  const sorted = [...item.sizes].sort(
    (a, b) =>
      (quantityMm(a.thickness) ?? Number.POSITIVE_INFINITY) - (quantityMm(b.thickness) ?? Number.POSITIVE_INFINITY),
  )
  return (
    <Card aria-label={kitWords.shims}>
      <Grid>
        <TextField label={kitWords.name} value={item.name} onChange={(name) => put({ name }, 'name')} />
        <NumberField
          label={kitWords.slotWidth}
          quantity={item.slot}
          unit={lengthUnitFor(unit)}
          onChange={(slot) => put({ slot }, 'slot')}
        />
        <TextField
          label={kitWords.material}
          value={item.material}
          onChange={(material) => put({ material }, 'material')}
        />
      </Grid>
      <h2 style={{ marginTop: 16 }}>{kitWords.thicknesses}</h2>
      <Muted>{kitWords.howManyYouHaveBlank}</Muted>
      <Table>
        <thead>
          <tr>
            <th scope="col">{kitWords.thickness(unitName[unit])}</th>
            <th scope="col">{kitWords.quantity}</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {sorted.map(({ id, thickness, count }, i) => (
            <tr key={id}>
              <td>
                <QuantityInput
                  label={kitWords.thickness2(i + 1, unitName[unit])}
                  quantity={thickness}
                  unit={unit}
                  onChange={(typed) => change(id, { thickness: typed })}
                />
              </td>
              <td>
                <Input
                  aria-label={kitWords.quantityOfThickness(i + 1)}
                  value={count}
                  inputMode="numeric"
                  maxLength={6}
                  placeholder={kitWords.notCounted}
                  onChange={({ target }) => change(id, { count: target.value })}
                />
              </td>
              <td>
                <Button
                  look="quiet"
                  aria-label={kitWords.removeThickness(i + 1)}
                  onPress={() => put({ sizes: item.sizes.filter((size) => size.id !== id) }, 'less')}
                >
                  <X size={14} />
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
      <Button
        isDisabled={item.sizes.length >= 60}
        onPress={() =>
          put({ sizes: [...item.sizes, { id: newId('s'), thickness: emptyQuantity(unit), count: '' }] }, 'more')
        }
      >
        <Plus size={16} aria-hidden="true" /> {kitWords.addThickness}
      </Button>
    </Card>
  )
}
