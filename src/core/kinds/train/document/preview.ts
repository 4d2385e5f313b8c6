import { arcCovered } from '../../../quantity/angles'
import type { ReadSet } from '../../../shafts/schema'
import { channelsOf, readingKey } from '../../../shafts/typed'
import { gradeOf } from '../../../verdict/typed'
import { solveTrain } from '../solve/solve'
import type { Job, Round } from './schema'
import { toTrain } from './typed'

/** How sure the moves would be if a set were read at given angles. Lengths in mm. */
export interface Expected {
  /** Degrees of the turn that the angles cover. */
  arc: number
  /** Deviation of the least sure foot's move; undefined where the set alone would not determine a plane. */
  sd: number | undefined
}

/**
 * What reading a set at these angles would come to, before a single reading: every cell is filled with the same number,
 * which changes nothing of how sure the outcome is, and the set is solved by itself.
 */
export function expectedDoubt(line: Job['line'], set: ReadSet, degrees: readonly number[]): Expected {
  const angles = degrees.map((at) => ({ id: `a${at}`, degrees: at }))
  const filled = {
    ...set,
    angles,
    probes: set.probes.map(({ sweep: _, own: __, ...probe }) => ({
      ...probe,
      readings: Object.fromEntries(
        angles.flatMap(({ id }) =>
          channelsOf(probe).map((channel) => [
            readingKey(id, channel),
            { value: { text: '0', unit: 'mm' as const }, turns: 0 },
          ]),
        ),
      ),
    })),
  }
  const round: Round = { id: 'expected', takenAt: '', by: '', sets: [filled] }
  const solution = solveTrain(toTrain(line, round).train, { mode: 'fixed' }, gradeOf(line))
  const sds = solution.feet.flatMap((foot) =>
    [foot.vertical, foot.horizontal].flatMap((plane) => (plane && plane.moveSd > 0 ? [plane.moveSd] : [])),
  )
  return { arc: arcCovered(degrees), sd: sds.length ? Math.max(...sds) : undefined }
}
