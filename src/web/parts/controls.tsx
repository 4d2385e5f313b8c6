import { type ReactNode, type SelectHTMLAttributes, useId } from 'react'
import { Button as AriaButton, type ButtonProps } from 'react-aria-components'
import styled, { css } from 'styled-components'
import { mono } from '../app/style'

export const buttonLook = css<{ $look?: 'act' | 'plain' | 'quiet' | undefined }>`
  display: inline-flex; align-items: center; justify-content: center; gap: 8px;
  min-height: 44px; min-width: 44px; padding: 0 16px; border-radius: 4px; cursor: pointer;
  font-weight: 600; text-decoration: none; white-space: nowrap; max-width: 100%;
  @media (max-width: 899px) { white-space: normal; overflow-wrap: anywhere; }
  border: 1px solid ${({ $look }) => ($look === 'act' ? 'var(--kelp)' : $look === 'quiet' ? 'transparent' : 'var(--rule)')};
  background: ${({ $look }) => ($look === 'act' ? 'var(--kelp)' : $look === 'quiet' ? 'transparent' : 'var(--card)')};
  color: ${({ $look }) => ($look === 'act' ? 'var(--on-kelp)' : 'var(--ink)')};
  &:hover { border-color: var(--kelp); }
  &[disabled] { opacity: 0.45; cursor: default; }
`
const StyledButton = styled(AriaButton)<{ $look?: 'act' | 'plain' | 'quiet' | undefined }>`${buttonLook}`

/** `act`: the one thing to do next; `plain`: other acts; `quiet`: in headers. */
export function Button({ look = 'plain', ...props }: ButtonProps & { look?: 'act' | 'plain' | 'quiet' }) {
  return <StyledButton {...props} $look={look} />
}

export const ButtonAnchor = styled.a<{ $look?: 'act' | 'plain' | 'quiet' }>`${buttonLook}`

const Group = styled.div`
  display: inline-flex; flex-wrap: wrap; justify-self: start; border: 1px solid var(--rule); border-radius: 24px; background: var(--card); padding: 1px; max-width: 100%;
`
/** The platform's own radio button lies over its text, unseen: a finger, a key and a screen reader meet that. */
const Choice = styled.label`
  position: relative; display: inline-flex; align-items: center; justify-content: center; text-align: center;
  min-height: 44px; min-width: 44px; padding: 0 14px; border-radius: 20px; cursor: pointer; color: var(--muted);
  & input { position: absolute; inset: 0; width: 100%; height: 100%; margin: 0; opacity: 0; cursor: inherit; }
  &:has(:checked) { background: var(--ink); color: var(--card); font-weight: 600; }
  &:has(:focus-visible) { outline: 3px solid var(--kelp); outline-offset: 2px; }
  &:has(:disabled) { cursor: default; }
`

/** One of a few, all in sight. */
export function Choices<T extends string>(props: {
  label: string
  value: T
  options: readonly { value: T; text: string }[]
  onChange: (value: T) => void
  isDisabled?: boolean
}) {
  const name = useId()
  return (
    <Group role="radiogroup" aria-label={props.label}>
      {props.options.map((option) => (
        <Choice key={option.value}>
          <input
            type="radio"
            name={name}
            value={option.value}
            checked={option.value === props.value}
            disabled={props.isDisabled ?? false}
            onChange={() => props.onChange(option.value)}
          />
          {option.text}
        </Choice>
      ))}
    </Group>
  )
}

export const FieldBox = styled.label`
  display: flex; flex-direction: column; gap: 2px; min-width: 0; font-size: 13px; color: var(--muted);
`
export const inputLook = css`
  min-height: 44px; padding: 0 10px; border: 1px solid var(--rule); border-radius: 4px; background: var(--card); color: var(--ink);
  font-size: 15px; width: 100%; min-width: 0;
  &:focus { border-color: var(--kelp); }
  &[aria-invalid='true'] { border: 2px solid var(--outside); }
`
export const Input = styled.input`${inputLook}`
export const TextArea = styled.textarea`${inputLook} padding: 10px; resize: vertical;`
export const NumberInput = styled.input`${inputLook} ${mono} text-align: right;`
const Native = styled.select`${inputLook}`

/** A labeled field. */
export function Field({ label, children }: { label: string; children: ReactNode }) {
  return (
    <FieldBox>
      <span>{label}</span>
      {children}
    </FieldBox>
  )
}

/** One of many, by the platform's own list. */
export function Select({
  options,
  onPick,
  ...props
}: Omit<SelectHTMLAttributes<HTMLSelectElement>, 'onChange'> & {
  options: readonly { value: string; text: string }[]
  onPick: (value: string) => void
}) {
  return (
    <Native {...props} onChange={(event) => onPick(event.target.value)}>
      {options.map((option) => (
        <option key={option.value} value={option.value}>
          {option.text}
        </option>
      ))}
    </Native>
  )
}

export const Fault = styled.span`color: var(--outside); font-size: 13px; font-weight: 600;`
export const Muted = styled.span`color: var(--muted);`
export const Card = styled.section`
  background: var(--card); border: 1px solid var(--rule); border-radius: 4px; padding: 16px; min-width: 0;
`
