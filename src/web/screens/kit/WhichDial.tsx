import { useState } from 'react'
import styled from 'styled-components'
import { dialFit } from '../../../core/kit/fits'
import { emptyQuantity, quantityMm } from '../../../core/quantity/quantity'
import { sayFit } from '../../../words/kit'
import { kitWords } from '../../../words/page/kit'
import type { StoredKit } from '../../api/client'
import { Card, Muted } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { NumberField } from './parts'

const List = styled.ul`list-style: none; margin: 12px 0 0; padding: 0; li { display: grid; grid-template-columns: 20px 180px 1fr; gap: 10px; padding: 8px 0; border-top: 1px solid var(--rule); align-items: baseline; @media (max-width: 700px) { grid-template-columns: 20px 1fr; span { grid-column: 2; } } }`

/** Which dial of the kit can follow an expected swing, and how deep to set it at the top. */
export function WhichDial({ items, unit }: { items: readonly StoredKit[]; unit: 'mm' | 'mil' }) {
  const [swing, setSwing] = useState(() => emptyQuantity(unit))
  const [top, setTop] = useState(() => emptyQuantity(unit))
  const dials = items.flatMap(({ id, document }) => (document.kind === 'dial' ? [{ id, dial: document }] : []))
  const expected = quantityMm(swing)
  if (dials.length === 0) return null
  return (
    <Card aria-label={kitWords.whichDialFits2}>
      <h2>{kitWords.whichDialFits}</h2>
      <Muted>{kitWords.expectedTotalIndicatorReadingTir}</Muted>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 12, marginTop: 10 }}>
        <NumberField label={kitWords.expectedTir} quantity={swing} unit={unit} onChange={setSwing} />
        <NumberField
          label={kitWords.topReadingAboveMidSwing}
          signed
          quantity={top}
          unit={unit}
          onChange={setTop}
          hint={kitWords.ifKnownAtMostHalf}
        />
      </div>
      {expected !== undefined && expected > 0 ? (
        <List>
          {dials.map(({ id, dial }) => {
            const fit = dialFit(dial, expected, quantityMm(top) ?? 0)
            const said = sayFit(fit, unit)
            return (
              <li key={id}>
                <Peg peg={said.peg} size={14} label="" />
                <b>{dial.name}</b>
                <span>{said.text}</span>
              </li>
            )
          })}
        </List>
      ) : null}
    </Card>
  )
}
