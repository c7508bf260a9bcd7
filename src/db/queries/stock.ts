import type { Method } from '@/core/card/card'
import type { StockKind, StockMove, StockUse } from '@/core/stock/lotStock'
import type { FirmSql } from '../client'

/** What an amount is measured by. */
export type StockMeasure = 'volume' | 'mass'

export interface StockMoveRow extends StockMove {
  id: string
  lotId: string
  measure: StockMeasure | null
  words: string | null
  by: string
}

/** What was entered of lots of cards, the oldest first, by lot: all since each was counted last, and that count. */
export async function movesOfCards(
  sql: FirmSql,
  codes: readonly string[],
): Promise<Map<string, StockMoveRow[]>> {
  if (codes.length === 0) return new Map()
  const rows = await sql<(Omit<StockMoveRow, 'at'> & { at: Date })[]>`
    select m.id, m.lot_id as "lotId", m.kind, m.amount, m.measure, m.words, p.name as by, m.at
    from lot l cross join lateral (
      select x.* from stock_move x
      where x.firm_id = l.firm_id and x.lot_id = l.id and (x.at >= coalesce((
        select max(c.at) from stock_move c where c.firm_id = l.firm_id and c.lot_id = l.id and c.kind = 'counted'), '-infinity')
        or x.kind = 'opened')
      order by x.at desc limit 200) m
    join person p on p.firm_id = m.firm_id and p.id = m.by_person
    where l.card_code = any(${[...codes]}) order by m.at, m.id`
  const byLot = new Map<string, StockMoveRow[]>()
  for (const { at, ...row } of rows)
    byLot.set(row.lotId, [...(byLot.get(row.lotId) ?? []), { ...row, at: at.getTime() }])
  return byLot
}

/** What records used of lots, each since a moment of its own, by lot. */
export async function usesOfLots(
  sql: FirmSql,
  since: readonly { lotId: string; at: number }[],
): Promise<Map<string, StockUse[]>> {
  if (since.length === 0) return new Map()
  const rows = await sql<{ lotId: string; amount: number; at: Date }[]>`
    select l.id as "lotId", a.ended_at as at,
      (select coalesce(sum(x.amount), 0)::float8 from application_subject x where x.firm_id = a.firm_id and x.application_id = a.id) as amount
    from unnest(${since.map((s) => s.lotId)}::uuid[], ${since.map((s) => new Date(s.at).toISOString())}::text[]::timestamptz[]) s (lot, at)
      join lot l on l.id = s.lot
      -- Kept apart, for the planner takes all records of a lot to be as new as its count.
      cross join lateral (
        select b.* from application b
        where b.firm_id = l.firm_id and lower(b.lot) = lower(l.number) and b.ended_at > s.at offset 0) a
      join card_use u on u.firm_id = a.firm_id and u.id = a.card_use_id
      join card c on c.firm_id = u.firm_id and c.id = u.card_id and c.code = l.card_code`
  const byLot = new Map<string, StockUse[]>()
  for (const { lotId, amount, at } of rows)
    byLot.set(lotId, [...(byLot.get(lotId) ?? []), { amount, at: at.getTime() }])
  return byLot
}

/** Enters what happened to a lot; `by` is the id of whoever did. */
export async function addStockMove(
  sql: FirmSql,
  m: {
    id: string
    firmId: string
    lotId: string
    kind: StockKind
    amount: number | null
    measure: StockMeasure | null
    words: string | null
    by: string
    at: Date
  },
): Promise<void> {
  await sql`
    insert into stock_move (id, firm_id, lot_id, kind, amount, measure, words, by_person, at)
    values (${m.id}, ${m.firmId}, ${m.lotId}, ${m.kind}, ${m.amount}, ${m.measure}, ${m.words}, ${m.by}, ${m.at})`
}

/** A lot by its id, with the name of its card and whatever was measured of it before. */
export async function lotById(
  sql: FirmSql,
  id: string,
): Promise<{ id: string; code: string; number: string; name: string } | undefined> {
  const rows = await sql<{ id: string; code: string; number: string; name: string }[]>`
    select l.id, l.card_code as code, l.number,
      (select c.name from card c where c.code = l.card_code order by c.version desc limit 1) as name
    from lot l where l.id = ${id}`
  return rows[0]
}

/** Says how much of a card is to be there at least; null for none. */
export async function setLeast(
  sql: FirmSql,
  l: {
    id: string
    firmId: string
    code: string
    amount: number | null
    measure: StockMeasure | null
    by: string
    at: Date
  },
): Promise<void> {
  await sql`insert into stock_least (id, firm_id, card_code, amount, measure, by_person, at)
    values (${l.id}, ${l.firmId}, ${l.code}, ${l.amount}, ${l.measure}, ${l.by}, ${l.at})`
}

/** How much of cards is to be there at least, by code; those of which nothing is said are left out. */
export async function leastOfCards(
  sql: FirmSql,
  codes: readonly string[],
): Promise<Map<string, { amount: number; measure: StockMeasure }>> {
  const rows = await sql<{ code: string; amount: number | null; measure: StockMeasure }[]>`
    select c.code, m.amount, m.measure
    from unnest(${[...codes]}::text[]) c (code) cross join lateral (
      select l.amount, l.measure from stock_least l where l.card_code = c.code order by l.at desc, l.id desc limit 1) m`
  return new Map(
    rows.flatMap(({ code, amount, measure }) =>
      amount === null ? [] : [[code, { amount, measure }] as const],
    ),
  )
}

/** Every tree that something of a lot was put on at, when, and whose it is. */
export async function treesOfLot(sql: FirmSql, lotId: string) {
  return sql<
    {
      tag: string
      site: string
      client: string | null
      contacts: string | null
      on: string
      amount: number
      kind: 'liquid' | 'weight'
      method: Method
      record: number
    }[]
  >`
    select t.tag, s.name as site, k.name as client,
      (select string_agg(concat_ws(' ', c->>'name', c->>'telephone'), '; ') from jsonb_array_elements(k.contacts) c) as contacts, x.on_date::text as on, x.amount, coalesce(y.plan->>'kind', 'liquid') as kind, a.method, r.seq::int as record
    from lot l
      join application a on a.firm_id = l.firm_id and lower(a.lot) = lower(l.number)
      join card_use u on u.firm_id = a.firm_id and u.id = a.card_use_id
      join card c on c.firm_id = u.firm_id and c.id = u.card_id and c.code = l.card_code
      join application_subject x on x.firm_id = a.firm_id and x.application_id = a.id
      join item_subject y on y.firm_id = x.firm_id and y.id = x.subject_id
      join tree t on t.firm_id = x.firm_id and t.id = x.tree_id
      join site s on s.firm_id = t.firm_id and s.id = t.site_id
      left join client k on k.firm_id = s.firm_id and k.id = s.client_id
      join record r on r.firm_id = a.firm_id and r.application_id = a.id and r.kind = 'application'
    where l.id = ${lotId} order by x.on_date, s.name, t.tag`
}
