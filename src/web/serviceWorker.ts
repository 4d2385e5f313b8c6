/// <reference lib="webworker" />
import { clientsClaim } from 'workbox-core'
import {
  cleanupOutdatedCaches,
  createHandlerBoundToURL,
  type PrecacheEntry,
  precacheAndRoute,
} from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: (PrecacheEntry | string)[] }

/** The page opens without the server: all of it is kept here, and every address but the server's own answers with it. */
precacheAndRoute(self.__WB_MANIFEST)
cleanupOutdatedCaches()
registerRoute(new NavigationRoute(createHandlerBoundToURL('/'), { denylist: [/^\/api\//] }))

/** Pictures are named by what they are: one that is here is asked for no more. */
const pictures = 'photographs'
registerRoute(
  ({ url, request }) => request.method === 'GET' && /^\/api\/photographs\/[0-9a-f]{64}$/.test(url.pathname),
  async ({ request }) => {
    const store = await caches.open(pictures)
    const found = await store.match(request.url)
    if (found) return found
    const answer = await fetch(request)
    if (answer.ok) await store.put(request.url, answer.clone())
    return answer
  },
)

// a new version waits until a person starts it; the first one serves the page it came with
self.addEventListener('message', ({ data }) => {
  if (data?.type === 'SKIP_WAITING') void self.skipWaiting()
})
clientsClaim()
