import { direction, foldDegrees } from '../frame/angles'
import { type ProbeBase, type ProbeContext, type Row, type SingleReadings, sagAt } from './probe'

/** A dial on a coupling face, along the shaft. Plunger pushed in reads positive. Lengths in mm. */
export interface FaceDial extends ProbeBase, SingleReadings {
  type: 'face'
  /** Radius of the circle it travels on. */
  radius: number
  /** The face that looks at the other machine is the front; its other side the back. */
  side: 'front' | 'back'
  sag: number
  /** Degrees by which this dial stands ahead of the angle given: 180 for the second of two face dials. */
  lead: number
  /** Axial float unknown at each angle and shared with the other face dials on the same machine in the set. */
  sharedFloat: boolean
}

/**
 * Face dial: `c + b·ρ·β·e(θ) + sag·(1 − cos θ)/2 − b·float(θ)`, `b = +1` on the front, −1 on the back; the same formula
 * whichever machine carries the bracket. Exactly linear: a flat face stays flat. Says nothing about offset.
 * A shared float is one more unknown at each angle; the first angle's stands for the constants' common part.
 */
export function faceRows(dial: FaceDial, { key, setKey }: ProbeContext): Row[] {
  const b = dial.side === 'front' ? 1 : -1
  const first = Math.min(...dial.readings.map((r) => foldDegrees(r.angle)))
  return dial.readings.map(({ angle, value }, reading) => {
    const own = angle + dial.lead
    const [y, z] = direction(own)
    const constants = [{ key, coefficient: 1 }]
    const position = foldDegrees(angle)
    if (dial.sharedFloat && position !== first)
      constants.push({ key: `${setKey}:float:${dial.on}:${position}`, coefficient: -b })
    return {
      reading,
      channel: 0,
      observed: value - sagAt(dial.sag, own),
      sd: dial.sd,
      misalignment: [0, b * dial.radius * y, 0, b * dial.radius * z],
      constants,
    }
  })
}
