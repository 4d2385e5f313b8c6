import type { Line } from '../../../../core/kinds/train/document/schema'
import { lengthUnitFor } from '../../../../core/quantity/usual'
import { unitName } from '../../../../words/terms'
import { lineWords } from '../../../../words/train/page/line'
import { Card, Fault, Field, Input, Select } from '../../../parts/controls'
import { QuantityField } from '../../../parts/Quantity'
import { Grid, type LineSheet, namedTwice, Part } from './Part'
import { Place, Places } from './Place'

type Coupling = Line['couplings'][number]

const couplingKindNames: Readonly<Record<Coupling['kind'], string>> = {
  short: lineWords.shortFlexible,
  spacer: lineWords.spacerTwoFlexPlanes,
  rigid: lineWords.rigidOrOther,
}

/** The couplings, each one line until it is opened. */
export function Couplings({ line, unit, frozen, stations, onChange, part, open, elsewhere, setStation }: LineSheet) {
  const length = lengthUnitFor(unit)
  const setCoupling = (id: string, change: Partial<Coupling>, mark: string) =>
    onChange(
      (l) => ({ ...l, couplings: l.couplings.map((c) => (c.id === id ? { ...c, ...change } : c)) }),
      `${id}:${mark}`,
    )
  const couplingText = ({ kind, diameter }: Coupling): string =>
    [
      couplingKindNames[kind].toLowerCase(),
      diameter.text && lineWords.across(`${diameter.text} ${unitName[diameter.unit]}`),
    ]
      .filter(Boolean)
      .join(', ')
  return (
    <Card aria-label={lineWords.couplings}>
      <h2>{lineWords.couplings}</h2>
      {line.couplings.map((coupling) => (
        <Part
          key={coupling.id}
          name={coupling.name}
          told={couplingText(coupling)}
          open={part === coupling.id}
          onOpen={(now) => open(now ? coupling.id : undefined)}
        >
          <Grid>
            <Field label={lineWords.name}>
              <Input
                value={coupling.name}
                readOnly={frozen}
                onChange={(e) => setCoupling(coupling.id, { name: e.target.value }, 'name')}
              />
              {namedTwice(line.couplings, coupling) ? <Fault>{lineWords.anotherCouplingHasThisName}</Fault> : null}
            </Field>
            <Field label={lineWords.kind}>
              <Select
                disabled={frozen}
                value={coupling.kind}
                options={(['short', 'spacer', 'rigid'] as const).map((value) => ({
                  value,
                  text: couplingKindNames[value],
                }))}
                onPick={(kind) => setCoupling(coupling.id, { kind: kind as typeof coupling.kind }, 'kind')}
              />
            </Field>
            <QuantityField
              label={lineWords.diameter}
              quantity={coupling.diameter}
              unit={length}
              readOnly={frozen}
              onChange={(diameter) => setCoupling(coupling.id, { diameter }, 'diameter')}
            />
            {coupling.kind === 'spacer' ? (
              <QuantityField
                label={lineWords.betweenTheFlexPlanes}
                quantity={coupling.span}
                unit={length}
                readOnly={frozen}
                onChange={(span) => setCoupling(coupling.id, { span }, 'span')}
              />
            ) : null}
          </Grid>
          {coupling.station ? (
            <Places>
              <Place
                name={lineWords.itsCenter}
                station={coupling.station}
                x={stations.x.get(coupling.id)}
                unit={unit}
                frozen={frozen}
                references={elsewhere(coupling.id)}
                onChange={(change) => setStation(coupling.id, change)}
              />
            </Places>
          ) : null}
        </Part>
      ))}
    </Card>
  )
}
