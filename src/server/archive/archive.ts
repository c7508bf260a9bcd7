import { createHash, type Hash } from 'node:crypto'
import { Readable } from 'node:stream'
import { ZipFile } from 'yazl'
import type { FirmSql } from '@/db/client'
import { NEWEST_MIGRATION } from '@/db/newestMigration'
import { keptColumns, linesOf, photoBytes, photoIds } from '@/db/queries/archive'
import { firmOf } from '@/db/queries/house'
import { DOORS, FORMAT, KEPT, fileOf, leftOut, photoFile, type ArchiveFile, type Manifest } from './kinds'

/** Files carry no time of their own: only `made` in the manifest differs between two archives of one state. */
const MTIME = new Date(1980, 0, 1)

/**
 * Everything a firm has entered, as a zip that is made while it is taken: a file of lines for each kind of thing, the photographs, and last the
 * manifest with how many lines and which hash each file has. `sql` is one unchanging look at the firm. `moving`: with what opens its doors, for
 * another database of ours and nobody’s hands.
 */
export async function* archive(
  sql: FirmSql,
  firmId: string,
  { now = new Date(), moving = false }: { now?: Date; moving?: boolean } = {},
): AsyncGenerator<Uint8Array> {
  const columns = await keptColumns(sql)
  const firm = await firmOf(sql)
  // Asked before the first file is begun: a connection answers nothing else while a file of lines is being read from it.
  const photos = await photoIds(sql)
  const zip = new ZipFile()
  const files: ArchiveFile[] = []
  const broken = (error: Error) => (zip.outputStream as unknown as Readable).destroy(error)
  zip.on('error', broken)
  // The file that is being read: whoever breaks off has to end it, or its statement stays open.
  let open: AsyncGenerator<Buffer> | undefined
  const add = (path: string, compress: boolean, pieces: () => AsyncGenerator<Buffer>) =>
    zip.addReadStreamLazy(path, { mtime: MTIME, mode: 0o100644, compress }, (take) => {
      open = pieces()
      take(null, Readable.from(open, { objectMode: false }).on('error', broken))
    })

  for (const kind of [...Object.keys(KEPT), ...(moving ? DOORS : [])].sort()) {
    add(fileOf(kind), true, async function* () {
      const hash = createHash('sha256')
      let rows = 0
      let text = ''
      for await (const line of linesOf(sql, kind, columns.get(kind) ?? [], leftOut(kind, moving))) {
        rows += 1
        text += `${line}\n`
        if (text.length < 64_000) continue
        yield hashed(hash, text)
        text = ''
      }
      if (text !== '') yield hashed(hash, text)
      files.push({ path: fileOf(kind), rows, sha256: hash.digest('hex') })
    })
  }
  for (const id of photos) {
    add(photoFile(id), false, async function* () {
      const bytes = Buffer.from(await photoBytes(sql, id))
      files.push({
        path: photoFile(id),
        rows: null,
        sha256: createHash('sha256').update(bytes).digest('hex'),
      })
      yield bytes
    })
  }
  // eslint-disable-next-line @typescript-eslint/require-await -- written as the other files are, when all of them have been
  add('manifest.json', true, async function* () {
    const manifest: Manifest = {
      ...FORMAT,
      schema: NEWEST_MIGRATION,
      firm: { id: firmId, name: firm.name },
      made: now.toISOString(),
      files,
    }
    yield Buffer.from(`${JSON.stringify(manifest, null, 1)}\n`)
  })
  zip.end()
  try {
    for await (const piece of zip.outputStream) yield piece as Buffer
  } finally {
    await open?.return(undefined)
  }
}

function hashed(hash: Hash, text: string): Buffer {
  const bytes = Buffer.from(text)
  hash.update(bytes)
  return bytes
}
