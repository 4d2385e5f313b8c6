import { useState } from 'react'
import styled from 'styled-components'
import type { Proof } from '../../../core/prove/proof'
import { type ProofSaid, ticksFor } from '../../../core/prove/schema'
import { sayTime } from '../../../words/dates'
import { proveWords } from '../../../words/page/prove'
import { proofTickTexts } from '../../../words/prove'
import { changeSettings } from '../../app/settings'
import { Button, Field, Input, Muted } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { Row, type SayProof, Sheet } from './parts'

const List = styled.ol`
  list-style: none; margin: 0; padding: 0;
  li { display: flex; flex-wrap: wrap; gap: 12px; align-items: center; padding: 8px 0; border-top: 1px solid var(--rule); min-height: 60px; }
  li > span { flex: 1 1 220px; } b { display: block; line-height: 1.25; } small { color: var(--muted); font-size: 13px; }
`

interface Done {
  by: string
  at: string
}

/** What is done between the last move and a line that may run, in its order; and what is declared where it was not measured. */
export function Ticks(props: {
  proof: Proof
  said: ProofSaid
  say: SayProof
  signed: () => Done
  initials: string
  frozen: boolean
  /** Whether the line stands on feet. */
  onFeet: boolean
}) {
  const { proof, said, say, signed, initials, frozen, onFeet } = props
  const [why, setWhy] = useState('')
  const cannot = frozen || initials.trim() === ''
  const growthOpen = proof.open.some(({ kind }) => kind === 'growth') || said.growthZero
  const closingOpen = proof.open.some(({ kind }) => kind === 'not-closed') || said.notClosed
  const line = (
    key: string,
    title: string,
    detail: string,
    done: Done | undefined,
    set: (done?: Done) => void,
    can = true,
  ) => (
    <li key={key}>
      <Peg peg={done ? 'within' : 'nothing'} label={done ? proveWords.ticked : proveWords.open} />
      <span>
        <b>{title}</b>
        <small>{detail}</small>
      </span>
      {done ? (
        <Button
          look="quiet"
          isDisabled={frozen}
          aria-label={proveWords.untick(title, done.by)}
          onPress={() => set(undefined)}
        >
          {done.by} {sayTime(new Date(done.at))}
        </Button>
      ) : (
        <Button isDisabled={cannot || !can} aria-label={proveWords.tickOf(title)} onPress={() => set(signed())}>
          {proveWords.tick}
        </Button>
      )}
    </li>
  )
  return (
    <Sheet aria-label={proveWords.beforeItRuns}>
      <h2>{proveWords.beforeItRuns}</h2>
      <Muted>{proveWords.inThisOrder}</Muted>
      {frozen ? null : (
        <Row>
          <Field label={proveWords.initials}>
            <Input
              style={{ width: 110 }}
              maxLength={12}
              value={initials}
              onChange={(event) => changeSettings({ initials: event.target.value })}
            />
          </Field>
          <Field label={proveWords.closingMayMove}>
            <Input
              style={{ width: 110 }}
              inputMode="decimal"
              maxLength={6}
              placeholder="25"
              readOnly={frozen}
              value={said.closingShare ?? ''}
              onChange={(event) => say((one) => ({ ...one, closingShare: event.target.value }), 'closing')}
            />
          </Field>
          {initials.trim() === '' ? <Muted>{proveWords.enterInitials}</Muted> : null}
        </Row>
      )}
      <List>
        {ticksFor(onFeet).map((tick) =>
          line(tick, proofTickTexts[tick].title, proofTickTexts[tick].detail, said.ticks[tick], (done) =>
            say(({ ticks: { [tick]: _, ...ticks }, ...one }) => ({
              ...one,
              ticks: done ? { ...ticks, [tick]: done } : ticks,
            })),
          ),
        )}
        {growthOpen
          ? line('growth', proveWords.growthZero, proveWords.growthZeroDetail, said.growthZero, (growthZero) =>
              say(({ growthZero: _, ...one }) => ({ ...one, ...(growthZero ? { growthZero } : {}) })),
            )
          : null}
        {closingOpen
          ? line(
              'not-closed',
              proveWords.notClosed,
              said.notClosed?.note ?? '',
              said.notClosed,
              (done) =>
                say(({ notClosed: _, ...one }) => ({
                  ...one,
                  ...(done ? { notClosed: { note: why.trim(), ...done } } : {}),
                })),
              why.trim() !== '',
            )
          : null}
      </List>
      {closingOpen && !said.notClosed && !frozen ? (
        <Field label={`${proveWords.notClosed}: ${proveWords.why.toLowerCase()}`}>
          <Input maxLength={300} value={why} onChange={(event) => setWhy(event.target.value)} />
        </Field>
      ) : null}
    </Sheet>
  )
}
