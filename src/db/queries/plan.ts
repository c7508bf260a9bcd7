import type { Drawn } from '@/core/place/measured'
import type { OutlineKind } from '@/core/place/outlineKinds'
import type { Area, Length } from '@/core/quantity/units'
import type { FirmSql } from '../client'

/** An outline as it is drawn: all that is undone with it. */
export interface OutlineState extends Drawn {
  kind: OutlineKind
  name: string | null
  /** The distance that is kept from it, where one is of its own. */
  setback: Length | null
}

/** An outline drawn on a site’s plan, metres east and north of the site’s corner. */
export interface FeatureRow extends OutlineState {
  id: string
  version: number
}

const feature = (sql: FirmSql) => sql`f.id, f.kind, f.name, f.geometry, f.setback_m as setback, f.version`

/** All that is drawn on the plan of a site, by kind. */
export async function featuresOfSite(sql: FirmSql, siteId: string): Promise<FeatureRow[]> {
  return sql<FeatureRow[]>`
    select ${feature(sql)} from site_feature f where f.site_id = ${siteId} order by f.kind, f.id`
}

/** One outline with the site it is on. */
export async function outlineById(
  sql: FirmSql,
  id: string,
): Promise<(FeatureRow & { siteId: string }) | undefined> {
  const rows = await sql<(FeatureRow & { siteId: string })[]>`
    select ${feature(sql)}, f.site_id as "siteId" from site_feature f where f.id = ${id}`
  return rows[0]
}

/** Draws an outline; false where the id is another one’s. */
export async function addOutline(
  sql: FirmSql,
  o: OutlineState & { id: string; firmId: string; siteId: string },
): Promise<boolean> {
  const rows = await sql`insert into site_feature (id, firm_id, site_id, kind, name, geometry, setback_m)
    values (${o.id}, ${o.firmId}, ${o.siteId}, ${o.kind}, ${o.name}, ${sql.json(o.geometry as never)}, ${o.setback})
    on conflict do nothing returning id`
  return rows.length > 0
}

export async function changeOutline(sql: FirmSql, id: string, o: OutlineState): Promise<void> {
  await sql`update site_feature set kind = ${o.kind}, name = ${o.name}, geometry = ${sql.json(o.geometry as never)},
    setback_m = ${o.setback}, version = version + 1 where id = ${id}`
}

export async function takeOutline(sql: FirmSql, id: string): Promise<void> {
  await sql`delete from site_feature where id = ${id}`
}

/** Who said it, and when; null while nobody did. */
export async function waterSaidBy(sql: FirmSql, siteId: string): Promise<{ at: Date; by: string } | null> {
  const rows = await sql<{ at: Date; by: string }[]>`
    select s.water_said_at as at, p.name as by from site s join person p on p.firm_id = s.firm_id and p.id = s.water_said_by
    where s.id = ${siteId} and s.water_said_at is not null`
  return rows[0] ?? null
}

export async function sayWater(
  sql: FirmSql,
  siteId: string,
  said: { at: Date; by: string } | null,
): Promise<void> {
  await sql`update site set water_said_at = ${said?.at ?? null}, water_said_by = ${said?.by ?? null} where id = ${siteId}`
}

/** Sets the area that holds by what is drawn: measured where there is ground, else as it was typed. Answers it. */
export async function measureSite(sql: FirmSql, siteId: string, measured: Area | null): Promise<Area | null> {
  const rows = await sql<{ area: number | null }[]>`
    update site set area_measured = ${measured !== null}, area_m2 = coalesce(${measured}::double precision, area_typed_m2)
    where id = ${siteId} returning area_m2 as area`
  return rows[0]?.area ?? null
}

/** What was changed on a plan: an outline, where a tree stands, the picture beneath. */
export type PlanStepKind = 'outline' | 'tree' | 'picture'

/** A change of a plan. */
export interface PlanStepRow {
  id: string
  siteId: string
  what: PlanStepKind
  of: string
  before: unknown
  after: unknown
  at: Date
  by: string
  undoneAt: Date | null
}

export async function notePlanStep(
  sql: FirmSql,
  s: Omit<PlanStepRow, 'by' | 'undoneAt'> & { firmId: string; by: string },
): Promise<void> {
  const json = (value: unknown) => (value === null ? null : sql.json(value as never))
  await sql`insert into plan_step (id, firm_id, site_id, at, by_person, what, of, before, after)
    values (${s.id}, ${s.firmId}, ${s.siteId}, ${s.at}, ${s.by}, ${s.what}, ${s.of}, ${json(s.before)}, ${json(s.after)})`
}

const step = (sql: FirmSql) => sql`
  s.id, s.site_id as "siteId", s.what, s.of, s.before, s.after, s.at, p.name as by, s.undone_at as "undoneAt"
  from plan_step s join person p on p.firm_id = s.firm_id and p.id = s.by_person`

/** The newest changes of a plan that stand, as they were kept: a device’s clock may be behind another’s. */
export async function planSteps(sql: FirmSql, siteId: string, limit: number): Promise<PlanStepRow[]> {
  return sql<PlanStepRow[]>`
    select ${step(sql)} where s.site_id = ${siteId} and s.undone_at is null order by s.id desc limit ${limit}`
}

export async function planStepById(sql: FirmSql, id: string): Promise<PlanStepRow | undefined> {
  return (await sql<PlanStepRow[]>`select ${step(sql)} where s.id = ${id}`)[0]
}

export async function undoPlanStep(sql: FirmSql, id: string, at: Date, by: string): Promise<void> {
  await sql`update plan_step set undone_at = ${at}, undone_by = ${by} where id = ${id}`
}

/** How a picture lies under a plan: where its middle is, metres a pixel, and by how many degrees it is turned clockwise. */
export interface PictureLies {
  id: string
  eastM: Length
  northM: Length
  metresPerPixel: Length
  turned: number
}

/** The picture under a plan with its size in pixels. */
export type UnderPlan = PictureLies & { width: number; height: number }

/** All that a plan shows beside its trees, and whether somebody said that all water and wells are on it: by one statement. */
export async function groundOfSite(
  sql: FirmSql,
  siteId: string,
): Promise<{ features: FeatureRow[]; waterSaid: boolean; picture: UnderPlan | null }> {
  const rows = await sql<
    { features: FeatureRow[]; waterSaid: boolean; lies: PictureLies | null; width: number; height: number }[]
  >`
    select s.water_said_at is not null as "waterSaid", s.picture as lies, p.width, p.height,
      (select coalesce(jsonb_agg(o order by o.kind, o.id), '[]') from (
        select ${feature(sql)} from site_feature f where f.firm_id = s.firm_id and f.site_id = s.id) o) as features
    from site s left join plan_picture p on p.firm_id = s.firm_id and p.site_id = s.id and p.id = (s.picture->>'id')::uuid
    where s.id = ${siteId}`
  const row = rows[0]
  if (!row) return { features: [], waterSaid: false, picture: null }
  const { features, waterSaid, lies, width, height } = row
  return { features, waterSaid, picture: lies && { ...lies, width, height } }
}

export async function setPicture(sql: FirmSql, siteId: string, lies: PictureLies | null): Promise<void> {
  await sql`update site set picture = ${lies === null ? null : sql.json(lies as never)} where id = ${siteId}`
}

export async function addPlanPicture(
  sql: FirmSql,
  p: {
    id: string
    firmId: string
    siteId: string
    at: Date
    by: string
    width: number
    height: number
    jpeg: Buffer
  },
): Promise<void> {
  await sql`insert into plan_picture (id, firm_id, site_id, at, by_person, width, height, jpeg)
    values (${p.id}, ${p.firmId}, ${p.siteId}, ${p.at}, ${p.by}, ${p.width}, ${p.height}, ${p.jpeg})`
}

/** A picture of a plan without its bytes. */
export async function planPicture(
  sql: FirmSql,
  id: string,
): Promise<{ siteId: string; width: number; height: number } | undefined> {
  return (
    await sql<{ siteId: string; width: number; height: number }[]>`
      select site_id as "siteId", width, height from plan_picture where id = ${id}`
  )[0]
}

/** The picture itself. */
export async function planPictureBytes(sql: FirmSql, id: string): Promise<Uint8Array | undefined> {
  return (await sql<{ jpeg: Uint8Array }[]>`select jpeg from plan_picture where id = ${id}`)[0]?.jpeg
}
