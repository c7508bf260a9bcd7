import { z } from 'zod'
import { inviteAsks, licenceAsks, passwordAsks, personAsks } from '@/asks/house'
import { id } from '@/asks/text'
import { ok, refuse, type Result } from '@/core/problem'
import {
  addLicence,
  askSecondFactor,
  callBack,
  endLicence,
  endDevice,
  endSessions,
  holdHouse,
  licences,
  noteLicence,
  openInvitations,
  otherKeepers,
  passwordHashOf,
  peopleOfFirm,
  putAway,
  setPassword,
  setPerson,
} from '@/db/queries/house'
import { endApiSessions, endTokens } from '@/db/queries/apiToken'
import { personById } from '@/db/queries/person'
import { verifyBesidePages } from '../heavy/besidePages'
import { hashPassword } from '../password'
import { currentSessionId } from '../session'
import { verb, type Context } from '../verb'
import { makeDoorLink, type MadeLink } from './doorLink'

/** More open invitations than this nobody follows up. */
const MOST_INVITATIONS = 200

const noPerson = refuse('unknown', 'personId', 'There is no such person here. Load the page again.')

/** Asks somebody in: a link that holds seven days and works once, told here and put into the outbox. */
export const inviteVerb = verb({
  roles: 'all',
  keeps: true,
  input: inviteAsks,
  about: (i) => i.id,
  makes: (i) => i.id,
  secret: true,
  run: async (context, input): Promise<Result<MadeLink>> => {
    const { sql, person } = context
    const people = await peopleOfFirm(sql)
    const there = people.find((p) => p.email.toLowerCase() === input.email)
    if (there)
      return refuse(
        'conflict',
        'email',
        there.putAwayAt
          ? `${there.name} had this address and is put away; take them back in the list.`
          : `${there.name} signs in with this address already.`,
      )
    if ((await openInvitations(sql)).length >= MOST_INVITATIONS)
      return refuse(
        'out-of-range',
        'email',
        `${MOST_INVITATIONS} invitations are open; call back those nobody will use.`,
      )
    const made = await makeDoorLink(context, {
      ...input,
      firmId: person.firmId,
      firmName: person.firmName,
      kind: 'invitation',
      personId: null,
      by: person,
    })
    return ok(made)
  },
})

/** Calls an invitation back: its link opens nothing any more. */
export const callBackInvitationVerb = verb({
  roles: 'all',
  keeps: true,
  input: z.strictObject({ invitationId: id('invitationId') }),
  about: (i) => i.invitationId,
  run: async ({ sql }, input): Promise<Result<{ calledBack: true }>> =>
    (await callBack(sql, { id: input.invitationId })) === 1
      ? ok({ calledBack: true })
      : refuse(
          'unknown',
          'invitationId',
          'This invitation was used or called back already. Load the page again.',
        ),
})

/** Makes a link to a new password for somebody who cannot sign in any more; nobody sees the password. */
export const makePasswordLinkVerb = verb({
  roles: 'all',
  keeps: true,
  input: z.strictObject({ id: id(), personId: id('personId') }),
  about: (i) => i.personId,
  makes: (i) => i.id,
  secret: true,
  run: async (context, input): Promise<Result<MadeLink>> => {
    const { sql, person } = context
    const whose = await personById(sql, input.personId)
    if (!whose) return noPerson
    const made = await makeDoorLink(context, {
      id: input.id,
      firmId: person.firmId,
      firmName: person.firmName,
      kind: 'password',
      personId: whose.id,
      email: whose.email.toLowerCase(),
      name: whose.name,
      role: whose.role,
      keepsHouse: false,
      by: person,
    })
    return ok(made)
  },
})

const LAST_KEEPER = 'Somebody keeps the house, always. Give that to somebody else first.'

async function isLastKeeper(sql: Context['sql'], personId: string): Promise<boolean> {
  await holdHouse(sql)
  const whose = await personById(sql, personId)
  return whose?.keepsHouse === true && (await otherKeepers(sql, personId)) === 0
}

/** Sets what a person is called, what they are, and whether they keep the house. */
export const setPersonVerb = verb({
  roles: 'all',
  keeps: true,
  input: personAsks,
  about: (i) => i.personId,
  run: async ({ sql }, input): Promise<Result<{ personId: string }>> => {
    if (!input.keepsHouse && (await isLastKeeper(sql, input.personId)))
      return refuse('conflict', 'keepsHouse', LAST_KEEPER)
    const { personId, ...rest } = input
    return (await setPerson(sql, { id: personId, ...rest })) === 1 ? ok({ personId }) : noPerson
  },
})

/** Puts a person away: they are out at once everywhere, and what they did keeps their name. */
export const putPersonAwayVerb = verb({
  roles: 'all',
  keeps: true,
  input: z.strictObject({ personId: id('personId') }),
  about: (i) => i.personId,
  run: async ({ sql, person, now }, input): Promise<Result<{ personId: string }>> => {
    if (!(await personById(sql, input.personId))) return noPerson
    if (await isLastKeeper(sql, input.personId)) return refuse('conflict', 'personId', LAST_KEEPER)
    await putAway(sql, input.personId, person.id, now)
    await endSessions(sql, input.personId, { but: null })
    await endTokens(sql, input.personId)
    return ok({ personId: input.personId })
  },
})

/** Takes a person back who was put away; they sign in with the password they had. */
export const takePersonBackVerb = verb({
  roles: 'all',
  keeps: true,
  input: z.strictObject({ personId: id('personId') }),
  about: (i) => i.personId,
  run: async ({ sql, now }, input): Promise<Result<{ personId: string }>> => {
    if (!(await peopleOfFirm(sql)).some((p) => p.id === input.personId)) return noPerson
    await putAway(sql, input.personId, null, now)
    return ok({ personId: input.personId })
  },
})

/** More licences of one person are a slip. */
const MOST_LICENCES = 20

/** Puts a licence on file. The one that holds longest is the one a person signs under. */
export const addLicenceVerb = verb({
  roles: ['arborist', 'office'],
  input: licenceAsks,
  about: (i) => i.personId,
  makes: (i) => i.id,
  run: async ({ sql, person }, input): Promise<Result<{ id: string }>> => {
    if (!(await personById(sql, input.personId))) return noPerson
    const have = await licences(sql, input.personId)
    if (have.length >= MOST_LICENCES)
      return refuse(
        'out-of-range',
        'number',
        `${MOST_LICENCES} licences are on file; end those that are over first.`,
      )
    if (have.some((l) => l.number.toLowerCase() === input.number.toLowerCase() && l.until === input.until))
      return refuse('conflict', 'number', 'This licence is on file already, with the same day.')
    await addLicence(sql, { ...input, firmId: person.firmId })
    await noteLicence(sql, input.personId)
    return ok({ id: input.id })
  },
})

/** Takes a licence off file; records keep the number they were signed under. */
export const endLicenceVerb = verb({
  roles: ['arborist', 'office'],
  input: z.strictObject({ licenceId: id('licenceId') }),
  about: (i) => i.licenceId,
  run: async ({ sql, now }, input): Promise<Result<{ ended: true }>> => {
    const whose = await endLicence(sql, input.licenceId, now)
    if (whose === undefined)
      return refuse('unknown', 'licenceId', 'This licence is off file already. Load the page again.')
    await noteLicence(sql, whose)
    return ok({ ended: true })
  },
})

/** Changes one’s own password; the old one is asked, and everywhere else one is signed out. */
export const changePasswordVerb = verb({
  roles: 'all',
  input: passwordAsks,
  noted: () => ({}),
  run: async ({ sql, person, now }, input): Promise<Result<{ ended: number }>> => {
    if (!(await verifyBesidePages(await passwordHashOf(sql, person.id), input.old)))
      return refuse('not-allowed', 'old', 'This is not your password as it is; type it again.')
    if (input.old === input.password)
      return refuse('conflict', 'password', 'This is the password you have; choose another.')
    await setPassword(sql, person.id, await hashPassword(input.password), now)
    const ended = await endSessions(sql, person.id, { but: await currentSessionId() })
    await endApiSessions(sql, person.id)
    return ok({ ended })
  },
})

/** Ends one of one’s own sessions on another device. */
export const endSessionVerb = verb({
  roles: 'all',
  input: z.strictObject({ sessionId: id('sessionId') }),
  about: (i) => i.sessionId,
  run: async ({ sql, person }, input): Promise<Result<{ ended: true }>> =>
    (await endSessions(sql, person.id, { id: input.sessionId })) === 1
      ? ok({ ended: true })
      : refuse('unknown', 'sessionId', 'This session has ended already. Load the page again.'),
})

/** Ends the session of a device that is lost, whoever is signed in there; when it next asks it empties what it keeps. */
export const endDeviceVerb = verb({
  roles: 'all',
  keeps: true,
  input: z.strictObject({ sessionId: id('sessionId') }),
  about: (i) => i.sessionId,
  run: async ({ sql }, input): Promise<Result<{ ended: true }>> =>
    input.sessionId === (await currentSessionId())
      ? refuse('conflict', 'sessionId', 'This is the device in your hand. Sign out here instead.')
      : (await endDevice(sql, input.sessionId)) === 1
        ? ok({ ended: true })
        : refuse('unknown', 'sessionId', 'This session has ended already. Load the page again.'),
})

/** Ends all of one’s own sessions but this one. */
export const endOtherSessionsVerb = verb({
  roles: 'all',
  input: z.strictObject({}),
  run: async ({ sql, person }): Promise<Result<{ ended: number }>> => {
    await endApiSessions(sql, person.id)
    return ok({ ended: await endSessions(sql, person.id, { but: await currentSessionId() }) })
  },
})

/** Says whether a second factor is asked of whoever signs. Whoever asks it has one. */
export const askFactorVerb = verb({
  roles: 'all',
  keeps: true,
  input: z.strictObject({ asked: z.boolean() }),
  run: async ({ sql, person }, input): Promise<Result<{ asked: boolean }>> => {
    if (input.asked && !person.hasFactor)
      return refuse(
        'not-allowed',
        'asked',
        'Set up your own second factor first, so that you are not the first shut out.',
      )
    await askSecondFactor(sql, input.asked)
    return ok({ asked: input.asked })
  },
})
