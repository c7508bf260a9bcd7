import { expect, test, type Page } from '@playwright/test'
import { enter, openTree, picture, signIn } from '../signIn'

/** When: warmth, stages, the hours and the risk at the orchard. */

async function season(page: Page): Promise<void> {
  await page.goto('/grounds')
  await page.getByLabel('Filter by site').fill('orchard')
  await page.getByRole('link', { name: /Quarrel Bank orchard/ }).click()
  await page.getByRole('link', { name: 'Season', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Season' })).toBeVisible()
}

test('the season says how warm it was, what is left of the cover and what infected', async ({ page }) => {
  await enter(page, 'maren')
  await season(page)
  await expect(page.getByText(/°F·d above 50 °F since 1 Jan, .*the usual year/)).toBeVisible()
  await expect(page.getByText(/^It went on /)).toBeVisible()
  await expect(page.getByText('infection, under cover').first()).toBeVisible()
  await page
    .getByRole('button', { name: /wet \d+ h at .*scab needs/ })
    .first()
    .click()
  await expect(page.getByText('Leaves were wet')).toBeVisible()
  await page
    .getByRole('button', { name: /wet \d+ h at .*scab needs/ })
    .first()
    .click()
  await page.evaluate(() => window.scrollTo(0, 0))
  await picture(page, '34-season')
  // The storm of Monday closes hours; the near zoom says why.
  await page.getByText('Hours', { exact: true }).click()
  await expect(page.getByRole('region', { name: 'Hours' }).getByText('open').first()).toBeVisible()
  await expect(page.getByRole('region', { name: 'Hours' }).getByText(/night/).first()).toBeVisible()
  await page.getByText('Fortnight', { exact: true }).click()
  await page.getByRole('button', { name: 'Later' }).click()
  await expect(page.getByRole('slider')).toBeVisible()
})

test('the ribbon is read by keys, and the table says the same', async ({ page }) => {
  await enter(page, 'philippa')
  await season(page)
  const ribbon = page.getByRole('slider', { name: /Day of the year/ })
  await ribbon.focus()
  await page.keyboard.press('Home')
  const today = await ribbon.getAttribute('aria-valuetext')
  await page.keyboard.press('PageUp')
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('ArrowRight')
  await expect(ribbon).not.toHaveAttribute('aria-valuetext', today!)
  // The fourteenth day before today is the sixteenth after the spray that is 27 days back; find that spray by the table.
  await page.getByText('The same in tables').click()
  await expect(page.getByRole('cell', { name: 'Example CP4, crown spray, 6 trees' }).first()).toBeVisible()
  await expect(page.getByRole('rowheader', { name: 'Apple: bloom' })).toBeVisible()
})

test('dragged by a day the ribbon moves by a day, and a press afterwards takes the day beneath it', async ({
  page,
}) => {
  await enter(page, 'philippa')
  await season(page)
  await page.getByText('Fortnight', { exact: true }).click()
  const ribbon = page.getByRole('slider', { name: /Day of the year/ })
  const box = (await ribbon.boundingBox())!
  // Fifteen days stand beside the names of the lanes.
  const day = (box.width - 168) / 15
  const at = box.x + 168 + day * 7.5
  await page.mouse.click(at, box.y + 60)
  const before = Number(await ribbon.getAttribute('aria-valuenow'))
  await page.mouse.move(at, box.y + 60)
  await page.mouse.down()
  await page.mouse.move(at - day * 3, box.y + 60, { steps: 4 })
  await page.mouse.up()
  await page.mouse.click(at, box.y + 60)
  await expect(ribbon).toHaveAttribute('aria-valuenow', String(before + 3))
})

test('what is seen on the ground moves what follows, and can be taken back', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await enter(page, 'wren')
  await season(page)
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  const row = page.getByRole('rowheader', { name: 'Crawlers, San Jose type' }).locator('..')
  await page.getByText('The same in tables').click()
  await expect(row).not.toContainText('seen')
  await page.getByLabel('Seen on the ground').selectOption({ label: 'Crawlers, San Jose type' })
  await page.getByLabel('Seen on', { exact: true }).fill('2099-01-01')
  await page.getByRole('button', { name: 'It was seen' }).click()
  await expect(page.getByText(/is still to come; note it when it is seen/)).toBeVisible()
  const today = await page.getByLabel('Seen on', { exact: true }).getAttribute('max')
  await page.getByLabel('Seen on', { exact: true }).fill(today!)
  await page.getByRole('button', { name: 'It was seen' }).click()
  await expect(page.getByRole('button', { name: 'Take it back' })).toHaveCount(1)
  await expect(row).toContainText('seen')
  await page.getByRole('button', { name: 'Take it back' }).click()
  await expect(page.getByRole('button', { name: 'Take it back' })).toHaveCount(0)
  await expect(row).not.toContainText('seen')
})

test('a site says where it lies, in words a hand types', async ({ page }) => {
  await signIn(page, 'philippa')
  await page.goto('/grounds')
  await page.getByRole('link', { name: /Hospital court/ }).click()
  await page.getByRole('link', { name: 'Season', exact: true }).click()
  await page.getByRole('button', { name: 'Say where it lies' }).click()
  await page.getByLabel('Latitude, such as 42.31').fill('upriver')
  await page.getByLabel('Longitude, such as 75.22 W').fill('75,3 W')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText(/type degrees such as 42\.31/)).toBeVisible()
  await page.getByLabel('Latitude, such as 42.31').fill('42.31')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText(/that the site lies in/)).toBeVisible()
  // Its own weather comes by itself, the past years after it.
  await expect(page.getByText(/°F·d above 50 °F since 1 Jan/)).toBeVisible({ timeout: 30_000 })
  await page.getByRole('button', { name: 'Say anew where it lies' }).click()
  await page.getByRole('button', { name: 'Take the town’s' }).click()
  await expect(page.getByText(/the firm’s town lies in/)).toBeVisible()
})

test('a block has a season of its own, and so has a tree', async ({ page }) => {
  await signIn(page, 'maren')
  const orchard = (
    (await (await page.request.get('/api/find?text=Quarrel%20Bank')).json()) as {
      value: { id: string; kind: string }[]
    }
  ).value.find((h) => h.kind === 'site')!.id
  await page.goto(`/grounds/${orchard}/season`)
  await page.getByRole('link', { name: 'Bank B', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Season, Bank B' })).toBeVisible()
  await openTree(page, 'Ash 12')
  await page.getByRole('link', { name: 'Season', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Season, Ash 12' })).toBeVisible()
  await expect(page.getByRole('slider')).toBeVisible()
  await page.getByRole('link', { name: 'Back to Ash 12' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Ash 12' })).toBeVisible()
  // A block that is not there, or a tree of another site, is no page.
  expect((await page.request.get(`/grounds/${orchard}/season?block=Bank%20Z`)).status()).toBe(404)
})
