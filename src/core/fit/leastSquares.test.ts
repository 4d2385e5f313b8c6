import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { determined, leastSquares } from './leastSquares'
import type { Row } from './row'

/**
 * A round body that stands toed and tilted beside a straight line: its face read along x at points of known radius and angle,
 * each from a target of its own. Nothing of a coupling is in it.
 */
const unknowns = ['toe', 'tilt', 'offset'] as const
type Unknown = (typeof unknowns)[number]
type Body = Record<Unknown, number>

/** How far along x the face stands at a radius and an angle: ray along x against the plane square to the body's own axis. */
function exactFace({ toe, tilt, offset }: Body, radius: number, degrees: number): number {
  const [sin, cos] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)]
  // the axis (1, −toe, tilt); the face is all points p with (p − center)·axis = 0
  return offset - (radius * sin * -toe + radius * cos * tilt)
}

const row = (radius: number, degrees: number, observed: number, target?: string): Row<Unknown> => {
  const [sin, cos] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)]
  return {
    observed,
    sd: 0.05,
    coefficients: [radius * sin, -radius * cos, 1],
    constants: target ? [{ key: target, coefficient: 1 }] : [],
  }
}
const read = (body: Body, places: readonly (readonly [radius: number, degrees: number])[], target?: [string, number]) =>
  places.map(([radius, degrees]) =>
    row(radius, degrees, exactFace(body, radius, degrees) + (target?.[1] ?? 0), target?.[0]),
  )
const scales = [110, 110, 1]
const round = [
  [110, 0],
  [110, 90],
  [110, 180],
  [110, 270],
] as const

describe('a system of named unknowns that is no coupling', () => {
  const small = fc.double({ min: -0.01, max: 0.01, noNaN: true })
  const any = fc.record({ toe: small, tilt: small, offset: fc.double({ min: -5, max: 5, noNaN: true }) })
  it('gives the body back as it stands, with a constant of each target beside it', () => {
    fc.assert(
      fc.property(any, fc.double({ min: -3, max: 3, noNaN: true }), (body, constant) => {
        const rows = [
          ...read(body, round),
          ...read(
            body,
            [
              [60, 45],
              [60, 200],
            ],
            ['T1', constant],
          ),
        ]
        const { solvable, spanning } = determined(unknowns, rows, scales)
        expect(solvable).toEqual(unknowns)
        const fit = leastSquares(unknowns, rows, spanning)!
        for (const name of unknowns) expect(fit.values[name]).toBeCloseTo(body[name], 9)
        expect(fit.constants.get('T1')).toBeCloseTo(constant, 9)
      }),
    )
  })
  it('names what the readings leave open: read level with the shaft alone it has no tilt', () => {
    const body = { toe: 0.003, tilt: 0.002, offset: 1 }
    const level = read(body, [
      [110, 90],
      [110, 270],
      [60, 90],
    ])
    const { solvable, open, spanning } = determined(unknowns, level, scales)
    expect([solvable, open]).toEqual([['toe', 'offset'], ['tilt']])
    const fit = leastSquares(unknowns, level, spanning)!
    expect(fit.values).toMatchObject({ toe: expect.closeTo(0.003, 9), tilt: 0, offset: expect.closeTo(1, 9) })
    expect(fit.covariance[1]).toEqual([0, 0, 0])
    // where every reading has a target of its own constant, the offset cannot be told from it
    expect(determined(unknowns, read(body, round, ['T1', 0.4]), scales).open).toEqual(['offset'])
  })
  it('says how sure it is: the deviations are those that noise really throws', () => {
    const rows = read({ toe: 0, tilt: 0, offset: 0 }, round)
    const { covariance } = leastSquares(unknowns, rows, unknowns)!
    // four readings of 0.05 round a circle of 110: σ/√4 along x, σ/(ρ√2) of angle
    expect(Math.sqrt(covariance[2]![2]!)).toBeCloseTo(0.05 / 2, 12)
    expect(Math.sqrt(covariance[0]![0]!)).toBeCloseTo(0.05 / (110 * Math.SQRT2), 12)
  })
})
