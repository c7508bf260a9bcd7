import { directoryPool, shards, type Shard } from './shards'

/** Whose an address or a token is: kept in the directory, and for a while here. */
type Kind = 'address' | 'presented'

/** As many firms are remembered by a copy of the app. */
const MOST_REMEMBERED = 20_000
/** A claim on an address that nobody followed up is free again after so long, s. */
const CLAIM_S = 60

const homes = new Map<string, string>()

function remember(firmId: string, shard: string): void {
  if (homes.size >= MOST_REMEMBERED) homes.delete(homes.keys().next().value!)
  homes.set(firmId, shard)
}

/** A shard by its name. Throws where the app was not told of it. */
function shardNamed(name: string): Shard {
  const shard = shards().find((s) => s.name === name)
  if (!shard) throw new Error(`DATABASE_URLS does not name the database ${name}, in which a firm lives.`)
  return shard
}

/** The shard a firm lives in as the directory has it; undefined where it is not there yet. */
export async function homeOf(firmId: string): Promise<Shard | undefined> {
  const known = homes.get(firmId)
  if (known !== undefined) return shardNamed(known)
  const [row] = await directoryPool()!<{ shard: string }[]>`select shard from home where firm_id = ${firmId}`
  if (!row) return undefined
  remember(firmId, row.shard)
  return shardNamed(row.shard)
}

/** Notes in which shard a firm was found; what the directory has stands. */
export async function noteHome(firmId: string, shard: string): Promise<Shard> {
  await directoryPool()!`insert into home (firm_id, shard) values (${firmId}, ${shard}) on conflict do nothing`
  homes.delete(firmId)
  return (await homeOf(firmId))!
}

/** Says that a firm lives in another shard from now on. */
export async function moveHome(firmId: string, shard: string): Promise<void> {
  await directoryPool()!`insert into home (firm_id, shard) values (${firmId}, ${shard})
    on conflict (firm_id) do update set shard = excluded.shard`
  remember(firmId, shard)
}

/** A firm was found to have moved. */
export const foundMoved = remember

/** The firm whose an address or a token is, as the directory has it. */
export async function firmBehind(kind: Kind, key: string): Promise<string | undefined> {
  const sql = directoryPool()!
  const [row] =
    kind === 'address'
      ? await sql<{ firmId: string }[]>`select firm_id as "firmId" from address where email = ${key}`
      : await sql<{ firmId: string }[]>`select firm_id as "firmId" from presented where token_hash = ${key}`
  return row?.firmId
}

/** Notes whose an address or a token is. */
export async function noteBehind(kind: Kind, key: string, firmId: string): Promise<void> {
  const sql = directoryPool()!
  if (kind === 'address')
    await sql`insert into address (email, firm_id) values (${key}, ${firmId})
      on conflict (email) do update set firm_id = excluded.firm_id`
  else
    await sql`insert into presented (token_hash, firm_id) values (${key}, ${firmId})
      on conflict (token_hash) do update set firm_id = excluded.firm_id`
}

/**
 * Takes an address for somebody of a firm, before the person is entered; false where it is another firm's. One database keeps its
 * addresses apart itself.
 */
export async function claimAddress(email: string, firmId: string): Promise<boolean> {
  const sql = directoryPool()
  if (!sql) return true
  const rows = await sql`insert into address as a (email, firm_id) values (${email}, ${firmId})
    on conflict (email) do update set firm_id = excluded.firm_id, claimed_at = now()
      where a.firm_id = excluded.firm_id or a.claimed_at < now() - make_interval(secs => ${CLAIM_S})
    returning email`
  return rows.length > 0
}
