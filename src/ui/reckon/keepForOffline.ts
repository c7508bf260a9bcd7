/**
 * Lets the reckoning page be opened again without a network: the keeper of `public/reckon-keeper.js` holds the page and
 * everything it has loaded. Where a browser has no such keeper nothing happens.
 */
export function keepForOffline(): void {
  if (!('serviceWorker' in navigator)) return
  void (async () => {
    try {
      await navigator.serviceWorker.register('/reckon-keeper.js', { scope: '/reckon' })
      const ready = await navigator.serviceWorker.ready
      const loaded = performance
        .getEntriesByType('resource')
        .map((entry) => new URL(entry.name))
        .filter((url) => url.origin === window.location.origin && url.pathname.startsWith('/_next/static/'))
        .map((url) => url.href)
      ready.active?.postMessage({ keep: ['/reckon', ...new Set(loaded)] })
    } catch {
      // Without a keeper the page still works while it is open.
    }
  })()
}

/** Forgets the kept page; it carries the name of who was signed in. */
export async function forgetOffline(): Promise<void> {
  if ('caches' in window) await caches.delete('reckon')
}
