import type { RigCommand } from '../../../core/device/protocol'
import type { Finding } from '../../../core/kinds/upright/advice/findings'
import { quantityMm } from '../../../core/quantity/quantity'
import { inText } from '../../../words/terms'
import { boltPlace } from '../../../words/upright/bolts'
import { dialName, type UprightTerms } from '../../../words/upright/findings'
import type { NextNumber } from '../../device/OneNumber'

/** The bolt that both shafts are turned to next, and the dial that is read there. */
export function nextAtBolt(
  { probe, degrees }: Extract<Finding, { kind: 'next-reading' }>,
  terms: UprightTerms,
): NextNumber {
  const { dial } = probe
  const distance = quantityMm(dial.station.distance)
  const radius = quantityMm(dial.radius)
  const commands: RigCommand[] | undefined =
    distance === undefined || dial.type !== 'rim'
      ? undefined
      : [
          {
            type: 'aim',
            touch: 'rim',
            on: dial.station.toward,
            angle: degrees,
            distance,
            ...(radius !== undefined && radius > 0 ? { radius } : {}),
          },
        ]
  return {
    key: `${dial.id} ${degrees}`,
    place: `${boltPlace(degrees, terms.line.flange.bolts)}, ${inText(dialName(probe, terms))}`,
    commands,
  }
}
