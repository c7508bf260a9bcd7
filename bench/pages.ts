import { gzipSync } from 'node:zlib'

/** Server time and first-load JavaScript of every view, on the demo. */
const BASE = process.env.BASE_URL!
const ROUNDS = 40

async function signIn(): Promise<string> {
  const answer = await fetch(`${BASE}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: new URL(BASE).origin },
    body: JSON.stringify({ email: 'maren@hollinquay.example', password: 'rowan-and-lens' }),
  })
  return answer.headers.getSetCookie()[0]!.split(';')[0]!
}

async function main() {
  const cookie = await signIn()
  const get = (path: string) => fetch(BASE + path, { headers: { cookie } })
  const find = async (tag: string) =>
    ((await (await get(`/api/find?text=${encodeURIComponent(tag)}`)).json()) as { value: { id: string }[] })
      .value[0]!.id
  const first = async (path: string, pattern: RegExp) => (await (await get(path)).text()).match(pattern)![0]
  const [ash, linden] = [await find('Ash 14'), await find('Linden 7')]
  const paths: [string, string][] = [
    ['Sign-in', '/sign-in'],
    ['Today', '/'],
    ['Grounds', '/grounds'],
    ['Site', await first('/grounds', /\/grounds\/[0-9a-f-]{36}/)],
    ['Tree', `/trees/${ash}`],
    ['Examine', `/trees/${ash}/examine`],
    ['Weigh', `/trees/${linden}/weigh`],
    ['Decide', `/trees/${await find('Ash 13')}/decide`],
    ['Prescribe', `/trees/${ash}/prescribe`],
    ['Run, list', '/run'],
    ['Run', await first('/run', /\/run\/[0-9a-f-]{36}/)],
    ['Ledger', '/ledger'],
    ['Record', await first('/ledger', /\/ledger\/[0-9a-f-]{36}/)],
    ['Follow-up', '/follow-up'],
    ['Check', await first('/follow-up', /\/follow-up\/[0-9a-f-]{36}/)],
  ]
  console.log('| view | p50, ms | p95, ms | first-load JS, kB gzip |\n| --- | ---: | ---: | ---: |')
  for (const [name, path] of paths) {
    const times: number[] = []
    let html = ''
    for (let i = 0; i < ROUNDS + 5; i++) {
      const began = performance.now()
      html = await (name === 'Sign-in' ? fetch(BASE + path) : get(path)).then((r) => r.text())
      if (i >= 5) times.push(performance.now() - began)
    }
    times.sort((a, b) => a - b)
    const scripts = new Set(
      [...html.matchAll(/<script[^>]*src="(\/_next\/static\/[^"]+\.js)"(?![^>]*nomodule)/gi)].map(
        (m) => m[1]!,
      ),
    )
    let bytes = 0
    for (const src of scripts) {
      const tag = html.match(new RegExp(`<script[^>]*${src.replace(/[.[\]()]/g, '\\$&')}[^>]*>`))![0]
      if (/nomodule/i.test(tag)) continue
      bytes += gzipSync(Buffer.from(await (await fetch(BASE + src)).arrayBuffer())).length
    }
    const at = (share: number) =>
      times[Math.min(times.length - 1, Math.floor(times.length * share))]!.toFixed(1)
    console.log(`| ${name} | ${at(0.5)} | ${at(0.95)} | ${(bytes / 1000).toFixed(0)} |`)
  }
}
void main()
