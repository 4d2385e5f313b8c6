import type { Job } from '../../core/kinds/train/document/schema'
import { seatsOf } from '../../core/kinds/train/document/seats'
import { placeStations } from '../../core/kinds/train/document/stations'
import { emptyPlan } from '../../core/kinds/train/plan/choices'
import { withProofSets } from '../../core/kinds/train/prove/proof'
import type { Misalignment } from '../../core/probes/probe'
import { quantityFrom } from '../../core/quantity/quantity'
import { soundSeats } from '../../core/rig/seats'
import type { ReadSet } from '../../core/shafts/schema'

/**
 * A pair's job that ends well: its first move written down as what it was, its last round repeated and read with the coupling
 * closed, its feet found sound, everything ticked.
 *
 * @param truths per round, the truth at each coupling
 * @param read reads a set on the rig
 */
export function wellProved(
  job: Job,
  truths: readonly (readonly Misalignment[])[],
  read: (set: ReadSet, truth: Misalignment) => ReadSet,
): Job {
  const { line, rounds, doneBy } = job
  const [first, last] = [rounds[0], rounds.at(-1)]
  const [before, after] = [truths[0]?.[0], truths.at(-1)?.[0]]
  if (!first || !last || !before || !after) return job
  const x = placeStations(line).x
  const change = (foot: string) => {
    const at = x.get(foot) ?? 0
    return {
      vertical: after.offsetZ - before.offsetZ + (after.slopeZ - before.slopeZ) * at,
      horizontal: after.offsetY - before.offsetY + (after.slopeY - before.slopeY) * at,
    }
  }
  const moved = line.machines.filter(({ id }) => id !== line.fixed).flatMap(({ feet }) => feet)
  const done = Object.fromEntries(
    moved.map(({ id }) => {
      const { vertical, horizontal } = change(id)
      return [id, { vertical: quantityFrom(vertical, 'mm', 2), horizontal: quantityFrom(horizontal, 'mm', 2) }]
    }),
  )
  const more = (purpose: 'repeat' | 'closed') => (round: typeof last) => {
    const wider = withProofSets(line, round, purpose, () => `${round.id}-${purpose}`)
    return { ...wider, sets: wider.sets.map((set, i) => (i < round.sets.length ? set : read(set, after))) }
  }
  const by = { by: doneBy, at: last.takenAt }
  return {
    ...job,
    rounds: rounds.map((round) =>
      round === last
        ? more('closed')(more('repeat')(round))
        : round === first
          ? { ...round, plan: { ...(round.plan ?? emptyPlan()), done } }
          : round,
    ),
    seat: soundSeats(seatsOf(line)),
    proof: { ticks: { torqued: by, feet: by, 'jack-bolts': by, guard: by }, growthZero: by },
  }
}
