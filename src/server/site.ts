import type { AuthService } from './auth/service'
import { Changes } from './changes'
import type { Store } from './db/open'
import { type Heavy, here } from './workers/work'

/** What the routes work with. */
export interface Site {
  store: Store
  heavy: Heavy
  changes: Changes
  /** Who may come in; undefined where the site is served to its own machine alone. */
  door: AuthService | undefined
}

export const siteOf = (store: Store, heavy: Heavy = here, door?: AuthService): Site => ({
  store,
  heavy,
  changes: new Changes(),
  door,
})
