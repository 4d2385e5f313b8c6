import { cameOut } from '../../../prove/proof'
import { type Plane, planes } from '../../../quantity/axis'
import { quantityMm } from '../../../quantity/quantity'
import { readsAt } from '../../../shafts/reads'
import type { ProbeState } from '../../../shafts/state'
import type { Round } from '../document/schema'
import { couplingAfter, type Moves, misalignmentOf, positionsAfter } from '../solve/after'
import type { JobSolution } from '../solve/round'

/** What a probe is expected to show in the next round at the angles it was read at. Lengths in mm. */
export interface Expected {
  state: ProbeState
  readings: { angleId: string; degrees: number; value: number }[]
}

/** The next readings of every probe, once the feet are moved so: raw, as the dial will show them, set as it was set before. */
export function expectedReadings(solved: JobSolution, moves: Moves): Expected[] {
  return solved.dials.flatMap((state) => {
    const c = solved.train.couplings.findIndex(({ id }) => id === state.set.coupling)
    const lines = couplingAfter(solved.train, solved.solution, moves, c)
    const read = readsAt(state, misalignmentOf(lines))
    if (!read || (!lines.vertical && !lines.horizontal)) return []
    const angles = state.set.angles.filter(({ degrees }) => degrees < 360)
    return [{ state, readings: angles.map(({ id, degrees }) => ({ angleId: id, degrees, value: read(degrees) })) }]
  })
}

/** How one station came out of a move, in one plane. Lengths in mm. */
export interface StationOutcome {
  machine: string
  foot: string
  plane: Plane
  moved: number
  expected: number
  found: number
  /** found − expected, and the deviation of that. */
  off: number
  sd: number
  /** As planned; can't tell apart from the doubt of the readings; clearly otherwise. */
  state: 'within' | 'unsure' | 'outside'
}

/** Why a move may not have done what it should, likeliest first. */
export type OutcomeCause =
  | 'wrong-way'
  | 'not-moved'
  | 'wrong-shim'
  | 'soft-foot'
  | 'bolts-tightened'
  | 'engaged'
  | 'dial-slipped'

export interface Outcome {
  stations: StationOutcome[]
  /** For every station that came out otherwise. */
  causes: { station: StationOutcome; causes: OutcomeCause[] }[]
}

/** What was done after a round, mm: as recorded; nothing for a station nobody wrote down. */
export function movesDone(round: Pick<Round, 'plan'>): Moves | undefined {
  const done = round.plan?.done
  if (!done) return undefined
  return new Map(
    Object.entries(done).map(([foot, typed]) => [
      foot,
      { vertical: quantityMm(typed.vertical) ?? 0, horizontal: quantityMm(typed.horizontal) ?? 0 },
    ]),
  )
}

/** What was expected of a move beside what the next round found, foot by foot, and the likely causes of a difference. */
export function outcomeOf(before: JobSolution, moves: Moves, after: JobSolution): Outcome {
  const expected = positionsAfter(before.train, before.solution, moves)
  const fixed = after.train.machines[after.train.fixed]?.id
  const enough = Math.max(before.resolution, after.resolution)
  const stations = expected.flatMap(({ machine, foot, ...at }) => {
    if (machine === fixed) return []
    return planes.flatMap((plane): StationOutcome[] => {
      const was = before.solution.feet.find((one) => one.foot === foot)?.[plane]
      const now = after.solution.feet.find((one) => one.foot === foot)?.[plane]
      const wanted = at[plane]
      if (!was || !now || wanted === null) return []
      const off = now.position - wanted
      const sd = Math.hypot(was.moveSd, now.moveSd)
      return [
        {
          machine,
          foot,
          plane,
          moved: moves.get(foot)?.[plane] ?? 0,
          expected: wanted,
          found: now.position,
          off,
          sd,
          state: cameOut(off, sd, enough),
        },
      ]
    })
  })
  const engaged = after.solution.couplings.some(({ doubts }) => doubts.includes('engaged'))
  return {
    stations,
    causes: stations
      .filter(({ state }) => state === 'outside')
      .map((station) => ({ station, causes: causesOf(station, stations, engaged) })),
  }
}

/** By the shape of the difference: these are usual causes of the trade, told as such, never as found facts. */
function causesOf(one: StationOutcome, all: readonly StationOutcome[], engaged: boolean): OutcomeCause[] {
  const { off, moved, plane } = one
  const near = (a: number, b: number) => Math.abs(a - b) < Math.max(0.02, 0.2 * Math.abs(b))
  const found: OutcomeCause[] = []
  if (Math.abs(moved) > 0.02 && near(off, -2 * moved)) found.push('wrong-way')
  if (Math.abs(moved) > 0.02 && near(off, -moved)) found.push('not-moved')
  const others = all.filter((other) => other !== one && other.plane === plane && other.machine === one.machine)
  const alone = others.every(({ state }) => state === 'within')
  if (plane === 'vertical')
    found.push(...(alone ? (['wrong-shim', 'soft-foot'] as const) : (['soft-foot', 'wrong-shim'] as const)))
  else found.push('bolts-tightened')
  if (engaged) found.push('engaged')
  if (!alone) found.push('dial-slipped')
  return found
}
