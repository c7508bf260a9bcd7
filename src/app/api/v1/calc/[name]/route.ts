import { ask, calculatorNamed } from '@/calc/calculators'
import { refusedAtTheDoor } from '@/server/apiDoor'
import { problemResponse, readApiJson } from '@/server/http'
import { log } from '@/server/log'

/** One question to a calculator: `POST /api/v1/calc/drench`. Nothing is kept. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ name: string }> },
): Promise<Response> {
  const { name } = await params
  try {
    const refused = await refusedAtTheDoor(request)
    if (refused) return refused
    if (!calculatorNamed(name))
      return problemResponse(
        {
          code: 'unknown',
          field: 'name',
          message: 'There is no calculator of this name; /api/v1/openapi.json lists them.',
        },
        404,
      )
    const read = await readApiJson(request)
    if ('response' in read) return read.response
    const answer = ask(name, read.body)
    return answer.ok ? Response.json(answer.value) : problemResponse(answer.problem)
  } catch (error) {
    log.error({ calculator: name, error: (error as Error).message })
    return problemResponse(
      {
        code: 'conflict',
        field: 'server',
        message: 'The server cannot answer just now; ask again in a moment.',
      },
      503,
    )
  }
}
