import { z } from 'zod'
import { FOREIGN, isOwnOrigin, problemResponse, readJson } from '@/server/http'
import { log } from '@/server/log'
import { typed } from '@/server/text'
import { signIn } from '@/server/session'

const Body = z.strictObject({ email: typed('The e-mail').min(3), password: z.string().min(1).max(200) })

/** Signs in: `{ email, password }`. */
export async function POST(request: Request): Promise<Response> {
  if (!isOwnOrigin(request)) return problemResponse(FOREIGN)
  const read = await readJson(request)
  if ('response' in read) return read.response
  const body = Body.safeParse(read.body)
  if (!body.success)
    return problemResponse({
      code: 'missing',
      field: 'email',
      message: 'Type your e-mail and your password.',
    })
  try {
    const result = await signIn(body.data.email, body.data.password)
    return result.ok
      ? Response.json({ value: result.value })
      : problemResponse(result.problem, result.problem.field === 'email' ? 429 : 403)
  } catch (error) {
    log.error({ error: (error as Error).message })
    return problemResponse(
      {
        code: 'conflict',
        field: 'server',
        message: 'Nobody can be signed in just now: the database does not answer. Try again in a moment.',
      },
      503,
    )
  }
}
