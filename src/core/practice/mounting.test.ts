import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import {
  angleOf,
  atCoupling,
  boltsOf,
  dialsAt,
  emptyFlangeHands,
  type Flange,
  inFrame,
  makeFlange,
  seenAt,
  standing,
} from './flange'
import { beginMounting, judgeMounting, type Mounting, type MountingAct, mounted, mountingAllows } from './mounting'

const seeds = fc.integer({ min: 1, max: 9999 })
const play = (now: Mounting, acts: readonly MountingAct[]): Mounting => acts.reduce(mounted, now)
const slips = (now: Mounting) => judgeMounting(mounted(now, { do: 'check' })).slips
const ready = (seed: number, ...more: readonly MountingAct[]): Mounting =>
  play(beginMounting(seed), [{ do: 'lock' }, { do: 'hoist', on: true }, { do: 'loosen' }, ...more])
const bolted: readonly MountingAct[] = [{ do: 'tighten' }, { do: 'hoist', on: false }]
const hundredths = (mm: number) => Math.round(mm * 100) / 100

/** The dials to their lines, at the four places a quarter apart. */
function found(seed: number, hands = emptyFlangeHands) {
  const flange = makeFlange(seed)
  const at = (quarter: number) => dialsAt(flange, hands, 1 + (quarter * flange.bolts) / 4)
  const [one, two, three, four] = [at(0), at(1), at(2), at(3)]
  const rims = (a: { rim: number }, b: { rim: number }) => (hundredths(b.rim) - hundredths(a.rim)) / 2
  const faces = (a: { face: number }, b: { face: number }) =>
    (hundredths(b.face) - hundredths(a.face)) / (2 * flange.face)
  // the rim dial goes out toward the side the shaft stands to; the face comes nearer where the shaft leans to
  const slope = { y: faces(four, two), z: faces(three, one) }
  const rim = { y: rims(four, two), z: rims(three, one) }
  const over = flange.over - flange.rim.x
  return { flange, slope, place: { y: rim.y + slope.y * over, z: rim.z + slope.z * over } }
}

/** Shims of a slope at every bolt: nothing at the high spot, all the rest above it. */
function shims(flange: Flange, slope: { y: number; z: number }): MountingAct[] {
  const lift = boltsOf(flange).map((bolt) => {
    const angle = (angleOf(flange, bolt) * Math.PI) / 180
    return flange.radius * (slope.y * Math.sin(angle) + slope.z * Math.cos(angle))
  })
  return lift.flatMap((mm, i): MountingAct[] => [
    { do: 'type', what: 'shim', text: (mm - Math.min(...lift)).toFixed(2) },
    { do: 'shim', bolt: i + 1 },
  ])
}

/** A push in the bolts' frame, made as it is seen from above. */
function push(flange: Flange, { y, z }: { y: number; z: number }, clockwise = flange.clockwise): MountingAct[] {
  const first = (seenAt(flange, 1) * Math.PI) / 180
  const on = first + ((clockwise ? 1 : -1) * Math.PI) / 2
  const right = z * Math.sin(first) + y * Math.sin(on)
  const far = z * Math.cos(first) + y * Math.cos(on)
  return (
    [
      ['right', right],
      ['far', far],
    ] as const
  ).flatMap(([way, mm]): MountingAct[] => [
    { do: 'type', what: way, text: mm.toFixed(2) },
    { do: 'push', way },
  ])
}

function perfect(seed: number): Mounting {
  const { flange, slope, place } = found(seed)
  return ready(seed, ...shims(flange, slope), ...push(flange, { y: -place.y, z: -place.z }), ...bolted)
}

describe('a motor on its flange', () => {
  it('is the same for the same number, and leans', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        expect(makeFlange(seed)).toEqual(makeFlange(seed))
        expect(slips(play(ready(seed), bolted))).toContain('slope')
      }),
      tries(40),
    )
  })

  it('a flange raised toward one side leans the shaft away from it, and shifts it nowhere in its own plane', () => {
    fc.assert(
      fc.property(seeds, fc.double({ min: 0.05, max: 0.5, noNaN: true }), (seed, mm) => {
        const flange = makeFlange(seed)
        const hands = {
          ...emptyFlangeHands,
          shims: Object.fromEntries(
            boltsOf(flange).map((bolt) => [bolt, (mm * (1 + Math.cos((angleOf(flange, bolt) * Math.PI) / 180))) / 2]),
          ),
        }
        const after = standing(flange, hands)
        // rigid turn: the bolt circle rises by mm across its diameter, the axis square to it leans by as much
        expect(after.slope[1]).toBeCloseTo(flange.slope[1] - mm / (2 * flange.radius), 12)
        expect(after.slope[0]).toBeCloseTo(flange.slope[0], 12)
        expect(after.place).toEqual(flange.place)
        const { offsetZ, slopeZ } = atCoupling(flange, hands)
        expect(offsetZ + slopeZ * flange.over).toBeCloseTo(flange.place[1], 12)
      }),
      tries(60),
    )
  })

  it('pushed toward a bolt, by eye from above, it goes toward that bolt, whichever way round they are counted', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 0, max: 7 }), (seed, which) => {
        const flange = makeFlange(seed)
        const bolt = 1 + (which % flange.bolts)
        const seen = (seenAt(flange, bolt) * Math.PI) / 180
        const [y, z] = inFrame(flange, { right: Math.sin(seen), far: Math.cos(seen) })
        const angle = (angleOf(flange, bolt) * Math.PI) / 180
        expect(y).toBeCloseTo(Math.sin(angle), 9)
        expect(z).toBeCloseTo(Math.cos(angle), 9)
      }),
      tries(60),
    )
  })
})

describe('the lesson of the flange', () => {
  it('a player who makes no mistake passes on every machine', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const judged = judgeMounting(mounted(perfect(seed), { do: 'check' }))
        expect({ seed, slips: judged.slips }).toEqual({ seed, slips: [] })
        expect(judged.passed).toBe(true)
        expect(judged.left.slope).toBeLessThan(mountingAllows.slope)
      }),
      tries(200),
    )
  })

  it('each slip by its name', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const { flange, slope, place } = found(seed)
        const back = { y: -place.y, z: -place.z }
        const done = (...acts: readonly MountingAct[]) => slips(ready(seed, ...acts, ...bolted))
        expect(done(...shims(flange, { y: -slope.y, z: -slope.z }), ...push(flange, back))).toContain('at-high-side')
        expect(done(...shims(flange, slope), ...push(flange, back, !flange.clockwise))).toEqual(['other-way-round'])
        const before = atCoupling(flange, emptyFlangeHands)
        const aside = { y: -before.offsetY, z: -before.offsetZ }
        const differs = Math.hypot(before.offsetY - place.y, before.offsetZ - place.z) > 0.1
        if (differs && Math.hypot(aside.y, aside.z) < flange.room - 0.02)
          expect(done(...shims(flange, slope), ...push(flange, aside))).toEqual(['at-the-coupling'])
        expect(done(...shims(flange, slope), ...push(flange, { y: 2.5, z: 0 }))).toEqual(['against-spigot'])
        // one bolt alone, thick
        expect(done({ do: 'type', what: 'shim', text: '0.5' }, { do: 'shim', bolt: 2 })).toContain('bent')
        const all = boltsOf(flange).flatMap((bolt): MountingAct[] => [
          { do: 'type', what: 'shim', text: '0.3' },
          { do: 'shim', bolt },
        ])
        expect(done(...all)).toContain('all-lifted')
      }),
      tries(80),
    )
  })

  it('loosened without the hoist, or let go while loose, it is not passed; touched before the lock it is lost', () => {
    const seed = 17
    const { flange, slope, place } = found(seed)
    const moves = [...shims(flange, slope), ...push(flange, { y: -place.y, z: -place.z })]
    const unheld = play(beginMounting(seed), [{ do: 'lock' }, { do: 'loosen' }, ...moves, ...bolted])
    expect(slips(unheld)).toEqual(['unheld'])
    expect(slips(ready(seed, { do: 'hoist', on: false }, ...moves, ...bolted))).toEqual(['unheld'])
    const rash = play(beginMounting(seed), [
      { do: 'hoist', on: true },
      { do: 'lock' },
      { do: 'loosen' },
      ...moves,
      ...bolted,
    ])
    expect(judgeMounting(rash)).toMatchObject({ slips: [], passed: false })
    // bolted down nothing moves, and it is told
    const strained = play(perfect(seed), [
      { do: 'type', what: 'right', text: '0.2' },
      { do: 'push', way: 'right' },
    ])
    expect(slips(strained)).toEqual(['strained'])
    expect(slips(play(perfect(seed), [{ do: 'hoist', on: true }, { do: 'loosen' }]))).toContain('still-loose')
  })
})
