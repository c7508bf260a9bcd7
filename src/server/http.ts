import { createHash } from 'node:crypto'
import { pack } from '@/core/packed'
import { type Problem } from '@/core/problem'
import { readStrictJson } from './strictJson'

/** The largest body a form sends. */
const MOST_BYTES = 1_000_000

/** A problem as an HTTP answer: 422, or what fits its code better. */
export function problemResponse(problem: Problem, status?: number, headers?: HeadersInit): Response {
  const byCode: Partial<Record<Problem['code'], number>> = { conflict: 409 }
  const own =
    status ??
    (problem.field === 'role' && problem.code === 'not-allowed' ? 403 : (byCode[problem.code] ?? 422))
  return Response.json({ error: problem }, { status: own, headers })
}

const body = (status: number, message: string, headers?: HeadersInit) =>
  problemResponse({ code: 'bad-quantity', field: 'body', message }, status, headers)

/** What is still on its way is not waited for: the connection ends with the answer. */
export const HANG_UP = { connection: 'close' }

/** Reads the body of a request or an answer of at most `most` bytes, unpacked, cut off while it streams; `over` says whether it is larger or broke off. */
export async function readBytes(
  { headers, body }: Pick<Request, 'headers' | 'body'>,
  most: number,
): Promise<{ bytes: Buffer } | { over: boolean }> {
  if (Number(headers.get('content-length') ?? 0) > most) return { over: true }
  const parts: Uint8Array[] = []
  let bytes = 0
  try {
    for await (const part of (body ?? []) as unknown as AsyncIterable<Uint8Array>) {
      bytes += part.byteLength
      if (bytes > most) return { over: true }
      parts.push(part)
    }
    return { bytes: Buffer.concat(parts) }
  } catch {
    return { over: false }
  }
}

/** Reads the body as text, never more than a megabyte: larger is 413, not UTF-8 is 400. */
async function readText(request: Request): Promise<{ text: string } | { response: Response }> {
  const read = await readBytes(request, MOST_BYTES)
  if ('over' in read && read.over)
    return { response: body(413, 'That is more than 1 MB; send less.', HANG_UP) }
  try {
    if ('over' in read) throw new Error('broken off')
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(read.bytes) }
  } catch {
    return { response: body(400, 'The body could not be read as text; send it again in UTF-8.') }
  }
}

/** Reads a body that says it is JSON, as text: too large is 413, not UTF-8 400, another media type 415. */
export async function readJsonText(request: Request): Promise<{ text: string } | { response: Response }> {
  const type = request.headers.get('content-type')
  if (type !== null && !/^application\/(?:[\w.-]+\+)?json\s*(?:;|$)/i.test(type))
    return { response: body(415, 'The body must be sent as application/json.') }
  return readText(request)
}

/** What is said of a body that is no JSON. */
export const notJson = () => body(400, 'The body is not JSON; send it again.')

/**
 * Reads a JSON body, as {@link readJsonText}; unreadable is 400, a field given twice, endless lists or nesting are 422.
 * Steps and the API read it the same way.
 */
export async function readJson(request: Request): Promise<{ body: unknown } | { response: Response }> {
  const read = await readJsonText(request)
  if ('response' in read) return read
  const json = readStrictJson(read.text)
  if (json === null) return { response: notJson() }
  return 'problem' in json ? { response: problemResponse(json.problem) } : { body: json.value }
}

/** The same of a body that may be packed by gzip; what unpacks to more than a megabyte is as large. */
export async function readPackedJson(request: Request): Promise<{ body: unknown } | { response: Response }> {
  if (request.headers.get('content-encoding') !== 'gzip' || !request.body) return readJson(request)
  const headers = new Headers(request.headers)
  headers.delete('content-length')
  headers.delete('content-encoding')
  const unpacked = request.body.pipeThrough(
    new DecompressionStream('gzip') as unknown as ReadableWritablePair<Uint8Array, Uint8Array>,
  )
  return readJson(
    new Request(request.url, { method: 'POST', headers, body: unpacked, duplex: 'half' } as RequestInit),
  )
}

/**
 * True when this was sent from one of our own pages, or by a program that carries no cookie. What carries our cookie must
 * say that it comes from here: a browser says so by itself.
 */
export function isOwnOrigin(request: Request): boolean {
  const origin = request.headers.get('origin')
  if (!origin) {
    const site = request.headers.get('sec-fetch-site')
    if (site !== null) return site === 'same-origin'
    return !/(?:^|;\s*)elmhorn=/.test(request.headers.get('cookie') ?? '')
  }
  try {
    return new URL(origin).host === request.headers.get('host')
  } catch {
    return false
  }
}

/** An answer of what stands in a firm, kept by nobody on the way. */
export function valueResponse(value: unknown): Response {
  return Response.json({ value }, { headers: { 'cache-control': 'no-store' } })
}

/** What a stranger is answered who asks for what is a firm's. */
export function notSignedIn(): Response {
  return problemResponse({ code: 'not-allowed', field: 'session', message: 'Sign in first.' }, 401)
}

export const DEVICE_ENDED: Problem = {
  code: 'not-allowed',
  field: 'device',
  message: 'This device was ended by the office. Sign in again.',
}

export const FOREIGN: Problem = {
  code: 'not-allowed',
  field: 'role',
  message: 'This came from another site and was not taken.',
}

/** What one person pressed is never entered as another’s. */
export const SOMEBODY_ELSE: Problem = {
  code: 'conflict',
  field: 'person',
  message: 'Somebody else is signed in on this device. What you pressed stays here until you sign in again.',
}

/**
 * A view as a device keeps it, packed; 304 while it is what the `etag` says that was sent along. The hour of the firm (epoch ms) always
 * changes and is said beside, in `elmhorn-now`.
 */
export function packedResponse(request: Request, view: object, now: number): Response {
  const value = pack(view)
  const etag = `"${createHash('sha256').update(value).digest('base64url')}"`
  const headers = { etag, 'elmhorn-now': String(now), 'cache-control': 'private, no-cache' }
  if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers })
  return Response.json({ value }, { headers })
}
