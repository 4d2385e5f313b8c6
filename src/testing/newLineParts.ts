import type { KindName } from '../core/kinds'

/** What each kind's own form asks of a new line, for tests that draw one. */
export const newLineParts: Readonly<Record<KindName, readonly string[]>> = {
  train: ['motor', 'pump'],
  upright: ['Pump', 'Motor'],
  belt: ['Fan', 'Motor'],
  bore: ['3'],
  rolls: ['4'],
}
