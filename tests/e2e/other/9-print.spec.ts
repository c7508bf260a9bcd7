import { expect, test, type Page } from '@playwright/test'
import { extractText, getDocumentProxy } from 'unpdf'
import { tagCode } from '../../../src/core/tags/tagCode'
import { enter, idOf, signIn } from '../signIn'

/** What comes out of the printer: the work in words, on few sheets, without the frame and its buttons. */

/** What belongs to the screen alone. */
const SCREEN = [
  'Sign out',
  'Move the demo',
  'Follow-up\nAlmanac',
  'Keep the reading',
  'Filter by',
  'Sign the',
  'Choose all',
  'Copy a link',
  'Closer',
  'previous',
  'Drag a port',
  'Take it back',
]

async function printed(page: Page): Promise<{ text: string; sheets: number }> {
  const document = await getDocumentProxy(new Uint8Array(await page.pdf({ format: 'Letter' })))
  const { text, totalPages } = await extractText(document, { mergePages: true })
  return { text: text.replace(/\s+/g, ' '), sheets: totalPages }
}

async function check(page: Page, most: number, words: (string | RegExp)[]) {
  await expect(page.getByRole('button', { name: /^Print/ }).first()).toBeVisible()
  // What only paper needs is drawn once the page is alive.
  await expect(page.locator('[inert]')).toHaveCount(0)
  const { text, sheets } = await printed(page)
  for (const word of words)
    if (typeof word === 'string') expect(text).toContain(word)
    else expect(text).toMatch(word)
  for (const word of SCREEN) expect(text).not.toContain(word)
  // Dates are written out, ids and machine times stay away.
  expect(text).not.toMatch(/\d{4}-\d{2}-\d{2}/)
  expect(text).not.toMatch(/[0-9a-f]{8}-[0-9a-f]{4}-/)
  expect(text).toMatch(/printed by Maren Oduya, \w{3} \d+ \w+ 2026/)
  expect(sheets).toBeLessThanOrEqual(most)
  expect(sheets).toBeGreaterThan(0)
}

test('a group as one sheet, said to be a draft while it is not signed', async ({ page }) => {
  await signIn(page, 'maren')
  await page.goto(`/trees/${await idOf(page, 'Hem 20')}`)
  await page.getByRole('link', { name: 'Upper Spring ravine' }).first().click()
  await page.getByRole('link', { name: 'Prescribe for many →' }).click()
  await page.getByText('Soil drench, Example SD2', { exact: true }).click()
  await check(page, 1, [
    /Hemlock woolly adelgid, \d+ trees/,
    /not signed|Not to be worked: more imidacloprid than the limit leaves/,
    /Soil drench, Example SD2: \d+ trees, [\d.]+ fl oz in all/,
    /Worn: eye protection/,
    /Not worked: Hem 20/,
    'The label in the hand decides.',
  ])
})

test('tree, weighing, sample sheet and prescription', async ({ page }) => {
  await enter(page, 'maren')
  const ash = await idOf(page, 'Ash 14')
  await page.goto(`/trees/${ash}`)
  await check(page, 3, ['Ash 14', 'Ropewalk School', /Working/, 'History', /girth/])
  const linden = await idOf(page, 'Linden 7')
  await page.goto(`/trees/${linden}/weigh`)
  await check(page, 3, ['Linden 7', 'Sooty mould', /There:/, 'Looked for and not there:'])
  await page.goto(`/trees/${linden}/sample`)
  await check(page, 2, ['Linden 7', 'What was seen', 'Taken by, date and hour', 'Laboratory and number'])
  await page.goto(`/trees/${await idOf(page, 'Ash 16')}/prescribe`)
  await expect(page.getByText('194.2 mL').first()).toBeVisible()
  await check(page, 4, ['Ash 16, trunk injection', '194.2 mL', 'Working', /label/])
})

test('the plan of a site with its trees', async ({ page }) => {
  await signIn(page, 'maren')
  await page.goto('/grounds')
  await page.getByRole('link', { name: /Ropewalk School/ }).click()
  await expect(page.getByLabel('Filter by tag, kind or block')).toBeVisible()
  await check(page, 3, ['Ropewalk School', 'Ash 14', 'Live crown', /\d+ trees/])
  // Chosen trees alone.
  await page.getByLabel('Choose Ash 14', { exact: true }).check()
  await expect(page.getByRole('button', { name: 'Print it' })).toBeVisible()
  const { text } = await printed(page)
  expect(text).toContain('1 tree')
})

test('a record with its seal', async ({ page }) => {
  await signIn(page, 'maren')
  await page.goto('/ledger')
  await page.getByRole('main').getByRole('link', { name: /mL of/ }).first().click()
  await page.waitForURL(/\/ledger\/[0-9a-f-]+$/)
  await check(page, 3, [/Record \d+/, /mL/, /[Ss]eal/, /licence/i])
})

test('a reckoning with its working', async ({ page }) => {
  await signIn(page, 'maren')
  await page.goto('/reckon?for=trunk')
  await page.getByLabel('Girth, stem 1').fill('44')
  await expect(page.getByText('read as 44 in')).toBeVisible()
  await expect(page.locator('dl dd').first()).toContainText('14')
  await check(page, 2, [/14.01 in/, 'Working', 'The label in your hand'])
})

test('tags: each tree of a block on a label, and its code leads to the tree', async ({ page }) => {
  await signIn(page, 'maren')
  await page.goto(`/trees/${await idOf(page, 'Ash 14')}`)
  await page.getByRole('link', { name: 'Ropewalk School' }).first().click()
  await page.getByRole('link', { name: 'Tags', exact: true }).click()
  await expect(page).toHaveURL(/\/tags$/)
  const site = /grounds\/([^/]+)/.exec(page.url())![1]!
  const used = page.getByLabel('Labels of the first sheet used already')
  await used.fill('30')
  await expect(page.getByText('whole number from 0 to 29')).toBeVisible()
  await used.fill('28')
  const href = await page.getByRole('link', { name: /^Make the sheet/ }).getAttribute('href')
  // As the browser says where it comes from.
  const from = { headers: { 'sec-fetch-site': 'same-origin' } }
  const answer = await page.request.get(href!, from)
  expect(answer.headers()['content-type']).toBe('application/pdf')
  const document = await getDocumentProxy(new Uint8Array(await answer.body()))
  const { text, totalPages } = await extractText(document)
  const trees = (
    (await (await page.request.get(`/api/v1/trees?site=${site}&limit=1000`, from)).json()) as {
      trees: { id: string; tag: string }[]
    }
  ).trees
  expect(totalPages).toBe(Math.ceil((trees.length + 28) / 30))
  for (const { tag } of trees) expect(text.join('\n')).toContain(tag)
  await page.goto(`/t/${tagCode(trees[0]!.id).toLowerCase()}`)
  await expect(page).toHaveURL(new RegExp(`/trees/${trees[0]!.id}`))
  expect((await page.goto('/t/0000000000'))!.status()).toBe(404)
})
