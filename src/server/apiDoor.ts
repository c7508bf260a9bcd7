import type { Problem } from '@/core/problem'
import type { PersonRow } from '@/db/queries/person'
import { personOfToken } from './apiToken'
import { askedTooOften } from './askedTooOften'
import { serverEnvironment } from './environment'
import { FOREIGN, isOwnOrigin, problemResponse } from './http'
import { currentPerson } from './session'

const NO_TOKEN: Problem = {
  code: 'not-allowed',
  field: 'authorization',
  message:
    'There is no good token. Send "Authorization: Bearer <token>"; get one from POST /api/v1/session or in Settings.',
}

/**
 * Lets a request to the API in: by its token, or from one of our own pages by the person signed in there. Answers who
 * asks, or the refusal: 401 without a good token, 403 from another site's page, 429 when a token asks
 * too often.
 */
export async function atTheDoor(request: Request): Promise<{ person: PersonRow } | { refused: Response }> {
  const header = request.headers.get('authorization')
  let key: string
  let person: PersonRow
  if (header !== null) {
    const token = /^Bearer +([\w-]{20,100}) *$/i.exec(header)?.[1]
    const found = token ? await personOfToken(token) : null
    if (!found) return { refused: problemResponse(NO_TOKEN, 401, { 'www-authenticate': 'Bearer' }) }
    key = `token ${found.tokenId}`
    person = found.person
  } else {
    const signedIn = await currentPerson()
    if (!signedIn) return { refused: problemResponse(NO_TOKEN, 401, { 'www-authenticate': 'Bearer' }) }
    // A cookie goes along from any page, a token does not.
    if (!isOwnOrigin(request)) return { refused: problemResponse(FOREIGN) }
    key = `person ${signedIn.id}`
    person = signedIn
  }
  const most = serverEnvironment().API_REQUESTS_PER_MINUTE
  const seconds = await askedTooOften(person.firmId, key, { most, seconds: 60 })
  if (seconds === null) return { person }
  return {
    refused: problemResponse(
      {
        code: 'out-of-range',
        field: 'authorization',
        message: `This token has asked too often; go on in ${seconds} s.`,
      },
      429,
      { 'retry-after': String(seconds) },
    ),
  }
}
