import type { KindName, Kinds } from '../core/kinds'
import { driveScene } from './belt/drive'
import { rowScene } from './bore/row'
import type { KindDrawing } from './kind'
import { sectionScene } from './rolls/section'
import { lineDrawing } from './train/lineDrawing'
import { flangeScene } from './upright/flange'

/** How each kind of line is drawn. */
export const drawings: { readonly [K in KindName]: KindDrawing<Kinds[K]> } = {
  train: {
    sight: (solved, ghost, terms, size) => lineDrawing(solved, terms, { ...size, flipped: false, ghost }),
  },
  rolls: {
    sight: (solved, _, terms, size) => sectionScene(solved, { ...terms, width: solved.width ?? 1000 }, size),
  },
  bore: { sight: (solved, _, terms, size) => rowScene(solved, terms, size) },
  belt: { sight: (solved, ghost, terms, size) => driveScene(solved, terms, { ...size, left: ghost !== undefined }) },
  upright: {
    sight: (solved, ghost, terms, size) => flangeScene(solved, terms, { ...size, left: ghost !== undefined }),
  },
}
