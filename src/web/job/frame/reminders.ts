import { type AnyJob, kindOf } from '../../../core/kinds'
import { cautions } from '../../../core/ready/catalog'
import { readyState } from '../../../core/ready/ready'
import { openSeats } from '../../../core/seat/state'
import { cautionTexts } from '../../../words/cautions'
import { jobWords } from '../../../words/page/job'
import { saySeat } from '../../../words/seat'
import type { Terms } from '../../../words/terms'
import type { FindingItem } from '../../say/FindingsPanel'

/** What Ready and Seat left open, for the later steps to keep on top. */
export function remindersOf(
  job: Pick<AnyJob, 'line' | 'ready' | 'seat'>,
  terms: Terms,
  go: (step: 'ready' | 'seat') => void,
): FindingItem[] {
  const items: FindingItem[] = []
  const { openCautions } = readyState(job)
  const [caution] = openCautions
  if (caution)
    items.push({
      key: 'open-caution',
      peg: 'outside',
      said: {
        title: `${cautionTexts[caution].title}.`,
        detail: jobWords.ofCautionsNotSigned(openCautions.length, cautions.length),
      },
      acts: [{ text: jobWords.goToReady, run: () => go('ready') }],
    })
  for (const state of openSeats(kindOf(job.line).seats(job.line), job.seat)) {
    const [finding] = state.findings
    if (!finding) continue
    const { title } = saySeat({ kind: 'seat-found', peg: 'outside', state, finding, first: true }, terms)
    items.push({
      key: `open-seat-${state.machine}`,
      peg: 'outside',
      said: { title, detail: jobWords.softFootSpoilsEveryReading },
      acts: [{ text: jobWords.goToSeat, run: () => go('seat') }],
    })
  }
  return items
}
