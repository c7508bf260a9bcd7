import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { alive, picture, signIn } from '../signIn'

test('a card is copied from a label, told where it is wrong, entered, and followed by the next version', async ({
  page,
}) => {
  await signIn(page, 'philippa')
  await page.goto('/shelf')
  await page.getByRole('link', { name: 'Enter a card' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Enter a card' })).toBeVisible()
  const write = async (label: string, text: string) => page.getByLabel(label, { exact: true }).fill(text)
  const enter = () => page.getByRole('button', { name: 'Enter the card' }).click()

  await enter()
  await expect(page.getByText(/^Not entered: \d\d lines above need a look\./)).toBeVisible()
  await expect(page.getByText('Nothing is written here yet; copy it from the label.').first()).toBeVisible()
  await write('Our short code', 'ts1')
  await enter()
  await expect(page.getByText(/A code is 2 to 12 capital letters/)).toBeVisible()
  await write('Our short code', 'TS1')
  await write('Name on the label', 'Example TS1')
  await write('Registration number', 'DEMO-9001-1')
  await write('What it is', 'concentrate for soil')
  await write('Active ingredient', 'imidacloprid')
  await write('Strength', '2 lb/gal')
  await write('Group', '4A')
  await write('On these trees', 'Hemlock; Money tree')
  await write('For', 'Hemlock woolly adelgid')
  await write('Low rate an inch', '0.1 in')
  await write('High rate an inch', '0.2 fl oz')
  await write('Active in it', '2 lb/gal')
  await write('Water by girth', '50 in: 1 gal; 2 gal')
  await write('Basin from', '6 in')
  await write('Basin to', '18 in')
  await write('Again after, years', '5')
  await write('Closed for, hours', '12')
  await write('Bees', 'Never on a tree that feeds bees.')
  await write('Water', 'Not into saturated soil.')
  await write('What is worn', 'eye protection; nitrile gloves')

  // A length where a volume stands is told at its own line.
  await enter()
  const low = page.getByLabel('Low rate an inch', { exact: true })
  await expect(low).toHaveAttribute('aria-invalid', 'true')
  await write('Low rate an inch', '0.1 fl oz')
  // So is a tree nobody knows; nothing else that was written is lost.
  await enter()
  await expect(
    page.getByText(/The almanac knows no kind of tree "Money tree"|An id is lower-case/),
  ).toBeVisible()
  await expect(low).toHaveValue('0.1 fl oz')
  await write('On these trees', 'Hemlock')
  await enter()
  await expect(page.getByRole('heading', { level: 1, name: 'Example TS1' })).toBeVisible()
  await expect(page.getByText('0.1 fl oz to 0.2 fl oz an inch of diameter')).toBeVisible()

  await page.getByLabel('Lot, off the package').fill('TS1-0001')
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(page.getByText('no last day')).toBeVisible()

  await page.getByRole('link', { name: 'Enter the next version' }).click()
  await page.getByRole('button', { name: 'Enter this version' }).click()
  await expect(page.getByText(/says exactly this already/)).toBeVisible()
  await page.getByLabel('High rate an inch', { exact: true }).fill('0.15 fl oz')
  await page.getByRole('button', { name: 'Enter this version' }).click()
  await expect(page.getByText('version 2, shown here')).toBeVisible()
  await page.getByRole('link', { name: 'version 1', exact: true }).click()
  await expect(page.getByText('Version 1 was replaced by version 2.')).toBeVisible()
  await expect(page.getByText('0.1 fl oz to 0.2 fl oz an inch of diameter')).toBeVisible()
})

test('a card is saved as a file, and a file stands on the form to be read against the label', async ({
  page,
}) => {
  await signIn(page, 'maren')
  await page.goto('/shelf/HO1')
  await picture(page, '20-card')
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save as a file' }).click(),
  ])
  expect(saved.suggestedFilename()).toBe('HO1-v2.json')
  const card = JSON.parse(readFileSync(await saved.path(), 'utf8')) as Record<string, unknown>
  expect(card).toMatchObject({ format: 'elmhorn-card-1', code: 'HO1', uses: [{ method: 'crown-spray' }] })

  const schema = (await (await page.request.get('/api/cards/schema.json')).json()) as {
    properties: Record<string, unknown>
    required: string[]
  }
  for (const field of schema.required) expect(card).toHaveProperty(field)
  expect(Object.keys(schema.properties)).toEqual(expect.arrayContaining(Object.keys(card)))

  await page.goto('/shelf/new')
  const take = page.getByLabel('Take it from a file')
  await alive(page)
  await take.setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{no') })
  await expect(page.getByText(/x\.json is no card file/)).toBeVisible()
  await take.setInputFiles({
    name: 'oil.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...card, code: 'HO9', name: 'Example HO9' })),
  })
  await expect(page.getByLabel('Strongest mix')).toHaveValue('2 %')
  await page.getByRole('button', { name: 'Enter the card' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Example HO9' })).toBeVisible()
})

test('the shelf is searched by what is in a card and what it is against; the crew reads it and enters no card', async ({
  page,
}) => {
  await signIn(page, 'wren')
  await page.goto('/shelf')
  await alive(page)
  await picture(page, '21-shelf')
  await page.getByLabel('Find a card').fill('scab sulfur')
  await expect(page.getByRole('main').getByRole('listitem')).toHaveCount(1)
  await expect(page.getByRole('link', { name: /Example SU8/ })).toBeVisible()
  await page.getByLabel('Find a card').fill('')
  await page.getByRole('radio', { name: 'bark spray' }).check({ force: true })
  await expect(page.getByRole('link', { name: /Example DN7/ })).toBeVisible()
  await expect(page.getByRole('link', { name: /Example SU8/ })).toHaveCount(0)
  await expect(page.getByRole('link', { name: 'Enter a card' })).toHaveCount(0)
  await page.goto('/shelf/new')
  await expect(page.getByText('Cards are entered by the arborist or the office.')).toBeVisible()
  expect((await page.goto('/shelf/NOPE'))!.status()).toBe(404)
})
