import { memo } from 'react'
import styled from 'styled-components'
import type { KitShims } from '../../../../core/kit/schema'
import { quantityMm, showQuantity } from '../../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../../core/quantity/usual'
import type { ShimStock } from '../../../../core/shims/schema'
import { inText, machineName, unitName } from '../../../../words/terms'
import { moveWords } from '../../../../words/train/page/move'
import { shimSize } from '../../../../words/train/plan'
import { mono } from '../../../app/style'
import { useKit } from '../../../notebook/useKit'
import { Card, Field, Input, Muted, Select } from '../../../parts/controls'
import type { TrainFrame } from '../frame'

const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px 12px; align-items: end; select { width: 220px; max-width: 100%; } input { width: 76px; }`

const stockOf = (id: string, item: KitShims): ShimStock => ({
  id,
  name: item.name,
  slot: item.slot,
  sizes: item.sizes.map(({ thickness, count }) => ({ thickness, count })),
})

/** The shims a machine's packs are made up from: a stock of the kit, taken over as it is now. */
export function StockOf({ machine, frame }: { machine: string; frame: TrainFrame }) {
  const { round, frozen, terms } = frame
  const { items } = useKit()
  const chosen = round.plan?.stock[machine]
  const stocks = items.flatMap(({ id, document }) => (document.kind === 'shims' ? [{ id, document }] : []))
  const gone = chosen && !stocks.some(({ id }) => id === chosen.id)
  return (
    <Row>
      <Field label={moveWords.shimsForThe(inText(machineName(machine, terms)))}>
        <Select
          value={chosen?.id ?? ''}
          disabled={frozen}
          options={[
            { value: '', text: moveWords.noneChosen },
            ...stocks.map(({ id, document }) => ({ value: id, text: document.name })),
            ...(gone ? [{ value: chosen.id, text: chosen.name }] : []),
          ]}
          onPick={(id) => {
            const found = stocks.find((stock) => stock.id === id)
            frame.editPlan((plan) => {
              const { [machine]: _, ...others } = plan.stock
              return { ...plan, stock: found ? { ...others, [machine]: stockOf(id, found.document) } : others }
            })
          }}
        />
      </Field>
      <Field label={moveWords.maximum}>
        <Input
          aria-label={moveWords.mostShimsInAPack}
          value={round.plan?.mostShims ?? ''}
          placeholder="4"
          inputMode="numeric"
          maxLength={2}
          readOnly={frozen}
          onChange={({ target }) => frame.editPlan((plan) => ({ ...plan, mostShims: target.value }), 'most')}
        />
      </Field>
    </Row>
  )
}

const Sheet = styled(
  Card,
)`margin-bottom: 18px; h2 { font-size: 16px; margin-bottom: 6px; } ul { list-style: none; margin: 0; padding: 0; display: flex; flex-wrap: wrap; gap: 6px 22px; } li b { ${mono} font-weight: 700; } h3 { font-size: 14px; margin: 8px 0 4px; }`

/** For the store room: what to bring for the whole job. */
export const Picks = memo(function Picks({ frame }: { frame: TrainFrame }) {
  const { plan, terms, round } = frame
  if (!plan || plan.picks.length === 0) return null
  const machines = [...new Set(plan.picks.map(({ machine }) => machine))]
  return (
    <Sheet aria-label={moveWords.pickList}>
      <h2>{moveWords.bringFromTheStores}</h2>
      {machines.map((machine) => {
        const stock = round.plan?.stock[machine]
        const slot = stock && quantityMm(stock.slot) !== undefined ? stock.slot : undefined
        const unit = lengthUnitFor(terms.unit)
        return (
          <div key={machine}>
            <h3>
              {machineName(machine, terms)}{' '}
              <Muted>
                {stock?.name}
                {slot ? moveWords.slot(showQuantity(slot, unit), unitName[unit]) : ''}
              </Muted>
            </h3>
            <ul>
              {plan.picks
                .filter((pick) => pick.machine === machine)
                .map(({ thickness, count }) => (
                  <li key={thickness}>
                    <b>{count}</b> × <b>{shimSize(thickness, terms)}</b> {unitName[terms.unit]}
                  </li>
                ))}
            </ul>
          </div>
        )
      })}
    </Sheet>
  )
})
