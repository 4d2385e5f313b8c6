import { useMemo } from 'react'
import styled from 'styled-components'
import { readPeg, verdictPeg } from '../../../core/kinds/bore/advice/findings'
import { solveRound } from '../../../core/kinds/bore/solve/round'
import { rowScene } from '../../../drawing/bore/row'
import type { BoreTerms } from '../../../words/bore/findings'
import { borePageWords } from '../../../words/bore/page/page'
import { Drawing } from '../../drawing/Drawing'
import { JobLayout } from '../../job/frame/JobLayout'
import { useWidth } from '../../parts/useWidth'
import type { JobProps } from '../kind'
import type { BoreFrame } from './frame'

const Box = styled.div`border-bottom: 1px solid var(--rule); background: var(--card); min-height: 120px;`

/** A job on a row of bores: its round solved, the row drawn from the side, from above and along it. */
export function BoreJob({ open, frame }: JobProps<'bore'>) {
  const { document, round, settings } = frame
  const { line } = document
  const [ref, width] = useWidth()
  const solved = useMemo(() => solveRound(line, round), [line, round])
  const told: BoreTerms = useMemo(
    () => ({ line, unit: settings.unit, resolution: solved.resolution }),
    [line, settings.unit, solved.resolution],
  )
  const scene = useMemo(
    () => (width > 0 ? rowScene(solved, told, { width, height: 320 }) : undefined),
    [solved, told, width],
  )
  const whole: BoreFrame = { ...frame, solved, told }
  return (
    <JobLayout
      open={open}
      frame={whole}
      pegs={{ read: readPeg(solved), move: verdictPeg(solved) }}
      drawing={<Box ref={ref}>{scene ? <Drawing scene={scene} label={borePageWords.drawing} /> : null}</Box>}
    />
  )
}
