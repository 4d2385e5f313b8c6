import type { DialFit } from '../core/kit/fits'
import type { Compared, Part } from '../core/kit/gauge'
import { type Lifted, lifted } from '../core/kit/lift'
import type { SagTaken } from '../core/kit/sag'
import type { KitItem, KitKind, KitShims } from '../core/kit/schema'
import { formatNumber } from '../core/quantity/number'
import { type Quantity, quantityMm, showQuantity } from '../core/quantity/quantity'
import type { VerdictState } from '../core/verdict/state'
import { type CellFault, type RowFault, rowFaults, type TypedLimitRow } from '../core/verdict/table'
import { sayStoredDay } from './dates'
import { labels, listed, plural, t } from './language'
import { kitWords } from './page/kit'
import { dimension, lengthWithUnit, lowerFirst, signedLength, unitName } from './terms'

/** A sentence with its peg. */
export interface KitMessage {
  text: string
  peg: VerdictState
}

type Shown = 'mm' | 'mil'

export const kitKinds: Readonly<Record<KitKind, { one: string; many: string }>> = labels({
  dial: { one: 'dial', many: 'Dials' },
  bracket: { one: 'bracket', many: 'Brackets' },
  head: { one: 'head', many: 'Heads' },
  gauge: { one: 'comparison', many: 'Gauge block checks' },
  shims: { one: 'shim stock', many: 'Shims' },
  limits: { one: 'table of limits', many: 'Tables of limits' },
  lift: { one: 'known lift', many: 'Known lifts' },
})

const due = (item: KitItem): string => ('calibrationDue' in item ? item.calibrationDue : '')

/** Whether a piece can be used as it is: calibrated, its sag known. */
export function kitPeg(item: KitItem, today: string): VerdictState {
  if (due(item) && due(item) < today) return 'outside'
  if (item.kind === 'bracket') return quantityMm(item.sag) === undefined ? 'unsure' : 'within'
  if (item.kind === 'shims') return item.sizes.some(({ count }) => count.trim() === '0') ? 'unsure' : 'within'
  if (item.kind === 'gauge') return 'nothing'
  if (item.kind === 'lift') return liftPegs[lifted(item).state]
  if (item.kind === 'limits')
    return item.rows.length === 0 ? 'nothing' : rowFaults(item.rows).size > 0 ? 'unsure' : 'within'
  return due(item) ? 'within' : 'nothing'
}

const liftPegs: Readonly<Record<Lifted['state'], VerdictState>> = {
  open: 'nothing',
  unsure: 'unsure',
  true: 'within',
  turned: 'outside',
  alike: 'outside',
  differ: 'outside',
}

const lengthShown = (quantity: Quantity, unit: Shown): string => {
  const own = unit === 'mil' ? 'in' : 'mm'
  return `${showQuantity(quantity, own)} ${own}`
}

/** From the thinnest to the thickest. */
function sizesShown({ sizes }: KitShims, unit: Shown): string {
  const known = sizes
    .flatMap(({ thickness }) => {
      const mm = quantityMm(thickness)
      return mm === undefined ? [] : [{ mm, thickness }]
    })
    .sort((a, b) => a.mm - b.mm)
  const [thin, thick] = [known[0], known.at(-1)]
  if (!thin || !thick) return t`no shims listed yet`
  return t`${known.length} thicknesses, ${showQuantity(thin.thickness, unit)} to ${showQuantity(thick.thickness, unit)} ${unitName[unit]}`
}

/** What a list says of a piece, in one line. */
export function kitSummary(item: KitItem, unit: Shown, today: string): string {
  const number = (q: Parameters<typeof showQuantity>[0]) => `${showQuantity(q, unit)} ${unitName[unit]}`
  const span = item.kind === 'bracket' ? quantityMm(item.span) : undefined
  const calibrated = due(item)
    ? due(item) < today
      ? t`calibration was due ${sayStoredDay(due(item))}`
      : t`calibration due ${sayStoredDay(due(item))}`
    : ''
  const parts: string[] = []
  if (item.kind === 'dial') {
    parts.push(kitWords[item.type])
    if (item.travel.text) parts.push(t`${number(item.travel)} in ${number(item.graduation)}`)
  }
  if (item.kind === 'head') parts.push(item.type === 'beam2' ? t`two planes` : t`one plane`, t`in ${number(item.step)}`)
  if (item.kind === 'bracket')
    parts.push(
      quantityMm(item.sag) === undefined
        ? t`sag not measured yet`
        : t`sag ${showQuantity(item.sag, unit, { signed: true })} ${unitName[unit]}${span === undefined ? '' : t` at ${dimension(span, unit)}`}`,
      sayStoredDay(item.takenOn),
    )
  if (item.kind === 'shims')
    parts.push(item.slot.text ? t`slot ${lengthShown(item.slot, unit)}` : '', sizesShown(item, unit), item.material)
  if (item.kind === 'gauge') parts.push(item.dial, t`${item.readings.length} readings`)
  if (item.kind === 'lift') parts.push(item.machine, item.method, sayStoredDay(item.takenOn))
  if (item.kind === 'limits')
    parts.push(plural(item.rows.length, { one: t`1 row`, other: t`${item.rows.length} rows` }), item.source)
  return [...parts, calibrated].filter(Boolean).join(', ')
}

/** What a bracket on the bar came to. */
export function saySag({ sag, closure, sideways, good }: SagTaken, unit: Shown, graduation: number): KitMessage[] {
  const terms = { unit, resolution: Math.min(graduation, 0.01) }
  if (sag === undefined) return [{ text: t`Read top and bottom. The sides check them.`, peg: 'nothing' }]
  const said: KitMessage[] = [
    {
      text: t`Sag: ${signedLength(sag, terms)} ${unitName[unit]}, bottom minus top.`,
      peg: sag > 0 ? 'outside' : 'within',
    },
  ]
  if (sag > 0)
    said.push({
      text: t`A bracket sags downward: zero at the top, it must read less at the bottom. Reverse the sign?`,
      peg: 'outside',
    })
  if (closure === undefined) said.push({ text: t`The sides were not read, so this sag is unchecked.`, peg: 'unsure' })
  else if (Math.abs(closure) > 2 * graduation + 1e-9)
    said.push({
      text: t`Does not close: off by ${lengthWithUnit(Math.abs(closure), terms)}. Top + bottom must equal far + near. Read it again.`,
      peg: 'outside',
    })
  else said.push({ text: t`Closes to ${lengthWithUnit(Math.abs(closure), terms)}.`, peg: 'within' })
  if (sideways !== undefined && Math.abs(sideways) > 2 * graduation + 1e-9)
    said.push({
      text: t`Far and near differ by ${lengthWithUnit(Math.abs(sideways), terms)}. On a straight bar they must be equal: the bar is bent or something slipped.`,
      peg: 'outside',
    })
  if (good)
    said.push({
      text: t`Record the span and the dial: sag changes with both.`,
      peg: 'nothing',
    })
  return said
}

/** What a known lift showed of the way it was read. */
export function sayLifted({ feet, sd, state, mean }: Lifted): KitMessage[] {
  const share = (ratio: number) => formatNumber(100 * ratio, 0)
  if (state === 'open' || sd === undefined || mean === undefined)
    return [{ text: t`Enter the shim and the calculated height of each foot before and after.`, peg: 'nothing' }]
  const peg = liftPegs[state]
  const said: KitMessage[] = feet.map(({ name, ratio }) => ({
    text: t`${name || t`Feet`}: ${share(ratio)} % of the lift was measured, ± ${share(2 * sd)} %.`,
    peg: Math.abs(ratio - 1) <= 2 * sd ? ('within' as const) : ('outside' as const),
  }))
  const outcome: Readonly<Record<Exclude<Lifted['state'], 'open'>, string>> = {
    unsure: t`The lift is too small for this method to resolve. Use a thicker shim.`,
    true: t`Confirmed: measured lift equals shim thickness within the uncertainty.`,
    turned: t`The lift came out with the wrong sign. Check the sign of the dial, or which side the machine is on.`,
    alike:
      mean < 1
        ? t`Every foot shows ${share(mean)} % of the lift. The coupling holds the shafts or the bracket flexes. Disconnect the coupling, stiffen the bracket and try again.`
        : t`Every foot shows ${share(mean)} % of the lift. Check the graduation, and the angle of a lever dial.`,
    differ: t`The feet show different shares of one lift, so a distance or a radius is wrong. Measure them again.`,
  }
  return [...said, { text: outcome[state], peg }]
}

/** What a comparison came to. */
export function sayCompared(
  { readings, mean, repeat, off, state }: Compared,
  unit: Shown,
  known?: number,
): KitMessage[] {
  const terms = { unit, resolution: 0.0001 }
  if (mean === undefined) return [{ text: t`No reading yet.`, peg: 'nothing' }]
  const said: KitMessage[] = []
  if (off !== undefined)
    said.push({
      text: t`Mean of ${readings}: ${lengthWithUnit(Math.abs(off), terms)} ${off >= 0 ? t`over` : t`under`} the block.`,
      peg: state ?? 'nothing',
    })
  if (repeat === undefined)
    said.push({
      text:
        known === undefined
          ? t`One reading does not show repeatability. Lift it and set it down again.`
          : t`One reading, judged by this dial’s repeatability: ± ${lengthWithUnit(2 * known, terms)} (2 SD).`,
      peg: known === undefined ? 'unsure' : 'nothing',
    })
  else
    said.push({
      text: t`Repeatability ± ${lengthWithUnit(2 * repeat, terms)} (2 SD).`,
      peg: 'nothing',
    })
  if (state === 'within') said.push({ text: t`Within tolerance.`, peg: 'within' })
  if (state === 'outside') said.push({ text: t`Out of tolerance. Have it checked before you use it.`, peg: 'outside' })
  if (state === 'unsure')
    said.push({ text: t`Can’t tell yet: the scatter reaches the limit. Take a few more readings.`, peg: 'unsure' })
  return said
}

/** What a series of parts came to: how many are within, which are not, which can't be told. */
export function sayParts(parts: readonly Part[], unit: Shown, known: number | undefined): KitMessage[] {
  const read = parts.filter(({ off }) => off !== undefined)
  if (read.length === 0) return [{ text: t`No reading yet.`, peg: 'nothing' }]
  const terms = { unit, resolution: 0.0001 }
  const numbered = (state: Part['state']) =>
    parts.flatMap((part, i) => (part.state === state && part.off !== undefined ? [{ n: i + 1, off: part.off }] : []))
  const [within, outside, unsure] = [numbered('within'), numbered('outside'), numbered('unsure')]
  const named = (ones: readonly { n: number; off: number }[]) =>
    listed(
      ones.map(({ n, off }) => t`${n} by ${lengthWithUnit(Math.abs(off), terms)} ${off >= 0 ? t`over` : t`under`}`),
    )
  return [
    ...(within.length > 0
      ? [{ text: t`${within.length} of ${read.length} within tolerance.`, peg: 'within' as const }]
      : []),
    ...(outside.length > 0 ? [{ text: t`Out of tolerance: ${named(outside)}.`, peg: 'outside' as const }] : []),
    ...(unsure.length > 0
      ? [
          {
            text:
              known === undefined
                ? t`Can’t tell without the dial’s repeatability: ${named(unsure)}. Choose a dial from the kit.`
                : t`Can’t tell: the dial’s ± ${lengthWithUnit(2 * known, terms)} reaches the limit: ${named(unsure)}.`,
            peg: 'unsure' as const,
          },
        ]
      : []),
  ]
}

/** Whether a dial fits an expected swing, and where to set it. */
export function sayFit(fit: DialFit | undefined, unit: Shown): KitMessage {
  if (!fit) return { text: t`Enter its travel and graduation.`, peg: 'nothing' }
  const depth = lengthWithUnit(fit.depthAtTop, { unit, resolution: 0.1 })
  if (!fit.fits)
    return { text: t`Not enough travel: the TIR needs ${formatNumber(100 * fit.share, 0)} % of it.`, peg: 'outside' }
  if (fit.graduations < 5)
    return {
      text: t`Too coarse: the TIR is only ${formatNumber(fit.graduations, 1)} graduations.`,
      peg: 'unsure',
    }
  return {
    text: t`Fits: uses ${formatNumber(100 * fit.share, 0)} % of its travel. At the top, preload the plunger ${depth} and zero it.`,
    peg: 'within',
  }
}

/** What couplings a row of limits is for. */
export const rowCouplingNames: Readonly<Record<TypedLimitRow['coupling'], string>> = labels({
  any: 'any coupling',
  short: 'short coupling',
  spacer: 'spacer coupling',
  rigid: 'rigid coupling',
})

/** What is wrong with a row of limits. */
export const rowFaultTexts: Readonly<Record<RowFault, string>> = labels({
  speeds: 'Enter the lowest and highest speed, rpm.',
  backwards: 'The first speed must be below the second.',
  offset: 'Enter an offset greater than zero. Only a spacer may leave it blank.',
  slope: 'Enter an angularity greater than zero.',
  overlap: 'These speeds overlap a row above.',
})

/** What is wrong in a table that was brought in, by row and column. */
export const sayCellFault = ({ row, column, what }: CellFault): string =>
  t`Row ${row}, column ${column}: ${
    what === 'coupling'
      ? t`the coupling must be any, short, spacer or rigid.`
      : what === 'unit'
        ? t`the unit must be mm, um, in or mil; for angularity mm/100 mm or mil/in.`
        : lowerFirst(rowFaultTexts[what])
  }`
