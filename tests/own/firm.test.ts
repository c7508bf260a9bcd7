import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { parse } from 'csv-parse/sync'
import { unpacked } from '../unpacked'
import { cleanUp, folder, own, serve, SETUP } from './serving'

/**
 * A firm of its own on a bare machine, from `bin/serve` to a restored backup: the app as it is run, asked over the wire, with a database of its
 * own. What goes out is read by a reader that is not the writer.
 */

afterAll(cleanUp)

/** The first message that is put into a folder; it is put there after the answer. */
async function firstMail(outbox: string): Promise<string> {
  for (;;) {
    const found = existsSync(outbox) && readdirSync(outbox).find((f) => f.endsWith('.eml'))
    if (found) return path.join(outbox, found)
    await new Promise((rested) => setTimeout(rested, 50))
  }
}

test('a firm is set up once, works, is backed up while it serves, and stands again from the file', async () => {
  const app = await serve('one')
  expect(app.code).toMatch(/^[A-Z2-9]{4}-[A-Z2-9]{4}$/)
  // Secrets are the owner's alone.
  for (const file of ['session.secret', 'ledger.key'])
    expect(statSync(path.join(folder, 'one', file)).mode & 0o077).toBe(0)
  let token = ''
  const ask = (at: string, init: RequestInit & { json?: unknown } = {}) => {
    const { json, ...rest } = init
    return fetch(app.base + at, {
      ...rest,
      redirect: 'manual',
      ...(json !== undefined && { method: 'POST', body: JSON.stringify(json) }),
      headers: {
        ...(json !== undefined && { 'content-type': 'application/json' }),
        ...(token && { authorization: `Bearer ${token}` }),
        ...init.headers,
      },
    })
  }
  // Before: health is good, everybody is led to the door, a wrong code opens nothing.
  expect((await ask('/api/health')).status).toBe(200)
  expect((await ask('/sign-in')).headers.get('location')).toBe('/setup')
  expect((await ask('/api/setup', { json: { code: 'AAAA-AAAA', ...SETUP } })).status).toBe(403)
  expect(
    (await ask('/api/setup', { json: { code: app.code, ...SETUP, firm: { ...SETUP.firm, latitude: 200 } } }))
      .status,
  ).toBe(422)
  // Two at once: one firm.
  const both = await Promise.all([1, 2].map(() => ask('/api/setup', { json: { code: app.code, ...SETUP } })))
  expect(both.map((r) => r.status).sort()).toEqual([201, 404])
  expect((await ask('/api/setup', { json: { code: app.code, ...SETUP } })).status).toBe(404)
  expect((await ask('/setup')).status).toBe(404)

  // A token, a client, a site, a list of trees.
  const session = await ask('/api/v1/session', {
    json: { email: SETUP.person.email, password: SETUP.person.password },
  })
  token = ((await session.json()) as { token: string }).token
  const made = async (at: string, json: unknown) => {
    const r = await ask(at, { json })
    expect([at, r.status]).toEqual([at, 201])
    return ((await r.json()) as { id: string }).id
  }
  const client = await made('/api/v1/clients', { name: 'Oldmarch Library' })
  const site = await made('/api/v1/sites', {
    client,
    name: 'Library lawn',
    address: 'Main Street',
    latitude: 42.312,
    longitude: -75.21,
  })
  expect((await ask('/api/v1/sites', { json: { client: site, name: 'x', address: 'y' } })).status).toBe(404)
  expect((await ask('/api/v1/clients', { json: {} })).status).toBe(422)
  const text = `TREE_ID,SPECIES,DBH_IN,LAT,LON,NOTES\n${Array.from(
    { length: 120 },
    (_, i) => `T-${i},Acer rubrum,${8 + (i % 9)} 1/2,${42.3121 + i / 100_000},-75.2101,=1+${i}`,
  ).join('\n')}\n`
  const list = async (mode: string) =>
    (await (
      await ask(`/api/v1/import/trees?site=${site}&mode=${mode}`, {
        method: 'POST',
        body: text,
        headers: { 'content-type': 'text/csv' },
      })
    ).json()) as { import: string | null; rows: number; new: number; same: number; refused: unknown[] }
  expect(await list('look')).toMatchObject({ import: null, rows: 120, new: 120, same: 0, refused: [] })
  const taken = await list('take')
  expect(taken).toMatchObject({ rows: 120, new: 120, same: 0 })
  expect(await list('take')).toMatchObject({ rows: 120, new: 0, same: 120 })
  // A page at a time.
  const tags: string[] = []
  for (let after: string | null = ''; after !== null;) {
    const page = (await (
      await ask(`/api/v1/trees?site=${site}&limit=50${after && `&after=${after}`}`)
    ).json()) as {
      trees: { tag: string }[]
      next: string | null
    }
    tags.push(...page.trees.map((t) => t.tag))
    after = page.next
  }
  expect(new Set(tags).size).toBe(120)

  // Out: cells that run nothing, and that read in again change nothing.
  const csv = await (await ask(`/api/v1/trees.csv?site=${site}`)).text()
  const cells = parse(csv, { columns: true }) as unknown as Record<string, string>[]
  expect(cells).toHaveLength(120)
  expect(cells.every((r) => !/^[=+@\t\r]/.test(r['note']!))).toBe(true)
  expect(cells[0]!['note']).toBe("'=1+0")
  const back = await ask(
    `/api/v1/import/trees?site=${site}&mode=look&columns=${encodeURIComponent('{"kind":null,"listed as":"kind"}')}`,
    {
      method: 'POST',
      body: csv,
      headers: { 'content-type': 'text/csv' },
    },
  )
  expect(await back.json()).toMatchObject({ new: 0, changed: 0, same: 120, refused: [] })
  const geo = (await (await ask(`/api/v1/trees.geojson?site=${site}`)).json()) as {
    features: { geometry: { coordinates: [number, number] } }[]
  }
  const [longitude, latitude] = geo.features[0]!.geometry.coordinates
  expect([longitude, latitude]).toEqual([expect.closeTo(-75.2101, 6), expect.closeTo(42.3121, 6)])
  for (const file of ['readings.csv', 'records.csv', 'records.jsonl', 'limits.csv'])
    expect([file, (await ask(`/api/v1/${file}`)).status]).toEqual([file, 200])
  expect(((await (await ask('/api/v1/readings.csv')).text()).match(/\r\n/g) ?? []).length).toBe(121)
  // Nobody without a token; nobody from outside sees the counts.
  expect((await fetch(`${app.base}/api/v1/trees.csv`)).status).toBe(401)
  expect((await fetch(`${app.base}/api/metrics`)).status).toBe(200)
  expect((await fetch(`${app.base}/api/metrics`, { headers: { 'x-forwarded-for': '1.2.3.4' } })).status).toBe(
    404,
  )
  expect(await (await fetch(`${app.base}/api/metrics`)).text()).toMatch(/^elmhorn_database_up 1$/m)

  // Seventy connections that try ever new addresses keep nobody out who comes from elsewhere.
  const tryOut = (from: string, email: string, password: string) =>
    fetch(`${app.base}/api/v1/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-forwarded-for': from },
      body: JSON.stringify({ email, password }),
    })
  let over = false
  const flood = Array.from({ length: 70 }, async (_, i) => {
    for (let n = 0; !over; n++)
      await (await tryOut('203.0.113.9', `nobody-${i}-${n}@example.test`, 'x'.repeat(9))).text()
  })
  await new Promise((rested) => setTimeout(rested, 1500))
  try {
    const began = performance.now()
    const through = await tryOut('198.51.100.4, 203.0.113.77', SETUP.person.email, SETUP.person.password)
    expect(through.status).toBe(200)
    expect(performance.now() - began).toBeLessThan(4000)
  } finally {
    // Whatever comes of it, nobody tries on when the server is gone.
    over = true
    await Promise.all(flood)
  }

  // A backup while writes go on.
  const backup = path.join(folder, 'one.backup')
  let stop = false
  let written = 0
  const writing = (async () => {
    while (!stop) {
      await made('/api/v1/clients', { name: `Client ${written}` })
      written++
    }
  })()
  execFileSync('bash', ['bin/backup', backup], { env: own('one') })
  stop = true
  await writing
  expect(written).toBeGreaterThan(0)
  const inside = execFileSync('tar', ['-xOf', backup, 'keys.txt']).toString()
  expect(inside).toMatch(/^[0-9a-f]{16}\n$/)
  expect(
    readFileSync(backup).includes(readFileSync(path.join(folder, 'one', 'ledger.key')).subarray(0, 40)),
  ).toBe(false)

  const undo = await ask(`/api/v1/import/${taken.import!}/undo`, { method: 'POST' })
  expect(await undo.json()).toEqual({ trees: 120, readings: 0, changes: 0, left: [] })
  const archive = await ask('/api/v1/archive')
  expect(archive.headers.get('content-type')).toBe('application/zip')
  const archived = path.join(folder, 'archive.zip')
  writeFileSync(archived, Buffer.from(await archive.arrayBuffer()))
  expect(await app.stop()).toBe(0)

  // Put back beside it: all of it, and not twice.
  execFileSync('bash', ['bin/restore', backup], { env: own('two') })
  expect(() => execFileSync('bash', ['bin/restore', backup], { env: own('two'), stdio: 'pipe' })).toThrow(
    /holds a firm/,
  )
  const again = await serve('two')
  expect(again.code).toBeNull()
  const signed = await fetch(`${again.base}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: SETUP.person.email, password: SETUP.person.password }),
  })
  const { token: other } = (await signed.json()) as { token: string }
  const same = await (
    await fetch(`${again.base}/api/v1/trees.csv?site=${site}`, {
      headers: { authorization: `Bearer ${other}` },
    })
  ).text()
  expect(same).toBe(csv)
  expect(await again.stop()).toBe(0)

  // The firm alone, into a database of its own: its keeper asks for a new password, and takes the same archive again.
  const said = execFileSync('bash', ['bin/restore-firm', archived], { env: own('three') }).toString()
  expect(said).toContain('Fennick Tree Care is put back')
  expect(() =>
    execFileSync('bash', ['bin/restore-firm', archived], { env: own('three'), stdio: 'pipe' }),
  ).toThrow(/holds Fennick Tree Care already/)
  const moved = await serve('three')
  expect(moved.code).toBeNull()
  const post = (at: string, json: unknown) =>
    fetch(moved.base + at, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(json),
    })
  const { email } = SETUP.person
  expect((await post('/api/v1/session', { email, password: SETUP.person.password })).status).toBe(401)
  await post('/api/forgot-password', { email })
  const outbox = path.join(folder, 'three', 'outbox')
  const mail = readFileSync(await firstMail(outbox), 'utf8')
  const words = Buffer.from(mail.split('\r\n\r\n').slice(1).join(''), 'base64').toString()
  const link = /\/new-password#?\??(?:token=)?([\w-]{20,})/.exec(words)![1]
  expect(
    (await post('/api/new-password', { token: link, password: 'another five words in a row' })).status,
  ).toBe(200)
  const session3 = await post('/api/v1/session', { email, password: 'another five words in a row' })
  const third = ((await session3.json()) as { token: string }).token
  const retaken = path.join(folder, 'again.zip')
  writeFileSync(
    retaken,
    Buffer.from(
      await (
        await fetch(`${moved.base}/api/v1/archive`, { headers: { authorization: `Bearer ${third}` } })
      ).arrayBuffer(),
    ),
  )
  // The new password has left its trace in two kinds.
  const before = await unpacked(archived)
  const after = await unpacked(retaken)
  expect([...after.keys()]).toEqual([...before.keys()])
  for (const [at, bytes] of before)
    if (!/^(manifest\.json|person\.jsonl|audit-event\.jsonl)$/.test(at))
      expect([at, after.get(at)!.equals(bytes)]).toEqual([at, true])
  const text3 = Buffer.concat([...after.values()]).toString()
  for (const secret of [SETUP.person.password, 'another five words', '$argon2', third, link])
    expect(text3).not.toContain(secret)
  expect(await moved.stop()).toBe(0)
}, 400_000)
