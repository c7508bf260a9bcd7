import { lookingAtFirm, type FirmSql } from '@/db/client'
import { log } from '../log'
import { problemResponse } from '../http'
import { Turns } from '../heavy/turns'

/** So many are written at a time, and of one firm; each holds a connection while whoever asked takes it. */
const writing = new Turns({ atOnce: 4, each: 2, waitingEach: 6, waitingAll: 100 })
/** Text is handed on in pieces of this size, characters. */
const PIECE = 64_000

/**
 * Answers with what `write` makes, piece by piece as it is taken, from one unchanging look at the firm. What breaks in the middle breaks the
 * connection off, so that nobody takes half for the whole.
 */
export function streamed(
  firmId: string,
  file: { type: string; name: string },
  write: (sql: FirmSql) => AsyncIterable<string | Uint8Array>,
): Response {
  if (writing.isFull(firmId))
    return problemResponse(
      {
        code: 'conflict',
        field: 'server',
        message: 'Many files are being written just now; ask again in a minute.',
      },
      429,
      { 'retry-after': '20' },
    )
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>()
  const out = writable.getWriter()
  const encoder = new TextEncoder()
  void writing
    .take(firmId, () =>
      lookingAtFirm(firmId, async (sql) => {
        let text = ''
        for await (const piece of write(sql)) {
          if (typeof piece !== 'string') {
            if (text !== '') await out.write(encoder.encode(text))
            text = ''
            await out.write(piece)
            continue
          }
          text += piece
          if (text.length < PIECE) continue
          await out.write(encoder.encode(text))
          text = ''
        }
        if (text !== '') await out.write(encoder.encode(text))
      }),
    )
    .then(
      // Nothing was written where too many came at the same moment: that is no empty file.
      (done) => (done ? out.close() : out.abort(new Error('too many at once'))),
      (error: unknown) => {
        log.warn({ file: file.name, error: (error as Error | undefined)?.message ?? 'broken off' })
        return out.abort(error)
      },
    )
    .catch(() => {})
  return new Response(readable, {
    headers: {
      'content-type': file.type,
      'content-disposition': `attachment; filename="${file.name}"`,
      'cache-control': 'no-store',
    },
  })
}
