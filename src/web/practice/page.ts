import styled from 'styled-components'
import { narrow } from '../app/style'

/** How every lesson is laid out: the rig on the left, what is told and checked on the right. */

export const Band = styled.aside`padding: 8px 20px; background: var(--card); border-bottom: 2px dashed var(--unsure); font-weight: 600;`
export const Page = styled.main`
  display: grid; grid-template-columns: minmax(0, 1fr) 420px; min-height: calc(100vh - 96px); ${narrow} { grid-template-columns: minmax(0, 1fr); }
  h1 { font-size: 22px; } h2 { font-size: 16px; }
`
export const Rig = styled.div`padding: 20px; display: grid; gap: 16px; align-content: start;`
export const Row = styled.div`display: flex; flex-wrap: wrap; gap: 8px; align-items: center;`
export const Side = styled.aside`background: var(--card); border-left: 1px solid var(--rule); padding: 20px; display: grid; gap: 16px; align-content: start; ${narrow} { border-left: 0; border-top: 2px solid var(--kelp); }`
export const Hints = styled.ol`margin: 0; padding-left: 20px; display: grid; gap: 6px; color: var(--ink);`
