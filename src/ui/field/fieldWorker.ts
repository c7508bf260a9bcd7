/// <reference lib="webworker" />
import { Serwist, type PrecacheEntry } from 'serwist'
import { SEND_LATER, sendWithoutPage } from './sendWithoutPage'

// The service worker: it keeps the application for a day without a network, and nobody's data. Pages are asked for as always; where
// nobody answers, the shell is shown in their place and reads what the device keeps.

declare const self: ServiceWorkerGlobalScope & { FIELD: (PrecacheEntry | string)[] }

const SHELL = '/field'
/** So long a page is waited for. */
const PATIENCE_MS = 6000
/** Once nobody answered, for so long nobody is waited for as long. */
const SILENT_MS = 20_000
const IMPATIENCE_MS = 1200
let silentAt = -Infinity

/** Addresses of what a device keeps. */
const isKept = (path: string) =>
  path === '/' ||
  path === '/settings/device' ||
  /^\/run(\/load|\/evening|\/[0-9a-f-]{36})?$/.test(path) ||
  /^\/trees\/[0-9a-f-]{36}\/examine$/.test(path)

const serwist: Serwist = new Serwist({
  precacheEntries: self.FIELD,
  // A new version waits until somebody takes it: scripts of two versions never meet on a page.
  skipWaiting: false,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: ({ request, sameOrigin }) => sameOrigin && request.mode === 'navigate',
      handler: async ({ request }): Promise<Response> => {
        // What the device does not keep is worth waiting for.
        const patience = !isKept(new URL(request.url).pathname)
          ? Infinity
          : Date.now() - silentAt < SILENT_MS
            ? IMPATIENCE_MS
            : PATIENCE_MS
        const answer = await Promise.race([
          fetch(request).catch(() => null),
          new Promise<null>((resolve) => {
            if (patience !== Infinity) setTimeout(() => resolve(null), patience)
          }),
        ])
        if (answer && (answer.status < 500 || patience === Infinity)) {
          silentAt = -Infinity
          return answer
        }
        silentAt = Date.now()
        return (await serwist.matchPrecache(SHELL)) ?? answer ?? Response.error()
      },
    },
  ],
})
serwist.addEventListeners()

// A signal came back. A page that is open sends by itself; where none is, what waits goes out all the same.
self.addEventListener('sync', (happened) => {
  const event = happened as ExtendableEvent & { tag: string }
  if (event.tag !== SEND_LATER) return
  event.waitUntil(
    self.clients
      .matchAll({ type: 'window' })
      .then((pages) => (pages.length === 0 ? sendWithoutPage() : undefined)),
  )
})
