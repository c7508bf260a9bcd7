import { setTimeout as pause } from 'node:timers/promises'
import { v7 as uuidv7 } from 'uuid'
import type { z } from 'zod'
import type { setUpAsks } from '@/asks/house'
import { ok, refuse, type Result } from '@/core/problem'
import { settingUp, signingIn } from '@/db/client'
import { claimAddress } from '@/db/directory'
import { setOwnEntry } from '@/db/queries/almanac'
import { addFirm, addLicence, addPerson, firmSetUp, noteLicence } from '@/db/queries/house'
import { noteAttempt, recentAttempts } from '@/db/queries/person'
import { noteEvent } from '@/db/queries/step'
import { hashPassword } from '../password'
import { waitBefore } from '../session'
import { isSetUpCode, isToBeSetUp } from './setUpCode'

/** Under this name wrong codes are counted, as wrong passwords are under their address. */
const DOOR = 'set-up'

/** What no address of the product is answered with once a firm was set up. */
export const SET_UP_ALREADY = refuse(
  'unknown',
  'setup',
  'A firm was set up here already. Sign in, or ask to be invited.',
)

/**
 * Sets up the first firm and its first person, who keeps the house. Problems: `unknown` (field `setup`) once there is one;
 * `not-allowed` (field `code`) for a wrong code, slowed down like a wrong password.
 */
export async function setUp(
  asked: z.output<typeof setUpAsks>,
  source: string,
): Promise<Result<{ firm: string; person: string }>> {
  if (!(await isToBeSetUp())) return SET_UP_ALREADY
  const before = await signingIn(DOOR, async (sql) => {
    const attempts = await recentAttempts(sql, DOOR, source)
    await noteAttempt(sql, DOOR, source)
    return attempts
  })
  await pause(waitBefore(before.own, before.others))
  if (!isSetUpCode(asked.code))
    return refuse(
      'not-allowed',
      'code',
      'This is not the set-up code. The server printed it as it started: two groups of four letters and digits.',
    )
  const passwordHash = await hashPassword(asked.person.password)
  const [firm, person] = [uuidv7(), uuidv7()]
  const { jurisdiction, ...about } = asked.firm
  const now = new Date()
  await claimAddress(asked.person.email, firm)
  const made = await settingUp(firm, async (sql) => {
    await addFirm(sql, { id: firm, ...about })
    // Two hands at once: the one that waited sees whose it became.
    if ((await firmSetUp(sql)) !== firm) throw new SomebodyElse()
    await addPerson(sql, {
      id: person,
      firmId: firm,
      email: asked.person.email,
      name: asked.person.name,
      role: asked.person.role,
      units: about.units,
      language: about.language,
      passwordHash,
      keepsHouse: true,
    })
    if (asked.person.licence !== null) {
      await addLicence(sql, {
        id: uuidv7(),
        firmId: firm,
        personId: person,
        number: asked.person.licence,
        categories: [],
        state: null,
        until: null,
      })
      await noteLicence(sql, person)
    }
    await setOwnEntry(sql, {
      id: uuidv7(),
      firmId: firm,
      kind: 'jurisdiction',
      about: 'jurisdiction',
      body: { kind: 'jurisdiction', place: jurisdiction },
      by: person,
      at: now,
    })
    await noteEvent(sql, {
      id: uuidv7(),
      firmId: firm,
      personId: person,
      verb: 'set-up',
      about: firm,
      at: now,
    })
    return true
  }).catch((error: unknown) => {
    if (error instanceof SomebodyElse) return false
    throw error
  })
  return made ? ok({ firm, person }) : SET_UP_ALREADY
}

class SomebodyElse extends Error {}
