import { expect, test } from '@playwright/test'
import { idOf, signIn } from '../signIn'

test('a new examination after a signed one begins with nothing looked at, and offers what was there', async ({
  page,
}) => {
  await signIn(page, 'maren')
  await page.goto(`/trees/${await idOf(page, 'Ash 15')}/examine`)
  await expect(page.getByText(/This examination was signed on 10 Jun 2025/)).toBeVisible()
  const holes = page.getByRole('radiogroup', { name: 'D-shaped exit holes' })
  await expect(holes.getByRole('radio', { name: 'There', exact: true })).toHaveAttribute(
    'aria-checked',
    'true',
  )
  await page.getByRole('button', { name: 'Begin a new examination' }).click()
  await expect(holes.getByRole('radio', { name: 'Not looked' })).toHaveAttribute('aria-checked', 'true')
  await expect(page.getByText(/^0 looked at/)).toBeVisible()

  // What was there last time is taken over by one press, looked at.
  await page.getByRole('button', { name: /^Still so ?, D-shaped exit holes/ }).click()
  await expect(holes.getByRole('radio', { name: 'There', exact: true })).toHaveAttribute(
    'aria-checked',
    'true',
  )
  // A place where nothing is: one press, but for what was there before and what could hurt somebody; taken back by the next.
  const trunk = page.getByRole('button', { name: /^Nothing here, \d+ ?: Trunk/ })
  await trunk.click()
  const back = page.getByRole('button', { name: /^Take back \d+ ?: Trunk/ })
  await expect(back).toBeVisible()
  await expect(
    page.getByRole('radiogroup', { name: 'Open cavity' }).getByRole('radio', { name: 'Not looked' }),
  ).toHaveAttribute('aria-checked', 'true')
  await expect(page.getByText('all kept')).toBeVisible()
  await back.click()
  await expect(page.getByText(/^1 looked at · 1 there/)).toBeVisible()

  // The live crown is asked where one looks up, in steps of five.
  await page.getByLabel('Live crown, % in steps of 5').fill('87')
  await page.getByRole('button', { name: 'Keep the live crown' }).click()
  await expect(page.getByText(/steps of 5 %; type 75 or 80/)).toBeVisible()
  await page.getByLabel('Live crown, % in steps of 5').fill('85')
  await expect(page.getByText(/steps of 5 %; type 75 or 80/)).toHaveCount(0)
  await page.getByRole('button', { name: 'Keep the live crown' }).click()
  await expect(page.getByText('kept: 85 %')).toBeVisible()
})
