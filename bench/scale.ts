import postgres from 'postgres'
import { gzipSync } from 'node:zlib'
import { seal } from '@/server/ledger/seal'
import { hashPassword } from '@/server/password'
import { LARGE, makeScaleFirm, scaleId } from './scaleFirm'

/**
 * Each page on a firm of 100,000 trees beside the same page on the small demo, one request of each in turn, so that a noisy
 * machine is noisy for both: server time, size, and what the same rows cost by SQL alone.
 */
const BASE = process.env.BASE_URL!
const ROUNDS = Number(process.env.ROUNDS ?? 25)
const EMAIL = 'large1@large.example'
const PASSWORD = 'a-large-firm-to-look-at'
const ORIGIN = { origin: new URL(BASE).origin }

async function signIn(email: string, password: string): Promise<string> {
  const answer = await fetch(`${BASE}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...ORIGIN },
    body: JSON.stringify({ email, password }),
  })
  return answer.headers.getSetCookie()[0]!.split(';')[0]!
}

async function main() {
  const today = process.argv[2]!
  const owner = postgres(process.env.DATABASE_OWNER_URL!, { max: 1, onnotice: () => {} })
  const [there] = await owner`select 1 from tree where firm_id = ${LARGE.firm} limit 1`
  if (!there) {
    const began = Date.now()
    await makeScaleFirm(process.env.DATABASE_OWNER_URL!, { ...LARGE, seal }, today)
    console.log(`The firm of 100,000 trees was made in ${((Date.now() - began) / 1000).toFixed(0)} s.\n`)
  }
  await owner`update person set password_hash = ${await hashPassword(PASSWORD)} where id = ${scaleId('person', 1)}`
  // Its clock stands where the demo's does.
  await owner`update firm set clock_offset = (select clock_offset from firm where id <> ${LARGE.firm} order by created_at limit 1) where id = ${LARGE.firm}`
  await owner.end()
  const small = await signIn('maren@hollinquay.example', 'rowan-and-lens')
  const large = await signIn(EMAIL, PASSWORD)
  const text = async (cookie: string, path: string) =>
    (await fetch(BASE + path, { headers: { cookie } })).text()
  const find = async (tag: string) =>
    (
      JSON.parse(await text(small, `/api/find?text=${encodeURIComponent(tag)}`)) as {
        value: { id: string }[]
      }
    ).value[0]!.id
  const first = async (path: string, pattern: RegExp) => (await text(small, path)).match(pattern)![0]
  const [ash, linden] = [await find('Ash 14'), await find('Linden 7')]
  const tree = scaleId('tree', 40_007)
  const pages: [name: string, small: string, large: string][] = [
    ['Today', '/', '/'],
    ['Grounds', '/grounds', '/grounds'],
    [
      'Site (14 and 95 trees)',
      await first('/grounds', /\/grounds\/[0-9a-f-]{36}/),
      `/grounds/${scaleId('site', 77)}`,
    ],
    [
      'Site (14 and 5,000 trees)',
      await first('/grounds', /\/grounds\/[0-9a-f-]{36}/),
      `/grounds/${scaleId('site', 1)}`,
    ],
    ['Tree', `/trees/${ash}`, `/trees/${tree}`],
    ['Examine', `/trees/${ash}/examine`, `/trees/${scaleId('tree', 40_000)}/examine`],
    ['Weigh', `/trees/${linden}/weigh`, `/trees/${scaleId('tree', 40_000)}/weigh`],
    ['Decide', `/trees/${await find('Ash 13')}/decide`, `/trees/${scaleId('tree', 40_001)}/decide`],
    ['Prescribe', `/trees/${ash}/prescribe`, `/trees/${scaleId('tree', 40_002)}/prescribe`],
    ['Run, list', '/run', '/run'],
    ['Run (1 and 192 trees)', await first('/run', /\/run\/[0-9a-f-]{36}/), `/run/${scaleId('job', 4 + 2)}`],
    ['Waiting to decide', '/waiting/decide', '/waiting/decide'],
    ['Ledger', '/ledger', '/ledger'],
    [
      'Record',
      await first('/ledger', /\/ledger\/[0-9a-f-]{36}/),
      `/ledger/${scaleId('record', 40_007 * 4 + 1)}`,
    ],
    ['Follow-up', '/follow-up', '/follow-up'],
    ['Find', '/api/find?text=ash%201', '/api/find?text=t04000'],
  ]
  const time = async (cookie: string, path: string) => {
    const began = performance.now()
    const html = await text(cookie, path)
    return { ms: performance.now() - began, html }
  }
  console.log(
    '| page | small p50, ms | p95 | large p50, ms | p95 | large by small | HTML of large, kB (gzip) |\n| --- | ---: | ---: | ---: | ---: | ---: | ---: |',
  )
  for (const [name, a, b] of pages) {
    const [own, other]: [number[], number[]] = [[], []]
    let html = ''
    for (let i = 0; i < ROUNDS + 5; i++) {
      const s = await time(small, a)
      const l = await time(large, b)
      if (i < 5) continue
      own.push(s.ms)
      other.push(l.ms)
      html = l.html
    }
    const at = (times: number[], share: number) =>
      [...times].sort((x, y) => x - y)[Math.min(times.length - 1, Math.floor(times.length * share))]!
    const bad = /This page could not be made|cannot show this/.test(html) ? ' **error**' : ''
    console.log(
      `| ${name}${bad} | ${at(own, 0.5).toFixed(0)} | ${at(own, 0.95).toFixed(0)} | ${at(other, 0.5).toFixed(0)} | ${at(other, 0.95).toFixed(0)} | ${(at(other, 0.5) / at(own, 0.5)).toFixed(2)} | ${(html.length / 1000).toFixed(0)} (${(gzipSync(html).length / 1000).toFixed(0)}) |`,
    )
  }
  // Twelve heavy pages at once, and a plain one beside them.
  const heavy = Array.from({ length: 12 }, () => time(large, `/grounds/${scaleId('site', 1)}`))
  const beside = [await time(small, '/grounds'), await time(small, '/api/health')]
  const all = await Promise.all(heavy)
  console.log(
    `\nTwelve sites of 5,000 trees at once: the last after ${Math.max(...all.map((h) => h.ms)).toFixed(0)} ms; meanwhile Grounds ${beside[0]!.ms.toFixed(0)} ms, health ${beside[1]!.ms.toFixed(0)} ms.`,
  )
}
void main()
