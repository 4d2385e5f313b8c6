import { memo } from 'react'
import styled from 'styled-components'
import { orderAdvice } from '../../../../core/kinds/train/plan/bolts'
import { moveWords } from '../../../../words/train/page/move'
import { schools } from '../../../../words/train/plan'
import { Card, Choices, Muted } from '../../../parts/controls'
import { Fold } from '../../../parts/Fold'
import type { TrainFrame } from '../frame'
import { sameButForPlan } from './frames'

const Sheet = styled(
  Card,
)`margin-bottom: 18px; display: grid; gap: 8px; h2 { font-size: 16px; } ol { margin: 0; padding-left: 22px; display: grid; gap: 2px; }`

/** In which order: three schools of the trade, each with its reason; the one the numbers speak for is taken until one chooses. */
export const Order = memo(function Order({ frame }: { frame: TrainFrame }) {
  const { solved, round, frozen } = frame
  const advised = orderAdvice(solved).school
  const school = round.plan?.order ?? advised
  return (
    <Sheet aria-label={moveWords.sequence}>
      <Fold title={moveWords.sequence}>
        <Choices
          label={moveWords.sequence}
          value={school}
          isDisabled={frozen}
          options={(['vertical-first', 'sideways-first', 'together'] as const).map((value) => ({
            value,
            text: schools[value].name,
          }))}
          onChange={(order) => frame.editPlan((plan) => ({ ...plan, order }))}
        />
        <Muted>
          {schools[school].because}
          {school === advised ? '' : moveWords.suggested(schools[advised].name.toLowerCase())}
        </Muted>
        <ol>
          {schools[school].steps.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
        <Muted>{moveWords.beforeLooseningLockedOutAnd}</Muted>
      </Fold>
    </Sheet>
  )
}, sameButForPlan)
