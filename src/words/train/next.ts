import type { Finding } from '../../core/kinds/train/advice/finding'
import type { TrainListed } from '../../core/kinds/train/advice/summary'
import { t } from '../language'
import { probeWords } from '../probes'
import { angleInText, inText } from '../terms'

/** The next act of a train in a list: short, and the same thing its own first sentence says. */
export function sayNext({ next, sides }: Pick<TrainListed, 'next' | 'sides'>): string {
  if (next.kind === 'nothing') return t`Nothing to do`
  const dial = `${inText(next.machine ?? '')} ${probeWords[next.probe ?? 'rim'].name}`.trim()
  const coupling = next.coupling ?? t`the coupling`
  // a summary of an older program may hold a kind that is gone
  return nextTexts[next.kind]?.({ dial, coupling, degrees: next.degrees ?? 0, sides }) ?? t`Open the job`
}

interface NextTerms {
  dial: string
  coupling: string
  degrees: number
  sides: TrainListed['sides']
}

/** What each kind of finding asks for, in a few words. */
const nextTexts: Readonly<Record<Finding['kind'], (terms: NextTerms) => string>> = {
  'dimension-fault': () => t`Check the dimensions`,
  'dimension-doubt': () => t`Check the dimensions`,
  'not-a-number': ({ dial }) => t`Correct a reading of the ${dial}`,
  'not-closed': ({ dial }) => t`Read the ${dial} again: it does not close`,
  'not-returned': ({ dial }) => t`Read the ${dial} again: it did not return`,
  closed: () => t`Continue reading`,
  'not-fitting': () => t`Readings contradict each other: read again`,
  'sets-disagree': () => t`Two sets disagree: read a third`,
  range: ({ dial }) => t`Set the ${dial} to mid-travel and read again`,
  swing: ({ dial }) => t`Use a dial with more travel than the ${dial}`,
  'no-plus': () => t`Enter what plus means on the instrument`,
  'no-radius': ({ dial }) => t`Measure the radius of the ${dial}`,
  'one-shaft': ({ dial }) => t`Enter the run-out under the ${dial}`,
  'span-differs': ({ dial }) => t`Measure the bracket sag of the ${dial} again`,
  'dial-differs': ({ dial }) => t`Measure the bracket sag of the ${dial} again`,
  'preset-as-zero': ({ dial }) => t`Check the top reading of the ${dial}`,
  'out-of-proportion': ({ dial }) => t`Check the set-up of the ${dial}`,
  'short-arc': () => t`Turn farther, or continue as is`,
  improve: ({ dial }) => t`One more reading on the ${dial} helps most`,
  floated: () => t`Continue reading`,
  'rough-sweep': ({ dial }) => t`Sweep the ${dial} again, slowly`,
  'sag-upward': ({ dial }) => t`Check the bracket sag of the ${dial}`,
  'zeroed-twice': ({ dial }) => t`Choose how the ${dial} was zeroed`,
  'sag-missing': ({ dial }) => t`Enter the bracket sag of the ${dial}`,
  engaged: () => t`Disconnect the coupling and read again`,
  'as-coupled': ({ coupling }) => t`${coupling}: result with coupling connected`,
  unsolved: () => t`Not enough readings yet`,
  'one-plane': ({ coupling }) => t`${coupling}: read the other plane`,
  'no-limits': () => t`Enter the speed and the diameter`,
  verdict: ({ coupling }) => t`${coupling}: see the verdict`,
  feet: () => t`Moves: shims and side moves`,
  'next-reading': ({ dial, degrees, sides }) => t`Read ${angleInText(degrees, { line: { sides } })} on the ${dial}`,
  'ready-to-move': () => t`Moves: shims and side moves`,
  'no-move': () => t`Within tolerance: no moves needed`,
  'read-again': () => t`Read again`,
  'lock-before-loosening': () => t`Lock out and try`,
}
