import { expect, test } from '@playwright/test'
import { enter, idOf, openTree, PEOPLE, picture, post, signIn } from '../signIn'

test('a stranger is sent to the sign-in and back to where they wanted to go', async ({ page }) => {
  await page.goto('/ledger')
  await expect(page).toHaveURL(/\/sign-in\?next=%2Fledger/)
  await page.getByLabel('E-mail').fill(PEOPLE.maren.email)
  await page.getByLabel('Password').fill('wrong')
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByText('E-mail and password do not belong together')).toBeVisible()
  await expect(page.getByLabel('E-mail')).toHaveValue(PEOPLE.maren.email)
  await page.getByLabel('Password').fill(PEOPLE.maren.password)
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/ledger$/)
})

test('sign-in never leads off the site; who guesses is slowed down, nobody is shut out', async ({ page }) => {
  await signIn(page, 'maren')
  await page.goto('/sign-in?next=https://elsewhere.example/')
  await expect(page).toHaveURL(/127\.0\.0\.1|localhost/)
  await page.goto('/sign-in?next=//elsewhere.example')
  await expect(page).toHaveURL(/127\.0\.0\.1|localhost/)
  const tries = []
  for (const path of [
    '/%09/elsewhere.example',
    '/%0a/elsewhere.example',
    '/\\elsewhere.example',
    '/%5celsewhere.example',
  ]) {
    await page.goto(`/sign-in?next=${path}`)
    await expect(page).toHaveURL(/^http:\/\/(127\.0\.0\.1|localhost)/)
  }
  const wrong = async () => {
    const began = Date.now()
    const answer = await post(page, '/api/sign-in', { email: 'wren@hollinquay.example', password: 'x' })
    return { status: answer.status(), text: await answer.text(), ms: Date.now() - began }
  }
  for (let i = 0; i < 7; i++) tries.push(await wrong())
  expect(tries.every((t) => t.status === 403)).toBe(true)
  expect(tries[6]!.text).toContain('Each further attempt takes longer')
  expect(tries[6]!.ms).toBeGreaterThan(900)
  // The one whose e-mail it is gets in, if later.
  expect((await post(page, '/api/sign-in', PEOPLE.wren)).status()).toBe(200)
})

test('signing out ends the session on the server', async ({ page, context }) => {
  await enter(page, 'wren')
  const cookies = await context.cookies()
  expect(cookies.find((c) => c.name === 'elmhorn')).toMatchObject({ httpOnly: true, sameSite: 'Lax' })
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page).toHaveURL(/\/sign-in/)
  // The old cookie, put back, is worth nothing.
  await context.addCookies(cookies)
  await page.goto('/')
  await expect(page).toHaveURL(/\/sign-in/)
})

test('a session that ends in the middle of a form loses nothing typed', async ({ page, context }) => {
  await enter(page, 'maren')
  await openTree(page, 'Ash 11')
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page.getByRole('textbox', { name: 'Note' }).fill('Typed before the session ended')
  await context.clearCookies()
  await page.getByRole('button', { name: 'Save' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('What you typed is still here')
  await dialog.getByLabel('E-mail').fill(PEOPLE.maren.email)
  await dialog.getByLabel('Password').fill(PEOPLE.maren.password)
  await dialog.getByRole('button', { name: 'Sign in and go on' }).click()
  await expect(page.locator('h1 + p')).toHaveText('Typed before the session ended')
  await expect(dialog).toHaveCount(0)
})

test('two people change the same tree: the second sees both and chooses', async ({ browser }) => {
  const [one, two] = [await browser.newPage(), await browser.newPage()]
  await enter(one, 'maren')
  await enter(two, 'teodor')
  for (const page of [one, two]) {
    await openTree(page, 'Ash 12')
    await page.getByRole('button', { name: 'Change', exact: true }).click()
  }
  await one.getByRole('textbox', { name: 'Note' }).fill('From the arborist')
  await one.getByRole('button', { name: 'Save' }).click()
  // Under the name; the history says it too as soon as it is read again.
  await expect(one.locator('h1 + p')).toHaveText('From the arborist')
  await two.getByRole('textbox', { name: 'Note' }).fill('From the crew lead')
  await two.getByRole('button', { name: 'Save' }).click()
  await expect(two.getByText('Somebody else changed this tree')).toBeVisible()
  await expect(two.getByRole('cell', { name: 'From the arborist' })).toBeVisible()
  await expect(two.getByRole('cell', { name: 'From the crew lead' })).toBeVisible()
  await two.getByRole('button', { name: 'Keep mine' }).click()
  await expect(two.locator('h1 + p')).toHaveText('From the crew lead')
  await one.close()
  await two.close()
})

test('the mountain ash listed as ash is caught before anything is prescribed for it', async ({ page }) => {
  await enter(page, 'maren')
  await openTree(page, 'Ash 17')
  await expect(page.getByRole('heading', { name: 'Is it really an ash?' })).toBeVisible()
  await expect(page.getByText('The client’s list calls it “ash”')).toBeVisible()
  await page.getByRole('button', { name: 'One by one, alternating: a mountain ash' }).click()
  await expect(page.getByRole('heading', { name: 'Is it really an ash?' })).toHaveCount(0)
  await expect(page.getByText('diffuse-porous')).toBeVisible()
  await page.goto(`/trees/${await idOf(page, 'Ash 17')}/examine`)
  await expect(page.getByRole('radiogroup', { name: 'D-shaped exit holes' })).toHaveCount(0)
  await expect(page.getByRole('radiogroup', { name: 'Blackened, hooked tips' })).toBeVisible()
})

test('the stories of the demo: a badly declined ash, a maple with a girdling root, a film over a café', async ({
  page,
}) => {
  await signIn(page, 'maren')
  await page.goto(`/trees/${await idOf(page, 'Ash 13')}/decide`)
  await expect(page.getByText('65 % of the crown is lost. Above 50 %')).toBeVisible()
  await expect(page.getByRole('radio', { name: /^Remove/ })).toBeChecked()
  // Otherwise than proposed needs the arborist's words.
  await page.getByRole('radio', { name: /^Treat/ }).check()
  await page.getByRole('button', { name: 'Sign and prescribe →' }).click()
  await expect(
    page.getByText('To remove the tree is proposed. To decide otherwise, write why.'),
  ).toBeVisible()

  await page.goto(`/trees/${await idOf(page, 'Maple 2')}/weigh`)
  await expect(page.getByRole('radio', { name: /Stem-girdling roots, weight >?0\.9/ })).toHaveAttribute(
    'aria-checked',
    'true',
  )
  await expect(page.getByText('No time for the laboratory; the client wants an answer.')).toBeVisible()

  await page.goto(`/trees/${await idOf(page, 'Linden 7')}/weigh`)
  await expect(page.getByText('Not for this: bactericide, fungicide, miticide.')).toBeVisible()
  await picture(page, '6-weigh')
  const before = await page.getByRole('radio', { name: /Lecanium scale, weight/ }).getAttribute('aria-label')
  const question = await page.getByRole('region', { name: 'Next check' }).locator('p').nth(1).textContent()
  // Keys answer once the page is alive.
  await expect(async () => {
    await page.keyboard.press('2')
    await expect(page.getByRole('region', { name: 'Next check' }).locator('p').nth(1)).not.toHaveText(
      question!,
      { timeout: 1500 },
    )
  }).toPass()
  await expect
    .poll(() => page.getByRole('radio', { name: /Lecanium scale, weight/ }).getAttribute('aria-label'))
    .not.toBe(before)
})

test('nothing of one firm is seen by the other, by any address', async ({ page }) => {
  await enter(page, 'maren')
  const tree = await idOf(page, 'Ash 14')
  const ledger = await page
    .goto('/ledger')
    .then(() => page.getByRole('main').getByRole('link').first().getAttribute('href'))
  const grounds = await page
    .goto('/grounds')
    .then(() => page.getByRole('main').getByRole('link').first().getAttribute('href'))
  await enter(page, 'ines')
  for (const path of [
    `/trees/${tree}`,
    `/trees/${tree}/examine`,
    `/trees/${tree}/weigh`,
    `/trees/${tree}/decide`,
    `/trees/${tree}/prescribe`,
    ledger!,
    grounds!,
  ]) {
    // What the page before still asks for can cut a new address short; a person presses again.
    await expect(async () => void (await page.goto(path))).toPass()
    await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible()
  }
  // The almanac is everybody's; nothing of a firm is found by another.
  const found = (await (await page.request.get('/api/find?text=ash')).json()) as { value: { kind: string }[] }
  expect(found.value.filter((h) => !['cause', 'host', 'finding'].includes(h.kind))).toEqual([])
  expect((await page.request.get(`/api/trees/${tree}`)).status()).toBe(404)
  await page.goto('/grounds')
  await expect(page.getByText('Mill Row garden')).toBeVisible()
  await expect(page.getByText('Ropewalk')).toHaveCount(0)
})

test('addresses that lead nowhere are said to, never an error', async ({ page }) => {
  await enter(page, 'philippa')
  for (const path of [
    '/trees/nonsense',
    '/trees/%00',
    '/grounds/1',
    '/run/x',
    '/ledger/x',
    '/follow-up/x',
    '/waiting/constructor',
    '/nowhere',
    '/trees/00000000-0000-0000-0000-000000000000/weigh',
  ]) {
    const answer = await page.goto(path)
    expect([path, answer!.status() < 500]).toEqual([path, true])
    expect([path, (await page.textContent('body'))!.length > 40]).toEqual([path, true])
  }
  for (const query of ['?before=abc', '?before=-1', '?before=1&before=2'])
    expect((await page.goto(`/ledger${query}`))!.status()).toBe(200)
  expect((await page.request.get('/api/find?text=%25%27%22%00🌳')).status()).toBe(200)
})

test('what is sent to a step is refused with a sentence, whatever it is', async ({ page }) => {
  await enter(page, 'maren')
  const send = (verb: string, data: string | Buffer) => post(page, `/api/do/${verb}`, data)
  const deep = '['.repeat(5000) + ']'.repeat(5000)
  for (const body of [
    '',
    '{',
    'null',
    '7',
    '[]',
    '"x"',
    '{}',
    '{"__proto__":{"x":1}}',
    '{"constructor":1}',
    deep,
    '{"id":"\\u0000"}',
  ]) {
    const answer = await send('add-tree', body)
    expect([body.slice(0, 20), answer.status() >= 400 && answer.status() < 500]).toEqual([
      body.slice(0, 20),
      true,
    ])
    expect(((await answer.json()) as { error: { message: string } }).error.message).toMatch(/\.$/)
  }
  expect((await send('add-tree', Buffer.alloc(1_200_000, 'x'))).status()).toBe(413)
  expect((await send('no-such-step', '{}')).status()).toBe(404)
  expect((await send('toString', '{}')).status()).toBe(404)
  const foreign = await page.request.post('/api/do/add-tree', {
    data: '{}',
    headers: { origin: 'https://elsewhere.example' },
  })
  expect(foreign.status()).toBe(403)
})

test('the technician sees the work, signs nothing', async ({ page }) => {
  await signIn(page, 'wren')
  await page.goto('/run')
  await page
    .getByRole('main')
    .getByRole('link', { name: /Ropewalk/ })
    .first()
    .click()
  await page.getByRole('button', { name: /Ash 16/ }).click()
  await expect(page.getByText('The crew lead signs under their licence.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Sign the record' })).toHaveCount(0)
})

test('health says app, database and migrations', async ({ request }) => {
  const answer = await request.get('/api/health')
  expect(answer.status()).toBe(200)
  expect(await answer.json()).toMatchObject({ app: 'ok', database: 'ok', migrations: 'ok' })
})
