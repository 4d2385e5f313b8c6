import { wrap } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import { type RollPlan, rollPlans } from '../../../core/kinds/rolls/document/schema'
import type { ForWeb } from '../../../core/kinds/rolls/plan/forWeb'
import { sectionOf } from '../../../core/kinds/rolls/solve/measured'
import { formatNumber } from '../../../core/quantity/number'
import { rollName } from '../../../words/rolls/findings'
import { rollsPageWords as words } from '../../../words/rolls/page/page'
import { Button, Choices, Fault } from '../../parts/controls'
import { Help } from '../../parts/Help'
import { useRollsFrame } from './frame'
import type { RollsPlanner } from './worker'

/** Which rolls are moved: the one list that table, advice, sheet and record show. The fewest are worked out beside the page. */
export function WhichPlan() {
  const { solved, document, frozen, editRound } = useRollsFrame()
  const { line } = document
  const worker = useRef<Worker>(undefined)
  const [found, setFound] = useState<
    { of: typeof solved; plan: ForWeb | null } | { of: typeof solved; fault: string }
  >()
  const [working, setWorking] = useState(false)
  useEffect(() => () => worker.current?.terminate(), [])
  const lies = solved.rolls.flatMap(({ solved: own }) =>
    own?.square && own.level ? [{ square: own.square.value, level: own.level.value }] : [],
  )
  const section = sectionOf(line)
  const known = section && lies.length === line.rolls.length
  const work = async () => {
    if (!section) return
    worker.current ??= new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
    setWorking(true)
    try {
      const plan = await wrap<RollsPlanner>(worker.current).forWeb(section, lies)
      setFound({ of: solved, plan })
      if (plan)
        editRound((one) => ({
          ...one,
          plan: 'web',
          webMoves: plan.moved.map(({ id, slide, shim }) => ({ roll: id, slide, shim })),
        }))
    } catch (error) {
      setFound({ of: solved, fault: error instanceof Error ? error.message : String(error) })
    } finally {
      setWorking(false)
    }
  }
  const pick = (plan: RollPlan) => {
    if (plan === 'web') void work()
    else editRound(({ webMoves: _, ...one }) => ({ ...one, plan }))
  }
  const plan = found && 'plan' in found ? found.plan : undefined
  const worst = plan ? Math.max(0, ...plan.shares.filter((_, i) => !plan.beyond.includes(i))) : 0
  return (
    <>
      <Choices
        label={words.whatToMove}
        value={solved.plan.by}
        isDisabled={frozen || working}
        options={rollPlans
          .filter((value) => value !== 'web' || known)
          .map((value) => ({ value, text: words.plans[value] }))}
        onChange={pick}
      />
      <Help of={words.plans[solved.plan.by]}>{words.plansBecause[solved.plan.by]}</Help>
      <div role="status">
        {working ? <p>{words.working}</p> : null}
        {plan === null ? <p>{words.noPlan}</p> : null}
        {plan && solved.plan.by === 'web' && !solved.plan.stale ? (
          <p>
            <b>{words.fewest(plan.moved.length, line.rolls.length)}</b> {words.worst(formatNumber(100 * worst, 0))}
          </p>
        ) : null}
        {plan && solved.plan.by === 'web'
          ? plan.beyond.map((i) => {
              const span = solved.spans[i]
              return span ? <p key={i}>{words.beyond(rollName(span.from, line), rollName(span.to, line))}</p> : null
            })
          : null}
      </div>
      {solved.plan.stale && !frozen && !working ? <Button onPress={() => void work()}>{words.workOut}</Button> : null}
      {found && 'fault' in found ? <Fault role="alert">{found.fault}</Fault> : null}
    </>
  )
}
