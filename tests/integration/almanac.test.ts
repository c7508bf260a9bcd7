import { TOLD } from '@/almanac/practiceCase'
import { closePool, inFirm } from '@/db/client'
import { houseRules, newestNotes, ownEntries } from '@/db/queries/almanac'
import { diagnosesOfTree } from '@/db/queries/assessment'
import { practiceOf, practiceOfTeam } from '@/db/queries/practice'
import { usesOnShelf } from '@/db/queries/card'
import { treeById } from '@/db/queries/tree'
import { firmAlmanac, ownOf } from '@/server/almanac'
import { heavy } from '@/server/heavy/pool'
import { treesAtHand } from '@/server/treesAtHand'
import { waysFor } from '@/server/waysFor'
import {
  act,
  decideAsh,
  done,
  makeAsh,
  makeFirm,
  NOON,
  putOnShelf,
  signCause,
  uuidv7,
  type TestFirm,
} from './scenario'

let a: TestFirm
let b: TestFirm
beforeAll(async () => {
  a = await makeFirm('Almanac firm A')
  b = await makeFirm('Almanac firm B')
})
afterAll(() => closePool())

const set = (firm: TestFirm, entry: unknown) =>
  act(firm.person('arborist'), 'set-own-entry', { id: uuidv7(), entry })
const cause = {
  kind: 'cause',
  name: 'Quay blight',
  hosts: ['ash'],
  findings: { 'leaf-spots-target': 'always' },
  oneLine: 'Ringed spots by the quay.',
  act: 'Rake it.',
  doNot: 'Do not spray.',
}

test('own entries are the firm’s alone, take the place of earlier ones, and are withdrawn', async () => {
  expect(await set(a, cause)).toMatchObject({ ok: true })
  expect(
    await set(a, { kind: 'frequency', cause: 'aphids', finding: 'leaf-sticky', often: 'seldom' }),
  ).toMatchObject({ ok: true })
  expect(
    await set(a, { kind: 'frequency', cause: 'aphids', finding: 'leaf-sticky', often: 'always' }),
  ).toMatchObject({ ok: true })
  const own = await inFirm(a.id, (sql) => ownEntries(sql))
  expect(own).toHaveLength(2)
  const of = (firm: TestFirm) => inFirm(firm.id, (sql) => firmAlmanac(sql))
  const frequency = async (firm: TestFirm) =>
    (await of(firm)).causes.find((c) => c.id === 'aphids')!.findings['leaf-sticky']
  expect([await frequency(a), await frequency(b)]).toEqual(['always', 'usual'])
  expect((await of(b)).causes.some((c) => c.id === 'own-quay-blight')).toBe(false)
  expect(await act(b.person('arborist'), 'withdraw-own-entry', { id: own[0]!.id })).toMatchObject({
    ok: false,
  })
  for (const o of own) await done(a.person('arborist'), 'withdraw-own-entry', { id: o.id })
  expect(await frequency(a)).toBe('usual')
})

test.each([
  [{ ...cause, name: '' }, 'entry.name'],
  [{ ...cause, name: 'Aphids' }, 'name'],
  [{ ...cause, hosts: [] }, 'entry.hosts'],
  [{ ...cause, action: 'magic' }, 'entry.action'],
  [{ ...cause, months: [0] }, 'entry.months[0]'],
  [{ ...cause, months: [5, 5] }, 'entry.months'],
  [{ ...cause, expect: 'x'.repeat(401) }, 'entry.expect'],
  [{ ...cause, hosts: ['ash', 'glitter'] }, 'hosts[1]'],
  [{ kind: 'district', cause: 'nothing' }, 'cause'],
  [{ kind: 'host', name: 'Ash', botanical: 'Fraxinus', edible: false }, 'name'],
  [{ ...cause, findings: { glitter: 'always' } }, 'findings'],
  [{ ...cause, findings: { 'leaf-sticky': 'seldom' } }, 'entry.findings'],
  [{ kind: 'frequency', cause: 'nothing', finding: 'leaf-sticky', often: 'always' }, 'cause'],
  [{ kind: 'frequency', cause: 'aphids', finding: 'nothing', often: 'always' }, 'finding'],
  [
    {
      kind: 'finding',
      name: 'D-shaped exit holes',
      question: 'Are there any holes?',
      place: 'trunk',
      minutes: 1,
    },
    'name',
  ],
  [
    { kind: 'finding', name: 'Blue spot', question: 'Is there a blue spot?', place: 'lab', minutes: 1 },
    'entry.place',
  ],
])('%j is refused at %s', async (entry, field) => {
  expect(await set(a, entry)).toMatchObject({ ok: false, problem: { field } })
})

test('a tree is examined for and diagnosed with a firm’s own entries, and the version says so', async () => {
  await done(a.person('arborist'), 'set-own-entry', {
    id: uuidv7(),
    entry: {
      kind: 'finding',
      name: 'Blue spot',
      question: 'Is there a blue spot?',
      place: 'leaf',
      minutes: 1,
    },
  })
  await done(a.person('arborist'), 'set-own-entry', {
    id: uuidv7(),
    entry: { ...cause, findings: { 'own-blue-spot': 'always' } },
  })
  const treeId = await makeAsh(a, 'O-1')
  const assessmentId = uuidv7()
  const find = (finding: string) =>
    act(a.person('arborist'), 'set-finding', { treeId, assessmentId, finding, state: 'there' })
  expect(await find('own-blue-spot')).toMatchObject({ ok: true })
  expect(await find('own-no-such')).toMatchObject({ ok: false, problem: { field: 'finding' } })
  await done(a.person('arborist'), 'sign-diagnosis', {
    id: uuidv7(),
    treeId,
    assessmentId,
    cause: 'own-quay-blight',
    reason: 'told by the house',
  })
  const [signed] = await inFirm(a.id, (sql) => diagnosesOfTree(sql, treeId))
  expect(signed).toMatchObject({
    cause: 'own-quay-blight',
    almanacVersion: expect.stringMatching(/with 2 own$/),
  })
  expect(signed!.weights[0]!.cause).toBe('own-quay-blight')
})

test('a tree of the firm’s own kind is added by that firm and by no other', async () => {
  const kind = { kind: 'host', name: 'Quay palm', botanical: 'Palma portus', edible: false }
  const add = (firm: TestFirm, tag: string) =>
    act(firm.person('arborist'), 'add-tree', {
      id: uuidv7(),
      siteId: firm.site,
      tag,
      host: 'own-quay-palm',
      eastM: 1,
      northM: 1,
      note: null,
    })
  expect(await add(a, 'Q-1')).toMatchObject({ ok: false, problem: { field: 'host' } })
  expect(await set(a, kind)).toMatchObject({ ok: true })
  expect(await add(a, 'Q-1')).toMatchObject({ ok: true })
  expect(await add(b, 'Q-1')).toMatchObject({ ok: false, problem: { field: 'host' } })
  expect(await set(a, { ...cause, name: 'Palm blight', hosts: ['own-quay-palm'] })).toMatchObject({
    ok: true,
  })
  expect(await set(b, { ...cause, name: 'Palm blight', hosts: ['own-quay-palm'] })).toMatchObject({
    ok: false,
    problem: { field: 'hosts[0]' },
  })
})

test('notes and house rules: the newest holds, each firm its own', async () => {
  const office = a.person('office')
  const note = (words: string) => done(office, 'write-note', { id: uuidv7(), entry: 'cause:aphids', words })
  await note('first')
  await note('second')
  await done(a.person('arborist'), 'set-house-rule', {
    id: uuidv7(),
    matter: 'ants',
    rule: 'other',
    words: null,
  })
  expect((await inFirm(a.id, (sql) => newestNotes(sql))).map((n) => n.words)).toEqual(['second'])
  expect(await inFirm(a.id, (sql) => houseRules(sql))).toMatchObject([{ matter: 'ants', rule: 'other' }])
  expect(await inFirm(b.id, (sql) => newestNotes(sql))).toEqual([])
  expect(await inFirm(b.id, (sql) => houseRules(sql))).toEqual([])
  expect(
    await act(a.person('technician'), 'set-house-rule', { id: uuidv7(), matter: 'ants', rule: 'one' }),
  ).toMatchObject({ ok: false, problem: { field: 'role' } })
  expect(
    await act(a.person('office'), 'write-note', { id: uuidv7(), entry: 'tree:x', words: 'x' }),
  ).toMatchObject({ ok: false, problem: { field: 'entry' } })
})

test('practice is scored by the server and kept per person', async () => {
  const wren = a.person('technician')
  const run = {
    id: uuidv7(),
    caseId: 'composed:ash-top',
    checks: ['exit-hole-d'],
    answer: 'emerald-ash-borer',
    action: 'protect-systemic',
  }
  expect(
    await done(wren, 'finish-practice', { ...run, checks: ['exit-hole-d', 'exit-hole-d'] }),
  ).toMatchObject({ score: 100, causeRight: true })
  expect(await act(wren, 'finish-practice', { ...run, score: 100 })).toMatchObject({
    ok: false,
    problem: { code: 'unknown' },
  })
  expect(await act(wren, 'finish-practice', { ...run, id: uuidv7(), caseId: 'made:no' })).toMatchObject({
    ok: false,
    problem: { field: 'caseId' },
  })
  expect(
    await act(wren, 'finish-practice', { ...run, id: uuidv7(), checks: ['needle-wool-base'] }),
  ).toMatchObject({
    ok: false,
    problem: { field: 'checks' },
  })
  expect(await inFirm(a.id, (sql) => practiceOf(sql, wren.id))).toMatchObject([
    { score: 100, checks: ['exit-hole-d'] },
  ])
  expect(await inFirm(b.id, (sql) => practiceOf(sql, wren.id))).toEqual([])
  // Another case, missed: who trains sees it, and another firm nothing of it.
  await done(wren, 'finish-practice', {
    ...run,
    id: uuidv7(),
    caseId: 'composed:oak-late-brown',
    checks: [],
    answer: 'drought-stress',
    action: 'water-care',
  })
  const team = await inFirm(a.id, (sql) => practiceOfTeam(sql, TOLD))
  expect(team).toEqual([
    {
      personId: wren.id,
      name: expect.any(String) as string,
      cases: 2,
      mean: 50,
      missed: ['bacterial-leaf-scorch'],
    },
  ])
  expect(await inFirm(b.id, (sql) => practiceOfTeam(sql, TOLD))).toEqual([])
})

test('where the firm works stands once in its almanac, moves what is flagged, and changes no version', async () => {
  const place = (name: string) => set(b, { kind: 'jurisdiction', place: name })
  expect(await place('atlantis')).toMatchObject({ ok: false, problem: { code: 'out-of-range' } })
  expect(await place('european-union')).toMatchObject({ ok: true })
  expect(await place('canada')).toMatchObject({ ok: true })
  const entries = await inFirm(b.id, (sql) => ownEntries(sql))
  expect(entries.map((e) => e.body)).toEqual([{ kind: 'jurisdiction', place: 'canada' }])
  expect((await inFirm(b.id, (sql) => firmAlmanac(sql))).jurisdiction).toBe('canada')
  expect((await inFirm(a.id, (sql) => firmAlmanac(sql))).jurisdiction).toBeNull()
  expect(await act(b.person('arborist'), 'withdraw-own-entry', { id: entries[0]!.id })).toMatchObject({
    ok: true,
  })
  expect((await inFirm(b.id, (sql) => firmAlmanac(sql))).jurisdiction).toBeNull()
})

const dipstick = {
  kind: 'test',
  name: 'Quay dipstick',
  settles: ['oak-wilt'],
  how: 'test',
  days: 0,
  minutes: 5,
  take: 'A shaving of the streaked wood in water.',
  note: 'Weak on dry wood.',
}
const way = {
  kind: 'way',
  cause: 'emerald-ash-borer',
  method: 'prune',
  what: 'Cut out the dead top',
  when: 'in winter',
  well: 'a stop-gap',
  again: 'once',
}

test.each([
  [{ ...dipstick, settles: ['nothing'] }, 'settles[0]'],
  [{ ...dipstick, settles: [] }, 'entry.settles'],
  [{ ...dipstick, name: 'Elm wilt culture' }, 'name'],
  [{ ...dipstick, how: 'sample' }, 'days'],
  [{ ...dipstick, minutes: 0 }, 'entry.minutes'],
  [{ ...way, cause: 'nothing' }, 'cause'],
  [{ ...way, method: 'magic' }, 'entry.method'],
  [{ ...way, well: 'always' }, 'entry.well'],
])('a test or a way like %j is refused at %s', async (entry, field) => {
  expect(await set(a, entry)).toMatchObject({ ok: false, problem: { field } })
})

test('an own test is entered for a tree and weighed for that firm; an own way opens its house card', async () => {
  const c = await makeFirm('Almanac firm C')
  expect(await set(c, dipstick)).toMatchObject({ ok: true })
  const spot = { kind: 'finding', question: 'Is there a blue spot?', place: 'leaf', minutes: 1 }
  expect(await set(c, { ...spot, name: 'Quay dipstick' })).toMatchObject({
    ok: false,
    problem: { code: 'conflict', field: 'name' },
  })
  const treeId = await makeAsh(c, 'O-3')
  const found = (firm: TestFirm) =>
    act(firm.person('arborist'), 'set-finding', {
      treeId,
      assessmentId: uuidv7(),
      finding: 'own-quay-dipstick',
      state: 'there',
    })
  expect(await found(c)).toMatchObject({ ok: true })
  expect(await found(b)).toMatchObject({ ok: false, problem: { field: 'finding' } })
  // The printed almanac knows no cutting against the borer; the firm does.
  await putOnShelf(c, { 'HC-PRUNE': uuidv7() })
  const ash = await decideAsh(c, 'O-4')
  const ways = () =>
    inFirm(c.id, async (sql) => {
      const tree = (await treeById(sql, ash.treeId))!
      const uses = await usesOnShelf(sql)
      const [hand] = await treesAtHand({ sql, now: NOON, person: c.person('arborist') }, [tree], uses)
      return waysFor(hand!, uses, { on: '2026-06-12', units: 'us', action: 'treat' }).map((w) => w.use.method)
    })
  expect(await ways()).not.toContain('prune')
  expect(await set(c, way)).toMatchObject({ ok: true })
  expect(await ways()).toContain('prune')
})

test('what a firm has added counts where it asks the calculators', async () => {
  const own = await inFirm(a.id, (sql) => ownOf(sql))
  const text = JSON.stringify({ host: 'own-quay-palm', month: 6, there: ['leaf-spots-target'] })
  const asked = await heavy('reckon', 'firm', { name: 'diagnose', text, own })
  expect(asked).toMatchObject({
    ok: true,
    value: {
      causes: expect.arrayContaining([
        { cause: 'own-palm-blight', probability: expect.any(Number) as number },
      ]) as unknown,
    },
  })
  expect(await heavy('reckon', 'firm', { name: 'diagnose', text, own: [] })).toMatchObject({
    ok: false,
    problem: { code: 'unknown', field: 'host' },
  })
})

test('a signature keeps what it was weighed by', async () => {
  const treeId = await makeAsh(b, 'V-1')
  await signCause(b.person('arborist'), treeId, {
    seen: { 'exit-hole-d': 'there' },
    cause: 'emerald-ash-borer',
    reason: 'seen here before',
  })
  const [signed] = await inFirm(b.id, (sql) => diagnosesOfTree(sql, treeId))
  expect(signed!.basis!['emerald-ash-borer']).toMatchObject({
    often: { 'exit-hole-d': expect.any(String) as string },
  })
})
