import type { NamedLine } from '../core/job/document'
import type { KindTypes } from '../core/kinds/kind'
import type { Plane } from '../core/quantity/axis'
import type { ProbeState } from '../core/shafts/state'
import type { Typed } from './fields'
import type { Terms } from './terms'

/** A place in a round, in words; `whole` where nothing is left to be said of it. */
export interface PlaceInRound {
  words: readonly string[]
  whole: boolean
}

/** What is asked when a line of a kind is drawn: a choice, with what is usual. */
export interface NewPart {
  label: string
  options: readonly { value: string; text: string }[]
  usual: string
}

/** A line with the unit and the resolution it is told in. */
export interface DisplayContext<T extends KindTypes> extends Pick<Terms, 'unit' | 'resolution'> {
  line: T['line']
}

/** What one kind of line has to say outside its own screens. */
export interface KindWords<T extends KindTypes> {
  /** What it is called where the kinds stand beside each other. */
  name: string
  /** Everything that can be typed on one and in its jobs, by where it is stored. */
  typed: Typed
  /** What is asked when one is drawn. */
  newParts: readonly NewPart[]
  /** What a line is called that nobody gave a name. */
  usualName(parts: readonly string[]): string
  /** What is wrong with a cell of a table of lines, where the kind has one. */
  lineFaults?: Readonly<Record<string, string>>
  /** Its own ways of reading by the names under which they are counted, where its sets are not those of couplings. */
  methods?: Readonly<Record<string, string>>
  /** How a proof tells of its places: a station of feet, a coupling, a joint. */
  proved: {
    /** Of two shafts at a coupling the one whose position against the other is told. */
    second: string
    at(id: string, line: T['line']): string
    plane(plane: Plane, line: T['line']): string
    /** Where something stands: "0.22 high"; and which way it went: "up". */
    stands(mm: number, plane: Plane, terms: DisplayContext<T>): string
    way(mm: number, plane: Plane, terms: DisplayContext<T>): string
  }
  /** What a record prints of a job of this kind beside what all have. */
  record: {
    /** A probe by name, with its coupling and its set where there are several; and an angle, as its set tells angles. */
    probe(state: ProbeState, terms: DisplayContext<T>): string
    angle(degrees: number, state: ProbeState, terms: DisplayContext<T>): string
    /** What stays, how what stands there grows, and where that comes from. */
    conditions(terms: DisplayContext<T>): readonly string[]
    /** What lies under each foot or bolt now; nothing where nobody wrote it down. */
    packs(round: T['round'], terms: DisplayContext<T>): readonly (readonly [place: string, pack: string])[]
    /** What was read and what is judged, of a kind whose readings are no probes'. */
    readings?(
      solved: T['solved'],
      terms: DisplayContext<T>,
    ): readonly { title: string; rows: readonly (readonly [string, string])[] }[]
    /** What is read in a round of such a kind, with a box for each number. */
    boxes?(
      round: T['round'],
      terms: DisplayContext<T>,
    ): readonly { title: string; head: readonly string[]; rows: readonly string[] }[]
    judged?(solved: T['solved'], terms: DisplayContext<T>): readonly { kind: 'text'; text: string }[]
  }
  placeInRound(round: T['round'], path: readonly string[], line: NamedLine): PlaceInRound
}
