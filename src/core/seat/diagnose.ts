import { type FootCheck, type FootGap, gapOf, usualThreshold } from './foot'
import { diagonal, type Layout, layoutOf, twistWeights } from './layout'
import { bentInPair, bentOfMany, evenFirst, type Sole } from './lean'
import { type ShortFeet, shortFeet } from './shortFeet'

export type SeatKind = 'rocking' | 'short' | 'angled' | 'springy' | 'strain' | 'clean'

/** What of the readings says so. */
export type SeatReason =
  | 'alike'
  | 'unlike'
  | 'even-gap'
  | 'alone'
  | 'together'
  | 'stands-off-most'
  | 'corners-differ'
  | 'no-gap-felt'
  | 'all-alike'
  | 'side-or-end'
  | 'none-rises'
  | 'none-open'

/** One explanation of what was found, with the feet it names. */
export interface SeatFinding {
  kind: SeatKind
  because: SeatReason
  feet: readonly string[]
  /** How well it fits, 0 to 1; findings are listed by it. */
  fit: number
  /** The readings that say so, by foot, mm. */
  evidence: readonly { foot: string; rise: number | undefined; least: number | undefined; most: number | undefined }[]
  /** Feet that a feeler has still to settle: a dial shows how much, never the angle. */
  unsettled: readonly string[]
  /** What would fill each of its feet, mm, in the order they are to be taken: of a rocking pair either, never both. */
  shims: readonly { foot: string; by: number }[]
}

export interface DiagnoseOptions {
  /** How much a foot may rise, mm. */
  threshold?: number
  /** The pad under a foot, mm, where it was measured: how far a leaning machine opens a foot's corners. */
  pad?: Sole
  /** Pipes and conduits were off while the feet were read: nothing pulls. */
  pipesOff?: boolean
}

interface Case {
  gaps: readonly FootGap[]
  over: readonly FootGap[]
  layout: Layout
  threshold: number
  pad: Sole
  /** The few short feet of six or more that explain what rises. */
  few: ShortFeet | undefined
}

/**
 * What is wrong with the feet of a machine: every explanation that fits, the most likely first. Never empty.
 *
 * Strain lifts both feet of one side or end; a rigid frame rocks on one diagonal and lifts the other, evenly or, the less it is
 * rigid, the short foot more; a short or bent foot stands alone, of six or eight up to three; a foot that rises where a feeler
 * finds nothing is springy. Where nothing fits, the foot that stands off most is taken first. Rules and limits: docs/domain.md.
 */
export function diagnose(feet: readonly FootCheck[], options: DiagnoseOptions = {}): SeatFinding[] {
  const { threshold = usualThreshold, pad = { along: undefined, across: undefined }, pipesOff = false } = options
  const gaps = feet.map(gapOf)
  // a seated foot of a leaning frame shows a little at its corners: what rises comes first, the feeler alone second
  const risen = gaps.filter((gap) => sizeOf(gap) > threshold + 1e-9)
  const felt = gaps.filter(({ feeler, unfelt }) => !unfelt && (feeler?.most ?? 0) > threshold + 1e-9)
  const over = risen.length ? risen : felt
  if (over.length === 0)
    return [finding('clean', gaps.some(({ foot }) => foot.rise !== undefined) ? 'none-rises' : 'none-open', [], gaps)]
  // what springs is not short; a foot that stays down may be, between others that are shorter
  const among = gaps.filter((gap) => !(gap.unfelt && over.includes(gap)))
  const few = gaps.length > 4 ? shortFeet(gaps, among, sizeOf) : undefined
  const found: Case = { gaps, over, layout: layoutOf(feet), threshold, pad, few }
  const fits = [
    springy(found),
    pipesOff ? [] : strain(found),
    rocking(found),
    angled(found),
    short(found),
    many(found),
  ].flat()
  const likely = fits.filter((one) => one.fit > 0.15).sort((a, b) => b.fit - a.fit)
  return likely.length ? likely : [mostOff(found)]
}

function finding(
  kind: SeatKind,
  because: SeatReason,
  feet: readonly FootGap[],
  evidence: readonly FootGap[] = feet,
  fit = 1,
  shims: SeatFinding['shims'] = [],
): SeatFinding {
  return {
    kind,
    because,
    fit,
    feet: feet.map(({ foot }) => foot.id),
    evidence: evidence.map(({ foot, feeler }) => ({
      foot: foot.id,
      rise: foot.rise,
      least: feeler?.least,
      most: feeler?.most,
    })),
    unsettled: feet.filter(({ feeler }) => (feeler?.count ?? 0) < 3).map(({ foot }) => foot.id),
    shims,
  }
}

const sizeOf = (gap: FootGap): number => gap.foot.rise ?? gap.size ?? 0

/** 1 where the sizes are alike, falling to 0 where one is less than half of another. Feelers are read in hundredths. */
function alike(sizes: readonly number[]): number {
  const most = Math.max(...sizes)
  const least = Math.min(...sizes)
  return Math.max(0, Math.min(1, (least + 0.015) / most / 0.5 - 1))
}

/** Rise, but the feeler finds no gap; or all feet rise alike. */
function springy({ gaps, over }: Case): SeatFinding[] {
  const unfelt = over.filter((gap) => gap.unfelt)
  const felt = over.filter((gap) => gap.feeler && !gap.unfelt)
  if (unfelt.length > 0 && felt.length === 0)
    return [finding('springy', 'no-gap-felt', unfelt, unfelt, unfelt.length === over.length ? 0.98 : 0.8)]
  if (unfelt.length > 0) return [finding('springy', 'no-gap-felt', unfelt, unfelt, 0.5)]
  if (over.length === gaps.length && gaps.length > 2 && alike(over.map(sizeOf)) > 0)
    return [finding('springy', 'all-alike', over, over, 0.6 + 0.35 * alike(over.map(sizeOf)))]
  return []
}

/** Both feet of one side or of one end rise, and the others do not. */
function strain({ gaps, over, layout }: Case): SeatFinding[] {
  const most = Math.max(...over.map(sizeOf))
  return [...layout.sides, ...layout.ends].flatMap((group) => {
    const inside = gaps.filter(({ foot }) => group.includes(foot))
    const outside = gaps.filter(({ foot }) => !group.includes(foot))
    if (inside.length < 2 || outside.length < 2 || inside.some((gap) => gap.unfelt)) return []
    const quiet = outside.every((gap) => sizeOf(gap) < 0.5 * most && !over.includes(gap))
    const lifted = inside.every((gap) => over.includes(gap) || sizeOf(gap) > 0.6 * most)
    return quiet && lifted
      ? [finding('strain', 'side-or-end', inside, inside, 0.7 + 0.2 * alike(inside.map(sizeOf)))]
      : []
  })
}

/**
 * Two feet across from each other over the limit, the others seated. Seated on its opposite, either stands off by the frame's
 * twist: where both say the same, their mean is what either wants. Where they do not, the frame is not quite rigid, and the one
 * that rises more is the one that is short; loosened itself, it shows the whole of it.
 */
function rocking({ gaps, over, layout }: Case): SeatFinding[] {
  if (gaps.length > 4) return [] // the twist of four says nothing of more
  const weights = twistWeights(gaps.map(({ foot }) => foot))
  const weight = (gap: FootGap) => weights.get(gap.foot.id) ?? 1
  const twistOf = (gap: FootGap) => sizeOf(gap) * weight(gap)
  const most = Math.max(...over.map(twistOf))
  const pairs = gaps.flatMap((a, i) => gaps.slice(i + 1).map((b) => [a, b] as const))
  const best = pairs
    .filter(([a, b]) => diagonal(a.foot, b.foot, layout) && (over.includes(a) || over.includes(b)))
    .filter((pair) => pair.every((gap) => (over.includes(gap) || twistOf(gap) >= 0.5 * most) && !gap.unfelt))
    .filter((pair) => over.every((gap) => pair.includes(gap)))
    .map((pair) => {
      const even = alike(pair.map(twistOf))
      const gapIn = (gap: FootGap) => (gap.size ?? 0) * weight(gap)
      const twist = pair.reduce((sum, gap) => sum + gapIn(gap) / 2, 0)
      const alone = [...pair].sort((a, b) => gapIn(b) - gapIn(a)).slice(0, 1)
      const first = even > 0.3 ? [...pair].sort((a, b) => evenFirst(a, b) || gapIn(b) - gapIn(a)) : alone
      const shims = first.map((gap) => ({
        foot: gap.foot.id,
        by: even > 0.3 ? twist / weight(gap) : (gap.size ?? 0),
      }))
      return finding('rocking', even > 0.3 ? 'alike' : 'unlike', pair, pair, 0.55 + 0.4 * even, shims)
    })
  return best.sort((a, b) => b.fit - a.fit).slice(0, 1)
}

/** A foot whose corner gaps differ by more than the limit, and by more than a rocking frame would make them differ. */
function angled({ gaps, over, threshold, layout, pad, few }: Case): SeatFinding[] {
  const one = (gap: FootGap, fit: number) => [finding('angled', 'corners-differ', [gap], [gap], fit)]
  return over.flatMap((gap) => {
    const { feeler, foot } = gap
    if (!feeler || feeler.most - feeler.least <= threshold + 1e-9 || gap.unfelt) return []
    if (gaps.length > 4) return bentOfMany(gap, few?.leanAt(gap), pad, threshold) ? one(gap, 0.96) : []
    const opposite =
      gaps.length === 4
        ? gaps.find((other) => other !== gap && diagonal(other.foot, foot, layout) && over.includes(other))
        : undefined
    if (!opposite) return one(gap, over.length === 1 ? 0.9 : 0.6)
    const [a, b] = gaps.filter((other) => other !== gap && other !== opposite).map((other) => other.foot)
    return a && b && bentInPair(gap, opposite, [a, b], threshold, pad) ? one(gap, 0.97) : []
  })
}

/** Of more than four feet the few that explain all that rises. */
function many({ few }: Case): SeatFinding[] {
  if (!few) return []
  const short = [...few.short].sort((a, b) => b.by - a.by)
  const feet = short.map(({ gap }) => gap)
  const shims = short.map(({ gap, by }) => ({ foot: gap.foot.id, by }))
  return [finding('short', 'together', feet, feet, 0.95 - 0.05 * short.length, shims)]
}

/** One foot over the limit, the gap even at its corners. */
function short({ gaps, over, threshold }: Case): SeatFinding[] {
  const [only, ...others] = over
  if (!only || others.length > 0 || gaps.length > 4) return []
  const { feeler } = only
  if (only.unfelt) return []
  if (feeler && feeler.most - feeler.least > threshold + 1e-9) return []
  const next = Math.max(0, ...gaps.filter((gap) => gap !== only).map(sizeOf))
  const because = feeler ? 'even-gap' : 'alone'
  return [finding('short', because, [only], [only], next < 0.6 * sizeOf(only) ? 0.85 : 0.5, shimOf(only))]
}

/** Nothing explains them together: the foot that stands off most is filled first, and all are looked at again. */
function mostOff({ over }: Case): SeatFinding {
  const [most] = [...over].sort((a, b) => sizeOf(b) - sizeOf(a))
  const feet = most ? [most] : []
  return most?.unfelt
    ? finding('springy', 'no-gap-felt', feet, over, 0.2)
    : finding('short', 'stands-off-most', feet, over, 0.2, most ? shimOf(most) : [])
}

const shimOf = (gap: FootGap): SeatFinding['shims'] => [{ foot: gap.foot.id, by: gap.size ?? 0 }]
