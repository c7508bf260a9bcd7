import { seasonView } from '@/server/read/season'
import postgres from 'postgres'
import { dateIn } from '@/core/time/calendar'
import type { PersonRow } from '@/db/queries/person'
import type { FirmSql } from '@/db/client'
import { PLANNING } from '@/db/shards'
import { LARGE, makeScaleFirm, scaleId } from '../../bench/scaleFirm'
import { cardsToCopy } from '../cardsToCopy'
import { readBy, type Plan } from '../readByPlan'

/**
 * Every statement that every view issues, on a firm of 100,000 trees, with its plan as the application's own role has it: no
 * table that grows is read from end to end, and no page reads more rows or asks more often than it needs.
 */

const TODAY = '2026-06-12'
const NOW = new Date(`${TODAY}T16:00:00Z`)
const person: PersonRow = {
  id: scaleId('person', 1),
  firmId: LARGE.firm,
  name: 'Person 1',
  email: '',
  role: 'arborist',
  licence: 'L-1',
  licenceUntil: null,
  units: 'us',
  firmName: 'A large firm',
  town: 'Quayside',
  timeZone: 'America/New_York',
  clockOffsetMs: NOW.getTime() - Date.now(),
  keepsHouse: false,
  hasFactor: false,
  factorAsked: false,
}

interface Asked {
  text: string
  values: unknown[]
}
let asked: Asked[] = []
let sql: postgres.Sql

/** A transaction of the firm as the application's own role. */
async function inLargeFirm<T>(work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return (await sql.begin(async (tx) => {
    await tx`select set_config('role', 'elmhorn_app', true), set_config('elmhorn.firm', ${LARGE.firm}, true)`
    asked = []
    return work(tx)
  })) as T
}

jest.mock('@/server/read/reader', () => ({
  isId: (text: string) => /^[0-9a-f-]{36}$/i.test(text),
  reader: async () => person,
  reading: (read: (context: unknown) => Promise<unknown>) =>
    inLargeFirm((tx) => read({ sql: tx, person, now: NOW, today: dateIn(person.timeZone, NOW) })),
}))
jest.mock('@/server/heavy/pool', () => ({ heavy: async () => null }))

import { seal } from '@/server/ledger/seal'
import { almanacView } from '@/server/read/almanac'
import { decideSiteView } from '@/server/read/decideSite'
import { findView } from '@/server/read/find'
import { eveningView } from '@/server/read/evening'
import { frameView } from '@/server/read/frame'
import { blocksView } from '@/server/read/blocks'
import { pageOfTrees, planOf, sitesView, siteView, waitingView } from '@/server/read/grounds'
import { cardView, shelfView } from '@/server/read/shelf'
import { groupView } from '@/server/read/group'
import { limitsView } from '@/server/read/limits'
import { loadView, shortView } from '@/server/read/load'
import { rulesView } from '@/server/read/rules'
import { dueAgainView, runListView, todayView } from '@/server/read/today'
import { overdueView } from '@/server/read/overdue'
import { crewsView, weekView } from '@/server/read/week'
import { turnView } from '@/server/read/turn'
import { clientView } from '@/server/read/client'
import { examineView, waitingToExamine } from '@/server/read/examine'
import { decideView, prescribeView, treeView, weighView } from '@/server/read/tree'
import { followUpsView, followUpView, jobView, ledgerView, recordView } from '@/server/read/work'

beforeAll(async () => {
  sql = postgres(process.env.DATABASE_URL!, {
    max: 1,
    onnotice: () => {},
    connection: { TimeZone: 'UTC', ...PLANNING },
    debug: (_connection, text, values) => {
      asked.push({ text, values })
    },
  })
  const owner = postgres(process.env.DATABASE_OWNER_URL!, { max: 1, onnotice: () => {} })
  const [there] = await owner`select count(*)::int as n from tree where firm_id = ${LARGE.firm}`
  if (there!.n === 0) {
    await cardsToCopy(owner)
    await makeScaleFirm(process.env.DATABASE_OWNER_URL!, { ...LARGE, seal }, TODAY)
  }
  await owner.end()
}, 1_500_000)
afterAll(() => sql.end())

/** Runs a view, then looks at the plan of each statement it issued. */
async function look(view: () => Promise<unknown>) {
  const value = await view()
  const statements = asked.filter(
    (a) => /^\s*(select|with|insert|update|delete)/i.test(a.text) && !a.text.includes('set_config'),
  )
  const found: { rows: number; scans: string[]; worst: string } = { rows: 0, scans: [], worst: '' }
  let most = 0
  for (const s of statements) {
    const plan = await inLargeFirm(async (tx) => {
      const rows = await tx.unsafe(
        `explain (analyze, format json, timing off) ${s.text}`,
        s.values as never[],
      )
      return (rows[0] as unknown as { 'QUERY PLAN': { Plan: Plan }[] })['QUERY PLAN'][0]!.Plan
    })
    const read = readBy(plan)
    found.rows += read.rows
    found.scans.push(...read.scans)
    if (read.rows > most) {
      most = read.rows
      found.worst = s.text.replace(/\s+/g, ' ').trim().slice(0, 160)
    }
  }
  return { value, statements: statements.length, ...found }
}

const tree = scaleId('tree', 40_007)
const VIEWS: [name: string, view: () => Promise<unknown>, statements: number, rows: number][] = [
  ['frame', () => frameView(), 4, 3_000],
  ['Today', () => todayView(), 15, 26_000],
  // With the files of hours that may be taken back.
  ['a season', () => seasonView(scaleId('site', 77)), 16, 9_000],
  ['a season of 5,000 trees', () => seasonView(scaleId('site', 1)), 16, 40_000],
  ['Run, list', () => runListView(), 5, 8_000],
  ['what is due again', () => dueAgainView(), 4, 8_000],
  // What is looked at before a cause of the firm's own is read with it, and the photographs of the work.
  ['Run, one job', () => jobView(scaleId('job', 4 * 2 + 1)), 14, 8_000],
  ['what is still in trees in the evening', () => eveningView(null), 9, 8_000],
  ['the load of a day', () => loadView(null, undefined), 8, 6_000],
  ['what is short on the shelf', () => shortView(), 12, 20_000],
  // What watched works took among them.
  ['the week', () => weekView(), 14, 60_000],
  ['what is overdue', () => overdueView(), 2, 60_000],
  ['the crews', () => crewsView(), 5, 1_000],
  ['Grounds', () => sitesView(), 1, 4_000],
  ['a site of about 100 trees', () => siteView(scaleId('site', 77)), 8, 4_000],
  ['a site of 5,000 trees', () => siteView(scaleId('site', 1)), 9, 32_000],
  [
    'a filtered page of it',
    () =>
      inLargeFirm((tx) =>
        pageOfTrees({ sql: tx }, { id: scaleId('site', 1), trees: 5000 }, null, { text: '0042' }),
      ),
    3,
    12_000,
  ],
  [
    'it by girth, further on',
    () =>
      inLargeFirm((tx) =>
        pageOfTrees(
          { sql: tx },
          { id: scaleId('site', 1), trees: 5000 },
          { key: -0.5, tag: 'T000042', id: scaleId('tree', 42) },
          {},
          'girth',
        ),
      ),
    2,
    12_000,
  ],
  [
    'a corner of its plan',
    () =>
      inLargeFirm((tx) =>
        planOf(
          { sql: tx },
          { id: scaleId('site', 1), trees: 5000 },
          { west: 0, south: 0, east: 30, north: 30 },
        ),
      ),
    3,
    16_000,
  ],
  ['Tree', () => treeView(tree), 17, 700],
  ['Examine', () => examineView(tree), 9, 450],
  ['the trees that wait to be looked at', () => waitingToExamine(), 11, 30_000],
  ['what the client is told', () => clientView(tree), 5, 300],
  ['Weigh', () => weighView(tree), 8, 400],
  ['Decide', () => decideView(tree), 13, 400],
  ['Prescribe', () => prescribeView(tree), 21, 600],
  ['waiting to decide', () => waitingView('decide'), 2, 9_000],
  [
    'waiting to decide, further on',
    () => waitingView('decide', { site: scaleId('site', 500), tag: 'T052001', id: scaleId('tree', 52_001) }),
    2,
    9_000,
  ],
  ['waiting to examine', () => waitingView('examine'), 2, 9_000],
  ['Ledger', () => ledgerView(), 6, 400],
  ['Ledger, further back', () => ledgerView(100_000), 6, 400],
  ['a record', () => recordView(scaleId('record', 40_007 * 4 + 1)), 10, 120],
  ['Follow-up', () => followUpsView(), 3, 70_000],
  ['a check', () => followUpView(scaleId('followUp', 40_006)), 2, 20],
  ['the almanac', () => almanacView(), 5, 2_500],
  ['the shelf', () => shelfView(), 2, 100],
  ['the rules of places', () => rulesView(), 3, 2_000],
  // The firm’s own causes and ways among them.
  ['deciding across a site', () => decideSiteView(scaleId('site', 77)), 10, 4_000],
  ['whose turn', () => turnView(null), 9, 60_000],
  ['whose turn at a site of 5,000 trees', () => turnView(scaleId('site', 1)), 10, 8_000],
  // With its lots as they stand and the least of it.
  ['a card', () => cardView('EB4'), 5, 2_000],
  ['many trees at once', () => groupView(scaleId('site', 77), null), 20, 8_000],
  ['the blocks of a site', () => blocksView(scaleId('site', 77)), 6, 4_000],
  ['the limits of a ground', () => limitsView(scaleId('site', 77), null), 8, 2_000],
  ['find a tag', () => findView('T040007'), 3, 2_000],
  ['find a kind', () => findView('red oak'), 3, 3_000],
  ['find a site', () => findView('site 07'), 3, 3_000],
  ['find with a slip', () => findView('sitr 0772'), 3, 6_000],
]

test.each(VIEWS)('%s reads by index, within its budget', async (name, view, statements, rows) => {
  const found = await look(view)
  expect([name, found.value !== null && found.value !== undefined]).toEqual([name, true])
  expect([name, found.scans]).toEqual([name, []])
  if (found.statements > statements || found.rows > rows)
    throw new Error(
      `${name}: ${found.statements} statements of ${statements}, ${found.rows} rows of ${rows}; most by: ${found.worst}`,
    )
  if (process.env.SAY) console.log(`${name}: ${found.statements} statements, ${found.rows} rows`)
})

test('a page asked for again and again keeps its plans', async () => {
  for (const [name, view] of VIEWS.filter(([n]) =>
    ['Today', 'Run, list', 'Follow-up', 'Ledger'].includes(n),
  )) {
    let last = Infinity
    // The database may change its mind at the sixth time.
    for (let i = 0; i < 12; i++) {
      const began = performance.now()
      await view()
      if (i >= 7) last = Math.min(last, performance.now() - began)
    }
    expect([name, last < 250]).toEqual([name, true])
  }
})

test('a search by name answers within 50 ms', async () => {
  for (const text of ['T040007', 'oak', 'site 07', 'quay', 'sitr 0772', 'person 12', 'record 19', 'T0400']) {
    // The quickest of some: what else the machine does is not the search's.
    let quickest = Infinity
    for (let i = 0; i < 6; i++) {
      const began = performance.now()
      await findView(text)
      quickest = Math.min(quickest, performance.now() - began)
    }
    expect([text, quickest < 50]).toEqual([text, true])
  }
})

test('totals are counted over all there is, and lists go on to the end', async () => {
  const waiting = (await waitingView('decide')) as unknown as {
    trees: { id: string; siteId: string; tag: string }[]
    total: number
  }
  expect(waiting.total).toBe(LARGE.trees / 25)
  const seen = new Set<string>()
  let after: { site: string; tag: string; id: string } | null = null
  for (let page = 0; page < 100; page++) {
    const next = (await waitingView('decide', after)) as unknown as typeof waiting
    if (next.trees.length === 0) break
    for (const t of next.trees) seen.add(t.id)
    const last = next.trees.at(-1)!
    after = { site: last.siteId, tag: last.tag, id: last.id }
  }
  expect(seen.size).toBe(waiting.total)
  const checks = (await followUpsView()) as unknown as { due: number; open: number; checks: unknown[] }
  expect(checks.open).toBeGreaterThan(10_000)
  expect(checks.due).toBeGreaterThan(100)
  expect(checks.due).toBeLessThan(checks.open)
})
