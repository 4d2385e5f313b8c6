import type { DialHabit } from '../core/kit/schema'
import { labels } from './language'

/** What is said of how a dial or a head is handled, where it is handled. */
export const careWords = labels({ title: 'Care of the dial', headTitle: 'Care of the heads' })

export const habitNames: Readonly<Record<DialHabit, string>> = labels({
  'all-round': 'continuous, 0 to 99',
  'both-ways': 'balanced, up from zero both ways',
  'one-way': 'one direction, switchable',
})

/** How a dial counts, and what that asks of the one who reads it. */
export const habitCare: Readonly<Record<DialHabit, string>> = labels({
  'all-round':
    'Continuous dial: ten divisions left of zero reads 90 but means −10. Watch the direction of the needle, and the revolution counter for whole turns.',
  'both-ways': 'Balanced dial: the number has no sign. Write down which way the needle moved.',
  'one-way': 'One-direction dial: the switch reverses it. Set the switch before you zero and leave it.',
})

/** By sort, in the order the hand goes. */
export const dialCare: Readonly<Record<'plunger' | 'lever' | 'head', readonly string[]>> = labels({
  plunger: [
    'Tip: screwed tight, clean, only the ball touching. A loose tip gives a different reading every turn.',
    'Hold the bracket and preload the plunger gently to mid-travel. Never let it snap.',
    'Hold and turn it by the body, never by the bezel.',
    'Set the plunger square to the shaft both ways, pointing at its center.',
    'Shake the bracket lightly. If the needle does not return, something is loose.',
    'Turn once slowly, watching the revolution counter. The tip must stay in contact and within travel.',
    'Last: tap the dial, then zero the bezel.',
    'Chalk the four stops on the shaft. Approach each from the same side.',
    'Read square on. On the far side use a mirror, and remember it reverses the numbers.',
  ],
  lever: [
    'Tip: screwed tight, the right length for this dial, only the ball touching.',
    'Set the lever as flat to the surface as possible. If it can’t lie flat, find the factor with a gauge block under the tip.',
    'Preload gently to mid-travel, from the side the lever swings to. Lever dials have little travel.',
    'Hold and turn it by the body, never by the bezel.',
    'Shake the stand lightly. If the needle does not return, something is loose.',
    'Turn once slowly. The tip must stay in contact and clear of both ends of travel.',
    'Last: tap the dial, then zero the bezel.',
    'Chalk the four stops on the shaft. Approach each from the same side.',
  ],
  head: [
    'Brackets and posts tight on clean shaft, at the same angle, nothing between the heads.',
    'Center the beam on the detector. Turn a quarter and check again, so that no position runs out of range.',
    'Over a long span, cone the beam: turn one shaft half a turn and watch the spot. Aim at the center of its circle, not at the spot.',
    'Clean the lens as the maker says. Keep steam, drafts and direct sun off the beam.',
    'Shake each post lightly. If the reading does not return, something is loose.',
    'Wait until the reading is steady, then capture it. Approach each angle from the same side.',
    'Never look into the beam. The laser class is on the maker’s label.',
  ],
})
