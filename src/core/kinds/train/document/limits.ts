import { type LimitMissing, limitsMissing, limitsOf } from '../../../verdict/limits'
import { gradeOf } from '../../../verdict/typed'
import type { Limits } from '../../../verdict/verdict'
import type { Line } from './schema'
import { toTrain } from './typed'

/** What is allowed at every coupling of a line, or what would have to be given to tell. */
export function limitsOfLine(
  line: Line,
): { coupling: string; limits: Limits | undefined; missing: readonly LimitMissing[] }[] {
  const { train } = toTrain(line, { id: '', takenAt: '', by: '', sets: [] })
  return train.couplings.map((coupling) => ({
    coupling: coupling.id,
    limits: limitsOf(train, coupling, gradeOf(line)),
    missing: limitsMissing(train, coupling),
  }))
}
