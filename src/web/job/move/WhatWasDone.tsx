import { memo } from 'react'
import styled from 'styled-components'
import type { AnyRound, KindName } from '../../../core/kinds'
import { wordsOf } from '../../../words'
import { actName } from '../../../words/fields'
import { doneWords as words } from '../../../words/page/done'
import { Card, Muted } from '../../parts/controls'
import { QuantityField } from '../../parts/Quantity'
import { type JobFrame, useJobFrame } from '../frame/context'

const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(220px, 1fr)); gap: 12px 16px; align-items: end;`

/** The round before, where what was done after it is written down place by place. */
function lastDone({ document, round }: JobFrame) {
  const before = document.rounds[document.rounds.findIndex(({ id }) => id === round.id) - 1]
  return before && 'done' in before && before.done ? { id: before.id, done: before.done } : undefined
}

/** What was done before this round, act by act: as planned, until somebody puts it right. For the record and the proof. */
export const WhatWasDone = memo(function WhatWasDone() {
  const frame = useJobFrame()
  const last = lastDone(frame)
  if (!last || Object.keys(last.done).length === 0) return null
  const { line } = frame.document
  const { typed } = wordsOf<KindName>({ kind: line.kind })
  return (
    <Card as="section" aria-label={words.whatWasDone} style={{ marginBottom: 16 }}>
      <h2>{words.whatWasDone}</h2>
      <Muted as="p">{words.asPlanned}</Muted>
      <Grid>
        {Object.entries(last.done).map(([key, quantity]) => (
          <QuantityField
            key={key}
            label={actName(typed, key, line)}
            quantity={quantity}
            unit={frame.settings.unit}
            signed
            readOnly={frame.frozen}
            onChange={(next) =>
              frame.edit(
                (job) => ({
                  ...job,
                  rounds: job.rounds.map(
                    (one): AnyRound =>
                      one.id === last.id && 'done' in one ? { ...one, done: { ...one.done, [key]: next } } : one,
                  ),
                }),
                `done:${last.id}:${key}`,
              )
            }
          />
        ))}
      </Grid>
    </Card>
  )
})
