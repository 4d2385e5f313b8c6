import { useEffect, useMemo, useRef, useState } from 'react'
import type { Job, Round } from '../../../../core/kinds/train/document/schema'
import { factsOf, marginOf } from '../../../../core/kinds/train/plan/choices'
import type { JobSolution } from '../../../../core/kinds/train/solve/round'
import type { Least } from '../../../../core/least/least'
import { gradeOf } from '../../../../core/verdict/typed'
import type { Planner } from '../../../planner/planner'
import type { Arithmetic } from './useArithmetic'

export interface LeastState {
  least: Least | undefined
  working: boolean
  /** Programs solved so far. */
  programs: number
  canceled: boolean
  fault: string | undefined
  cancel: () => void
  again: () => void
}

/**
 * The least moves of a round, found in workers while the page goes on. Asked anew whenever anything they hang on changes; not
 * at all while nothing is asked (no `arithmetic`) or nothing is measured.
 */
export function useLeast(
  job: Pick<Job, 'line' | 'seat'>,
  round: Round,
  solved: JobSolution,
  arithmetic: Arithmetic | undefined,
): LeastState {
  const planner = useRef<Planner>(undefined)
  const [state, setState] = useState<{ key: string; least?: Least; canceled?: boolean; fault?: string }>({ key: '' })
  const [programs, setPrograms] = useState(0)
  const [asked, setAsked] = useState(0)
  const problems = useMemo(() => {
    if (!arithmetic || !solved.solution.couplings.some(({ result }) => result.ok)) return undefined
    const { train, solution } = solved
    const facts = factsOf(job, round)
    const of = (plane: 'vertical' | 'horizontal') =>
      arithmetic.planeProblem(train, solution, facts, plane, marginOf(round.plan), gradeOf(job.line))
    return { vertical: of('vertical'), horizontal: of('horizontal') }
  }, [job, round, solved, arithmetic])
  // infinities are written out as well: a limit that goes is a change
  const key = useMemo(
    () => (problems ? JSON.stringify(problems, (_, value) => (typeof value === 'number' ? String(value) : value)) : ''),
    [problems],
  )
  const latest = useRef(problems)
  latest.current = problems

  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for the problems; asking again asks again
  useEffect(() => {
    const now = latest.current
    if (!now || !arithmetic) return undefined
    planner.current ??= new arithmetic.Planner()
    let stale = false
    setPrograms(0)
    planner.current
      .least(now, (done) => {
        if (!stale) setPrograms(done)
      })
      .then((least) => {
        if (!stale) setState(least ? { key, least } : { key, canceled: true })
      })
      .catch((error: unknown) => {
        if (!stale) setState({ key, fault: error instanceof Error ? error.message : String(error) })
      })
    return () => {
      stale = true
    }
  }, [key, asked])
  useEffect(() => () => planner.current?.cancel(), [])

  const settled = state.key === key
  const working = problems !== undefined && !settled
  return useMemo(
    () => ({
      least: settled ? state.least : undefined,
      working,
      programs,
      canceled: settled && state.canceled === true,
      fault: settled ? state.fault : undefined,
      cancel: () => {
        planner.current?.cancel()
        setState({ key, canceled: true })
      },
      again: () => {
        setState({ key: '' })
        setAsked((n) => n + 1)
      },
    }),
    [settled, state, working, programs, key],
  )
}
