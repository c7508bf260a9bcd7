import { makeTokenAsks } from '@/asks/house'
import { createHash, randomBytes } from 'node:crypto'
import { v7 as uuidv7 } from 'uuid'
import { z } from 'zod'
import { ok, refuse, type Result } from '@/core/problem'
import { inFirm, inPassing, presenting } from '@/db/client'
import { addToken, namedTokens, noteTokenUse, revokeToken, tokenPresented } from '@/db/queries/apiToken'
import { personById, type PersonRow } from '@/db/queries/person'
import { checkPassword } from './session'
import { id } from '@/asks/text'
import { verb } from './verb'

/** More named tokens than this nobody can keep apart. */
const MOST_TOKENS = 50
/** How long a token from signing in through the API lasts. */
const SESSION_HOURS = 12

/** A new token, its hash and the beginning by which it is told apart. 256 random bits need no slow hash. */
function newToken() {
  const token = `elm_${randomBytes(32).toString('base64url')}`
  return { token, tokenHash: hashOf(token), hint: token.slice(0, 9) }
}

/** What is kept of a token or a link. */
export function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('hex')
}

/** The person a token belongs to, while it is good; notes its use. */
export async function personOfToken(token: string): Promise<{ person: PersonRow; tokenId: string } | null> {
  const tokenHash = hashOf(token)
  const found = await presenting(tokenHash, (sql) => tokenPresented(sql, tokenHash))
  if (!found) return null
  if (found.stale) await inPassing(found.firmId, (sql) => noteTokenUse(sql, found.id))
  const person = await inFirm(found.firmId, (sql) => personById(sql, found.personId))
  return person ? { person, tokenId: found.id } : null
}

/** Signs a program in by e-mail and password: a token that lasts twelve hours. Problems as signing in. */
export async function openApiSession(
  email: string,
  password: string,
  code: string | null = null,
): Promise<Result<{ token: string }>> {
  const checked = await checkPassword(email, password, code)
  if (!checked.ok) return checked
  const { firmId, id: personId } = checked.value
  const { token, tokenHash, hint } = newToken()
  await inFirm(firmId, (sql) =>
    addToken(sql, {
      id: uuidv7(),
      firmId,
      personId,
      name: 'signed in through the API',
      kind: 'session',
      tokenHash,
      hint,
      hours: SESSION_HOURS,
    }),
  )
  return ok({ token })
}

/** Makes a named token. It is answered once and never again. */
export const makeTokenVerb = verb({
  roles: 'all',
  input: makeTokenAsks,
  about: (input) => input.id,
  makes: (i) => i.id,
  secret: true,
  run: async ({ sql, person }, input): Promise<Result<{ token: string }>> => {
    const have = await namedTokens(sql, person.id)
    if (have.length >= MOST_TOKENS)
      return refuse('out-of-range', 'name', `You have ${MOST_TOKENS} tokens; revoke those nobody uses first.`)
    if (have.some((t) => t.name.toLowerCase() === input.name.toLowerCase()))
      return refuse(
        'conflict',
        'name',
        'You have a token of this name; take another name or revoke the old one.',
      )
    const { token, tokenHash, hint } = newToken()
    await addToken(sql, {
      id: input.id,
      firmId: person.firmId,
      personId: person.id,
      name: input.name,
      kind: 'named',
      tokenHash,
      hint,
      hours: null,
    })
    return ok({ token })
  },
})

/** Revokes one of the person's own tokens; it stops working at once. */
export const revokeTokenVerb = verb({
  roles: 'all',
  input: z.strictObject({ id: id() }),
  about: (input) => input.id,
  run: async ({ sql, person }, input): Promise<Result<{ revoked: true }>> =>
    (await revokeToken(sql, person.id, input.id)) === 1
      ? ok({ revoked: true })
      : refuse('unknown', 'id', 'You have no such token; it may be revoked already. Load the page again.'),
})
