import { inFirm } from '@/db/client'
import { decisionsOfTree } from '@/db/queries/assessment'
import { moneyOfSite } from '@/db/queries/decideSite'
import { openFollowUps } from '@/db/queries/followUp'
import { turnCounts } from '@/db/queries/turn'
import { treeById } from '@/db/queries/tree'
import { HOUSE_MONEY } from '@/core/decide/siteMoney'
import {
  act,
  closePool,
  done,
  makeAsh,
  makeFirm,
  NOON,
  problemOf,
  signCause,
  uuidv7,
  type TestFirm,
} from './scenario'

/** Many trees decided by one signature, what could break looked at first, and what is waited for afterwards. */
let firm: TestFirm
const arborist = (minutes = 0) => firm.person('arborist', new Date(NOON.getTime() + minutes * 60_000))
const rows = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)

beforeAll(async () => {
  firm = await makeFirm('Many firm')
})
afterAll(() => closePool())

/** An ash with the borer signed as its cause, waiting for a decision. */
async function borerAsh(tag: string) {
  const treeId = await makeAsh(firm, tag)
  const diagnosisId = await signCause(arborist(), treeId, {
    seen: { 'exit-hole-d': 'there', 'crown-thin-top': 'there' },
    cause: 'emerald-ash-borer',
    reason: 'holes and sprouts',
  })
  return { treeId, diagnosisId }
}

const decision = (
  t: { treeId: string; diagnosisId: string },
  action = 'treat',
  words: string | null = null,
) => ({
  ...t,
  id: uuidv7(),
  action,
  words,
})
const many = (decisions: unknown[], follows: unknown = {}) => ({
  id: uuidv7(),
  siteId: firm.site,
  decisions,
  follows,
})
const newest = (treeId: string) => rows(async (sql) => (await decisionsOfTree(sql, treeId))[0])

it('signs each tree its own decision, with what follows for those decided alike', async () => {
  const [a, b, c] = [await borerAsh('M-1'), await borerAsh('M-2'), await borerAsh('M-3')]
  const sent = many([decision(a), decision(b), decision(c, 'watch', 'the owner wants to wait a year')], {
    watch: { due: '2026-08-01' },
  })
  expect(await done(arborist(), 'decide-many', sent)).toEqual({ signed: 3 })
  expect((await newest(a.treeId))!.action).toBe('treat')
  expect((await rows((sql) => treeById(sql, a.treeId)))!.stage).toBe('prescribe')
  expect((await newest(c.treeId))!.words).toBe('the owner wants to wait a year')
  const promised = (await rows((sql) => openFollowUps(sql))).filter((f) => f.treeId === c.treeId)
  expect(promised).toMatchObject([{ dueOn: '2026-08-01', what: 'Look again' }])
  // The same signature again is the same signature.
  expect(await done(arborist(), 'decide-many', sent)).toEqual({ signed: 3 })
})

it('names the tree that cannot be signed, and signs none', async () => {
  const [a, b] = [await borerAsh('N-1'), await borerAsh('N-2')]
  const refused = await problemOf(arborist(), 'decide-many', many([decision(a), decision(b, 'remove')]))
  expect(refused!.message).toBe('N-2: To treat is proposed. To decide otherwise, write why.')
  expect(refused!.field).toBe('decisions[1]')
  expect(await newest(a.treeId)).toBeUndefined()
})

it.each([
  [
    'a tree twice',
    async () => {
      const a = await borerAsh('O-1')
      return [decision(a), decision(a)]
    },
    'conflict',
  ],
  [
    'a diagnosis that is not the newest',
    async () => {
      const a = await borerAsh('O-2')
      return [{ ...decision(a), diagnosisId: uuidv7() }]
    },
    'conflict',
  ],
  [
    'a tree that is not there',
    async () => [decision({ treeId: uuidv7(), diagnosisId: uuidv7() })],
    'unknown',
  ],
  ['nothing at all', async () => [], 'missing'],
] as const)('refuses %s', async (_, make, code) => {
  const refused = await problemOf(arborist(), 'decide-many', many(await make()))
  expect(refused).not.toBeNull()
  if (code !== 'missing') expect(refused!.code).toBe(code)
})

it('refuses a tree of another site', async () => {
  const other = await makeFirm('Elsewhere')
  const a = await borerAsh('O-3')
  expect(
    await problemOf(arborist(), 'decide-many', { ...many([decision(a)]), siteId: other.site }),
  ).toMatchObject({ code: 'unknown' })
})

describe('a safety screen', () => {
  const screen = (treeId: string, levels: [number, number, number]) => ({
    id: uuidv7(),
    treeId,
    defect: levels[0],
    defectWords: 'the anchor gives on the street side',
    target: levels[1],
    targetWords: 'a bench, people from ten to four',
    consequence: levels[2],
    consequenceWords: 'somebody hurt',
  })

  it('that ends in a referral closes treating, by the decision and by the gate, until it is screened again', async () => {
    const a = await borerAsh('S-1')
    expect(await done(arborist(), 'screen-safety', screen(a.treeId, [3, 2, 2]))).toEqual({ refer: true })
    expect((await problemOf(arborist(), 'sign-decision', decision(a)))!.message).toMatch(
      /To refer it .* is proposed/,
    )
    expect(
      (await problemOf(arborist(), 'sign-decision', decision(a, 'treat', 'it looks sound to me')))!.message,
    ).toMatch(/safety case first/)
    await done(arborist(), 'sign-decision', {
      ...decision(a, 'refer'),
      due: '2026-06-20',
      whom: 'the assessor of the town',
    })
    const [asked] = (await rows((sql) => openFollowUps(sql))).filter((f) => f.treeId === a.treeId)
    expect(asked).toMatchObject({ what: 'The risk assessor’s answer (the assessor of the town)' })
    await done(arborist(5), 'screen-safety', screen(a.treeId, [1, 1, 2]))
    await done(arborist(6), 'sign-decision', decision(a))
    expect((await newest(a.treeId))!.action).toBe('treat')
  })

  it('that comes after the decision closes the gate', async () => {
    const a = await borerAsh('S-2')
    const signed = decision(a)
    await done(arborist(), 'sign-decision', signed)
    await done(arborist(), 'screen-safety', screen(a.treeId, [2, 2, 2]))
    const refused = await problemOf(arborist(), 'hand-to-crew', {
      id: uuidv7(),
      items: [
        {
          useId: firm.label,
          choice: 0,
          subjects: [
            {
              treeId: a.treeId,
              decisionId: signed.id,
              given: { portGirth: '52 in', bearings: [20, 60, 100, 140, 180, 220, 260, 300] },
            },
          ],
        },
      ],
      onDate: '2026-06-12',
    })
    expect(refused!.message).toMatch(/Screened: the anchor gives on the street side.*risk assessor/)
  })

  it('is kept in words for each part', async () => {
    const a = await borerAsh('S-3')
    for (const part of ['defectWords', 'targetWords', 'consequenceWords'])
      expect(
        await problemOf(arborist(), 'screen-safety', { ...screen(a.treeId, [1, 1, 1]), [part]: '' }),
      ).toMatchObject({ field: part })
    expect(
      await problemOf(arborist(), 'screen-safety', { ...screen(a.treeId, [1, 1, 1]), target: 4 }),
    ).toMatchObject({ field: 'target' })
  })
})

it('a referral waits for whom it was referred to, and says so on the board', async () => {
  const a = await borerAsh('T-1')
  await done(arborist(), 'sign-decision', {
    ...decision(a, 'refer', 'the line runs through its crown'),
    due: '2026-06-19',
    referTo: 'utility',
  })
  const [asked] = (await rows((sql) => openFollowUps(sql))).filter((f) => f.treeId === a.treeId)
  expect(asked).toMatchObject({
    what: 'The answer of the utility',
    expectation: { kind: 'referred', question: 'What does the utility say?' },
  })
  const counts = await rows((sql) => turnCounts(sql, '2026-06-25', firm.site))
  const others = counts.find((c) => c.turn === 'assessor')!
  expect(others.open).toBeGreaterThan(0)
  expect(others.overdue).toBe(others.open)
  await done(arborist(), 'enter-result', {
    id: uuidv7(),
    followUpId: asked!.id,
    said: 'we may go on',
    nextStep: 'decide anew',
    words: null,
  })
  expect((await rows((sql) => treeById(sql, a.treeId)))!.stage).toBe('decide')
})

it('a watch says what happens above its threshold', async () => {
  const a = await borerAsh('T-2')
  await done(arborist(), 'sign-decision', {
    ...decision(a, 'watch', 'few holes, much crown'),
    due: '2026-07-01',
    watch: { count: 'new holes on the lower trunk', threshold: 3, above: 'treat this year' },
  })
  const [asked] = (await rows((sql) => openFollowUps(sql))).filter((f) => f.treeId === a.treeId)
  expect(asked!.what).toBe('Count: new holes on the lower trunk. Above 3: treat this year')
})

describe('the money of a site', () => {
  it('is kept, the newest holds', async () => {
    await done(arborist(), 'set-site-money', { id: uuidv7(), siteId: firm.site, money: HOUSE_MONEY })
    await done(firm.person('office', new Date(NOON.getTime() + 60_000)), 'set-site-money', {
      id: uuidv7(),
      siteId: firm.site,
      money: { ...HOUSE_MONEY, visitPerInch: 11 },
    })
    expect((await rows((sql) => moneyOfSite(sql, firm.site)))!.money.visitPerInch).toBe(11)
  })

  it.each([
    [{ years: 0 }, 'years'],
    [{ discountPercent: 400 }, 'discountPercent'],
    [{ visitLeast: 'much' }, 'money.visitLeast'],
    [{ pressure: 'enormous' }, 'money.pressure'],
  ])('refuses %o', async (part, field) => {
    expect(
      await problemOf(arborist(), 'set-site-money', {
        id: uuidv7(),
        siteId: firm.site,
        money: { ...HOUSE_MONEY, ...part },
      }),
    ).toMatchObject({ field })
  })

  it('is not the technician’s to set', async () => {
    const r = await act(firm.person('technician'), 'set-site-money', {
      id: uuidv7(),
      siteId: firm.site,
      money: HOUSE_MONEY,
    })
    expect(r.ok).toBe(false)
  })
})
