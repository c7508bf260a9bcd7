import { useSyncExternalStore } from 'react'

let waits: ServiceWorker | null = null
const listeners = new Set<() => void>()

function hasWaiting(worker: ServiceWorker | null): void {
  waits = worker
  for (const listener of listeners) listener()
}

/** Installs the service worker, so that the day’s work opens without a network. Where a browser has none nothing happens. */
export function registerWorker(): void {
  if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return
  void navigator.serviceWorker
    .register('/field-worker.js', { scope: '/' })
    .then((registration) => {
      const look = () => hasWaiting(registration.active ? registration.waiting : null)
      look()
      registration.addEventListener('updatefound', () =>
        registration.installing?.addEventListener('statechange', look),
      )
    })
    .catch(() => {
      // Without it the application works as long as there is a signal.
    })
}

/** Whether a newer version of the application is on this device and waits. */
export function useVersionWaits(): boolean {
  return useSyncExternalStore(
    (changed) => {
      listeners.add(changed)
      return () => void listeners.delete(changed)
    },
    () => waits !== null,
    () => false,
  )
}

/** Takes the version that waits: the page is loaded anew by it. */
export function takeVersion(): void {
  if (!waits) return
  navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), { once: true })
  waits.postMessage({ type: 'SKIP_WAITING' })
}
