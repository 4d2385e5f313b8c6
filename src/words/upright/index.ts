import type { UprightTypes } from '../../core/kinds/upright'
import type { KindWords } from '../kind'
import { labels, t } from '../language'
import { boltPlace, sayNext } from './findings'

const machines = labels(['Pump', 'Motor', 'Gearbox', 'Mixer', 'Fan'].map((name) => ({ value: name, text: name })))

export const uprightWords: KindWords<UprightTypes> = labels({
  name: 'Upright on a flange',
  newParts: [
    { label: 'Below', options: machines, usual: 'Pump' },
    { label: 'On top', options: machines, usual: 'Motor' },
  ],
  usualName: ([lower = t`Pump`, upper = t`Motor`]) => t`Upright ${lower.toLowerCase()} and ${upper.toLowerCase()}`,
  sayNext,
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
