import { type FootCheck, type FootGap, gapOf, usualThreshold } from './foot'
import { diagonal, type Layout, layoutOf, twistWeights } from './layout'
import { bentInPair, rangeOf } from './lean'
import { shortOfMany } from './many'

export type SeatKind = 'rocking' | 'short' | 'angled' | 'springy' | 'strain' | 'clean'

/** One explanation of what was found, with the feet it names. */
export interface SeatFinding {
  kind: SeatKind
  feet: readonly string[]
  /** How well it fits, 0 to 1; findings are listed by it. */
  fit: number
  /** The readings that say so, by foot, mm. */
  evidence: readonly { foot: string; rise: number | undefined; least: number | undefined; most: number | undefined }[]
  /** Feet that a feeler has still to settle: a dial shows how much, never the angle. */
  unsettled: readonly string[]
}

/** A feeler that goes no further than this finds no gap: the thinnest blade there is, mm. */
const noGap = 0.025

interface Case {
  gaps: readonly FootGap[]
  over: readonly FootGap[]
  layout: Layout
  threshold: number
}

/**
 * What is wrong with the feet of a machine: every explanation that fits, the most likely first. Never empty.
 *
 * Strain lifts both feet of one side or end; a rigid frame rocks on one diagonal and lifts the other; a short or bent foot
 * stands alone; a foot that rises where a feeler finds nothing is springy. Rules and limits: docs/domain.md.
 *
 * @param threshold how much a foot may rise, mm
 */
export function diagnose(feet: readonly FootCheck[], threshold = usualThreshold): SeatFinding[] {
  const gaps = feet.map(gapOf)
  // a seated foot of a leaning frame shows a little at its corners: what rises comes first, the feeler alone second
  const risen = gaps.filter((gap) => sizeOf(gap) > threshold + 1e-9)
  const felt = gaps.filter(({ feeler }) => (feeler?.most ?? 0) > threshold + 1e-9)
  const found: Case = { gaps, over: risen.length ? risen : felt, layout: layoutOf(feet), threshold }
  if (found.over.length === 0) return [finding('clean', gaps, 1)]
  const fits = [springy(found), strain(found), rocking(found), ...angled(found), short(found), many(found)].flat()
  const likely = fits.filter((one) => one.fit > 0.15).sort((a, b) => b.fit - a.fit)
  return likely.length ? likely : [finding('springy', found.over, 0.2)]
}

function finding(kind: SeatKind, gaps: readonly FootGap[], fit: number): SeatFinding {
  return {
    kind,
    fit,
    feet: kind === 'clean' ? [] : gaps.map(({ foot }) => foot.id),
    evidence: gaps.map(({ foot, feeler }) => ({
      foot: foot.id,
      rise: foot.rise,
      least: feeler?.least,
      most: feeler?.most,
    })),
    unsettled: kind === 'clean' ? [] : gaps.filter(({ feeler }) => (feeler?.count ?? 0) < 3).map(({ foot }) => foot.id),
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
  const unfelt = over.filter(({ feeler }) => feeler && feeler.most <= noGap)
  const felt = over.filter(({ feeler }) => feeler && feeler.most > noGap)
  if (unfelt.length > 0 && felt.length === 0)
    return [finding('springy', over, unfelt.length === over.length ? 0.98 : 0.8)]
  if (unfelt.length > 0) return [finding('springy', unfelt, 0.5)]
  if (over.length === gaps.length && gaps.length > 2 && alike(over.map(sizeOf)) > 0)
    return [finding('springy', over, 0.6 + 0.35 * alike(over.map(sizeOf)))]
  return []
}

/** Both feet of one side or of one end rise, and the others do not. */
function strain({ gaps, over, layout }: Case): SeatFinding[] {
  const most = Math.max(...over.map(sizeOf))
  return [...layout.sides, ...layout.ends].flatMap((group) => {
    const inside = gaps.filter(({ foot }) => group.includes(foot))
    const outside = gaps.filter(({ foot }) => !group.includes(foot))
    if (inside.length < 2 || outside.length < 2) return []
    const quiet = outside.every((gap) => sizeOf(gap) < 0.5 * most && !over.includes(gap))
    const lifted = inside.every((gap) => over.includes(gap) || sizeOf(gap) > 0.6 * most)
    return quiet && lifted ? [finding('strain', inside, 0.7 + 0.2 * alike(inside.map(sizeOf)))] : []
  })
}

/** Two feet across from each other over the limit and alike, the others seated. */
function rocking({ gaps, over, layout }: Case): SeatFinding[] {
  if (gaps.length > 4) return [] // the twist of four says nothing of more
  const weights = twistWeights(gaps.map(({ foot }) => foot))
  const twistOf = (gap: FootGap) => sizeOf(gap) * (weights.get(gap.foot.id) ?? 1)
  const most = Math.max(...over.map(twistOf))
  const pairs = gaps.flatMap((a, i) => gaps.slice(i + 1).map((b) => [a, b] as const))
  const best = pairs
    .filter(([a, b]) => diagonal(a.foot, b.foot, layout) && (over.includes(a) || over.includes(b)))
    .filter((pair) => pair.every((gap) => twistOf(gap) >= 0.5 * most && (gap.feeler?.most ?? 1) > noGap))
    .filter((pair) => over.every((gap) => pair.includes(gap)))
    .map((pair) => finding('rocking', pair, 0.55 + 0.4 * alike(pair.map(twistOf))))
  return best.sort((a, b) => b.fit - a.fit).slice(0, 1)
}

/** A foot whose corner gaps differ by more than the limit, and by more than a rocking frame would make them differ. */
function angled({ gaps, over, threshold, layout }: Case): SeatFinding[] {
  return over.flatMap((gap) => {
    const { feeler, foot } = gap
    if (!feeler || feeler.most - feeler.least <= threshold + 1e-9 || feeler.most <= noGap) return []
    const opposite =
      gaps.length === 4
        ? gaps.find((other) => other !== gap && diagonal(other.foot, foot, layout) && over.includes(other))
        : undefined
    if (!opposite) return [finding('angled', [gap], over.length === 1 ? 0.9 : 0.6)]
    const [a, b] = gaps.filter((other) => other !== gap && other !== opposite).map((other) => other.foot)
    return a && b && bentInPair(gap, opposite, [a, b], threshold) ? [finding('angled', [gap], 0.97)] : []
  })
}

/** Of more than four feet one alone that explains all that rises. */
function many({ gaps, over, threshold }: Case): SeatFinding[] {
  if (gaps.length <= 4) return []
  const found = shortOfMany(gaps, over, sizeOf)
  if (!found || (found.gap.feeler && found.gap.feeler.most <= noGap)) return []
  const bent = rangeOf(found.gap) > threshold + 1e-9
  return [finding(bent ? 'angled' : 'short', [found.gap], found.fit)]
}

/** One foot over the limit, the gap even at its corners. */
function short({ gaps, over, threshold }: Case): SeatFinding[] {
  const [only, ...others] = over
  if (!only || others.length > 0) return []
  const { feeler } = only
  if (feeler && feeler.most <= noGap) return []
  if (feeler && feeler.most - feeler.least > threshold + 1e-9) return []
  const next = Math.max(0, ...gaps.filter((gap) => gap !== only).map(sizeOf))
  return [finding('short', [only], next < 0.6 * sizeOf(only) ? 0.85 : 0.5)]
}
