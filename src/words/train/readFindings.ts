import { onceInAThousand } from '../../core/fit/chiSquare'
import { formatNumber } from '../../core/frame/number'
import type { Finding } from '../../core/kinds/train/advice/finding'
import type { OutOfProportion } from '../../core/kinds/train/advice/proportion'
import type { ProbeState } from '../../core/shafts/state'
import type { Suspect } from '../../core/shafts/suspects'
import type { Said } from '../said'
import { couplingName, dimension, lengthWithUnit, signedLength, type Terms } from '../terms'
import { angleOf, dialOf, dialTerms } from './said'

type ReadFinding = Extract<
  Finding,
  {
    kind:
      | 'not-fitting'
      | 'sets-disagree'
      | 'range'
      | 'swing'
      | 'no-radius'
      | 'one-shaft'
      | 'span-differs'
      | 'dial-differs'
      | 'preset-as-zero'
      | 'short-arc'
      | 'improve'
      | 'floated'
      | 'rough-sweep'
      | 'out-of-proportion'
  }
>

/** The sentence for what is to be said of how something was read. */
export function sayReadFinding(finding: ReadFinding, terms: Terms): Said {
  switch (finding.kind) {
    case 'not-fitting': {
      const best = finding.suspects
        .slice(0, 3)
        .map(({ dial, suspect }) => `on the ${lower(dialOf(dial, terms))} ${saySuspect(dial, suspect, terms)}`)
      return {
        title: `${couplingName(finding.coupling, terms)}: the readings contradict each other.`,
        detail: best.length
          ? `They would agree if ${best.join(', or if ')}.`
          : 'No single slip explains it. Check brackets and dials, then read the set again.',
        working: [
          'Every reading is compared with the one position of the shafts that fits them all best, and what is left over is squared and added, each over its own deviation.',
          `The sum is ${formatNumber(finding.squares, 0)} with ${finding.free} free; chance alone exceeds ${formatNumber(onceInAThousand(finding.free), 0)} once in a thousand times.`,
        ],
      }
    }
    case 'sets-disagree':
      return {
        title: `The sets at ${lower(couplingName(finding.coupling, terms))} do not tell the same: at the feet they are up to ${lengthWithUnit(finding.by, terms)} apart.`,
        detail: finding.dial
          ? `All else agrees without the ${lower(dialOf(finding.dial, terms))}. Look at that one first.`
          : finding.explained
            ? 'The slip named above would bring them together.'
            : finding.set
              ? 'One set stands alone against the others. Read that one again.'
              : 'Which of them is wrong cannot be told from two. Did something move between them? Read a third.',
      }
    case 'range':
      return {
        title: `${dialOf(finding.dial, terms)}: these readings do not fit into its travel.`,
        detail: `They span ${lengthWithUnit(finding.used, own(finding.dial, terms))}, its plunger goes ${lengthWithUnit(finding.travel, own(finding.dial, terms))}. It bottomed, or a turn was miscounted: set it anew in mid-travel and read again.`,
      }
    case 'swing':
      return {
        title: `${dialOf(finding.dial, terms)} nearly runs out of travel.`,
        detail: `A whole turn swings it by ${lengthWithUnit(finding.swing, own(finding.dial, terms))} of its ${lengthWithUnit(finding.travel, own(finding.dial, terms))}. Do the rough alignment first, or take a dial with more travel.`,
      }
    case 'no-radius':
      return {
        title: `${dialOf(finding.dial, terms)} needs the radius it travels on.`,
        detail: 'Without it a face reading says nothing of the slope. Measure from the shaft’s centre to its plunger.',
      }
    case 'one-shaft':
      return finding.swing === undefined
        ? {
            title: `Only the bracket’s shaft was turned: the run-out of the hub under the ${lower(dialOf(finding.dial, terms))} is in the readings.`,
            detail:
              'Turn both shafts together and it cancels. If one cannot turn, measure that hub’s run-out by itself and give its swing and where its high spot stands.',
          }
        : {
            title: `A run-out of ${lengthWithUnit(finding.swing, own(finding.dial, terms))} is taken off the ${lower(dialOf(finding.dial, terms))}.`,
            detail: 'Only the bracket’s shaft was turned, so it did not cancel.',
          }
    case 'span-differs':
      return {
        title: `${dialOf(finding.dial, terms)}: its sag was taken at another span.`,
        detail: `Taken at ${dimension(finding.taken, terms.unit)}, hung here at ${dimension(finding.here, terms.unit)}. Sag grows with the third power of the span: take it again as it hangs here.`,
      }
    case 'dial-differs':
      return {
        title: `${dialOf(finding.dial, terms)}: its sag was taken with another dial.`,
        detail: `Taken with ${finding.taken}, read with ${finding.here}. Another weight sags otherwise: take it again.`,
      }
    case 'preset-as-zero':
      return {
        title: `${dialOf(finding.dial, terms)}: the top was set to its sag, yet reads nothing.`,
        detail: `Type what the dial showed there, ${signedLength(-finding.dial.sag, own(finding.dial, terms))}, or leave the top empty. If it was zeroed on top, choose “any zero”.`,
      }
    case 'out-of-proportion': {
      const { of, value, least, most, angleId } = finding.odd
      const exact = { ...terms, resolution: 10 ** Math.floor(Math.log10(Math.max(1e-4, Math.abs(value))) - 1) }
      const what =
        angleId === undefined
          ? proportionWords[of]
          : `${angleOf(finding.dial, finding.dial.set.angles.find(({ id }) => id === angleId)?.degrees ?? 0, terms)} reading`
      return {
        title: `${dialOf(finding.dial, terms)}: a ${what} of ${lengthWithUnit(value, exact)} is unlikely.`,
        detail: `Usual is ${lengthWithUnit(least, { ...terms, resolution: 0.0001 })} to ${lengthWithUnit(most, { ...terms, resolution: 0.01 })}. Check the decimal point and the unit.`,
      }
    }
    case 'short-arc':
      return {
        title: `Read over ${formatNumber(finding.arc, 0)}° of the turn: the least sure foot is known to ± ${lengthWithUnit(2 * finding.sd, terms)}.`,
        detail: `As many readings spread over the whole turn would give ± ${lengthWithUnit(2 * finding.whole, terms)}. Turn farther if the shafts can.`,
      }
    case 'improve':
      return {
        title: finding.again
          ? `One more reading would help most: ${angleOf(finding.dial, finding.degrees, terms)} on the ${lower(dialOf(finding.dial, terms))} again.`
          : `One more reading would help most: turn on to ${angleOf(finding.dial, finding.degrees, terms)} and read the ${lower(dialOf(finding.dial, terms))}.`,
        detail: `It takes the least sure foot from ± ${lengthWithUnit(2 * finding.before, fine(terms))} to ± ${lengthWithUnit(2 * finding.after, fine(terms))}.`,
      }
    case 'floated':
      return {
        title: `The shaft floated by ${lengthWithUnit(finding.most, terms)} along its axis while turning.`,
        detail: 'Two face dials half a turn apart see it alike, so it is taken out: half their difference has none.',
      }
    case 'rough-sweep':
      return {
        title: `${dialOf(finding.dial, terms)}: the sweep is rougher than it should be.`,
        detail: `Its points stray by ${lengthWithUnit(finding.rough, fine(terms))} from the wave, ${lengthWithUnit(finding.sd, fine(terms))} was expected. Something is loose, or the shafts did not turn as one: turn slowly, one way only, and sweep again.`,
      }
  }
}

const proportionWords: Readonly<Record<OutOfProportion['of'], string>> = {
  sag: 'sag',
  radius: 'radius',
  graduation: 'graduation',
  turn: 'turn of the dial',
  travel: 'travel',
  span: 'span',
  sd: 'repeatability',
  runout: 'run-out',
  reading: 'reading',
}

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1)
const own = (dial: ProbeState, terms: Terms): Terms => dialTerms(dial, terms)
const fine = (terms: Terms): Terms => ({ ...terms, resolution: Math.min(terms.resolution, 0.001) })

const whys: Readonly<Record<Suspect['fault'], string>> = {
  sign: 'its sign turned over',
  swap: 'the two were exchanged',
  turn: 'a whole turn of the dial',
  decimal: 'the decimal point',
  unit: 'mil and µm or hundredths mixed up',
  'sag-sign': 'its sign turned over',
  'sag-missing': 'it was left out',
}

/** "the bottom were −0.11 (its sign turned over)". */
export function saySuspect(dial: ProbeState, suspect: Suspect, terms: Terms): string {
  const t = dialTerms(dial, terms)
  const would = signedLength(suspect.would, t)
  const why = whys[suspect.fault]
  if (suspect.reading < 0) return `the sag were ${would} (${why})`
  const at = (index: number) => angleOf(dial, dial.readings[index]?.angle ?? 0, terms)
  if (suspect.fault === 'swap')
    return `the ${at(suspect.reading)} and the ${at(suspect.other ?? 0)} changed places (${why})`
  return `the ${at(suspect.reading)} were ${would} (${why})`
}
