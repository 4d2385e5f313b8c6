import { type ReactNode, useState } from 'react'
import styled from 'styled-components'
import { footName, machineName } from '../../../../words/terms'
import { moveWords } from '../../../../words/train/page/move'
import { staysNames } from '../../../../words/train/plan'
import { Button } from '../../../parts/controls'
import type { TrainFrame } from '../frame'

const Line = styled.div`display: flex; flex-wrap: wrap; align-items: center; gap: 4px 12px; margin-bottom: 12px;`

/** Which plan the moves below follow, in one line; the choice and the comparison of plans behind "change". */
export function PlanLine({ frame, children }: { frame: TrainFrame; children: ReactNode }) {
  const { round, plan, terms, document } = frame
  const stays = round.plan?.stays ?? 'fixed'
  // folded while the fixed machine does; a plan that can't be made, or another one, is where the next choice is
  const [asked, ask] = useState<boolean>()
  const open = asked ?? (stays !== 'fixed' || plan?.feasible === false)
  const held = stays === 'hold' ? (plan?.held ?? []).map((id) => footName(id, terms)).join(', ') : ''
  const which = stays === 'fixed' ? machineName(document.line.fixed, terms) : held
  return (
    <>
      <Line>
        <span>
          <b>{[staysNames[stays], which].filter(Boolean).join(': ')}</b>
        </span>
        <Button
          look="quiet"
          aria-label={open ? moveWords.planDone : moveWords.changeThePlan}
          aria-expanded={open}
          onPress={() => ask(!open)}
        >
          {open ? moveWords.planDone : moveWords.changePlan}
        </Button>
      </Line>
      {open ? children : null}
    </>
  )
}
