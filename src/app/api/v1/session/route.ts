import { z } from 'zod'
import { problemOfRequest } from '@/calc/fields'
import { openApiSession } from '@/server/apiToken'
import { FOREIGN, isOwnOrigin, problemResponse, readJson } from '@/server/http'
import { log } from '@/server/log'
import { typed } from '@/asks/text'

const Body = z.strictObject({
  email: typed('The e-mail').min(1),
  password: z.string().min(1).max(200),
  code: z.string().max(40).optional(),
})

/** Signs a program in: `{ email, password }` → `{ token }`. */
export async function POST(request: Request): Promise<Response> {
  if (!isOwnOrigin(request)) return problemResponse(FOREIGN)
  const read = await readJson(request)
  if ('response' in read) return read.response
  const body = Body.safeParse(read.body)
  if (!body.success) return problemResponse(problemOfRequest(body.error, read.body))
  try {
    const result = await openApiSession(body.data.email, body.data.password, body.data.code ?? null)
    if (result.ok) return Response.json(result.value)
    return problemResponse(result.problem, result.problem.field === 'email' ? 429 : 401)
  } catch (error) {
    log.error({ error: (error as Error).message })
    return problemResponse(
      {
        code: 'conflict',
        field: 'server',
        message: 'Nobody can be signed in just now; try again in a moment.',
      },
      503,
    )
  }
}
