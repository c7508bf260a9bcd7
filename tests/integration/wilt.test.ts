import { inFirm } from '@/db/client'
import { usesOnShelf } from '@/db/queries/card'
import { subjectsOfJob, type JobSubjectRow } from '@/db/queries/job'
import { dueAgain } from '@/db/queries/occurrence'
import { treesById } from '@/db/queries/tree'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { sayPlan } from '@/core/methods/say'
import { treesAtHand } from '@/server/treesAtHand'
import { waysFor } from '@/server/waysFor'
import {
  closePool,
  decideTree,
  done,
  makeFirm,
  measuredTree,
  NOON,
  problemOf,
  putOnShelf,
  typedRecord,
  uuidv7,
  type TestFirm,
} from './scenario'

/** An elm with a proved wilt beside a sound one: the line is cut, then it is felled, then its wood is made harmless. */
let firm: TestFirm
const uses = { 'HC-LINE': uuidv7(), 'HC-FELL': uuidv7(), 'HC-WOOD': uuidv7() }
const DAY = 86_400_000
const at = (days: number, minutes = 0) => new Date(NOON.getTime() + days * DAY + minutes * 60_000)
const arborist = (days = 0) => firm.person('arborist', at(days))
const rows = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)

beforeAll(async () => {
  firm = await makeFirm('Wilt firm')
  await putOnShelf(firm, uses)
})
afterAll(() => closePool())

async function sickElm(tag: string, eastM: number) {
  const treeId = await measuredTree(firm, { tag, host: 'elm', inches: '60', eastM })
  const decisionId = await decideTree(arborist(), treeId, {
    seen: { 'flagging-limb': 'there', 'sapwood-streaks': 'there', 'lab-elm-wilt': 'there' },
    cause: 'dutch-elm-disease',
    action: 'remove',
    words: 'as talked over',
    due: '2026-06-30',
  })
  return { treeId, decisionId }
}
type Tree = Awaited<ReturnType<typeof sickElm>>

interface Step {
  code: keyof typeof uses
  hand: Record<string, string>
  after?: { item: number; days: number }
}
const LINE: Step = {
  code: 'HC-LINE',
  hand: { line: '60 ft', between: 'Elm 1 and Elm 2', utilities: 'none here, by the utility' },
}
const ALONE: Step = { code: 'HC-FELL', hand: { stands: 'lives', how: 'by machine' } }
const FELL: Step = { ...ALONE, hand: { ...ALONE.hand, neighbours: 'the city fells it next week' } }
const WOOD: Step = { code: 'HC-WOOD', hand: { how: 'chipped', loads: '1' } }

const signed = (tree: Tree, steps: Step[], onDate = '2026-06-12') => ({
  id: uuidv7(),
  items: steps.map(({ code, hand, after = null }) => ({
    useId: uses[code],
    choice: 0,
    after,
    onlyIf: null,
    who: 'crew',
    subjects: [{ ...tree, given: { hand } }],
  })),
  onDate,
  eaten: null,
})
const openAt = async (jobId: string, tree: Tree, method: string) =>
  (await rows((sql) => subjectsOfJob(sql, jobId))).find(
    (s) => s.status === 'open' && s.treeId === tree.treeId && s.method === method,
  )!
const begin = (s: JobSubjectRow) => ({ jobSubjectIds: [s.id], gear: true, seen: { soil: 'moist' as const } })

async function work(s: JobSubjectRow, days: number, noted?: string) {
  const tech = firm.person('technician', at(days, 30))
  await done(tech, 'begin-work', begin(s))
  for (const step of await rows((sql) => stepsOfSubjects(sql, [s.id])))
    await done(tech, 'mark-step', {
      eventId: uuidv7(),
      stepId: step.id,
      kind: 'do',
      ...(step.what.kind === 'task' && step.what.note && { noted }),
    })
  await done(firm.person('crew lead', at(days, 90)), 'sign-record', {
    ...typedRecord([s.id], 'house card'),
    accepted: ['wind', 'temperature', 'outside', 'short'],
  })
}

async function waysAt({ treeId }: Tree, on: string) {
  return rows(async (sql) => {
    const shelf = await usesOnShelf(sql)
    const [hand] = await treesAtHand(
      { sql, now: NOON, person: arborist() },
      await treesById(sql, [treeId]),
      shelf,
    )
    return new Map(waysFor(hand!, shelf, { on, units: 'us', action: 'remove' }).map((w) => [w.use.method, w]))
  })
}

test('an elm is not felled before the line between it and its neighbour is cut, in the list, at the signature and on the day', async () => {
  const sick = await sickElm('Elm 1', 0)
  await measuredTree(firm, { tag: 'Elm 2', host: 'elm', inches: '70', eastM: 9 })
  const ways = await waysAt(sick, '2026-06-12')
  expect(ways.get('barrier')!.closed).toEqual([])
  expect(ways.get('fell')!.closed).toMatchObject([{ rule: 'order', after: 'barrier' }])
  expect(ways.get('fell')!.waits).toEqual({ method: 'barrier', days: 7 })
  expect(ways.get('wood')!.closed).toMatchObject([{ rule: 'order', after: 'fell' }])
  expect(await problemOf(arborist(), 'hand-to-crew', signed(sick, [FELL]))).toMatchObject({
    message: expect.stringMatching(/Root-graft barrier comes first.*as a step before this/),
  })
  // Sound neighbours are injected first, or somebody writes why not.
  expect(await problemOf(arborist(), 'hand-to-crew', signed(sick, [LINE, ALONE]))).toMatchObject({
    code: 'missing',
    message: expect.stringMatching(/Sound neighbours .* and Elm 2 is not: sign that first, or write why not/),
  })
  // Both signed for one day are begun in their order.
  const { jobId } = await done<{ jobId: string }>(
    arborist(),
    'hand-to-crew',
    signed(sick, [LINE, FELL, { ...WOOD, after: { item: 1, days: 0 } }]),
  )
  const felling = await openAt(jobId, sick, 'fell')
  expect(sayPlan(felling.plan, felling.use, 'us')).toBe(
    'felled by machine; Elm 2 not injected: the city fells it next week',
  )
  const tech = firm.person('technician', at(0, 10))
  expect(await problemOf(tech, 'begin-work', begin(felling))).toMatchObject({
    message: expect.stringMatching(/barrier comes first, and is not recorded yet/),
  })
  // Nor is the line moved behind the axe, while both together may move.
  const line = await openAt(jobId, sick, 'barrier')
  const lead = firm.person('crew lead')
  const move = (ids: string[]) => ({ jobSubjectIds: ids, onDate: '2026-06-15', why: 'the plow comes later' })
  expect(await problemOf(lead, 'move-day', move([line.id]))).toMatchObject({
    message: expect.stringMatching(/Felling stands on 12 Jun/),
  })
  const { jobId: monday } = await done<{ jobId: string }>(lead, 'move-day', move([line.id, felling.id]))
  await work(await openAt(monday, sick, 'barrier'), 3, '5 ft')
  await work(await openAt(monday, sick, 'fell'), 3)
  const [due] = await rows((sql) => dueAgain(sql, '2027-01-01'))
  expect(due).toMatchObject({ cardName: 'Wood made harmless', dueFrom: '2026-06-15' })
})

test('a line that stayed shallow is none', async () => {
  const sick = await sickElm('Elm 11', 200)
  await measuredTree(firm, { tag: 'Elm 12', host: 'elm', inches: '70', eastM: 209 })
  const { jobId } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', signed(sick, [LINE, FELL]))
  await work(await openAt(jobId, sick, 'barrier'), 0, '3 ft')
  expect(
    await problemOf(
      firm.person('technician', at(0, 120)),
      'begin-work',
      begin(await openAt(jobId, sick, 'fell')),
    ),
  ).toMatchObject({
    message: expect.stringMatching(/barrier comes first; what was done of it .* did not reach its depth/),
  })
})

test('a neighbour that is sick itself, or injected, is no sound one left bare', async () => {
  const sick = await sickElm('Elm 31', 600)
  const other = await sickElm('Elm 32', 609)
  const { jobId } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', signed(sick, [LINE, ALONE]))
  expect(
    sayPlan((await openAt(jobId, sick, 'fell')).plan, (await openAt(jobId, sick, 'fell')).use, 'us'),
  ).toBe('felled by machine')
  // A third, sound one near both is named for both.
  await measuredTree(firm, { tag: 'Elm 33', host: 'elm', inches: '70', eastM: 616 })
  expect(await problemOf(arborist(), 'hand-to-crew', signed(other, [LINE, ALONE]))).toMatchObject({
    message: expect.stringMatching(/and Elm 33 is not/),
  })
})

test('one that stands alone is felled without a line', async () => {
  const alone = await sickElm('Elm 21', 400)
  const ways = await waysAt(alone, '2026-06-12')
  expect(ways.get('fell')!.closed).toEqual([])
  const { jobId } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', signed(alone, [ALONE]))
  await done(firm.person('technician', at(0, 10)), 'begin-work', begin(await openAt(jobId, alone, 'fell')))
})
