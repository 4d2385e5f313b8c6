import { useState } from 'react'
import styled from 'styled-components'
import { partsWords } from '../../words/page/parts'
import { Button, Muted } from './controls'

const Ask = styled.span`display: inline-flex; flex-wrap: wrap; gap: 8px 12px; align-items: center;`

/** Takes something away, once it was said what goes with it. */
export function Remove(props: {
  /** What the button says: “Remove the gearbox”. */
  label: string
  /** What goes with it, and how it comes back. */
  goes: string
  /** What the second button says; the first one's words without. */
  act?: string
  look?: 'plain' | 'quiet'
  isDisabled?: boolean
  onRemove: () => void
}) {
  const [asked, ask] = useState(false)
  if (!asked)
    return (
      <Button look={props.look ?? 'quiet'} isDisabled={props.isDisabled ?? false} onPress={() => ask(true)}>
        {props.label}
      </Button>
    )
  return (
    <Ask role="group" aria-label={props.label}>
      <Muted role="status">{props.goes}</Muted>
      <Button
        onPress={() => {
          ask(false)
          props.onRemove()
        }}
      >
        {props.act ?? props.label}
      </Button>
      <Button look="quiet" onPress={() => ask(false)}>
        {partsWords.cancel}
      </Button>
    </Ask>
  )
}
