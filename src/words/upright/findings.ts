import type { Finding } from '../../core/kinds/upright/advice/findings'
import { boltAngle } from '../../core/kinds/upright/document/make'
import type { UprightLine } from '../../core/kinds/upright/document/schema'
import type { BoltWork, FlangeWork } from '../../core/kinds/upright/solve/flange'
import { starOrder } from '../../core/kinds/upright/solve/seating'
import { goesRound } from '../../core/probes'
import type { Misalignment } from '../../core/probes/probe'
import { foldDegrees } from '../../core/quantity/angles'
import type { ReadSet } from '../../core/shafts/schema'
import type { ProbeState } from '../../core/shafts/state'
import { labels, plural, t } from '../language'
import { probeWords, type WayNames } from '../probes'
import type { Message } from '../said'
import { channelName, inText, isZero, lengthWithUnit, slope, type Terms } from '../terms'
import { sayLack, sayTrouble } from '../troubles'
import { sayNoMove } from '../within'
import { boltPlace } from './bolts'

/** What a sentence about an upright pair needs to know. */
export interface UprightTerms extends Pick<Terms, 'unit' | 'resolution'> {
  line: UprightLine
}

/** A probe by the machine whose hub it reads: "Motor dial", "Motor instrument, offset". */
export function dialName({ dial, channel }: Pick<ProbeState, 'dial' | 'channel'>, { line }: UprightTerms): string {
  const machine = line.machines.find(({ id }) => id === dial.on)?.name ?? t`Hub`
  const name = t`${machine} ${probeWords[dial.type].name}`
  return channel ? `${name}, ${channelName(dial.type, channel)}` : name
}

/** What a pair that stands upright calls its directions: bolt 1 and what lies across from it, a quarter on and across from that. */
export function wayNames({ flange: { bolts } }: Pick<UprightLine, 'flange'>): WayNames {
  const at = (degrees: number) => boltPlace(degrees, bolts)
  return {
    side: (side) => at(side === 'far' ? 90 : 270),
    height: {
      up: t`toward ${at(0)}`,
      down: t`toward ${at(180)}`,
      top: t`open at ${at(0)}`,
      bottom: t`open at ${at(180)}`,
    },
  }
}

/** Where a number of a set is read: at a bolt, or of a result toward one. */
export const placeOf = (
  degrees: number,
  { angleAs }: Pick<ReadSet, 'angleAs'>,
  { flange }: Pick<UprightLine, 'flange'>,
): string => (angleAs === 'planes' ? t`toward ${boltPlace(degrees, flange.bolts)}` : boltPlace(degrees, flange.bolts))

/** The shim at a bolt: "0.24 mm", or that it is the high spot. */
export const shimText = ({ shim }: BoltWork, terms: UprightTerms): string =>
  isZero(shim, terms) ? t`none: high spot` : lengthWithUnit(shim, terms)

/** Part of a push along one direction, in words. */
function partText(mm: number | null, degrees: number, terms: UprightTerms): string | undefined {
  if (mm === null || isZero(mm, terms)) return undefined
  const place = boltPlace(mm > 0 ? degrees : degrees + 180, terms.line.flange.bolts)
  return t`${lengthWithUnit(Math.abs(mm), terms)} toward ${place.startsWith('between') ? t`a point ${place}` : place}`
}

/** The push at the joint: by how much, and toward which bolts. */
export function pushText({ push }: Pick<FlangeWork, 'push'>, terms: UprightTerms): string {
  const text = partsText(push, terms)
  return text ? t`Push the flange ${text}.` : t`No push needed at the flange.`
}

const partsText = ({ y, z }: { y: number | null; z: number | null }, terms: UprightTerms): string =>
  [partText(y, 90, terms), partText(z, 0, terms)].filter(Boolean).join(t` and `)

const stateWords = labels({
  within: 'is within tolerance',
  outside: 'is out of tolerance',
  unsure: 'can’t tell yet',
} as const)

/** The sentence for a finding. */
export function say(finding: Finding, terms: UprightTerms): Message {
  const { line } = terms
  const { bolts } = line.flange
  const [, upper] = line.machines
  switch (finding.kind) {
    case 'no-move':
      return sayNoMove()
    case 'gasket':
      return {
        title: t`Take the weight on the hoist before you loosen the first bolt.`,
        caution: t`Top-heavy: leave two opposite bolts finger-tight. Never shim a gasketed or pressure joint. Site permits apply.`,
      }
    case 'not-a-number':
      return {
        title: t`${dialName(finding.probe, terms)}, ${placeOf(finding.degrees, finding.probe.set, line)}: not a number.`,
        detail: sayTrouble(finding.trouble),
      }
    case 'not-closed':
      return {
        title: t`${dialName(finding.probe, terms)} does not close: off by ${lengthWithUnit(Math.abs(finding.closure), terms)}.`,
        detail: t`Opposite readings must give equal sums. Check bracket and dial, then read this dial again.`,
      }
    case 'no-plus':
      return {
        title: t`Enter what plus means on this instrument.`,
        detail: t`A wrong sign reverses every move. Answer the four questions first.`,
      }
    case 'next-reading':
      if (!goesRound(finding.probe.dial))
        return {
          title: t`Next: the ${inText(dialName(finding.probe, terms))} ${placeOf(finding.degrees, finding.probe.set, line)}.`,
          detail: t`Coupling disconnected, upper rotor at its running height.`,
        }
      return {
        title: t`Next: read the ${inText(dialName(finding.probe, terms))} at ${boltPlace(finding.degrees, bolts)}.`,
        detail: t`Turn both shafts together, coupling disconnected, upper rotor at its running height.`,
      }
    case 'no-flange':
      return {
        title: t`Enter the joint height and bolt circle.`,
        detail: t`Enter them in Dimensions.`,
      }
    case 'unsolved':
      return { title: t`Not enough readings yet.`, detail: sayLack(finding.lack) }
    case 'verdict': {
      const { verdict } = finding
      if (!verdict)
        return {
          title: t`No tolerance yet: enter the speed and coupling diameter.`,
          ...(finding.offset === undefined ? {} : { detail: sizesText(finding, terms).trim() }),
        }
      const state = finding.peg === 'within' || finding.peg === 'outside' ? finding.peg : 'unsure'
      return {
        title: `${line.coupling.name} ${stateWords[state]}.`,
        detail: t`${sizesText(finding, terms)}Tolerance: offset ${lengthWithUnit(verdict.limits.offset, terms)}, angularity ${slope(verdict.limits.slope, terms.unit)}. The maker’s figures override it.`,
      }
    }
    case 'shims': {
      const { work } = finding
      const wanted = work.bolts?.filter(({ shim }) => !isZero(shim, terms)) ?? []
      if (wanted.length === 0) return { title: t`No shims needed at the flange.` }
      return {
        title: t`Shim the flange: ${wanted.map((bolt) => t`${lengthWithUnit(bolt.shim, terms)} at bolt ${bolt.bolt}`).join(', ')}.`,
        detail: t`First clean the joint and read again. The shaft will rise ${lengthWithUnit(work.rise ?? 0, terms)}: check hub separation and impeller clearance.`,
      }
    }
    case 'uneven':
      return {
        title: t`These packs are not in one plane: off by ${lengthWithUnit(finding.work.unevenness, { ...terms, resolution: 0.001 })}.`,
        detail: t`Tightening on them would bend the flange. Cut shims to size or add sizes to the stock.`,
      }
    case 'push':
      return {
        title: pushText(finding.work, terms),
        detail: t`Measure at the joint on the ${inText(upper.name)}, after shimming.`,
      }
    case 'no-room':
      return {
        title: t`The shaft would rise ${lengthWithUnit(finding.work.rise ?? 0, terms)}, but only ${lengthWithUnit(finding.room, terms)} is available.`,
        detail: t`Reset hub separation and impeller clearance, or reduce the other machine’s packs by the same amount.`,
      }
    case 'star':
      return {
        title: t`Tighten in a star: bolts ${starOrder(finding.bolts).join(', ')}.`,
        detail: t`In 3 stages of one third torque each. Keep horseshoe shims equal on both sides of each bolt. Then read again.`,
      }
    case 'counted-other-way':
      return {
        title: t`The bolts may be numbered in the opposite direction.`,
        detail: t`The move worked toward bolt 1 but doubled the error at right angles. Check the numbering direction from above and change it in Dimensions. Results are mirrored and readings stay.`,
      }
    case 'seating':
      return seatingText(finding, terms)
    case 'spigot': {
      const { stopped, left } = finding.work
      const can = stopped && partsText(stopped.push, terms)
      const stays = stopped ? Math.hypot(stopped.stays.y, stopped.stays.z) : 0
      const coupling = left ? Math.hypot(left.vertical.offset, left.horizontal.offset) : 0
      return {
        title: can ? t`Spigot-bound: push ${can}, no more.` : t`Spigot-bound: it can’t move that way at all.`,
        detail: t`Residual: ${lengthWithUnit(stays, terms)} at the joint, ${lengthWithUnit(coupling, terms)} at the coupling. Relieve or re-machine the spigot, or re-dowel the flange.`,
      }
    }
  }
}

/** "Offset 0.12 mm, angle 0.04 mm/100 mm. ": both directions together. */
export const sizesText = (
  { offset, slope: lean }: { offset: number | undefined; slope: number | undefined },
  terms: UprightTerms,
): string =>
  offset === undefined || lean === undefined
    ? ''
    : t`Offset ${lengthWithUnit(offset, terms)}, angularity ${slope(lean, terms.unit)}. `

/** What turned with the machine, and what stayed: as a slope over the bolt circle, and an offset. */
function seatingText({ seating, places }: Extract<Finding, { kind: 'seating' }>, terms: UprightTerms): Message {
  const [, upper] = terms.line.machines
  const size = ({ offsetY, offsetZ, slopeY, slopeZ }: Misalignment) =>
    t`offset ${lengthWithUnit(Math.hypot(offsetY, offsetZ), terms)}, angularity ${slope(Math.hypot(slopeY, slopeZ), terms.unit)}`
  const [own, base] = [seating.machine, seating.base].map(
    (one) => Math.hypot(one.slopeY, one.slopeZ) * 200 + Math.hypot(one.offsetY, one.offsetZ),
  )
  const title =
    (own ?? 0) > 1.5 * (base ?? 0)
      ? t`Most of the error turned with the ${inText(upper.name)}: check its own flange and spigot.`
      : (base ?? 0) > 1.5 * (own ?? 0)
        ? t`Most of the error stayed when the ${inText(upper.name)} was turned: check the flange below it.`
        : t`Both flanges contribute.`
  return {
    title,
    detail: t`Turned by ${plural(places, { one: t`1 bolt position`, other: t`${places} bolt positions` })}. With the ${inText(upper.name)}: ${size(seating.machine)}. Below it: ${size(seating.base)}.`,
  }
}

/** Which way a bolt angle lies, for a cell: "Bolt 3". */
export const boltName = (bolt: number): string => t`Bolt ${bolt}`

/** The bolt at an angle of a set, from 1; undefined between bolts. */
export function boltAt(degrees: number, bolts: number): number | undefined {
  const found = Array.from({ length: bolts }, (_, i) => i + 1).find(
    (bolt) => Math.abs(boltAngle(bolt, bolts) - foldDegrees(degrees)) < 0.01,
  )
  return found
}
