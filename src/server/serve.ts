import { createServer } from 'node:http'
import next from 'next'
import { log } from './log'
import { countAnswer, countRequest } from './metrics'

// The app behind a plain HTTP server of its own, so that what no page or route ever sees is answered too: methods nobody
// means, addresses that cannot be read, connections that never finish asking.

const port = Number(process.env.PORT ?? 3000)
const hostname = process.env.HOST ?? '127.0.0.1'
/** A page that takes longer than this is told to whoever runs the app, ms. */
const SLOW_PAGE_MS = 5000
/** What was begun when the app is told to stop is ended within this, ms. */
const STOPS_WITHIN_MS = 10_000
const METHODS = new Set(['GET', 'HEAD', 'POST', 'OPTIONS', 'PUT', 'PATCH', 'DELETE'])

function answer(status: number, message: string) {
  return JSON.stringify({
    error: { code: status === 405 ? 'not-allowed' : 'bad-quantity', field: 'request', message },
  })
}

/** True when an address can be read: its percent signs lead somewhere and nothing in it is unseen. */
export function isReadable(address: string): boolean {
  try {
    return (
      !/[\u0000-\u001f\u007f]/.test(decodeURIComponent(address.split('?', 1)[0]!)) && address.length <= 8000
    )
  } catch {
    return false
  }
}

async function main() {
  const app = next({ dev: false, hostname, port })
  const handle = app.getRequestHandler()
  await app.prepare()
  let stopping = false
  const server = createServer(
    { requestTimeout: 60_000, headersTimeout: 15_000, keepAliveTimeout: 10_000, maxHeaderSize: 16_384 },
    (request, response) => {
      const refuse = (status: number, message: string) => {
        response.writeHead(status, { 'content-type': 'application/json', connection: 'close' })
        response.end(answer(status, message))
      }
      if (stopping) return refuse(503, 'The app is being stopped; ask again in a moment.')
      if (!METHODS.has(request.method ?? '')) return refuse(405, 'This method is not one of ours.')
      if (!isReadable(request.url ?? '/')) return refuse(400, 'This address cannot be read; check it.')
      // Who asks, for slowing down those who guess; never what a sender says of itself.
      request.headers['x-elmhorn-source'] = request.socket.remoteAddress ?? ''
      // Whether a proxy handed it on; what comes after adds such words by itself.
      request.headers['x-elmhorn-proxied'] = ['x-forwarded-for', 'forwarded', 'via'].some(
        (h) => request.headers[h],
      )
        ? '1'
        : '0'
      // Next hands on what a route says as a list of one, which its compression takes for no kind of text it knows.
      const setHeader = response.setHeader.bind(response)
      response.setHeader = (name, value) =>
        setHeader(name, Array.isArray(value) && value.length === 1 ? String(value[0]) : value)
      const began = Date.now()
      countRequest()
      response.on('close', () => {
        const ms = Date.now() - began
        const path = request.url?.split('?', 1)[0] ?? ''
        countAnswer(path, response.statusCode, ms)
        if (ms > SLOW_PAGE_MS && !path.startsWith('/api/'))
          log.warn({ ms, path, answered: response.writableFinished }, 'A page took long.')
      })
      void handle(request, response)
    },
  )
  server.on('clientError', (_, socket) => {
    if (socket.writable) socket.end('HTTP/1.1 400 Bad Request\r\nconnection: close\r\n\r\n')
  })
  server.listen(port, hostname)
  const stop = () => {
    if (stopping) return
    stopping = true
    server.close(() => process.exit(0))
    // Connections that wait for another question are not waited for.
    server.closeIdleConnections()
    setTimeout(() => process.exit(0), STOPS_WITHIN_MS).unref()
  }
  process.on('SIGTERM', stop)
  process.on('SIGINT', stop)
}

if (process.argv[1]?.includes('serve')) void main()
