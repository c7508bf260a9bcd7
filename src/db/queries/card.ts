import type { Card, CardUse, Method } from '@/core/card/card'
import { linesOf, type CardLines, type LineOf } from '@/core/card/line'
import { readKept, readUse, writeKept } from '@/core/methods/kept'
import type { UseOf } from '@/core/methods/plan'
import type { FirmSql } from '../client'

/** A product as work with it needs it. */
export interface ProductRow extends Pick<Card, 'formulation' | 'actives' | 'signalWord' | 'example'> {
  code: string
  version: number
  name: string
  registration: string | null
}

/** A use of a card that a dose may rest on, with its product; `id` is that of the use. */
export interface UseRow<M extends Method = Method> {
  id: string
  product: ProductRow
  use: UseOf<M>
  /** Its place among the lines of its card, where there are several. */
  card?: CardLines
}

/** The use `u` in the shape the core reads. */
export const useBody = (sql: FirmSql) => sql`jsonb_build_object('method', u.method) || u.body`

/** The card `c` as work with its product needs it. */
export const productBody = (sql: FirmSql) =>
  sql`c.body || jsonb_build_object('code', c.code, 'version', c.version, 'name', c.name, 'registration', c.registration)`

/** Uses with what says where each stands among the others of its card and method. */
const select = (sql: FirmSql) => sql`
  select u.id, ${productBody(sql)} as product, ${useBody(sql)} as use,
    (select jsonb_agg(jsonb_build_object('n', o.n, 'method', o.method, 'hosts', o.body->'hosts', 'notOn', o.body->'notOn',
        'targets', o.body->'targets', 'window', o.body->'window', 'terms', o.body->'terms') order by o.n)
      from card_use o where o.firm_id = u.firm_id and o.card_id = u.card_id and o.method = u.method having count(*) > 1) as others, u.n
  from card_use u join card c on c.firm_id = u.firm_id and c.id = u.card_id`

/** Every use, by any method or by one, of the newest version of every card. */
export async function usesOnShelf<M extends Method = Method>(sql: FirmSql, method?: M): Promise<UseRow<M>[]> {
  const rows = await sql<Selected<M>[]>`${select(sql)} where ${method ? sql`u.method = ${method} and` : sql``}
    c.version = (select max(n.version) from card n where n.firm_id = c.firm_id and n.code = c.code) order by c.code, u.n`
  return rows.map(withUse)
}

export async function useById(sql: FirmSql, useId: string): Promise<UseRow | undefined> {
  const rows = await sql<Selected[]>`${select(sql)} where u.id = ${useId}`
  return rows[0] && withUse(rows[0])
}

type Selected<M extends Method = Method> = UseRow<M> & {
  others: (LineOf & { n: number })[] | null
  n: number
}

/** What JSON says of a line without its nulls. */
const plain = ({ notOn, window, ...line }: LineOf): LineOf => ({
  ...line,
  ...(notOn && { notOn }),
  ...(window && { window }),
})

const withUse = <M extends Method>({ others, n, ...row }: Selected<M>): UseRow<M> => ({
  ...row,
  use: readUse(row.id, row.use) as UseOf<M>,
  ...(others && {
    card: linesOf(
      others.map(plain),
      others.findIndex((o) => o.n === n),
    ),
  }),
})

/** Uses by their ids. */
export async function usesByIds(sql: FirmSql, ids: string[]): Promise<Map<string, UseRow>> {
  if (ids.length === 0) return new Map()
  const rows = await sql<Selected[]>`${select(sql)} where u.id = any(${ids})`
  return new Map(rows.map((u) => [u.id, withUse(u)]))
}

/** What of a card's body stands in its row; the rest are its uses. */
export type CardBody = Pick<Card, 'formulation' | 'actives' | 'signalWord' | 'storage' | 'example'>

export interface CardRow {
  id: string
  kind: Card['kind']
  code: string
  version: number
  name: string
  registration: string | null
  body: CardBody
  uses: CardUse[]
  enteredAt: Date | null
  enteredBy: string | null
}

const cardSelect = (sql: FirmSql) => sql`
  select c.id, c.kind, c.code, c.version, c.name, c.registration, c.body, c.entered_at as "enteredAt", p.name as "enteredBy",
    (select jsonb_agg(jsonb_build_object('method', u.method) || u.body order by u.n)
      from card_use u where u.firm_id = c.firm_id and u.card_id = c.id) as uses
  from card c left join person p on p.firm_id = c.firm_id and p.id = c.entered_by`

/** The newest version of every card of the firm, by name. */
export async function cards(sql: FirmSql): Promise<CardRow[]> {
  const rows = await sql<CardRow[]>`${cardSelect(sql)}
    where c.version = (select max(n.version) from card n where n.firm_id = c.firm_id and n.code = c.code)
    order by c.name, c.code limit 1000`
  return rows.map(withUses)
}

const withUses = (row: CardRow): CardRow => ({ ...row, uses: row.uses.map((u) => readKept('use', u)) })

/** Every version of a card, the newest first. */
export async function versionsOfCard(sql: FirmSql, code: string): Promise<CardRow[]> {
  const rows = await sql<
    CardRow[]
  >`${cardSelect(sql)} where c.code = ${code} order by c.version desc limit 200`
  return rows.map(withUses)
}

/** Enters a version of a card with its uses. */
export async function addCard(
  sql: FirmSql,
  c: {
    id: string
    firmId: string
    version: number
    card: Card
    useIds: string[]
    at: Date
    by: string | null
  },
): Promise<void> {
  const { format, kind, code, name, registration, uses, ...body } = c.card
  void format
  await sql`insert into card (id, firm_id, kind, code, version, name, registration, body, entered_at, entered_by)
    values (${c.id}, ${c.firmId}, ${kind}, ${code}, ${c.version}, ${name}, ${registration ?? null}, ${sql.json(body)},
      ${c.at}, ${c.by})`
  for (const [n, { method, ...use }] of uses.map((u) => writeKept('use', u)).entries())
    await sql`insert into card_use (id, firm_id, card_id, n, method, body)
      values (${c.useIds[n]!}, ${c.firmId}, ${c.id}, ${n + 1}, ${method}, ${sql.json(use)})`
}

export async function addLot(
  sql: FirmSql,
  l: { id: string; firmId: string; code: string; number: string; expiresOn: string | null },
): Promise<void> {
  await sql`insert into lot (id, firm_id, card_code, number, expires_on)
    values (${l.id}, ${l.firmId}, ${l.code}, ${l.number}, ${l.expiresOn})`
}

export interface LotRow {
  id: string
  code: string
  number: string
  expiresOn: string | null
  /** It was called back on that day, and why; null while it stands. */
  withdrawnOn: string | null
  withdrawnWhy: string | null
}

export async function lotsOf(sql: FirmSql, code: string): Promise<LotRow[]> {
  return lotsOfCodes(sql, [code])
}

/** Lots on the shelf for several cards at once, by card. */
export async function lotsOfCodes(sql: FirmSql, codes: string[]): Promise<LotRow[]> {
  return sql<LotRow[]>`
    select id, card_code as code, number, expires_on::text as "expiresOn", withdrawn_on::text as "withdrawnOn", withdrawn_why as "withdrawnWhy" from lot
    where card_code = any(${codes}) order by card_code, expires_on, number`
}

/** Calls a lot back; false where it was called back before, or is not there. */
export async function withdrawLot(
  sql: FirmSql,
  l: { id: string; on: string; why: string; by: string },
): Promise<boolean> {
  const rows = await sql`
    update lot set withdrawn_on = ${l.on}, withdrawn_why = ${l.why}, withdrawn_by = ${l.by}
    where id = ${l.id} and withdrawn_on is null returning 1`
  return rows.length > 0
}

/** Lots of a card that were called back, with what was put on from them, the newest first. */
export async function putOnFrom(sql: FirmSql, code: string) {
  return sql<{ lot: string; recordId: string; seq: number; on: string; siteName: string; trees: number }[]>`
    select l.number as lot, r.id as "recordId", r.seq, (a.signed_at at time zone s.time_zone)::date::text as on, s.name as "siteName",
      (select count(*)::int from application_subject x where x.firm_id = a.firm_id and x.application_id = a.id) as trees
    from lot l
      join card c on c.firm_id = l.firm_id and c.code = l.card_code
      join card_use u on u.firm_id = c.firm_id and u.card_id = c.id
      join application a on a.firm_id = u.firm_id and a.card_use_id = u.id and lower(a.lot) = lower(l.number)
      join record r on r.firm_id = a.firm_id and r.application_id = a.id and r.kind = 'application'
      join site s on s.firm_id = a.firm_id and s.id = a.site_id
    where l.card_code = ${code} and l.withdrawn_on is not null order by a.signed_at desc limit 200`
}

/** Why the lot of a record was called back since, and when; undefined where it stands. */
export async function lotCalledBack(sql: FirmSql, code: string, number: string) {
  const rows = await sql<{ on: string; why: string }[]>`
    select withdrawn_on::text as on, withdrawn_why as why from lot
    where card_code = ${code} and lower(number) = lower(${number}) and withdrawn_on is not null`
  return rows[0]
}

/** The newest version of a card of this code. */
export async function newestVersion(sql: FirmSql, code: string): Promise<number> {
  const rows = await sql<{ version: number }[]>`
    select version from card where code = ${code} order by version desc limit 1`
  return rows[0]?.version ?? 0
}

/** The names of all actives on the shelf. */
export async function activesOnShelf(sql: FirmSql): Promise<string[]> {
  const rows = await sql<{ name: string }[]>`
    select distinct a->>'name' as name from card c, jsonb_array_elements(c.body->'actives') a order by 1`
  return rows.map((r) => r.name)
}
