import sharp from 'sharp'
import { expect, test, type Page } from '@playwright/test'
import { signIn } from '../signIn'

/** A plan is drawn by hand, by keyboard and from a file, over a picture, and every change is undone. */

const plan = (page: Page) => page.getByRole('group', { name: 'Plan, north up' })
async function pressPlan(page: Page, ...places: [number, number][]) {
  const box = (await plan(page).boundingBox())!
  for (const [x, y] of places) await page.mouse.click(box.x + box.width * x, box.y + box.height * y)
}
const drawn = (page: Page) => page.getByRole('region', { name: 'On the plan' })
const changes = (page: Page) => page.getByRole('region', { name: 'Changes' })

test('ground is pressed, a well is typed, a hive says how far, and each is undone', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/grounds')
  await page.getByRole('link', { name: /Mill Row garden/ }).click()
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await expect(page.getByText('Nobody has said where water and wells lie here.')).toBeVisible()

  await page.getByRole('button', { name: 'Well', exact: true }).click()
  await page.getByText('Type a corner').click()
  await page.getByLabel('East, ft').fill('20')
  await page.getByLabel('North, ft').fill('30')
  await page.getByRole('button', { name: 'Put it there' }).click()
  await page.getByLabel('What it is called, if anything').fill('pump')
  await page.getByRole('button', { name: 'Draw the well' }).click()
  await expect(drawn(page)).toContainText('pump, well')
  await expect(page.getByText('1 is drawn. Look for others')).toBeVisible()
  await page.getByRole('button', { name: 'These are all' }).click()
  await expect(page.getByText(/said on .* that all of them are drawn/)).toBeVisible()

  await page.getByRole('button', { name: 'Ground', exact: true }).click()
  await pressPlan(page, [0.2, 0.2], [0.8, 0.2], [0.8, 0.7])
  await expect(page.getByText(/3 corners, [\d,]+ ft²/)).toBeVisible()
  await pressPlan(page, [0.2, 0.7])
  await page.getByRole('button', { name: 'Draw the ground' }).click()
  await expect(page.getByText(/Ground, measured: 0\.\d+ acre/)).toBeVisible()

  await page.getByRole('button', { name: 'Hive', exact: true }).click()
  await page.getByRole('button', { name: 'Draw the hive' }).click()
  // Nothing was pressed yet, and nothing typed is lost by hearing of it.
  await expect(page.getByText('This is no outline that can be read; draw it on the plan.')).toBeVisible()
  await pressPlan(page, [0.5, 0.5])
  await page.getByRole('button', { name: 'Draw the hive' }).click()
  const setback = page.getByLabel(/Distance kept from it/)
  await expect(setback).toHaveAccessibleDescription(/How far is kept from a hive\? Type the distance\./)
  await setback.fill('60 ft')
  await page.getByRole('button', { name: 'Draw the hive' }).click()
  await expect(drawn(page)).toContainText('Hive, 60 ft kept from it')
  await changes(page).getByRole('button', { name: 'Undo: Hive drawn' }).click()
  await expect(drawn(page)).not.toContainText('Hive')
})

const HOSTILE = `Mill <img src=x onerror=alert(1)>"'{{1}}`

test('outlines come from a file once the corner has a position, and a picture lies beneath', async ({
  page,
}) => {
  page.on('dialog', (dialog) => {
    throw new Error(`A name was run: ${dialog.message()}`)
  })
  await signIn(page, 'ines')
  await page.goto('/grounds')
  await page.getByRole('link', { name: /Mill Row garden/ }).click()
  await page.getByRole('link', { name: 'about the site' }).click()
  await page.getByLabel(/Latitude/).fill('42.3')
  await page.getByLabel(/Longitude/).fill('-75.2')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await page.getByText('Outlines from a file').click()
  const file = (name: string, text: string) => ({
    name,
    mimeType: 'application/geo+json',
    buffer: Buffer.from(text),
  })
  const input = page.getByLabel('Choose a GeoJSON file')
  await input.setInputFiles(file('broken.geojson', '{"type":'))
  await expect(page.getByText('broken.geojson is no GeoJSON: it cannot be read as JSON.')).toBeVisible()
  const ring = [
    [-75.2, 42.3],
    [-75.1999, 42.3],
    [-75.1999, 42.3001],
    [-75.2, 42.3],
  ]
  await input.setInputFiles(
    file(
      'office.geojson',
      JSON.stringify({
        type: 'FeatureCollection',
        features: [
          {
            type: 'Feature',
            // A name is words, whatever it looks like.
            properties: { building: 'yes', name: HOSTILE },
            geometry: { type: 'Polygon', coordinates: [ring] },
          },
          { type: 'Feature', properties: {}, geometry: { type: 'Polygon', coordinates: [ring] } },
        ],
      }),
    ),
  )
  await expect(page.getByRole('button', { name: 'Say first what 1 is' })).toBeDisabled()
  await page.getByLabel('What outline 2 is').selectOption('Paving')
  await page.getByRole('button', { name: 'Draw 2 outlines' }).click()
  await expect(drawn(page)).toContainText(`${HOSTILE}, building`)

  await page.getByText('A picture beneath').click()
  const png = await sharp({ create: { width: 600, height: 400, channels: 3, background: '#9a8' } })
    .png()
    .toBuffer()
  await page
    .getByLabel(/Choose a picture/)
    .setInputFiles({ name: 'aerial.png', mimeType: 'image/png', buffer: png })
  await page.getByRole('button', { name: 'Scale it by two spots' }).click()
  await pressPlan(page, [0.3, 0.5], [0.7, 0.5])
  await page.getByLabel(/Length between the two/).fill('200')
  await page.getByRole('button', { name: 'Scale it', exact: true }).click()
  await page.getByRole('button', { name: 'Keep it so' }).click()
  await expect(changes(page)).toContainText('The picture drawn')
  await page.goBack()
  await expect(page.locator('svg image')).toHaveCount(1)
  await expect(page.locator('img[src=x]')).toHaveCount(0)
})

test('a station’s file is shown before it is kept, and taken back', async ({ page }) => {
  await signIn(page, 'philippa')
  await page.goto('/grounds')
  await page
    .getByRole('link', { name: /Ropewalk School/ })
    .first()
    .click()
  await page.getByRole('link', { name: 'Season', exact: true }).click()
  await page.getByLabel(/Read a station’s file/).setInputFiles({
    name: 'yard.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'time,temperature (F),dew point (F)\n2026-06-01 08:00,50,44\n2026-06-01 10:00,59,45\n',
    ),
  })
  const read = page.getByRole('region', { name: 'What is in yard.csv' })
  await expect(read.getByRole('row', { name: /temperature \(F\) temperature 50 °F 59 °F 2/ })).toBeVisible()
  await expect(read.getByRole('row', { name: /dew point \(F\) left aside/ })).toBeVisible()
  await expect(read).toContainText('1 hour between are missing')
  await read.getByRole('button', { name: 'Keep 2 hours' }).click()
  await expect(page.getByText('2 hours of 1 day kept')).toBeVisible()
  await page
    .getByRole('listitem')
    .filter({ hasText: 'from a file' })
    .getByRole('button', { name: 'Take it back' })
    .click()
  await expect(page.getByText('Taken back: 1 day is as before.')).toBeVisible()
})
