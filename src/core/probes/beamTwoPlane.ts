import { type ProbeBase, type ProbeContext, type Row, separationCoefficients, towardRight } from './probe'

/** One beam on a detector with two planes; four numbers a position. Lengths in mm. */
export interface BeamTwoPlane extends ProbeBase {
  type: 'beam2'
  /** Stations of the two planes. */
  planes: readonly [number, number]
  readings: readonly { angle: number; values: readonly [r1: number, t1: number, r2: number, t2: number] }[]
}

/** At each plane: radial `c_r − g·d·e(θ)` and tangential `c_t − g·d·e(θ + 90°)`, each with its own constant. */
export function beamTwoPlaneRows(beam: BeamTwoPlane, { couplingX, key }: ProbeContext): Row[] {
  return beam.readings.flatMap(({ angle, values }, reading) =>
    values.map((observed, channel) => ({
      reading,
      channel,
      observed,
      sd: beam.sd,
      misalignment: separationCoefficients(
        -towardRight(beam.on),
        angle + (channel % 2) * 90,
        beam.planes[channel < 2 ? 0 : 1] - couplingX,
      ),
      constants: [{ key: `${key}:${channel}`, coefficient: 1 }],
    })),
  )
}
