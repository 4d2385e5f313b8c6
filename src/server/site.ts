import { Changes } from './changes'
import type { Store } from './db/open'
import type { Door } from './door/door'
import { type Heavy, here } from './heavy/work'

/** What the routes work with. */
export interface Site {
  store: Store
  heavy: Heavy
  changes: Changes
  /** Who may come in; undefined where the site is served to its own machine alone. */
  door: Door | undefined
}

export const siteOf = (store: Store, heavy: Heavy = here, door?: Door): Site => ({
  store,
  heavy,
  changes: new Changes(),
  door,
})
