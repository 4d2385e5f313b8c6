import { memo, useMemo, useState } from 'react'
import styled from 'styled-components'
import { movesDone, outcomeOf } from '../../../../core/kinds/train/plan/outcome'
import { solveRound } from '../../../../core/kinds/train/solve/round'
import { emptyQuantity } from '../../../../core/quantity/quantity'
import { capital, footName, isZero, length, place, planeName, unitName } from '../../../../words/terms'
import { moveWords } from '../../../../words/train/page/move'
import { sayOutcome } from '../../../../words/train/plan'
import { Button, Card } from '../../../parts/controls'
import { Help } from '../../../parts/Help'
import { Peg } from '../../../parts/Peg'
import { QuantityInput } from '../../../parts/Quantity'
import { Wide } from '../../../parts/Wide'
import type { TrainFrame } from '../frame'
import { sameButForPlan } from './frames'

const Sheet = styled(
  Card,
)`margin-bottom: 16px; display: grid; gap: 8px; h2 { font-size: 16px; } > div { overflow-x: auto; }
  table { border-collapse: collapse; width: 100%; } th, td { padding: 4px 12px 4px 0; text-align: left; white-space: nowrap; } td { font-size: 14px; font-variant-numeric: tabular-nums; } thead th { color: var(--muted); font-size: 13px; font-weight: 500; } tbody th { font-weight: 600; font-size: 14px; } input { width: 96px; min-height: 44px; }`

const Head = styled.header`display: flex; flex-wrap: wrap; align-items: center; gap: 0 8px; min-height: 44px; h2 { flex: 1; } p { flex-basis: 100%; order: 1; }`

const One = styled.article`display: grid; grid-template-columns: 18px 1fr; gap: 4px 10px; > :first-child { margin-top: 4px; } h3 { font-size: 15.5px; } p { color: var(--muted); font-size: 14px; }`

/** Where a round follows a move: what was expected of every station that came out otherwise beside what came, and why; the others on demand. */
export const Outcome = memo(function Outcome({ frame }: { frame: TrainFrame }) {
  const { document, round, solved, terms, frozen } = frame
  const [all, setAll] = useState(false)
  const before = document.rounds[document.rounds.findIndex(({ id }) => id === round.id) - 1]
  const moves = before && movesDone(before)
  const then = useMemo(() => (before ? solveRound(document, before) : undefined), [document, before])
  const outcome = useMemo(() => (then && moves ? outcomeOf(then, moves, solved) : undefined), [then, moves, solved])
  if (!before || !outcome || outcome.stations.length === 0) return null
  const fine = outcome.causes.length === 0
  const shown = all ? outcome.stations : outcome.stations.filter(({ state }) => state !== 'within')
  const typed = (foot: string, plane: 'vertical' | 'horizontal') => before.plan?.done?.[foot]?.[plane]
  return (
    <Sheet aria-label={moveWords.didTheMoveWork}>
      <Head>
        <h2>{fine ? moveWords.theLastMoveCameOut : moveWords.theLastMoveDidNot}</h2>
        <Help of={moveWords.didTheMoveWork}>{moveWords.correctWhatWasDoneDifferently}</Help>
        <Button aria-expanded={all} onPress={() => setAll(!all)}>
          {all ? moveWords.fewerFeet : moveWords.allFeet}
        </Button>
      </Head>
      {outcome.causes.map(({ station, causes }) => {
        const { title, detail } = sayOutcome(station, causes, terms)
        return (
          <One key={`${station.foot}${station.plane}`}>
            <Peg peg="outside" />
            <div>
              <h3>{title}</h3>
              <p>{detail}</p>
            </div>
          </One>
        )
      })}
      {shown.length > 0 ? (
        <Wide>
          <table>
            <thead>
              <tr>
                <th scope="col">{moveWords.feet}</th>
                <th scope="col">{moveWords.moved(unitName[terms.unit])}</th>
                <th scope="col">{moveWords.expected}</th>
                <th scope="col">{moveWords.found}</th>
                <th scope="col">{moveWords.offBy}</th>
              </tr>
            </thead>
            <tbody>
              {shown.map((one) => (
                <tr key={`${one.foot}${one.plane}`}>
                  <th scope="row">
                    <Peg peg={one.state} size={13} label="" /> {capital(footName(one.foot, terms))},{' '}
                    {one.plane === 'vertical' ? moveWords.up : moveWords.toward2(terms.line.sides.far)}
                  </th>
                  <td>
                    <QuantityInput
                      label={moveWords.moved2(footName(one.foot, terms), planeName[one.plane], unitName[terms.unit])}
                      quantity={typed(one.foot, one.plane) ?? emptyQuantity(terms.unit)}
                      unit={terms.unit}
                      signed
                      readOnly={frozen}
                      onChange={(quantity) =>
                        frame.edit(
                          (job) => ({
                            ...job,
                            rounds: job.rounds.map((r) => {
                              const done = r.plan?.done?.[one.foot]
                              return r.id === before.id && r.plan && done
                                ? {
                                    ...r,
                                    plan: {
                                      ...r.plan,
                                      done: { ...r.plan.done, [one.foot]: { ...done, [one.plane]: quantity } },
                                    },
                                  }
                                : r
                            }),
                          }),
                          `done:${one.foot}:${one.plane}`,
                        )
                      }
                    />
                  </td>
                  <td>{place(one.expected, one.plane, terms)}</td>
                  <td>{place(one.found, one.plane, terms)}</td>
                  <td>{isZero(one.off, terms) ? moveWords.nothing : length(Math.abs(one.off), terms)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Wide>
      ) : null}
    </Sheet>
  )
}, sameButForPlan)
