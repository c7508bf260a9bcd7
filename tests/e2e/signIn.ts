import { expect, type Page } from '@playwright/test'

export const PEOPLE = {
  maren: { email: 'maren@hollinquay.example', password: 'rowan-and-lens' },
  teodor: { email: 'teodor@hollinquay.example', password: 'truck-two-0630' },
  wren: { email: 'wren@hollinquay.example', password: 'gloves-are-on' },
  philippa: { email: 'philippa@hollinquay.example', password: 'week-in-ink' },
  ines: { email: 'ines@alderreach.example', password: 'another-firm' },
} as const

const asked = new WeakSet<Page>()

/** A test works in whatever weather there is: where a press lies outside its card, it goes on. */
async function goOnOutside(page: Page): Promise<void> {
  if (asked.has(page)) return
  asked.add(page)
  await page.addLocatorHandler(page.getByRole('heading', { name: 'Outside the card now' }), () =>
    page.getByRole('button', { name: 'Go on, write it' }).click(),
  )
  // The demo's day goes on from test to test; what stands on an earlier one is begun all the same.
  const otherDay = page.getByRole('checkbox', {
    name: 'It stands on another day and is done today all the same',
  })
  await page.addLocatorHandler(otherDay, async () => {
    await otherDay.check()
    await page.getByRole('button', { name: /^(This is the tree|Gear is on), begin$/ }).click()
  })
}

/** Signs the record, answering what is asked of weather and of presses that were made in no time. */
export async function signRecord(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Sign the record' }).click()
  const signed = page.waitForURL(/\/ledger\//).then(() => null)
  for (let asks = 0; asks < 2; asks++) {
    const keep = page.getByRole('button', { name: /^(The presses are right|Yes, that is what happened)$/ })
    const seen = await Promise.race([signed, keep.waitFor().then(() => keep.textContent())])
    if (seen === null) return
    await keep.click()
    await expect(page.getByRole('button', { name: seen, exact: true })).toHaveCount(0)
  }
  await signed
}

/** Signs in without a page, for what opens one of its own. */
export async function signIn(page: Page, who: keyof typeof PEOPLE): Promise<void> {
  await page.context().clearCookies()
  await goOnOutside(page)
  const answer = await post(page, '/api/sign-in', PEOPLE[who])
  if (!answer.ok()) throw new Error(`${who}: ${await answer.text()}`)
}

/** Signs in through the page itself, which opens Today. */
export async function enter(page: Page, who: keyof typeof PEOPLE): Promise<void> {
  await page.context().clearCookies()
  await goOnOutside(page)
  await page.goto('/sign-in')
  await page.getByLabel('E-mail').fill(PEOPLE[who].email)
  await page.getByLabel('Password').fill(PEOPLE[who].password)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await page.waitForURL((url) => !url.pathname.startsWith('/sign-in'))
}

/** Sends something as one of our own pages does. */
export function post(page: Page, path: string, data: unknown, headers: Record<string, string> = {}) {
  const origin = new URL(process.env.BASE_URL ?? 'http://127.0.0.1:3000').origin
  return page.request.post(path, {
    data: data as string,
    headers: { origin, 'content-type': 'application/json', ...headers },
    // A connection that was kept may be closed meanwhile; a repeat is known by its id.
    maxRetries: 2,
  })
}

/** Waits until everything on the page takes presses. */
export async function alive(page: Page): Promise<void> {
  await expect(page.locator('[inert]')).toHaveCount(0)
}

/** Opens a tree of the schoolyard by the find key. */
export async function openTree(page: Page, tag: string): Promise<void> {
  const find = page.getByRole('combobox', { name: 'Find a tree, place, cause, record' })
  // Keys answer once the page is alive.
  await expect(async () => {
    await page.keyboard.press('/')
    await expect(find).toBeVisible({ timeout: 500 })
  }).toPass()
  await find.fill(tag)
  await page.getByRole('option', { name: new RegExp(`^${tag}\\b`) }).click()
  await page.getByRole('heading', { level: 1, name: tag }).waitFor()
}

/** The id of a tree, by its tag. */
export async function idOf(page: Page, tag: string): Promise<string> {
  const answer = await page.request.get(`/api/find?text=${encodeURIComponent(tag)}`)
  return ((await answer.json()) as { value: { id: string; title: string }[] }).value.find(
    (h) => h.title === tag,
  )!.id
}

/** Keeps a picture of the view for the README when a folder is named in SCREENSHOTS. */
export async function picture(page: Page, name: string): Promise<void> {
  if (!process.env.SCREENSHOTS) return
  await page.waitForTimeout(300)
  await page.screenshot({ path: `${process.env.SCREENSHOTS}/${name}.png` })
}
