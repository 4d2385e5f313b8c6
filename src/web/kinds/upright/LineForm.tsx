import styled from 'styled-components'
import type { UprightLine } from '../../../core/kinds/upright/document/schema'
import { emptyQuantity } from '../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { pageWords } from '../../../words/upright/page/page'
import { Card, Field, Input, Select } from '../../parts/controls'
import { QuantityField } from '../../parts/Quantity'
import type { LineProps } from '../kind'

const Page = styled.main`max-width: 1100px; margin: 0 auto; padding: 20px 20px 60px; display: grid; gap: 16px;`
const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(180px, 1fr)); gap: 12px; align-items: end;`
const Onward = styled.div`justify-self: end;`

/** An upright pair: its machines, its coupling, its flange. */
export function LineForm(props: LineProps<'upright'> & { frozen?: boolean }) {
  const { line, unit, onChange, onward, children, frozen = false } = props
  const { flange, machines, coupling } = line
  const length = lengthUnitFor(unit)
  const put = (change: Partial<UprightLine>, mark: string) => onChange((one) => ({ ...one, ...change }), mark)
  const putFlange = (change: Partial<UprightLine['flange']>, mark: string) =>
    onChange((one) => ({ ...one, flange: { ...one.flange, ...change } }), mark)
  const [lower, upper] = machines
  return (
    <Page id="bench">
      <Onward>{onward}</Onward>
      <Card aria-label={pageWords.theLine}>
        <h1 style={{ fontSize: 20 }}>{pageWords.theLine}</h1>
        <Grid>
          {(['name', 'area'] as const).map((key) => (
            <Field key={key} label={key === 'name' ? pageWords.name : pageWords.area}>
              <Input
                maxLength={80}
                readOnly={frozen}
                value={line[key]}
                onChange={(event) => put({ [key]: event.target.value }, key)}
              />
            </Field>
          ))}
          <Field label={pageWords.upperMachine}>
            <Input
              maxLength={60}
              readOnly={frozen}
              value={upper.name}
              onChange={(event) => put({ machines: [lower, { ...upper, name: event.target.value }] }, 'upper')}
            />
          </Field>
          <Field label={pageWords.lowerMachine}>
            <Input
              maxLength={60}
              readOnly={frozen}
              value={lower.name}
              onChange={(event) => put({ machines: [{ ...lower, name: event.target.value }, upper] }, 'lower')}
            />
          </Field>
          <Field label={pageWords.speedRpm}>
            <Input
              maxLength={12}
              inputMode="numeric"
              readOnly={frozen}
              value={line.speed}
              onChange={(event) => put({ speed: event.target.value }, 'speed')}
            />
          </Field>
          <QuantityField
            label={pageWords.couplingDiameter}
            quantity={coupling.diameter}
            unit={length}
            readOnly={frozen}
            onChange={(diameter) => put({ coupling: { ...coupling, diameter } }, 'diameter')}
          />
        </Grid>
      </Card>
      <Card aria-label={pageWords.theFlange}>
        <h2>{pageWords.theFlange}</h2>
        <Grid>
          <QuantityField
            label={pageWords.jointAboveTheCouplingCenter}
            quantity={flange.height}
            unit={length}
            signed
            readOnly={frozen}
            onChange={(height) => putFlange({ height }, 'height')}
          />
          <QuantityField
            label={pageWords.boltCircleDiameter}
            quantity={flange.circle}
            unit={length}
            readOnly={frozen}
            onChange={(circle) => putFlange({ circle }, 'circle')}
          />
          <Field label={pageWords.bolts}>
            <Select
              disabled={frozen}
              value={String(flange.bolts)}
              options={[...new Set([3, 4, 6, 8, 12, flange.bolts])].map((n) => ({ value: String(n), text: String(n) }))}
              onPick={(n) => putFlange({ bolts: Number(n) }, 'bolts')}
            />
          </Field>
          <Field label={pageWords.boltsCountedSeenFromAbove}>
            <Select
              disabled={frozen}
              value={flange.counted}
              options={[
                { value: 'clockwise', text: pageWords.clockwise },
                { value: 'other', text: pageWords.counterclockwise },
              ]}
              onPick={(counted) => putFlange({ counted: counted === 'other' ? 'other' : 'clockwise' }, 'counted')}
            />
          </Field>
          <QuantityField
            label={pageWords.spigotClearanceOfItsDiameter}
            hint={pageWords.emptyWhereThereIsNone}
            quantity={flange.spigot}
            unit={unit}
            readOnly={frozen}
            onChange={(spigot) => putFlange({ spigot }, 'spigot')}
          />
          <QuantityField
            label={pageWords.boltClearance}
            hint={pageWords.ifKnownRoom}
            quantity={flange.boltClearance ?? emptyQuantity(unit)}
            unit={unit}
            readOnly={frozen}
            onChange={(boltClearance) => putFlange({ boltClearance }, 'boltClearance')}
          />
          <QuantityField
            label={pageWords.room}
            hint={pageWords.ifKnownRoom}
            quantity={flange.room ?? emptyQuantity(unit)}
            unit={unit}
            readOnly={frozen}
            onChange={(room) => putFlange({ room }, 'room')}
          />
          <Field label={pageWords.stands}>
            <Select
              disabled={frozen}
              value={String(flange.stands ?? 0)}
              options={[
                { value: '0', text: pageWords.towardYou },
                { value: '90', text: pageWords.leftOfYou },
                { value: '180', text: pageWords.awayFromYou },
                { value: '270', text: pageWords.rightOfYou },
              ]}
              onPick={(stands) => putFlange({ stands: Number(stands) as 0 | 90 | 180 | 270 }, 'stands')}
            />
          </Field>
          <Field label={pageWords.shimsInStock(unit)}>
            <Input
              maxLength={40}
              placeholder="0.05 0.1 0.2 0.5"
              readOnly={frozen}
              value={flange.shims.text}
              onChange={(event) => putFlange({ shims: { text: event.target.value, unit: flange.shims.unit } }, 'shims')}
            />
          </Field>
        </Grid>
      </Card>
      {children}
    </Page>
  )
}
