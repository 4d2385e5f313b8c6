import { X } from 'lucide-react'
import styled from 'styled-components'
import { withRoll } from '../../../core/kinds/rolls/document/make'
import { mostRolls, type RollOfLine, type RollsLine } from '../../../core/kinds/rolls/document/schema'
import { emptyQuantity } from '../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { rollsPageWords as words } from '../../../words/rolls/page/page'
import { Button, Card, Field, Input, Muted, Select } from '../../parts/controls'
import { Fold } from '../../parts/Fold'
import { QuantityField } from '../../parts/Quantity'
import { useRowPager } from '../../parts/RowPager'
import type { LineProps } from '../kind'
import { Monuments } from './Monuments'

const Page = styled.main`max-width: 1100px; margin: 0 auto; padding: 20px 20px 60px; display: grid; gap: 16px;`
const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(200px, 1fr)); gap: 12px; align-items: start;`
const Roll = styled.fieldset`
  border: 0; border-top: 1px solid var(--rule); margin: 0; padding: 12px 0; display: grid; gap: 12px;
  grid-template-columns: repeat(auto-fill, minmax(88px, 1fr)); align-items: end;
`
const Onward = styled.div`justify-self: end;`
const Head = styled.div`display: flex; justify-content: space-between; align-items: center; gap: 12px; h1, h2 { font-size: 17px; }`
const Limits = styled.details`grid-column: 1 / -1;`
const Summary = styled.summary`min-height: 44px; display: flex; align-items: center; cursor: pointer; font-weight: 600; &::before { content: '›'; font-size: 22px; line-height: 1; color: var(--kelp); width: 22px; } details[open] > &::before { transform: rotate(90deg) translateX(-2px); }`
const Tick = styled.label`display: flex; gap: 10px; align-items: center; min-height: 44px; input { width: 22px; height: 22px; }`

/** A section of rolls: its faces, what it is squared from, and every roll in the order the web runs. */
export function LineForm(props: LineProps<'rolls'> & { frozen?: boolean }) {
  const { line, unit, onChange, onward, children, frozen = false } = props
  const length = lengthUnitFor(unit)
  const stretch = useRowPager(line.rolls, ({ name }) => name)
  const put = (change: Partial<RollsLine>, mark: string) => onChange((one) => ({ ...one, ...change }), mark)
  const typed = (key: 'name' | 'area', label: string) => (
    <Field label={label}>
      <Input
        maxLength={80}
        readOnly={frozen}
        value={line[key]}
        onChange={({ target }) => put({ [key]: target.value }, key)}
      />
    </Field>
  )
  const side = (key: 'near' | 'far', label: string) => (
    <Field label={label}>
      <Input
        maxLength={40}
        readOnly={frozen}
        value={line.sides[key]}
        onChange={({ target }) => put({ sides: { ...line.sides, [key]: target.value } }, key)}
      />
    </Field>
  )
  const size = (key: 'width' | 'housings' | 'baseline', label: string, hint?: string) => (
    <QuantityField
      minus
      label={label}
      quantity={line[key]}
      unit={length}
      readOnly={frozen}
      onChange={(value) => put({ [key]: value }, key)}
      {...(hint ? { hint } : {})}
    />
  )
  return (
    <Page id="bench">
      <Onward>{onward}</Onward>
      <Card aria-label={words.theLine}>
        <Head>
          <h1>{words.theLine}</h1>
        </Head>
        <Grid>
          {typed('name', words.name)}
          {typed('area', words.area)}
          {side('near', words.nearSide)}
          {side('far', words.farSide)}
          {size('width', words.width)}
          {size('housings', words.housings, words.housingsHint)}
          <Field label={words.reference}>
            <Select
              disabled={frozen}
              value={line.reference}
              options={[
                { value: '', text: words.noReference },
                ...line.rolls.map(({ id, name }) => ({ value: id, text: name })),
              ]}
              onPick={(reference) => put({ reference }, 'reference')}
            />
          </Field>
          {size('baseline', words.baseline, words.baselineHint)}
        </Grid>
      </Card>
      <Card as="section" aria-label={words.theWebs}>
        <Fold title={words.theWebs} open={line.web !== undefined}>
          <Muted as="p">{words.webHint}</Muted>
          <Grid>
            {(['tension', 'modulus', 'thickness'] as const).map((key) => (
              <Field key={key} label={words[key]}>
                <Input
                  inputMode="decimal"
                  maxLength={12}
                  readOnly={frozen}
                  value={line.web?.[key] ?? ''}
                  onChange={({ target }) =>
                    onChange(
                      (one) => ({
                        ...one,
                        web: { tension: '', modulus: '', thickness: '', ...one.web, [key]: target.value },
                      }),
                      key,
                    )
                  }
                />
              </Field>
            ))}
          </Grid>
        </Fold>
      </Card>
      <Card as="section" aria-label={words.rolls}>
        <Head>
          <h2>{words.rolls}</h2>
        </Head>
        {stretch.choice}
        <div data-rows>
          {stretch.shown.map((roll) => (
            <RollRow key={roll.id} roll={roll} {...props} />
          ))}
        </div>
        {frozen || line.rolls.length >= mostRolls ? null : (
          <Button onPress={() => onChange((one) => withRoll(one, unit))}>{words.add}</Button>
        )}
      </Card>
      <Monuments {...props} />
      {children}
    </Page>
  )
}

function RollRow(props: LineProps<'rolls'> & { frozen?: boolean; roll: RollOfLine }) {
  const { line, unit, onChange, frozen = false, roll } = props
  const length = lengthUnitFor(unit)
  const nothing = emptyQuantity(unit)
  const put = (change: Partial<RollOfLine>, mark: string) =>
    onChange(
      (one) => ({ ...one, rolls: one.rolls.map((own) => (own.id === roll.id ? { ...own, ...change } : own)) }),
      `${roll.id} ${mark}`,
    )
  const size = (key: 'x' | 'z' | 'diameter') => (
    <QuantityField
      minus
      label={words[key]}
      quantity={roll[key]}
      unit={length}
      readOnly={frozen}
      onChange={(value) => put({ [key]: value }, key)}
    />
  )
  const text = (key: 'name' | 'incline' | 'limit', label: string, most = 12) => (
    <Field label={label}>
      <Input
        maxLength={most}
        readOnly={frozen}
        inputMode={key === 'limit' ? 'decimal' : 'text'}
        placeholder={key === 'limit' ? '0.10' : key === 'incline' ? '0' : ''}
        value={roll[key]}
        onChange={({ target }) => put({ [key]: target.value }, key)}
      />
    </Field>
  )
  return (
    <Roll aria-label={roll.name} data-row>
      {text('name', words.roll, 60)}
      {size('x')}
      {size('z')}
      {size('diameter')}
      <Field label={words.side}>
        <Select
          disabled={frozen}
          value={roll.side}
          options={(['over', 'under'] as const).map((value) => ({ value, text: words[value] }))}
          onPick={(side) => put({ side: side as RollOfLine['side'] }, 'side')}
        />
      </Field>
      {text('incline', words.incline)}
      {text('limit', words.limit)}
      <Tick>
        <input
          type="checkbox"
          checked={roll.fixed}
          disabled={frozen}
          onChange={({ target }) => put({ fixed: target.checked }, 'fixed')}
        />
        {words.fixed}
      </Tick>
      <Tick>
        <input
          type="checkbox"
          checked={roll.pivots ?? false}
          disabled={frozen}
          onChange={({ target }) => put({ pivots: target.checked }, 'pivots')}
        />
        {words.pivots}
      </Tick>
      {frozen || line.rolls.length <= 2 ? null : (
        <Button
          look="quiet"
          aria-label={words.remove(roll.name)}
          onPress={() =>
            onChange((one) => ({
              ...one,
              rolls: one.rolls.filter(({ id }) => id !== roll.id),
              reference: one.reference === roll.id ? '' : one.reference,
            }))
          }
        >
          <X size={18} />
        </Button>
      )}
      {roll.fixed ? null : (
        <Limits>
          <Summary>{words.limitsOf}</Summary>
          <Grid>
            {(['slide', 'up', 'down'] as const).map((way) => {
              const limits = roll.limits ?? { slide: nothing, up: nothing, down: nothing }
              return (
                <QuantityField
                  key={way}
                  label={words[`${way}Most`]}
                  quantity={limits[way]}
                  unit={unit}
                  placeholder={words.noLimit}
                  readOnly={frozen}
                  onChange={(value) => put({ limits: { ...limits, [way]: value } }, way)}
                />
              )
            })}
          </Grid>
        </Limits>
      )}
    </Roll>
  )
}
