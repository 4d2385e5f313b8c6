import { X } from 'lucide-react'
import styled from 'styled-components'
import { parseNumber } from '../../../../core/frame/number'
import { emptyQuantity } from '../../../../core/frame/quantity'
import { lengthUnitFor } from '../../../../core/frame/usual'
import type { Line } from '../../../../core/kinds/train/document/schema'
import { type Stations, secondPlane } from '../../../../core/kinds/train/document/stations'
import { probeKinds } from '../../../../core/probes'
import type { ProbeSetUp as Probe, ReadSet, Station } from '../../../../core/shafts/schema'
import { sags } from '../../../../core/shafts/typed'
import { angleName, capital, dimension, probeName } from '../../../../words/terms'
import { referencesOf } from '../../../../words/train/places'
import { Button, Field, Input, Select } from '../../../parts/controls'
import { QuantityField } from '../../../parts/Quantity'
import { FromKit } from './FromKit'

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
  const references = referencesOf(line, set).filter(
    ({ value }) => value !== probe.id && value !== secondPlane(probe.id),
  )
  const place = (station: Station, x: number | undefined, label: string, onChange: (station: Station) => void) => (
    <QuantityField
      label={label}
      quantity={station.distance}
      unit={length}
      readOnly={frozen}
      onChange={(distance) => onChange({ ...station, distance })}
      hint={x === undefined ? '' : `${capital(station.toward)}ward; x = ${dimension(x, unit)}`}
    />
  )
  const corrected = probe.correction
  return (
    <section aria-label={`Set-up of the ${name.toLowerCase()}`}>
      <h3>
        {name}
        {onRemove && !frozen ? (
          <Button look="quiet" aria-label={`Take the ${name.toLowerCase()} away`} onPress={onRemove}>
            <X size={16} />
          </Button>
        ) : null}
      </h3>
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
                  ...(probe.plane2 ? { plane2: { ...probe.plane2, toward } } : {}),
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
              kind.stations === 2 ? 'Distance of plane 1' : 'Distance from there',
              (station) => put({ station }, 'station'),
            )}
            <Field label="Measured from">
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
          ? place(probe.plane2, stations.x.get(secondPlane(probe.id)), 'Plane 2 beyond plane 1', (plane2) =>
              put({ plane2 }, 'plane2'),
            )
          : null}
        {kind.radius === 'none' ? null : (
          <QuantityField
            label={kind.radius === 'refines' ? 'Rim radius' : 'Radius it travels on'}
            quantity={probe.radius}
            unit={length}
            readOnly={frozen}
            onChange={(radius) => put({ radius }, 'radius')}
            hint={kind.radius === 'refines' ? 'If known' : 'Shaft centre to plunger'}
          />
        )}
        {kind.mark === 'along' ? (
          <>
            <Field label="On the face">
              <Select
                disabled={frozen}
                value={probe.side ?? 'front'}
                options={[
                  { value: 'front', text: 'front, toward the other machine' },
                  { value: 'back', text: 'back of the flange' },
                ]}
                onPick={(side) => put({ side: side as 'front' | 'back' }, 'side')}
              />
            </Field>
            <Field label="Stands ahead by, degrees">
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
            label="Deviation of one reading"
            positive
            quantity={probe.sd ?? emptyQuantity(unit)}
            unit={unit}
            readOnly={frozen}
            onChange={(sd) => put({ sd }, 'sd')}
            hint="Empty: half its finest step"
          />
        ) : (
          <QuantityField
            label={
              kind.sag === 'above zero' ? 'Bracket sag, bottom of a bore less its top' : 'Bracket sag, bottom of a bar'
            }
            signed
            quantity={probe.sag}
            unit={unit}
            readOnly={frozen}
            onChange={(sag) => put({ sag }, 'sag')}
            hint={kind.sag === 'above zero' ? 'Normally above zero: it hangs into the bore' : 'Normally below zero'}
          />
        )}
        <QuantityField
          label={head ? 'Finest step' : 'Graduation'}
          positive
          quantity={probe.graduation}
          unit={unit}
          readOnly={frozen}
          onChange={(graduation) => put({ graduation }, 'graduation')}
        />
        {head ? null : (
          <>
            <QuantityField
              label="One turn of the dial"
              quantity={probe.turn}
              unit={unit}
              readOnly={frozen}
              onChange={(turn) => put({ turn }, 'turn')}
            />
            <QuantityField
              label="Travel of its plunger"
              quantity={probe.travel ?? emptyQuantity(unit)}
              unit={unit}
              readOnly={frozen}
              onChange={(travel) => put({ travel }, 'travel')}
              hint="If known"
            />
            <QuantityField
              label="Span, clamp to plunger"
              quantity={probe.span ?? emptyQuantity(length)}
              unit={length}
              readOnly={frozen}
              onChange={(span) => put({ span }, 'span')}
              hint="As hung here"
            />
            <Field label="Stands square?">
              <Select
                disabled={frozen}
                value={corrected?.kind ?? 'square'}
                options={[
                  { value: 'square', text: 'square plunger' },
                  { value: 'plunger', text: 'plunger at a lean' },
                  { value: 'lever', text: 'lever dial' },
                  { value: 'nulling', text: 'nulled against a scale' },
                ]}
                onPick={(kind) =>
                  onProbe((p) => {
                    const { correction: _, ...bare } = p
                    return kind === 'square'
                      ? bare
                      : { ...bare, correction: { angle: '', madeFor: '', ...p.correction, kind: kind as 'lever' } }
                  }, `${probe.id}:kind`)
                }
              />
            </Field>
            {corrected && corrected.kind !== 'nulling' ? (
              <Field
                label={corrected.kind === 'lever' ? 'Lever to the surface, degrees' : 'Lean of the plunger, degrees'}
              >
                <Input
                  readOnly={frozen}
                  inputMode="decimal"
                  value={corrected.angle}
                  maxLength={8}
                  onChange={(event) => put({ correction: { ...corrected, angle: event.target.value } }, 'lean')}
                />
              </Field>
            ) : null}
            {corrected?.kind === 'lever' ? (
              <Field label="Tip made for, degrees">
                <Input
                  readOnly={frozen}
                  inputMode="decimal"
                  value={corrected.madeFor}
                  maxLength={8}
                  placeholder="0"
                  onChange={(event) => put({ correction: { ...corrected, madeFor: event.target.value } }, 'madeFor')}
                />
              </Field>
            ) : null}
          </>
        )}
        {set.turned === 'one' && !head ? (
          <>
            <QuantityField
              label="Run-out of that hub, whole swing"
              quantity={probe.runout?.swing ?? emptyQuantity(unit)}
              unit={unit}
              readOnly={frozen}
              onChange={(swing) => put({ runout: { at: '0', ...probe.runout, swing } }, 'runout')}
            />
            <Field label="High spot stands at, degrees">
              <Input
                readOnly={frozen}
                inputMode="decimal"
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
      {head && set.angles.length > 0 ? (
        <Own>
          <summary>It stood at slightly other angles than the set’s</summary>
          <Grid>
            {set.angles.map(({ id, degrees }) => (
              <Field key={id} label={`At ${angleName(degrees, terms, set.angleAs).toLowerCase()} it stood at, degrees`}>
                <Input
                  readOnly={frozen}
                  inputMode="decimal"
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
  rim: 'Stands on the rim of',
  face: 'Stands on the face of',
  beam: 'Clamped to the shaft of',
  beam2: 'Detector on the shaft of',
  bore: 'Feels the bore of',
}
