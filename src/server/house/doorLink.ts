import { randomBytes } from 'node:crypto'
import { v7 as uuidv7 } from 'uuid'
import type { z } from 'zod'
import type { enterAsks, resetAsks } from '@/asks/house'
import { ok, refuse, type Result } from '@/core/problem'
import { inFirm, presenting, signingIn } from '@/db/client'
import { claimAddress } from '@/db/directory'
import {
  addDoorLink,
  addPerson,
  callBack,
  doorLinkPresented,
  endSessions,
  firmOf,
  setPassword,
  useDoorLink as useUp,
  type DoorLinkRow,
} from '@/db/queries/house'
import { endApiSessions } from '@/db/queries/apiToken'
import {
  forgetAttempts,
  isAddressTaken,
  noteAttempt,
  personById,
  personSigningIn,
  recentAttempts,
  type Role,
} from '@/db/queries/person'
import { noteEvent } from '@/db/queries/step'
import { hashOf } from '../apiToken'
import { serverEnvironment } from '../environment'
import { log } from '../log'
import { post } from '../outbox'
import { hashPassword } from '../password'
import type { Context } from '../verb'

/** An invitation holds a week, a link to a new password an hour. */
const HOLDS_MS = { invitation: 7 * 86_400_000, password: 3_600_000 }

const ADDRESS = { invitation: '/enter', password: '/new-password' }

/** Where a link leads, as whoever gets it types it. */
function addressOf(kind: DoorLinkRow['kind'], token: string): string {
  return `${serverEnvironment().PUBLIC_URL ?? ''}${ADDRESS[kind]}?token=${token}`
}

export interface MadeLink {
  /** The address, told once. */
  link: string
  /** It went to the outbox too. */
  posted: boolean
}

/**
 * Makes a link that opens a door once, and puts it into the outbox once it is sure to stand. Open ones of the same kind to the same address
 * end.
 */
export async function makeDoorLink(
  { sql, afterwards }: Pick<Context, 'sql' | 'afterwards'>,
  link: {
    id: string
    firmId: string
    firmName: string
    kind: DoorLinkRow['kind']
    personId: string | null
    email: string
    name: string
    role: Role
    keepsHouse: boolean
    by: { id: string; name: string } | null
  },
): Promise<MadeLink> {
  const token = randomBytes(24).toString('base64url')
  await callBack(sql, { email: link.email, kind: link.kind })
  const madeAt = new Date()
  await addDoorLink(sql, {
    ...link,
    tokenHash: hashOf(token),
    by: link.by?.id ?? null,
    madeAt,
    until: new Date(madeAt.getTime() + HOLDS_MS[link.kind]),
  })
  const address = addressOf(link.kind, token)
  const made: MadeLink = { link: address, posted: false }
  const message =
    link.kind === 'invitation'
      ? {
          subject: `${link.firmName} asks you into Elmhorn`,
          text: `${link.by?.name ?? link.firmName} asks you to work in Elmhorn as ${link.role} of ${link.firmName}.\n\nOpen this within seven days; it works once:\n${address}\n`,
        }
      : {
          subject: 'A new password for Elmhorn',
          text: `Somebody asked for a new password for this address at ${link.firmName}.\n\nOpen this within an hour; it works once:\n${address}\n\nIf it was not you, nothing has changed.\n`,
        }
  afterwards(async () => {
    made.posted = await post({ to: { name: link.name, address: link.email }, ...message })
  })
  return made
}

const GONE = refuse(
  'unknown',
  'token',
  'This link opens nothing any more: it was used, called back, or its time is over. Ask whoever keeps the house for another.',
)

/** What a link is for, while it opens anything: for the page behind it. */
export async function doorLinkOf(
  token: string,
  kind: DoorLinkRow['kind'],
): Promise<{ firm: string; email: string; name: string; role: string } | null> {
  const hash = hashOf(token)
  const found = await presenting(hash, (sql) => doorLinkPresented(sql, hash))
  if (found?.kind !== kind) return null
  const firm = await inFirm(found.firmId, firmOf)
  return { firm: firm.name, email: found.email, name: found.name, role: found.role }
}

/** Makes the person an invitation is for, with the name and password they chose. The link is used up. */
export async function enterByInvitation(
  asked: z.output<typeof enterAsks>,
): Promise<Result<{ firmId: string; personId: string }>> {
  const hash = hashOf(asked.token)
  const found = await presenting(hash, (sql) => doorLinkPresented(sql, hash))
  if (found?.kind !== 'invitation') return GONE
  const passwordHash = await hashPassword(asked.password)
  // Whether an address is somebody's elsewhere is told to nobody but who holds the link to it.
  if (
    (await signingIn(found.email, (sql) => isAddressTaken(sql, found.email))) ||
    !(await claimAddress(found.email, found.firmId))
  )
    return refuse(
      'conflict',
      'email',
      `${found.email} signs in already. Sign in, or ask to be invited at another address.`,
    )
  const personId = uuidv7()
  const entered = await inFirm(found.firmId, async (sql) => {
    if (!(await useUp(sql, found.id))) return false
    const firm = await firmOf(sql)
    await addPerson(sql, {
      id: personId,
      firmId: found.firmId,
      email: found.email,
      name: asked.name,
      role: found.role,
      units: firm.units,
      language: firm.language,
      passwordHash,
      keepsHouse: found.keepsHouse,
    })
    await noteEvent(sql, {
      id: uuidv7(),
      firmId: found.firmId,
      personId,
      verb: 'enter',
      about: found.id,
      at: new Date(),
    })
    return true
  })
  return entered ? ok({ firmId: found.firmId, personId }) : GONE
}

/** Sets a new password by its link; every session of the person ends. */
export async function resetPassword(
  asked: z.output<typeof resetAsks>,
): Promise<Result<{ firmId: string; personId: string }>> {
  const hash = hashOf(asked.token)
  const found = await presenting(hash, (sql) => doorLinkPresented(sql, hash))
  const personId = found?.personId
  if (found?.kind !== 'password' || !personId) return GONE
  const passwordHash = await hashPassword(asked.password)
  const done = await inFirm(found.firmId, async (sql) => {
    if (!(await personById(sql, personId)) || !(await useUp(sql, found.id))) return false
    await setPassword(sql, personId, passwordHash, new Date())
    await endSessions(sql, personId, { but: null })
    await endApiSessions(sql, personId)
    await noteEvent(sql, {
      id: uuidv7(),
      firmId: found.firmId,
      personId,
      verb: 'reset-password',
      about: personId,
      at: new Date(),
    })
    return true
  })
  if (!done) return GONE
  await signingIn(found.email, (sql) => forgetAttempts(sql, found.email))
  return ok({ firmId: found.firmId, personId })
}

/** So many links may be asked for to one address in a quarter of an hour, and so many by one source. */
const MOST_ASKED = { own: 5, all: 20 }

/**
 * Sends a link to a new password where the address signs in here. Whoever asks is told the same in either case, and as soon: the link
 * is made and posted after the answer. Problems: `out-of-range` for who asks again and again.
 */
export async function askedForReset(address: string, source: string): Promise<Result<{ asked: true }>> {
  const door = `reset ${address}`
  const before = await signingIn(door, async (sql) => {
    const attempts = await recentAttempts(sql, door, source)
    await noteAttempt(sql, door, source)
    return attempts
  })
  if (before.own >= MOST_ASKED.own || before.own + before.others >= MOST_ASKED.all)
    return refuse(
      'out-of-range',
      'email',
      'A link was asked for several times just now. Look into the mail, or wait a quarter of an hour.',
    )
  void sendReset(address).catch((error: unknown) => log.error({ error: (error as Error).message }))
  return ok({ asked: true })
}

async function sendReset(address: string): Promise<void> {
  const found = await signingIn(address, (sql) => personSigningIn(sql, address))
  if (!found) return
  let posting = () => Promise.resolve()
  await inFirm(found.firmId, async (sql) =>
    makeDoorLink(
      { sql, afterwards: (act) => void (posting = act) },
      {
        id: uuidv7(),
        firmId: found.firmId,
        firmName: (await firmOf(sql)).name,
        kind: 'password',
        personId: found.id,
        email: address,
        name: found.name,
        role: found.role,
        keepsHouse: false,
        by: null,
      },
    ),
  )
  await posting()
}
