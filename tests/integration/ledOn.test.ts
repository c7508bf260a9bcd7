import { v7 as uuidv7 } from 'uuid'
import { CAUSES } from '@/almanac/causes'
import { causesOf } from '@/core/diagnose/weigh'
import { ACTIONS } from '@/core/decide/propose'
import { closePool, inFirm, type FirmSql } from '@/db/client'
import { followUpsOfTree } from '@/db/queries/followUp'
import { treeById } from '@/db/queries/tree'
import { done, makeAsh, makeFirm, NOON, problemOf, type TestFirm } from './scenario'

/** Whatever is decided, something comes of it: a day in the calendar, and from its answer the next step. */
let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Leading on')
})
afterAll(() => closePool())

const DAY = 86_400_000
const WORDS = 'as the client and I have talked over'
const arborist = (days = 0) => firm.person('arborist', new Date(NOON.getTime() + days * DAY))
const read = <T>(query: (sql: FirmSql) => Promise<T>) => inFirm(firm.id, query)
const stage = async (id: string) => (await read((sql) => treeById(sql, id)))!.stage
const promises = async (id: string) =>
  (await read((sql) => followUpsOfTree(sql, id))).filter((c) => !c.verdict && c.dropped === null)

async function signed(
  tag: string,
  findings: Record<string, string>,
  cause: string,
  reason: string | null = null,
) {
  const treeId = await makeAsh(firm, tag)
  const assessmentId = uuidv7()
  for (const [finding, state] of Object.entries(findings))
    await done(arborist(), 'set-finding', { treeId, assessmentId, finding, state })
  const diagnosisId = uuidv7()
  await done(arborist(), 'sign-diagnosis', { id: diagnosisId, treeId, assessmentId, cause, reason })
  return { treeId, diagnosisId, assessmentId }
}
const borer = (tag: string) =>
  signed(tag, { 'exit-hole-d': 'there', 'crown-thin-top': 'there' }, 'emerald-ash-borer')
const decide = (
  t: { treeId: string; diagnosisId: string },
  action: string,
  more: Record<string, unknown> = { due: '2026-06-20' },
) => ({ id: uuidv7(), treeId: t.treeId, diagnosisId: t.diagnosisId, action, words: WORDS, ...more })

test.each(ACTIONS.filter((a) => a !== 'treat' && a !== 'healthy'))(
  '%s stands in the calendar, and the tree waits for that',
  async (action) => {
    const t = await borer(`L-${action}`)
    expect(await problemOf(arborist(), 'sign-decision', decide(t, action, {}))).toMatchObject({
      code: 'missing',
      field: 'due',
    })
    await done(arborist(), 'sign-decision', decide(t, action))
    expect(await promises(t.treeId)).toMatchObject([{ dueOn: '2026-06-20' }])
    expect(await stage(t.treeId)).toBe('otherwise')
  },
)

test('of two decisions at once on one diagnosis one stands, and the other is told of it', async () => {
  for (let i = 0; i < 6; i++) {
    const t = await borer(`L-both-${i}`)
    const both = await Promise.all([
      problemOf(arborist(), 'sign-decision', decide(t, 'remove', { due: '2026-07-30', over: null })),
      problemOf(arborist(), 'sign-decision', decide(t, 'watch', { due: '2026-06-20', over: null })),
    ])
    expect(both.filter((p) => p === null)).toHaveLength(1)
    expect(both.find((p) => p !== null)).toMatchObject({
      code: 'conflict',
      message: expect.stringMatching(/decided on this in the meantime: to (remove the tree|watch)/),
    })
    // What stands and what is promised are one.
    const stands = both[0] === null ? '2026-07-30' : '2026-06-20'
    expect(await promises(t.treeId)).toMatchObject([{ dueOn: stands }])
    // Whoever looks again decides over it.
    await done(arborist(1), 'sign-decision', decide(t, 'treat', {}))
    expect(await promises(t.treeId)).toEqual([])
  }
})

test('what is decided anew is waited for alone', async () => {
  const t = await borer('L-anew')
  await done(arborist(), 'sign-decision', decide(t, 'watch'))
  await done(arborist(1), 'sign-decision', decide(t, 'refer', { due: '2026-06-30', whom: 'Odile Ferrant' }))
  expect(await promises(t.treeId)).toMatchObject([{ what: expect.stringMatching(/assessor.*Odile Ferrant/) }])
  await done(arborist(2), 'sign-decision', { ...decide(t, 'treat', {}) })
  expect(await promises(t.treeId)).toEqual([])
  expect(await stage(t.treeId)).toBe('prescribe')
})

test('an answer leads to the step it names, and looking again promises it again', async () => {
  const t = await borer('L-answer')
  await done(arborist(), 'sign-decision', decide(t, 'refer'))
  const answer = (
    followUpId: string,
    said: string | null,
    nextStep: string,
    value: number | null = null,
  ) => ({
    id: uuidv7(),
    followUpId,
    said,
    value,
    nextStep,
    words: null,
  })
  const [first] = await promises(t.treeId)
  for (const wrong of [
    answer(first!.id, null, 'look again', 3),
    answer(first!.id, 'perhaps', 'look again'),
    answer(first!.id, 'constructor', 'look again'),
  ])
    expect(await problemOf(arborist(8), 'enter-result', wrong)).toMatchObject({ field: 'said' })
  expect(
    await problemOf(arborist(8), 'enter-result', answer(first!.id, 'it comes down', 'go on as planned')),
  ).toMatchObject({ field: 'nextStep', message: expect.stringMatching(/decide anew/) })
  await done(arborist(8), 'enter-result', answer(first!.id, 'no answer yet', 'look again'))
  const [second] = await promises(t.treeId)
  expect(second!.dueOn).toBe('2026-06-28')
  expect(await stage(t.treeId)).toBe('otherwise')
  await done(arborist(16), 'enter-result', answer(second!.id, 'it comes down', 'decide anew'))
  expect(await stage(t.treeId)).toBe('decide')
  await done(arborist(16), 'sign-decision', decide(t, 'remove', { due: '2026-07-30' }))
  expect(await stage(t.treeId)).toBe('otherwise')
})

test('a watch by a count asks for the count, and above its threshold for a new decision', async () => {
  const t = await borer('L-count')
  const watch = (threshold: unknown) =>
    decide(t, 'watch', { due: '2026-06-20', watch: { count: 'live mites on ten leaves', threshold } })
  expect(await problemOf(arborist(), 'sign-decision', watch('ten'))).toMatchObject({
    message: expect.stringMatching(/whole number/),
  })
  expect(await problemOf(arborist(), 'sign-decision', { ...watch(10), action: 'refer' })).toMatchObject({
    field: 'watch',
  })
  await done(arborist(), 'sign-decision', watch(10))
  const [check] = await promises(t.treeId)
  const count = (value: number, nextStep: string) => ({
    id: uuidv7(),
    followUpId: check!.id,
    value,
    nextStep,
    words: null,
  })
  expect(await problemOf(arborist(8), 'enter-result', count(11, 'stop looking'))).toMatchObject({
    field: 'nextStep',
  })
  await done(arborist(8), 'enter-result', count(11, 'decide anew'))
  expect(await stage(t.treeId)).toBe('decide')
})

test('a healthy tree is signed with a day to look again; one with a telling sign needs a word', async () => {
  // The whole walk of its kind, and nothing there.
  const looks = Object.fromEntries(
    causesOf('ash', CAUSES).flatMap((c) => Object.keys(c.findings).map((f) => [f, 'not-there'])),
  )
  const t = await signed('H-1', looks, 'healthy')
  expect(
    await problemOf(arborist(), 'sign-decision', { ...decide(t, 'treat', {}), words: null }),
  ).toMatchObject({
    field: 'words',
  })
  await done(arborist(), 'sign-decision', { ...decide(t, 'healthy', { due: '2027-06-01' }), words: null })
  expect(await promises(t.treeId)).toMatchObject([{ dueOn: '2027-06-01', expectation: { kind: 'look' } }])

  const treeId = await makeAsh(firm, 'H-2')
  const assessmentId = uuidv7()
  for (const [finding, state] of Object.entries({ ...looks, 'exit-hole-d': 'there' }))
    await done(arborist(), 'set-finding', { treeId, assessmentId, finding, state })
  const sign = { id: uuidv7(), treeId, assessmentId, cause: 'healthy' }
  expect(await problemOf(arborist(), 'sign-diagnosis', sign)).toMatchObject({
    field: 'reason',
    message: expect.stringMatching(/seldom show/),
  })
  await done(arborist(), 'set-finding', { treeId, assessmentId, finding: 'anchor-root-soft', state: 'there' })
  expect(
    await problemOf(arborist(), 'sign-diagnosis', { ...sign, id: uuidv7(), reason: WORDS }),
  ).toMatchObject({ code: 'not-allowed', field: 'cause' })
  const ill = await borer('H-3')
  expect(await problemOf(arborist(), 'sign-decision', decide(ill, 'healthy'))).toMatchObject({
    field: 'action',
  })
})

test('a laboratory’s answer goes into a new examination with what was seen, and is weighed', async () => {
  const t = await borer('S-1')
  await done(arborist(), 'sign-decision', decide(t, 'sample', { due: '2026-06-22' }))
  const [check] = await promises(t.treeId)
  const answer = (more: Record<string, unknown> = {}) => ({
    id: uuidv7(),
    followUpId: check!.id,
    assessmentId: uuidv7(),
    answers: [{ finding: 'lab-verticillium', state: 'there' }],
    words: null,
    ...more,
  })
  const office = firm.person('office', new Date(NOON.getTime() + 3 * DAY))
  expect(
    await problemOf(
      office,
      'enter-answer',
      answer({ answers: [{ finding: 'exit-hole-d', state: 'there' }] }),
    ),
  ).toMatchObject({ field: 'answers' })
  expect(await problemOf(office, 'enter-answer', answer({ assessmentId: t.assessmentId }))).toMatchObject({
    field: 'assessmentId',
  })
  const given = answer()
  await done(office, 'enter-answer', given)
  await done(office, 'enter-answer', given)
  expect(await stage(t.treeId)).toBe('weigh')
  const seen = await read(
    (sql) => sql<{ finding: string; state: string }[]>`
      select finding, state from finding where assessment_id = ${given.assessmentId} order by finding`,
  )
  expect(seen.map((f) => [f.finding, f.state])).toEqual([
    ['crown-thin-top', 'there'],
    ['exit-hole-d', 'there'],
    ['lab-verticillium', 'there'],
  ])
  expect(await problemOf(office, 'enter-answer', answer({ assessmentId: given.assessmentId }))).toMatchObject(
    {
      code: 'conflict',
    },
  )
})
