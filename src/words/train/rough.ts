import type { RoughState } from '../../core/kinds/train/document/rough'
import { type Plane, planes } from '../../core/quantity/axis'
import type { VerdictState } from '../../core/verdict/state'
import { t } from '../language'
import type { Message } from '../said'
import { act, footName, inText, lengthWithUnit, machineName, planeName, slope, type Terms } from '../terms'

export interface RoughSaid extends Message {
  key: string
  peg: VerdictState
}

/** Rough work is told in steps of a feeler blade. */
const coarse = (terms: Terms): Terms => ({ ...terms, resolution: 0.05 })

/** What the gaps round a coupling come to, in the order of the work: angle, then height, then sideways, then whether a dial can go on. */
export function sayRough(state: RoughState, given: Terms): RoughSaid[] {
  const terms = coarse(given)
  const said: RoughSaid[] = []
  const { angle, height, position, slopeLimit } = state
  const moved = given.line.machines[state.moves]?.id ?? ''
  const mover = inText(machineName(moved, terms))
  const listed = (feet: readonly { foot: string; by: number }[]) =>
    feet.map(({ foot, by }) => t`${lengthWithUnit(by, terms)} under the ${footName(foot, terms)}`).join(', ')
  if (state.apart) said.push(sayApart(state.apart, state, given))
  if (angle && angle.add.length > 0)
    said.push({
      key: 'angle',
      peg: 'outside',
      title: t`1. Angularity: add ${listed(angle.add)}.`,
      detail: t`The hubs are open at the ${angle.gap}: shim the ${angle.under} feet only.`,
      working: [
        t`shim = gap × foot spacing ÷ diameter, under the front feet when open at the bottom, the back feet when open at the top`,
      ],
    })
  if (height && height.kind !== 'none') {
    const by = lengthWithUnit(height.by, terms)
    said.push({
      key: 'height',
      peg: 'outside',
      title:
        height.kind === 'add'
          ? t`2. Height: then add ${by} under all feet of the ${mover}.`
          : height.kind === 'take-out'
            ? t`2. Height: then take out ${by} under all feet of the ${mover}.`
            : t`2. Height: then the ${mover} is ${by} too high. Add ${by} under all feet of the ${inText(machineName(height.machine, terms))}.`,
      ...(height.kind === 'raise-other' ? { detail: t`No recorded shims under the ${mover} to remove.` } : {}),
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
      title: state.goodEnough ? t`Close enough to fit dials.` : t`Not close enough to fit dials yet.`,
      detail: t`A dial would read ${lengthWithUnit(state.swing ?? 0, terms)} TIR.`,
    })
  return said
}

function saySlope(plane: Plane, found: number, limit: number | undefined, terms: Terms): RoughSaid {
  const told = t`Angularity, ${planeName[plane]}: ${slope(Math.abs(found), terms.unit)}`
  if (limit === undefined) return { key: `slope-${plane}`, peg: 'nothing', title: t`${told}, no tolerance entered.` }
  return {
    key: `slope-${plane}`,
    peg: Math.abs(found) <= limit ? 'within' : 'outside',
    title: t`${told}, tolerance ${slope(limit, terms.unit)}.`,
  }
}

/** How far apart the hubs stand, and which way the moved machine is jacked along for it: before anything else. */
function sayApart(
  { mm, nearer, within }: NonNullable<RoughState['apart']>,
  state: RoughState,
  given: Terms,
): RoughSaid {
  const terms = { ...given, resolution: 0.01 }
  const moved = given.line.machines[state.moves]
  const other = given.line.machines[state.side === 'right' ? state.moves - 1 : state.moves + 1]
  const told = t`Hub separation ${lengthWithUnit(mm, terms)}, the mean of the face gaps`
  if (nearer === undefined)
    return { key: 'apart', peg: 'nothing', title: `${told}.`, detail: t`Enter the maker’s figure in the check above.` }
  const fine = Math.abs(nearer) <= (within ?? 0) + 1e-9 || Math.abs(nearer) < terms.resolution / 2
  if (fine) return { key: 'apart', peg: 'within', title: t`${told}: matches the maker’s figure.` }
  const way = nearer > 0 ? t`toward` : t`away from`
  return {
    key: 'apart',
    peg: 'outside',
    title: t`First jack the ${inText(machineName(moved?.id ?? '', terms))} ${lengthWithUnit(Math.abs(nearer), terms)} along, ${way} the ${inText(machineName(other?.id ?? '', terms))}.`,
    detail: t`${told}. Set the rotor in its running position, thrust taken up, and measure again.`,
  }
}
