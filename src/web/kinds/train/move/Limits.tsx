import styled from 'styled-components'
import type { PlannedStation } from '../../../../core/kinds/train/plan/plan'
import { emptyQuantity } from '../../../../core/quantity/quantity'
import { footName, planeName, sideName, wayName } from '../../../../words/terms'
import { moveWords } from '../../../../words/train/page/move'
import { QuantityField } from '../../../parts/Quantity'
import type { TrainFrame } from '../frame'

const Fold = styled.details`margin-top: 6px; border-top: 1px solid var(--rule); padding-top: 4px; summary { cursor: pointer; min-height: 44px; display: flex; align-items: center; color: var(--muted); font-size: 13.5px; } summary::before { content: '›'; margin-right: 8px; } &[open] summary::before { content: '⌄'; } > fieldset { border: 0; margin: 0; padding: 0; min-width: 0; display: grid; grid-template-columns: 1fr 1fr; gap: 8px; }`

/** How far a station can go in a plane: what was measured at the bolts and under the feet. */
export function Limits({
  station,
  plane,
  frame,
}: {
  station: PlannedStation
  plane: 'vertical' | 'horizontal'
  frame: TrainFrame
}) {
  const { terms, round, frozen } = frame
  const typed = round.plan?.limits[station.foot] ?? {}
  const ways = plane === 'vertical' ? (['down', 'up'] as const) : (['near', 'far'] as const)
  const set = ways.filter((way) => typed[way]?.text)
  const label = (way: (typeof ways)[number]) =>
    way === 'down' || way === 'up' ? moveWords.canGo(wayName[way]) : moveWords.canGoToward(sideName(way, terms))
  return (
    <Fold open={set.length > 0 ? true : undefined}>
      <summary>{plane === 'vertical' ? moveWords.shimTravel : moveWords.sideClearance}</summary>
      <fieldset aria-label={moveWords.limits(footName(station.foot, terms), planeName[plane])}>
        {ways.map((way) => (
          <QuantityField
            key={way}
            label={label(way)}
            quantity={typed[way] ?? emptyQuantity(terms.unit)}
            unit={terms.unit}
            readOnly={frozen}
            placeholder={moveWords.noLimit}
            onChange={(quantity) =>
              frame.editPlan(
                (plan) => ({
                  ...plan,
                  limits: { ...plan.limits, [station.foot]: { ...plan.limits[station.foot], [way]: quantity } },
                }),
                `limit:${station.foot}:${way}`,
              )
            }
          />
        ))}
      </fieldset>
    </Fold>
  )
}
