import type { KindName, Kinds } from '../core/kinds'
import { driveScene } from './belt/drive'
import { miniBelt } from './belt/mini'
import type { KindDrawing, MiniStroke } from './kind'
import { miniSight } from './train/mini'
import { sightScene } from './train/sight'
import { flangeScene } from './upright/flange'
import { miniUpright } from './upright/mini'

/** How each kind of line is drawn. */
export const drawings: { readonly [K in KindName]: KindDrawing<Kinds[K]> } = {
  train: {
    mini: miniSight,
    sight: (solved, ghost, terms, size) => sightScene(solved, terms, { ...size, flipped: false, ghost }),
  },
  belt: { mini: miniBelt, sight: (solved, _, terms, size) => driveScene(solved, terms, size) },
  upright: { mini: miniUpright, sight: (solved, _, terms, size) => flangeScene(solved, terms, size) },
}

/** A hand-wide drawing for a list, px. */
export const miniOf = <K extends KindName>(
  { kind, listed }: { kind: K; listed: Kinds[K]['listed'] },
  width: number,
  height: number,
): MiniStroke[] => drawings[kind].mini(listed, width, height)
