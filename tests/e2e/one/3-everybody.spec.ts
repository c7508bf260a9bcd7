import { gzipSync } from 'node:zlib'
import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { scriptsOf } from '../../scripts'
import { enter, idOf, openTree, picture, signIn } from '../signIn'

const AXE = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8')

interface Violation {
  id: string
  impact: string
  nodes: { html: string }[]
}

/** Serious and critical findings of axe on the page as it stands. */
async function serious(page: Page): Promise<string[]> {
  await page.evaluate(AXE)
  const violations = (await page.evaluate(
    'axe.run(document, { resultTypes: ["violations"] }).then((r) => r.violations)',
  )) as Violation[]
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 160)}`)
}

async function views(page: Page): Promise<string[]> {
  const [ash, linden, declined] = [
    await idOf(page, 'Ash 14'),
    await idOf(page, 'Linden 7'),
    await idOf(page, 'Ash 13'),
  ]
  await page.goto('/run')
  const job = await page
    .getByRole('main')
    .getByRole('listitem')
    .getByRole('link')
    .first()
    .getAttribute('href')
  await page.goto('/ledger')
  const record = await page.getByRole('main').getByRole('link').first().getAttribute('href')
  await page.goto('/follow-up')
  const check = await page.getByRole('main').getByRole('link').first().getAttribute('href')
  await page.goto('/grounds')
  const site = await page.getByRole('main').getByRole('link').last().getAttribute('href')
  return [
    '/',
    '/grounds',
    site!,
    `${site!}/prescribe`,
    `${site!}/limits`,
    `${site!}/season`,
    `/trees/${ash}`,
    `/trees/${ash}/examine`,
    `/trees/${linden}/weigh`,
    `/trees/${declined}/decide`,
    `/trees/${ash}/prescribe`,
    '/waiting/weigh',
    '/turn',
    `/turn?site=${site!.split('/').at(-1)!}`,
    '/settings/rules',
    '/week',
    '/overdue',
    '/run/due',
    '/run/load',
    '/run/evening',
    '/settings/device',
    '/week/crews',
    '/run',
    job!,
    `${job!}/tell`,
    '/ledger',
    record!,
    '/follow-up',
    check!,
    '/reckon?for=ports',
    '/reckon?for=worth',
    '/shelf',
    '/shelf/SD2',
    '/shelf/new?from=SD2',
    '/help',
    '/help/places',
    '/settings',
    '/settings/api',
    '/settings/people',
    '/settings/firm',
    '/first-steps',
    '/clients',
    '/clients/new',
    `${site!}/about`,
    `${site!}/plan`,
    `${site!}/sign`,
    `${site!}/trees-from-file`,
    '/almanac',
    '/almanac/cause/aphids',
    '/almanac/finding/exit-hole-d',
    '/almanac/school/ants',
    '/practice',
    '/practice/composed/dripping-linden',
    `/trees/${linden}/sample`,
    `/trees/${linden}/client`,
  ]
}

test('axe finds nothing serious on any view, at desk and hand width', async ({ page }) => {
  test.setTimeout(900_000)
  await page.goto('/sign-in')
  await picture(page, '1-sign-in')
  expect(['/sign-in', await serious(page)]).toEqual(['/sign-in', []])
  for (const path of ['/forgot-password', '/enter', '/new-password']) {
    await page.goto(path)
    expect([path, await serious(page)]).toEqual([path, []])
  }
  await enter(page, 'maren')
  const all = await views(page)
  for (const width of [1280, 390]) {
    await page.setViewportSize({ width, height: width === 390 ? 844 : 800 })
    for (const path of all) {
      await page.goto(path)
      await page.waitForLoadState('networkidle')
      expect([width, path, await serious(page)]).toEqual([width, path, []])
    }
  }
})

/** What a view waits for before it is shown and its frame answers, and with the parts that stand on it, kB gzip. */
const MOST_SCRIPT = { first: 180, whole: 280 }

test('no view waits for more script than it may', async ({ page }) => {
  test.setTimeout(200_000)
  await enter(page, 'maren')
  const body = async (path: string) => (await page.request.get(path)).body()
  for (const path of ['/sign-in', ...(await views(page))]) {
    const { first, whole } = await scriptsOf((await body(path)).toString(), body)
    expect([path, first > 100, first <= MOST_SCRIPT.first, whole <= MOST_SCRIPT.whole]).toEqual([
      path,
      true,
      true,
      true,
    ])
  }
})

test('a device keeps what the field needs of the application, and no more', async ({ page }) => {
  const script = await (await page.request.get('/field-worker.js')).text()
  const files = [...script.matchAll(/"url":"([^"]+)"/g)].map((m) => m[1]!)
  expect(files).toContain('/field')
  let bytes = 0
  for (const file of files) bytes += gzipSync(await (await page.request.get(file)).body()).length
  // 643 kB as measured; a shell that names the parts of all pages would keep all of them, and helpers of pages that do not run out of a store.
  expect(bytes / 1000).toBeLessThan(750)
})

test('no view is wider than a phone, and what is pressed there is large enough', async ({ page }) => {
  test.setTimeout(400_000)
  await page.setViewportSize({ width: 390, height: 844 })
  await enter(page, 'teodor')
  for (const path of await views(page)) {
    await page.goto(path)
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
    expect([path, wide <= 0]).toEqual([path, true])
    const small = await page.evaluate(() =>
      [
        ...document.querySelectorAll<HTMLElement>(
          'main button.btn, main a.btn, main input.field, main select.field',
        ),
      ]
        .filter((el) => el.offsetParent !== null && !el.closest('#ring, [aria-label="Marks on the trunk"]'))
        .filter((el) => el.getBoundingClientRect().height < 47.5)
        .map(
          (el) =>
            `${el.tagName} ${el.textContent?.slice(0, 20)} ${Math.round(el.getBoundingClientRect().height)}`,
        ),
    )
    expect([path, small]).toEqual([path, []])
  }
})

test('the crew works by hand: one tree, one port, one thumb', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'teodor')
  await page.goto('/run')
  await page
    .getByRole('main')
    .getByRole('link', { name: /Ropewalk/ })
    .first()
    .click()
  const bar = page.getByRole('navigation', { name: 'Parts of this job' })
  await bar.getByRole('button', { name: 'Trees', exact: true }).click()
  await page.getByRole('button', { name: /Ash 16/ }).click()
  await page.getByLabel('Read the tag on the tree').fill('Ash 16')
  for (const box of await page.getByRole('checkbox').all()) await box.check()
  await page.getByRole('button', { name: 'This is the tree, begin' }).click()
  for (let n = 1; n <= 4; n++) {
    await expect(page.getByText(`Port ${n}`, { exact: true })).toBeVisible()
    await page.getByRole('button', { name: 'Drilled' }).click()
    await page.getByRole('button', { name: 'Set, start the clock' }).click()
  }
  await expect(page.getByText('Port 5', { exact: true })).toBeVisible()
  await expect(bar.getByRole('button', { name: 'In trees 4' })).toBeVisible()
  await picture(page, '15-run-by-hand')
  await bar.getByRole('button', { name: 'In trees 4' }).click()
  await expect(page.getByRole('heading', { name: 'In trees now, 4' })).toBeVisible()
  await bar.getByRole('button', { name: 'Finish' }).click()
  await expect(page.getByText(/4 still in the tree: ports 1, 2, 3, 4/)).toBeVisible()
  // What does not take is given up with its reason; the port stays on the board until it is pulled.
  await bar.getByRole('button', { name: 'This tree' }).click()
  await page.getByRole('button', { name: /^Port 4 at/ }).click()
  await page.getByRole('button', { name: 'Won’t take' }).click()
  await page.getByLabel('What is left in it').fill('5 mL')
  await page.getByRole('button', { name: 'Give up port 4' }).click()
  await page.getByRole('button', { name: /^Port 4 at .* empty, still in/ }).click()
  await page.getByRole('button', { name: 'Out and counted' }).click()
  await expect(bar.getByRole('button', { name: 'In trees 3' })).toBeVisible()
  await page.goto(`/trees/${await idOf(page, 'Ash 14')}/examine`)
  await picture(page, '16-examine-by-hand')
})

test('the desk works by keys alone', async ({ page }) => {
  await enter(page, 'maren')
  await expect(async () => {
    await page.keyboard.press('g')
    await page.keyboard.press('g')
    await expect(page.getByRole('heading', { level: 1, name: 'Grounds' })).toBeVisible({ timeout: 1000 })
  }).toPass()
  await openTree(page, 'Ash 11')
  await page.keyboard.press(']')
  await expect(page.getByRole('heading', { level: 1, name: 'Ash 12' })).toBeVisible()
  await page.keyboard.press('[')
  await expect(page.getByRole('heading', { level: 1, name: 'Ash 11' })).toBeVisible()
  await page.keyboard.press('w')
  await expect(page.getByRole('heading', { name: 'Working' })).toBeVisible()
  await page.goto(`/trees/${await idOf(page, 'Ash 11')}/examine`)
  await page.waitForLoadState('networkidle')
  await page.keyboard.press('1')
  await page.keyboard.press('2')
  await page.keyboard.press('j')
  await page.keyboard.press('3')
  await expect(page.getByText('3 looked at · 1 there · 1 not there')).toBeVisible()
  // No single key acts while somebody types.
  await page.goto('/grounds')
  await page.getByLabel('Filter by site').fill('gt/?n')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.getByLabel('Filter by site').blur()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('find a tree or a place')
})

test('units follow the person, in both directions', async ({ page }) => {
  await enter(page, 'maren')
  await openTree(page, 'Ash 11')
  await expect(page.getByText('14 in through').first()).toBeVisible()
  await page.getByRole('button', { name: /^inches/ }).click()
  await expect(page.getByText('35.6 cm through').first()).toBeVisible()
  await page.getByLabel('Girth at 1.37 m').fill('112.5')
  await expect(page.getByText('That is 35.8 cm through.')).toBeVisible()
  await page.getByRole('button', { name: /^centimetres/ }).click()
  await expect(page.getByText('14 in through').first()).toBeVisible()
})
