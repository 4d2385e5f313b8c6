import * as v from 'valibot'
import { id, quantitySchema, text } from '../../../frame/schema'
import { lineFrame, roundFrame } from '../../../job/document'

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
})

export const lineSchema = v.strictObject({
  ...lineFrame,
  kind: v.literal('rolls'),
  sides: v.strictObject({ near: text(40), far: text(40) }),
  /** Of every face; and between the housings of every roll. */
  width: quantitySchema,
  housings: quantitySchema,
  rolls: v.pipe(v.array(rollSchema), v.minLength(2), v.maxLength(60)),
  /** Square by agreement where nothing squares it. */
  reference: v.union([v.literal(''), id]),
  /** How far a baseline stands toward the near side of the middle of the machine; empty where there is none. */
  baseline: quantitySchema,
})

/** The numbers that may be read of a roll: both ends from a square plane, both ends of a tape to the next roll, from the baseline. */
export const lengthCells = ['near', 'far', 'tapeNear', 'tapeFar', 'centre'] as const
export type LengthCell = (typeof lengthCells)[number]
/** Divisions of a level as it lies, and turned end for end. */
export const levelCells = ['level', 'turned'] as const
export type LevelCell = (typeof levelCells)[number]

const markSchema = v.strictObject({
  id,
  stand: text(20),
  mark: text(20),
  x: quantitySchema,
  value: quantitySchema,
})

export const roundSchema = v.strictObject({
  ...roundFrame,
  /** mm/m a division, as typed. */
  sensitivity: text(12),
  /** How far apart across the roll the two ends are read. */
  over: quantitySchema,
  /** By roll and cell: `r3.near`. */
  values: v.record(id, quantitySchema),
  /** Divisions as typed: `r3.level`, `r3.turned`. */
  divisions: v.record(id, text(12)),
  /** By roll: the stand of the instrument that squared it; absent or empty where it was the baseline. */
  stands: v.record(id, text(20)),
  /** Floor marks as the stands read them. */
  marks: v.pipe(v.array(markSchema), v.maxLength(60)),
})

export type RollsLine = v.InferOutput<typeof lineSchema>
export type RollsRound = v.InferOutput<typeof roundSchema>
export type RollOfLine = RollsLine['rolls'][number]
