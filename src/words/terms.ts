import type { NamedLine } from '../core/job/document'
import type { ChannelName } from '../core/probes/kind'
import { foldDegrees, type Quarter, quarterAt } from '../core/quantity/angles'
import { type AngleAs, readAngle } from '../core/quantity/angleTyped'
import type { Plane } from '../core/quantity/axis'
import { formatNumber, formatSigned } from '../core/quantity/number'
import { decimalsFor, fromMm, type Unit } from '../core/quantity/units'
import type { Method, ProbeSetUp, ReadSet } from '../core/shafts/schema'
import type { ProbeState } from '../core/shafts/state'
import type { Purpose } from '../core/shafts/together'
import { labels, t } from './language'
import { probeWords } from './probes'

/** Everything a sentence needs to know of who reads it. */
export interface Terms {
  line: NamedLine
  /** Unit shown: mm or mil. */
  unit: Unit
  /** No number is told finer than this, mm. */
  resolution: number
}

/** A job by its number, which the server gives it. */
export const jobName = (number: number): string => (number > 0 ? t`job ${number}` : t`new job, no number yet`)

export const unitName: Readonly<Record<Unit, string>> = labels({ mm: 'mm', um: 'µm', in: 'in', mil: 'mil' })

/** A length in the shown unit to the resolution it was read with, without its unit: "0.22". */
export const length = (mm: number, { unit, resolution }: Pick<Terms, 'unit' | 'resolution'>): string =>
  formatNumber(fromMm(mm, unit), decimalsFor(resolution, unit))

/** The same with a sign, for readings. */
export const signedLength = (mm: number, { unit, resolution }: Pick<Terms, 'unit' | 'resolution'>): string =>
  formatSigned(fromMm(mm, unit), decimalsFor(resolution, unit))

/** With its unit: "0.22 mm". */
export const lengthWithUnit = (mm: number, terms: Pick<Terms, 'unit' | 'resolution'>): string =>
  `${length(mm, terms)} ${unitName[terms.unit]}`

/** A dimension along the train, in mm or inch, whole millimeters or hundredths of an inch. */
export function dimension(mm: number, unit: Unit): string {
  return unit === 'mil' || unit === 'in' ? t`${formatNumber(mm / 25.4, 2)} in` : t`${formatNumber(mm, 0)} mm`
}

/** A slope: mm over 100 mm, or mil over an inch. */
export function slope(rad: number, unit: Unit): string {
  return unit === 'mil' || unit === 'in'
    ? t`${formatNumber(rad * 1000, 2)} mil/in`
    : t`${formatNumber(rad * 100, 3)} mm/100 mm`
}

/** Which shims make up a pack, thickest first: "0.2 + 0.05"; nothing where none are named. */
export const packText = (pack: readonly number[] | undefined, { unit }: Pick<Terms, 'unit'>): string =>
  [...(pack ?? [])]
    .sort((a, b) => b - a)
    .map((mm) => formatNumber(fromMm(mm, unit), 2))
    .join(' + ')

export const isZero = (mm: number, { unit, resolution }: Pick<Terms, 'unit' | 'resolution'>): boolean =>
  Number(fromMm(Math.abs(mm), unit).toFixed(decimalsFor(resolution, unit))) === 0

/** Where something is, in words, never by a bare sign: "0.22 mm high", "0.12 mm toward near", "in line". */
export function place(mm: number, plane: Plane, terms: Terms): string {
  if (isZero(mm, terms)) return t`in line`
  const size = lengthWithUnit(Math.abs(mm), terms)
  if (plane === 'vertical') return `${size} ${mm > 0 ? t`high` : t`low`}`
  return t`${size} toward ${sideName(mm > 0 ? 'far' : 'near', terms)}`
}

/** What to do about it: "add 0.22", "take out 0.22", "push 0.12 toward far", "leave". */
export function act(mm: number, plane: Plane, terms: Terms): string {
  if (isZero(mm, terms)) return plane === 'vertical' ? t`no shim change` : t`no side move`
  const size = lengthWithUnit(Math.abs(mm), terms)
  if (plane === 'vertical') return mm > 0 ? t`add ${size} of shim` : t`take out ${size} of shim`
  return t`push ${size} toward ${sideName(mm > 0 ? 'far' : 'near', terms)}`
}

/** What a name of a side needs of a line. */
export interface Sided {
  line: Pick<NamedLine, 'sides'>
}

export const sideName = (side: 'near' | 'far', { line }: Sided): string => line.sides[side].trim() || quarterNames[side]

export const machineName = (id: string, { line }: Pick<Terms, 'line'>): string =>
  line.machines.find((machine) => machine.id === id)?.name ?? id

export const couplingName = (id: string, { line }: Pick<Terms, 'line'>): string =>
  [...line.couplings, ...line.machines].find((one) => one.id === id)?.name ?? id

/** A station of feet with its machine: "Motor, front feet". */
export function footName(id: string, { line }: Pick<Terms, 'line'>): string {
  for (const machine of line.machines) {
    const foot = machine.feet.find((f) => f.id === id)
    if (foot) return `${machine.name}, ${inText(foot.name)}`
  }
  return id
}

/** A station of feet where its machine is named beside it: "front feet". */
export function feetAlone(id: string, { line }: Pick<Terms, 'line'>): string {
  for (const machine of line.machines) for (const foot of machine.feet) if (foot.id === id) return inText(foot.name)
  return id
}

const channelWords: Readonly<Record<ChannelName, string>> = labels({
  r1: 'plane 1 outward',
  t1: 'plane 1 sideways',
  r2: 'plane 2 outward',
  t2: 'plane 2 sideways',
  offset: 'offset',
  gap: 'gap',
})

/** A number of a head that has several: by its plane, where there are two of them. */
export const channelName = (type: ProbeSetUp['type'], channel: ChannelName): string =>
  type !== 'prism' ? channelWords[channel] : channel.startsWith('t') ? t`sideways` : t`outward`

/**
 * A probe by the machine it touches: "Motor dial", "Motor face dial 2", "Motor two-plane head, plane 1 outward". With its
 * coupling as well where that machine has two and `apart` is asked for.
 */
export function probeName(
  set: Pick<ReadSet, 'probes' | 'coupling'>,
  probe: ProbeSetUp,
  terms: Pick<Terms, 'line'>,
  { channel, apart = false }: { channel?: ChannelName | undefined; apart?: boolean } = {},
): string {
  const alike = set.probes.filter(({ type, on }) => type === probe.type && on === probe.on)
  const number = alike.length > 1 ? ` ${alike.findIndex(({ id }) => id === probe.id) + 1}` : ''
  const name = `${machineName(probe.on, terms)} ${probeWords[probe.type].name}${number}`
  const { machines, couplings } = terms.line
  const m = machines.findIndex((machine) => machine.id === probe.on)
  const inside = m > 0 && m < machines.length - 1 && couplings.length > 1
  const at = apart && inside ? t` at ${inText(couplingName(set.coupling, terms))}` : ''
  return `${name}${at}${channel ? `, ${channelName(probe.type, channel)}` : ''}`
}

/** The name of a solved probe, or of one channel of it; told `apart`, with its coupling and its set where there are several. */
export const stateName = (state: ProbeState, terms: Pick<Terms, 'line'>, apart = false): string =>
  `${probeName(state.set, state.dial, terms, { channel: state.channel, apart })}${apart && state.setNumber ? t` of set ${state.setNumber}` : ''}`

export const methodNames: Readonly<Record<Method, string>> = labels({
  'reverse-dial': 'Reverse dials',
  'rim-face': 'Rim and face',
  'rim-two-faces': 'Rim and two faces',
  'twin-heads': 'Twin heads',
  'two-plane-head': 'One beam, two detector planes',
  'prism-head': 'One beam, prism reflector',
  result: 'The instrument’s own result',
  'bore-dials': 'Bore dials',
  own: 'Custom set of probes',
})

/** What a set of readings is for. */
export const purposeNames: Readonly<Record<Purpose, string>> = labels({
  plan: 'planning',
  repeat: 'repeat',
  closed: 'coupling connected',
  running: 'running check',
})

/** How angles are told in a set. */

/**
 * An angle by its quarter, else in degrees from the top toward the far side; in degrees throughout; or by the clock: seen
 * from the right-hand end of the train looking left the far side is at three, from the left-hand end at nine.
 */
export function angleName(degrees: number, terms: Sided, as: AngleAs = 'quarters'): string {
  if (as === 'planes') return degrees === 0 ? t`Height` : t`Sideways`
  const quarter = quarterAt(degrees)
  const again = degrees >= 360 ? t` again` : ''
  const plain = `${formatNumber(foldDegrees(degrees), Number.isInteger(degrees) ? 0 : 1)}°${again}`
  if (as === 'degrees') return plain
  if (as === 'clock-right' || as === 'clock-left') {
    const minutes = Math.round(2 * foldDegrees(as === 'clock-right' ? degrees : -degrees)) % 720
    const hour = Math.floor(minutes / 60) || 12
    const past = minutes % 60
    return t`${hour}${past ? `:${String(past).padStart(2, '0')}` : ''} o’clock${again}`
  }
  if (quarter) return capital(quarterName(quarter, terms)) + again
  return plain
}

/** The same inside a sentence, where a side keeps the letters it was typed with. */
export function angleInText(degrees: number, terms: Sided, as: AngleAs = 'quarters'): string {
  const quarter = as === 'quarters' ? quarterAt(degrees) : undefined
  if (quarter) return quarterName(quarter, terms) + (degrees >= 360 ? t` again` : '')
  const name = angleName(degrees, terms, as)
  return as === 'planes' ? name.toLowerCase() : name
}

/** An angle as a person types it in the way the set tells angles, by the line's own names for its sides. */
export const angleTyped = (text: string, { line }: Sided, as?: AngleAs) => readAngle(text, line.sides, as)

/** The quarters of the turn that are the same on every line; near and far have the line's own names. */
const quarterNames: Readonly<Record<Quarter, string>> = labels({
  top: 'top',
  far: 'far',
  bottom: 'bottom',
  near: 'near',
})

/** A quarter of the turn in words, by the line's own names for its sides. */
export const quarterName = (quarter: Quarter, terms: Sided): string =>
  quarter === 'near' || quarter === 'far' ? sideName(quarter, terms) : quarterNames[quarter]

/** Up and down. */
export const wayName: Readonly<Record<'up' | 'down', string>> = labels({ up: 'up', down: 'down' })

/** This program's own words inside a sentence; a name keeps its letters (`inText`). */
export const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1)

/** Names that this program gives: inside a sentence they are words like any other. */
const given = new Set(
  'motor pump gearbox blower fan machine mixer compressor crusher idler sheave coupling front back feet'.split(' '),
)

/**
 * A name inside a sentence. One that the program gave ("Motor", "Coupling 2, front feet") is written small; one that a person
 * typed keeps its letters.
 */
export const inText = (name: string): string =>
  name.replace(/(^|, )([A-Z][a-z]+)(?=(?: [a-z-]+)*(?: \d+)?(?:$|[,:]))/g, (whole, before: string, word: string) =>
    given.has(word.toLowerCase()) ? before + word.toLowerCase() : whole,
  )

/** A sentence ends with one full stop, also after initials. */
export const ended = (text: string): string => (/[.!?]$/.test(text) ? text : `${text}.`)

/** The head of a sentence. A name with letters or digits of its own ("xRoll", "pH-loop", "p-101A") keeps them. */
export const capital = (text: string): string =>
  /^\p{Ll}[^\s,]*[\p{Lu}\d]/u.test(text) ? text : text.charAt(0).toUpperCase() + text.slice(1)

export const planeName: Readonly<Record<Plane, string>> = labels({ vertical: 'vertical', horizontal: 'horizontal' })

/** How fast something runs: "18.2 m/s", or in feet a minute where one works in mil. */
export const rimSpeedText = (metersPerSecond: number, unit: 'mm' | 'mil'): string =>
  unit === 'mm'
    ? t`${formatNumber(metersPerSecond, 1)} m/s`
    : t`${formatNumber((metersPerSecond * 60_000) / 304.8, 0)} ft/min`
