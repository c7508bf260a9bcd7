import { expect, test, type Page } from '@playwright/test'
import { decided, made, measured } from '../made'
import { enter, picture, signIn, signRecord } from '../signIn'

/** Trees on which the hard rules meet, each from what is found to the signed record and the next date. */
test.describe.configure({ mode: 'serial' })

const finding = (page: Page, name: string) =>
  page
    .getByRole('radiogroup', { name, exact: true })
    .getByRole('radio', { name: 'There', exact: true })
    .click()

/** Opens a tree of the job at hand. */
const atTree = (page: Page, tag: string, nth = 0) =>
  page
    .getByRole('region', { name: 'Trees of this job' })
    .getByRole('button', { name: new RegExp(tag) })
    .nth(nth)
    .click()

const sent = (page: Page) => expect(page.getByText(/on this device/)).toHaveCount(0, { timeout: 30_000 })

test.describe('four stems, each a trunk', () => {
  const GIRTHS = ['13', '14', '15', '18']
  let job = ''
  let tree = ''

  test('are measured, drawn and dosed apart', async ({ page }) => {
    await enter(page, 'maren')
    tree = await made(page, {
      tag: 'Clump 1',
      host: 'ash',
      girths: GIRTHS,
      findings: { 'exit-hole-d': 'there', 'crown-thin-top': 'there' },
      cause: 'emerald-ash-borer',
    })
    await page.goto(`/trees/${tree}`)
    await expect(page.getByText('Girths of 4 stems')).toBeVisible()
    await expect(page.getByText('13 · 14 · 15 · 18')).toBeVisible()
    await page.goto(`/trees/${tree}/prescribe`)
    await page.getByText('Trunk injection, Example EB4').click()
    const sign = page.getByRole('button', { name: 'Sign and hand to the crew →' })
    await expect(sign).toBeDisabled()
    for (const [i, girth] of GIRTHS.entries())
      await page.getByLabel(`Girth where the ports go, stem ${i + 1}, in`).fill(String(Number(girth) + 0.5))
    const stem = (n: number) => page.getByRole('group', { name: new RegExp(`^Stem ${n} from above with`) })
    for (const n of [1, 2, 3, 4]) await expect(stem(n)).toBeVisible()
    await expect(page.getByText(/ports of 4 stems/).first()).toBeVisible()
    // What lies on the second is drawn on its own ring, and saved before anything is signed.
    await page.getByText('Flares, dead wood and earlier holes of each stem').click()
    await page.getByText('Stem 2', { exact: true }).last().click()
    await page.getByRole('button', { name: '+ flare' }).click()
    await expect(
      page.getByText('What lies on the stems was changed. Save it before handing over.'),
    ).toBeVisible()
    await expect(sign).toBeDisabled()
    await page.getByRole('button', { name: 'Save the ring' }).click()
    await expect(page.getByRole('button', { name: 'Ring saved' })).toBeVisible()
    await sign.click()
    await page.waitForURL(/\/run\//)
    job = page.url()
  })

  test('are drilled stem by stem, recorded, and due in two years; until then nothing is signed', async ({
    page,
  }) => {
    test.setTimeout(300_000)
    await signIn(page, 'teodor')
    await page.goto(job)
    await atTree(page, 'Clump 1')
    await page.getByLabel('Read the tag on the tree').fill('clump 1')
    for (const box of await page.getByRole('checkbox').all()) await box.check()
    await page.getByRole('button', { name: 'This is the tree, begin' }).click()
    const set = page.getByRole('button', { name: 'Set, start the clock' })
    const drilled = page.getByRole('button', { name: 'Drilled' })
    const inTrees = page.getByRole('heading', { name: /^In trees now, / })
    await expect(page.getByText('Stem 1, Port 1', { exact: true })).toBeVisible()
    let ports = 0
    for (; (await drilled.count()) > 0; ports++) {
      await drilled.click()
      await set.click()
      await expect(inTrees).toContainText(String(ports + 1))
    }
    expect(ports).toBeGreaterThanOrEqual(10)
    for (let n = 1; n <= ports; n++) {
      await page.getByRole('button', { name: `Empty, stop port ${n} of Clump 1` }).click()
      await page.getByRole('button', { name: `Out, counted, port ${n} of Clump 1` }).click()
    }
    await expect(page.getByRole('heading', { name: 'Nothing is in a tree' })).toBeVisible()
    await sent(page)
    await page.getByLabel('Lot, off the package').selectOption('EB4-2207')
    await page.getByLabel('Notices given').fill('office told')
    await page.getByLabel('Empties counted in').fill(String(ports))
    await signRecord(page)
    for (const n of [1, 2, 3, 4])
      await expect(page.getByRole('group', { name: `Ports of Clump 1, stem ${n}` })).toBeVisible()

    await signIn(page, 'maren')
    await page.goto(`/trees/${tree}`)
    await expect(page.getByRole('link', { name: /Treat again, 2 years on/ })).toBeVisible()
    // Next June it is in its second year: a new decision leads to no second injection.
    await decided(page, tree, {
      findings: { 'exit-hole-d': 'there', 'crown-thin-top': 'there' },
      cause: 'emerald-ash-borer',
    })
    await page.goto(`/trees/${tree}/prescribe`)
    await page.getByText(/closed, and why/).click()
    await expect(
      page.getByText(/Example EB4 is at work in this tree against the same cause/).first(),
    ).toBeVisible()
  })
})

test.describe('an elm with a proved wilt', () => {
  let elm = ''

  test('leads from the proof to the line, the axe and the wood, in this order', async ({ page }) => {
    await enter(page, 'maren')
    elm = await measured(page, { tag: 'Elm 31', host: 'elm', girths: ['60'] }, [60, 60])
    await measured(page, { tag: 'Elm 32', host: 'elm', girths: ['70'] }, [68, 60])
    await page.goto(`/trees/${elm}/examine`)
    await finding(page, 'One limb wilted, the rest green')
    await finding(page, 'Streaks in the sapwood')
    await finding(page, 'Elm wilt fungus grown')
    await expect(page.getByText('all kept')).toBeVisible()
    await page.getByRole('link', { name: 'Weigh 3 findings →' }).click()
    await page.getByRole('button', { name: /^Sign dutch elm disease and decide/i }).click()
    // Proved: it leads on, and no sample is asked for again.
    await expect(page.getByRole('heading', { level: 1, name: 'Elm 31, what to do?' })).toBeVisible()
    await expect(page.getByRole('radio', { name: /^Remove/ })).toBeVisible()
    await page.getByRole('radio', { name: /^Remove/ }).check()
    await picture(page, '40-wilt')
  })
})
