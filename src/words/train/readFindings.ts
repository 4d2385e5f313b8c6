import { chiSquareQuantile999 } from '../../core/fit/chiSquare'
import type { Finding } from '../../core/kinds/train/advice/finding'
import type { OutOfProportion } from '../../core/kinds/train/advice/proportion'
import { goesRound } from '../../core/probes'
import { formatNumber } from '../../core/quantity/number'
import type { ProbeState } from '../../core/shafts/state'
import type { Suspect } from '../../core/shafts/suspects'
import { labels, t } from '../language'
import type { Message } from '../said'
import { couplingName, dimension, inText, lengthWithUnit, signedLength, type Terms } from '../terms'
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
      | 'no-plus'
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
export function sayReadFinding(finding: ReadFinding, terms: Terms): Message {
  switch (finding.kind) {
    case 'not-fitting': {
      const best = finding.suspects
        .slice(0, 3)
        .map(({ dial, suspect }) => t`on the ${inText(dialOf(dial, terms))} ${saySuspect(dial, suspect, terms)}`)
      return {
        title: t`${couplingName(finding.coupling, terms)}: the readings contradict each other.`,
        detail: best.length
          ? t`They would agree if ${best.join(t`, or if `)}.`
          : t`No single slip explains it. Check brackets and dials, then read the set again.`,
        working: [
          t`Every reading is compared with the shaft position that fits them all best. The residuals, each over its own standard deviation, are squared and added.`,
          t`χ² is ${formatNumber(finding.squares, 0)} with ${finding.free} degrees of freedom. Chance alone exceeds ${formatNumber(chiSquareQuantile999(finding.free), 0)} once in a thousand.`,
        ],
      }
    }
    case 'sets-disagree':
      return {
        title: t`The sets at ${inText(couplingName(finding.coupling, terms))} disagree: by up to ${lengthWithUnit(finding.by, terms)} at the feet.`,
        detail: finding.dial
          ? t`Everything agrees without the ${inText(dialOf(finding.dial, terms))}. Check that one first.`
          : finding.explained
            ? t`The mistake named above would explain it.`
            : finding.set
              ? t`One set disagrees with all the others. Repeat that one.`
              : t`Two sets can’t show which is wrong. Did something move in between? Read a third set.`,
      }
    case 'range':
      return {
        title: t`${dialOf(finding.dial, terms)}: these readings exceed its travel.`,
        detail: t`They span ${lengthWithUnit(finding.used, ownTerms(finding.dial, terms))}. Its travel is ${lengthWithUnit(finding.travel, ownTerms(finding.dial, terms))}. It bottomed out, or a turn was miscounted. Reset it to mid-travel and read again.`,
      }
    case 'swing':
      return {
        title: t`${dialOf(finding.dial, terms)} nearly runs out of travel.`,
        detail: t`A full turn uses ${lengthWithUnit(finding.swing, ownTerms(finding.dial, terms))} of its ${lengthWithUnit(finding.travel, ownTerms(finding.dial, terms))}. Do the rough alignment first, or use a dial with more travel.`,
      }
    case 'no-plus':
      return {
        title: t`Enter what plus means on this instrument.`,
        detail: t`A wrong sign reverses every move. Answer the four questions first.`,
      }
    case 'no-radius':
      if (!goesRound(finding.dial.dial))
        return {
          title: t`${dialOf(finding.dial, terms)}: enter the diameter its gap is measured over.`,
          detail: t`Without it a gap gives no angularity.`,
        }
      return {
        title: t`${dialOf(finding.dial, terms)}: enter its radius.`,
        detail: t`Without it a face reading gives no angularity. Measure from shaft center to plunger.`,
      }
    case 'one-shaft':
      return finding.swing === undefined
        ? {
            title: t`Only the bracket’s shaft was turned: the run-out of the hub under the ${inText(dialOf(finding.dial, terms))} is in the readings.`,
            detail: t`Turn both shafts together and it cancels. If one can’t turn, measure that hub’s run-out on its own. Enter the TIR and the angle of the high spot.`,
          }
        : {
            title: t`Run-out of ${lengthWithUnit(finding.swing, ownTerms(finding.dial, terms))} is subtracted from the ${inText(dialOf(finding.dial, terms))}.`,
            detail: t`Only the bracket’s shaft was turned, so it did not cancel.`,
          }
    case 'span-differs':
      return {
        title: t`${dialOf(finding.dial, terms)}: bracket sag was measured at another span.`,
        detail: t`Measured at ${dimension(finding.taken, terms.unit)}, mounted here at ${dimension(finding.here, terms.unit)}. Sag grows with the cube of the span: measure it again as mounted here.`,
      }
    case 'dial-differs':
      return {
        title: t`${dialOf(finding.dial, terms)}: bracket sag was measured with another dial.`,
        detail: t`Measured with ${finding.taken}, read with ${finding.here}. A different weight sags differently: measure it again.`,
      }
    case 'preset-as-zero':
      return {
        title: t`${dialOf(finding.dial, terms)}: set to its sag at the top, but the top reads zero.`,
        detail: t`Enter what the dial showed there, ${signedLength(-finding.dial.sag, ownTerms(finding.dial, terms))}, or leave the top blank. If it was zeroed at the top, choose “anywhere”.`,
      }
    case 'out-of-proportion': {
      const { of, value, least, most, angleId } = finding.odd
      const exact = { ...terms, resolution: 10 ** Math.floor(Math.log10(Math.max(1e-4, Math.abs(value))) - 1) }
      const what =
        angleId === undefined
          ? proportionWords[of]
          : t`${angleOf(finding.dial, finding.dial.set.angles.find(({ id }) => id === angleId)?.degrees ?? 0, terms)} reading`
      return {
        title: t`${dialOf(finding.dial, terms)}: a ${what} of ${lengthWithUnit(value, exact)} is unlikely.`,
        detail: t`Usual is ${lengthWithUnit(least, { ...terms, resolution: 0.0001 })} to ${lengthWithUnit(most, { ...terms, resolution: 0.01 })}. Check the decimal point and the unit.`,
      }
    }
    case 'short-arc':
      return {
        title: t`Read over ${formatNumber(finding.arc, 0)}° of the turn: the least certain foot is known to ± ${lengthWithUnit(2 * finding.sd, terms)}.`,
        detail: t`The same number of readings over a full turn would give ± ${lengthWithUnit(2 * finding.whole, terms)}. Turn farther if the shafts can.`,
      }
    case 'improve':
      return {
        title: finding.again
          ? t`One more reading would help most: ${angleOf(finding.dial, finding.degrees, terms)} on the ${inText(dialOf(finding.dial, terms))} again.`
          : t`One more reading would help most: turn on to ${angleOf(finding.dial, finding.degrees, terms)} and read the ${inText(dialOf(finding.dial, terms))}.`,
        detail: t`This improves the least certain foot from ± ${lengthWithUnit(2 * finding.before, fine(terms))} to ± ${lengthWithUnit(2 * finding.after, fine(terms))}.`,
      }
    case 'floated':
      return {
        title: t`The shaft floated axially by ${lengthWithUnit(finding.most, terms)} while turning.`,
        detail: t`Two face dials 180° apart cancel it.`,
      }
    case 'rough-sweep':
      return {
        title: t`${dialOf(finding.dial, terms)}: the sweep is rough.`,
        detail: t`Its points scatter by ${lengthWithUnit(finding.rough, fine(terms))} about the curve. Expected: ${lengthWithUnit(finding.sd, fine(terms))}. Something is loose, or the shafts did not turn together. Turn slowly, one way only, and sweep again.`,
      }
  }
}

const proportionWords: Readonly<Record<OutOfProportion['of'], string>> = labels({
  sag: 'sag',
  radius: 'radius',
  graduation: 'graduation',
  turn: 'turn of the dial',
  travel: 'travel',
  span: 'span',
  sd: 'repeatability',
  runout: 'run-out',
  reading: 'reading',
})

const ownTerms = (dial: ProbeState, terms: Terms): Terms => dialTerms(dial, terms)
const fine = (terms: Terms): Terms => ({ ...terms, resolution: Math.min(terms.resolution, 0.001) })

const whys: Readonly<Record<Suspect['fault'], string>> = labels({
  sign: 'sign reversed',
  swap: 'readings swapped',
  turn: 'one dial turn missed',
  decimal: 'decimal point misplaced',
  unit: 'mil and µm or hundredths of a mm mixed up',
  'sag-sign': 'sign reversed',
  'sag-missing': 'left out',
})

/** "the bottom were −0.11 (its sign turned over)". */
export function saySuspect(dial: ProbeState, suspect: Suspect, terms: Terms): string {
  const own = dialTerms(dial, terms)
  const would = signedLength(suspect.would, own)
  const why = whys[suspect.fault]
  if (suspect.reading < 0) return t`the sag were ${would} (${why})`
  const at = (index: number) => angleOf(dial, dial.readings[index]?.angle ?? 0, terms)
  if (suspect.fault === 'swap')
    return t`the ${at(suspect.reading)} and the ${at(suspect.other ?? 0)} were swapped (${why})`
  return t`the ${at(suspect.reading)} were ${would} (${why})`
}
