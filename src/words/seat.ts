import { cutLength, type StepShim } from '../core/seat/cure'
import type { SeatKind, SeatReason } from '../core/seat/diagnose'
import type { SeatAdvice, Turn } from '../core/seat/findings'
import type { PlacedFoot, SeatState } from '../core/seat/state'
import { labels, t } from './language'
import type { Message } from './said'
import {
  capital,
  dimension,
  feetAlone,
  inText,
  length,
  lengthWithUnit,
  machineName,
  sideName,
  type Terms,
} from './terms'
import { sayTrouble } from './troubles'

/** A single foot: of the "front feet" the "aisle-side front foot". */
export function seatFootName(id: string, terms: Terms): string {
  const point = id.lastIndexOf('.')
  const [station, side] = [id.slice(0, point), id.slice(point + 1)]
  const name = feetAlone(station, terms).replace(/feet$/, 'foot')
  return t`${sideName(side === 'far' ? 'far' : 'near', terms)}-side ${name}`
}

const namesOf = (ids: readonly string[], terms: Terms): string =>
  ids.map((id) => t`the ${seatFootName(id, terms)}`).join(t` and `)

/** The order to tighten a machine's bolts in, by name. */
export const orderInWords = (feet: readonly PlacedFoot[], order: readonly string[], terms: Terms): string =>
  order
    .filter((id) => feet.some((foot) => foot.id === id))
    .map((id) => seatFootName(id, terms))
    .join(t`, then `)

/** How often the bolts are gone round: on a base that gives, until the shaft no longer moves. */
export const passes = (rounds: number): string =>
  [
    t`2 passes`,
    t`3 passes, then repeat until the shaft stops moving`,
    t`4 passes, then repeat until the shaft stops moving`,
  ][rounds - 2] ?? t`5 passes, then repeat until the shaft stops moving`

/** Feeler blades and shims are told in hundredths of a millimeter or tenths of a mil. */
const fine = (terms: Terms): Terms => ({ ...terms, resolution: 0.01 })

const titles: Record<SeatKind, (name: string, feet: string, more: boolean) => string> = {
  clean: (name) => t`${name}: no soft foot.`,
  rocking: (name, feet) => t`${name} rocks: ${feet} are high.`,
  short: (_, feet, more) => (more ? t`${capital(feet)} are short.` : t`${capital(feet)} is short.`),
  angled: (_, feet) => t`${capital(feet)} is angled (bent foot).`,
  springy: (_, feet, more) => (more ? t`${capital(feet)} are springy.` : t`${capital(feet)} is springy.`),
  strain: (name) => t`Pipe or conduit strain on the ${inText(name)}.`,
}

const reasons: Readonly<Record<SeatReason, string>> = labels({
  alike: 'Two diagonally opposite feet rise equally. Shim one, never both.',
  unlike:
    'Two feet diagonally opposite rise, one more than the other. Shim the one that rises more, never both, then check again.',
  'even-gap': 'The gap is even at all corners and the other feet are firm.',
  alone: 'Only this foot rises.',
  together: 'Shims under these feet bring them all into one plane.',
  'stands-off-most':
    'No single cause explains every foot. This one has the largest gap: start there, then check every foot again.',
  'corners-differ': 'The gaps at its corners differ by more than the limit. Use step shims, or have the foot machined.',
  'no-gap-felt': 'It rises, but a feeler finds no gap.',
  'all-alike': 'All feet rise equally.',
  'side-or-end':
    'Both feet on one side or end rise. Disconnect the pipe or conduit and check again. Never shim it away.',
  'none-rises': 'No foot rises by more than the limit.',
  'none-open': 'No gap under a foot is over the limit.',
})

/** An act by its place in the order: "First: …", "Next: …". */
const inTurn = (turn: Turn, act: string): string =>
  turn === 'only' ? capital(act) : turn === 'first' ? t`First: ${act}` : t`Next: ${act}`

/** The sentence for what was found at the feet. */
export function saySeat(advice: SeatAdvice, given: Terms): Message {
  const terms = fine(given)
  switch (advice.kind) {
    case 'seat-lock':
      return {
        title: t`Lock out and try. Loosen one bolt at a time.`,
        caution: t`Keep fingers clear of the feet. Lift only by your site’s rules.`,
      }
    case 'seat-fault':
      return {
        title: t`${capital(seatFootName(advice.foot, terms))}: not a number.`,
        detail: sayTrouble(advice.trouble),
      }
    case 'seat-next':
      if (advice.state.pass === 'loose')
        return {
          title: t`Next: feel under the ${seatFootName(advice.foot, terms)}.`,
          detail: t`All bolts loose, roughly aligned, pipes off. Feel all four corners. ${advice.left} to go.`,
        }
      return {
        title: t`Next: loosen the bolt at the ${seatFootName(advice.foot, terms)}.`,
        detail: t`The others stay tight. Read how far it rises, feel its corners, tighten it again. ${advice.left} to go.`,
      }
    case 'seat-guide':
      return {
        title: t`Measured at the shaft: an estimate, not the gap.`,
        detail: t`Scaled to the feet as if the frame were rigid. Check every foot over the limit with a feeler before you cut a shim.`,
      }
    case 'seat-snug':
      return {
        title: t`Put ${lengthWithUnit(advice.shim, terms)} under the ${seatFootName(advice.foot, terms)}.`,
        detail: t`Snug, not forced.`,
      }
    case 'seat-tighten':
      return {
        title: t`Now tighten, and check one bolt at a time.`,
        detail: t`Follow the tightening sequence: by hand, snug, to torque, ${passes(advice.state.rounds)}.`,
      }
    case 'seat-found': {
      const { finding, state } = advice
      const name = machineName(state.machine, terms)
      return {
        title: `${advice.first ? '' : t`Or: `}${titles[finding.kind](name, namesOf(finding.feet, terms), finding.feet.length > 1)}`,
        detail: reasons[finding.because],
        working: finding.evidence.map(({ foot, rise, least, most }) => {
          const rises = rise === undefined ? t`rise not read` : t`rises ${lengthWithUnit(rise, terms)}`
          const feels =
            least === undefined || most === undefined
              ? t`no feeler`
              : t`feeler ${length(least, terms)} to ${length(most, terms)}`
          return t`${capital(seatFootName(foot, terms))}: ${rises}, ${feels}. Limit ${lengthWithUnit(state.threshold, terms)}.`
        }),
      }
    }
    case 'seat-cure': {
      const foot = seatFootName(advice.cure.foot, terms)
      if ('shim' in advice.cure)
        return {
          title: inTurn(advice.turn, t`put ${lengthWithUnit(advice.cure.shim, terms)} under the ${foot}.`),
          detail: advice.one
            ? t`Under that foot only.`
            : advice.turn === 'only'
              ? ''
              : t`Tighten it, then the next foot.`,
        }
      return {
        title: inTurn(advice.turn, t`step shims under the ${foot}.`),
        detail: byEdge(advice.cure.steps)
          .map(
            ([edge, own]) =>
              t`From its ${edgeName(edge, terms)} edge inward: ${own.map((step) => stepName(step, advice.state.pad, terms)).join(', ')}.`,
          )
          .join(' '),
      }
    }
    case 'seat-clean':
      return {
        title: inTurn(advice.turn, t`clean the ${seatFootName(advice.foot, terms)} and its pad.`),
        detail: t`Remove burrs and bent shims. Four shims at most.`,
      }
    case 'seat-unsettled':
      return {
        title: t`Check ${namesOf(advice.feet, terms)} with a feeler before you cut a shim.`,
        detail: t`A dial shows the rise but not the angle. Measure three or four corners.`,
      }
    case 'seat-shift':
      return {
        title: t`Tightening now moves the shaft about ${lengthWithUnit(Math.abs(advice.shift), terms)} ${advice.shift < 0 ? t`down` : t`up`} at the coupling.`,
        detail:
          advice.allowed === undefined
            ? t`Estimated from the gaps as found.`
            : t`Estimated. The offset tolerance there is ${lengthWithUnit(advice.allowed, terms)}.`,
      }
    case 'seat-again':
      return {
        title: t`Then check every foot again.`,
        detail: t`First tighten in sequence, ${passes(advice.state.rounds)}.`,
      }
  }
}

/** Strips by the edge they lie along: a sole that leans both ways has two stacks. */
export function byEdge(steps: readonly StepShim[]): [StepShim['edge'], StepShim[]][] {
  const edges = [...new Set(steps.map(({ edge }) => edge))]
  return edges.map((edge) => [edge, steps.filter((step) => step.edge === edge)])
}

/** A strip: "0.05 mm over 77 % of the pad, cut to 62 mm". */
export function stepName(step: StepShim, pad: SeatState['pad'], terms: Terms): string {
  const cut = cutLength(step, pad)
  const share = t`${lengthWithUnit(step.thickness, fine(terms))} over ${Math.round(step.cover * 100)} % of the pad`
  return cut === undefined ? share : t`${share}, cut to ${dimension(cut, terms.unit)}`
}

export function edgeName(edge: 'low' | 'high' | 'near' | 'far', terms: Terms): string {
  return edge === 'near' || edge === 'far' ? sideName(edge, terms) : edge === 'low' ? t`left` : t`right`
}
