import { useMemo } from 'react'
import styled from 'styled-components'
import { readPeg, verdictPeg } from '../../../core/kinds/belt/advice/findings'
import { solveRound } from '../../../core/kinds/belt/solve/round'
import { driveScene } from '../../../drawing/belt/drive'
import type { BeltTerms } from '../../../words/belt/findings'
import { beltPageWords } from '../../../words/belt/page/page'
import { Drawing } from '../../drawing/Drawing'
import { JobLayout } from '../../job/frame/JobLayout'
import { useWidth } from '../../parts/useWidth'
import type { JobProps } from '../kind'
import type { BeltFrame } from './frame'

const Box = styled.div`border-bottom: 1px solid var(--rule); background: var(--card); min-height: 120px;`

/** A job on a belt drive: its round solved, the drive drawn from above and from the end. */
export function BeltJob({ open, frame }: JobProps<'belt'>) {
  const { document, round, settings } = frame
  const { line } = document
  const [ref, width] = useWidth()
  const solved = useMemo(() => solveRound(line, round), [line, round])
  const told: BeltTerms = useMemo(
    () => ({ line, unit: settings.unit, resolution: solved.resolution }),
    [line, settings.unit, solved.resolution],
  )
  const scene = useMemo(
    () => (width > 0 ? driveScene(solved, told, { width, height: 300 }) : undefined),
    [solved, told, width],
  )
  const whole: BeltFrame = { ...frame, solved, told }
  return (
    <JobLayout
      open={open}
      frame={whole}
      pegs={{ read: readPeg(solved), move: verdictPeg(solved) }}
      drawing={<Box ref={ref}>{scene ? <Drawing scene={scene} label={beltPageWords.drawing} /> : null}</Box>}
    />
  )
}
