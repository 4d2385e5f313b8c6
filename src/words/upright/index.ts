import type { Plane } from '../../core/frame/axis'
import type { UprightTypes } from '../../core/kinds/upright'
import type { KindWords } from '../kind'
import { labels, t } from '../language'
import { readingTable } from '../readings'
import { isZero, lengthWithUnit } from '../terms'
import { boltPlace, dialName, sayNext, type UprightTerms } from './findings'

const machines = labels(['Pump', 'Motor', 'Gearbox', 'Mixer', 'Fan'].map((name) => ({ value: name, text: name })))

/** The directions of the two planes, seen from above: bolt 1, and a quarter on. */
const directionOf: Readonly<Record<Plane, number>> = { vertical: 0, horizontal: 90 }

const toward = (mm: number, plane: Plane, terms: UprightTerms): string =>
  t`${lengthWithUnit(Math.abs(mm), terms)} toward ${boltPlace(directionOf[plane] + (mm > 0 ? 0 : 180), terms.line.flange.bolts)}`

export const uprightWords: KindWords<UprightTypes> = labels({
  name: 'Upright on a flange',
  newParts: [
    { label: 'Below', options: machines, usual: 'Pump' },
    { label: 'On top', options: machines, usual: 'Motor' },
  ],
  usualName: ([lower = t`Pump`, upper = t`Motor`]) => t`Upright ${lower.toLowerCase()} and ${upper.toLowerCase()}`,
  sayNext,
  proved: {
    at: (id, { machines: [, upper], coupling }) =>
      id === 'flange' ? t`${upper.name}, at the joint` : t`${upper.name}, at the ${coupling.name.toLowerCase()}`,
    plane: (plane, { flange }) => t`toward ${boltPlace(directionOf[plane], flange.bolts)}`,
    stands: (mm, plane, terms) => (isZero(mm, terms) ? t`in line` : toward(mm, plane, terms)),
    went: (mm, plane, terms) => (isZero(mm, terms) ? t`not at all` : toward(mm, plane, terms)),
  },
  record: {
    readings: ({ probes }, terms) =>
      probes.flatMap((state) => {
        const set = state.setNumber ? t`, set ${state.setNumber}` : ''
        const at = (degrees: number) => boltPlace(degrees, terms.line.flange.bolts)
        return readingTable(state, { name: `${dialName(state, terms)}${set}`, at }, terms) ?? []
      }),
    conditions: ({ line: { machines } }) => [
      t`Measured from the ${machines[0].name.toLowerCase()}, which stays; the ${machines[1].name.toLowerCase()} stands on its flange.`,
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
        ...(machine ? [t`${machine.name.toLowerCase()} dial`] : []),
        ...(set && angle ? [boltPlace(angle.degrees, set.angles.length)] : []),
      ],
      whole: angle !== undefined,
    }
  },
})
