import { probeKinds } from '../../../probes'
import { quantityMm } from '../../../quantity/quantity'
import type { ProbeState } from '../../../shafts/state'

/** A typed value of a probe that is off by far: a slip of unit or of the decimal point is likelier than such a thing. Lengths in mm. */
export interface OutOfProportion {
  of: 'sag' | 'radius' | 'graduation' | 'turn' | 'travel' | 'span' | 'sd' | 'runout' | 'reading'
  value: number
  /** What it usually lies between. */
  least: number
  most: number
  /** The angle of a reading. */
  angleId?: string
}

/** What is usual on shafts that a person can walk round, mm. */
const usual = {
  sag: [-1, 1],
  radius: [10, 1500],
  graduation: [0.0005, 0.1],
  turn: [0.05, 10],
  travel: [0.1, 60],
  span: [20, 3000],
  sd: [0.00005, 0.1],
  runout: [0, 2],
  reading: [-25, 25],
} as const satisfies Record<OutOfProportion['of'], readonly [number, number]>

/** What of a probe's set-up and readings lies far outside what is usual. */
export function outOfProportion({ dial, sag, readings }: ProbeState): OutOfProportion[] {
  const odd = (of: OutOfProportion['of'], value: number | undefined, angleId?: string): OutOfProportion[] => {
    const [least, most] = usual[of]
    return value === undefined || (value >= least && value <= most)
      ? []
      : [{ of, value, least, most, ...(angleId === undefined ? {} : { angleId }) }]
  }
  const kind = probeKinds[dial.type]
  return [
    ...odd('sag', sag),
    ...odd('radius', kind.radius === 'none' ? undefined : quantityMm(dial.radius)),
    ...odd('graduation', quantityMm(dial.graduation)),
    ...(kind.instrument === 'head' ? [] : odd('turn', quantityMm(dial.turn))),
    ...odd('travel', quantityMm(dial.travel)),
    ...odd('span', quantityMm(dial.span)),
    ...odd('sd', quantityMm(dial.sd)),
    ...odd('runout', quantityMm(dial.runout?.swing)),
    ...readings.flatMap(({ angleId, raw }) => odd('reading', raw, angleId)).slice(0, 1),
  ]
}
