import type { ProbeState } from '../../core/kinds/train/solve/round'
import { angleName, stateName, type Terms } from '../terms'

/** A finding in words: the sentence, what stands behind it, and the working with this job's numbers. */
export interface Said {
  title: string
  detail?: string
  working?: string[]
}

/** Terms at a dial's own resolution. */
export const dialTerms = (dial: ProbeState, terms: Terms): Terms => ({ ...terms, resolution: dial.step })

export const dialOf = (dial: ProbeState, terms: Terms): string => stateName(dial, terms, true)

/** An angle as the set tells its angles, inside a sentence. */
export const angleOf = (dial: Pick<ProbeState, 'set'>, degrees: number, terms: Terms): string =>
  angleName(degrees, terms, dial.set.angleAs).toLowerCase()
