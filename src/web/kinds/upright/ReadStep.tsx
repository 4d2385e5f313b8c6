import styled from 'styled-components'
import { foldDegrees } from '../../../core/frame/angles'
import { emptyQuantity, type Quantity } from '../../../core/frame/quantity'
import { lengthUnitFor } from '../../../core/frame/usual'
import { type Finding, findingsFor } from '../../../core/kinds/upright/advice/findings'
import type { ProbeSetUp } from '../../../core/shafts/schema'
import { boltName, dialName, say } from '../../../words/upright/findings'
import { pageWords } from '../../../words/upright/page/page'
import { Bench, BenchAndSay, BenchHead } from '../../job/frame/Bench'
import { Photographs } from '../../job/photographs/Photographs'
import { Card, Muted } from '../../parts/controls'
import { QuantityField } from '../../parts/Quantity'
import { type Act, Say } from '../../say/Say'
import { useUprightFrame } from './frame'

const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 12px; margin-top: 12px;`

/** Both dials at every bolt. */
export function ReadStep() {
  const { solved, told, settings, frozen, editRound, reminders, document, round } = useUprightFrame()
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
                  {set.angles.map(({ id, degrees }, i) => (
                    <div key={id} data-cell={`${probe.id} ${foldDegrees(degrees)}`}>
                      <QuantityField
                        label={boltName(i + 1)}
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
      </Bench>
      <Say
        items={[
          ...reminders,
          ...findingsFor(solved, 'read').map((finding, i) => ({
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
