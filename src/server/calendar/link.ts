import { randomBytes } from 'node:crypto'
import { z } from 'zod'
import { ok, refuse, type Result } from '@/core/problem'
import { inFirm, inPassing, presenting } from '@/db/client'
import {
  addCalendarLink,
  calendarLinks,
  linkPresented,
  noteCalendarUse,
  revokeCalendarLink,
  type CalendarOf,
} from '@/db/queries/calendar'
import { crewById } from '@/db/queries/crew'
import { personById, type PersonRow } from '@/db/queries/person'
import { clientById } from '@/db/queries/site'
import { hashOf } from '../apiToken'
import { id } from '@/asks/text'
import { nowOf, verb } from '../verb'

/** More links to one calendar nobody can keep apart. */
const MOST_LINKS = 20

/** Whose calendar a link leads to and who made it, while it holds; notes its use. */
export async function calendarOfLink(
  link: string,
): Promise<{ id: string; of: CalendarOf; madeBy: PersonRow } | null> {
  const tokenHash = hashOf(link)
  const found = await presenting(tokenHash, (sql) => linkPresented(sql, tokenHash))
  if (!found) return null
  const madeBy = await inFirm(found.firmId, (sql) => personById(sql, found.madeBy))
  if (!madeBy) return null
  if (found.stale) await inPassing(found.firmId, (sql) => noteCalendarUse(sql, found.id, nowOf(madeBy)))
  return { id: found.id, of: { crewId: found.crewId, clientId: found.clientId }, madeBy }
}

/** Makes a link to the calendar of a crew or a client. It is answered once and never again; whoever holds it can read that calendar. */
export const makeCalendarLinkVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  about: (i) => i.id,
  makes: (i) => i.id,
  secret: true,
  input: z.strictObject({
    id: id(),
    /** One of both. */
    crewId: id('crewId').nullable(),
    clientId: id('clientId').nullable(),
  }),
  run: async ({ sql, person, at }, input): Promise<Result<{ link: string }>> => {
    if ((input.crewId === null) === (input.clientId === null))
      return refuse('missing', 'crewId', 'A calendar is of one crew or of one client.')
    if (input.crewId !== null) {
      const crew = await crewById(sql, input.crewId)
      if (!crew || crew.ended) return refuse('unknown', 'crewId', 'There is no such crew.')
    }
    if (input.clientId !== null && !(await clientById(sql, input.clientId)))
      return refuse('unknown', 'clientId', 'There is no such client.')
    const of = { crewId: input.crewId, clientId: input.clientId }
    if ((await calendarLinks(sql, of)).length >= MOST_LINKS)
      return refuse(
        'out-of-range',
        'crewId',
        `This calendar has ${MOST_LINKS} links; end those nobody uses first.`,
      )
    const link = randomBytes(24).toString('base64url')
    await addCalendarLink(sql, {
      ...of,
      id: input.id,
      firmId: person.firmId,
      tokenHash: hashOf(link),
      by: person.id,
      at,
    })
    return ok({ link })
  },
})

/** Ends a link: calendars that read it stop hearing anything. */
export const endCalendarLinkVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  about: (i) => i.linkId,
  input: z.strictObject({ linkId: id('linkId') }),
  run: async ({ sql, at }, input): Promise<Result<{ ended: true }>> => {
    const ended = await revokeCalendarLink(sql, input.linkId, at)
    return ended
      ? ok({ ended })
      : refuse('unknown', 'linkId', 'This link was ended already. Load the page again.')
  },
})
