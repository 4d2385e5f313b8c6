import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { type Proof, type ProofRound, speedOf, verdictIf } from '../../../core/prove/proof'
import { stripSpeeds } from '../../../core/prove/strip'
import { parseNumber } from '../../../core/quantity/number'
import type { VerdictState } from '../../../core/verdict/state'
import { proveWords } from '../../../words/page/prove'
import { type ProofTerms, saySpeed, speedText } from '../../../words/prove'
import { couplingName } from '../../../words/terms'
import { mono } from '../../app/style'
import { Field, Input, Muted } from '../../parts/controls'
import { Peg, pegWord } from '../../parts/Peg'
import { Row, Sheet } from './parts'

const Strip = styled.ol`
  list-style: none; margin: 0; padding: 0; display: flex; flex-wrap: wrap; border: 1px solid var(--rule); border-radius: 4px;
  li { flex: 1 1 110px; display: grid; justify-items: center; gap: 2px; padding: 10px 8px; border-right: 1px solid var(--rule); } li:last-child { border-right: 0; }
  b { ${mono} } small { color: var(--muted); font-size: 13px; }
`

/** How fast the line might turn and still be within; nothing stored changes. */
export function Speeds({ round, proof, terms }: { round: ProofRound; proof: Proof; terms: ProofTerms }) {
  const [tried, setTried] = useState('')
  const { joints } = round
  const own = joints[0]?.allowed.rpm
  const figures = joints.some(({ allowed }) => allowed.tolerance)
  const speeds = useMemo(() => joints.map((joint) => ({ id: joint.id, speed: speedOf(joint) })), [joints])
  const stateAt = useMemo(
    () =>
      (rpm: number): VerdictState => {
        const states = joints.map((joint) => verdictIf(joint, rpm)?.state ?? 'nothing')
        return (['outside', 'nothing', 'unsure'] as const).find((state) => states.includes(state)) ?? 'within'
      },
    [joints],
  )
  const strip = useMemo(
    () => (own ? stripSpeeds(own).map((one) => ({ ...one, peg: stateAt(one.rpm) })) : []),
    [own, stateAt],
  )
  const typed = parseNumber(tried)
  const rpm = typed.ok && typed.value > 0 && typed.value <= 100_000 ? typed.value : undefined
  if (figures)
    return (
      <Sheet aria-label={proveWords.speeds}>
        <h2>{proveWords.speeds}</h2>
        {proof.joints.map(({ id, used }) =>
          used ? <p key={id}>{proveWords.shareUsed((100 * used.share).toFixed(0), couplingName(id, terms))}</p> : null,
        )}
      </Sheet>
    )
  return (
    <Sheet aria-label={proveWords.speeds}>
      <h2>{proveWords.speeds}</h2>
      {strip.length > 0 ? (
        <Strip>
          {strip.map((one) => (
            <li key={`${one.rpm}`}>
              <Peg peg={one.peg} label={pegWord(one.peg)} />
              <b>{speedText(one.rpm)}</b>
              <small>
                {one.what === 'own'
                  ? proveWords.ownSpeed
                  : one.what === 'usual'
                    ? ''
                    : proveWords.times(`${one.what.times}`)}
              </small>
            </li>
          ))}
          {rpm ? (
            <li>
              <Peg peg={stateAt(rpm)} label={pegWord(stateAt(rpm))} />
              <b>{speedText(rpm)}</b>
              <small>{proveWords.tried}</small>
            </li>
          ) : null}
        </Strip>
      ) : null}
      {speeds.map(({ id, speed }) => (
        <p key={id}>{saySpeed(id, speed, terms)}</p>
      ))}
      <Row>
        <Field label={proveWords.tryASpeed}>
          <Input
            style={{ width: 140 }}
            inputMode="numeric"
            maxLength={7}
            value={tried}
            onChange={(event) => setTried(event.target.value)}
          />
        </Field>
        <Muted>{proveWords.nothingStored}</Muted>
      </Row>
    </Sheet>
  )
}
