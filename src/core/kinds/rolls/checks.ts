import { type CheckItem, checkItems } from '../../ready/catalog'

const always: CheckItem['on'] = ['new-set', 'after-overhaul', 'vibration', 'periodic']
const notPeriodic: CheckItem['on'] = ['new-set', 'after-overhaul', 'vibration']

/** Checks of every line that bear on a section of rolls too. */
const shared = new Set(['base', 'shims', 'foundation', 'which-moves'])

/** In the order they are done: what is loose or worn before anything is measured. */
export const rollsChecks: readonly CheckItem[] = [
  { id: 'rolls-runout', measured: true, limit: 0.05, on: notPeriodic },
  { id: 'rolls-housings', measured: false, on: always },
  { id: 'rolls-clean', measured: false, on: always },
  { id: 'rolls-floor', measured: false, on: always },
  { id: 'rolls-drives', measured: false, on: always },
  ...checkItems.filter(({ id }) => shared.has(id)),
]
