import { type Problem } from '@/core/problem'

/** The largest body a form sends. */
const MOST_BYTES = 1_000_000

/** A problem as an HTTP answer: 422, or what fits its code better. */
export function problemResponse(problem: Problem, status?: number): Response {
  const byCode: Partial<Record<Problem['code'], number>> = { conflict: 409 }
  const own =
    status ??
    (problem.field === 'role' && problem.code === 'not-allowed' ? 403 : (byCode[problem.code] ?? 422))
  return Response.json({ error: problem }, { status: own })
}

/** Reads a JSON body: too large is 413, unreadable is 400. */
export async function readJson(request: Request): Promise<{ body: unknown } | { response: Response }> {
  const refuse = (status: number, message: string) => ({
    response: problemResponse({ code: 'bad-quantity', field: 'body', message }, status),
  })
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BYTES)
    return refuse(413, 'That is more than 1 MB; send less.')
  const text = await request.text().catch(() => null)
  if (text === null) return refuse(400, 'The body could not be read; send it again.')
  if (text.length > MOST_BYTES) return refuse(413, 'That is more than 1 MB; send less.')
  try {
    return { body: JSON.parse(text) as unknown }
  } catch {
    return refuse(400, 'The body is not JSON; send it again.')
  }
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
