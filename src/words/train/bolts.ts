import type { BoltWork } from '../../core/kinds/train/plan/bolts'
import type { Stop } from '../../core/kinds/train/plan/stop'
import { probeKinds } from '../../core/probes'
import type { Plane } from '../../core/quantity/axis'
import { formatNumber } from '../../core/quantity/number'
import { listed, plural, t } from '../language'
import {
  angleInText,
  capital,
  feetAlone,
  inText,
  isZero,
  lengthWithUnit,
  sideName,
  signedLength,
  stateName,
  type Terms,
} from '../terms'

/** How the dials are set before a machine is moved on them. */
export function halfSet({ plane, at: degrees, watches }: BoltWork, terms: Terms): string {
  const heads = watches.every(({ state }) => probeKinds[state.dial.type].instrument === 'head')
  const at = angleInText(degrees, terms)
  const swing = plane === 'horizontal' ? t`side-to-side` : t`top-to-bottom, sag subtracted,`
  const set = heads
    ? t`Turn the shafts until the heads are at ${at === 'top' ? t`the top` : t`the ${at} side`}.`
    : t`Turn the shafts until the dials are at ${at === 'top' ? t`the top` : t`the ${at} side`}. Set each to half its ${swing} reading, shown under “Start”.`
  return t`${set} Lock the shafts again. Keep hands off them while you turn the bolts.`
}

/** "Push front feet 0.12 mm toward wall", "raise back feet 0.20 mm". */
export function pushText({ foot, by }: Stop, plane: Plane, terms: Terms): string {
  const name = feetAlone(foot, terms)
  if (isZero(by, terms)) return t`No move at the ${name}`
  const size = lengthWithUnit(Math.abs(by), terms)
  if (plane === 'vertical') return t`${by > 0 ? t`Raise` : t`Lower`} the ${name} ${size}`
  return t`Push the ${name} ${size} toward ${sideName(by > 0 ? 'far' : 'near', terms)}`
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
  if (Math.abs(mm) <= Math.max(doubt, terms.resolution / 2)) return t`in position${near}`
  const size = lengthWithUnit(Math.abs(mm), terms)
  const way = plane === 'vertical' ? (mm > 0 ? t`up` : t`down`) : t`toward ${sideName(mm > 0 ? 'far' : 'near', terms)}`
  return over ? t`${size} too far: go back ${way}${near}` : t`${size} to go ${way}${near}`
}

/** The classic creep beside it: how many moves, and by what ratio it closes in. */
export function creepText({ creep, watches, pushed, plane }: BoltWork, terms: Terms): string {
  if (!creep) return t`With one dial the stepwise method does not apply. The stops above are exact.`
  const feet = pushed.bolts.map(({ foot }) => feetAlone(foot, terms))
  const dial = (i: 0 | 1) => {
    const watch = watches[creep.watchOf[i]]
    return watch ? t`the ${inText(stateName(watch.state, terms))} shows ${signedLength(watch.goal, terms)}` : ''
  }
  const verb = plane === 'horizontal' ? t`pushed` : t`raised or lowered`
  const way = t`Stepwise method: ${feet[0] ?? ''} ${verb} until ${dial(0)}, ${feet[1] ?? ''} until ${dial(1)}, and repeat`
  const ratio = formatNumber(100 * Math.abs(creep.ratio), 0)
  if (creep.moves === undefined || Math.abs(creep.ratio) >= 1)
    return t`${way}. Here it never converges: each pass leaves ${ratio} % of the error. Use the stops above.`
  return t`${capital(way)}. It would take ${creep.moves} ${plural(creep.moves, { one: t`move`, other: t`moves` })}; each pass of two leaves ${ratio} % of the error. The stops above take two.`
}

/** The stop at which one foot alone has made the machine parallel, and what both have to go from there. */
export function parallelText({ parallel, watches, plane }: BoltWork, terms: Terms): string | undefined {
  if (!parallel) return undefined
  const dials = watches.map(
    ({ state }, i) => t`the ${inText(stateName(state, terms))} shows ${signedLength(parallel.readings[i] ?? 0, terms)}`,
  )
  const alone = pushText(parallel, plane, terms)
  const rest = toGoText(parallel.left, false, { plane }, 0, terms)
  return t`Or make it parallel first. ${alone} only: then ${listed(dials)}, and both pairs of feet have the same amount left: ${rest}.`
}
