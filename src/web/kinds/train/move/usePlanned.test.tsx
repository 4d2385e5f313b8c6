// @vitest-environment happy-dom
import { act, cleanup, renderHook } from '@testing-library/react'
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest'
import type { Job, Round } from '../../../../core/kinds/train/document/schema'
import { planRound } from '../../../../core/kinds/train/plan/plan'
import { pumpAndMotor, readOnRig, stocked } from '../../../../core/kinds/train/rig'
import { solveRound } from '../../../../core/kinds/train/solve/round'
import type { Handle } from '../../../../drawing/scene'
import { fetchArithmetic } from './useArithmetic'
import { usePlanned } from './usePlanned'

const asked = vi.hoisted(() => ({ times: 0 }))
vi.mock('../../../planner/useLeast', () => ({
  useLeast: () => {
    asked.times++
    return {
      least: undefined,
      working: false,
      programs: 0,
      canceled: false,
      fault: undefined,
      cancel() {},
      again() {},
    }
  },
}))
afterEach(cleanup)
// as the step fetches it with itself
beforeAll(fetchArithmetic)

const line = pumpAndMotor()
const truth = { offsetZ: 0.21, slopeZ: 0.0005, offsetY: -0.09, slopeY: 0.0002 }
const plan = stocked(line, '0.2', ['0.05', '0.1', '0.2', '0.5'])
const round: Round = { ...readOnRig(line, truth), plan }
const job = { line, rounds: [round] } as unknown as Job
const solved = solveRound({ line }, round)
const handle = (plane: 'vertical' | 'horizontal', x: number): Handle => ({ plane, x }) as Handle

describe('the plan of the page', () => {
  it('is the planner’s own, and none while it is not looked at', () => {
    const { result, rerender } = renderHook(({ wanted }) => usePlanned(job, round, solved, wanted), {
      initialProps: { wanted: false },
    })
    expect(result.current.plan).toBeUndefined()
    rerender({ wanted: true })
    expect(result.current.plan).toEqual(planRound(job, round, solved))
    const before = result.current.plan
    rerender({ wanted: true })
    expect(result.current.plan).toBe(before)
  })
  it('follows the line while it is dragged, stops at a limit that it names, and falls back when let go', () => {
    const { result } = renderHook(() => usePlanned(job, round, solved, true))
    let drawn: ReturnType<typeof result.current.drag>
    act(() => {
      drawn = result.current.drag(handle('vertical', 690), -3)
    })
    // the motor's packs are 0.2 mm thick: its back feet cannot go down by three
    expect(result.current.stoppedBy).toMatchObject({ limit: 'down' })
    expect(result.current.plan!.stays).toBe('drawn')
    expect(drawn!.vertical.last).toBeGreaterThan(-3)
    const moved = result.current.plan!.stations.find(({ foot }) => foot === 'm2-back')!
    expect(moved.vertical).toBeGreaterThanOrEqual(-0.2 - 1e-9)
    // the other plane and the other end stay where they were
    expect(drawn!.vertical.first).toBeCloseTo(0, 9)
    expect(drawn!.horizontal).toEqual({ first: 0, last: 0 })
    act(() => result.current.letGo())
    expect(result.current.stoppedBy).toBeUndefined()
    expect(result.current.plan!.stays).toBe('fixed')
  })
  it('drags nothing where nothing is planned', () => {
    const { result } = renderHook(() => usePlanned(job, round, solved, false))
    expect(result.current.drag(handle('vertical', 0), 1)).toBeUndefined()
  })
})
