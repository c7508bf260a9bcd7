// Keeps the reckoning page and what it loads, so that it opens without a network. Nothing else is kept.
const SHELF = 'reckon'

self.addEventListener('install', () => self.skipWaiting())
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))

self.addEventListener('message', (event) => {
  if (!Array.isArray(event.data?.keep)) return
  event.waitUntil(
    caches.open(SHELF).then(async (shelf) => {
      const wanted = new Set(event.data.keep.map((path) => new URL(path, self.location.origin).href))
      for (const request of await shelf.keys()) if (!wanted.has(request.url)) await shelf.delete(request)
      for (const url of wanted) {
        const page = new URL(url).pathname === '/reckon'
        if (!page && (await shelf.match(url))) continue
        const answer = await fetch(url).catch(() => null)
        if (answer?.ok && !answer.redirected) await shelf.put(url, answer)
      }
    }),
  )
})

self.addEventListener('fetch', (event) => {
  const url = new URL(event.request.url)
  if (event.request.method !== 'GET' || url.origin !== self.location.origin) return
  if (event.request.mode === 'navigate' && url.pathname === '/reckon')
    event.respondWith(
      fetch(event.request).catch(
        async () => (await caches.match(`${url.origin}/reckon`)) ?? Response.error(),
      ),
    )
  else if (url.pathname.startsWith('/_next/static/'))
    event.respondWith(caches.match(event.request).then((kept) => kept ?? fetch(event.request)))
})
