import { createHash, randomBytes } from 'node:crypto'
import type { Readable } from 'node:stream'
import { StringDecoder } from 'node:string_decoder'
import { openPromise, type Entry, type ZipFile } from 'yauzl'
import { z } from 'zod'
import { NEWEST_MIGRATION } from '@/db/newestMigration'
import { restoringFirm, type Restoring } from '@/db/restoring'
import { hashPassword } from '../password'
import { DOORS, FORMAT, KEPT, PICTURED, fileOf, leftOut, photoFile, type Manifest } from './kinds'

const ManifestOf = z.object({
  format: z.literal(FORMAT.format),
  version: z.number().int(),
  schema: z.number().int(),
  firm: z.object({ id: z.uuid(), name: z.string() }),
  made: z.string(),
  files: z.array(
    z.object({
      path: z.string(),
      rows: z.number().int().nullable(),
      sha256: z.string().regex(/^[0-9a-f]{64}$/),
    }),
  ),
}) satisfies z.ZodType<Manifest>

/** Why an archive is not put back, in a sentence. */
export class NotRestored extends Error {}

/** Rows go in so many at a time, and a line or a photograph is at most so long, bytes. */
const [ROWS, MOST] = [1000, 64_000_000]

/**
 * Puts the firm of an archive into a database that does not hold it, whole or not at all. Every file is held against its hash and every record
 * against its own; nobody's password is in an archive, so each person asks for a new one. `moving`: it comes from another database of ours, with
 * what opens its doors.
 * @returns the firm and how many rows went in
 */
export async function restoreFirm(
  url: string,
  file: string,
  moving = false,
): Promise<{ firm: Manifest['firm']; rows: number }> {
  let zip: ZipFile
  try {
    zip = await openPromise(file, { autoClose: false })
  } catch (error) {
    throw new NotRestored(`${file} is no archive, or it is damaged: ${(error as Error).message}.`)
  }
  try {
    const entries = new Map<string, Entry>()
    for await (const entry of zip.eachEntry()) entries.set(entry.fileName, entry)
    const manifest = await manifestOf(zip, entries)
    const rows = await restoringFirm(url, manifest.firm.id, (to) =>
      putBack(to, zip, entries, manifest, moving),
    )
    return { firm: manifest.firm, rows }
  } catch (error) {
    throw saidOf(error)
  } finally {
    zip.close()
  }
}

async function manifestOf(zip: ZipFile, entries: Map<string, Entry>): Promise<Manifest> {
  const entry = entries.get('manifest.json')
  if (!entry) throw new NotRestored('It has no manifest.json: it is no archive, or it was cut off.')
  const read = ManifestOf.safeParse(parsed((await wholeOf(zip, entry)).toString('utf8')))
  if (!read.success) throw new NotRestored('Its manifest.json cannot be read: it is no archive of Elmhorn.')
  const manifest = read.data
  if (manifest.version > FORMAT.version || manifest.schema > NEWEST_MIGRATION)
    throw new NotRestored('It was made by a newer Elmhorn. Put it back with that one.')
  return manifest
}

async function putBack(
  to: Restoring,
  zip: ZipFile,
  entries: Map<string, Entry>,
  manifest: Manifest,
  moving: boolean,
): Promise<number> {
  if (await to.holds())
    throw new NotRestored(`This database holds ${manifest.firm.name} already. Nothing was changed.`)
  const listed = new Map(manifest.files.map((f) => [f.path, f]))
  for (const name of entries.keys())
    if (name !== 'manifest.json' && !listed.has(name))
      throw new NotRestored(`It holds a file its manifest does not name: ${name}.`)
  let all = 0
  for (const kind of [...Object.keys(KEPT), ...(moving ? DOORS : [])]) {
    const file = listed.get(fileOf(kind))
    if (!file) continue
    const entry = entryOf(entries, file.path)
    const reader = lineReader(to, kind, zip, entries, listed, moving)
    const { rows, sha256 } = await eachLine(await zip.openReadStreamPromise(entry), (line, n) =>
      reader.take(line, n),
    )
    await reader.end()
    if (rows !== file.rows || sha256 !== file.sha256) throw notAsMade(file.path)
    all += rows
  }
  return all
}

function entryOf(entries: Map<string, Entry>, path: string): Entry {
  const entry = entries.get(path)
  if (!entry) throw new NotRestored(`${path} is missing from it.`)
  return entry
}

const notAsMade = (path: string) =>
  new NotRestored(`${path} is not as it was made: it was changed or damaged.`)

/** Takes the lines of a kind and puts them in, some at a time. */
function lineReader(
  to: Restoring,
  kind: string,
  zip: ZipFile,
  entries: Map<string, Entry>,
  listed: Map<string, Manifest['files'][number]>,
  moving: boolean,
) {
  const known = new Set(to.columns.get(kind)?.map((c) => c.name))
  let names: string[] | undefined
  let lines: string[] = []
  const flush = async () => {
    if (lines.length > 0)
      await to.put(
        kind,
        names!,
        lines,
        kind === 'person' && !moving ? { password_hash: await nobodysPassword() } : {},
      )
    lines = []
  }
  return {
    async take(text: string, n: number) {
      const line = parsed(text)
      if (typeof line !== 'object' || line === null || Array.isArray(line))
        throw new NotRestored(`Line ${n} of ${fileOf(kind)} is no object.`)
      const keys = Object.keys(line)
      const odd = keys.find((k) => !known.has(k) || k === 'firm_id' || leftOut(kind, moving).includes(k))
      if (odd !== undefined)
        throw new NotRestored(`Line ${n} of ${fileOf(kind)} says “${odd}”, which is not kept.`)
      names ??= keys
      if (names.length !== keys.length || names.some((k) => !(k in line)))
        throw new NotRestored(`Line ${n} of ${fileOf(kind)} has other fields than those before it.`)
      if (PICTURED.includes(kind)) {
        const path = photoFile(String((line as Record<string, unknown>).id))
        const jpeg = await wholeOf(zip, entryOf(entries, path))
        if (createHash('sha256').update(jpeg).digest('hex') !== listed.get(path)?.sha256)
          throw notAsMade(path)
        return to.put(kind, names, [text], { jpeg })
      }
      lines.push(text)
      if (lines.length >= ROWS) await flush()
    },
    end: flush,
  }
}

let nobodys: Promise<string> | undefined
/** The hash of a password that nobody has. */
const nobodysPassword = () => (nobodys ??= hashPassword(randomBytes(32).toString('hex')))

/** Hands on the lines of a file one after another; answers how many they were and the hash of the whole. */
async function eachLine(
  stream: Readable,
  take: (line: string, n: number) => Promise<void>,
): Promise<{ rows: number; sha256: string }> {
  const hash = createHash('sha256')
  const decoder = new StringDecoder('utf8')
  let rows = 0
  let rest = ''
  for await (const piece of stream) {
    hash.update(piece as Buffer)
    const lines = (rest + decoder.write(piece as Buffer)).split('\n')
    rest = lines.pop()!
    if (rest.length > MOST) throw new NotRestored('A line of it is too long to be one of ours.')
    for (const line of lines) await take(line, ++rows)
  }
  if (rest !== '') await take(rest, ++rows)
  return { rows, sha256: hash.digest('hex') }
}

/** A file of it as a whole. */
async function wholeOf(zip: ZipFile, entry: Entry): Promise<Buffer> {
  if (entry.uncompressedSize > MOST)
    throw new NotRestored(`${entry.fileName} is too large to be one of ours.`)
  const pieces: Buffer[] = []
  for await (const piece of await zip.openReadStreamPromise(entry)) pieces.push(piece as Buffer)
  return Buffer.concat(pieces)
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}

/** What the database refuses, as a sentence. */
function saidOf(error: unknown): Error {
  const { code, constraint_name, message } = error as {
    code?: string
    constraint_name?: string
    message: string
  }
  if (error instanceof NotRestored) return error
  if (code === 'EL003') return new NotRestored(`The ledger in it was changed: ${message}.`)
  if (code === '23505' && constraint_name === 'person_email')
    return new NotRestored(
      'Somebody of it signs in here with the same e-mail address for another firm. One address opens one firm; change it there first.',
    )
  if (code?.startsWith('22') || code?.startsWith('23'))
    return new NotRestored(`What it holds does not fit together: ${message}.`)
  return error as Error
}
