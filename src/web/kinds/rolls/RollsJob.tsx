import { memo, useDeferredValue, useMemo } from 'react'
import styled from 'styled-components'
import { readPeg, verdictPeg } from '../../../core/kinds/rolls/advice/findings'
import { type RollsSolved, solveRound } from '../../../core/kinds/rolls/solve/round'
import { sectionScene } from '../../../drawing/rolls/section'
import type { RollsTerms } from '../../../words/rolls/findings'
import { rollsPageWords } from '../../../words/rolls/page/page'
import { Drawing } from '../../drawing/Drawing'
import { JobLayout } from '../../job/frame/JobLayout'
import { useWidth } from '../../parts/useWidth'
import type { JobProps } from '../kind'
import type { RollsFrame } from './frame'

const Box = styled.div`border-bottom: 1px solid var(--rule); background: var(--card); min-height: 120px;`

const Drawn = memo(function Drawn({ solved, told, width }: { solved: RollsSolved; told: RollsTerms; width: number }) {
  const scene = useMemo(() => sectionScene(solved, told, { width, height: 320 }), [solved, told, width])
  return <Drawing scene={scene} label={rollsPageWords.drawing} />
})

/** A job on a section of rolls: its round solved, the section from the near side and from above. */
export function RollsJob({ open, frame }: JobProps<'rolls'>) {
  const { document, round, settings } = frame
  const { line } = document
  const [ref, width] = useWidth()
  const solved = useMemo(() => solveRound(line, round), [line, round])
  const told: RollsTerms = useMemo(
    () => ({ line, unit: settings.unit, resolution: solved.resolution, width: solved.width ?? 1000 }),
    [line, settings.unit, solved.resolution, solved.width],
  )
  // two hundred circles are drawn after the key is shown, and never between two keys that come faster
  const drawn = useDeferredValue(solved)
  const whole: RollsFrame = { ...frame, solved, told }
  return (
    <JobLayout
      open={open}
      frame={whole}
      pegs={{ read: readPeg(solved), move: verdictPeg(solved) }}
      drawing={<Box ref={ref}>{width > 0 ? <Drawn solved={drawn} told={told} width={width} /> : null}</Box>}
    />
  )
}
