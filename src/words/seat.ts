import { cutLength, type StepShim } from '../core/seat/cure'
import type { SeatKind } from '../core/seat/diagnose'
import type { SeatAdvice } from '../core/seat/findings'
import type { PlacedFoot, SeatState } from '../core/seat/state'
import type { Said } from './said'
import { capital, dimension, feetAlone, length, lengthWithUnit, machineName, sideName, type Terms } from './terms'

/** A single foot: of the "front feet" the "aisle-side front foot". */
export function seatFootName(id: string, terms: Terms): string {
  const point = id.lastIndexOf('.')
  const [station, side] = [id.slice(0, point), id.slice(point + 1)]
  const name = feetAlone(station, terms).replace(/feet$/, 'foot')
  return `${sideName(side === 'far' ? 'far' : 'near', terms)}-side ${name}`
}

const namesOf = (ids: readonly string[], terms: Terms): string =>
  ids.map((id) => `the ${seatFootName(id, terms)}`).join(' and ')

/** The order to tighten a machine's bolts in, by name. */
export const orderInWords = (feet: readonly PlacedFoot[], order: readonly string[], terms: Terms): string =>
  order
    .filter((id) => feet.some((foot) => foot.id === id))
    .map((id) => seatFootName(id, terms))
    .join(', then ')

/** Feeler blades and shims are told in hundredths of a millimetre or tenths of a mil. */
const fine = (terms: Terms): Terms => ({ ...terms, resolution: 0.01 })

const titles: Record<SeatKind, (name: string, feet: string) => string> = {
  clean: (name) => `${name} sits on all its feet.`,
  rocking: (name, feet) => `${name} rocks: ${feet} stand off.`,
  short: (_, feet) => `${capital(feet)} is short.`,
  angled: (_, feet) => `${capital(feet)} is bent.`,
  springy: (_, feet) => `${capital(feet)} is springy.`,
  strain: (name) => `Something pulls on the ${name.toLowerCase()}.`,
}

const reasons: Record<SeatKind, string> = {
  clean: 'No foot rises by more than the limit.',
  rocking: 'Two feet across from each other rise alike. One of them gets a shim, never both.',
  short: 'It stands off by itself, evenly at its corners.',
  angled: 'The gaps at its corners differ by more than the limit. Cut step shims, or have the foot machined.',
  springy:
    'It rises where a feeler finds no gap, or all rise alike. Clean feet and pads, take out burrs and bent shims, at most four shims, then check again.',
  strain:
    'Both feet of one side or end rise. Take the pipe or the conduit off and check again; it is never shimmed away.',
}

/** The sentence for what was found at the feet. */
export function saySeat(advice: SeatAdvice, given: Terms): Said {
  const terms = fine(given)
  switch (advice.kind) {
    case 'seat-lock':
      return {
        title: 'Locked and tried? One bolt loose at a time.',
        detail: 'Fingers stay out from under the feet. Lift only by your site’s rules.',
      }
    case 'seat-fault':
      return { title: `${capital(seatFootName(advice.foot, terms))}: a number cannot be read.`, detail: advice.message }
    case 'seat-next':
      if (advice.state.pass === 'loose')
        return {
          title: `Next: feel under the ${seatFootName(advice.foot, terms)}.`,
          detail: `All bolts loose, roughly aligned, pipes off. Feel all four corners. ${advice.left} to go.`,
        }
      return {
        title: `Next: loosen the bolt at the ${seatFootName(advice.foot, terms)}.`,
        detail: `The others stay tight. Read how far it rises, feel its corners, tighten it again. ${advice.left} to go.`,
      }
    case 'seat-guide':
      return {
        title: 'Told by the shaft: a guide, not the gap.',
        detail: 'Scaled to the feet as if the frame were stiff. Feel every foot over the limit before a shim is cut.',
      }
    case 'seat-snug':
      return {
        title: `Fill ${lengthWithUnit(advice.shim, terms)} under the ${seatFootName(advice.foot, terms)}.`,
        detail: 'Until its shims are snug, not forced.',
      }
    case 'seat-tighten':
      return {
        title: 'Now tighten, and check one bolt at a time.',
        detail: 'In the order on the bolts: by hand, snug, to the torque, twice round.',
      }
    case 'seat-found': {
      const { finding, state } = advice
      const name = machineName(state.machine, terms)
      return {
        title: `${advice.first ? '' : 'Or: '}${titles[finding.kind](name, namesOf(finding.feet, terms))}`,
        detail: reasons[finding.kind],
        working: finding.evidence.map(({ foot, rise, least, most }) => {
          const rises = rise === undefined ? 'rise not read' : `rises ${lengthWithUnit(rise, terms)}`
          const feels =
            least === undefined || most === undefined
              ? 'no feeler'
              : `feeler ${length(least, terms)} to ${length(most, terms)}`
          return `${capital(seatFootName(foot, terms))}: ${rises}, ${feels}. Limit ${lengthWithUnit(state.threshold, terms)}.`
        }),
      }
    }
    case 'seat-cure': {
      const foot = seatFootName(advice.cure.foot, terms)
      if ('shim' in advice.cure)
        return {
          title: `Put ${lengthWithUnit(advice.cure.shim, terms)} under the ${foot}.`,
          detail: 'Under that one alone.',
        }
      const { steps } = advice.cure
      return {
        title: `Step shims under the ${foot}.`,
        detail: steps.length
          ? byEdge(steps)
              .map(
                ([edge, own]) =>
                  `From its ${edgeName(edge, terms)} edge inward: ${own.map((step) => stepName(step, advice.state.pad, terms)).join(', ')}.`,
              )
              .join(' ')
          : 'The gap is less than the thinnest shim.',
      }
    }
    case 'seat-unsettled':
      return {
        title: `Feel ${namesOf(advice.feet, terms)} before a shim is cut.`,
        detail: 'A dial shows how much, never the angle: three or four corners settle it.',
      }
    case 'seat-shift':
      return {
        title: `Tightened like this, the shaft goes about ${lengthWithUnit(Math.abs(advice.shift), terms)} ${advice.shift < 0 ? 'down' : 'up'} at the coupling.`,
        detail:
          advice.allowed === undefined
            ? 'An estimate from the gaps as they are.'
            : `An estimate; the whole allowance there is ${lengthWithUnit(advice.allowed, terms)}.`,
      }
    case 'seat-again':
      return {
        title: 'Then check every foot again.',
        detail: 'Tighten in the order on the bolts, twice round, before you do.',
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
  const share = `${lengthWithUnit(step.thickness, fine(terms))} over ${Math.round(step.cover * 100)} % of the pad`
  return cut === undefined ? share : `${share}, cut to ${dimension(cut, terms.unit)}`
}

export function edgeName(edge: 'low' | 'high' | 'near' | 'far', terms: Terms): string {
  return edge === 'near' || edge === 'far' ? sideName(edge, terms) : edge === 'low' ? 'left' : 'right'
}
