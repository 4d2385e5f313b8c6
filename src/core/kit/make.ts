import { emptyQuantity } from '../quantity/quantity'
import type { Unit } from '../quantity/units'
import { lengthUnitFor, usualDial } from '../quantity/usual'
import type { KitItem, KitKind, KitShims } from './schema'

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
    case 'shims':
      return { kind, name: 'Shims', slot: length, material: 'stainless', sizes: usualSizes(unit), note: '' }
    case 'lift':
      return {
        kind,
        name: 'Known lift',
        machine: '',
        method: '',
        lift: none,
        sd: none,
        stations: ['Front feet', 'Back feet'].map((foot, i) => ({
          id: `f${i + 1}`,
          name: foot,
          before: none,
          after: none,
        })),
        takenOn: '',
        note: '',
      }
    case 'limits':
      return { kind, name: 'Table of limits', source: '', rows: [], note: '' }
  }
}

/** A usual set of thicknesses: metric, or inch; nobody has counted them yet. */
export const usualSizes = (unit: Unit): KitShims['sizes'] => {
  const inch = unit === 'mil' || unit === 'in'
  const sizes = inch
    ? ['1', '2', '3', '4', '5', '10', '15', '20', '25', '50', '100', '125']
    : ['0.05', '0.1', '0.2', '0.25', '0.4', '0.5', '0.7', '1', '2', '3']
  return sizes.map((text, i) => ({
    id: `s${i + 1}`,
    thickness: { text, unit: inch ? ('mil' as const) : ('mm' as const) },
    count: '',
  }))
}
