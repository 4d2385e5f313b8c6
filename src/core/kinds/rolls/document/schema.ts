import * as v from 'valibot'
import { lineFrame, roundFrame } from '../../../job/document'
import { doneSchema } from '../../../job/done'
import { id, measured, quantitySchema, text } from '../../../quantity/schema'

/** Most rolls of a section. */
export const mostRolls = 200

/**
 * What is stored of a section of rolls: they stand in the order in which the web runs. All have one face width and one distance
 * between their housings. Places are told from the first, toward the way the web runs and up.
 */
const rollSchema = v.strictObject({
  id,
  name: text(60),
  x: quantitySchema,
  z: quantitySchema,
  diameter: quantitySchema,
  /** Over: the roll lies right of the running web; a web toward larger x passes over it. */
  side: v.picklist(['over', 'under']),
  /** Cannot be moved: a drive, a nip, dowelled. */
  fixed: v.boolean(),
  /** By which its housings' base rises toward larger x, degrees as typed. */
  incline: text(12),
  /** What the span that ends here may bend in its plane, mm/m as typed; empty for 0.1. */
  limit: text(12),
  /** Turns about a pivot as it runs: a dancer, a steering or a guide roll. */
  pivots: v.optional(v.boolean()),
  /** How far its near housing can go; empty for no limit. Along its base either way, shims that can be added, shims that can come out. */
  limits: v.optional(v.strictObject({ slide: quantitySchema, up: quantitySchema, down: quantitySchema })),
})

/** A mark built into floor or frame that the baseline is found again from. */
const monumentSchema = v.strictObject({
  id,
  name: text(40),
  /** Where it is, in words. */
  place: text(120),
  x: quantitySchema,
  /** Off the middle of the machine toward the near side. */
  off: quantitySchema,
  /** The day it was last checked against another; empty where nobody knows. */
  verified: text(10),
})

export const lineSchema = v.strictObject({
  ...lineFrame,
  kind: v.literal('rolls'),
  sides: v.strictObject({ near: text(40), far: text(40) }),
  /** Of every face; and between the housings of every roll. */
  width: quantitySchema,
  housings: quantitySchema,
  rolls: v.pipe(v.array(rollSchema), v.minLength(2), v.maxLength(mostRolls)),
  /** Square by agreement where nothing squares it. */
  reference: v.union([v.literal(''), id]),
  /** How far a baseline stands toward the near side of the middle of the machine; empty where there is none. */
  baseline: quantitySchema,
  monuments: v.optional(v.pipe(v.array(monumentSchema), v.maxLength(20))),
  /**
   * What the web can bear, as typed: tension N/mm of its width, modulus N/mm², thickness mm. With all three given, a span's own limit
   * comes from the slack edge; absent where nobody knows.
   */
  web: v.optional(v.strictObject({ tension: text(12), modulus: text(12), thickness: text(12) })),
})

/** The numbers that may be read of a roll: both ends from a square plane, both ends of a tape to the next roll, from the baseline. */
export const lengthCells = ['near', 'far', 'tapeNear', 'tapeFar', 'centre'] as const
export type LengthCell = (typeof lengthCells)[number]
/** Divisions of a level as it lies, and turned end for end. */
export const levelCells = ['level', 'turned'] as const
export type LevelCell = (typeof levelCells)[number]

/**
 * What else can be read: a tape between any two rolls, one round two of them, both diagonals between two faces, or what an
 * instrument tells of one roll at once.
 */
export const furtherTypes = ['tape', 'loop', 'diagonals', 'direct'] as const
export type FurtherType = (typeof furtherTypes)[number]

const furtherSchema = v.strictObject({
  id,
  type: v.picklist(furtherTypes),
  on: v.union([v.literal(''), id]),
  /** The other roll; empty for what is told of one. */
  to: v.union([v.literal(''), id]),
  /** At the near end and at the far end; for diagonals from the first's near end to the other's far end, and the other way. */
  near: quantitySchema,
  far: quantitySchema,
  /** Told at once, mm/m as typed, and the length that it was gauged over. */
  square: text(12),
  level: text(12),
  gauge: quantitySchema,
})

/** Where a pivoting roll stands in its stroke, and which way it came there. */
export const strokePlaces = ['one', 'middle', 'other'] as const
export type StrokePlace = (typeof strokePlaces)[number]
export const strokeWays = ['up', 'down'] as const
export type StrokeWay = (typeof strokeWays)[number]

/** What brings somebody to a running machine. */
export const complaints = ['registration', 'edge', 'breaks', 'wrinkle', 'other'] as const
export type Complaint = (typeof complaints)[number]

const bothEnds = v.strictObject({ near: quantitySchema, far: quantitySchema })

/** A call about trouble: what is seen, two looks with hand tools set up anew between, before anything is moved. */
const troubleSchema = v.strictObject({
  what: v.picklist(complaints),
  since: text(80),
  /** Where it shows: the roll at the end of that span. */
  span: v.union([v.literal(''), id]),
  /** The edge that hangs slack, where one does. */
  slack: v.picklist(['near', 'far', '']),
  looks: v.strictTuple([bothEnds, bothEnds]),
})

const markSchema = v.strictObject({
  id,
  stand: text(20),
  mark: text(20),
  x: quantitySchema,
  value: quantitySchema,
})

/** Which rolls are moved: those that put a span out, every one, or the fewest that the web needs. */
export const rollPlans = ['out', 'all', 'web'] as const
export type RollPlan = (typeof rollPlans)[number]

export const roundSchema = v.strictObject({
  ...roundFrame,
  done: doneSchema,
  /** mm/m a division, as typed. */
  sensitivity: text(12),
  /** How far apart across the roll the two ends are read. */
  over: quantitySchema,
  /** By roll and cell: `r3.near`. */
  values: v.record(id, quantitySchema),
  /** Divisions as typed: `r3.level`, `r3.turned`. */
  divisions: v.record(id, text(12)),
  /** The scale's numbers grow up the line. */
  counts: v.optional(v.literal('other')),
  /** By roll: the stand of the instrument that squared it; absent or empty where it was the baseline. */
  stands: v.record(id, text(20)),
  /** Floor marks as the stands read them. */
  marks: v.pipe(v.array(markSchema), v.maxLength(mostRolls)),
  further: v.optional(v.pipe(v.array(furtherSchema), v.maxLength(2 * mostRolls))),
  /** Of pivoting rolls, far end less near end, by roll, place and way it came: `r7.one-up`. */
  strokes: v.optional(v.record(text(60), quantitySchema)),
  trouble: v.optional(troubleSchema),
  /** What is to be done; absent for the rolls that put a span out. The fewest for the web as they were worked out, mm. */
  plan: v.optional(v.picklist(rollPlans)),
  webMoves: v.optional(
    v.pipe(v.array(v.strictObject({ roll: id, slide: measured, shim: measured })), v.maxLength(mostRolls)),
  ),
})

export type RollsLine = v.InferOutput<typeof lineSchema>
export type RollsRound = v.InferOutput<typeof roundSchema>
export type RollOfLine = RollsLine['rolls'][number]
export type Monument = NonNullable<RollsLine['monuments']>[number]
export type Further = NonNullable<RollsRound['further']>[number]
export type TroubleCall = NonNullable<RollsRound['trouble']>
