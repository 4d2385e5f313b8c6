import { planes } from '../../../quantity/axis'
import type { Lack, Trouble } from '../../../quantity/trouble'
import type { ProbeState } from '../../../shafts/state'
import { plusMissing } from '../../../shafts/typed'
import type { VerdictState } from '../../../verdict/state'
import type { Verdict } from '../../../verdict/verdict'
import type { FlangeWork } from '../solve/flange'
import { mostUneven } from '../solve/packs'
import type { UprightSolved } from '../solve/round'
import { countedOtherWay, type Seating, seatingOf } from '../solve/seating'

/** One thing worth saying of an upright pair, as data; `src/words/upright` makes the sentence. Lengths in mm. */
export type Finding =
  | { kind: 'gasket'; peg: 'outside' }
  | { kind: 'not-a-number'; peg: 'outside'; probe: ProbeState; degrees: number; trouble: Trouble }
  | { kind: 'not-closed'; peg: 'outside'; probe: ProbeState; closure: number }
  | { kind: 'next-reading'; peg: 'nothing'; probe: ProbeState; degrees: number }
  | { kind: 'no-plus'; peg: 'outside'; probe: ProbeState }
  | { kind: 'no-flange'; peg: 'nothing' }
  | { kind: 'unsolved'; peg: 'nothing'; lack: Lack }
  | {
      kind: 'verdict'
      peg: VerdictState
      verdict: Verdict | undefined
      offset: number | undefined
      slope: number | undefined
    }
  | { kind: 'shims'; peg: 'outside' | 'within'; work: FlangeWork }
  | { kind: 'uneven'; peg: 'outside'; work: FlangeWork }
  | { kind: 'push'; peg: 'outside' | 'within'; work: FlangeWork }
  | { kind: 'spigot'; peg: 'outside'; work: FlangeWork }
  | { kind: 'no-room'; peg: 'outside'; work: FlangeWork; room: number }
  | { kind: 'star'; peg: 'nothing'; bolts: number }
  | { kind: 'no-move'; peg: 'within' }
  | { kind: 'counted-other-way'; peg: 'outside' }
  | { kind: 'seating'; peg: 'unsure'; seating: Seating; places: number }

export const verdictPeg = ({ coupling: { verdict, doubts } }: UprightSolved): VerdictState =>
  verdict ? (doubts.length > 0 ? 'unsure' : verdict.state) : 'nothing'

/** How far the reading has come. */
export function readPeg({ probes, coupling }: UprightSolved): VerdictState {
  if (probes.every(({ readings, faults }) => readings.length === 0 && faults.length === 0)) return 'nothing'
  if (probes.some(({ faults }) => faults.length > 0) || coupling.doubts.includes('not-closed')) return 'outside'
  return coupling.result.ok ? 'within' : 'unsure'
}

/** Over which a slope is told as a length where it is compared with an offset, mm. */
const reach = 200

/** What the round before tells together with this one: how it was seated, or that bolts were counted the other way. */
function between(solved: UprightSolved, before: UprightSolved | undefined): Finding[] {
  const [was, now] = [before?.coupling.result, solved.coupling.result]
  if (!before || !was?.ok || !now.ok) return []
  const both = [was, now].every(({ fit }) => planes.every((plane) => fit.measured.includes(plane)))
  if (!both) return []
  const bolts = solved.bolts
  const places = ((((solved.round.seated ?? 0) - (before.round.seated ?? 0)) % bolts) + bolts) % bolts
  const [first, second] = [was.fit.misalignment, now.fit.misalignment]
  if (places > 0) {
    const seating = seatingOf(first, second, (360 * places) / bolts)
    return seating ? [{ kind: 'seating', peg: 'unsure', seating, places }] : []
  }
  return countedOtherWay(first, second, solved.resolution, reach) ? [{ kind: 'counted-other-way', peg: 'outside' }] : []
}

/**
 * What to say at a step, most urgent first.
 *
 * @param before the round before, where there is one
 */
export function findingsFor(solved: UprightSolved, step: 'read' | 'move', before?: UprightSolved): Finding[] {
  const { probes, coupling, work, flange, resolution } = solved
  const faults = probes.flatMap((probe): Finding[] => [
    ...probe.faults.map(({ angleId, trouble }): Finding => {
      const degrees = probe.set.angles.find(({ id }) => id === angleId)?.degrees ?? 0
      return { kind: 'not-a-number', peg: 'outside', probe, degrees, trouble }
    }),
    ...(probe.closure !== null && Math.abs(probe.closure) > probe.closureLimit + 1e-9
      ? [{ kind: 'not-closed', peg: 'outside', probe, closure: probe.closure } as const]
      : []),
  ])
  const next = probes.flatMap((probe): Finding[] => {
    if (plusMissing(probe.dial)) return [{ kind: 'no-plus', peg: 'outside', probe }]
    const angle = probe.set.angles.find(({ id }) => !probe.readings.some((reading) => reading.angleId === id))
    return angle ? [{ kind: 'next-reading', peg: 'nothing', probe, degrees: angle.degrees } as const] : []
  })
  const { result, verdict } = coupling
  const read = probes.some(({ readings }) => readings.length > 0)
  const outcome: Finding[] = result.ok
    ? [{ kind: 'verdict', peg: verdictPeg(solved), verdict, ...sizesOf(solved) }]
    : read
      ? [{ kind: 'unsolved', peg: 'nothing', lack: result.lack }]
      : []
  const told = between(solved, before)
  if (step === 'read') return [...faults, ...told, ...next.slice(0, 1), ...outcome]
  if (verdictPeg(solved) === 'within') return [{ kind: 'no-move', peg: 'within' }, ...faults, ...told, ...outcome]
  const both = result.ok && planes.every((plane) => result.fit.measured.includes(plane))
  const still = (mm: number | null) => Math.abs(mm ?? 0) < resolution / 2
  return [
    { kind: 'gasket', peg: 'outside' },
    ...faults,
    ...told,
    ...(flange ? [] : [{ kind: 'no-flange', peg: 'nothing' } as const]),
    ...(work && both
      ? ([
          { kind: 'shims', peg: work.bolts?.every(({ shim }) => still(shim)) ? 'within' : 'outside', work },
          ...(work.unevenness > mostUneven ? [{ kind: 'uneven', peg: 'outside', work } as const] : []),
          { kind: 'push', peg: still(work.push.size) ? 'within' : 'outside', work },
          ...(work.fits === false ? [{ kind: 'spigot', peg: 'outside', work } as const] : []),
          ...(solved.room !== undefined && (work.rise ?? 0) > solved.room
            ? [{ kind: 'no-room', peg: 'outside', work, room: solved.room } as const]
            : []),
          { kind: 'star', peg: 'nothing', bolts: solved.bolts },
        ] satisfies Finding[])
      : []),
    ...outcome,
  ]
}

/** How far the axes are apart at the coupling and how they lean to each other, both directions together; undefined until both were read. */
export function sizesOf({ coupling: { result } }: UprightSolved): {
  offset: number | undefined
  slope: number | undefined
} {
  if (!result.ok || !planes.every((plane) => result.fit.measured.includes(plane)))
    return { offset: undefined, slope: undefined }
  const { offsetY, offsetZ, slopeY, slopeZ } = result.fit.misalignment
  return { offset: Math.hypot(offsetY, offsetZ), slope: Math.hypot(slopeY, slopeZ) }
}

/** What a list shows of an upright pair: what its column says first, and how the two shafts lie. */
export interface UprightListed {
  next: { kind: Finding['kind'] | 'nothing'; machine?: string | undefined; degrees?: number | undefined }
  bolts: number
  /** The upper axis against the lower one, mm and rad: toward bolt 1, and toward 90°; null where unknown. */
  lines: Record<'vertical' | 'horizontal', { offset: number; slope: number } | null>
}
