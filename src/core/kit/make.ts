import { emptyQuantity } from '../frame/quantity'
import type { Unit } from '../frame/units'
import { lengthUnitFor, usualDial } from '../job/make'
import type { KitItem, KitKind } from './schema'

/** A new piece of kit with sensible beginnings. */
export function makeKitItem(kind: KitKind, unit: Unit): KitItem {
  const none = emptyQuantity(unit)
  const length = emptyQuantity(lengthUnitFor(unit))
  const inch = unit === 'mil' || unit === 'in'
  switch (kind) {
    case 'dial':
      return {
        kind,
        name: 'Dial',
        type: 'plunger',
        ...usualDial(unit),
        travel: inch ? { text: '400', unit: 'mil' } : { text: '10', unit: 'mm' },
        sd: none,
        calibrationDue: '',
        note: '',
      }
    case 'bracket':
      return {
        kind,
        name: 'Bracket',
        span: length,
        sag: none,
        takenOn: '',
        dial: '',
        bar: { top: none, far: none, bottom: none, near: none },
        barSpan: length,
        barDial: '',
        note: '',
      }
    case 'head':
      return {
        kind,
        name: 'Head',
        type: 'beam',
        step: inch ? { text: '0.1', unit: 'mil' } : { text: '0.001', unit: 'mm' },
        sd: none,
        between: length,
        calibrationDue: '',
        note: '',
      }
    case 'gauge':
      return {
        kind,
        name: 'Comparison',
        nominal: length,
        over: none,
        under: none,
        readings: [],
        takenOn: '',
        dial: '',
        note: '',
      }
  }
}
