import { diagnosesOfTree } from '@/db/queries/assessment'
import { inFirm } from '@/db/client'
import {
  act,
  closePool,
  decideAsh,
  done,
  makeAsh,
  makeFirm,
  NOON,
  problemOf,
  type TestFirm,
  uuidv7,
  otherwise,
  keepWeather,
} from './scenario'

let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Refusing firm')
})
afterAll(() => closePool())

const HOUR = 3_600_000

describe('refusals', () => {
  test('roles are checked on the server', async () => {
    for (const [role, verb] of [
      ['technician', 'add-tree'],
      ['office', 'set-finding'],
      ['crew lead', 'sign-diagnosis'],
      ['technician', 'sign-decision'],
      ['crew lead', 'hand-to-crew'],
      ['office', 'mark-step'],
    ] as const)
      expect(await problemOf(firm.person(role), verb, {})).toMatchObject({
        code: 'not-allowed',
        field: 'role',
      })
  })

  test('a reading that looks like a slip is asked about, and kept only when accepted', async () => {
    const treeId = await makeAsh(firm, 'R-1')
    const later = firm.person('arborist', new Date(NOON.getTime() + 360 * 24 * HOUR))
    const reading = (stems: string[], more = {}) => ({
      id: uuidv7(),
      treeId,
      tape: 'diameter',
      bareUnit: 'in',
      stems,
      ...more,
    })
    expect(await problemOf(later, 'add-reading', reading(['52']))).toMatchObject({
      code: 'doubt',
      field: 'girth-as-diameter',
    })
    expect(await problemOf(later, 'add-reading', reading(['42']))).toMatchObject({
      code: 'doubt',
      field: 'cm-as-in',
    })
    expect(await problemOf(later, 'add-reading', reading(['14 in']))).toMatchObject({
      code: 'doubt',
      field: 'shrank',
    })
    await done(later, 'add-reading', reading(['14 in'], { accepted: ['shrank'] }))
    for (const bad of ['', 'abc', '-4', '0', '9999', '🌳', '<script>', '4 gal', '9'.repeat(150), '1e309'])
      expect([bad, (await problemOf(later, 'add-reading', reading([bad])))?.field]).toEqual([bad, 'stems[0]'])
    expect((await problemOf(later, 'add-reading', reading(['9'.repeat(10_000)])))?.field).toBe('stems[0]')
  })

  test('two people editing the same tree: the second is told', async () => {
    const treeId = await makeAsh(firm, 'R-2')
    const change = (note: string) => ({
      treeId,
      version: 3,
      tag: 'R-2',
      host: 'ash',
      note,
      liveCrownPercent: 75,
    })
    await done(firm.person('arborist'), 'change-tree', change('mine'))
    expect(await problemOf(firm.person('crew lead'), 'change-tree', change('yours'))).toMatchObject({
      code: 'conflict',
      field: 'version',
    })
    expect(
      await problemOf(firm.person('crew lead'), 'save-ring', { treeId, version: 3, marks: [] }),
    ).toMatchObject({ code: 'conflict' })
  })

  test('text that cannot be kept is refused by name, never an error', async () => {
    const base = { id: uuidv7(), siteId: firm.site, tag: 'T', host: 'ash', eastM: 0, northM: 0, note: null }
    const cases: [Record<string, unknown>, string][] = [
      [{ tag: '' }, 'tag'],
      [{ tag: ' ' }, 'tag'],
      [{ tag: 'x'.repeat(10_000) }, 'tag'],
      [{ tag: 'a\u0000b' }, 'tag'],
      [{ tag: 7 }, 'tag'],
      [{ host: 'triffid' }, 'host'],
      [{ host: '__proto__' }, 'host'],
      [{ eastM: '3' }, 'eastM'],
      [{ eastM: Number.NaN }, 'eastM'],
      [{ eastM: 1e9 }, 'eastM'],
      [{ note: 'x'.repeat(10_000) }, 'note'],
      [{ id: 'me' }, 'id'],
      [{ extra: 1 }, 'extra'],
      [{ siteId: uuidv7() }, 'siteId'],
    ]
    for (const [part, field] of cases) {
      const p = await problemOf(firm.person('arborist'), 'add-tree', { ...base, ...part })
      expect([part, p?.field]).toEqual([part, field])
      expect(p!.message.length).toBeGreaterThan(10)
    }
    for (const raw of [null, 7, 'x', [], undefined])
      expect((await act(firm.person('arborist'), 'add-tree', raw)).ok).toBe(false)
    // Emoji and markup are only text.
    await done(firm.person('arborist'), 'add-tree', {
      ...base,
      id: uuidv7(),
      tag: '🌳 <b>1</b>',
      note: '<script>alert(1)</script>',
    })
  })

  test('a tree sent twice is one tree; a taken tag is refused', async () => {
    const tree = {
      id: uuidv7(),
      siteId: firm.site,
      tag: 'twice',
      host: 'ash',
      eastM: 0,
      northM: 0,
      note: null,
    }
    await done(firm.person('arborist'), 'add-tree', tree)
    await done(firm.person('arborist'), 'add-tree', tree)
    expect(await problemOf(firm.person('arborist'), 'add-tree', { ...tree, id: uuidv7() })).toMatchObject({
      code: 'conflict',
      field: 'tag',
    })
  })

  test('a prescription that breaks a rule is refused by that rule', async () => {
    const t = await decideAsh(firm, 'P-1')
    const hand = (part: Record<string, unknown>, at = NOON) =>
      problemOf(firm.person('arborist', at), 'hand-to-crew', { ...t.prescription, ...part })
    const given = (part: Record<string, unknown>) => hand(otherwise(t.prescription, { given: part }))
    expect(await given({ bearings: [0, 10, 80, 120, 160, 200, 240, 280, 320] })).toMatchObject({
      message: expect.stringMatching(/the least is 4 in/),
    })
    expect(await given({ bearings: [0, 40, 80] })).toMatchObject({ code: 'conflict' })
    expect(await given({ bearings: [0, 0, 80, 120, 160, 200, 240, 280, 320] })).toMatchObject({
      code: 'conflict',
    })
    expect(await hand(otherwise(t.prescription, { choice: 1.5 }))).toMatchObject({
      field: expect.stringMatching(/choice$/),
    })
    expect(await given({ portGirth: '20 in' })).toMatchObject({ field: 'portGirth' })
    expect(await given({ portGirth: '54 gal' })).toMatchObject({ field: 'portGirth' })
    expect(await hand({ onDate: '2026-06-11' })).toMatchObject({ field: 'onDate' })
    expect(await hand({ onDate: '2026-02-30' })).toMatchObject({ field: 'onDate' })
    // A bare tree takes nothing up, nor does one in a frost; a year on the reading is too old.
    expect(await hand({ onDate: '2027-01-12' }, new Date('2027-01-12T16:00:00Z'))).toMatchObject({
      field: 'onDate',
      message: expect.stringMatching(/a tree in full leaf, and it stands bare/),
    })
    await keepWeather(firm, ['2027-04-11', '2027-04-12'], { temperature: -4, wind: 2 })
    expect(await hand({ onDate: '2027-04-12' }, new Date('2027-04-12T16:00:00Z'))).toMatchObject({
      field: 'temperature',
    })
    expect(await hand({ onDate: '2027-07-12' }, new Date('2027-07-12T16:00:00Z'))).toMatchObject({
      field: 'reading',
    })
    const ok = await done<{ jobId: string }>(firm.person('arborist'), 'hand-to-crew', t.prescription)
    expect(await done(firm.person('arborist'), 'hand-to-crew', t.prescription)).toEqual(ok)
  })

  test('a cause on hold is signed only with a reason', async () => {
    const treeId = uuidv7()
    const arborist = firm.person('arborist')
    await done(arborist, 'add-tree', {
      id: treeId,
      siteId: firm.site,
      tag: 'H-1',
      host: 'maple',
      eastM: 0,
      northM: 0,
      note: null,
    })
    const assessmentId = uuidv7()
    for (const finding of ['flagging-limb', 'sapwood-streaks'])
      await done(arborist, 'set-finding', { treeId, assessmentId, finding, state: 'there' })
    const sign = { id: uuidv7(), treeId, assessmentId, cause: 'verticillium-wilt' }
    expect(await problemOf(arborist, 'sign-diagnosis', sign)).toMatchObject({
      code: 'missing',
      field: 'reason',
      message: expect.stringMatching(/needs proof/),
    })
    await done(arborist, 'sign-diagnosis', { ...sign, reason: 'the laboratory is closed this month' })
    expect(
      await problemOf(arborist, 'set-finding', {
        treeId,
        assessmentId,
        finding: 'flagging-limb',
        state: null,
      }),
    ).toMatchObject({ code: 'conflict' })
  })

  test('what is at work together is signed together, each with its part, and nothing strange beside it', async () => {
    const treeId = uuidv7()
    const arborist = firm.person('arborist')
    await done(arborist, 'add-tree', {
      id: treeId,
      siteId: firm.site,
      tag: 'T-1',
      host: 'tuliptree',
      eastM: 0,
      northM: 0,
      note: null,
    })
    const assessmentId = uuidv7()
    for (const finding of ['twig-bumps-large-soft', 'leaf-sticky', 'leaf-black-film'])
      await done(arborist, 'set-finding', { treeId, assessmentId, finding, state: 'there' })
    const sign = { id: uuidv7(), treeId, assessmentId, cause: 'tuliptree-scale' }
    const film = { cause: 'sooty-mould', part: 'lives on it' }
    for (const beside of [
      [{ cause: 'tuliptree-scale', part: 'beside it' }],
      [film, film],
      [{ cause: 'emerald-ash-borer', part: 'beside it' }],
      [{ cause: 'healthy', part: 'beside it' }],
    ])
      expect(await problemOf(arborist, 'sign-diagnosis', { ...sign, beside })).toMatchObject({
        code: 'unknown',
        field: 'beside',
      })
    expect(
      await problemOf(arborist, 'sign-diagnosis', {
        ...sign,
        cause: 'something-else',
        reason: 'nobody knows what it is',
        beside: [film],
      }),
    ).toMatchObject({ code: 'conflict', field: 'beside' })
    expect(
      await problemOf(arborist, 'sign-diagnosis', {
        ...sign,
        beside: [{ cause: 'sooty-mould', part: 'eats it' }],
      }),
    ).toMatchObject({ code: 'out-of-range' })
    await done(arborist, 'sign-diagnosis', { ...sign, beside: [film] })
    // The answer was lost and it is pressed again: the same, once; another part is another content.
    await done(arborist, 'sign-diagnosis', { ...sign, beside: [film] })
    expect(
      await problemOf(arborist, 'sign-diagnosis', { ...sign, beside: [{ ...film, part: 'beside it' }] }),
    ).toMatchObject({ code: 'conflict' })
    const signed = await inFirm(firm.id, (sql) => diagnosesOfTree(sql, treeId))
    expect(signed.map((d) => [d.cause, d.beside])).toEqual([['tuliptree-scale', [film]]])
  })

  test('a check is answered once, on or after its day, with a next step that fits', async () => {
    const treeId = await makeAsh(firm, 'F-1')
    const id = uuidv7()
    await inFirm(firm.id, async (sql) => {
      await sql`insert into follow_up (id, firm_id, site_id, tree_id, due_on, what, expectation) values (${id}, ${firm.id}, ${firm.site}, ${treeId}, '2026-06-14', 'look', ${sql.json({ kind: 'share', question: '', unit: '%', sense: 'at-least', expected: 75, tolerated: 65, least: 0, most: 100 })})`
    })
    const enter = (part: Record<string, unknown>, at = new Date('2026-06-14T12:00:00Z')) =>
      problemOf(firm.person('crew lead', at), 'enter-result', {
        id: uuidv7(),
        followUpId: id,
        value: 60,
        nextStep: 'reopen the diagnosis',
        ...part,
      })
    expect(await enter({}, NOON)).toMatchObject({ code: 'not-allowed' })
    expect(await enter({ value: 101 })).toMatchObject({ field: 'value' })
    expect(await enter({ value: '60' })).toMatchObject({ field: 'value' })
    expect(await enter({ nextStep: 'go on as planned' })).toMatchObject({
      field: 'nextStep',
      message: expect.stringMatching(/not working/),
    })
    expect(await enter({})).toBeNull()
    expect(await enter({ value: 55 })).toMatchObject({ code: 'conflict' })
  })

  test('only the demo’s clock can be moved', async () => {
    expect(await problemOf(firm.person('arborist'), 'move-clock', { seconds: 60 })).toMatchObject({
      code: 'not-allowed',
    })
  })
})
