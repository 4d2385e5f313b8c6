import { X } from 'lucide-react'
import styled from 'styled-components'
import { beltTypes, usualLimit } from '../../../core/kinds/belt/belts'
import { withSheave } from '../../../core/kinds/belt/document/make'
import type { BeltLine, BeltSheave } from '../../../core/kinds/belt/document/schema'
import { emptyQuantity } from '../../../core/quantity/quantity'
import { angleLimitFault } from '../../../core/quantity/typedAngle'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { packFault } from '../../../core/shims/stock'
import { beltNames } from '../../../words/belt/findings'
import { beltPageWords as words } from '../../../words/belt/page/page'
import { inText, unitName } from '../../../words/terms'
import { Button, Card, Field, Input, Select } from '../../parts/controls'
import { FaultField } from '../../parts/FaultField'
import { QuantityField } from '../../parts/Quantity'
import type { LineProps } from '../kind'

const Page = styled.main`max-width: 1100px; margin: 0 auto; padding: 20px 20px 60px; display: grid; gap: 16px;`
const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(190px, 1fr)); gap: 12px; align-items: end;`
const Onward = styled.div`justify-self: end;`
const Head = styled.div`display: flex; justify-content: space-between; align-items: center; gap: 12px; h1, h2 { font-size: 17px; }`
const Summary = styled.summary`min-height: 44px; display: flex; align-items: center; cursor: pointer; font-weight: 600;`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 10px;`

/** A belt drive: its belt, the sheave that stays, and those that move with what they stand on. */
export function LineForm(props: LineProps<'belt'> & { frozen?: boolean }) {
  const { line, unit, onChange, onward, children, frozen = false } = props
  const put = (change: Partial<BeltLine>, mark: string) => onChange((one) => ({ ...one, ...change }), mark)
  const typed = (key: 'name' | 'area' | 'limit' | 'speed', label: string, placeholder?: string) => (
    <FaultField
      label={label}
      trouble={key === 'limit' ? angleLimitFault(line.limit) : undefined}
      maxLength={key === 'limit' || key === 'speed' ? 12 : 80}
      inputMode={key === 'limit' || key === 'speed' ? 'decimal' : 'text'}
      placeholder={placeholder}
      readOnly={frozen}
      value={line[key] ?? ''}
      onChange={({ target }) => put({ [key]: target.value }, key)}
    />
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
          <Field label={words.belt}>
            <Select
              disabled={frozen}
              value={line.belt}
              options={beltTypes.map((value) => ({ value, text: beltNames[value] }))}
              onPick={(belt) => put({ belt: belt as BeltLine['belt'] }, 'belt')}
            />
          </Field>
          {typed('limit', words.limit, words.usual(String(usualLimit[line.belt])))}
          <QuantityField
            label={words.offsetLimit}
            quantity={line.offsetLimit ?? emptyQuantity(unit)}
            unit={unit}
            placeholder={words.noLimit}
            readOnly={frozen}
            onChange={(offsetLimit) => put({ offsetLimit }, 'offsetLimit')}
          />
          {typed('speed', words.speed)}
          <Field label={words.faces}>
            <Select
              disabled={frozen}
              value={line.faces}
              options={[
                { value: 'right', text: words.right },
                { value: 'left', text: words.left },
              ]}
              onPick={(faces) => put({ faces: faces === 'left' ? 'left' : 'right' }, 'faces')}
            />
          </Field>
          <Field label={words.shims(unit)}>
            <Input
              maxLength={40}
              placeholder="0.05 0.1 0.2 0.5"
              readOnly={frozen}
              value={line.shims.text}
              onChange={({ target }) => put({ shims: { text: target.value, unit: line.shims.unit } }, 'shims')}
            />
          </Field>
        </Grid>
      </Card>
      {line.sheaves.map((sheave, s) => (
        <SheaveCard key={sheave.id} {...props} sheave={sheave} stays={s === 0} last={line.sheaves.length <= 2} />
      ))}
      {frozen || line.sheaves.length >= 6 ? null : (
        <Row>
          <Button onPress={() => onChange((one) => withSheave(one, words.motor, unit, true))}>
            {words.addMachine}
          </Button>
          <Button onPress={() => onChange((one) => withSheave(one, words.idler, unit, false))}>{words.addIdler}</Button>
        </Row>
      )}
      {children}
    </Page>
  )
}

function SheaveCard({
  line,
  unit,
  onChange,
  frozen = false,
  sheave,
  stays,
  last,
}: LineProps<'belt'> & { frozen?: boolean; sheave: BeltSheave; stays: boolean; last: boolean }) {
  const length = lengthUnitFor(unit)
  const nothing = emptyQuantity(unit)
  const { id, name, feet, pivot } = sheave
  const put = (change: Partial<BeltSheave>, mark: string) =>
    onChange(
      (one) => ({ ...one, sheaves: one.sheaves.map((own) => (own.id === id ? { ...own, ...change } : own)) }),
      `${id} ${mark}`,
    )
  const size = (
    key: 'across' | 'up' | 'diameter' | 'width' | 'groove' | 'base',
    label: string,
    more: { signed?: boolean; hint?: string } = {},
  ) => (
    <QuantityField
      minus
      label={label}
      quantity={sheave[key]}
      unit={length}
      readOnly={frozen}
      onChange={(value) => put({ [key]: value }, key)}
      {...more}
    />
  )
  const title = stays ? words.stays(name) : words.moves(name)
  return (
    <Card aria-label={title}>
      <Head>
        <h2>{title}</h2>
        {stays || last || frozen ? null : (
          <Button
            look="quiet"
            aria-label={words.remove(name)}
            onPress={() => onChange((one) => ({ ...one, sheaves: one.sheaves.filter((own) => own.id !== id) }))}
          >
            <X size={18} />
          </Button>
        )}
      </Head>
      <Grid>
        <Field label={words.machine}>
          <Input
            maxLength={60}
            readOnly={frozen}
            value={name}
            onChange={({ target }) => put({ name: target.value }, 'name')}
          />
        </Field>
        {size('diameter', words.diameter)}
        {size('width', words.width)}
        {size('groove', words.groove, { hint: words.grooveHint, signed: true })}
        {stays ? null : (
          <>
            {size('across', words.across, { signed: true })}
            {size('up', words.up, { signed: true })}
          </>
        )}
        {stays
          ? null
          : feet.map((foot) => (
              <QuantityField
                key={foot.id}
                minus
                label={words.behind(foot.name)}
                quantity={foot.behind}
                unit={length}
                readOnly={frozen}
                onChange={(behind) =>
                  put({ feet: feet.map((own) => (own.id === foot.id ? { ...own, behind } : own)) }, foot.id)
                }
              />
            ))}
        {stays || feet.length === 0 ? null : (
          <>
            {size('base', words.base, { signed: true, hint: words.baseHint })}
            <Field label={words.pivot}>
              <Select
                disabled={frozen}
                value={pivot.foot}
                options={[
                  { value: '', text: words.usualFoot },
                  ...feet.map((foot) => ({ value: foot.id, text: inText(foot.name) })),
                ]}
                onPick={(foot) => put({ pivot: { ...pivot, foot } }, 'pivot')}
              />
            </Field>
            <QuantityField
              label={words.beside}
              quantity={pivot.beside}
              unit={length}
              signed
              readOnly={frozen}
              onChange={(beside) => put({ pivot: { ...pivot, beside } }, 'beside')}
            />
          </>
        )}
      </Grid>
      {stays || feet.length === 0 ? null : (
        <details>
          <Summary>{words.limitsOf}</Summary>
          <Grid>
            {feet.map((foot) => (
              <FaultField
                key={foot.id}
                label={words.packNow(foot.name, unitName[unit])}
                trouble={packFault(foot.pack)}
                maxLength={40}
                placeholder="0.5 + 0.2"
                readOnly={frozen}
                value={foot.pack?.text ?? ''}
                onChange={({ target }) =>
                  put(
                    {
                      feet: feet.map((own) =>
                        own.id === foot.id
                          ? { ...own, pack: { text: target.value, unit: own.pack?.unit ?? unit } }
                          : own,
                      ),
                    },
                    `${foot.id} pack`,
                  )
                }
              />
            ))}
            {feet.flatMap((foot) =>
              (['up', 'near', 'far'] as const).map((way) => {
                const limits = foot.limits ?? { up: nothing, near: nothing, far: nothing }
                const to = way === 'up' ? words.mostUp : words.toward(line.sides[way].trim() || way)
                return (
                  <QuantityField
                    key={`${foot.id} ${way}`}
                    label={words.most(foot.name, to)}
                    quantity={limits[way]}
                    unit={unit}
                    placeholder={words.noLimit}
                    readOnly={frozen}
                    onChange={(value) =>
                      put(
                        {
                          feet: feet.map((own) =>
                            own.id === foot.id ? { ...own, limits: { ...limits, [way]: value } } : own,
                          ),
                        },
                        `${foot.id} ${way}`,
                      )
                    }
                  />
                )
              }),
            )}
          </Grid>
        </details>
      )}
    </Card>
  )
}
