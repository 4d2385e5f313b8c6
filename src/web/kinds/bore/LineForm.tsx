import { X } from 'lucide-react'
import { useState } from 'react'
import styled from 'styled-components'
import { heldOf, withSection } from '../../../core/kinds/bore/document/make'
import {
  type BoreLine,
  type BoreSection,
  carrierKinds,
  corrections,
  referenceWays,
} from '../../../core/kinds/bore/document/schema'
import { roundSteel } from '../../../core/kinds/bore/solve/carrier'
import { emptyQuantity, quantityMm } from '../../../core/quantity/quantity'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { carrierNames, correctionNames, wayNames } from '../../../words/bore/findings'
import { borePageWords as words } from '../../../words/bore/page/page'
import { Button, Card, Field, Input, Select } from '../../parts/controls'
import { QuantityField } from '../../parts/Quantity'
import type { LineProps } from '../kind'

const Page = styled.main`max-width: 1100px; margin: 0 auto; padding: 20px 20px 60px; display: grid; gap: 16px;`
const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(230px, 1fr)); gap: 12px; align-items: start;`
const Sections = styled.div`display: grid; gap: 16px;`
const Onward = styled.div`justify-self: end;`
const Head = styled.div`display: flex; justify-content: space-between; align-items: center; gap: 12px; h1, h2 { font-size: 17px; }`
const Summary = styled.summary`min-height: 44px; display: flex; align-items: center; cursor: pointer; font-weight: 600;`

/** A row of bores: what it is told from, what runs through it, and every section along it. */
export function LineForm(props: LineProps<'bore'> & { frozen?: boolean }) {
  const { line, unit, onChange, onward, children, frozen = false } = props
  const length = lengthUnitFor(unit)
  const [steel, setSteel] = useState(emptyQuantity(length))
  const put = (change: Partial<BoreLine>, mark: string) => onChange((one) => ({ ...one, ...change }), mark)
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
  const held = heldOf(line)
  const hold = (which: 0 | 1, label: string) => (
    <Field label={label}>
      <Select
        disabled={frozen}
        value={held[which]}
        options={line.sections.map(({ id, name }) => ({ value: id, text: name }))}
        onPick={(id) =>
          put({ reference: { ...line.reference, held: which === 0 ? [id, held[1]] : [held[0], id] } }, `held ${which}`)
        }
      />
    </Field>
  )
  const { carrier } = line
  const ofCarrier = (key: 'weight' | 'tension' | 'stiffness', label: string) => (
    <Field label={label}>
      <Input
        maxLength={16}
        inputMode="decimal"
        readOnly={frozen}
        value={carrier[key]}
        onChange={({ target }) => put({ carrier: { ...carrier, [key]: target.value } }, `carrier ${key}`)}
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
          <Field label={words.reference}>
            <Select
              disabled={frozen}
              value={line.reference.way}
              options={referenceWays.map((value) => ({ value, text: wayNames[value] }))}
              onPick={(way) =>
                put({ reference: { ...line.reference, way: way as BoreLine['reference']['way'] } }, 'reference')
              }
            />
          </Field>
          {line.reference.way === 'held' ? (
            <>
              {hold(0, words.heldOne)}
              {hold(1, words.heldOther)}
            </>
          ) : null}
          <QuantityField
            label={words.limit}
            quantity={line.limit}
            unit={unit}
            readOnly={frozen}
            hint={words.limitHint}
            onChange={(limit) => put({ limit }, 'limit')}
          />
          <Field label={words.correct}>
            <Select
              disabled={frozen}
              value={line.correct}
              options={corrections.map((value) => ({ value, text: correctionNames[value] }))}
              onPick={(correct) => put({ correct: correct as BoreLine['correct'] }, 'correct')}
            />
          </Field>
          <Field label={words.carrier}>
            <Select
              disabled={frozen}
              value={carrier.kind}
              options={carrierKinds.map((value) => ({ value, text: carrierNames[value] }))}
              onPick={(kind) => put({ carrier: { ...carrier, kind: kind as typeof carrier.kind } }, 'carrier')}
            />
          </Field>
          {carrier.kind === 'stiff' ? null : (
            <>
              {(['from', 'length'] as const).map((key) => (
                <QuantityField
                  key={key}
                  minus
                  label={key === 'from' ? words.from : words.span}
                  quantity={carrier[key]}
                  unit={length}
                  readOnly={frozen}
                  onChange={(value) => put({ carrier: { ...carrier, [key]: value } }, `carrier ${key}`)}
                />
              ))}
              {carrier.kind === 'bar' ? (
                <QuantityField
                  label={words.steel}
                  quantity={steel}
                  unit={length}
                  readOnly={frozen}
                  hint={words.steelHint}
                  onChange={(typed) => {
                    setSteel(typed)
                    const mm = quantityMm(typed)
                    if (mm === undefined || mm <= 0) return
                    const { weight, stiffness } = roundSteel(mm)
                    const told = {
                      weight: String(Number(weight.toPrecision(4))),
                      stiffness: String(Math.round(stiffness)),
                    }
                    put({ carrier: { ...carrier, ...told } }, 'carrier steel')
                  }}
                />
              ) : null}
              {ofCarrier('weight', words.weight)}
              {carrier.kind === 'wire' ? ofCarrier('tension', words.tension) : ofCarrier('stiffness', words.stiffness)}
            </>
          )}
        </Grid>
      </Card>
      <Sections data-rows>
        {line.sections.map((section) => (
          <SectionCard key={section.id} section={section} {...props} />
        ))}
      </Sections>
      {frozen ? null : (
        <div>
          <Button onPress={() => onChange((one) => withSection(one, unit))}>{words.add}</Button>
        </div>
      )}
      {children}
    </Page>
  )
}

function SectionCard(props: LineProps<'bore'> & { frozen?: boolean; section: BoreSection }) {
  const { line, unit, onChange, frozen = false, section } = props
  const length = lengthUnitFor(unit)
  const nothing = emptyQuantity(unit)
  const put = (change: Partial<BoreSection>, mark: string) =>
    onChange(
      (one) => ({
        ...one,
        sections: one.sections.map((own) => (own.id === section.id ? { ...own, ...change } : own)),
      }),
      `${section.id} ${mark}`,
    )
  const limits = section.limits ?? { down: nothing, up: nothing, near: nothing, far: nothing }
  const running = section.running ?? { up: nothing, far: nothing }
  return (
    <Card as="section" aria-label={section.name} data-row>
      <Head>
        <h2>{section.name}</h2>
        {frozen || line.sections.length <= 2 ? null : (
          <Button
            look="quiet"
            aria-label={words.remove(section.name)}
            onPress={() =>
              onChange((one) => ({ ...one, sections: one.sections.filter(({ id }) => id !== section.id) }))
            }
          >
            <X size={18} />
          </Button>
        )}
      </Head>
      <Grid>
        <Field label={words.section}>
          <Input
            maxLength={60}
            readOnly={frozen}
            value={section.name}
            onChange={({ target }) => put({ name: target.value }, 'name')}
          />
        </Field>
        <QuantityField
          minus
          label={words.x}
          quantity={section.x}
          unit={length}
          readOnly={frozen}
          onChange={(x) => put({ x }, 'x')}
        />
        <QuantityField
          label={words.diameter}
          quantity={section.diameter}
          unit={length}
          readOnly={frozen}
          onChange={(diameter) => put({ diameter }, 'diameter')}
        />
        <Field label={words.pocket}>
          <Input
            maxLength={60}
            placeholder={words.pocketHint}
            readOnly={frozen}
            value={section.pocket}
            onChange={({ target }) => put({ pocket: target.value }, 'pocket')}
          />
        </Field>
      </Grid>
      <details>
        <Summary>{words.limitsOf}</Summary>
        <Grid>
          {(['down', 'up', 'near', 'far'] as const).map((way) => (
            <QuantityField
              key={way}
              label={words.mostWay[way]}
              quantity={limits[way]}
              unit={unit}
              placeholder={words.noLimit}
              readOnly={frozen}
              onChange={(value) => put({ limits: { ...limits, [way]: value } }, `limit ${way}`)}
            />
          ))}
          {(['up', 'far'] as const).map((way) => (
            <QuantityField
              key={`running ${way}`}
              label={way === 'up' ? words.running : words.runningFar}
              quantity={running[way]}
              unit={unit}
              signed
              readOnly={frozen}
              onChange={(value) => put({ running: { ...running, [way]: value } }, `running ${way}`)}
            />
          ))}
        </Grid>
      </details>
    </Card>
  )
}
