import { getIronSession } from 'iron-session'
import { cookies } from 'next/headers'
import { v7 as uuidv7 } from 'uuid'
import { ok, refuse, type Result } from '@/core/problem'
import { inFirm, signingIn } from '@/db/client'
import {
  endSession,
  forgetAttempts,
  noteAttempt,
  openSession,
  personOfSession,
  personSigningIn,
  recentAttempts,
  type PersonRow,
} from '@/db/queries/person'
import { serverEnvironment } from './environment'
import { hashPassword, verifyPassword } from './password'

interface Sealed {
  sessionId?: string
  firmId?: string
}

/** More failed attempts than this in a quarter of an hour and an e-mail has to wait. */
export const MOST_ATTEMPTS = 8

async function cookie() {
  const { SESSION_SECRET, COOKIE_SECURE } = serverEnvironment()
  return getIronSession<Sealed>(await cookies(), {
    password: SESSION_SECRET,
    cookieName: 'elmhorn',
    ttl: 60 * 60 * 24 * 14,
    cookieOptions: { httpOnly: true, sameSite: 'lax', secure: COOKIE_SECURE === '1', path: '/' },
  })
}

/** Who is signed in, or null. The session row decides: a signed-out cookie is worth nothing. */
export async function currentPerson(): Promise<PersonRow | null> {
  const { sessionId, firmId } = await cookie()
  if (!sessionId || !firmId) return null
  return (await inFirm(firmId, (sql) => personOfSession(sql, sessionId))) ?? null
}

let decoy: Promise<string> | undefined

/**
 * Whom an e-mail and a password belong to. A wrong e-mail and a wrong password take as long and read the same.
 * Problems: `not-allowed` on a mismatch (field `password`) or after too many attempts (field `email`).
 */
export async function checkPassword(
  email: string,
  password: string,
): Promise<Result<{ id: string; firmId: string }>> {
  const address = email.trim().toLowerCase()
  // The attempt is noted before the password is looked at, so that many at once cannot slip through together.
  const found = await signingIn(address, async (sql) => {
    if ((await recentAttempts(sql, address)) >= MOST_ATTEMPTS) return 'throttled' as const
    await noteAttempt(sql, address)
    return personSigningIn(sql, address)
  })
  if (found === 'throttled')
    return refuse(
      'not-allowed',
      'email',
      'Too many failed attempts with this e-mail. Wait a quarter of an hour, or ask the office.',
    )
  decoy ??= hashPassword('nobody')
  const matches = await verifyPassword(found?.passwordHash ?? (await decoy), password)
  if (!found || !matches)
    return refuse(
      'not-allowed',
      'password',
      'E-mail and password do not belong together. Check both and try again.',
    )
  await signingIn(address, (sql) => forgetAttempts(sql, address))
  return ok({ id: found.id, firmId: found.firmId })
}

/** Signs a person in and seals the cookie. Problems as {@link checkPassword}. */
export async function signIn(email: string, password: string): Promise<Result<{ name: string }>> {
  const checked = await checkPassword(email, password)
  if (!checked.ok) return checked
  const { firmId, id: personId } = checked.value
  const sessionId = uuidv7()
  const person = await inFirm(firmId, async (sql) => {
    await openSession(sql, { id: sessionId, firmId, personId })
    return personOfSession(sql, sessionId)
  })
  const sealed = await cookie()
  sealed.sessionId = sessionId
  sealed.firmId = firmId
  await sealed.save()
  return ok({ name: person?.name ?? '' })
}

/** Ends the session on the server and takes the cookie away. */
export async function signOut(): Promise<void> {
  const sealed = await cookie()
  const { sessionId, firmId } = sealed
  if (sessionId && firmId) await inFirm(firmId, (sql) => endSession(sql, sessionId))
  sealed.destroy()
}
