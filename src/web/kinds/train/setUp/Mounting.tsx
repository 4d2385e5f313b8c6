import { formatNumber } from '../../../../core/quantity/number'
import { emptyQuantity } from '../../../../core/quantity/quantity'
import type { ProbeSetUp as Probe } from '../../../../core/shafts/schema'
import { knownStep } from '../../../../core/shafts/typed'
import { setUpWords } from '../../../../words/train/page/setUp'
import { Field, Input, Select } from '../../../parts/controls'
import { QuantityField } from '../../../parts/Quantity'

type How = NonNullable<Probe['correction']>['kind']

/** How a dial stands, or what a block of known thickness under its tip made it show. */
export function Mounting(props: {
  probe: Probe
  unit: 'mm' | 'mil'
  frozen: boolean
  onProbe: (change: (probe: Probe) => Probe, mark?: string) => void
}) {
  const { probe, unit, frozen, onProbe } = props
  const { correction } = probe
  const put = (some: Partial<Probe>, mark: string) => onProbe((p) => ({ ...p, ...some }), `${probe.id}:${mark}`)
  const known = knownStep(probe)
  return (
    <>
      <Field label={setUpWords.mountingAngle}>
        <Select
          disabled={frozen}
          value={correction?.kind ?? 'square'}
          options={[
            { value: 'square', text: setUpWords.squarePlunger },
            { value: 'plunger', text: setUpWords.plungerAtAnAngle },
            { value: 'lever', text: setUpWords.leverDial },
            { value: 'nulling', text: setUpWords.nulledAgainstAScale },
            { value: 'step', text: setUpWords.byAKnownStep },
          ]}
          onPick={(kind) => onProbe((p) => mounted(p, kind as How | 'square', unit), `${probe.id}:kind`)}
        />
      </Field>
      {correction?.kind === 'lever' || correction?.kind === 'plunger' ? (
        <Field
          label={correction.kind === 'lever' ? setUpWords.leverToTheSurfaceDegrees : setUpWords.plungerAngleDegrees}
        >
          <Input
            readOnly={frozen}
            inputMode="decimal"
            value={correction.angle}
            maxLength={8}
            onChange={(event) => put({ correction: { ...correction, angle: event.target.value } }, 'lean')}
          />
        </Field>
      ) : null}
      {correction?.kind === 'lever' ? (
        <Field label={setUpWords.tipMadeForDegrees}>
          <Input
            readOnly={frozen}
            inputMode="decimal"
            value={correction.madeFor}
            maxLength={8}
            placeholder="0"
            onChange={(event) => put({ correction: { ...correction, madeFor: event.target.value } }, 'madeFor')}
          />
        </Field>
      ) : null}
      {correction?.kind === 'step' ? (
        <>
          <QuantityField
            label={setUpWords.knownStep}
            positive
            quantity={correction.step}
            unit={unit}
            readOnly={frozen}
            onChange={(step) => put({ correction: { ...correction, step } }, 'step')}
            hint={setUpWords.blockUnderTheTip}
          />
          <QuantityField
            label={setUpWords.dialShowedForIt}
            positive
            quantity={correction.shown}
            unit={unit}
            readOnly={frozen}
            onChange={(shown) => put({ correction: { ...correction, shown } }, 'shown')}
            hint={
              known
                ? setUpWords.factorIs(formatNumber(known.factor, 3), formatNumber(2 * known.sd, 3))
                : setUpWords.noFactorYet
            }
          />
        </>
      ) : null}
    </>
  )
}

/** A dial that stands another way: what was told of its angle stays while it has one. */
function mounted(probe: Probe, how: How | 'square', unit: 'mm' | 'mil'): Probe {
  const { correction, ...bare } = probe
  if (how === 'square') return bare
  const none = emptyQuantity(unit)
  if (how === 'step') return { ...bare, correction: { kind: how, step: none, shown: none } }
  const told = correction && correction.kind !== 'step' ? correction : { angle: '', madeFor: '' }
  return { ...bare, correction: { ...told, kind: how } }
}
