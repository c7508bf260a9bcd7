import { createHash } from 'node:crypto'
import { setTimeout as pause } from 'node:timers/promises'
import { getIronSession } from 'iron-session'
import { cookies } from 'next/headers'
import { serverEnvironment } from './environment'
import { hashPassword } from './password'
import { verifyBesidePages } from './heavy/besidePages'
import { Turns } from './heavy/turns'

/** One of a source at a time, so that many connections of one get no more than one connection. */
const ofSource = new Turns({ atOnce: 200, each: 1, waitingEach: 20, waitingAll: 4000 })
/**
 * A password takes a tenth of a second of a core to look at: one at a time, and half of a core is left to the pages. Known devices, other
 * known addresses and addresses nobody has take turns, so that no flood of one of them holds the others up.
 */
const looking = new Turns({ atOnce: 1, waitingEach: 60, waitingAll: 130 })
const BREATH_MS = 60
/** A refusal is told this long after the look was begun at the soonest, ms: how long it took tells less. */
const NOT_BEFORE_MS = 400
/** Nobody's password stands in for an address nobody has, unless so many of these wait already. */
const MOST_DECOYS = 4

/** Does a piece of signing in when the turn of its source comes; null when too many of it wait. A known device goes ahead of its source. */
export function inTurn<T>(
  source: string,
  ahead: boolean,
  work: () => Promise<T>,
): Promise<{ value: T } | null> {
  return ofSource.take(source, work, { ahead })
}

let decoy: Promise<string> | undefined

/**
 * True when the password belongs to the hash (null: nobody has the address); null when too many stand before the door. Takes as long for an
 * address nobody has as for one somebody has.
 */
export async function lookAt(hash: string | null, password: string, known: boolean): Promise<boolean | null> {
  const began = performance.now()
  const whose = known ? 'known device' : hash === null ? 'nobody' : 'known address'
  const of = hash ?? (await (decoy ??= hashPassword('nobody')))
  const work = async () => {
    const matches = await verifyBesidePages(of, password)
    await pause(BREATH_MS)
    return matches && hash !== null
  }
  const matches =
    whose === 'nobody' && looking.waitingOf('nobody') >= MOST_DECOYS
      ? { value: false }
      : await looking.take(whose, work)
  if (!matches) return null
  if (!matches.value) await pause(Math.max(0, NOT_BEFORE_MS - (performance.now() - began)))
  return matches.value
}

interface KnownTo {
  /** Hashes of the addresses that signed in here, newest first. */
  addresses?: string[]
}
const MOST_ADDRESSES = 6
const hashed = (address: string) => createHash('sha256').update(address).digest('base64url').slice(0, 16)

async function device() {
  return getIronSession<KnownTo>(await cookies(), {
    password: serverEnvironment().SESSION_SECRET,
    cookieName: 'elmhorn-device',
    ttl: 60 * 60 * 24 * 400,
    cookieOptions: { httpOnly: true, sameSite: 'lax', path: '/' },
  })
}

/** True where this address was signed in on this device before. It opens nothing; it is let through a crowd. */
export async function isKnownDevice(address: string): Promise<boolean> {
  try {
    return (await device()).addresses?.includes(hashed(address)) ?? false
  } catch {
    return false
  }
}

/** Remembers on the device that this address was signed in on it. */
export async function knowDevice(address: string): Promise<void> {
  const sealed = await device()
  sealed.addresses = [
    hashed(address),
    ...(sealed.addresses ?? []).filter((a) => a !== hashed(address)),
  ].slice(0, MOST_ADDRESSES)
  await sealed.save()
}
