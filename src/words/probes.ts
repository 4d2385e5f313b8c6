import type { ProbeType } from '../core/probes'
import type { ChannelName } from '../core/probes/kind'
import type { ProbeSetUp } from '../core/shafts/schema'
import { labels, t } from './language'

/** The switch of a head whose numbers fall where ours rise. */
export const headWords = labels({ countsOther: 'It counts the other way' })

/** What is asked of an instrument that works out its result by itself. */
export const plusWords = labels({
  title: 'When the instrument shows plus',
  choose: 'choose',
  asked: {
    vertical: { offset: 'Offset, height', gap: 'Angle or gap, height' },
    horizontal: { offset: 'Offset, sideways', gap: 'Angle or gap, sideways' },
  },
  high: (machine: string) => t`${machine} stands high`,
  low: (machine: string) => t`${machine} stands low`,
  toward: (machine: string, side: string) => t`${machine} stands toward ${side}`,
  open: (where: string) => t`coupling open at ${where}`,
  at: { top: 'the top', bottom: 'the bottom' },
  itsMachine: 'the machine',
  sides: { near: 'the near side', far: 'the far side' },
})

/** What a kind of probe is called, and where it stands. A further kind of probe has its words here. */
interface ProbeWords {
  /** With its machine before it: "motor face dial". */
  name: string
  /** Where it stands: "on the motor rim"; nothing for a channel that stands where the one before it does. */
  where(machine: string, probe: Pick<ProbeSetUp, 'side' | 'lead'>, channel: ChannelName | undefined): string
  /** Of a head: what its number does that counts as plus; `far`: the far side by its name. */
  plus?: (channel: ChannelName | undefined, far: string) => string
}

/** A spot that moves outward from its shaft, or on round it: the side it then lies to with the head at the top. */
const spot = (channel: ChannelName | undefined, far: string): string =>
  channel?.startsWith('t')
    ? t`the spot lies toward ${far} with the head at the top`
    : t`the spot lies farther out from the shaft`

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
    where: (machine, _, channel) => (channel === 'offset' ? t`where the ${machine} stands` : ''),
  },
  bore: { name: 'bore dial', where: (machine) => t`in the ${machine} bore` },
})
