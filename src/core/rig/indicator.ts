import type { DeviceMessage, Hello, RigCommand } from '../device/protocol'
import type { Misalignment } from '../probes/probe'
import { direction } from '../quantity/angles'
import { exactRimReading, planeAlongX, shaftPair } from './geometry'
import { chance } from './random'
import type { StandIn } from './standIn'

/** A face that is touched: where its middle stands along x, and the slopes of its shaft. mm, rad. */
interface Face {
  offset: number
  toe: number
  tilt: number
  /** Not square to its shaft by this much, standing out farthest at `at` degrees before it is turned. */
  wobble: number
  at: number
}

type Aim = Extract<RigCommand, { type: 'aim' }>

const step = 0.01
const noise = 0.003
/** An indicator is read wherever it stands; beyond this it is off its travel, mm. */
const travel = 25
/** The tip is put anew: it swings so long before it stands still, ms. */
const swings = 300

/** How far the wall of a round bore stands from a carrier: a ray against a circle. */
function wallFrom(y: number, z: number, radius: number, degrees: number): number {
  const [dy, dz] = direction(degrees)
  const along = y * dy + z * dz
  return along + Math.sqrt(radius ** 2 - (y * y + z * z - along * along))
}

const hashOf = (name: string): number => [...name].reduce((sum, letter) => Math.imul(sum, 31) + letter.charCodeAt(0), 7)

/**
 * An indicator with one number: a dial or a target that is put on one place after the other. Behind it stands a simulated rig
 * with a hidden truth by its seed: a face and a bore of its own for every name it is put on, and a pair of shafts. Exact geometry.
 *
 * @param seed the same seed gives the same rig, reading for reading
 * @param rate messages a second
 */
export function makeIndicator(seed: number, rate = 20): StandIn {
  const source = chance(seed)
  const pairs = chance(seed ^ 0x5f3759df)
  const truth: Misalignment = {
    offsetY: 0.4 * (pairs.uniform() - 0.5),
    slopeY: 0.0016 * (pairs.uniform() - 0.5),
    offsetZ: 0.4 * (pairs.uniform() - 0.5),
    slopeZ: 0.0016 * (pairs.uniform() - 0.5),
  }
  const pair = shaftPair(truth, 0)
  const faces = new Map<string, Face>()
  let aim: Aim | undefined
  let clock = 0
  let due = 0
  let seq = 0
  let putAt = 0
  let status = 0
  let battery = 0.83
  let outside = false
  let drop = false

  /** A face stands as its name and the seed have it, until somebody says how it stands. */
  const faceOf = (name: string): Face => {
    const known = faces.get(name)
    if (known) return known
    const own = chance(seed ^ hashOf(name))
    const slid = own.uniform()
    const made = {
      // never so near its place that there would be nothing to slide
      offset: slid < 0.5 ? -2 + 3 * slid : -1 + 3 * slid,
      toe: 0.016 * (own.uniform() - 0.5),
      tilt: 0.016 * (own.uniform() - 0.5),
      wobble: 0.0004 * own.uniform(),
      at: 360 * own.uniform(),
    }
    faces.set(name, made)
    return made
  }
  /** Where a bore's center stands from the carrier, as its name and the seed have it. */
  const centreOf = (name: string): readonly [y: number, z: number] => {
    const own = chance(seed ^ hashOf(name))
    return [0.5 * (own.uniform() - 0.5), 0.5 * (own.uniform() - 0.5)]
  }
  /** How a roll lies, as its name and the seed have it: slopes along the line and up, over y. */
  const rollOf = (name: string): readonly [square: number, level: number] => {
    const own = chance(seed ^ hashOf(name))
    return [0.0008 * (own.uniform() - 0.5), 0.0004 * (own.uniform() - 0.5)]
  }
  /** What a foot rises by when its bolt is loosened, and what it does not come back by: as its name and the seed have it. */
  const footOf = (name: string): readonly [rise: number, rest: number] => {
    const own = chance(seed ^ hashOf(name))
    return [Math.max(0, 0.24 * own.uniform() - 0.12), 0.006 * own.uniform()]
  }
  const value = (): number => {
    if (!aim) return 0
    if (aim.touch === 'foot') {
      const [rise, rest] = footOf(aim.of)
      return { rest: 0, loosened: rise, tightened: rest }[aim.bolt]
    }
    if (aim.touch === 'roll') {
      const { of, end, over, to } = aim
      const y = end === 'near' ? -over / 2 : over / 2
      const [square, level] = rollOf(of)
      // set beside the roll with some of its travel used
      if (!to) return 5 + square * y
      const [otherSquare, otherLevel] = rollOf(to.of)
      return Math.hypot(to.x + (otherSquare - square) * y, to.z + (otherLevel - level) * y) - Math.hypot(to.x, to.z)
    }
    if (aim.touch === 'rim') {
      const { on, distance, angle, radius = 80 } = aim
      const dial = { on, x: on === 'right' ? distance : -distance, radius, sag: 0 }
      // zeroed where its round begins
      return exactRimReading(pair, dial, angle) - exactRimReading(pair, dial, 0)
    }
    if (aim.touch === 'bore') {
      const [y, z] = centreOf(aim.of)
      return wallFrom(y, z, aim.radius ?? 60, 0) - wallFrom(y, z, aim.radius ?? 60, aim.angle)
    }
    const { offset, toe, tilt, wobble, at } = faceOf(aim.of)
    const [sin, cos] = direction(at + (aim.turned ?? 0))
    const [y, z] = direction(aim.angle)
    const lean = Math.tan(wobble)
    return planeAlongX([offset, 0, 0], [1, toe - lean * sin, tilt - lean * cos], aim.radius * y, aim.radius * z)
  }

  return {
    truth,
    hello: (): Hello => ({
      type: 'hello',
      format: 'vane-peg.device',
      version: 1,
      device: { id: 'stand-in-indicator', name: 'Indicator', simulated: true },
      probes: [{ id: 'tip', type: 'number', on: 'right', unit: 'mm', graduation: step }],
    }),
    advance(ms) {
      const said: DeviceMessage[] = []
      due += ms
      while (due >= 1000 / rate) {
        due -= 1000 / rate
        clock += 1000 / rate
        battery = Math.max(0, battery - 1000 / rate / 36_000_000)
        const swing = 0.4 * Math.exp(-(clock - putAt) / (swings / 4)) * Math.cos((clock - putAt) / 40)
        const told = value() + (clock - putAt < swings ? swing : 0) + noise * source.normal()
        const off = outside || Math.abs(told) > travel
        said.push({
          type: 'reading',
          seq: seq++,
          at: Math.round(clock),
          probes: [
            off
              ? { id: 'tip', angle: 0, values: null, fault: 'out-of-range' }
              : { id: 'tip', angle: 0, values: [Math.round(told / step) / Math.round(1 / step)] },
          ],
        })
        if (clock - status >= 5000) {
          status = clock
          said.push({ type: 'status', battery: Math.round(battery * 100) / 100 })
        }
      }
      return said
    },
    command(command) {
      if (command.type === 'aim') {
        if (JSON.stringify(command) !== JSON.stringify(aim)) putAt = clock
        aim = command
      } else if (command.type === 'face') {
        const { of, toe, tilt, offset } = command
        faces.set(of, { ...faceOf(of), toe, tilt, offset, wobble: 0 })
      } else if (command.type === 'trouble') {
        drop = command.kind === 'disconnect'
        outside = command.kind === 'out-of-range'
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
