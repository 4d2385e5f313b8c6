import { type Plane, planes } from '../../core/frame/axis'
import type { RoughState } from '../../core/kinds/train/document/rough'
import type { Peg } from '../../core/verdict/peg'
import type { Said } from '../said'
import { act, footName, lengthWithUnit, machineName, slope, type Terms } from '../terms'

export interface RoughSaid extends Said {
  key: string
  peg: Peg
}

/** Rough work is told in steps of a feeler blade. */
const coarse = (terms: Terms): Terms => ({ ...terms, resolution: 0.05 })

/** What the gaps round a coupling come to, in the order of the work: angle, then height, then sideways, then whether a dial can go on. */
export function sayRough(state: RoughState, given: Terms): RoughSaid[] {
  const terms = coarse(given)
  const said: RoughSaid[] = []
  const { angle, height, position, slopeLimit } = state
  const moved = given.line.machines[state.moves]?.id ?? ''
  const mover = machineName(moved, terms).toLowerCase()
  const listed = (feet: readonly { foot: string; by: number }[]) =>
    feet.map(({ foot, by }) => `${lengthWithUnit(by, terms)} under the ${footName(foot, terms)}`).join(', ')
  if (angle && angle.add.length > 0)
    said.push({
      key: 'angle',
      peg: 'outside',
      title: `1. Angle: add ${listed(angle.add)}.`,
      detail: `The hubs are open at the ${angle.gap}: shim the ${angle.under} feet, the others stay.`,
      working: [
        'shim = gap × foot spacing ÷ diameter, under the front feet when open at the bottom, the back feet when open at the top',
      ],
    })
  if (height && height.kind !== 'none') {
    const by = lengthWithUnit(height.by, terms)
    said.push({
      key: 'height',
      peg: 'outside',
      title:
        height.kind === 'add'
          ? `2. Height: then add ${by} under all feet of the ${mover}.`
          : height.kind === 'take-out'
            ? `2. Height: then take out ${by} under all feet of the ${mover}.`
            : `2. Height: then the ${mover} is ${by} too high. Add ${by} under all feet of the ${machineName(height.machine, terms).toLowerCase()}.`,
      ...(height.kind === 'raise-other'
        ? { detail: `Nothing is known to lie under the ${mover} that could come out.` }
        : {}),
    })
  }
  for (const { foot, by } of state.sideways ?? [])
    said.push({
      key: `push-${foot}`,
      peg: 'nothing',
      title: `${footName(foot, terms)}: ${act(by, 'horizontal', terms)}.`,
    })
  for (const plane of planes) {
    const found = position[plane].slope
    if (found !== null) said.push(saySlope(plane, found, slopeLimit, given))
  }
  if (state.goodEnough !== undefined)
    said.push({
      key: 'dial',
      peg: state.goodEnough ? 'within' : 'outside',
      title: state.goodEnough ? 'Good enough for a dial.' : 'Not yet: bring it nearer before a dial goes on.',
      detail: `A dial would swing ${lengthWithUnit(state.swing ?? 0, terms)}.`,
    })
  return said
}

function saySlope(plane: Plane, found: number, limit: number | undefined, terms: Terms): RoughSaid {
  const told = `Slope, ${plane}: ${slope(Math.abs(found), terms.unit)}`
  if (limit === undefined)
    return { key: `slope-${plane}`, peg: 'nothing', title: `${told}; the tolerance is not known.` }
  return {
    key: `slope-${plane}`,
    peg: Math.abs(found) <= limit ? 'within' : 'outside',
    title: `${told}; ${slope(limit, terms.unit)} is allowed.`,
  }
}
