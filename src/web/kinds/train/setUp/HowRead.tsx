import { useState } from 'react'
import styled from 'styled-components'
import { makeSet } from '../../../../core/kinds/train/document/make'
import type { Line } from '../../../../core/kinds/train/document/schema'
import { goesRound } from '../../../../core/probes'
import { withPurpose } from '../../../../core/shafts/make'
import { type Method, methods, type ReadSet } from '../../../../core/shafts/schema'
import { purposes } from '../../../../core/shafts/together'
import { isCoupled, readsRunning, runningMethods, sags, setPurpose } from '../../../../core/shafts/typed'
import { capital, methodNames, purposeNames, sideName } from '../../../../words/terms'
import { howReadText } from '../../../../words/train/howRead'
import { setUpWords } from '../../../../words/train/page/setUp'
import { Choices, Fault, Field, Muted, Select } from '../../../parts/controls'

const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px 16px; align-items: end;`
/** What is usual stands as one sentence; who wants it otherwise opens it. */
const Fold = styled.details`
  summary { cursor: pointer; min-height: 44px; display: flex; flex-wrap: wrap; gap: 4px 10px; align-items: center; b { color: var(--kelp); text-decoration: underline; text-underline-offset: 3px; } }
  &[open] summary b { visibility: hidden; }
`
const Stated = styled.div`display: grid; gap: 4px; > span { font-size: 13px; color: var(--muted); }`

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
  const running = setPurpose(set) === 'running'
  const [refused, setRefused] = useState(false)
  const remake = (method: Method, on: string) =>
    onSet((s) => {
      const fresh = makeSet(line, s.coupling, s.id, unit, method, on)
      // a result is told plane by plane, everything else round a turn
      if (method !== 'result' && s.method !== 'result') return { ...s, method, probes: fresh.probes }
      const { angleAs: _, ...bare } = s
      return {
        ...bare,
        method,
        angles: fresh.angles,
        probes: fresh.probes,
        ...(fresh.angleAs ? { angleAs: fresh.angleAs } : {}),
      }
    })
  const turns = set.probes.some(goesRound)
  const oneSided = turns && set.method !== 'reverse-dial' && set.method !== 'twin-heads' && set.method !== 'own'
  return (
    <>
      <Row>
        <Field label={setUpWords.method}>
          <Select
            disabled={locked}
            value={set.method}
            options={(running
              ? methods.filter((one) => runningMethods.includes(one) || one === set.method)
              : methods
            ).map((value) => ({ value, text: methodNames[value] }))}
            onPick={(method) => remake(method as Method, touched)}
          />
        </Field>
        {oneSided ? (
          <Field
            label={
              set.method === 'two-plane-head' || set.method === 'prism-head'
                ? setUpWords.detectorOn
                : setUpWords.readOnTheHubOf
            }
          >
            <Select
              disabled={locked}
              value={touched}
              options={beside.map(({ id, name }) => ({ value: id, text: name }))}
              onPick={(on) => remake(set.method, on)}
            />
          </Field>
        ) : null}
        {locked && !frozen ? <Muted>{setUpWords.readingsEnteredForAnotherMethod}</Muted> : null}
      </Row>
      <Fold>
        <summary>
          <span>{howReadText(set, line)}</span> <b>{setUpWords.change}</b>
        </summary>
        <Row>
          <Stated>
            <span>{setUpWords.purpose}</span>
            <Choices
              label={setUpWords.purposeOfTheseReadings}
              value={setPurpose(set)}
              isDisabled={frozen}
              options={purposes.map((value) => ({ value, text: capital(purposeNames[value]) }))}
              onChange={(purpose) => {
                const dials = purpose === 'running' && !readsRunning(set)
                setRefused(dials)
                if (!dials) onSet((s) => withPurpose(s, purpose))
              }}
            />
          </Stated>
          {turns ? (
            <>
              <Stated>
                <span>{setUpWords.turned}</span>
                <Choices
                  label={setUpWords.whichShaftsTurn}
                  value={set.turned ?? 'both'}
                  isDisabled={frozen}
                  options={[
                    { value: 'both', text: setUpWords.bothShaftsTogether },
                    { value: 'one', text: setUpWords.bracketsShaftOnly },
                  ]}
                  onChange={(turned) => onSet((s) => ({ ...s, turned }))}
                />
              </Stated>
              <Stated>
                <span>{setUpWords.turningFromTheTopToward}</span>
                <Choices
                  label={setUpWords.directionOfRotation}
                  value={set.direction ?? 'far'}
                  isDisabled={frozen}
                  options={[
                    { value: 'far', text: sideName('far', terms) },
                    { value: 'near', text: sideName('near', terms) },
                  ]}
                  onChange={(direction) => onSet((s) => ({ ...s, direction }))}
                />
              </Stated>
              {set.probes.some(sags) ? (
                <Stated>
                  <span>{setUpWords.zeroed}</span>
                  <Choices
                    label={setUpWords.howTheDialsWereZeroed}
                    value={set.zeroed ?? 'any'}
                    isDisabled={frozen}
                    options={[
                      { value: 'any', text: setUpWords.anywhere },
                      { value: 'halved', text: setUpWords.atASideThenHalved },
                      { value: 'sag', text: setUpWords.setToSagAtThe },
                      { value: 'planes', text: setUpWords.atTheTopAndASide },
                    ]}
                    onChange={(zeroed) => onSet((s) => ({ ...s, zeroed }))}
                  />
                </Stated>
              ) : null}
              <Stated>
                <span>{setUpWords.anglesGivenBy}</span>
                <Choices
                  label={setUpWords.howAnglesAreGiven}
                  value={set.angleAs === 'planes' ? 'quarters' : (set.angleAs ?? 'quarters')}
                  options={[
                    { value: 'quarters', text: setUpWords.quarters },
                    { value: 'degrees', text: setUpWords.degrees },
                    { value: 'clock-left', text: setUpWords.clockFromTheLeftEnd },
                    { value: 'clock-right', text: setUpWords.clockFromTheRightEnd },
                  ]}
                  isDisabled={frozen}
                  onChange={(angleAs) => onSet((s) => ({ ...s, angleAs }))}
                />
              </Stated>
            </>
          ) : null}
        </Row>
      </Fold>
      {refused || (running && !readsRunning(set)) ? <Fault role="alert">{setUpWords.noDialsRunning}</Fault> : null}
      <Muted>
        {running ? setUpWords.whileItRuns : turns ? setUpWords.turnOneWayOnlyTo(whatOf(set)) : setUpWords.readByItself}
      </Muted>
      {isCoupled(set) ? <Fault>{setUpWords.withTheCouplingConnectedThe}</Fault> : null}
    </>
  )
}

/** What the choices mean for the hands, beyond the usual. */
function whatOf({ zeroed, turned }: ReadSet): string {
  const said: string[] = []
  if (zeroed === 'halved') said.push(setUpWords.zeroAtOneSideTurn)
  if (zeroed === 'sag') said.push(setUpWords.atTheTopSetThe)
  if (zeroed === 'planes') said.push(setUpWords.zeroOnTopReadBottom)
  if (turned === 'one') said.push(setUpWords.theHubThatStandsStill)
  return said.join('')
}
