import type { DeviceReading, Hello, Hung } from '../../../device/protocol'
import { probeKinds } from '../../../probes'
import { arcCovered, foldDegrees } from '../../../quantity/angles'
import { positiveMm, quantityFrom, quantityMm } from '../../../quantity/quantity'
import { fromMm, toMm, type Unit } from '../../../quantity/units'
import type { ProbeSetUp, ReadSet } from '../../../shafts/schema'
import { channelsOf, readingKey, sags } from '../../../shafts/typed'
import type { Line } from '../document/schema'

/** How a probe on the line and a probe of the set belong together. */
export interface Match {
  /** The device's name for it. */
  id: string
  probe: ProbeSetUp
  unit: Unit
  /** How far from its middle a head sees the beam, in its unit, where the device says. */
  range?: number | undefined
}

/** Which of a set's probes a device can fill: the first of the same kind on the same side of the coupling. */
export function matchProbes(hello: Hello, set: ReadSet, line: Pick<Line, 'couplings' | 'machines'>): Match[] {
  const left = line.couplings.findIndex(({ id }) => id === set.coupling)
  return hello.probes.flatMap(({ id, type, on, unit, range }) => {
    const machine = line.machines[on === 'left' ? left : left + 1]?.id
    const alone = hello.probes.length === 1
    const probe = set.probes.find((one) => one.type === type && (alone || one.on === machine))
    return probe ? [{ id, probe, unit, ...(range ? { range } : {}) }] : []
  })
}

/** Largest difference between the angles of a reading's probes, degrees. */
export function anglesApart({ probes }: DeviceReading): number {
  const angles = probes.map(({ angle }) => angle)
  return angles.length > 1 ? Math.max(...angles) - Math.min(...angles) : 0
}

/** A position that is kept: for every matched probe its own angle and its numbers in mm. */
export interface Captured {
  probes: { probe: string; angle: number; values: number[] }[]
}

/** The mean of some readings taken while the shafts stood still; undefined where a matched probe showed nothing. */
export function captureOf(readings: readonly DeviceReading[], matches: readonly Match[]): Captured | undefined {
  const probes = matches.map(({ id, probe, unit }) => {
    const seen = readings.flatMap((reading) => {
      const found = reading.probes.find((one) => one.id === id)
      return found?.values ? [{ angle: found.angle, values: found.values }] : []
    })
    const mean = (of: (one: (typeof seen)[number]) => number) =>
      seen.reduce((sum, one) => sum + of(one), 0) / seen.length
    const first = seen[0]
    return first
      ? {
          probe: probe.id,
          angle: mean(({ angle }) => angle),
          values: first.values.map((_, k) =>
            toMm(
              mean(({ values }) => values[k] ?? 0),
              unit,
            ),
          ),
        }
      : undefined
  })
  return probes.length > 0 && probes.every((one) => one !== undefined)
    ? { probes: probes.flatMap((one) => one ?? []) }
    : undefined
}

/** A captured position belongs to an angle of the set when it stands no farther from it, degrees. */
const near = 4

/**
 * The set with a captured position written into it: into the cells of the angle it stands at, else of an angle of its own.
 * Each probe keeps the angle it really stood at.
 */
export function withCapture(set: ReadSet, { probes }: Captured, unit: Unit): ReadSet {
  const [first] = probes
  if (!first) return set
  const at = probes.reduce((sum, { angle }) => sum + angle, 0) / probes.length
  const known = set.angles
    .map((angle) => ({ angle, off: Math.abs(angle.degrees - at) }))
    .sort((a, b) => a.off - b.off)
    .find(({ off }) => off <= near)?.angle
  const degrees = Math.round(at * 10) / 10
  const angle = known ?? { id: `a${degrees}`, degrees }
  if (!known && set.angles.length >= 48) return set
  return {
    ...set,
    angles: known ? set.angles : [...set.angles, angle].sort((a, b) => a.degrees - b.degrees),
    probes: set.probes.map((probe) => {
      const found = probes.find((one) => one.probe === probe.id)
      if (!found) return probe
      const finest = Math.min(0.001, positiveMm(probe.graduation) ?? 0.001)
      const decimals = Math.max(0, Math.ceil(-Math.log10(fromMm(finest, unit)) - 1e-9))
      const written = channelsOf(probe).map((channel, k) => [
        readingKey(angle.id, channel),
        { value: quantityFrom(found.values[k] ?? 0, unit, decimals), turns: 0 },
      ])
      return {
        ...probe,
        own: { ...probe.own, [angle.id]: Math.round(found.angle * 100) / 100 },
        readings: { ...probe.readings, ...Object.fromEntries(written) },
      }
    }),
  }
}

/** Degrees that a sweep lets pass at its beginning. */
const slack = 2

/** A sweep while it is being made: what each matched probe passed. */
export class SweepTrace {
  private readonly parts: ReadonlyMap<string, { unit: Unit; degrees: number[]; values: number[][] }>
  private readonly begun = new Map<string, number>()
  private moving = false
  /** By probe and channel: sums and counts of every degree passed. */
  private readonly bins = new Map<string, { sum: Float64Array; count: Uint32Array }>()

  constructor(private readonly matches: readonly Match[]) {
    this.parts = new Map(
      matches.map(({ id, probe, unit }) => [id, { unit, degrees: [], values: channelsOf(probe).map(() => []) }]),
    )
    for (const { probe } of matches)
      for (const channel of channelsOf(probe))
        this.bins.set(readingKey(probe.id, channel), { sum: new Float64Array(360), count: new Uint32Array(360) })
  }

  get points(): number {
    return Math.max(0, ...[...this.parts.values()].map(({ degrees }) => degrees.length))
  }

  /**
   * Takes a reading in, late ones too: each number stands with its own angle. At most 100,000 points. Nothing is taken
   * before every shaft has turned by two degrees: until then the slack between them is being taken up.
   */
  add(reading: DeviceReading): void {
    for (const { id, angle } of reading.probes) if (!this.begun.has(id)) this.begun.set(id, angle)
    this.moving ||= reading.probes.every(({ id, angle }) => Math.abs(angle - (this.begun.get(id) ?? angle)) >= slack)
    if (!this.moving) return
    for (const { id, probe, unit } of this.matches) {
      const found = reading.probes.find((one) => one.id === id)
      const part = this.parts.get(id)
      if (!found?.values || !part || part.degrees.length >= 100_000) continue
      part.degrees.push(found.angle)
      channelsOf(probe).forEach((channel, k) => {
        const value = found.values?.[k] ?? 0
        part.values[k]?.push(value)
        const bin = this.bins.get(readingKey(probe.id, channel))
        const at = Math.floor(foldDegrees(found.angle)) % 360
        if (bin) {
          bin.sum[at] = (bin.sum[at] ?? 0) + toMm(value, unit)
          bin.count[at] = (bin.count[at] ?? 0) + 1
        }
      })
    }
  }

  /** Mean of every degree passed by a channel, mm, corrected by what is given; not passed: undefined. */
  trace(key: string, corrected: (degrees: number, raw: number) => number): (number | undefined)[] {
    const bin = this.bins.get(key)
    return Array.from({ length: 360 }, (_, i) => {
      const count = bin?.count[i] ?? 0
      return count ? corrected(i + 0.5, (bin?.sum[i] ?? 0) / count) : undefined
    })
  }

  /** How much of the turn was passed, degrees: of the probe that passed least. */
  get coverage(): number {
    const passed = [...this.bins.values()].map(({ count }) =>
      Math.round(arcCovered([...count.keys()].filter((degree) => (count[degree] ?? 0) > 0))),
    )
    return passed.length ? Math.min(...passed) : 0
  }

  /** The set with this sweep in the place of what its probes had. */
  into(set: ReadSet): ReadSet {
    return {
      ...set,
      probes: set.probes.map((probe) => {
        const match = this.matches.find((one) => one.probe.id === probe.id)
        const part = match && this.parts.get(match.id)
        return part && part.degrees.length > 0
          ? {
              ...probe,
              sweep: { unit: part.unit, degrees: [...part.degrees], values: part.values.map((list) => [...list]) },
            }
          : probe
      }),
    }
  }
}

/** Tells when the shafts stand still: every angle within 0.3° for a while. */
export class StandingStill {
  private recent: DeviceReading[] = []
  /** @param during milliseconds they must have stood */
  constructor(private readonly during = 900) {}

  /** Takes a reading in; the readings of the stand-still once it has lasted long enough, else undefined. */
  add(reading: DeviceReading): readonly DeviceReading[] | undefined {
    const last = this.recent.at(-1)
    if (last && reading.at < last.at) return undefined // a late one says nothing of now
    this.recent.push(reading)
    const from = this.recent[0]
    const moved = from?.probes.some(({ id, angle }) => {
      const now = reading.probes.find((one) => one.id === id)
      return now !== undefined && Math.abs(now.angle - angle) > 0.3
    })
    if (moved) this.recent = [reading]
    while (this.recent.length > 2 && reading.at - (this.recent[1]?.at ?? 0) >= this.during) this.recent.shift()
    const begun = this.recent[0]
    return begun && reading.at - begun.at >= this.during ? this.recent : undefined
  }
}

/** Where the set's probes hang, for a simulated rig to hang its own alike; probes without a place stay as the rig has them. */
export function mountingOf(matches: readonly Match[], couplingX: number, x: ReadonlyMap<string, number>): Hung[] {
  return matches.flatMap(({ id, probe }) => {
    const at = x.get(probe.id)
    if (at === undefined) return []
    const second = x.get(`${probe.id}/2`)
    const radius = quantityMm(probe.radius)
    const sag = quantityMm(probe.sag)
    return [
      {
        id,
        distance: Math.abs(at - couplingX),
        ...(second === undefined ? {} : { distance2: Math.abs(second - couplingX) }),
        ...(radius ? { radius } : {}),
        ...(sag === undefined ? {} : { sag }),
      },
    ]
  })
}

/** The set with its unplaced probes hung as the device says they hang. */
export function withDeviceMounting(
  set: ReadSet,
  hello: Hello,
  matches: readonly Match[],
  length: Unit,
  unit: Unit,
): ReadSet {
  const told = (mm: number, as: Unit, decimals: number) => quantityFrom(mm, as, decimals)
  return {
    ...set,
    probes: set.probes.map((probe) => {
      const match = matches.find((one) => one.probe.id === probe.id)
      const hung = hello.hung?.find(({ id }) => id === match?.id)
      if (!hung || probe.station.distance.text !== '') return probe
      const decimals = length === 'in' ? 3 : 0
      return {
        ...probe,
        station: { ...probe.station, from: set.coupling, distance: told(hung.distance, length, decimals) },
        ...(probe.plane2 && hung.distance2 !== undefined
          ? { plane2: { ...probe.plane2, distance: told(hung.distance2 - hung.distance, length, decimals) } }
          : {}),
        ...(probeKinds[probe.type].radius === 'refines' && hung.radius
          ? { radius: told(hung.radius, length, decimals) }
          : {}),
        ...(sags(probe) && hung.sag !== undefined && quantityMm(probe.sag) === undefined
          ? { sag: told(hung.sag, unit, unit === 'mil' ? 2 : 3) }
          : {}),
      }
    }),
  }
}
