import { Changes } from './changes'
import type { Store } from './db/open'
import { type Heavy, here } from './heavy/work'

/** What the routes work with. */
export interface Site {
  store: Store
  heavy: Heavy
  changes: Changes
}

export const siteOf = (store: Store, heavy: Heavy = here): Site => ({ store, heavy, changes: new Changes() })
