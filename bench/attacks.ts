import { spawn } from 'node:child_process'
import http from 'node:http'
import sharp from 'sharp'

/**
 * How a page does while somebody works against the app: the same two pages, one request after another, first with nothing
 * else going on, then under each attack, each time beside a quiet stretch of its own.
 */
const BASE = new URL(process.env.BASE_URL!)
const ROUNDS = 50
const ORIGIN = { origin: BASE.origin }
const JSON_TYPE = { 'content-type': 'application/json' }

async function signIn(): Promise<string> {
  const answer = await fetch(new URL('/api/sign-in', BASE), {
    method: 'POST',
    headers: { ...JSON_TYPE, ...ORIGIN },
    body: JSON.stringify({ email: 'maren@hollinquay.example', password: 'rowan-and-lens' }),
  })
  return answer.headers.getSetCookie()[0]!.split(';')[0]!
}

interface Measured {
  p50: number
  p95: number
  most: number
}

/** Two pages in turn, one request after another, after a few that warm up. */
async function look(cookie: string): Promise<Measured> {
  const page = async (path: string) => {
    const began = performance.now()
    await (await fetch(new URL(path, BASE), { headers: { cookie } })).text()
    return performance.now() - began
  }
  for (let i = 0; i < 6; i++) await page(i % 2 === 0 ? '/' : '/grounds')
  const times: number[] = []
  for (let i = 0; i < ROUNDS; i++) times.push(await page(i % 2 === 0 ? '/' : '/grounds'))
  times.sort((a, b) => a - b)
  return { p50: times[ROUNDS / 2]!, p95: times[Math.floor(ROUNDS * 0.95)]!, most: times.at(-1)! }
}

async function main() {
  const cookie = await signIn()
  const find = async (tag: string) =>
    (
      (await (
        await fetch(new URL(`/api/find?text=${encodeURIComponent(tag)}`, BASE), { headers: { cookie } })
      ).json()) as { value: { id: string }[] }
    ).value[0]!.id
  const tree = await find('Ash 11')
  /** Measured by a process of its own: whoever attacks must not hold up the one who looks. */
  const measure = () =>
    new Promise<Measured>((resolve, reject) => {
      const looker = spawn(process.execPath, [...process.execArgv, process.argv[1]!, 'look', cookie], {
        stdio: ['ignore', 'pipe', 'inherit'],
      })
      let said = ''
      looker.stdout.on('data', (part: Buffer) => (said += part.toString()))
      looker.on('close', (code) =>
        code === 0
          ? resolve(JSON.parse(said) as Measured)
          : reject(new Error(`the looker ended with ${code}`)),
      )
    })
  const post = (path: string, body: unknown) =>
    fetch(new URL(path, BASE), {
      method: 'POST',
      headers: { ...JSON_TYPE, ...ORIGIN, cookie },
      body: JSON.stringify(body),
    })
      .then(async (r) => (await r.text(), r.status))
      .catch(() => 0)
  const upload = (bytes: Buffer, type: string) =>
    fetch(
      new URL(`/api/photos/${crypto.randomUUID()}?tree=${tree}&assessment=${crypto.randomUUID()}`, BASE),
      { method: 'POST', headers: { 'content-type': type, ...ORIGIN, cookie }, body: new Uint8Array(bytes) },
    )
      .then(async (r) => (await r.text(), r.status))
      .catch(() => 0)

  const day = (i: number) =>
    new Date(Date.UTC(2026, 0, 1) + (i % 360) * 86_400_000).toISOString().slice(0, 10)
  const applications = (n: number) =>
    Array.from({ length: n }, (_, i) => ({
      date: day(i),
      product: 'A',
      active: 'oil',
      group: '3',
      kind: 'fungicide',
    }))
  const intervals = {
    plan: applications(2000),
    history: applications(2000),
    rules: { minDays: { A: 7 }, apart: [{ actives: ['oil', 'oil'], days: 400 }] },
  }
  const cap = {
    limit: '0.4 lb/acre',
    area: '40 acre',
    activePerInch: '0.003125 lb',
    trees: Array.from({ length: 2000 }, (_, i) => {
      const d = 3 + ((i * 7919) % 100_003) / 2500
      return { id: `t${i}`, diameter: `${d} in`, priority: d }
    }),
  }
  const png = await sharp({ create: { width: 10_900, height: 10_900, channels: 3, background: '#4a3b2a' } })
    .png({ progressive: true, compressionLevel: 9 })
    .toBuffer()
  const svg = Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="9000" height="9000"><filter id="f"><feTurbulence baseFrequency="0.01" numOctaves="9"/><feGaussianBlur stdDeviation="90"/></filter><rect width="9000" height="9000" filter="url(#f)"/></svg>`,
  )
  /** Sends without saying how much is to come, and never stops by itself. */
  const endless = (megabytes: number) =>
    new Promise<number>((resolve) => {
      const request = http.request(
        {
          host: BASE.hostname,
          port: BASE.port,
          method: 'POST',
          path: `/api/photos/${crypto.randomUUID()}?tree=${tree}&assessment=${crypto.randomUUID()}`,
          headers: { 'content-type': 'image/jpeg', 'transfer-encoding': 'chunked', ...ORIGIN, cookie },
        },
        (response) => {
          response.resume()
          resolve(response.statusCode ?? 0)
        },
      )
      request.on('error', () => resolve(0))
      const part = Buffer.alloc(1_000_000, 0xff)
      let sent = 0
      const more = () => {
        while (sent++ < megabytes) if (!request.write(part)) return void request.once('drain', more)
        request.end()
      }
      more()
    })

  const ATTACKS: [string, () => Promise<number>[]][] = [
    [
      'twelve intervals of 2,000 + 2,000',
      () => Array.from({ length: 12 }, () => post('/api/v1/calc/intervals', intervals)),
    ],
    [
      'twelve limits with awkward numbers',
      () => Array.from({ length: 12 }, () => post('/api/v1/calc/cap', cap)),
    ],
    [
      'thirty sign-ins',
      () =>
        Array.from({ length: 30 }, (_, i) =>
          post('/api/sign-in', { email: `nobody${i}@test.example`, password: 'wrong' }),
        ),
    ],
    [
      `an interlaced picture of ${Math.round(png.length / 1000)} kB, three times`,
      () => [1, 2, 3].map(() => upload(png, 'image/png')),
    ],
    ['a drawing as a picture, three times', () => [1, 2, 3].map(() => upload(svg, 'image/svg+xml'))],
    ['an upload of 750 MB in pieces', () => [endless(750)]],
  ]
  await measure()
  console.log(
    '| attack | quiet p50, ms | p95, ms | under it p50, ms | p95, ms | longest, ms | p95 by | answered |\n| --- | ---: | ---: | ---: | ---: | ---: | ---: | --- |',
  )
  for (const [name, attack] of ATTACKS) {
    const quiet = await measure()
    const began = performance.now()
    let running = attack()
    const statuses: number[] = []
    // As long as the pages are measured the attack goes on: what has been answered is sent again.
    let on = true
    const keeping = (async () => {
      while (on) {
        statuses.push(...(await Promise.all(running)))
        if (on && performance.now() - began < 60_000) running = attack()
        else break
      }
    })()
    const under = await measure()
    on = false
    await keeping
    const counts = new Map<number, number>()
    for (const s of statuses) counts.set(s, (counts.get(s) ?? 0) + 1)
    console.log(
      `| ${name} | ${quiet.p50.toFixed(0)} | ${quiet.p95.toFixed(0)} | ${under.p50.toFixed(0)} | ${under.p95.toFixed(0)} | ${under.most.toFixed(0)} | ${(under.p95 / quiet.p95).toFixed(1)} × | ${[...counts].map(([s, n]) => `${s} × ${n}`).join(', ')} |`,
    )
  }
}
if (process.argv[2] === 'look') void look(process.argv[3]!).then((m) => console.log(JSON.stringify(m)))
else void main()
