import { useMemo } from 'react'
import styled from 'styled-components'
import { readPeg, verdictPeg } from '../../../core/kinds/upright/advice/findings'
import { solveRound } from '../../../core/kinds/upright/solve/round'
import { flangeScene } from '../../../drawing/upright/flange'
import type { UprightTerms } from '../../../words/upright/findings'
import { pageWords } from '../../../words/upright/page/page'
import { Drawing } from '../../drawing/Drawing'
import { JobLayout } from '../../job/frame/JobLayout'
import { useWidth } from '../../parts/useWidth'
import type { JobProps } from '../kind'
import type { UprightFrame } from './frame'

const Box = styled.div`border-bottom: 1px solid var(--rule); background: var(--card); min-height: 120px;`

/** A job on an upright pair: its round solved, its flange drawn. */
export function UprightJob({ open, frame }: JobProps<'upright'>) {
  const { document, round, settings } = frame
  const { line } = document
  const [ref, width] = useWidth()
  const solved = useMemo(() => solveRound(line, round), [line, round])
  const told: UprightTerms = useMemo(
    () => ({ line, unit: settings.unit, resolution: solved.resolution }),
    [line, settings.unit, solved.resolution],
  )
  const scene = useMemo(
    () => (width > 0 ? flangeScene(solved, told, { width, height: 300 }) : undefined),
    [solved, told, width],
  )
  const at = document.rounds.indexOf(round)
  const earlier = at > 0 ? document.rounds[at - 1] : undefined
  const before = useMemo(() => earlier && solveRound(line, earlier), [line, earlier])
  const whole: UprightFrame = { ...frame, solved, before, told }
  return (
    <JobLayout
      open={open}
      frame={whole}
      pegs={{ read: readPeg(solved), move: verdictPeg(solved) }}
      drawing={<Box ref={ref}>{scene ? <Drawing scene={scene} label={pageWords.theFlangeFromAboveAnd} /> : null}</Box>}
    />
  )
}
