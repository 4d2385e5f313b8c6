import styled from 'styled-components'
import { growthMm } from '../../../../core/kinds/train/document/growth'
import {
  type Growth as FootGrowth,
  type Line,
  type Material,
  materials,
} from '../../../../core/kinds/train/document/schema'
import { emptyQuantity } from '../../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../../core/quantity/usual'
import { capital, footName, sideName, unitName } from '../../../../words/terms'
import { growthText, materialNames } from '../../../../words/train/growth'
import { lineWords } from '../../../../words/train/page/line'
import { Button, Card, Field, Input, Muted, Select } from '../../../parts/controls'
import { Fold } from '../../../parts/Fold'
import { QuantityField } from '../../../parts/Quantity'

const List = styled.ul`list-style: none; margin: 10px 0 0; padding: 0; display: grid; gap: 14px; li { display: grid; gap: 8px; border-top: 1px solid var(--rule); padding-top: 10px; } h3 { font-size: 15px; margin: 0; } li > div { display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 10px; align-items: end; }`

type Change = (change: (line: Line) => Line, mark?: string) => void

const nothing = (unit: 'mm' | 'mil'): FootGrowth => ({
  told: 'entered',
  vertical: emptyQuantity(unit),
  horizontal: emptyQuantity(unit),
  source: '',
})

/** How much the shaft over each station rises, and goes sideways, from cold to running: entered, or from what carries it. */
export function Growth(props: { line: Line; unit: 'mm' | 'mil'; frozen: boolean; onChange: Change }) {
  const { line, unit, frozen, onChange } = props
  const terms = { line, unit, resolution: 0.01 }
  const put = (foot: string, change: (growth: FootGrowth) => FootGrowth | undefined, mark: string) =>
    onChange(
      (l) => ({
        ...l,
        machines: l.machines.map((machine) => ({
          ...machine,
          feet: machine.feet.map(({ growth, ...rest }) => {
            const next = rest.id === foot ? change(growth ?? nothing(unit)) : growth
            return next ? { ...rest, growth: next } : rest
          }),
        })),
      }),
      `growth:${foot}:${mark}`,
    )
  const feet = line.machines.flatMap((machine) => machine.feet)
  const any = feet.some(({ growth }) => growth)
  return (
    <Card aria-label={lineWords.thermalGrowth}>
      <Fold title={lineWords.thermalGrowth} open={any}>
        <Muted>{lineWords.howMuchTheShaftRises}</Muted>
        {any ? (
          <List>
            {feet.map((foot) => {
              const growth = foot.growth ?? nothing(unit)
              const { heat } = growth
              const name = footName(foot.id, terms)
              const setHeat = (change: Partial<NonNullable<FootGrowth['heat']>>, mark: string) =>
                put(foot.id, (g) => ({ ...g, heat: { ...(g.heat ?? newHeat(unit)), ...change } }), mark)
              return (
                <li key={foot.id} aria-label={lineWords.growth(name)}>
                  <h3>
                    {capital(name)} <Muted>{growthText(growthMm(foot.growth), terms)}</Muted>
                  </h3>
                  <div>
                    <Field label={lineWords.source}>
                      <Select
                        value={growth.told}
                        disabled={frozen}
                        options={[
                          { value: 'entered', text: lineWords.entered },
                          { value: 'heat', text: lineWords.materialAndTemperatures },
                          { value: 'readings', text: lineWords.coldAndHotReadings },
                        ]}
                        onPick={(told) => {
                          const as = told as FootGrowth['told']
                          put(
                            foot.id,
                            (g) => ({ ...g, told: as, ...(as === 'heat' && !g.heat ? { heat: newHeat(unit) } : {}) }),
                            'told',
                          )
                        }}
                      />
                    </Field>
                    {growth.told === 'heat' && heat ? (
                      <>
                        <Field label={lineWords.supportMaterial}>
                          <Select
                            value={heat.material}
                            disabled={frozen}
                            options={materials.map((value) => ({ value, text: materialNames[value] }))}
                            onPick={(material) => setHeat({ material: material as Material }, 'material')}
                          />
                        </Field>
                        <QuantityField
                          label={lineWords.footToShaftCenter}
                          quantity={heat.height}
                          unit={lengthUnitFor(unit)}
                          readOnly={frozen}
                          onChange={(height) => setHeat({ height }, 'height')}
                        />
                        <Field label={lineWords.cold(heat.degrees)}>
                          <Input
                            value={heat.cold}
                            maxLength={12}
                            inputMode="text"
                            readOnly={frozen}
                            onChange={({ target }) => setHeat({ cold: target.value }, 'cold')}
                          />
                        </Field>
                        <Field label={lineWords.running(heat.degrees)}>
                          <Input
                            value={heat.running}
                            maxLength={12}
                            inputMode="text"
                            readOnly={frozen}
                            onChange={({ target }) => setHeat({ running: target.value }, 'running')}
                          />
                        </Field>
                      </>
                    ) : (
                      <QuantityField
                        label={lineWords.risesBy}
                        quantity={growth.vertical}
                        unit={unit}
                        signed
                        readOnly={frozen}
                        onChange={(vertical) => put(foot.id, (g) => ({ ...g, vertical }), 'vertical')}
                      />
                    )}
                    <QuantityField
                      label={lineWords.movesTowardBy(sideName('far', terms))}
                      quantity={growth.horizontal}
                      unit={unit}
                      signed
                      readOnly={frozen}
                      onChange={(horizontal) => put(foot.id, (g) => ({ ...g, horizontal }), 'horizontal')}
                    />
                    <Field label={lineWords.sourceOfFigure}>
                      <Input
                        value={growth.source}
                        maxLength={120}
                        readOnly={frozen}
                        onChange={({ target }) => put(foot.id, (g) => ({ ...g, source: target.value }), 'source')}
                      />
                    </Field>
                  </div>
                </li>
              )
            })}
          </List>
        ) : (
          <p style={{ marginTop: 10 }}>
            {lineWords.notGiven}{' '}
            <Button
              isDisabled={frozen}
              onPress={() =>
                onChange((l) => ({
                  ...l,
                  machines: l.machines.map((machine) => ({
                    ...machine,
                    feet: machine.feet.map((foot) => ({
                      ...foot,
                      growth: { ...nothing(unit), vertical: { text: '0', unit }, source: '' },
                    })),
                  })),
                }))
              }
            >
              {lineWords.enterGrowth}
            </Button>{' '}
            <Muted>{lineWords.startingAtZeroEverywhere(unitName[unit])}</Muted>
          </p>
        )}
      </Fold>
    </Card>
  )
}

const newHeat = (unit: 'mm' | 'mil'): NonNullable<FootGrowth['heat']> => ({
  material: 'grey-iron',
  height: emptyQuantity(lengthUnitFor(unit)),
  cold: '',
  running: '',
  degrees: unit === 'mil' ? 'F' : 'C',
})
