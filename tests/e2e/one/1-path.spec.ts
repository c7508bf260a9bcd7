import { expect, test, type Page } from '@playwright/test'
import { enter, openTree, picture, signRecord } from '../signIn'

/** One tree from arrival to follow-up, as the arborist and then as the crew lead. */
test.describe.configure({ mode: 'serial' })

async function setFinding(page: Page, name: string, state: 'There' | 'Not there' | 'Unsure') {
  await page
    .getByRole('radiogroup', { name, exact: true })
    .getByRole('radio', { name: state, exact: true })
    .click()
}

test('the arborist adds a tree on the plan and measures it, slips asked about', async ({ page }) => {
  await enter(page, 'maren')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Today')
  await picture(page, '2-today')
  await page
    .getByRole('navigation', { name: 'Views', exact: true })
    .getByRole('link', { name: 'Grounds' })
    .click()
  await page.getByLabel('Filter by site').fill('ropewalk')
  await expect(page.getByRole('link', { name: /Hospital court/ })).toHaveCount(0)
  await page.getByRole('link', { name: /Ropewalk School/ }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Ropewalk School' })).toBeVisible()
  await picture(page, '3-site')

  await page.getByRole('button', { name: 'Add a tree' }).click()
  await page.getByLabel('Tag', { exact: true }).fill('Ash 18')
  await page.getByLabel('Kind, as far as you can tell now').selectOption('ash')
  const plan = page.getByRole('group', { name: 'Site plan, north up' })
  const box = (await plan.boundingBox())!
  await page.mouse.click(box.x + box.width * 0.62, box.y + box.height * 0.62)
  await expect(page.getByLabel('East, ft')).not.toHaveValue('')
  await page.getByRole('button', { name: 'Add and measure →' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Ash 18' })).toBeVisible()
  await expect(page.getByText('Not measured yet')).toBeVisible()

  const girth = page.getByLabel('Girth at 4 1/2 ft')
  await girth.fill('3\' 8 1/2"')
  await expect(page.getByText('That is 14 1/8 in through.')).toBeVisible()
  await page.getByRole('button', { name: 'Keep the reading' }).click()
  await expect(page.getByText('Kept: 14 1/8 in through.')).toBeVisible()

  // The same trunk, girth typed as a diameter: asked, and put right with one press.
  await page.getByText('Diameter tape').click()
  await page.getByLabel('Diameter at 4 1/2 ft').fill('45')
  await page.getByRole('button', { name: 'Keep the reading' }).click()
  await expect(page.getByText(/Is it the girth\?/)).toBeVisible()
  await page.getByRole('button', { name: 'It was the girth' }).click()
  await page.getByRole('button', { name: 'Keep the reading' }).click()
  await expect(page.getByText('Kept: 14 3/8 in through.')).toBeVisible()

  // A shrinking trunk is asked about and kept only when the person says so.
  await page.getByLabel('Girth at 4 1/2 ft').fill('40 in')
  await page.getByRole('button', { name: 'Keep the reading' }).click()
  await expect(page.getByText(/Trunks do not shrink/)).toBeVisible()
  await page.getByRole('button', { name: 'It is right, keep it' }).click()
  await expect(page.getByText('Kept: 12 3/4 in through.')).toBeVisible()
})

test('the arborist examines, weighs and decides', async ({ page }) => {
  await enter(page, 'maren')
  await openTree(page, 'Ash 14')
  await picture(page, '4-tree')
  await page.getByRole('main').getByRole('link', { name: 'Examine →' }).click()
  await setFinding(page, 'Crown thin at the top', 'There')
  await setFinding(page, 'Pale woodpecker flecks', 'There')
  await setFinding(page, 'Root flare hidden', 'Not there')
  await setFinding(page, 'Soil dry at 4 to 6 in', 'Not there')
  await expect(page.getByText('all kept')).toBeVisible()
  await picture(page, '5-examine')
  await page.getByRole('link', { name: 'Weigh 4 findings →' }).click()
  await expect(page.getByRole('radio', { name: /Emerald ash borer, weight/ })).toHaveAttribute(
    'aria-checked',
    'true',
  )

  // The question on top: answering moves the weights in view.
  await page
    .getByRole('list', { name: 'Steps of the work on this tree' })
    .getByRole('link', { name: /examine/ })
    .click()
  await setFinding(page, 'D-shaped exit holes', 'There')
  await expect(page.getByText('all kept')).toBeVisible()
  await page.getByRole('link', { name: 'Weigh 5 findings →' }).click()
  await expect(page.getByRole('radio', { name: 'Emerald ash borer, weight >0.99' })).toBeVisible()
  await expect(page.getByText(/Not for this: .*fungicide/)).toBeVisible()
  await page.getByRole('button', { name: 'Sign emerald ash borer and decide →' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Ash 14, what to do?' })).toBeVisible()
  await expect(page.getByText('20 % of the crown is lost, under 30 %')).toBeVisible()
  await expect(page.getByRole('radio', { name: /^Treat/ })).toBeChecked()
  await picture(page, '7-decide')
  await page.getByRole('button', { name: 'Sign and prescribe →' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Ash 14, trunk injection' })).toBeVisible()
})

test('the arborist plans ports on the ring, moves one, is refused dead wood, and hands over', async ({
  page,
}) => {
  await enter(page, 'maren')
  await openTree(page, 'Ash 14')
  await page.getByRole('main').getByRole('link', { name: 'Prescribe →' }).click()
  const ports = page.getByRole('slider', { name: /^Port \d+ of 9$/ })
  await expect(ports).toHaveCount(9)
  // The rate is proposed by what was signed, with the reason; the person chooses.
  await expect(page.getByText('Proposed. 20 % of the crown is lost: it is under attack.')).toBeVisible()
  await page.getByLabel('Rate', { exact: true }).selectOption('0')
  await expect(page.getByText('82.8 mL').first()).toBeVisible()
  // Until the girth at the ports is measured the ring is drawn for a guess, and nothing can be signed on it.
  await expect(
    page.getByText('Ports and doses are drawn for a guess of 54 in; measure to sign.'),
  ).toBeVisible()
  await expect(page.getByRole('button', { name: 'Sign and hand to the crew →' })).toBeDisabled()
  await page.getByLabel('Girth where the ports go').fill('54')
  await expect(page.getByText('drawn for a guess')).toHaveCount(0)
  const plan = Number(await page.locator('#ring').getAttribute('data-plan-ms'))
  expect(plan).toBeLessThan(500)
  await picture(page, '8-prescribe')

  // By keyboard: one degree costs suitability and says so.
  const bearings = async () =>
    Promise.all((await ports.all()).map(async (p) => Number(await p.getAttribute('aria-valuenow'))))
  const before = await bearings()
  await ports.first().focus()
  await page.keyboard.press('ArrowLeft')
  await expect.poll(bearings).not.toEqual(before)
  await expect(page.getByText(/1 moved by hand: 0\.\d+ of suitability given up/)).toBeVisible()

  // By dragging into the dead wood at 108°–128°: refused with the reason, and the port stays out of it.
  const nearest = before.reduce(
    (best, b, i) => (Math.abs(b - 118) < Math.abs(before[best]! - 118) ? i : best),
    0,
  )
  const svg = (await page.getByRole('group', { name: /from above/ }).boundingBox())!
  const centre = { x: svg.x + svg.width / 2, y: svg.y + svg.height / 2 }
  const handle = (await ports.nth(nearest).boundingBox())!
  await page.mouse.move(handle.x + handle.width / 2, handle.y + handle.height / 2)
  await page.mouse.down()
  const angle = (118 * Math.PI) / 180
  await page.mouse.move(
    centre.x + svg.width * 0.3 * Math.sin(angle),
    centre.y - svg.height * 0.3 * Math.cos(angle),
    { steps: 6 },
  )
  await expect(
    page.getByText(/No port at 11\d°: dead, decayed or girdled wood from 108° to 128°/),
  ).toBeVisible()
  await page.mouse.up()
  const after = await bearings()
  expect(after.some((b) => b > 106 && b < 130)).toBe(false)

  // The trunk itself: dead wood taken away by its number; the ports are planned anew at once.
  await page.getByText('The trunk itself', { exact: true }).click()
  await page.getByRole('button', { name: '+ flare' }).click()
  await page.getByRole('button', { name: 'Save the ring' }).click()
  await expect(page.getByRole('button', { name: 'Ring saved' })).toBeVisible()
  await page.locator('#ring').getByText('Ports', { exact: true }).click()
  await expect(ports).toHaveCount(9)

  await page.getByRole('button', { name: 'Sign and hand to the crew →' }).click()
  await page.waitForURL(/\/run\//)
  await expect(page.getByRole('button', { name: /Ash 14/ })).toBeVisible()
})

test('the crew lead runs the ports, counts everything back in and signs', async ({ page }) => {
  test.setTimeout(240_000)
  await enter(page, 'teodor')
  await page
    .getByRole('link', { name: /Ropewalk School/ })
    .first()
    .click()
  await page.getByRole('button', { name: /Ash 14/ }).click()
  // The wrong tag and missing gear are caught before anything is opened.
  await page.getByLabel('Read the tag on the tree').fill('Ash 16')
  await page.getByRole('button', { name: 'This is the tree, begin' }).click()
  await expect(page.getByText('Put the protective gear on first')).toBeVisible()
  for (const box of await page.getByRole('checkbox').all()) await box.check()
  await page.getByRole('button', { name: 'This is the tree, begin' }).click()
  await expect(page.getByText(/this is the work for "Ash 14"/)).toBeVisible()
  await page.getByLabel('Read the tag on the tree').fill('ash 14')
  await page.getByRole('button', { name: 'This is the tree, begin' }).click()

  for (let n = 1; n <= 9; n++) {
    await expect(page.getByText(`Port ${n}`, { exact: true })).toBeVisible()
    await page.getByRole('button', { name: 'Drilled' }).click()
    await page.getByRole('button', { name: 'Set, start the clock' }).click()
  }
  await expect(page.getByRole('heading', { name: 'In trees now, 9' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Sign the record' })).toBeDisabled()
  await picture(page, '9-run')

  // Half an hour on, by the demo's clock.
  await page.getByLabel("Move the demo's clock").selectOption('900')
  const board = page.getByRole('region', { name: 'Ports in trees' })
  await expect(board.getByText(/1[5-6] min/).first()).toBeVisible()
  await page.getByLabel("Move the demo's clock").selectOption('900')
  await expect(board.getByText('look now').first()).toBeVisible()
  for (let n = 1; n <= 9; n++) {
    await page.getByRole('button', { name: `Empty, stop port ${n} of Ash 14` }).click()
    const out = page.getByRole('button', { name: `Out, counted, port ${n} of Ash 14` })
    if (n > 1) {
      await out.click()
      continue
    }
    // A second tap on the same spot falls on what it was meant for, never on the port below.
    await out.click()
    await page.mouse.down()
    await page.mouse.up()
    await expect(board.getByText('out, counted', { exact: true })).toBeVisible()
    await expect(page.getByRole('button', { name: 'Empty, stop port 2 of Ash 14' })).toBeVisible()
    await expect(page.getByRole('button', { name: 'Out, counted, port 2 of Ash 14' })).toHaveCount(0)
    expect((await out.count()) + (await board.getByText('In trees now, 8').count())).toBe(1)
  }
  await expect(page.getByRole('heading', { name: 'Nothing is in a tree' })).toBeVisible()

  await page.getByLabel('Lot, off the package').selectOption('EB4-2207')
  await page.getByLabel('Notices given').fill('sign at the gate, office told')
  await page.getByLabel('Empties counted in').fill('8')
  await page.getByRole('button', { name: 'Sign the record' }).click()
  await expect(page.getByText('You counted 8 empties, but 9 were set.')).toBeVisible()
  await page.getByLabel('Empties counted in').fill('9')
  await signRecord(page)
  await expect(page.getByText('82.8 mL at the low rate')).toBeVisible()
  await picture(page, '11-record')

  // Back after the save shows the tree as recorded; nothing can be sent twice.
  await page.goBack()
  await page.getByRole('button', { name: /Ash 14/ }).click()
  await expect(page.getByText(/Signed and recorded/)).toBeVisible()
})

test('the promised check comes on its date and is answered; the tree shows its history', async ({ page }) => {
  await enter(page, 'teodor')
  await page
    .getByRole('navigation', { name: 'Views', exact: true })
    .getByRole('link', { name: 'Follow-up' })
    .click()
  await picture(page, '12-follow-up')
  await page.getByRole('link', { name: /Ash 14.*Leaf scorch/ }).click()
  await expect(page.getByText('This check is not due yet.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Keep the result' })).toBeDisabled()
  await page.getByLabel("Move the demo's clock").selectOption(String(14 * 86_400))
  await expect(page.getByText('This check is not due yet.')).toHaveCount(0)
  await page.getByLabel('Found, in %').fill('12')
  await expect(page.getByText('Harmed. That is no reason to repeat it.')).toBeVisible()
  await page.getByLabel('note it and go on').check()
  await picture(page, '13-check')
  await page.getByRole('button', { name: 'Keep the result' }).click()
  await expect(page.getByText('12 %: harmed')).toBeVisible()

  await openTree(page, 'Ash 14')
  const history = page.getByRole('region', { name: 'History' })
  for (const text of [
    'Emerald ash borer',
    'Decided to treat',
    'Trunk injection, Example EB4',
    /Record \d+: trunk injection/,
    'Leaf scorch after the injection',
    /by girth tape/,
  ])
    await expect(history.getByText(text).first()).toBeVisible()
  await picture(page, '14-history')
  await page
    .getByRole('navigation', { name: 'Views', exact: true })
    .getByRole('link', { name: 'Ledger' })
    .click()
  await expect(
    page.getByText(/carries the hash of the one before and a true seal|newest records carry true seals/),
  ).toBeVisible()
  await picture(page, '10-ledger')
})
