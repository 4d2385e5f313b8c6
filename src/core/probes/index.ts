import { type Beam, beamChannel } from './beam'
import { type BeamTwoPlane, beamTwoPlaneChannels } from './beamTwoPlane'
import { type BoreDial, boreChannel } from './bore'
import { type FaceDial, faceChannel } from './face'
import type { Channel, ProbeContext } from './probe'
import { type RimDial, rimChannel } from './rim'

/** Everything that can hang on a shaft and be read. A further probe is one more file and one more line here. */
export type Probe = RimDial | FaceDial | Beam | BeamTwoPlane | BoreDial

/** What a probe adds to its coupling's system: one channel, or four for a detector with two planes. */
export function probeChannels(probe: Probe, context: ProbeContext): Channel[] {
  switch (probe.type) {
    case 'rim':
      return [rimChannel(probe, context)]
    case 'face':
      return [faceChannel(probe, context)]
    case 'beam':
      return [beamChannel(probe, context)]
    case 'beam2':
      return beamTwoPlaneChannels(probe, context)
    case 'bore':
      return [boreChannel(probe, context)]
  }
}

/** Stations along the train at which a probe sees the offset, mm; none for a face dial. */
export const stationsOf = (probe: Probe): readonly number[] =>
  probe.type === 'face' ? [] : probe.type === 'beam2' ? probe.planes : [probe.x]
