import { memo } from 'react'
import { probeKinds } from '../../../../core/probes'
import type { ReadSet } from '../../../../core/shafts/schema'
import { Care } from '../../../parts/Care'

/** How a probe is to be handled: as a dial of either sort, or as a head. */
const sortOf = ({ type, correction }: ReadSet['probes'][number]): 'plunger' | 'lever' | 'head' =>
  probeKinds[type].instrument !== 'dial' ? 'head' : correction?.kind === 'lever' ? 'lever' : 'plunger'

const sorts = (sets: readonly ReadSet[]) => [...new Set(sets.flatMap(({ probes }) => probes.map(sortOf)))].sort()

/** The care of whatever reads in these sets. */
export const CareOfSets = memo(
  ({ sets }: { sets: readonly ReadSet[] }) => sorts(sets).map((of) => <Care key={of} of={of} />),
  // readings change nothing of it
  (a, b) => sorts(a.sets).join() === sorts(b.sets).join(),
)
