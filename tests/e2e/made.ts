import type { Page } from '@playwright/test'
import { alive, post } from './signIn'

export interface Made {
  tag: string
  host: string
  girths: string[]
  findings: Record<string, 'there' | 'not-there'>
  cause: string
  action?: string
  liveCrown?: number
  /** When care is looked at again. */
  due?: string
}

const step = async (page: Page, verb: string, input: Record<string, unknown>) => {
  const answer = await post(page, `/api/do/${verb}`, input)
  if (!answer.ok()) throw new Error(`${verb}: ${await answer.text()}`)
}
const id = () => crypto.randomUUID()

/** A tree of the schoolyard that is known and measured, so many metres east and north. */
export async function measured(
  page: Page,
  { tag, host, girths, liveCrown = 80 }: Pick<Made, 'tag' | 'host' | 'girths' | 'liveCrown'>,
  [eastM, northM] = [40, 30],
): Promise<string> {
  const site = (await (
    await page.request.get('/api/find?text=Ropewalk%20School', { maxRetries: 2 })
  ).json()) as {
    value: { id: string; kind: string }[]
  }
  const siteId = site.value.find((h) => h.kind === 'site')!.id
  const treeId = id()
  await step(page, 'add-tree', {
    id: treeId,
    siteId,
    tag,
    host,
    eastM,
    northM,
    note: null,
    accepted: ['far'],
  })
  await step(page, 'confirm-identity', { treeId, host })
  await step(page, 'add-reading', { id: id(), treeId, tape: 'girth', bareUnit: 'in', stems: girths })
  await step(page, 'change-tree', {
    treeId,
    version: 2,
    tag,
    host,
    note: null,
    liveCrownPercent: liveCrown,
  })
  return treeId
}

/** A tree as an arborist leaves it once the cause is signed and it is decided to treat. */
export async function made(page: Page, t: Made): Promise<string> {
  const treeId = await measured(page, t)
  await decided(page, treeId, t)
  return treeId
}

/** Signs a cause of a tree, and what is done about it. */
export async function decided(
  page: Page,
  treeId: string,
  t: Pick<Made, 'findings' | 'cause' | 'action' | 'due'>,
): Promise<void> {
  const [assessmentId, diagnosisId] = [id(), id()]
  for (const [finding, state] of Object.entries(t.findings))
    await step(page, 'set-finding', { treeId, assessmentId, finding, state })
  await step(page, 'sign-diagnosis', {
    id: diagnosisId,
    treeId,
    assessmentId,
    cause: t.cause,
    reason: 'seen here every year',
  })
  await step(page, 'sign-decision', {
    id: id(),
    treeId,
    diagnosisId,
    action: t.action ?? 'treat',
    words: 'as talked over with the school',
    ...(t.due && { due: t.due }),
  })
}

/** What is seen at a tree on a good day, by what is asked. */
const SEEN = [
  ['Leaves', 'out'],
  ['Flowers of this year', 'over'],
  ['Bark', 'dry'],
  ['Larvae', 'small, first to third stage'],
] as const

/** Puts the gear on, says what is seen, and begins the work at hand. */
export async function runRest(page: Page) {
  for (const box of await page.getByRole('checkbox').all()) await box.check()
  for (const [asked, said] of SEEN) {
    const look = page.getByRole('group', { name: `${asked}, as you see it` })
    await alive(page)
    if (await look.count()) await look.getByLabel(said, { exact: true }).check()
  }
  await page.getByRole('button', { name: 'Gear is on, begin' }).click()
}
