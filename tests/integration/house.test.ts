import { TOTP, Secret } from 'otpauth'
import { inFirm, presenting, signingIn } from '@/db/client'
import {
  endSession,
  openSession,
  personById,
  personOfSession,
  personSigningIn,
  type PersonRow,
} from '@/db/queries/person'
import { personToEmpty } from '@/db/queries/house'
import { addToken, tokenPresented } from '@/db/queries/apiToken'
import { verifyPassword } from '@/server/password'
import { doorLinkOf, enterByInvitation, resetPassword } from '@/server/house/doorLink'
import { isFactor } from '@/server/house/factor'
import { setUp } from '@/server/house/setUp'
import { isSetUpCode, isToBeSetUp, setUpCode } from '@/server/house/setUpCode'
import { act, closePool, done, makeFirm, ownerSql, problemOf, uuidv7, type TestFirm } from './scenario'

let firm: TestFirm
let keeper: PersonRow
beforeAll(async () => {
  firm = await makeFirm('House firm')
  const owner = ownerSql()
  await owner`update person set keeps_house = true where id = ${firm.person('office').id}`
  await owner.end()
  keeper = firm.person('office')
})
afterAll(() => closePool())

const tokenOf = (link: string) => new URL(link, 'https://x.example').searchParams.get('token')!
const invite = (email: string, more: object = {}) =>
  done<{ link: string; posted: boolean }>(keeper, 'invite', {
    id: uuidv7(),
    name: 'Nell Arden',
    email,
    role: 'technician',
    keepsHouse: false,
    ...more,
  })
const address = () => `nell.${uuidv7()}@test.example`

describe('setting up', () => {
  const asked = (code: string) => ({
    code,
    firm: {
      name: 'Late',
      town: 'Testham',
      latitude: 42,
      longitude: -75,
      timeZone: 'America/New_York',
      units: 'us' as const,
      language: 'en' as const,
      jurisdiction: 'united-states' as const,
    },
    person: {
      name: 'Late Comer',
      email: address(),
      password: 'four-words-in-a-row',
      role: 'arborist' as const,
      licence: null,
    },
  })
  test('where a firm stands nobody sets up another, with the right code neither', async () => {
    expect(await isToBeSetUp()).toBe(false)
    const refused = await setUp(asked(setUpCode()), 'here')
    expect(refused.ok ? null : refused.problem.field).toBe('setup')
  })
  test('the code is two groups of four that are not taken for each other, and always the same', () => {
    expect(setUpCode()).toMatch(/^[A-HJ-NP-Z2-9]{4}-[A-HJ-NP-Z2-9]{4}$/)
    expect(setUpCode()).toBe(setUpCode())
    expect(
      [setUpCode(), setUpCode().toLowerCase().replace('-', ' '), 'AAAA-AAAA', ''].map(isSetUpCode),
    ).toEqual([true, true, false, false])
  })
})

describe('an invitation', () => {
  test('makes its person once, in their role, with the units of the firm', async () => {
    const email = address()
    const { link } = await invite(email)
    const token = tokenOf(link)
    expect(await doorLinkOf(token, 'invitation')).toEqual({
      firm: 'House firm',
      email,
      name: 'Nell Arden',
      role: 'technician',
    })
    expect(await doorLinkOf(token, 'password')).toBeNull()
    const twice = await Promise.all(
      [1, 2].map(() => enterByInvitation({ token, name: 'Nell', password: 'four-words-in-a-row' })),
    )
    expect(twice.map((r) => r.ok).sort()).toEqual([false, true])
    const found = await signingIn(email, (sql) => personSigningIn(sql, email))
    expect(found?.firmId).toBe(firm.id)
    expect(await verifyPassword(found!.passwordHash, 'four-words-in-a-row')).toBe(true)
    const person = await inFirm(firm.id, (sql) => personById(sql, found!.id))
    expect(person).toMatchObject({ name: 'Nell', role: 'technician', keepsHouse: false, units: 'us' })
    expect(await doorLinkOf(token, 'invitation')).toBeNull()
  })
  test('opens nothing once it was called back, or after seven days, or when another went to the same address', async () => {
    const back = await invite(address())
    const [open] = await inFirm(
      firm.id,
      (sql) =>
        sql<{ id: string }[]>`select id from door_link where used_at is null order by made_at desc limit 1`,
    )
    await done(keeper, 'call-back-invitation', { invitationId: open!.id })
    const old = await invite(address())
    const owner = ownerSql()
    await owner`update door_link set until = now() - interval '1 second' where firm_id = ${firm.id} and used_at is null and called_back_at is null`
    await owner.end()
    const email = address()
    const [first, second] = [await invite(email), await invite(email)]
    const entered = []
    for (const { link } of [back, old, first, second])
      entered.push(
        (await enterByInvitation({ token: tokenOf(link), name: 'Nell', password: 'four-words-here' })).ok,
      )
    expect(entered).toEqual([false, false, false, true])
    expect((await problemOf(keeper, 'call-back-invitation', { invitationId: open!.id }))?.code).toBe(
      'unknown',
    )
  })
  test('is asked by whoever keeps the house only, and never to who is here already', async () => {
    const asked = { id: uuidv7(), name: 'X Y', email: address(), role: 'office', keepsHouse: true }
    expect((await problemOf(firm.person('arborist'), 'invite', asked))?.field).toBe('role')
    const email = `arborist.${firm.id}@test.example`
    expect((await problemOf(keeper, 'invite', { ...asked, email }))?.message).toContain('already')
  })
  test('tells nobody that an address is known in another firm, until its holder opens it', async () => {
    const other = await makeFirm('Other house')
    const email = `arborist.${other.id}@test.example`
    const { link } = await invite(email)
    const refused = await enterByInvitation({
      token: tokenOf(link),
      name: 'Nell',
      password: 'four-words-here',
    })
    expect(refused.ok ? null : refused.problem.field).toBe('email')
  })
  test('keeps no word by which it could be used', async () => {
    const { link } = await invite(address())
    const owner = ownerSql()
    const [kept] = await owner`select to_jsonb(l)::text as all from door_link l order by made_at desc limit 1`
    const events = await owner`select to_jsonb(e)::text as all from audit_event e where verb = 'invite'`
    await owner.end()
    for (const { all } of [kept!, ...events]) expect(all).not.toContain(tokenOf(link))
  })
})

describe('people', () => {
  async function somebody(more: object = {}) {
    const email = address()
    const { link } = await invite(email, more)
    const r = await enterByInvitation({
      token: tokenOf(link),
      name: 'Somebody',
      password: 'four-words-in-a-row',
    })
    if (!r.ok) throw new Error(r.problem.message)
    return {
      email,
      id: r.value.personId,
      now: () => inFirm(firm.id, (sql) => personById(sql, r.value.personId)),
    }
  }
  test('who is put away is out at once, with every program, and comes back with the same password', async () => {
    const p = await somebody()
    const [session, hash] = [uuidv7(), uuidv7()]
    await inFirm(firm.id, async (sql) => {
      await openSession(sql, { id: session, firmId: firm.id, personId: p.id, device: 'Chrome on Linux' })
      await addToken(sql, {
        id: uuidv7(),
        firmId: firm.id,
        personId: p.id,
        name: 't',
        kind: 'named',
        tokenHash: hash,
        hint: 'elm_',
        hours: null,
      })
    })
    const inside = async () => [
      (await inFirm(firm.id, (sql) => personOfSession(sql, session)))?.id,
      (await presenting(hash, (sql) => tokenPresented(sql, hash)))?.personId,
      (await signingIn(p.email, (sql) => personSigningIn(sql, p.email)))?.id,
    ]
    expect(await inside()).toEqual([p.id, p.id, p.id])
    await done(keeper, 'put-person-away', { personId: p.id })
    expect(await inside()).toEqual([undefined, undefined, undefined])
    await done(keeper, 'take-person-back', { personId: p.id })
    expect(await inside()).toEqual([undefined, undefined, p.id])
  })
  test('somebody always keeps the house, whatever two keepers do at once', async () => {
    const away = await problemOf(keeper, 'put-person-away', { personId: keeper.id })
    expect(away?.message).toMatch(/always/)
    const set = { personId: keeper.id, name: 'office', role: 'office', keepsHouse: false }
    expect((await problemOf(keeper, 'set-person', set))?.field).toBe('keepsHouse')
    const p = await somebody({ keepsHouse: true })
    const other = (await p.now())!
    expect(other.keepsHouse).toBe(true)
    const both = await Promise.all([
      act(keeper, 'put-person-away', { personId: p.id }),
      act(other, 'put-person-away', { personId: keeper.id }),
    ])
    expect(both.filter((r) => r.ok)).toHaveLength(1)
    const owner = ownerSql()
    const [left] = await owner`
      select count(*)::int as n from person where firm_id = ${firm.id} and keeps_house and put_away_at is null`
    expect(left!.n).toBe(1)
    // Not by a statement either.
    await expect(
      inFirm(firm.id, (sql) => sql`update person set keeps_house = false where keeps_house`),
    ).rejects.toThrow(/keep the house/)
    await owner`update person set keeps_house = true, put_away_at = null where id = ${keeper.id}`
    await owner.end()
  })
  test('a device that is lost is ended by whoever keeps the house, and is to be emptied; one that was signed out is not', async () => {
    const p = await somebody()
    const [lost, left] = [uuidv7(), uuidv7()]
    await inFirm(firm.id, async (sql) => {
      for (const id of [lost, left]) await openSession(sql, { id, firmId: firm.id, personId: p.id })
      await endSession(sql, left)
    })
    const empties = (id: string) => inFirm(firm.id, (sql) => personToEmpty(sql, id))
    expect(await empties(lost)).toBeUndefined()
    expect(await problemOf(firm.person('arborist'), 'end-device', { sessionId: lost })).toMatchObject({
      field: 'role',
    })
    await done(keeper, 'end-device', { sessionId: lost })
    expect(await inFirm(firm.id, (sql) => personOfSession(sql, lost))).toBeUndefined()
    expect([await empties(lost), await empties(left)]).toEqual([p.id, undefined])
    expect(await problemOf(keeper, 'end-device', { sessionId: left })).toMatchObject({ field: 'sessionId' })
    // Nobody is told of another firm’s devices.
    const other = await makeFirm('Other devices')
    expect(await inFirm(other.id, (sql) => personToEmpty(sql, lost))).toBeUndefined()
  })
  test('a new password by a link ends what was open, and the link', async () => {
    const p = await somebody()
    const session = uuidv7()
    await inFirm(firm.id, (sql) => openSession(sql, { id: session, firmId: firm.id, personId: p.id }))
    const { link } = await done<{ link: string }>(keeper, 'make-password-link', {
      id: uuidv7(),
      personId: p.id,
    })
    const set = () => resetPassword({ token: tokenOf(link), password: 'other-words-in-a-row' })
    expect((await set()).ok).toBe(true)
    expect((await set()).ok).toBe(false)
    const found = await signingIn(p.email, (sql) => personSigningIn(sql, p.email))
    expect(await verifyPassword(found!.passwordHash, 'other-words-in-a-row')).toBe(true)
    expect(await inFirm(firm.id, (sql) => personOfSession(sql, session))).toBeUndefined()
  })
  test('one’s own password is changed with the old one only', async () => {
    const p = (await (await somebody()).now())!
    const change = (old: string, password: string) => problemOf(p, 'change-password', { old, password })
    expect((await change('wrong', 'other-words-in-a-row'))?.field).toBe('old')
    expect((await change('four-words-in-a-row', 'short'))?.field).toBe('password')
    expect(await change('four-words-in-a-row', 'other-words-in-a-row')).toBeNull()
  })
  test('the licence that holds longest is signed under; taken off file, the next', async () => {
    const p = await somebody()
    const add = (number: string, until: string | null) =>
      done<{ id: string }>(keeper, 'add-licence', {
        id: uuidv7(),
        personId: p.id,
        number,
        categories: ['trees'],
        state: 'NY',
        until,
      })
    await add('L-1', '2026-12-31')
    const long = await add('L-2', '2028-12-31')
    expect(await p.now()).toMatchObject({ licence: 'L-2', licenceUntil: '2028-12-31' })
    await done(keeper, 'end-licence', { licenceId: long.id })
    expect(await p.now()).toMatchObject({ licence: 'L-1', licenceUntil: '2026-12-31' })
    await add('L-3', null)
    expect(await p.now()).toMatchObject({ licence: 'L-3', licenceUntil: null })
  })
})

describe('a second factor', () => {
  test('is asked once it was shown to work; a code is taken once, a recovery code too', async () => {
    const person = firm.person('crew lead', new Date())
    const { secret } = await done<{ secret: string; svg: string }>(person, 'start-factor', {})
    const codeAt = (at: number) => new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: at })
    expect((await problemOf(person, 'confirm-factor', { code: '000000' }))?.field).toBe('code')
    const { recoveryCodes } = await done<{ recoveryCodes: string[] }>(person, 'confirm-factor', {
      code: codeAt(Date.now()),
    })
    expect(new Set(recoveryCodes).size).toBe(10)
    const opens = (code: string, at?: Date) => inFirm(firm.id, (sql) => isFactor(sql, person.id, code, at))
    const later = Date.now() + 120_000
    expect(await opens(codeAt(later), new Date(later))).toBe(true)
    expect(await opens(codeAt(later), new Date(later))).toBe(false)
    expect(await opens(codeAt(later - 90_000), new Date(later))).toBe(false)
    expect(await opens(recoveryCodes[3]!.toLowerCase().replace('-', ' '))).toBe(true)
    expect(await opens(recoveryCodes[3]!)).toBe(false)
    const owner = ownerSql()
    const [kept] =
      await owner`select factor_secret as s, recovery_codes as c from person where id = ${person.id}`
    expect(kept!.s).not.toContain(secret)
    expect(kept!.c).toHaveLength(9)
    await owner.end()
  })
  test('of signers is asked by the house once whoever asks has one; then nobody signs without', async () => {
    expect((await problemOf(keeper, 'ask-factor', { asked: true }))?.field).toBe('asked')
    await done({ ...keeper, hasFactor: true }, 'ask-factor', { asked: true })
    const signer = { ...firm.person('arborist'), factorAsked: true }
    expect((await problemOf(signer, 'sign-diagnosis', {}))?.field).toBe('factor')
    expect((await problemOf({ ...signer, hasFactor: true }, 'sign-diagnosis', {}))?.field).not.toBe('factor')
    expect((await problemOf(signer, 'write-note', {}))?.field).not.toBe('factor')
    await done({ ...keeper, hasFactor: true }, 'ask-factor', { asked: false })
  })
})

test('what no step changes, the app’s own role cannot change', async () => {
  const id = firm.person('technician').id
  const tries = [
    (sql: Parameters<Parameters<typeof inFirm>[1]>[0]) =>
      sql`update person set email = 'x@y.example' where id = ${id}`,
    (sql: Parameters<Parameters<typeof inFirm>[1]>[0]) => sql`delete from session`,
    (sql: Parameters<Parameters<typeof inFirm>[1]>[0]) => sql`update firm set id = ${uuidv7()}`,
    (sql: Parameters<Parameters<typeof inFirm>[1]>[0]) =>
      sql`update door_link set until = now() + interval '9 years'`,
  ]
  for (const attempt of tries) await expect(inFirm(firm.id, attempt)).rejects.toThrow(/permission denied/)
})
