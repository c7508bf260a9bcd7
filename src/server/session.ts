import { createHash } from 'node:crypto'
import { setTimeout as pause } from 'node:timers/promises'
import { getIronSession } from 'iron-session'
import { cookies, headers } from 'next/headers'
import { v7 as uuidv7 } from 'uuid'
import { ok, refuse, type Result } from '@/core/problem'
import { personToEmpty } from '@/db/queries/house'
import { inFirm, inPassing, signingIn } from '@/db/client'
import {
  endSession,
  forgetAttempts,
  noteAttempt,
  noteSessionUse,
  openSession,
  personOfSession,
  personSigningIn,
  recentAttempts,
  type PersonRow,
} from '@/db/queries/person'
import { endApiSessions } from '@/db/queries/apiToken'
import { noteEvent } from '@/db/queries/step'
import { serverEnvironment } from './environment'
import { isFactor } from './house/factor'
import { isId } from './id'
import { inTurn, isKnownDevice, knowDevice, lookAt } from './signInTurns'

interface Sealed {
  sessionId?: string
  firmId?: string
}

async function cookie() {
  const { SESSION_SECRET, COOKIE_SECURE } = serverEnvironment()
  const secure = COOKIE_SECURE === '1' || (await headers()).get('x-forwarded-proto') === 'https'
  return getIronSession<Sealed>(await cookies(), {
    password: SESSION_SECRET,
    cookieName: 'elmhorn',
    ttl: 60 * 60 * 24 * 14,
    cookieOptions: { httpOnly: true, sameSite: 'lax', secure, path: '/' },
  })
}

/** What the cookie says, where it can be believed: a damaged one says nothing. */
async function sealedSession(): Promise<{ sessionId: string; firmId: string } | null> {
  try {
    const { sessionId, firmId } = await cookie()
    return sessionId && firmId && isId(sessionId) && isId(firmId) ? { sessionId, firmId } : null
  } catch {
    return null
  }
}

/** Who is signed in, or null. The session row decides: a signed-out cookie is worth nothing. */
export async function currentPerson(): Promise<PersonRow | null> {
  const sealed = await sealedSession()
  if (!sealed) return null
  const found = await inFirm(sealed.firmId, (sql) => personOfSession(sql, sealed.sessionId))
  if (!found) return null
  const { stale, ...person } = found
  if (stale) await inPassing(sealed.firmId, (sql) => noteSessionUse(sql, sealed.sessionId))
  return person
}

/** The session of this browser; null for a program, and in tests. */
export async function currentSessionId(): Promise<string | null> {
  return (await sealedSession())?.sessionId ?? null
}

/** Whose store this device is to empty, for its session was ended as that of a lost one; null for every other. */
export async function personToEmptyHere(): Promise<string | null> {
  const sealed = await sealedSession()
  if (!sealed) return null
  return (await inFirm(sealed.firmId, (sql) => personToEmpty(sql, sealed.sessionId))) ?? null
}

/** Where a sign-in comes from, as far as it can be told: the proxy's word, when there is one to be trusted. */
export async function sourceOf(): Promise<string> {
  const { TRUST_PROXY } = serverEnvironment()
  const forwarded = TRUST_PROXY === '1' ? (await headers()).get('x-forwarded-for') : null
  const own = (await headers()).get('x-elmhorn-source')
  return createHash('sha256')
    .update(forwarded?.split(',').at(-1)?.trim() ?? own ?? 'here')
    .digest('hex')
    .slice(0, 24)
}

/** Fails of one source with one e-mail after which it is slowed down. */
const PATIENT = 5
const LONGEST_WAIT_MS = 10_000

/** How long an attempt is held back: longer with each fail of the same source; of others, a little. */
export function waitBefore(own: number, others: number): number {
  const byOwn = own < PATIENT ? 0 : Math.min(LONGEST_WAIT_MS, 500 * 2 ** (own - PATIENT))
  return Math.max(byOwn, others < 50 ? 0 : 2000)
}

/**
 * Whom an e-mail and a password belong to. A wrong e-mail and a wrong password take as long and read the same. Whoever
 * guesses is slowed down, and the rightful owner, who comes from elsewhere, is not shut out by it.
 * Problems: `not-allowed` on a mismatch (field `password`) or when too many stand before the door (field `email`).
 */
export async function checkPassword(
  email: string,
  password: string,
  code: string | null = null,
): Promise<Result<{ id: string; firmId: string }>> {
  const address = email.trim().toLowerCase()
  const source = await sourceOf()
  const known = await isKnownDevice(address)
  const full = refuse(
    'out-of-range',
    'email',
    'Very many are being signed in from where you are; try again in half a minute.',
  )
  // The attempt is noted before the password is looked at, so that many at once cannot slip through together.
  const noted = await inTurn(source, known, () =>
    signingIn(address, async (sql) => {
      const before = await recentAttempts(sql, address, source)
      await noteAttempt(sql, address, source)
      return { found: await personSigningIn(sql, address), ...before }
    }),
  )
  if (!noted) return full
  const { found, own, others } = noted.value
  await pause(waitBefore(own, others))
  const looked = await inTurn(source, known, () => lookAt(found?.passwordHash ?? null, password, known))
  if (!looked || looked.value === null) return full
  if (!found || !looked.value)
    return refuse(
      'not-allowed',
      'password',
      own + 1 < PATIENT
        ? 'E-mail and password do not belong together. Check both and try again.'
        : 'E-mail and password do not belong together. Each further attempt takes longer; the office can set a new password.',
    )
  if (found.hasFactor) {
    if (code === null || code.trim() === '')
      return refuse('not-allowed', 'code', 'Type the six digits that your app shows, or a recovery code.')
    if (!(await inFirm(found.firmId, (sql) => isFactor(sql, found.id, code))))
      return refuse(
        'not-allowed',
        'code',
        'This code is not of this half minute, or was taken before. Type the one the app shows now.',
      )
  }
  await signingIn(address, (sql) => forgetAttempts(sql, address))
  return ok({ id: found.id, firmId: found.firmId })
}

/** Signs a person in and seals the cookie; a session that this browser still had ends. Problems as {@link checkPassword}. */
export async function signIn(
  email: string,
  password: string,
  code: string | null = null,
): Promise<Result<{ name: string }>> {
  const checked = await checkPassword(email, password, code)
  if (!checked.ok) return checked
  await knowDevice(email.trim().toLowerCase())
  return ok(await openFor(checked.value.firmId, checked.value.id))
}

/** Opens a session on this browser for somebody who has shown who they are; one that it still had ends. */
export async function openFor(firmId: string, personId: string): Promise<{ name: string }> {
  const before = await sealedSession()
  if (before) await inFirm(before.firmId, (sql) => endSession(sql, before.sessionId))
  const sessionId = uuidv7()
  const person = await inFirm(firmId, async (sql) => {
    await openSession(sql, { id: sessionId, firmId, personId, device: await deviceOf() })
    await noteEvent(sql, { ...event(firmId, personId, 'sign-in'), about: sessionId })
    return personOfSession(sql, sessionId)
  })
  const sealed = await cookie()
  sealed.sessionId = sessionId
  sealed.firmId = firmId
  await sealed.save()
  return { name: person?.name ?? '' }
}

const SYSTEMS = [
  [/android/i, 'Android'],
  [/iphone|ipad/i, 'iPhone or iPad'],
  [/windows/i, 'Windows'],
  [/mac os/i, 'Mac'],
  [/linux/i, 'Linux'],
] as const
// Each says that it is the next as well.
const BROWSERS = [
  [/firefox/i, 'Firefox'],
  [/edg\//i, 'Edge'],
  [/chrome|chromium/i, 'Chrome'],
  [/safari/i, 'Safari'],
] as const

/** What a browser says it is, in a word or two: enough to tell one's own devices apart. */
async function deviceOf(): Promise<string | null> {
  const agent = (await headers()).get('user-agent') ?? ''
  const first = (words: readonly (readonly [RegExp, string])[]) =>
    words.find(([looks]) => looks.test(agent))?.[1]
  return [first(BROWSERS), first(SYSTEMS)].filter(Boolean).join(' on ') || null
}

const event = (firmId: string, personId: string, verb: string) => ({
  id: uuidv7(),
  firmId,
  personId,
  verb,
  at: new Date(),
})

/** Ends the session on the server, and those that were opened through the API, and takes the cookie away. */
export async function signOut(): Promise<void> {
  const sealed = await sealedSession()
  if (sealed)
    await inFirm(sealed.firmId, async (sql) => {
      const person = await personOfSession(sql, sealed.sessionId)
      await endSession(sql, sealed.sessionId)
      if (!person) return
      await endApiSessions(sql, person.id)
      await noteEvent(sql, { ...event(sealed.firmId, person.id, 'sign-out'), about: sealed.sessionId })
    })
  ;(await cookie()).destroy()
}
