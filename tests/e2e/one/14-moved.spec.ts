import { expect, test } from '@playwright/test'
import { signIn } from '../signIn'

/** What cannot be done on its day: it goes to another one, and the reason stands beside it. */

test('the office puts a promised look off, and everybody reads why', async ({ page }) => {
  await signIn(page, 'philippa')
  await page.goto('/follow-up')
  // Those that are asked the same stand on one page of a walk, each with a page of its own.
  await page
    .getByRole('link', { name: /Gate apple 1.*one walk/ })
    .first()
    .click()
  await expect(page.getByRole('list', { name: 'Trees of this walk' }).getByRole('listitem')).toHaveCount(6)
  await page.getByRole('link', { name: 'Gate apple 6', exact: true }).click()
  await expect(page).toHaveURL(/\/follow-up\/[0-9a-f-]{36}$/)
  const address = new URL(page.url()).pathname
  const promised = await page.getByText(/, promised for/).innerText()
  await page.getByText('Not on this day').click()
  // Without a reason nothing moves, and the field says so.
  await page.getByRole('button', { name: 'Put it on this day' }).click()
  await expect(page.getByText(/Why.*(Type|missing|characters|write)/i).first()).toBeVisible()
  await page.goto(address)
  await expect(page.getByText(promised)).toBeVisible()
  await page.getByText('Not on this day').click()
  await expect(page.getByRole('button', { name: /End it/ })).toHaveCount(0)
  await page.getByRole('textbox', { name: 'Why' }).fill('the gate is locked until Friday')
  await page.getByRole('button', { name: 'Put it on this day' }).click()
  await expect(page).toHaveURL(/\/follow-up$/)
  await page.goto(address)
  const moved = page.getByRole('list', { name: 'Moved' })
  await expect(moved.getByRole('listitem')).toHaveCount(1)
  await expect(moved).toContainText(/Moved from .* to .*: the gate is locked until Friday · Philippa Quell/)
})
