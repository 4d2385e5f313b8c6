import type { InputHTMLAttributes } from 'react'
import { useField } from 'react-aria'
import type { Trouble } from '../../core/quantity/trouble'
import { sayTrouble } from '../../words/troubles'
import { Fault, FieldBox, Input } from './controls'

/** A labeled field with what is wrong with its text said under it, and told with it. */
export function FaultField({
  label,
  trouble,
  hidden = false,
  ...props
}: InputHTMLAttributes<HTMLInputElement> & {
  label: string
  trouble: Trouble | undefined
  /** The label is told, not shown: what stands beside it says it. */
  hidden?: boolean
}) {
  const fault = trouble && sayTrouble(trouble)
  const { labelProps, fieldProps, errorMessageProps } = useField({
    ...(hidden ? { 'aria-label': label } : { label }),
    errorMessage: fault,
    isInvalid: fault !== undefined,
  })
  return (
    <FieldBox as="div">
      {hidden ? null : (
        <label {...labelProps} htmlFor={fieldProps.id}>
          {label}
        </label>
      )}
      <Input {...props} {...fieldProps} aria-invalid={fault === undefined ? undefined : true} />
      {fault === undefined ? null : <Fault {...errorMessageProps}>{fault}</Fault>}
    </FieldBox>
  )
}
