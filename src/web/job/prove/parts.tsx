import type { ReactNode } from 'react'
import styled from 'styled-components'
import type { ProofSaid } from '../../../core/prove/schema'
import { Card } from '../../parts/controls'

/** Changes what people say of a proof. */
export type SayProof = (change: (said: ProofSaid) => ProofSaid, mark?: string) => void

export const Sheet = styled(Card)`
  margin-bottom: 16px; display: grid; gap: 10px; h2 { font-size: 16px; } > div { overflow-x: auto; }
  table { border-collapse: collapse; width: 100%; } th, td { padding: 5px 7px 5px 0; text-align: left; white-space: nowrap; font-size: 13px; }
  thead th { color: var(--muted); font-size: 13px; font-weight: 500; } tbody th { font-weight: 600; } td { font-variant-numeric: tabular-nums; }
  tbody tr { border-top: 1px solid var(--rule); } tbody tr[data-more] { border-top: 0; } tbody th[scope='row'] { font-weight: 400; color: var(--muted); } th[rowspan] { vertical-align: top; }
  summary { cursor: pointer; min-height: 44px; padding: 10px 0; } summary h2 { display: inline; }
`
/** A heading with its help. */
export const HelpHead = styled.div`display: flex; flex-wrap: wrap; align-items: center; gap: 0 6px; min-height: 44px; &&& h2 { margin: 0; } p { flex-basis: 100%; }`
export const Row = styled.div`display: flex; flex-wrap: wrap; gap: 12px; align-items: end;`

const Inside = styled.div`display: grid; gap: 10px; margin-top: 10px;`

/** A sheet that is opened when its moment has come. */
export function Folded({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Sheet as="details" aria-label={title}>
      <summary>
        <h2>{title}</h2>
      </summary>
      <Inside>{children}</Inside>
    </Sheet>
  )
}
