import type { ProbeType } from '../core/probes'
import type { ChannelName } from '../core/probes/kind'
import { planes } from '../core/quantity/axis'
import type { Plus, ProbeSetUp } from '../core/shafts/schema'
import { labels, t } from './language'

/** The switch of a head whose numbers fall where ours rise. */
export const headWords = labels({ countsOther: 'Opposite sign' })

/** What is asked of an instrument that works out its result by itself. */
export const plusWords = labels({
  title: 'What plus means on the instrument',
  choose: 'choose',
  asked: {
    vertical: { offset: 'Offset, height', gap: 'Angle or gap, height' },
    horizontal: { offset: 'Offset, sideways', gap: 'Angle or gap, sideways' },
  },
  stands: (machine: string, way: string) => t`${machine} is ${way}`,
  opens: (way: string) => t`coupling ${way}`,
  gapOver: 'Gap measured over',
  slopeAsGap: 'The diameter; 100 mm for mm/100 mm, 1 in for mil/in',
  offsetSd: 'Repeatability of the offset (1 SD)',
  gapSd: 'Repeatability of the gap (1 SD)',
  asItsMakerSays: 'By its maker, with mounting and air',
  itsMachine: 'the machine',
  sides: { near: 'the near side', far: 'the far side' },
})

/** A way that an instrument's plus points, in words: "high", "toward wall", "open at the bottom", "open at wall". */
export function sayWay(way: PlusWay, what: 'offset' | 'gap', { side, height }: WayNames): string {
  if (way === 'up' || way === 'down' || way === 'top' || way === 'bottom')
    return height?.[way] ?? { up: t`high`, down: t`low`, top: t`open at the top`, bottom: t`open at the bottom` }[way]
  return what === 'gap' ? t`open at ${side(way)}` : t`toward ${side(way)}`
}

/** What plus means for one number of an instrument, both planes: "plus is high, and toward wall"; nothing of any other probe. */
export function sayPlus({ plus }: Pick<ProbeSetUp, 'plus'>, channel: ChannelName | undefined, names: WayNames): string {
  if ((channel !== 'offset' && channel !== 'gap') || !plus) return ''
  const [height, sideways] = planes.map((plane) => {
    const way = plus[plane][channel]
    return way && sayWay(way, channel, names)
  })
  return height && sideways ? t`plus is ${height}, and ${sideways}` : ''
}

/** What a line calls its directions: its sides, and where it doesn't lie down what stands for high and low. */
export interface WayNames {
  side: (side: 'near' | 'far') => string
  height?: Readonly<Record<'up' | 'down' | 'top' | 'bottom', string>>
}

type PlusWay = NonNullable<Plus['vertical']['offset' | 'gap'] | Plus['horizontal']['offset']>

/** What a kind of probe is called, and where it stands. A further kind of probe has its words here. */
interface ProbeWords {
  /** With its machine before it: "motor face dial". */
  name: string
  /** Where it stands: "on the motor rim"; nothing for a channel that stands where the one before it does. */
  where(
    machine: string,
    probe: Pick<ProbeSetUp, 'side' | 'lead' | 'diameter'>,
    channel: ChannelName | undefined,
  ): string
  /** Of a head: what its number does that counts as plus; `far`: the far side by its name. */
  plus?: (channel: ChannelName | undefined, far: string) => string
}

/** A spot that moves outward from its shaft, or on round it: the side it then lies to with the head at the top. */
const spot = (channel: ChannelName | undefined, far: string): string =>
  channel?.startsWith('t')
    ? t`the spot is toward ${far} with the head at the top`
    : t`the spot is farther out from the shaft`

export const probeWords: Readonly<Record<ProbeType, ProbeWords>> = labels({
  rim: { name: 'dial', where: (machine) => t`on the ${machine} rim` },
  face: {
    name: 'face dial',
    where: (machine, { side, lead }) =>
      t`on the ${machine} face, ${side === 'back' ? t`back` : t`front`}${lead ? t`, ${lead}° ahead` : ''}`,
  },
  beam: { name: 'head', where: (machine) => t`on the ${machine} shaft`, plus: spot },
  beam2: {
    name: 'two-plane head',
    where: (machine, _, channel) => (channel === 'r1' ? t`on the ${machine} shaft` : ''),
    plus: spot,
  },
  prism: {
    name: 'head with a prism',
    where: (machine, _, channel) => (channel === 'r1' ? t`on the ${machine} shaft, the prism on the other` : ''),
    plus: spot,
  },
  result: {
    name: 'instrument',
    where: (machine, { diameter }, channel) =>
      channel === 'gap'
        ? diameter?.text
          ? t`over ${diameter.text} ${diameter.unit}`
          : ''
        : t`position of the ${machine}`,
  },
  bore: { name: 'bore dial', where: (machine) => t`in the ${machine} bore` },
})
