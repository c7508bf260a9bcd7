import { expect, test } from '@playwright/test'
import { alive, enter, idOf, picture, signIn } from '../signIn'

test('the almanac is searched as you type, and every entry opens', async ({ page }) => {
  test.setTimeout(240_000)
  await signIn(page, 'maren')
  await page.goto('/almanac')
  await page.getByLabel('Search everything').fill('honeydew film')
  await expect(page.getByRole('link', { name: /Sooty mould/ })).toBeVisible()
  await page.getByLabel('Search everything').fill('no such thing at all')
  await expect(page.getByText('Nothing holds all of these words.')).toBeVisible()
  for (const kind of ['Causes', 'Findings', 'Trees', 'Methods', 'Schools of practice', 'Cautions']) {
    await page.getByRole('radio', { name: kind, exact: true }).check({ force: true })
    const list = page.getByRole('main').getByRole('listitem').getByRole('link')
    await expect.poll(() => list.count()).toBeGreaterThan(5)
    const links = await list.all()
    for (const at of [0, Math.floor(links.length / 2), links.length - 1]) {
      const href = (await links[at]!.getAttribute('href'))!
      const answer = await page.request.get(href)
      expect([href, answer.status()]).toEqual([href, 200])
      const shown = (await answer.text()).replace(/<script[^]*?<\/script>/g, '')
      expect(shown).not.toMatch(/\bundefined\b|\[object/)
    }
  }
  for (const nowhere of ['/almanac/cause/nothing', '/almanac/glitter/x', '/almanac/host/__proto__'])
    expect((await page.request.get(nowhere)).status()).toBe(404)
})

test('a note, a house rule and a frequency of our own are kept, shown as ours, and undone', async ({
  page,
}) => {
  await signIn(page, 'maren')
  await page.goto('/almanac/cause/emerald-ash-borer')
  await picture(page, '18-almanac')
  const note = `Seen along the river road, ${Date.now()}.`
  await page.getByLabel(/Our own note/).fill(note)
  await page.getByRole('button', { name: 'Keep the note' }).click()
  await expect(page.getByText('kept', { exact: true })).toBeVisible()
  await page.reload()
  await expect(page.getByLabel(/Our own note, last by Maren Oduya/)).toHaveValue(note)
  const often = page.getByLabel('How often: Sprouts from the trunk')
  await often.selectOption('seldom')
  await expect(page.getByRole('button', { name: 'own, undo' })).toBeVisible()
  await page.getByRole('button', { name: 'own, undo' }).click()
  await expect(page.getByRole('button', { name: 'own, undo' })).toHaveCount(0)
  await expect(often).toHaveValue('usual')
  await page.goto('/almanac/school/ants')
  await page.getByLabel('Why').fill('never on lindens')
  await page.getByRole('button', { name: 'Set our rule' }).click()
  await expect(page.getByText(/set by Maren Oduya/)).toBeVisible()
  await signIn(page, 'ines')
  await page.goto('/almanac/cause/emerald-ash-borer')
  await expect(page.getByText(note)).toHaveCount(0)
  await expect(page.getByLabel(/Our own note/)).toHaveValue('')
})

test('a cause of our own is added, weighed on its tree, and marked', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/almanac')
  await page.getByRole('button', { name: 'Add a cause of our own' }).click()
  const name = `Reach spot ${Date.now() % 100000}`
  await page.getByRole('button', { name: 'Add it, marked as ours' }).click()
  await expect(page.getByText('“The name” is empty; type it.')).toBeVisible()
  await page.getByLabel('Name').fill(name)
  await page.getByLabel('Holly').check()
  await page.getByLabel('Finding 1').selectOption('leaf-spots-target')
  await page.getByLabel('What it is, in one line').fill('Ringed spots after the floods.')
  await page.getByLabel('What to do').fill('Rake and bin.')
  await page.getByLabel('What not to do').fill('Do not spray.')
  await page.getByRole('button', { name: 'Add it, marked as ours' }).click()
  await page.getByLabel('Search everything').fill(name)
  await expect(page.getByRole('link', { name: new RegExp(name) })).toBeVisible()
  await expect(page.getByText('own', { exact: true }).first()).toBeVisible()
  // It is taken out again on its own page.
  await page.getByRole('link', { name: new RegExp(name) }).click()
  await page.getByRole('button', { name: 'Take it out' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Almanac' })).toBeVisible()
  await page.getByLabel('Search everything').fill(name)
  await expect(page.getByText('Nothing holds all of these words.')).toBeVisible()
})

test('a test and a way of our own stand on the page of their cause, and are taken out again', async ({
  page,
}) => {
  await signIn(page, 'ines')
  await page.goto('/almanac/cause/oak-wilt')
  await page.getByRole('button', { name: 'Add a test of our own' }).click()
  await page.getByRole('button', { name: 'Add it, marked as ours' }).click()
  await expect(page.getByText('“The name” is empty; type it.')).toBeVisible()
  await page.getByLabel('Name', { exact: true }).fill('Reach dipstick')
  await page.getByText('on the spot', { exact: true }).click()
  await page.getByLabel('What to take, and how').fill('A shaving of the streaked wood in water.')
  await page.getByLabel('What the answer is worth').fill('Weak on dry wood.')
  await page.getByRole('button', { name: 'Add it, marked as ours' }).click()
  const ours = page.getByRole('list', { name: 'Ours' })
  await expect(ours.getByText('Reach dipstick')).toBeVisible()
  await expect(page.getByText(/Reach dipstick, answer on the spot/)).toBeVisible()
  await page.getByRole('button', { name: 'Add a way of our own' }).click()
  await page.getByLabel('Method', { exact: true }).selectOption({ label: 'Radial trenches' })
  await page.getByLabel('What is done').fill('Trench between the roots')
  await page.getByLabel('When', { exact: true }).fill('before midsummer')
  await page.getByLabel('How often', { exact: true }).fill('once')
  await page.getByRole('button', { name: 'Add it, marked as ours' }).click()
  await expect(ours.getByText('Trench between the roots')).toBeVisible()
  for (const left of [1, 0]) {
    await ours.getByRole('button', { name: 'Take it out' }).first().click()
    await expect(ours.getByRole('listitem')).toHaveCount(left)
  }
  await expect(page.getByText(/Reach dipstick/)).toHaveCount(0)
})

test('a case is practised: looks cost minutes, the answer is scored, the best way shown, progress kept', async ({
  page,
}) => {
  await signIn(page, 'wren')
  await page.goto('/practice')
  await page.getByRole('link', { name: /The ash by the school gate/ }).click()
  await page.getByRole('radio', { name: 'trunk', exact: true }).check({ force: true })
  await page.getByRole('button', { name: /^Look, .* D-shaped exit holes/ }).click()
  await expect(page.getByText('1.5 min', { exact: true })).toBeVisible()
  await page.getByLabel('It is').selectOption('emerald-ash-borer')
  await page.getByLabel('To be done').selectOption('protect-systemic')
  await page.getByRole('button', { name: 'That is my answer' }).click()
  const result = page.getByRole('status', { name: 'Result' })
  await expect(result).toContainText('100 of 100')
  await expect(result).toContainText('At work was emerald ash borer')
  await picture(page, '19-practice')
  await page.getByRole('link', { name: 'All cases' }).click()
  await expect(page.getByText(/cause right in \d/)).toBeVisible()
  await page.getByRole('button', { name: 'Draw a case from the almanac' }).click()
  await expect(page.getByText(/^A client calls about/)).toBeVisible()
  await signIn(page, 'teodor')
  await page.goto('/practice')
  await expect(page.getByText('No case yet.')).toBeVisible()
})

test('why a cause is not here, two side by side, and the sample sheet', async ({ page }) => {
  await enter(page, 'maren')
  const linden = await idOf(page, 'Linden 7')
  await page.goto(`/trees/${linden}/weigh`)
  await page.getByRole('combobox', { name: 'Cause', exact: true }).selectOption('oak-wilt')
  await expect(page.getByText(/is not weighed: it is not known on linden/)).toBeVisible()
  await page.getByRole('combobox', { name: 'Cause', exact: true }).selectOption('spider-mites')
  await expect(page.getByText(/stands at place \d+ of/)).toBeVisible()
  await page.getByLabel('The other').selectOption('lecanium-scale')
  await expect(page.getByRole('columnheader', { name: 'Lecanium scale' })).toBeVisible()
  await page.goto(`/trees/${linden}/sample?cause=verticillium-wilt`)
  await expect(page.getByText('Verticillium culture', { exact: true })).toBeVisible()
  await expect(page.getByText(/usually after 21 days, about/)).toBeVisible()
  expect((await page.goto(`/trees/${linden}/sample?cause=nothing&cause=x`))!.status()).toBe(200)
})

test('what the eye sees is found in plain words and set where it stands, without walking there', async ({
  page,
}) => {
  await enter(page, 'maren')
  await page.goto(`/trees/${await idOf(page, 'Ash 16')}/examine`)
  const fresh = page.getByRole('button', { name: 'Begin a new examination' })
  await alive(page)
  if (await fresh.isVisible()) await fresh.click()
  const see = page.getByRole('region', { name: 'What do you see' })
  await see.getByLabel('What do you see?').fill('carburettor')
  await expect(see.getByRole('status')).toContainText('Nothing on this kind of tree goes by these words')
  await see.getByLabel('What do you see?').fill('woodpecker')
  await see.getByRole('button', { name: /I see it.*Pale woodpecker flecks/ }).click()
  await expect(
    page
      .getByRole('radiogroup', { name: 'Pale woodpecker flecks' })
      .getByRole('radio', { name: 'There', exact: true }),
  ).toHaveAttribute('aria-checked', 'true')
  // The part of the drawn tree opens its place.
  await see.getByRole('link', { name: 'To the trunk' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 2, name: 'Trunk' })).toBeInViewport()
  await expect(page.getByText('all kept')).toBeVisible()
})

test('how much of a finding, on which side, counted on what; photographs; the site copied to the next tree', async ({
  page,
}) => {
  await enter(page, 'wren')
  test.setTimeout(240_000)
  const tree = await idOf(page, 'Ash 12')
  await page.goto(`/trees/${tree}/examine`)
  const fresh = page.getByRole('button', { name: 'Begin a new examination' })
  await alive(page)
  if (await fresh.isVisible()) await fresh.click()
  const state = (finding: string, word: string) =>
    page.getByRole('radiogroup', { name: finding }).getByRole('radio', { name: word, exact: true })
  await state('Salt reaches it', 'There').click()
  await state('Soil dry at 4 to 6 in', 'Not there').click()
  await state('Shells flip off', 'There').click()
  await page.getByRole('button', { name: /how much, where, counted.*Shells flip off/ }).click()
  await page.getByLabel('Counted').fill('12')
  await page.getByLabel('on', { exact: true }).fill('0')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('The sample: type a number from 1 to 100,000.')).toBeVisible()
  await page.getByLabel('on', { exact: true }).fill('10')
  await page.getByLabel('of', { exact: true }).fill('twigs')
  await page.getByLabel('Side, degrees').fill('180')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('on the south side (180°), 12 on 10 twigs')).toBeVisible()

  // A picture with a place written into it, taken sideways.
  const png = await page.screenshot({ clip: { x: 0, y: 0, width: 300, height: 120 } })
  await page
    .getByLabel('Take a photograph')
    .setInputFiles({ name: 'bark.png', mimeType: 'image/png', buffer: png })
  const picture = page.getByRole('img', { name: 'Photograph 1 of Ash 12' })
  // Pictures are made small behind everything else.
  await expect(picture).toBeVisible({ timeout: 60_000 })
  const kept = await page.request.get((await picture.getAttribute('src'))!)
  expect(kept.headers()['content-type']).toBe('image/jpeg')
  await page
    .getByLabel('Take a photograph')
    .setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('not a picture') })
  await expect(page.getByText(/This is no picture that can be read/)).toBeVisible()
  await page.getByRole('button', { name: 'Take photograph 1 away' }).click()
  await expect(picture).toHaveCount(0)

  await page.goto(`/trees/${await idOf(page, 'Ash 11')}/examine`)
  await alive(page)
  if (await fresh.isVisible()) await fresh.click()
  await expect(page.getByText(/Ash 12 was examined last on this site/)).toBeVisible()
  await alive(page)
  await page.keyboard.press('c')
  await expect(state('Salt reaches it', 'There')).toHaveAttribute('aria-checked', 'true')
  await expect(state('Shells flip off', 'There')).toHaveAttribute('aria-checked', 'false')
})
