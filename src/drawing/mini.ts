import type { KindName, Kinds } from '../core/kinds'
import { miniBelt } from './belt/mini'
import { miniBore } from './bore/mini'
import type { MiniStroke } from './kind'
import { miniRolls } from './rolls/mini'
import { miniDrawing } from './train/mini'
import { miniUpright } from './upright/mini'

const minis: { readonly [K in KindName]: (listed: Kinds[K]['listed'], width: number, height: number) => MiniStroke[] } =
  { train: miniDrawing, upright: miniUpright, belt: miniBelt, bore: miniBore, rolls: miniRolls }

/** A hand-wide drawing for a list, px. */
export const miniOf = <K extends KindName>(
  { kind, listed }: { kind: K; listed: Kinds[K]['listed'] },
  width: number,
  height: number,
): MiniStroke[] => minis[kind](listed, width, height)
