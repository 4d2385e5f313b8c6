import { type KeyboardEvent, type Ref, useEffect, useLayoutEffect, useRef, useState } from 'react'
import { useField } from 'react-aria'
import { positiveFault, type Quantity, quantityFault, retyped, showQuantity } from '../../core/quantity/quantity'
import type { Unit } from '../../core/quantity/units'
import { unitName } from '../../words/terms'
import { sayTrouble } from '../../words/troubles'
import { useSettings } from '../app/settings'
import { signKey } from '../pad/press'
import { Fault, FieldBox, NumberInput } from './controls'
import { type SignedText, signedText, withEdit, withMinus, withReplaced, withTurnedSign } from './signedText'

interface CellProps {
  label: string
  quantity: Quantity
  /** Unit shown, and that of what is typed from now on. */
  unit: Unit
  /** Readings and sag show their "+" and take "-" anywhere. */
  signed?: boolean
  /** May be below zero, though no sign is shown: a place told from somewhere. */
  minus?: boolean
  /** Must be above zero: a graduation, a standard deviation. The last good one is kept while it is not. */
  positive?: boolean
  readOnly?: boolean
  /** Page Up and Page Down add and take off whole turns. */
  turns?: boolean
  describedBy?: string | undefined
  /** Where a label of its own points to it; named by `label` otherwise. */
  id?: string | undefined
  inputRef?: Ref<HTMLInputElement> | undefined
  onChange: (quantity: Quantity) => void
  onKeyDown?: (event: KeyboardEvent<HTMLInputElement>) => void
  onFocus?: () => void
  className?: string
  placeholder?: string
}

const faultOf = ({ quantity, positive }: Pick<CellProps, 'quantity' | 'positive'>): string | undefined => {
  const trouble = positive ? positiveFault(quantity) : quantityFault(quantity)
  return trouble && sayTrouble(trouble)
}

const signOfKey: Readonly<Record<string, typeof withMinus>> = {
  '-': withMinus,
  '−': withMinus,
  [signKey]: withTurnedSign,
}

const caretOf = ({ selectionStart, selectionEnd, value }: HTMLInputElement) => ({
  all: value !== '' && selectionStart === 0 && selectionEnd === value.length,
  atEnd: selectionStart === value.length,
})

/** A measured number in an input. Shown in the unit asked for; what was typed stays as typed until it is edited. */
export function QuantityInput(props: CellProps) {
  const { quantity, unit, signed = false, onChange } = props
  const { pad } = useSettings()
  const [editing, setEditing] = useState<SignedText>()
  const fresh = useRef(false)
  const own = useRef<HTMLInputElement>(undefined)
  const sent = useRef(quantity.text)
  const shown = editing?.text ?? showQuantity(quantity, unit, { signed })
  const change = (next: SignedText) => {
    setEditing(next)
    sent.current = next.text
    const typed = { text: next.text, unit }
    onChange(props.positive ? retyped(quantity, typed) : typed)
  }
  const press = (input: HTMLInputElement, withSign: typeof withMinus) => {
    own.current = input
    change(withSign(editing ?? signedText(input.value), caretOf(input)))
  }
  // the number stays selected after a sign over all of it
  useLayoutEffect(() => {
    if (editing?.over) own.current?.select()
  }, [editing])
  // undone, or typed on another tablet, while the field has the focus: it shows what holds now
  useEffect(() => {
    if (quantity.text === sent.current) return
    sent.current = quantity.text
    setEditing((now) => now && signedText(showQuantity(quantity, unit, { signed })))
  }, [quantity, unit, signed])
  return (
    <NumberInput
      ref={props.inputRef}
      className={props.className}
      id={props.id}
      aria-label={props.id === undefined ? props.label : undefined}
      aria-invalid={faultOf(props) ? true : undefined}
      aria-describedby={props.describedBy}
      // a keypad of digits has no minus
      inputMode={pad ? 'none' : signed || props.minus ? 'text' : 'decimal'}
      data-quantity=""
      data-signed={signed ? '' : undefined}
      data-turns={props.turns ? '' : undefined}
      autoComplete="off"
      enterKeyHint="next"
      maxLength={40}
      readOnly={props.readOnly}
      placeholder={props.placeholder}
      value={shown}
      onFocus={(event) => {
        setEditing(signedText(shown)) // the same text: nothing on the page changes under the caret
        sent.current = quantity.text
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
      onSelect={({ currentTarget }) => {
        if (editing?.over && !caretOf(currentTarget).all) setEditing({ ...editing, over: undefined })
      }}
      // not `onChange`: React keeps silent where the same digit is typed over the one that a minus left selected
      onInput={(event) => {
        const { data } = event.nativeEvent as InputEvent
        change(withEdit(editing ?? signedText(shown), event.currentTarget.value, data))
      }}
      onPaste={(event) => {
        // blocks of cells: `pasted.ts`
        if (props.readOnly || !editing?.over) return
        event.preventDefault()
        change(withReplaced(editing, event.clipboardData.getData('text').trim()))
      }}
      onKeyDown={(event) => {
        const sign = signed && !props.readOnly ? signOfKey[event.key] : undefined
        if (!sign) return props.onKeyDown?.(event)
        event.preventDefault()
        press(event.currentTarget, sign)
      }}
      onBeforeInput={(event) => {
        // keyboards on glass press no key, they put text in
        if (!signed || props.readOnly || !/^[-−]$/.test((event as unknown as { data?: string }).data ?? '')) return
        event.preventDefault()
        press(event.currentTarget, withMinus)
      }}
    />
  )
}

/** A measured number with its label, its unit and what is wrong with it. */
export function QuantityField(props: CellProps & { hint?: string }) {
  const fault = faultOf(props)
  const label = `${props.label}, ${unitName[props.unit]}`
  const { labelProps, fieldProps, descriptionProps, errorMessageProps } = useField({
    label,
    description: props.hint,
    errorMessage: fault,
    isInvalid: fault !== undefined,
  })
  return (
    <FieldBox as="div">
      <label {...labelProps} htmlFor={fieldProps.id}>
        {label}
      </label>
      <QuantityInput {...props} label={label} id={fieldProps.id} describedBy={fieldProps['aria-describedby']} />
      {fault ? (
        <Fault {...errorMessageProps}>{fault}</Fault>
      ) : props.hint ? (
        <span {...descriptionProps}>{props.hint}</span>
      ) : null}
    </FieldBox>
  )
}
