import type { Quantity } from './quantity'
import type { Unit } from './units'

/** The metric dial, or the inch one: graduation and turn. */
export const usualDial = (unit: Unit): { graduation: Quantity; turn: Quantity } =>
  unit === 'mil' || unit === 'in'
    ? { graduation: { text: '0.5', unit: 'mil' }, turn: { text: '100', unit: 'mil' } }
    : { graduation: { text: '0.01', unit: 'mm' }, turn: { text: '1', unit: 'mm' } }

/** The unit lengths are typed in where readings are in `unit`. */
export const lengthUnitFor = (unit: Unit): Unit => (unit === 'mil' || unit === 'in' ? 'in' : 'mm')
