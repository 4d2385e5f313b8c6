import { useEffect, useMemo, useRef, useState } from 'react'
import styled from 'styled-components'
import { type Drawn, type DrawProblem, type KnownTo, sharesOf } from '../../../core/prove/draws'
import { type ProofJoint, type ProofRound, problemOf } from '../../../core/prove/proof'
import type { ProofSaid } from '../../../core/prove/schema'
import { parseNumber } from '../../../core/quantity/number'
import { emptyQuantity, quantityMm } from '../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { togetherOf } from '../../../core/shafts/together'
import { proveWords } from '../../../words/page/prove'
import { type ProofTerms, percentOf, sayShare } from '../../../words/prove'
import { capital, couplingName, lengthWithUnit, probeName, slope } from '../../../words/terms'
import { drawInWorker } from '../../draws/draws'
import { Button, Choices, Field, Input, Muted } from '../../parts/controls'
import { QuantityField } from '../../parts/Quantity'
import { Cloud } from './Cloud'
import { Folded, Row, type SayProof } from './parts'

const draws = 100_000
const Clouds = styled.div`display: flex; flex-wrap: wrap; gap: 16px;`

type Known = NonNullable<ProofSaid['knownTo']>

/** What is usual: ±2 mm by tape, ±0.01 mm of sag, a fifth of the growth; limits taken as they stand. */
const usual: Known = {
  tape: { text: '2', unit: 'mm' },
  sag: { text: '0.01', unit: 'mm' },
  growth: '20',
  limits: '0',
}

const percent = (text: string): number => {
  const typed = parseNumber(text)
  return typed.ok && typed.value > 0 ? typed.value / 100 : 0
}

/** Half of what is typed: plus or minus is meant as two standard deviations. */
const knownOf = ({ tape, sag, growth, limits }: Known): KnownTo => ({
  tape: Math.abs(quantityMm(tape) ?? 0) / 2,
  sag: Math.abs(quantityMm(sag) ?? 0) / 2,
  growth: percent(growth) / 2,
  limits: percent(limits) / 2,
})

/** The doubt as a whole: a coupling drawn many times with everything uncertain together, and what most of it comes from. */
export function Doubt(props: {
  round: ProofRound
  said: ProofSaid
  say: SayProof
  terms: ProofTerms
  frozen: boolean
}) {
  const { round, said, say, terms, frozen } = props
  const [chosen, choose] = useState(round.joints[0]?.id ?? '')
  const joint = round.joints.find(({ id }) => id === chosen) ?? round.joints[0]
  const known = said.knownTo ?? usual
  const problem = useMemo(() => joint && problemOf(joint, knownOf(known)), [joint, known])
  const edit = (change: Partial<Known>, mark: string) =>
    say((one) => ({ ...one, knownTo: { ...(one.knownTo ?? usual), ...change } }), mark)
  return (
    <Folded title={proveWords.howSure}>
      <Muted>{proveWords.howSureBecause}</Muted>
      {round.joints.length > 1 ? (
        <Row>
          <Choices
            label={proveWords.howSure}
            value={joint?.id ?? ''}
            options={round.joints.map(({ id }) => ({ value: id, text: couplingName(id, terms) }))}
            onChange={choose}
          />
        </Row>
      ) : null}
      <Row>
        {(['tape', 'sag'] as const).map((key) => (
          <QuantityField
            key={key}
            label={proveWords[key]}
            quantity={known[key] ?? emptyQuantity('mm')}
            unit={key === 'tape' ? lengthUnitFor(terms.unit) : terms.unit}
            readOnly={frozen}
            onChange={(quantity) => edit({ [key]: quantity }, key)}
          />
        ))}
        {(['growth', 'limits'] as const).map((key) => (
          <Field key={key} label={proveWords[key]}>
            <Input
              style={{ width: 110 }}
              inputMode="decimal"
              maxLength={6}
              readOnly={frozen}
              value={known[key]}
              onChange={(event) => edit({ [key]: event.target.value }, key)}
            />
          </Field>
        ))}
      </Row>
      {problem && joint ? (
        <Draws key={joint.id} problem={problem} joint={joint} terms={terms} />
      ) : (
        <Muted>{proveWords.cannotDraw}</Muted>
      )}
    </Folded>
  )
}

/** The draws of one coupling: asked for, on their way, or there. */
function Draws({ problem, joint, terms }: { problem: DrawProblem; joint: ProofJoint; terms: ProofTerms }) {
  const [state, setState] = useState<{ of: DrawProblem; count: number; drawn?: Drawn }>()
  const running = useRef<(() => void) | undefined>(undefined)
  const stop = () => {
    running.current?.()
    running.current = undefined
  }
  // what was drawn of other numbers is no answer to these
  const current = state?.of === problem ? state : undefined
  useEffect(() => () => running.current?.(), [])
  const begin = () => {
    stop()
    setState({ of: problem, count: 0 })
    const { drawn, cancel } = drawInWorker(problem, draws, (count) =>
      setState((now) => (now?.of === problem && !now.drawn ? { of: problem, count } : now)),
    )
    running.current = cancel
    void drawn.then((found) => setState({ of: problem, count: found.draws, drawn: found }))
  }
  const cancel = () => {
    stop()
    setState(undefined)
  }
  const count = (number: number) => number.toLocaleString('en')
  const shares = useMemo(() => sharesOf(problem), [problem])
  const kept = togetherOf(joint.sets).together
  const nameOf = (probe: { set: number; probe: number } | undefined) => {
    const source = probe && joint.sources[probe.set]
    const typed = source?.probes[probe?.probe ?? 0]
    const name = source && typed ? probeName(source.set, typed, terms) : undefined
    return name && kept.length > 1 ? `${name} (${(probe?.set ?? 0) + 1})` : name
  }
  const drawn = current?.drawn
  return (
    <>
      <Row>
        {current && !drawn ? (
          <>
            <progress value={current.count} max={draws} aria-label={proveWords.drawing(count(current.count))} />
            <Button onPress={cancel}>{proveWords.cancel}</Button>
          </>
        ) : (
          <Button onPress={begin}>{proveWords.draw(count(draws))}</Button>
        )}
      </Row>
      {drawn ? <Result problem={problem} drawn={drawn} terms={terms} /> : null}
      <ul style={{ margin: 0, paddingLeft: 20 }}>
        {shares.slice(0, 3).map((share) => (
          <li key={`${share.what}${share.probe?.set}${share.probe?.probe}`}>{sayShare(share, nameOf(share.probe))}</li>
        ))}
      </ul>
    </>
  )
}

function Result({ problem, drawn, terms }: { problem: DrawProblem; drawn: Drawn; terms: ProofTerms }) {
  const { limits } = problem
  const points = useMemo(() => {
    const cloud = Array.from({ length: drawn.cloud.length / 4 }, (_, i) => drawn.cloud.subarray(4 * i, 4 * i + 4))
    return {
      offsets: cloud.map(([y = 0, , z = 0]) => [y, z] as const),
      angles: cloud.map(([, y = 0, , z = 0]) => [y, z] as const),
    }
  }, [drawn])
  const fine = { ...terms, resolution: 0.001 }
  return (
    <>
      <p role="status" style={{ fontWeight: 650 }}>
        {capital(proveWords.inside(percentOf(drawn.within / drawn.draws), drawn.draws.toLocaleString('en')))}
      </p>
      <Clouds>
        <Cloud
          label={proveWords.cloudOf(proveWords.offsets)}
          title={proveWords.offsets}
          points={points.offsets}
          most={limits.judgesOffset ? limits.offset : undefined}
          show={(value) => lengthWithUnit(value, fine)}
        />
        <Cloud
          label={proveWords.cloudOf(proveWords.angles)}
          title={proveWords.angles}
          points={points.angles}
          most={problem.joint.flexPlanes ? undefined : limits.slope}
          show={(value) => slope(value, terms.unit)}
        />
      </Clouds>
    </>
  )
}
