import styled from 'styled-components'
import type { KitItem } from '../../../core/kit/schema'
import type { Quantity } from '../../../core/quantity/quantity'
import type { Unit } from '../../../core/quantity/units'
import { kitWords } from '../../../words/page/kit'
import { Field, Input, Select } from '../../parts/controls'
import { QuantityField } from '../../parts/Quantity'

export const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(170px, 1fr)); gap: 12px; align-items: start;`

export type Put = (change: Partial<KitItem>, mark: string) => void

export const TextField = (props: {
  label: string
  value: string
  onChange: (value: string) => void
  type?: 'text' | 'date'
  max?: number
}) => (
  <Field label={props.label}>
    <Input
      type={props.type ?? 'text'}
      value={props.value}
      maxLength={props.max ?? 60}
      onChange={(event) => props.onChange(event.target.value)}
    />
  </Field>
)

export const NumberField = (props: {
  label: string
  quantity: Quantity
  unit: Unit
  onChange: (quantity: Quantity) => void
  hint?: string
  signed?: boolean
  positive?: boolean
}) => <QuantityField {...props} />

/** A dial of the kit by name; or one that is not in it, as was written. */
export const DialName = (props: {
  label: string
  value: string
  dials: readonly string[]
  onChange: (name: string) => void
}) => (
  <Field label={props.label}>
    <Select
      value={props.value}
      options={[
        { value: '', text: kitWords.notGiven },
        ...[...new Set([...props.dials, props.value].filter(Boolean))].map((name) => ({ value: name, text: name })),
      ]}
      onPick={props.onChange}
    />
  </Field>
)
