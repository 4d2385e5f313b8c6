import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import { type Belting, type BeltingAct, type BeltMove, beginBelting, beltLessonReducer, judgeBelting } from './belts'
import { emptyDriveHands, faceNow, faceWanted, makeDrive, motor, proudAt } from './drive'

const seeds = fc.integer({ min: 1, max: 9999 })
const play = (now: Belting, acts: readonly BeltingAct[]): Belting => acts.reduce(beltLessonReducer, now)
const slips = (now: Belting) => judgeBelting(beltLessonReducer(now, { do: 'check' })).slips

/** A move typed and done. */
const move = (which: BeltMove, mm: number): BeltingAct[] => [
  { do: 'type', move: which, text: mm.toFixed(2) },
  { do: 'move', move: which },
]

/** What a person works out from four readings of the straightedge, and nothing else. */
function seen(now: Belting) {
  const drive = makeDrive(now.seed)
  const [toward, away, top, bottom] = (['toward', 'away', 'top', 'bottom'] as const).map((edge) =>
    proudAt(drive, now.hands, edge),
  ) as [number, number, number, number]
  return {
    toe: (toward - away) / (2 * motor.radius),
    tilt: (top - bottom) / (2 * motor.radius),
    offset: (toward + away + top + bottom) / 4,
    wanted: faceWanted(drive),
  }
}

const opened = (seed: number): Belting => play(beginBelting(seed), [{ do: 'lock' }, { do: 'loosen' }])
const closed: readonly BeltingAct[] = [{ do: 'tension', how: 'both' }, { do: 'tighten' }]

const untilted = (now: Belting): Belting => play(now, move('shims', -seen(now).tilt * motor.feet))
const squared = (now: Belting): Belting => play(now, move('swung', -seen(now).toe * motor.feet))
const slid = (now: Belting, wanted = seen(now).wanted): Belting => play(now, move('slid', wanted - seen(now).offset))

describe('two sheaves', () => {
  it('are the same drive for the same number', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        expect(makeDrive(seed)).toEqual(makeDrive(seed))
      }),
      tries(30),
    )
  })

  it('stand as a motor turned about its front feet does, worked out from its corners', () => {
    fc.assert(
      fc.property(
        seeds,
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (seed, shims, swung) => {
          const drive = makeDrive(seed)
          const before = faceNow(drive, emptyDriveHands)
          const after = faceNow(drive, { ...emptyDriveHands, shims, swung })
          // a point of the face turned exactly, about the line through the front feet and about the upright through them
          const [lean, turn] = [Math.atan(shims / motor.feet), Math.atan(swung / motor.feet)]
          const out = (toward: number, up: number): number => {
            const height = motor.height + up
            return height * Math.sin(lean) + toward * Math.sin(turn)
          }
          const R = motor.radius
          expect(after.offset - before.offset).toBeCloseTo(out(0, 0), 2)
          expect((after.tilt - before.tilt) * R).toBeCloseTo(out(0, R) - out(0, 0), 2)
          expect((after.toe - before.toe) * R).toBeCloseTo(out(R, 0) - out(0, 0), 2)
        },
      ),
      tries(60),
    )
  })
})

describe('the lesson of the belts', () => {
  it('is passed on every drive by tilt, toe, offset, both screws and the bolts', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const done = play(slid(squared(untilted(opened(seed)))), closed)
        expect(slips(done)).toEqual([])
        expect(judgeBelting(done).passed).toBe(true)
        // a drive whose grooves are in line once it is square needs no slide
        expect(done.moves).toBe(done.hands.slid === 0 ? 2 : 3)
      }),
      tries(80),
    )
  })

  it('is failed on every drive as it was found, and by whoever did not lock out', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        expect(slips(play(beginBelting(seed), closed))).toEqual(expect.arrayContaining(['tilt', 'toe']))
        const unlocked = play(beginBelting(seed), [{ do: 'loosen' }])
        expect(judgeBelting(play(slid(squared(untilted(unlocked))), closed)).passed).toBe(false)
      }),
      tries(40),
    )
  })

  it('names faces that were set flush though the rims differ', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        expect(slips(play(slid(squared(untilted(opened(seed))), 0), closed))).toEqual(['faces-flush'])
      }),
      tries(40),
    )
  })

  it('names the offset that went with the shims', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const done = play(untilted(squared(slid(opened(seed)))), closed)
        // what the shims bring out can be what the rims differ by
        fc.pre(Math.abs(seen(done).offset) > 0.6)
        // and where it needed no slide, none was made too early
        fc.pre(done.hands.slid !== 0)
        expect(slips(done)).toEqual(['tilt-last'])
      }),
      tries(40),
    )
  })

  it('names one screw, slack belts, loose bolts, and what was pushed against either', () => {
    const done = slid(squared(untilted(opened(8))))
    expect(slips(play(done, [{ do: 'tension', how: 'one' }, { do: 'tighten' }]))).toEqual(['one-screw'])
    expect(slips(done)).toEqual(['slack', 'still-loose'])
    const forced = play(done, [{ do: 'tension', how: 'both' }, ...move('slid', 1), { do: 'tighten' }])
    expect(forced.hands.slid).toBe(done.hands.slid)
    expect(slips(forced)).toEqual(['strained'])
    expect(slips(play(play(opened(8), move('slid', 2)), closed))).toEqual(
      expect.arrayContaining(['tilt', 'toe', 'offset']),
    )
  })

  it('takes no move that is no number, and none that is out of reach', () => {
    const begun = opened(5)
    for (const text of ['', 'x', '1..2', '21', '0'])
      expect(
        play(begun, [
          { do: 'type', move: 'slid', text },
          { do: 'move', move: 'slid' },
        ]).hands,
      ).toEqual(begun.hands)
  })
})
