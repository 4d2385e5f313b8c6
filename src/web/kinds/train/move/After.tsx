import { memo, useMemo } from 'react'
import styled from 'styled-components'
import { expectedReadings } from '../../../../core/kinds/train/plan/outcome'
import { angleName, signedLength, stateName, unitName } from '../../../../words/terms'
import { moveWords } from '../../../../words/train/page/move'
import { mono } from '../../../app/style'
import { Card, Muted } from '../../../parts/controls'
import { Fold } from '../../../parts/Fold'
import { Wide } from '../../../parts/Wide'
import type { TrainFrame } from '../frame'

const Sheet = styled(Card)`margin: 18px 0; display: grid; gap: 8px; h2 { font-size: 16px; } > div { overflow-x: auto; }
  table { border-collapse: collapse; } th, td { padding: 4px 14px 4px 0; text-align: right; white-space: nowrap; } thead th { color: var(--muted); font-size: 13px; font-weight: 500; } tbody th { text-align: left; font-weight: 600; } td { ${mono} }`

/** What every probe should show in the next round: seen at once whether the move did what it should. */
export const After = memo(function After({ frame }: { frame: TrainFrame }) {
  const { solved, plan, terms } = frame
  const expected = useMemo(() => (plan?.feasible ? expectedReadings(solved, plan.moves) : []), [solved, plan])
  if (expected.length === 0) return null
  const angles = (set: (typeof expected)[number]['state']['set']) => set.angles.filter(({ degrees }) => degrees < 360)
  const sets = [...new Set(expected.map(({ state }) => state.set))]
  return (
    <Sheet aria-label={moveWords.expectedReadings}>
      <Fold title={moveWords.expectedReadingsAfterThisMove}>
        <Wide>
          {sets.map((set) => (
            <table key={set.id}>
              <thead>
                <tr>
                  <td />
                  {angles(set).map(({ id, degrees }) => (
                    <th key={id} scope="col">
                      {angleName(degrees, terms, set.angleAs)}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {expected
                  .filter(({ state }) => state.set === set)
                  .map(({ state, readings }) => (
                    <tr key={state.id}>
                      <th scope="row">{stateName(state, terms, true)}</th>
                      {readings.map(({ angleId, value }) => (
                        <td key={angleId}>{signedLength(value, terms)}</td>
                      ))}
                    </tr>
                  ))}
              </tbody>
            </table>
          ))}
        </Wide>
        {expected.some(({ state }) => state.dial.floats) ? <Muted>{moveWords.heldAgainstOneStop} </Muted> : null}
        <Muted>{moveWords.inColdZeroedAsBefore(unitName[terms.unit])}</Muted>
      </Fold>
    </Sheet>
  )
})
