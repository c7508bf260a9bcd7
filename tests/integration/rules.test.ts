import { CARDS } from '../../demo/cards'
import { addCard } from '@/db/queries/card'
import { inFirm } from '@/db/client'
import { holesOfTree } from '@/db/queries/ring'
import { recordById } from '@/db/queries/record'
import { readRecord, type Application } from '@/server/ledger/body'
import { historyOf } from '@/server/read/history'
import { stepsOf, VERBS } from '@/server/verbs'
import type { Role } from '@/db/queries/person'
import {
  act,
  closePool,
  decideAsh,
  done,
  makeAsh,
  makeFirm,
  NOON,
  problemOf,
  emptiedAsh,
  prescriptionFor,
  recordedAsh,
  recordInput,
  uuidv7,
  type TestFirm,
  otherwise,
} from './scenario'

/** The rules that keep a tree from harm, one by one: each is the only thing in the way, and without it the step is done. */

let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Rule firm')
})
afterAll(() => closePool())

const arborist = () => firm.person('arborist')

/** A tree of a kind, examined and diagnosed, not yet decided. */
async function diagnosed(
  tag: string,
  host: string,
  findings: string[],
  cause: string,
  { confirm = true, reason = undefined as string | undefined } = {},
) {
  const treeId = uuidv7()
  const place = { eastM: 1, northM: 2 }
  await done(arborist(), 'add-tree', { id: treeId, siteId: firm.site, tag, host, ...place, note: null })
  if (confirm) await done(arborist(), 'confirm-identity', { treeId, host })
  await done(arborist(), 'add-reading', {
    id: uuidv7(),
    treeId,
    tape: 'girth',
    bareUnit: 'in',
    stems: ['52'],
  })
  await done(arborist(), 'change-tree', {
    treeId,
    version: confirm ? 2 : 1,
    tag,
    host,
    note: null,
    liveCrownPercent: 80,
  })
  const assessmentId = uuidv7()
  for (const finding of findings)
    await done(arborist(), 'set-finding', { treeId, assessmentId, finding, state: 'there' })
  const diagnosisId = uuidv7()
  await done(arborist(), 'sign-diagnosis', {
    id: diagnosisId,
    treeId,
    assessmentId,
    cause,
    ...(reason && { reason }),
  })
  return { treeId, diagnosisId, assessmentId }
}

const WORDS = 'the client asks for it, all the same'

async function treat(t: { treeId: string; diagnosisId: string }) {
  const decisionId = uuidv7()
  await done(arborist(), 'sign-decision', {
    id: decisionId,
    ...t,
    action: 'treat',
    words: WORDS,
  })
  return decisionId
}

const prescription = (treeId: string, decisionId: string) => prescriptionFor(firm, treeId, decisionId)

describe('before a prescription', () => {
  test('the kind is confirmed where it has a look-alike', async () => {
    const t = await diagnosed('I-1', 'ash', ['exit-hole-d', 'crown-thin-top'], 'emerald-ash-borer', {
      confirm: false,
    })
    const decisionId = await treat({ treeId: t.treeId, diagnosisId: t.diagnosisId })
    const wanted = prescription(t.treeId, decisionId)
    expect(await problemOf(arborist(), 'hand-to-crew', wanted)).toMatchObject({
      code: 'missing',
      field: 'identity',
      message: expect.stringMatching(/^Confirm what kind of tree it is first/),
    })
    await done(arborist(), 'confirm-identity', { treeId: t.treeId, host: 'ash' })
    await done(arborist(), 'hand-to-crew', wanted)
  })

  test('a cause that no injection reaches is not injected, whatever was decided', async () => {
    const t = await diagnosed('C-1', 'maple', ['flagging-limb', 'sapwood-streaks'], 'verticillium-wilt', {
      reason: 'the laboratory is closed this month',
    })
    const decisionId = await treat({ treeId: t.treeId, diagnosisId: t.diagnosisId })
    expect(await problemOf(arborist(), 'hand-to-crew', prescription(t.treeId, decisionId))).toMatchObject({
      code: 'not-allowed',
      field: 'label',
      message: expect.stringMatching(/^No injection for this cause/),
    })
  })

  test('the label names the cause', async () => {
    const { prescription: wanted } = await decideAsh(firm, 'L-1')
    const other = uuidv7()
    const { card } = CARDS[0]!
    await inFirm(firm.id, (sql) =>
      addCard(sql, {
        id: uuidv7(),
        firmId: firm.id,
        version: 1,
        card: { ...card, code: 'ZZ9', uses: [{ ...card.uses[0]!, targets: ['aphids'] }] },
        useIds: [other],
        at: NOON,
        by: null,
      }),
    )
    expect(await problemOf(arborist(), 'hand-to-crew', otherwise(wanted, { useId: other }))).toMatchObject({
      code: 'not-allowed',
      field: 'useId',
      message: expect.stringMatching(/does not name this cause/),
    })
    expect(await problemOf(arborist(), 'hand-to-crew', otherwise(wanted, { useId: uuidv7() }))).toMatchObject(
      {
        code: 'unknown',
        field: 'useId',
      },
    )
    await done(arborist(), 'hand-to-crew', wanted)
  })

  test('every port stands on sound wood, or none is drilled', async () => {
    const { treeId, prescription: wanted } = await decideAsh(firm, 'M-1')
    const dead = (from: number, to: number) => ({ kind: 'dead', from, to, notedOn: '2026-06-12' })
    await done(arborist(), 'save-ring', { treeId, version: 3, marks: [dead(10, 350)] })
    const problem = await problemOf(
      arborist(),
      'hand-to-crew',
      otherwise(wanted, { given: { bearings: [0] } }),
    )
    expect(problem).not.toBeNull()
    expect(problem!.message).toMatch(/cannot be placed on sound wood|dead/)
  })

  test('a sign of danger sends it to a risk assessor, and nothing is drilled', async () => {
    const t = await diagnosed(
      'W-1',
      'ash',
      ['exit-hole-d', 'crown-thin-top', 'anchor-root-soft'],
      'emerald-ash-borer',
    )
    const decide = (action: string) => ({
      id: uuidv7(),
      treeId: t.treeId,
      diagnosisId: t.diagnosisId,
      action,
      words: WORDS,
      ...(action === 'treat' ? {} : { due: '2026-06-19' }),
    })
    expect(await problemOf(arborist(), 'sign-decision', decide('treat'))).toMatchObject({
      code: 'not-allowed',
      field: 'action',
    })
    await done(arborist(), 'sign-decision', decide('refer'))
  })

  test('what works for two years is let work, and holes of an earlier visit count', async () => {
    const { treeId } = await recordedAsh(firm, 'E-1')
    const holes = await inFirm(firm.id, (sql) => holesOfTree(sql, treeId))
    expect(holes.map((h) => h.bearings.length)).toEqual([9])
    // Almost two years later, by the same findings, at the very same places.
    const again = firm.person('arborist', new Date('2028-05-10T16:00:00Z'))
    await done(again, 'add-reading', {
      id: uuidv7(),
      treeId,
      tape: 'girth',
      bareUnit: 'in',
      stems: ['52 1/2'],
    })
    const assessmentId = uuidv7()
    for (const finding of ['exit-hole-d', 'crown-thin-top'])
      await done(again, 'set-finding', { treeId, assessmentId, finding, state: 'there' })
    const diagnosisId = uuidv7()
    await done(again, 'sign-diagnosis', { id: diagnosisId, treeId, assessmentId, cause: 'emerald-ash-borer' })
    const decisionId = uuidv7()
    await done(again, 'sign-decision', { id: decisionId, treeId, diagnosisId, action: 'treat' })
    const same = { ...prescription(treeId, decisionId), onDate: '2028-05-15' }
    expect((await problemOf(again, 'hand-to-crew', same))?.message).toMatch(/earlier hole|rest|already/i)
    const early = firm.person('arborist', new Date('2028-03-20T16:00:00Z'))
    expect(await problemOf(early, 'hand-to-crew', { ...same, onDate: '2028-03-21' })).toMatchObject({
      message: expect.stringMatching(/at work in this tree .* 12 Jun 2026 .*Again from 30 Mar 2028/),
    })
  })
})

describe('before a signature', () => {
  test('a cause that does not lead needs its reason', async () => {
    const treeId = await makeAsh(firm, 'A-1')
    const assessmentId = uuidv7()
    for (const finding of ['exit-hole-d', 'crown-thin-top'])
      await done(arborist(), 'set-finding', { treeId, assessmentId, finding, state: 'there' })
    const other = { id: uuidv7(), treeId, assessmentId, cause: 'drought-stress' }
    const problem = await problemOf(arborist(), 'sign-diagnosis', other)
    expect(problem).toMatchObject({ code: 'missing', field: 'reason' })
    await done(arborist(), 'sign-diagnosis', { ...other, reason: 'the holes are old, the soil is dust' })
  })

  test('who signs a record has a licence on file', async () => {
    const run = await emptiedAsh(firm, 'S-1')
    const at = new Date(NOON.getTime() + 3_600_000)
    const input = recordInput(run.subject.id, run.ports.length)
    const lead = firm.person('crew lead', at)
    expect(await problemOf({ ...lead, licence: null }, 'sign-record', input)).toMatchObject({
      code: 'not-allowed',
      field: 'role',
      message: expect.stringMatching(/not on file/),
    })
    expect(await problemOf({ ...lead, licenceUntil: '2026-06-11' }, 'sign-record', input)).toMatchObject({
      message: expect.stringMatching(/ran out on 11 Jun 2026/),
    })
    // The last day of a licence is a day of it.
    const { recordId } = await done<{ recordId: string }>(
      { ...lead, licenceUntil: '2026-06-12' },
      'sign-record',
      input,
    )
    const body = readRecord((await inFirm(firm.id, (sql) => recordById(sql, recordId)))!).body as Application
    // Closed for as long as the label says, from the signature on; the weather as it was noted.
    const hours = (Date.parse(body.reentryUntil!) - Date.parse(body.endedAt)) / 3_600_000
    expect(hours).toBe(4)
    expect(body.weather).toMatchObject({ windFrom: 'SW', sky: 'clear', soil: 'moist' })
    expect(body.weather.temperatureC).toBeCloseTo(21.11, 2)
  })
})

describe('what was done is noted', () => {
  test('each step with who, what about and what it was sent with', async () => {
    const treeId = await makeAsh(firm, 'N-1')
    const events = await inFirm(
      firm.id,
      (sql) =>
        sql<
          { verb: string; by: string; input: Record<string, unknown> }[]
        >`select verb, person_id as by, input from audit_event where about = ${treeId} order by at, id`,
    )
    expect(events.map((e) => e.verb).sort()).toEqual([
      'add-reading',
      'add-tree',
      'change-tree',
      'confirm-identity',
    ])
    expect(new Set(events.map((e) => e.by))).toEqual(new Set([arborist().id]))
    expect(events.find((e) => e.verb === 'add-reading')!.input).toMatchObject({ stems: ['52'] })
  })

  test('a refused step leaves nothing, not even a note', async () => {
    const before = await events()
    await problemOf(firm.person('technician'), 'sign-decision', {})
    await problemOf(arborist(), 'add-tree', { tag: '' })
    expect(await events()).toBe(before)
  })
  async function events() {
    const [row] = await inFirm(
      firm.id,
      (sql) => sql<{ n: number }[]>`select count(*)::int as n from audit_event`,
    )
    return row!.n
  }

  test('a tree’s history tells all of it, newest first, in words', async () => {
    const { treeId } = await recordedAsh(firm, 'H-9')
    const person = arborist()
    const history = await inFirm(firm.id, (sql) => historyOf({ sql, person }, treeId))
    const told = history.map((h) => [h.what, h.title])
    for (const line of [
      ['record', expect.stringMatching(/^Record \d+: trunk injection$/)],
      ['prescription', 'Trunk injection, Example EB4'],
      ['decision', 'Decided to treat'],
      ['diagnosis', 'Emerald ash borer'],
      ['examination', '2 findings looked at, 2 there'],
      ['reading', '52 in by girth tape'],
      ['change', 'Kind confirmed: ash'],
      ['planned', expect.any(String)],
    ])
      expect(told).toContainEqual(line)
    expect(history.map((h) => h.at)).toEqual([...history.map((h) => h.at)].sort((a, b) => b - a))
    const record = history.find((h) => h.what === 'record')!
    expect(record.detail).toMatch(/^82\.8 mL of Example EB4, trunk injection, 9 ports$/)
    expect(history.every((h) => !/undefined|null|\[object/.test(h.title + h.detail))).toBe(true)
  })
})

describe('what a page offers', () => {
  const ROLES: Role[] = ['arborist', 'crew lead', 'technician', 'office']
  test.each(ROLES)('a %s is offered exactly the steps that are not refused for the role', async (role) => {
    const offered = new Set<string>(stepsOf(firm.person(role)))
    for (const verb of Object.keys(VERBS)) {
      const answer = await act(firm.person(role), verb, {})
      const forbidden = !answer.ok && answer.problem.field === 'role'
      expect([verb, offered.has(verb)]).toEqual([verb, !forbidden])
    }
  })
})
