import { scriptsOf } from '../tests/scripts'

/** Server time and script of every view, on the demo. */
const BASE = process.env.BASE_URL!
const ROUNDS = 40

async function signIn(): Promise<string> {
  const answer = await fetch(`${BASE}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: new URL(BASE).origin },
    body: JSON.stringify({ email: 'maren@hollinquay.example', password: 'rowan-and-lens' }),
  })
  return answer.headers
    .getSetCookie()
    .map((c) => c.split(';')[0]!)
    .join('; ')
}

async function main() {
  const cookie = await signIn()
  const get = (path: string) => fetch(BASE + path, { headers: { cookie } })
  const find = async (tag: string) =>
    ((await (await get(`/api/find?text=${encodeURIComponent(tag)}`)).json()) as { value: { id: string }[] })
      .value[0]!.id
  const linked = async (path: string, pattern: RegExp) => (await (await get(path)).text()).match(pattern)![0]
  const [ash, linden] = [await find('Ash 14'), await find('Linden 7')]
  const paths: [string, string][] = [
    ['Sign-in', '/sign-in'],
    ['Today', '/'],
    ['Grounds', '/grounds'],
    ['Site', await linked('/grounds', /\/grounds\/[0-9a-f-]{36}/)],
    ['Tree', `/trees/${ash}`],
    ['Examine', `/trees/${ash}/examine`],
    ['Weigh', `/trees/${linden}/weigh`],
    ['Decide', `/trees/${await find('Ash 13')}/decide`],
    ['Prescribe', `/trees/${ash}/prescribe`],
    ['Run, list', '/run'],
    ['Run', await linked('/run', /\/run\/[0-9a-f-]{36}/)],
    ['Ledger', '/ledger'],
    ['Record', await linked('/ledger', /\/ledger\/[0-9a-f-]{36}/)],
    ['Follow-up', '/follow-up'],
    ['Check', await linked('/follow-up', /\/follow-up\/[0-9a-f-]{36}/)],
  ]
  console.log(
    '| view | p50, ms | p95, ms | first script, kB gzip | with its parts |\n| --- | ---: | ---: | ---: | ---: |',
  )
  for (const [name, path] of paths) {
    const times: number[] = []
    let html = ''
    for (let i = 0; i < ROUNDS + 5; i++) {
      const began = performance.now()
      html = await (name === 'Sign-in' ? fetch(BASE + path) : get(path)).then((r) => r.text())
      if (i >= 5) times.push(performance.now() - began)
    }
    times.sort((a, b) => a - b)
    const { first, whole } = await scriptsOf(
      html,
      async (path) => new Uint8Array(await (await fetch(BASE + path)).arrayBuffer()),
    )
    const at = (share: number) =>
      times[Math.min(times.length - 1, Math.floor(times.length * share))]!.toFixed(1)
    console.log(`| ${name} | ${at(0.5)} | ${at(0.95)} | ${first.toFixed(0)} | ${whole.toFixed(0)} |`)
  }
}
void main()
