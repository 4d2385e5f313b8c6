import styled from 'styled-components'
import { goesRound, probeKinds } from '../../../core/probes'
import { foldDegrees } from '../../../core/quantity/angles'
import { emptyQuantity, type Quantity } from '../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../core/quantity/usual'
import type { ProbeSetUp, ReadSet } from '../../../core/shafts/schema'
import { channelsOf, readingKey } from '../../../core/shafts/typed'
import { plusWords, sayPlus } from '../../../words/probes'
import { capital } from '../../../words/terms'
import { dialName, placeOf, wayNames } from '../../../words/upright/findings'
import { pageWords } from '../../../words/upright/page/page'
import { CountsOther } from '../../parts/CountsOther'
import { Card, Field, Muted, Select } from '../../parts/controls'
import { noPlus, PlusMeans } from '../../parts/PlusMeans'
import { QuantityField } from '../../parts/Quantity'
import { useUprightFrame } from './frame'

/** Laid out with what stands beside them. */
const Readings = styled.div`display: contents;`
const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 12px; margin-top: 12px;`

/** One probe of an upright pair: what it read at every bolt, where it stands and what is known of it. */
export function ProbeCard(props: {
  set: ReadSet
  probe: ProbeSetUp
  onProbe: (change: (probe: ProbeSetUp) => ProbeSetUp, mark: string) => void
}) {
  const { set, probe, onProbe } = props
  const { told, settings, frozen, document } = useUprightFrame()
  const { line } = document
  const { unit } = settings
  const length = lengthUnitFor(unit)
  const kind = probeKinds[probe.type]
  const put = (some: Partial<ProbeSetUp>, mark: string) => onProbe((p) => ({ ...p, ...some }), mark)
  const number = (
    key: 'radius' | 'diameter' | 'sd' | 'gapSd',
    label: string,
    of: 'length' | 'reading',
    hint?: string,
  ) => (
    <QuantityField
      minus
      label={label}
      quantity={probe[key] ?? emptyQuantity(of === 'length' ? length : unit)}
      unit={of === 'length' ? length : unit}
      readOnly={frozen}
      {...(hint ? { hint } : {})}
      onChange={(value: Quantity) => put({ [key]: value }, key)}
    />
  )
  return (
    <>
      {channelsOf(probe).map((channel, k) => {
        const name = dialName({ dial: probe, channel }, told)
        const plus = sayPlus(probe, channel, wayNames(line))
        return (
          <Card key={channel ?? ''} as="section" aria-label={name} style={{ marginBottom: 16 }}>
            <h2>{name}</h2>
            {k === 0 && kind.instrument === 'result' ? (
              <PlusMeans
                plus={probe.plus ?? noPlus}
                machine={line.machines.find(({ id }) => id === probe.on)?.name ?? ''}
                names={wayNames(line)}
                asked={pageWords.asked}
                frozen={frozen}
                onChange={(plus) => put({ plus }, 'plus')}
              />
            ) : null}
            {plus ? <Muted as="p">{capital(plus)}.</Muted> : null}
            <Grid>
              <Readings data-column>
                {set.angles.map(({ id, degrees }) => {
                  const key = readingKey(id, channel)
                  return (
                    <div key={id} data-cell={`${readingKey(probe.id, channel)} ${foldDegrees(degrees)}`}>
                      <QuantityField
                        label={capital(placeOf(degrees, set, line))}
                        quantity={probe.readings[key]?.value ?? emptyQuantity(unit)}
                        unit={unit}
                        signed
                        readOnly={frozen}
                        onChange={(value: Quantity) =>
                          onProbe(
                            (p) => ({
                              ...p,
                              readings: { ...p.readings, [key]: { turns: 0, ...p.readings[key], value } },
                            }),
                            key,
                          )
                        }
                      />
                    </div>
                  )
                })}
              </Readings>
              {kind.stations === 0 || k > 0 ? null : (
                <QuantityField
                  label={
                    probe.station.toward === 'right'
                      ? pageWords.heightAboveTheCoupling
                      : pageWords.depthBelowTheCoupling
                  }
                  quantity={probe.station.distance}
                  unit={length}
                  readOnly={frozen}
                  onChange={(distance: Quantity) => put({ station: { ...probe.station, distance } }, 'station')}
                />
              )}
              {kind.instrument === 'result'
                ? k === 0
                  ? number('sd', plusWords.offsetSd, 'reading', plusWords.asItsMakerSays)
                  : [
                      <div key="over">{number('diameter', plusWords.gapOver, 'length', plusWords.slopeAsGap)}</div>,
                      <div key="sd">{number('gapSd', plusWords.gapSd, 'reading')}</div>,
                    ]
                : null}
              {kind.instrument === 'head' ? number('sd', pageWords.goodTo, 'reading') : null}
              {kind.instrument === 'dial' && kind.radius !== 'none'
                ? kind.radius === 'needed'
                  ? number('radius', pageWords.radiusItTravelsOn, 'length')
                  : number('radius', pageWords.hubRadius, 'length', pageWords.ifKnown)
                : null}
              {kind.mark === 'along' ? (
                <Field label={pageWords.onTheFace}>
                  <Select
                    disabled={frozen}
                    value={probe.side ?? 'front'}
                    options={[
                      { value: 'front', text: pageWords.frontFace },
                      { value: 'back', text: pageWords.backFace },
                    ]}
                    onPick={(side) => put({ side: side as 'front' | 'back' }, 'side')}
                  />
                </Field>
              ) : null}
            </Grid>
            {kind.instrument === 'head' && goesRound(probe) ? (
              <CountsOther
                checked={probe.counts === 'other'}
                frozen={frozen}
                onChange={(other) =>
                  onProbe(({ counts: _, ...bare }) => (other ? { ...bare, counts: 'other' } : bare), 'counts')
                }
              />
            ) : null}
          </Card>
        )
      })}
    </>
  )
}
