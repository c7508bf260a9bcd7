import { expect, test, type Page } from '@playwright/test'
import { enter, idOf, openTree, post, signIn } from '../signIn'

/** A press is kept or said not to be; nothing moves under a finger. */

const radio = (page: Page, name: string, state: string) =>
  page.getByRole('radiogroup', { name, exact: true }).getByRole('radio', { name: state, exact: true })

const FOUR = [
  ['Crown thin at the top', 'There'],
  ['Pale woodpecker flecks', 'There'],
  ['Root flare hidden', 'Not there'],
  ['Soil dry at 4 to 6 in', 'Not there'],
] as const

test('presses on a slow machine, with the drawings arriving late, are kept one by one; no row moves', async ({
  page,
}) => {
  test.setTimeout(240_000)
  await enter(page, 'maren')
  const id = await idOf(page, 'Ash 12')
  const slow = await page.context().newCDPSession(page)
  await slow.send('Emulation.setCPUThrottlingRate', { rate: 6 })
  // What the page needs first comes at once, everything it loads afterwards seconds later.
  let first = true
  setTimeout(() => (first = false), 1500)
  await page.route('**/_next/static/chunks/**', async (route) => {
    if (!first) await new Promise((resolve) => setTimeout(resolve, 1200))
    await route.continue()
  })
  await page.goto(`/trees/${id}/examine`)
  const places = async () =>
    page.locator('[data-row]').evaluateAll((rows) => rows.map((r) => (r as HTMLElement).offsetTop))
  const before = await places()
  expect(before.length).toBeGreaterThan(20)
  for (const [name, state] of FOUR) await radio(page, name, state).click()
  await expect(page.getByText('all kept')).toBeVisible({ timeout: 30_000 })
  expect(await places()).toEqual(before)
  await expect(page.getByRole('button', { name: /^(how much, where, counted|change)\b/ })).toHaveCount(
    await page.getByRole('radio', { name: 'There', exact: true, checked: true }).count(),
    { timeout: 20_000 },
  )
  expect(await places()).toEqual(before)
  await slow.send('Emulation.setCPUThrottlingRate', { rate: 1 })
  await page.unroute('**/_next/static/chunks/**')
  // What the server has is what was pressed.
  await page.reload()
  for (const [name, state] of FOUR)
    await expect(radio(page, name, state)).toHaveAttribute('aria-checked', 'true')
})

test('a press that nobody answers is kept on the device and goes out by itself; one that a rule refuses says so in its row', async ({
  page,
}) => {
  await enter(page, 'maren')
  await openTree(page, 'Ash 12')
  await page
    .getByRole('list', { name: 'Steps of the work on this tree' })
    .getByRole('link', { name: /examine/ })
    .click()
  await expect(
    radio(page, 'Suckers at the base', 'There')
      .or(radio(page, 'D-shaped exit holes', 'There'))
      .first(),
  ).toBeVisible()
  await page.route('**/api/field', (route) => route.abort())
  await radio(page, 'D-shaped exit holes', 'There').click()
  await expect(page.getByRole('status').filter({ hasText: '1 kept on this device' })).toBeVisible()
  await expect(radio(page, 'D-shaped exit holes', 'There')).toHaveAttribute('aria-checked', 'true')
  // The page is left and opened again: it is still there.
  await page.reload()
  await expect(radio(page, 'D-shaped exit holes', 'There')).toHaveAttribute('aria-checked', 'true')
  await page.unroute('**/api/field')
  await expect(page.getByText('all kept')).toBeVisible({ timeout: 20_000 })

  await page.route('**/api/field', (route) => {
    const { envelopes } = route.request().postDataJSON() as { envelopes: { id: string }[] }
    const problem = { code: 'conflict', field: 'assessmentId', message: 'This examination is signed.' }
    return route.fulfill({
      json: {
        value: {
          answers: envelopes.map(({ id }) => ({ id, came: 'refused', problem })),
          now: Date.now(),
        },
      },
    })
  })
  // What is sent can be read here.
  await page.evaluate(() => Reflect.deleteProperty(globalThis, 'CompressionStream'))
  await radio(page, 'D-shaped exit holes', 'Not there').click()
  await expect(page.getByText('Not kept; press it again.')).toBeVisible()
  await expect(page.getByRole('status').filter({ hasText: '1 not kept' })).toBeVisible()
  await expect(radio(page, 'D-shaped exit holes', 'There')).toHaveAttribute('aria-checked', 'true')
  await page.unroute('**/api/field')
  await radio(page, 'D-shaped exit holes', 'Unsure').click()
  await expect(page.getByText('all kept')).toBeVisible()
})

test('a lost answer and other numbers: what stands and what was sent are shown side by side', async ({
  page,
}) => {
  await enter(page, 'maren')
  await openTree(page, 'Oak 3')
  const girth = page.getByLabel('Girth at 4 1/2 ft')
  let lose = true
  await page.route('**/api/do/add-reading', async (route) => {
    if (!lose) return route.continue()
    lose = false
    // The server keeps it; the answer never comes.
    await route.fetch()
    await route.abort()
  })
  await girth.fill('82 5/8 in')
  await page.getByRole('button', { name: 'Keep the reading' }).click()
  await expect(page.getByText(/cannot be reached/)).toBeVisible()
  await girth.fill('82 1/2 in')
  await page.getByRole('button', { name: 'Keep the reading' }).click()
  await expect(page.getByText('This was kept already, with other content.')).toBeVisible()
  const both = page.getByRole('table').filter({ hasText: 'Sent now' })
  await expect(both).toContainText('82 5/8 in')
  await expect(both).toContainText('82 1/2 in')
})

test('a job that is open is asked for again and again: short, and not at all while nothing changed', async ({
  page,
}) => {
  await signIn(page, 'teodor')
  await page.goto('/run')
  const href = await page.locator('main li a[href^="/run/"]').first().getAttribute('href')
  const ask = (etag?: string) =>
    page.request.get(`/api${href}`, {
      headers: { 'accept-encoding': 'gzip', ...(etag && { 'if-none-match': etag }) },
    })
  const first = await ask()
  expect(first.headers()['content-encoding']).toBe('gzip')
  const { etag } = first.headers()
  const again = await ask(etag)
  expect(again.status()).toBe(304)
  expect(await again.body()).toHaveLength(0)
  // Other units are other words.
  const other = await post(page, '/api/do/set-units', { units: 'metric' })
  expect(other.ok()).toBe(true)
  const changed = await ask(etag)
  expect(changed.status()).toBe(200)
  expect(changed.headers()['etag']).not.toBe(etag)
  await post(page, '/api/do/set-units', { units: 'us' })
  expect((await ask(etag)).status()).toBe(304)
})

test('what carries our cookie must come from our pages', async ({ page }) => {
  await enter(page, 'maren')
  const bare = await page.request.post('/api/do/set-units', { data: { units: 'us' } })
  expect(bare.status()).toBe(403)
  expect((await post(page, '/api/do/set-units', { units: 'us' })).status()).toBe(200)
  expect((await post(page, '/api/do/set-units', '{"units":"us","units":"metric"}')).status()).toBe(422)
  expect((await post(page, '/api/do/set-units', 'units=us', { 'content-type': 'text/plain' })).status()).toBe(
    415,
  )
})

test('a damaged cookie is no cookie; what is another firm’s is not there', async ({ page, context }) => {
  await enter(page, 'ines')
  const theirs = await post(page, '/api/do/confirm-identity', {
    treeId: '00000000-0000-7000-8000-000000000000',
    host: 'ash',
  })
  expect(theirs.status()).toBe(404)
  const [cookie] = (await context.cookies()).filter((c) => c.name === 'elmhorn')
  for (const value of ['%zz', 'x', `${cookie!.value.slice(0, -9)}%E0%A4%A`, '']) {
    await context.addCookies([{ ...cookie!, value }])
    const answer = await page.goto('/')
    expect([value, answer!.status() < 500]).toEqual([value, true])
    await expect(page).toHaveURL(/\/sign-in/)
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  }
})

test('scripts without this answer’s number do not run, and the headers say what is allowed', async ({
  page,
}) => {
  await signIn(page, 'maren')
  const answer = (await page.goto('/grounds'))!
  const headers = answer.headers()
  expect(headers['content-security-policy']).toMatch(/script-src 'self' 'nonce-[\w+/=]{24}'/)
  expect(headers['content-security-policy']).not.toMatch(/script-src[^;]*unsafe-inline/)
  expect(headers['strict-transport-security']).toMatch(/max-age=\d{7,}/)
  expect(headers['permissions-policy']).toContain('microphone=()')
  const ran = await page.evaluate(() => {
    const script = document.createElement('div')
    script.innerHTML = '<img src="x" onerror="window.__ran = true">'
    document.body.append(script)
    return new Promise((resolve) =>
      setTimeout(() => resolve((window as unknown as { __ran?: boolean }).__ran ?? false), 400),
    )
  })
  expect(ran).toBe(false)
})

test('both are meant: what was typed is sent as a new one', async ({ page }) => {
  await enter(page, 'maren')
  await openTree(page, 'Linden 6')
  const girth = page.getByLabel('Girth at 4 1/2 ft')
  let lose = true
  await page.route('**/api/do/add-reading', async (route) => {
    if (!lose) return route.continue()
    lose = false
    await route.fetch()
    await route.abort()
  })
  await girth.fill('49 1/8 in')
  await page.getByRole('button', { name: 'Keep the reading' }).click()
  await expect(page.getByText(/cannot be reached/)).toBeVisible()
  // The same number again is the same reading.
  await page.getByRole('button', { name: 'Keep the reading' }).click()
  await expect(page.getByText(/^Kept:/)).toBeVisible()
  await expect(page.getByText('49 1/8 in', { exact: true })).toHaveCount(1)
})

test('a device that is lost is ended from another one, and empties itself when it next asks', async ({
  page,
  browser,
  baseURL,
}) => {
  const lost = await browser.newPage({ baseURL, userAgent: 'Mozilla/5.0 (Linux; Android 14) Chrome/120' })
  await enter(lost, 'wren')
  const stores = () =>
    lost.evaluate(async () =>
      (await indexedDB.databases()).filter((d) => d.name?.startsWith('elmhorn-field-')),
    )
  await expect.poll(async () => (await stores()).length).toBe(1)
  await enter(page, 'maren')
  await page.goto('/settings/people')
  const wren = page.getByRole('listitem').filter({ hasText: 'wren@hollinquay.example' })
  await wren.getByRole('button', { name: /^signed in on/ }).click()
  await wren
    .getByRole('button', { name: /^End this device: .*Android/ })
    .first()
    .click()
  await wren.getByRole('button', { name: 'End and empty it' }).click()
  await expect(wren.getByRole('button', { name: 'End and empty it' })).toHaveCount(0)
  await lost.goto('/run')
  await lost.waitForURL(/\/sign-in/)
  await expect.poll(async () => (await stores()).length).toBe(0)
  await lost.close()
})
