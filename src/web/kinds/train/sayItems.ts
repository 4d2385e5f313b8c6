import type { Finding } from '../../../core/kinds/train/advice/finding'
import { say } from '../../../words/train/findings'
import type { TrainTerms } from '../../../words/train/terms'
import type { Act, FindingItem } from '../../say/FindingsPanel'

/** Findings of the readings as sentences. */
export const sayItems = (
  findings: readonly Finding[],
  terms: TrainTerms,
  actsFor: (finding: Finding) => Act[],
): FindingItem[] =>
  findings.map((finding) => ({
    key: keyOf(finding),
    peg: finding.peg,
    said: say(finding, terms),
    acts: actsFor(finding),
  }))

/** The same finding stays the same sentence while its numbers change. */
function keyOf(finding: Finding): string {
  const parts: string[] = [finding.kind]
  if ('dial' in finding) parts.push(finding.dial.dial.id)
  if ('angleId' in finding) parts.push(finding.angleId)
  if ('coupling' in finding) parts.push(finding.coupling)
  if ('plane' in finding) parts.push(finding.plane)
  if ('machine' in finding) parts.push(finding.machine)
  if ('fault' in finding) parts.push(finding.fault.of)
  if ('doubt' in finding) parts.push(finding.doubt.of, finding.doubt.kind)
  return parts.join(':')
}
