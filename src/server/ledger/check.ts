import { createHash } from 'node:crypto'
import { inFirm, type FirmSql } from '@/db/client'
import { chainFrom, countedFrom, lastSeq, type ChainRow } from '@/db/queries/record'
import {
  firstSealed,
  ledgerCheck,
  newestSeal,
  noteCheck,
  sealsFrom,
  type SealRow,
  type Trouble,
} from '@/db/queries/seal'
import { countsAsSigned } from './counted'
import { isTrueSeal } from './seal'
import { appendSeals, sealsInFile } from './sealFile'

/** Where a check has come to: the entry before the next. */
export interface Link {
  seq: number
  hash: string
}

export const BEGINNING: Link = { seq: 0, hash: '0'.repeat(64) }

const falseSeal = (seq: number): Trouble => ({
  seq,
  kind: 'false seal',
  words: `The seal of record ${seq} was not made with our key.`,
})

/** The chain ends before an entry that was sealed. */
const cutOff = (end: number, sealed: number): Trouble => ({
  seq: end + 1,
  kind: 'cut',
  words: `The ledger ends at record ${end}, but record ${sealed} was sealed: its end was cut off.`,
})

/**
 * Follows a stretch of the chain from a link: numbers without a gap, each entry with the hash of the one before and of its
 * own text, and, from the first sealed entry on, each with a true seal over that hash. Answers the first trouble, or the
 * link it ends at.
 */
export function followChain(
  from: Link,
  entries: readonly ChainRow[],
  seals: ReadonlyMap<number, SealRow>,
  sealedFrom: number | null,
): { trouble: Trouble } | { to: Link } {
  let link = from
  for (const e of entries) {
    const expected = link.seq + 1
    const at = (kind: Trouble['kind'], words: string, seq = e.seq) => ({ trouble: { seq, kind, words } })
    if (e.seq !== expected)
      return at('missing', `Record ${expected} is missing: ${e.seq} follows ${link.seq}.`, expected)
    if (createHash('sha256').update(e.covered, 'utf8').digest('hex') !== e.hash)
      return at(
        'changed',
        `Record ${e.seq} was changed outside the product: its hash is not that of its text.`,
      )
    if (e.prevHash !== link.hash)
      return at('chained anew', `Record ${e.seq} does not carry the hash of the one before.`)
    if (sealedFrom !== null && e.seq >= sealedFrom) {
      const seal = seals.get(e.seq)
      if (!seal)
        return at('not sealed', `Record ${e.seq} has no seal: it was not entered through the product.`)
      if (!isTrueSeal(seal)) return { trouble: falseSeal(e.seq) }
      if (seal.hash !== e.hash)
        return at('chained anew', `Record ${e.seq} is not the one that was sealed under this number.`)
    }
    link = { seq: e.seq, hash: e.hash }
  }
  return { to: link }
}

/** Whether seals known from elsewhere agree with the chain's end and with the seals in the database. */
export function againstFile(
  end: Link,
  inDatabase: ReadonlyMap<number, SealRow>,
  inFile: ReadonlyMap<number, SealRow>,
): Trouble | null {
  let first: Trouble | null = null
  for (const [seq, s] of inFile) {
    if (first && first.seq <= seq) continue
    if (seq > end.seq) first = cutOff(end.seq, seq)
    else if (inDatabase.get(seq)?.hash !== s.hash)
      first = {
        seq,
        kind: 'chained anew',
        words: `Record ${seq} is not the one whose seal is kept outside the database.`,
      }
  }
  return first
}

/** Entries that are followed at once; for so many times as long as that took, the pages then have the machine. */
const [STRETCH, REST] = [500, 2]

/**
 * Checks a firm's whole chain against its own hashes, its seals, the seals kept outside the database and what counts of each record, a stretch at a
 * time with a rest after each, and notes what it found. Seals that never reached the file, because the machine stopped between, are added to it.
 */
export async function checkLedger(firmId: string, now = new Date()): Promise<Trouble | null> {
  const file = await sealsInFile(firmId)
  const [sealedFrom, before] = await inFirm(firmId, async (sql) => [
    await firstSealed(sql),
    await ledgerCheck(sql),
  ])
  const inDatabase = new Map<number, SealRow>()
  let link = BEGINNING
  let trouble: Trouble | null = null
  for (;;) {
    const began = performance.now()
    const [entries, seals, counted] = await inFirm(firmId, async (sql) => [
      await chainFrom(sql, link.seq, STRETCH),
      await sealsFrom(sql, link.seq + 1, STRETCH),
      await countedFrom(sql, link.seq, STRETCH),
    ])
    for (const s of seals) inDatabase.set(s.seq, s)
    const followed = followChain(link, entries, inDatabase, sealedFrom)
    if ('trouble' in followed) {
      trouble = followed.trouble
      break
    }
    trouble = countsAsSigned(counted)
    if (trouble) break
    link = followed.to
    if (entries.length < STRETCH) break
    await new Promise((rested) => setTimeout(rested, REST * (performance.now() - began)))
  }
  trouble ??= againstFile(link, inDatabase, file.seals) ?? file.trouble
  const lacking = [...inDatabase.values()].filter((s) => !file.seals.has(s.seq)).sort((a, b) => a.seq - b.seq)
  // What an earlier check saw in the file was in it: it does not get there by itself again.
  const gone = lacking.find((s) => s.seq <= (before?.checkedTo ?? 0))
  if (gone)
    trouble ??= {
      seq: gone.seq,
      kind: 'seal file',
      words: `The seal of record ${gone.seq} is gone from the file of seals, in which it was at the last check. Put the file back from where it is kept.`,
    }
  if (!trouble) await appendSeals(lacking)
  await inFirm(firmId, (sql) =>
    noteCheck(sql, { firmId, checkedAt: now, checkedTo: link.seq, trouble: trouble }),
  )
  return trouble
}

/**
 * Checks from the newest good seal to the end: what opening the ledger waits for. The rest is checked in the background.
 */
export async function checkTail(sql: FirmSql): Promise<Trouble | null> {
  const [newest, last] = [await newestSeal(sql), await lastSeq(sql)]
  if (!newest) return null
  if (!isTrueSeal(newest)) return falseSeal(newest.seq)
  if (last < newest.seq) return cutOff(last, newest.seq)
  const entries = await chainFrom(sql, newest.seq - 1, STRETCH)
  const followed = followChain(
    { seq: newest.seq - 1, hash: entries[0]?.prevHash ?? '' },
    entries,
    new Map([[newest.seq, newest]]),
    newest.seq,
  )
  return 'trouble' in followed ? followed.trouble : null
}
