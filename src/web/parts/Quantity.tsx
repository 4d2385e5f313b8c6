import { type KeyboardEvent, type Ref, useId, useRef, useState } from 'react'
import { flipSign, type Quantity, quantityFault, showQuantity } from '../../core/frame/quantity'
import type { Unit } from '../../core/frame/units'
import { unitName } from '../../words/terms'
import { Fault, FieldBox, NumberInput } from './controls'

interface CellProps {
  label: string
  quantity: Quantity
  /** Unit shown, and that of what is typed from now on. */
  unit: Unit
  /** Readings and sag show their "+" and take "-" anywhere. */
  signed?: boolean
  readOnly?: boolean
  describedBy?: string | undefined
  inputRef?: Ref<HTMLInputElement> | undefined
  onChange: (quantity: Quantity) => void
  onKeyDown?: (event: KeyboardEvent<HTMLInputElement>) => void
  onFocus?: () => void
  className?: string
  placeholder?: string
}

/** A measured number in an input. Shown in the unit asked for; what was typed stays as typed until it is edited. */
export function QuantityInput(props: CellProps) {
  const { quantity, unit, signed = false, onChange } = props
  const [editing, setEditing] = useState<string>()
  const fresh = useRef(false)
  const shown = editing ?? showQuantity(quantity, unit, { signed })
  const change = (text: string) => {
    setEditing(text)
    onChange({ text, unit })
  }
  return (
    <NumberInput
      ref={props.inputRef}
      className={props.className}
      aria-label={props.label}
      aria-invalid={quantityFault(quantity) ? true : undefined}
      aria-describedby={props.describedBy}
      inputMode={signed ? 'text' : 'decimal'}
      autoComplete="off"
      enterKeyHint="next"
      readOnly={props.readOnly}
      placeholder={props.placeholder}
      value={shown}
      onFocus={(event) => {
        setEditing(shown) // the same text: nothing on the page changes under the caret
        event.currentTarget.select()
        fresh.current = true
        props.onFocus?.()
      }}
      onMouseUp={(event) => {
        // the click that brought the focus would put the caret where all is selected
        if (fresh.current) event.preventDefault()
        fresh.current = false
      }}
      onBlur={() => setEditing(undefined)}
      onChange={(event) => change(event.target.value)}
      onKeyDown={(event) => {
        if (signed && (event.key === '-' || event.key === '−') && !props.readOnly) {
          event.preventDefault()
          change(flipSign(editing ?? ''))
          return
        }
        props.onKeyDown?.(event)
      }}
    />
  )
}

/** A measured number with its label, its unit and what is wrong with it. */
export function QuantityField(props: CellProps & { hint?: string }) {
  const id = useId()
  const fault = quantityFault(props.quantity)
  return (
    <FieldBox as="div">
      <span aria-hidden="true">{`${props.label}, ${unitName[props.unit]}`}</span>
      <QuantityInput
        {...props}
        label={`${props.label}, ${unitName[props.unit]}`}
        describedBy={fault ? id : undefined}
      />
      {fault ? <Fault id={id}>{fault}</Fault> : props.hint ? <span>{props.hint}</span> : null}
    </FieldBox>
  )
}
