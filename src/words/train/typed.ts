import type { Typed } from '../fields'
import { labels, t } from '../language'
import { jobFields, seatKey, sideFields } from '../typed'
import { setFields, toleranceFields } from '../typedSets'
import { materialNames } from './growth'
import { machineKindNames } from './machines'
import { lineWords as line } from './page/line'
import { staysNames } from './plan'

const toward = labels({ left: 'left', right: 'right' })
const planes = labels({ vertical: 'in height', horizontal: 'sideways' })

/** What can be typed of coupled machines on feet. */
export const trainTyped: Typed = labels({
  fields: {
    ...jobFields.fields,
    ...toleranceFields.fields,
    ...sideFields,
    ...setFields.fields,
    'line.machines.#.id': null,
    'line.machines.#.name': null,
    'line.machines.#.kind': { name: line.kind, choice: machineKindNames },
    'line.machines.#.feet.#.id': null,
    'line.machines.#.feet.#.name': null,
    'line.machines.#.feet.#.station.from': { name: line.measuredFrom, ref: true },
    'line.machines.#.feet.#.station.distance': line.distance,
    'line.machines.#.feet.#.station.toward': { name: line.towardThe, choice: toward },
    'line.machines.#.feet.#.spread': 'Near bolt to far bolt',
    'line.machines.#.feet.#.growth.told': {
      name: 'Growth source',
      choice: { entered: line.entered, heat: line.materialAndTemperatures, readings: line.coldAndHotReadings },
    },
    'line.machines.#.feet.#.growth.vertical': line.risesBy,
    'line.machines.#.feet.#.growth.horizontal': 'Growth toward far',
    'line.machines.#.feet.#.growth.heat.material': { name: line.supportMaterial, choice: materialNames },
    'line.machines.#.feet.#.growth.heat.height': 'Height, foot to shaft center',
    'line.machines.#.feet.#.growth.heat.cold': 'Cold, degrees',
    'line.machines.#.feet.#.growth.heat.running': 'Running, degrees',
    'line.machines.#.feet.#.growth.heat.degrees': { name: 'Temperature unit', choice: { C: '°C', F: '°F' } },
    'line.machines.#.feet.#.growth.source': line.sourceOfFigure,
    'line.couplings.#.id': null,
    'line.couplings.#.name': null,
    'line.couplings.#.kind': {
      name: line.kind,
      choice: { short: line.shortFlexible, spacer: line.spacerTwoFlexPlanes, rigid: line.rigidOrOther },
    },
    'line.couplings.#.station.from': { name: line.measuredFrom, ref: true },
    'line.couplings.#.station.distance': line.distance,
    'line.couplings.#.station.toward': { name: line.towardThe, choice: toward },
    'line.couplings.#.diameter': line.diameter,
    'line.couplings.#.span': line.betweenTheFlexPlanes,
    'line.marks.#.id': null,
    'line.marks.#.name': null,
    'line.marks.#.station.from': { name: line.measuredFrom, ref: true },
    'line.marks.#.station.distance': line.distance,
    'line.marks.#.station.toward': { name: line.towardThe, choice: toward },
    'line.fixed': { name: line.fixedMachine, ref: true },
    'line.fixedBecause': line.reason,
    'round.plan.stays': { name: 'Plan', choice: staysNames },
    'round.plan.hold': {
      name: 'Feet held',
      tell: (feet: readonly string[], nameOf: (id: string) => string) => feet.map(nameOf).join('; ') || undefined,
    },
    'round.plan.holdIn': { name: 'Held', choice: planes },
    'round.plan.margin': 'Residual allowed, % of tolerance',
    'round.plan.drawn.vertical.first': 'Custom target, vertical, first foot, mm',
    'round.plan.drawn.vertical.last': 'Custom target, vertical, last foot, mm',
    'round.plan.drawn.horizontal.first': 'Custom target, sideways, first foot, mm',
    'round.plan.drawn.horizontal.last': 'Custom target, sideways, last foot, mm',
    'round.plan.limits.*.down': 'Vertical limit, down',
    'round.plan.limits.*.up': 'Vertical limit, up',
    'round.plan.limits.*.near': 'Side limit, near',
    'round.plan.limits.*.far': 'Side limit, far',
    'round.plan.packs.*': { name: 'Pack', key: (key: string, nameOf) => t`Pack under ${seatKey(key, nameOf)}` },
    // the shims to choose from are in the kit
    'round.plan.stock': null,
    'round.plan.mostShims': 'Maximum shims per pack',
    'round.plan.order': {
      name: 'Sequence',
      choice: { 'vertical-first': 'shims first', 'sideways-first': 'sideways first', together: 'both while loose' },
    },
    'round.plan.agreed.*.by': 'Agreed by',
    'round.plan.agreed.*.at': null,
    'round.plan.agreed.*.vertical': 'Largest vertical move, mm',
    'round.plan.agreed.*.horizontal': 'Largest side move, mm',
    'round.plan.done.*.vertical': 'Moved up',
    'round.plan.done.*.horizontal': 'Moved toward far',
  },
  groups: {
    ...jobFields.groups,
    ...toleranceFields.groups,
    ...setFields.groups,
    'line.machines.#': { title: 'Machines', one: 'Machine' },
    'line.machines.#.feet.#': { title: 'Feet', one: 'Feet' },
    'line.couplings.#': { title: line.couplings, one: 'Coupling' },
    'line.marks.#': { title: line.referenceMarks, one: 'Mark' },
    'round.plan.limits.*': { title: 'Travel limits', one: '', key: (key: string, nameOf) => nameOf(key) },
    'round.plan.agreed.*': { title: 'Moves agreed', one: '', key: (key: string, nameOf) => nameOf(key) },
    'round.plan.done.*': { title: 'Moves made, as recorded', one: '', key: (key: string, nameOf) => nameOf(key) },
  },
})
