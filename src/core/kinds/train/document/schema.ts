import * as v from 'valibot'
import { jobSchemaOf, lineFrame, roundFrame } from '../../../job/document'
import { id, measured, mmSize, quantitySchema, text } from '../../../quantity/schema'
import { setSchema, stationSchema } from '../../../shafts/schema'
import { shimStockSchema } from '../../../shims/schema'
import { toleranceSchema } from '../../../verdict/typed'

/** Materials a support is made of, by how much they grow. */
export const materials = ['steel', 'grey-iron', 'aluminium'] as const

/** How much the shaft above a foot rises (and goes toward the far side) from cold to running. */
export const growthSchema = v.strictObject({
  told: v.picklist(['entered', 'heat', 'readings']),
  vertical: quantitySchema,
  horizontal: quantitySchema,
  /** Worked out from what carries the shaft: its material, its height from foot to shaft, cold and running. */
  heat: v.optional(
    v.strictObject({
      material: v.picklist(materials),
      height: quantitySchema,
      cold: text(12),
      running: text(12),
      degrees: v.picklist(['C', 'F']),
    }),
  ),
  /** Where it comes from: the maker's sheet, or which rounds were read cold and hot. */
  source: text(120),
})

export const footSchema = v.strictObject({
  id,
  name: text(40),
  station: stationSchema,
  /** Across the machine, from the near bolt to the far one. */
  spread: v.optional(quantitySchema),
  growth: v.optional(growthSchema),
})

export const machineKinds = ['motor', 'pump', 'gearbox', 'blower', 'fan', 'other'] as const

export const machineSchema = v.strictObject({
  id,
  name: text(60),
  kind: v.picklist(machineKinds),
  feet: v.pipe(v.array(footSchema), v.maxLength(12)),
})

export const couplingSchema = v.strictObject({
  id,
  name: text(60),
  kind: v.picklist(['short', 'spacer', 'rigid']),
  /** Absent on one coupling, as a rule the first: it is where x begins. */
  station: v.optional(stationSchema),
  /** Where its halves slide on each other. */
  diameter: quantitySchema,
  /** Between the flex planes of a spacer. */
  span: quantitySchema,
})

export const lineSchema = v.strictObject({
  ...lineFrame,
  kind: v.literal('train'),
  sides: v.strictObject({ near: text(24), far: text(24) }),
  machines: v.pipe(v.array(machineSchema), v.minLength(2), v.maxLength(8)),
  couplings: v.pipe(v.array(couplingSchema), v.minLength(1), v.maxLength(7)),
  /** Marks that others are measured from: a hub face, the end of a shaft, a bracket's post. */
  marks: v.optional(v.pipe(v.array(v.strictObject({ id, name: text(40), station: stationSchema })), v.maxLength(24))),
  fixed: id,
  fixedBecause: text(120),
  /** Turns a minute, as typed. */
  speed: text(12),
  tolerance: toleranceSchema,
})
/** The two places of a line drawn through the train: at its first and its last foot, mm from the fixed machine's cold axis. */
const drawnSchema = v.strictObject({
  first: measured,
  last: measured,
})
/** What is to be done about a round's readings, as people chose it. The moves themselves are worked out. */
export const planSchema = v.strictObject({
  stays: v.picklist(['fixed', 'hold', 'least', 'drawn']),
  /** Two stations of feet that stay. */
  hold: v.optional(v.pipe(v.array(id), v.maxLength(2))),
  /** The one plane that they are held in; both where it is absent. */
  holdIn: v.optional(v.picklist(['vertical', 'horizontal'])),
  /** Least moves: the share of the tolerance that may stay, in per cent as typed; empty for half. */
  margin: v.optional(text(6)),
  drawn: v.optional(v.strictObject({ vertical: drawnSchema, horizontal: drawnSchema })),
  /** By station of feet: how far it can go. */
  limits: v.record(
    id,
    v.strictObject({
      down: v.optional(quantitySchema),
      up: v.optional(quantitySchema),
      near: v.optional(quantitySchema),
      far: v.optional(quantitySchema),
    }),
  ),
  /** By foot ("station.near"): the shims under it, "1 + 0.5", where Seat did not ask. */
  packs: v.record(id, quantitySchema),
  /** By machine: the shims to choose from, as they were in the kit then. */
  stock: v.record(id, shimStockSchema),
  /** Shims in one pack at most, as typed; empty for four. */
  mostShims: v.optional(text(4)),
  order: v.optional(v.picklist(['vertical-first', 'sideways-first', 'together'])),
  /** By machine that has pipes or runs in a casing: who agreed that it is moved, when, and by how much at most, mm. */
  agreed: v.optional(
    v.record(id, v.strictObject({ by: text(12), at: text(40), vertical: mmSize, horizontal: mmSize })),
  ),
  /** By station: what was done in the end. Vertical up, horizontal toward the far side. */
  done: v.optional(v.record(id, v.strictObject({ vertical: quantitySchema, horizontal: quantitySchema }))),
})

/** Readings of a round at most, places to read counted: what can be worked out and printed while somebody waits. */
export const mostPlaces = 2000

export const roundSchema = v.pipe(
  v.strictObject({
    ...roundFrame,
    sets: v.pipe(v.array(setSchema), v.maxLength(24)),
    plan: v.optional(planSchema),
  }),
  v.check(
    ({ sets }) => sets.reduce((sum, { angles, probes }) => sum + angles.length * probes.length, 0) <= mostPlaces,
    `at most ${mostPlaces} places to read in a round`,
  ),
)
export const jobSchema = jobSchemaOf(lineSchema, roundSchema)

export type LineFoot = v.InferOutput<typeof footSchema>
export type LineMachine = v.InferOutput<typeof machineSchema>
export type LineCoupling = v.InferOutput<typeof couplingSchema>
export type Line = v.InferOutput<typeof lineSchema>
export type Growth = v.InferOutput<typeof growthSchema>
export type Material = (typeof materials)[number]
export type RoundPlan = v.InferOutput<typeof planSchema>
export type Round = v.InferOutput<typeof roundSchema>
export type Job = v.InferOutput<typeof jobSchema>
export type MachineKind = (typeof machineKinds)[number]
