import styled from 'styled-components'
import { narrow } from '../../app/style'

/** The step's own work beside what it means. */
export const WorkAreaAndFindings = styled.div`
  display: grid; grid-template-columns: minmax(0, 1fr) 420px;
  @media (max-width: 1180px) { grid-template-columns: minmax(0, 1fr) 340px; }
  ${narrow} { grid-template-columns: minmax(0, 1fr); }
  min-height: calc(100vh - 97px - 245px);
`
export const WorkArea = styled.main`
  padding: 12px 20px 32px; min-width: 0;
  /* clear of the drawing, which stays above */
  @media (min-width: 900px) and (min-height: 700px) { input, select, button { scroll-margin: 260px 0 20px; } }
  h1 { font-size: 20px; display: inline; margin-right: 12px; } h1 + h2 { font-size: 16px; display: inline; margin-right: 12px; }
`
export const BenchHead = styled.div`
  display: flex; flex-wrap: wrap; align-items: center; gap: 8px 12px; margin-bottom: 8px;
  > :first-child { flex: 1 1 220px; }
  > :last-child:not(:first-child) { margin-left: auto; }
`
