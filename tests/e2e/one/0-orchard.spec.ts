import { expect, test, type Page } from '@playwright/test'
import { enter, idOf, picture, signIn, signRecord } from '../signIn'

/** Scab covers for 120 apples on three banks: looked at by sample, covered as one, one record a bank, and due again. */
test.describe.configure({ mode: 'serial' })

const BANKS = [
  ['A', 40],
  ['B', 40],
  ['C', 39],
] as const

async function orchard(page: Page): Promise<string> {
  await page.goto(`/trees/${await idOf(page, 'Cider A01')}`)
  const href = await page.getByRole('link', { name: 'Quarrel Bank orchard' }).first().getAttribute('href')
  return href!
}

test('the arborist signs the banks by sample, and three covers for each', async ({ page }) => {
  test.setTimeout(240_000)
  await enter(page, 'maren')
  const site = await orchard(page)
  await page.goto(`${site}/blocks`)
  await expect(page.getByRole('heading', { level: 1, name: 'Blocks of Quarrel Bank orchard' })).toBeVisible()
  await picture(page, '25-blocks')
  for (let left = 2; left > 0; left--) {
    await expect(page.getByRole('button', { name: 'Sign for the other 36' })).toHaveCount(left)
    await page.getByRole('button', { name: 'Sign for the other 36' }).first().click()
  }
  await expect(page.getByText('Every tree of this block is signed already.')).toHaveCount(3)
  // One tree of the last bank stands too near the well for this card.
  for (const [bank, trees] of BANKS) {
    await page.goto(`${site}/blocks`)
    await page.getByRole('link', { name: 'Prescribe for 40 →' }).first().click()
    await expect(
      page.getByRole('heading', { level: 1, name: `Apple scab, Bank ${bank}, 40 trees` }),
    ).toBeVisible()
    await page.getByText('Crown spray, Example CP4').click()
    // A crown has to be measured before anything is dosed by it.
    await expect(page.getByRole('button', { name: /Sign for 0 trees/ })).toBeDisabled()
    await page.getByLabel('Crown height, ft').fill('11 ft')
    await page.getByLabel('Crown width, ft').fill('10 ft')
    if (bank === 'C') {
      // A second spray out of the same tank; copper has its days in spring and is not offered beside it.
      await page.getByRole('checkbox', { name: 'Example MY3' }).check()
      await expect(page.getByRole('checkbox', { name: 'Example CU5' })).toHaveCount(0)
      await page.getByLabel('Picking begins on').fill('2026-09-20')
    }
    await page.getByLabel('Times in all').selectOption({ label: '3 times' })
    await page.getByRole('button', { name: `Sign for ${trees} trees →` }).click()
    await page.waitForURL(/\/run\//)
  }
  await expect(page.getByRole('heading', { name: /^Bank C: / })).toBeVisible()
})

test('the crew covers bank after bank and signs a record for each', async ({ page }) => {
  test.setTimeout(300_000)
  await signIn(page, 'teodor')
  await page.goto('/run')
  await page
    .getByRole('main')
    .getByRole('link', { name: /Quarrel Bank/ })
    .click()
  for (const [bank, trees] of BANKS) {
    await page.getByRole('button', { name: new RegExp(`Cider ${bank}01`) }).click()
    if (bank === 'A') {
      // A spray kept out of the sun goes by its halves.
      await page.getByText('the sun', { exact: true }).click()
      await expect(page.getByText('East half', { exact: true }).first()).toBeVisible()
      await expect(page.getByText('West half', { exact: true }).first()).toBeVisible()
      await page.getByText('the walk', { exact: true }).click()
      await expect(page.getByText('East half', { exact: true })).toHaveCount(0)
    }
    await page.getByLabel('The tank holds, gal').fill('8 gal')
    if (bank === 'C') await expect(page.getByText(/oz \(.* g\) of Example MY3, stirred in/)).toHaveCount(2)
    else await expect(page.getByText(/2 full loads: 8 gal with .* oz; then one part load/)).toBeVisible()
    for (const box of await page.getByRole('checkbox').all()) await box.check()
    await page.getByRole('button', { name: 'Gear is on, begin' }).click()
    await page.getByRole('button', { name: `Inside: done at all ${trees}` }).click()
    await page.getByRole('button', { name: `Yes, at all ${trees}` }).click()
    // Once anything went on, the ground is closed.
    await page.getByRole('button', { name: `Outside: done at all ${trees}` }).click()
    await page.getByRole('button', { name: `Yes, at all ${trees}` }).click()
    if (bank === 'A') await picture(page, '26-bank')
    await expect(page.getByText(/^\d+ (kept here|going out)/)).toHaveCount(0, { timeout: 30_000 })
    await expect(page.getByRole('heading', { name: `Record for ${trees} of ${trees} trees` })).toBeVisible()
    if (bank === 'C') {
      await page.getByLabel('Lot of Example CP4, off the package').selectOption('CP4-6000')
      await page.getByLabel('Lot of Example MY3, off the package').selectOption('MY3-0815')
    } else await page.getByLabel('Lot, off the package').selectOption('CP4-6000')
    await page.getByLabel('Notices given').fill('press house told, sign at the track')
    await signRecord(page)
    await expect(page.getByRole('heading', { level: 1 })).toContainText(
      `${trees} trees at Bank ${bank}, Quarrel Bank orchard`,
    )
    if (bank === 'C') await expect(page.getByText('Example MY3, DEMO-1028-1')).toBeVisible()
    await page.goBack()
  }
})

test('the next covers are due by the card, and one is put on its day', async ({ page }) => {
  await signIn(page, 'maren')
  await page.goto('/run')
  const due = page.getByRole('region', { name: 'Due again' })
  await expect(due.getByText('Example CP4, 2 of 3')).toHaveCount(3)
  await expect(
    due.getByText(/40 trees · Bank B, Quarrel Bank orchard · from 19 Jun 2026 to 22 Jun 2026/),
  ).toBeVisible()
  // Three went on just now, one before the rain.
  await expect(due.getByText(/^100 % of the cover left, /)).toHaveCount(3)
  await expect(due.getByText(/^\d\d % of the cover left, gone before its card lets it/)).toHaveCount(1)
  await picture(page, '27-due-again')
  // Sooner than the card lets is refused, with the day from which it may be.
  const bankB = due.getByRole('listitem').filter({ hasText: 'Bank B' })
  await bankB.getByLabel('Day').fill('2026-06-15')
  await bankB.getByRole('button', { name: 'Put on this day' }).click()
  await expect(bankB.getByText(/the next is due from 19 Jun 2026 on/)).toBeVisible()
  await bankB.getByLabel('Day').fill('2026-06-20')
  await bankB.getByRole('button', { name: 'Put on this day' }).click()
  await page.waitForURL(/\/run\//)
  await expect(page.getByText('1 of 40', { exact: true })).toBeVisible()
  // The crew takes it along on paper: what goes on once, every tree with its amount.
  await page.emulateMedia({ media: 'print' })
  const paper = page.getByRole('region', { name: 'On paper' })
  await expect(paper).toContainText(/Bank B: Crown spray, Example CP4: 40 trees, .* oz in all/)
  await expect(paper.getByRole('listitem')).toHaveCount(40)
  await expect(paper.getByRole('listitem').last()).toContainText(/Cider B\d+.* oz .* in 0\.\d+ gal of spray/)
  await page.emulateMedia({ media: 'screen' })
  // The other two may be ended with a reason.
  await page.goto('/run')
  const bankC = page
    .getByRole('region', { name: 'Due again' })
    .getByRole('listitem')
    .filter({ hasText: 'Bank C' })
    .filter({ hasText: 'Example MY3' })
  await bankC.getByText('It is not done any more').click()
  await bankC.getByLabel('Why').fill('no spot on the young leaves')
  await bankC.getByRole('button', { name: 'End it' }).click()
  await expect(bankC).toHaveCount(0)
})
