import { inFirm } from '@/db/client'
import { openFollowUps } from '@/db/queries/followUp'
import { subjectsOfJob } from '@/db/queries/job'
import { prescriptionsOfTree } from '@/db/queries/prescription'
import {
  closePool,
  decideAsh,
  decideTree,
  done,
  makeFirm,
  measuredTree,
  NOON,
  problemOf,
  putOnShelf,
  uuidv7,
  type TestFirm,
} from './scenario'

/** What a place asks is asked by every gate: of what is signed, of what is with the crew, of what is begun. */
let firm: TestFirm
const useIds = { 'HC-PRUNE': uuidv7(), 'HC-WATER': uuidv7() }
const DAY = 86_400_000
const at = (days: number) => new Date(NOON.getTime() + days * DAY)
const arborist = (days = 0) => firm.person('arborist', at(days))
const office = () => firm.person('office')
const rows = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)

beforeAll(async () => {
  firm = await makeFirm('Rule firm')
  await putOnShelf(firm, useIds)
})
afterAll(() => closePool())

async function keep(rule: unknown, district: string | null = null, name = 'Test rule') {
  const id = uuidv7()
  await done(office(), 'set-local-rule', {
    id,
    name,
    text: 'As it is worded.',
    source: 'sheet 4',
    district,
    rule,
  })
  return id
}
const end = (id: string) => done(office(), 'end-local-rule', { id, words: 'only for this test' })
const notNow = {
  kind: 'closed-season',
  methods: ['trunk-injection'],
  hosts: ['ash'],
  from: '06-01',
  to: '06-30',
}

describe('a closed season', () => {
  it('refuses to sign for a day within it, and says from when on; a later day is signed', async () => {
    const rule = await keep(notNow)
    const ash = await decideAsh(firm, 'R-1')
    const refused = await problemOf(arborist(), 'hand-to-crew', ash.prescription)
    expect(refused).toMatchObject({ code: 'not-allowed' })
    expect(refused!.message).toMatch(/Test rule; sheet 4.*Again from 1 Jul 2026/)
    await done(arborist(), 'hand-to-crew', { ...ash.prescription, onDate: '2026-07-01' })
    await end(rule)
  })

  it('that comes later marks what is with the crew, keeps it from being begun, and lets it go when it ends', async () => {
    const ash = await decideAsh(firm, 'R-2')
    const { jobId } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', ash.prescription)
    const rule = await keep(notNow)
    const subject = async () =>
      (await rows((sql) => subjectsOfJob(sql, jobId))).find((s) => s.treeId === ash.treeId)!
    expect((await subject()).anew).toBe('rule')
    const begun = await problemOf(firm.person('technician'), 'confirm-tree', {
      jobSubjectId: (await subject()).id,
      tag: 'R-2',
      gear: true,
      seen: { soil: 'moist' as const },
    })
    expect(begun!.message).toMatch(/Closed here at this time of year.*Hand it back/)
    await end(rule)
    expect((await subject()).anew).toBeNull()
    await done(firm.person('technician'), 'confirm-tree', {
      jobSubjectId: (await subject()).id,
      tag: 'R-2',
      gear: true,
      seen: { soil: 'moist' as const },
    })
  })

  it('of one district holds there alone, and follows a site into it', async () => {
    const rule = await keep(notNow, 'Riverside')
    const ash = await decideAsh(firm, 'R-3')
    const { jobId } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', ash.prescription)
    const anew = async () =>
      (await rows((sql) => subjectsOfJob(sql, jobId))).find((s) => s.treeId === ash.treeId)!.anew
    expect(await anew()).toBeNull()
    await done(office(), 'set-district', { siteId: firm.site, district: 'Riverside' })
    expect(await anew()).toBe('rule')
    await done(office(), 'set-district', { siteId: firm.site, district: null })
    expect(await anew()).toBeNull()
    await end(rule)
  })
})

it('notice before work sets the earliest day, and stands on the prescription', async () => {
  const rule = await keep({
    kind: 'notice',
    days: 3,
    whom: 'the neighbours',
    methods: ['trunk-injection'],
  })
  const ash = await decideAsh(firm, 'R-4')
  expect((await problemOf(arborist(), 'hand-to-crew', ash.prescription))!.message).toMatch(
    /The earliest day is 15 Jun 2026/,
  )
  await done(arborist(), 'hand-to-crew', { ...ash.prescription, onDate: '2026-06-20' })
  const [signed] = await rows((sql) => prescriptionsOfTree(sql, ash.treeId))
  expect(signed!.agreed.notices).toEqual([
    { whom: 'the neighbours', by: '2026-06-17', rule: 'Test rule', source: 'sheet 4' },
  ])
  await end(rule)
})

/** An apple with blighted shoots, to be cut. */
async function blighted(tag: string) {
  const treeId = await measuredTree(firm, { tag, host: 'apple', inches: '20', eastM: 30 })
  const decisionId = await decideTree(arborist(), treeId, {
    seen: { 'shoot-crook': 'there' },
    cause: 'fire-blight',
    reason: 'strikes all over',
    action: 'care',
    words: 'cut them out',
    due: '2026-07-01',
  })
  const item = (who: string) => ({
    useId: useIds['HC-PRUNE'],
    choice: 0,
    who,
    subjects: [{ treeId, decisionId, given: { hand: { what: 'blighted shoots', cuts: '12' } } }],
  })
  return {
    treeId,
    sign: (more: object = {}, who = 'crew') => ({
      id: uuidv7(),
      items: [item(who)],
      onDate: '2026-06-12',
      ...more,
    }),
  }
}

it('what is not for amateurs is not left to the client', async () => {
  const rule = await keep({ kind: 'amateur', methods: ['prune'] })
  const apple = await blighted('R-5')
  expect((await problemOf(arborist(), 'hand-to-crew', apple.sign({}, 'client')))!.message).toMatch(
    /not for amateurs here.*Give it to the crew/,
  )
  await done(arborist(), 'hand-to-crew', apple.sign())
  await end(rule)
})

it('a cause that is to be reported is promised to whom it is reported, once', async () => {
  const rule = await keep({ kind: 'report', causes: ['fire-blight'], whom: 'the county', days: 2 })
  const apple = await blighted('R-6')
  const asked = async () =>
    (await rows((sql) => openFollowUps(sql))).filter(
      (f) => f.treeId === apple.treeId && f.expectation.kind === 'report',
    )
  expect(await asked()).toMatchObject([{ what: 'Report fire blight to the county', dueOn: '2026-06-14' }])
  // Deciding anew drops what the decision promised, not what the law asks.
  const [due] = await asked()
  await done(arborist(), 'enter-result', {
    id: uuidv7(),
    followUpId: due!.id,
    said: 'not yet',
    nextStep: 'look again',
    words: null,
  })
  expect(await asked()).toHaveLength(1)
  const [again] = await asked()
  await done(arborist(), 'enter-result', {
    id: uuidv7(),
    followUpId: again!.id,
    said: 'it is reported',
    nextStep: 'stop looking',
    words: 'by telephone',
  })
  expect(await asked()).toEqual([])
  await end(rule)
})

it('is promised for every tree of a block that is signed by its sample', async () => {
  const rule = await keep({ kind: 'report', causes: ['fire-blight'], whom: 'the county', days: 2 })
  const looked = []
  for (const n of [1, 2, 3, 4]) looked.push((await blighted(`B-${n}`)).treeId)
  const unseen = await measuredTree(firm, { tag: 'B-5', host: 'apple', inches: '20', eastM: 60 })
  await done(arborist(), 'set-block', { siteId: firm.site, treeIds: [...looked, unseen], name: 'Row B' })
  await done(arborist(), 'sign-block', { id: uuidv7(), siteId: firm.site, block: 'Row B' })
  const asked = (await rows((sql) => openFollowUps(sql))).filter((f) => f.expectation.kind === 'report')
  expect(asked.map((f) => f.tag).sort()).toEqual(['B-1', 'B-2', 'B-3', 'B-4', 'B-5'])
  await end(rule)
})

describe('a rule is refused', () => {
  const entry = (rule: unknown) => ({
    id: uuidv7(),
    name: 'Strange',
    text: 'As it is worded.',
    source: 'sheet 4',
    district: null,
    rule,
  })
  test.each([
    [{ ...notNow, hosts: ['money-tree'] }, 'rule.hosts'],
    [{ kind: 'report', causes: ['bad-luck'], whom: 'them', days: 2 }, 'rule.causes'],
    [{ ...notNow, from: '02-30' }, 'rule.from'],
    [{ kind: 'curfew' }, 'rule.kind'],
  ])('%o', async (rule, field) => {
    expect(await problemOf(office(), 'set-local-rule', entry(rule))).toMatchObject({ field })
  })

  it('when it is ended twice', async () => {
    const rule = await keep(notNow)
    await end(rule)
    expect(
      await problemOf(office(), 'end-local-rule', { id: rule, words: 'again, by mistake' }),
    ).toMatchObject({
      code: 'unknown',
    })
  })
})

describe('schools of practice', () => {
  const agreed = async (treeId: string) =>
    (await rows((sql) => prescriptionsOfTree(sql, treeId)))[0]!.agreed.matters.find(
      (m) => m.matter === 'blight-cutting',
    )!
  // Each is set after the one before it.
  let hours = 0
  const setRule = (rule: string, whom: object = {}) =>
    done(firm.person('arborist', at(++hours / 24)), 'set-house-rule', {
      id: uuidv7(),
      matter: 'blight-cutting',
      rule,
      words: 'agreed',
      ...whom,
    })

  it('stand on the prescription as the house does them, as the nearest rule says', async () => {
    const first = await blighted('S-1')
    await done(arborist(), 'hand-to-crew', first.sign())
    expect((await agreed(first.treeId)).from).toMatch(/^by default/)
    await setRule('other')
    const second = await blighted('S-2')
    await setRule('one', { treeId: second.treeId })
    await done(arborist(), 'hand-to-crew', second.sign())
    expect(await agreed(second.treeId)).toMatchObject({
      done: 'Cut now, well below',
      from: 'house rule for this tree, arborist: agreed',
    })
    const third = await blighted('S-3')
    await done(arborist(), 'hand-to-crew', third.sign())
    expect((await agreed(third.treeId)).done).toBe('Leave it until dormancy')
    // Taken back, the wider one holds; what was signed keeps its words.
    await setRule('none')
    const fourth = await blighted('S-4')
    await done(arborist(), 'hand-to-crew', fourth.sign())
    expect((await agreed(fourth.treeId)).from).toMatch(/^by default/)
    expect((await agreed(third.treeId)).done).toBe('Leave it until dormancy')
  })

  it('may be chosen otherwise for one work with a reason, and kept for the client from then on', async () => {
    const apple = await blighted('S-5')
    const other = { matter: 'blight-cutting', way: 'other', words: 'few strikes, a wet week' }
    expect(
      await problemOf(arborist(), 'hand-to-crew', apple.sign({ matters: [{ ...other, words: '' }] })),
    ).toMatchObject({ field: 'matters[0].words' })
    await done(arborist(), 'hand-to-crew', apple.sign({ matters: [{ ...other, keepFor: 'client' }] }))
    expect((await agreed(apple.treeId)).from).toBe('chosen for this work: few strikes, a wet week')
    const next = await blighted('S-6')
    await done(arborist(), 'hand-to-crew', next.sign())
    expect((await agreed(next.treeId)).from).toBe(
      'house rule for this client, arborist: few strikes, a wet week',
    )
  })

  it('that do not come up in the work are refused', async () => {
    const apple = await blighted('S-7')
    expect(
      await problemOf(
        arborist(),
        'hand-to-crew',
        apple.sign({ matters: [{ matter: 'citrus-pruning', way: 'one', words: 'out of habit' }] }),
      ),
    ).toMatchObject({ field: 'matters' })
  })

  it('are for one of a district, a client or a tree', async () => {
    expect(
      await problemOf(arborist(), 'set-house-rule', {
        id: uuidv7(),
        matter: 'ants',
        rule: 'one',
        district: 'Riverside',
        treeId: uuidv7(),
      }),
    ).toMatchObject({ code: 'conflict' })
  })
})
