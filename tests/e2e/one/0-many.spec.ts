import { hasTheDay } from '../away'
import { expect, test } from '@playwright/test'
import { idOf, picture, signIn } from '../signIn'

/** Forty hemlocks under a limit that does not suffice: signed in one go, worked by hand, one record. */
test.describe.configure({ mode: 'serial' })

test.use({ serviceWorkers: 'allow' })

test('the arborist shares the limit out and signs one prescription for many trees', async ({ page }) => {
  await signIn(page, 'maren')
  await page.goto(`/trees/${await idOf(page, 'Hem 02')}`)
  await page.getByRole('link', { name: 'Upper Spring ravine' }).first().click()
  await page.getByRole('link', { name: 'Prescribe for many →' }).click()
  await expect(
    page.getByRole('heading', { level: 1, name: 'Hemlock woolly adelgid, 40 trees' }),
  ).toBeVisible()
  // Four stand too near the spring: they say so, and cannot be drenched.
  await expect(page.getByText('open for 36 of 40').first()).toBeVisible()
  await expect(page.getByText(/Spring at \d+ ft: the card keeps 25 ft/).first()).toBeVisible()
  // More than the limit leaves cannot be signed.
  await expect(page.getByText(/More imidacloprid than the limit leaves this year/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Sign for 36 trees →' })).toBeDisabled()
  expect(Number(await page.locator('#group').getAttribute('data-plan-ms'))).toBeLessThan(250)

  await page.getByRole('button', { name: 'Share it out for most trees' }).click()
  await expect(page.getByText('The best there is: 13 trees')).toBeVisible()
  await picture(page, '21-many')
  // One more by hand is too much, and is said; taken out again it can be signed.
  await page.getByLabel('Way for Hem 03', { exact: true }).selectOption({ label: 'soil drench, SD2' })
  await expect(page.getByText(/1 moved by hand since: 14 trees now/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Sign for 14 trees →' })).toBeDisabled()
  await page.getByLabel('Way for Hem 03', { exact: true }).selectOption({ label: 'not this year' })
  await page.getByRole('button', { name: 'Sign for 13 trees →' }).click()
  await page.waitForURL(/\/run\//)
  await expect(page.getByText('1 of 13', { exact: true })).toBeVisible()
})

test('the crew drenches by hand, without signal in the middle, and signs one record for all', async ({
  page,
  context,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'teodor')
  await page.goto('/run')
  await hasTheDay(page)
  await page
    .getByRole('main')
    .getByRole('link', { name: /Upper Spring/ })
    .click()
  await page.getByRole('button', { name: 'Gear is on, begin' }).click()
  await expect(page.getByText('Put the protective gear on first, then tick it.')).toBeVisible()
  for (const box of await page.getByRole('checkbox').all()) await box.check()
  await page.getByRole('button', { name: 'Gear is on, begin' }).click()
  await page.getByRole('button', { name: 'Basin: done', exact: true }).click()
  await picture(page, '22-drench-by-hand')
  await expect(page.getByText(/^\d+ (kept here|going out)/)).toHaveCount(0, { timeout: 20_000 })
  // The network goes: what is on the screen stays, and every press is kept on the device.
  await context.setOffline(true)
  await page.getByRole('button', { name: 'Pour: done', exact: true }).click()
  await expect(page.getByText(/^1 kept here, no signal since \d\d:\d\d$/)).toBeVisible()
  // A flat battery: the job opens again without a network, as it stood.
  await page.reload()
  await expect(page.getByText('No signal. You see what was fetched')).toBeVisible()
  await page.getByRole('button', { name: 'Cover: done', exact: true }).click()
  await expect(page.getByText(/^2 kept here, no signal since/)).toBeVisible()
  await expect(page.getByText('Hem 02 is done')).toBeVisible()
  await context.setOffline(false)
  await expect(page.getByText(/^\d+ (kept here|going out)/)).toHaveCount(0, { timeout: 20_000 })
  // Taken back and done again.
  await page.getByRole('button', { name: 'Take the last press on “Cover” back' }).click()
  await page.getByRole('button', { name: 'Take the last press on “Pour” back' }).click()
  // What cannot be read is told, and stands as it was typed; then it is done after all.
  await page.getByRole('button', { name: 'Not done', exact: true }).click()
  await page.getByLabel('Why it is not done').fill('rain came')
  await page.getByLabel('Of the product, what is left').fill('a lot')
  await page.getByRole('button', { name: 'It is not done', exact: true }).click()
  await expect(page.getByText(/What is left cannot be read from "a lot"/)).toBeVisible()
  await expect(page.getByLabel('Of the product, what is left')).toHaveValue('a lot')
  await expect(page.getByLabel('Why it is not done')).toHaveValue('rain came')
  await page.getByRole('button', { name: 'Pour: done', exact: true }).click()
  await expect(page.getByLabel('Why it is not done')).toHaveCount(0)
  await page.getByRole('button', { name: 'Cover: done', exact: true }).click()
  // The rest of the bank by one press a step, on a page of its own, each asked once more.
  await page.getByRole('button', { name: 'All at once', exact: true }).click()
  for (const [step, n] of [
    ['Basin', 12],
    ['Pour', 12],
    ['Cover', 12],
  ] as const) {
    await page.getByRole('button', { name: `${step}: done at all ${n}` }).click()
    await page.getByRole('button', { name: `Yes, at all ${n}` }).click()
  }
  // All of it was one movement of the hand: one press takes it back, and it is done again.
  await page.getByRole('button', { name: 'Take back', exact: true }).click()
  await expect(page.getByText('Cover done at 12 trees')).toBeVisible()
  await page.getByRole('button', { name: 'Take it back', exact: true }).click()
  await expect(page.getByText('Pour done at 12 trees')).toBeVisible()
  await page.goBack()
  await page.getByRole('button', { name: 'Cover: done at all 12' }).click()
  await page.getByRole('button', { name: 'Yes, at all 12' }).click()
  await expect(page.getByText(/^\d+ (kept here|going out)/)).toHaveCount(0, { timeout: 20_000 })
  await page.getByRole('button', { name: 'Finish', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Record for 13 of 13 trees' })).toBeVisible()
  await page.getByLabel('Lot, off the package').selectOption('SD2-5521')
  await page.getByLabel('Notices given').fill('warden told, sign at the upper path')
  // The signature too is made without a signal: what the server would ask is asked here, and it goes out once there is one.
  await context.setOffline(true)
  await page.getByRole('button', { name: 'Sign the record' }).click()
  await page.getByRole('button', { name: 'The presses are right' }).click()
  await page.getByRole('button', { name: 'This tree', exact: true }).click()
  await expect(page.getByText(/^Signed here at \d\d:\d\d, not yet in the ledger\./)).toBeVisible()
  await page.reload()
  await expect(page.getByText(/^Signed here at/)).toBeVisible()
  await context.setOffline(false)
  await expect(page.getByText(/^\d+ (kept here|going out)/)).toHaveCount(0, { timeout: 30_000 })
  await page.goto('/ledger')
  await page
    .getByRole('main')
    .getByRole('link', { name: /13 trees/ })
    .first()
    .click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('13 trees at Upper Spring ravine')
  await expect(page.getByText(/Signed on the device at \d\d:\d\d without a signal/).first()).toBeVisible()
  await page.setViewportSize({ width: 1280, height: 800 })
  await expect(
    page.getByRole('cell', { name: 'Hem 02, Hemlock' }).or(page.getByText('Hem 02, Hemlock')),
  ).toBeVisible()
  await picture(page, '23-record-of-many')
})

test('the ledger of limits knows what went on, and what others put on', async ({ page }) => {
  await signIn(page, 'philippa')
  await page.goto(`/trees/${await idOf(page, 'Hem 02')}`)
  await page.getByRole('link', { name: 'Upper Spring ravine' }).first().click()
  await page.getByRole('link', { name: 'Limits' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Limits on this ground, 2026' })).toBeVisible()
  const limit = page.getByRole('region', { name: 'Yearly limit of imidacloprid' })
  await expect(limit.getByText('by others')).toBeVisible()
  await expect(limit.getByText('put on', { exact: true })).toBeVisible()
  await picture(page, '24-limits')
  await page.getByLabel('Active', { exact: true }).selectOption('imidacloprid')
  await page.getByLabel('How much of the active, lb').fill('a lot')
  await page.getByLabel('How it is known').fill('told at the gate')
  await page.getByRole('button', { name: 'It counts here' }).click()
  await expect(page.getByText(/cannot be read from "a lot"/)).toBeVisible()
  await page.getByLabel('How much of the active, lb').fill('0.01')
  await page.getByRole('button', { name: 'It counts here' }).click()
  await expect(page.getByText('told at the gate')).toBeVisible()
})
