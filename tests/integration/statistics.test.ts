import postgres from 'postgres'
import { dateIn } from '@/core/time/calendar'
import type { FirmSql } from '@/db/client'
import { PLANNING } from '@/db/shards'
import type { PersonRow } from '@/db/queries/person'
import { makeScaleFirm, scaleId, type Scale } from '../../bench/scaleFirm'
import { cardsToCopy } from '../cardsToCopy'
import { readBy, type Plan } from '../readByPlan'

/**
 * A small firm, asked for its pages while the database knows what was true before it was there, nothing at all, and what is true: no page
 * may hang on how old its statistics are.
 */

const TODAY = '2026-06-12'
const NOW = new Date(`${TODAY}T16:00:00Z`)
const SMALL: Scale = {
  firm: '00000001-0000-7000-8000-0000000f1f11',
  trees: 1200,
  sites: 12,
  largestSite: 240,
}
const person: PersonRow = {
  id: scaleId('person', 1),
  firmId: SMALL.firm,
  name: 'Person 1',
  email: '',
  role: 'arborist',
  licence: 'L-1',
  licenceUntil: null,
  units: 'us',
  firmName: 'A small firm',
  town: 'Quayside',
  timeZone: 'America/New_York',
  clockOffsetMs: NOW.getTime() - Date.now(),
  keepsHouse: false,
  hasFactor: false,
  factorAsked: false,
}

let asked: { text: string; values: unknown[] }[] = []
let sql: postgres.Sql
let owner: postgres.Sql

/** Rows are counted, not seconds: a machine that is busy with something else fails nothing. */
async function inSmallFirm<T>(work: (sql: FirmSql) => Promise<T>): Promise<T> {
  return (await sql.begin(async (tx) => {
    await tx`select set_config('role', 'elmhorn_app', true), set_config('elmhorn.firm', ${SMALL.firm}, true), set_config('statement_timeout', '30s', true)`
    asked = []
    return work(tx)
  })) as T
}

jest.mock('@/server/read/reader', () => ({
  isId: (text: string) => /^[0-9a-f-]{36}$/i.test(text),
  reader: async () => person,
  reading: (read: (context: unknown) => Promise<unknown>) =>
    inSmallFirm((tx) => read({ sql: tx, person, now: NOW, today: dateIn(person.timeZone, NOW) })),
}))
jest.mock('@/server/heavy/pool', () => ({ heavy: async () => null }))

import { aheadView } from '@/server/read/ahead'
import { blocksView } from '@/server/read/blocks'
import { clientView } from '@/server/read/client'
import { decideSiteView } from '@/server/read/decideSite'
import { eveningView } from '@/server/read/evening'
import { frameView } from '@/server/read/frame'
import { siteView } from '@/server/read/grounds'
import { groupView } from '@/server/read/group'
import { limitsView } from '@/server/read/limits'
import { loadView, shortView } from '@/server/read/load'
import { overdueView } from '@/server/read/overdue'
import { dueAgainView, runListView, todayView } from '@/server/read/today'
import { examineView, waitingToExamine } from '@/server/read/examine'
import { decideView, prescribeView, treeView, weighView } from '@/server/read/tree'
import { turnView } from '@/server/read/turn'
import { weekView } from '@/server/read/week'
import { followUpsView, jobView, ledgerView, recordView } from '@/server/read/work'

beforeAll(async () => {
  sql = postgres(process.env.DATABASE_URL!, {
    max: 1,
    onnotice: () => {},
    connection: { TimeZone: 'UTC', ...PLANNING },
    debug: (_connection, text, values) => void asked.push({ text, values }),
  })
  owner = postgres(process.env.DATABASE_OWNER_URL!, { max: 1, onnotice: () => {} })
}, 120_000)
afterAll(async () => {
  await owner`analyze`
  await analyzesItself(true)
  await Promise.all([sql.end(), owner.end()])
})

/** The tables of the product, with the parts that some are cut into. */
const OURS = `relnamespace = 'public'::regnamespace and relkind in ('r', 'p', 'i', 'I')`
const STATES: Record<string, () => Promise<unknown>> = {
  // What the database knows is of other firms; of this one it expects next to nothing.
  'statistics from before the firm was there': async () => {
    await analyzesItself(false)
    await cardsToCopy(owner)
    await owner`analyze`
    await makeScaleFirm(process.env.DATABASE_OWNER_URL!, SMALL, TODAY)
  },
  'no statistics': async () => {
    await owner.unsafe(`delete from pg_statistic where starelid in (select oid from pg_class where ${OURS})`)
    await owner.unsafe(`update pg_class set reltuples = -1, relpages = 0 where ${OURS}`)
  },
  'fresh statistics': () => owner`analyze`,
}

/** Whether the database looks at its tables by itself meanwhile. */
async function analyzesItself(on: boolean) {
  const tables = await owner<{ name: string }[]>`
    select quote_ident(relname) as name from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r'`
  for (const { name } of tables) await owner.unsafe(`alter table ${name} set (autovacuum_enabled = ${on})`)
}

const tree = scaleId('tree', 207)
const site = scaleId('site', 7)
const PAGES: [name: string, view: () => Promise<unknown>][] = [
  ['frame', () => frameView()],
  ['Today', () => todayView()],
  ['Run, list', () => runListView()],
  ['what is due again', () => dueAgainView()],
  ['a truck’s day', () => loadView(null, undefined)],
  ['what is short on the shelf', () => shortView()],
  ['the evening', () => eveningView(undefined)],
  ['Run, one job', () => jobView(scaleId('job', 9))],
  ['the week', () => weekView()],
  ['what is overdue', () => overdueView()],
  ['a site', () => siteView(site)],
  ['what is to come at a site', () => aheadView(site)],
  ['Tree', () => treeView(tree)],
  ['the trees that wait to be looked at', () => waitingToExamine()],
  ['Examine', () => examineView(tree)],
  ['what the client is told', () => clientView(tree)],
  ['Weigh', () => weighView(tree)],
  ['Decide', () => decideView(tree)],
  ['Prescribe', () => prescribeView(tree)],
  ['Ledger', () => ledgerView()],
  ['a record', () => recordView(scaleId('record', 207 * 4 + 1))],
  ['Follow-up', () => followUpsView()],
  ['deciding across a site', () => decideSiteView(site)],
  ['whose turn', () => turnView(null)],
  ['many trees at once', () => groupView(site, null)],
  ['the blocks of a site', () => blocksView(site)],
  ['the limits of a ground', () => limitsView(site, null)],
]

/** A page of a firm of 600 trees reads no more rows than this, by any plan. */
const MOST_ROWS = 400_000

describe.each(Object.keys(STATES))('with %s', (state) => {
  beforeAll(() => STATES[state]!(), 60_000)

  test.each(PAGES)('%s reads no more rows than it may', async (name, view) => {
    await view()
    const statements = asked.filter(
      (a) => /^\s*(select|with)/i.test(a.text) && !a.text.includes('set_config'),
    )
    let rows = 0
    let worst = { rows: 0, text: '' }
    for (const s of statements) {
      const plan = await inSmallFirm(async (tx) => {
        const found = await tx.unsafe(
          `explain (analyze, format json, timing off) ${s.text}`,
          s.values as never[],
        )
        return (found[0] as unknown as { 'QUERY PLAN': { Plan: Plan }[] })['QUERY PLAN'][0]!.Plan
      })
      const read = readBy(plan).rows
      rows += read
      if (read > worst.rows) worst = { rows: read, text: s.text.replace(/\s+/g, ' ').trim().slice(0, 200) }
    }
    if (process.env.SAY) console.log(`${state}, ${name}: ${rows} rows; ${worst.rows} by ${worst.text}`)
    if (rows > MOST_ROWS)
      throw new Error(`${name}: ${rows} rows of ${MOST_ROWS}; ${worst.rows} by ${worst.text}`)
  })
})
