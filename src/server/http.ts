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

const body = (status: number, message: string) =>
  problemResponse({ code: 'bad-quantity', field: 'body', message }, status)

/** Reads the body as text, never more than a megabyte: larger is 413, not UTF-8 is 400. */
async function readText(request: Request): Promise<{ text: string } | { response: Response }> {
  const tooMuch = () => ({ response: body(413, 'That is more than 1 MB; send less.') })
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BYTES) return tooMuch()
  const parts: Uint8Array[] = []
  let bytes = 0
  try {
    for await (const part of (request.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
      bytes += part.byteLength
      if (bytes > MOST_BYTES) return tooMuch()
      parts.push(part)
    }
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(Buffer.concat(parts)) }
  } catch {
    return { response: body(400, 'The body could not be read as text; send it again in UTF-8.') }
  }
}

/** Reads a JSON body: too large is 413, unreadable is 400. */
export async function readJson(request: Request): Promise<{ body: unknown } | { response: Response }> {
  const read = await readText(request)
  if ('response' in read) return read
  try {
    return { body: JSON.parse(read.text) as unknown }
  } catch {
    return { response: body(400, 'The body is not JSON; send it again.') }
  }
}

/**
 * Reads the JSON body of the API: as {@link readJson}, and another media type is 415, a field given twice, endless
 * lists or nesting are 422.
 */
export async function readApiJson(request: Request): Promise<{ body: unknown } | { response: Response }> {
  const type = request.headers.get('content-type')
  if (type !== null && !/^application\/(?:[\w.-]+\+)?json\s*(?:;|$)/i.test(type))
    return { response: body(415, 'The body must be sent as application/json.') }
  const read = await readText(request)
  if ('response' in read) return read
  const json = readStrictJson(read.text)
  if (json === null) return { response: body(400, 'The body is not JSON; send it again.') }
  return 'problem' in json ? { response: problemResponse(json.problem) } : { body: json.value }
}

/** True when a browser sent this from one of our own pages, or no browser did. */
export function isOwnOrigin(request: Request): boolean {
  const origin = request.headers.get('origin')
  if (!origin) return true
  try {
    return new URL(origin).host === request.headers.get('host')
  } catch {
    return false
  }
}

export const FOREIGN: Problem = {
  code: 'not-allowed',
  field: 'role',
  message: 'This came from another site and was not taken.',
}
