import type { KindTypes } from '../core/kinds/kind'
import type { Point } from './scene'

/** One stroke of a miniature, px. */
export interface MiniStroke {
  /** axis: as read; unknown: not read yet; reference: what is held straight; mark: where two are joined. */
  look: 'axis' | 'unknown' | 'reference' | 'mark'
  points: Point[]
}

/** How one kind of line is drawn outside its own screens. */
export interface KindDrawing<T extends KindTypes> {
  /** A hand-wide drawing for a list. */
  mini(listed: T['listed'], width: number, height: number): MiniStroke[]
}
