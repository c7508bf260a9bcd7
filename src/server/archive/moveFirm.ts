import { createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { pipeline } from 'node:stream/promises'
import { Readable } from 'node:stream'
import { lookingAtFirm } from '@/db/client'
import { homeOf, moveHome } from '@/db/directory'
import { arrived, finishLeaving, forget, leaving, stayed } from '@/db/movingFirm'
import { ownedShards } from '@/db/shards'
import { archive } from './archive'
import { DOORS, KEPT } from './kinds'
import { restoreFirm } from './restoreFirm'

/** Why a firm is not moved, in a sentence. */
export class NotMoved extends Error {}

/**
 * Moves a firm to another of our databases while all other firms work on. From when it begins until it is done the firm can be read and not
 * written; everything acknowledged before goes along, with what opens its doors. Where anything goes wrong the firm stays where it was.
 * @returns how many rows went, from where, and whether the old rows could be taken away
 */
export async function moveFirm(
  firmId: string,
  to: string,
): Promise<{ from: string; rows: number; cleared: boolean }> {
  const home = await homeOf(firmId)
  if (!home) throw new NotMoved(`The directory knows no firm ${firmId}.`)
  if (home.name === to) throw new NotMoved(`The firm lives in ${to} already.`)
  const [source, target] = [home.name, to].map((name) => ownedShards().find((s) => s.name === name))
  if (!source || !target) throw new NotMoved(`DATABASE_URLS does not name ${target ? home.name : to}.`)
  const folder = await mkdtemp(path.join(tmpdir(), 'elmhorn-move-'))
  const file = path.join(folder, 'firm.zip')
  // Whoever writes for it is waited for; whoever comes after reads alone.
  await leaving(source.url, firmId)
  let rows: number
  try {
    await lookingAtFirm(firmId, (sql) =>
      pipeline(
        Readable.from(archive(sql, firmId, { moving: true })),
        createWriteStream(file, { mode: 0o600 }),
      ),
    )
    ;({ rows } = await restoreFirm(target.url, file, true))
  } catch (error) {
    await stayed(source.url, firmId)
    throw error
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
  await arrived(target.url, firmId)
  await finishLeaving(source.url, firmId, to, DOORS)
  await moveHome(firmId, to)
  return { from: home.name, rows, cleared: await forget(source.url, firmId, ALL) }
}

/** What lies in a database for a firm. */
const ALL = [...Object.keys(KEPT), ...DOORS, 'search_entry', 'ledger_check']
