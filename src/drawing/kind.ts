import type { KindTypes } from '../core/kinds/kind'
import type { Unit } from '../core/quantity/units'
import type { Point, Scene } from './scene'

/** One stroke of a miniature, px. */
export interface MiniStroke {
  /** axis: as read; unknown: not read yet; reference: what is held straight; mark: where two are joined. */
  look: 'axis' | 'unknown' | 'reference' | 'mark'
  points: Point[]
}

/** How one kind of line is drawn outside its own screens. */
export interface KindDrawing<T extends KindTypes> {
  /** A round as it is printed; `ghost`: an earlier one, pale behind it. */
  sight(solved: T['solved'], ghost: T['solved'] | undefined, terms: Drawn<T>, size: Size): Scene
}

/** A line with the unit and the resolution its numbers are told in. */
export interface Drawn<T extends KindTypes> {
  line: T['line']
  unit: Unit
  resolution: number
}

/** px */
export interface Size {
  width: number
  height: number
}

/** How a round is drawn. */
export interface Drawing extends Size {
  /** As left: what could still be done is not drawn. */
  left?: boolean
}
