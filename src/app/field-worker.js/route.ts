import { workerScript } from '@/server/field/workerScript'

export const dynamic = 'force-dynamic'

/** The service worker of the application: `GET /field-worker.js`. */
export async function GET(): Promise<Response> {
  return new Response(await workerScript(), {
    headers: { 'content-type': 'text/javascript; charset=utf-8', 'cache-control': 'no-cache' },
  })
}
