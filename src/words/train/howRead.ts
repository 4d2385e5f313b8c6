import type { Line } from '../../core/kinds/train/document/schema'
import type { ReadSet } from '../../core/shafts/schema'
import { isCoupled, sags, setPurpose } from '../../core/shafts/typed'
import { listed, t } from '../language'
import { capital, ended, purposeNames, sideName } from '../terms'
import { setUpWords } from './page/setUp'

/** How a set is read, as one sentence: "Both shafts together, coupling disconnected, from the top toward far, zeroed anywhere; for planning." */
export function howReadText(set: ReadSet, line: Line): string {
  const { turned = 'both', direction = 'far', zeroed = 'any', angleAs = 'quarters' } = set
  if (angleAs === 'planes')
    return ended(
      capital(
        listed([isCoupled(set) ? t`coupling connected` : t`coupling disconnected`, purposeNames[setPurpose(set)]]),
      ),
    )
  const parts = [
    turned === 'both' ? setUpWords.bothShaftsTogether : setUpWords.bracketsShaftOnly,
    isCoupled(set) ? t`coupling connected` : t`coupling disconnected`,
    t`from the top toward ${sideName(direction, { line })}`,
    ...(set.probes.some(sags)
      ? [
          {
            any: t`zeroed anywhere`,
            halved: t`zeroed at a side, then halved`,
            sag: t`set to sag at the top`,
            planes: t`zeroed at the top, then again at a side`,
          }[zeroed],
        ]
      : []),
    {
      quarters: t`angles in quarters`,
      degrees: t`angles in degrees`,
      'clock-left': t`angles by the clock from the left end`,
      'clock-right': t`angles by the clock from the right end`,
    }[angleAs],
    purposeNames[setPurpose(set)],
  ]
  return ended(capital(listed(parts)))
}
