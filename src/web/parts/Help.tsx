import { type ReactNode, useState } from 'react'
import styled from 'styled-components'
import { partsWords } from '../../words/page/parts'
import { Button, Muted } from './controls'

const Mark = styled(
  Button,
)`&&& { min-width: 44px; min-height: 44px; padding: 0; border-radius: 50%; font-weight: 700; color: var(--muted); }`

/** A longer explanation behind a question mark; `of` names what it explains. */
export function Help({ of, children }: { of: string; children: ReactNode }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Mark look="quiet" aria-label={partsWords.explain(of)} aria-expanded={open} onPress={() => setOpen(!open)}>
        ?
      </Mark>
      {open ? <Muted as="p">{children}</Muted> : null}
    </>
  )
}
