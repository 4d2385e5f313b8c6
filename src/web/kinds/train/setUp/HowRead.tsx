import styled from 'styled-components'
import { makeSet } from '../../../../core/kinds/train/document/make'
import type { Line } from '../../../../core/kinds/train/document/schema'
import { withPurpose } from '../../../../core/shafts/make'
import { type Method, methods, type ReadSet } from '../../../../core/shafts/schema'
import { purposes } from '../../../../core/shafts/together'
import { isCoupled, sags, setPurpose } from '../../../../core/shafts/typed'
import { capital, methodNames, purposeNames, sideName } from '../../../../words/terms'
import { Choices, Fault, Field, Muted, Select } from '../../../parts/controls'

const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px 16px; align-items: end;`
const Told = styled.div`display: grid; gap: 4px; > span { font-size: 13px; color: var(--muted); }`

interface Props {
  set: ReadSet
  line: Line
  unit: 'mm' | 'mil'
  frozen: boolean
  onSet: (change: (set: ReadSet) => ReadSet, mark?: string) => void
}

const begun = (set: ReadSet): boolean =>
  set.probes.some((probe) => probe.sweep || Object.values(probe.readings).some(({ value }) => value.text !== ''))

/** By what method a set is read and how far the shafts turn: what the arithmetic has to know of the hands. */
export function HowRead({ set, line, unit, frozen, onSet }: Props) {
  const terms = { line }
  const left = line.couplings.findIndex((coupling) => coupling.id === set.coupling)
  const beside = line.machines.slice(left, left + 2)
  const touched = set.probes[0]?.on ?? beside[1]?.id ?? ''
  const locked = frozen || begun(set)
  const remake = (method: Method, on: string) =>
    onSet((s) => {
      const fresh = makeSet(line, s.coupling, s.id, unit, method, on)
      return { ...s, method, probes: fresh.probes }
    })
  const oneSided = set.method !== 'reverse-dial' && set.method !== 'twin-heads' && set.method !== 'own'
  return (
    <>
      <Row>
        <Field label="Method">
          <Select
            disabled={locked}
            value={set.method}
            options={methods.map((value) => ({ value, text: methodNames[value] }))}
            onPick={(method) => remake(method as Method, touched)}
          />
        </Field>
        {oneSided ? (
          <Field label={set.method === 'two-plane-head' ? 'Detector on' : 'Read on the hub of'}>
            <Select
              disabled={locked}
              value={touched}
              options={beside.map(({ id, name }) => ({ value: id, text: name }))}
              onPick={(on) => remake(set.method, on)}
            />
          </Field>
        ) : null}
        {locked && !frozen ? (
          <Muted>Readings are typed: for another method add a set below; both are solved together.</Muted>
        ) : null}
      </Row>
      <Row>
        <Told>
          <span>What it is for</span>
          <Choices
            label="What these readings are for"
            value={setPurpose(set)}
            isDisabled={frozen}
            options={purposes.map((value) => ({ value, text: capital(purposeNames[value]) }))}
            onChange={(purpose) => onSet((s) => withPurpose(s, purpose))}
          />
        </Told>
        <Told>
          <span>Turned</span>
          <Choices
            label="Which shafts turn"
            value={set.turned ?? 'both'}
            isDisabled={frozen}
            options={[
              { value: 'both', text: 'both shafts together' },
              { value: 'one', text: 'only the bracket’s' },
            ]}
            onChange={(turned) => onSet((s) => ({ ...s, turned }))}
          />
        </Told>
        <Told>
          <span>From the top first toward</span>
          <Choices
            label="Direction of turning"
            value={set.direction ?? 'far'}
            isDisabled={frozen}
            options={[
              { value: 'far', text: sideName('far', terms) },
              { value: 'near', text: sideName('near', terms) },
            ]}
            onChange={(direction) => onSet((s) => ({ ...s, direction }))}
          />
        </Told>
        {set.probes.some(sags) ? (
          <Told>
            <span>Zeroed</span>
            <Choices
              label="How the dials were zeroed"
              value={set.zeroed ?? 'any'}
              isDisabled={frozen}
              options={[
                { value: 'any', text: 'anywhere' },
                { value: 'halved', text: 'at a side, set back by half' },
                { value: 'sag', text: 'set to the sag on top' },
              ]}
              onChange={(zeroed) => onSet((s) => ({ ...s, zeroed }))}
            />
          </Told>
        ) : null}
        <Told>
          <span>Angles told by</span>
          <Choices
            label="How angles are told"
            value={set.angleAs ?? 'quarters'}
            options={[
              { value: 'quarters', text: 'quarters' },
              { value: 'degrees', text: 'degrees' },
              { value: 'clock-left', text: 'clock from the left end' },
              { value: 'clock-right', text: 'clock from the right end' },
            ]}
            isDisabled={frozen}
            onChange={(angleAs) => onSet((s) => ({ ...s, angleAs }))}
          />
        </Told>
      </Row>
      <Muted>Turn one way only, so that backlash stays on one side.{whatOf(set)}</Muted>
      {isCoupled(set) ? (
        <Fault>
          Closed up, the shafts bend toward each other: these readings are judged by themselves and plan no move.
        </Fault>
      ) : (
        <Muted>Coupling released.</Muted>
      )}
    </>
  )
}

/** What the choices mean for the hands, beyond the usual. */
function whatOf({ zeroed, turned }: ReadSet): string {
  const said: string[] = []
  if (zeroed === 'halved')
    said.push(
      ' Zero at one side, turn to the other, set back by half: the dial then shows the offset at its station, and one side is enough.',
    )
  if (zeroed === 'sag')
    said.push(
      ' On top set the dial to its sag with the sign turned over: at the bottom aligned shafts then read nothing. The top may stay empty.',
    )
  if (turned === 'one') said.push(' The hub that stands still shows its run-out: give it with each dial.')
  return said.join('')
}
