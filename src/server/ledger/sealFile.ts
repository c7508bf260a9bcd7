import { createReadStream } from 'node:fs'
import { appendFile, mkdir } from 'node:fs/promises'
import path from 'node:path'
import { createInterface } from 'node:readline'
import { z } from 'zod'
import type { SealRow } from '@/db/queries/seal'
import { serverEnvironment } from '../environment'

const Line = z.object({
  firmId: z.string(),
  seq: z.number(),
  hash: z.string(),
  sealedAt: z.iso.datetime().transform((t) => new Date(t)),
  key: z.string(),
  signature: z.string(),
})

/** Adds seals to the file outside the database, a line of JSON each. The file is only ever added to. */
export async function appendSeals(seals: readonly SealRow[]): Promise<void> {
  if (seals.length === 0) return
  const { LEDGER_FILE } = serverEnvironment()
  await mkdir(path.dirname(LEDGER_FILE), { recursive: true })
  await appendFile(LEDGER_FILE, seals.map((s) => `${JSON.stringify(s)}\n`).join(''), { mode: 0o600 })
}

/** The seals of a firm as the file outside the database has them, by number. A line that is no seal is passed over. */
export async function sealsInFile(firmId: string): Promise<Map<number, SealRow>> {
  const found = new Map<number, SealRow>()
  const { LEDGER_FILE } = serverEnvironment()
  try {
    const lines = createInterface({ input: createReadStream(LEDGER_FILE, 'utf8'), crlfDelay: Infinity })
    for await (const text of lines) {
      if (!text.includes(firmId)) continue
      const read = Line.safeParse(parsed(text))
      if (read.success && read.data.firmId === firmId) found.set(read.data.seq, read.data)
    }
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error
  }
  return found
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}
