import { quantityMm } from '../../quantity/quantity'
import { type CheckItem, checkItems } from '../../ready/catalog'
import type { BeltLine } from './document/schema'

const always: CheckItem['on'] = ['new-set', 'after-overhaul', 'vibration', 'periodic']
const notPeriodic: CheckItem['on'] = ['new-set', 'after-overhaul', 'vibration']

/** Checks of every line that bear on a belt drive too. */
const shared = new Set(['base', 'shims', 'foundation', 'shaft-runout', 'bearings', 'jack-bolts', 'which-moves'])

/** In the order they are done: the sheaves before the feet, the belts off before anything is read. */
export const beltChecks: readonly CheckItem[] = [
  { id: 'sheaves-clean', measured: false, on: always },
  { id: 'grooves-gauge', measured: false, on: notPeriodic },
  { id: 'bushes-torqued', measured: false, on: always },
  { id: 'sheave-face-runout', measured: true, limit: 0.2, on: notPeriodic },
  { id: 'sheave-rim-runout', measured: true, limit: 0.25, on: notPeriodic },
  ...checkItems.filter(({ id }) => shared.has(id)),
  { id: 'belts-slack', measured: false, on: always },
]

/** A sheave may run out by so much of its diameter before it is looked at. */
export const mostRunOut = 0.001

/** Of the checks that hang on a sheave's size what they allow, mm: a thousandth of the smallest sheave's diameter; undefined where none is given. */
export function checkLimit({ id }: CheckItem, { sheaves }: Pick<BeltLine, 'sheaves'>): number | undefined {
  if (id !== 'sheave-face-runout' && id !== 'sheave-rim-runout') return undefined
  const sizes = sheaves.flatMap(({ diameter }) => {
    const mm = quantityMm(diameter)
    return mm !== undefined && mm > 0 ? [mm] : []
  })
  return sizes.length > 0 ? mostRunOut * Math.min(...sizes) : undefined
}
