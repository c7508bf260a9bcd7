import { expect, test, type Page } from '@playwright/test'
import { made } from '../made'
import { alive, enter, picture, post, signIn } from '../signIn'

/** Deciding well: rules of the place, what each tree comes to, what could break, whose turn it is, what the client is told. */

async function siteNamed(page: Page, name: string): Promise<string> {
  const found = (await (
    await page.request.get(`/api/find?text=${encodeURIComponent(name)}`, { maxRetries: 2 })
  ).json()) as { value: { kind: string; id: string }[] }
  return found.value.find((h) => h.kind === 'site')!.id
}

async function treeNamed(page: Page, tag: string): Promise<string> {
  const found = (await (
    await page.request.get(`/api/find?text=${encodeURIComponent(tag)}`, { maxRetries: 2 })
  ).json()) as { value: { kind: string; id: string; title: string }[] }
  return found.value.find((h) => h.kind === 'tree' && h.title === tag)!.id
}

test('the office copies a rule, the arborist runs into it and is told when it opens, and it is ended', async ({
  page,
}) => {
  await signIn(page, 'philippa')
  await page.goto('/settings/rules')
  await expect(page.getByText('Example bylaw DEMO-4 of the town, sheet 2', { exact: false })).toBeVisible()
  await page.getByRole('button', { name: 'Copy a rule' }).click()
  await page.getByLabel('Methods', { exact: true }).fill('Fence or cage')
  await page.getByLabel('Which kinds').fill('Money tree')
  await page.getByLabel('Which kinds').press('Enter')
  await expect(page.getByText('There is no “Money tree”; choose from the list.')).toBeVisible()
  await page.getByLabel('Which kinds').fill('Pear')
  await page.getByLabel('Last day, month').selectOption('August')
  await page.getByRole('button', { name: 'Keep this rule' }).click()
  await expect(page.getByText('“Its name” is empty; type it.')).toBeVisible()
  await page.getByLabel('Its name').fill('Fences down in summer')
  await page.getByLabel('What it says').fill('No fence is put round a pear in summer.')
  await page.getByLabel('Where it stands').fill('Example letter DEMO-77')
  await page.getByRole('button', { name: 'Keep this rule' }).click()
  await expect(page.getByText('Fence or cage: closed on pear, 1 April to 31 August')).toBeVisible()
  await picture(page, '30-local-rules')

  await enter(page, 'maren')
  const pear = await made(page, {
    tag: 'Pear 31',
    host: 'pear',
    girths: ['5'],
    findings: { 'rub-torn-bark': 'there' },
    cause: 'deer-rub',
    action: 'care',
    due: '2026-09-01',
  })
  await page.goto(`/trees/${pear}/prescribe`)
  await page.getByText(/closed, and why/).click()
  await expect(
    page
      .getByText('Closed here at this time of year. (Fences down in summer; Example letter DEMO-77)', {
        exact: false,
      })
      .first(),
  ).toBeVisible()
  await expect(page.getByText('Again from 1 Sep 2026.', { exact: false }).first()).toBeVisible()

  await signIn(page, 'philippa')
  await page.goto('/settings/rules')
  await page.getByRole('button', { name: /^End it ?: Fences down in summer/ }).click()
  await page.getByLabel('Why it ends').fill('written for a test')
  await page.getByRole('button', { name: 'End it', exact: true }).last().click()
  await expect(page.getByRole('button', { name: /^End it ?: Fences down in summer/ })).toHaveCount(0)
  await expect(page.getByText('1 ended, kept to be read')).toBeVisible()
})

test('a deer-rubbed pear is cut back above its graft, and a school is chosen for it with a reason', async ({
  page,
}) => {
  await enter(page, 'maren')
  const pear = await treeNamed(page, 'Pear 31')
  await page.goto(`/trees/${pear}/prescribe`)
  await page.getByText('Save a gnawed stem, Save gnawed stems').click()
  await page.getByLabel('Girth without bark, %').fill('85')
  await page.getByLabel('Height of the wound from top to foot, in').fill('9')
  await page.getByLabel('Where it lies').selectOption('above the graft')
  await page.getByText('How we do it here').click()
  await page.getByLabel('Guards', { exact: true }).selectOption('Wire mesh with air')
  await page.getByLabel('Why it is done so').fill('the deer come back')
  await page.getByLabel('It holds').selectOption('for this tree from now on')
  await page.getByRole('button', { name: 'Sign and hand to the crew →' }).click()
  await page.waitForURL(/\/run\//)
  const trees = page.getByRole('region', { name: 'Trees of this job' })
  await trees
    .getByRole('button', { name: /Pear 31/ })
    .first()
    .click()
  await expect(page.getByText(/cut below and train a shoot/).first()).toBeVisible()
  await page.getByText('How it is done here').click()
  await expect(
    page.getByText('(chosen for this work: the deer come back)', { exact: false }).first(),
  ).toBeVisible()
  await page.goto('/almanac/school/guards')
  await expect(page.getByText('for Pear 31: the deer come back', { exact: false })).toBeVisible()
})

test('a row of pears is brushed, banded and watched by one signature', async ({ page }) => {
  await enter(page, 'maren')
  for (const n of [41, 42, 43])
    await made(page, {
      tag: `Pear ${n}`,
      host: 'pear',
      girths: ['22'],
      findings: { 'cottony-masses': 'there', 'leaf-sticky': 'there', 'ants-trail': 'there' },
      cause: 'mealybug',
      action: 'care',
      due: '2026-09-01',
    })
  const site = await siteNamed(page, 'Ropewalk School')
  await page.goto(`/grounds/${site}/prescribe?cause=mealybug`)
  await expect(page.getByRole('heading', { level: 1, name: 'Mealybugs, 3 trees' })).toBeVisible()
  await page.getByText('By hand, Two hands').click()
  await page.getByLabel('What is done').selectOption('brush with soapy water')
  await page.getByRole('button', { name: 'Keep it and add another step' }).click()
  await page.getByText('Sticky band, Band over wrap').click()
  await page.getByLabel('When this step is done').selectOption('on the day itself')
  await page.getByRole('button', { name: 'Keep it and add another step' }).click()
  await page.getByText('Watch, Ten leaves').click()
  await page.getByLabel('What is counted').fill('live scales')
  await page.getByLabel('Too many is more than').fill('5')
  await page.getByLabel('When this step is done').selectOption({ label: 'after 1. By hand, Two hands' })
  await page.getByLabel('Days after it is done').fill('14')
  await picture(page, '31-row-in-steps')
  await page.getByRole('button', { name: 'Sign all 3 for 3 trees →' }).click()
  await page.waitForURL(/\/run\//)
  await expect(page.getByText(/Sticky band/).first()).toBeVisible()
  await page.goto(`/turn?site=${site}`)
  await expect(page.getByText('Ten leaves, 14 days after Two hands is signed').first()).toBeVisible()
})

test('a stripped plum is cleared and baited, fed, and looked at four weeks later', async ({ page }) => {
  await signIn(page, 'maren')
  await page.goto(`/trees/${await treeNamed(page, 'Plum 1')}/prescribe`)
  await page.getByLabel('What is done').selectOption('clear and bait')
  await page.getByRole('button', { name: 'Keep it and add another step' }).click()
  // A quick feed waits for autumn.
  await page.getByText('Feed, Example FQ10, from 1 Sep 2026').click()
  await page.getByLabel(/How far out/).fill('3 ft')
  const paved = page.getByLabel(/paved/i)
  await alive(page)
  if (await paved.count()) await paved.fill('0')
  await page.getByLabel('Days after it is done').fill('7')
  await expect(page.getByText(/spring or autumn only. Again from 1 Sep 2026/)).toBeVisible()
  await page.getByLabel('Days after it is done').fill('90')
  await page.getByRole('button', { name: 'Keep it and add another step' }).click()
  await page.getByText('Watch, Ten leaves').click()
  await page.getByLabel('What is counted').fill('fresh slime and shells under the pot')
  await page.getByLabel('Too many is more than').fill('2')
  await page.getByLabel('Days after it is done').fill('28')
  await page.getByRole('button', { name: 'Sign all 3 and hand over →' }).click()
  await page.waitForURL(/\/run\//)
})

test('a lane of ashes is decided in one table, what gains most first, with an exception by hand', async ({
  page,
}) => {
  await enter(page, 'maren')
  const site = await siteNamed(page, 'Tanner’s Lane')
  await page.goto(`/grounds/${site}/decide`)
  await expect(page.getByRole('heading', { level: 1, name: 'Decide, 24 trees' })).toBeVisible()
  await expect(page.getByText(/gain by treating:/)).toBeVisible()
  await page.getByLabel('Money this year, $').fill('2000')
  await expect(page.getByText(/gain by treating and fit:/)).toBeVisible()
  await page.getByText('What the money rests on').click()
  await page.getByLabel('Discount, % a year').fill('four')
  await expect(page.getByText('The discount rate must be a number from 0 to 100.')).toBeVisible()
  await page.getByLabel('Discount, % a year').fill('3')
  await page.getByRole('button', { name: 'Keep these for the site' }).click()
  await expect(page.getByRole('button', { name: 'Kept for the site' })).toBeVisible()
  await page.getByText('What the money rests on').click()
  await page.getByRole('button', { name: 'Draw a thousand lives of each' }).click()
  await expect(page.getByRole('progressbar')).toHaveCount(0, { timeout: 30_000 })
  await page.getByRole('button', { name: 'Working of Lane 01' }).click()
  await expect(page.getByText(/of 100 lives/)).toHaveCount(2)
  await picture(page, '32-decide-for-many')
  await page.getByRole('button', { name: 'Decide these, the rest not now' }).click()
  await page.getByLabel('Decision for Lane 07').selectOption('watch')
  const sign = page.getByRole('button', { name: /^Sign \d+ decisions →$/ })
  await sign.click()
  await expect(page.getByText('Lane 07: To treat is proposed. To decide otherwise, write why.')).toBeVisible()
  await page.getByLabel('Why Lane 07 is decided otherwise than proposed').fill('the owner is not asked yet')
  await sign.click()
  await page.waitForURL(/\/prescribe$/)
  await expect(page.getByRole('heading', { level: 1, name: /^Emerald ash borer, \d+ trees$/ })).toBeVisible()
  await page.goto(`/grounds/${site}/decide`)
  await expect(page.getByRole('heading', { level: 1, name: /^Decide, \d+ trees$/ })).toBeVisible()
  await expect(page.getByRole('heading', { level: 1, name: 'Decide, 24 trees' })).toHaveCount(0)
})

test('what could break over somebody is screened, and treating closes', async ({ page }) => {
  await signIn(page, 'maren')
  await page.goto(`/trees/${await treeNamed(page, 'Ash 13')}/decide`)
  await page.getByRole('button', { name: 'Screen it' }).click()
  await page
    .getByLabel('What is weak', { exact: true })
    .selectOption('severe: a soft anchor, heaving soil, a split union')
  await page
    .getByLabel('What is beneath', { exact: true })
    .selectOption('people for hours, a road, a play ground')
  await expect(
    page.getByText('From here on a qualified risk assessor decides', { exact: false }),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Keep the screen' }).click()
  await expect(page.getByText('“What is weak” is empty; type it.')).toBeVisible()
  await page.getByLabel('What is weak, in words').fill('the east anchor gives under the foot')
  await page.getByLabel('What is beneath, in words').fill('children at every break')
  await page.getByLabel('What would come of it, in words').fill('the whole tree over the yard')
  await page.getByRole('button', { name: 'Keep the screen' }).click()
  await expect(page.getByText('It goes to a qualified risk assessor.', { exact: false })).toBeVisible()
  await expect(page.getByRole('radio', { name: /^Refer/ })).toBeChecked()
  await page.getByRole('radio', { name: /^Treat/ }).check()
  await page.getByLabel('Otherwise than proposed: write why').fill('they want it treated')
  await page.getByRole('button', { name: 'Sign and prescribe →' }).click()
  await expect(page.getByText('This tree is a safety case first', { exact: false })).toBeVisible()
  // Screened again after a closer look, it is as it was.
  await page.getByRole('button', { name: 'Screen it again' }).click()
  await page.getByLabel('What is weak', { exact: true }).selectOption('slight: dead twigs, a closed wound')
  await page.getByLabel('What is weak, in words').fill('loose bark alone, the anchor is hard')
  await page.getByRole('button', { name: 'Keep the screen' }).click()
  await expect(page.getByText('Nothing that has to be assessed first.', { exact: false })).toBeVisible()
})

test('the client of an oak with a patch is told why nothing is done', async ({ page }) => {
  await signIn(page, 'maren')
  await page.goto(`/trees/${await treeNamed(page, 'Oak 8')}`)
  await page.getByRole('link', { name: 'What the client is told →' }).click()
  await expect(page.getByRole('heading', { name: 'What we found: Smooth patch' })).toBeVisible()
  await expect(page.getByText('A fungus eats dead outer bark only.')).toBeVisible()
  await expect(page.getByText('What we do: we watch it, and do nothing to it')).toBeVisible()
})

test('nuts are gathered daily for a month by the client, on a page to hand over', async ({ page }) => {
  await enter(page, 'maren')
  const almond = await made(page, {
    tag: 'Almond 51',
    host: 'almond',
    girths: ['24'],
    findings: { 'fruit-pale-dry-inside': 'there' },
    cause: 'leaf-footed-bug',
    action: 'care',
    due: '2026-10-01',
  })
  await page.goto(`/trees/${almond}/prescribe`)
  await page.getByText('By hand, Gather daily').click()
  await page.getByLabel('What is done').selectOption('gather fallen fruit')
  await page.getByText('the client', { exact: true }).click()
  await page.getByLabel('Times in all').selectOption({ label: '30 times' })
  await page.getByRole('button', { name: 'Sign and give it to the client →' }).click()
  await page.waitForURL(/\/client$/)
  await expect(page.getByText('30 times, one each day.')).toBeVisible()
  await expect(page.getByText(/none left over night/)).toBeVisible()
})

test('the board says whose turn it is, and what is overdue', async ({ page }) => {
  await signIn(page, 'philippa')
  await page.goto('/turn')
  const others = page.getByRole('region', { name: 'Others' })
  await expect(others.getByText('Rhodo 1')).toBeVisible()
  await expect(others.getByText('The laboratory, 1, overdue')).toBeVisible()
  await expect(
    page.getByRole('region', { name: 'The crew' }).getByText('Glasshouse court').first(),
  ).toBeVisible()
  await picture(page, '33-whose-turn')
  // Nonsense in the address is no site.
  expect((await page.goto('/turn?site=nowhere'))?.status()).toBe(200)
  await enter(page, 'maren')
  const answer = await post(page, '/api/do/decide-many', {
    id: crypto.randomUUID(),
    siteId: 'x',
    decisions: [],
  })
  expect(answer.status()).toBe(422)
})
