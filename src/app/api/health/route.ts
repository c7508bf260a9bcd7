import { health } from '@/server/health'

export const dynamic = 'force-dynamic'

/** How app, database and migrations are. 503 when the database is out of reach or behind. */
export async function GET(): Promise<Response> {
  const state = await health()
  return Response.json(state, { status: state.database === 'ok' && state.migrations === 'ok' ? 200 : 503 })
}
