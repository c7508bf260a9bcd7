import { createReadStream } from 'node:fs'
import { appendFile, mkdir } from 'node:fs/promises'
import path from 'node:path'
import { createInterface } from 'node:readline'
import { z } from 'zod'
import type { SealRow, Trouble } from '@/db/queries/seal'
import { serverEnvironment } from '../environment'
import { isTrueSeal } from './seal'

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

/** The seals of a firm in the file, and what is wrong with the file itself. */
export interface SealFile {
  /** By number; of two lines for one entry the first counts. */
  seals: Map<number, SealRow>
  trouble: Trouble | null
}

const wrong = (seq: number, words: string): Trouble => ({ seq, kind: 'seal file', words })

/**
 * The seals of a firm as the file outside the database has them. A file that cannot be read, a line of the firm that is no seal, one whose
 * signature is not ours, and a second, other line for one entry are trouble; that it is gone or shorter shows beside what was checked before.
 */
export async function sealsInFile(firmId: string): Promise<SealFile> {
  const seals = new Map<number, SealRow>()
  let trouble: Trouble | null = null
  let last = 0
  const { LEDGER_FILE } = serverEnvironment()
  try {
    const lines = createInterface({ input: createReadStream(LEDGER_FILE, 'utf8'), crlfDelay: Infinity })
    for await (const text of lines) {
      if (!text.includes(firmId)) continue
      const read = Line.safeParse(parsed(text))
      if (!read.success || read.data.firmId !== firmId) {
        trouble ??= wrong(last, `A line of the file of seals after that of record ${last} is no seal.`)
        continue
      }
      const seal = read.data
      last = seal.seq
      const first = seals.get(seal.seq)
      if (!isTrueSeal(seal))
        trouble ??= wrong(
          seal.seq,
          `In the file of seals that of record ${seal.seq} was not made with our key.`,
        )
      else if (first && (first.hash !== seal.hash || first.signature !== seal.signature))
        trouble ??= wrong(
          seal.seq,
          `The file of seals has two different ones for record ${seal.seq}; the first counts.`,
        )
      else if (!first) seals.set(seal.seq, seal)
    }
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException
    if (code !== 'ENOENT')
      trouble ??= wrong(
        last,
        `The file of seals cannot be read (${code ?? 'unknown'}); give the server the right to.`,
      )
  }
  return { seals, trouble }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}
