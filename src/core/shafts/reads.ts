import { goesRound, probeKinds } from '../probes'
import { linearOf, type Misalignment, sagAt } from '../probes/probe'
import { direction, quarterAt } from '../quantity/angles'
import { quantityMm } from '../quantity/quantity'
import type { ProbeState } from './state'
import { correctionOf, factorOf } from './typed'

/**
 * What a probe shows at an angle (degrees) for a given misalignment, mm: zero on top, or set by half at the sides, or at its
 * sag on top, as its set says. One whose shaft floats: with the shaft held against the same stop all round. Undefined for
 * a probe that was not solved.
 */
export function readsAt(state: ProbeState, m: Misalignment): ((degrees: number) => number) | undefined {
  const { feels } = state
  if (!feels) return undefined
  const beyond = feels.beyondLinear?.(m)
  return asSet(state, (degrees) => {
    const [sin, cos] = direction(degrees + feels.lead)
    return linearOf(feels, m, sin, cos) + (beyond?.(sin, cos) ?? 0)
  })
}

type Zeroed = Pick<ProbeState, 'sag' | 'set' | 'dial' | 'channel'>

/** What a probe shows at an angle once the shafts are in line, mm: all that is left then is its sag, where it looks. */
export const readsInLine = (state: Zeroed): ((degrees: number) => number) => asSet(state, () => 0)

/** The shafts' part of a reading with the sag the probe sees there, from where its set says that it was zeroed, as the instrument shows it. */
function asSet({ sag, set, dial, channel }: Zeroed, shafts: (degrees: number) => number): (degrees: number) => number {
  const lead = probeKinds[dial.type].lead(dial, channel)
  const bare = (degrees: number) => shafts(degrees) + sagAt(sag, degrees + lead)
  const zero = set.zeroed === 'halved' ? sag / 2 : bare(0) + (set.zeroed === 'sag' ? sag : 0)
  const side = set.zeroed === 'planes' ? bare(sideZeroed(dial, set)) : zero
  if (!goesRound(dial)) return (degrees) => bare(degrees) / (factorOf(dial, degrees, channel) ?? 1)
  const factor = correctionOf(dial)
  return (degrees) => (bare(degrees) - (Math.abs(direction(degrees)[0]) > 0.5 ? side : zero)) / factor
}

/** The side at which a dial was zeroed once more, degrees: where it was read as nought, the far one else. */
function sideZeroed({ readings }: ProbeState['dial'], { angles }: ProbeState['set']): 90 | 270 {
  const near = angles.find(({ degrees }) => quarterAt(degrees) === 'near')
  return quantityMm(readings[near?.id ?? '']?.value) === 0 ? 270 : 90
}

/** The angle of a set, top left out, at which a sag shows most: the bottom, or the nearest to it that was read. */
export function sagShowsAt({ set }: Pick<ProbeState, 'set'>): number | undefined {
  const away = (degrees: number) => direction(degrees)[1]
  return set.angles
    .map(({ degrees }) => degrees)
    .filter((degrees) => degrees % 360 !== 0)
    .sort((a, b) => away(a) - away(b))[0]
}
