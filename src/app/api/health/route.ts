import { health, isServing } from '@/server/health'

export const dynamic = 'force-dynamic'

/** How app, database, migrations, ledgers, seals and disk are. 503 when work cannot be done. */
export async function GET(): Promise<Response> {
  const state = await health()
  return Response.json(state, {
    status: isServing(state) ? 200 : 503,
    headers: { 'cache-control': 'no-store' },
  })
}
