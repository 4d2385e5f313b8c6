import { type Beam, beamRows } from './beam'
import { type BeamTwoPlane, beamTwoPlaneRows } from './beamTwoPlane'
import { type BoreDial, boreRows } from './bore'
import { type FaceDial, faceRows } from './face'
import type { ProbeContext, Row } from './probe'
import { type RimDial, rimRows } from './rim'

/** Everything that can hang on a shaft and be read. A further probe is one more file and one more line here. */
export type Probe = RimDial | FaceDial | Beam | BeamTwoPlane | BoreDial

/** The equations a probe adds to its coupling's system. */
export function probeRows(probe: Probe, context: ProbeContext): Row[] {
  switch (probe.type) {
    case 'rim':
      return rimRows(probe, context)
    case 'face':
      return faceRows(probe, context)
    case 'beam':
      return beamRows(probe, context)
    case 'beam2':
      return beamTwoPlaneRows(probe, context)
    case 'bore':
      return boreRows(probe, context)
  }
}
