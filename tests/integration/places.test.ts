import { inFirm } from '@/db/client'
import { clientWhole } from '@/db/queries/client'
import { sites, siteWhole } from '@/db/queries/site'
import { closePool, decideAsh, done, makeFirm, ownerSql, problemOf, uuidv7, type TestFirm } from './scenario'

let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Places firm')
})
afterAll(() => closePool())

const office = () => firm.person('office')
const CONTACT = { name: 'Ada Fell', role: 'caretaker', telephone: '+1 555 0100', email: null, language: 'en' }

async function addClient(name: string) {
  const id = uuidv7()
  await done(office(), 'add-client', { id, name, contacts: [CONTACT], notices: 'telephone', note: null })
  return id
}
async function addSite(clientId: string, name: string, more: object = {}) {
  const id = uuidv7()
  await done(office(), 'add-site', { id, clientId, name, address: 'Testham', ...more })
  return id
}
const client = (id: string) => inFirm(firm.id, (sql) => clientWhole(sql, id))
const site = (id: string) => inFirm(firm.id, (sql) => siteWhole(sql, id))

test('a client and a site are entered and changed; a change from an older look is told', async () => {
  const clientId = await addClient('Fell House')
  expect(await client(clientId)).toMatchObject({
    name: 'Fell House',
    contacts: [CONTACT],
    notices: 'telephone',
    sites: 0,
  })
  const siteId = await addSite(clientId, 'North lawn', {
    latitude: '42.5',
    longitude: '-75.25',
    gateCode: '4711',
  })
  expect(await site(siteId)).toMatchObject({
    latitude: 42.5,
    longitude: -75.25,
    gateCode: '4711',
    water: null,
    version: 1,
  })
  const change = {
    siteId,
    version: 1,
    name: 'South lawn',
    address: 'Testham',
    latitude: null,
    longitude: null,
  }
  await done(office(), 'change-site', change)
  expect(await site(siteId)).toMatchObject({ name: 'South lawn', latitude: null, version: 2 })
  expect((await problemOf(office(), 'change-site', { ...change, name: 'West' }))?.field).toBe('version')
  const was = await inFirm(
    firm.id,
    (sql) => sql`select was->>'name' as name from change where in_table = 'site' and was->>'id' = ${siteId}`,
  )
  expect(was[0]!.name).toBe('North lawn')
})

test.each([
  ['name', { name: '' }],
  ['contacts[0].telephone', { contacts: [{ ...CONTACT, telephone: 'ring me' }] }],
  ['contacts[0].email', { contacts: [{ ...CONTACT, email: 'nowhere' }] }],
  ['notices', { notices: 'pigeon' }],
])('a client is refused for %s', async (field, wrong) => {
  const r = await problemOf(office(), 'add-client', { id: uuidv7(), name: 'X', contacts: [], ...wrong })
  expect(r?.field).toBe(field)
})

test.each([
  ['longitude', { latitude: 42 }],
  ['latitude', { latitude: '0x46', longitude: 1 }],
  ['latitude', { latitude: 91, longitude: 1 }],
  ['address', { address: ' ' }],
])('a site is refused for %s', async (field, wrong) => {
  const clientId = await addClient('Wrong')
  const r = await problemOf(office(), 'add-site', {
    id: uuidv7(),
    clientId,
    name: 'X',
    address: 'Y',
    ...wrong,
  })
  expect(r?.field).toBe(field)
})

test('two of one client become one, with all sites; who is joined takes no more', async () => {
  const [a, b] = [await addClient('Mill Row'), await addClient('Mill Row Ltd')]
  await addSite(a, 'Mill')
  const into = await addSite(b, 'Weir')
  expect(await done(office(), 'join-clients', { clientId: a, intoId: b })).toEqual({ sites: 1 })
  expect(await client(b)).toMatchObject({ sites: 2 })
  expect(await client(a)).toMatchObject({ joinedInto: b, sites: 0 })
  expect((await problemOf(office(), 'join-clients', { clientId: b, intoId: a }))?.field).toBe('intoId')
  expect((await problemOf(office(), 'join-clients', { clientId: b, intoId: b }))?.field).toBe('intoId')
  expect((await problemOf(office(), 'archive-client', { clientId: a, away: false }))?.code).toBe('conflict')
  expect(
    (await problemOf(office(), 'add-site', { id: uuidv7(), clientId: a, name: 'X', address: 'Y' }))?.field,
  ).toBe('clientId')
  expect((await site(into))?.clientId).toBe(b)
})

test('what is put away is worked at no more, and comes back with all it had', async () => {
  const clientId = await addClient('Leaving')
  const siteId = await addSite(clientId, 'Old orchard')
  expect((await problemOf(office(), 'archive-client', { clientId, away: true }))?.message).toContain(
    'a site that is',
  )
  await done(office(), 'archive-site', { siteId, away: true })
  const tree = { id: uuidv7(), siteId, tag: 'A', host: 'ash', eastM: 0, northM: 0, note: null }
  expect((await problemOf(office(), 'add-tree', tree))?.message).toContain('put away')
  expect((await inFirm(firm.id, (sql) => sites(sql))).some((s) => s.id === siteId)).toBe(false)
  await done(office(), 'archive-client', { clientId, away: true })
  expect((await problemOf(office(), 'archive-site', { siteId, away: false }))?.message).toContain(
    'client back first',
  )
  await done(office(), 'archive-client', { clientId, away: false })
  await done(office(), 'archive-site', { siteId, away: false })
  await done(office(), 'add-tree', tree)
})

test('a site is not put away while anything is promised there', async () => {
  const treated = await decideAsh(firm, 'P-1')
  await done(firm.person('arborist'), 'hand-to-crew', treated.prescription)
  const refused = await problemOf(office(), 'archive-site', { siteId: firm.site, away: true })
  expect(refused?.message).toMatch(/1 tree is with the crew/)
})

test('a signed examination stands as it was looked at', async () => {
  const treated = await decideAsh(firm, 'P-2')
  const owner = ownerSql()
  const [at] = await owner<{ id: string }[]>`
    select d.assessment_id as id from diagnosis d where d.tree_id = ${treated.treeId}`
  await owner.end()
  await expect(
    inFirm(firm.id, (sql) => sql`update finding set state = 'not-there' where assessment_id = ${at!.id}`),
  ).rejects.toThrow(/signed/)
  await expect(
    inFirm(firm.id, (sql) => sql`delete from finding where assessment_id = ${at!.id}`),
  ).rejects.toThrow(/signed/)
})
