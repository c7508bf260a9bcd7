import { problemResponse } from '@/server/http'
import { health } from '@/server/health'
import { metricsText } from '@/server/metrics'

export const dynamic = 'force-dynamic'

/** Counts and figures of this copy for whoever watches over it; only on the machine itself, and not through a proxy. */
export async function GET(request: Request): Promise<Response> {
  const from = request.headers.get('x-elmhorn-source') ?? ''
  const isHere = /^(127\.|::1$|::ffff:127\.)/.test(from) && request.headers.get('x-elmhorn-proxied') === '0'
  if (!isHere)
    return problemResponse(
      { code: 'unknown', field: 'request', message: 'There is nothing at this address.' },
      404,
    )
  const state = await health()
  const is = (good: boolean) => Number(good)
  return new Response(
    metricsText([
      {
        name: 'elmhorn_database_up',
        help: 'The database answers and takes writes.',
        value: is(state.database === 'ok'),
      },
      {
        name: 'elmhorn_schema_current',
        help: 'The database is at the schema of this app.',
        value: is(state.migrations === 'ok'),
      },
      {
        name: 'elmhorn_ledgers_whole',
        help: 'No trouble stands against any ledger.',
        value: is(state.ledgers === 'ok'),
      },
      {
        name: 'elmhorn_seal_file_writable',
        help: 'Seals can be kept outside the database.',
        value: is(state.seals === 'ok'),
      },
      {
        name: 'elmhorn_disk_free_bytes',
        help: 'Free on the disk of the seal file.',
        value: state.diskFree ?? -1,
      },
    ]),
    { headers: { 'content-type': 'text/plain; version=0.0.4; charset=utf-8', 'cache-control': 'no-store' } },
  )
}
