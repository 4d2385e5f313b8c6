import type { ProbeState } from '../../core/shafts/state'
import { angleInText, stateName, type Terms } from '../terms'

/** Terms at a dial's own resolution. */
export const dialTerms = (dial: ProbeState, terms: Terms): Terms => ({ ...terms, resolution: dial.step })

export const dialOf = (dial: ProbeState, terms: Terms): string => stateName(dial, terms, true)

/** An angle as the set tells its angles, inside a sentence. */
export const angleOf = (dial: Pick<ProbeState, 'set'>, degrees: number, terms: Terms): string =>
  angleInText(degrees, terms, dial.set.angleAs)
