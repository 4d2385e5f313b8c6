import { type Channel, measured, type ProbeBase, type ProbeContext, towardRight, weightAt } from './probe'

/** One beam on a detector with two planes; four numbers a position. Lengths in mm. */
export interface BeamTwoPlane extends ProbeBase {
  type: 'beam2'
  /** Stations of the two planes. */
  planes: readonly [number, number]
  readings: readonly { angle: number; values: readonly [r1: number, t1: number, r2: number, t2: number] }[]
}

/** At each plane: radial `c_r − g·d·e(θ)` and tangential `c_t − g·d·e(θ + 90°)`, each with its own constant. */
export function beamTwoPlaneChannels(beam: BeamTwoPlane, { couplingX, key }: ProbeContext): Channel[] {
  return ([0, 1, 2, 3] as const).map((channel) => ({
    key: `${key}:${channel}`,
    sd: beam.sd,
    weight: weightAt(-towardRight(beam.on), beam.planes[channel < 2 ? 0 : 1] - couplingX),
    ...measured(
      beam.readings.map(({ angle, values }) => ({ angle, value: values[channel] })),
      (channel % 2) * 90,
      0,
    ),
  }))
}
