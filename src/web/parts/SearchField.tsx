import { Search } from 'lucide-react'
import type { Ref } from 'react'
import styled from 'styled-components'
import { Input } from './controls'

const Box = styled.label`position: relative; flex: 1; min-width: 200px; max-width: 340px; svg { position: absolute; left: 12px; top: 13px; color: var(--muted); } input { padding-left: 38px; }`

/** A field to search by, with its glass. */
export const SearchField = (props: {
  label: string
  placeholder: string
  value: string
  onChange: (value: string) => void
  inputRef?: Ref<HTMLInputElement>
}) => (
  <Box>
    <Search size={18} aria-hidden="true" />
    <Input
      ref={props.inputRef}
      type="search"
      aria-label={props.label}
      placeholder={props.placeholder}
      value={props.value}
      onChange={(event) => props.onChange(event.target.value)}
    />
  </Box>
)
