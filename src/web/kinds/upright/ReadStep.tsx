import styled from 'styled-components'
import { foldDegrees } from '../../../core/frame/angles'
import { emptyQuantity, type Quantity, quantityFrom } from '../../../core/frame/quantity'
import { lengthUnitFor } from '../../../core/frame/usual'
import { type Finding, findingsFor } from '../../../core/kinds/upright/advice/findings'
import { anglesAtBolts, stepsOf } from '../../../core/kinds/upright/document/make'
import type { ProbeSetUp } from '../../../core/shafts/schema'
import { capital } from '../../../words/terms'
import { boltPlace } from '../../../words/upright/bolts'
import { dialName, say } from '../../../words/upright/findings'
import { pageWords } from '../../../words/upright/page/page'
import { OneNumber } from '../../device/OneNumber'
import { Bench, BenchAndSay, BenchHead } from '../../job/frame/Bench'
import { Photographs } from '../../job/photographs/Photographs'
import { Care } from '../../parts/Care'
import { Card, Field, Muted, Select } from '../../parts/controls'
import { QuantityField } from '../../parts/Quantity'
import { type Act, Say } from '../../say/Say'
import { useUprightFrame } from './frame'
import { nextAtBolt } from './indicator'

const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 12px; margin-top: 12px;`

const How = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(250px, 1fr)); gap: 12px; margin-bottom: 16px;`

/** Both dials at every bolt. */
export function ReadStep() {
  const { solved, before, told, settings, frozen, editRound, reminders, document, round, id } = useUprightFrame()
  const length = lengthUnitFor(settings.unit)
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
    change(next.probe.dial.id, (p) => ({ ...p, readings: { ...p.readings, [at.id]: { turns: 0, value } } }), at.id)
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
    <BenchAndSay>
      <Bench id="bench">
        <BenchHead>
          <div>
            <h1>{pageWords.readings}</h1>
            <Muted>{pageWords.bothShaftsTurnedTogetherCoupling(upper.name.toLowerCase())}</Muted>
          </div>
        </BenchHead>
        <HowRead />
        {frozen ? null : (
          <OneNumber
            seed={`${id}${round.id}`}
            next={next && nextAtBolt(next, told)}
            unit={settings.unit}
            resolution={solved.resolution}
            onTake={takeNext}
          />
        )}
        {round.sets.flatMap((set) =>
          set.probes.map((probe) => {
            const state = solved.probes.find(({ dial }) => dial.id === probe.id)
            return (
              <Card
                key={probe.id}
                as="section"
                aria-label={state ? dialName(state, told) : probe.id}
                style={{ marginBottom: 16 }}
              >
                <h2>{state ? dialName(state, told) : probe.id}</h2>
                <Grid>
                  {set.angles.map(({ id, degrees }) => (
                    <div key={id} data-cell={`${probe.id} ${foldDegrees(degrees)}`}>
                      <QuantityField
                        label={capital(boltPlace(degrees, document.line.flange.bolts))}
                        quantity={probe.readings[id]?.value ?? emptyQuantity(settings.unit)}
                        unit={settings.unit}
                        signed
                        readOnly={frozen}
                        onChange={(value: Quantity) =>
                          change(
                            probe.id,
                            (p) => ({
                              ...p,
                              readings: { ...p.readings, [id]: { turns: 0, ...p.readings[id], value } },
                            }),
                            id,
                          )
                        }
                      />
                    </div>
                  ))}
                  <QuantityField
                    label={
                      probe.station.toward === 'right'
                        ? pageWords.heightAboveTheCoupling
                        : pageWords.depthBelowTheCoupling
                    }
                    quantity={probe.station.distance}
                    unit={length}
                    readOnly={frozen}
                    onChange={(distance: Quantity) =>
                      change(probe.id, (p) => ({ ...p, station: { ...p.station, distance } }), 'station')
                    }
                  />
                  <QuantityField
                    label={pageWords.hubRadius}
                    hint={pageWords.ifKnown}
                    quantity={probe.radius}
                    unit={length}
                    readOnly={frozen}
                    onChange={(radius: Quantity) => change(probe.id, (p) => ({ ...p, radius }), 'radius')}
                  />
                </Grid>
              </Card>
            )
          }),
        )}
        <Photographs at="read" />
        <Care of="plunger" />
      </Bench>
      <Say
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
    </BenchAndSay>
  )
}

/** At which bolts it is read, and how the machine sits on its flange. */
function HowRead() {
  const { document, round, frozen, editRound } = useUprightFrame()
  const { bolts } = document.line.flange
  const [, upper] = document.line.machines
  const steps = stepsOf(bolts)
  const count = round.sets[0]?.angles.length ?? bolts
  const step = steps.find((one) => bolts / one === count) ?? 1
  return (
    <How>
      {steps.length > 1 ? (
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
                sets: one.sets.map((set) => ({ ...set, angles: anglesAtBolts(bolts, Number(n)) })),
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
