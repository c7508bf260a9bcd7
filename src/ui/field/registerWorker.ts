/** Installs the service worker, so that the day’s work opens without a network. Where a browser has none nothing happens. */
export function registerWorker(): void {
  if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return
  void navigator.serviceWorker.register('/field-worker.js', { scope: '/' }).catch(() => {
    // Without it the application works as long as there is a signal.
  })
}
