import { useCallback, useDeferredValue, useMemo, useState } from 'react'
import { useLocation } from 'react-router'
import styled from 'styled-components'
import { readPeg, worst } from '../../../core/kinds/train/advice/summary'
import { solveRough } from '../../../core/kinds/train/document/rough'
import type { RoundPlan } from '../../../core/kinds/train/document/schema'
import { emptyPlan } from '../../../core/kinds/train/plan/choices'
import { nextPlan, withDone } from '../../../core/kinds/train/plan/next'
import { solveRound } from '../../../core/kinds/train/solve/round'
import type { Handle } from '../../../drawing/scene'
import { lineDrawing } from '../../../drawing/train/lineDrawing'
import type { LineDrawingOptions, PlanDrawing } from '../../../drawing/train/sheet'
import { capital, footName } from '../../../words/terms'
import { limitName } from '../../../words/train/limitName'
import { frameWords } from '../../../words/train/page/frame'
import type { TrainTerms } from '../../../words/train/terms'
import { lazyAfterPaint } from '../../app/lazyAfterPaint'
import { Drawing } from '../../drawing/Drawing'
import { JobLayout } from '../../job/frame/JobLayout'
import { stepAt } from '../../job/steps'
import { useWidth } from '../../parts/useWidth'
import type { JobProps } from '../kind'
import type { TrainFrame } from './frame'
import { usePlanned } from './move/usePlanned'

const DrawingBox = styled.div`position: relative; border-bottom: 1px solid var(--rule); background: var(--card); min-height: 120px;
  /* it stays in sight while a long bench scrolls below it */
  @media (min-width: 900px) and (min-height: 700px) { position: sticky; top: 0; z-index: 3; }`

/** Nobody reaches for it before the drawing stands. */
const Squared = lazyAfterPaint(async () => (await import('./Squared')).Squared)

/** A job on a train: its round solved, its drawing, its plan. */
export function TrainJob({ open, frame }: JobProps<'train'>) {
  const { document, round, settings, frozen, editRound, beginRound: begin } = frame
  const [chosen, choose] = useState<string>()
  const step = stepAt(useLocation().pathname)
  const [drawingRef, width] = useWidth()
  // the readings and the line alone: what is planned, signed or noted does not solve them anew
  const { sets } = round
  // biome-ignore lint/correctness/useExhaustiveDependencies: of a round only its sets are solved
  const solved = useMemo(() => solveRound({ line: document.line }, round), [document.line, sets])
  const first = document.rounds[0]
  const ghost = useMemo(
    () => (first && first.id !== round.id ? solveRound(document, first) : undefined),
    [document, first, round.id],
  )
  const terms: TrainTerms = useMemo(
    () => ({ line: document.line, unit: settings.unit, resolution: solved.resolution }),
    [document.line, settings.unit, solved.resolution],
  )
  // none of this hangs on a reading: it stays as it is from keystroke to keystroke
  const { line, ready, seat } = document
  const coarse = useMemo(() => solveRough({ line, ready, ...(seat ? { seat } : {}) }), [line, ready, seat])
  // before the readings the drawing only shows where one is
  const many = document.line.machines.length > 3
  const height = width < 600 ? 280 : step === 'ready' || step === 'seat' ? 216 : many ? 300 : 244
  const moving = usePlanned(document, round, solved, step === 'move')
  const { plan } = moving
  // dragged, the drawing follows the finger; what is told of the plan follows the drawing
  const toldPlan = useDeferredValue(plan)
  const [live, showLive] = useState<PlanDrawing['live']>()
  const planShown = useMemo(() => plan && { plan, live, draggable: !frozen }, [plan, live, frozen])
  const [under, putUnder] = useState<LineDrawingOptions['under']>()
  const scene = useMemo(
    () =>
      width > 0
        ? lineDrawing(solved, terms, {
            width,
            height,
            flipped: settings.flipped,
            ghost,
            coarse,
            plan: planShown,
            under,
          })
        : undefined,
    [solved, terms, width, height, settings.flipped, ghost, coarse, planShown, under],
  )

  const editPlan = useCallback(
    (change: (plan: RoundPlan) => RoundPlan, mark?: string) =>
      editRound((r) => ({ ...r, plan: change(r.plan ?? emptyPlan()) }), mark && `plan:${mark}`),
    [editRound],
  )
  const { drag: dragTo, letGo, stoppedBy } = moving
  const drag = useCallback(
    (handle: Handle, value: number, done: boolean) => {
      const drawn = dragTo(handle, value)
      if (!done) return
      letGo()
      if (drawn) editPlan((p) => ({ ...p, stays: 'drawn', drawn }), 'drawn')
    },
    [dragTo, letGo, editPlan],
  )
  const stopped = stoppedBy
    ? `${capital(footName(stoppedBy.foot, terms))}: ${limitName(stoppedBy.limit, terms)}`
    : undefined
  const beginRound = useCallback(
    () =>
      begin(
        // what was planned is written down as done, to be put right where it was done otherwise
        (r) => (toldPlan?.feasible && !r.plan?.done ? withDone(r, toldPlan, settings.unit) : r),
        (fresh) => (toldPlan?.feasible ? { ...fresh, plan: nextPlan(round, toldPlan, settings.unit) } : fresh),
      ),
    [begin, toldPlan, round, settings.unit],
  )
  const seating = useMemo(
    () => ({
      // the foot the alignment wants raised gets the shim, where that is known
      wanted: new Map(solved.solution.feet.map((foot) => [foot.foot, foot.vertical?.move ?? 0])),
      allowed: (machine: string) => {
        const m = line.machines.findIndex((one) => one.id === machine)
        return (solved.solution.couplings[m - 1] ?? solved.solution.couplings[m])?.verdict?.limits.offset
      },
      first: line.machines.find((machine) => machine.id !== line.fixed)?.id,
    }),
    [line, solved.solution],
  )
  const { least } = moving
  const whole = useMemo(
    (): TrainFrame => ({
      ...frame,
      terms,
      solved,
      chosen,
      choose,
      beginRound,
      plan: toldPlan,
      least,
      editPlan,
      showLive,
      seating,
    }),
    [frame, terms, solved, chosen, beginRound, toldPlan, least, editPlan, seating],
  )
  return (
    <JobLayout
      open={open}
      frame={whole}
      pegs={{ read: readPeg(solved), move: worst(solved) }}
      drawing={
        <DrawingBox ref={drawingRef}>
          {scene ? (
            <Drawing
              scene={scene}
              label={frameWords.theLineDrawnInBoth}
              chosen={chosen}
              onChoose={choose}
              onDrag={drag}
              note={stopped}
            />
          ) : null}
          <Squared put={putUnder} />
        </DrawingBox>
      }
    />
  )
}
