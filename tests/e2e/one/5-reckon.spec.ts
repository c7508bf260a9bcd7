import { expect, test } from '@playwright/test'
import { made } from '../made'
import { enter, picture, signIn } from '../signIn'

test.use({ serviceWorkers: 'allow' })

test('every sheet answers as it opens, and every figure has its working', async ({ page }) => {
  test.setTimeout(240_000)
  await signIn(page, 'teodor')
  await page.goto('/reckon')
  const sheets = page.getByRole('navigation', { name: 'What to reckon' }).getByRole('button')
  await expect(sheets).toHaveCount(23)
  for (const title of await sheets.allTextContents()) {
    await page.getByRole('button', { name: title, exact: true }).click()
    await expect(page.getByRole('region', { name: new RegExp(`^Working, ${title}`) })).toBeVisible()
    await expect(page.locator('svg[role=img]:visible, svg[role=group]:visible').first()).toBeVisible()
    await expect(page.locator('dl dd').first()).not.toBeEmpty()
  }
})

test('numbers typed change the answer, a slip is told at its field, the link carries them', async ({
  page,
}) => {
  await signIn(page, 'maren')
  await page.goto('/reckon?for=drench')
  const girth = page.getByLabel('Girth, stem 1')
  await expect(page.locator('dl dd').first()).toContainText('3.57 fl oz')
  await expect(page.locator('dl dd').first()).toContainText('105.4 mL')
  // A bare number is in the person's own unit, and says so; words are a slip.
  await girth.fill('40')
  await expect(page.getByText('read as 40 in')).toBeVisible()
  await girth.fill('forty')
  await expect(page.getByText(/cannot be read from "forty"/).first()).toBeVisible()
  await expect(girth).toHaveAttribute('aria-invalid', 'true')
  await girth.fill('100 cm')
  await expect(page.locator('dl dd').first()).toContainText('1.25 fl oz')
  await page.getByRole('button', { name: '+ stem' }).click()
  await page.getByLabel('or diameter, stem 2').fill('9 in')
  await expect(page.getByLabel('Several stems count as')).toBeVisible()
  // The answer to what was typed last, not the one before it.
  await expect(page.locator('dl dd').first()).not.toContainText('1.25 fl oz')
  const answer = await page.locator('dl dd').first().textContent()
  await picture(page, '17-reckon')
  const link = page.url()
  expect(link).toContain('for=drench')
  await page.goto('/')
  await page.goto(link)
  await expect(page.getByLabel('or diameter, stem 2')).toHaveValue('9 in')
  await expect(page.locator('dl dd').first()).toHaveText(answer!)
})

test('an address full of nonsense opens the sheet as it starts', async ({ page }) => {
  await enter(page, 'maren')
  for (const query of [
    '?for=nothing',
    '?for=drench&stems[99999].girth=x&rate=1&__proto__=2',
    `?for=trunk&stems[0].girth=${'9'.repeat(3000)}`,
  ]) {
    await page.goto(`/reckon${query}`)
    await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible()
  }
})

test('ten thousand lives are drawn with progress and can be stopped', async ({ page }) => {
  await signIn(page, 'maren')
  await page.goto('/reckon?for=worth')
  await page.getByRole('button', { name: 'Draw 10,000 lives' }).click()
  await expect(page.getByText(/Treating was worth at least as much as removing in/)).toBeVisible()
  await page.getByLabel('A visit costs').fill('900')
  await expect(page.getByText(/Treating was worth at least/)).toHaveCount(0)
})

test('a result goes to the prescription that is open', async ({ page }) => {
  await enter(page, 'maren')
  const ash = await made(page, {
    tag: 'Ash 94',
    host: 'ash',
    girths: ['52'],
    findings: { 'exit-hole-d': 'there', 'crown-thin-top': 'there' },
    cause: 'emerald-ash-borer',
  })
  await page.goto(`/trees/${ash}/prescribe`)
  await page.getByRole('link', { name: 'Reckon with other numbers' }).click()
  await page.getByLabel('Girth at the ports').fill('57 in')
  await page.getByLabel('Rate', { exact: true }).selectOption('high')
  const ports = (await page.locator('dl dd').first().textContent())!.trim()
  await page.getByRole('link', { name: 'Use for Ash 94’s prescription →' }).click()
  await expect(page.getByLabel('Girth where the ports go')).toHaveValue('57 in')
  await expect(page.getByRole('group', { name: `Ash 94 from above, ${ports} ports` })).toBeVisible()
})

test('once opened it works without a network, also when it is opened again', async ({ page, context }) => {
  await signIn(page, 'maren')
  await page.goto('/reckon')
  await expect(page.locator('dl dd').first()).toContainText('14.01 in')
  // The keeper has what the page loaded.
  await expect(async () => {
    const kept = await page.evaluate(async () => (await (await caches.open('reckon')).keys()).length)
    expect(kept).toBeGreaterThan(5)
  }).toPass()
  await context.setOffline(true)
  await page.getByLabel('Girth, stem 1').fill('88 in')
  await expect(page.locator('dl dd').first()).toContainText('28.01 in')
  await page.goto('/reckon?for=water')
  await expect(page.locator('dl dd').first()).toContainText('40 gal')
  await context.setOffline(false)
})

test('on a phone: pick, type, see, nothing wider than the hand', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'teodor')
  await page.goto('/')
  await page.getByRole('link', { name: 'Reckon a dose' }).click()
  await page.getByRole('combobox', { name: 'What to reckon' }).selectOption({ label: 'Trunk injection' })
  await expect(page.locator('dl dd').first()).toContainText('9')
  for (const title of await page
    .getByRole('combobox', { name: 'What to reckon' })
    .locator('option')
    .allTextContents()) {
    await page.getByRole('combobox', { name: 'What to reckon' }).selectOption({ label: title })
    await page.waitForTimeout(60)
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
    expect([title, wide]).toEqual([title, 0])
  }
})
