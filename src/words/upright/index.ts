import type { UprightTypes } from '../../core/kinds/upright'
import { sizesOf } from '../../core/kinds/upright/advice/findings'
import type { Plane } from '../../core/quantity/axis'
import type { KindWords } from '../kind'
import { labels, t } from '../language'
import { sayPlus } from '../probes'
import { inText, isZero, lengthWithUnit, unitName } from '../terms'
import { boltPlace } from './bolts'
import { dialName, placeOf, sizesText, wayNames } from './findings'
import { uprightTyped } from './typed'

const machines = labels(['Pump', 'Motor', 'Gearbox', 'Mixer', 'Fan'].map((name) => ({ value: name, text: name })))

/** The directions of the two planes, seen from above: bolt 1, and a quarter on. */
const directionOf: Readonly<Record<Plane, number>> = { vertical: 0, horizontal: 90 }

const toward = (mm: number, plane: Plane, { flange }: UprightTypes['line']): string =>
  t`toward ${boltPlace(directionOf[plane] + (mm > 0 ? 0 : 180), flange.bolts)}`

export const uprightWords: KindWords<UprightTypes> = labels({
  name: 'Vertical machine on a flange',
  typed: uprightTyped,
  newParts: [
    { label: 'Below', options: machines, usual: 'Pump' },
    { label: 'On top', options: machines, usual: 'Motor' },
  ],
  usualName: ([lower = t`Pump`, upper = t`Motor`]) => t`Vertical ${inText(lower)} and ${inText(upper)}`,
  proved: {
    second: 'the upper shaft',
    at: (id, { machines: [, upper], coupling }) =>
      id === 'flange' ? t`${upper.name}, at the joint` : t`${upper.name}, at the ${inText(coupling.name)}`,
    plane: (plane, { flange }) => t`toward ${boltPlace(directionOf[plane], flange.bolts)}`,
    stands: (mm, plane, terms) =>
      isZero(mm, terms) ? t`in line` : `${lengthWithUnit(Math.abs(mm), terms)} ${toward(mm, plane, terms.line)}`,
    way: (mm, plane, { line }) => toward(mm, plane, line),
  },
  record: {
    probe: (state, terms) => {
      const plus = sayPlus(state.dial, state.channel, wayNames(terms.line))
      return `${dialName(state, terms)}${state.setNumber ? t`, set ${state.setNumber}` : ''}${plus && `: ${plus}`}`
    },
    angle: (degrees, { set }, terms) => placeOf(degrees, set, terms.line),
    judged: (solved, terms) => {
      const { left } = solved.round
      const read = sizesText(sizesOf(solved), terms).trim()
      const said = [
        ...(read ? [read] : []),
        ...(left?.hubs.text ? [t`Hub separation as left: ${left.hubs.text} ${unitName[left.hubs.unit]}.`] : []),
        ...(left?.hanging ? [t`Impeller or thrust setting as left: ${left.hanging}.`] : []),
      ]
      return said.map((text) => ({ kind: 'text' as const, text }))
    },
    conditions: ({ line: { machines } }) => [
      t`Relative to the ${inText(machines[0].name)} (fixed). The ${inText(machines[1].name)} sits on its flange.`,
    ],
    packs: () => [],
  },
  placeInRound(round, path, line) {
    const set = round.sets.find((one) => path.includes(one.id))
    const probe = set?.probes.find((one) => path.includes(one.id))
    const angle = set?.angles.find(({ id }) => path.includes(id))
    const machine = line.machines.find(({ id }) => id === probe?.on)
    return {
      words: [
        ...(machine ? [t`${inText(machine.name)} dial`] : []),
        ...(set && angle ? [boltPlace(angle.degrees, set.angles.length)] : []),
      ],
      whole: angle !== undefined,
    }
  },
})
