import { expect, test } from '@playwright/test'
import { signIn } from '../signIn'

test('a truck is loaded in the yard, and what is missing is seen in the office at once', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'teodor')
  await page.goto('/run/load')
  const things = page.getByRole('list', { name: 'What goes on the truck' }).getByRole('listitem')
  const kept = () => page.waitForResponse((r) => r.url().endsWith('/api/do/note-loaded') && r.ok())
  const on = things.first().getByRole('checkbox')
  await Promise.all([kept(), on.click()])
  await expect(on).toBeChecked()
  await Promise.all([
    kept(),
    things
      .nth(1)
      .getByRole('button', { name: /^missing/ })
      .click(),
  ])
  await expect(things.nth(1)).toContainText('missing, said by you')
  const name = (await things.nth(1).getByRole('checkbox').getAttribute('aria-label'))!.replace(
    'On the truck: ',
    '',
  )

  await page.reload()
  await expect(on).toBeChecked()
  await expect(things.nth(1)).toContainText('missing, said by Teodor Lisk')

  // The office reads it, and ticks nothing.
  await signIn(page, 'philippa')
  await page.goto('/')
  const missing = page.getByRole('region', { name: 'Missing on a truck' })
  await expect(missing).toContainText(`${name}`)
  await missing.getByRole('link').first().click()
  await expect(on).toBeDisabled()
})
