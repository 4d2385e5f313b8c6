import type { DeviceMessage, DeviceReading, Hello, Hung, RigCommand } from '../device/protocol'
import { type ProbeType, probeKinds } from '../probes'
import type { Misalignment } from '../probes/probe'
import { exactSpot } from './beams'
import { type Supported, supportedAt } from './feet'
import { exactRimReading, type ShaftPair, shaftPair } from './geometry'
import { type Chance, chance } from './random'

/** The stand-ins that ship: a pair of dials with inclinometers, twin heads, one head on a two-plane detector. */
export const standInKinds = ['dials', 'heads', 'two-plane'] as const
export type StandInKind = (typeof standInKinds)[number]

export const standInNames: Readonly<Record<StandInKind, string>> = {
  dials: 'Pair of dials with inclinometers',
  heads: 'Twin heads',
  'two-plane': 'One head, two-plane detector',
}

/** The stand-in that reads probes of these types together; undefined where none reads every one of them. */
export function standInOf(types: readonly ProbeType[]): StandInKind | undefined {
  const [first, ...others] = new Set(types.map((type) => probeKinds[type].standIn))
  return others.length === 0 ? first : undefined
}

/** A simulated instrument on a simulated rig. It has no clock of its own: whoever runs it tells it how much time went by. */
export interface StandIn {
  hello(): Hello
  /** What it says in the next `ms` milliseconds. */
  advance(ms: number): DeviceMessage[]
  command(command: RigCommand): void
  /** Whether it wants to drop the line now; asked once, told once. */
  wantsToDrop(): boolean
  /** The hidden truth as it is now, for tests. */
  readonly truth: Misalignment
}

/** Degrees a second that the shafts are turned by the handle. */
const pace = 45
/** Degrees of play between the two shafts; with `slack` so much that one is told of it. */
const play = { usual: 0.4, slack: 2.6 }
/** Deviation of what a foot shifts when its bolts are tightened, mm. */
const settling = 0.006
/** Half the width of a detector, mm. */
const detector = 5
/** Of a hundred messages so many are lost, and so many come late. */
const lost = 0.01
const late = 0.02

const usualHanging: Readonly<Record<StandInKind, readonly Hung[]>> = {
  dials: [
    { id: 'right', distance: 90, radius: 80, sag: -0.1 },
    { id: 'left', distance: 70, radius: 80, sag: -0.08 },
  ],
  heads: [
    { id: 'right', distance: 180 },
    { id: 'left', distance: 160 },
  ],
  'two-plane': [{ id: 'right', distance: 180, distance2: 330 }],
}

const types = { dials: 'rim', heads: 'beam', 'two-plane': 'beam2' } as const
const steps = { dials: 0.01, heads: 0.001, 'two-plane': 0.001 }
const noises = { dials: 0.002, heads: 0.003, 'two-plane': 0.003 }

/**
 * A stand-in with its own hidden misalignment, noise, play between the shafts, sag, limits of range, battery, lost and late
 * messages.
 *
 * @param seed the same seed gives the same rig, reading for reading
 * @param rate messages a second
 */
export function makeStandIn(kind: StandInKind, seed: number, rate = 20): StandIn {
  const source = chance(seed)
  const between = (low: number, high: number) => low + (high - low) * source.uniform()
  let truth: Misalignment = {
    offsetY: between(-0.35, 0.35),
    slopeY: between(-0.0006, 0.0006),
    offsetZ: between(-0.35, 0.35),
    slopeZ: between(-0.0006, 0.0006),
  }
  let pair = shaftPair(truth, 0)
  let feet: Supported | undefined
  const cant = between(-0.0015, 0.0015)
  const seat = between(-0.4, 0.4)
  let hung = usualHanging[kind]
  let zeros = zerosOf(kind, pair, hung, cant, seat)
  let driver = 0
  let follower = 0
  let target = 0
  let clock = 0
  let due = 0
  let seq = 0
  let status = 0
  let battery = 0.83
  let slack: number = play.usual
  let outside = false
  let drop = false
  const waiting: { after: number; message: DeviceReading }[] = []

  const stand = (misalignment: Misalignment) => {
    truth = misalignment
    pair = shaftPair(truth, 0)
  }
  const push = (foot: string, plane: 'vertical' | 'horizontal', by: number) => {
    if (feet?.bolts.some((one) => one.foot === foot)) stand(supportedAt(feet, truth, foot, plane, by))
  }
  const step = () => {
    const ms = 1000 / rate
    clock += ms
    const reach = (pace * ms) / 1000
    driver += Math.max(-reach, Math.min(reach, target - driver))
    // the other shaft is dragged along at the end of the play
    follower = Math.max(driver - slack / 2, Math.min(driver + slack / 2, follower))
    battery = Math.max(0, battery - ms / 36_000_000)
  }
  const reading = (): DeviceReading => ({
    type: 'reading',
    seq: seq++,
    at: Math.round(clock),
    probes: hung.map(({ id }, i) => {
      const own = id === 'right' ? driver : follower
      const angle = Math.round((own + 0.05 * source.normal()) * 100) / 100
      const values = outside
        ? undefined
        : valuesOf(kind, pair, hung, i, driver, follower, cant, seat, noises[kind], source)
      const shown = values?.map((value, k) => rounded(value - (zeros[i]?.[k] ?? 0), steps[kind]))
      const far = kind !== 'dials' && shown?.some((value) => Math.abs(value) > detector)
      if (!shown || far) return { id, angle, values: null, fault: kind === 'dials' ? 'out-of-range' : 'no-beam' }
      return { id, angle, values: shown }
    }),
  })

  return {
    get truth() {
      return truth
    },
    hello: () => ({
      type: 'hello',
      format: 'vane-peg.device',
      version: 1,
      device: { id: `stand-in-${kind}`, name: standInNames[kind], simulated: true },
      probes: hung.map(({ id }) => ({
        id,
        type: types[kind],
        on: id === 'left' ? 'left' : 'right',
        unit: 'mm',
        graduation: steps[kind],
        ...(kind === 'dials' ? {} : { range: detector }),
      })),
      hung: [...hung],
    }),
    advance(ms) {
      const said: DeviceMessage[] = []
      due += ms
      while (due >= 1000 / rate) {
        due -= 1000 / rate
        step()
        for (let i = waiting.length - 1; i >= 0; i--) {
          const held = waiting[i]
          if (held && held.after-- <= 0) {
            waiting.splice(i, 1)
            said.push(held.message)
          }
        }
        const message = reading()
        const luck = source.uniform()
        if (luck >= lost && luck < lost + late) waiting.push({ after: 3, message })
        else if (luck >= lost) said.push(message)
        if (clock - status >= 5000) {
          status = clock
          said.push({ type: 'status', battery: Math.round(battery * 100) / 100 })
        }
      }
      return said
    },
    command(command) {
      if (command.type === 'turn') target = command.to
      else if (command.type === 'hang') {
        hung = hung.map((old) => ({ ...old, ...command.probes.find(({ id }) => id === old.id) }))
        zeros = zerosOf(kind, pair, hung, cant, seat)
      } else if (command.type === 'set') {
        const { offsetY, slopeY, offsetZ, slopeZ, moves } = command
        const side = moves === 'right' ? 1 : -1
        const bolt = ({ id, distance }: (typeof command.feet)[number]) => ({ foot: id, x: side * distance })
        feet = { side, bolts: [bolt(command.feet[0]), bolt(command.feet[1])] }
        stand({ offsetY, slopeY, offsetZ, slopeZ })
        zeros = zerosOf(kind, pair, hung, cant, seat)
      } else if (command.type === 'push') push(command.foot, command.plane, command.by)
      else if (command.type === 'tighten') {
        for (const { foot } of feet?.bolts ?? [])
          for (const plane of ['vertical', 'horizontal'] as const) push(foot, plane, settling * source.normal())
      } else if (command.type === 'trouble') {
        drop = command.kind === 'disconnect'
        outside = command.kind === 'out-of-range'
        slack = command.kind === 'slack' ? play.slack : play.usual
        if (command.kind === 'flat-battery') battery = 0.06
      }
    },
    wantsToDrop() {
      const now = drop
      drop = false
      return now
    },
  }
}

const rounded = (value: number, step: number): number => Math.round(Math.round(value / step) * step * 1e6) / 1e6

/** What each probe would show at the top before anybody sets it: dials are zeroed there, heads are aimed there. */
const zerosOf = (kind: StandInKind, pair: ShaftPair, hung: readonly Hung[], cant: number, seat: number): number[][] =>
  hung.map((_, i) =>
    valuesOf(kind, pair, hung, i, 0, 0, cant, seat, 0).map((value) => (kind === 'dials' ? value : value * 0.5)),
  )

function valuesOf(
  kind: StandInKind,
  pair: ShaftPair,
  hung: readonly Hung[],
  i: number,
  driver: number,
  follower: number,
  cant: number,
  seat: number,
  noise: number,
  source?: Chance,
): number[] {
  const probe = hung[i]
  if (!probe) return []
  const on = probe.id === 'left' ? 'left' : 'right'
  const own = on === 'right' ? driver : follower
  const x = on === 'right' ? probe.distance : -probe.distance
  const shake = () => (source && noise ? noise * source.normal() : 0)
  if (kind === 'dials')
    return [exactRimReading(pair, { on, x, radius: probe.radius ?? 80, sag: probe.sag ?? 0 }, own) + shake()]
  // the beam starts at the other head (or at its own, on the other machine), turned with that shaft
  const other = hung.find(({ id }) => id !== probe.id)
  const from = (on === 'right' ? -1 : 1) * (other?.distance ?? 160)
  const headAt = on === 'right' ? follower : driver
  const spot = (at: number) =>
    exactSpot(
      pair,
      {
        on,
        x: at,
        from,
        radius: 90,
        cantOut: cant,
        cantSide: -cant / 2,
        seatOut: seat,
        seatSide: -seat / 2,
        ahead: own - headAt,
      },
      headAt,
    )
  if (kind === 'heads') return [spot(x).radial + shake()]
  const [near, far] = [spot(x), spot(probe.distance2 ?? x + 150)]
  return [near.radial, near.tangential, far.radial, far.tangential].map((value) => value + shake())
}
