import type { ProbeState } from '../core/shafts/state'
import { isCoupled, setPurpose } from '../core/shafts/typed'
import { t } from './language'
import { methodNames, purposeNames, signedLength, type Terms, unitName } from './terms'

/** What one probe read, as it is printed. */
export interface ReadingTable {
  title: string
  /** How it was hung and read. */
  under: string
  /** A heading for each angle; the readings as read; and with sag and run-out taken off. */
  at: readonly string[]
  raw: readonly string[]
  corrected: readonly string[]
  closes: string
}

/** The sag of what a probe hangs on, without a unit where none is given; nothing of a probe that cannot sag. */
export const saySag = (
  { sags, sag, sagMissing }: Pick<ProbeState, 'sags' | 'sag' | 'sagMissing'>,
  terms: Pick<Terms, 'unit' | 'resolution'>,
): string => (!sags ? '' : sagMissing ? t`sag not entered` : t`sag ${signedLength(sag, terms)} ${unitName[terms.unit]}`)

/** The readings of a probe in words; nothing of one that was not read. */
export function readingTable(
  state: ProbeState,
  { name, at }: { name: string; at: (degrees: number) => string },
  terms: Pick<Terms, 'unit' | 'resolution'>,
): ReadingTable | undefined {
  if (state.readings.length === 0 && !state.sweep) return undefined
  const own = { ...terms, resolution: state.step }
  const { dial, set } = state
  const purpose = setPurpose(set)
  return {
    title: name,
    under: [
      methodNames[set.method].toLowerCase(),
      isCoupled(set) || purpose !== 'plan' ? purposeNames[purpose] : '',
      saySag(state, own),
      set.turned === 'one' ? t`bracket’s shaft only turned` : '',
      dial.kit?.dial?.name ?? '',
      dial.kit?.bracket?.name ?? '',
      state.sweep ? t`swept: ${state.sweep.points} points over ${state.sweep.coverage.toFixed(0)}°` : '',
    ]
      .filter(Boolean)
      .join(', '),
    at: state.readings.map(({ angle }) => at(angle)),
    raw: state.readings.map(({ shown }) => signedLength(shown, own)),
    corrected: state.readings.map(({ corrected }) => signedLength(corrected, own)),
    closes: state.closure === null || dial.floats ? '' : signedLength(state.closure, own),
  }
}
