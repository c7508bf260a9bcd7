import { expect, test, type Page } from '@playwright/test'
import { picture, signIn } from '../signIn'

/** The week of the firm as the demo begins with it: planned, put by hand and by keys, taken, and read by whose it is. It is the first of its half: others begin work and move it. */

const stop = (page: Page, name: RegExp) =>
  page.getByRole('button', { name }).filter({ visible: true }).first()
const cell = (page: Page, crew: string, day: RegExp) =>
  page.getByRole('group', { name: new RegExp(`^${crew}, ${day.source}`) })

test('the office plans the week, sees what changes and why, and the crew finds its day', async ({ page }) => {
  await signIn(page, 'philippa')
  await page.goto('/week')
  await expect(page.getByText('9 stops, 8 without a crew')).toBeVisible()
  await page.getByRole('button', { name: 'Plan the week' }).click()
  await expect(page.getByText(/stops placed/)).toBeVisible({ timeout: 40_000 })
  const changes = page.getByRole('region', { name: 'If the changes are taken' })
  await expect(changes.getByText('It had no crew yet.').first()).toBeVisible()
  await picture(page, '35-week')
  // What was planned is only there once it is taken.
  await page.reload()
  await expect(page.getByText(/without a crew/)).toBeVisible()
  await page.getByRole('button', { name: 'Plan the week' }).click()
  await page.getByRole('button', { name: /^Take the/ }).click()
  await expect(changes).toHaveCount(0, { timeout: 40_000 })
  await expect(page.getByText(/without a crew/)).toHaveCount(0)
  await expect(cell(page, 'Teodor', /Mon/).getByRole('button').first()).toBeVisible()
  await expect(page.getByText(/another day|new crew/)).toHaveCount(0)
  await signIn(page, 'teodor')
  await page.goto('/run')
  await expect(page.getByText('(yours)').first()).toBeVisible()
})

test('a stop is dragged and moved by keys; why is asked, and what stands against it is said', async ({
  page,
}) => {
  await signIn(page, 'philippa')
  await page.goto('/week')
  const collar = stop(page, /Elm avenue.*root collar/s)
  await collar.scrollIntoViewIfNeeded()
  const days = await page.getByRole('group', { name: /^Teodor, / }).all()
  const last = (await days.at(-1)!.getAttribute('aria-label'))!.replace('Teodor, ', '')
  await collar.dragTo(cell(page, 'No crew yet', new RegExp(last)))
  await expect(cell(page, 'No crew yet', new RegExp(last)).getByText('another day')).toBeVisible()
  await expect(page.getByLabel(/^Why, for what you moved/)).toBeVisible()
  // By keys: back to a crew, the row above.
  await stop(page, /Elm avenue.*root collar/s).focus()
  await page.keyboard.press('Shift+ArrowUp')
  await expect(cell(page, 'Wren and Maren', new RegExp(last)).getByText('kept here')).toBeVisible()
  await expect(page.locator(':focus')).toContainText('root collar')
  // Somebody who looks for a reason finds every day.
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'This stop' }).getByText('may be done').first()).toBeVisible()
  // Without a reason nothing is taken, and the field says so.
  await page.getByRole('button', { name: /^Take the change/ }).click()
  await expect(page.getByText('“Why it is moved” is empty; type it.')).toBeVisible()
  await page.getByLabel(/^Why, for what you moved/).fill('the street is closed until then')
  await page.getByRole('button', { name: /^Take the change/ }).click()
  await expect(page.getByRole('region', { name: 'If the changes are taken' })).toHaveCount(0, {
    timeout: 30_000,
  })
  await stop(page, /Elm avenue.*root collar/s).click()
  await page.getByRole('link', { name: 'open the job' }).click()
  await expect(page.getByText(/the street is closed until then/)).toBeVisible()
})

test('a week that somebody else changed meanwhile is not overwritten', async ({ page, browser }) => {
  await signIn(page, 'philippa')
  await page.goto('/week')
  const helpers = /Chestnut trial.*radial trenches/s
  await stop(page, helpers).click()
  const panel = page.getByRole('region', { name: 'This stop' })
  const here = await panel.getByLabel('Day').inputValue()
  await panel.getByLabel('Crew').selectOption({ label: 'no crew yet' })
  const other = await browser.newPage()
  await signIn(other, 'teodor')
  await other.goto('/week')
  await stop(other, helpers).click()
  const theirs = other.getByRole('region', { name: 'This stop' })
  await theirs.getByLabel('Crew').selectOption({ label: 'Wren and Maren' })
  await other.getByRole('button', { name: 'Take the change' }).click()
  await expect(other.getByRole('region', { name: 'If the changes are taken' })).toHaveCount(0, {
    timeout: 30_000,
  })
  await page.getByRole('button', { name: 'Take the change' }).click()
  await expect(page.getByText(/was changed by somebody else since you looked/)).toBeVisible()
  expect(await panel.getByLabel('Day').inputValue()).toBe(here)
  await other.close()
})

test('crews are changed and people are away, with what is wrong beside the field', async ({ page }) => {
  await signIn(page, 'philippa')
  await page.goto('/week/crews')
  await page.getByRole('button', { name: 'Add a crew' }).click()
  await page.getByLabel('Name').fill('teodor')
  await page.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByText('There is a crew “teodor” already')).toBeVisible()
  await page.getByLabel('Name').fill('Bank crew')
  await page.getByLabel('Sat, hours').fill('lots')
  await page.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByText('type hours from 0 to 24')).toBeVisible()
  await page.getByLabel('Sat, hours').fill('4:30')
  await page.getByRole('checkbox', { name: /Philippa Quell/ }).check()
  await page.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByRole('heading', { name: 'Bank crew' })).toBeVisible()
  await expect(page.getByText(/Sat from 07:00, 4 h 30/)).toBeVisible()
  await page.getByLabel('Who is away').selectOption({ label: 'all of Bank crew' })
  await page.getByRole('button', { name: 'Enter' }).click()
  await expect(page.getByText(/Why.*(empty|type)/i).first()).toBeVisible()
  await page.getByLabel('Why').fill('the truck is inspected')
  await page.getByRole('button', { name: 'Enter' }).click()
  const away = page.getByRole('region', { name: 'Away' })
  await expect(away.getByText(/the truck is inspected/)).toBeVisible()
  await away
    .getByRole('listitem')
    .filter({ hasText: 'inspected' })
    .getByRole('button', { name: 'There after all' })
    .click()
  await expect(away.getByText(/the truck is inspected/)).toHaveCount(0)
})

test('a technician reads the week and can move nothing of it', async ({ page }) => {
  await signIn(page, 'wren')
  await page.goto('/week')
  await expect(page.getByRole('button', { name: 'Plan the week' })).toHaveCount(0)
  await stop(page, /Elm avenue/).click()
  const panel = page.getByRole('region', { name: 'This stop' })
  await expect(panel.getByText('What each day says')).toBeVisible()
  await expect(panel.getByLabel('Day')).toHaveCount(0)
})
