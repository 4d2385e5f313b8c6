import type { Plane } from '../../core/frame/axis'
import { formatNumber } from '../../core/frame/number'
import { type BoltWork, watchedAt } from '../../core/kinds/train/plan/bolts'
import type { Stop } from '../../core/kinds/train/plan/stop'
import { probeKinds } from '../../core/probes'
import {
  angleName,
  capital,
  feetAlone,
  isZero,
  lengthWithUnit,
  sideName,
  signedLength,
  stateName,
  type Terms,
} from '../terms'

/** How the dials are set before a machine is moved on them. */
export function halfSet({ plane, watches }: BoltWork, terms: Terms): string {
  const heads = watches.every(({ state }) => probeKinds[state.dial.type].instrument === 'head')
  const at = angleName(watchedAt[plane], terms).toLowerCase()
  const swing = plane === 'horizontal' ? 'side-to-side' : 'top-to-bottom, sag taken off,'
  const set = heads
    ? `Turn the shafts until the heads stand at ${at === 'top' ? 'the top' : `the ${at} side`}.`
    : `Turn the shafts until the dials stand at ${at === 'top' ? 'the top' : `the ${at} side`}; set each to half of its ${swing} swing, as “begins at” says.`
  return `${set} Lock the shafts again; hands off them while the bolts are turned.`
}

/** "Push front feet 0.12 mm toward wall", "raise back feet 0.20 mm". */
export function pushText({ foot, by }: Stop, plane: Plane, terms: Terms): string {
  const name = feetAlone(foot, terms)
  if (isZero(by, terms)) return `Leave the ${name}`
  const size = lengthWithUnit(Math.abs(by), terms)
  if (plane === 'vertical') return `${by > 0 ? 'Raise' : 'Lower'} the ${name} ${size}`
  return `Push the ${name} ${size} toward ${sideName(by > 0 ? 'far' : 'near', terms)}`
}

/** What a foot still needs, or by how much it went too far; no more surely than the dials tell it. */
export function toGoText(
  mm: number,
  over: boolean,
  { plane }: Pick<BoltWork, 'plane'>,
  doubt: number,
  terms: Terms,
): string {
  const near = isZero(doubt, terms) ? '' : `, ± ${lengthWithUnit(doubt, terms)}`
  if (Math.abs(mm) <= Math.max(doubt, terms.resolution / 2)) return `in place${near}`
  const size = lengthWithUnit(Math.abs(mm), terms)
  const way = plane === 'vertical' ? (mm > 0 ? 'up' : 'down') : `toward ${sideName(mm > 0 ? 'far' : 'near', terms)}`
  return over ? `${size} too far: back ${way}${near}` : `${size} to go ${way}${near}`
}

/** The classic creep beside it: how many moves, and by what ratio it closes in. */
export function creepText({ creep, watches, pushed, plane }: BoltWork, terms: Terms): string {
  if (!creep) return 'With one dial there is no creeping by its zero: the stops above are exact.'
  const feet = pushed.bolts.map(({ foot }) => feetAlone(foot, terms))
  const dial = (i: 0 | 1) => {
    const watch = watches[creep.watchOf[i]]
    return watch ? `the ${stateName(watch.state, terms).toLowerCase()} shows ${signedLength(watch.goal, terms)}` : ''
  }
  const verb = plane === 'horizontal' ? 'pushed' : 'lifted or lowered'
  const way = `The old way, by creeping: ${feet[0]} ${verb} until ${dial(0)}, ${feet[1]} until ${dial(1)}, and again`
  const ratio = formatNumber(100 * Math.abs(creep.ratio), 0)
  if (creep.moves === undefined || Math.abs(creep.ratio) >= 1)
    return `${way}. Here it never arrives: every turn leaves ${ratio} % of the error. Use the stops above.`
  return `${capital(way)}. It would take ${creep.moves} ${creep.moves === 1 ? 'move' : 'moves'}; every turn of two leaves ${ratio} % of the error. The stops above take two.`
}
