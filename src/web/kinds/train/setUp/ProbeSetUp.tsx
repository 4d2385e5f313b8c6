import { X } from 'lucide-react'
import styled from 'styled-components'
import type { Line } from '../../../../core/kinds/train/document/schema'
import { type Stations, secondPlane } from '../../../../core/kinds/train/document/stations'
import { goesRound, probeKinds } from '../../../../core/probes'
import { parseNumber } from '../../../../core/quantity/number'
import { emptyQuantity } from '../../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../../core/quantity/usual'
import { secondToward } from '../../../../core/shafts/make'
import type { ProbeSetUp as Probe, ReadSet, Station } from '../../../../core/shafts/schema'
import { sags } from '../../../../core/shafts/typed'
import { plusWords } from '../../../../words/probes'
import { angleInText, capital, dimension, inText, machineName, probeName, sideName } from '../../../../words/terms'
import { setUpWords } from '../../../../words/train/page/setUp'
import { referencesOf } from '../../../../words/train/places'
import { CountsOther } from '../../../parts/CountsOther'
import { Button, Field, Input, Muted, Select } from '../../../parts/controls'
import { noPlus, PlusMeans } from '../../../parts/PlusMeans'
import { QuantityField } from '../../../parts/Quantity'
import { PlusWay } from './CountsPlus'
import { FromKit } from './FromKit'
import { Mounting } from './Mounting'

const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 12px; align-items: start;`

const Own = styled.details`margin-top: 10px; summary { cursor: pointer; min-height: 44px; display: flex; align-items: center; color: var(--muted); }`

interface Props {
  set: ReadSet
  probe: Probe
  line: Line
  stations: Stations
  unit: 'mm' | 'mil'
  frozen: boolean
  onProbe: (change: (probe: Probe) => Probe, mark?: string) => void
  onRemove?: () => void
}

/** Where one probe hangs, what it is, and what is known of it. */
export function ProbeSetUp({ set, probe, line, stations, unit, frozen, onProbe, onRemove }: Props) {
  const terms = { line }
  const length = lengthUnitFor(unit)
  const left = line.couplings.findIndex((coupling) => coupling.id === set.coupling)
  const beside = line.machines.slice(left, left + 2)
  const name = probeName(set, probe, terms)
  const put = (some: Partial<Probe>, mark: string) => onProbe((p) => ({ ...p, ...some }), `${probe.id}:${mark}`)
  const kind = probeKinds[probe.type]
  const head = !sags(probe)
  const result = !goesRound(probe)
  const references = referencesOf(line, set).filter(
    ({ value }) => value !== probe.id && value !== secondPlane(probe.id),
  )
  const place = (station: Station, x: number | undefined, label: string, onChange: (station: Station) => void) => (
    <div data-needed="">
      <QuantityField
        minus
        label={label}
        quantity={station.distance}
        unit={length}
        readOnly={frozen}
        onChange={(distance) => onChange({ ...station, distance })}
        hint={x === undefined ? '' : setUpWords.wardX(capital(station.toward), dimension(x, unit))}
      />
    </div>
  )
  return (
    <section aria-label={setUpWords.setUpOfThe(inText(name))}>
      <h3>
        {name}
        {onRemove && !frozen ? (
          <Button look="quiet" aria-label={setUpWords.removeThe(inText(name))} onPress={onRemove}>
            <X size={16} />
          </Button>
        ) : null}
      </h3>
      {result ? (
        <PlusMeans
          plus={probe.plus ?? noPlus}
          machine={machineName(probe.on, terms)}
          names={{ side: (side) => sideName(side, terms) }}
          frozen={frozen}
          onChange={(plus) => put({ plus }, 'plus')}
        />
      ) : null}
      <Grid>
        <Field label={onWhat[probe.type]}>
          <Select
            disabled={frozen}
            value={probe.on}
            options={beside.map((machine) => ({ value: machine.id, text: machine.name }))}
            onPick={(on) => {
              const toward = on === beside[0]?.id ? ('left' as const) : ('right' as const)
              put(
                {
                  on,
                  station: { ...probe.station, toward },
                  ...(probe.plane2 ? { plane2: { ...probe.plane2, toward: secondToward(probe.type, toward) } } : {}),
                },
                'on',
              )
            }}
          />
        </Field>
        {kind.stations === 0 ? null : (
          <>
            {place(
              probe.station,
              stations.x.get(probe.id),
              kind.second === 'across'
                ? setUpWords.headFromThere
                : kind.stations === 2
                  ? setUpWords.distanceOfPlane1
                  : result
                    ? setUpWords.offsetToldAt
                    : setUpWords.distanceFromThere,
              (station) => put({ station }, 'station'),
            )}
            <Field label={setUpWords.measuredFrom}>
              <Select
                disabled={frozen}
                value={probe.station.from}
                options={references}
                onPick={(from) => put({ station: { ...probe.station, from } }, 'from')}
              />
            </Field>
          </>
        )}
        {kind.stations === 2 && probe.plane2
          ? place(
              probe.plane2,
              stations.x.get(secondPlane(probe.id)),
              kind.second === 'across' ? setUpWords.prismFromTheHead : setUpWords.plane2BeyondPlane1,
              (plane2) => put({ plane2 }, 'plane2'),
            )
          : null}
        {result ? (
          <QuantityField
            label={plusWords.gapOver}
            quantity={probe.diameter ?? emptyQuantity(length)}
            unit={length}
            readOnly={frozen}
            onChange={(diameter) => put({ diameter }, 'diameter')}
            hint={plusWords.slopeAsGap}
          />
        ) : kind.radius === 'none' ? null : (
          <QuantityField
            label={kind.radius === 'refines' ? setUpWords.rimRadius : setUpWords.radiusItTravelsOn}
            quantity={probe.radius}
            unit={length}
            readOnly={frozen}
            onChange={(radius) => put({ radius }, 'radius')}
            hint={kind.radius === 'refines' ? setUpWords.ifKnown : setUpWords.shaftCenterToPlunger}
          />
        )}
        {kind.mark === 'along' ? (
          <>
            <Field label={setUpWords.onTheFace}>
              <Select
                disabled={frozen}
                value={probe.side ?? 'front'}
                options={[
                  { value: 'front', text: setUpWords.frontTowardTheOtherMachine },
                  { value: 'back', text: setUpWords.backOfTheFlange },
                ]}
                onPick={(side) => put({ side: side as 'front' | 'back' }, 'side')}
              />
            </Field>
            <Field label={setUpWords.angleAheadDegrees}>
              <Input
                readOnly={frozen}
                inputMode="numeric"
                value={String(probe.lead ?? 0)}
                onChange={(event) =>
                  put({ lead: Math.max(-360, Math.min(360, Number(event.target.value) || 0)) }, 'lead')
                }
              />
            </Field>
          </>
        ) : null}
        {head ? (
          <QuantityField
            label={result ? plusWords.offsetSd : setUpWords.repeatability1Sd}
            positive
            quantity={probe.sd ?? emptyQuantity(unit)}
            unit={unit}
            readOnly={frozen}
            onChange={(sd) => put({ sd }, 'sd')}
            hint={result ? plusWords.asItsMakerSays : setUpWords.blankHalfTheResolution}
          />
        ) : (
          <div data-needed="">
            <QuantityField
              label={kind.sag === 'positive' ? setUpWords.bracketSagBottomOfBore : setUpWords.bracketSagBottomOfBar}
              signed
              quantity={probe.sag}
              unit={unit}
              readOnly={frozen}
              onChange={(sag) => put({ sag }, 'sag')}
              hint={kind.sag === 'positive' ? setUpWords.normallyAboveZeroItHangs : setUpWords.normallyBelowZero}
            />
          </div>
        )}
        {result ? (
          <QuantityField
            label={plusWords.gapSd}
            positive
            quantity={probe.gapSd ?? emptyQuantity(unit)}
            unit={unit}
            readOnly={frozen}
            onChange={(gapSd) => put({ gapSd }, 'gapSd')}
          />
        ) : null}
        {set.turned === 'one' && !head ? (
          <>
            <QuantityField
              label={setUpWords.runOutOfThatHub}
              quantity={probe.runout?.swing ?? emptyQuantity(unit)}
              unit={unit}
              readOnly={frozen}
              onChange={(swing) => put({ runout: { at: '0', ...probe.runout, swing } }, 'runout')}
            />
            <Field label={setUpWords.highSpotAtDegrees}>
              <Input
                readOnly={frozen}
                inputMode="text"
                maxLength={8}
                value={probe.runout?.at ?? ''}
                onChange={(event) =>
                  put({ runout: { swing: emptyQuantity(unit), ...probe.runout, at: event.target.value } }, 'runout-at')
                }
              />
            </Field>
          </>
        ) : null}
      </Grid>
      {head && !result ? (
        <>
          <PlusWay probe={probe} channel="all" terms={terms} />
          <CountsOther
            checked={probe.counts === 'other'}
            frozen={frozen}
            onChange={(other) =>
              onProbe(({ counts: _, ...bare }) => (other ? { ...bare, counts: 'other' } : bare), `${probe.id}:counts`)
            }
          />
        </>
      ) : null}
      {probe.type === 'prism' ? <Muted>{setUpWords.prismDoubles}</Muted> : null}
      <Own open={probe.correction !== undefined}>
        <summary>{head ? setUpWords.resolutionOfIt : setUpWords.moreOfIt}</summary>
        <Grid>
          <QuantityField
            label={head ? setUpWords.resolution : setUpWords.graduation}
            positive
            quantity={probe.graduation}
            unit={unit}
            readOnly={frozen}
            onChange={(graduation) => put({ graduation }, 'graduation')}
          />
          {head ? null : (
            <>
              <QuantityField
                label={setUpWords.oneTurnOfTheDial}
                quantity={probe.turn}
                unit={unit}
                readOnly={frozen}
                onChange={(turn) => put({ turn }, 'turn')}
              />
              <QuantityField
                label={setUpWords.plungerTravel}
                quantity={probe.travel ?? emptyQuantity(unit)}
                unit={unit}
                readOnly={frozen}
                onChange={(travel) => put({ travel }, 'travel')}
                hint={setUpWords.ifKnown}
              />
              <QuantityField
                label={setUpWords.spanClampToPlunger}
                quantity={probe.span ?? emptyQuantity(length)}
                unit={length}
                readOnly={frozen}
                onChange={(span) => put({ span }, 'span')}
                hint={setUpWords.asMountedHere}
              />
              <Mounting probe={probe} unit={unit} frozen={frozen} onProbe={onProbe} />
            </>
          )}
        </Grid>
      </Own>
      {head && !result && set.angles.length > 0 ? (
        <Own>
          <summary>{setUpWords.actualAnglesDifferSlightlyFrom}</summary>
          <Grid>
            {set.angles.map(({ id, degrees }) => (
              <Field key={id} label={setUpWords.actualAngleAtDegrees(angleInText(degrees, terms, set.angleAs))}>
                <Input
                  readOnly={frozen}
                  inputMode="text"
                  placeholder={String(degrees)}
                  defaultValue={probe.own?.[id] ?? ''}
                  onChange={(event) => {
                    const typed = parseNumber(event.target.value.replace('°', ''))
                    onProbe((p) => {
                      const { [id]: _, ...others } = p.own ?? {}
                      return { ...p, own: typed.ok ? { ...others, [id]: typed.value } : others }
                    }, `${probe.id}:own-${id}`)
                  }}
                />
              </Field>
            ))}
          </Grid>
        </Own>
      ) : null}
      <FromKit probe={probe} unit={unit} frozen={frozen} onProbe={(change) => onProbe(change, `${probe.id}:kit`)} />
    </section>
  )
}

const onWhat: Readonly<Record<Probe['type'], string>> = {
  rim: setUpWords.readsTheRimOf,
  face: setUpWords.readsTheFaceOf,
  beam: setUpWords.clampedToTheShaftOf,
  beam2: setUpWords.detectorOnTheShaftOf,
  prism: setUpWords.headOnTheShaftOf,
  bore: setUpWords.readsTheBoreOf,
  result: setUpWords.resultTellsOf,
}
