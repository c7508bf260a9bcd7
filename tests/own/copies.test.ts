import { execFileSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import path from 'node:path'
import { cleanUp, folder, freePort, own, serve, SETUP, type Served } from './serving'

/**
 * Two copies of the app on one database that has a standby. One copy is lost in the middle, then the database: nothing that was acknowledged is
 * lost, nothing is there twice, and the ledger is whole.
 */

const pair = (...words: string[]) =>
  execFileSync('bash', ['tests/own/pair.sh', ...words])
    .toString()
    .trim()

let at: string | undefined
afterAll(() => {
  cleanUp()
  if (at) pair('end', at)
})

test('of what was acknowledged nothing is lost with a copy of the app, and nothing with the database', async () => {
  const ports = [await freePort(), await freePort()] as const
  at = pair('start', String(ports[0]), String(ports[1]))
  const on = (port: number) => ({
    DATABASE_URL: `postgres://elmhorn_web@127.0.0.1:${port}/elmhorn`,
    DATABASE_OWNER_URL: `postgres://elmhorn_owner@127.0.0.1:${port}/elmhorn`,
    SESSION_SECRET: 'b2'.repeat(24),
    // The key that the archive of the tests was sealed with.
    LEDGER_KEY: 'a1'.repeat(32),
    LEDGER_FILE: path.join(folder, 'shared.seals'),
  })
  const first = await serve('one', on(ports[0]))
  const second = await serve('two', on(ports[0]))
  let copies: Served[] = [first, second]
  // Both say the same set-up code, and either takes it.
  expect(second.code).toBe(first.code)
  const { email, password } = SETUP.person
  const post = (base: string, address: string, json: unknown, headers: Record<string, string> = {}) =>
    fetch(base + address, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...headers },
      body: JSON.stringify(json),
      signal: AbortSignal.timeout(10_000),
    })
  const setUp = await post(second.base, '/api/setup', {
    code: first.code,
    ...SETUP,
  })
  expect(setUp.status).toBe(201)
  const { token } = (await (await post(first.base, '/api/v1/session', { email, password })).json()) as {
    token: string
  }
  // A firm with a ledger beside it, put back while the other works.
  const said = execFileSync('bash', ['bin/restore-firm', 'tests/archives/version-1.zip'], {
    env: { ...own('one'), ...on(ports[0]) },
  }).toString()
  expect(said).toContain('Its ledger is whole, and its seals are true.')

  // Ever the next copy; what is not acknowledged is sent again under its own id, as a proxy and a client do.
  const acknowledged: string[] = []
  let turn = 0
  let over = false
  const write = async () => {
    while (!over) {
      const id = randomUUID()
      for (;;) {
        const copy = copies[turn++ % copies.length]!
        const status = await post(
          copy.base,
          '/api/v1/clients',
          { name: `Client ${id}` },
          { authorization: `Bearer ${token}`, 'idempotency-key': id },
        ).then(
          async (r) => (await r.text(), r.status),
          () => 0,
        )
        if (status === 201) break
        // Out of reach, in between, or asked too often: nothing else may be said.
        expect([0, 429, 500, 502, 503]).toContain(status)
        if (over) return
        await new Promise((rested) => setTimeout(rested, 100))
      }
      acknowledged.push(id)
      await new Promise((rested) => setTimeout(rested, 20))
    }
  }
  const until = async (n: number) => {
    while (acknowledged.length < n) await new Promise((rested) => setTimeout(rested, 20))
  }
  const writing = Promise.all([write(), write(), write()])
  await until(30)
  await second.kill()
  await until(60)
  pair('lose', at)
  await new Promise((rested) => setTimeout(rested, 500))
  const before = acknowledged.length
  // The copies are pointed at what was the standby.
  await first.stop()
  const third = await serve('three', on(ports[1]))
  copies = [third]
  await until(before + 30)
  over = true
  await writing

  const found: string[] = []
  for (let after: string | null = ''; after !== null;) {
    const page = (await (
      await fetch(`${third.base}/api/v1/clients?limit=1000${after && `&after=${after}`}`, {
        headers: { authorization: `Bearer ${token}` },
      })
    ).json()) as { clients: { id: string; name: string }[]; next: string | null }
    found.push(...page.clients.map((c) => c.name.replace('Client ', '')))
    after = page.next
  }
  expect(acknowledged.filter((id) => !found.includes(id))).toEqual([])
  expect(new Set(found).size).toBe(found.length)
  // Ledgers are looked at from end to end when a copy comes up.
  let health: { ledgers: string } = { ledgers: '' }
  for (let tries = 0; tries < 100 && health.ledgers !== 'ok'; tries++) {
    health = (await (await fetch(`${third.base}/api/health`)).json()) as { ledgers: string }
    await new Promise((rested) => setTimeout(rested, 200))
  }
  expect(health.ledgers).toBe('ok')
  expect(await third.stop()).toBe(0)
}, 400_000)
