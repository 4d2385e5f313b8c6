import { memo, useMemo } from 'react'
import styled from 'styled-components'
import type { RoundPlan } from '../../../../core/kinds/train/document/schema'
import { emptyPlan } from '../../../../core/kinds/train/plan/choices'
import { type JobPlan, planRound } from '../../../../core/kinds/train/plan/plan'
import { plural } from '../../../../words/language'
import { lengthWithUnit } from '../../../../words/terms'
import { moveWords } from '../../../../words/train/page/move'
import { feetListed, staysNames } from '../../../../words/train/plan'
import { mono, phone, rowsAsCards } from '../../../app/style'
import { Button } from '../../../parts/controls'
import { Peg } from '../../../parts/Peg'
import { Wide } from '../../../parts/Wide'
import type { TrainFrame } from '../frame'
import { sameButForPlan } from './frames'

const Table = styled.table`
  width: 100%; border-collapse: collapse; margin-bottom: 18px; background: var(--card); border: 1px solid var(--rule); border-radius: 4px;
  th, td { padding: 6px 10px; height: 46px; text-align: left; border-top: 1px solid var(--rule); vertical-align: middle; } thead th { border-top: 0; color: var(--muted); font-size: 13px; font-weight: 500; }
  tbody th { font-weight: 600; white-space: nowrap; } td { ${mono} font-size: 15px; white-space: nowrap; } td.words { font-family: inherit; white-space: normal; } td[colspan] { font-family: inherit; color: var(--muted); } td:last-child:not([colspan]) { text-align: right; padding: 0; font-family: inherit; font-size: 15px; }
  ${rowsAsCards} ${phone} { tbody tr { padding: 8px 12px; } td:last-child:not([colspan]) { text-align: left; padding: 3px 0; } }
  tr[aria-current='true'] { box-shadow: inset 4px 0 0 var(--kelp); }
`
const Hidden = styled.span`position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%);`

/** The three ways beside each other: how many stations, how far, how many shims, how long, and whether it can be done. */
export const Compare = memo(function Compare({ frame }: { frame: TrainFrame }) {
  const { document, round, solved, terms, frozen, least } = frame
  const stays = round.plan?.stays ?? 'fixed'
  const found = least.least
  const plans = useMemo(
    () =>
      (['fixed', 'hold', 'least'] as const).map((way) => ({
        way,
        plan: planRound(document, { ...round, plan: { ...(round.plan ?? emptyPlan()), stays: way } }, solved, found),
      })),
    [document, round, solved, found],
  )
  const take = (way: RoundPlan['stays']) => frame.editPlan((p) => ({ ...p, stays: way }))
  return (
    <Wide>
      <Table aria-label={moveWords.options}>
        <thead>
          <tr>
            <th scope="col">{moveWords.option}</th>
            <th scope="col">{moveWords.feetShimmed}</th>
            <th scope="col">{moveWords.feetMovedSideways}</th>
            <th scope="col">{moveWords.largestMove}</th>
            <th scope="col">{moveWords.shimsIn}</th>
            <th scope="col">{moveWords.minutes}</th>
            <th scope="col">{moveWords.withinTheLimits}</th>
            <th>
              <Hidden>{moveWords.useIt}</Hidden>
            </th>
          </tr>
        </thead>
        <tbody>
          {plans.map(({ way, plan }) => (
            <tr key={way} aria-current={way === stays ? 'true' : undefined} aria-label={staysNames[way]}>
              <th scope="row">{staysNames[way]}</th>
              {plan && plan.unplaced.length > 0 ? (
                <td colSpan={7}>{moveWords.needsDistanceOf(feetListed(plan.unplaced, terms))}</td>
              ) : plan ? (
                <>
                  <td data-of={moveWords.feetShimmed}>{plan.touched.vertical / 2}</td>
                  <td data-of={moveWords.feetMovedSideways}>{plan.touched.horizontal / 2}</td>
                  <td data-of={moveWords.largestMove}>{lengthWithUnit(plan.largest, terms)}</td>
                  <td data-of={moveWords.shimsIn}>{plan.pieces > 0 ? plan.pieces : '–'}</td>
                  <td data-of={moveWords.minutes}>{plan.minutes}</td>
                  <td className="words" data-of={moveWords.withinTheLimits}>
                    <span>
                      <Can plan={plan} />
                    </span>
                  </td>
                  <td>
                    {way === stays || frozen ? null : (
                      <Button look="quiet" onPress={() => take(way)}>
                        {moveWords.useThis}
                      </Button>
                    )}
                  </td>
                </>
              ) : (
                <td colSpan={7}>
                  {least.working ? moveWords.working : least.canceled ? moveWords.stopped : moveWords.notMeasuredYet}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </Table>
    </Wide>
  )
}, sameButForPlan)

function Can({ plan }: { plan: JobPlan }) {
  const { length } = plan.blocking
  return (
    <>
      <Peg peg={length ? 'outside' : 'within'} size={13} label="" />{' '}
      {length === 0
        ? moveWords.yes
        : plural(length, { one: moveWords.noOneLimitInThe, other: moveWords.noLimitsInTheWay(length) })}
    </>
  )
}
