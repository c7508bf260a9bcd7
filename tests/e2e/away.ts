import { expect, type Page } from '@playwright/test'

/** Waits until the device has the application and the jobs of the day, so that the signal may go. */
export async function hasTheDay(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true))
  await expect
    .poll(
      () =>
        page.evaluate(async () => {
          const name = (await indexedDB.databases()).find((d) => d.name?.startsWith('elmhorn-field-'))?.name
          if (!name) return 0
          const db = await new Promise<IDBDatabase>((resolve, reject) => {
            const asked = indexedDB.open(name)
            asked.onsuccess = () => resolve(asked.result)
            asked.onerror = () => reject(new Error('no store'))
          })
          const keys = await new Promise<string[]>((resolve) => {
            const asked = db.transaction('views').objectStore('views').getAllKeys()
            asked.onsuccess = () => resolve(asked.result.map(String))
          })
          db.close()
          return keys.filter((k) => k.startsWith('job ')).length
        }),
      { timeout: 30_000 },
    )
    .toBeGreaterThan(0)
}
