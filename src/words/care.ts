import type { DialHabit } from '../core/kit/schema'
import { labels } from './language'

/** What is said of how a dial or a head is handled, where it is handled. */
export const careWords = labels({ title: 'Care of the dial', headTitle: 'Care of the heads' })

export const habitNames: Readonly<Record<DialHabit, string>> = labels({
  'all-round': 'on and on, all round',
  'both-ways': 'up from nought, both ways',
  'one-way': 'one way, with a switch',
})

/** How a dial counts, and what that asks of the one who reads it. */
export const habitCare: Readonly<Record<DialHabit, string>> = labels({
  'all-round':
    'It counts on all round: left of nought is not 90 up but 10 down. Watch which way the needle went, and the small hand for whole turns.',
  'both-ways': 'It counts up both ways: the number alone has no sign. Write down which way the needle went.',
  'one-way': 'It counts one way; the switch turns it about. Set the switch before you zero, and leave it.',
})

/** By sort, in the order the hand goes. */
export const dialCare: Readonly<Record<'plunger' | 'lever' | 'head', readonly string[]>> = labels({
  plunger: [
    'Tip first: screwed tight, clean, only its ball touching. A loose tip reads another number every turn.',
    'Come on gently, the bracket held, until the plunger is half in. Never let it snap home.',
    'Hold it and turn it from under the body, never by the bezel.',
    'Square both ways: along the shaft and across it, aimed at the shaft’s middle.',
    'Shake the bracket lightly: the needle comes back, or something is loose.',
    'Once round slowly with an eye on the small hand: it touches everywhere, and never runs out of travel.',
    'Bezel last: tap the dial, then zero.',
    'Chalk the four stops on the shaft and come to each from the same side.',
    'Read square on. On the far side use a mirror, and mind that it turns the numbers about.',
  ],
  lever: [
    'Tip first: screwed tight, the length it was made for, only its ball touching.',
    'As flat to the surface as it goes. Where it can’t, a known step under the tip tells the factor.',
    'Come on gently, from the side its lever swings to, to half its travel: it has little.',
    'Hold it and turn it from under the body, never by the bezel.',
    'Shake the stand lightly: the needle comes back, or something is loose.',
    'Once round slowly: it touches everywhere, and neither end of its travel is reached.',
    'Bezel last: tap the dial, then zero.',
    'Chalk the four stops on the shaft and come to each from the same side.',
  ],
  head: [
    'Brackets and posts tight on clean shaft, both at the same angle, nothing between the heads.',
    'Aim in the middle of the travel: turn a quarter and look again before you read, so that no quarter runs out.',
    'Over a long span let it cone: turn one shaft by half and watch the spot go round. Aim at the middle of its circle, not at the spot.',
    'Glass wiped with what its maker says. No steam, no draught, no sun across the beam.',
    'Shake each post lightly: the number comes back, or something is loose.',
    'Wait until the number stands still, then take it. Come to each angle from the same side.',
    'Nobody looks into a beam; the maker’s label says what class it is.',
  ],
})
