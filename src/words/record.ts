import type { Proof, ProofJoint, ProofRound } from '../core/prove/proof'
import type { ProofSaid } from '../core/prove/schema'
import { type Plane, planes } from '../core/quantity/axis'
import { formatNumber } from '../core/quantity/number'
import { bySpeedId } from '../core/verdict/bySpeed'
import type { VerdictState } from '../core/verdict/state'
import { jointText } from './judged'
import { labels, plural, t } from './language'
import { leaveReasonNames, type ProofTerms, sayJoint, sayOpen, sayProof } from './prove'
import { couplingName, inText, type Terms } from './terms'

/** What a record says beside the names of its parts. */
export const recordWords = labels({
  record: 'Alignment record',
  asFound: 'As found',
  asLeft: 'As left',
  onlyRound: 'As found and as left: not moved',
  movedSince: 'As found. Moved since, and not read again',
  bothPlanes: 'both planes, relative to the fixed machine, with scale bar',
  station: 'Station',
  direction: 'Direction',
  found: 'As found',
  moved: 'Moved',
  left: 'As left',
  doubt: '± (2 SD)',
  positions: 'Every station, as found and as left',
  limits: 'Tolerances and margin',
  coupling: 'Coupling',
  allowed: 'Tolerance',
  whose: 'Source',
  measured: 'As left',
  used: 'Tolerance used',
  softFoot: 'Soft foot and shim packs',
  packs: 'Shim packs as left',
  place: 'Place',
  pack: 'Pack',
  onTheWay: 'During the job',
  done: 'Done',
  conditions: 'Conditions',
  openItems: 'Outstanding at signature',
  accepted: 'Accepted because',
  asTyped: 'As entered: enough to calculate it again',
  dimensions: 'Dimensions',
  beforeAndAfter: 'Before and after the readings',
  howItWasRead: 'How it was read',
  readings: 'Readings',
  asRead: 'as read',
  corrected: 'sag subtracted',
  closes: 'closes to',
  notes: 'Notes',
  instruments: 'Instruments',
  instrument: 'Instrument',
  calibrationDue: 'Calibration due',
  lapsed: 'lapsed',
  notInTheKit: 'removed from the kit',
  noDate: 'no date entered',
  doneBy: 'Done by',
  checkedBy: 'Checked by',
  dateAndTime: 'Date and time',
  photographs: 'Photographs',
  noLabel: 'Not described',
  notSigned: 'Not signed yet',
  nextCheck: 'Next check',
  safety:
    'Lock out and try before loosening a bolt or turning a shaft. Site permits and local rules apply. Makers’ tolerances override those above.',
  noBearing: 'Nothing outstanding.',
})

/** A peg in words, for those who hear the page. */
export const pegWordIn = (peg: VerdictState): string => stateTexts[peg]

const stateTexts: Readonly<Record<VerdictState, string>> = labels({
  within: 'within tolerance',
  unsure: 'can’t tell',
  outside: 'out of tolerance',
  nothing: 'no verdict',
})

/** How each coupling was found. */
export function sayFound(round: ProofRound, terms: Terms): string {
  return round.joints
    .flatMap((joint) => {
      const { result, verdict } = joint.solution
      return result.ok
        ? [
            t`${couplingName(joint.id, terms)} as found: ${jointText(joint, terms)}, ${stateTexts[verdict?.state ?? 'nothing']}.`,
          ]
        : []
    })
    .join(' ')
}

/** What was done about it: the largest moves in words, or why nothing was. */
export function sayDone(rounds: readonly ProofRound[], proof: Proof, said: ProofSaid, terms: ProofTerms): string {
  const moves = rounds.filter(({ move }) => move).length
  if (said.leave)
    return t`Not moved: ${said.leave.reason === 'other' ? said.leave.note : leaveReasonNames[said.leave.reason]} (${said.leave.by}).`
  if (moves === 0) return proof.found === proof.left ? t`Nothing was moved.` : t`No move recorded.`
  const most = (plane: Plane) =>
    proof.places
      .filter((place) => place.plane === plane && place.moved !== undefined)
      .reduce<Proof['places'][number] | undefined>(
        (a, b) => (Math.abs(b.moved ?? 0) > Math.abs(a?.moved ?? 0) ? b : a),
        undefined,
      )
  const largest = planes.flatMap((plane) => {
    const one = most(plane)
    return one?.moved ? [t`${terms.at(one.place)} ${terms.went(one.moved, plane)}`] : []
  })
  const times = plural(moves, { one: t`1 move`, other: t`${moves} moves` })
  return largest.length > 0 ? t`${times}, the largest at ${largest.join(t`, and `)}.` : `${times}.`
}

/** Three to five sentences for whoever runs the machine: found, done, left, and what to watch. */
export function storyOf(
  rounds: readonly ProofRound[],
  proof: Proof,
  said: ProofSaid,
  terms: ProofTerms,
  signing: { accepted?: boolean } = {},
): { peg: VerdictState; verdict: string; sentences: string[] } {
  const first = proof.found === undefined ? undefined : rounds[proof.found]
  const watch = proof.open.filter(({ kind }) => kind !== 'joint' && kind !== 'not-read').slice(0, 2)
  return {
    peg: proof.state,
    verdict: sayProof(proof, said, terms, signing).title,
    sentences: [
      first ? sayFound(first, terms) : '',
      proof.left === undefined ? '' : sayDone(rounds, proof, said, terms),
      proof.joints.map((joint) => t`As left, ${inText(sayJoint(joint, terms))}`).join(' '),
      ...watch.map((open) => t`Watch: ${sayOpen(open, terms).title}`),
    ].filter(Boolean),
  }
}

/** Whose word the limits are, with the line's own source. */
export function whoseText(
  { allowed, solution }: ProofJoint,
  tolerance: { policy: string; source?: string; table?: { id: string; name: string; source: string } },
): string {
  const source = solution.verdict?.limits.source
  if (source === 'figures') return tolerance.source ? t`figures: ${tolerance.source}` : t`the maker’s or site’s figures`
  if (tolerance.table?.id === bySpeedId) return t`a default of this program, by speed alone`
  if (source === 'table')
    return t`the site’s table ${[tolerance.table?.name, tolerance.table?.source].filter(Boolean).join(', ')}`
  return source ? t`sliding speed at ${formatNumber(allowed.rpm ?? 0, 0)} rpm` : t`none entered`
}

/** What stands on a sheet for pencil and paper. */
export const sheetWords = labels({
  sheet: 'Reading sheet',
  clear: 'Keep hands, sleeves and brackets clear while the shafts turn.',
  takenBy: 'Taken by',
  permit: 'Permit',
  temperature: 'Temperature, coupling',
  again: 'again',
  check:
    'Check every dial: top + bottom must equal near + far within two graduations, and it must return to its first reading.',
  copyItIn: 'Enter these readings in Readings as soon as you can.',
})
