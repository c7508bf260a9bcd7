import { calculatorNamed } from '@/calc/calculators'
import { heavy, NotDone, notDoneProblem } from '@/server/heavy/pool'
import { ownOfFirm } from '@/server/almanac'
import { atTheDoor } from '@/server/apiDoor'
import { problemResponse, readJsonText, notJson } from '@/server/http'
import { log } from '@/server/log'

/** One question to a calculator: `POST /api/v1/calc/drench`. Nothing is kept. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ name: string }> },
): Promise<Response> {
  const { name } = await params
  try {
    const door = await atTheDoor(request)
    if ('refused' in door) return door.refused
    if (!calculatorNamed(name))
      return problemResponse(
        {
          code: 'unknown',
          field: 'name',
          message: 'There is no calculator of this name; /api/v1/openapi.json lists them.',
        },
        404,
      )
    const read = await readJsonText(request)
    if ('response' in read) return read.response
    const answer = await (name === 'week'
      ? heavy('week', { text: read.text })
      : heavy('reckon', {
          name,
          text: read.text,
          own: name === 'diagnose' ? await ownOfFirm(door.person.firmId) : [],
        }))
    if (answer === null) return notJson()
    return answer.ok ? Response.json(answer.value) : problemResponse(answer.problem)
  } catch (error) {
    if (error instanceof NotDone) {
      const { problem, status } = notDoneProblem(error)
      return problemResponse(problem, status, status === 429 ? { 'retry-after': '3' } : undefined)
    }
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
