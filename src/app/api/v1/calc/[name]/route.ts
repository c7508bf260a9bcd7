import { calculatorNamed } from '@/calc/calculators'
import { heavy } from '@/server/heavy/pool'
import { ownOfFirm } from '@/server/almanac'
import { notJson, problemResponse, readJsonText } from '@/server/http'
import { answering } from '@/server/v1/door'

/** One question to a calculator: `POST /api/v1/calc/drench`. Nothing is kept. */
export function POST(request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  return answering(request, async (person) => {
    const { name } = await params
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
      ? heavy('week', person.firmId, { text: read.text })
      : heavy('reckon', person.firmId, {
          name,
          text: read.text,
          own: name === 'diagnose' ? await ownOfFirm(person.firmId) : [],
        }))
    if (answer === null) return notJson()
    return answer.ok ? Response.json(answer.value) : problemResponse(answer.problem)
  })
}
