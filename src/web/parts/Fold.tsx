import type { ReactNode } from 'react'
import styled from 'styled-components'

const Details = styled.details`
  > summary { cursor: pointer; min-height: 44px; display: flex; align-items: center; gap: 10px; list-style: none; }
  > summary::before { content: '›'; font-size: 22px; line-height: 1; color: var(--kelp); width: 12px; transition: transform 120ms; }
  &[open] > summary::before { transform: rotate(90deg); }
  > summary::-webkit-details-marker { display: none; }
  h2 { font-size: 16px; }
  @media (prefers-reduced-motion: reduce) { > summary::before { transition: none; } }
`
const Inside = styled.div`display: grid; gap: 8px; margin-top: 6px; > div { overflow-x: auto; }`

/** A part that stays folded until its moment: its title says what is inside. `open`: where it holds something already. */
export const Fold = ({ title, open = false, children }: { title: string; open?: boolean; children: ReactNode }) => (
  <Details open={open || undefined}>
    <summary>
      <h2>{title}</h2>
    </summary>
    <Inside>{children}</Inside>
  </Details>
)
