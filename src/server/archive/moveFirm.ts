import { createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { pipeline } from 'node:stream/promises'
import { Readable } from 'node:stream'
import { lookingAtFirm } from '@/db/client'
import { homeOf, moveHome } from '@/db/directory'
import { arrived, finishLeaving, forget, leaving, stayed, whereAway } from '@/db/movingFirm'
import { ownedShards } from '@/db/shards'
import { archive } from './archive'
import { DOORS, KEPT } from './kinds'
import { restoreFirm } from './restoreFirm'

/** Why a firm is not moved, in a sentence. */
export class NotMoved extends Error {}

/**
 * Moves a firm to another of our databases while all other firms work on. From when it begins until it is done the firm can be read and not
 * written; everything acknowledged before goes along, with what opens its doors. Where anything goes wrong the firm stays where it was. A move that
 * was broken off, its process dead, is gone on with by the same command; moved to where it lives, the firm stays and is written again.
 * @returns how many rows went, from where, and whether the old rows could be taken away
 */
export async function moveFirm(
  firmId: string,
  to: string,
): Promise<{ from: string; rows: number; cleared: boolean }> {
  const home = await homeOf(firmId)
  if (!home) throw new NotMoved(`The directory knows no firm ${firmId}.`)
  const [source, target] = [home.name, to].map((name) => ownedShards().find((s) => s.name === name))
  if (!source || !target) throw new NotMoved(`DATABASE_URLS does not name ${target ? home.name : to}.`)
  const away = await whereAway(source.url, firmId)
  if (home.name === to) {
    if (away !== null) throw new NotMoved(`The firm lives in ${to} already.`)
    await stayed(source.url, firmId)
    return { from: to, rows: 0, cleared: true }
  }
  if (typeof away === 'string' && away !== to)
    throw new NotMoved(
      `The firm went on to ${away}; the directory says ${home.name} still. Move it to ${away} first.`,
    )
  const rows = away === to ? 0 : await take(firmId, source.url, target.url, away === null)
  await arrived(target.url, firmId)
  if (away !== to) await finishLeaving(source.url, firmId, to, DOORS)
  await moveHome(firmId, to)
  return { from: home.name, rows, cleared: await forget(source.url, firmId, ALL) }
}

/** Takes a firm over into another database. `again`: a move before this one was broken off, and what it left there is in the way. */
async function take(firmId: string, source: string, target: string, again: boolean): Promise<number> {
  const folder = await mkdtemp(path.join(tmpdir(), 'elmhorn-move-'))
  const file = path.join(folder, 'firm.zip')
  // Whoever writes for it is waited for; whoever comes after reads alone.
  await leaving(source, firmId)
  try {
    if (again && !(await forget(target, firmId, ALL)))
      throw new NotMoved('What a move that was broken off left there could not be taken away.')
    await lookingAtFirm(firmId, (sql) =>
      pipeline(
        Readable.from(archive(sql, firmId, { moving: true })),
        createWriteStream(file, { mode: 0o600 }),
      ),
    )
    return (await restoreFirm(target, file, true)).rows
  } catch (error) {
    await stayed(source, firmId)
    throw error
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

/** What lies in a database for a firm. */
const ALL = [...Object.keys(KEPT), ...DOORS, 'search_entry', 'ledger_check', 'asked']
