import type { ProbeType } from '../core/probes'
import type { ChannelName } from '../core/probes/kind'
import type { ProbeSetUp } from '../core/shafts/schema'
import { labels, t } from './language'

/** What a kind of probe is called, and where it stands. A further kind of probe has its words here. */
interface ProbeWords {
  /** With its machine before it: "motor face dial". */
  name: string
  /** Where it stands: "on the motor rim"; nothing for a channel that stands where the one before it does. */
  where(machine: string, probe: Pick<ProbeSetUp, 'side' | 'lead'>, channel: ChannelName | undefined): string
}

export const probeWords: Readonly<Record<ProbeType, ProbeWords>> = labels({
  rim: { name: 'dial', where: (machine) => t`on the ${machine} rim` },
  face: {
    name: 'face dial',
    where: (machine, { side, lead }) =>
      t`on the ${machine} face, ${side === 'back' ? t`back` : t`front`}${lead ? t`, ${lead}° ahead` : ''}`,
  },
  beam: { name: 'head', where: (machine) => t`on the ${machine} shaft` },
  beam2: {
    name: 'two-plane head',
    where: (machine, _, channel) => (channel === 'r1' ? t`on the ${machine} shaft` : ''),
  },
  prism: {
    name: 'head with a prism',
    where: (machine, _, channel) => (channel === 'r1' ? t`on the ${machine} shaft, the prism on the other` : ''),
  },
  bore: { name: 'bore dial', where: (machine) => t`in the ${machine} bore` },
})
