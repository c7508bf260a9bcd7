import { mkdtemp, readdir, readFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { inFirm } from '@/db/client'
import { messagesOfClient, messagesOfJob } from '@/db/queries/message'
import { aboutJob } from '@/server/messages/aboutJob'
import { composed, kindsNow } from '@/server/messages/compose'
import { placeCode } from '@/server/messages/placeCode'
import { placeOfSign } from '@/server/read/placeSign'
import {
  act,
  closePool,
  done,
  makeFirm,
  NOON,
  problemOf,
  runAsh,
  stepPorts,
  uuidv7,
  type TestFirm,
} from './scenario'

/** What a client is told of work, in their language and once; and what the sign of a place says to whoever reads it. */
let firm: TestFirm
let jobId: string
let run: Awaited<ReturnType<typeof runAsh>>
let outbox: string
const office = () => firm.person('office', NOON)
const about = () => inFirm(firm.id, (sql) => aboutJob({ sql, person: office() }, jobId))

beforeAll(async () => {
  outbox = process.env.OUTBOX_DIR = await mkdtemp(path.join(tmpdir(), 'outbox-'))
  firm = await makeFirm('Telling firm')
  await inFirm(
    firm.id,
    (sql) =>
      sql`update client set contacts = ${sql.json([
        { name: 'Ann Pell', role: null, telephone: null, email: 'ann@example.org', language: 'en' },
        { name: 'Luis Mora', role: null, telephone: null, email: 'luis@example.org', language: 'es' },
      ])}`,
  )
  run = await runAsh(firm, 'M1')
  jobId = run.jobId
})
afterAll(() => closePool())

async function toSend(kind: 'day' | 'tomorrow' | 'done' = 'day') {
  const { work, client } = (await about())!
  return { id: uuidv7(), jobId, kind, messages: composed(kind, work, client.contacts) }
}
const mails = async () =>
  Promise.all((await readdir(outbox)).sort().map((f) => readFile(path.join(outbox, f), 'utf8')))

test('each contact is told in their language by a message of its own, once, in the words that were seen', async () => {
  const asked = await toSend()
  expect(kindsNow((await about())!.work, '2026-06-12')).toEqual(['day'])
  expect(asked.messages.map((m) => m.language)).toEqual(['en', 'es'])
  asked.messages[0]!.text += '\nBring the key.'
  expect(await done(office(), 'tell-client', asked)).toEqual({ told: 2 })
  const sent = await mails()
  expect(sent).toHaveLength(2)
  const text = (mail: string) => Buffer.from(mail.split('\r\n\r\n')[1]!, 'base64').toString()
  expect(
    sent.some((m) => /^To: Ann Pell <ann@example\.org>/m.test(m) && text(m).endsWith('Bring the key.')),
  ).toBe(true)
  expect(sent.some((m) => text(m).includes('vamos a Telling firm site'))).toBe(true)
  expect(await inFirm(firm.id, (sql) => messagesOfJob(sql, jobId))).toMatchObject([
    { by: 'office', kind: 'day' },
    { by: 'office', kind: 'day' },
  ])
  // It stands with the client as well.
  const client = (await about())!.client
  const ofClient = (id: string) => inFirm(firm.id, (sql) => messagesOfClient(sql, id))
  expect(await ofClient(client.id)).toHaveLength(2)
  expect(await ofClient(uuidv7())).toEqual([])
})

test('nobody is told twice; a repeat is the same press; what is no address of theirs is refused', async () => {
  expect(await problemOf(office(), 'tell-client', await toSend())).toMatchObject({ code: 'conflict' })
  const foreign = await toSend()
  foreign.messages[0]!.address = 'stranger@example.org'
  expect(await problemOf(office(), 'tell-client', foreign)).toMatchObject({ field: 'messages[0].address' })
  expect(await mails()).toHaveLength(2)
})

test('nothing is told before its time, nor to a client who wants it otherwise', async () => {
  expect(await problemOf(office(), 'tell-client', await toSend('done'))).toMatchObject({ field: 'kind' })
  expect(await problemOf(office(), 'tell-client', await toSend('tomorrow'))).toMatchObject({ field: 'kind' })
  await inFirm(firm.id, (sql) => sql`update client set notices = 'telephone'`)
  expect(await problemOf(office(), 'tell-client', await toSend())).toMatchObject({
    message: expect.stringMatching(/wants to be told by telephone\.$/) as string,
  })
  expect(await act(firm.person('technician', NOON), 'tell-client', await toSend())).toMatchObject({
    ok: false,
  })
})

test('the code of a sign says whether its place is closed, and nothing to whoever made it up', async () => {
  const { job } = (await about())!
  const code = placeCode(firm.id, job.siteId)
  expect(await placeOfSign(code)).toMatchObject({
    site: 'Telling firm site',
    firm: 'Telling firm',
    until: null,
  })
  expect((await placeOfSign(code))!.working).toBe(false)
  await stepPorts(firm, [run.ports[0]!.id], ['drill', 'start'])
  expect((await placeOfSign(code))!.working).toBe(true)
  expect(await placeOfSign(`${code.slice(0, -4)}AAAA`)).toBeNull()
  expect(await placeOfSign('0'.repeat(59))).toBeNull()
})
