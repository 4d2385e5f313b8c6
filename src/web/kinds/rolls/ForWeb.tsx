import { wrap } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import { formatNumber } from '../../../core/frame/number'
import type { ForWeb as Plan } from '../../../core/kinds/rolls/plan/forWeb'
import { sectionOf } from '../../../core/kinds/rolls/solve/measured'
import { housingText, rollName } from '../../../words/rolls/findings'
import { rollsPageWords as words } from '../../../words/rolls/page/page'
import { capital } from '../../../words/terms'
import { Button, Card, Fault, Muted } from '../../parts/controls'
import { useRollsFrame } from './frame'
import type { RollsPlanner } from './worker'

/** The fewest rolls moved so that every span is within: asked for, and worked out beside the page. */
export function ForWeb() {
  const { solved, document, told } = useRollsFrame()
  const { line } = document
  const worker = useRef<Worker>(undefined)
  const [found, setFound] = useState<{ of: typeof solved; plan: Plan | null } | { of: typeof solved; fault: string }>()
  const [working, setWorking] = useState(false)
  useEffect(() => () => worker.current?.terminate(), [])
  const lies = solved.rolls.flatMap(({ solved: own }) =>
    own?.square && own.level ? [{ square: own.square.value, level: own.level.value }] : [],
  )
  const section = sectionOf(line)
  if (!section || lies.length < line.rolls.length) return null
  const work = async () => {
    worker.current ??= new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
    setWorking(true)
    try {
      const plan = await wrap<RollsPlanner>(worker.current).forWeb(section, lies)
      setFound({ of: solved, plan })
    } catch (error) {
      setFound({ of: solved, fault: error instanceof Error ? error.message : String(error) })
    } finally {
      setWorking(false)
    }
  }
  // a plan of other readings is none
  const now = found?.of === solved ? found : undefined
  const plan = now && 'plan' in now ? now.plan : undefined
  const worst = plan ? Math.max(0, ...plan.shares.filter((_, i) => !plan.beyond.includes(i))) : 0
  return (
    <Card as="section" aria-label={words.forWeb} style={{ marginBottom: 16 }}>
      <h2>{words.forWeb}</h2>
      <Muted as="p">{words.forWebHint}</Muted>
      <Button isDisabled={working} onPress={() => void work()}>
        {working ? words.working : words.workOut}
      </Button>
      <div role="status">
        {plan === null ? <p>{words.noPlan}</p> : null}
        {plan ? (
          <>
            <p>
              <b>{words.fewest(plan.moved.length, line.rolls.length)}</b> {words.worst(formatNumber(100 * worst, 0))}
            </p>
            <ul>
              {plan.moved.map((one) => (
                <li key={one.id}>
                  <b>{rollName(one.id, line)}</b>: {capital(housingText(one, told))}
                </li>
              ))}
            </ul>
            {plan.beyond.map((i) => {
              const span = solved.spans[i]
              return span ? <p key={i}>{words.beyond(rollName(span.from, line), rollName(span.to, line))}</p> : null
            })}
          </>
        ) : null}
      </div>
      {now && 'fault' in now ? <Fault role="alert">{now.fault}</Fault> : null}
    </Card>
  )
}
