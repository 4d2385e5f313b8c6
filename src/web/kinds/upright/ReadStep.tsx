import styled from 'styled-components'
import { type Finding, findingsFor } from '../../../core/kinds/upright/advice/findings'
import {
  anglesAtBolts,
  makeSet,
  stepsOf,
  type UprightMethod,
  uprightMethods,
} from '../../../core/kinds/upright/document/make'
import { foldDegrees } from '../../../core/quantity/angles'
import { quantityFrom } from '../../../core/quantity/quantity'
import type { ProbeSetUp, ReadSet } from '../../../core/shafts/schema'
import { readingKey, readingsIn, runningMethods, setPurpose } from '../../../core/shafts/typed'
import { inText, methodNames, purposeNames } from '../../../words/terms'
import { say } from '../../../words/upright/findings'
import { pageWords } from '../../../words/upright/page/page'
import { OneNumber } from '../../device/OneNumber'
import { BenchHead, WorkArea, WorkAreaAndFindings } from '../../job/frame/WorkArea'
import { Photographs } from '../../job/photographs/Photographs'
import { Care } from '../../parts/Care'
import { Field, Muted, Select } from '../../parts/controls'
import { type Act, FindingsPanel } from '../../say/FindingsPanel'
import { useUprightFrame } from './frame'
import { nextAtBolt } from './indicator'
import { ProbeCard } from './ProbeCard'

const How = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(250px, 1fr)); gap: 12px; margin-bottom: 16px;`

/** Both dials at every bolt. */
export function ReadStep() {
  const { solved, before, told, settings, frozen, editRound, reminders, document, round, id } = useUprightFrame()
  const [upper] = [document.line.machines[1]]
  const change = (id: string, to: (probe: ProbeSetUp) => ProbeSetUp, mark: string) =>
    editRound(
      (one) => ({
        ...one,
        sets: one.sets.map((set) => ({
          ...set,
          probes: set.probes.map((probe) => (probe.id === id ? to(probe) : probe)),
        })),
      }),
      `${id}:${mark}`,
    )
  const findings = findingsFor(solved, 'read', before)
  const next = findings.find((one) => one.kind === 'next-reading')
  const takeNext = (mm: number) => {
    const angle = next && round.sets.find(({ id }) => id === next.probe.set.id)?.angles
    const at = angle?.find(({ degrees }) => foldDegrees(degrees) === foldDegrees(next?.degrees ?? 0))
    if (!next || !at) return
    const value = quantityFrom(mm, settings.unit, settings.unit === 'mm' ? 3 : 2)
    const key = readingKey(at.id, next.probe.channel)
    change(next.probe.dial.id, (p) => ({ ...p, readings: { ...p.readings, [key]: { turns: 0, value } } }), key)
  }
  const cell = (probe: string, degrees: number) => `[data-cell="${probe} ${foldDegrees(degrees)}"] input`
  const actsFor = (finding: Finding): Act[] =>
    finding.kind === 'next-reading' || finding.kind === 'not-a-number'
      ? [
          {
            text: pageWords.enterIt,
            main: finding.kind === 'next-reading',
            run: () =>
              window.document.querySelector<HTMLInputElement>(cell(finding.probe.id, finding.degrees))?.focus(),
          },
        ]
      : []
  return (
    <WorkAreaAndFindings>
      <WorkArea id="bench">
        <BenchHead>
          <div>
            <h1>{pageWords.readings}</h1>
            <Muted>{pageWords.bothShaftsTurnedTogetherCoupling(inText(upper.name))}</Muted>
          </div>
        </BenchHead>
        <HowRead />
        {frozen || round.sets.every(({ probes }) => probes.every(({ type }) => type !== 'rim')) ? null : (
          <OneNumber
            seed={`${id}${round.id}`}
            next={next && nextAtBolt(next, told)}
            unit={settings.unit}
            resolution={solved.resolution}
            onTake={takeNext}
          />
        )}
        {round.sets.map((set, i) => (
          <section key={set.id} aria-label={setName(set, i, round.sets.length)}>
            <SetHead set={set} number={i} of={round.sets.length} />
            {set.probes.map((probe) => (
              <ProbeCard key={probe.id} set={set} probe={probe} onProbe={(to, mark) => change(probe.id, to, mark)} />
            ))}
          </section>
        ))}
        <Photographs at="read" />
        <Care of="plunger" />
      </WorkArea>
      <FindingsPanel
        items={[
          ...reminders,
          ...findings.map((finding, i) => ({
            key: `${finding.kind} ${i}`,
            peg: finding.peg,
            said: say(finding, told),
            acts: actsFor(finding),
          })),
        ]}
      />
    </WorkAreaAndFindings>
  )
}

/** At which bolts it is read, and how the machine sits on its flange. */
function HowRead() {
  const { document, round, frozen, editRound } = useUprightFrame()
  // what an instrument worked out by itself is read at no bolt
  const turned = round.sets.filter(({ angleAs }) => angleAs !== 'planes')
  const { bolts } = document.line.flange
  const [, upper] = document.line.machines
  const steps = stepsOf(bolts)
  const count = turned[0]?.angles.length ?? bolts
  const step = steps.find((one) => bolts / one === count) ?? 1
  return (
    <How>
      {steps.length > 1 && turned.length > 0 ? (
        <Field label={pageWords.readAt}>
          <Select
            disabled={frozen}
            value={String(step)}
            options={steps.map((n) => ({
              value: String(n),
              text: n === 1 ? pageWords.everyBolt : pageWords.everyNth(n, bolts / n),
            }))}
            onPick={(n) =>
              editRound((one) => ({
                ...one,
                // what was read at a bolt that is left out stays typed, and counts again when it comes back
                sets: one.sets.map((set) =>
                  set.angleAs === 'planes' ? set : { ...set, angles: anglesAtBolts(bolts, Number(n)) },
                ),
              }))
            }
          />
        </Field>
      ) : null}
      <Field label={pageWords.seated(upper.name)}>
        <Select
          disabled={frozen}
          value={String(round.seated ?? 0)}
          options={Array.from({ length: bolts }, (_, n) => ({
            value: String(n),
            text: n === 0 ? pageWords.asItStood : pageWords.boltPlaces(n),
          }))}
          onPick={(n) => editRound((one) => ({ ...one, seated: Number(n) }))}
        />
      </Field>
    </How>
  )
}

/** A set by its number where there are several, and what it is for. */
const setName = (set: ReadSet, i: number, of: number): string =>
  of > 1 ? pageWords.set(i + 1, purposeNames[setPurpose(set)]) : pageWords.readings

/** By which method a set is read; another one once nothing is read yet. */
function SetHead({ set, number, of }: { set: ReadSet; number: number; of: number }) {
  const { document, frozen, editRound, settings } = useUprightFrame()
  const begun = readingsIn([set]) > 0
  const running = setPurpose(set) === 'running'
  const remade = (method: UprightMethod): ReadSet => ({
    ...makeSet(document.line, set.id, settings.unit, method),
    state: set.state,
    ...(set.purpose ? { purpose: set.purpose } : {}),
  })
  return (
    <How>
      <Field label={of > 1 ? setName(set, number, of) : pageWords.method}>
        <Select
          disabled={frozen || begun}
          value={set.method}
          options={uprightMethods
            .filter((one) => !running || runningMethods.includes(one) || one === set.method)
            .map((value) => ({ value, text: methodNames[value] }))}
          onPick={(method) =>
            editRound((one) => ({
              ...one,
              sets: one.sets.map((was) => (was.id === set.id ? remade(method as UprightMethod) : was)),
            }))
          }
        />
      </Field>
      {begun && !frozen ? <Muted>{pageWords.otherMethodOnceCleared}</Muted> : null}
    </How>
  )
}
