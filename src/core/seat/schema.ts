import * as v from 'valibot'
import { done, id, quantitySchema, text } from '../quantity/schema'

/** A foot as it was found: its rise when only its bolt is loosened, feeler gaps at its corners, the pack under it. */
export const seatFootSchema = v.strictObject({
  rise: quantitySchema,
  gaps: v.strictObject({
    lowNear: v.optional(quantitySchema),
    lowFar: v.optional(quantitySchema),
    highNear: v.optional(quantitySchema),
    highFar: v.optional(quantitySchema),
  }),
  /** A blade so thick went under at no corner: a feeler used as go and no-go. */
  nothingOver: v.optional(quantitySchema),
  /** How the rise was told: a dial at the foot, or the shaft's apparent movement scaled to the foot (a guide). */
  told: v.picklist(['foot', 'shaft']),
  pack: text(60),
})

/** How often the bolts are gone round: twice as a rule, three times or more on a base that gives. */
export const roundsOfBolts = ['2', '3', '4', '5'] as const
export type RoundsOfBolts = (typeof roundsOfBolts)[number]

/** Twice, where nobody said. */
export const roundsOf = (seat: { rounds?: RoundsOfBolts | undefined } | undefined): number =>
  Number(seat?.rounds ?? '2')

export const seatSchema = v.strictObject({
  /** How much a foot may rise; empty for the usual 0.05 mm. */
  threshold: quantitySchema,
  torque: text(30),
  rounds: v.optional(v.picklist(roundsOfBolts)),
  /** Whether the coupling was open while the bolts were loosened: connected, it holds the machine down with it. */
  coupling: v.optional(v.picklist(['open', 'connected'])),
  /** Whether pipes and conduits were off while the feet were read: what stands open then is not their pull. */
  pipes: v.optional(v.picklist(['off', 'on'])),
  /** The pad under a foot, along the shaft and across it; and the thinnest shim in stock, for cutting steps. */
  padAlong: v.optional(quantitySchema),
  padAcross: v.optional(quantitySchema),
  thinnest: v.optional(quantitySchema),
  /** Ticks of the tightening, by "stage.pass". */
  ticks: v.record(id, done),
  /** By foot: gaps with all bolts loose; as found, one bolt loosened at a time; and again after the cure. */
  loose: v.record(id, seatFootSchema),
  before: v.record(id, seatFootSchema),
  after: v.record(id, seatFootSchema),
})

export type SeatFoot = v.InferOutput<typeof seatFootSchema>

export type Seat = v.InferOutput<typeof seatSchema>
