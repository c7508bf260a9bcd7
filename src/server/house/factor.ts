import { createCipheriv, createDecipheriv, createHash, createHmac, randomBytes } from 'node:crypto'
import { Secret, TOTP } from 'otpauth'
import QRCode from 'qrcode'
import { z } from 'zod'
import { ok, refuse, type Result } from '@/core/problem'
import type { FirmSql } from '@/db/client'
import { factorOf, setFactor } from '@/db/queries/house'
import type { PersonRow } from '@/db/queries/person'
import { serverEnvironment } from '../environment'
import { codeAsks } from '@/asks/house'
import { verb } from '../verb'

/** Seconds a code is shown, and how many of them it is still taken before and after, for a clock that is off. */
const PERIOD = 30
const WINDOW = 1
const CODES = 10

// What a second factor hangs on is kept sealed: a copy of the database alone opens nothing.
const key = () => createHmac('sha256', serverEnvironment().SESSION_SECRET).update('second factor').digest()

function seal(text: string): string {
  const iv = randomBytes(12)
  const cipher = createCipheriv('aes-256-gcm', key(), iv)
  const sealed = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()])
  return Buffer.concat([iv, cipher.getAuthTag(), sealed]).toString('base64url')
}

/** What was sealed; null where it was sealed with another secret. */
function unseal(text: string): string | null {
  try {
    const all = Buffer.from(text, 'base64url')
    const cipher = createDecipheriv('aes-256-gcm', key(), all.subarray(0, 12))
    cipher.setAuthTag(all.subarray(12, 28))
    return Buffer.concat([cipher.update(all.subarray(28)), cipher.final()]).toString('utf8')
  } catch {
    return null
  }
}

const clockOf = (secret: string, label: string) =>
  new TOTP({ issuer: 'Elmhorn', label, period: PERIOD, digits: 6, secret: Secret.fromBase32(secret) })

const hashOf = (code: string) => createHash('sha256').update(`recovery ${code}`).digest('hex')

/** How a code is typed: six digits, or one of those that stand in for them; spaces and case do not matter. */
const plain = (code: string) => code.toUpperCase().replace(/[^A-Z0-9]/g, '')

/** The step of the clock a code of six digits is of, where it is right at `at`; null where it is not. */
function stepOf(secret: string, code: string, at: Date): number | null {
  const delta = clockOf(secret, '').validate({ token: code, timestamp: at.getTime(), window: WINDOW })
  return delta === null ? null : Math.floor(at.getTime() / 1000 / PERIOD) + delta
}

/**
 * True when a code opens the second door of a person: six digits of this half minute that were not taken before, or a recovery code,
 * which is used up by it.
 */
export async function isFactor(
  sql: FirmSql,
  personId: string,
  code: string,
  at = new Date(),
): Promise<boolean> {
  const factor = await factorOf(sql, personId)
  const secret = factor.secret === null ? null : unseal(factor.secret)
  const read = plain(code)
  if (secret !== null && /^\d{6}$/.test(read)) {
    const step = stepOf(secret, read, at)
    if (step === null || (factor.last !== null && step <= factor.last)) return false
    await setFactor(sql, personId, { last: step })
    return true
  }
  const hash = hashOf(read)
  if (!factor.recoveryCodes.includes(hash)) return false
  await setFactor(sql, personId, { recoveryCodes: factor.recoveryCodes.filter((c) => c !== hash) })
  return true
}

export interface NewFactor {
  /** In letters, for whoever cannot scan. */
  secret: string
  /** For an app that keeps such codes. */
  address: string
  /** The same as a drawing. */
  svg: string
}

/** Begins a second factor: a secret for the app that will tell the codes. It is asked for only once a code of it was typed. */
export const startFactorVerb = verb({
  roles: 'all',
  input: z.strictObject({}),
  secret: true,
  run: async ({ sql, person }): Promise<Result<NewFactor>> => {
    if (person.hasFactor)
      return refuse(
        'conflict',
        'factor',
        'You have a second factor already; end it first if you want another.',
      )
    const secret = new Secret({ size: 20 }).base32
    await setFactor(sql, person.id, { secret: seal(secret), last: null })
    const address = clockOf(secret, addressOf(person)).toString()
    return ok({ secret, address, svg: await QRCode.toString(address, { type: 'svg', margin: 2 }) })
  },
})

const addressOf = (person: PersonRow) => person.email || person.name

/** Ends the beginning: from now on a code is asked when signing in. Answers the codes that stand in for it, once. */
export const confirmFactorVerb = verb({
  roles: 'all',
  input: codeAsks,
  secret: true,
  noted: () => ({}),
  run: async ({ sql, person, now }, input): Promise<Result<{ recoveryCodes: string[] }>> => {
    const factor = await factorOf(sql, person.id)
    const secret = factor.secret === null ? null : unseal(factor.secret)
    if (factor.since !== null || secret === null)
      return refuse(
        'conflict',
        'factor',
        'Nothing is being set up; begin with the drawing. Load the page again.',
      )
    // A code is of the true hour, also where the demo's clock runs ahead.
    const step = stepOf(secret, plain(input.code), new Date())
    if (step === null)
      return refuse(
        'not-allowed',
        'code',
        'This is not the code of this half minute; type the one the app shows now.',
      )
    const recoveryCodes = Array.from({ length: CODES }, () => {
      const letters = Secret.fromHex(randomBytes(10).toString('hex')).base32.slice(0, 10)
      return `${letters.slice(0, 5)}-${letters.slice(5)}`
    })
    await setFactor(sql, person.id, {
      since: now,
      last: step,
      recoveryCodes: recoveryCodes.map((c) => hashOf(plain(c))),
    })
    return ok({ recoveryCodes })
  },
})

/** Ends one’s own second factor; a code of it is asked. */
export const endFactorVerb = verb({
  roles: 'all',
  input: codeAsks,
  noted: () => ({}),
  run: async ({ sql, person }, input): Promise<Result<{ ended: true }>> => {
    if (!(await isFactor(sql, person.id, input.code)))
      return refuse(
        'not-allowed',
        'code',
        'This is not a code of yours; type the one the app shows now, or a recovery code.',
      )
    await setFactor(sql, person.id, { secret: null, since: null, last: null, recoveryCodes: [] })
    return ok({ ended: true })
  },
})
