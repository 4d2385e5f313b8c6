import type { KindName } from '../../core/kinds'
import { beltPages } from './belt'
import { borePages } from './bore'
import type { KindPages } from './kind'
import { rollsPages } from './rolls'
import { trainPages } from './train'
import { uprightPages } from './upright'

/** The screens of every kind of line. */
export const pages: { readonly [K in KindName]: KindPages<K> } = {
  train: trainPages,
  upright: uprightPages,
  belt: beltPages,
  bore: borePages,
  rolls: rollsPages,
}
