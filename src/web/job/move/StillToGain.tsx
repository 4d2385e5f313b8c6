import type { ReactNode } from 'react'
import styled from 'styled-components'
import { withinWords } from '../../../words/within'
import { Card } from '../../parts/controls'
import { Fold } from '../../parts/Fold'
import { Peg } from '../../parts/Peg'

const Fine = styled(
  Card,
)`display: grid; gap: 12px; margin: 8px 0 16px; p { display: flex; align-items: center; gap: 10px; font-size: 19px; font-weight: 700; }`

/** What is to be done at the feet; once all is within nothing is, and what could still be gained stands behind a fold. */
export function StillToGain({ within, children }: { within: boolean; children: ReactNode }) {
  if (!within) return children
  return (
    <Fine as="section" aria-label={withinWords.noMoves}>
      <p>
        <Peg peg="within" size={18} /> {withinWords.noMoves}
      </p>
      <Fold title={withinWords.stillToGain}>{children}</Fold>
    </Fine>
  )
}
