import { type CheckItem, checkItems } from '../../ready/catalog'
import { usualOutOfRound } from './solve/verdict'

const always: CheckItem['on'] = ['new-set', 'after-overhaul', 'vibration', 'periodic']
const notPeriodic: CheckItem['on'] = ['new-set', 'after-overhaul', 'vibration']

/** Checks of every line that bear on a row of bores too. */
const shared = new Set(['base', 'shims', 'foundation', 'which-moves'])

/** In the order they are done: the walls before anything is hung between them. */
export const boreChecks: readonly CheckItem[] = [
  { id: 'bores-clean', measured: false, on: always },
  { id: 'bores-gauged', measured: true, limit: usualOutOfRound, on: notPeriodic },
  { id: 'rotor-supported', measured: false, on: always },
  { id: 'carrier-stiff', measured: false, on: always },
  { id: 'bores-coarse', measured: false, on: notPeriodic },
  ...checkItems.filter(({ id }) => shared.has(id)),
]
