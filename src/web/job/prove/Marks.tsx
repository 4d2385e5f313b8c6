import { useMemo } from 'react'
import styled from 'styled-components'
import { marksOf, type ProofRound } from '../../../core/prove/proof'
import { positiveMm, quantityMm } from '../../../core/quantity/quantity'
import { graduationMm, sags, setPurpose } from '../../../core/shafts/typed'
import { proveWords } from '../../../words/page/prove'
import type { ProofTerms } from '../../../words/prove'
import { couplingName, lengthWithUnit, probeName, signedLength, unitName } from '../../../words/terms'
import { Muted } from '../../parts/controls'
import { DialFace } from './DialFace'
import { Folded } from './parts'

const Faces = styled.ul`
  list-style: none; margin: 0; padding: 0; display: grid; grid-template-columns: repeat(auto-fill, minmax(300px, 1fr)); gap: 12px;
  li { display: grid; grid-template-columns: 96px 1fr; gap: 12px; align-items: center; }
  h4 { margin: 0; font-size: 15px; } p { font-size: 14px; }
`

/** Rounded down: a mark that stands a little too near is safe. */
const down = (mm: number, step: number): number => Math.floor(mm / step + 1e-9) * step

/** Where to set a dial's limit hands so that the needle itself shows whether the coupling is within. */
export function Marks({ round, terms }: { round: ProofRound; terms: ProofTerms }) {
  const step = terms.unit === 'mil' ? 0.00254 : 0.001
  const fine = { ...terms, resolution: step }
  const couplings = useMemo(
    () =>
      round.joints.flatMap((joint) => {
        const marks = marksOf(joint)
        const source = joint.sources.find(({ set }) => setPurpose(set) === 'plan')
        return marks && source ? [{ id: joint.id, half: down(marks.vector, step), source }] : []
      }),
    [round, step],
  )
  if (couplings.length === 0) return null
  return (
    <Folded title={proveWords.marks}>
      <Muted>{proveWords.marksMean}</Muted>
      {couplings.map(({ id, half, source: { set, probes } }) => (
        <div key={id}>
          <h3 style={{ fontSize: 15 }}>
            {couplingName(id, terms)}: {proveWords.setByHalf(lengthWithUnit(half, fine))}
          </h3>
          <Faces>
            {probes.map((probe) => {
              const sag = sags(probe) ? (quantityMm(probe.sag) ?? 0) : 0
              const name = probeName(set, probe, terms)
              return (
                <li key={probe.id}>
                  <DialFace
                    label={proveWords.dialFace(name)}
                    turn={positiveMm(probe.turn) ?? 100 * graduationMm(probe)}
                    at={sag}
                    marks={[sag - 2 * half, sag + 2 * half]}
                  />
                  <div>
                    <h4>{name}</h4>
                    <p>
                      {proveWords.zeroedOnTop(
                        signedLength(sag, terms),
                        signedLength(sag - 2 * half, fine),
                        `${signedLength(sag + 2 * half, fine)} ${unitName[terms.unit]}`,
                        lengthWithUnit(2 * half, fine),
                      )}
                    </p>
                  </div>
                </li>
              )
            })}
          </Faces>
        </div>
      ))}
    </Folded>
  )
}
