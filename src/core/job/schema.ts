import * as v from 'valibot'
import { purposes } from '../fit/together'

/**
 * What is stored of a line and of a job: what people typed, as they typed it. Everything else can be worked out again.
 * Machines stand from left to right as the train is drawn.
 */

const text = (most: number) => v.pipe(v.string(), v.maxLength(most, `at most ${most} characters`))
/** Ids are keys of records as well: none may be one that every object has. */
const id = v.pipe(
  v.string(),
  v.nonEmpty('a name'),
  v.maxLength(40, 'at most 40 characters'),
  v.check((value) => !(value in Object.prototype), 'another name'),
)

/** A number that is measured, in any unit: beyond this the arithmetic itself gives out. */
const measured = v.pipe(v.number(), v.finite(), v.minValue(-1e6), v.maxValue(1e6))

const unit = v.picklist(['mm', 'um', 'in', 'mil'])

export const quantitySchema = v.strictObject({
  text: text(40),
  unit,
  was: v.optional(v.strictObject({ text: text(40), unit })),
})

/** Where something stands: so far from something else, toward the left or the right end of the train. */
export const stationSchema = v.strictObject({
  /** Id of a coupling, a foot or a probe. */
  from: id,
  distance: quantitySchema,
  toward: v.picklist(['left', 'right']),
})

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

export const toleranceSchema = v.variant('policy', [
  v.strictObject({ policy: v.literal('slip-speed'), grade: v.picklist(['fine', 'standard', 'coarse']) }),
  v.strictObject({
    policy: v.literal('figures'),
    offset: quantitySchema,
    /** mm over 100 mm of length, or mil over an inch: the unit of the text says which. */
    slope: v.strictObject({ text: text(40), unit: v.picklist(['mm/100 mm', 'mil/in']) }),
    source: text(120),
  }),
])

/**
 * The shape of today's documents; `stored.ts` brings earlier ones up to it. 1: before documents said their shape. 2: every
 * set says what it was read for.
 */
export const documentShape = 2
/** Written when a document is stored. */
export const shape = v.optional(v.literal(documentShape))

export const lineSchema = v.strictObject({
  shape,
  name: text(80),
  area: text(80),
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
  /** Checks of this line's own, proposed in Ready on every job. */
  checks: v.optional(v.pipe(v.array(v.strictObject({ id, text: text(120) })), v.maxLength(20))),
})

export const readingSchema = v.strictObject({
  value: quantitySchema,
  /** Whole turns of the dial to add to what the needle shows. */
  turns: v.pipe(v.number(), v.integer(), v.minValue(-20), v.maxValue(20)),
})

/** What can hang on the shafts: rim and face dials, a head that sees the other's beam, one with two planes, a bore dial. */
export const probeTypes = ['rim', 'face', 'beam', 'beam2', 'bore'] as const

/** The numbers a two-plane detector gives at a position: outward and sideways at the first plane and at the second. */
export const channelNames = ['r1', 't1', 'r2', 't2'] as const

/** A sweep as a device handed it over: the angle of each point in degrees, and its number or numbers. */
export const sweepSchema = v.pipe(
  v.strictObject({
    unit: v.picklist(['mm', 'um', 'in', 'mil']),
    degrees: v.pipe(v.array(measured), v.maxLength(100_000, 'at most 100,000 points')),
    /** One list a channel, as long as `degrees`. */
    values: v.pipe(v.array(v.array(measured)), v.minLength(1), v.maxLength(4)),
  }),
  v.check(
    ({ degrees, values }) => values.every((list) => list.length === degrees.length),
    'as many numbers as angles in every channel of a sweep',
  ),
)

/** What of the kit was used, by id, and what was known of it then. */
const fromKit = v.strictObject({
  dial: v.optional(v.strictObject({ id, name: text(60) })),
  bracket: v.optional(
    v.strictObject({
      id,
      name: text(60),
      /** Between clamp and plunger when its sag was taken, with which dial, and on which day. */
      span: quantitySchema,
      dial: text(60),
      takenOn: text(10),
    }),
  ),
})

export const probeSchema = v.strictObject({
  id,
  type: v.picklist(probeTypes),
  /** Id of the machine it touches, or that carries the detector. */
  on: id,
  /** Where it stands; not asked of a face dial. The first plane of a two-plane detector. */
  station: stationSchema,
  /** The second plane of a two-plane detector. */
  plane2: v.optional(stationSchema),
  /** Radius of the rim, empty where nobody measured it; of the circle a face dial travels on. */
  radius: quantitySchema,
  graduation: quantitySchema,
  /** One turn of the dial. */
  turn: quantitySchema,
  /** How far its plunger can travel. */
  travel: v.optional(quantitySchema),
  /** The bracket's sag: what it reads at the bottom of a straight bar, zeroed on top. */
  sag: quantitySchema,
  /** Between the bracket's clamp and the plunger, here. */
  span: v.optional(quantitySchema),
  /** Standard deviation of one reading, where that is known; else half a graduation. */
  sd: v.optional(quantitySchema),
  /** Of a face dial: on the face that looks at the other machine, or on its back. */
  side: v.optional(v.picklist(['front', 'back'])),
  /** Degrees by which it stands ahead of the angle given: 180 for the second of two face dials. */
  lead: v.optional(v.pipe(v.number(), v.minValue(-360), v.maxValue(360))),
  /** Shares its shaft's axial float with the other face dials of the set. */
  floats: v.optional(v.boolean()),
  /** Of a dial that does not stand square: degrees, and for a lever those its tip was made for. */
  correction: v.optional(
    v.strictObject({ kind: v.picklist(['lever', 'plunger', 'nulling']), angle: text(8), madeFor: text(8) }),
  ),
  /** Run-out of the surface it touches, for a shaft that does not turn: the whole swing, and where its high spot stands. */
  runout: v.optional(v.strictObject({ swing: quantitySchema, at: text(8) })),
  /** Its own angle in degrees where that differs from the set's, by the id of the angle. */
  own: v.optional(v.record(id, measured)),
  kit: v.optional(fromKit),
  /** By the id of the angle; for a two-plane detector by that, a colon and the channel. */
  readings: v.record(id, readingSchema),
  sweep: v.optional(sweepSchema),
})

export const methods = [
  'reverse-dial',
  'rim-face',
  'rim-two-faces',
  'twin-heads',
  'two-plane-head',
  'bore-dials',
  'own',
] as const

export const setSchema = v.strictObject({
  id,
  coupling: id,
  method: v.picklist(methods),
  state: v.picklist(['released', 'engaged']),
  /** What the set is for; absent in older jobs, where the state says it. */
  purpose: v.optional(v.picklist(purposes)),
  /** Who says that moves may be planned from readings taken with the coupling engaged. */
  engagedAccepted: v.optional(text(40)),
  /** Both shafts turned together, or only the one that carries the bracket. */
  turned: v.optional(v.picklist(['both', 'one'])),
  /** Which way the shafts were turned, seen from the top: so that backlash stays on one side. */
  direction: v.optional(v.picklist(['far', 'near'])),
  /** Any zero; zero at a side and set back by half; set to the sag on top. */
  zeroed: v.optional(v.picklist(['any', 'halved', 'sag'])),
  /** How angles are told: by quarters and degrees, degrees, or a clock seen from one end of the train. */
  angleAs: v.optional(v.picklist(['quarters', 'degrees', 'clock-left', 'clock-right'])),
  /** Degrees from the top toward the far side, in the order the shaft turns; 360 is the return to the start. */
  angles: v.pipe(
    v.array(v.strictObject({ id, degrees: v.pipe(v.number(), v.minValue(-360), v.maxValue(720)) })),
    v.maxLength(48),
  ),
  probes: v.pipe(v.array(probeSchema), v.maxLength(6)),
})

/** Thicknesses of shim, how many there are of each (empty: as many as needed), and the slot they are cut for. */
export const shimStockSchema = v.strictObject({
  id,
  name: text(60),
  slot: quantitySchema,
  sizes: v.pipe(v.array(v.strictObject({ thickness: quantitySchema, count: text(6) })), v.maxLength(60)),
})

/** The two places of a line drawn through the train: at its first and its last foot, mm from the fixed machine's cold axis. */
const drawnSchema = v.strictObject({
  first: measured,
  last: measured,
})

const mmSize = v.pipe(measured, v.minValue(0))

/** What is to be done about a round's readings, as people chose it. The moves themselves are worked out. */
export const planSchema = v.strictObject({
  stays: v.picklist(['fixed', 'hold', 'least', 'drawn']),
  /** Two stations of feet that stay. */
  hold: v.optional(v.pipe(v.array(id), v.maxLength(2))),
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
    id,
    /** ISO date and time the round was begun. */
    takenAt: text(40),
    by: text(40),
    sets: v.pipe(v.array(setSchema), v.maxLength(24)),
    plan: v.optional(planSchema),
  }),
  v.check(
    ({ sets }) => sets.reduce((sum, { angles, probes }) => sum + angles.length * probes.length, 0) <= mostPlaces,
    `at most ${mostPlaces} places to read in a round`,
  ),
)

const done = v.strictObject({ by: text(12), at: text(40) })

/** A foot as it was found: its rise when only its bolt is loosened, feeler gaps at its corners, the pack under it. */
export const seatFootSchema = v.strictObject({
  rise: quantitySchema,
  gaps: v.strictObject({
    lowNear: v.optional(quantitySchema),
    lowFar: v.optional(quantitySchema),
    highNear: v.optional(quantitySchema),
    highFar: v.optional(quantitySchema),
  }),
  /** How the rise was told: a dial at the foot, or the shaft's apparent movement scaled to the foot (a guide). */
  told: v.picklist(['foot', 'shaft']),
  pack: text(60),
})

export const seatSchema = v.strictObject({
  /** How much a foot may rise; empty for the usual 0.05 mm. */
  threshold: quantitySchema,
  torque: text(30),
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

export const readySchema = v.strictObject({
  occasion: v.picklist(['new-set', 'after-overhaul', 'vibration', 'periodic']),
  permit: text(60),
  /** By the caution's id: who and when. */
  cautions: v.record(id, done),
  checks: v.record(
    id,
    v.strictObject({
      outcome: v.picklist(['', 'good', 'bad', 'skipped']),
      value: quantitySchema,
      /** The maker's figure, and how far off it one may be where it is not a most. */
      maker: v.optional(quantitySchema),
      plusMinus: v.optional(quantitySchema),
      /** What was seen; for a skipped check, why. */
      note: text(200),
      by: text(12),
      at: text(40),
    }),
  ),
  /** Gaps of the rough alignment, by "rim.top" and the like; of a further coupling by "c2/rim.top". */
  rough: v.record(id, quantitySchema),
  /** By coupling: the hub that carried the straightedge or the strip. */
  roughCarrier: v.optional(v.record(id, v.picklist(['left', 'right']))),
})

export const jobSchema = v.strictObject({
  shape,
  title: text(80),
  note: text(2000),
  /** The line as it was on this visit. */
  line: lineSchema,
  rounds: v.pipe(v.array(roundSchema), v.minLength(1), v.maxLength(30)),
  /** Minutes spent at the machine, as typed. */
  minutes: text(12),
  /** Initials of who did the job, for the printed page. */
  doneBy: text(40),
  /** Before the first reading; absent until something is entered. */
  ready: v.optional(readySchema),
  /** Soft foot, by machine. */
  seat: v.optional(v.record(id, seatSchema)),
})

export type Station = v.InferOutput<typeof stationSchema>
export type LineFoot = v.InferOutput<typeof footSchema>
export type LineMachine = v.InferOutput<typeof machineSchema>
export type LineCoupling = v.InferOutput<typeof couplingSchema>
export type Line = v.InferOutput<typeof lineSchema>
export type ProbeSetUp = v.InferOutput<typeof probeSchema>
export type ProbeType = (typeof probeTypes)[number]
export type ChannelName = (typeof channelNames)[number]
export type Method = (typeof methods)[number]
export type Sweep = v.InferOutput<typeof sweepSchema>
export type ReadSet = v.InferOutput<typeof setSchema>
export type Growth = v.InferOutput<typeof growthSchema>
export type Material = (typeof materials)[number]
export type ShimStock = v.InferOutput<typeof shimStockSchema>
export type RoundPlan = v.InferOutput<typeof planSchema>
export type Round = v.InferOutput<typeof roundSchema>
export type SeatFoot = v.InferOutput<typeof seatFootSchema>
export type Seat = v.InferOutput<typeof seatSchema>
export type Ready = v.InferOutput<typeof readySchema>
export type Job = v.InferOutput<typeof jobSchema>
export type MachineKind = (typeof machineKinds)[number]
