import type { CautionId } from '../core/ready/catalog'
import { labels } from './language'

/** What each caution asks, short enough to read with a hand on the lock. */
export const cautionTexts: Readonly<Record<CautionId, { title: string; detail: string }>> = labels({
  isolated: {
    title: 'Energy isolated and locked',
    detail: 'Every source, by the site’s procedure, with your own lock.',
  },
  tried: { title: 'Tried: it does not start', detail: 'From every start point, local and remote.' },
  stored: {
    title: 'Stored energy released',
    detail: 'Pressure, springs, suspended loads, anything that can still turn.',
  },
  coupling: { title: 'Shafts cannot turn under power or by flow', detail: 'Valves shut. Guard off only after that.' },
  lifting: {
    title: 'Lifting and blocking plan agreed',
    detail: 'Rated gear. No one under a load. Blocks in before hands.',
  },
  pinch: { title: 'Pinch points known', detail: 'Under feet, between hubs, behind brackets.' },
  hot: { title: 'Hot surfaces cool or covered', detail: 'Bearings, casings, pipes.' },
  hands: {
    title: 'No hands near while shafts turn',
    detail: 'Sleeves, brackets and cables clear. One person turns the shafts and calls it out.',
  },
})
